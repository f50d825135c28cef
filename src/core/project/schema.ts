import { array, boolean, lazy, number, object, string, type AnySchema, type ObjectSchema, type Schema } from 'yup';
import type { MaterialDefaults } from '../codes/design-code';
import { usualRates, type Rates } from '../advice/rates';
import { frameClasses } from '../codes/frame-rules';
import { bendSettings } from '../schedule/bend-types';
import { columnSchema, points, wallSchema } from './column-schema';
import { panelSchema } from './panel-schema';
import { punchingSchema } from './punching-schema';
import { stripSchema } from './strip-schema';
import {
  byType,
  catalogue,
  combination,
  decisions,
  list,
  loadBase,
  loadCase,
  materials,
  oneOf,
  quantity,
  service,
  spanIndex,
  spanOrAll,
  support,
  text,
  textMap,
} from './schema-parts';

const barGroup = object({ count: number().typeError('must be a number').required('is missing'), size: string().required('is missing') })
  .nullable()
  .default(null);

const outlineFields = {
  shape: string().oneOf(['rectangular', 'T', 'L', 'invertedT', 'free'], 'must be one of: rectangular, T, L, invertedT, free'),
  b: quantity('length'),
  h: quantity('length'),
  flangeWidth: quantity('length'),
  flangeDepth: quantity('length'),
};

const span = object({
  length: quantity('length').required('is missing'),
  section: object(outlineFields).default({}),
  camber: quantity('length').default(0),
});

const loads = {
  uniform: object({ type: string(), ...loadBase, span: spanOrAll, value: quantity('lineLoad').required('is missing') }),
  partial: object({
    type: string(),
    ...loadBase,
    span: spanIndex,
    from: quantity('length').required('is missing'),
    to: quantity('length').required('is missing'),
    value: quantity('lineLoad').required('is missing'),
  }),
  trapezoidal: object({
    type: string(),
    ...loadBase,
    span: spanIndex,
    from: quantity('length').required('is missing'),
    to: quantity('length').required('is missing'),
    start: quantity('lineLoad').required('is missing'),
    end: quantity('lineLoad').required('is missing'),
  }),
  point: object({
    type: string(),
    ...loadBase,
    span: spanIndex,
    at: quantity('length').required('is missing'),
    force: quantity('force').required('is missing'),
  }),
  moment: object({
    type: string(),
    ...loadBase,
    span: spanIndex,
    at: quantity('length').required('is missing'),
    moment: quantity('moment').required('is missing'),
  }),
  // kNm/m and kN are one unit.
  torque: object({ type: string(), ...loadBase, span: spanOrAll, value: quantity('force').required('is missing') }),
  pointTorque: object({
    type: string(),
    ...loadBase,
    span: spanIndex,
    at: quantity('length').required('is missing'),
    torque: quantity('moment').required('is missing'),
  }),
};
const load = byType(loads);

const forces = object({
  place: text(60),
  combination: text(60),
  moment: quantity('moment').default(0),
  shear: quantity('force').default(0),
  torsion: quantity('moment').default(0),
  axial: quantity('force').default(0),
});

const linkZone = object({
  to: quantity('length').required('is missing'),
  size: string().required('is missing'),
  legs: number().required('is missing'),
  spacing: quantity('length').required('is missing'),
});
const extra = object({
  bars: barGroup,
  from: quantity('length').nullable().default(null),
  to: quantity('length').nullable().default(null),
});
const bars = object({
  bottom: list(object({ main: barGroup, extra }), 22),
  top: list(object({ main: barGroup }), 22),
  links: list(object({ zones: array(linkZone).nullable().default(null) }), 22),
  side: barGroup,
  support: list(
    object({ bars: barGroup, left: quantity('length').nullable().default(null), right: quantity('length').nullable().default(null) }),
    23,
  ),
});

const wholeFrom = (least: number) =>
  number().integer('must be a whole number').min(least, `must be at least ${least}`).max(60, 'must be at most 60').nullable().default(null);

