import fc from 'fast-check';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { ColumnMember } from '@/core/members/column/input';
import { readProject } from '@/core/project/read';
import { writeProject } from '@/core/project/write';

const units = 1e6;
const base = {
  type: 'column',
  id: 'c',
  mark: 'C1',
  shape: { kind: 'rectangle', b: 350, h: 450 },
  height: 6800,
  cover: 35,
  materials: { concreteStrength: 40 },
  bars: { kind: 'sides', corner: '25', alongX: 1, sizeX: '25', alongY: 1, sizeY: '25' },
  axes: { x: { factor: 0.8 }, y: { factor: 0.8 } },
  sustained: 0.6,
  sets: [{ name: 'L1', N: 1640, mxTop: 190, mxBottom: -52, myTop: 96, myBottom: 90, vx: 12, vy: 40 }],
};
function project(change: object = {}, code: object = { id: 'en1992', variant: 'recommended' }): Project {
  const read = readProject({ format: 'intarsia', version: 1, code, members: [{ ...base, ...change }] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const column = (p: Project) => p.members[0] as ColumnMember;
const design = (p: Project) => designNow(p, column(p));
const find = (p: Project, id: string) => design(p).checks.find((c) => c.id === id)!;
const aci = { id: 'aci318', variant: 'SI' };
const aciBase = {
  bars: { kind: 'sides', corner: 'No.25', alongX: 1, sizeX: 'No.25', alongY: 1, sizeY: 'No.25' },
  ties: { size: 'No.10', spacing: 200 },
  materials: { concreteStrength: 35, steelStrength: 420, linkStrength: 420 },
};

describe('a slender column to EN 1992', () => {
  const p = project();
  const result = design(p);

  it('has no faults, and carries the moments worked out by hand at mid-height', () => {
    expect(result.faults).toEqual([]);
    // About x (h = 450): lambda = 5440/129.9 = 41.9, double curvature: not slender. No imperfection about x when y is the worse axis.
    // M0e = 0.6 190 + 0.4 (-52) = 93.2 kNm
    const s = result.summaries[0]!;
    expect(s.place).toBe('mid');
    expect(s.Mx! / units).toBeCloseTo(93.2, 3);
    // About y (h = 350): as in the hand-worked case of the slenderness tests, with is of this layout.
    expect(result.slenderness.y!.value).toBeCloseTo(53.84, 2);
    expect(result.slenderness.y!.isSlender).toBe(true);
    expect(result.slenderness.x!.isSlender).toBe(false);
    expect(s.My! / units).toBeGreaterThan(180);
  });

  it('steel: 8 bars of 491 mm2 on 157 500 mm2, least 0.1 N / fyd = 377 mm2', () => {
    expect(result.steelRatio).toBeCloseTo((8 * 490.874) / 157_500, 5);
    expect(find(p, 'least-steel').demand!.value).toBeCloseTo((0.1 * 1.64e6) / (500 / 1.15), 3);
    expect(find(p, 'most-steel').utilisation).toBeCloseTo((8 * 490.874) / (0.04 * 157_500), 5);
  });

  it('bars: clear distance along the short side by hand', () => {
    // (350 - 2 35 - 2 8 - 3 25)/2 = 94.5
    expect(find(p, 'clear-spacing').capacity!.value).toBeCloseTo(94.5, 6);
    // Middle bars 94.5 and 144.5 mm clear from the corners: within 150 mm, no cross ties.
    expect(find(p, 'bars-held').demand!.value).toBe(0);
  });

  it('a wide column needs cross ties, and their legs count in shear', () => {
    const wide = project({ shape: { kind: 'rectangle', b: 800, h: 450 } });
    expect(find(wide, 'bars-held').demand!.value).toBe(1);
    const none = project({ shape: { kind: 'rectangle', b: 800, h: 450 }, ties: { size: '8', spacing: 200, cross: 0 } });
    expect(find(none, 'bars-held')).toMatchObject({ status: 'exceeds', reason: expect.stringMatching(/1 cross ties/) });
    expect(find(wide, 'shear-y').capacity!.value).toBeGreaterThanOrEqual(find(none, 'shear-y').capacity!.value);
  });

  it('single curvature is worse than double, and the sense of signs is what is set', () => {
    const at = (change: object) => find(project(change), 'strength-mid').utilisation!;
    const set = { name: 'L1', N: 1640, mxTop: 0, mxBottom: 0, myTop: 96, myBottom: -90 };
    const double = at({ sets: [set] });
    const single = at({ sets: [{ ...set, myBottom: 90 }] });
    expect(single).toBeGreaterThan(1.2 * double);
    expect(at({ sets: [set], signs: 'turning' })).toBeCloseTo(single, 9);
  });

  it('asks for the sustained part when nobody has said it', () => {
    const r = design(project({ sustained: null }));
    expect(r.checks[0]).toMatchObject({ status: 'asked', reason: expect.stringMatching(/sustained/) });
    expect(r.governing?.status).toBe('asked');
    expect(r.summaries[0]!.utilisation).toBeNull();
  });

  it('the derivation of the governing check shows both axes, the bars and the sum', () => {
    const steps = designNow(p, column(p), ['strength-mid']).checks.find((c) => c.id === 'strength-mid')!.derivation!;
    const symbols = steps.flatMap((s) => (s.kind === 'note' || s.kind === 'table' ? [] : [s.symbol]));
    for (const s of ['lambda_c', 'lambda_lim', 'e_i', 'K_r', 'K_phi', 'curv', 'e_2', 'M_2', 'theta_c', 'M_R', 'u_N'])
      expect(symbols).toContain(s);
    expect(symbols.filter((s) => s === 'epsilon_i')).toHaveLength(8);
    const sum = steps.findLast((s) => s.kind === 'formula');
    expect(sum?.kind === 'formula' && sum.value).toBeCloseTo(find(p, 'strength-mid').utilisation!, 6);
  });

  it('is written and read again without a change', () => {
    const text = writeProject(p);
    const again = readProject(JSON.parse(text));
    expect(again.ok && writeProject(again.project)).toBe(text);
  });
});

describe('columns to ACI 318', () => {
  it('caps the axial force at 0.80 phi Po', () => {
    const p = project({ ...aciBase, sets: [{ name: 'L1', N: 3000, mxTop: 10, mxBottom: 10 }] }, aci);
    // Po = 0.85 35 (157 500 - 8 510) + 420 8 510 = 6 277.8 kN; 0.8 0.65 Po = 3264.5
    const Po = 0.85 * 35 * (157_500 - 8 * 510) + 420 * 8 * 510;
    expect(find(p, 'axial-force').capacity!.value).toBeCloseTo(0.52 * Po, 0);
  });

  it('a spiral raises the cap, and its volume is checked', () => {
    const round = { ...aciBase, shape: { kind: 'circle', diameter: 560 }, bars: { kind: 'ring', count: 10, size: 'No.25' }, height: 3000 };
    const sets = [{ name: 'L1', N: 3000, mxTop: 30, mxBottom: 20 }];
    const tied = project({ ...round, sets }, aci);
    const spiral = project({ ...round, sets, transverse: 'spiral', ties: { size: 'No.10', spacing: 60 } }, aci);
    expect(find(spiral, 'axial-force').capacity!.value / find(tied, 'axial-force').capacity!.value).toBeCloseTo(
      (0.75 * 0.85) / (0.65 * 0.8),
      6,
    );
    expect(find(spiral, 'spiral-ratio')).toMatchObject({ clause: '25.7.3.3', demand: { kind: 'percent' } });
    expect(find(tied, 'spiral-ratio')).toBeUndefined();
  });

  it('limits the growth of moments to 1.4', () => {
    const p = project({ ...aciBase, sets: [{ name: 'L1', N: 1500, myTop: 60, myBottom: 60 }] }, aci);
    const growth = find(p, 'growth-y');
    expect(growth.capacity!.value).toBe(1.4);
    expect(growth.utilisation).toBeGreaterThan(0.7);
  });

  it('an unbraced column asks for sway, and takes it', () => {
    const sway = { ...aciBase, height: 3600, axes: { x: { factor: 1.4, isBraced: false }, y: { factor: 1 } } };
    expect(design(project(sway, aci)).checks[0]!.reason).toMatch(/sway/);
    expect(design(project({ ...sway, sway: 0.4, storey: { Q: 0.1 } }, aci)).checks.some((c) => c.status === 'failed')).toBe(false);
  });
});

describe('load cases', () => {
  const cases = {
    mode: 'cases',
    sets: [],
    cases: [
      { id: 'G', nature: 'permanent' },
      { id: 'Q', nature: 'imposed', category: 'C' },
    ],
    caseForces: [
      { case: 'G', N: 700, myTop: 40, myBottom: -20 },
      { case: 'Q', N: 300, myTop: 30, myBottom: -15 },
    ],
  };
  const result = design(project(cases));

  it('are combined with each variable case present and absent', () => {
    const ultimate = result.sets.filter((s) => s.kind === 'ultimate');
    const N = ultimate.map((s) => Math.round(s.N / 1e3));
    // 1.35 700 + 1.5 300, 1.35 700, 700 + 450, 700
    expect(N).toEqual(expect.arrayContaining([1395, 945, 1150, 700]));
  });

  it('give the sustained part: quasi-permanent over design moment, 40 + 0.6 30 over 1.35 40 + 1.5 30', () => {
    const full = result.sets.find((s) => Math.abs(s.N - 1395e3) < 1)!;
    expect(full.sustained).toBeCloseTo((40 + 0.6 * 30) / (1.35 * 40 + 1.5 * 30), 9);
    const byAxial = design(project({ ...aciBase, ...cases }, aci)).sets.find(
      (s) => s.kind === 'ultimate' && Math.abs(s.N - (1.2 * 700 + 1.6 * 300) * 1e3) < 1,
    )!;
    // beta_dns = (1.2 700 + 0.5 1.6 300)/(1.2 700 + 1.6 300)
    expect(byAxial.sustained).toBeCloseTo((840 + 240) / 1320, 9);
  });
});

describe('bad input says where and why', () => {
  const fault = (change: object, code?: object) => design(project(change, code)).faults[0];
  it.each([
    [
      'a crossing outline',
      {
        shape: {
          kind: 'free',
          outer: [
            [0, 0],
            [400, 400],
            [400, 0],
            [0, 400],
          ],
        },
        bars: { kind: 'outline', size: '20', spacing: 200 },
      },
      'shape.outer',
      /crosses itself/,
    ],
    [
      'bars outside',
      {
        bars: {
          kind: 'list',
          bars: [
            { x: 0, y: 0, size: '20' },
            { x: 500, y: 0, size: '20' },
            { x: 0, y: 100, size: '20' },
          ],
        },
      },
      'bars.bars[1]',
      /outside the concrete/,
    ],
    [
      'the same bar twice',
      {
        bars: {
          kind: 'list',
          bars: [
            { x: 0, y: 0, size: '20' },
            { x: 0, y: 0, size: '20' },
            { x: 0, y: 100, size: '20' },
          ],
        },
      },
      'bars.bars[1]',
      /same place/,
    ],
    ['no bar', { bars: { kind: 'list', bars: [] } }, 'bars', /no bars/],
    ['one bar', { bars: { kind: 'list', bars: [{ x: 0, y: 0, size: '20' }] } }, 'bars', /too few/],
    ['bars in one line', { bars: { kind: 'list', bars: [0, 80, 160].map((y) => ({ x: 0, y, size: '20' })) } }, 'bars', /one line/],
    ['effective length 0', { axes: { x: { factor: 0 }, y: {} } }, 'axes.x.factor', /more than zero/],
    [
      'a mechanism',
      { axes: { x: { isBraced: false, mode: 'ends', top: { kind: 'free' }, bottom: { kind: 'pinned' } }, y: {} } },
      'axes.x.top',
      /mechanism/,
    ],
    [
      'a hole across the edge',
      {
        shape: {
          kind: 'free',
          outer: [
            [0, 0],
            [400, 0],
            [400, 400],
            [0, 400],
          ],
          holes: [
            [
              [300, 100],
              [500, 100],
              [500, 200],
            ],
          ],
        },
        bars: { kind: 'outline', size: '20', spacing: 200 },
      },
      'shape.holes[0]',
      /not inside/,
    ],
    ['no sets', { sets: [] }, 'sets', /No forces yet/],
    ['a size that is not made', { ties: { size: '99', spacing: 200 } }, 'ties.size', /No bar "99"/],
  ])('%s', (_name, change, path, reason) => {
    expect(fault(change)).toMatchObject({ path, reason: expect.stringMatching(reason as RegExp) });
  });

  it('N above the squash load and tension beyond the steel exceed, with both numbers in words', () => {
    const squashed = find(project({ sets: [{ name: 'L1', N: 9000, mxTop: 20 }] }), 'strength-top');
    expect(squashed).toMatchObject({ status: 'exceeds', reason: expect.stringMatching(/9.000.*kN alone is more/) });
    const torn = find(project({ sets: [{ name: 'L1', N: -3000, mxTop: 20 }] }), 'strength-top');
    expect(torn).toMatchObject({ status: 'exceeds', reason: expect.stringMatching(/tension/) });
  });

  it('whatever is typed, the design ends, without NaN in any check that has a figure', () => {
    const value = fc.oneof(fc.double({ min: -1e5, max: 1e5, noNaN: true }), fc.constantFrom(0, -0, 1e-9, 1e12, -1e12));
    fc.assert(
      fc.property(
        fc.record({ N: value, mxTop: value, mxBottom: value, myTop: value, myBottom: value, vx: value, vy: value }),
        fc.constantFrom(undefined, aci),
        (set, code) => {
          const p = project({ ...(code ? aciBase : {}), sets: [{ name: 'L1', ...set }] }, code);
          for (const c of design(p).checks) expect([c.id, Number.isNaN(c.utilisation ?? 0)]).toEqual([c.id, false]);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('properties of the whole way', () => {
  it('SI and US display give the same checks', () => {
    const p = project();
    const ids = (q: Project) => design(q).checks.map((c) => [c.id, c.utilisation]);
    expect(ids({ ...p, display: 'US' })).toEqual(ids(p));
  });

  it('mirrored moments give the same utilisation for a symmetric section', () => {
    const u = (mx: number, my: number) =>
      find(project({ sets: [{ name: 'L1', N: 1500, mxTop: mx, mxBottom: mx / 2, myTop: my, myBottom: my / 3 }] }), 'strength-mid')
        .utilisation!;
    const one = u(120, 60);
    for (const [a, b] of [
      [-120, 60],
      [120, -60],
      [-120, -60],
    ] as const)
      expect(u(a, b)).toBeCloseTo(one, 5);
  });

  it('5,000 load sets: the worst is found among them', () => {
    const sets = Array.from({ length: 5000 }, (_, i) => ({
      name: `L${i + 1}`,
      N: 300 + ((i * 7919) % 1500),
      mxTop: ((i * 104_729) % 200) - 100,
      mxBottom: ((i * 1299) % 160) - 80,
      myTop: ((i * 15_485) % 160) - 80,
      myBottom: ((i * 32_452) % 120) - 60,
    }));
    const r = design(project({ sets }));
    expect(r.summaries).toHaveLength(5000);
    const most = Math.max(...r.summaries.map((s) => s.utilisation!));
    expect(Math.max(...r.checks.filter((c) => c.id.startsWith('strength')).map((c) => c.utilisation!))).toBeCloseTo(most, 9);
  });
});

describe('torsion of columns', () => {
  const column = (torsion: number, code: object) => {
    const id = (code as { id?: string }).id;
    const [size, tie] = id === 'aci318' ? ['No.25', 'No.10'] : id === 'as3600' ? ['N24', 'N10'] : ['25', '10'];
    const read = readProject({
      format: 'intarsia',
      version: 1,
      code,
      members: [
        {
          type: 'column',
          shape: { kind: 'rectangle', b: 400, h: 400 },
          bars: { kind: 'sides', corner: size, alongX: 1, sizeX: size, alongY: 1, sizeY: size },
          ties: { size: tie, spacing: 150 },
          sustained: 0.5,
          sets: [{ name: 'L1', N: 500, mxTop: 40, mxBottom: 40, vy: 40, torsion }],
        },
      ],
    });
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    return designNow(read.project, read.project.members[0]!, 'all').checks.filter((c) => c.family === 'torsion');
  };
  it.each([
    { id: 'en1992', variant: 'uk' },
    { id: 'aci318', variant: 'SI' },
    { id: 'as3600', variant: '2018' },
  ])('$id: none, little and much', (code) => {
    expect(column(0, code)).toEqual([]);
    expect(column(1, code).map((c) => c.utilisation)).toEqual([0, 0, 0]);
    const much = column(110, code);
    expect(much.map((c) => c.id).sort()).toEqual(['torsion-bars', 'torsion-concrete', 'torsion-ties']);
    for (const c of much) expect(c.derivation!.length).toBeGreaterThan(5);
    expect(much.find((c) => c.id === 'torsion-ties')!.reason).toMatch(/ties are too few for the torque of 110.0 kNm of L1/);
    // Bars: what N and M use, and what torsion needs of them, by hand from the answer's own steel.
    expect(much.find((c) => c.id === 'torsion-bars')!.utilisation!).toBeGreaterThan(
      column(40, code).find((c) => c.id === 'torsion-bars')!.utilisation!,
    );
  });
});
