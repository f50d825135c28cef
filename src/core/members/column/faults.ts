import { SELF_WEIGHT } from '../../analysis/combination';
import type { DesignCode } from '../../codes/design-code';
import { MOST_FREE, overfullCombination } from './load-sets';
import { boundsOf, crossingEdges, distanceToEdges, isInside, isInsideLoop, loopsMeet, signedArea } from '../../geometry/polygon';
import { outlineOfShape, type SectionShape } from '../../geometry/section-shapes';
import { catalogues, findBar } from '../../materials/bars';
import { leastClear, placeColumnBars } from '../../reinforcement/column-bars';
import type { Fault } from '../../checks/fault';
import { caseFaults } from '../parts/case-faults';
import { materialFaults } from '../parts/material-faults';
import { endFaults } from './ends';
import type { ColumnAxis, ColumnForces, ColumnInput } from './input';

type Add = (path: string, reason: string) => void;

/** Checks everything about a column that the shape of the file cannot: each fault at its field. */
export function columnFaults(column: ColumnInput, code: DesignCode): Fault[] {
  const faults: Fault[] = [];
  const add: Add = (path, reason) => faults.push({ path, reason });
  materialFaults(column, code).forEach((f) => add(f.path, f.reason));
  shapeFaults(column.shape, add);
  frameFaults(column, code, add);
  if (!(column.height >= 200 && column.height <= 60_000)) add('height', 'The clear height must lie between 0.2 and 60 m.');
  if (!(column.cover >= 5 && column.cover <= 300)) add('cover', 'The cover must lie between 5 and 300 mm; it is measured to the ties.');
  if (!(column.crackLimit >= 0.01 && column.crackLimit <= 10))
    add('crackLimit', 'The crack width allowed must lie between 0.01 and 10 mm.');
  if (!(column.steelLimit > 0 && column.steelLimit <= 1))
    add('steelLimit', 'The maximum reinforcement must lie above 0 and not above 100 %.');
  axisFaults(column.axes.x, 'axes.x', add);
  axisFaults(column.axes.y, 'axes.y', add);
  tieFaults(column, add);
  if (faults.length === 0) barFaults(column, add);
  loadFaults(column, code, add);
  return faults;
}

/** A class of frame asks for materials, and for an axial force that may be. */
function frameFaults({ frame, frameJoints, materials }: ColumnInput, code: DesignCode, add: Add): void {
  if (frame === undefined || frame === 'none' || !frameJoints) return;
  const reason = code.frames.columns(frame)?.materialFault(materials);
  if (reason) add('frame', reason);
  const { most, least } = frameJoints;
  if (most !== null && least !== null && least > most) add('frameJoints.least', 'The least axial force must not be above the largest.');
  for (const end of ['top', 'foot'] as const)
    for (const axis of ['x', 'y'] as const)
      for (const key of ['beams', 'yielding', 'beyond'] as const) {
        const value = frameJoints[end][axis][key];
        if (value !== null && !(value >= 0)) add(`frameJoints.${end}.${axis}.${key}`, 'A strength is not below zero.');
      }
}

function shapeFaults(s: SectionShape, add: Add): void {
  const inRange = (key: string, value: number, low: number, high: number, name: string) => {
    if (!(value >= low && value <= high)) add(`shape.${key}`, `${name} must lie between ${Math.round(low)} and ${Math.round(high)} mm.`);
  };
  switch (s.kind) {
    case 'circle':
    case 'ring':
      inRange('diameter', s.diameter, 100, 6000, 'The diameter');
      if (s.kind === 'ring') inRange('wall', s.wall, 50, s.diameter / 2 - 10, 'The thickness of the ring');
      return;
    case 'free':
      return freeFaults(s, add);
    default:
      inRange('b', s.b, 80, 30_000, 'The width');
      inRange('h', s.h, 80, 30_000, 'The depth');
  }
  if (s.kind === 'L' || s.kind === 'cross') {
    inRange('tx', s.tx, 60, s.b - 1, 'The thickness of the upright leg');
    inRange('ty', s.ty, 60, s.h - 1, 'The thickness of the lying leg');
  }
  if (s.kind === 'T' || s.kind === 'I') {
    inRange('web', s.web, 60, s.b - 1, 'The web');
    inRange('flange', s.flange, 60, s.kind === 'I' ? s.h / 2 - 1 : s.h - 1, 'The flange');
  }
}

