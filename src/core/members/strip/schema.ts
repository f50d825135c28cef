import { array, boolean, object } from 'yup';
import type { MaterialDefaults } from '../../codes/design-code';
import {
  byType,
  catalogue,
  list,
  loadBase,
  loadCase,
  materials,
  oneOf,
  ownCombinations,
  quantity,
  service,
  slabBarRules,
  slabBars,
  spanIndex,
  spanOrAll,
  support,
} from '../parts/schema-parts';

const length = (value: number) => quantity('length').default(value);
const place = quantity('length').nullable().default(null);

/** Depth of a span where it differs from that of the slab. */
const span = object({ length: quantity('length').required('is missing'), h: place, camber: length(0) });

/** Over the area, on a line across the span, or at a point that a width of slab shares: N/mm2, N/mm, N. Positive down. */
const loads = {
  uniform: { ...loadBase, span: spanOrAll, value: quantity('areaLoad').required('is missing') },
  partial: {
    ...loadBase,
    span: spanIndex,
    from: quantity('length').required('is missing'),
    to: quantity('length').required('is missing'),
    value: quantity('areaLoad').required('is missing'),
  },
  line: { ...loadBase, span: spanIndex, at: quantity('length').required('is missing'), force: quantity('lineLoad').required('is missing') },
  point: {
    ...loadBase,
    span: spanIndex,
    at: quantity('length').required('is missing'),
    load: quantity('force').required('is missing'),
    width: quantity('length').required('is missing'),
  },
};

/** What a slab that spans one way asks for, designed as a strip. Lengths mm; positions along a span from its left end. */
export const stripFields = (d: MaterialDefaults) => ({
  h: length(200),
  /** Of the whole slab across its span, for quantities and the bar schedule. */
  breadth: length(1000),
  spans: array(span)
    .min(1, 'needs at least one span')
    .max(22, 'has at most 22 spans with cantilevers')
    .default([{ length: 4000, h: null, camber: 0 }]),
  supports: list(support, 23),
  materials: materials(d),
  catalogue: catalogue(d),
  /** To the outer bars. */
  cover: object({ top: length(25), bottom: length(25) }),
  /** Which bars lie outside: those along the span, or those across. */
  outer: oneOf(['along', 'across'], 'along'),
  unitWeight: quantity('unitWeight').default(d.unitWeight),
  selfWeight: boolean().default(true),
  cases: list(loadCase, 40),
  loads: list(byType(loads), 500),
  /** By span and by support; null main bars are chosen, null extra bars are none. Lengths of top bars from the support's centre line. */
  bars: object({
    bottom: list(object({ main: slabBars, extra: object({ bars: slabBars, from: place, to: place }) }), 22),
    /** Top bars through a span: those set, or as few as there have to be. */
    top: list(object({ main: slabBars }), 22),
    support: list(object({ bars: slabBars, left: place, right: place }), 23),
    /** Bars across the span, below and above. */
    across: object({ bottom: slabBars, top: slabBars }),
  }),
  barRules: slabBarRules,
  service,
  ...ownCombinations,
});
