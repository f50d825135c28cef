import { array, boolean, mixed, number, object, string, type AnySchema } from 'yup';
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
