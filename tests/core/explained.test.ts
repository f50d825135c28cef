import { readFileSync } from 'node:fs';
import { silent } from '@/core/calc/calc';
import { tieRules as aciTies } from '@/core/codes/aci318/columns';
import { tieRules as enTies } from '@/core/codes/en1992/columns';
import { makeCode } from '@/core/codes/registry';
import type { Check } from '@/core/checks/check';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { Member } from '@/core/members/kinds';
import { readProject } from '@/core/project/read';

function example(file: string): Project {
  const read = readProject(JSON.parse(readFileSync(`examples/${file}`, 'utf8')));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}

/** Counts and shares that are read off the drawing; nothing is put into a formula. */
const COUNTED =
  /^(bar-count|bar-size|bars-held|steel-practice|steel-at-laps|links-through|redistribution|torsion-(bar|link)-spacing|legs?-|perimeters?-|first-|outer-|horizontal-|vertical-|most-vertical|least-)/;

describe.each(['alderlight-playhouse.intarsia', 'alderlight-annex-us.intarsia', 'alderlight-ferry-house.intarsia'])(
  '%s explains itself',
  (file) => {
    const project = example(file);
    test.each(project.members.map((m) => [m.mark, m] as [string, Member]))('%s: every figure has its steps', (_mark, member) => {
      const { checks } = designNow(project, member, 'all');
      const bare = checks.filter((c: Check) => c.utilisation !== null && !COUNTED.test(c.id) && (c.derivation ?? []).length === 0);
      expect(bare.map((c) => c.id)).toEqual([]);
    });

    test.each(project.members.map((m) => [m.mark, m] as [string, Member]))(
      '%s: the steps are finite, and end where the check begins',
      (_mark, member) => {
        const { checks } = designNow(project, member, 'all');
        for (const c of checks)
          for (const s of c.derivation ?? []) {
            if (s.kind === 'note') continue;
            if (s.kind === 'table') {
              expect(s.rows.flat().every(Number.isFinite)).toBe(true);
              continue;
            }
            expect([c.id, s.symbol, Number.isFinite(s.value)]).toEqual([c.id, s.symbol, true]);
            if (s.kind === 'formula') expect(s.inputs.every((i) => Number.isFinite(i.value))).toBe(true);
          }
      },
    );
  },
);

