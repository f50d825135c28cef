import type { DesignCode } from '../../codes/design-code';
import type { ColumnPosition, PunchingQuestion, PunchingSteel, SoilBelow } from '../../codes/punching-rules';
import {
  controlPerimeter,
  lengthOf,
  offsetLoop,
  shadowOf,
  slabSides,
  type ControlPerimeter,
  type Corners,
  type Shadow,
  type SlabEdges,
  type SlabSide,
} from '../../geometry/control-perimeter';
import { convexHull, distanceToEdges, outlineProperties, type Loop, type Point } from '../../geometry/polygon';
import { catalogues, findBar } from '../../materials/bars';
import { columnLoop, columnSize, depthsOf, openingLoop, rectangleLoop, type PunchingForces, type PunchingInput } from './input';
import { besideLines } from './effective-perimeter';
import { placeLegs, type PlacedLegs } from './legs';

/** A section that is checked: the slab around the column, or the thinner slab around a thicker part. */
export interface PunchingStage {
  readonly id: 'column' | 'drop';
  readonly title: string;
  readonly loop: Loop;
  readonly size: { readonly cx: number; readonly cy: number };
  readonly slab: SlabEdges;
  readonly shadows: readonly Shadow[];
  readonly openings: readonly Loop[];
  readonly h: number;
  readonly d: number;
  readonly ratio: number;
  readonly position: ColumnPosition;
  readonly across: 'x' | 'y' | null;
  readonly inwards: PunchingQuestion['inwards'];
  readonly perimeter: number;
  readonly placed: PlacedLegs | null;
  readonly steel: PunchingSteel | null;
  readonly corners: Corners;
  around(distance: number): ControlPerimeter;
  withoutOpenings(distance: number): ControlPerimeter;
}

/** The sections of a place, the one at the column first. */
export function stagesOf(p: PunchingInput, code: DesignCode): PunchingStage[] {
  const { cx, cy } = columnSize(p.column);
  const at = makeStage(p, code, 'column', columnLoop(p.column), { cx, cy }, p.h + (p.drop?.depth ?? 0));
  if (!p.drop) return [at];
  return [at, makeStage(p, code, 'drop', rectangleLoop(p.drop.cx, p.drop.cy), p.drop, p.h)];
}

/** Edges of the slab, or of the footing, from the column's centre. */
export function slabOf(p: PunchingInput): SlabEdges {
  if (p.base) return { left: p.base.b / 2, right: p.base.b / 2, bottom: p.base.h / 2, top: p.base.h / 2, corner: null };
  const { cx, cy } = columnSize(p.column);
  const half: Record<SlabSide, number> = { left: cx / 2, right: cx / 2, bottom: cy / 2, top: cy / 2 };
  const from = (side: SlabSide) => (p.edges[side] === null ? null : p.edges[side]! + half[side]);
  return {
    left: from('left'),
    right: from('right'),
    bottom: from('bottom'),
    top: from('top'),
    corner: p.corner ? [p.corner.x, p.corner.y] : null,
  };
}

function makeStage(
  p: PunchingInput,
  code: DesignCode,
  id: PunchingStage['id'],
  loop: Loop,
  { cx, cy }: { readonly cx: number; readonly cy: number },
  h: number,
): PunchingStage {
  const { punching: rules } = code;
  // Perimeters of a footing are those within it: its edges do not cut them.
  const slab = p.base ? boundless : slabOf(p);
  const { d, ratio } = depthsOf(p, h);
  const openings = p.openings.map(openingLoop);
  const near = openings.filter((o) => apart(o, loop) <= rules.openingReach(d, h));
  const shadows = near.flatMap((o) => shadowOf(o) ?? []);
  const known = new Map<string, ControlPerimeter>();
  const perimeter = (distance: number, isCut: boolean) => {
    const key = `${distance} ${isCut}`;
    let made = known.get(key);
    if (!made) known.set(key, (made = controlPerimeter(loop, distance, rules.corners, slab, isCut ? shadows : [])));
    return made;
  };
  const around = (distance: number) => perimeter(distance, true);
  const critical = perimeter(rules.critical(d), false);
  const { position, across } = positionOf(critical, slab, loop, rules.critical(d));
  const placed = id === 'drop' || !p.legs ? null : placeLegs(p.legs, loop, { slab, openings });
  return {
    id,
    title: id === 'drop' ? 'at the thicker part' : 'at the column',
    loop,
    size: { cx, cy },
    slab: slabOf(p),
    shadows,
    openings,
    h,
    d,
    ratio,
    position,
    across,
    inwards: inwardsFrom(critical, slab),
    perimeter: lengthOf(loop.map((a, i) => ({ a, b: loop[(i + 1) % loop.length]! }))),
    placed,
    steel: placed && p.legs ? steelOf(p, placed, code, { d, h }, loop, slab, shadows) : null,
    corners: rules.corners,
    around,
    withoutOpenings: (distance) => perimeter(distance, false),
  };
}

const boundless: SlabEdges = { left: null, right: null, bottom: null, top: null, corner: null };

