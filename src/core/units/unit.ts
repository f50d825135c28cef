/**
 * The unit table. Inside, everything is in one consistent set: N, mm, MPa (= N/mm2), N mm, rad; mass in kg, time in days.
 * A unit is its factor to that set and its dimension as exponents of [force, length, mass, time].
 */
export type Dimension = readonly [force: number, length: number, mass: number, time: number];

export interface Unit {
  readonly name: string;
  readonly factor: number;
  readonly dimension: Dimension;
}

const LBF = 4.4482216152605; // N, exact by definition
const IN = 25.4; // mm, exact
const FT = 12 * IN;
const KIP = 1000 * LBF;
const PSI = LBF / (IN * IN);
const LB = 0.45359237; // kg, exact

function unit(name: string, factor: number, force: number, length: number, mass = 0, time = 0): Unit {
  return { name, factor, dimension: [force, length, mass, time] };
}

const table = [
  unit('', 1, 0, 0),
  unit('%', 0.01, 0, 0),
  unit('‰', 0.001, 0, 0),
  unit('rad', 1, 0, 0),
  unit('deg', Math.PI / 180, 0, 0),
  unit('mm', 1, 0, 1),
  unit('cm', 10, 0, 1),
  unit('m', 1000, 0, 1),
  unit('in', IN, 0, 1),
  unit('ft', FT, 0, 1),
  unit('mm2', 1, 0, 2),
  unit('cm2', 100, 0, 2),
  unit('m2', 1e6, 0, 2),
  unit('in2', IN ** 2, 0, 2),
  unit('mm3', 1, 0, 3),
  unit('m3', 1e9, 0, 3),
  unit('in3', IN ** 3, 0, 3),
  unit('ft3', FT ** 3, 0, 3),
  unit('yd3', (3 * FT) ** 3, 0, 3),
  unit('mm4', 1, 0, 4),
  unit('in4', IN ** 4, 0, 4),
  unit('mm2/mm', 1, 0, 1),
  unit('mm2/m', 1e-3, 0, 1),
  unit('in2/ft', IN ** 2 / FT, 0, 1),
  unit('in2/in', IN, 0, 1),
  unit('N', 1, 1, 0),
  unit('kN', 1000, 1, 0),
  unit('MN', 1e6, 1, 0),
  unit('lb', LBF, 1, 0),
  unit('lbf', LBF, 1, 0),
  unit('kip', KIP, 1, 0),
  unit('N/mm', 1, 1, -1),
  unit('N/m', 1e-3, 1, -1),
  unit('kN/m', 1, 1, -1),
  unit('lb/ft', LBF / FT, 1, -1),
  unit('lb/in', LBF / IN, 1, -1),
  unit('kip/ft', KIP / FT, 1, -1),
  unit('klf', KIP / FT, 1, -1),
  unit('plf', LBF / FT, 1, -1),
  unit('MPa', 1, 1, -2),
  unit('kPa', 1e-3, 1, -2),
  unit('GPa', 1000, 1, -2),
  unit('N/mm2', 1, 1, -2),
  unit('kN/m2', 1e-3, 1, -2),
  unit('psi', PSI, 1, -2),
  unit('ksi', 1000 * PSI, 1, -2),
  unit('psf', LBF / FT ** 2, 1, -2),
  unit('ksf', KIP / FT ** 2, 1, -2),
  unit('Nmm', 1, 1, 1),
  unit('kNm', 1e6, 1, 1),
  unit('kNm/m', 1e3, 1, 0),
  unit('kip-ft/ft', KIP, 1, 0),
  unit('MNm', 1e9, 1, 1),
  unit('lb-in', LBF * IN, 1, 1),
  unit('lb-ft', LBF * FT, 1, 1),
  unit('kip-in', KIP * IN, 1, 1),
  unit('kip-ft', KIP * FT, 1, 1),
  unit('kNm/rad', 1e6, 1, 1),
  unit('kip-ft/rad', KIP * FT, 1, 1),
  unit('kNm/rad/m', 1e3, 1, 0),
  unit('kip-ft/rad/ft', KIP, 1, 0),
  unit('Nmm2', 1, 1, 2),
  unit('kNm2', 1e9, 1, 2),
  unit('lb-in2', LBF * IN ** 2, 1, 2),
  unit('kip-in2', KIP * IN ** 2, 1, 2),
  unit('N/mm3', 1, 1, -3),
  unit('kN/m3', 1e-6, 1, -3),
  unit('lbf/ft3', LBF / FT ** 3, 1, -3),
  unit('lbf/in3', LBF / IN ** 3, 1, -3),
  unit('kg', 1, 0, 0, 1),
  unit('t', 1000, 0, 0, 1),
  unit('ton', 2000 * LB, 0, 0, 1),
  unit('lbm', LB, 0, 0, 1),
  unit('kg/m', 1e-3, 0, -1, 1),
  unit('kg/mm3', 1, 0, -3, 1),
  unit('kg/m3', 1e-9, 0, -3, 1),
  unit('pcf', LB / FT ** 3, 0, -3, 1),
  unit('lb/yd3', LB / (3 * FT) ** 3, 0, -3, 1),
  unit('1/mm', 1, 0, -1),
  unit('1/m', 1e-3, 0, -1),
  unit('1/in', 1 / IN, 0, -1),
  unit('d', 1, 0, 0, 0, 1),
  unit('min', 1 / 1440, 0, 0, 0, 1),
] as const;