function freeFaults(s: SectionShape & { kind: 'free' }, add: Add): void {
  if (s.outer.length < 3) return add('shape.outer', 'An outline needs at least three corners.');
  if ([s.outer, ...s.holes].some((loop) => loop.some((p) => !p.every(Number.isFinite))))
    return add('shape.outer', 'A coordinate is not a number.');
  const crossing = crossingEdges(s.outer);
  if (crossing)
    return add(
      'shape.outer',
      `The outline crosses itself: the edges from corner ${crossing[0] + 1} and from corner ${crossing[1] + 1} meet.`,
    );
  if (Math.abs(signedArea(s.outer)) < 1e3) return add('shape.outer', 'The outline encloses no area to speak of.');
  const { left, right, bottom, top } = boundsOf(s.outer);
  if (right - left > 30_000 || top - bottom > 30_000) add('shape.outer', 'The outline is wider than 30 m: are the coordinates in mm?');
  s.holes.forEach((hole, i) => {
    const path = `shape.holes[${i}]`;
    if (hole.length < 3) add(path, 'A hole needs at least three corners.');
    else if (crossingEdges(hole)) add(path, `Hole ${i + 1} crosses itself.`);
    else if (loopsMeet(hole, s.outer) || !hole.every((p) => isInsideLoop(p, s.outer)))
      add(path, `Hole ${i + 1} is not inside the outline.`);
    else if (s.holes.some((other, k) => k < i && (loopsMeet(hole, other) || isInsideLoop(hole[0]!, other))))
      add(path, `Hole ${i + 1} overlaps another hole.`);
  });
}

function axisFaults(a: ColumnAxis, path: string, add: Add): void {
  if (a.clear !== null && !(a.clear >= 100 && a.clear <= 60_000)) add(`${path}.clear`, 'The clear height must lie between 0.1 and 60 m.');
  if (a.mode === 'factor' && !(a.factor > 0.05 && a.factor <= 20))
    add(`${path}.factor`, 'The effective length must be more than zero: a factor between 0.05 and 20.');
  if (a.mode === 'length' && !(a.length >= 50 && a.length <= 200_000))
    add(`${path}.length`, 'The effective length must be more than zero: between 50 mm and 200 m.');
  if (a.mode !== 'ends') return;
  for (const end of ['top', 'bottom'] as const)
    for (const { part, reason } of endFaults(a[end], end === 'top' ? 'top' : 'foot', false)) add(`${path}.${end}${part}`, reason);
  const free = (['top', 'bottom'] as const).filter((end) => a[end].kind === 'free');
  const loose = (['top', 'bottom'] as const).filter((end) => a[end].kind === 'pinned' || a[end].kind === 'free');
  if (a.isBraced && free.length > 0) add(`${path}.${free[0]}`, 'A braced column has no free end: make it pinned, or the column unbraced.');
  if (!a.isBraced && loose.length === 2) add(`${path}.top`, 'An unbraced column needs an end that holds it: this is a mechanism.');
}

function tieFaults({ ties, catalogue }: ColumnInput, add: Add): void {
  if (!findBar(catalogues[catalogue], ties.size)) add('ties.size', `No bar "${ties.size}" among ${catalogues[catalogue].title} bars.`);
  const inRange = (v: number) => v >= 25 && v <= 1000;
  if (!inRange(ties.spacing)) add('ties.spacing', 'The spacing of ties must lie between 25 and 1000 mm.');
  if (ties.spacingEnds !== null && !inRange(ties.spacingEnds))
    add('ties.spacingEnds', 'The spacing of ties must lie between 25 and 1000 mm.');
  if (ties.cross !== null && !(Number.isInteger(ties.cross) && ties.cross >= 0 && ties.cross <= 60))
    add('ties.cross', 'The number of cross ties is a whole number from 0 to 60.');
}

function barFaults(column: ColumnInput, report: Add): void {
  let isSound = true;
  const add: Add = (path, reason) => {
    isSound = false;
    report(path, reason);
  };
  const catalogue = catalogues[column.catalogue];
  const b = column.bars;
  const size = (path: string, name: string) => {
    if (!findBar(catalogue, name)) add(path, `No bar "${name}" among ${catalogue.title} bars.`);
  };
  const count = (path: string, value: number, least: number) => {
    if (!(Number.isInteger(value) && value >= least && value <= 200))
      add(path, `The number of bars is a whole number from ${least} to 200.`);
  };
  if (b.kind === 'sides') {
    size('bars.corner', b.corner);
    count('bars.alongX', b.alongX, 0);
    count('bars.alongY', b.alongY, 0);
    if (b.alongX > 0) size('bars.sizeX', b.sizeX);
    if (b.alongY > 0) size('bars.sizeY', b.sizeY);
  } else if (b.kind === 'list') b.bars.forEach((l, i) => size(`bars.bars[${i}].size`, l.size));
  else size('bars.size', b.size);
  if (b.kind === 'ring') count('bars.count', b.count, 3);
  if (b.kind === 'outline' && !(b.spacing >= 40 && b.spacing <= 1000))
    add('bars.spacing', 'The spacing of bars must lie between 40 and 1000 mm.');
  const tie = findBar(catalogue, column.ties.size);
  // Only a layout that can be is placed: a billion bars are not.
  if (tie && isSound) placedFaults(column, placeColumnBars(column.shape, b, column.cover, tie.diameter, catalogue), add);
}

