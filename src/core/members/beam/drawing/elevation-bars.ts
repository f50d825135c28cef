import type { BarSet } from '../../../model/bar-set';
import type { BarsHandle, LineHandle } from './handles';
import { supportName } from '../input';
import type { ElevationPicture, OnElevation } from './elevation-picture';
import { pathThrough, textAt, handle, line, type Point, type Shape } from '../../../drawing/shapes';

/** Narrower than this (on the sheet) a span has room for its bottom bars only. */
const WIDE = 120;

/** Links where they stand. */
export function linkLines<B>({ bars }: ElevationPicture<B>, { toX, top, depth }: OnElevation): Shape<LineHandle>[] {
  return bars
    .filter((set) => set.role === 'link' && set.bend === 'link' && !isInner(set, bars))
    .flatMap((set) => {
      const x = set.corners[1]!.at[0];
      return set.shifts.map((s) => line([toX(x + s[0]), top + 5], [toX(x + s[0]), top + depth(set.span!) - 5], 'link'));
    });
}

/** Links within others of their zone are not seen from the side. */
const isInner = (set: BarSet, all: readonly BarSet[]) => all.find((other) => other.source === set.source) !== set;

/** All runs of bars with their names, and handles at the ends that can be moved. */
export function barRuns<B>(p: ElevationPicture<B>, at: OnElevation): Shape<LineHandle>[] {
  if (!p.steel) return [];
  const drawn = p.bars.filter(
    (set) => set.role === 'bar' && set.span !== undefined && set.source !== null && set.layer === outermost(set, p.bars),
  );
  return [
    ...drawn.flatMap((set) => seenFromTheSide(set, at)),
    ...p.beam.spans.flatMap((_, i) => spanBars(p, at, i)),
    ...p.beam.supports.flatMap((_, j) => supportBars(p, at, j)),
  ];
}

/** Of bars in several layers the outermost stand for all. */
const outermost = (set: BarSet, all: readonly BarSet[]) => Math.min(...all.filter((o) => sameBars(o, set)).map((o) => o.layer));
const sameBars = (a: BarSet, b: BarSet) => a.source === b.source || (a.face === b.face && a.zone === b.zone);

/** Least distance of bars from the faces on the sheet, and of bars of one layer from each other, so that they are told apart. */
const FROM_FACE = 6;
const APART = 4;

/** A bar from end to end with its bends, the depth stretched; its ends are ticked. */
function seenFromTheSide({ corners, face, span, source }: BarSet, { toX, top, depth }: OnElevation): Shape<LineHandle>[] {
  const h = depth(span!);
  const bars = source as BarsHandle;
  const { of } = bars;
  const aside = of === 'extra' || of === 'over' ? APART : 0;
  const level = face === 'bottom' ? top + h - FROM_FACE - aside : top + FROM_FACE + aside;
  const tip = face === 'bottom' ? top + FROM_FACE : top + h - FROM_FACE;
  const z = corners.find((c, i) => i + 1 < corners.length && corners[i + 1]!.at[0] !== c.at[0])!.at[2];
  const points = corners.map(({ at }): Point => [toX(at[0]), Math.abs(at[2] - z) < 1e-6 ? level : tip]);
  const way = face === 'bottom' ? -1 : 1;
  const straightEnds = [points[0]!, points[points.length - 1]!].filter(([, y]) => y === level);
  return [
    pathThrough({ line: aside > 0 ? 'barHeavy' : 'bar', edit: bars }, ...points),
    ...straightEnds.map(([x, y]) => line([x, y], [x, y + 3.5 * way], 'bar')),
  ];
}

/** Half the width of a name, about. */
const halfWidth = (text: string) => 2.9 * text.length;

/** The name of some bars, by whether they were set by hand. */
const namer =
  ({ isSet }: Pick<ElevationPicture<never>, 'isSet'>) =>
  (at: Point, text: string, edit: BarsHandle, label: string): Shape<LineHandle> => {
    const own = isSet?.(edit) === true;
    return textAt<LineHandle>(at, text, 'strong', {
      anchor: 'middle',
      edit,
      label: own ? `${label}, set by hand` : label,
      halo: true,
      ...(own ? { isSet: true } : {}),
    });
  };

function spanBars<B>(
  { steel, barLabel, isSet }: ElevationPicture<B>,
  { toX, starts, top, depth }: OnElevation,
  i: number,
): Shape<LineHandle>[] {
  const name = namer({ isSet });
  const { main, extra } = steel!.bottom[i]!;
  const [a, b] = [toX(starts[i]!), toX(starts[i + 1]!)];
  const middle = (a + b) / 2;
  const isWide = b - a > WIDE;
  const y = top + depth(i) - FROM_FACE - APART;
  const nameY = top + depth(i) + 15;
  const [mainBars, extraBars]: readonly BarsHandle[] = [
    { of: 'bottom', span: i },
    { of: 'extra', span: i },
  ];
  const shapes: Shape<LineHandle>[] = [];
  const both = extra ? `${barLabel(main)} +` : barLabel(main);
  const added = extra ? barLabel(extra.bars) : '';
  // The two names stand side by side around the middle.
  shapes.push(name([middle - halfWidth(added), nameY], both, mainBars!, `Bottom bars of span ${i + 1}`));
  if (extra) {
    const title = `Extra bottom bars of span ${i + 1}`;
    shapes.push(name([middle + halfWidth(both) + 4, nameY], added, extraBars!, title));
    shapes.push(handle<LineHandle>([toX(extra.from), y], { of: 'extraEnd', span: i, end: 'from' }, `${title}, left end`));
    shapes.push(handle<LineHandle>([toX(extra.to), y], { of: 'extraEnd', span: i, end: 'to' }, `${title}, right end`));
  } else if (isWide) shapes.push(name([middle + halfWidth(both) + 14, nameY], '+', extraBars!, `Add extra bottom bars in span ${i + 1}`));
  const through = steel!.top[i]!.main;
  if (isWide) shapes.push(name([middle, top - 4], through ? barLabel(through) : '+', { of: 'top', span: i }, `Top bars of span ${i + 1}`));
  return shapes;
}

function supportBars<B>(
  { steel, beam, barLabel, isSet }: ElevationPicture<B>,
  { toX, starts, top }: OnElevation,
  j: number,
): Shape<LineHandle>[] {
  const name = namer({ isSet });
  const bars = steel!.support[j];
  const own: BarsHandle = { of: 'over', support: j };
  const inwards = bars ? Math.max(22, halfWidth(barLabel(bars.bars)) + 4) : 22;
  const isEnd = j === 0 ? inwards : j === beam.spans.length ? -inwards : 0;
  const nameAt: Point = [toX(starts[j]!) + isEnd, top - 4];
  if (!bars) return beam.supports[j]!.type === 'free' ? [] : [name(nameAt, '+', own, `Add top bars over support ${supportName(j)}`)];
  const y = top + FROM_FACE + APART;
  const title = `Top bars over support ${supportName(j)}`;
  const [first, last] = [starts[0]!, starts[starts.length - 1]!];
  return [
    name(nameAt, barLabel(bars.bars), own, title),
    ...(starts[j]! > first
      ? [handle<LineHandle>([toX(bars.from), y], { of: 'overEnd', support: j, end: 'left' }, `${title}, left end`)]
      : []),
    ...(starts[j]! < last
      ? [handle<LineHandle>([toX(bars.to), y], { of: 'overEnd', support: j, end: 'right' }, `${title}, right end`)]
      : []),
  ];
}
