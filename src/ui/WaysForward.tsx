'use client';
import { useRef, useState } from 'react';
import { statusOf } from '@/core/members/check';
import { formatUtilisation } from '@/core/units/format';
import { standingOf, standingText } from './Glyph';
import { Inlay } from './Inlay';

/** What every way forward says of itself, whatever member it is for. */
interface Way {
  readonly utilisation: number;
  readonly governs: string;
  /** Over those of the member as it is. */
  readonly cost: number;
  readonly carbon: number;
  readonly buildability: number;
}

interface WaysForwardProps<M, S extends string, W extends Way> {
  readonly member: M;
  /** What the member is called: "beam". */
  readonly word: string;
  readonly searches: readonly (readonly [S, string])[];
  readonly search: (search: S) => Promise<readonly W[]>;
  readonly label: (way: W) => string;
  /** More to know of a way than its label says. */
  readonly detail?: (way: W) => string;
  readonly onTake: (way: W) => void;
  readonly empty: string;
  readonly picture?: (list: readonly W[]) => React.ReactNode;
}

/** Ways that were each designed in full, tried with one click; against the member for which they were looked for. */
export function WaysForward<M, S extends string, W extends Way>(props: WaysForwardProps<M, S, W>) {
  const { member, word, searches, label, detail } = props;
  const [found, setFound] = useState<{ of: M; search: S; list: readonly W[] | null } | null>(null);
  const last = useRef(0);
  const look = (search: S) => {
    const turn = (last.current += 1);
    setFound({ of: member, search, list: null });
    // A search that was asked for earlier does not take the place of a later one.
    void props.search(search).then((list) => turn === last.current && setFound({ of: member, search, list }));
  };
  const isOld = found !== null && found.of !== member;
  return (
    <section aria-label="Ways forward" className="max-h-60 shrink-0 overflow-y-auto pb-2">
      <div className="flex items-baseline gap-2 pt-1.5">
        <h2>Ways forward</h2>
        <span className="small">{found?.list ? `against ${isOld ? `the ${word} before` : 'now'}: cost, carbon` : ''}</span>
      </div>
      <div className="small flex flex-wrap gap-x-3 pb-1">
        {searches.map(([search, name]) => (
          <button key={search} type="button" className="link" aria-pressed={found?.search === search} onClick={() => look(search)}>
            {name}
          </button>
        ))}
      </div>
      {found && found.list === null && <p role="status">Looking for {searches.find(([s]) => s === found.search)![1]}.</p>}
      {found?.list?.length === 0 && <p>{props.empty}</p>}
      {found?.list && found.list.length > 1 && props.picture?.(found.list)}
      {found?.list?.map((way, i) => {
        const standing = standingOf(statusOf(way.utilisation));
        const about = [label(way), `governs: ${way.governs}`, detail?.(way), `ease of building ${way.buildability.toFixed(2)}`];
        return (
          <div key={i} className="grid h-[1.4rem] grid-cols-[2rem_1rem_minmax(0,1fr)_5.4rem_2.6rem_2rem] items-center gap-1.5">
            <button type="button" className="btn !h-5 !px-1 !py-0" aria-label={`Try ${label(way)}`} onClick={() => props.onTake(way)}>
              try
            </button>
            <span className="small text-right">{i + 1}</span>
            <span className="truncate" title={about.filter(Boolean).join(' · ')}>
              {label(way)}
            </span>
            <span className="small text-right" title="cost and carbon against now">
              {change(way.cost)}, {change(way.carbon)}
            </span>
            <Inlay utilisation={way.utilisation} standing={standing} width={36} framed />
            <span className={`text-right ${standingText[standing]}`}>{formatUtilisation(way.utilisation)}</span>
          </div>
        );
      })}
    </section>
  );
}

const change = (ratio: number) => `${ratio >= 1 ? '+' : '−'}${Math.abs(Math.round((ratio - 1) * 100))} %`;
