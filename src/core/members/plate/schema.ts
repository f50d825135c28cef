import { boolean, object } from 'yup';
import { number } from '../parts/schema-parts';
import type { MaterialDefaults } from '../../codes/design-code';
import { shapes } from '../column/schema';
import { punchingLegs } from '../punching/schema';
import * as field from '../parts/schema-parts';

/** Springs along a line, per length: against sinking, null is rigid, and against turning over it, null is none. */
const springs = { sinks: field.open('springLine'), turns: field.open('turningLine') };

/** A corner of the outline, and the edge from it to the next one: how it is held, and how far an arc rises from its chord, outwards. */
const corner = object({
  x: field.length(0),
  y: field.length(0),
  edge: field.oneOf(['simple', 'clamped', 'spring', 'free'], 'simple'),
  rise: field.length(0),
  /** Of an edge on springs. */
  ...springs,
});

/** The ends of a line, or two corners of a rectangle across from each other. */
const line = { x1: field.length(0), y1: field.length(0), x2: field.length(0), y2: field.length(0) };

/** A column: its middle on the plan, its outline, and the storeys below and above that hold its ends against turning; a height of nothing is none. */
const column = (d: MaterialDefaults) =>
  object({
    name: field.text(20),
    x: field.length(0),
    y: field.length(0),
    shape: field.byKind({ rectangle: shapes.rectangle, circle: shapes.circle }, { kind: 'rectangle', b: 300, h: 300 }),
    below: field.length(3000),
    above: field.length(0),
    farEnds: field.oneOf(['fixed', 'pinned'], 'fixed'),
    /** Links or studs in the slab around it. */
    legs: punchingLegs(d).nullable().default(null),
  });

/** Over everything, over a rectangle (N/mm2), along a line (N/mm), at a place (N). Positive down. */
const loads = {
  uniform: { ...field.loadBase, value: field.needed('areaLoad') },
  area: { ...field.loadBase, ...line, value: field.needed('areaLoad') },
  line: { ...field.loadBase, ...line, perLength: field.needed('lineLoad') },
  point: { ...field.loadBase, x1: field.length(0), y1: field.length(0), force: field.needed('force') },
};

/** From an age (days) on these cases are there, each so much of it. */
const stage = object({
  title: field.text(40),
  days: number().typeError('must be a number of days').required('is missing'),
  factors: field.list(object({ caseId: field.name(), factor: number().required('is missing') }), 40),
});

/** A beam below the slab along a line: b wide, h deep in all. */
const beam = object({
  name: field.text(20),
  ...line,
  b: field.length(300),
  h: field.length(500),
  /** Counted as a T with a flange of the slab, or as a rib about the middle of the slab; and the width of the flange. */
  counts: field.oneOf(['T', 'rib'], 'T'),
  flange: field.open(),
});

const degrees = (value: number) => number().typeError('must be a number of degrees').default(value);

const mesh = object({ x: field.slabBars, y: field.slabBars });

/** Bars beside those of a mesh, over a rectangle: their ends are its sides. */
const extra = object({
  face: field.oneOf(['bottom', 'top'], 'top'),
  along: field.oneOf(['x', 'y'], 'x'),
  ...line,
  bars: object({ size: field.name(), alternate: field.text(20).nullable().default(null), spacing: field.needed('length') }),
});

/** What a slab of any outline asks for, worked out as a plate. Lengths mm; x to the right and y up on the plan. */
export const plateFields = (d: MaterialDefaults) => ({
  outline: field.list(corner, 200),
  openings: field.list(object({ corners: field.points }), 40),
  /** Walls below the slab, inside its outline: it runs on over them. */
  walls: field.list(object({ ...line, ...springs }), 40),
  columns: field.list(column(d), 200),
  /** Beams below the slab that bend with it. */
  beams: field.list(beam, 60),
  /** Rectangles of another depth; their upper faces are level with the slab's. */
  regions: field.list(object({ ...line, h: field.length(300) }), 40),
  h: field.length(200),
  /** Formwork above level where the slab sinks most; it comes off the deflection in all. */
  camber: field.length(0),
  /** Poisson's ratio of the slab: that of concrete before it cracks, 0.2, or less. */
  poisson: number().default(0.2),
  /** Whether simple edges and walls hold the slab from turning along themselves, as a stiff straight wall does, or only from sinking. */
  simpleEdges: field.oneOf(['hard', 'soft'], 'hard'),
  /** Whether simple edges and walls hold the slab down, as by what stands on it there, or only press. */
  corners: field.oneOf(['held', 'lift'], 'held'),
  /** Length of the sides of triangles; null is chosen by the size of the slab. */
  meshSize: field.open(),
  /** The width over which moments and shears are means, across the bars; null is three times the depth. */
  spread: field.open(),
  materials: field.materials(d),
  catalogue: field.catalogue(d),
  cover: object({ top: field.length(25), bottom: field.length(25) }),
  /**
   * Directions of the bars: both at angles, that of bars "x" from the axis x and that of bars "y" from bars "x" (deg); or bars "x" radial and bars "y" around
   * a middle, with a mesh along x and y within a distance of it.
   */
  axes: field.byKind(
    { straight: { angle: degrees(0), between: degrees(90) }, ring: { x: field.length(0), y: field.length(0), inner: field.length(1000) } },
    { kind: 'straight', angle: 0, between: 90 },
  ),
  /** Bars that lie outside, below and above. */
  outer: field.oneOf(['x', 'y'], 'x'),
  unitWeight: field.quantity('unitWeight').default(d.unitWeight),
  selfWeight: boolean().default(true),
  cases: field.list(field.loadCase, 40),
  loads: field.list(field.byType(loads, 'uniform'), 200),
  /** Meshes over the whole slab, below and above, and bars over parts of it; null are chosen. */
  bars: object({ bottom: mesh, top: mesh, extra: field.list(extra, 200).nullable().default(null) }),
  barRules: field.slabBarRules,
  fire: field.fire,
  service: field.service.shape({
    /** Share of the tensile strength that is left where restraint uses the rest. */
    tension: number().default(1),
    /** Whether a direction cracks by its own moment alone, or by the twisting moment with it. */
    twist: field.oneOf(['own', 'bars'], 'bars'),
  }),
  /** History of loads; null is that of the code. */
  stages: field.list(stage, 12).nullable().default(null),
  /** Lines along which deflection is judged; null are proposed. */
  straightedges: field
    .list(object({ name: field.text(20), ...line }), 60)
    .nullable()
    .default(null),
  ...field.ownCombinations,
});
