import type { Calc } from '../../calc/calc';
import type { Materials } from '../basis';
import { formula, symbols } from './symbols';

export const F = { curvature: formula('mu_phi', 'k_st * (2 * q_0 - 1)', 'EN 1998-1 (5.4), 5.2.3.4(4)') };

/** Curvature ductility, 5.2.3.4(3), for periods from TC on; steel of class B asks for half as much again. */
export function curvatureDuctility(c: Calc, m: Materials, behaviour: number): number {
  const q_0 = c.given(symbols.q_0, behaviour, 'chosen');
  return c.let(F.curvature, { q_0, k_st: m.ductility === 'B' || m.ductility === 'N' ? 1.5 : 1 });
}

/** Why materials do not suit ductility class medium; null where they do. */
export function materialFault(m: Materials): string | null {
  if (m.ductility === 'A') return 'Ductility class medium needs steel of class B or C (EN 1998-1 5.3.2(1)).';
  return m.concreteStrength < 16 ? 'Ductility class medium needs at least C16/20 (EN 1998-1 5.4.1.1(1)).' : null;
}
