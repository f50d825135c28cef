import { capacityAlongRay } from '@/core/section/capacity';
import { criticalPoints, interactionSlice, strainAtLimit } from '@/core/section/critical-points';
import type { ColumnResult } from '@/core/members/column/result';
import { columnPicture, nominalSurface, setsInSlice } from '@/core/members/column/picture';
import { columnModel } from '@/core/members/column/section';
import { crackQuestion, serviceStates } from '@/core/members/column/service-checks';
import { strengthOf } from '@/core/members/column/strength';
import { shearSections } from '@/core/members/column/checks';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import type { ColumnMember } from '@/core/members/column/input';
import { readProject } from '@/core/project/read';
import { columnMomentDrawing } from '@/core/members/column/drawing/moments';
import { contourOf, curvatureOf, momentsOf, sectionOf, sliceOf, type ColumnView } from '@/core/members/column/drawing/views';
import { stateDrawing } from '@/core/members/column/drawing/state';
import { sectionState } from '@/core/members/column/states';
import { forcesOf } from '@/core/section/strain-plane';
import { surfaceDrawing } from '@/core/members/column/drawing/surface';
import type { Drawing, Shape } from '@/core/drawing/shapes';
import { bearing } from '@/core/section/polygon-section';

function project(change: object = {}, code: object = { id: 'en1992', variant: 'recommended' }): Project {
  const base = {
    type: 'column',
    shape: { kind: 'rectangle', b: 350, h: 450 },
    height: 6800,
    cover: 35,
    materials: { concreteStrength: 40 },
    bars: { kind: 'sides', corner: '25', alongX: 1, sizeX: '25', alongY: 1, sizeY: '25' },
    axes: { x: { factor: 0.8 }, y: { factor: 0.8 } },
    sustained: 0.6,
    sets: [
      { name: 'L1', N: 1640, mxTop: 190, mxBottom: -52, myTop: 96, myBottom: 90 },
      { name: 'L2', N: 900, mxTop: 110, mxBottom: 20, myTop: -40, myBottom: 30 },
      { name: 'S1', kind: 'quasiPermanent', N: 600, mxTop: 120, mxBottom: 0, myTop: 30, myBottom: 0 },
    ],
  };
  const read = readProject({ format: 'intarsia', version: 1, code, members: [{ ...base, ...change }] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const aci = { id: 'aci318', variant: 'SI' };
const aciBars = {
  bars: { kind: 'sides', corner: 'No.25', alongX: 1, sizeX: 'No.25', alongY: 1, sizeY: 'No.25' },
  ties: { size: 'No.10', spacing: 200 },
};
function view(p: Project, index = 0): ColumnView {
  const column = p.members[0] as ColumnMember;
  const code = codeOf(p, column);
  const result = designNow(p, column);
  return {
    column,
    result,
    picture: columnPicture(column, code, result, index, null)!,
    index,
    units: 'SI',
    labels: { bars: '8H25', ties: 'H8 @ 200' },
  };
}

describe('curves and critical points', () => {
  const p = project();
  const v = view(p);
  const { surface } = v.picture.model;

  it('the slice runs from pure tension to squash, and each point is a capacity', () => {
    const slice = interactionSlice(surface, Math.PI / 2);
    expect(slice[0]).toEqual({ N: surface.least, M: 0 });
    expect(slice.at(-1)).toEqual({ N: surface.most, M: 0 });
    const middle = slice[20]!;
    expect(middle.M).toBeCloseTo(surface.capacity(middle.N, 1, 0)!.Mx, 3);
    slice.slice(1).forEach((q, i) => expect(q.N).toBeGreaterThanOrEqual(slice[i]!.N));
  });

  it('squash and tension by hand; balance has the furthest bars just at yield; decompression has no strain at the far edge', () => {
    const [squash, decompression, unstressed, half, balance, bending, tension] = criticalPoints(surface, Math.PI / 2).map((c) => c.point);
    // 157 500 x 26.667 + 3927 x 400 = 5 770.8 kN; 3927 x 434.78 = 1 707.4 kN
    expect(squash!.N / 1e3).toBeCloseTo(5770.8, 0);
    expect(tension!.N / 1e3).toBeCloseTo(-1707.4, 0);
    expect(balance!.barStrain).toBeCloseTo(-500 / 1.15 / 200_000, 9);
    expect([unstressed!.barStrain, half!.barStrain]).toEqual([expect.closeTo(0, 9), expect.closeTo(-500 / 1.15 / 400_000, 9)]);
    expect(strainAtLimit(surface, decompression!, 0, -225)).toBeCloseTo(0, 9);
    expect(strainAtLimit(surface, decompression!, 0, 225)).toBeCloseTo(0.0035, 9);
    expect(bending!.N).toBeCloseTo(0, 0);
    // The largest moment stands near balance.
    const most = Math.max(...interactionSlice(surface, Math.PI / 2, 120).map((q) => q.M));
    expect(balance!.Mx / most).toBeGreaterThan(0.98);
  });

  it('both measures are 1 on the surface itself, and the ray lies between', () => {
    const c = surface.capacity(1.5e6, 1.2e8, 0.7e8)!;
    expect(capacityAlongRay(surface, c.N, c.Mx, c.My)).toBeCloseTo(1, 6);
    expect(capacityAlongRay(surface, c.N / 2, c.Mx / 2, c.My / 2)).toBeCloseTo(0.5, 6);
    expect(capacityAlongRay(surface, 2e6, 0, 0)).toBeCloseTo(2e6 / surface.most, 9);
  });

  it('other sets keep their utilisation in the slice', () => {
    const points = setsInSlice(v.result, v.picture.slice);
    expect(points.map((q) => q.index).sort()).toEqual([0, 1]);
    const own = points.find((q) => q.index === 0)!;
    expect(own.M / Math.hypot(v.picture.limit!.Mx, v.picture.limit!.My)).toBeCloseTo(v.picture.strength.worst.utilisation!, 1);
  });

  it('the sum rule is a second opinion, near the true surface', () => {
    expect(v.picture.bySum!.clause).toBe('5.8.9(4)');
    expect(v.picture.bySum!.utilisation / v.picture.byMoment!).toBeGreaterThan(0.7);
    expect(v.picture.bySum!.utilisation / v.picture.byMoment!).toBeLessThan(1.4);
  });

  it('strength before any safety lies outside design strength, and is that of the strengths alone', () => {
    for (const q of [project(), project(aciBars, aci)]) {
      const { picture, column } = view(q);
      const nominal = nominalSurface(picture.model, column, codeOf(q, q.members[0]!));
      for (const N of [0, 5e5, 1.5e6])
        expect(nominal.capacity(N, 1, 0.4)!.Mx).toBeGreaterThan(picture.model.surface.capacity(N, 1, 0.4)!.Mx);
      expect(nominal.most).toBeGreaterThan(picture.model.surface.most);
    }
    // By hand: 40 157500 + 8 490.9 min(500, 0.002 200000) = 6.300 MN + 1.571 MN
    const { picture, column } = view(project());
    expect(nominalSurface(picture.model, column, codeOf(p, p.members[0]!)).most / 1e6).toBeCloseTo(7.871, 3);
    expect([picture.nominalName, view(project(aciBars, aci)).picture.nominalName]).toEqual([
      'characteristic strengths',
      'nominal strength',
    ]);
  });

  it('what is checked by hand agrees: squash load, and strips at the resistance', () => {
    for (const q of [
      project(),
      project(aciBars, aci),
      project({ shape: { kind: 'L', b: 600, h: 600, tx: 250, ty: 250 }, bars: { kind: 'outline', size: '20', spacing: 200 } }),
    ]) {
      const { handChecks } = view(q).result;
      expect(handChecks).toHaveLength(3);
      expect(handChecks.filter((h) => !h.agrees)).toEqual([]);
    }
  });
});

describe('forces that differ at the foot', () => {
  const code = { id: 'en1992', variant: 'recommended' };
  const short = { axes: { x: { factor: 0.1 }, y: { factor: 0.1 } } };
  const design = (set: object, more: object = {}) => {
    const q = project({ ...short, sets: [{ name: 'L', N: 1000, mxTop: 100, mxBottom: 100, vy: 40, ...set }], ...more }, code);
    return { q, result: designNow(q, q.members[0]!) as ColumnResult };
  };

  it('each place has its own axial force, mid-height the mean of both', () => {
    const { q } = design({ nBottom: 1100 });
    const column = q.members[0] as ColumnMember;
    const c = codeOf(q, column);
    const r = strengthOf(column.sets[0]!, 0, column, columnModel(column, c), c);
    expect(r.places.map((k) => k.N / 1e3)).toEqual([1000, 1050, 1100]);
  });

  it('the same value at the foot changes nothing; a larger force at the foot governs axial force and shear there', () => {
    const use = (r: ColumnResult, id: string) => r.checks.find((k) => k.id === id)!.utilisation!;
    const plain = design({}).result;
    const same = design({ nBottom: 1000, vyBottom: 40 }).result;
    for (const id of ['axial-force', 'shear-y', 'strength-foot', 'strength-mid']) expect(use(same, id)).toBeCloseTo(use(plain, id), 12);
    const more = design({ nBottom: 1500, vyBottom: -60 }).result;
    expect(use(more, 'axial-force') / use(plain, 'axial-force')).toBeCloseTo(1.5, 9);
    expect(more.checks.find((k) => k.id === 'shear-y')!.demand!.value).toBe(60e3);
  });

  it('cases that differ at the foot are combined there, the others counted as they are', () => {
    const cases = [
      { id: 'G', nature: 'permanent' },
      { id: 'Q', nature: 'imposed', category: 'B' },
    ];
    const caseForces = [
      { case: 'G', N: 500, nBottom: 560, mxTop: 10, mxBottom: 10 },
      { case: 'Q', N: 200, mxTop: 20, mxBottom: 20 },
    ];
    const { result } = design({}, { mode: 'cases', cases, caseForces });
    // 1.35 x 560 + 1.5 x 200 = 1056 kN
    expect(Math.max(...result.sets.map((s) => s.nBottom! / 1e3))).toBeCloseTo(1056, 9);
    expect(Math.max(...result.sets.map((s) => s.N / 1e3))).toBeCloseTo(975, 9);
  });
});

describe('strains of a section', () => {
  const p = project();
  const column = p.members[0] as ColumnMember;
  const code = codeOf(p, column);
  const model = columnModel(column, code);

  it('an ultimate state balances the design forces with its own stresses', () => {
    const s = sectionState(column, code, model, column.sets[0]!, 0, 'mid');
    const f = forcesOf(model.section, s.plane!, s.laws);
    expect(f.N / 1640e3).toBeCloseTo(1, 6);
    expect(f.Mx / s.Mx).toBeCloseTo(1, 6);
    expect(f.My / s.My).toBeCloseTo(1, 6);
    expect(s.Mx).toBeCloseTo(strengthOf(column.sets[0]!, 0, column, model, code).places[1]!.Mx, 3);
  });

  it('a service state has the stresses that are checked, and its neutral axis where the strain is nothing', () => {
    const s = sectionState(column, code, model, column.sets[2]!, 2, 'top');
    const [top] = serviceStates({ column, code, model }, column.sets[2]!);
    expect(Math.max(...s.concrete.map((q) => q.stress))).toBeCloseTo(top!.concrete, 6);
    expect(-Math.min(...s.bars.map((b) => b.stress))).toBeCloseTo(top!.steel, 6);
    const [low, high] = [s.concrete[0]!, s.concrete.at(-1)!];
    expect(high.strain * (1 - s.neutral! / (high.v - low.v)) + (low.strain * s.neutral!) / (high.v - low.v)).toBeCloseTo(0, 9);
  });

  it('the curve of moment and curvature reaches the resistance at that axial force; beyond it nothing balances', () => {
    const q = project({ sets: [{ name: 'L', N: 1000, mxTop: 60, mxBottom: 60 }], axes: { x: { factor: 0.1 }, y: { factor: 0.1 } } });
    const c = q.members[0] as ColumnMember;
    const m = columnModel(c, code);
    const s = sectionState(c, code, m, c.sets[0]!, 0, 'top');
    const r = m.surface.atAngle(s.theta, 1e6)!;
    const resistance = r.Mx * Math.sin(s.theta) + r.My * Math.cos(s.theta);
    expect(s.curve.at(-1)!.edgeStrain).toBeCloseTo(0.0035, 6);
    expect(Math.max(...s.curve.map((k) => k.moment)) / resistance).toBeCloseTo(1, 2);
    expect(s.yields!.moment).toBeLessThan(1.001 * resistance);
    const beyond = sectionState(c, code, m, { ...c.sets[0]!, mxTop: 1.4 * resistance, mxBottom: 0 }, 0, 'top');
    expect(beyond.plane).toBeUndefined();
    expect(beyond.concrete).toEqual([]);
  });

  it('the drawing holds finite figures', () => {
    const s = sectionState(column, code, model, column.sets[0]!, 0, 'top');
    const text = (v: number) => v.toFixed(2);
    const one = stateDrawing({ ...s, labels: { strain: text, stress: text, steel: text, length: text } }, 360, 250);
    expect(JSON.stringify(one)).not.toMatch(/null|NaN/);
    expect(one.shapes.filter((k) => k.kind === 'circle')).toHaveLength(8);
  });
});

describe('service states', () => {
  const p = project();
  const column = p.members[0] as ColumnMember;
  const code = codeOf(p, column);
  const model = columnModel(column, code);

  it('both ends are solved, and the strip of the crack rule is cut from the true section', () => {
    const [top, foot] = serviceStates({ column, code, model }, column.sets[2]!);
    expect([top!.end, foot!.end]).toEqual(['top', 'foot']);
    expect(top!.steel).toBeGreaterThan(foot!.steel);
    // No moment at the foot: N / (Ac + alpha As) everywhere.
    const alpha = 200_000 / foot!.modulus;
    expect(foot!.concrete).toBeCloseTo(600e3 / (157_500 + alpha * model.section.steelArea), 6);
    const q = crackQuestion({ column, model }, top!);
    expect(q.strip(1e4)).toEqual({ concrete: expect.closeTo(157_500, 3), steel: expect.closeTo(model.section.steelArea, 6) });
    // The bar of largest tension stands in a corner: cover to the nearest face is 35 + 8.
    expect(q.cover).toBeCloseTo(43, 6);
    expect(q.x).toBeLessThan(q.h);
  });
});

describe('shear of columns', () => {
  it('width and depth of a rectangle by hand', () => {
    const column = project().members[0] as ColumnMember;
    const model = columnModel(column, codeOf(project(), column));
    const s = shearSections(model, column, 'y')[0]!;
    expect(s.bw).toBeCloseTo(350, 6);
    expect(s.h).toBe(450);
    // Three bars in the tension half at 225 - 35 - 8 - 12.5 = 169.5 below the centroid.
    expect(s.d).toBeCloseTo(225 + 169.5, 6);
    expect(s.tensionSteel).toBeCloseTo(3 * 490.874, 2);
  });
  it('the web of an I is its least width', () => {
    const p = project({ shape: { kind: 'I', b: 500, h: 700, web: 200, flange: 150 }, bars: { kind: 'outline', size: '20', spacing: 200 } });
    const column = p.members[0] as ColumnMember;
    expect(shearSections(columnModel(column, codeOf(p, column)), column, 'y')[0]!.bw).toBeCloseTo(200, 6);
  });
});

const texts = (d: Drawing) => d.shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []));
const isFinite2 = (s: Shape) => (s.kind === 'path' ? s.points.flat() : s.at).every(Number.isFinite);

describe('drawings of columns', () => {
  it.each([
    ['rectangle', {}],
    ['circle', { shape: { kind: 'circle', diameter: 450 }, bars: { kind: 'ring', count: 8, size: '20' } }],
    ['ring', { shape: { kind: 'ring', diameter: 700, wall: 160 }, bars: { kind: 'ring', count: 10, size: '20' } }],
    ['L', { shape: { kind: 'L', b: 550, h: 550, tx: 230, ty: 230 }, bars: { kind: 'outline', size: '20', spacing: 220 } }],
    ['T', { shape: { kind: 'T', b: 600, h: 550, web: 250, flange: 220 }, bars: { kind: 'outline', size: '20', spacing: 220 } }],
    ['cross', { shape: { kind: 'cross', b: 600, h: 600, tx: 250, ty: 250 }, bars: { kind: 'outline', size: '20', spacing: 220 } }],
    [
      'free',
      {
        shape: {
          kind: 'free',
          outer: [
            [0, 0],
            [600, 0],
            [500, 500],
            [0, 400],
          ],
          holes: [
            [
              [150, 150],
              [250, 150],
              [250, 250],
              [150, 250],
            ],
          ],
        },
        bars: {
          kind: 'list',
          bars: [
            [60, 60],
            [520, 60],
            [440, 430],
            [60, 340],
          ].map(([x, y]) => ({ x, y, size: '20' })),
        },
      },
    ],
  ])('%s: nothing off the sheet, no NaN, every bar can be picked', (_name, change) => {
    const v = view(project(change));
    expect(v.result.faults).toEqual([]);
    const section = sectionOf(v, 320, 340);
    const bars = section.shapes.filter((s) => s.kind === 'circle' && s.edit?.of === 'bar');
    expect(bars).toHaveLength(v.result.bars.length);
    for (const d of [section, momentsOf(v, 'x', 120, 300), momentsOf(v, 'y', 120, 300), contourOf(v, 180, 200), sliceOf(v, 300, 300)]) {
      expect(d.shapes.every(isFinite2)).toBe(true);
      for (const s of d.shapes)
        if (s.kind === 'circle') {
          expect(s.at[0]).toBeGreaterThanOrEqual(-1);
          expect(s.at[0]).toBeLessThanOrEqual(d.width + 1);
        }
    }
  });

  it('moments stand on the tension side, and arrows turn with the sign', () => {
    const picture = (top: number, bottom: number) =>
      columnMomentDrawing(
        {
          axis: 'x',
          first: { top, bottom },
          design: null,
          labels: { top: '', bottom: '', mid: '', l0: 'l0', state: '' },
          edits: {},
          ends: { top: 'fixed', bottom: 'pinned' },
        },
        120,
        300,
      );
    const wash = (d: Drawing) => d.shapes.find((s) => s.kind === 'path' && s.fill === 'demandWash') as Shape & { kind: 'path' };
    const axis = 120 * 0.42;
    // A positive moment compresses the side at the left, so the diagram lies at the right.
    expect(Math.max(...wash(picture(50, 50)).points.map(([x]) => x))).toBeGreaterThan(axis + 10);
    expect(Math.min(...wash(picture(50, 50)).points.map(([x]) => x))).toBeCloseTo(axis, 6);
    const double = wash(picture(50, -50)).points.map(([x]) => x);
    expect(Math.max(...double) - axis).toBeCloseTo(axis - Math.min(...double), 6);
    const heads = (d: Drawing) =>
      d.shapes.filter((s) => s.kind === 'path' && s.fill === 'demandSolid').map((s) => (s as Shape & { kind: 'path' }).points[0]![0]);
    const [one, other] = [heads(picture(50, 50)), heads(picture(-50, -50))];
    expect(one).toHaveLength(2);
    expect(Math.sign(one[0]! - axis)).toBe(-Math.sign(other[0]! - axis));
  });

  it('single and double curvature in words, also when both ends turn the same way', () => {
    const at = (set: object, signs: string) => curvatureOf(view(project({ sets: [{ name: 'L1', N: 900, ...set }], signs })), 'x');
    expect(at({ mxTop: 50, mxBottom: 40 }, 'bending')).toBe('single curvature');
    expect(at({ mxTop: 50, mxBottom: 40 }, 'turning')).toBe('double curvature');
    expect(at({ mxTop: 50 }, 'bending')).toBe('one end');
    expect(at({}, 'bending')).toBe('no moment');
  });

  it('the section names its bars and cover, the contour its axes', () => {
    const v = view(project());
    expect(texts(sectionOf(v, 320, 340))).toEqual(expect.arrayContaining(['8H25', '2.49 %', 'H8 @ 200', 'cover 35.0', '350', '450']));
    expect(texts(contourOf(v, 180, 200))).toEqual(expect.arrayContaining(['Mx', 'My']));
  });

  it('the surface is painted from the back to the front', () => {
    const ring = (n: number) => Array.from({ length: 8 }, (_, i) => [Math.cos((i * Math.PI) / 4), Math.sin((i * Math.PI) / 4), n] as const);
    const d = surfaceDrawing(
      { rings: [ring(-0.5), ring(0.5)], points: [{ at: [0, 0, 0], isOver: true, isChosen: true }], slice: [], level: [], turn: 0, tilt: 0 },
      400,
      300,
    );
    const facets = d.shapes.filter((s) => s.kind === 'path' && s.fill === 'resistanceWash');
    expect(facets).toHaveLength(8);
    expect(d.shapes.at(-1)).toMatchObject({ kind: 'circle', line: 'excess', fill: 'demandSolid' });
  });
});

describe('what a set brings to its places', () => {
  it('imperfections go about one axis at a time, or both when that is chosen', () => {
    const p = project();
    const column = p.members[0] as ColumnMember;
    const model = columnModel(column, codeOf(p, column));
    const one = strengthOf(column.sets[0]!, 0, column, model, codeOf(p, column));
    for (const q of one.places) expect(q.accidental.x !== q.accidental.y).toBe(true);
    const both = { ...column, choices: { accidental: 'both' } };
    const two = strengthOf(both.sets[0]!, 0, both, columnModel(both, codeOf(p, both)), codeOf(p, both));
    expect(two.worst.accidental).toEqual({ x: true, y: true });
    expect(two.worst.utilisation!).toBeGreaterThan(one.worst.utilisation!);
  });

  it('a moment that is only accidental is tried both ways where the section is not even', () => {
    const p = project({
      shape: { kind: 'L', b: 550, h: 550, tx: 230, ty: 230 },
      bars: { kind: 'outline', size: '20', spacing: 220 },
      sets: [{ name: 'L1', N: 3500 }],
    });
    const column = p.members[0] as ColumnMember;
    const code = codeOf(p, column);
    const model = columnModel(column, code);
    const r = strengthOf(column.sets[0]!, 0, column, model, code);
    // Against the worse of both senses, by hand from the surface.
    const u = (Mx: number, My: number) => {
      const c = model.surface.capacity(3.5e6, Mx, My)!;
      return Math.hypot(Mx, My) / Math.hypot(c.Mx, c.My);
    };
    const { Mx, My } = r.worst;
    const senses = [1, -1].flatMap((a) => [1, -1].map((b) => u(a * Mx, b * My)));
    expect(new Set(senses.map((v) => v.toFixed(4))).size).toBeGreaterThan(1);
    expect(r.worst.utilisation!).toBeCloseTo(Math.max(...senses), 3);
  });

  it('along the ray every place is solved, and the worst is the worst of all', () => {
    const p = project({ choices: { measure: 'ray' } });
    const column = p.members[0] as ColumnMember;
    const code = codeOf(p, column);
    const model = columnModel(column, code);
    const r = strengthOf(column.sets[0]!, 0, column, model, code);
    for (const q of r.places) {
      expect(q.isExact).toBe(true);
      expect(q.utilisation!).toBeCloseTo(capacityAlongRay(model.surface, 1640e3, q.Mx, q.My), 6);
      expect(q.utilisation!).toBeLessThanOrEqual(r.worst.utilisation! + 1e-9);
    }
    expect(designNow(p, column).checks.find((c) => c.id === 'strength-mid')!.utilisation).toBeCloseTo(
      r.places.find((q) => q.place === 'mid')!.utilisation!,
      9,
    );
  });

  it('depth along a turned direction', () => {
    const column = project().members[0] as ColumnMember;
    const b = bearing(columnModel(column, codeOf(project(), column)).section, Math.PI / 6);
    expect(b.h).toBeCloseTo(350 * Math.cos(Math.PI / 6) + 450 * Math.sin(Math.PI / 6), 6);
  });
});