function placedFaults(column: ColumnInput, placed: ReturnType<typeof placeColumnBars>, add: Add): void {
  if (placed.length === 0) return add('bars', 'There are no bars: a column needs at least three, not in one line.');
  if (placed.length < 3)
    return add('bars', `${placed.length === 1 ? 'One bar is' : 'Two bars are'} too few: a column needs at least three, not in one line.`);
  const outline = outlineOfShape(column.shape);
  const name = (i: number) => (column.bars.kind === 'list' ? `Bar ${i + 1}` : 'A bar');
  const path = (i: number) => (column.bars.kind === 'list' ? `bars.bars[${i}]` : 'bars');
  placed.forEach((bar, i) => {
    const at = `(${Math.round(bar.x)}, ${Math.round(bar.y)})`;
    if (!isInside([bar.x, bar.y], outline)) add(path(i), `${name(i)} at ${at} lies outside the concrete.`);
    else if (distanceToEdges([bar.x, bar.y], outline) < bar.diameter / 2) add(path(i), `${name(i)} at ${at} sticks out of the concrete.`);
  });
  const { clear, pair } = leastClear(placed);
  if (clear < -1e-6) {
    const gap = Math.hypot(placed[pair[0]]!.x - placed[pair[1]]!.x, placed[pair[0]]!.y - placed[pair[1]]!.y);
    const what = gap < 1 ? 'stand in the same place' : 'overlap';
    add(path(pair[1]), `Bars ${pair[0] + 1} and ${pair[1] + 1} ${what}.`);
  }
  const [a, b] = [placed[0]!, placed[1]!];
  if (placed.every((p) => Math.abs((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) < 1)) add('bars', 'All bars stand in one line.');
}

function weightFaults({ selfWeight, weightFactor, mode, sets, cases }: ColumnInput, add: Add): void {
  if (!selfWeight) return;
  if (mode === 'cases' && cases.some((c) => c.id === SELF_WEIGHT))
    add('selfWeight', 'The own weight is the case "SW": give the case that is called so another name.');
  if (mode === 'cases' || !sets.some((s) => s.kind === 'ultimate')) return;
  if (weightFactor === null) add('weightFactor', 'Say the factor on the own weight in sets that are factored already.');
  else if (!(weightFactor >= 0 && weightFactor <= 3)) add('weightFactor', 'The factor on the own weight lies between 0 and 3.');
}

const forceKeys = [
  'N',
  'mxTop',
  'mxBottom',
  'myTop',
  'myBottom',
  'vx',
  'vy',
  'torsion',
  'nBottom',
  'vxBottom',
  'vyBottom',
] as const satisfies readonly (keyof ColumnForces)[];

function loadFaults(column: ColumnInput, code: DesignCode, add: Add): void {
  weightFaults(column, add);
  const rows = column.mode === 'sets' ? column.sets : column.caseForces;
  const list = column.mode === 'sets' ? 'sets' : 'caseForces';
  if (rows.length === 0) return add(list, 'No forces yet: type a load set, or paste a table.');
  rows.forEach((row, i) =>
    forceKeys.forEach((key) => {
      if (!Number.isFinite(row[key] ?? 0)) add(`${list}[${i}].${key}`, 'A force is not a number.');
    }),
  );
  if (column.mode === 'sets')
    column.sets.forEach((s, i) => {
      if (s.sustained !== null && !(s.sustained >= 0 && s.sustained <= 1))
        add(`sets[${i}].sustained`, 'The sustained part lies between 0 and 1.');
      if (s.sway !== null && !(s.sway >= 0 && s.sway <= 1)) add(`sets[${i}].sway`, 'The part that comes with sway lies between 0 and 1.');
    });
  else {
    for (const { path, reason } of caseFaults(column, code)) add(path, reason);
    column.caseForces.forEach((f, i) => {
      if (!column.cases.some((k) => k.id === f.case)) add(`caseForces[${i}].case`, `There is no load case "${f.case}".`);
    });
    const overfull = overfullCombination(column, code);
    if (overfull)
      add(
        'cases',
        `Combination ${overfull.id} has more than ${MOST_FREE} variable cases: too many to try each with and without all others. Put together those that act together, or type load sets.`,
      );
  }
  if (column.sustained !== null && !(column.sustained >= 0 && column.sustained <= 1))
    add('sustained', 'The sustained part lies between 0 and 1.');
}
