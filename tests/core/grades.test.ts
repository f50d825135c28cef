import { barLabel, layerLabel, linkLabel } from '@/core/members/parts/bar-labels';
import { concreteGrade, steelGrade } from '@/core/materials/grades';
import { parseBars } from '@/ui/fields/value-field';

const psi = 0.006894757293168361;

test.each([
  ['C32/40', 32],
  ['c 50/60', 50],
  ['LC30/33', 30],
  ['C35', 35],
  ["f'c 4000", 4000 * psi],
  ['fc = 5000 psi', 5000 * psi],
])('concrete %s', (text, strength) => expect(concreteGrade(text)!.strength).toBeCloseTo(strength, 9));

test.each([
  ['B500B', { strength: 500, ductility: 'B' }],
  ['b 550 c', { strength: 550, ductility: 'C' }],
  ['B500', { strength: 500 }],
  ['Grade 60', { strength: 60_000 * psi }],
  ['A615 Gr 60', { strength: 60_000 * psi }],
  ['Gr. 420', { strength: 420 }],
])('bars %s', (text, grade) => {
  const read = steelGrade(text)!;
  expect(read.strength).toBeCloseTo(grade.strength, 9);
  expect(read.ductility).toBe('ductility' in grade ? grade.ductility : undefined);
});

test('texts that are quantities, or nothing, are no grades', () => {
  for (const text of ['', '30', '4 ksi', '35 MPa', 'C', 'B', 'Grade', 'C32/40/50'])
    expect([text, concreteGrade(text), steelGrade(text)]).toEqual([text, undefined, undefined]);
});

test('count and size never run together', () => {
  const project = { code: { id: 'aci318', variant: 'SI', choices: {} }, display: 'SI' } as never;
  expect(barLabel({ count: 3, size: '20' }, project)).toBe('3ø20');
  expect(barLabel({ count: 4, size: 'No.19' }, project)).toBe('4 No.19');
  expect(linkLabel({ size: '10', spacing: 150, legs: 2 }, project)).toBe('ø10 @ 150');
  expect(layerLabel({ size: '12', alternate: '10', spacing: 200 }, project)).toBe('ø12 / ø10 @ 200');
  for (const text of ['3ø20', '3⌀20', '3 x 20', '3H20', '3 Ø 20', '3 No. 20'])
    expect(parseBars(text, { catalogue: 'metric' })).toEqual({ ok: true, group: { count: 3, size: '20' } });
  expect(parseBars('3#5', { catalogue: 'us' })).toEqual({ ok: true, group: { count: 3, size: '#5' } });
});
