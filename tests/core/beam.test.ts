import { prepareBeam } from '@/core/members/beam/prepared';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { readProject } from '@/core/project/read';
import { beamFaults } from '@/core/members/beam/faults';
import { codeOf } from '@/core/members/member';
import { silent } from '@/core/calc/calc';
import { placeBars, barsPerLayer } from '@/core/reinforcement/bar-groups';
import { catalogues } from '@/core/materials/bars';
import { analyseBeam } from '@/core/members/beam/analysis';

export function project(member: Record<string, unknown>, code: Record<string, unknown> = { id: 'en1992', variant: 'uk' }): Project {
  const read = readProject({ format: 'intarsia', version: 1, code, members: [member] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const first = (p: Project): BeamMember => p.members[0] as BeamMember;
const find = (p: Project, id: string) => designNow(p, first(p)).checks.find((c) => c.id === id);

const simple = {
  section: { b: 300, h: 500 },
  spans: [{ length: 6000 }],
  supports: [{ width: 300 }, { width: 300 }],
  cases: [
    { id: 'G', nature: 'permanent' },
    { id: 'Q', nature: 'imposed', category: 'B' },
  ],
  loads: [
    { type: 'uniform', case: 'G', value: 12 },
    { type: 'uniform', case: 'Q', value: 10 },
  ],
  bars: { bottom: [{ main: { count: 4, size: '20' } }], links: [{ zones: [{ to: 6000, size: '8', legs: 2, spacing: 200 }] }] },
};

describe('a simple beam, worked by hand', () => {
  const p = project(simple);

  test('bending at midspan', () => {
    // Self-weight 0.3 * 0.5 * 25 = 3.75 kN/m. w = 1.35 (12 + 3.75) + 1.5 * 10 = 36.2625 kN/m. M = 36.2625 * 6^2 / 8 = 163.181 kNm.
    // d = 500 - 30 - 8 - 10 = 452. C30, UK: fcd = 0.85 * 30 / 1.5 = 17 MPa; fyd = 434.78 MPa; As = 4 * 314.159 = 1256.64 mm2.
    // Top: two H12 hold the links, centre at 30 + 8 + 6 = 44 mm. Balance with x = 115.3: strain of the top bars 0.0035 (115.3 - 44)/115.3
    // = 2.164 per mil, just below yield (2.174): 432.8 MPa on 226.2 mm2 = 97.9 kN; concrete 17 * 300 * 0.8 * 115.3 = 470.5 kN; sum 568.4;
    // but 1256.64 * 434.78 = 546.4 kN is less, so x is smaller: x = 110.9 gives 452.5 + 93.9 = 546.4 kN.
    // M = 452.5 (452 - 44.4) + 93.9 (452 - 44) = 184.4 + 38.3 = 222.7 kNm.
    const check = find(p, 'bending-span-1')!;
    expect(check.demand!.value / 1e6).toBeCloseTo(163.181, 2);
    expect(check.capacity!.value / 1e6).toBeCloseTo(222.7, 0);
    expect(check.place.x).toBeCloseTo(3000, 0);
    expect(check.status).toBe('holds');
  });

  test('shear at d from the face', () => {
    // V at 150 + 452 = 602 mm: 36.2625 (3.0 - 0.602) = 86.957 kN.
    // VRd,s = 100.53 / 200 * 0.9 * 452 * 434.78 * 2.5 = 222.26 kN; VRd,max at cot 2.5 is larger:
    // 300 * 406.8 * 0.6 (1 - 30/250) * 20 / 2.9 = 444.4 kN.
    const check = find(p, 'shear-right-of-A')!;
    expect(check.demand!.value / 1e3).toBeCloseTo(86.957, 2);
    expect(check.capacity!.value / 1e3).toBeCloseTo(222.26, 1);
    expect(check.place.x).toBeCloseTo(602, 3);
  });

  test('detailing', () => {
    // As,min = 0.26 * 2.896 / 500 * 300 * 452 = 204.2 mm2 (0.0013 bd = 176.3).
    expect(find(p, 'minimum-steel')!.demand!.value).toBeCloseTo(204.2, 0);
    // Clear: (300 - 2 * 38 - 4 * 20) / 3 = 48 mm, needed max(20, 20 + 5, 20) = 25 mm.
    expect(find(p, 'bar-spacing')!.capacity!.value).toBeCloseTo(48, 6);
    expect(find(p, 'bar-spacing')!.demand!.value).toBe(25);
    // Links: least 0.08 sqrt(30)/500 * 300 = 0.2629; 0.75 d = 339; legs 300 - 60 - 8 = 232 apart.
    expect(find(p, 'least-links')!.demand!.value).toBeCloseTo(0.2629, 4);
    expect(find(p, 'link-spacing')!.capacity!.value).toBeCloseTo(339, 6);
    expect(find(p, 'leg-spacing')!.demand!.value).toBeCloseTo(232, 6);
  });

  test('quantities', () => {
    const q = designNow(p, first(p)).quantities!;
    expect(q.concrete / 1e9).toBeCloseTo(0.9, 9);
    // To the end covers of the supports, 6 + 2 (0.15 - 0.03) = 6.24 m. 4H20: 4 * 2.466 kg/m * 6.24 = 61.55; 2H12: 2 * 0.888 * 6.24 = 11.08.
    expect(q.bars).toBeCloseTo(72.63, 1);
  });

  test('the derivation ends in the capacity of the check, and only the asked one is made', () => {
    const result = designNow(p, first(p), ['bending-span-1']);
    const check = result.checks.find((c) => c.id === 'bending-span-1')!;
    const steps = check.derivation!.filter((s) => s.kind === 'formula' && s.symbol === 'M_Rd');
    expect(steps.map((s) => (s.kind === 'formula' ? s.value : 0))).toEqual([expect.closeTo(check.capacity!.value, 0)]);
    expect(result.checks.filter((c) => c.derivation)).toHaveLength(1);
  });
});

describe('what the engineer sets', () => {
  test('singly reinforced only: the refusal says so', () => {
    const heavy = {
      ...simple,
      section: { b: 250, h: 400 },
      bars: {},
      loads: [{ type: 'uniform', case: 'Q', value: 45 }],
      barRules: { singlyReinforced: true },
    };
    expect(find(project(heavy), 'bending-span-1')!.reason).toMatch(/needs compression steel, which is switched off/);
    const doubly = project({ ...heavy, barRules: {} });
    expect(find(doubly, 'compression-span-1')!.status).not.toBe('exceeds');
    expect(find(doubly, 'bending-span-1')!.status).not.toBe('exceeds');
  });
  test('bars that do not fit: how many do', () => {
    const crowded = project({ ...simple, bars: { bottom: [{ main: { count: 40, size: '25' } }] } });
    expect(find(crowded, 'bar-spacing')!.reason).toMatch(/40 bars do not fit: \d+ of this size in a layer, 3 layers at most/);
  });
  test('redistribution moves moment from the support into the spans and is limited', () => {
    const two = (redistribution: number) =>
      project(
        { ...simple, spans: [{ length: 6000 }, { length: 6000 }], supports: [{}, { redistribution }, {}], bars: {} },
        { id: 'en1992', variant: 'uk', choices: { supportMoment: 'centre', pattern: 'allSpans' } },
      );
    const at = (p: Project, id: string) => find(p, id)!.demand!.value;
    // Uniform on both spans: support w L2/8; scaled by 0.8 exactly.
    expect(at(two(0.8), 'bending-support-B') / at(two(1), 'bending-support-B')).toBeCloseTo(0.8, 9);
    expect(at(two(0.8), 'bending-span-1')).toBeGreaterThan(at(two(1), 'bending-span-1'));
    expect(find(two(0.6), 'redistribution')!.reason).toBe('At most 30 % may be redistributed.');
  });
  test('a strut angle of 45 degrees takes 2.5 times the links', () => {
    const steep = project({ ...simple, choices: { cotTheta: '1' } });
    expect(find(steep, 'shear-right-of-A')!.capacity!.value / find(project(simple), 'shear-right-of-A')!.capacity!.value).toBeCloseTo(
      1 / 2.5,
      3,
    );
  });
  test('combinations switched off, own ones used', () => {
    const off = project({ ...simple, combinationsOff: ['U1', 'U2'] });
    expect(designNow(off, first(off)).governing!.title).toBe('No ultimate combination');
    const own = project({
      ...simple,
      combinationsOff: ['U1', 'U2'],
      ownCombinations: [
        {
          id: 'X1',
          kind: 'ultimate',
          factors: [
            { caseId: 'SW', factor: 1 },
            { caseId: 'G', factor: 1 },
          ],
        },
      ],
    });
    // (12 + 3.75) * 36 / 8 = 70.875 kNm
    expect(find(own, 'bending-span-1')!.demand!.value / 1e6).toBeCloseTo(70.875, 3);
    expect(find(own, 'bending-span-1')!.combination).toBe('X1');
  });
});

describe('faults are named by their field', () => {
  const faults = (change: Record<string, unknown>) => {
    const p = project({ ...simple, ...change });
    return beamFaults(first(p), codeOf(p, first(p))).map((f) => f.path);
  };
  test.each([
    [{ section: { b: 300, h: -5 } }, 'section.h'],
    [{ section: { b: 0, h: 500 } }, 'section.b'],
    [{ cover: { top: 250, bottom: 250, side: 30 } }, 'cover.bottom'],
    [{ cover: { top: 30, bottom: 30, side: 148 } }, 'cover.side'],
    [{ section: { shape: 'T', b: 300, h: 500, flangeWidth: 200, flangeDepth: 100 } }, 'section.flangeWidth'],
    [{ spans: [{ length: 0 }] }, 'spans[0].length'],
    [{ supports: [{}, { type: 'free' }] }, 'supports'],
    [{ supports: [{}, {}, {}] }, 'supports'],
    [{ materials: { concreteStrength: 5 } }, 'materials.concreteStrength'],
    [{ loads: [{ type: 'point', case: 'Q', span: 0, at: 7000, force: 10 }] }, 'loads[0].at'],
    [{ loads: [{ type: 'partial', case: 'Q', span: 0, from: 3000, to: 2000, value: 4 }] }, 'loads[0].to'],
    [{ loads: [{ type: 'uniform', case: 'nowhere', value: 4 }] }, 'loads[0].case'],
    [{ bars: { bottom: [{ main: { count: 2, size: '99' } }] } }, 'bars.bottom[0].main.size'],
  ])('%j', (change, path) => expect(faults(change)).toContain(path));
  test('no supports at all stand on pins; a beam that could fall is a mechanism', () => {
    const p = project({ ...simple, supports: [{ type: 'free' }, { type: 'spring', vertical: 1000 }] });
    expect(designNow(p, first(p)).faults[0]!.reason).toMatch(/mechanism/);
  });
});

describe('supports and pieces', () => {
  test('moment at the face is less than at the centre, and at least 0.65 of the fixed-end moment', () => {
    const two = {
      ...simple,
      spans: [{ length: 6000 }, { length: 6000 }],
      supports: [{ width: 400 }, { width: 400 }, { width: 400 }],
      bars: {},
    };
    const at = (rule: string) =>
      find(project(two, { id: 'en1992', variant: 'uk', choices: { supportMoment: rule } }), 'bending-support-B')!.demand!.value;
    expect(at('face')).toBeLessThan(at('centre'));
    expect(at('rounded')).toBeLessThan(at('centre'));
    // 0.65 * 36.2625 * 36 / 12 = 70.7 kNm is below the face moment here.
    expect(at('face')).toBeGreaterThan(70.7e6);
  });
  test('a support that settles: 3 E I s / L2 over two equal spans', () => {
    const p = project({
      ...simple,
      spans: [{ length: 6000 }, { length: 6000 }],
      supports: [{}, { settlement: 10 }, {}],
      selfWeight: false,
      loads: [{ type: 'uniform', case: 'G', value: 0.001 }],
    });
    const a = analyseBeam(prepareBeam(first(p), codeOf(p, first(p))), codeOf(p, first(p)));
    const EI = codeOf(p, first(p)).elasticModulus(silent, first(p).materials) * ((300 * 500 ** 3) / 12);
    // Sinking middle support of two spans L: M = 3 E I s / L2, sagging; factor 1.2 on settlements.
    const most = Math.max(...a.envelope.maxM);
    expect(most / ((1.2 * 3 * EI * 10) / 6000 ** 2)).toBeCloseTo(1, 3);
  });
  test('a cantilever hogs all along and needs top bars to its end', () => {
    const p = project({ ...simple, spans: [{ length: 5000 }, { length: 2000 }], supports: [{}, {}, { type: 'free' }], bars: {} });
    const result = designNow(p, first(p));
    expect(result.steel!.support[1]!.to).toBe(7000);
    expect(result.checks.find((c) => c.id === 'bending-support-B')!.status).not.toBe('exceeds');
    expect(result.reactions.map((r) => r.support)).toEqual([0, 1]);
  });
  test('bars are set into layers, largest outside, symmetric', () => {
    const rules = { clearSpacing: () => ({ value: 25 }), layerGap: () => ({ value: 25 }) };
    const face = { width: 300, faceCover: 30, sideCover: 30, linkDiameter: 8, aggregate: 20 };
    // Room 300 - 76 = 224; bars of 25 with 25 between: (224 + 25) / 50 = 4.98. With one of 16: 4 * 25 + 16 + 4 * 25 = 216 still fits.
    expect(barsPerLayer(25, face, rules)).toBe(4);
    const placed = placeBars(
      [
        { count: 4, size: '25' },
        { count: 3, size: '16' },
      ],
      catalogues.metric,
      face,
      rules,
    );
    expect(placed.layers).toBe(2);
    expect(placed.bars.filter((b) => b.layer === 0).map((b) => b.fromFace)).toEqual([50.5, 50.5, 46, 50.5, 50.5]);
    expect(placed.bars.reduce((sum, b) => sum + b.x, 0)).toBeCloseTo(0, 9);
    expect(placed.bars.find((b) => b.layer === 1)!.fromFace).toBeCloseTo(30 + 8 + 25 + 25 + 8, 9);
  });
});
