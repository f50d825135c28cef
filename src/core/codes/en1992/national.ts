import type { Nature } from '../../analysis/combination';

/** Use of the loaded area, EN 1991-1-1 table 6.1. */
export type UseCategory = 'A' | 'B' | 'C' | 'D' | 'E' | 'F' | 'G' | 'H';

/**
 * Nationally determined parameters of EN 1992-1-1:2004+A1 and EN 1990 as data. "recommended" has the values of the code itself;
 * the UK values are those of its national annexes. A further country is a further entry here.
 */
export interface NationalAnnex {
  readonly id: string;
  readonly title: string;
  /** Whether a new project is offered this one before the others. */
  readonly isOfferedFirst: boolean;
  /** Where there is little room. */
  readonly short: string;
  readonly gammaC: number;
  readonly gammaS: number;
  /** 3.1.6(1), for bending and axial force; shear and bond take 1.0 in the UK annex. */
  readonly alphaCC: number;
  readonly alphaCCShear: number;
  /** 5.5(4): k1, k2 = k2a + k2b / eps_cu2, k3, k4 = k4a + k4b / eps_cu2, k5, k6. */
  readonly redistribution: {
    readonly k1: number;
    readonly k2a: number;
    readonly k2b: number;
    readonly k3: number;
    readonly k4a: number;
    readonly k4b: number;
    readonly k5: number;
    readonly k6: number;
  };
  /** fck above which shear strength no longer grows (UK: 50 MPa, 3.1.2(2)P and 6.2.2); Infinity when there is none. */
  readonly shearStrengthCap: number;
  /** nu1 with links stressed to 0.8 fywk at most, 6.2.3(3) note 2: up to 60 MPa, and above less fck/200 (at least 0.5). */
  readonly lowLinkStress: { readonly usual: number; readonly high: number };
  /** 6.4.5: most stress at the column over nu fcd (0.4 with amendment A1), and of links over the strength without them. */
  readonly punching: { readonly crush: number; readonly cap: number };
  /** Least diameter of column bars (mm), 9.5.2(1). */
  readonly columnBar: number;
  readonly gammaG: number;
  readonly gammaGInf: number;
  readonly gammaQ: number;
  /** EN 1990 (6.10b). */
  readonly xi: number;
  /** EN 1992-1-1 2.3.1.3: settlements in a linear elastic analysis. */
  readonly gammaSet: number;
  readonly psi: Readonly<Record<UseCategory | 'snow' | 'wind' | 'rain', readonly [psi0: number, psi1: number, psi2: number]>>;
}

const imposedPsi = {
  A: [0.7, 0.5, 0.3],
  B: [0.7, 0.5, 0.3],
  C: [0.7, 0.7, 0.6],
  D: [0.7, 0.7, 0.6],
  E: [1.0, 0.9, 0.8],
  F: [0.7, 0.7, 0.6],
  G: [0.7, 0.5, 0.3],
} as const;

export const annexes: readonly NationalAnnex[] = [
  {
    id: 'recommended',
    title: 'recommended values',
    short: 'EN 1992',
    isOfferedFirst: false,
    gammaC: 1.5,
    gammaS: 1.15,
    alphaCC: 1.0,
    alphaCCShear: 1.0,
    redistribution: { k1: 0.44, k2a: 1.25 * 0.6, k2b: 1.25 * 0.0014, k3: 0.54, k4a: 1.25 * 0.6, k4b: 1.25 * 0.0014, k5: 0.7, k6: 0.8 },
    shearStrengthCap: Infinity,
    lowLinkStress: { usual: 0.6, high: 0.9 },
    punching: { crush: 0.4, cap: 1.5 },
    columnBar: 8,
    gammaG: 1.35,
    gammaGInf: 1.0,
    gammaQ: 1.5,
    xi: 0.85,
    gammaSet: 1.2,
    // EN 1990 table A1.1; snow for sites up to 1000 m outside the Nordic countries; rain is treated as snow.
    psi: { ...imposedPsi, H: [0, 0, 0], snow: [0.5, 0.2, 0], wind: [0.6, 0.2, 0], rain: [0.5, 0.2, 0] },
  },
  {
    id: 'uk',
    title: 'UK annex',
    short: 'EN 1992 UK',
    isOfferedFirst: true,
    gammaC: 1.5,
    gammaS: 1.15,
    alphaCC: 0.85,
    alphaCCShear: 1.0,
    redistribution: { k1: 0.4, k2a: 0.6, k2b: 0.0014, k3: 0.4, k4a: 0.6, k4b: 0.0014, k5: 0.7, k6: 0.8 },
    shearStrengthCap: 50,
    // UK annex, NA to 6.2.3(3).
    lowLinkStress: { usual: 0.54, high: 0.84 },
    punching: { crush: 0.5, cap: 2 },
    columnBar: 12,
    gammaG: 1.35,
    gammaGInf: 1.0,
    gammaQ: 1.5,
    xi: 0.925,
    gammaSet: 1.2,
    // UK annex to EN 1990, table NA.A1.1: roofs 0.7, wind 0.5.
    psi: { ...imposedPsi, H: [0.7, 0, 0], snow: [0.5, 0.2, 0], wind: [0.5, 0.2, 0], rain: [0.5, 0.2, 0] },
  },
];

/** The annex with an id. Throws RangeError when there is none. */
export function findAnnex(id: string): NationalAnnex {
  const annex = annexes.find((a) => a.id === id);
  if (!annex) throw new RangeError(`No national choices called "${id}"`);
  return annex;
}

/** Uses of AS/NZS 1170.0, for members that were begun to it, with the category of EN 1990 that has their factors. */
export const usesOfOthers: Readonly<Record<string, readonly [title: string, category: UseCategory]>> = {
  residential: ['residential (AS/NZS 1170.0), as A', 'A'],
  office: ['offices (AS/NZS 1170.0), as B', 'B'],
  parking: ['parking (AS/NZS 1170.0), as F', 'F'],
  retail: ['retail (AS/NZS 1170.0), as D', 'D'],
  storage: ['storage (AS/NZS 1170.0), as E', 'E'],
  other: ['other (AS/NZS 1170.0), as E', 'E'],
  roofFloor: ['roof used as a floor (AS/NZS 1170.0), as C', 'C'],
  roof: ['roof (AS/NZS 1170.0), as H', 'H'],
};

/** psi factors of a variable case; a use that was not said is that of dwellings. */
export function psiOf(annex: NationalAnnex, nature: Nature, category: string): readonly [number, number, number] {
  if (nature === 'snow' || nature === 'wind' || nature === 'rain') return annex.psi[nature];
  if (nature === 'roof') return annex.psi.H;
  return annex.psi[(usesOfOthers[category]?.[1] ?? (category || 'A')) as UseCategory];
}
