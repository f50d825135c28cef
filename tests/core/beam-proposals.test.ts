import { automaticBars, proposeBeam } from '@/core/members/beam/proposals';
import { usualRates } from '@/core/advice/rates';
import type { BeamResult } from '@/core/members/beam/result';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import type { BeamMember } from '@/core/members/beam/input';
import { readProject } from '@/core/project/read';

function project(change: object = {}, code: object = { id: 'en1992', variant: 'uk' }): Project {
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code,
    members: [
      {
        section: { b: 300, h: 500 },
        spans: [{ length: 6000 }, { length: 6000 }],
        supports: [{ width: 300 }, { width: 300 }, { width: 300 }],
        cases: [
          { id: 'G', nature: 'permanent' },
          { id: 'Q', nature: 'imposed', category: 'B' },
        ],
        loads: [
          { type: 'uniform', case: 'G', value: 18 },
          { type: 'uniform', case: 'Q', value: 12 },
        ],
        ...change,
      },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const beamOf = (p: Project) => p.members[0] as BeamMember;
const propose = (p: Project, search: Parameters<typeof proposeBeam>[2], rates = usualRates) =>
  proposeBeam(beamOf(p), codeOf(p, beamOf(p)), search, rates);

describe('ways for a beam', () => {
  it('every arrangement holds when it is taken, and gives the utilisation that it promised', () => {
    const p = project();
    const found = propose(p, 'arrangements');
    expect(found.length).toBeGreaterThan(3);
    for (const way of found) {
      const taken = { ...beamOf(p), ...way.change };
      const r = designNow(p, taken);
      expect(r.checks.filter((c) => c.status === 'exceeds' || c.status === 'failed')).toEqual([]);
      expect(r.governing!.utilisation).toBeCloseTo(way.utilisation, 9);
    }
  });

  it('only the sizes that the office allows', () => {
    const p = project({ barRules: { mainSizes: ['20'], linkSizes: ['10'] } });
    for (const way of propose(p, 'arrangements')) expect(way.title).toBe('20, links 10');
  });

  it('a failure is mended by single changes: deeper costs more concrete, and the least change is among them', () => {
    const two = { main: { count: 2, size: '12' }, extra: { bars: { count: 0, size: '12' } } };
    const p = project({ bars: { bottom: [two, two] } });
    const found = propose(p, 'changes');
    expect(found[0]!.holds).toBe(true);
    expect(found.map((w) => w.title)).toContain('bars chosen anew');
    const deeper = found.find((w) => w.title === 'depth 550 mm')!;
    expect(deeper.change.section!.h).toBe(550);
    // Those that hold come first.
    const holds = found.map((w) => w.holds);
    expect(holds).toEqual([...holds].sort((a, b) => Number(b) - Number(a)));
  });

  it('bars and links set by hand stay unless a way says that they are chosen anew', () => {
    const byHand = {
      bottom: [{ main: { count: 3, size: '20' } }, { main: { count: 3, size: '20' } }],
      links: [{ zones: null }, { zones: null }],
    };
    const p = project({ bars: byHand });
    const found = propose(p, 'changes');
    for (const way of found) {
      const { bars } = { ...beamOf(p), ...way.change };
      if (way.isAnew) expect(bars.bottom.map((b) => b.main)).toEqual([null, null]);
      else expect(bars).toBe(beamOf(p).bars);
    }
    expect(new Set(found.map((w) => w.isAnew === true)).size).toBe(2);
    // All arrangements choose anew, and are marked so only where something was set.
    expect(propose(p, 'arrangements').every((w) => w.isAnew)).toBe(true);
    expect(propose(project(), 'arrangements').some((w) => w.isAnew)).toBe(false);
  });

  it('where no single change mends, pairs that do come first; grades are those that are ordered', () => {
    const weak = project({ section: { b: 200, h: 300 }, loads: [{ type: 'uniform', case: 'G', value: 45 }] });
    const found = propose(weak, 'changes');
    const grades = codeOf(weak, beamOf(weak)).concreteGrades;
    for (const way of found) {
      const strength = way.change.materials?.concreteStrength;
      if (strength !== undefined) expect(grades).toContain(strength);
    }
    const pairs = found.filter((w) => w.isPair);
    if (found.some((w) => w.holds && !w.isPair)) expect(pairs).toEqual([]);
    for (const pair of pairs) {
      const r = designNow(weak, { ...beamOf(weak), ...pair.change });
      expect([pair.title, r.checks.filter((c) => c.status === 'exceeds' || c.status === 'failed').length]).toEqual([pair.title, 0]);
      expect(pair.title).toContain(' and ');
    }
    expect(found.length).toBeGreaterThan(0);
  });

  it('rates of the office turn the order: dear steel favours depth', () => {
    const dear = { cost: { concrete: 1, perMPa: 0, steel: 100, formwork: 0 }, carbon: usualRates.carbon };
    const cheap = { cost: { concrete: 1000, perMPa: 0, steel: 0, formwork: 0 }, carbon: usualRates.carbon };
    const order = (rates: typeof dear) =>
      propose(project(), 'changes', rates)
        .filter((w) => w.holds)
        .map((w) => w.title);
    expect(order(dear)).not.toEqual(order(cheap));
    expect(order(cheap)[0]).toMatch(/^(depth 450|depth 400|depth 350|width 250)/);
  });

  it('nothing for a beam with faults, or one whose forces are given', () => {
    expect(propose(project({ spans: [{ length: -1 }] }), 'changes')).toEqual([]);
    expect(propose(project({ mode: 'forces', forces: [{ place: 'a', moment: 100, shear: 50 }] }), 'changes')).toEqual([]);
  });

  it('automatic bars leave nothing set', () => {
    const bars = automaticBars(beamOf(project()));
    expect(bars.bottom.every((b) => b.main === null && b.extra.bars === null)).toBe(true);
  });
});

describe('rules for the automatic choice of bars', () => {
  const steelOf = (barRules: object, more: object = {}) => {
    const p = project({ barRules, ...more });
    return (designNow(p, p.members[0]!) as BeamResult).steel!;
  };
  it('keeps to the fewest and most bars of a group', () => {
    const counts = (rules: object) => {
      const s = steelOf(rules);
      return s.bottom.map((b) => b.main.count + (b.extra?.bars.count ?? 0));
    };
    expect(Math.min(...counts({ leastBars: 5 }))).toBeGreaterThanOrEqual(5);
    expect(Math.max(...counts({ mostBars: 3 }))).toBeLessThanOrEqual(3);
  });
  it('takes legs and spacings from the lists, and more legs where no spacing allowed is close enough', () => {
    const zones = steelOf({ spacings: ['100 mm', '200 mm', '300 mm'], legs: [2, 4] }).links.flat();
    zones.forEach((z) => {
      expect([100, 200, 300]).toContain(z.spacing);
      expect([2, 4]).toContain(z.legs);
    });
    const heavy = { loads: [{ type: 'uniform', case: 'G', value: 60 }] };
    const wide = steelOf({ spacings: ['250 mm'], linkSizes: ['8'] }, heavy).links.flat();
    expect(wide.every((z) => z.spacing === 250)).toBe(true);
    expect(Math.max(...wide.map((z) => z.legs))).toBeGreaterThan(2);
  });
});
