import type { DesignCode } from '../../codes/design-code';
import { slabSides } from '../../geometry/control-perimeter';
import { isInsideLoop, type Loop } from '../../geometry/polygon';
import { catalogues, findBar } from '../../materials/bars';
import type { Fault } from '../../checks/fault';
import { materialFaults } from '../parts/material-faults';
import { columnLoop, columnSize, depthsOf, openingLoop, type PunchingInput } from './input';

type Add = (path: string, reason: string) => void;

/** Everything that stops a design, each fault at its field. */
export function punchingFaults(p: PunchingInput, code: DesignCode): Fault[] {
  const faults: Fault[] = materialFaults(p, code);
  const add: Add = (path, reason) => faults.push({ path, reason });
  sizeFaults(p, add);
  barFaults(p, add);
  if (faults.length === 0 && !(depthsOf(p).d > 40)) add('h', 'Cover and bars leave no effective depth in this slab.');
  edgeFaults(p, add);
  baseFaults(p, add);
  openingFaults(p, add);
  forceFaults(p, add);
  if (p.legs) legFaults(p, add);
  if (p.ties) tieFaults(p.ties, p, add);
  return faults;
}

function sizeFaults(p: PunchingInput, add: Add): void {
  if (!(p.h >= 100 && p.h <= 3000)) add('h', 'A slab is 100 mm to 3 m deep here.');
  if (!(p.cover >= 5 && p.cover <= 200)) add('cover', 'The cover must lie between 5 and 200 mm.');
  const { column } = p;
  const { cx, cy } = columnSize(column);
  if (!(Math.min(cx, cy) >= 100 && Math.max(cx, cy) <= 5000)) add('column', 'A column is 100 mm to 5 m wide here.');
  if (column.kind === 'L' && !(column.tx > 0 && column.tx < column.b && column.ty > 0 && column.ty < column.h))
    add('column', 'The legs of an L must be thinner than it is wide.');
  if (p.drop && !(p.drop.cx >= cx && p.drop.cy >= cy)) add('drop', 'The thicker part must be at least as wide as the column.');
  if (p.drop && !(p.drop.depth > 0 && p.drop.depth <= 3000)) add('drop.depth', 'The thicker part needs a depth below the slab.');
  if (!(p.inPlane >= -10 && p.inPlane <= 10)) add('inPlane', 'A mean stress in the slab lies between -10 and 10 MPa.');
  if (p.momentsBy === 'given' && !(p.beta >= 1 && p.beta <= 5)) add('beta', 'The factor on the shear lies between 1 and 5.');
}

function tieFaults({ size, spacing, beam }: NonNullable<PunchingInput['ties']>, { catalogue, h }: PunchingInput, add: Add): void {
  if (!findBar(catalogues[catalogue], size)) add('ties.size', `No bar "${size}" among ${catalogues[catalogue].title} bars.`);
  if (!(spacing >= 40 && spacing <= 1000)) add('ties.spacing', 'Closed ties stand 40 mm to 1 m apart.');
  if (!beam) return;
  if (!(beam.b >= 100 && beam.b <= 3000)) add('ties.beam.b', 'The beam along the edge is 100 mm to 3 m wide.');
  if (!(beam.depth >= h && beam.depth <= 5000))
    add('ties.beam.depth', 'The beam along the edge is at least as deep as the slab, and at most 5 m.');
}

/** A footing carries by its depth alone, with the column in its middle. */
function baseFaults({ base, column, legs, drop, openings }: PunchingInput, add: Add): void {
  if (!base) return;
  const { cx, cy } = columnSize(column);
  if (!(base.b > cx + 100 && base.b <= 20_000)) add('base.b', 'A footing must be wider than its column, and at most 20 m.');
  if (!(base.h > cy + 100 && base.h <= 20_000)) add('base.h', 'A footing must be wider than its column, and at most 20 m.');
  if (legs) add('legs', 'Legs in footings are not covered: take them out, or make it deeper.');
  if (drop) add('drop', 'A footing has no thicker part here: give its depth.');
  if (openings.length > 0) add('openings', 'Openings in footings are not covered.');
}

function barFaults(p: PunchingInput, add: Add): void {
  const catalogue = catalogues[p.catalogue];
  for (const key of ['barsX', 'barsY'] as const) {
    const bars = p[key];
    for (const [field, size] of [
      ['size', bars.size],
      ['alternate', bars.alternate ?? bars.size],
    ] as const)
      if (!findBar(catalogue, size)) add(`${key}.${field}`, `No bar "${size}" among ${catalogue.title} bars.`);
    if (!(bars.spacing >= 40 && bars.spacing <= 1000))
      add(`${key}.spacing`, 'Top bars stand 40 mm to 1 m apart; without them nothing can be checked.');
  }
}

function edgeFaults(p: PunchingInput, add: Add): void {
  for (const side of slabSides) {
    const distance = p.edges[side];
    if (distance !== null && !(distance >= 0))
      add(`edges.${side}`, 'The column stands off the slab: the distance to the edge is measured from its face, 0 or more.');
  }
  if (!p.corner) return;
  const { x, y } = p.corner;
  const { cx, cy } = columnSize(p.column);
  if (Math.abs(x) < cx / 2 - 0.5 && Math.abs(y) < cy / 2 - 0.5) add('corner', 'The corner of the slab lies within the column.');
}

const meet = (a: Loop, b: Loop) => a.some((q) => isInsideLoop(q, b)) || b.some((q) => isInsideLoop(q, a));

function openingFaults(p: PunchingInput, add: Add): void {
  const column = columnLoop(p.column);
  p.openings.forEach((o, i) => {
    const size = o.kind === 'rectangle' ? Math.min(o.b, o.h) : o.diameter;
    if (!(size > 0)) add(`openings[${i}]`, 'An opening needs a size.');
    else if (meet(openingLoop(o), column) || isInsideLoop([0, 0], openingLoop(o)))
      add(`openings[${i}]`, 'The opening lies over the column.');
  });
}

function forceFaults(p: PunchingInput, add: Add): void {
  if (p.sets.length === 0) add('sets', 'No forces yet: give the shear that the column takes from the slab.');
  p.sets.forEach((s, i) => {
    if (!(s.V > 0)) add(`sets[${i}].V`, 'The shear must be above zero: it acts from the slab on the column.');
  });
}

function legFaults(p: PunchingInput, add: Add): void {
  const legs = p.legs!;
  if (!findBar(catalogues[p.catalogue], legs.size)) add('legs.size', `No bar "${legs.size}" among ${catalogues[p.catalogue].title} bars.`);
  if (!(Number.isInteger(legs.legs) && legs.legs >= 4 && legs.legs <= 200)) add('legs.legs', 'A perimeter has 4 to 200 legs.');
  if (!(Number.isInteger(legs.perimeters) && legs.perimeters >= 1 && legs.perimeters <= 40))
    add('legs.perimeters', 'There are 1 to 40 perimeters of legs.');
  if (!(legs.first >= 10 && legs.first <= 2000)) add('legs.first', 'The first legs stand 10 mm to 2 m from the column.');
  if (!(legs.spacing >= 20 && legs.spacing <= 2000)) add('legs.spacing', 'Perimeters of legs stand 20 mm to 2 m apart.');
}
