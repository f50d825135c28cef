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

/** Rounding may take this part of a value from it; a small one gets up to two more decimals. */
const MOST_ROUNDED = 0.05;
const MORE_DECIMALS = 2;

/** Decimals that keep a value recognisable: those usual for its kind, and more where they would round it to something else. */
function decimalsFor(value: number, usual: number): number {
  const isKept = (decimals: number) => Math.abs(Number(value.toFixed(decimals)) - value) <= MOST_ROUNDED * Math.abs(value);
  for (let more = 0; more <= MORE_DECIMALS; more += 1) if (isKept(usual + more)) return usual + more;
  // What is still nothing then is noise.
  return Number(value.toFixed(usual + MORE_DECIMALS)) === 0 ? usual : usual + MORE_DECIMALS;
}

/** The number alone, in the display unit of its kind, with `decimals` or more where it is small. `value` is in internal units. */
export function formatValue(value: number, kind: QuantityKind, system: UnitSystem, decimals?: number): string {
  const d = displayUnit(kind, system);
  const shown = value / d.unit.factor;
  return formatNumber(shown, Number.isFinite(shown) ? decimalsFor(shown, decimals ?? d.decimals) : 0);
}

/** Number and unit. `value` is in internal units. */
export function formatQuantity(value: number, kind: QuantityKind, system: UnitSystem, decimals?: number): string {
  const name = unitLabel(kind, system);
  const text = formatValue(value, kind, system, decimals);
  return name ? `${text}${name === '%' || name === '°' ? '' : ' '}${name}` : text;
}

/** A value as it is put into a field for editing: no grouping, no needless zeros, six figures and at least two decimals. */
export function formatForEditing(value: number, kind: QuantityKind, system: UnitSystem): string {
  if (!Number.isFinite(value)) return '';
  const { unit } = displayUnit(kind, system);
  const shown = value / unit.factor;
  const whole = Math.floor(Math.log10(Math.abs(shown) || 1)) + 1;
  return String(Number(shown.toPrecision(Math.min(15, Math.max(6, whole + 2)))));
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
  Nmm2: 'N mm²',
  kNm2: 'kNm²',
  'lb-in2': 'lb in²',
  'kip-in2': 'kip in²',
  'kip-in': 'kip in',
  'lb-ft': 'lb ft',
};

/** A unit's name as it is printed. */
export const prettyUnit = (name: string): string => pretty[name] ?? name;

export function unitLabel(kind: QuantityKind, system: UnitSystem): string {
  return prettyUnit(displayUnit(kind, system).unit.name);
}

/** A number with its noun: "1 member", "3 members". */
export const counted = (n: number, noun: string): string => `${n} ${noun}${n === 1 ? '' : 's'}`;

/** A utilisation as it is shown: two decimals, three where two would hide that the limit is passed. */
export function formatUtilisation(u: number | null): string {
  if (u === null || !Number.isFinite(u)) return '–';
  if (u > 99.995) return '> 99';
  return u > 1 && u < 1.005 ? u.toFixed(3) : u.toFixed(2);
}
