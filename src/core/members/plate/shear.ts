import { silent } from '../../calc/calc';
import type { DerivableCheck } from '../../checks/check';
import { compareCheck } from '../../checks/compare';
import type { ShearSection } from '../../codes/design-code';
import { middleOfTriangle } from '../../analysis/plates/locate';
import type { PlateMesh } from '../../analysis/plates/mesh';
import { distanceToEdges, distanceToSegment, isInside, signedArea, type Point } from '../../geometry/polygon';
import { layerOf } from '../../reinforcement/slab-bars';
import { WIDTH } from '../parts/slab-metre';
import type { PartAnswer } from './analysis';
import { placeWords, type PlateBasis } from './checks';
import { arrangementFor, factorsOf, summed } from './envelope';
import { axesOf, type BarAxes } from './bar-axes';
import { isOver } from './bar-parts';
import { columnAt, columnSides, depthAt, edgePath, outlineOf } from './geometry';
import type { Along, Face, PlateInput } from './input';
import { narrowestBay } from './loading';
import { onceFor } from './last-answers';
import { countsIn, insetOf } from './layers';
import { columnForces } from './reactions';
import type { PlateSection } from './result';
import { barsOutside, meshIn } from './zones';

interface ShearPlace {
  readonly combination: string;
  readonly at: Point;
  readonly force: number;
  readonly section: ShearSection;
  readonly capacity: number;
}

/** Directions that shear is looked at in, over half a turn; each is then turned into that of the shear itself. */
const DIRECTIONS = 8;
/** At least so many places across a direction have their shears taken together, and one for every depth of the slab. */
const PLACES = 7;

/** Shear without links: the largest resultant at a distance from the supports, against the bars that it bends; at columns it is punching. */
export function plateShear(basis: PlateBasis): DerivableCheck[] {
  const { plate, code, units } = basis;
  const width = shearWidth(basis);
  const worst = shearPlaces(basis, width).reduce<ShearPlace | null>(
    (a, b) => (!a || b.force / b.capacity > a.force / a.capacity ? b : a),
    null,
  );
  if (!worst) return [];
  return [
    compareCheck({
      id: 'shear',
      family: 'shear',
      title: 'Shear without links',
      clause: code.slab.clauses.shear,
      place: { x: null, label: placeWords(worst.at, units) },
      combination: worst.combination,
      kind: 'lineLoad',
      compare: (c) => {
        if (width > 0)
          c.state(
            'width over which shear is the mean',
            width,
            'length',
            isWideBeam(basis) ? 'that of the narrowest bay: a wide beam' : 'as for moments',
          );
        return {
          demand: worst.force,
          demandIs: ['resultant of vx and vy', 'the elastic plate, variable loads where they add to it'],
          capacity: code.slab.plainShear(c, worst.section, plate.materials).force / WIDTH,
          capacityIs: ['resistance per length of slab', 'that of the metre over its width'],
        };
      },
      fails: (force, capacity) => `Shear at ${placeWords(worst.at, units)}: ${force} against ${capacity}: a deeper slab.`,
    }),
  ];
}

/** Whether the code judges the shear of this slab as that of a wide beam. */
const isWideBeam = ({ plate, code }: Pick<PlateBasis, 'plate' | 'code'>) => code.slab.shearOver === 'bay' && plate.columns.length > 0;

/** The width over which shears are means (mm): that of moments, or where the code judges a slab on columns as a wide beam its narrowest bay. */
function shearWidth({ plate, code, answer }: PlateBasis): number {
  if (!isWideBeam({ plate, code })) return answer.spread;
  return Math.max(answer.spread, narrowestBay(plate));
}

/** The shear of each triangle that counts, with what resists it: the bars along the shear, at the face that its moment pulls. */
function shearPlaces(basis: PlateBasis, width: number): ShearPlace[] {
  const { answer, plate } = basis;
  const { mesh } = answer.model;
  const steel = steelAlong(basis);
  const axes = axesOf(plate);
  const isNear = nearSupports(basis, steel);
  const counts = onceFor(answer, 'inner', plate.openings, () => awayFromFreeEdges(basis));
  const across: Across = { width, places: Math.max(PLACES, 2 * Math.ceil(width / plate.h / 2) + 1), isWideBeam: isWideBeam(basis), counts };
  const largestAt = rememberedShears(basis, across);
  return [...middlesOf(mesh), ...besideSupports(basis)].flatMap((at): ShearPlace[] => {
    const most = isNear(at) ? undefined : largestAt(at);
    return most ? [placeOf(basis, axes, at, most, steel)] : [];
  });
}

