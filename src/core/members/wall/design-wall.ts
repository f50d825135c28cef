import { silent, type Calc } from '../../calc/calc';
import type { DesignCode, Limit } from '../../codes/design-code';
import { catalogues, findBar } from '../../materials/bars';
import type { QuantityKind } from '../../units/quantity';
import { checkInWords, type DerivableCheck } from '../../checks/check';
import { largestOf } from '../../checks/largest';
import { formatQuantity } from '../../units/format';
import { endForces } from '../column/strength';
import { compareCheck, type Compared, type Origin } from '../../checks/compare';
import { atOnce, type DesignOptions, type Steps } from '../../job';
import { nowhere, type ColumnBasis } from '../column/checks';
import { uprightSteps } from '../column/design-column';
import { wallFire } from '../column/fire';
import { leastClear } from '../../reinforcement/column-bars';
import { emptyColumnResult, type ColumnResult } from '../column/result';
import { wallAsColumn } from './as-column';
import { quantitiesOf } from '../../model/member-model';
import { wallFaults } from './faults';
import { wallLength, type WallInput } from './input';
import { wallFormwork, wallInSpace } from './model';

/** Designs a wall from its input alone: strength with second order as a column's, then the rules of walls for both meshes. */
export function* wallSteps(wall: WallInput, code: DesignCode, options: DesignOptions): Steps<ColumnResult> {
  const faults = wallFaults(wall, code);
  if (faults.length > 0) return emptyColumnResult('wall', faults);
  return yield* uprightSteps(
    'wall',
    wallAsColumn(wall, code),
    code,
    options,
    (basis) => [...meshChecks(wall, basis), ...simpleCheck(wall, basis), ...fireOf(wall, basis)],
    (model) => quantitiesOf(wallInSpace(wall, model), wallFormwork(wall)),
  );
}

/** What a short rule of the code gives for the load set that is worst for it: beside the strength as a column, which is what counts. */
function simpleCheck(wall: WallInput, { code, model, results, column, units }: ColumnBasis): DerivableCheck[] {
  const rule = code.column.simpleWall;
  if (!rule || !column.axes.x.isBraced) return [];
  const rows = results.flatMap(({ set }) => {
    const { N, top, bottom } = endForces(set, column, 'x');
    if (N <= 0) return [];
    const e = Math.max(Math.abs(top), Math.abs(bottom)) / N;
    const q = { materials: wall.materials, thickness: wall.thickness, length: wallLength(wall), height: model.axes.x.l0, e };
    return [{ set, N, limit: rule(silent, q) }];
  });
  const worst = largestOf(rows, (r) => (r.limit ? r.N / r.limit.value : Infinity));
  if (!worst) return [];
  const force = (v: number) => formatQuantity(v, 'force', units);
  const reason = worst.limit
    ? `It gives ${force(worst.limit.value)} for N of ${force(worst.N)}: ${worst.N <= worst.limit.value ? 'enough' : 'not enough'}. The strength as a column is what counts.`
    : 'It does not hold for so slender a wall, or for a load so far off its middle: the strength as a column is what counts.';
  const clause = worst.limit?.clause ?? '11.5';
  return [
    checkInWords({
      id: 'simple-wall',
      family: 'bending',
      title: 'Short rule for walls',
      clause,
      status: 'notApplicable',
      place: nowhere,
      combination: worst.set.name,
      reason,
    }),
  ];
}

/** The vertical bars lie within the horizontal ones where these are outside. */
const fireOf = (wall: WallInput, basis: ColumnBasis): DerivableCheck[] =>
  wallFire(
    basis,
    wall.fire,
    wall.thickness,
    wall.horizontalOutside ? findBar(catalogues[wall.catalogue], wall.horizontal.size)!.diameter : 0,
  );

/** The same at once. */
export const designWall = (wall: WallInput, code: DesignCode, options: DesignOptions): ColumnResult =>
  atOnce(wallSteps(wall, code, options));

