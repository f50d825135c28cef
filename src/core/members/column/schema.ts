import { boolean, object } from 'yup';
import { number, string } from '../parts/schema-parts';
import type { MaterialDefaults } from '../../codes/design-code';
import * as field from '../parts/schema-parts';

/** Outlines by their dimensions; what they mean stands with the shapes themselves. */
export const shapes = {
  rectangle: { b: field.length(350), h: field.length(350) },
  circle: { diameter: field.length(450) },
  ring: { diameter: field.length(600), wall: field.length(150) },
  L: { b: field.length(600), h: field.length(600), tx: field.length(250), ty: field.length(250) },
  T: { b: field.length(600), h: field.length(500), web: field.length(250), flange: field.length(200) },
  cross: { b: field.length(600), h: field.length(600), tx: field.length(250), ty: field.length(250) },
  I: { b: field.length(500), h: field.length(700), web: field.length(200), flange: field.length(180) },
  free: { outer: field.points, holes: field.list(field.points, 20) },
};
const bars = {
  sides: {
    corner: field.name(),
    alongX: number().default(0),
    sizeX: string().default(''),
    alongY: number().default(0),
    sizeY: string().default(''),
  },
  ring: { count: number().default(8), size: field.name() },
  outline: { size: field.name(), spacing: field.length(250) },
  list: { bars: field.list(object({ x: field.needed('length'), y: field.needed('length'), size: field.name() }), 200) },
};

/** What restrains an end; a size that is not said is asked for, never made up. */
const restraint = { b: field.open(), h: field.open(), length: field.open() };
const end = object({
  kind: field.oneOf(['fixed', 'pinned', 'free', 'framed'], 'pinned'),
  beams: field.list(object({ ...restraint, far: field.oneOf(['fixed', 'pinned', 'continuous'], 'continuous') }), 8),
  column: object(restraint).nullable().default(null),
});
/** How the column is held for bending about one axis. */
const axis = object({
  isBraced: boolean().default(true),
  /** Clear height in this direction; null is that of the column. */
  clear: field.open(),
  mode: field.oneOf(['factor', 'length', 'ends'], 'factor'),
  /** Effective length over clear height, and as a length. */
  factor: number().default(1),
  length: field.length(3000),
  top: end,
  bottom: end,
});
/**
 * N compression positive. Mx bends about the x-axis and, positive, compresses the top of the section as drawn (+y); My bends about the y-axis and
 * compresses its right side (+x). Equal signs at both ends bend the column in single curvature.
 */
const forces = {
  N: field.quantity('force').default(0),
  mxTop: field.quantity('moment').default(0),
  mxBottom: field.quantity('moment').default(0),
  myTop: field.quantity('moment').default(0),
  myBottom: field.quantity('moment').default(0),
  /** Shear along x (with My) and along y (with Mx), and torsion. */
  vx: field.quantity('force').default(0),
  vy: field.quantity('force').default(0),
  torsion: field.quantity('moment').default(0),
  /** At the foot, where it differs from the top; else null. */
  nBottom: field.open('force'),
  vxBottom: field.open('force'),
  vyBottom: field.open('force'),
};
const part = number().typeError('must be a number from 0 to 1').nullable().default(null);
const loadSet = object({
  name: field.text(40),
  title: field.text(80),
  kind: field.oneOf(['ultimate', 'characteristic', 'frequent', 'quasiPermanent', 'service'], 'ultimate'),
  ...forces,
  /** Sustained part of the load, and the part of the moments that comes with sway; null takes those of the column. */
  sustained: part,
  sway: part,
});

/** Strengths at a joint for bending about one axis; null is not known, and beyond as the column itself. */
const jointStrengths = object({
  /** Sum of the strengths of the beams that join, for the sense in which it is larger. */
  beams: field.open('moment'),
  /** The same as they yield, where the code asks for another strength then. */
  yielding: field.open('moment'),
  /** Strength of the column on the other side of the joint. */
  beyond: field.open('moment'),
});
const joint = object({ kind: field.oneOf(['joint', 'last', 'base'], 'joint'), x: jointStrengths, y: jointStrengths });