/** The largest shear at places of a slab that has been answered: bars change nothing of it, so it is worked out once. */
function rememberedShears(basis: PlateBasis, across: Across): (at: Point) => BentShear | undefined {
  const { answer, ultimate } = basis;
  const question = [ultimate, across.width, across.places, across.isWideBeam];
  const known = onceFor(answer, 'shears', question, () => new Map<string, BentShear | undefined>());
  const factors = ultimate.map((combination) => factorsOf(answer.parts, combination));
  return (at) => {
    const place = at.join(' ');
    if (!known.has(place)) known.set(place, bentShear(basis, factors, at, across));
    return known.get(place);
  };
}

/** The largest shear at a place with the moment along it that acts with it; undefined where no triangle counts. */
function bentShear(basis: PlateBasis, factors: readonly (readonly number[])[], at: Point, across: Across): BentShear | undefined {
  const { answer } = basis;
  const triangle = answer.locate(at, across.counts)?.triangle;
  const shear = triangle === undefined ? undefined : largestShear(basis, factors, at, across);
  if (!shear) return undefined;
  const nodes = [0, 1, 2].map((k) => answer.model.mesh.triangles[3 * triangle! + k]!);
  const moment = (k: number) => summed(shear.parts, (part) => nodes.reduce((sum, n) => sum + part.moments[3 * n + k]! / 3, 0));
  const [c, s] = shear.along;
  return { ...shear, bending: moment(0) * c * c + moment(1) * s * s + 2 * moment(2) * c * s };
}

const middlesOf = (mesh: PlateMesh): Point[] => Array.from({ length: mesh.triangles.length / 3 }, (_, e) => middleOfTriangle(mesh, e));

/** How far from a line support shear is looked at (mm). */
function lookedAtFrom({ plate, code, sections }: PlateBasis): number {
  return code.shearDistance(leastDepth(plate, sections));
}

const leastDepth = (plate: PlateInput, sections: readonly PlateSection[]): number =>
  sections.length > 0 ? Math.min(...sections.map((s) => s.d)) : plate.h - plate.cover.bottom - 20;

/** Places along line supports at just the distance where shear is first looked at, to both sides. */
function besideSupports(basis: PlateBasis): Point[] {
  const { answer, plate } = basis;
  const away = lookedAtFrom(basis) + 0.01;
  return answer.supports.flatMap(({ piece: [a, b] }) => {
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const [c, s] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length];
    const count = Math.max(1, Math.ceil(length / plate.h));
    return Array.from({ length: count }, (_, k) => ((k + 0.5) / count) * length).flatMap((t): Point[] => [
      [a[0] + t * c - away * s, a[1] + t * s + away * c],
      [a[0] + t * c + away * s, a[1] + t * s - away * c],
    ]);
  });
}

/**
 * Whether shear at a place is not that of a slab: nearer to a line support than it is looked at, or around a column, the end of a wall or an inner corner
 * over supports, where it is punching. Around a column that goes a quarter of the
 * narrowest bay, and as far as punching without legs would have to be looked for: beyond the last perimeter that holds, shear only falls.
 */
function nearSupports(basis: PlateBasis, steel: SteelAt): (at: Point) => boolean {
  const { plate, code, answer, sections } = basis;
  const away = lookedAtFrom(basis);
  const round = Math.max(code.punching.critical(leastDepth(plate, sections)), away);
  const heads = plate.columns.map((column, i) => ({
    middle: [column.x, column.y] as Point,
    size: Math.hypot(columnSides(column).x, columnSides(column).y),
    loop: { outer: columnAt(column), holes: [] },
    reach: Math.max(round, narrowestBay(plate) / 4, punchingReach(basis, i, steel)),
  }));
  const points = sharpSupports(plate);
  return (at) =>
    answer.supports.some(({ piece: [a, b] }) => distanceToSegment(at, a, b) < away) ||
    heads.some(({ middle: [x, y], size, loop, reach }) => {
      // Most places are far from most columns.
      if (Math.hypot(at[0] - x, at[1] - y) > reach + size) return false;
      return isInside(at, loop) || distanceToEdges(at, loop) < reach;
    }) ||
    points.some(([x, y]) => Math.hypot(at[0] - x, at[1] - y) < Math.max(round, answer.spread));
}

/** Shear around a column is uneven by its moment: the factor on it where perimeters are looked for, the largest of usual places. */
const UNEVEN = 1.5;

