'use client';
import { Fragment, memo, useEffect, useRef, useState } from 'react';
import { statusOf } from '@/core/checks/check';
import type { Project } from '@/core/project/project';
import { formatUtilisation } from '@/core/units/format';
import { percentTitle } from '@/core/advice/single-changes';
import type { Way } from '@/core/members/kind';
import { kindOf, type Member } from '@/core/members/kinds';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { propose } from '@/store/proposing';
import { standingOf, standingText } from '@/ui/drawing/Glyph';
import dynamic from 'next/dynamic';
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
/** Loaded when it is wanted. */
const TradeOffChart = dynamic(() => import('@/ui/charts/TradeOffChart').then((m) => m.TradeOffChart), { ssr: false });

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
  const listed = found?.search === chosen ? found.list : null;
  // Those that let go of what was set by hand stand apart, behind the others.
  const shown = listed && [...listed.filter((way) => !way.isAnew), ...listed.filter((way) => way.isAnew)];
  const search = searches.find((s) => s.id === chosen)!;
  // The numbers are those of the picture.
  const isNumbered = shown !== null && shown.length > 1 && search.isWeighed === true;
  const take = (way: Way<M>) =>
    edit(
      `try ${way.title} for ${member.mark}`,
      onMember(member, (m) => void Object.assign(m, way.change)),
    );
  const firstAnew = shown?.findIndex((way) => way.isAnew) ?? -1;
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
      {isNumbered && <TradeOffChart list={shown} />}
      <div className={isOld ? 'stale' : ''}>
        {shown?.some((way) => way.isPair) && <p className="small">No single change mends it. Two together do:</p>}
        {shown?.map((way, i) => (
          // A row goes with its way when the list is put in another order, so that what is pressed is what is named.
          <Fragment key={way.title}>
            {i === firstAnew && <p className="small pt-1">With what was set by hand chosen anew:</p>}
            <Row way={way} number={isNumbered ? i + 1 : null} isOld={isOld} onTake={() => take(way)} />
          </Fragment>
        ))}
      </div>
    </section>
  );
}

/** A way: what it changes, its cost and carbon against now, and what comes of it. */
function Row<M extends Member>({
  way,
  number,
  isOld,
  onTake,
}: {
  readonly way: Way<M>;
  readonly number: number | null;
  readonly isOld: boolean;
  readonly onTake: () => void;
}) {
  const standing = standingOf(statusOf(way.utilisation));
  const about = [way.title, `governs: ${way.governs}`, way.detail, `ease of building ${way.buildability.toFixed(2)}`];
  const columns =
    number === null ? 'grid-cols-[2rem_minmax(0,1fr)_5.2rem_2.6rem_2rem]' : 'grid-cols-[2rem_0.8rem_minmax(0,1fr)_5.2rem_2.6rem_2rem]';
  return (
    <div className={`grid min-h-[1.4rem] items-center gap-1.5 ${columns}`}>
      <button type="button" className="btn !h-5 !px-1 !py-0" aria-label={`Try ${way.title}`} disabled={isOld} onClick={onTake}>
        try
      </button>
      {number !== null && <span className="small text-right">{number}</span>}
      <span className="leading-[1.05rem]" title={about.filter(Boolean).join(' · ')}>
        {way.title}
      </span>
      <span className="small text-right" title="cost and carbon against now">
        {percentTitle(way.cost)}, {percentTitle(way.carbon)}
      </span>
      <Inlay utilisation={way.utilisation} standing={standing} width={36} framed />
      <span className={`text-right ${standingText[standing]}`}>{formatUtilisation(way.utilisation)}</span>
    </div>
  );
}

/** Drawn only when the member or what ranks its ways has changed. */
export const WaysForward = memo(WaysForwardOf) as typeof WaysForwardOf;
