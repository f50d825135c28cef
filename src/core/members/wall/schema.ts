import { boolean, object } from 'yup';
import { string } from '../parts/schema-parts';
import type { MaterialDefaults } from '../../codes/design-code';
import { uprightFields } from '../column/schema';
import * as field from '../parts/schema-parts';

/**
 * What a wall asks for, drawn with its length along x and its thickness along y: Mx bends it out of plane, My in plane; V along x lies in its
 * plane. Lengths mm.
 */
export function wallFields(d: MaterialDefaults) {
  const size = d.catalogue === 'us' ? '#4' : d.catalogue === 'softMetric' ? 'No.13' : d.catalogue === 'australian' ? 'N12' : '12';
  const mesh = object({ size: string().default(size), spacing: field.length(200) });
  return {
    thickness: field.length(200),
    /** A metre of a longer wall, its forces given for a metre; its length is then not used. */
    isStrip: boolean().default(true),
    length: field.length(3000),
    /** Bars of each face. */
    vertical: mesh,
    horizontal: mesh,
    /** Whether the horizontal bars lie outside; the cover is to the outer bars. */
    horizontalOutside: boolean().default(true),
    /** How the floors and cross walls hold the wall along its edges, for its effective length out of plane. */
    restraint: field.oneOf(['given', 'twoSides', 'threeSides', 'fourSides', 'cantilever'], 'given'),
    /** Between the walls that hold the vertical edges, or from one to the free edge. */
    between: field.length(5000),
    ...uprightFields(d),
  };
}
