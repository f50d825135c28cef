import type { CatalogueId } from '../materials/bars';

/** What a site usually has and places: sizes for main bars and links, and the step of spacings (mm). */
export interface UsualSizes {
  readonly main: readonly string[];
  readonly hanger: string;
  readonly links: readonly string[];
  readonly spacingStep: number;
  readonly lengthStep: number;
  /** Closest spacing of links that is still easy to place. */
  readonly leastSpacing: number;
  readonly mostSpacing: number;
  /** Bars of slabs, thinnest first, and the spacings in which they are laid, closest first. */
  readonly slab: { readonly sizes: readonly string[]; readonly spacings: readonly number[] };
}

const INCH = 25.4;
const slabSpacings = [100, 125, 150, 175, 200, 225, 250, 300];
const millimetres = { spacingStep: 25, lengthStep: 50, leastSpacing: 75, mostSpacing: 300 };

export const usualSizes: Record<CatalogueId, UsualSizes> = {
  metric: {
    main: ['12', '16', '20', '25', '32'],
    hanger: '12',
    links: ['8', '10', '12'],
    ...millimetres,
    slab: { sizes: ['8', '10', '12', '16', '20'], spacings: slabSpacings },
  },
  us: {
    main: ['#5', '#6', '#7', '#8', '#9', '#10'],
    hanger: '#5',
    links: ['#3', '#4', '#5'],
    spacingStep: 25.4,
    lengthStep: 76.2,
    leastSpacing: 76.2,
    mostSpacing: 304.8,
    slab: { sizes: ['#3', '#4', '#5', '#6', '#7'], spacings: [4, 5, 6, 7, 8, 9, 10, 12].map((v) => v * INCH) },
  },
  softMetric: {
    main: ['No.16', 'No.19', 'No.22', 'No.25', 'No.29', 'No.32'],
    hanger: 'No.16',
    links: ['No.10', 'No.13', 'No.16'],
    ...millimetres,
    slab: { sizes: ['No.10', 'No.13', 'No.16', 'No.19', 'No.22'], spacings: slabSpacings },
  },
  australian: {
    main: ['N12', 'N16', 'N20', 'N24', 'N28', 'N32'],
    hanger: 'N12',
    links: ['N10', 'N12', 'N16'],
    ...millimetres,
    slab: { sizes: ['N10', 'N12', 'N16', 'N20'], spacings: slabSpacings },
  },
};

/** Largest multiple of the step not above a value. */
export const roundDown = (value: number, step: number): number => Math.floor(value / step + 1e-6) * step;
export const roundUp = (value: number, step: number): number => Math.ceil(value / step - 1e-6) * step;
export const roundNear = (value: number, step: number): number => Math.round(value / step) * step;
