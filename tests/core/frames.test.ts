import { silent } from '@/core/calc/calc';
import { PSI } from '@/core/codes/aci318/materials';
import type { Materials } from '@/core/codes/design-code';
import { usualTimeDependent } from '../fixtures/usual-time';
import { makeCode } from '@/core/codes/registry';
import type { BeamResult } from '@/core/members/beam/result';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import { readProject } from '@/core/project/read';
import { expectCase, referenceCases } from './reference';

const materials = (fc: number, fy: number, more: Partial<Materials> = {}): Materials => ({
  concreteStrength: fc,
  density: 2400e-9,
  aggregateSize: 20,
  steelStrength: fy,
  ductility: 'C',
  linkStrength: fy,
  timeDependent: usualTimeDependent,
  ...more,
});
const en = (choices = {}) => makeCode({ id: 'en1992', variant: 'recommended', choices });
const aci = (variant = 'SI') => makeCode({ id: 'aci318', variant, choices: {} });
const medium = (choices = {}) => en(choices).frames.rules('medium')!;
const rulesOf = (frame: string, variant = 'SI') => aci(variant).frames.rules(frame)!;

const us = referenceCases('aci318');

describe('EN 1998-1, ductility class medium, by hand', () => {
  const m = materials(30, 500);
  it('least steel (5.12): 0.5 fctm / fyk', () => {
    // fctm = 0.3 * 30^(2/3) = 2.896; 0.5 * 2.896 / 500 = 0.002896
    expect(medium().leastRatio(silent, m)!.value).toBeCloseTo(0.002896, 6);
  });
  it('most steel (5.11), steel of class C and of class B', () => {
    // mu_phi = 2 * 3.9 - 1 = 6.8; fyd = 434.78, epsilon_sy,d = 0.0021739; fcd = 20 (alpha_cc = 1)
    // 0.005 + 0.0018 / (6.8 * 0.0021739) * 20 / 434.78 = 0.005 + 0.121766 * 0.046 = 0.010601
    expect(medium().mostRatio(silent, m, 0.005)!.value).toBeCloseTo(0.010601, 6);
    // class B: mu_phi = 10.2, so 0.005 + 0.005601 / 1.5 = 0.008734
    expect(medium().mostRatio(silent, { ...m, ductility: 'B' }, 0.005)!.value).toBeCloseTo(0.008734, 6);
  });
  it('close links (5.13): the least of h/4, 24 dbw, 225 mm, 8 dbL', () => {
    const end = { materials: m, h: 600, d: 550, smallestBar: 20, link: 8 };
    expect(medium().zone(silent, end)).toMatchObject({ length: 600, spacing: 150, first: 50 }); // h/4
    expect(medium().zone(silent, { ...end, smallestBar: 12 })!.spacing).toBe(96); // 8 dbL
    expect(medium().zone(silent, { ...end, h: 1200, link: 6 })!.spacing).toBe(144); // 24 dbw, where 8 dbL is 160
    expect(medium().zone(silent, { ...end, h: 1200, link: 10, smallestBar: 32 })!.spacing).toBe(225);
  });
  it('bars in joints (5.50) without axial force', () => {
    const q = { materials: m, depth: 500, isInner: false, bottomRatio: 0.005, mostRatio: 0.0106 };
    // outer: 7.5 * 2.896 / 434.78 * 500 = 24.98 mm
    expect(medium().jointBar(silent, q)!.value).toBeCloseTo(24.98, 2);
    // inner: divided by 1 + 0.75 * 2/3 * 0.005 / 0.0106 = 1.23585, so 20.21 mm
    expect(medium().jointBar(silent, { ...q, isInner: true })!.value).toBeCloseTo(20.21, 2);
  });
  it('refuses steel of class A and weak concrete', () => {
    expect(medium().materialFault({ ...m, ductility: 'A' })).toMatch(/class B or C/);
    expect(medium().materialFault(materials(12, 500))).toMatch(/C16\/20/);
    expect(medium().materialFault(m)).toBeNull();
  });
  it('a higher behaviour factor allows less steel', () => {
    const most = (q: number) => medium({ behaviour: String(q) }).mostRatio(silent, m, 0.004)!.value;
    expect(most(3)).toBeGreaterThan(most(4.5));
  });
  it('loads that are there: permanent in full, imposed by psi 2', () => {
    const kase = { id: 'Q', title: '', pattern: true, category: 'C' as const };
    expect(medium().gravityFactor({ ...kase, nature: 'permanent' })).toBe(1);
    expect(medium().gravityFactor({ ...kase, nature: 'imposed' })).toBe(0.6);
    expect(medium().gravityFactor({ ...kase, nature: 'earthquake' })).toBe(0);
  });
});

