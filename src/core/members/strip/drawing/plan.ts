import type { BarSet } from '../../../model/bar-set';
import type { BarsHandle } from '../../beam/drawing/handles';
import type { StripHandle } from './handles';
import { supportPositions } from '../../beam/input';
import type { StripInput } from '../input';
import type { StripSteel } from '../steel';
import type { SlabBars } from '../../../reinforcement/slab-bars';
import type { Frame } from '../../../drawing/frame';
import { areaOf, pathThrough, textAt, dimension, line, type Drawing, type Shape } from '../../../drawing/shapes';

export interface StripPlanPicture {
  readonly strip: StripInput;
  readonly steel: StripSteel | null;
  /** The bars as they are to be built, of which the plan is a view. */
  readonly bars: readonly BarSet[];
  readonly barLabel: (bars: SlabBars) => string;
  /** The breadth of the slab in figures. */
  readonly breadth: string;
}

export const PLAN_HEIGHT = 118;
const TOP = 10;
const BOTTOM = 100;

/** A piece of the slab from above, on the axis of the elevation: supports, one bar of each layer, and the bars across. */
export function stripPlan(p: StripPlanPicture, frame: Frame): Drawing<StripHandle> {
  const { strip } = p;
  const starts = supportPositions(strip);
  const length = starts[starts.length - 1]!;
  const toX = (x: number) => frame.left + (Math.max(0, Math.min(length, x)) / length) * (frame.right - frame.left);
  const shapes: Shape<StripHandle>[] = [
    areaOf({ line: 'outline', fill: 'concreteLight' }, [frame.left, TOP], [frame.right, TOP], [frame.right, BOTTOM], [frame.left, BOTTOM]),
    ...supports(strip, starts, toX),
    ...barsAlong(p, toX),
    ...(p.steel ? barsAcross(p, p.steel, starts, toX) : []),
    ...dimension([frame.right + 14, BOTTOM], [frame.right + 14, TOP], p.breadth, { of: 'breadth' } as const, 'Breadth of the slab'),
  ];
  return { width: frame.width, height: PLAN_HEIGHT, title: 'Plan, breadth\nnot to scale', shapes };
}

/** Supports below the slab: their edges dashed. */
function supports(strip: StripInput, starts: readonly number[], toX: (x: number) => number): Shape<StripHandle>[] {
  return strip.supports.flatMap((s, j): Shape<StripHandle>[] => {
    if (s.type === 'free') return [];
    const half = Math.max(s.width / 2, 1);
    return [starts[j]! - half, starts[j]! + half].map((x) => line([toX(x), TOP], [toX(x), BOTTOM], 'grid'));
  });
}

const LOWER = 78;
const UPPER = 34;

/** One bar of each layer along the span: below in the lower half, above in the upper half. */
function barsAlong({ bars }: StripPlanPicture, toX: (x: number) => number): Shape<StripHandle>[] {
  const levels = { bottom: LOWER, extra: LOWER + 8, top: UPPER - 8, over: UPPER };
  const seen = new Set<object>();
  return bars.flatMap(({ source, face, corners }): Shape<StripHandle>[] => {
    const handle = source as BarsHandle | null;
    if (!handle || !(handle.of in levels) || seen.has(handle)) return [];
    seen.add(handle);
    const [y, way] = [levels[handle.of], face === 'bottom' ? -1 : 1];
    const xs = corners.map((c) => c.at[0]);
    const [a, b] = [toX(Math.min(...xs)), toX(Math.max(...xs))];
    const tick = (x: number) => line([x, y], [x, y + 4 * way], 'bar');
    const isThrough = handle.of === 'bottom' || handle.of === 'top';
    return [pathThrough({ line: isThrough ? 'bar' : 'barHeavy', edit: handle }, [a, y], [b, y]), tick(a), tick(b)];
  });
}

/** One bar of each layer across: that below through the middle of the longest span, that above beside the widest run of top bars. */
function barsAcross(p: StripPlanPicture, steel: StripSteel, starts: readonly number[], toX: (x: number) => number): Shape<StripHandle>[] {
  const longest = p.strip.spans.reduce((best, s, i) => (s.length > p.strip.spans[best]!.length ? i : best), 0);
  const below = toX((starts[longest]! + starts[longest + 1]!) / 2);
  const label = (at: number, y: number, text: string, face: 'top' | 'bottom', name: string): Shape<StripHandle> =>
    textAt([at + 6, y], text, 'strong', { edit: { of: 'across', face }, label: name, halo: true });
  const runs = steel.support.flatMap((r) => (r ? [r] : []));
  const widest = runs.reduce<(typeof runs)[number] | null>((a, b) => (!a || b.to - b.from > a.to - a.from ? b : a), null);
  const { bottom, top } = steel.across;
  const above = widest ? toX(widest.from + 0.3 * (widest.to - widest.from)) : null;
  return [
    line([below, TOP + 3], [below, BOTTOM - 3], 'bar'),
    label(below, LOWER - 12, `${p.barLabel(bottom)} across`, 'bottom', 'Bars across, bottom'),
    ...(top && above !== null
      ? [
          line([above, TOP + 3], [above, (TOP + BOTTOM) / 2], 'barHeavy'),
          label(above, UPPER + 16, `${p.barLabel(top)} across`, 'top', 'Bars across, top'),
        ]
      : []),
  ];
}
