import { silent } from '@/core/calc/calc';
import { aci318 } from '@/core/codes/aci318';
import { PSI } from '@/core/codes/aci318/materials';
import { en1992 } from '@/core/codes/en1992';
import type { DesignCode, Materials } from '@/core/codes/design-code';
import { usualTimeDependent } from '../fixtures/usual-time';
import type { TorsionQuestion } from '@/core/codes/torsion-rules';
import { thinWall } from '@/core/geometry/thin-wall';
import type { Loop } from '@/core/geometry/polygon';
import { analyse, makeMesh, type LineBeam } from '@/core/analysis/line-beam';
import { torqueAt, torqueDiagram } from '@/core/analysis/torsion';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { readProject } from '@/core/project/read';
import { expectCase, referenceCases } from './reference';

const en = referenceCases('en1992');
const us = referenceCases('aci318');
const rectangle = (b: number, h: number): Loop => [
  [-b / 2, 0],
  [b / 2, 0],
  [b / 2, h],
  [-b / 2, h],
];
const materials = (fc: number, more: Partial<Materials> = {}): Materials => ({
  concreteStrength: fc,
  density: 2400e-9,
  aggregateSize: 20,
  steelStrength: 500,
  ductility: 'B',
  linkStrength: 500,
  timeDependent: usualTimeDependent,
  ...more,
});
const question = (b: number, h: number, d: number, m: Materials, more: Partial<TorsionQuestion>): TorsionQuestion => ({
  T: 0,
  V: 0,
  section: { bw: b, d, h, tensionArea: 1885, grossArea: b * h },
  outline: rectangle(b, h),
  toBar: 51,
  toLink: 46,
  realWall: Infinity,
  links: { diameter: 10, area: 157, legs: 2, spacing: 100 },
  materials: m,
  ...more,
});
const recommended: DesignCode = en1992({ id: 'en1992', variant: 'recommended', choices: {} });

describe('the equivalent wall', () => {
  it('SE-09: a hollow trapezium, its real wall thinner than the rule', () => {
    const wall = thinWall(
      [
        [0, 0],
        [1200, 0],
        [1500, 900],
        [-300, 900],
      ],
      55,
      200,
    );
    expectCase(referenceCases('analysis').get('SE-09')!, { t_ef_mm: wall.thickness, A_k_mm2: wall.coreArea, u_k_mm: wall.corePerimeter }, [
      'J_thin_mm4',
    ]);
  });
  it('of a rectangle by hand: 345 x 565 with bars at 51: t = max(194925/1820, 102) = 107.1, Ak = 237.9 x 457.9', () => {
    const wall = thinWall(rectangle(345, 565), 51);
    expect(wall.thickness).toBeCloseTo(107.102, 3);
    expect(wall.coreArea).toBeCloseTo((345 - 107.102) * (565 - 107.102), 0);
    expect(thinWall([...rectangle(345, 565)].reverse(), 51).coreArea).toBeCloseTo(wall.coreArea, 6);
  });
});

