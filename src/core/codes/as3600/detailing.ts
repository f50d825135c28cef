import { silent, type Calc } from '../../calc/calc';
import type { Limit } from '../design-code';
import { fitmentSpacing } from './confinement';
import { formula } from './symbols';

export const F = { clear: formula('s_clear', 'max(25, d_b, 1.5 * d_g)', '8.1.9 (practice)', { empirical: 'SI' }) };

/**
 * Clear distance between bars (mm). 8.1.9 and 10.7.2 ask that concrete can be placed and compacted and give no figure: the bar, one and a half of the
 * aggregate and 25 mm are taken, for beams and columns alike.
 */
export const clearSpacing = (diameter: number, aggregate: number, c: Calc = silent): Limit => ({
  value: c.let(F.clear, { d_b: diameter, d_g: aggregate }),
  clause: '8.1.9 (practice)',
});

/** Clear distance between layers (mm), taken as between bars of a layer but for the aggregate, which passes from above. */
export const layerGap = (diameter: number): Limit => ({ value: Math.max(25, diameter), clause: '8.1.9 (practice)' });

/** Fitments that hold compression bars of beams, 8.1.11.7: as those of columns. */
export const compressionSpacing = (bar: number, leastWidth: number): Limit => ({
  value: fitmentSpacing(leastWidth, bar).value,
  clause: '8.1.11.7, 10.7.4.3',
});
