import type { AnySchema } from 'yup';
import { makeCode } from '../codes/registry';
import { fileUnitDefaults, writeFileQuantity } from '../units/file-units';
import type { Project } from './project';
import { look } from './read';
import { projectSchema } from './schema';

const isObject = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v);

/** The text of a project file: stable order of fields, units written in it, unknown fields kept at the end of their object. */
export function writeProject(project: Project): string {
  const schema = projectSchema(makeCode(project.code).defaults);
  const { format, version, ...rest } = convertOut(schema, project) as Record<string, unknown>;
  return JSON.stringify({ format, version, units: fileUnitDefaults, ...rest }, null, 2) + '\n';
}

function convertOut(schema: AnySchema, value: unknown): unknown {
  if (value === undefined || value === null) return value;
  const { meta, fields, inner } = look(schema, value);
  if (meta?.quantity && typeof value === 'number') return writeFileQuantity(value, meta.quantity);
  if (fields && isObject(value)) {
    const known = Object.entries(fields).flatMap(([key, field]) =>
      value[key] === undefined ? [] : [[key, convertOut(field, value[key])] as const],
    );
    const unknown = Object.entries(value).filter(([key]) => !Object.hasOwn(fields, key));
    return Object.fromEntries([...known, ...unknown]);
  }
  if (inner && Array.isArray(value)) return value.map((v) => convertOut(inner, v));
  return value;
}
