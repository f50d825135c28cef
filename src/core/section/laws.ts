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

/** Elastic concrete without tension, as a law of the same family: a straight line that never ends. */
export function elasticConcrete(modulus: number): ParabolaLaw {
  return { kind: 'parabola', exponent: 1, peakStrain: 1, stress: modulus, ultimateStrain: 1 };
}

export const elasticSteel = (modulus: number): SteelLaw => ({ yield: Infinity, modulus });