describe('ACI 318-19 chapter 18 by hand', () => {
  const m = materials(28, 420);
  const end = { materials: m, h: 600, d: 540, smallestBar: 19, link: 10 };
  it('hoops: d/4 = 135; 8 db = 152; 24 dh = 240; 300 for intermediate, 6 db = 114 for special', () => {
    expect(rulesOf('intermediate').zone(silent, end)).toMatchObject({ length: 1200, spacing: 135, first: 50 });
    expect(rulesOf('special').zone(silent, end)!.spacing).toBe(114);
    // grade 80 (550): 5 db = 95
    expect(rulesOf('special').zone(silent, { ...end, materials: materials(28, 550) })!.spacing).toBe(95);
    expect(rulesOf('ordinary').zone(silent, end)).toBeNull();
  });
  it('DET-16: hoops of an intermediate frame', () => {
    const reference = us.get('DET-16')!;
    const q = reference.inputs as Record<'d_mm' | 'db_long_mm' | 'db_hoop_mm' | 'h_mm', number>;
    const zone = rulesOf('intermediate').zone(silent, {
      materials: m,
      h: q.h_mm,
      d: q.d_mm,
      smallestBar: q.db_long_mm,
      link: q.db_hoop_mm,
    })!;
    expectCase(reference, { s_hoop_max_mm: zone.spacing });
    expect(zone.length).toBe(1220);
  });
  it('US form: 6 in and 2 in', () => {
    const us = { ...end, materials: materials(4000 * PSI, 60_000 * PSI), d: 40 * 25.4, smallestBar: 1.128 * 25.4 };
    // d/4 = 10 in, 6 db = 6.77 in, so 6 in
    expect(rulesOf('special', 'US').zone(silent, us)!.spacing / 25.4).toBeCloseTo(6, 9);
    expect(rulesOf('special', 'US').zone(silent, us)!.first / 25.4).toBeCloseTo(2, 9);
  });
  it('joints: 20 bar diameters at grade 60, 26 at grade 80, more in lightweight concrete', () => {
    const q = { materials: m, depth: 500, isInner: true, bottomRatio: 0, mostRatio: 0 };
    expect(rulesOf('special').jointBar(silent, q)!.value).toBeCloseTo(25, 9);
    expect(rulesOf('special').jointBar(silent, { ...q, materials: materials(28, 550) })!.value).toBeCloseTo(500 / 26, 9);
    expect(rulesOf('special').jointBar(silent, { ...q, materials: { ...m, density: 1700e-9 } })!.value).toBeCloseTo(18.75, 9);
    expect(rulesOf('special').jointBar(silent, { ...q, isInner: false })).toBeNull();
  });
  it('probable moment of a special frame: 1.25 fy and no reduction', () => {
    // 3 bars of 510 mm2 at d = 540 in b = 300: a = 1530 * 525 / (0.85 * 28 * 300) = 112.5 mm; Mpr = 1530 * 525 * (540 - 56.25) = 388.6 kNm
    const section = {
      h: 600,
      strips: [{ from: 0, to: 600, width: 300 }],
      b: 300,
      bw: 300,
      hf: 0,
      tensionWidth: 300,
      grossArea: 180_000,
      layers: [{ depth: 540, area: 1530 }],
    };
    expect(rulesOf('special').endMoment!(silent, section, m) / 1e6).toBeCloseTo(388.57, 1);
    // Nominal for the intermediate one: a = 90 mm; 1530 * 420 * 495 = 318.1 kNm
    expect(rulesOf('intermediate').endMoment!(silent, section, m) / 1e6).toBeCloseTo(318.09, 1);
  });
  it('concrete counts in shear of a special frame only while the sway brings less than half', () => {
    const { countsConcrete, shear, linkArea } = rulesOf('special');
    expect([countsConcrete(40, 100), countsConcrete(50, 100)]).toEqual([true, false]);
    const s = { bw: 300, d: 540, h: 600, tensionArea: 1530, grossArea: 180_000 };
    const links = { diameter: 10, area: 142, legs: 2, spacing: 100 };
    // 0.75 * 142 * 420 * 540 / 100 = 241.5 kN
    expect(shear(silent, s, links, m, false) / 1e3).toBeCloseTo(241.5, 1);
    expect(shear(silent, s, links, m, true)).toBeGreaterThan(shear(silent, s, links, m, false));
    expect(linkArea(241_542, s, m, false)).toBeCloseTo(1.42, 3);
  });
  it('a class of one code is none of another', () => {
    expect(aci().frames.rules('medium')).toBeNull();
    expect(en().frames.rules('special')).toBeNull();
  });
});

