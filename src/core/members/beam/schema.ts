import { array, boolean, object } from 'yup';
import { keyword, number, string } from '../parts/schema-parts';
import type { MaterialDefaults } from '../../codes/design-code';
import * as field from '../parts/schema-parts';

const barGroup = object({ count: number().typeError('must be a number').required('is missing'), size: field.name() })
  .nullable()
  .default(null);

const outlineFields = {
  shape: keyword(['rectangular', 'T', 'L', 'invertedT', 'free']),
  b: field.quantity('length'),
  h: field.quantity('length'),
  flangeWidth: field.quantity('length'),
  flangeDepth: field.quantity('length'),
};

const span = object({
  length: field.needed('length'),
  /** Dimensions that differ from those of the beam. */
  section: object(outlineFields).default({}),
  /** Upward camber of the formwork at midspan, or at the end of a cantilever. */
  camber: field.length(0),
});

/** Line loads N/mm, forces N, moments N mm; torques per length N mm/mm. Positive down. */
const loads = {
  uniform: { ...field.loadBase, span: field.spanOrAll, value: field.needed('lineLoad') },
  partial: {
    ...field.loadBase,
    span: field.spanIndex,
    from: field.needed('length'),
    to: field.needed('length'),
    value: field.needed('lineLoad'),
  },
  trapezoidal: {
    ...field.loadBase,
    span: field.spanIndex,
    from: field.needed('length'),
    to: field.needed('length'),
    start: field.needed('lineLoad'),
    end: field.needed('lineLoad'),
  },
  point: { ...field.loadBase, span: field.spanIndex, at: field.needed('length'), force: field.needed('force') },
  moment: { ...field.loadBase, span: field.spanIndex, at: field.needed('length'), moment: field.needed('moment') },
  // kNm/m and kN are one unit.
  torque: { ...field.loadBase, span: field.spanOrAll, value: field.needed('force') },
  pointTorque: { ...field.loadBase, span: field.spanIndex, at: field.needed('length'), torque: field.needed('moment') },
};
const forces = object({
  place: field.text(60),
  combination: field.text(60),
  /** Sagging positive. */
  moment: field.quantity('moment').default(0),
  shear: field.quantity('force').default(0),
  torsion: field.quantity('moment').default(0),
  /** At the centroid of the plain section, compression positive. */
  axial: field.quantity('force').default(0),
});

/** What the forces of a set stand for: strength, or a state in service. */
const stationUse = field.oneOf(
  ['ultimate', 'characteristic', 'frequent', 'quasiPermanent', 'service', 'sustained', 'permanent'],
  'ultimate',
);
const stationSet = object({ name: field.name().max(60), use: stationUse });
/** Forces of a set at a place of a span, from its left end. Two rows at one place are both sides of a jump, left first. */
const stationForces = object({
  set: field.text(60),
  span: field.spanIndex,
  at: field.needed('length'),
  /** Sagging positive. */
  moment: field.quantity('moment').default(0),
  /** As the slope of the moment: positive where the moment grows to the right. */
  shear: field.quantity('force').default(0),
  torsion: field.quantity('moment').default(0),
});

const linkZone = object({
  /** Where the zone ends, from the left end of the span; the last zone ends with the span. */
  to: field.needed('length'),
  size: field.name(),
  legs: number().required('is missing'),
  spacing: field.needed('length'),
});
const extra = object({ bars: barGroup, from: field.open(), to: field.open() });
/** By span and by support; null is chosen. Lengths of top bars from the support's centre line. */
const bars = object({
  bottom: field.list(object({ main: barGroup, extra }), 22),
  top: field.list(object({ main: barGroup }), 22),
  links: field.list(object({ zones: array(linkZone).nullable().default(null) }), 22),
  /** Bars along each side face of the beam; null are those that torsion needs. */
  side: barGroup,
  support: field.list(object({ bars: barGroup, left: field.open(), right: field.open() }), 23),
});

const wholeFrom = (least: number) =>
  number().integer('must be a whole number').min(least, `must be at least ${least}`).max(60, 'must be at most 60').nullable().default(null);

/**
 * What a continuous beam asks for; or (mode "stations") one whose forces along its spans are known from an analysis; or (mode "forces") a section
 * whose design forces are known. Lengths mm; positions along a span from its left end.
 */
export const beamFields = (d: MaterialDefaults) => ({
  mode: field.oneOf(['loads', 'stations', 'forces'], 'loads'),
  section: object({
    shape: outlineFields.shape.default('rectangular'),
    b: field.length(300),
    h: field.length(500),
    flangeWidth: field.length(1000),
    flangeDepth: field.length(150),
    points: field.points.optional().default(undefined),
  }),
  /** Clear distances to the next webs on both sides, from which the code finds the flange; null takes its width as given. */
  slab: object({ left: field.length(2000), right: field.length(2000) })
    .nullable()
    .default(null),
  spans: field.spans(span, { length: 6000, section: {}, camber: 0 }),
  supports: field.list(field.support, 23),
  materials: field.materials(d),
  catalogue: field.catalogue(d),
  /** To the outside of the links. */
  cover: object({ top: field.length(30), bottom: field.length(30), side: field.length(30) }),
  unitWeight: field.quantity('unitWeight').default(d.unitWeight),
  selfWeight: boolean().default(true),
  cases: field.list(field.loadCase, 40),
  loads: field.list(field.byType(loads), 500),
  forces: field.list(forces, 5000),
  stationSets: field.list(stationSet, 60),
  stations: field.list(stationForces, 5000),
  bars,
  service: field.service,
  fire: field.fire,
  /** Class of the ductile frame in which the beam stands, as the code names them. */
  frame: field.text(20).default('none'),
  /** Furthest distance of the places at which its compressed part is held sideways; null where a slab holds it all along. */
  lateralHold: field.open(),
  /** Along the edge of the building. */
  isPerimeter: boolean().default(false),
  /** What the automatic choice of bars may use; an empty list is everything usual. */
  barRules: object({
    mainSizes: field.list(string().defined(), 20),
    linkSizes: field.list(string().defined(), 20),
    /** Fewest and most bars of a group; null leaves them open. */
    leastBars: wholeFrom(2),
    mostBars: wholeFrom(2),
    /** Legs that links may have, and spacings (mm) in which they may stand. */
    legs: field.list(number().integer('must be a whole number').min(2, 'must be at least 2').max(20, 'must be at most 20').defined(), 10),
    spacings: field.list(field.quantity('length').defined(), 20),
    /** Refuse compression steel that strength would need. */
    singlyReinforced: boolean().default(false),
  }),
  ...field.ownCombinations,
});

/** What a beam in a project asks for besides. */
export const beamMemberFields = (d: MaterialDefaults) => ({
  ...beamFields(d),
  /** Beams of one group share their section and bars; empty for none. */
  group: field.text(40),
  /** Where the report cuts the beam (mm from its left end); none: over the supports and in midspan. */
  cuts: field.list(field.quantity('length').defined(), 40),
});
