import { readFileSync } from 'node:fs';
import type { SchemaDescription } from 'yup';
import { makeCode, usualSettings } from '@/core/codes/registry';
import { kinds } from '@/core/members/kinds';
import { projectSchema } from '@/core/project/schema';
import { fileUnitDefaults } from '@/core/units/file-units';

const document = readFileSync('docs/file-format.md', 'utf8');

/** The words in code spans under the headings that name the kind. */
function wordsOf(heading: RegExp): Set<string> {
  const parts = document.split(/^## /m).filter((part) => heading.test(part.split('\n', 1)[0]!));
  const spans = parts.flatMap((part) => part.match(/`[^`]+`/g) ?? []);
  return new Set(spans.flatMap((span) => span.match(/[A-Za-z]\w*/g) ?? []));
}

/** A kind that says of itself that it is as another but for some fields. */
const likeAnother: Record<string, string> = { wall: 'column' };

interface Described {
  readonly oneOf?: readonly unknown[];
  readonly fields?: Record<string, Described>;
  readonly innerType?: Described;
}

/** Every field's path, lists passed through, and the values that it may have. */
function pathsOf(d: Described, prefix = ''): string[] {
  const inner = d.innerType ? pathsOf(d.innerType, `${prefix}[]`) : [];
  const fields = Object.entries(d.fields ?? {}).flatMap(([name, field]) => {
    const path = prefix ? `${prefix}.${name}` : name;
    return [path, ...pathsOf(field, path)];
  });
  const values = (d.oneOf ?? []).filter((v) => typeof v === 'string' && v !== '').map((v) => `${prefix}.${String(v)}`);
  return [...inner, ...fields, ...values];
}
const missing = (description: SchemaDescription, words: Set<string>) =>
  pathsOf(description as Described).filter((path) => !words.has(path.split('.').pop()!.replace(/[[\]]/g, '')));

const defaults = makeCode(usualSettings()).defaults;

test('the document names every field of a project', () => {
  expect(missing(projectSchema(defaults).describe(), wordsOf(/^Project|^The least/))).toEqual([]);
});

test.each(kinds.map((kind) => [kind.type, kind] as const))('the document names every field of the kind %s', (type, kind) => {
  // What every member has stands with the beam.
  const names = [type, likeAnother[type] ?? type, 'beam'];
  const words = wordsOf(new RegExp(`\\b(${names.join('|')})\\b`, 'i'));
  expect(missing(kind.schema(defaults).describe(), words)).toEqual([]);
});

test('the document names the unit of every dimension', () => {
  const words = wordsOf(/^Units/);
  expect(Object.keys(fileUnitDefaults).filter((kind) => !words.has(kind))).toEqual([]);
});
