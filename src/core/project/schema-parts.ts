import { array, boolean, lazy, mixed, number, object, string, type AnySchema, type ObjectSchema, type Schema } from 'yup';
import type { MaterialDefaults } from '../codes/design-code';
import type { FileQuantity } from './file-units';

/** A dimensioned number of the file: the meta data tell reader and writer its kind of unit. */
export const quantity = (kind: FileQuantity) => number().typeError('must be a number').meta({ quantity: kind });
export const text = (max = 200) => string().typeError('must be a text').max(max, `must have at most ${max} characters`).default('');
export const oneOf = <T extends string>(values: readonly T[], fallback: T) =>
  string()
    .oneOf(values as T[], `must be one of: ${values.join(', ')}`)
    .default(fallback);
export const list = <S extends AnySchema>(of: S, max: number) => array(of).max(max, `must have at most ${max} entries`).default([]);

export const loadCase = object({
  id: string().required('is missing').max(20),
  title: text(60),
  nature: oneOf(['permanent', 'imposed', 'roof', 'snow', 'rain', 'wind', 'earthquake', 'settlement'], 'permanent'),
  category: oneOf(['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H'], 'A'),
  pattern: boolean().when('nature', ([nature], schema) => schema.default(nature === 'imposed')),
});

export const combination = object({
  id: string().required('is missing').max(20),
  title: text(120),
  kind: oneOf(['ultimate', 'characteristic', 'frequent', 'quasiPermanent', 'service', 'sustained'], 'ultimate'),
  clause: text(60),
  factors: list(object({ caseId: string().required('is missing'), factor: number().required('is missing') }), 40),
  isOwn: boolean().default(true),
});

export const textMap = mixed<Record<string, string>>()
  .test(
    'texts',
    'must be an object of texts',
    (v) => v === undefined || (typeof v === 'object' && v !== null && Object.values(v).every((x) => typeof x === 'string')),
  )
  .default({});

/** Materials, with the defaults of the code. */
export const materials = (d: MaterialDefaults) =>
  object({
    concreteStrength: quantity('stress').default(d.concreteStrength),
    density: quantity('density').default(d.density),
    aggregateSize: quantity('length').default(d.aggregateSize),
    steelStrength: quantity('stress').default(d.steelStrength),
    ductility: oneOf(['A', 'B', 'C'], d.ductility),
    linkStrength: quantity('stress').default(d.linkStrength),
    timeDependent: object({
      humidity: number().min(0.2, 'must lie between 0.2 and 1').max(1, 'must lie between 0.2 and 1').default(d.timeDependent.humidity),
      loadingAge: number().min(1, 'must be at least one day').max(36_500, 'must be at most 100 years').default(d.timeDependent.loadingAge),
      dryingAge: number()
        .min(0.5, 'must be at least half a day')
        .max(36_500, 'must be at most 100 years')
        .default(d.timeDependent.dryingAge),
      cement: oneOf(['S', 'N', 'R'], d.timeDependent.cement),
    }),
  });

export const catalogue = (d: MaterialDefaults) => oneOf(['metric', 'us', 'softMetric', 'australian'], d.catalogue);

export const decisions = list(
  object({ check: string().required('is missing'), reason: text(1000), by: text(80), date: text(30), utilisation: number().default(1) }),
  100,
);

/** A support of a beam or of a strip of slab. */
export const support = object({
  type: oneOf(['pinned', 'fixed', 'free', 'spring'], 'pinned'),
  width: quantity('length').default(0),
  vertical: quantity('springVertical').nullable().default(null),
  rotation: quantity('springRotation').nullable().default(null),
  settlement: quantity('length').default(0),
  redistribution: number().default(1),
  holdsTwist: boolean().default(true),
});

export const spanIndex = number()
  .typeError('must be the number of a span')
  .integer('must be a whole number')
  .min(0, 'must be 0 or more')
  .default(0);
export const spanOrAll = mixed((v): v is number | 'all' => v === 'all' || Number.isInteger(v))
  .typeError('must be "all" or the number of a span')
  .default('all');
export const loadBase = { case: string().required('is missing'), note: text(120) };

/** Objects that differ by their type, each with its own fields. */
export const byType = (known: Record<string, ObjectSchema<object>>) =>
  lazy((value: { type?: string } | undefined): Schema => {
    const found = known[value?.type ?? ''];
    return (
      found ??
      object({
        type: string()
          .required('is missing')
          .oneOf(Object.keys(known), `must be one of: ${Object.keys(known).join(', ')}`),
      })
    );
  });

/** A deflection as a part of the span; null is the usual one of the code. */
const ratio = number().min(50, 'must be at least 50').max(5000, 'must be at most 5000').nullable().default(null);

/** Limits in service of beams and strips of slab. */
export const service = object({
  limits: object({ total: ratio, after: ratio, live: ratio }),
  most: quantity('length').nullable().default(null),
  crackWidth: quantity('length').default(0.3),
  partitionAge: number().min(1, 'must be at least one day').max(36_500, 'must be at most 100 years').default(60),
  hasPartitions: boolean().default(true),
});

/** A layer of bars in a slab; null where it is chosen. */
export const slabBars = object({
  size: string().required('is missing'),
  alternate: string().nullable().default(null),
  spacing: quantity('length').required('is missing'),
})
  .nullable()
  .default(null);
