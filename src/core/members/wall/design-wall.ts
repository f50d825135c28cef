import type { Quantities } from '../../checks/result';
import { derive, silent, type Calc } from '../../calc/calc';
import type { DesignCode, Limit } from '../../codes/design-code';
import { barMass, catalogues, findBar } from '../../materials/bars';
import type { QuantityKind } from '../../units/quantity';
import { formatQuantity } from '../../units/format';
import { makeCheck, type DerivableCheck } from '../../checks/check';
import { atOnce, type DesignOptions, type Steps } from '../../job';
import { nowhere, type ColumnBasis } from '../column/checks';
import { uprightSteps } from '../column/design-column';
import { leastClear } from '../../reinforcement/column-bars';
import { emptyColumnResult, type ColumnResult } from '../column/result';
import { wallAsColumn } from './as-column';
import { wallFaults } from './faults';
import { wallLength, type WallInput } from './input';

/** Designs a wall from its input alone: strength with second order as a column's, then the rules of walls for both meshes. */
export function* wallSteps(wall: WallInput, code: DesignCode, options: DesignOptions): Steps<ColumnResult> {
  const faults = wallFaults(wall, code);
  if (faults.length > 0) return emptyColumnResult('wall', faults);
  return yield* uprightSteps(
    'wall',
    wallAsColumn(wall, code),
    code,
    options,
    (basis) => meshChecks(wall, basis),
    () => wallQuantities(wall),
  );
}

/** The same at once. */
export const designWall = (wall: WallInput, code: DesignCode, options: DesignOptions): ColumnResult =>
  atOnce(wallSteps(wall, code, options));

/** Least and most steel both ways, spacings, and links where there is much steel. */
function meshChecks(wall: WallInput, { code, model, units }: ColumnBasis): DerivableCheck[] {
  const area = model.section.gross.area;
  const vertical = model.section.steelArea;
  const h = findBar(catalogues[wall.catalogue], wall.horizontal.size)!;
  // Horizontal steel per height equal to the length, so that both meshes are compared with the same area of concrete.
  const horizontal = (2 * h.area * wallLength(wall)) / wall.horizontal.spacing;
  const rules = (c: Calc) => code.column.wallSteel(c, area, vertical, wall.thickness);
  const r = rules(silent);
  const show = (v: number, kind: QuantityKind) => formatQuantity(v, kind, units);
  const make = (id: string, title: string, limit: Limit, demand: number, capacity: number, kind: QuantityKind, what: string) =>
    makeCheck(
      {
        id,
        family: 'detailing',
        title,
        clause: limit.clause,
        demand: { value: demand, kind },
        capacity: { value: capacity, kind },
        utilisation: demand / capacity,
        place: nowhere,
        ...(demand > capacity * 1.0005 ? { reason: `${what}: ${show(demand, kind)} against ${show(capacity, kind)}.` } : {}),
      },
      () => derive((c) => void rules(c)),
    );
  const gap = leastClear(model.bars);
  const clear = code.column.clearSpacing(model.bars[0]!.diameter, wall.materials.aggregateSize);
  return [
    make(
      'least-vertical',
      'Least vertical steel',
      r.leastVertical,
      r.leastVertical.value,
      vertical,
      'area',
      'Vertical bars needed and there',
    ),
    ...(Number.isFinite(r.mostVertical.value)
      ? [
          make(
            'most-vertical',
            'Most vertical steel',
            r.mostVertical,
            vertical,
            r.mostVertical.value,
            'area',
            'Vertical bars there and allowed',
          ),
        ]
      : []),
    make(
      'least-horizontal',
      'Least horizontal steel',
      r.leastHorizontal,
      r.leastHorizontal.value,
      horizontal,
      'area',
      'Horizontal bars needed and there',
    ),
    make(
      'vertical-spacing',
      'Spacing, vertical bars',
      r.verticalSpacing,
      wall.vertical.spacing,
      r.verticalSpacing.value,
      'length',
      'Spacing and its limit',
    ),
    make(
      'horizontal-spacing',
      'Spacing, horizontal',
      r.horizontalSpacing,
      wall.horizontal.spacing,
      r.horizontalSpacing.value,
      'length',
      'Spacing and its limit',
    ),
    make('clear-spacing', 'Clear distance of bars', clear, clear.value, gap.clear, 'smallLength', 'Clear distance needed and there'),
    makeCheck({
      id: 'links-through',
      family: 'detailing',
      title: 'Links through the wall',
      clause: code.column.wallLinks.clause,
      demand: { value: vertical / area, kind: 'percent' },
      capacity: { value: code.column.wallLinks.value, kind: 'percent' },
      utilisation: vertical / area / code.column.wallLinks.value,
      place: nowhere,
      ...(vertical / area > code.column.wallLinks.value
        ? { reason: 'So much vertical steel needs links through the wall: they are not designed here.' }
        : {}),
    }),
  ];
}

/** Concrete, steel and formwork of the wall or of its metre over the clear height; without laps. */
function wallQuantities(wall: WallInput): Quantities {
  const catalogue = catalogues[wall.catalogue];
  const length = wallLength(wall);
  const mesh = (m: WallInput['vertical'], bar: number, across: number) =>
    (2 * barMass(findBar(catalogue, m.size)!.area) * bar * across) / m.spacing;
  return {
    concrete: length * wall.thickness * wall.height,
    bars: mesh(wall.vertical, wall.height, length),
    links: mesh(wall.horizontal, length, wall.height),
    formwork: 2 * length * wall.height,
  };
}
