import { tidied } from '../units/parse';
import { getUnit } from '../units/unit';

/** A grade as it is written on drawings: its strength (MPa), and its class of ductility where it names one. */
export interface Grade {
  readonly strength: number;
  readonly ductility?: 'A' | 'B' | 'C';
}

const KSI = getUnit('ksi').factor;
/** ASTM grades are in ksi, or from 200 on in MPa. */
const LEAST_METRIC = 200;

/**
 * Reads a grade of concrete by its cylinder strength: "C32/40" and "C32" (EN 206), "f'c 4000" in psi. Undefined for other texts, which may be
 * quantities.
 */
export function concreteGrade(text: string): Grade | undefined {
  const clean = tidied(text) ?? '';
  const european = /^L?C ?(\d{1,3}(?:[.,]\d)?)(?: ?\/ ?\d{1,3})?$/i.exec(clean);
  if (european) return { strength: Number(european[1]!.replace(',', '.')) };
  const american = /^f['’′]?c ?=? ?(\d{4,5})(?: ?psi)?$/i.exec(clean);
  return american ? { strength: (Number(american[1]) / 1000) * KSI } : undefined;
}

/** Reads a grade of bars: "B500B", "B 500" (EN 10080), "Grade 60", "Gr. 420", "A615 Gr 60" (ASTM). Undefined for other texts. */
export function steelGrade(text: string): Grade | undefined {
  const clean = tidied(text) ?? '';
  const european = /^B ?(\d{3})(?: ?([A-C]))?$/i.exec(clean);
  if (european) {
    const ductility = european[2]?.toUpperCase() as Grade['ductility'];
    return { strength: Number(european[1]), ...(ductility ? { ductility } : {}) };
  }
  const american = /^(?:A ?\d{3,4}M? )?gr(?:ade|\.)? ?(\d{2,3})$/i.exec(clean);
  if (!american) return undefined;
  const number = Number(american[1]);
  return { strength: number < LEAST_METRIC ? number * KSI : number };
}
