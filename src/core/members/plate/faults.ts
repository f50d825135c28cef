import type { DesignCode } from '../../codes/design-code';
import type { Fault } from '../../checks/fault';
import { crossingEdges, isInside, isInsideLoop, loopsMeet, signedArea, type Loop, type Outline } from '../../geometry/polygon';
import { slabRuleFaults, slabBarFaults } from '../../reinforcement/slab-bars';
import { SELF_WEIGHT } from '../../analysis/combination';
import { caseFaults } from '../parts/case-faults';
import { materialFaults } from '../parts/material-faults';
import { axesOf } from './bar-axes';
import { partOf } from './bar-parts';
import { columnAt, columnSides, depthAt, edgePath, outlineOf, rectangleOf } from './geometry';
import { barsAt, layers, type ExtraBars, type PlateInput, type PlateLoad } from './input';

type Add = (path: string, reason: string) => void;

/** Further from the origin (mm) lies no slab. */
const LARGEST = 200_000;

/** Checks everything about a slab that the shape of the file cannot: each fault at its field. */
export function plateFaults(plate: PlateInput, code: DesignCode): Fault[] {
  const faults: Fault[] = materialFaults(plate, code);
  const add: Add = (path, reason) => faults.push({ path, reason });
  depthFaults(plate, add);
  springFaults(plate, add);
  outlineFaults(plate, add);
  if (faults.length === 0) insideFaults(plate, add);
  axisFaults(plate, add);
  if (!plate.outline.some((c) => c.edge !== 'free') && plate.walls.length + plate.columns.length === 0)
    add('outline[0].edge', 'Nothing holds the slab: hold an edge, or put a wall or columns below it.');
  if (!(plate.poisson >= 0 && plate.poisson <= 0.3)) add('poisson', "Poisson's ratio of a slab lies between 0 and 0.3.");
  if (plate.meshSize !== null && !(plate.meshSize >= 20 && plate.meshSize <= 5000))
    add('meshSize', 'Sides of triangles are 20 mm to 5 m long.');
  if (plate.spread !== null && !(plate.spread >= 0 && plate.spread <= 10_000)) add('spread', 'Peaks are spread over 0 to 10 m.');
  faults.push(...caseFaults(plate, code));
  const ids = new Set(plate.cases.map((c) => c.id));
  plate.loads.forEach((l, i) => {
    if (!ids.has(l.case)) add(`loads[${i}].case`, `There is no load case "${l.case}".`);
  });
  plate.stages?.forEach((s, i) => {
    const unknown = s.factors.find((f) => f.caseId !== SELF_WEIGHT && !ids.has(f.caseId));
    if (unknown) add(`stages[${i}].factors`, `There is no load case "${unknown.caseId}".`);
    if (!(s.days >= 0.5 && s.days <= 36_500)) add(`stages[${i}].days`, 'A stage begins between half a day and 100 years after casting.');
  });
  plate.bars.extra?.forEach((e, i) => {
    faults.push(...slabBarFaults(`bars.extra[${i}].bars`, e.bars, plate.catalogue));
    if (!coversSomething(plate, e)) add(`bars.extra[${i}].x1`, 'These bars cover nothing: their part is less than 100 mm wide or long.');
  });
  faults.push(...slabRuleFaults(plate.barRules, plate.catalogue));
  for (const layer of layers) faults.push(...slabBarFaults(`bars.${layer.face}.${layer.along}`, barsAt(plate, layer), plate.catalogue));
  return faults;
}

function coversSomething(plate: PlateInput, corners: ExtraBars): boolean {
  const axes = axesOf(plate);
  const { x, y } = partOf(corners, axes);
  return x[1] - x[0] >= 100 && (y[1] - y[0]) * (axes.ring ? x[1] : axes.sine) >= 100;
}

/** Both directions of bars cross at more than this angle (deg). */
const SLANTED = 30;

function axisFaults(plate: PlateInput, add: Add): void {
  const { axes, bars } = plate;
  if (axes.kind === 'straight') {
    if (!(Math.abs(axes.angle) <= 360)) add('axes.angle', 'An angle lies within a turn: 360 degrees.');
    if (!(axes.between >= SLANTED && axes.between <= 180 - SLANTED))
      add('axes.between', `Bars of both directions cross at ${SLANTED} to ${180 - SLANTED} degrees; at less they are no mesh.`);
    return;
  }
  const { x, y, inner } = axes;
  if (!(Math.abs(x) <= LARGEST && Math.abs(y) <= LARGEST)) add('axes.x', 'The middle lies within 200 m of the origin.');
  if (!(inner >= 0 && inner <= LARGEST)) add('axes.inner', 'The mesh at the middle reaches 0 to 200 m from it.');
  else if (inner < 200 && isInside([x, y], outlineOf(plate)))
    add('axes.inner', 'Radial bars cannot all meet at the middle: a mesh along x and y lies there, 200 mm or more from the middle.');
  for (const face of ['bottom', 'top'] as const)
    if (bars[face].x?.alternate) add(`bars.${face}.x`, 'Radial bars are of one size: every second one stops on the way inwards.');
  bars.extra?.forEach((e, i) => {
    if (e.along === 'x' && e.bars.alternate)
      add(`bars.extra[${i}].bars`, 'Radial bars are of one size: every second one stops on the way inwards.');
  });
}

