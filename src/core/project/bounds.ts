import { ValidationError, type AnySchema } from 'yup';
import type { Fault } from '../checks/fault';
import { isKnownVariant, makeCode } from '../codes/registry';
import type { Project } from './project';
import { look } from './read';
import { projectSchema } from './schema';

const isObject = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v);

/** What a state of a project has outside the bounds of its file, each at its path. Only what differs from the state before is looked at. */
export function boundFaults(before: Project, after: Project): Fault[] {
  if (!isKnownVariant(after.code.id, after.code.variant)) return [{ path: 'code', reason: 'is not known here' }];
  const schema = projectSchema(makeCode(after.code).defaults);
  return faultsIn(schema, before, after, '');
}

function faultsIn(schema: AnySchema, before: unknown, after: unknown, path: string): Fault[] {
  if (before === after) return [];
  const own = ownFaults(schema, after, path);
  if (own.length > 0) return own;
  const { fields, inner } = look(schema, after);
  if (fields && isObject(after)) {
    const had = isObject(before) ? before : {};
    return Object.entries(fields).flatMap(([key, field]) =>
      Object.hasOwn(after, key) ? faultsIn(field, had[key], after[key], path ? `${path}.${key}` : key) : [],
    );
  }
  if (!inner || !Array.isArray(after)) return [];
  const had = Array.isArray(before) ? before : [];
  // Entries that only moved are as good as they were.
  const kept = new Set<unknown>(had.filter(isObject));
  return after.flatMap((v, i) => (kept.has(v) ? [] : faultsIn(inner, had[i], v, `${path}[${i}]`)));
}

/** What a schema says of a value, without what is within it. */
function ownFaults(schema: AnySchema, value: unknown, path: string): Fault[] {
  if (value === undefined) return [];
  try {
    // Yup counts this option among those of its own walk through objects.
    schema.validateSync(value, { strict: true, recursive: false } as Parameters<AnySchema['validateSync']>[1]);
    return [];
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return [{ path, reason: error.message.replace(/^this /, '') }];
  }
}

/** A fault in words, its member by its mark: "G2, sets: must have at most 5000 entries". */
export function faultText({ path, reason }: Fault, { members }: { readonly members: readonly { readonly mark: string }[] }): string {
  const [, i, rest = ''] = /^members\[(\d+)\]\.?(.*)$/.exec(path) ?? [];
  const place = i === undefined ? path : [members[Number(i)]?.mark, rest].filter(Boolean).join(', ');
  return [place, reason].filter(Boolean).join(': ');
}
