import type { Calc } from '../../calc/calc';
import { formula, symbols } from './symbols';

/** Ductility classes of bars, 3.2.1: normal and low. */
export type Ductility = 'N' | 'L';

/** Classes of bars, with those of EN 10080 by their uniform strain: B and C have the 5 % of class N, A has more than the 1.5 % of class L. */
export const ductilityClasses: Readonly<Record<string, string>> = {
  N: 'N, normal',
  L: 'L, low',
  B: 'B (EN 10080), as N',
  C: 'C (EN 10080), as N',
  A: 'A (EN 10080), as L',
};

/** The class by which bars count; normal where none was said. */
export const classOf = ({ ductility }: { readonly ductility: string }): Ductility => (ductility === 'L' || ductility === 'A' ? 'L' : 'N');

export const F = {
  bending: formula('phi', 'max(0.65, min(0.85, 1.24 - 13 * k_uo / 12))', 'table 2.2.2(b)'),
  compression: formula('phi', '0.65 + (phi_b - 0.65) * (1 - N_u / N_ub)', 'table 2.2.2(d)'),
  tension: formula('phi', 'phi_b + (phi_t - phi_b) * (-N_u) / N_uot', 'table 2.2.2(c)'),
};

/** phi of members in compression whose tension bars do not yield first, and of all with bars of class L. */
export const LEAST = 0.65;

/** phi in bending alone, table 2.2.2(b): by the depth of the neutral axis with bars of class N; 0.65 with bars of class L. */
export const bendingFactor = (c: Calc, k_uo: number, ductility: Ductility): number =>
  ductility === 'N' ? c.let(F.bending, { k_uo }) : c.given(symbols.phi, LEAST, 'bars of class L, table 2.2.2(b)');

/** phi in tension alone, table 2.2.2(a). */
export const tensionFactor = (ductility: Ductility): number => (ductility === 'N' ? 0.85 : LEAST);

/** What phi of a state between tension alone and compression alone rests on; forces in N, compression positive. */
export interface AxialState {
  /** Nominal axial strength at the state. */
  readonly Nu: number;
  /** That at balance, and that in tension alone (positive). */
  readonly Nub: number;
  readonly Nuot: number;
  /** phi in bending alone, and in tension alone. */
  readonly phiBending: number;
  readonly phiTension: number;
}

/**
 * phi of a state with axial force, table 2.2.2: (d) 0.65 from balance on, and a straight line from there to bending alone; (c) a straight line from
 * bending alone to tension alone. Where balance itself is a tension, every compression is beyond it.
 */
export function axialFactor(c: Calc, { Nu, Nub, Nuot, phiBending, phiTension }: AxialState): number {
  if (Nu < 0) return c.let(F.tension, { phi_b: phiBending, phi_t: phiTension, N_u: Nu, N_uot: Nuot });
  if (Nu >= Nub) return c.given(symbols.phi, LEAST, 'from balance on, table 2.2.2(d)');
  return c.let(F.compression, { phi_b: phiBending, N_u: Nu, N_ub: Nub });
}

/**
 * phi in shear and torsion, table 2.2.2(f): 0.75 where fitments of class N hold the section, at least the least ones, else 0.70.
 */
export const shearFactor = (c: Calc, hasFitments: boolean, ductility: Ductility): number =>
  hasFitments && ductility === 'N'
    ? c.given(symbols.phi, 0.75, 'with fitments of class N, table 2.2.2')
    : c.given(symbols.phi, 0.7, 'without fitments of class N, table 2.2.2');