describe('torsion to EN 1992-1-1', () => {
  const q = (more: Partial<TorsionQuestion>) => question(345, 565, 508, materials(32), { T: 58e6, V: 361e3, ...more });

  it('tor-03: struts with shear and torsion at one angle, links of both, bars', () => {
    const c = en.get('tor-03')!;
    const answer = recommended.torsion.check(silent, q({}));
    // With links that are used up just at the flattest angle the concrete carries, the angle is that of the case.
    const just = recommended.torsion.check(silent, q({ links: { diameter: 10, area: answer.linkArea * 100, legs: 2, spacing: 100 } }));
    expect([just.links, just.concrete].map((v) => Number(v.toFixed(4)))).toEqual([1, 1]);
    expectCase(c, { Asw_over_s_total_2legs_mm2_per_mm: answer.linkArea, Asl_torsion_mm2: just.longitudinal }, [
      'cot_theta',
      'interaction_631',
    ]);
  });

  it('without shear, by hand: T = 2 Ak (Asw/s) fywd cot; half the legs, twice the use', () => {
    const one = recommended.torsion.check(silent, q({ V: 0 }));
    const half = recommended.torsion.check(silent, q({ V: 0, links: { diameter: 10, area: 157, legs: 2, spacing: 200 } }));
    expect(half.links).toBeGreaterThan(one.links);
    const strong = recommended.torsion.check(silent, q({ V: 0, links: { diameter: 10, area: 1570, legs: 2, spacing: 100 } }));
    const Ak = 108_933;
    // Steepest strut: 58e6 / (2 Ak 7.85 434.8) = 0.078
    expect(strong.links).toBeCloseTo(58e6 / (2 * Ak * 7.85 * (500 / 1.15)), 4);
  });

  it('a small torque with a small shear needs the least steel only; from compatibility alone it is left out', () => {
    expect(recommended.torsion.check(silent, q({ T: 3e6, V: 20e3 })).design).toBe(0);
    const compatible = en1992({ id: 'en1992', variant: 'recommended', choices: { torsionKind: 'compatibility' } });
    expect(compatible.torsion.check(silent, q({}))).toMatchObject({ design: 0, links: 0, longitudinal: 0 });
  });

  it('more torque or more shear never uses less', () => {
    let before = 0;
    for (const T of [20e6, 40e6, 60e6, 80e6, 100e6]) {
      const a = recommended.torsion.check(silent, q({ T }));
      const use = Math.max(a.links, a.concrete);
      expect(use).toBeGreaterThan(before);
      expect(
        Math.max(...Object.values(recommended.torsion.check(silent, q({ T, V: 400e3 }))).filter((v) => typeof v === 'number' && v < 50)),
      ).toBeGreaterThan(0);
      before = use;
    }
  });
});

describe('torsion to ACI 318', () => {
  const si = aci318({ id: 'aci318', variant: 'SI', choices: {} });
  const m = materials(31, { steelStrength: 420, linkStrength: 420 });

  it('TOR-01 and TOR-02: cracking torque, stirrups, bars, and the section', () => {
    // Below the threshold of 8.31 kNm nothing is asked for, above it is.
    const at = (T: number) => si.torsion.check(silent, question(345, 625, 560, m, { T: T * 1e6, V: 0 })).design;
    expect([at(8.3), at(8.31) > 0]).toEqual([0, true]);
    const compatible = aci318({ id: 'aci318', variant: 'SI', choices: { torsionKind: 'compatibility' } });
    const cracking = compatible.torsion.check(silent, question(345, 625, 560, m, { T: 90e6, V: 0 })).design;
    expectCase(us.get('TOR-01')!, { phiTth_kNm: 8.306473762, phiTcr_kNm: cracking / 1e6 }, ['Tth_kNm', 'Tcr_kNm']);
    const c = us.get('TOR-02')!;
    const answer = si.torsion.check(silent, question(345, 625, 560, m, { T: 47e6, V: 0 }));
    const a_t = answer.linkArea / 2;
    expectCase(c, { At_over_s_mm2_per_mm: a_t, Al_mm2: answer.longitudinal, s_max_mm: answer.spacing.value, ph_mm: answer.corePerimeter }, [
      'Aoh_mm2',
      'Al_strength_mm2',
      'Al_min_mm2',
      'section_ratio',
      'AvAt_over_s_required_mm2_per_mm',
    ]);
  });

  it('TOR-03: compatibility torsion in pounds and inches', () => {
    const code = aci318({ id: 'aci318', variant: 'US', choices: { torsionKind: 'compatibility' } });
    const IN = 25.4;
    const answer = code.torsion.check(silent, {
      ...question(14 * IN, 23 * IN, 20 * IN, materials(4400 * PSI, { steelStrength: 60_000 * PSI, linkStrength: 60_000 * PSI }), {}),
      T: 41 * 4.4482216 * 304.8 * 1000,
      toLink: 1.75 * IN,
    });
    expectCase(
      us.get('TOR-03')!,
      { Tu_design_kipft: answer.design / (4448.2216 * 304.8), At_over_s_in2_per_in: answer.linkArea / 2 / IN },
      ['phiTcr_kipft'],
    );
  });

  it('the section with shear, by hand: sqrt((165/(345 560))2 + (47e6 1572/(1.7 134849^2))2) over 0.75 (Vc/bd + 0.66 sqrt 31)', () => {
    const q = question(345, 625, 560, m, { T: 47e6, V: 165e3 });
    const answer = si.torsion.check(silent, q);
    const Vc = Math.max(0.17, 0.66 * (1885 / (345 * 560)) ** (1 / 3)) * Math.sqrt(31) * 345 * 560;
    const stress = Math.hypot(165e3 / (345 * 560), (47e6 * 1572) / (1.7 * 134_849 ** 2));
    expect(answer.concrete).toBeCloseTo(stress / (0.75 * (Vc / (345 * 560) + 0.66 * Math.sqrt(31))), 6);
  });
});

