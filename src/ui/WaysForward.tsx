'use client';
import { useEffect, useRef, useState } from 'react';
import { statusOf } from '@/core/members/check';
import type { Project } from '@/core/project/project';
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
  readonly project: Pick<Project, 'code' | 'rates'>;
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
  readonly picture?: (list: readonly W[], search: S) => React.ReactNode;
}

/** How long a member rests before its ways are looked for (ms): not while someone types. */
const REST = 600;

/** What ways are looked for: they are old when any of it has changed. */
type Of<M> = Pick<Project, 'code' | 'rates'> & { readonly member: M };

interface Found<M, S, W> {
  readonly of: Of<M>;
  readonly search: S;
  readonly list: readonly W[];
}

const isSame = <M,>(a: Of<M>, b: Of<M>) => a.member === b.member && a.code === b.code && a.rates === b.rates;

/** The ways of the search that was asked for last, one search at a time. */
function useWays<M, S extends string, W>(of: Of<M>, search: (search: S) => Promise<readonly W[]>) {
  const [found, setFound] = useState<Found<M, S, W> | null>(null);
  const [looking, setLooking] = useState<S | null>(null);
  const [hasFailed, setHasFailed] = useState(false);
  const latest = useRef({ of, search });
  const wanted = useRef<S | null>(null);
  const isBusy = useRef(false);
  useEffect(() => {
    latest.current = { of, search };
  });
  const look = async (kind: S) => {
    setLooking(kind);
    wanted.current = kind;
    if (isBusy.current) return;
    isBusy.current = true;
    try {
      // What was asked for meanwhile, or changed, is looked for next; nothing piles up.
      while (wanted.current) {
        const asked: S = wanted.current;
        wanted.current = null;
        const { of: asIs, search: run } = latest.current;
        const list = await run(asked);
        if (!wanted.current) setFound({ of: asIs, search: asked, list });
      }
      setHasFailed(false);
    } catch {
      setHasFailed(true);
    } finally {
      isBusy.current = false;
      setLooking(null);
    }
  };
  return { found, looking, hasFailed, look };
}

/**
 * Ways that were each designed in full, tried with one click. They are there by themselves whenever the member has come to rest, and cannot
 * be taken for a member that has changed since: its spans may be others.
 */
export function WaysForward<M, S extends string, W extends Way>(props: WaysForwardProps<M, S, W>) {
  const { project, member, word, searches, label, detail } = props;
  const { code, rates } = project;
  const of = { member, code, rates };
  const [chosen, setChosen] = useState<S>(searches[0]![0]);
  const { found, looking, hasFailed, look } = useWays<M, S, W>(of, props.search);
  const isOld = found !== null && !isSame(found.of, of);
  const lookAgain = useRef(() => {});
  useEffect(() => {
    lookAgain.current = () => {
      if (isOld || found?.search !== chosen) void look(chosen);
    };
  });
  useEffect(() => {
    const timer = setTimeout(() => lookAgain.current(), REST);
    return () => clearTimeout(timer);
  }, [member, code, rates]);
  const choose = (search: S) => {
    setChosen(search);
    void look(search);
  };
  const shown = found?.search === chosen ? found.list : null;
  // The numbers are those of the picture.
  const picture = shown && shown.length > 1 && props.picture?.(shown, chosen);
  const numbered = Boolean(picture);
  // A row goes with its way when the list is put in another order, so that what is pressed is what is named.
  const labels = shown?.map(label) ?? [];
  return (
    <section aria-label="Ways forward" className="max-h-[min(15rem,32vh)] shrink-0 overflow-y-auto pb-2">
      <div className="flex items-baseline gap-2 pt-1.5">
        <h2>Ways forward</h2>
        <span className="small">{shown ? `against ${isOld ? `the ${word} before` : 'now'}: cost, carbon` : ''}</span>
      </div>
      <div className="small flex flex-wrap gap-x-3 pb-1">
        {searches.map(([search, name]) => (
          <button key={search} type="button" className="link" aria-pressed={chosen === search} onClick={() => choose(search)}>
            {name}
          </button>
        ))}
      </div>
      {looking === chosen && !shown && <p role="status">Looking for {searches.find(([s]) => s === chosen)![1]}.</p>}
      {hasFailed && <p>The ways could not be worked out. The {word} itself is safe: load the page anew to look again.</p>}
      {shown?.length === 0 && <p>{props.empty}</p>}
      {picture}
      <div className={isOld ? 'stale' : ''}>
        {shown?.map((way, i) => {
          const standing = standingOf(statusOf(way.utilisation));
          const about = [label(way), `governs: ${way.governs}`, detail?.(way), `ease of building ${way.buildability.toFixed(2)}`];
          return (
            <div
              key={labels.indexOf(label(way)) === i ? label(way) : i}
              className={`grid h-[1.4rem] items-center gap-1.5 ${numbered ? 'grid-cols-[2rem_0.8rem_minmax(0,1fr)_5.2rem_2.6rem_2rem]' : 'grid-cols-[2rem_minmax(0,1fr)_5.2rem_2.6rem_2rem]'}`}
            >
              <button
                type="button"
                className="btn !h-5 !px-1 !py-0"
                aria-label={`Try ${label(way)}`}
                disabled={isOld}
                onClick={() => props.onTake(way)}
              >
                try
              </button>
              {numbered && <span className="small text-right">{i + 1}</span>}
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
      </div>
    </section>
  );
}

const change = (ratio: number) => `${ratio >= 1 ? '+' : '−'}${Math.abs(Math.round((ratio - 1) * 100))} %`;
