import { displayUnit, type QuantityKind, type UnitSystem } from './quantity';

const THIN = '\u202f';

/** A plain number with thin spaces between thousands; an en dash when there is no finite value. */
export function formatNumber(value: number, decimals: number): string {
  if (!Number.isFinite(value)) return '–';
  const rounded = value.toFixed(decimals);
  const [whole = '', fraction] = (Number(rounded) === 0 ? rounded.replace('-', '') : rounded).split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, THIN).replace('-', '−');
  return fraction ? `${grouped}.${fraction}` : grouped;
}

/** Drops zeros at the end of a fraction: 12.50 becomes 12.5 and 12.00 becomes 12. */
export function trimZeros(text: string): string {
  return text.includes('.') ? text.replace(/\.?0+$/, '') : text;
}

/** The number alone, in the display unit of its kind. `value` is in internal units. */
export function formatValue(value: number, kind: QuantityKind, system: UnitSystem, decimals?: number): string {
  const d = displayUnit(kind, system);
  return formatNumber(value / d.unit.factor, decimals ?? d.decimals);
}

/** Number and unit. `value` is in internal units. */
export function formatQuantity(value: number, kind: QuantityKind, system: UnitSystem, decimals?: number): string {
  const name = unitLabel(kind, system);
  const text = formatValue(value, kind, system, decimals);
  return name ? `${text}${name === '%' || name === '°' ? '' : ' '}${name}` : text;
}

/** A value as it is put into a field for editing: no grouping, no needless zeros, up to six significant decimals. */
export function formatForEditing(value: number, kind: QuantityKind, system: UnitSystem): string {
  if (!Number.isFinite(value)) return '';
  const { unit } = displayUnit(kind, system);
  return String(Number((value / unit.factor).toPrecision(9)));
}

const pretty: Record<string, string> = {
  mm2: 'mm²',
  in2: 'in²',
  m3: 'm³',
  yd3: 'yd³',
  'mm2/mm': 'mm²/mm',
  'in2/in': 'in²/in',
  'mm2/m': 'mm²/m',
  'in2/ft': 'in²/ft',
  'kN/m2': 'kN/m²',
  'kg/m3': 'kg/m³',
  'lb/yd3': 'lb/yd³',
  'kN/m3': 'kN/m³',
  'lbf/ft3': 'lbf/ft³',
  deg: '°',
  'kip-ft': 'kip ft',
  'kip-ft/ft': 'kip ft/ft',
  'kip-ft/rad': 'kip ft/rad',
  lbm: 'lb',
  mm3: 'mm³',
  mm4: 'mm⁴',
  in3: 'in³',
  in4: 'in⁴',
  'lb-in': 'lb in',
  Nmm: 'N mm',
};

/** A unit's name as it is printed. */
export const prettyUnit = (name: string): string => pretty[name] ?? name;

export function unitLabel(kind: QuantityKind, system: UnitSystem): string {
  return prettyUnit(displayUnit(kind, system).unit.name);
}

/** A utilisation as it is shown: two decimals, three where two would hide that the limit is passed. */
export function formatUtilisation(u: number | null): string {
  if (u === null || !Number.isFinite(u)) return '–';
  if (u > 99.995) return '> 99';
  return u > 1 && u < 1.005 ? u.toFixed(3) : u.toFixed(2);
}
