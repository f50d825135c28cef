import fc from 'fast-check';
import { silent } from '@/core/calc/calc';
import type { FrameColumn, FrameCore } from '@/core/codes/frame-columns';
import { makeCode } from '@/core/codes/registry';
import { columnModel } from '@/core/members/column/section';
import type { ColumnMember } from '@/core/members/column/input';
import { codeOf } from '@/core/members/member';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import { readProject } from '@/core/project/read';

const KNM = 1e6;
const en = { id: 'en1992', variant: 'recommended', choices: {} };
const aci = { id: 'aci318', variant: 'SI', choices: {} };
const joints = (beams: number | null, more: object = {}) => ({ kind: 'joint', x: { beams, ...more }, y: { beams, ...more } });

const medium = {
  type: 'column',
  id: 'c',
  mark: 'C1',
  shape: { kind: 'rectangle', b: 500, h: 500 },
  height: 3000,
  cover: 35,
  materials: { concreteStrength: 30, ductility: 'C' },
  bars: { kind: 'sides', corner: '20', alongX: 2, sizeX: '20', alongY: 2, sizeY: '20' },
  ties: { size: '10', spacing: 150, spacingEnds: 100 },
  axes: { x: { factor: 0.8 }, y: { factor: 0.8 } },
  sustained: 0.6,
  frame: 'medium',
  frameJoints: { most: 2000, least: 1000, top: joints(250), foot: { kind: 'base' } },
  sets: [{ name: 'E1', N: 2000, mxTop: 220, mxBottom: -240, vy: 150 }],
};
const special = {
  ...medium,
  materials: { concreteStrength: 35, steelStrength: 420, linkStrength: 420 },
  bars: { kind: 'sides', corner: 'No.25', alongX: 2, sizeX: 'No.25', alongY: 2, sizeY: 'No.25' },
  ties: { size: 'No.13', spacing: 125, spacingEnds: 100 },
  frame: 'special',
  frameJoints: { most: 2000, least: 1000, top: joints(300, { yielding: 380 }), foot: { kind: 'base' } },
  catalogue: 'softMetric',
};
function project(base: object, code: object, change: object = {}): Project {
  const read = readProject({ format: 'intarsia', version: 1, code, members: [{ ...base, ...change }] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const columnOf = (p: Project) => p.members[0] as ColumnMember;
const checksOf = (p: Project) => designNow(p, columnOf(p)).checks;
const find = (p: Project, id: string) => checksOf(p).find((c) => c.id === id)!;
const modelOf = (p: Project) => columnModel(columnOf(p), codeOf(p, columnOf(p)));

describe('a column of ductility class medium, EN 1998-1', () => {
  const p = project(medium, en);

  it('confines its core at the base as worked by hand, (5.15) to (5.17)', () => {
    // nu_d = 2000e3 / (250e3 20) = 0.4; mu_phi = 2 3.9 - 1 = 6.8; eps_syd = 434.78 / 200e3 = 0.0021739; core 500 - 2 (35 + 5) = 420
    // Bars stand 390 / 3 = 130 apart; 260 is more than 200, so all twelve are held: alpha_n = 1 - 12 130^2 / (6 420^2) = 0.80839
    // alpha_s = (1 - 100/840)^2 = 0.776077; alpha = 0.627373
    // needed (30 6.8 0.4 0.0021739 500/420 - 0.035) / 0.627373 = 0.280822
    // there 78.54 (4 + 4) 420 / (100 420^2) 434.78/20 = 0.325217
    const check = find(p, 'frame-core-foot');
    expect(check.demand!.value).toBeCloseTo(0.280822, 5);
    expect(check.capacity!.value).toBeCloseTo(0.325217, 5);
    expect(check.status).toBe('holds');
    // Only where the column stands on its foundation.
    expect(find(p, 'frame-core-top')).toBeUndefined();
  });

  it('has its close ties over 500 mm, at most min(420/2, 175, 8 20) = 160 apart, (5.14) and (5.18)', () => {
    const { rules } = modelOf(p).ties;
    expect(rules.nearEnds).toBe(500);
    expect(rules.spacingNearEnds.value).toBeCloseTo(160, 9);
    expect(find(p, 'tie-spacing-ends').capacity!.value).toBeCloseTo(160, 9);
    // Cross ties of themselves hold every bar.
    expect(modelOf(p).ties.legs.cross).toHaveLength(4);
    expect(find(p, 'frame-held').demand!.value).toBeCloseTo(130, 6);
  });

  it('a short column is close all along, 5.4.3.2.2(5)', () => {
    expect(modelOf(project(medium, en, { height: 1400 })).ties.rules.nearEnds).toBe(1400);
  });

  it('may have 0.65 Ac fcd = 3250 kN', () => {
    expect(find(p, 'frame-axial').capacity!.value / 1e3).toBeCloseTo(3250, 6);
  });

  it('is a tenth of the larger distance to where the moment is zero, unless the storey hardly drifts', () => {
    // 220 at the top, 240 at the foot, bent both ways: 3000 240 / 460 = 1565.2
    expect(find(p, 'frame-depth-x').demand!.value).toBeCloseTo(156.52, 2);
    const { top, foot } = medium.frameJoints;
    expect(find(project(medium, en, { frameJoints: { top, foot, drift: 0.08 } }), 'frame-depth-x')).toBeUndefined();
  });

  it('carries the shear of its ends as they yield, (5.9): the beams bound the top, the foundation does not bound the foot', () => {
    // The most of M_Rd between 1000 and 2000 kN, by looking at every kilonewton.
    const { surface } = modelOf(p);
    const M = Math.max(...Array.from({ length: 1001 }, (_, i) => surface.capacity((1000 + i) * 1e3, 1, 0)!.Mx)) / KNM;
    // Column beyond as this one: top 1.1 M min(1, 250 / 2M) = 137.5 as long as M > 125
    const V = (1.1 * 250 * 0.5 + 1.1 * M) / 3.0;
    expect(M).toBeGreaterThan(300);
    expect(find(p, 'frame-shear-y').demand!.value / 1e3).toBeCloseTo(V, 2);
  });

  it('stands over its beams by 1.3, with the axial force for which it is weakest', () => {
    const { surface } = modelOf(p);
    const least = Math.min(surface.capacity(1e6, 1, 0)!.Mx, surface.capacity(2e6, 1, 0)!.Mx);
    const check = find(p, 'frame-joint-top-x');
    expect(check.demand!.value / KNM).toBeCloseTo(1.3 * 250, 9);
    expect(check.capacity!.value).toBeCloseTo(2 * least, 0);
    expect(find(p, 'frame-joint-foot-x')).toBeUndefined();
  });

  it('asks for the strength of the beams, and lets the last storey be', () => {
    const asked = project(medium, en, { frameJoints: { ...medium.frameJoints, top: joints(null) } });
    expect(find(asked, 'frame-joint-top-x').status).toBe('asked');
    const last = project(medium, en, { frameJoints: { ...medium.frameJoints, top: { ...joints(250), kind: 'last' } } });
    expect(find(last, 'frame-joint-top-x').status).toBe('notApplicable');
  });

  it('refuses steel of class A at its field, and says a class of another code', () => {
    const wrong = project(medium, en, { materials: { concreteStrength: 30, ductility: 'A' } });
    expect(designNow(wrong, columnOf(wrong)).faults).toEqual([
      { path: 'frame', reason: expect.stringContaining('class B or C') as string },
    ]);
    expect(
      checksOf(project(medium, en, { frame: 'special' })).some((c) => c.status === 'notCovered' && c.title === 'Frame class special'),
    ).toBe(true);
  });

  it('asks one bar between the corners, and 1 to 4 % of steel', () => {
    const few = project(medium, en, { bars: { ...medium.bars, alongY: 0 } });
    expect(find(few, 'frame-between').status).toBe('exceeds');
    // Twelve bars of 314.16 on 250 000: 1.508 %
    expect(find(p, 'frame-least-steel').capacity!.value).toBeCloseTo(0.0150796, 6);
  });

  it('a round core, (5.16b) and (5.17b): hoops and a spiral', () => {
    const rules = makeCode(en).frames.columns('medium')!;
    const q: FrameColumn = {
      materials: columnOf(p).materials,
      width: 500,
      depth: 500,
      isRound: true,
      clear: 3000,
      area: (Math.PI * 500 ** 2) / 4,
      smallestBar: 20,
      tie: 10,
      inset: 40,
      isSpiral: false,
      most: 1.5e6,
      least: 1e6,
    };
    const core: FrameCore = {
      b_o: 420,
      h_o: 420,
      spacing: 80,
      tieArea: 78.54,
      tieLength: Math.PI * 420,
      legsX: 2,
      legsY: 2,
      between: [],
      held: 10,
    };
    // nu = 1.5e6 / (196350 20) = 0.381972; 30 6.8 0.381972 0.00217391 500/420 - 0.035 = 0.166664
    // hoops alpha = (1 - 80/840)^2 = 0.818594: 0.203597; spiral alpha = 0.904762: 0.184207
    expect(rules.confinement(silent, q, core, 'x')!.needed).toBeCloseTo(0.2036, 4);
    expect(rules.confinement(silent, { ...q, isSpiral: true }, core, 'x')!.needed).toBeCloseTo(0.18421, 4);
    // 78.54 pi 420 / (80 pi 420^2 / 4) 434.78/20 = 0.20325
    expect(rules.confinement(silent, q, core, 'x')!.there).toBeCloseTo(0.20325, 4);
  });
});

describe('a column of a special moment frame, ACI 318-19 18.7', () => {
  const rules = makeCode(aci).frames.columns('special')!;
  const q: FrameColumn = {
    materials: { ...makeCode(aci).defaults, concreteStrength: 42, steelStrength: 420, linkStrength: 420 },
    width: 560,
    depth: 640,
    isRound: false,
    clear: 3450,
    area: 560 * 640,
    smallestBar: 28.7,
    tie: 12.7,
    inset: 45,
    isSpiral: false,
    most: 5350e3,
    least: 1000e3,
  };

  it('DET-17: lo, so and the spacings', () => {
    // lo = max(640, 3450/6, 450); so = 100 + (350 - 237)/3 = 137.67; min(560/4, 6 28.7, so)
    const zone = rules.zone(silent, q, 237)!;
    expect(zone.length.value).toBeCloseTo(640, 6);
    expect(zone.spacing.value).toBeCloseTo(137.6667, 3);
    expect(rules.beyond(silent, q)!.value).toBeCloseTo(150, 6);
  });

  it('DET-19: the hoops of table 18.7.5.4 with a high axial force', () => {
    const core: FrameCore = {
      b_o: 470 - 12.7,
      h_o: 550 - 12.7,
      spacing: 105,
      tieArea: 126.7,
      tieLength: 0,
      legsX: 4,
      legsY: 5,
      between: [],
      held: 10,
    };
    const x = rules.confinement(silent, q, core, 'x')!;
    expect(x.needed).toBeCloseTo(0.012319241, 7);
    // Along x they press across 550: 4 126.7 / (105 550)
    expect(x.there).toBeCloseTo((4 * 126.7) / (105 * 550), 9);
    expect(rules.confinement(silent, q, core, 'y')!.there).toBeCloseTo((5 * 126.7) / (105 * 470), 9);
    // Below 0.3 Ag f'c = 4516 kN the third term does not count: 0.3 (358400/258500 - 1) 0.1 = 0.0115938
    expect(rules.confinement(silent, { ...q, most: 4500e3 }, core, 'x')!.needed).toBeCloseTo(0.0115938, 6);
  });

  it('holds every bar, 200 mm apart, where the force or the concrete is high', () => {
    expect(rules.held(q)).toMatchObject({ holdsAll: true, apart: { value: 200 } });
    expect(rules.held({ ...q, most: 4e6 })).toMatchObject({ holdsAll: false, apart: { value: 350 } });
    expect(rules.held({ ...q, most: 0, materials: { ...q.materials, concreteStrength: 75 } })).toMatchObject({ holdsAll: true });
  });

  it('counts no concrete where it is hardly pressed, 18.7.6.2.1', () => {
    const p = project(special, aci, { frameJoints: { ...special.frameJoints, least: 400 } });
    // Ag f'c / 20 = 250e3 35 / 20 = 437.5 kN
    const check = find(p, 'frame-shear-y');
    // Tension half: four bars at the outer layer (y = -189.6) and two at -63.2: centre at -(4 189.6 + 2 63.2)/6 = -147.467
    const dEff = 250 + 147.4667;
    // Every second bar is held: 3 legs. phi Av fyt d / s at the closer spacing of 100, and at 125 between with concrete.
    const hoops = (spacing: number) => 0.75 * 3 * 129 * 420 * (dEff / spacing);
    expect(check.capacity!.value / hoops(100)).toBeCloseTo(1, 2);
    const pressed = find(project(special, aci), 'frame-shear-y');
    expect(pressed.capacity!.value).toBeGreaterThan(hoops(125));
  });

  it('brings the probable moments of its ends, or what its beams can', () => {
    const p = project(special, aci);
    const model = modelOf(p);
    const code = codeOf(p, columnOf(p));
    const { surface } = columnModel(
      { ...columnOf(p), materials: { ...columnOf(p).materials, steelStrength: 525 } },
      {
        ...code,
        column: {
          ...code.column,
          ultimateBasis: () => code.column.nominal({ ...columnOf(p).materials, steelStrength: 525 }, 'ties').basis,
        },
        settings: { ...code.settings, variant: 'own' },
      },
    );
    const M = Math.max(...Array.from({ length: 501 }, (_, i) => surface.capacity((1000 + 2 * i) * 1e3, 1, 0)!.Mx)) / KNM;
    expect(M).toBeGreaterThan(modelOf(p).surface.capacity(1.5e6, 1, 0)!.Mx / KNM);
    // Top: half of the beams' 380; foot: M.
    expect(find(p, 'frame-shear-y').demand!.value / 1e3).toBeCloseTo((380 / 2 + M) / 3, 1);
    expect(model.ties.frame!.rules.title).toBe('special moment frame');
  });

  it('laps in the middle half alone', () => {
    expect(find(project(special, aci), 'lap-length').capacity!.value).toBe(1500);
    expect(find(project(special, aci, { frame: 'none' }), 'lap-length').capacity!.value).toBe(3000);
  });

  it('asks 300 mm, 0.4 of the other side, and bond within half of the height', () => {
    const thin = project(special, aci, { shape: { kind: 'rectangle', b: 280, h: 750 } });
    expect(find(thin, 'frame-side').status).toBe('exceeds');
    expect(find(thin, 'frame-aspect').demand!.value / find(thin, 'frame-aspect').capacity!.value).toBeCloseTo((0.4 * 750) / 280, 6);
    expect(find(project(special, aci), 'frame-bond').capacity!.value).toBe(1500);
  });
});

describe('an intermediate and an ordinary frame, ACI 318-19', () => {
  it('intermediate: 8 bars, 200 mm or half of the side (18.4.3.3), first hoop within half of it', () => {
    const rules = makeCode(aci).frames.columns('intermediate')!;
    const { column } = modelOf(project(special, aci)).ties.frame!;
    // min(8 25.4, 200, 250) = 200; lo = max(500, 3000/6, 450) = 500
    expect(rules.zone(silent, column, 130)).toMatchObject({ length: { value: 500 }, spacing: { value: 200 }, first: 100 });
    expect(rules.zone(silent, { ...column, isSpiral: true }, 130)).toBeNull();
    const strong = { ...column, materials: { ...column.materials, steelStrength: 550 } };
    expect(rules.zone(silent, strong, 130)!.spacing.value).toBe(150);
  });

  it('ordinary: short columns alone carry the shear of their ends, 18.3.3', () => {
    const frame = (height: number) => project(special, aci, { frame: 'ordinary', height });
    expect(find(frame(2500), 'frame-shear-y')).toBeDefined();
    expect(find(frame(2600), 'frame-shear-y')).toBeUndefined();
  });

  it('the US form has the same rules in inches', () => {
    const us = makeCode({ id: 'aci318', variant: 'US', choices: {} }).frames.columns('special')!;
    const IN = 25.4;
    const { column } = modelOf(project(special, aci)).ties.frame!;
    const q = {
      ...column,
      materials: { ...column.materials, steelStrength: 413.7 },
      width: 22 * IN,
      depth: 25 * IN,
      clear: 136 * IN,
      smallestBar: 1.128 * IN,
    };
    // hx 9.33 in: so = 4 + (14 - 9.33)/3 = 5.557 in; 22/4 = 5.5 in governs
    expect(us.zone(silent, q, 9.33 * IN)!.spacing.value / IN).toBeCloseTo(5.5, 6);
    expect(us.zone(silent, { ...q, width: 25 * IN }, 9.33 * IN)!.spacing.value / IN).toBeCloseTo(5.5567, 3);
    expect(us.zone(silent, q, 9.33 * IN)!.length.value / IN).toBeCloseTo(25, 6);
    expect(us.beyond(silent, q)!.value / IN).toBeCloseTo(6, 6);
  });
});

describe('outlines whose core the rules do not know', () => {
  it.each([
    { kind: 'ring', diameter: 700, wall: 200 },
    { kind: 'L', b: 700, h: 700, tx: 300, ty: 300 },
  ])('$kind: it is said', (shape) => {
    const bars = shape.kind === 'ring' ? { kind: 'ring', count: 10, size: '20' } : { kind: 'outline', size: '20', spacing: 200 };
    expect(find(project(medium, en, { shape, bars }), 'frame-core-foot').status).toBe('notCovered');
  });
});

describe('properties of columns in ductile frames', () => {
  const random = fc.record({
    isACI: fc.boolean(),
    b: fc.integer({ min: 300, max: 800 }),
    h: fc.integer({ min: 300, max: 800 }),
    height: fc.integer({ min: 1500, max: 6000 }),
    alongX: fc.integer({ min: 0, max: 4 }),
    alongY: fc.integer({ min: 0, max: 4 }),
    spacing: fc.integer({ min: 50, max: 250 }),
    ends: fc.integer({ min: 40, max: 200 }),
    most: fc.integer({ min: 0, max: 6000 }),
    part: fc.double({ min: -0.2, max: 1, noNaN: true }),
    beams: fc.integer({ min: 0, max: 1500 }),
    M: fc.integer({ min: -300, max: 300 }),
  });
  type Random = typeof random extends fc.Arbitrary<infer T> ? T : never;
  const make = (r: Random, change: object = {}) => {
    const base = r.isACI ? special : medium;
    return project(base, r.isACI ? aci : en, {
      shape: { kind: 'rectangle', b: r.b, h: r.h },
      height: r.height,
      bars: { ...base.bars, alongX: r.alongX, alongY: r.alongY },
      ties: { ...base.ties, spacing: r.spacing, spacingEnds: r.ends },
      frameJoints: { most: r.most, least: r.part * r.most, top: joints(r.beams, { yielding: 1.2 * r.beams }), foot: joints(r.beams) },
      sets: [{ name: 'L', N: r.most, mxTop: r.M, mxBottom: -r.M, myTop: r.M / 2, myBottom: r.M / 3, vx: 20, vy: 60 }],
      ...change,
    });
  };
  const uses = (p: Project) =>
    new Map(checksOf(p).flatMap((c) => (c.id.startsWith('frame-') && c.utilisation !== null ? [[c.id, c.utilisation]] : [])));
  const sameOrLess = (a: Map<string, number>, b: Map<string, number>, ids: readonly string[]) => {
    for (const [id, u] of a)
      if (ids.some((i) => id.startsWith(i)) && Number.isFinite(b.get(id) ?? 0))
        expect(b.get(id) ?? 0).toBeGreaterThanOrEqual(u * (1 - 2e-4) - 1e-9);
  };

  it('every check has a figure or words, and never less than nothing', () => {
    fc.assert(
      fc.property(random, (r) => {
        for (const c of checksOf(make(r)).filter((k) => k.id.startsWith('frame-'))) {
          expect(c.status).not.toBe('failed');
          if (c.utilisation !== null) expect(c.utilisation).toBeGreaterThanOrEqual(0);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('turned by a right angle it is the same column', () => {
    fc.assert(
      fc.property(random, (r) => {
        const p = make(r);
        const { sets } = columnOf(p);
        const s = sets[0]!;
        const turned = project({ ...(r.isACI ? special : medium) }, r.isACI ? aci : en, {
          ...JSON.parse(JSON.stringify({ height: r.height })),
          shape: { kind: 'rectangle', b: r.h, h: r.b },
          bars: { ...(r.isACI ? special : medium).bars, alongX: r.alongY, alongY: r.alongX },
          ties: { ...(r.isACI ? special : medium).ties, spacing: r.spacing, spacingEnds: r.ends },
          frameJoints: { most: r.most, least: r.part * r.most, top: joints(r.beams, { yielding: 1.2 * r.beams }), foot: joints(r.beams) },
          sets: [
            {
              name: 'L',
              N: s.N / 1e3,
              mxTop: s.myTop / KNM,
              mxBottom: s.myBottom / KNM,
              myTop: s.mxTop / KNM,
              myBottom: s.mxBottom / KNM,
              vx: 60,
              vy: 20,
            },
          ],
        });
        const other: Record<string, string> = { x: 'y', y: 'x' };
        const swapped = (id: string) => id.replace(/-([xy])$/, (_, a: string) => `-${other[a]!}`);
        const [one, two] = [uses(p), uses(turned)];
        for (const [id, u] of one) if (Number.isFinite(u)) expect(two.get(swapped(id))! / (u || 1)).toBeCloseTo(u === 0 ? 0 : 1, 3);
      }),
      { numRuns: 15 },
    );
  });

  it('a wider range of axial force asks for no less, closer ties give no less', () => {
    fc.assert(
      fc.property(random, (r) => {
        const p = make(r);
        const { top, foot } = { top: joints(r.beams, { yielding: 1.2 * r.beams }), foot: joints(r.beams) };
        const wide = make(r, { frameJoints: { most: r.most + 200, least: r.part * r.most - 100, top, foot } });
        sameOrLess(uses(p), uses(wide), ['frame-axial', 'frame-joint', 'frame-shear', 'frame-core']);
        const close = make(r, { ties: { ...(r.isACI ? special : medium).ties, spacing: r.spacing * 0.9, spacingEnds: r.ends * 0.9 } });
        sameOrLess(uses(close), uses(p), ['frame-core', 'frame-shear']);
      }),
      { numRuns: 15 },
    );
  });
});