/** How far from a column a perimeter carries its shear without legs (mm), by how much of a circle lies on the slab. */
function punchingReach({ plate, code, answer, ultimate }: PlateBasis, i: number, steel: SteelAt): number {
  const column = plate.columns[i]!;
  const V = Math.max(0, ...columnForces(answer, i, ultimate).map((f) => f.V));
  const at: Point = [column.x, column.y];
  const h = depthAt(plate, at);
  const [x, y] = [steel('top', 'x', at, h), steel('top', 'y', at, h)];
  const section = { bw: WIDTH, d: Math.min(x.d, y.d), h, tensionArea: ((x.area + y.area) / 2) * WIDTH, grossArea: WIDTH * h };
  const carries = code.slab.plainShear(silent, section, plate.materials).force / WIDTH;
  const outline = outlineOf(plate);
  const sides = columnSides(column);
  const radius = Math.max(sides.x, sides.y) / 2 + 2 * section.d;
  const LOOKS = 72;
  const on = Array.from({ length: LOOKS }, (_, k) => (k / LOOKS) * 2 * Math.PI).filter((t) =>
    isInside([column.x + radius * Math.cos(t), column.y + radius * Math.sin(t)], outline),
  );
  const share = Math.max(0.2, on.length / LOOKS);
  return ((UNEVEN * V) / carries - share * 2 * (sides.x + sides.y)) / (2 * Math.PI * share);
}

/** Where a line of support ends or turns within the slab: free ends of walls, and corners of the outline that point inwards or part a held edge from a free one. */
export function sharpSupports(plate: PlateInput): Point[] {
  const { outline } = plate;
  const isHeld = (i: number) => outline[(i + outline.length) % outline.length]!.edge !== 'free';
  const turns = outline.map((b, i) => {
    const [a, c] = [outline[(i + outline.length - 1) % outline.length]!, outline[(i + 1) % outline.length]!];
    return (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x);
  });
  const sense = Math.sign(signedArea(outlineOf(plate).outer));
  const corners = outline.flatMap(({ x, y }, i): Point[] => {
    const [before, after] = [isHeld(i - 1), isHeld(i)];
    return (before || after) && (before !== after || sense * turns[i]! < 0) ? [[x, y]] : [];
  });
  return [
    ...corners,
    ...plate.walls.flatMap((w): Point[] => [
      [w.x1, w.y1],
      [w.x2, w.y2],
    ]),
  ];
}

interface Shear {
  readonly combination: string;
  /** The parts that make it, and the resultant (N/mm) with its direction. */
  readonly parts: readonly (readonly [PartAnswer, number])[];
  readonly size: number;
  readonly along: Point;
}

interface BentShear extends Shear {
  /** Along the shear (N mm/mm). */
  readonly bending: number;
}

/** The largest resultant at a place over all arrangements: by directions first, then that of the arrangement that is worst in one of them. */
function largestShear(basis: PlateBasis, factors: readonly (readonly number[])[], at: Point, across: Across): Shear | undefined {
  const { parts } = basis.answer;
  let best = { size: 0, x: 0, y: 0, combination: -1, sense: 1 as 1 | -1, effects: [] as number[] };
  const directions = across.isWideBeam ? 2 : DIRECTIONS;
  for (let k = 0; k < directions; k += 1) {
    const angle = (k / directions) * Math.PI;
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const triangles = trianglesAcross(basis.answer, at, [c, s], across);
    if (triangles.length === 0) continue;
    const mean = (shears: Float64Array, component: 0 | 1) => {
      let sum = 0;
      for (const e of triangles) sum += shears[2 * e + component]!;
      return sum / triangles.length;
    };
    const [vx, vy] = [parts.map((p) => mean(p.shears, 0)), parts.map((p) => mean(p.shears, 1))];
    const effects = vx.map((x, i) => x * c + vy[i]! * s);
    factors.forEach((of, combination) => {
      for (const sense of [1, -1] as const) {
        let [x, y] = [0, 0];
        of.forEach((factor, i) => {
          if (parts[i]!.isVariable && !(sense * factor * effects[i]! > 0)) return;
          x += factor * vx[i]!;
          y += factor * vy[i]!;
        });
        // Across a bay only what passes it counts, elsewhere the resultant.
        const through = across.isWideBeam ? { x: (x * c + y * s) * c, y: (x * c + y * s) * s } : { x, y };
        const size = Math.hypot(through.x, through.y);
        if (size > best.size) best = { size, ...through, combination, sense, effects };
      }
    });
  }
  const { size, x, y, sense, effects } = best;
  const combination = basis.ultimate[best.combination];
  if (!combination) return undefined;
  const arrangement = arrangementFor(parts, combination, sense, (part) => effects[parts.indexOf(part)]!);
  return { combination: combination.id, parts: arrangement, size, along: [x / size, y / size] };
}

