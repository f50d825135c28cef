import type { HeatFire, HeatLaw } from '../../analysis/heat/heat-flow';

/** Moisture of concrete by weight, none, 1.5 % and 3 %, with its peak of specific heat from 100 to 115 degrees (J/(kg K)), 3.3.2(2). */
const peaks = { dry: 900, usual: 1470, wet: 2020 } as const;
export type Moisture = keyof typeof peaks;
export type Conductivity = 'lower' | 'upper';

/** Specific heat of concrete (J/(kg K)) at a temperature (degrees C), EN 1992-1-2 3.3.2. */
export function specificHeat(theta: number, moisture: Moisture): number {
  const peak = peaks[moisture];
  if (theta < 100) return 900;
  // From the peak a straight line to 1000 at 200 degrees.
  if (moisture !== 'dry' && theta <= 115) return peak;
  if (moisture !== 'dry' && theta <= 200) return peak + ((1000 - peak) * (theta - 115)) / 85;
  if (theta <= 200) return 900 + (theta - 100);
  return theta <= 400 ? 1000 + (theta - 200) / 2 : 1100;
}

/** Density over that at 20 degrees, as water leaves, 3.3.2(3). */
export function densityRatio(theta: number): number {
  if (theta <= 115) return 1;
  if (theta <= 200) return 1 - (0.02 * (theta - 115)) / 85;
  if (theta <= 400) return 0.98 - (0.03 * (theta - 200)) / 200;
  return 0.95 - (0.07 * (Math.min(theta, 1200) - 400)) / 800;
}

/** Conductivity of concrete (W/(m K)), 3.3.3: the lower or the upper limit. */
export function conductivity(theta: number, limit: Conductivity): number {
  const t = Math.min(theta, 1200) / 100;
  return limit === 'lower' ? 1.36 - 0.136 * t + 0.0057 * t * t : 2 - 0.2451 * t + 0.0107 * t * t;
}

/** Concrete of a density (kg/m3 at 20 degrees) in a fire. */
export const concreteHeat = (density: number, moisture: Moisture, limit: Conductivity): HeatLaw => ({
  conductivity: (theta) => conductivity(theta, limit),
  capacity: (theta) => density * densityRatio(theta) * specificHeat(theta, moisture),
});

/** The standard fire of EN 1991-1-2 3.2.1, with the coefficient of convection 25 W/(m2 K) of its (3.5) and the emissivity 0.7 of concrete. */
export const standardFire: HeatFire = { gas: (minutes) => 20 + 345 * Math.log10(8 * minutes + 1), convection: 25, emissivity: 0.7 };
