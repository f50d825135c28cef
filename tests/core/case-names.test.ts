import type { LoadCase, Nature } from '@/core/analysis/combination';
import { makeCode } from '@/core/codes/registry';
import { caseName, withNature } from '@/core/members/parts/case-names';

const en = makeCode({ id: 'en1992', variant: 'recommended', choices: {} });
const aci = makeCode({ id: 'aci318', variant: 'US', choices: {} });
const made = (id: string, nature: Nature): LoadCase => ({ id, nature, title: '', category: '', pattern: false });

test('cases are named by their nature', () => {
  expect(caseName(en, 'wind', [])).toBe('W');
  expect(caseName(en, 'imposed', ['G', 'Q', 'Q2'])).toBe('Q3');
  expect(caseName(aci, 'imposed', ['D'])).toBe('L');
});

test('a name goes with the nature until it is typed', () => {
  const cases = [made('G', 'permanent'), made('Q', 'imposed'), made('Q2', 'imposed'), made('crowd', 'imposed')];
  expect(withNature(en, cases, 2, 'wind')).toEqual({ id: 'W', nature: 'wind', pattern: false });
  expect(withNature(en, cases, 3, 'wind').id).toBe('crowd');
  expect(withNature(en, cases, 1, 'imposed')).toEqual({ id: 'Q', nature: 'imposed', pattern: true });
  expect(withNature(en, [...cases, made('S', 'snow')], 2, 'snow').id).toBe('S2');
});
