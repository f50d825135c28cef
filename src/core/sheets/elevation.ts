import type { Point } from '../geometry/polygon';
import { countOf, type BarSet } from '../model/bar-set';
import type { MemberModel, Prism } from '../model/member-model';
import { barWords, cutWords, lengthWords, type SheetNames } from './bar-words';
import { endsSeen, fromSide, linesSeen } from './projection';
import { TEXT, type Entity } from './sheet';

const path = (layer: 'concrete' | 'bars' | 'links' | 'axes' | 'marks', points: readonly Point[], isClosed = false): Entity => ({
  kind: 'path',
  layer,
  points,
  ...(isClosed ? { isClosed } : {}),
});

/** The sides of a prism as they are seen from the side, with the edges of its flanges. */
function prismSeen({ along, from, to, outline }: Prism): Entity[] {
  const box = (x1: number, x2: number, z1: number, z2: number): Entity =>
    path(
      'concrete',
      [
        [x1, z1],
        [x2, z1],
        [x2, z2],
        [x1, z2],
      ],
      true,
    );
  const k = along === 'x' ? 1 : 0;
  const values = [...new Set(outline.outer.map((p) => Math.round(p[k] * 10) / 10))].sort((a, b) => a - b);
  const [low, high] = [values[0]!, values.at(-1)!];
  if (along === 'z') return [box(low, high, from, to)];
  const edges = values.slice(1, -1).map((z) =>
    path('concrete', [
      [from, z],
      [to, z],
    ]),
  );
  return [box(from, to, low, high), ...edges];
}

export interface Box {
  readonly x1: number;
  readonly x2: number;
  readonly z1: number;
  readonly z2: number;
}

/** What the concrete of a member takes, seen from the side. */
export function boxOf({ concrete }: MemberModel): Box {
  const all = concrete.flatMap(({ along, from, to, outline }) =>
    outline.outer.flatMap((p): Point[] =>
      along === 'x'
        ? [
            [from, p[1]],
            [to, p[1]],
          ]
        : [
            [p[0], from],
            [p[0], to],
          ],
    ),
  );
  const [xs, zs] = [all.map((p) => p[0]), all.map((p) => p[1])];
  return { x1: Math.min(...xs), x2: Math.max(...xs), z1: Math.min(...zs), z2: Math.max(...zs) };
}

/** Bars and links within the concrete, every one in its place. */
function steelSeen(bars: readonly BarSet[]): Entity[] {
  return bars.flatMap((set) => {
    const layer = set.role === 'bar' ? 'bars' : 'links';
    const lines = linesSeen(set, fromSide);
    if (lines.length > 0) return lines.map((line) => path(layer, line));
    return endsSeen(set, fromSide).map((at): Entity => ({ kind: 'circle', layer, at, r: set.bar.diameter / 2, isFilled: true }));
  });
}

/** A member along x from the side: concrete, supports with their names, bars, zones of links, and spans. */
export function lyingElevation(model: MemberModel, cuts: readonly number[], scale: number, names: SheetNames): Entity[] {
  const { x1, x2, z1, z2 } = boxOf(model);
  const on = (mm: number) => mm * scale;
  const spans = [x1, ...model.supports.map((s) => s.at), x2].filter((x, i, all) => i === 0 || x - all[i - 1]! > 1);
  return [
    ...model.concrete.flatMap(prismSeen),
    ...steelSeen(model.bars),
    ...model.supports.flatMap(({ name, at, width }): Entity[] => [
      ...[at - width / 2, at + width / 2].map((x) =>
        path('concrete', [
          [x, z1],
          [x, z1 - on(4)],
        ]),
      ),
      { kind: 'circle', layer: 'axes', at: [at, z1 - on(9)], r: on(3) },
      { kind: 'text', layer: 'axes', at: [at, z1 - on(9 + TEXT / 2.4)], text: name, height: TEXT, anchor: 'middle' },
    ]),
    ...cuts.map((x, i): Entity => ({ kind: 'text', layer: 'axes', at: [x, z2 + on(1)], text: String(i + 1), height: 2, anchor: 'middle' })),
    ...cuts.flatMap((x): Entity[] => [
      path('axes', [
        [x, z2],
        [x, z2 + on(0.8)],
      ]),
      path('axes', [
        [x, z1],
        [x, z1 - on(1.5)],
      ]),
    ]),
    ...linkZones(model.bars, z2 + on(5), scale, names),
    ...spans
      .slice(1)
      .map((x, i): Entity => ({ kind: 'dimension', a: [x, z1], b: [spans[i]!, z1], beside: 17, text: lengthWords(x - spans[i]!, names) })),
    { kind: 'dimension', a: [x1, z1], b: [x1, z2], beside: 6, text: lengthWords(z2 - z1, names) },
  ];
}

type Range = readonly [from: number, to: number];

/** From the first to the last bar of a set along an axis. */
function rangeOf(set: BarSet, axis: 0 | 2): Range {
  const at = set.shifts.map((s) => set.corners[0]!.at[axis] + s[axis]);
  return [Math.min(...at), Math.max(...at)];
}

const overlaps = (a: Range, b: Range) => Math.max(a[0], b[0]) <= Math.min(a[1], b[1]);