/** The schema of a beam; defaults that depend on the code come from it. */
function beamSchema(d: MaterialDefaults) {
  return object({
    id: text(60),
    type: string().oneOf(['beam'], 'must be one of: beam, column, wall, strip, panel, punching').default('beam'),
    mark: text(20),
    title: text(80),
    place: text(60),
    mode: oneOf(['loads', 'forces'], 'loads'),
    group: text(40),
    cuts: list(quantity('length').defined(), 40),
    section: object({
      shape: outlineFields.shape.default('rectangular'),
      b: quantity('length').default(300),
      h: quantity('length').default(500),
      flangeWidth: quantity('length').default(1000),
      flangeDepth: quantity('length').default(150),
      points: points.optional().default(undefined),
    }),
    slab: object({ left: quantity('length').default(2000), right: quantity('length').default(2000) })
      .nullable()
      .default(null),
    spans: array(span)
      .min(1, 'needs at least one span')
      .max(22, 'has at most 22 spans with cantilevers')
      .default([{ length: 6000, section: {}, camber: 0 }]),
    supports: list(support, 23),
    materials: materials(d),
    catalogue: catalogue(d),
    cover: object({ top: quantity('length').default(30), bottom: quantity('length').default(30), side: quantity('length').default(30) }),
    unitWeight: quantity('unitWeight').default(d.unitWeight),
    selfWeight: boolean().default(true),
    cases: list(loadCase, 40),
    loads: list(load as unknown as AnySchema, 500),
    forces: list(forces, 5000),
    bars,
    service,
    frame: oneOf(frameClasses, 'none'),
    barRules: object({
      mainSizes: list(string().defined(), 20),
      linkSizes: list(string().defined(), 20),
      leastBars: wholeFrom(2),
      mostBars: wholeFrom(2),
      legs: list(number().integer('must be a whole number').min(2, 'must be at least 2').max(20, 'must be at most 20').defined(), 10),
      spacings: list(quantity('length').defined(), 20),
      singlyReinforced: boolean().default(false),
    }),
    combinationsOff: list(string().defined(), 500),
    ownCombinations: list(combination, 100),
    choices: textMap,
    decisions,
    report: oneOf(['summary', 'working', 'full'], 'working'),
  });
}

/** Members by their type; one without a type is a beam. */
function memberSchema(d: MaterialDefaults) {
  const plain: Record<string, ObjectSchema<object>> = {
    beam: beamSchema(d),
    column: columnSchema(d),
    wall: wallSchema(d),
    punching: punchingSchema(d),
    strip: stripSchema(d),
    panel: panelSchema(d),
  };
  const schemas: Record<string, Schema> = Object.fromEntries(
    Object.entries(plain).map(([type, schema]) => [type, schema.shape({ variants: list(object({ name: text(60), state: schema }), 20) })]),
  );
  return lazy((value: { type?: string } | undefined): Schema => schemas[value?.type ?? 'beam'] ?? schemas.beam!);
}

const rate = (value: number) => number().min(0, 'must not be below 0').default(value);
const rates = (r: Rates) =>
  object({ concrete: rate(r.concrete), perMPa: rate(r.perMPa), steel: rate(r.steel), formwork: rate(r.formwork) });

/** The schema of a whole project file, once the code is known. */
export function projectSchema(defaults: MaterialDefaults) {
  return object({
    format: string().required('is missing').oneOf(['intarsia'], 'must be "intarsia"'),
    version: number().required('is missing'),
    id: text(60),
    name: text(120),
    info: object({ number: text(40), author: text(80), checker: text(80), revision: text(20), date: text(30), description: text(400) }),
    code: object({ id: oneOf(['en1992', 'aci318'], 'en1992'), variant: text(30), choices: textMap }),
    display: oneOf(['SI', 'US'], 'SI'),
    paper: oneOf(['A4', 'Letter'], 'A4'),
    bends: oneOf(bendSettings, 'byCode'),
    rates: object({ cost: rates(usualRates.cost), carbon: rates(usualRates.carbon) }),
    members: list(memberSchema(defaults) as unknown as AnySchema, 2000),
  });
}
