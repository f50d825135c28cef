import type { Measured } from '../checks/check';
import { displayUnit, type QuantityKind, type UnitSystem } from '../units/quantity';

/** A number as results hold it, null where there is none that is finite. */
export const finite = (v: number | null): number | null => (v !== null && Number.isFinite(v) ? v : null);

/** A value beside its unit, in the units in which the project is shown. */
export function measured(m: Measured | null, system: UnitSystem): { readonly value: number | null; readonly unit: string } | null {
  if (!m) return null;
  const { unit } = displayUnit(m.kind, system);
  return { value: finite(m.value / unit.factor), unit: unit.name };
}

/** The same for values of one kind. */
export const measure = (kind: QuantityKind, system: UnitSystem) => (value: number) => measured({ value, kind }, system);

/** A curve in the unit shown, with so many digits. */
export const curve = (values: ArrayLike<number>, kind: QuantityKind, system: UnitSystem, digits: number): (number | null)[] => {
  const { factor } = displayUnit(kind, system).unit;
  return Array.from(values, (v) => finite(Number((v / factor).toPrecision(digits))));
};