describe('torque along a beam', () => {
  const beam: LineBeam = {
    spans: [
      { length: 6000, stiffness: 1e13 },
      { length: 4000, stiffness: 1e13 },
    ],
    supports: [
      { vertical: 'held', rotation: 'free' },
      { vertical: 'held', rotation: 'free' },
      { vertical: 'held', rotation: 'free' },
    ],
  };
  const mesh = makeMesh(beam, [{ loads: [{ kind: 'point', span: 0, at: 2000, force: 0 }] }]);

  it('a uniform torque between held supports: half to each, and none in the other span', () => {
    const t = torqueDiagram(beam, mesh, [true, true, true], [1, 1], [{ kind: 'distributed', span: 0, from: 0, to: 6000, value: 5000 }])!;
    expect(torqueAt(t, 0, 0)).toBeCloseTo(-15e6, 3);
    expect(torqueAt(t, 1, 4000)).toBeCloseTo(15e6, 3);
    expect(torqueAt(t, 2, 1000)).toBeCloseTo(0, 6);
  });

  it('a torque at a third: two thirds to the near end; through a support that lets go, by stiffness over the whole length', () => {
    const load = [{ kind: 'point', span: 0, at: 2000, torque: 30e6 }] as const;
    const t = torqueDiagram(beam, mesh, [true, true, true], [1, 1], load)!;
    expect([torqueAt(t, 0, 0), torqueAt(t, 1, 0)].map((v) => v / 1e6)).toEqual([expect.closeTo(-20, 6), expect.closeTo(10, 6)]);
    const through = torqueDiagram(beam, mesh, [true, false, true], [1, 2], load)!;
    // Flexibility beyond the torque: 4000/1 + 4000/2 = 6000 against 2000: three quarters go to the near end.
    expect([torqueAt(through, 0, 0), torqueAt(through, 2, 0)].map((v) => v / 1e6)).toEqual([
      expect.closeTo(-22.5, 6),
      expect.closeTo(7.5, 6),
    ]);
    expect(torqueDiagram(beam, mesh, [false, false, false], [1, 1], load)).toBeUndefined();
    expect(() => analyse(beam, mesh, [{ loads: [] }])).not.toThrow();
  });
});