/** Least and most steel both ways, spacings, and links where there is much steel. */
function meshChecks(wall: WallInput, { code, model }: ColumnBasis): DerivableCheck[] {
  const area = model.section.gross.area;
  const vertical = model.section.steelArea;
  const h = findBar(catalogues[wall.catalogue], wall.horizontal.size)!;
  // Horizontal steel per height equal to the length, so that both meshes are compared with the same area of concrete.
  const horizontal = (2 * h.area * wallLength(wall)) / wall.horizontal.spacing;
  const rules = (c: Calc) => code.column.wallSteel(c, area, vertical, wall.thickness);
  const r = rules(silent);
  type Found = ReturnType<typeof rules>;
  const make = (id: string, title: string, limit: Limit, kind: QuantityKind, compare: (found: Found) => Compared, what: string) =>
    compareCheck({
      id,
      family: 'detailing',
      title,
      clause: limit.clause,
      place: nowhere,
      kind,
      compare: (c) => compare(rules(c)),
      fails: (demand, capacity) => `${what}: ${demand} against ${capacity}.`,
    });
  const upright: Origin = ['area of the vertical bars', 'of both faces, as typed'];
  const lying: Origin = ['area of the horizontal bars', 'of both faces, over a height equal to the length'];
  const gap = leastClear(model.bars);
  const clear = code.column.clearSpacing(model.bars[0]!.diameter, wall.materials.aggregateSize);
  return [
    make(
      'least-vertical',
      'Minimum vertical reinforcement',
      r.leastVertical,
      'area',
      (f) => ({ demand: f.leastVertical.value, capacity: vertical, capacityIs: upright }),
      'Vertical bars needed and there',
    ),
    ...(Number.isFinite(r.mostVertical.value)
      ? [
          make(
            'most-vertical',
            'Maximum vertical reinforcement',
            r.mostVertical,
            'area',
            (f) => ({ demand: vertical, demandIs: upright, capacity: f.mostVertical.value }),
            'Vertical bars there and allowed',
          ),
        ]
      : []),
    make(
      'least-horizontal',
      'Minimum horizontal reinforcement',
      r.leastHorizontal,
      'area',
      (f) => ({ demand: f.leastHorizontal.value, capacity: horizontal, capacityIs: lying }),
      'Horizontal bars needed and there',
    ),
    ...(['vertical', 'horizontal'] as const).map((way) =>
      make(
        `${way}-spacing`,
        way === 'vertical' ? 'Spacing, vertical bars' : 'Spacing, horizontal',
        r[`${way}Spacing`],
        'length',
        (f) => ({
          demand: wall[way].spacing,
          demandIs: [`spacing of the ${way} bars`, 'as typed'],
          capacity: f[`${way}Spacing`].value,
          capacityIs: ['largest spacing', 'as the code asks for this thickness'],
        }),
        'Spacing and its limit',
      ),
    ),
    compareCheck({
      id: 'clear-spacing',
      family: 'detailing',
      title: 'Clear distance of bars',
      clause: clear.clause,
      place: nowhere,
      kind: 'smallLength',
      compare: (c) => ({
        demand: code.column.clearSpacing(model.bars[0]!.diameter, wall.materials.aggregateSize, c).value,
        capacity: gap.clear,
        capacityIs: ['clear distance of the two closest bars', 'of the bars as they are laid out'],
      }),
      fails: (demand, capacity) => `Clear distance needed and there: ${demand} against ${capacity}.`,
    }),
    compareCheck({
      id: 'links-through',
      family: 'detailing',
      title: 'Links through the wall',
      clause: code.column.wallLinks.clause,
      place: nowhere,
      kind: 'percent',
      compare: () => ({
        demand: vertical / area,
        demandIs: ['vertical steel over the section', 'of both faces, as typed'],
        capacity: code.column.wallLinks.value,
        capacityIs: ['most without links', 'as the code has it'],
      }),
      fails: () => 'So much vertical steel needs links through the wall: they are not designed here.',
    }),
  ];
}
