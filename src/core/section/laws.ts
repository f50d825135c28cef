/** Stress-strain laws of section design. Stresses MPa, strains as plain ratios, compression positive. */

/** The design law of concrete in compression. `stress` is the full design stress, `ultimateStrain` that of the edge. */
export type ConcreteLaw =
  | { readonly kind: 'block'; readonly depthFactor: number; readonly stress: number; readonly ultimateStrain: number }
  | {
      /** A parabola of the given exponent up to `peakStrain`, then constant. Exponent 1 is the bilinear law. */
      readonly kind: 'parabola';
      readonly exponent: number;
      readonly peakStrain: number;
      readonly stress: number;
      readonly ultimateStrain: number;
    };

export type ParabolaLaw = ConcreteLaw & { readonly kind: 'parabola' };

/** Steel: elastic up to `yield`, then horizontal. */
export interface SteelLaw {
  readonly yield: number;
  readonly modulus: number;
}

/** Stress of a bar at a strain. */
export function steelStress(strain: number, steel: SteelLaw): number {
  return Math.max(-steel.yield, Math.min(steel.yield, strain * steel.modulus));
}

/** Stress of concrete at a strain, for laws that are functions of strain; none in tension. */
export function parabolaStress(strain: number, law: ParabolaLaw): number {
  if (strain <= 0) return 0;
  if (strain >= law.peakStrain) return law.stress;
  return law.stress * (1 - (1 - strain / law.peakStrain) ** law.exponent);
}

/**
 * A law as a function of strain, for states below the ultimate one. A rectangular block is none: a parabola up to a strain of 0.002 takes its
 * place, with the same stress and the same strain of the edge (ACI 318-19 22.2.2.3 leaves the shape open).
 */
export function asParabola(law: ConcreteLaw): ParabolaLaw {
  if (law.kind === 'parabola') return law;
  return { kind: 'parabola', exponent: 2, peakStrain: 0.002, stress: law.stress, ultimateStrain: law.ultimateStrain };
}

/** Elastic concrete without tension, as a law of the same family: a straight line that never ends. */
export function elasticConcrete(modulus: number): ParabolaLaw {
  return { kind: 'parabola', exponent: 1, peakStrain: 1, stress: modulus, ultimateStrain: 1 };
}

export const elasticSteel = (modulus: number): SteelLaw => ({ yield: Infinity, modulus });