describe('beams in torsion', () => {
  const project = (change: object = {}, code: object = { id: 'en1992', variant: 'uk' }): Project => {
    const beam = {
      section: { b: 400, h: 650 },
      spans: [{ length: 6000 }],
      supports: [{ width: 300 }, { width: 300 }],
      cases: [{ id: 'G', nature: 'permanent' }],
      loads: [
        { type: 'uniform', case: 'G', value: 30 },
        { type: 'torque', case: 'G', value: 10 },
      ],
      service: { hasPartitions: false },
      ...change,
    };
    const read = readProject({ format: 'intarsia', version: 1, code, members: [beam] });
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    return read.project;
  };
  const design = (p: Project) => designNow(p, p.members[0] as BeamMember);

  it.each([
    { id: 'en1992', variant: 'uk' },
    { id: 'aci318', variant: 'SI' },
  ])('$id: the automatic choice holds, with bars up the sides', (code) => {
    const r = design(project({}, code));
    expect(r.faults).toEqual([]);
    const ids = r.checks
      .filter((c) => c.family === 'torsion')
      .map((c) => c.id)
      .sort();
    expect(ids).toEqual(['torsion-bars-bottom', 'torsion-bars-side', 'torsion-bars-top', 'torsion-concrete', 'torsion-links']);
    expect(r.checks.filter((c) => c.status === 'exceeds' || c.status === 'failed').map((c) => `${c.title} ${c.utilisation}`)).toEqual([]);
    expect(r.steel!.side!.count).toBeGreaterThan(0);
  });

  it('the torque at the end of the check is by hand: 1.35 x 10 (3 - x); twice the torque, more links and bars', () => {
    const one = design(project());
    const c = one.checks.find((k) => k.id === 'torsion-links')!;
    expect(c.demand!.value / 1e6).toBeCloseTo(13.5 * (3 - c.place.x! / 1000), 6);
    const two = design(
      project({
        loads: [
          { type: 'uniform', case: 'G', value: 30 },
          { type: 'torque', case: 'G', value: 20 },
        ],
      }),
    );
    expect(two.quantities!.links).toBeGreaterThan(one.quantities!.links);
    expect(two.quantities!.bars).toBeGreaterThan(one.quantities!.bars);
  });

  it('too few links or side bars fail in words; a small torque is said to need nothing; no torque, no rung', () => {
    const zones = [{ zones: [{ to: 6000, size: '8', legs: 2, spacing: 250 }] }];
    const weak = design(
      project({ bars: { links: zones, side: { count: 0, size: '12' } }, loads: [{ type: 'torque', case: 'G', value: 25 }] }),
    );
    const reason = (id: string) => weak.checks.find((c) => c.id === id)!.reason;
    expect(reason('torsion-links')).toMatch(/^Links for a torque of .* need .* mm²\/mm, have/);
    expect(reason('torsion-bar-spacing')).toMatch(/apart; 350 mm is allowed with torsion/);
    const small = design(
      project({
        loads: [
          { type: 'uniform', case: 'G', value: 5 },
          { type: 'torque', case: 'G', value: 0.5 },
        ],
      }),
    );
    expect(small.checks.find((c) => c.id === 'torsion')).toMatchObject({ status: 'notApplicable' });
    expect(design(project({ loads: [{ type: 'uniform', case: 'G', value: 30 }] })).checks.filter((c) => c.family === 'torsion')).toEqual(
      [],
    );
  });

  it('nothing that holds the beam against twisting is a fault in words', () => {
    const r = design(
      project({
        supports: [
          { width: 300, holdsTwist: false },
          { width: 300, holdsTwist: false },
        ],
      }),
    );
    expect(r.faults.map((f) => f.reason)).toEqual(['No support holds the beam against twisting, and there are torques on it.']);
  });

  it('every torsion check derives', () => {
    const p = project();
    const r = designNow(p, p.members[0] as BeamMember, 'all');
    for (const c of r.checks.filter((k) => k.family === 'torsion')) expect(c.derivation!.length).toBeGreaterThan(8);
  });
});

describe('known design forces with torsion', () => {
  const designed = (rows: object[], bars: object = {}, code: object = { id: 'en1992', variant: 'uk' }) => {
    const read = readProject({
      format: 'intarsia',
      version: 1,
      code,
      members: [{ mode: 'forces', section: { b: 400, h: 600 }, forces: rows, bars }],
    });
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    return designNow(read.project, read.project.members[0] as BeamMember, 'all');
  };
  it.each([
    { id: 'en1992', variant: 'uk' },
    { id: 'aci318', variant: 'SI' },
  ])('$id: the automatic choice holds; without torque there is no such rung', (code) => {
    const r = designed([{ place: 'face', moment: 150, shear: 120, torsion: 35 }], {}, code);
    expect(
      r.checks
        .filter((c) => c.family === 'torsion')
        .map((c) => c.id)
        .sort(),
    ).toEqual(['torsion-bars-1', 'torsion-concrete-1', 'torsion-links-1']);
    expect(r.checks.filter((c) => c.status === 'exceeds' || c.status === 'failed').map((c) => `${c.title} ${c.utilisation}`)).toEqual([]);
    expect(r.steel!.side!.count).toBeGreaterThan(0);
    expect(designed([{ place: 'face', moment: 150, shear: 120 }], {}, code).checks.some((c) => c.family === 'torsion')).toBe(false);
  });
  it('with links set too few it says so, and the links are those of the section in torsion by hand', () => {
    const bars = { links: [{ zones: [{ to: 6000, size: '8', legs: 2, spacing: 250 }] }] };
    const r = designed([{ place: 'face', moment: 150, shear: 120, torsion: 60 }], bars);
    expect(r.checks.find((c) => c.id === 'torsion-links-1')!.reason).toMatch(/^More links are needed at face for a torque of 60.0 kNm\.$/);
  });
});