/** What columns and walls have in common. */
export const uprightFields = (d: MaterialDefaults) => ({
  /** Clear height. */
  height: field.length(3000),
  /** To the outside of the ties, or to the outer bars of a wall. */
  cover: field.length(30),
  materials: field.materials(d),
  catalogue: field.catalogue(d),
  unitWeight: field.quantity('unitWeight').default(d.unitWeight),
  /** Whether the member's own weight is added to N towards the foot. */
  selfWeight: boolean().default(false),
  /** Factor on it in sets that are factored already; null is not said. Combined cases have that of the code. */
  weightFactor: number().typeError('must be a number').nullable().default(null),
  axes: object({ x: axis, y: axis }),
  storey: object({ Q: number().nullable().default(null), sumP: field.open('force'), sumPc: field.open('force') }),
  mode: field.oneOf(['sets', 'cases'], 'sets'),
  /** Factored or service forces that go together: what a frame analysis gives. */
  sets: field.list(loadSet, 20_000),
  imported: field.imported,
  cases: field.list(field.loadCase, 40),
  /** Forces of one load case, to be combined by the code. */
  caseForces: field.list(object({ case: field.name(), ...forces }), 200),
  ...field.ownCombinations,
  /** For sets that do not say it themselves; null is not known. */
  sustained: part,
  sway: part,
  /** How end moments are typed: equal signs bend in single curvature, or turn both ends the same way (double curvature). */
  signs: field.oneOf(['bending', 'turning'], 'bending'),
  /** The office's practical limit of steel, and the crack width that is allowed (mm). */
  steelLimit: number().min(0.001, 'must be above 0').max(0.2, 'must be at most 0.2').default(0.04),
  crackLimit: field.length(0.3),
  fire: field.fire,
});

/** What a column asks for: a section of any shape along a clear height, with its load sets. Lengths mm, forces N, moments N mm. */
export function columnFields(d: MaterialDefaults) {
  const isUS = d.catalogue === 'us';
  const size = isUS ? '#8' : d.catalogue === 'softMetric' ? 'No.25' : d.catalogue === 'australian' ? 'N24' : '20';
  const tie = isUS ? '#3' : d.catalogue === 'softMetric' ? 'No.10' : d.catalogue === 'australian' ? 'N10' : '8';
  return {
    shape: field.byKind(shapes, { kind: 'rectangle', b: 350, h: 350 }),
    bars: field.byKind(bars, { kind: 'sides', corner: size, alongX: 0, sizeX: size, alongY: 0, sizeY: size }),
    ties: object({
      size: string().default(tie),
      spacing: field.length(200),
      /** Spacing near the ends and over laps; null is as the code wants it. */
      spacingEnds: field.open(),
      /** Cross ties in a set; null is as many as are needed. */
      cross: number().nullable().default(null),
    }),
    transverse: field.oneOf(['ties', 'spiral'], 'ties'),
    /** A section by itself: the forces of a set act in it, those of the top; there is no height, and no rule of columns. */
    isSection: boolean().default(false),
    /**
     * A slab worked out as a plate, by its id, and the name of a column below it: shape and forces are those there. With what stands above that slab on the
     * column: the most and the least axial force under ultimate loads, and that in service.
     */
    from: object({
      member: field.name(),
      column: field.text(20),
      /** The least is the most where it is null. */
      above: object({ most: field.quantity('force').default(0), least: field.open('force'), service: field.quantity('force').default(0) }),
    })
      .nullable()
      .default(null),
    /** How ductile its frame is, by the code's words, and what it meets at its joints. */
    frame: field.text(20).default('none'),
    frameJoints: object({
      /** Bending that comes with the sway of the frame. */
      about: field.oneOf(['both', 'x', 'y'], 'both'),
      /** Axial force in an earthquake; null is that of all ultimate load sets. */
      most: field.open('force'),
      least: field.open('force'),
      /** Sensitivity of the storey to drift; null is not known. */
      drift: number().min(0, 'must be at least 0').max(1, 'must be at most 1').nullable().default(null),
      top: joint,
      foot: joint,
    }),
    ...uprightFields(d),
  };
}
