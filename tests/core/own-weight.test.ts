import type { ColumnMember } from '@/core/members/column/input';
import type { ColumnResult } from '@/core/members/column/result';
import { proposeColumn } from '@/core/members/column/proposals';
import { codeOf } from '@/core/members/member';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';

// 0.3 x 0.4 x 7.4 m at 25 kN/m3: 22.2 kN.
const column = { type: 'column', shape: { kind: 'rectangle', b: 300, h: 400 }, height: 7400, cover: 35, sustained: 0.5, selfWeight: true };
const projectOf = (member: object) => {
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code: { id: 'en1992', variant: 'recommended' },
    members: [{ ...column, ...member }],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
};
const design = (member: object) => {
  const p = projectOf(member);
  return designNow(p, p.members[0]!) as ColumnResult;
};
const sets = [
  { name: 'U', N: 400, mxTop: 20 },
  { name: 'S', kind: 'quasiPermanent', N: 300 },
];

test('in sets it presses the foot: 400 + 1.35 x 22.2 = 429.97 kN factored, 322.2 kN in service; the top stays', () => {
  const r = design({ sets, weightFactor: 1.35 });
  expect(r.sets.map((s) => [s.N / 1e3, s.nBottom! / 1e3])).toEqual([
    [400, expect.closeTo(429.97, 6)],
    [300, expect.closeTo(322.2, 6)],
  ]);
});

test('where N is typed at the foot the weight is added to that', () => {
  const [set] = design({ sets: [{ name: 'U', N: 400, nBottom: 420 }], weightFactor: 1 }).sets;
  expect(set!.nBottom! / 1e3).toBeCloseTo(442.2, 6);
});

test('the factor in factored sets is asked for, never made up; sets in service alone need none', () => {
  expect(design({ sets }).faults).toEqual([
    { path: 'weightFactor', reason: 'Say the factor on the own weight in sets that are factored already.' },
  ]);
  expect(design({ sets: [sets[1]!] }).faults).toEqual([]);
});

test('in combined cases it is a permanent case with the factor of the code', () => {
  const cases = { mode: 'cases', cases: [{ id: 'G', nature: 'permanent' }], caseForces: [{ case: 'G', N: 100, mxTop: 5 }] };
  const r = design(cases);
  const worst = r.sets.filter((s) => s.kind === 'ultimate').reduce((a, b) => (b.N > a.N ? b : a));
  expect([worst.N / 1e3, worst.nBottom! / 1e3]).toEqual([expect.closeTo(135, 6), expect.closeTo(135 + 1.35 * 22.2, 6)]);
  const plain = design({ ...cases, selfWeight: false }).sets.reduce((a, b) => (b.N > a.N ? b : a));
  expect(plain.nBottom).toBeNull();
  expect(design({ ...cases, cases: [{ id: 'SW', nature: 'permanent' }], caseForces: [{ case: 'SW', N: 1 }] }).faults[0]!.path).toBe(
    'selfWeight',
  );
});

test('a proposal of another size has the weight of that size', () => {
  const p = projectOf({ sets: [{ name: 'U', N: 900, mxTop: 150, mxBottom: 40 }], weightFactor: 1.35 });
  const member = p.members[0] as ColumnMember;
  const [found] = proposeColumn(member, codeOf(p, member), 'square', undefined, 1);
  const taken = designNow(p, { ...member, ...found!.change }) as ColumnResult;
  const worst = Math.max(...taken.checks.filter((c) => c.family === 'bending').map((c) => c.utilisation ?? 0));
  expect(worst).toBeCloseTo(found!.utilisation, 9);
});
