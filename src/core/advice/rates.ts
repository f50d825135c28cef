/**
 * What concrete, steel and formwork weigh against each other, to rank proposals. These are round figures of our own for comparing only, no
 * prices: one cubic metre of C30 concrete is 100. Carbon is kg of CO2 equivalent of the materials (modules A1 to A3), round figures as well.
 */
export interface Rates {
  /** Per m3 of concrete of 30 MPa, and what each MPa above adds. */
  readonly concrete: number;
  readonly perMPa: number;
  /** Per kg of steel, with bending and fixing. */
  readonly steel: number;
  /** Per m2 of formwork. */
  readonly formwork: number;
}

export const costRates: Rates = { concrete: 100, perMPa: 0.8, steel: 1.2, formwork: 35 };
export const carbonRates: Rates = { concrete: 240, perMPa: 3, steel: 0.8, formwork: 4 };

/** Rates that a project ranks by: the round ones, or the office's own. */
export interface ProjectRates {
  readonly cost: Rates;
  readonly carbon: Rates;
}

export const usualRates: ProjectRates = { cost: costRates, carbon: carbonRates };

/** The sum for quantities in mm3, kg and mm2. */
export function weigh(q: { concrete: number; bars: number; links: number; formwork: number }, strength: number, r: Rates): number {
  const rate = r.concrete + r.perMPa * (strength - 30);
  return (q.concrete / 1e9) * rate + (q.bars + q.links) * r.steel + (q.formwork / 1e6) * r.formwork;
}
