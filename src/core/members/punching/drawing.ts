import type { DesignCode } from '../../codes/design-code';
import { slabSides, type ControlPerimeter, type Piece, type SlabEdges, type SlabSide } from '../../geometry/control-perimeter';
import { box, type Loop, type Point as PlanPoint } from '../../geometry/polygon';
import { outlineOfShape } from '../../geometry/section-shapes';
import type { LegLine } from './legs';
import { columnSize, openingLoop, rectangleLoop, type PunchingInput } from './input';
import { stagesOf, type PunchingStage } from './stage';
import { areaOf, circleAt, pathThrough, textAt, dimension, line, type Drawing, type Point, type Shape } from '../../drawing/shapes';

export interface PunchingPicture {
  readonly place: PunchingInput;
  readonly code: DesignCode;
  readonly labels: {
    readonly length: (v: number) => string;
    readonly barsX: string;
    readonly barsY: string;
    readonly legs: string;
    readonly depth: string;
  };
}

/** What can be changed on the plan. */
export type PunchingHandle =
  | { readonly of: 'opening'; readonly opening: number }
  | { readonly of: 'bars'; readonly along: 'x' | 'y' }
  | { readonly of: 'depth' | 'legs' }
  | { readonly of: 'columnSide'; readonly side: 'b' | 'h' | 'diameter' }
  | { readonly of: 'base'; readonly side: 'b' | 'h' }
  | { readonly of: 'edge'; readonly edge: SlabSide };

/** Most that is drawn beyond the outermost perimeter (mm). */
const MARGIN = 250;

/** A plan of the slab at a column to scale: edges, openings, perimeters with what openings take of them, legs; its values are edited on it. */
export function punchingDrawing({ place, code, labels }: PunchingPicture, width: number, height: number): Drawing<PunchingHandle> {
  const stages = stagesOf(place, code);
  const stage = stages.at(-1)!;
  const column = stages[0]!;
  const critical = stage.around(code.punching.critical(stage.d));
  const outer = column.steel
    ? code.punching.corners === 'square'
      ? column.steel.outside
      : (column.steel.effective?.(1.5 * column.d, column.d) ?? column.around(column.steel.last + 1.5 * column.d))
    : null;
  const window = windowOf(place, stage.slab, [...critical.pieces, ...critical.lost, ...(outer?.pieces ?? [])]);
  const scale = Math.min((width - 150) / (window.right - window.left), (height - 100) / (window.top - window.bottom));
  const centre: Point = [width / 2 - ((window.left + window.right) / 2) * scale, height / 2 + ((window.bottom + window.top) / 2) * scale];
  const at = ([x, y]: PlanPoint): Point => [centre[0] + x * scale, centre[1] - y * scale];
  const loop = (points: Loop, more: Partial<Extract<Shape<never>, { kind: 'path' }>>): Shape<never> =>
    areaOf({ ...more }, ...points.map(at));
  const dots = column.placed?.legs ?? [];
  const shapes: Shape<PunchingHandle>[] = [
    ...slabShapes(stage.slab, window, at),
    ...(place.drop ? [loop(rectangleLoop(place.drop.cx, place.drop.cy), { line: 'outline', fill: 'concreteLight' })] : []),
    ...place.openings.flatMap((o, i) => openingShapes(openingLoop(o), i, at)),
    ...shadowShapes(stage, at, window),
    ...perimeterShapes(critical, at, 'resistance'),
    ...(outer ? perimeterShapes(outer, at, 'nominal') : []),
    loop(outlineOfShape(place.column).outer, { line: 'cut', fill: 'steel' }),
    ...dots.map((l): Shape<never> => circleAt(at(l.at), Math.max(1.6, (column.steel?.diameter ?? 10) * scale * 0.5), { fill: 'steel' })),
    ...(column.placed ? lineDimensions(column.placed.lines, at, labels.length) : []),
    ...(column.placed?.dropped ?? []).map((p): Shape<never> => circleAt(at(p), 2.6, { line: 'excess', fill: 'surface' })),
  ];
  shapes.push(...names(place, critical, outer, at, labels), ...dimensions(place, stage.slab, at, labels.length));
  return { width, height, title: 'Plan', shapes };
}

interface Window {
  readonly left: number;
  readonly right: number;
  readonly bottom: number;
  readonly top: number;
}

function windowOf(place: PunchingInput, slab: SlabEdges, pieces: readonly Piece[]): Window {
  if (place.base) {
    const [x, y] = [place.base.b / 2, place.base.h / 2];
    return { left: -x, right: x, bottom: -y, top: y };
  }
  const points = [...pieces.flatMap((p) => [p.a, p.b]), ...place.openings.flatMap((o) => openingLoop(o))];
  const { cx, cy } = columnSize(place.column);
  const xs = [...points.map((p) => p[0]), -cx / 2, cx / 2];
  const ys = [...points.map((p) => p[1]), -cy / 2, cy / 2];
  const reach = (side: SlabSide, most: number) => Math.min(slab[side] ?? Infinity, most + MARGIN);
  return {
    left: -reach('left', -Math.min(...xs)),
    right: reach('right', Math.max(...xs)),
    bottom: -reach('bottom', -Math.min(...ys)),
    top: reach('top', Math.max(...ys)),
  };
}

