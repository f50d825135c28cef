import { array, boolean, number, object, string } from 'yup';
import type { MaterialDefaults } from '../../codes/design-code';
import { frameClasses } from '../../codes/frame-rules';
import {
  byType,
  catalogue,
  list,
  loadBase,
  loadCase,
  materials,
  oneOf,
  ownCombinations,
  points,
  quantity,
  service,
  spanIndex,
  spanOrAll,
  support,
  text,
} from '../parts/schema-parts';

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
  /** Dimensions that differ from those of the beam. */
  section: object(outlineFields).default({}),
  /** Upward camber of the formwork at midspan, or at the end of a cantilever. */
  camber: quantity('length').default(0),
});

/** Line loads N/mm, forces N, moments N mm; torques per length N mm/mm. Positive down. */
const loads = {
  uniform: { ...loadBase, span: spanOrAll, value: quantity('lineLoad').required('is missing') },
  partial: {
    ...loadBase,
    span: spanIndex,
    from: quantity('length').required('is missing'),
    to: quantity('length').required('is missing'),
    value: quantity('lineLoad').required('is missing'),
  },
  trapezoidal: {
    ...loadBase,
    span: spanIndex,
    from: quantity('length').required('is missing'),
    to: quantity('length').required('is missing'),
    start: quantity('lineLoad').required('is missing'),
    end: quantity('lineLoad').required('is missing'),
  },
  point: { ...loadBase, span: spanIndex, at: quantity('length').required('is missing'), force: quantity('force').required('is missing') },
  moment: {
    ...loadBase,
    span: spanIndex,
    at: quantity('length').required('is missing'),
    moment: quantity('moment').required('is missing'),
  },
  // kNm/m and kN are one unit.
  torque: { ...loadBase, span: spanOrAll, value: quantity('force').required('is missing') },
  pointTorque: {
    ...loadBase,
    span: spanIndex,
    at: quantity('length').required('is missing'),
    torque: quantity('moment').required('is missing'),
  },
};
const forces = object({
  place: text(60),
  combination: text(60),
  /** Sagging positive. */
  moment: quantity('moment').default(0),
  shear: quantity('force').default(0),
  torsion: quantity('moment').default(0),
  /** At the centroid of the plain section, compression positive. */
  axial: quantity('force').default(0),
});

const linkZone = object({
  /** Where the zone ends, from the left end of the span; the last zone ends with the span. */
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
/** By span and by support; null is chosen. Lengths of top bars from the support's centre line. */
const bars = object({
  bottom: list(object({ main: barGroup, extra }), 22),
  top: list(object({ main: barGroup }), 22),
  links: list(object({ zones: array(linkZone).nullable().default(null) }), 22),
  /** Bars along each side face of the beam; null are those that torsion needs. */
  side: barGroup,
  support: list(
    object({ bars: barGroup, left: quantity('length').nullable().default(null), right: quantity('length').nullable().default(null) }),
    23,
  ),
});

const wholeFrom = (least: number) =>
  number().integer('must be a whole number').min(least, `must be at least ${least}`).max(60, 'must be at most 60').nullable().default(null);

/** What a continuous beam asks for, or (mode "forces") a section whose design forces are known. Lengths mm; positions along a span from its left end. */
export const beamFields = (d: MaterialDefaults) => ({
  mode: oneOf(['loads', 'forces'], 'loads'),
  section: object({
    shape: outlineFields.shape.default('rectangular'),
    b: quantity('length').default(300),
    h: quantity('length').default(500),
    flangeWidth: quantity('length').default(1000),
    flangeDepth: quantity('length').default(150),
    points: points.optional().default(undefined),
  }),
  /** Clear distances to the next webs on both sides, from which the code finds the flange; null takes its width as given. */
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
  /** To the outside of the links. */
  cover: object({ top: quantity('length').default(30), bottom: quantity('length').default(30), side: quantity('length').default(30) }),
  unitWeight: quantity('unitWeight').default(d.unitWeight),
  selfWeight: boolean().default(true),
  cases: list(loadCase, 40),
  loads: list(byType(loads), 500),
  forces: list(forces, 5000),
  bars,
  service,
  /** Class of the ductile frame in which the beam stands, as the code names them. */
  frame: oneOf(frameClasses, 'none'),
  /** What the automatic choice of bars may use; an empty list is everything usual. */
  barRules: object({
    mainSizes: list(string().defined(), 20),
    linkSizes: list(string().defined(), 20),
    /** Fewest and most bars of a group; null leaves them open. */
    leastBars: wholeFrom(2),
    mostBars: wholeFrom(2),
    /** Legs that links may have, and spacings (mm) in which they may stand. */
    legs: list(number().integer('must be a whole number').min(2, 'must be at least 2').max(20, 'must be at most 20').defined(), 10),
    spacings: list(quantity('length').defined(), 20),
    /** Refuse compression steel that strength would need. */
    singlyReinforced: boolean().default(false),
  }),
  ...ownCombinations,
});

/** What a beam in a project asks for besides. */
export const beamMemberFields = (d: MaterialDefaults) => ({
  ...beamFields(d),
  /** Beams of one group share their section and bars; empty for none. */
  group: text(40),
  /** Where the report cuts the beam (mm from its left end); none: over the supports and in midspan. */
  cuts: list(quantity('length').defined(), 40),
});