const byName = new Map<string, Unit>(table.map((u) => [u.name, u]));

/** Other spellings that people type or paste; compared after removing blanks, dots and middle dots. */
const aliases: Record<string, string> = {
  '"': 'in',
  '″': 'in',
  inch: 'in',
  inches: 'in',
  "'": 'ft',
  '′': 'ft',
  feet: 'ft',
  foot: 'ft',
  'mm²': 'mm2',
  'mm^2': 'mm2',
  sqmm: 'mm2',
  'cm²': 'cm2',
  'in²': 'in2',
  'in^2': 'in2',
  sqin: 'in2',
  'mm³': 'mm3',
  'kN*m': 'kNm',
  'kN-m': 'kNm',
  'N*mm': 'Nmm',
  'kip*ft': 'kip-ft',
  kipft: 'kip-ft',
  kft: 'kip-ft',
  'k-ft': 'kip-ft',
  ftkip: 'kip-ft',
  'ft-kip': 'kip-ft',
  kips: 'kip',
  k: 'kip',
  'k/ft': 'kip/ft',
  'kips/ft': 'kip/ft',
  lbs: 'lb',
  'kN/m²': 'kN/m2',
  'N/mm²': 'N/mm2',
  'kN/m³': 'kN/m3',
  mpa: 'MPa',
  Mpa: 'MPa',
  kn: 'kN',
  KN: 'kN',
  knm: 'kNm',
  'kn/m': 'kN/m',
  'KN/m': 'kN/m',
  kNM: 'kNm',
  degrees: 'deg',
  '°': 'deg',
  lbft: 'lb-ft',
  'kN/mm2': 'GPa',
  meter: 'm',
  metres: 'm',
  metre: 'm',
  'kg/m³': 'kg/m3',
  'lb/ft3': 'pcf',
  days: 'd',
  minutes: 'min',
};

/** Looks a unit up by name or accepted spelling; undefined when it is not known. */
export function findUnit(name: string): Unit | undefined {
  const clean = name.replace(/[\s·⋅.]/g, '');
  return byName.get(clean) ?? byName.get(aliases[clean] ?? '\u0000') ?? byName.get(aliases[clean.toLowerCase()] ?? '\u0000');
}

/** Looks a unit up that must exist. Throws RangeError otherwise. */
export function getUnit(name: string): Unit {
  const u = byName.get(name);
  if (!u) throw new RangeError(`No such unit: ${name}`);
  return u;
}

export function sameDimension(a: Dimension, b: Dimension): boolean {
  return a.every((exponent, i) => Math.abs(exponent - b[i]!) < 1e-9);
}
