import { boolean, number, object, string } from 'yup';
import type { MaterialDefaults } from '../../codes/design-code';
import { byKind, catalogue, list, loadCase, materials, oneOf, ownCombinations, points, quantity, text } from '../parts/schema-parts';

const length = (value: number) => quantity('length').default(value);
/** Outlines by their dimensions; what they mean stands with the shapes themselves. */
export const shapes = {
  rectangle: { b: length(350), h: length(350) },
  circle: { diameter: length(450) },
  ring: { diameter: length(600), wall: length(150) },
  L: { b: length(600), h: length(600), tx: length(250), ty: length(250) },
  T: { b: length(600), h: length(500), web: length(250), flange: length(200) },
  cross: { b: length(600), h: length(600), tx: length(250), ty: length(250) },
  I: { b: length(500), h: length(700), web: length(200), flange: length(180) },
  free: { outer: points, holes: list(points, 20) },
};
const bars = {
  sides: {
    corner: string().required('is missing'),
    alongX: number().default(0),
    sizeX: string().default(''),
    alongY: number().default(0),
    sizeY: string().default(''),
  },
  ring: { count: number().default(8), size: string().required('is missing') },
  outline: { size: string().required('is missing'), spacing: length(250) },
  list: {
    bars: list(
      object({
        x: quantity('length').required('is missing'),
        y: quantity('length').required('is missing'),
        size: string().required('is missing'),
      }),
      200,
    ),
  },
};

const restraint = { b: length(300), h: length(500), length: length(6000) };
const end = object({
  kind: oneOf(['fixed', 'pinned', 'free', 'framed'], 'pinned'),
  beams: list(object({ ...restraint, far: oneOf(['fixed', 'pinned', 'continuous'], 'continuous') }), 8),
  column: object({ b: length(300), h: length(300), length: length(3000) })
    .nullable()
    .default(null),
});
/** How the column is held for bending about one axis. */
const axis = object({
  isBraced: boolean().default(true),
  /** Clear height in this direction; null is that of the column. */
  clear: quantity('length').nullable().default(null),
  mode: oneOf(['factor', 'length', 'ends'], 'factor'),
  /** Effective length over clear height, and as a length. */
  factor: number().default(1),
  length: length(3000),
  top: end,
  bottom: end,
});
/**
 * N compression positive. Mx bends about the x-axis and, positive, compresses the top of the section as drawn (+y); My bends about the y-axis and
 * compresses its right side (+x). Equal signs at both ends bend the column in single curvature.
 */
const forces = {
  N: quantity('force').default(0),
  mxTop: quantity('moment').default(0),
  mxBottom: quantity('moment').default(0),
  myTop: quantity('moment').default(0),
  myBottom: quantity('moment').default(0),
  /** Shear along x (with My) and along y (with Mx), and torsion. */
  vx: quantity('force').default(0),
  vy: quantity('force').default(0),
  torsion: quantity('moment').default(0),
  /** At the foot, where it differs from the top; else null. */
  nBottom: quantity('force').nullable().default(null),
  vxBottom: quantity('force').nullable().default(null),
  vyBottom: quantity('force').nullable().default(null),
};
const part = number().typeError('must be a number from 0 to 1').nullable().default(null);
const loadSet = object({
  name: text(40),
  title: text(80),
  kind: oneOf(['ultimate', 'characteristic', 'frequent', 'quasiPermanent', 'service'], 'ultimate'),
  ...forces,
  /** Sustained part of the load, and the part of the moments that comes with sway; null takes those of the column. */
  sustained: part,
  sway: part,
});

/** What columns and walls have in common. */
export const uprightFields = (d: MaterialDefaults) => ({
  /** Clear height. */
  height: length(3000),
  /** To the outside of the ties, or to the outer bars of a wall. */
  cover: length(30),
  materials: materials(d),
  catalogue: catalogue(d),
  unitWeight: quantity('unitWeight').default(d.unitWeight),
  axes: object({ x: axis, y: axis }),
  storey: object({
    Q: number().nullable().default(null),
    sumP: quantity('force').nullable().default(null),
    sumPc: quantity('force').nullable().default(null),
  }),
  mode: oneOf(['sets', 'cases'], 'sets'),
  /** Factored or service forces that go together: what a frame analysis gives. */
  sets: list(loadSet, 20_000),
  cases: list(loadCase, 40),
  /** Forces of one load case, to be combined by the code. */
  caseForces: list(object({ case: string().required('is missing'), ...forces }), 200),
  ...ownCombinations,
  /** For sets that do not say it themselves; null is not known. */
  sustained: part,
  sway: part,
  /** How end moments are typed: equal signs bend in single curvature, or turn both ends the same way (double curvature). */
  signs: oneOf(['bending', 'turning'], 'bending'),
  /** The office's practical limit of steel, and the crack width that is allowed (mm). */
  steelLimit: number().min(0.001, 'must be above 0').max(0.2, 'must be at most 0.2').default(0.04),
  crackLimit: length(0.3),
});

/** What a column asks for: a section of any shape along a clear height, with its load sets. Lengths mm, forces N, moments N mm. */
export function columnFields(d: MaterialDefaults) {
  const isUS = d.catalogue === 'us';
  const size = isUS ? '#8' : d.catalogue === 'softMetric' ? 'No.25' : d.catalogue === 'australian' ? 'N24' : '20';
  const tie = isUS ? '#3' : d.catalogue === 'softMetric' ? 'No.10' : d.catalogue === 'australian' ? 'N10' : '8';
  return {
    shape: byKind(shapes, { kind: 'rectangle', b: 350, h: 350 }),
    bars: byKind(bars, { kind: 'sides', corner: size, alongX: 0, sizeX: size, alongY: 0, sizeY: size }),
    ties: object({
      size: string().default(tie),
      spacing: length(200),
      /** Spacing near the ends and over laps; null is as the code wants it. */
      spacingEnds: quantity('length').nullable().default(null),
      /** Cross ties in a set; null is as many as are needed. */
      cross: number().nullable().default(null),
    }),
    transverse: oneOf(['ties', 'spiral'], 'ties'),
    ...uprightFields(d),
  };
}