/** The soil below a footing, of even pressure. */
function soilOf({ base }: PunchingInput, stage: PunchingStage, corners: Corners): SoilBelow | undefined {
  if (!base) return undefined;
  const area = (distance: number) => outlineProperties({ outer: offsetLoop(stage.loop, distance, corners), holes: [] }).area;
  const xs = stage.loop.map(([x]) => Math.abs(x));
  const ys = stage.loop.map(([, y]) => Math.abs(y));
  return {
    within: (distance) => area(distance) / (base.b * base.h),
    room: Math.min(base.b / 2 - Math.max(...xs), base.h / 2 - Math.max(...ys)),
  };
}

/** Least distance of two outlines that do not meet. */
const apart = (a: Loop, b: Loop) =>
  Math.min(...a.map((q) => distanceToEdges(q, { outer: b, holes: [] })), ...b.map((q) => distanceToEdges(q, { outer: a, holes: [] })));

function positionOf(at: ControlPerimeter, slab: SlabEdges, loop: Loop, reach: number): Pick<PunchingStage, 'position' | 'across'> {
  const { corner } = slab;
  if (corner && Math.min(...loop.map(([x, y]) => Math.hypot(x - corner[0], y - corner[1]))) <= reach)
    return { position: 'reentrant', across: null };
  const sides = slabSides.filter((s) => at.meets.includes(s));
  const isX = (s: SlabSide) => s === 'left' || s === 'right';
  if (sides.length === 0) return { position: 'internal', across: null };
  if (sides.every(isX)) return { position: 'edge', across: 'x' };
  if (!sides.some(isX)) return { position: 'edge', across: 'y' };
  return { position: 'corner', across: null };
}

/** Away from the edges that a perimeter meets; of two opposite ones from the nearer. */
function inwardsFrom({ meets }: ControlPerimeter, slab: SlabEdges): PunchingQuestion['inwards'] {
  const distance = (side: SlabSide) => (meets.includes(side) ? (slab[side] ?? Infinity) : Infinity);
  const from = (low: SlabSide, high: SlabSide): -1 | 0 | 1 => {
    const [a, b] = [distance(low), distance(high)];
    return a < b ? 1 : b < a ? -1 : 0;
  };
  return { x: from('left', 'right'), y: from('bottom', 'top') };
}

function steelOf(
  p: PunchingInput,
  placed: PlacedLegs,
  code: DesignCode,
  { d, h }: { readonly d: number; readonly h: number },
  loop: Loop,
  slab: SlabEdges,
  shadows: readonly Shadow[],
): PunchingSteel | null {
  const legs = p.legs!;
  const bar = findBar(catalogues[p.catalogue], legs.size)!;
  const critical = code.punching.critical(d);
  const isWithin = (k: number) => legs.first + k * legs.spacing <= Math.max(critical, 2 * d) + 1e-6;
  // Legs in square corners stand further out than their perimeter: those beyond the critical one do not help it.
  const reach = Math.max(critical, 2 * d) + 0.5;
  const helps = (at: Point) => distanceToEdges(at, { outer: loop, holes: [] }) <= reach;
  const counts = Array.from(
    { length: legs.perimeters },
    (_, k) => placed.legs.filter((l) => l.perimeter === k && (!isWithin(k) || helps(l.at))).length,
  );
  if (Math.max(...counts) === 0) return null;
  const inner = placed.widest.filter((_, k) => isWithin(k));
  // What lies between lines square to different faces does not count further out, and asks for no legs.
  const beyond = (legs.layout === 'orthogonal' ? placed.widestOnFace : placed.widest).filter((_, k) => !isWithin(k));
  const counted = counts.filter((_, k) => isWithin(k));
  const tips = convexHull(placed.legs.map((l) => l.at));
  return {
    kind: legs.kind,
    diameter: bar.diameter,
    height: h - 2 * p.cover,
    area: Math.min(...(counted.length > 0 ? counted : counts)) * bar.area,
    spacing: legs.spacing,
    first: legs.first,
    last: legs.first + (legs.perimeters - 1) * legs.spacing,
    across: Math.max(0, ...inner),
    acrossBeyond: Math.max(0, ...beyond),
    outside: controlPerimeter(tips, d / 2, 'square', slab, shadows),
    ...(legs.layout === 'orthogonal' ? { effective: (beyond, reach) => besideLines(placed.lines, beyond, reach, slab, shadows) } : {}),
  };
}

/** What the code is asked at a stage under the forces of a combination. */
export function questionOf(p: PunchingInput, stage: PunchingStage, forces: PunchingForces): PunchingQuestion {
  const soil = soilOf(p, stage, stage.corners);
  return {
    materials: p.materials,
    shape: stage.id === 'drop' || p.column.kind === 'rectangle' ? 'rectangle' : p.column.kind === 'circle' ? 'circle' : 'other',
    ...stage.size,
    h: stage.h,
    d: stage.d,
    ratio: stage.ratio,
    inPlane: p.inPlane,
    V: forces.V,
    Mx: forces.Mx,
    My: forces.My,
    momentsBy: p.momentsBy,
    beta: p.beta,
    position: stage.position,
    across: stage.across,
    inwards: stage.inwards,
    columnPerimeter: stage.perimeter,
    around: stage.around,
    withoutOpenings: stage.withoutOpenings,
    reinforcement: stage.steel,
    ...(soil ? { soil } : {}),
  };
}
