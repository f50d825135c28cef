/** A reinforcing bar of a catalogue. Diameters in mm, areas in mm2, mass in kg/mm. */
export interface Bar {
  /** As it is spoken and written: "16", "#5". */
  readonly name: string;
  readonly diameter: number;
  readonly area: number;
  readonly massPerLength: number;
}

export type CatalogueId = 'metric' | 'us' | 'softMetric' | 'australian';

export interface BarCatalogue {
  readonly id: CatalogueId;
  readonly title: string;
  readonly bars: readonly Bar[];
}

const STEEL_DENSITY = 7.85e-6; // kg/mm3

function nominal(name: string, diameter: number, area = (Math.PI * diameter * diameter) / 4): Bar {
  return { name, diameter, area, massPerLength: area * STEEL_DENSITY };
}

/** Inch-pound bars (ASTM A615 nominal sizes): diameter in in, area in in2, mass in lb/ft. */
function inchPound(name: string, diameter: number, area: number, poundsPerFoot: number): Bar {
  return { name, diameter: diameter * 25.4, area: area * 25.4 ** 2, massPerLength: (poundsPerFoot * 0.45359237) / 304.8 };
}

const us: readonly Bar[] = [
  inchPound('#3', 0.375, 0.11, 0.376),
  inchPound('#4', 0.5, 0.2, 0.668),
  inchPound('#5', 0.625, 0.31, 1.043),
  inchPound('#6', 0.75, 0.44, 1.502),
  inchPound('#7', 0.875, 0.6, 2.044),
  inchPound('#8', 1.0, 0.79, 2.67),
  inchPound('#9', 1.128, 1.0, 3.4),
  inchPound('#10', 1.27, 1.27, 4.303),
  inchPound('#11', 1.41, 1.56, 5.313),
  inchPound('#14', 1.693, 2.25, 7.65),
  inchPound('#18', 2.257, 4.0, 13.6),
];

/** The same bars under their soft-metric designations, with the nominal metric areas of ASTM A615M. */
const softMetric: readonly Bar[] = (
  [
    ['10', 9.5, 71, 0.56],
    ['13', 12.7, 129, 0.994],
    ['16', 15.9, 199, 1.552],
    ['19', 19.1, 284, 2.235],
    ['22', 22.2, 387, 3.042],
    ['25', 25.4, 510, 3.973],
    ['29', 28.7, 645, 5.06],
    ['32', 32.3, 819, 6.404],
    ['36', 35.8, 1006, 7.907],
    ['43', 43.0, 1452, 11.38],
    ['57', 57.3, 2581, 20.24],
  ] as const
).map(([name, diameter, area, kgPerMetre]) => ({ name: `No.${name}`, diameter, area, massPerLength: kgPerMetre / 1000 }));

/** Metric sizes with nominal area pi d2/4 (EN 10080). */
const metric = [6, 8, 10, 12, 14, 16, 20, 25, 28, 32, 40].map((d) => nominal(String(d), d));
/** Sizes of AS/NZS 4671. */
const australian = [10, 12, 16, 20, 24, 28, 32, 36, 40].map((d) => nominal(`N${d}`, d));

export const catalogues: Record<CatalogueId, BarCatalogue> = {
  metric: { id: 'metric', title: 'Metric', bars: metric },
  us: { id: 'us', title: 'US customary', bars: us },
  softMetric: { id: 'softMetric', title: 'Soft metric', bars: softMetric },
  australian: { id: 'australian', title: 'Australian', bars: australian },
};

/** Finds a bar by name, also in looser spellings ("H16", "T16", "no 5", "16 mm"). Undefined when the catalogue has none. */
export function findBar(catalogue: BarCatalogue, name: string): Bar | undefined {
  const wanted = name.trim();
  const exact = catalogue.bars.find((bar) => bar.name === wanted);
  if (exact) return exact;
  const digits = /(\d+)/.exec(wanted)?.[1];
  return catalogue.bars.find((bar) => /(\d+)/.exec(bar.name)?.[1] === digits);
}
