import { parseQuantity, shorten } from './parse';
import type { QuantityKind } from './quantity';
import { findUnit, getUnit, sameDimension } from './unit';

/** The units of plain numbers in a project file, by kind; written into every file. */
export const fileUnitDefaults = {
  length: 'mm',
  force: 'kN',
  lineLoad: 'kN/m',
  areaLoad: 'kN/m2',
  moment: 'kNm',
  stress: 'MPa',
  density: 'kg/m3',
  unitWeight: 'kN/m3',
  springVertical: 'kN/m',
  springRotation: 'kNm/rad',
  springLine: 'kN/m2',
  turningLine: 'kNm/rad/m',
} as const;

export type FileUnits = Readonly<Record<keyof typeof fileUnitDefaults, string>>;
export type FileQuantity = keyof typeof fileUnitDefaults;

/** Plain numbers beyond this are no quantity of a building: in other units they could not be held. */
export const MOST_NUMBER = 1e15;

/** Reads a number or a text with a unit into internal units; the reason as text when that fails. */
export function readFileQuantity(raw: unknown, kind: FileQuantity, units: FileUnits): number | string {
  const unit = getUnit(units[kind]);
  if (typeof raw === 'number') return Math.abs(raw) <= MOST_NUMBER ? raw * unit.factor : 'must be a finite number';
  if (typeof raw !== 'string') return 'must be a number, or a text such as "14 in"';
  const parsed = parseQuantity(raw, kind as QuantityKind, 'SI', unit);
  return parsed.ok ? parsed.value : parsed.reason;
}

/** A value as it is written to a file: in the default units, without the noise of conversion. */
export function writeFileQuantity(value: number, kind: FileQuantity): number {
  return Number((value / getUnit(fileUnitDefaults[kind]).factor).toPrecision(12));
}

/** Faults in the units block of a file. */
export function readFileUnits(raw: unknown): {
  readonly units: FileUnits;
  readonly faults: { readonly path: string; readonly reason: string }[];
} {
  const units: Record<string, string> = { ...fileUnitDefaults };
  const faults: { path: string; reason: string }[] = [];
  if (raw === undefined) return { units: units as FileUnits, faults };
  if (typeof raw !== 'object' || raw === null || Array.isArray(raw))
    return { units: units as FileUnits, faults: [{ path: 'units', reason: 'must be an object of units' }] };
  for (const [kind, name] of Object.entries(raw)) {
    if (!Object.hasOwn(fileUnitDefaults, kind)) continue;
    const unit = typeof name === 'string' ? findUnit(name) : undefined;
    if (unit && sameDimension(unit.dimension, getUnit(units[kind]!).dimension)) units[kind] = unit.name;
    else
      faults.push({
        path: `units.${kind}`,
        reason: typeof name === 'string' ? `"${shorten(name)}" is not a unit of ${kind}` : 'must be the name of a unit',
      });
  }
  return { units: units as FileUnits, faults };
}
