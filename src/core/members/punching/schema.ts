import { object } from 'yup';
import { number, string } from '../parts/schema-parts';
import type { MaterialDefaults } from '../../codes/design-code';
import { shapes } from '../column/schema';
import * as field from '../parts/schema-parts';

const distance = field.quantity('length').nullable().default(null);
const size = (d: MaterialDefaults, metric: string, us: string, soft: string) =>
  string().default(d.catalogue === 'us' ? us : d.catalogue === 'softMetric' ? soft : metric);

const openings = {
  rectangle: { x: field.length(0), y: field.length(0), b: field.length(200), h: field.length(200) },
  circle: { x: field.length(0), y: field.length(0), diameter: field.length(150) },
};

/** Legs in the slab: links on perimeters, each with so many legs, or rails of studs. */
export const punchingLegs = (d: MaterialDefaults) =>
  object({
    kind: field.oneOf(['links', 'studs'], 'links'),
    /**
     * Links on perimeters (round: at one distance from the column all round; rectangular: with square corners) or in lines: radial ones away from the
     * column, or orthogonal ones square to its faces. Rails of studs are radial unless they are orthogonal.
     */
    layout: field.oneOf(['round', 'rectangular', 'radial', 'orthogonal'], 'round'),
    size: size(d, '10', '#4', 'No.13'),
    /** Legs on the first perimeter, or rails around the column. */
    legs: number().default(12),
    perimeters: number().default(3),
    /** From the column to the first legs, and from each perimeter to the next. */
    first: field.length(80),
    spacing: field.length(120),
  });

/** What a slab at a column asks for. Lengths mm, forces N, moments N mm; the column's centre is the origin, x to the right and y up on the plan. */
export function punchingFields(d: MaterialDefaults) {
  const layer = object({ size: size(d, '16', '#5', 'No.16'), alternate: string().nullable().default(null), spacing: field.length(150) });
  return {
    materials: field.materials(d),
    catalogue: field.catalogue(d),
    h: field.length(250),
    /** To the outer layer of the top bars. */
    cover: field.length(25),
    outer: field.oneOf(['x', 'y'], 'x'),
    barsX: layer,
    barsY: layer,
    column: field.byKind({ rectangle: shapes.rectangle, circle: shapes.circle, L: shapes.L }, { kind: 'rectangle', b: 300, h: 300 }),
    /** From the faces of the column to the edges of the slab; null where it goes on. */
    edges: object({ left: distance, right: distance, bottom: distance, top: distance }),
    /** Where a corner of the slab points inwards. */
    corner: object({ x: field.length(0), y: field.length(0) })
      .nullable()
      .default(null),
    /** A thicker part of the slab around the column, below it. */
    drop: object({ cx: field.length(1500), cy: field.length(1500), depth: field.length(100) })
      .nullable()
      .default(null),
    /** Sizes of a footing on soil, with the column in its middle; null for a slab. */
    base: object({ b: field.length(2500), h: field.length(2500) })
      .nullable()
      .default(null),
    openings: field.list(field.byKind(openings, { kind: 'rectangle', x: 600, y: 0, b: 200, h: 200 }), 30),
    /** Forces of one combination: the shear, and the moments that the slab brings to the column about x and y. */
    sets: field.list(
      object({
        name: field.text(40),
        V: field.quantity('force').default(0),
        Mx: field.quantity('moment').default(0),
        My: field.quantity('moment').default(0),
      }),
      5000,
    ),
    imported: field.imported,
    momentsBy: field.oneOf(['position', 'moments', 'given'], 'moments'),
    beta: number().default(1.15),
    /** Mean compression in the slab (MPa). */
    inPlane: field.quantity('stress').default(0),
    legs: punchingLegs(d).nullable().default(null),
    /** Closed ties along the sides of the column, as wide as the critical perimeter; or in a beam along the edge. */
    ties: object({
      size: size(d, '10', '#4', 'No.13'),
      spacing: field.length(150),
      beam: object({ b: field.length(300), depth: field.length(400) })
        .nullable()
        .default(null),
    })
      .nullable()
      .default(null),
    /** A slab worked out as a plate, by its id, and the name of a column: depth, bars, column, edges, openings and forces are those there. */
    from: object({ member: field.name(), column: field.text(20) })
      .nullable()
      .default(null),
  };
}
