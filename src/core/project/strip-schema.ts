import { array, boolean, object, string, type AnySchema } from 'yup';
import type { MaterialDefaults } from '../codes/design-code';
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
  slabBars,
  spanIndex,
  spanOrAll,
  support,
  text,
  textMap,
} from './schema-parts';

const length = (value: number) => quantity('length').default(value);
const place = quantity('length').nullable().default(null);

const span = object({ length: quantity('length').required('is missing'), h: place, camber: length(0) });

const loads = {
  uniform: object({ type: string(), ...loadBase, span: spanOrAll, value: quantity('areaLoad').required('is missing') }),
  partial: object({
    type: string(),
    ...loadBase,
    span: spanIndex,
    from: quantity('length').required('is missing'),
    to: quantity('length').required('is missing'),
    value: quantity('areaLoad').required('is missing'),
  }),
  line: object({
    type: string(),
    ...loadBase,
    span: spanIndex,
    at: quantity('length').required('is missing'),
    force: quantity('lineLoad').required('is missing'),
  }),
  point: object({
    type: string(),
    ...loadBase,
    span: spanIndex,
    at: quantity('length').required('is missing'),
    load: quantity('force').required('is missing'),
    width: quantity('length').required('is missing'),
  }),
};

/** The schema of a slab that spans one way; defaults that depend on the code come from it. */
export function stripSchema(d: MaterialDefaults) {
  return object({
    id: text(60),
    type: string().oneOf(['strip'], 'must be one of: beam, column, wall, strip, panel, punching').default('strip'),
    mark: text(20),
    title: text(80),
    place: text(60),
    h: length(200),
    breadth: length(1000),
    spans: array(span)
      .min(1, 'needs at least one span')
      .max(22, 'has at most 22 spans with cantilevers')
      .default([{ length: 4000, h: null, camber: 0 }]),
    supports: list(support, 23),
    materials: materials(d),
    catalogue: catalogue(d),
    cover: object({ top: length(25), bottom: length(25) }),
    outer: oneOf(['along', 'across'], 'along'),
    unitWeight: quantity('unitWeight').default(d.unitWeight),
    selfWeight: boolean().default(true),
    cases: list(loadCase, 40),
    loads: list(byType(loads) as unknown as AnySchema, 500),
    bars: object({
      bottom: list(object({ main: slabBars, extra: object({ bars: slabBars, from: place, to: place }) }), 22),
      top: list(object({ main: slabBars }), 22),
      support: list(object({ bars: slabBars, left: place, right: place }), 23),
      across: object({ bottom: slabBars, top: slabBars }),
    }),
    barRules: object({ sizes: list(string().defined(), 20), spacings: list(quantity('length').defined(), 20) }),
    service,
    combinationsOff: list(string().defined(), 500),
    ownCombinations: list(combination, 100),
    choices: textMap,
    decisions,
    report: oneOf(['summary', 'working', 'full'], 'working'),
  });
}
