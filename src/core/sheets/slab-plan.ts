import type { Point } from '../geometry/polygon';
import { onBar, type BarSet } from '../model/bar-set';
import { pointsAlong } from '../model/centre-line';
import type { MemberModel } from '../model/member-model';
import { barWords, lengthWords, type SheetNames } from './bar-words';
import { fromAbove } from './projection';
import { TEXT, type Entity } from './sheet';

/** A slab from above with its bars: of each set one bar, and the line over which it is repeated. */
export function slabPlan(model: MemberModel, scale: number, names: SheetNames): Entity[] {
  const outlines = model.concrete.flatMap(({ outline, from }, i): Entity[] =>
    [outline.outer, ...outline.holes].map((points) => ({
      kind: 'path',
      layer: 'concrete',
      points,
      isClosed: true,
      ...(i > 0 && from < 0 ? { isDashed: true } : {}),
    })),
  );
  const points = model.concrete.flatMap((p) => p.outline.outer);
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
  const [x1, x2, y1, y2] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const own = model.bars.filter((set) => set.role === 'bar');
  return [
    ...outlines,
    ...own.flatMap((set, i) => setOnPlan(set, i, own.length, scale, names)),
    { kind: 'dimension', a: [x2, y1], b: [x1, y1], beside: 8, text: lengthWords(x2 - x1, names) },
    { kind: 'dimension', a: [x1, y1], b: [x1, y2], beside: 8, text: lengthWords(y2 - y1, names) },
  ];
}

const middleOf = (line: readonly Point[], share: number): Point => {
  const [a, b] = [line[0]!, line.at(-1)!];
  return [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share];
};

function setOnPlan(set: BarSet, i: number, count: number, scale: number, names: SheetNames): Entity[] {
  const points = pointsAlong(set.corners);
  const bar = (k: number) => points.map((p) => fromAbove(onBar(set, k, p)));
  const lines = set.turned ? set.shifts.map((_, k) => bar(k)) : [bar(Math.floor(set.shifts.length / 2))];
  const shown = lines[0]!;
  // Sets over each other are told at different places along their bars.
  const share = 0.3 + (0.4 * (i + 0.5)) / Math.max(1, count);
  const [first, last] = [middleOf(bar(0), share), middleOf(bar(set.shifts.length - 1), share)];
  const at = middleOf(shown, share);
  const [a, b] = [shown[0]!, shown.at(-1)!];
  const angle = (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI;
  const turn = angle > 90.5 ? angle - 180 : angle <= -89.5 ? angle + 180 : angle;
  const rad = (turn * Math.PI) / 180;
  return [
    ...lines.map((line): Entity => ({ kind: 'path', layer: 'bars', points: line })),
    ...(set.turned || set.shifts.length < 2
      ? []
      : ([
          { kind: 'path', layer: 'marks', points: [first, last] },
          { kind: 'circle', layer: 'marks', at, r: 0.8 * scale },
          { kind: 'circle', layer: 'marks', at: first, r: 0.4 * scale, isFilled: true },
          { kind: 'circle', layer: 'marks', at: last, r: 0.4 * scale, isFilled: true },
        ] as Entity[])),
    {
      kind: 'text',
      layer: 'marks',
      at: [at[0] - Math.sin(rad) * scale + Math.cos(rad) * 1.5 * scale, at[1] + Math.cos(rad) * scale + Math.sin(rad) * 1.5 * scale],
      text: barWords([set], names),
      height: TEXT,
      turn,
    },
  ];
}