/** Above the member: from where to where links are alike. */
function linkZones(bars: readonly BarSet[], z: number, scale: number, names: SheetNames): Entity[] {
  return bars
    .filter((set) => set.role === 'link' && set.spacing !== null)
    .flatMap((set, i, all): Entity[] => {
      const [from, to] = rangeOf(set, 0);
      // Links of several kinds over one stretch stand above each other.
      const below = all.slice(0, i).filter((s) => overlaps(rangeOf(s, 0), [from, to])).length;
      const y = z + below * 5 * scale;
      const tick = (x: number): Entity =>
        path('marks', [
          [x, y - scale],
          [x, y + scale],
        ]);
      return [
        path('marks', [
          [from, y],
          [to, y],
        ]),
        tick(from),
        tick(to),
        { kind: 'text', layer: 'marks', at: [(from + to) / 2, y + scale], text: barWords([set], names), height: TEXT, anchor: 'middle' },
      ];
    });
}

/** A bar of a mark drawn by itself, from its own left end at 0. */
const blockOf = (set: BarSet, line: readonly Point[], from: Point): Entity[] => [
  path(
    set.role === 'bar' ? 'bars' : 'links',
    line.map(([x, y]): Point => [x - from[0], y - from[1]]),
  ),
];

/** Bars pulled out below a member, each mark under its place: those that do not meet share a row. */
export function pulledOut(model: MemberModel, below: number, scale: number, names: SheetNames): Entity[] {
  const order = { top: 0, side: 1, bottom: 2 };
  const across = model.bars.filter((set) => set.role === 'bar' && linesSeen(set, fromSide).length === 0);
  const pieces = model.bars
    .filter((set) => set.role === 'bar' && !across.includes(set))
    .map((set) => {
      const [line] = linesSeen(set, fromSide);
      const xs = line?.map((p) => p[0]) ?? [];
      const zs = line?.map((p) => p[1]) ?? [];
      return { set, line, from: Math.min(...xs), to: Math.max(...xs), low: Math.min(...zs), high: Math.max(...zs) };
    })
    .filter((p) => p.line !== undefined)
    .sort((a, b) => order[a.set.face ?? 'side'] - order[b.set.face ?? 'side'] || a.set.layer - b.set.layer || a.from - b.from);
  const rows: (typeof pieces)[] = [];
  const room = (text: string) => text.length * TEXT * 0.62 * scale;
  const words = ({ set }: (typeof pieces)[number]) => `${barWords([set], names)}  L = ${cutWords(set, names)}`;
  const end = (p: (typeof pieces)[number]) => Math.max(p.to, p.from + room(words(p)));
  for (const piece of pieces) {
    const row = rows.find(
      (r) => r[0]!.set.face === piece.set.face && r.every((p) => end(p) + 2 * scale < piece.from || end(piece) + 2 * scale < p.from),
    );
    if (row) row.push(piece);
    else rows.push([piece]);
  }
  let y = below;
  const told = across.map((set): Entity => {
    y -= 4 * scale;
    const text = `${barWords([set], names)}  L = ${cutWords(set, names)}, across${set.zone ? `: ${set.zone}` : ''}`;
    return { kind: 'text', layer: 'marks', at: [boxOf(model).x1, y], text, height: TEXT };
  });
  const drawn = rows.flatMap((row) => {
    const high = Math.max(...row.map((p) => p.high - p.low));
    y -= high + 8 * scale;
    return row.flatMap((p): Entity[] => [
      {
        kind: 'block',
        name: `bar ${p.set.mark}`,
        at: [p.from, y + (p.set.face === 'top' ? high - (p.high - p.low) : 0)],
        entities: blockOf(p.set, p.line!, [p.from, p.low]),
      },
      { kind: 'text', layer: 'marks', at: [p.from, y + high + scale], text: words(p), height: TEXT },
    ]);
  });
  return [...told, ...drawn];
}

/** An upright member from the side: concrete, bars, zones of ties, height. */
export function uprightElevation(model: MemberModel, scale: number, names: SheetNames): Entity[] {
  const { x1, x2, z1, z2 } = boxOf(model);
  const ties = model.bars.filter((set) => set.role === 'link' && set.spacing !== null);
  return [
    ...model.concrete.flatMap(prismSeen),
    ...steelSeen(model.bars),
    { kind: 'dimension', a: [x1, z1], b: [x1, z2], beside: 8, text: lengthWords(z2 - z1, names) },
    { kind: 'dimension', a: [x2, z1], b: [x1, z1], beside: 8, text: lengthWords(x2 - x1, names) },
    ...ties.flatMap((set, i): Entity[] => {
      const [from, to] = rangeOf(set, 2);
      const beside = ties.slice(0, i).filter((s) => overlaps(rangeOf(s, 2), [from, to])).length;
      const x = x2 + (5 + 5 * beside) * scale;
      const tick = (z: number): Entity =>
        path('marks', [
          [x - scale, z],
          [x + scale, z],
        ]);
      return [
        path('marks', [
          [x, from],
          [x, to],
        ]),
        tick(from),
        tick(to),
        {
          kind: 'text',
          layer: 'marks',
          at: [x - scale * 0.6, (from + to) / 2],
          text: barWords([set], names),
          height: TEXT,
          anchor: 'middle',
          turn: 90,
        },
      ];
    }),
    ...uprightWords(model.bars, [(x1 + x2) / 2, z2 + 3 * scale], scale, names),
  ];
}

/** Above an upright member: its upright bars by mark. */
function uprightWords(bars: readonly BarSet[], [x, z]: Point, scale: number, names: SheetNames): Entity[] {
  const marks = [...new Set(bars.filter((s) => s.role === 'bar').map((s) => s.mark))];
  return marks.map((mark, i): Entity => {
    const own = bars.filter((s) => s.mark === mark && s.role === 'bar' && countOf(s) > 0);
    return { kind: 'text', layer: 'marks', at: [x, z + i * 4 * scale], text: barWords(own, names), height: TEXT, anchor: 'middle' };
  });
}
