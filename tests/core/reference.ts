import { readFileSync } from 'node:fs';
import { join } from 'node:path';

/** One independently worked case: units stand in the names of its keys. */
export interface ReferenceCase {
  readonly id: string;
  readonly topic: string;
  readonly inputs: Record<string, never>;
  readonly expected: Record<string, unknown>;
  readonly rel_tol: number;
}

export function referenceCases(file: 'en1992' | 'aci318' | 'as3600' | 'analysis'): Map<string, ReferenceCase> {
  const path = join(__dirname, '..', 'fixtures', `${file}.cases.json`);
  const cases = JSON.parse(readFileSync(path, 'utf8')) as ReferenceCase[];
  return new Map(cases.map((c) => [c.id, c]));
}

/** Compares results with a case, key by key; every key of `actual` must be one of the case's and all must be there unless skipped. */
export function expectCase(reference: ReferenceCase, actual: Record<string, unknown>, skipped: readonly string[] = []): void {
  const keys = Object.keys(reference.expected).filter((k) => !skipped.includes(k));
  expect(Object.keys(actual).sort()).toEqual([...keys].sort());
  for (const key of keys) {
    const wanted = reference.expected[key];
    if (typeof wanted !== 'number') expect({ [key]: actual[key] }).toEqual({ [key]: wanted });
    else {
      const value = actual[key] as number;
      const error = Math.abs(value - wanted) / Math.max(Math.abs(wanted), 1e-12);
      expect({ id: reference.id, key, value, wanted, within: error <= reference.rel_tol }).toEqual({
        id: reference.id,
        key,
        value,
        wanted,
        within: true,
      });
    }
  }
}