function project(code: { id: string; variant: string }, more: object = {}): Project {
  const member = {
    id: 'fr',
    mark: 'FR',
    section: { shape: 'rectangular', b: 350, h: 600 },
    spans: [{ length: 6000 }, { length: 7000 }],
    supports: [
      { type: 'fixed', width: 600 },
      { type: 'pinned', width: 600 },
      { type: 'fixed', width: 600 },
    ],
    materials: { concreteStrength: 30, steelStrength: code.id === 'en1992' ? 500 : 420, ductility: 'C' },
    cases: [
      { id: 'G', nature: 'permanent' },
      { id: 'Q', nature: 'imposed', category: 'A', pattern: true },
    ],
    loads: [
      { type: 'uniform', case: 'G', span: 'all', value: '12 kN/m' },
      { type: 'uniform', case: 'Q', span: 'all', value: '10 kN/m' },
    ],
    ...more,
  };
  const read = readProject({ format: 'intarsia', version: 1, name: 't', code, members: [member] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const design = (p: Project) => designNow(p, p.members[0]!, 'all') as BeamResult;
const frameOnes = (r: BeamResult) => r.checks.filter((c) => c.id.startsWith('frame-'));
const EN = { id: 'en1992', variant: 'recommended' };
const ACI = { id: 'aci318', variant: 'SI' };

describe('a beam in a frame', () => {
  it('has no such checks outside a frame', () => {
    expect(frameOnes(design(project(EN)))).toEqual([]);
  });
  it.each([
    [EN, 'medium', 7],
    [ACI, 'ordinary', 1],
    [ACI, 'intermediate', 7],
    [ACI, 'special', 12],
  ] as const)('%j %s: bars are chosen so that every rule of the class holds', (code, frame, count) => {
    // Thin bars for the joints of 600 mm deep columns.
    const result = design(project(code, { frame, barRules: { mainSizes: code.id === 'en1992' ? ['16', '20'] : ['16', '19', '22'] } }));
    expect(result.faults).toEqual([]);
    const checks = frameOnes(result);
    expect(checks.length).toBe(count);
    expect(checks.filter((c) => c.utilisation !== null && c.utilisation > 1.0005).map((c) => [c.id, c.utilisation, c.reason])).toEqual([]);
    checks.forEach((c) => expect(c.utilisation === null || Number.isFinite(c.utilisation)).toBe(true));
  });
  it('shear by capacity stands in equilibrium: sway times the clear span is the sum of both end moments', () => {
    const p = project(ACI, {
      frame: 'special',
      spans: [{ length: 6000 }],
      supports: [
        { type: 'fixed', width: 600 },
        { type: 'fixed', width: 600 },
      ],
      selfWeight: false,
      bars: {
        bottom: [{ main: { count: 4, size: '19' }, extra: { bars: { count: 0, size: '19' } } }],
        top: [{ main: { count: 4, size: '19' } }],
        support: [{ bars: { count: 4, size: '19' } }, { bars: { count: 4, size: '19' } }],
      },
    });
    const check = design(p).checks.find((c) => c.id === 'frame-shear-1')!;
    // Equal bars in both faces, 4 x 284 mm2 (19 mm soft metric): both ends bring the same moment M in both senses. Clear span 5.4 m.
    // Gravity at the face: (1.2 * 12 + 1.0 * 10) * 5.4 / 2 = 65.88 kN. With M from the section: V = 65.88 + 2 M / 5.4.
    const rules = rulesOf('special');
    const section = {
      h: 600,
      strips: [{ from: 0, to: 600, width: 350 }],
      b: 350,
      bw: 350,
      hf: 0,
      tensionWidth: 350,
      grossArea: 210_000,
      layers: [
        { depth: 30 + 10 + 9.55, area: 4 * 284 },
        { depth: 600 - 30 - 10 - 9.55, area: 4 * 284 },
      ],
    };
    const M = rules.endMoment!(silent, section, materials(30, 420)) / 1e6;
    expect(check.demand!.value / 1e3).toBeCloseTo(65.88 + (2 * M) / 5.4, 0);
  });
  it('says what fails: thick bars in a slender column, a class of another code, steel of class A', () => {
    const thick = design(project(EN, { frame: 'medium', barRules: { mainSizes: ['32'] } }));
    expect(thick.checks.find((c) => c.id === 'frame-joint')!.reason).toMatch(/Thinner bars, or a deeper column/);
    const foreign = design(project(EN, { frame: 'special' }));
    expect(foreign.checks.find((c) => c.title === 'Frame class special')).toMatchObject({ status: 'notCovered' });
    const brittle = design(project(EN, { frame: 'medium', materials: { concreteStrength: 30, steelStrength: 500, ductility: 'A' } }));
    expect(brittle.faults[0]).toMatchObject({ path: 'frame' });
  });
  it('bars set too light are found out by each rule', () => {
    const bars = {
      bottom: [0, 1].map(() => ({ main: { count: 2, size: '13' }, extra: { bars: { count: 3, size: '19' } } })),
      top: [0, 1].map(() => ({ main: { count: 2, size: '10' } })),
      support: [0, 1, 2].map(() => ({ bars: { count: 5, size: '22' }, left: 2000, right: 2000 })),
      links: [6000, 7000].map((to) => ({ zones: [{ to, size: '10', legs: 2, spacing: 300 }] })),
    };
    const result = design(project(ACI, { frame: 'special', bars }));
    expect(result.faults).toEqual([]);
    const failed = frameOnes(result).filter((c) => c.status === 'exceeds');
    const ids = failed.map((c) => c.id);
    expect(ids).toEqual(
      expect.arrayContaining(['frame-bottom-at-face', 'frame-along', 'frame-links', 'frame-links-beyond', 'frame-shear-1']),
    );
    failed.forEach((c) => expect(c.reason!.length).toBeGreaterThan(20));
  });
});