function depthFaults({ h, cover, camber }: PlateInput, add: Add): void {
  if (!(camber >= 0 && camber <= 1000)) add('camber', 'A camber lies between 0 and 1 m.');
  if (!(h >= 60 && h <= 3000)) add('h', 'The depth of a slab must lie between 60 mm and 3 m.');
  else if (cover.top + cover.bottom + 40 > h) add('cover.bottom', `The covers leave no room in a depth of ${Math.round(h)} mm.`);
  for (const face of ['top', 'bottom'] as const)
    if (!(cover[face] >= 5 && cover[face] <= 300))
      add(`cover.${face}`, 'A cover must lie between 5 and 300 mm; it is measured to the outer bars.');
}

function springFaults({ outline, walls }: PlateInput, add: Add): void {
  const look = (path: string, { sinks, turns }: PlateInput['walls'][number] | PlateInput['outline'][number]) => {
    if (sinks !== null && !(sinks > 0)) add(`${path}.sinks`, 'A spring is stiffer than nothing; without a figure the line does not sink.');
    if (turns !== null && !(turns >= 0)) add(`${path}.turns`, 'A spring against turning is not less than nothing.');
  };
  outline.forEach((corner, i) => corner.edge === 'spring' && look(`outline[${i}]`, corner));
  walls.forEach((wall, i) => look(`walls[${i}]`, wall));
}

/** Shorter edges (mm) are a slip of the hand. */
const SHORTEST_EDGE = 20;

function outlineFaults(plate: PlateInput, add: Add): void {
  const { outer } = outlineOf(plate);
  if (outer.length < 3) return add('outline', 'An outline has at least three corners, or two with arcs between them.');
  plate.outline.forEach(({ x, y, rise }, i) => {
    if (!(Math.abs(x) <= LARGEST && Math.abs(y) <= LARGEST)) add(`outline[${i}].x`, 'A corner lies within 200 m of the origin.');
    const next = plate.outline[(i + 1) % plate.outline.length]!;
    const chord = Math.hypot(next.x - x, next.y - y);
    if (!(chord >= SHORTEST_EDGE)) add(`outline[${i}].x`, 'This corner lies on the next one.');
    if (!(Math.abs(rise) <= 2 * chord)) add(`outline[${i}].rise`, 'An arc rises at most twice its chord: give it a corner between.');
  });
  const crossing = crossingEdges(outer);
  const [a, b] = crossing?.map((k) => cornerBefore(plate, k)) ?? [];
  if (a !== undefined && b !== undefined) add(`outline[${a}].x`, `The edges from corners ${a + 1} and ${b + 1} cross each other.`);
  else if (!(Math.abs(signedArea(outer)) >= 0.25e6)) add('outline', 'The slab has less than a quarter of a square metre.');
}

/** The corner from which the edge goes that has a piece of the outline. */
function cornerBefore({ outline }: PlateInput, piece: number): number {
  let first = 0;
  return outline.findIndex((_, i) => (first += edgePath({ outline }, i).length - 1) > piece);
}

function insideFaults(plate: PlateInput, add: Add): void {
  const { outer, holes } = outlineOf(plate);
  holes.forEach((hole, i) => {
    const reason = openingFault(hole, i, outer, holes);
    if (reason) add(`openings[${i}].corners`, reason);
  });
  regionFaults(plate, add);
  columnFaults(plate, { outer, holes }, add);
  plate.loads.forEach((load, i) => {
    const fault = loadFault(load, { outer, holes });
    if (fault) add(`loads[${i}].${fault[0]}`, fault[1]);
  });
  beamFaults(plate, { outer, holes }, add);
  plate.walls.forEach((w, i) => {
    const middle = [(w.x1 + w.x2) / 2, (w.y1 + w.y2) / 2] as const;
    if (!(Math.hypot(w.x2 - w.x1, w.y2 - w.y1) >= SHORTEST_EDGE)) add(`walls[${i}].x1`, 'This wall has no length.');
    else if (!isInside(middle, { outer, holes })) add(`walls[${i}].x1`, 'The middle of this wall does not lie under the slab.');
  });
}

