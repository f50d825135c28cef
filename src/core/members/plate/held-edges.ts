import { barTerms, momentOf } from '../../analysis/plates/design-moments';
import { valueAt } from '../../analysis/plates/locate';
import type { DerivableCheck } from '../../checks/check';
import { compareCheck } from '../../checks/compare';
import type { DesignCode } from '../../codes/design-code';
import { isInside, type Point } from '../../geometry/polygon';
import { lineSupports, usualSide, type PlateAnswer } from './analysis';
import { allowedLayers, WIDTH } from '../parts/slab-metre';
import { axesOf, directionWords, type BarAxes } from './bar-axes';
import { placeWords, type PlateBasis } from './checks';
import { demandOn, type LayerDemand } from './envelope';
import { edgePath, outlineOf } from './geometry';
import type { Along, PlateInput } from './input';
import { anchorageOf, insetOf, metreWith, resistanceWith } from './layers';
import { bayLines } from './loading';
import { barsIn, barsOutside, zonesOf } from './zones';

/** Moments above, node by node (N mm/mm), that bars of both directions carry where simple edges hold the slab without being counted on. */
export type HeldEdges = Readonly<Record<Along, Float64Array>>;

/** Places that are looked at along a span. */
const LOOKS = 24;

/** A place on a simple edge: the normal inwards, how far in bars are asked for, and the moment over the edge that its bars are to carry. */
interface EdgePlace {
  readonly inwards: Point;
  /** How far in the bars count in full: their reach less the anchorage of the lightest of them. */
  readonly reach: number;
  readonly moment: number;
}

/** Bars that take less of a moment over an edge than this run along it: the chords of an arc stand up to 2 degrees off it, which gives 0.04. */
const ALONG = 0.05;

type Rule = NonNullable<DesignCode['slab']['heldEnd']>;

/** Null where the code asks for none, or no edge is simple. */
export function heldEdges(plate: PlateInput, code: DesignCode, answer: PlateAnswer, demands: readonly LayerDemand[]): HeldEdges | null {
  const rule = code.slab.heldEnd;
  if (!rule) return null;
  const pieces = plate.outline.flatMap(({ edge }, i) => {
    if (edge !== 'simple') return [];
    const path = edgePath(plate, i);
    return path.slice(1).map((b, k) => [path[k]!, b] as const);
  });
  if (pieces.length === 0) return null;
  const { at } = answer.model.mesh;
  const anchorage = Math.min(...allowedLayers(plate, code).map((bars) => anchorageOf(plate, code, 'top', bars)));
  const axes = axesOf(plate);
  const found = { x: new Float64Array(at.length / 2), y: new Float64Array(at.length / 2) };
  for (const piece of pieces) {
    const places = placesOn(piece, plate, answer, demands).map(({ span, most, ...place }) => ({
      ...place,
      reach: Math.max(0, rule.reach * span - anchorage),
      moment: rule.moment * most,
    }));
    for (let n = 0; n < at.length / 2; n += 1) spread(found, n, [at[2 * n]!, at[2 * n + 1]!], axes, piece, places);
  }
  return found;
}

/** A node within reach of an edge: its bars carry the moment over the edge, by its normal (each its own part and the size of what twists). */
function spread(found: HeldEdges, n: number, p: Point, axes: BarAxes, [a, b]: readonly [Point, Point], places: readonly EdgePlace[]): void {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const [ux, uy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length];
  const s = (p[0] - a[0]) * ux + (p[1] - a[1]) * uy;
  if (s < -1 || s > length + 1) return;
  const place = places[Math.min(places.length - 1, Math.max(0, Math.floor((s / length) * places.length)))]!;
  const [nx, ny] = place.inwards;
  const away = (p[0] - a[0]) * nx + (p[1] - a[1]) * ny;
  if (away < -1 || away > place.reach + 1) return;
  const bars = axes.at(p);
  const over = [nx * nx, ny * ny, nx * ny] as const;
  const asked = (own: Point, other: Point) => {
    const share = Math.max(...barTerms(own, other).map((t) => momentOf(t, over)));
    return share < ALONG ? 0 : place.moment * share;
  };
  found.x[n] = Math.max(found.x[n]!, asked(bars.x, bars.y));
  found.y[n] = Math.max(found.y[n]!, asked(bars.y, bars.x));
}

/** Places along a piece of an edge, as far apart as the sides of triangles, with the span across the edge and the most moment on it. */
function placesOn([a, b]: readonly [Point, Point], plate: PlateInput, answer: PlateAnswer, demands: readonly LayerDemand[]) {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const [ux, uy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length];
  const middle: Point = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const isLeft = isInside([middle[0] - uy, middle[1] + ux], outlineOf(plate));
  const inwards: Point = isLeft ? [-uy, ux] : [uy, -ux];
  const count = Math.max(1, Math.ceil(length / usualSide(plate)));
  return Array.from({ length: count }, (_, k) => {
    const s = ((k + 0.5) / count) * length;
    const at: Point = [a[0] + s * ux, a[1] + s * uy];
    const span = spanFrom(at, inwards, plate);
    return { inwards, span, most: largestOn(at, inwards, span, { axes: axesOf(plate), answer, demands }) };
  });
}