/**
 * Triangles that bend and do not lie in the strip along a free edge, as wide as the slab is deep, in which the twisting moments of the plate turn into
 * shear along the edge; all that bend where the slab is no more than such strips.
 */
function awayFromFreeEdges({ plate, answer }: PlateBasis): (triangle: number) => boolean {
  const { mesh, bends } = answer.model;
  const free = [
    ...plate.outline.flatMap(({ edge, sinks }, i) => {
      // Those that may turn along themselves.
      const isRigid = edge === 'simple' || (edge === 'spring' && sinks === null);
      return edge !== 'clamped' && !(isRigid && plate.simpleEdges === 'hard') ? [edgePath(plate, i)] : [];
    }),
    ...plate.openings.map((o) => [...o.corners, o.corners[0]!]),
  ];
  const isNear = (p: Point) => free.some((path) => path.some((a, k) => k > 0 && distanceToSegment(p, path[k - 1]!, a) < plate.h));
  const isInner = Uint8Array.from({ length: mesh.triangles.length / 3 }, (_, e) =>
    bends(e) && !isNear(middleOfTriangle(mesh, e)) ? 1 : 0,
  );
  return isInner.some((v) => v === 1) ? (e) => isInner[e] === 1 : bends;
}

/** The width over which shears are means, and the triangles that count for it. */
interface Across {
  readonly width: number;
  readonly places: number;
  /** Whether only planes across the bays are looked at. */
  readonly isWideBeam: boolean;
  readonly counts: (triangle: number) => boolean;
}

/** The triangles that a line across a direction meets, over the width; the one at the place where there is no width. */
function trianglesAcross({ locate }: PlateBasis['answer'], [x, y]: Point, [c, s]: Point, { width, places, counts }: Across): number[] {
  const all = width > 0 ? Array.from({ length: places }, (_, k) => ((k + 0.5) / places - 0.5) * width) : [0];
  return all.flatMap((v) => locate([x - v * s, y + v * c], counts)?.triangle ?? []);
}

/** Area (mm2/mm) and depth of the bars of a layer at a place. */
type SteelAt = (face: Face, along: Along, at: Point, h: number) => { readonly area: number; readonly d: number };

function steelAlong({ plate, code, steel }: PlateBasis): SteelAt {
  const axes = axesOf(plate);
  const extras = steel.extra.map((extra) => ({ extra, counts: countsIn(plate, code, extra, axes) }));
  const insets = new Map<string, number>();
  return (face, along, at, h) => {
    const layer = { face, along };
    const key = `${face} ${along}`;
    if (!insets.has(key)) insets.set(key, insetOf(plate, layer, barsOutside(plate, steel, layer)));
    const mesh = meshIn(steel, layer);
    const there = [
      ...(mesh ? [mesh] : []),
      ...extras
        .filter(({ extra, counts }) => extra.face === face && extra.along === along && isOver(at, counts, axes))
        .map((e) => e.extra.bars),
    ].map((bars) => layerOf(bars, plate.catalogue));
    const thickest = Math.max(12, ...there.map((b) => b.diameter));
    return { area: there.reduce((sum, b) => sum + b.area, 0), d: h - insets.get(key)! - thickest / 2 };
  };
}

function placeOf(
  { plate, code }: PlateBasis,
  axes: BarAxes,
  at: Point,
  { combination, size, along: [c, s], bending }: BentShear,
  steel: SteelAt,
): ShearPlace {
  const face = bending >= 0 ? 'bottom' : 'top';
  const h = depthAt(plate, at);
  const [x, y] = [steel(face, 'x', at, h), steel(face, 'y', at, h)];
  const bars = axes.at(at);
  const along = ([bx, by]: Point) => (bx * c + by * s) ** 2;
  const area = x.area * along(bars.x) + y.area * along(bars.y);
  const section = { bw: WIDTH, d: Math.min(x.d, y.d), h, tensionArea: area * WIDTH, grossArea: WIDTH * h };
  return { combination, at, force: size, section, capacity: code.slab.plainShear(silent, section, plate.materials).force / WIDTH };
}
