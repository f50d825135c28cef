import { boolean, object } from 'yup';
import { number } from '../parts/schema-parts';
import type { MaterialDefaults } from '../../codes/design-code';
import * as field from '../parts/schema-parts';

const edge = field.oneOf(['simple', 'continuous'], 'simple');

/** What a rectangular slab on beams or walls along all four edges asks for. Lengths mm; x to the right and y up on the plan. */
export const panelFields = (d: MaterialDefaults) => ({
  lx: field.length(5000),
  ly: field.length(6000),
  h: field.length(180),
  edges: object({ left: edge, right: edge, bottom: edge, top: edge }),
  /** Width of the beams or walls below the edges. */
  supportWidth: field.length(200),
  /** Mean stiffness of the edge beams over that of the slab, where a code asks for it; null are walls or stiff beams. */
  beamStiffness: number().nullable().default(null),
  /** Whether its corners are kept from lifting. */
  isHeldDown: boolean().default(true),
  /** How the moments of the panel are found. */
  method: field.oneOf(['strips', 'yieldLines', 'coefficients'], 'strips'),
  /** Part of the load that strips along x carry; null is found from equal deflections. */
  share: number().nullable().default(null),
  /** By yield lines: hogging over sagging moment, and sagging along y over that along x; null is by the square of the sides. */
  supportRatio: number().default(1),
  mu: number().nullable().default(null),
  materials: field.materials(d),
  catalogue: field.catalogue(d),
  cover: object({ top: field.length(25), bottom: field.length(25) }),
  /** Bars that lie outside, below and above. */
  outer: field.oneOf(['x', 'y'], 'x'),
  unitWeight: field.quantity('unitWeight').default(d.unitWeight),
  selfWeight: boolean().default(true),
  cases: field.list(field.loadCase, 40),
  /** Uniform loads over the whole panel (N/mm2). */
  loads: field.list(object({ ...field.loadBase, value: field.needed('areaLoad') }), 100),
  /** Bars along x and y in the middle, and across each edge; null are chosen. */
  bars: object({
    x: field.slabBars,
    y: field.slabBars,
    left: field.slabBars,
    right: field.slabBars,
    bottom: field.slabBars,
    top: field.slabBars,
  }),
  barRules: field.slabBarRules,
  hasPartitions: boolean().default(true),
  fire: field.fire,
  ...field.ownCombinations,
});
