import { boolean, number, object } from 'yup';
import type { MaterialDefaults } from '../../codes/design-code';
import * as field from '../parts/schema-parts';

/** A corner of the outline, and how the edge from it to the next one is held. */
const corner = object({ x: field.length(0), y: field.length(0), edge: field.oneOf(['simple', 'clamped', 'free'], 'simple') });

const mesh = object({ x: field.slabBars, y: field.slabBars });

/** What a slab of any outline asks for, worked out as a plate. Lengths mm; x to the right and y up on the plan. */
export const plateFields = (d: MaterialDefaults) => ({
  outline: field.list(corner, 200),
  openings: field.list(object({ corners: field.points }), 40),
  /** Walls below the slab, inside its outline: it runs on over them. */
  walls: field.list(object({ x1: field.length(0), y1: field.length(0), x2: field.length(0), y2: field.length(0) }), 40),
  h: field.length(200),
  /** Poisson's ratio of the slab: that of concrete before it cracks, 0.2, or less. */
  poisson: number().default(0.2),
  /** Length of the sides of triangles; null is chosen by the size of the slab. */
  meshSize: field.open(),
  materials: field.materials(d),
  catalogue: field.catalogue(d),
  cover: object({ top: field.length(25), bottom: field.length(25) }),
  /** Bars that lie outside, below and above. */
  outer: field.oneOf(['x', 'y'], 'x'),
  unitWeight: field.quantity('unitWeight').default(d.unitWeight),
  selfWeight: boolean().default(true),
  cases: field.list(field.loadCase, 40),
  /** Uniform loads over the whole slab (N/mm2). */
  loads: field.list(object({ ...field.loadBase, value: field.needed('areaLoad') }), 100),
  /** Meshes over the whole slab, below and above; null are chosen. */
  bars: object({ bottom: mesh, top: mesh }),
  barRules: field.slabBarRules,
  ...field.ownCombinations,
});