/** The first and the other distances of the legs, along the line that runs furthest to the right. */
function lineDimensions(lines: readonly LegLine[], at: (p: PlanPoint) => Point, length: (v: number) => string): Shape<PunchingHandle>[] {
  const level = lines.filter((l) => l.out[0] > 0.999 || l.out[0] < -0.999);
  const line = level.reduce<LegLine | undefined>((best, l) => (!best || l.from[1] < best.from[1] ? l : best), undefined);
  if (!line || line.distances.length < 2) return [];
  const [first, last] = [line.distances[0]!, line.distances.at(-1)!];
  const place = (r: number): Point => {
    const [x, y] = at([line.from[0] + r * line.out[0], line.from[1]]);
    return [x, y + 16];
  };
  const gaps = line.distances.length - 1;
  return [
    ...dimension<PunchingHandle>(place(0), place(first), length(first), { of: 'legs' }, 'First legs from the column'),
    ...dimension<PunchingHandle>(place(first), place(last), `${gaps} × ${length((last - first) / gaps)}`, { of: 'legs' }, 'Legs of a line'),
  ];
}

/** The slab as far as it is drawn, with a strong line where it ends. */
function slabShapes(slab: SlabEdges, w: Window, at: (p: PlanPoint) => Point): Shape<PunchingHandle>[] {
  const { corner } = slab;
  let points: Loop = box(w.left, w.bottom, w.right, w.top);
  if (corner) points = withoutCorner(w, corner);
  const edges: Shape<never>[] = slabSides
    .filter((s) => slab[s] !== null)
    .map((s) =>
      s === 'left' || s === 'right'
        ? line(at([s === 'left' ? w.left : w.right, w.bottom]), at([s === 'left' ? w.left : w.right, w.top]), 'cut')
        : line(at([w.left, s === 'bottom' ? w.bottom : w.top]), at([w.right, s === 'bottom' ? w.bottom : w.top]), 'cut'),
    );
  const inner: Shape<never>[] = corner
    ? [
        line(at([corner[0], corner[1]]), at([corner[0] < 0 ? w.left : w.right, corner[1]]), 'cut'),
        line(at([corner[0], corner[1]]), at([corner[0], corner[1] < 0 ? w.bottom : w.top]), 'cut'),
      ]
    : [];
  return [areaOf({ fill: 'concreteLight' }, ...points.map(at)), ...edges, ...inner];
}

function withoutCorner(w: Window, [cx, cy]: PlanPoint): Loop {
  const [right, top] = [cx >= 0, cy >= 0];
  const far: PlanPoint = [right ? w.right : w.left, top ? w.top : w.bottom];
  const others: Loop = [
    [right ? w.left : w.right, far[1]],
    [right ? w.left : w.right, top ? w.bottom : w.top],
    [far[0], top ? w.bottom : w.top],
  ];
  return [[cx, far[1]], ...others, [far[0], cy], [cx, cy]];
}

function openingShapes(opening: Loop, i: number, at: (p: PlanPoint) => Point): Shape<PunchingHandle>[] {
  const points = opening.map(at);
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
  const [l, r, t, b] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  return [
    areaOf({ line: 'outline', fill: 'surface', edit: { of: 'opening', opening: i } }, ...points),
    ...(opening.length === 4 ? [line([l, t], [r, b], 'dim'), line([l, b], [r, t], 'dim')] : []),
    textAt([(l + r) / 2, b + 13], `opening ${i + 1}`, 'small', {
      anchor: 'middle',
      halo: true,
      edit: { of: 'opening', opening: i },
      label: `Opening ${i + 1}`,
    }),
  ];
}

/** Tangents from the column's centre to the openings that count. */
function shadowShapes({ shadows }: PunchingStage, at: (p: PlanPoint) => Point, w: Window): Shape<PunchingHandle>[] {
  const far = Math.max(w.right - w.left, w.top - w.bottom);
  return shadows.flatMap(({ from, to }) =>
    [from, to].map((p) => {
      const l = Math.hypot(p[0], p[1]);
      const t = Math.min(
        far / l,
        ...[p[0] > 0 ? w.right / p[0] : w.left / p[0], p[1] > 0 ? w.top / p[1] : w.bottom / p[1]].filter(
          (v) => Number.isFinite(v) && v > 0,
        ),
      );
      return line(at([0, 0]), at([p[0] * t, p[1] * t]), 'shifted');
    }),
  );
}

const perimeterShapes = (p: ControlPerimeter, at: (q: PlanPoint) => Point, style: 'resistance' | 'nominal'): Shape<PunchingHandle>[] => [
  ...chained(p.lost).map((points): Shape<never> => pathThrough({ line: 'excess' }, ...points.map(at))),
  ...chained(p.pieces).map((points): Shape<never> => pathThrough({ line: style }, ...points.map(at))),
];

