import { number, object, string, type AnySchema } from 'yup';
import type { MaterialDefaults } from '../codes/design-code';
import { byKind, shapes } from './column-schema';
import { catalogue, decisions, list, materials, oneOf, quantity, text, textMap } from './schema-parts';

const length = (value: number) => quantity('length').default(value);
const distance = quantity('length').nullable().default(null);
const size = (d: MaterialDefaults, metric: string, us: string, soft: string) =>
  string().default(d.catalogue === 'us' ? us : d.catalogue === 'softMetric' ? soft : metric);

const openings = {
  rectangle: object({ kind: string(), x: length(0), y: length(0), b: length(200), h: length(200) }),
  circle: object({ kind: string(), x: length(0), y: length(0), diameter: length(150) }),
};

/** The schema of a slab at a column; defaults that depend on the code come from it. */
export function punchingSchema(d: MaterialDefaults) {
  const layer = object({ size: size(d, '16', '#5', 'No.16'), alternate: string().nullable().default(null), spacing: length(150) });
  const leg = object({
    kind: oneOf(['links', 'studs'], 'links'),
    layout: oneOf(['round', 'rectangular'], 'round'),
    size: size(d, '10', '#4', 'No.13'),
    legs: number().default(12),
    perimeters: number().default(3),
    first: length(80),
    spacing: length(120),
  });
  return object({
    id: text(60),
    type: string().oneOf(['punching'], 'must be one of: beam, column, wall, strip, panel, punching').default('punching'),
    mark: text(20),
    title: text(80),
    place: text(60),
    materials: materials(d),
    catalogue: catalogue(d),
    h: length(250),
    cover: length(25),
    outer: oneOf(['x', 'y'], 'x'),
    barsX: layer,
    barsY: layer,
    column: byKind({ rectangle: shapes.rectangle!, circle: shapes.circle!, L: shapes.L! }, { kind: 'rectangle', b: 300, h: 300 }),
    edges: object({ left: distance, right: distance, bottom: distance, top: distance }),
    corner: object({ x: length(0), y: length(0) })
      .nullable()
      .default(null),
    drop: object({ cx: length(1500), cy: length(1500), depth: length(100) })
      .nullable()
      .default(null),
    base: object({ b: length(2500), h: length(2500) })
      .nullable()
      .default(null),
    openings: list(byKind(openings, { kind: 'rectangle', x: 600, y: 0, b: 200, h: 200 }) as unknown as AnySchema, 30),
    sets: list(
      object({ name: text(40), V: quantity('force').default(0), Mx: quantity('moment').default(0), My: quantity('moment').default(0) }),
      5000,
    ),
    momentsBy: oneOf(['position', 'moments', 'given'], 'moments'),
    beta: number().default(1.15),
    inPlane: quantity('stress').default(0),
    legs: leg.nullable().default(null),
    choices: textMap,
    decisions,
    report: oneOf(['summary', 'working', 'full'], 'working'),
  });
}
