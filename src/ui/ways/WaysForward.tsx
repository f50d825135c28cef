'use client';
import { memo, useEffect, useRef, useState } from 'react';
import { statusOf } from '@/core/checks/check';
import type { Project } from '@/core/project/project';
import { formatUtilisation } from '@/core/units/format';
import type { Way } from '@/core/members/kind';
import { kindOf, type Member } from '@/core/members/kinds';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { propose } from '@/store/proposing';
import { standingOf, standingText } from '@/ui/drawing/Glyph';
import { Inlay } from '@/ui/drawing/Inlay';

/** How long a member rests before its ways are looked for (ms): not while someone types. */
const REST = 600;

/** What ways are looked for: they are old when any of it has changed. */
type Of<M> = Pick<Project, 'code' | 'rates'> & { readonly member: M };

interface Found<M> {
  readonly of: Of<M>;
  readonly search: string;
  readonly list: readonly Way<M>[];
}

const isSame = <M,>(a: Of<M>, b: Of<M>) => a.member === b.member && a.code === b.code && a.rates === b.rates;

/** The ways of the search that was asked for last, one search at a time. */
function useWays<M extends Member>(of: Of<M>, search: (search: string) => Promise<readonly Way<M>[]>) {
  const [found, setFound] = useState<Found<M> | null>(null);
  const [looking, setLooking] = useState<string | null>(null);
  const [hasFailed, setHasFailed] = useState(false);
  const latest = useRef({ of, search });
  const wanted = useRef<string | null>(null);
  const isBusy = useRef(false);
  useEffect(() => {
    latest.current = { of, search };
  });
  const look = async (kind: string) => {
    setLooking(kind);
    wanted.current = kind;
    if (isBusy.current) return;
    isBusy.current = true;
    try {
      // What was asked for meanwhile, or changed, is looked for next; nothing piles up.
      while (wanted.current) {
        const asked: string = wanted.current;
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
function WaysForwardOf<M extends Member>({ project, member }: { readonly project: Project; readonly member: M }) {
  const { code, display, rates } = project;
  const { word, searches } = kindOf(member);
  const edit = useProject((s) => s.edit);
  const of = { member, code, rates };
  const [chosen, setChosen] = useState(searches[0]!.id);
  const { found, looking, hasFailed, look } = useWays<M>(of, (search) => propose({ code, display, rates }, member, search));
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
  const choose = (search: string) => {
    setChosen(search);
    void look(search);
  };
  const shown = found?.search === chosen ? found.list : null;
  const search = searches.find((s) => s.id === chosen)!;
  // The numbers are those of the picture.
  const isNumbered = shown !== null && shown.length > 1 && search.isWeighed === true;
  const take = (way: Way<M>) =>
    edit(
      `try ${way.title} for ${member.mark}`,
      onMember(member, (m) => void Object.assign(m, way.change)),
    );
  // A row goes with its way when the list is put in another order, so that what is pressed is what is named.
  const titles = shown?.map((way) => way.title) ?? [];
  return (
    <section aria-label="Ways forward" className="max-h-[min(15rem,32vh)] shrink-0 overflow-y-auto pb-2">
      <div className="flex items-baseline gap-2 pt-1.5">
        <h2>Ways forward</h2>
        <span className="small">{shown ? `against ${isOld ? `the ${word} before` : 'now'}: cost, carbon` : ''}</span>
      </div>
      <div className="small flex flex-wrap gap-x-3 pb-1">
        {searches.map(({ id, title }) => (
          <button key={id} type="button" className="link" aria-pressed={chosen === id} onClick={() => choose(id)}>
            {title}
          </button>
        ))}
      </div>
      {looking === chosen && !shown && <p role="status">Looking for {search.title}.</p>}
      {hasFailed && <p>The ways could not be worked out. The {word} itself is safe: load the page anew to look again.</p>}
      {shown?.length === 0 && <p>{search.none}</p>}
      {isNumbered && <TradeOff list={shown} />}
      <div className={isOld ? 'stale' : ''}>
        {shown?.map((way, i) => {
          const standing = standingOf(statusOf(way.utilisation));
          const about = [way.title, `governs: ${way.governs}`, way.detail, `ease of building ${way.buildability.toFixed(2)}`];
          return (
            <div
              key={titles.indexOf(way.title) === i ? way.title : i}
              className={`grid h-[1.4rem] items-center gap-1.5 ${isNumbered ? 'grid-cols-[2rem_0.8rem_minmax(0,1fr)_5.2rem_2.6rem_2rem]' : 'grid-cols-[2rem_minmax(0,1fr)_5.2rem_2.6rem_2rem]'}`}
            >
              <button
                type="button"
                className="btn !h-5 !px-1 !py-0"
                aria-label={`Try ${way.title}`}
                disabled={isOld}
                onClick={() => take(way)}
              >
                try
              </button>
              {isNumbered && <span className="small text-right">{i + 1}</span>}
              <span className="truncate" title={about.filter(Boolean).join(' · ')}>
                {way.title}
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

/** Drawn only when the member or what ranks its ways has changed. */
export const WaysForward = memo(WaysForwardOf) as typeof WaysForwardOf;

type Weighed = Pick<Way<Member>, 'title' | 'cost' | 'buildability' | 'holds'>;

const [WIDTH, HEIGHT] = [310, 74];

/** Cost against ease of building, by number; what holds is filled. */
function TradeOff({ list }: { list: readonly Weighed[] }) {
  const range = (values: readonly number[]) => {
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const pad = Math.max(0.01, (high - low) * 0.12);
    return [low - pad, high + pad] as const;
  };
  const [c0, c1] = range(list.map((p) => p.cost));
  const [b0, b1] = range(list.map((p) => p.buildability));
  const x = (p: Weighed) => 58 + ((p.cost - c0) / (c1 - c0)) * (WIDTH - 76);
  const y = (p: Weighed) => HEIGHT - 16 - ((p.buildability - b0) / (b1 - b0)) * (HEIGHT - 26);
  return (
    <svg width={WIDTH} height={HEIGHT} role="img" aria-label="Cost against ease of building" className="block">
      <path d={`M54 6V${HEIGHT - 14}H${WIDTH - 6}`} fill="none" stroke="#231E19" />
      <text x="50" y="14" textAnchor="end" fontSize="0.6875rem" fill="#51473C">
        easier
      </text>
      <text x={WIDTH - 6} y={HEIGHT - 3} textAnchor="end" fontSize="0.6875rem" fill="#51473C">
        dearer
      </text>
      {list.map((p, i) => (
        <g key={p.title}>
          <circle cx={x(p)} cy={y(p)} r="3.4" fill={p.holds ? '#3C8A7A' : '#F8F4E9'} stroke={p.holds ? '#3C8A7A' : '#A30F38'} />
          <text x={x(p) + 6} y={y(p) + 4} fontSize="0.6875rem">
            {i + 1}
          </text>
        </g>
      ))}
    </svg>
  );
}