describe('rules of spacing by hand', () => {
  test.each([
    // EN 8.2(2): the bar, 5 mm more than the aggregate, 20 mm
    ['en1992', 'uk', 32, 20, 32],
    ['en1992', 'uk', 16, 20, 25],
    ['en1992', 'uk', 12, 10, 20],
    // ACI 25.2.1: 25 mm, the bar, 4/3 of the aggregate
    ['aci318', 'SI', 16, 20, 26.6667],
    ['aci318', 'SI', 16, 10, 25],
    ['aci318', 'SI', 35.8, 20, 35.8],
    // 1 in; 1 1/8 in bars
    ['aci318', 'US', 12.7, 19.05, 25.4],
    ['aci318', 'US', 28.65, 19.05, 28.65],
  ])('%s %s: bars of %d mm with aggregate of %d mm stand %d mm apart', (id, variant, diameter, aggregate, wanted) => {
    expect(makeCode({ id: id, variant, choices: {} }).clearSpacing(diameter, aggregate).value).toBeCloseTo(wanted, 3);
  });

  const q = { largestBar: 32, smallestBar: 16, tie: 8, leastDimension: 350, largestDimension: 600, aggregate: 20, isSpiral: false };
  test('links of a column to EN 9.5.3', () => {
    const rules = enTies(silent, q);
    // 32/4 = 8 mm; 20 x 16 = 320 < 350 < 400; 0.6 x 320 = 192 within 600 mm of the ends
    expect([rules.leastDiameter.value, rules.spacing.value, rules.nearEnds]).toEqual([8, 320, 600]);
    expect(rules.spacingNearEnds.value).toBeCloseTo(192, 9);
    expect(enTies(silent, { ...q, largestBar: 16, smallestBar: 25, leastDimension: 900 }).spacing.value).toBe(400);
  });
  test('ties of a column to ACI 25.7.2, in both forms', () => {
    // 16 x 16 = 256 < 350 < 48 x 8 = 384
    expect(aciTies(silent, q, 'SI').spacing.value).toBeCloseTo(256, 9);
    expect(aciTies(silent, q, 'US').spacing.value).toBeCloseTo(256, 9);
    expect(aciTies(silent, { ...q, smallestBar: 32 }, 'SI').spacing.value).toBe(350);
  });
  test('slabs: EN 9.3.1.1(3), ACI 7.7.2.3 and 24.4.3.3', () => {
    const en = makeCode({ id: 'en1992', variant: 'uk', choices: {} }).slab;
    // 100 deep: 2 x 100 and 3 x 100; across 3 x 100 and 3.5 x 100. 200 deep: 250, 400, 400, 450
    expect(
      [en.spacing(100, 'peak'), en.spacing(100, 'elsewhere'), en.acrossSpacing(100, 'peak'), en.acrossSpacing(100, 'elsewhere')].map(
        (l) => l.value,
      ),
    ).toEqual([200, 300, 300, 350]);
    expect(
      [en.spacing(200, 'peak'), en.spacing(200, 'elsewhere'), en.acrossSpacing(200, 'peak'), en.acrossSpacing(200, 'elsewhere')].map(
        (l) => l.value,
      ),
    ).toEqual([250, 400, 400, 450]);
    const si = makeCode({ id: 'aci318', variant: 'SI', choices: {} }).slab;
    const us = makeCode({ id: 'aci318', variant: 'US', choices: {} }).slab;
    expect([si.spacing(125, 'peak').value, si.spacing(200, 'peak').value, si.acrossSpacing(200, 'peak').value]).toEqual([375, 450, 450]);
    // 8.7.2.2: two ways, 2 h at critical sections, 3 h elsewhere, 450 mm at most.
    expect([si.twoWaySpacing(125, 'peak').value, si.twoWaySpacing(125, 'elsewhere').value, si.twoWaySpacing(250, 'peak').value]).toEqual([
      250, 375, 450,
    ]);
    // 5 in: 15 in; 8 in: 18 in
    expect(us.spacing(127, 'peak').value).toBeCloseTo(381, 9);
    expect(us.spacing(203.2, 'peak').value).toBeCloseTo(457.2, 9);
  });
  test('links that hold bars in compression: EN 15 diameters; ACI 16, 48 and the least width', () => {
    expect(makeCode({ id: 'en1992', variant: 'uk', choices: {} }).compressionLinkSpacing(16, 8, 300).value).toBe(240);
    const aci = makeCode({ id: 'aci318', variant: 'SI', choices: {} });
    expect(
      [aci.compressionLinkSpacing(16, 9.5, 300), aci.compressionLinkSpacing(32, 9.5, 300), aci.compressionLinkSpacing(32, 9.5, 500)].map(
        (l) => l.value,
      ),
    ).toEqual([256, 300, 456]);
  });
});

describe('a deflection ends in its stations', () => {
  const project = example('alderlight-playhouse.intarsia');
  const g2 = project.members.find((m) => m.mark === 'G2')!;
  const { checks } = designNow(project, g2, 'all');
  const deflections = checks.filter((c) => c.id.startsWith('deflection-') && c.derivation);
  test('curvature, slope and deflection along the span, of every stage', () => {
    expect(deflections.length).toBeGreaterThan(3);
    for (const { derivation } of deflections) {
      const tables = derivation!.filter((s) => s.kind === 'table');
      expect(tables.length).toBeGreaterThan(0);
      for (const { columns, rows } of tables) {
        expect(columns.map((c) => c.name)).toEqual(['x', 'moment', 'curvature', 'slope', 'deflection']);
        expect(rows).toHaveLength(9);
        // Held at both supports; where the slope falls the deflection has been growing.
        expect(rows[0]![4]).toBeCloseTo(0, 6);
        expect(rows[8]![4]).toBeCloseTo(0, 6);
        for (let k = 1; k < 9; k += 1) {
          const [before, here] = [rows[k - 1]!, rows[k]!];
          const [least, most] = [Math.min(before[3]!, here[3]!), Math.max(before[3]!, here[3]!)];
          const slope = (here[4]! - before[4]!) / (here[0]! - before[0]!);
          // A mean slope lies between those of the ends, but for what turns between them.
          expect(slope).toBeGreaterThan(least - 0.002);
          expect(slope).toBeLessThan(most + 0.002);
        }
      }
    }
  });
  test('the stages, added and taken off, are the figure of the check', () => {
    for (const { id, demand, derivation } of deflections) {
      if (!/deflection-(total|after|live)-\d/.test(id)) continue;
      const parts = derivation!.flatMap((s) => (s.kind === 'given' && /^deflection (at|when)/.test(s.name) ? [s] : []));
      const sum = parts.reduce((total, s) => total + s.value * (s.source === 'added' ? 1 : s.source === 'taken off' ? -1 : NaN), 0);
      expect(Math.abs(sum)).toBeCloseTo(demand!.value, 6);
    }
  });
});
