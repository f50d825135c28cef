import { boolean, object } from 'yup';
import type { MaterialDefaults } from '../../codes/design-code';
import * as field from '../parts/schema-parts';

const place = field.open();

/** Depth of a span where it differs from that of the slab. */
const span = object({ length: field.needed('length'), h: place, camber: field.length(0) });

/** Over the area, on a line across the span, or at a point that a width of slab shares: N/mm2, N/mm, N. Positive down. */
const loads = {
  uniform: { ...field.loadBase, span: field.spanOrAll, value: field.needed('areaLoad') },
  partial: {
    ...field.loadBase,
    span: field.spanIndex,
    from: field.needed('length'),
    to: field.needed('length'),
    value: field.needed('areaLoad'),
  },
  line: { ...field.loadBase, span: field.spanIndex, at: field.needed('length'), force: field.needed('lineLoad') },
  point: {
    ...field.loadBase,
    span: field.spanIndex,
    at: field.needed('length'),
    load: field.needed('force'),
    width: field.needed('length'),
  },
};

/** What a slab that spans one way asks for, designed as a strip. Lengths mm; positions along a span from its left end. */
export const stripFields = (d: MaterialDefaults) => ({
  h: field.length(200),
  /** Of the whole slab across its span, for quantities and the bar schedule. */
  breadth: field.length(1000),
  spans: field.spans(span, { length: 4000, h: null, camber: 0 }),
  supports: field.list(field.support, 23),
  materials: field.materials(d),
  catalogue: field.catalogue(d),
  /** To the outer bars. */
  cover: object({ top: field.length(25), bottom: field.length(25) }),
  /** Which bars lie outside: those along the span, or those across. */
  outer: field.oneOf(['along', 'across'], 'along'),
  unitWeight: field.quantity('unitWeight').default(d.unitWeight),
  selfWeight: boolean().default(true),
  cases: field.list(field.loadCase, 40),
  loads: field.list(field.byType(loads), 500),
  /** By span and by support; null main bars are chosen, null extra bars are none. Lengths of top bars from the support's centre line. */
  bars: object({
    bottom: field.list(object({ main: field.slabBars, extra: object({ bars: field.slabBars, from: place, to: place }) }), 22),
    /** Top bars through a span: those set, or as few as there have to be. */
    top: field.list(object({ main: field.slabBars }), 22),
    support: field.list(object({ bars: field.slabBars, left: place, right: place }), 23),
    /** Bars across the span, below and above. */
    across: object({ bottom: field.slabBars, top: field.slabBars }),
  }),
  barRules: field.slabBarRules,
  service: field.service,
  fire: field.fire,
  ...field.ownCombinations,
});
