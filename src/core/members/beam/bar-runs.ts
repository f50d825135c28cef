import type { DesignCode } from '../../codes/design-code';
import { bendRule } from '../../model/bar-set';
import type { BarsHandle } from './drawing/handles';
import { supportName, supportPositions, type BeamSpan, type BeamSupport, type Cover } from './input';

/** Bars with ends (mm from the left end of the member). */
export interface Stretch<B> {
  readonly bars: B;
  readonly from: number;
  readonly to: number;
}

/** Bars along a member: groups of a beam, or layers of a slab. */
export interface BarsAlong<B> {
  readonly bottom: readonly { readonly main: B; readonly extra: Stretch<B> | null }[];
  readonly top: readonly { readonly main: B | null }[];
  /** Null where the span bars run through. */
  readonly support: readonly (Stretch<B> | null)[];
}

/** Whether bars are bent at the left and the right end of the member, by the checks of their anchorage. */
export interface BentEnds {
  readonly bottom: readonly [boolean, boolean];
  readonly top: readonly [boolean, boolean];
}

export const straightEnds: BentEnds = { bottom: [false, false], top: [false, false] };

/** Bars of one kind from end to end, with laps and what runs into supports. */
export interface BarRun<B> extends Stretch<B> {
  readonly source: BarsHandle;
  readonly face: 'top' | 'bottom';
  readonly zone: string;
  /** The span whose section they stand in. */
  readonly span: number;
  readonly isBent: readonly [left: boolean, right: boolean];
}

/** What runs of bars follow from. */
export interface RunQuestion<B> {
  readonly spans: readonly Pick<BeamSpan, 'length'>[];
  readonly supports: readonly Pick<BeamSupport, 'type' | 'width'>[];
  readonly steel: BarsAlong<B>;
  readonly bent: BentEnds;
  /** Concrete beyond the ends of bars. */
  readonly endCover: number;
  readonly lap: (bars: B, face: 'top' | 'bottom', span: number) => number;
}

/**
 * The bars of a member from end to end. Bottom bars of neighbouring spans lap over the support between them, top bars that run through as well; at the
 * ends of the member bars stop short of the far face of the support, or of a free end, by the cover.
 */
export function barRuns<B>(q: RunQuestion<B>): BarRun<B>[] {
  return [...q.spans.flatMap((_, i) => [...bottomRuns(q, i), ...throughRun(q, i)]), ...q.supports.flatMap((_, j) => overRun(q, j))];
}

/** How far bars run beyond the centre of the support at an end of the member. */
export function endReach({ supports, endCover }: Pick<RunQuestion<unknown>, 'supports' | 'endCover'>, support: number): number {
  const s = supports[support]!;
  return s.type === 'free' ? -endCover : Math.max(0, s.width / 2 - endCover);
}

function bottomRuns<B>(q: RunQuestion<B>, i: number): BarRun<B>[] {
  const starts = supportPositions(q);
  const { main, extra } = q.steel.bottom[i]!;
  const reach = (support: number) => (isEnd(q, support) ? endReach(q, support) : q.lap(main, 'bottom', i) / 2);
  const base = { face: 'bottom', span: i } as const;
  const run: BarRun<B> = {
    ...base,
    source: { of: 'bottom', span: i },
    zone: `bottom, span ${i + 1}`,
    bars: main,
    from: starts[i]! - reach(i),
    to: starts[i + 1]! + reach(i + 1),
    isBent: [i === 0 && q.bent.bottom[0], i === q.spans.length - 1 && q.bent.bottom[1]],
  };
  if (!extra) return [run];
  return [run, { ...base, ...extra, source: { of: 'extra', span: i }, zone: `bottom extra, span ${i + 1}`, isBent: [false, false] }];
}

const isEnd = ({ spans }: { readonly spans: readonly unknown[] }, support: number) => support === 0 || support === spans.length;

/** Top bars through a span: they lap with their neighbours where no others lie over the support. */
function throughRun<B>(q: RunQuestion<B>, i: number): BarRun<B>[] {
  const { main } = q.steel.top[i]!;
  if (!main) return [];
  const starts = supportPositions(q);
  const reach = (support: number) => {
    if (isEnd(q, support)) return endReach(q, support);
    return q.steel.support[support] ? 0 : q.lap(main, 'top', i) / 2;
  };
  const isBent = (support: number, at: boolean) => isEnd(q, support) && at && !q.steel.support[support];
  return [
    {
      source: { of: 'top', span: i },
      face: 'top',
      zone: `top, span ${i + 1}`,
      span: i,
      bars: main,
      from: starts[i]! - reach(i),
      to: starts[i + 1]! + reach(i + 1),
      isBent: [isBent(i, q.bent.top[0]), isBent(i + 1, q.bent.top[1])],
    },
  ];
}

function overRun<B>(q: RunQuestion<B>, j: number): BarRun<B>[] {
  const run = q.steel.support[j];
  if (!run) return [];
  const end = supportPositions(q).at(-1)!;
  const [atLeft, atRight] = [run.from <= 1, run.to >= end - 1];
  return [
    {
      source: { of: 'over', support: j },
      face: 'top',
      zone: `top, support ${supportName(j)}`,
      span: Math.min(j, q.spans.length - 1),
      bars: run.bars,
      from: atLeft ? -endReach(q, 0) : run.from,
      to: atRight ? end + endReach(q, q.spans.length) : run.to,
      isBent: [atLeft && q.bent.top[0], atRight && q.bent.top[1]],
    },
  ];
}

/** Outside length of the leg of a bar that is bent at an end of the member: within the covers and the links of its own face (mm). */
export const legOf = ({ cover }: { readonly cover: Pick<Cover, 'top' | 'bottom'> }, h: number, link: number): number =>
  Math.max(0, h - cover.top - cover.bottom - link);

/** What a leg adds to the length of a bar beyond its outside, along its centre line round the bend (mm). */
export function addedByLeg(leg: number, diameter: number, code: DesignCode): number {
  const { radius } = bendRule(code, diameter, false);
  return Math.max(0, leg - diameter - (2 - Math.PI / 2) * radius);
}
