import type { DesignCode } from '../../codes/design-code';
import type { Fault } from '../../checks/fault';
import { crossingEdges, isInside, isInsideLoop, loopsMeet, signedArea, type Loop } from '../../geometry/polygon';
import { slabBarFaults } from '../../reinforcement/slab-bars';
import { caseFaults } from '../parts/case-faults';
import { materialFaults } from '../parts/material-faults';
import { barsAt, edgeAt, layers, outlineOf, type PlateInput } from './input';

type Add = (path: string, reason: string) => void;

/** Checks everything about a slab that the shape of the file cannot: each fault at its field. */
export function plateFaults(plate: PlateInput, code: DesignCode): Fault[] {
  const faults: Fault[] = materialFaults(plate.materials, code);
  const add: Add = (path, reason) => faults.push({ path, reason });
  depthFaults(plate, add);
  outlineFaults(plate, add);
  if (faults.length === 0) insideFaults(plate, add);
  if (!plate.outline.some((c) => c.edge !== 'free') && plate.walls.length === 0)
    add('outline[0].edge', 'Nothing holds the slab: hold an edge.');
  if (!(plate.poisson >= 0 && plate.poisson <= 0.3)) add('poisson', "Poisson's ratio of a slab lies between 0 and 0.3.");
  if (plate.meshSize !== null && !(plate.meshSize >= 20 && plate.meshSize <= 5000))
    add('meshSize', 'Sides of triangles are 20 mm to 5 m long.');
  faults.push(...caseFaults(plate.cases, code));
  const ids = new Set(plate.cases.map((c) => c.id));
  plate.loads.forEach((l, i) => {
    if (!ids.has(l.case)) add(`loads[${i}].case`, `There is no load case "${l.case}".`);
  });
  for (const layer of layers) faults.push(...slabBarFaults(`bars.${layer.face}.${layer.along}`, barsAt(plate, layer), plate.catalogue));
  return faults;
}

function depthFaults({ h, cover }: PlateInput, add: Add): void {
  if (!(h >= 60 && h <= 3000)) add('h', 'The depth of a slab must lie between 60 mm and 3 m.');
  else if (cover.top + cover.bottom + 40 > h) add('cover.bottom', `The covers leave no room in a depth of ${Math.round(h)} mm.`);
  for (const face of ['top', 'bottom'] as const)
    if (!(cover[face] >= 5 && cover[face] <= 300))
      add(`cover.${face}`, 'A cover must lie between 5 and 300 mm; it is measured to the outer bars.');
}

/** Shorter edges (mm) are a slip of the hand. */
const SHORTEST_EDGE = 20;
const LARGEST = 200_000;

function outlineFaults(plate: PlateInput, add: Add): void {
  const { outer } = outlineOf(plate);
  if (outer.length < 3) return add('outline', 'An outline has at least three corners.');
  outer.forEach(([x, y], i) => {
    if (!(Math.abs(x) <= LARGEST && Math.abs(y) <= LARGEST)) add(`outline[${i}].x`, 'A corner lies within 200 m of the origin.');
    const [a, b] = edgeAt(plate, i);
    if (!(Math.hypot(b[0] - a[0], b[1] - a[1]) >= SHORTEST_EDGE)) add(`outline[${i}].x`, 'This corner lies on the next one.');
  });
  const crossing = crossingEdges(outer);
  if (crossing) add(`outline[${crossing[0]}].x`, `The edges from corners ${crossing[0] + 1} and ${crossing[1] + 1} cross each other.`);
  else if (!(Math.abs(signedArea(outer)) >= 0.25e6)) add('outline', 'The slab has less than a quarter of a square metre.');
}

function insideFaults(plate: PlateInput, add: Add): void {
  const { outer, holes } = outlineOf(plate);
  holes.forEach((hole, i) => {
    const reason = openingFault(hole, i, outer, holes);
    if (reason) add(`openings[${i}].corners`, reason);
  });
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
