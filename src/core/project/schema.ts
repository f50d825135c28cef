import { lazy, object, string, type Schema } from 'yup';
import { usualRates, type Rates } from '../advice/rates';
import type { MaterialDefaults } from '../codes/design-code';
import { firstKind, kinds } from '../members/kinds';
import { codeIds, usualSettings } from '../codes/registry';
import { bendSettings } from '../schedule/bend-types';
import { barNames } from '../members/member';
import { list, number, oneOf, text, textMap } from '../members/parts/schema-parts';

/** Members by their kind; one without a type is of the first. */
function memberSchema(defaults: MaterialDefaults) {
  const schemas = new Map(
    kinds.map((kind) => {
      const schema = kind.schema(defaults);
      return [kind.type as string, schema.shape({ variants: list(object({ name: text(60), state: schema }), 20) }) as Schema];
    }),
  );
  const names = [...schemas.keys()];
  const unknown = object({ type: string().oneOf(names, `must be one of: ${names.join(', ')}`) });
  return lazy((value: { type?: unknown } | null | undefined): Schema => {
    const type = value?.type ?? firstKind.type;
    return (typeof type === 'string' ? schemas.get(type) : undefined) ?? unknown;
  });
}

const rate = (value: number) => number().min(0, 'must not be below 0').default(value);
const rates = (r: Rates) =>
  object({ concrete: rate(r.concrete), perMPa: rate(r.perMPa), steel: rate(r.steel), formwork: rate(r.formwork) });

const made = new WeakMap<MaterialDefaults, ReturnType<typeof makeSchema>>();

/** The schema of a whole project file, once the code is known; made once for each code. */
export function projectSchema(defaults: MaterialDefaults) {
  let schema = made.get(defaults);
  if (!schema) made.set(defaults, (schema = makeSchema(defaults)));
  return schema;
}

/** The longest picture that a project carries, as the text of its data URL. */
export const MOST_LOGO = 400_000;

const info = object({
  number: text(40),
  author: text(80),
  checker: text(80),
  revision: text(20),
  date: text(30),
  description: text(400),
  office: text(120),
  logo: text(MOST_LOGO).matches(/^(data:image\/(png|jpeg);base64,[A-Za-z0-9+/]+=*)?$/, 'must be a PNG or JPEG picture as a data URL'),
  revisions: list(object({ mark: text(20), date: text(30), text: text(200), by: text(80) }), 50),
});

function makeSchema(defaults: MaterialDefaults) {
  return object({
    format: string().required('is missing').oneOf(['intarsia'], 'must be "intarsia"'),
    version: number().required('is missing'),
    id: text(60),
    name: text(120),
    info,
    code: object({ id: oneOf(codeIds, usualSettings().id), variant: text(30), choices: textMap }),
    display: oneOf(['SI', 'US'], 'SI'),
    paper: oneOf(['A4', 'Letter'], 'A4'),
    barNames: oneOf(barNames, 'byCode'),
    bends: oneOf(bendSettings, 'byCode'),
    rates: object({ cost: rates(usualRates.cost), carbon: rates(usualRates.carbon) }),
    members: list(memberSchema(defaults), 2000),
  });
}
