/** JSON Schema (draft 2020-12 without what is new in it, so that older validators take it) of the results of the command line and of /api/design. */
const text = { type: 'string' } as const;
const orNull = (schema: object) => ({ anyOf: [schema, { type: 'null' }] });

const measured = {
  type: 'object',
  description: 'A number beside its unit; null stands for one that is not finite.',
  required: ['value', 'unit'],
  properties: { value: { type: ['number', 'null'] }, unit: text },
  additionalProperties: false,
};

const fault = {
  type: 'object',
  description: 'What is wrong with the input: where, and why.',
  required: ['path', 'reason'],
  properties: { path: text, reason: text },
  additionalProperties: true,
};

const step = {
  type: 'object',
  description: 'A line of a derivation: a formula with its numbers, a given value, a note, or a table along the member.',
  anyOf: [{ required: ['symbol', 'name', 'value', 'unit'] }, { required: ['note'] }, { required: ['table', 'columns', 'rows'] }],
  properties: {
    symbol: text,
    name: text,
    value: { type: ['number', 'null'] },
    unit: text,
    source: text,
    clause: text,
    formula: text,
    numbers: text,
    note: text,
    table: text,
    columns: { type: 'array', items: { type: 'object', required: ['name', 'unit'], properties: { name: text, unit: text } } },
    rows: { type: 'array', items: { type: 'array', items: { type: ['number', 'null'] } } },
  },
  additionalProperties: false,
};

const check = {
  type: 'object',
  required: [
    'id',
    'family',
    'title',
    'clause',
    'status',
    'utilisation',
    'demand',
    'capacity',
    'place',
    'combination',
    'warnings',
    'assumptions',
  ],
  properties: {
    id: text,
    family: text,
    title: text,
    clause: text,
    status: { enum: ['holds', 'near', 'exceeds', 'failed', 'notCovered', 'notApplicable'] },
    utilisation: { type: ['number', 'null'], description: 'Demand over capacity; null where there is no figure.' },
    demand: orNull(measured),
    capacity: orNull(measured),
    place: { type: 'object', required: ['label', 'x'], properties: { label: text, x: orNull(measured) }, additionalProperties: false },
    combination: text,
    warnings: { type: 'array', items: text },
    assumptions: { type: 'array', items: text, description: 'Keys of choices of the code that the check rests on.' },
    reason: text,
    group: text,
    decision: { type: 'object' },
    derivation: { type: 'array', items: step },
  },
  additionalProperties: false,
};

const member = {
  type: 'object',
  description: 'Beside these, each kind of member has results of its own.',
  required: [
    'id',
    'mark',
    'title',
    'type',
    'code',
    'input',
    'faults',
    'governing',
    'utilisation',
    'checks',
    'combinations',
    'quantities',
    'handChecks',
    'paper',
  ],
  properties: {
    id: text,
    mark: text,
    title: text,
    type: text,
    code: text,
    input: { description: 'The member as the project file has it, in the units of inputUnits.' },
    faults: { type: 'array', items: fault },
    governing: { type: ['string', 'null'], description: 'Id of the check that governs.' },
    utilisation: { type: ['number', 'null'] },
    checks: { type: 'array', items: check },
    combinations: {
      type: 'array',
      items: {
        type: 'object',
        required: ['id', 'title', 'kind', 'clause', 'factors'],
        properties: { id: text, title: text, kind: text, clause: text },
      },
    },
    quantities: orNull({
      type: 'object',
      required: ['concrete', 'bars', 'links'],
      properties: { concrete: measured, bars: measured, links: measured },
      additionalProperties: false,
    }),
    handChecks: {
      type: 'array',
      items: {
        type: 'object',
        required: ['title', 'agrees', 'byHand', 'byAnalysis'],
        properties: { title: text, agrees: { type: 'boolean' }, byHand: orNull(measured), byAnalysis: orNull(measured) },
        additionalProperties: false,
      },
    },
    paper: { type: 'array', items: { type: 'object', required: ['kind'], properties: { kind: text } } },
  },
  additionalProperties: true,
};

export const resultsSchema = {
  $schema: 'http://json-schema.org/draft-07/schema#',
  title: 'Results of Intarsia',
  type: 'object',
  required: ['format', 'version', 'project', 'inputUnits', 'members'],
  properties: {
    format: { const: 'intarsia-results' },
    version: { const: 1 },
    project: {
      type: 'object',
      required: ['name', 'code', 'display'],
      properties: {
        name: text,
        code: {
          type: 'object',
          required: ['id', 'variant', 'choices'],
          properties: { id: text, variant: text, choices: { type: 'object' } },
        },
        display: { enum: ['SI', 'US'] },
      },
      additionalProperties: false,
    },
    inputUnits: { type: 'object', additionalProperties: text },
    members: { type: 'array', items: member },
  },
  additionalProperties: false,
} as const;

/** What is answered where a posted project cannot be designed. */
export const faultsSchema = {
  type: 'object',
  required: ['format', 'faults'],
  properties: { format: { const: 'intarsia-faults' }, faults: { type: 'array', items: fault } },
  additionalProperties: false,
} as const;
