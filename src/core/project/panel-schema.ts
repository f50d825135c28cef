import { boolean, number, object, string } from 'yup';
import type { MaterialDefaults } from '../codes/design-code';
import {
  catalogue,
  combination,
  decisions,
  list,
  loadBase,
  loadCase,
  materials,
  oneOf,
  quantity,
  slabBars,
  text,
  textMap,
} from './schema-parts';

const length = (value: number) => quantity('length').default(value);
const edge = oneOf(['simple', 'continuous'], 'simple');

/** The schema of a panel on four edges; defaults that depend on the code come from it. */
export function panelSchema(d: MaterialDefaults) {
  return object({
    id: text(60),
    type: string().oneOf(['panel'], 'must be one of: beam, column, wall, strip, panel, punching').default('panel'),
    mark: text(20),
    title: text(80),
    place: text(60),
    lx: length(5000),
    ly: length(6000),
    h: length(180),
    edges: object({ left: edge, right: edge, bottom: edge, top: edge }),
    supportWidth: length(200),
    beamStiffness: number().nullable().default(null),
    isHeldDown: boolean().default(true),
    method: oneOf(['strips', 'yieldLines', 'coefficients'], 'strips'),
    share: number().nullable().default(null),
    supportRatio: number().default(1),
    mu: number().nullable().default(null),
    materials: materials(d),
    catalogue: catalogue(d),
    cover: object({ top: length(25), bottom: length(25) }),
    outer: oneOf(['x', 'y'], 'x'),
    unitWeight: quantity('unitWeight').default(d.unitWeight),
    selfWeight: boolean().default(true),
    cases: list(loadCase, 40),
    loads: list(object({ ...loadBase, value: quantity('areaLoad').required('is missing') }), 100),
    bars: object({ x: slabBars, y: slabBars, left: slabBars, right: slabBars, bottom: slabBars, top: slabBars }),
    barRules: object({ sizes: list(string().defined(), 20), spacings: list(quantity('length').defined(), 20) }),
    hasPartitions: boolean().default(true),
    combinationsOff: list(string().defined(), 500),
    ownCombinations: list(combination, 100),
    choices: textMap,
    decisions,
    report: oneOf(['summary', 'working', 'full'], 'working'),
  });
}
