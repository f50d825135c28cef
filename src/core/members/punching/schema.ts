import { number, object, string } from 'yup';
import type { MaterialDefaults } from '../../codes/design-code';
import { shapes } from '../column/schema';
import { byKind, catalogue, list, materials, oneOf, quantity, text } from '../parts/schema-parts';

const length = (value: number) => quantity('length').default(value);
const distance = quantity('length').nullable().default(null);
const size = (d: MaterialDefaults, metric: string, us: string, soft: string) =>
  string().default(d.catalogue === 'us' ? us : d.catalogue === 'softMetric' ? soft : metric);

const openings = {
  rectangle: { x: length(0), y: length(0), b: length(200), h: length(200) },
  circle: { x: length(0), y: length(0), diameter: length(150) },
};

/** What a slab at a column asks for. Lengths mm, forces N, moments N mm; the column's centre is the origin, x to the right and y up on the plan. */
export function punchingFields(d: MaterialDefaults) {
  const layer = object({ size: size(d, '16', '#5', 'No.16'), alternate: string().nullable().default(null), spacing: length(150) });
  /** Legs in the slab: links on perimeters, each with so many legs, or rails of studs. */
  const leg = object({
    kind: oneOf(['links', 'studs'], 'links'),
    /** Perimeters of links: at one distance from the column all round, or with square corners. */
    layout: oneOf(['round', 'rectangular'], 'round'),
    size: size(d, '10', '#4', 'No.13'),
    /** Legs on the first perimeter, or rails around the column. */
    legs: number().default(12),
    perimeters: number().default(3),
    /** From the column to the first legs, and from each perimeter to the next. */
    first: length(80),
    spacing: length(120),
  });
  return {
    materials: materials(d),
    catalogue: catalogue(d),
    h: length(250),
    /** To the outer layer of the top bars. */
    cover: length(25),
    outer: oneOf(['x', 'y'], 'x'),
    barsX: layer,
    barsY: layer,
    column: byKind({ rectangle: shapes.rectangle, circle: shapes.circle, L: shapes.L }, { kind: 'rectangle', b: 300, h: 300 }),
    /** From the faces of the column to the edges of the slab; null where it goes on. */
    edges: object({ left: distance, right: distance, bottom: distance, top: distance }),
    /** Where a corner of the slab points inwards. */
    corner: object({ x: length(0), y: length(0) })
      .nullable()
      .default(null),
    /** A thicker part of the slab around the column, below it. */
    drop: object({ cx: length(1500), cy: length(1500), depth: length(100) })
      .nullable()
      .default(null),
    /** Sizes of a footing on soil, with the column in its middle; null for a slab. */
    base: object({ b: length(2500), h: length(2500) })
      .nullable()
      .default(null),
    openings: list(byKind(openings, { kind: 'rectangle', x: 600, y: 0, b: 200, h: 200 }), 30),
    /** Forces of one combination: the shear, and the moments that the slab brings to the column about x and y. */
    sets: list(
      object({ name: text(40), V: quantity('force').default(0), Mx: quantity('moment').default(0), My: quantity('moment').default(0) }),
      5000,
    ),
    momentsBy: oneOf(['position', 'moments', 'given'], 'moments'),
    beta: number().default(1.15),
    /** Mean compression in the slab (MPa). */
    inPlane: quantity('stress').default(0),
    legs: leg.nullable().default(null),
  };
}
