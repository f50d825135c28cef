import { ValidationError, type AnySchema } from 'yup';
import type { CodeSettings } from '../codes/design-code';
import { choiceFaults, isKnownVariant, makeCode, usualSettings } from '../codes/registry';
import type { Fault } from '../checks/fault';
import { shorten } from '../units/parse';
import { readFileQuantity, readFileUnits, type FileQuantity, type FileUnits } from '../units/file-units';
import { kindOf, type Member } from '../members/kinds';
import { gateFaults } from './gate';
import { migrate } from './migrate';
import { FORMAT_VERSION, type Project } from './project';
import { projectSchema } from './schema';

export type ReadResult = { readonly ok: true; readonly project: Project } | { readonly ok: false; readonly faults: readonly Fault[] };

const refuse = (path: string, reason: string): ReadResult => ({ ok: false, faults: [{ path, reason }] });
const isObject = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v);

/** Reads a parsed project file: units converted, defaults filled, every fault listed by its path. Unknown fields are kept. */
export function readProject(raw: unknown): ReadResult {
  if (!isObject(raw)) return refuse('', 'This is not an Intarsia project: the file holds no object.');
  const stopped = gateFaults(raw);
  if (stopped.length > 0) return { ok: false, faults: stopped };
  if (raw.format !== 'intarsia') return refuse('format', 'This is not an Intarsia project: "format" must be "intarsia".');
  if (typeof raw.version !== 'number') return refuse('version', 'The version is missing.');
  if (!Number.isInteger(raw.version) || raw.version < 1) return refuse('version', `There is no format version ${raw.version}.`);
  if (raw.version > FORMAT_VERSION)
    return refuse(
      'version',
      `The file has format version ${raw.version}; this program reads up to ${FORMAT_VERSION}. Open it with a newer program.`,
    );
  const current = migrate(raw);
  const settings = codeSettings(current.code);
  if (typeof settings === 'string') return refuse('code', settings);
  const { units, faults } = readFileUnits(current.units);
  const schema = projectSchema(makeCode(settings).defaults);
  const converted = convertIn(schema, current, '', units, faults) as Record<string, unknown>;
  try {
    const cast = schema.validateSync({ ...converted, code: settings }, { abortEarly: false }) as unknown as Project;
    faults.push(...unknownChoices(cast));
    if (faults.length > 0) return { ok: false, faults };
    const project: Project & { units?: unknown } = {
      ...cast,
      version: FORMAT_VERSION,
      members: uniqueIds(cast.members.map(completeMember)),
    };
    // The units of the file are no part of the project: it is in internal units from here on.
    delete project.units;
    return { ok: true, project };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const list = error.inner.length > 0 ? error.inner : [error];
    const found = list.map((e) => ({ path: e.path ?? '', reason: e.message.replace(e.path ?? '', '').trim() }));
    return { ok: false, faults: [...faults, ...found.filter((f) => !faults.some((g) => g.path === f.path))] };
  }
}

function codeSettings(raw: unknown): CodeSettings | string {
  if (raw === undefined) return usualSettings();
  if (!isObject(raw)) return 'must be an object with "id" and "variant"';
  const id = raw.id ?? usualSettings().id;
  if (typeof id !== 'string') return 'must have the name of a code as its "id"';
  const variant = raw.variant ?? usualSettings(id).variant;
  if (typeof variant !== 'string') return 'must have the name of a variant as its "variant"';
  if (!isKnownVariant(id, variant)) return `There is no code "${shorten(id)}" with variant "${shorten(variant)}" here.`;
  const choices = raw.choices ?? {};
  if (!isObject(choices) || !Object.values(choices).every((v) => typeof v === 'string'))
    return 'must have an object of texts as its "choices"';
  return { id, variant, choices: choices as CodeSettings['choices'] };
}

/** Choices of the project and of its members that no code has. */
function unknownChoices({ code, members }: Project): Fault[] {
  const at = (path: string, choices: Readonly<Record<string, string>>) =>
    choiceFaults(choices).map(({ key, reason }) => ({ path: `${path}.${key}`, reason }));
  return [...at('code.choices', code.choices), ...members.flatMap((m, i) => at(`members[${i}].choices`, m.choices))];
}

/** Walks the schema and the value together and brings every quantity into internal units. */
function convertIn(schema: AnySchema, value: unknown, path: string, units: FileUnits, faults: Fault[]): unknown {
  if (value === undefined || value === null) return value;
  const { meta, fields, inner } = look(schema, value);
  if (meta?.quantity) {
    const read = readFileQuantity(value, meta.quantity, units);
    if (typeof read === 'number') return read;
    faults.push({ path, reason: read });
    return 0;
  }
  if (fields && isObject(value)) {
    const out: Record<string, unknown> = { ...value };
    for (const [key, field] of Object.entries(fields)) {
      if (Object.hasOwn(value, key)) out[key] = convertIn(field, value[key], path ? `${path}.${key}` : key, units, faults);
    }
    return out;
  }
  if (inner && Array.isArray(value)) return value.map((v, i) => convertIn(inner, v, `${path}[${i}]`, units, faults));
  return value;
}

interface Looked {
  readonly meta: { readonly quantity?: FileQuantity } | undefined;
  readonly fields: Record<string, AnySchema> | undefined;
  readonly inner: AnySchema | undefined;
}

/** What the walkers need to know about a schema: its quantity, its fields, or what its entries are. */
export function look(schema: AnySchema, value: unknown): Looked {
  const resolved = schema.resolve({ value }) as AnySchema & { fields?: Record<string, AnySchema>; innerType?: AnySchema };
  return { meta: resolved.spec.meta as Looked['meta'], fields: resolved.fields, inner: resolved.innerType };
}

/** Brings a member as read into the form that the rest of the program relies on; its variants too. */
function completeMember(member: Member): Member {
  const whole = kindOf(member).complete?.(member) ?? member;
  const variants = whole.variants.map((v) => ({ ...v, state: { ...completeMember({ ...v.state, variants: [] }), id: member.id } }));
  return { ...whole, variants } as Member;
}

/** Gives every member an id of its own. */
function uniqueIds(members: readonly Member[]): Member[] {
  const seen = new Set<string>();
  return members.map((member, i) => {
    let id = member.id || `m${i + 1}`;
    while (seen.has(id)) id += '-2';
    seen.add(id);
    return { ...member, id, mark: member.mark || `B${i + 1}` };
  });
}