/** Pieces that follow each other as one line, so that dashes run through. */
function chained(pieces: readonly Piece[]): PlanPoint[][] {
  const chains: PlanPoint[][] = [];
  for (const { a, b } of pieces) {
    const last = chains.at(-1);
    const end = last?.at(-1);
    if (last && end && Math.hypot(end[0] - a[0], end[1] - a[1]) < 0.5) last.push(b);
    else chains.push([a, b]);
  }
  return chains;
}

/** The piece of a perimeter that lies furthest up, to which its name is set. */
const topOf = (p: ControlPerimeter): PlanPoint =>
  p.pieces.map(({ a, b }): PlanPoint => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]).reduce((m, q) => (q[1] > m[1] + 1 ? q : m));

function names(
  place: PunchingInput,
  critical: ControlPerimeter,
  outer: ControlPerimeter | null,
  at: (p: PlanPoint) => Point,
  labels: PunchingPicture['labels'],
): Shape<PunchingHandle>[] {
  const named = (p: ControlPerimeter, text: string): Shape<PunchingHandle>[] =>
    p.pieces.length === 0 ? [] : [textAt([at(topOf(p))[0], at(topOf(p))[1] - 5], text, 'resistance', { anchor: 'middle', halo: true })];
  const bars = (text: string, edit: PunchingHandle, label: string, y: number): Shape<PunchingHandle> =>
    textAt([14, y], text, 'strong', { edit, label, halo: true });
  return [
    ...named(critical, `u ${labels.length(critical.length)}`),
    ...(outer ? named(outer, `outer ${labels.length(outer.length)}`) : []),
    bars(`${place.base ? 'bottom' : 'top'} along x: ${labels.barsX}`, { of: 'bars', along: 'x' }, 'Top bars along x', 20),
    bars(`${place.base ? 'bottom' : 'top'} along y: ${labels.barsY}`, { of: 'bars', along: 'y' }, 'Top bars along y', 36),
    bars(labels.depth, { of: 'depth' }, 'Depth of the slab', 52),
    ...(place.base ? [] : [bars(labels.legs, { of: 'legs' }, place.legs ? 'Legs' : 'Legs, none yet', 68)]),
  ];
}

/** Sizes of the column and distances of its faces from the edges. */
function dimensions(
  place: PunchingInput,
  slab: SlabEdges,
  at: (p: PlanPoint) => Point,
  length: (v: number) => string,
): Shape<PunchingHandle>[] {
  const { cx, cy } = columnSize(place.column);
  const isRound = place.column.kind === 'circle';
  const x = isRound ? 'diameter' : 'b';
  const below = at([0, -cy / 2])[1] + 16;
  const beside = at([cx / 2, 0])[0] + 18;
  const { base } = place;
  const edges = slabSides.flatMap((side): Shape<PunchingHandle>[] => {
    const e = slab[side];
    if (e === null || base) return [];
    const edit = { of: 'edge', edge: side } as const;
    const text = length(place.edges[side]!);
    const name = `From the column to the ${side} edge`;
    if (side === 'left')
      return dimension([at([-e, 0])[0], at([0, cy / 2])[1] - 10], [at([-cx / 2, 0])[0], at([0, cy / 2])[1] - 10], text, edit, name);
    if (side === 'right')
      return dimension([at([cx / 2, 0])[0], at([0, cy / 2])[1] - 10], [at([e, 0])[0], at([0, cy / 2])[1] - 10], text, edit, name);
    const at1 = side === 'bottom' ? at([0, -e])[1] : at([0, cy / 2])[1];
    const at2 = side === 'bottom' ? at([0, -cy / 2])[1] : at([0, e])[1];
    const xAt = at([-cx / 2, 0])[0] - 12;
    return dimension([xAt, at1], [xAt, at2], text, edit, name);
  });
  return [
    ...dimension(
      [at([-cx / 2, 0])[0], below],
      [at([cx / 2, 0])[0], below],
      length(cx),
      { of: 'columnSide', side: x } as const,
      isRound ? 'Diameter of the column' : 'Column along x',
    ),
    ...(isRound
      ? []
      : dimension(
          [beside, at([0, -cy / 2])[1]],
          [beside, at([0, cy / 2])[1]],
          length(cy),
          { of: 'columnSide', side: 'h' } as const,
          'Column along y',
        )),
    ...edges,
    ...(base
      ? [
          ...dimension(
            [at([-base.b / 2, 0])[0], at([0, -base.h / 2])[1] + 16],
            [at([base.b / 2, 0])[0], at([0, -base.h / 2])[1] + 16],
            length(base.b),
            { of: 'base', side: 'b' } as const,
            'Footing along x',
          ),
          ...dimension(
            [at([-base.b / 2, 0])[0] - 14, at([0, -base.h / 2])[1]],
            [at([-base.b / 2, 0])[0] - 14, at([0, base.h / 2])[1]],
            length(base.h),
            { of: 'base', side: 'h' } as const,
            'Footing along y',
          ),
        ]
      : []),
  ];
}
