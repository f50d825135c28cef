import type { Calc } from '../../calc/calc';
import { nonswayFactor, swayFactor } from '../alignment-chart';
import type { ColumnEnd, EffectiveLengthInput, RestrainingBeam } from '../column-rules';
import { symbols } from './symbols';

/** What a beam's far end makes of its stiffness, table 10.5.3, against sway and with sway. */
const FAR: Readonly<Record<'braced' | 'sways', Readonly<Record<RestrainingBeam['far'], number>>>> = {
  braced: { continuous: 1, pinned: 1.5, fixed: 2 },
  sways: { continuous: 1, pinned: 0.5, fixed: 0.67 },
};

/** Ratios that stand for an end built into a footing, and for one that is hinged on it, 10.5.5. */
const [RIGID_FOOTING, HINGED_FOOTING] = [1, 10];

/** Factors of figure 10.5.3 for columns whose ends are simply held: both fixed, one fixed and one hinged, both hinged. */
const BRACED = { fixed: { fixed: 0.7, pinned: 0.85 }, pinned: { fixed: 0.85, pinned: 1 } } as const;
const SWAYS = { fixed: { fixed: 1.2, pinned: 2.2, free: 2.2 } } as const;

/** gamma of an end, 10.5.3: I/L of the columns over beta I/L of the beams, with gross sections. */
export function endStiffness(end: ColumnEnd, inertia: number, clear: number, isBraced: boolean): number {
  if (end.kind !== 'framed') return { fixed: RIGID_FOOTING, pinned: HINGED_FOOTING, free: Infinity }[end.kind];
  const columns = inertia / clear + (end.column ? (end.column.b * end.column.h ** 3) / 12 / end.column.length : 0);
  const far = FAR[isBraced ? 'braced' : 'sways'];
  const beams = end.beams.reduce((sum, b) => sum + (far[b.far] * ((b.b * b.h ** 3) / 12)) / b.length, 0);
  return beams === 0 ? Infinity : columns / beams;
}

/** The factor of figure 10.5.3 where both ends are simply held; undefined where one is framed, or such a column cannot stand. */
export function simpleFactor(top: ColumnEnd['kind'], bottom: ColumnEnd['kind'], isBraced: boolean): number | undefined {
  const table: Readonly<Record<string, Readonly<Record<string, number>>>> = isBraced ? BRACED : SWAYS;
  return table[top]?.[bottom] ?? table[bottom]?.[top];
}

/** Effective length (mm), 10.5.3: the factors of the figure for simply held ends, else the equations behind its charts. */
export function effectiveLength(c: Calc, q: EffectiveLengthInput): number {
  const simple = simpleFactor(q.top.kind, q.bottom.kind, q.isBraced);
  if (simple !== undefined) return c.given(symbols.k_e_len, simple, 'figure 10.5.3, ends simply held') * q.clear;
  const say = (end: ColumnEnd) => (end.kind === 'framed' ? 'columns over beams, 10.5.3' : `${end.kind}, 10.5.5`);
  const of = (end: ColumnEnd) => Math.min(endStiffness(end, q.inertia, q.clear, q.isBraced), 1e4);
  const gamma_1 = c.given(symbols.gamma_1, of(q.top), say(q.top));
  const gamma_2 = c.given(symbols.gamma_2, of(q.bottom), say(q.bottom));
  c.note('k solves the equation behind the charts of figure 10.5.3.', '10.5.3');
  return c.given(symbols.k_e_len, q.isBraced ? nonswayFactor(gamma_1, gamma_2) : swayFactor(gamma_1, gamma_2)) * q.clear;
}