/** From an edge along its normal to the next line that carries: an edge, a wall, a beam, or a line of columns across (mm). */
function spanFrom([x, y]: Point, [nx, ny]: Point, plate: PlateInput): number {
  const outline = outlineOf(plate);
  const lines = [
    ...lineSupports(plate).map((l) => l.piece),
    ...[outline.outer, ...outline.holes].flatMap((loop) => loop.map((p, i) => [p, loop[(i + 1) % loop.length]!] as const)),
    ...plate.beams.map(
      ({ x1, y1, x2, y2 }) =>
        [
          [x1, y1],
          [x2, y2],
        ] as const satisfies readonly [Point, Point],
    ),
  ];
  const crossed = lines.map(([a, b]) => distanceAlong([x, y], [nx, ny], a, b));
  // Lines of columns, for edges that run along one of them.
  const bays = bayLines(plate);
  const across =
    plate.columns.length === 0
      ? []
      : [...(Math.abs(nx) > 0.99 ? bays.x.map((v) => (v - x) / nx) : []), ...(Math.abs(ny) > 0.99 ? bays.y.map((v) => (v - y) / ny) : [])];
  return Math.min(...[...crossed, ...across].filter((d) => d > plate.h));
}

/** How far along a ray a line between two places is met; Infinity where it is not. */
function distanceAlong([x, y]: Point, [nx, ny]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const cross = nx * (by - ay) - ny * (bx - ax);
  if (Math.abs(cross) < 1e-9) return Infinity;
  const t = ((ax - x) * ny - (ay - y) * nx) / cross;
  return t >= 0 && t <= 1 ? ((ax - x) * (by - ay) - (ay - y) * (bx - ax)) / cross : Infinity;
}

/** The largest sagging moment over a direction along a span, as bars below carry it. */
function largestOn(
  [x, y]: Point,
  [nx, ny]: Point,
  span: number,
  { axes, answer, demands }: { readonly axes: BarAxes; readonly answer: PlateAnswer; readonly demands: readonly LayerDemand[] },
): number {
  const { mesh } = answer.model;
  const [along, across] = (['x', 'y'] as const).map((a) => demandOn(demands, { face: 'bottom', along: a }).demand) as [
    Float64Array,
    Float64Array,
  ];
  return Array.from({ length: LOOKS }, (_, k) => ((k + 0.5) / LOOKS) * span).reduce((most, s) => {
    const at: Point = [x + s * nx, y + s * ny];
    const located = answer.locate(at);
    if (!located) return most;
    const bars = axes.at(at);
    const share = ([bx, by]: Point) => (bx * nx + by * ny) ** 2;
    return Math.max(most, share(bars.x) * valueAt(mesh, located, along) + share(bars.y) * valueAt(mesh, located, across));
  }, 0);
}

/** What bars are chosen for: their moments, and above at held edges no less than these. */
export const withHeldEdges = (demands: readonly LayerDemand[], held: HeldEdges | null): readonly LayerDemand[] =>
  held === null
    ? demands
    : demands.map((d) => {
        if (d.layer.face === 'bottom') return d;
        const least = held[d.layer.along];
        return { ...d, demand: d.demand.map((m, n) => Math.max(m, least[n]!)) };
      });

/** Top bars at simple edges, for each direction where they are used most. */
export function heldEdgeChecks(basis: PlateBasis, held: HeldEdges | null): DerivableCheck[] {
  const rule = basis.code.slab.heldEnd;
  if (!held || !rule) return [];
  return (['x', 'y'] as const).flatMap((along) => checkAlong(basis, along, held[along], rule));
}

function checkAlong(
  { plate, code, steel, answer, metre, units }: PlateBasis,
  along: Along,
  asked: Float64Array,
  rule: Rule,
): DerivableCheck[] {
  const layer = { face: 'top', along } as const;
  const inset = insetOf(plate, layer, barsOutside(plate, steel, layer));
  const on = { mesh: answer.model.mesh, depths: answer.depths };
  const zones = zonesOf(plate, code, steel, [layer], on).map((zone) => {
    const bars = barsIn(steel, layer, zone.extras);
    const node = zone.nodes.reduce((best, n) => (asked[n]! > asked[best]! ? n : best), zone.nodes[0]!);
    return { bars, h: zone.h, node, moment: asked[node]!, resistance: resistanceWith(metre(zone.h), code, bars, inset) };
  });
  const worst = zones
    .filter((z) => z.moment > 0)
    .reduce<(typeof zones)[number] | null>((a, b) => (!a || b.moment * a.resistance > a.moment * b.resistance ? b : a), null);
  if (!worst) return [];
  const at: Point = [on.mesh.at[2 * worst.node]!, on.mesh.at[2 * worst.node + 1]!];
  const share = `${Math.round(100 * rule.moment)} %`;
  return [
    compareCheck({
      id: `held-edges-${along}`,
      family: 'detailing',
      title: `Top bars ${directionWords(plate, along)} at simple edges`,
      clause: rule.clause,
      place: { x: null, label: placeWords(at, units) },
      assumptions: code.choices.filter((c) => c.key === 'heldEnds').map((c) => c.key),
      kind: 'lineTorque',
      compare: (c) => {
        c.note(
          `${share} of the largest moment below of the span across the edge, which holds the slab without being counted on, over ${rule.reach} of that span from the edge.`,
          rule.clause,
        );
        const { section } = metreWith(metre(worst.h), worst.bars, inset);
        return {
          demand: worst.moment,
          demandIs: ['moment at the edge', `${share} of the span's, by the direction of the bars`],
          capacity: worst.bars.length > 0 ? (code.bendingResistance(c, section, plate.materials)?.moment ?? 0) / WIDTH : 0,
          capacityIs: ['resistance per length of slab', 'that of the metre over its width'],
        };
      },
      fails: (needed, has) =>
        `Top bars ${directionWords(plate, along)} at ${placeWords(at, units)}: ${needed}, ${share} of the span's, against ${has}.`,
    }),
  ];
}