function openingFault(hole: Loop, i: number, outer: Loop, holes: readonly Loop[]): string | undefined {
  if (hole.length < 3) return 'An opening has at least three corners.';
  if (crossingEdges(hole)) return 'Edges of this opening cross each other.';
  if (!hole.every((p) => isInsideLoop(p, outer)) || loopsMeet(hole, outer)) return 'This opening does not lie within the slab.';
  const other = holes.findIndex(
    (o, k) => k < i && o.length > 2 && (loopsMeet(o, hole) || isInsideLoop(hole[0]!, o) || isInsideLoop(o[0]!, hole)),
  );
  return other >= 0 ? `This opening overlaps opening ${other + 1}.` : undefined;
}

function beamFaults(plate: PlateInput, outline: Outline, add: Add): void {
  plate.beams.forEach((beam, i) => {
    const { x1, y1, x2, y2, b, h, flange } = beam;
    const name = beam.name || String(i + 1);
    const middle = [(x1 + x2) / 2, (y1 + y2) / 2] as const;
    if (!(Math.hypot(x2 - x1, y2 - y1) >= 200)) add(`beams[${i}].x1`, `Beam ${name} is less than 200 mm long.`);
    else if (!isInside(middle, outline)) add(`beams[${i}].x1`, `The middle of beam ${name} does not lie under the slab.`);
    if (!(b >= 50 && b <= 5000)) add(`beams[${i}].b`, 'A beam is 50 mm to 5 m wide.');
    if (!(h > depthAt(plate, middle) && h <= 5000))
      add(`beams[${i}].h`, 'A beam reaches below the slab: it is deeper in all, and at most 5 m.');
    if (flange !== null && !(flange >= b && flange <= 20_000)) add(`beams[${i}].flange`, 'A flange is at least as wide as its beam.');
  });
}

function regionFaults({ regions, cover }: PlateInput, add: Add): void {
  regions.forEach(({ x1, y1, x2, y2, h }, i) => {
    if (!(Math.abs(x2 - x1) >= 100 && Math.abs(y2 - y1) >= 100))
      add(`regions[${i}].x1`, 'This part of another depth is less than 100 mm wide or long.');
    if (!(h >= 60 && h <= 3000)) add(`regions[${i}].h`, 'The depth must lie between 60 mm and 3 m.');
    else if (cover.top + cover.bottom + 40 > h) add(`regions[${i}].h`, `The covers leave no room in a depth of ${Math.round(h)} mm.`);
  });
}

function columnFaults({ columns }: PlateInput, outline: Outline, add: Add): void {
  columns.forEach((column, i) => {
    const name = column.name || String(i + 1);
    const { x, y } = columnSides(column);
    if (!(Math.min(x, y) >= 50 && Math.max(x, y) <= 10_000)) add(`columns[${i}].x`, `Sides of column ${name} lie between 50 mm and 10 m.`);
    else if (!isInside([column.x, column.y], outline)) add(`columns[${i}].x`, `The middle of column ${name} does not lie under the slab.`);
    if (![column.below, column.above].every((height) => height >= 0 && height <= 50_000))
      add(`columns[${i}].below`, 'A storey is at most 50 m high; 0 is none.');
    const own = columnAt(column);
    const other = columns.findIndex((o, k) => k < i && (loopsMeet(columnAt(o), own) || isInsideLoop([o.x, o.y], own)));
    if (other >= 0) add(`columns[${i}].x`, `Column ${name} stands on column ${columns[other]!.name || other + 1}.`);
  });
}

/** The field and the reason where a load does not lie on the slab. */
function loadFault(load: PlateLoad, outline: Outline): readonly [string, string] | undefined {
  switch (load.type) {
    case 'uniform':
      return undefined;
    case 'area': {
      if (!(Math.abs(load.x2 - load.x1) >= 1 && Math.abs(load.y2 - load.y1) >= 1)) return ['x1', 'The area of this load is nothing.'];
      const area = rectangleOf(load);
      const meets = loopsMeet(area, outline.outer) || isInsideLoop(area[0]!, outline.outer) || isInsideLoop(outline.outer[0]!, area);
      return meets ? undefined : ['x1', 'This load does not lie on the slab.'];
    }
    case 'line': {
      if (!(Math.hypot(load.x2 - load.x1, load.y2 - load.y1) >= SHORTEST_EDGE)) return ['x1', 'This line has no length.'];
      const onSlab = Array.from({ length: 41 }, (_, k) => (k + 0.5) / 41).some((t) =>
        isInside([load.x1 + t * (load.x2 - load.x1), load.y1 + t * (load.y2 - load.y1)], outline),
      );
      return onSlab ? undefined : ['x1', 'This load does not lie on the slab.'];
    }
    case 'point':
      return isInside([load.x1, load.y1], outline) ? undefined : ['x1', 'This load does not lie on the slab.'];
  }
}
