import { array, boolean, lazy, number, object, string, type AnySchema, type Schema } from 'yup';
import type { MaterialDefaults } from '../codes/design-code';
import { catalogue, combination, decisions, list, loadCase, materials, oneOf, quantity, text, textMap } from './schema-parts';

export const points = array(array(quantity('length').required('is missing')).length(2, 'must be [x, y]').required())
  .max(400, 'has at most 400 corners')
  .default([]);
const length = (value: number) => quantity('length').default(value);
export const shapes: Record<string, Schema> = {
  rectangle: object({ kind: string(), b: length(350), h: length(350) }),
  circle: object({ kind: string(), diameter: length(450) }),
  ring: object({ kind: string(), diameter: length(600), wall: length(150) }),
  L: object({ kind: string(), b: length(600), h: length(600), tx: length(250), ty: length(250) }),
  T: object({ kind: string(), b: length(600), h: length(500), web: length(250), flange: length(200) }),
  cross: object({ kind: string(), b: length(600), h: length(600), tx: length(250), ty: length(250) }),
  I: object({ kind: string(), b: length(500), h: length(700), web: length(200), flange: length(180) }),
  free: object({ kind: string(), outer: points, holes: list(points, 20) }),
};
const bars: Record<string, Schema> = {
  sides: object({
    kind: string(),
    corner: string().required('is missing'),
    alongX: number().default(0),
    sizeX: string().default(''),
    alongY: number().default(0),
    sizeY: string().default(''),
  }),
  ring: object({ kind: string(), count: number().default(8), size: string().required('is missing') }),
  outline: object({ kind: string(), size: string().required('is missing'), spacing: length(250) }),
  list: object({
    kind: string(),
    bars: list(
      object({
        x: quantity('length').required('is missing'),
        y: quantity('length').required('is missing'),
        size: string().required('is missing'),
      }),
      200,
    ),
  }),
};
/** An object whose fields depend on its "kind". */
export const byKind = (kinds: Record<string, Schema>, fallback: object) =>
  lazy((value: { kind?: string } | undefined): Schema => {
    if (value === undefined) return object().default(() => fallback) as unknown as Schema;
    const names = Object.keys(kinds);
    return (
      kinds[value?.kind ?? ''] ??
      object({
        kind: string()
          .required('is missing')
          .oneOf(names, `must be one of: ${names.join(', ')}`),
      })
    );
  });

const restraint = { b: length(300), h: length(500), length: length(6000) };
const end = object({
  kind: oneOf(['fixed', 'pinned', 'free', 'framed'], 'pinned'),
  beams: list(object({ ...restraint, far: oneOf(['fixed', 'pinned', 'continuous'], 'continuous') }), 8),
  column: object({ b: length(300), h: length(300), length: length(3000) })
    .nullable()
    .default(null),
});
const axis = object({
  isBraced: boolean().default(true),
  clear: quantity('length').nullable().default(null),
  mode: oneOf(['factor', 'length', 'ends'], 'factor'),
  factor: number().default(1),
  length: length(3000),
  top: end,
  bottom: end,
});
const forces = {
  N: quantity('force').default(0),
  mxTop: quantity('moment').default(0),
  mxBottom: quantity('moment').default(0),
  myTop: quantity('moment').default(0),
  myBottom: quantity('moment').default(0),
  vx: quantity('force').default(0),
  vy: quantity('force').default(0),
  torsion: quantity('moment').default(0),
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
  sustained: part,
  sway: part,
});

/** What members of every type begin with. */
const base = { id: text(60), mark: text(20), title: text(80), place: text(60) };

/** What columns and walls have in common. */
const upright = (d: MaterialDefaults) => ({
  height: length(3000),
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
  sets: list(loadSet, 20_000),
  cases: list(loadCase, 40),
  caseForces: list(object({ case: string().required('is missing'), ...forces }), 200),
  combinationsOff: list(string().defined(), 500),
  ownCombinations: list(combination, 100),
  sustained: part,
  sway: part,
  signs: oneOf(['bending', 'turning'], 'bending'),
  steelLimit: number().min(0.001, 'must be above 0').max(0.2, 'must be at most 0.2').default(0.04),
  crackLimit: length(0.3),
  choices: textMap,
  decisions,
  report: oneOf(['summary', 'working', 'full'], 'working'),
});

/** The schema of a wall; defaults that depend on the code come from it. */
export function wallSchema(d: MaterialDefaults) {
  const size = d.catalogue === 'us' ? '#4' : d.catalogue === 'softMetric' ? 'No.13' : d.catalogue === 'australian' ? 'N12' : '12';
  const mesh = object({ size: string().default(size), spacing: length(200) });
  return object({
    ...base,
    type: string().oneOf(['wall']).default('wall'),
    thickness: length(200),
    isStrip: boolean().default(true),
    length: length(3000),
    vertical: mesh,
    horizontal: mesh,
    horizontalOutside: boolean().default(true),
    restraint: oneOf(['given', 'twoSides', 'threeSides', 'fourSides', 'cantilever'], 'given'),
    between: length(5000),
    ...upright(d),
  });
}

/** The schema of a column; defaults that depend on the code come from it. */
export function columnSchema(d: MaterialDefaults) {
  const isUS = d.catalogue === 'us';
  const size = isUS ? '#8' : d.catalogue === 'softMetric' ? 'No.25' : d.catalogue === 'australian' ? 'N24' : '20';
  const tie = isUS ? '#3' : d.catalogue === 'softMetric' ? 'No.10' : d.catalogue === 'australian' ? 'N10' : '8';
  return object({
    ...base,
    type: string().oneOf(['column']).default('column'),
    shape: byKind(shapes, { kind: 'rectangle', b: 350, h: 350 }) as unknown as AnySchema,
    bars: byKind(bars, { kind: 'sides', corner: size, alongX: 0, sizeX: size, alongY: 0, sizeY: size }) as unknown as AnySchema,
    ties: object({
      size: string().default(tie),
      spacing: length(200),
      spacingEnds: quantity('length').nullable().default(null),
      cross: number().nullable().default(null),
    }),
    transverse: oneOf(['ties', 'spiral'], 'ties'),
    ...upright(d),
  });
}
