import {
  array,
  boolean,
  lazy,
  mixed,
  number as anyNumber,
  object,
  setLocale,
  string as anyString,
  type InferType,
  type ISchema,
  type Lazy,
  type Schema,
} from 'yup';
import { isReserved, RESERVED_REASON } from '../../checks/words';
import type { MaterialDefaults } from '../../codes/design-code';
import { FIRE_PERIODS } from '../../codes/fire-rules';
import type { FileQuantity } from '../../units/file-units';

/** What each type is called in a message. */
const TYPES: Readonly<Record<string, string>> = {
  object: 'an object',
  array: 'a list',
  number: 'a number',
  string: 'a text',
  boolean: 'true or false',
};

setLocale({
  mixed: {
    default: 'cannot be read',
    required: 'is missing',
    defined: 'is missing',
    notNull: 'cannot be empty',
    notType: ({ type }) => `must be ${TYPES[type] ?? 'of another kind'}`,
  },
});

/** A short text, such as the size of a bar; those that the program keeps for itself are none. */
export const string = () =>
  anyString()
    .max(60, 'must have at most 60 characters')
    .test('reserved', RESERVED_REASON, (v) => typeof v !== 'string' || !isReserved(v));
/** A plain number. */
export const number = () => anyNumber().test('finite', 'must be a finite number', (v) => typeof v !== 'number' || Number.isFinite(v));

/** A dimensioned number of the file: the meta data tell reader and writer its kind of unit. */
export const quantity = (kind: FileQuantity) => number().meta({ quantity: kind });
export const needed = (kind: FileQuantity) => quantity(kind).required('is missing');
/** A place or a length that may be left open. */
export const open = (kind: FileQuantity = 'length') => quantity(kind).nullable().default(null);
export const length = (value: number) => quantity('length').default(value);
export const name = (max = 120) => string().required('is missing').max(max, `must have at most ${max} characters`);
export const text = (max = 200) => string().max(max, `must have at most ${max} characters`).default('');
/** One of some words; left out where none is given. */
export const keyword = <T extends string>(values: readonly T[]) => anyString().oneOf(values as T[], `must be one of: ${values.join(', ')}`);
export const oneOf = <T extends string>(values: readonly T[], fallback: T) => keyword(values).default(fallback);
export const list = <T>(of: ISchema<T>, max: number) => array(of).max(max, `must have at most ${max} entries`).default([]);

/** A value that is never written to. */
type Fixed<T> = T extends object ? { readonly [K in keyof T]: Fixed<T[K]> } : T;

type Fields = Record<string, ISchema<unknown>>;

/** The input that fields describe, read from their schemas: a field is said once. */
export type InputOf<F extends (d: MaterialDefaults) => Fields> = Fixed<{ [K in keyof ReturnType<F>]: InferType<ReturnType<F>[K]> }>;

/** The part of an input that one schema describes. */
export type Part<S extends ISchema<unknown>> = Fixed<InferType<S>>;

/** Fire: for how many minutes a member has to resist it, null where nothing is asked, and whether only one side of it is exposed. */
export const fire = object({
  minutes: number()
    .nullable()
    .oneOf([null, ...FIRE_PERIODS], `must be one of: ${FIRE_PERIODS.join(', ')}`)
    .default(null),
  isOneSided: boolean().default(false),
});

export const loadCase = object({
  id: name(20),
  title: text(60),
  nature: oneOf(['permanent', 'imposed', 'roof', 'snow', 'rain', 'wind', 'earthquake', 'settlement'], 'permanent'),
  category: text(20),
  pattern: boolean()
    .default(false)
    .when('nature', ([nature], schema) => schema.default(nature === 'imposed')),
});

export const combination = object({
  id: name(20),
  title: text(120),
  kind: oneOf(['ultimate', 'characteristic', 'frequent', 'quasiPermanent', 'service', 'sustained'], 'ultimate'),
  clause: text(60),
  factors: list(object({ caseId: name(), factor: number().required('is missing') }), 40),
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
    ductility: text(20).default(d.ductility),
    linkStrength: quantity('stress').default(d.linkStrength),
    timeDependent: object({
      humidity: number().min(0.2, 'must lie between 0.2 and 1').max(1, 'must lie between 0.2 and 1').default(d.timeDependent.humidity),
      loadingAge: number().min(1, 'must be at least one day').max(36_500, 'must be at most 100 years').default(d.timeDependent.loadingAge),
      dryingAge: number()
        .min(0.5, 'must be at least half a day')
        .max(36_500, 'must be at most 100 years')
        .default(d.timeDependent.dryingAge),
      cement: text(20).default(d.timeDependent.cement),
    }),
  });

export const catalogue = (d: MaterialDefaults) => oneOf(['metric', 'us', 'softMetric', 'australian'], d.catalogue);

