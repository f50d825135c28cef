import { boolean, number, object } from 'yup';
import type { MaterialDefaults } from '../../codes/design-code';
import {
  catalogue,
  list,
  loadBase,
  loadCase,
  materials,
  oneOf,
  ownCombinations,
  quantity,
  slabBarRules,
  slabBars,
} from '../parts/schema-parts';

const length = (value: number) => quantity('length').default(value);
const edge = oneOf(['simple', 'continuous'], 'simple');

/** What a rectangular slab on beams or walls along all four edges asks for. Lengths mm; x to the right and y up on the plan. */
export const panelFields = (d: MaterialDefaults) => ({
  lx: length(5000),
  ly: length(6000),
  h: length(180),
  edges: object({ left: edge, right: edge, bottom: edge, top: edge }),
  /** Width of the beams or walls below the edges. */
  supportWidth: length(200),
  /** Mean stiffness of the edge beams over that of the slab, where a code asks for it; null are walls or stiff beams. */
  beamStiffness: number().nullable().default(null),
  /** Whether its corners are kept from lifting. */
  isHeldDown: boolean().default(true),
  /** How the moments of the panel are found. */
  method: oneOf(['strips', 'yieldLines', 'coefficients'], 'strips'),
  /** Part of the load that strips along x carry; null is found from equal deflections. */
  share: number().nullable().default(null),
  /** By yield lines: hogging over sagging moment, and sagging along y over that along x; null is by the square of the sides. */
  supportRatio: number().default(1),
  mu: number().nullable().default(null),
  materials: materials(d),
  catalogue: catalogue(d),
  cover: object({ top: length(25), bottom: length(25) }),
  /** Bars that lie outside, below and above. */
  outer: oneOf(['x', 'y'], 'x'),
  unitWeight: quantity('unitWeight').default(d.unitWeight),
  selfWeight: boolean().default(true),
  cases: list(loadCase, 40),
  /** Uniform loads over the whole panel (N/mm2). */
  loads: list(object({ ...loadBase, value: quantity('areaLoad').required('is missing') }), 100),
  /** Bars along x and y in the middle, and across each edge; null are chosen. */
  bars: object({ x: slabBars, y: slabBars, left: slabBars, right: slabBars, bottom: slabBars, top: slabBars }),
  barRules: slabBarRules,
  hasPartitions: boolean().default(true),
  ...ownCombinations,
});