export const decisions = list(
  object({ check: name(), reason: text(1000), by: text(80), date: text(30), utilisation: number().default(1) }),
  100,
);

/** A support of a beam or of a strip of slab. */
export const support = object({
  type: oneOf(['pinned', 'fixed', 'free', 'spring'], 'pinned'),
  /** Width along the beam. */
  width: length(0),
  /** Spring stiffness; null is rigid for vertical, none for rotation. Only for a spring. */
  vertical: open('springVertical'),
  rotation: open('springRotation'),
  settlement: length(0),
  /** Moment after over before redistribution. */
  redistribution: number().default(1),
  /** Whether it holds the beam against twisting; a free end never does. */
  holdsTwist: boolean().default(true),
});

/** Spans and cantilevers, one at least. */
export const spans = <S extends Schema>(span: S, first: InferType<S>) =>
  array(span).min(1, 'needs at least one span').max(22, 'has at most 22 spans with cantilevers').default([first]);

export const spanIndex = number()
  .typeError('must be the number of a span')
  .integer('must be a whole number')
  .min(0, 'must be 0 or more')
  .default(0);
export const spanOrAll = mixed((v): v is number | 'all' => v === 'all' || Number.isInteger(v))
  .typeError('must be "all" or the number of a span')
  .default('all');
export const loadBase = { case: name(), note: text(120) };

/** One of several objects, told apart by a field. */
type OneOf<Tag extends string, K extends Record<string, Fields>> = {
  [N in keyof K & string]: Record<Tag, N> & { [F in keyof K[N]]: InferType<K[N][F]> };
}[keyof K & string];

/** Objects that differ by their type or kind, each with its own fields; a missing one is the fallback, one that does not say its type is `untagged`, where there are such. */
function byTag<Tag extends string, K extends Record<string, Fields>>(
  tag: Tag,
  kinds: K,
  fallback?: OneOf<Tag, K>,
  untagged?: keyof K & string,
): Lazy<OneOf<Tag, K>> {
  const names = Object.keys(kinds);
  const schemas = Object.fromEntries(
    names.map((name) => [name, object({ [tag]: anyString().default(name), ...kinds[name] } as Record<string, Schema>)]),
  );
  const unknown = object({
    [tag]: anyString()
      .required('is missing')
      .oneOf(names, `must be one of: ${names.join(', ')}`),
  });
  // The name tells the fields apart at run time; the type says the same of the value.
  return lazy((value: Record<string, unknown> | null | undefined): Schema => {
    if (value === undefined && fallback) return object().default(() => fallback) as unknown as Schema;
    const named = value?.[tag] ?? untagged ?? '';
    return (typeof named === 'string' && Object.hasOwn(schemas, named) ? schemas[named] : undefined) ?? unknown;
  }) as unknown as Lazy<OneOf<Tag, K>>;
}

export const byType = <K extends Record<string, Fields>>(kinds: K, untagged?: keyof K & string) =>
  byTag('type', kinds, undefined, untagged);
export const byKind = <K extends Record<string, Fields>>(kinds: K, fallback: OneOf<'kind', K>) => byTag('kind', kinds, fallback);

/** A deflection as a part of the span; null is the usual one of the code. */
const ratio = number().min(50, 'must be at least 50').max(5000, 'must be at most 5000').nullable().default(null);

/** Limits in service of beams and strips of slab. */
export const service = object({
  /** Deflections as parts of the span (250 for span/250); null takes the usual one of the code. */
  limits: object({ total: ratio, after: ratio, live: ratio }),
  /** Deflection that no span may pass (mm), or null. */
  most: open(),
  /** Crack width that is allowed (mm). */
  crackWidth: length(0.3),
  /** Days after which partitions and finishes are there; whether they can be damaged. */
  partitionAge: number().min(1, 'must be at least one day').max(36_500, 'must be at most 100 years').default(60),
  hasPartitions: boolean().default(true),
});

/** A layer of bars in a slab; null where it is chosen. */
export const slabBars = object({ size: name(), alternate: string().nullable().default(null), spacing: needed('length') })
  .nullable()
  .default(null);

/** Sizes and spacings that bars of a slab are chosen from; empty for the usual ones. */
export const slabBarRules = object({ sizes: list(string().defined(), 20), spacings: list(quantity('length').defined(), 20) });

/** Combinations of the code that are switched off, by id; and the engineer's own. */
export const ownCombinations = { combinationsOff: list(string().defined(), 500), ownCombinations: list(combination, 100) };

/** Which sets came from which file: an import of the same file again replaces them. */
export const imported = list(object({ file: text(200), sets: list(string().defined(), 20_000) }), 50);

/** A corner; that there are two numbers is tested, which the type of a list cannot say. */
const point = array(needed('length')).length(2, 'must be [x, y]').required() as unknown as Schema<[number, number]>;

/** Corners of an outline. */
export const points = array(point).max(400, 'has at most 400 corners').default([]);
