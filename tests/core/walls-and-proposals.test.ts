import { workOf } from '@/core/members/works';
import { usualRates } from '@/core/advice/rates';
import { proposeColumnSteps } from '@/core/members/column/changes';
import { proposeWallSteps } from '@/core/members/wall/changes';
import { proposeColumn, buildability } from '@/core/members/column/proposals';
import { weigh } from '@/core/advice/rates';
import { silent } from '@/core/calc/calc';
import { wallFactor, F as wallF } from '@/core/codes/en1992/walls';
import { wallSteel as aciWallSteel } from '@/core/codes/aci318/walls';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import type { ColumnMember } from '@/core/members/column/input';
import type { WallMember } from '@/core/members/wall/input';
import { readProject } from '@/core/project/read';
import { adoptVariant, differences, keepVariant } from '@/core/project/variants';
import { writeProject } from '@/core/project/write';
import { holdBars, looseBars } from '@/core/reinforcement/tie-legs';
import { placeColumnBars } from '@/core/reinforcement/column-bars';
import { catalogues } from '@/core/materials/bars';

function read(member: object, code: object = { id: 'en1992', variant: 'recommended' }): Project {
  const r = readProject({ format: 'intarsia', version: 1, code, members: [member] });
  if (!r.ok) throw new Error(JSON.stringify(r.faults));
  return r.project;
}
const wall = {
  type: 'wall',
  thickness: 220,
  height: 5600,
  cover: 30,
  vertical: { size: '16', spacing: 200 },
  horizontal: { size: '10', spacing: 200 },
  sustained: 0.7,
  sets: [{ name: 'L1', N: 430, mxTop: 9, mxBottom: 23, vy: 17 }],
};
const wallOf = (p: Project) => p.members[0] as WallMember;
const check = (p: Project, id: string) => designNow(p, wallOf(p)).checks.find((c) => c.id === id);

describe('walls', () => {
  const floor = { h: 200, length: 5000, far: 'continuous' };
  const held = (more: object = {}) => {
    const end = { kind: 'framed', beams: [floor, floor] };
    return read({ ...wall, thickness: 200, height: 3000, axes: { x: { mode: 'ends', top: end, bottom: end } }, ...more });
  };
  const lengthOf = (p: Project) => designNow(p, wallOf(p)).slenderness.x!.l0;

  test('floors of their own hold the ends, as wide as the wall: by hand', () => {
    // Equal inertias for a metre: k = (1/3000) / (2 x 0.5 x 2/5000) = 0.8333 at both ends (slabs at half their stiffness, 5.8.3.2(5)):
    // l0 = 0.5 x 3000 (1 + 0.8333/1.2833) = 2474.0 mm (5.15).
    expect(lengthOf(held())).toBeCloseTo(0.5 * 3000 * (1 + 0.83333 / 1.28333), 0);
    // The same wall as a whole one, of any length.
    expect(lengthOf(held({ isStrip: false, length: 4200 }))).toBeCloseTo(lengthOf(held()), 6);
    // A floor that spans further holds less.
    const longer = { kind: 'framed', beams: [{ ...floor, length: 8000 }] };
    expect(lengthOf(held({ axes: { x: { mode: 'ends', top: longer, bottom: longer } } }))).toBeGreaterThan(lengthOf(held()));
  });
  test('a floor without its size is asked for; none is made up', () => {
    const end = { kind: 'framed', beams: [{ h: 200 }] };
    const p = held({ axes: { x: { mode: 'ends', top: end, bottom: { kind: 'pinned' } } } });
    expect(designNow(p, wallOf(p)).faults).toEqual([
      { path: 'axes.x.top.beams[0]', reason: 'Give depth and span of floor 1 at the top: what holds the end is not made up.' },
    ]);
    const none = held({ axes: { x: { mode: 'ends', top: { kind: 'framed' }, bottom: { kind: 'pinned' } } } });
    expect(designNow(none, wallOf(none)).faults[0]!.reason).toMatch(/^No floor is given at the top/);
  });
  it('a metre: steel and its limits by hand', () => {
    const p = read(wall);
    const r = designNow(p, wallOf(p));
    expect(r.faults).toEqual([]);
    // 2 x 5 bars of 201 mm2 on 220 000 mm2; least 0.002 Ac = 440 mm2
    expect(r.bars).toHaveLength(10);
    expect(r.steelRatio).toBeCloseTo((10 * 201.062) / 220_000, 6);
    expect(check(p, 'least-vertical')!.demand!.value).toBeCloseTo(440, 9);
    // Horizontal: 2 x 78.5 / 200 mm over 1 m = 785 mm2; least max(0.25 x 2010.6, 220) = 502.7
    expect(check(p, 'least-horizontal')!.capacity!.value).toBeCloseTo(785.4, 1);
    expect(check(p, 'least-horizontal')!.demand!.value).toBeCloseTo(502.7, 1);
    expect(check(p, 'horizontal-spacing')!.capacity!.value).toBe(400);
  });

  it('bars lie inside the horizontal ones', () => {
    const inner = designNow(read(wall), wallOf(read(wall))).bars[0]!.y;
    // 110 - 30 - 10 - 8
    expect(inner).toBeCloseTo(62, 9);
    const outer = designNow(read({ ...wall, horizontalOutside: false }), wallOf(read({ ...wall, horizontalOutside: false }))).bars[0]!.y;
    expect(outer).toBeCloseTo(72, 9);
  });

  it('edges that hold the wall shorten its effective length: table 12.1 by hand', () => {
    // Three sides, l = 5.6, b = 7.2: 1/(1 + (5.6/21.6)^2) = 0.937; four sides: 1/(1 + (5.6/7.2)^2) = 0.623; narrow, b = 4: 4/11.2 = 0.357
    const f = (restraint: 'twoSides' | 'threeSides' | 'fourSides' | 'cantilever', between: number) =>
      wallFactor(silent, { restraint, height: 5600, between });
    expect(f('threeSides', 7200)).toBeCloseTo(0.937, 3);
    expect(f('fourSides', 7200)).toBeCloseTo(0.623, 3);
    expect(f('fourSides', 4000)).toBeCloseTo(0.357, 3);
    expect([f('twoSides', 1), f('cantilever', 1)]).toEqual([1, 2]);
    expect(wallF.fourLong.evaluate({ l: 5000, b: 5000 })).toBeCloseTo(wallF.fourShort.evaluate({ l: 5000, b: 5000 }), 12);
    const at = (restraint: string) => check(read({ ...wall, restraint, between: 4000 }), 'strength-mid')!.utilisation!;
    expect(at('fourSides')).toBeLessThan(at('threeSides'));
    expect(at('threeSides')).toBeLessThan(at('cantilever'));
  });

  it('no shear reinforcement out of plane, but in plane both meshes count', () => {
    const p = read({ ...wall, isStrip: false, length: 2600, sets: [{ name: 'L1', N: 1300, myTop: 300, myBottom: 1400, vx: 330, vy: 20 }] });
    const [inPlane, out] = [check(p, 'shear-x')!, check(p, 'shear-y')!];
    expect(inPlane.capacity!.value).toBeGreaterThan(500e3);
    expect(out.capacity!.value).toBeLessThan(700e3);
    const thin = read({ ...wall, isStrip: false, length: 2600, horizontal: { size: '10', spacing: 100 }, sets: wall.sets });
    expect(check(thin, 'shear-y')!.capacity!.value).toBeCloseTo(
      check(read({ ...wall, isStrip: false, length: 2600 }), 'shear-y')!.capacity!.value,
      3,
    );
  });

  it('ACI: 0.0015 and 0.0025, three times the thickness', () => {
    const r = aciWallSteel(silent, 200_000, 1000, 200, 'SI');
    expect([r.leastVertical.value, r.leastHorizontal.value, r.verticalSpacing.value]).toEqual([300, 500, 450]);
  });

  it.each([
    [{ thickness: 20 }, 'thickness'],
    [{ vertical: { size: '99', spacing: 200 } }, 'vertical.size'],
    [{ horizontal: { size: '10', spacing: 10 } }, 'horizontal.spacing'],
    [{ thickness: 90, cover: 40 }, 'cover'],
    [{ isStrip: false, length: 10 }, 'length'],
    [{ restraint: 'fourSides', between: 0 }, 'between'],
  ])('%j is refused at its field', (change, path) => {
    const p = read({ ...wall, ...change });
    expect(designNow(p, wallOf(p)).faults[0]!.path).toBe(path);
  });
});

const column = {
  type: 'column',
  id: 'c',
  shape: { kind: 'rectangle', b: 300, h: 400 },
  height: 7400,
  cover: 35,
  materials: { concreteStrength: 35 },
  bars: { kind: 'sides', corner: '25', alongX: 0, sizeX: '25', alongY: 1, sizeY: '20' },
  sustained: 0.55,
  sets: [{ name: 'L1', N: 1060, mxTop: 226, mxBottom: -124, myTop: 30, myBottom: 26 }],
};
const columnOf = (p: Project) => p.members[0] as ColumnMember;

describe('proposals', () => {
  const p = read(column);
  const code = codeOf(p, columnOf(p));

  it.each(['bars', 'square', 'circle', 'rectangle'] as const)('%s: each holds when designed in full, and is what it says', (search) => {
    const list = proposeColumn(columnOf(p), code, search);
    expect(list.length).toBeGreaterThan(1);
    for (const q of list) {
      const member: ColumnMember = { ...columnOf(p), ...q.change };
      const r = designNow(p, member);
      expect(r.checks.filter((c) => c.status === 'exceeds' || c.status === 'failed')).toEqual([]);
      expect(r.steelRatio).toBeCloseTo(q.steelRatio, 9);
      expect(r.steelRatio).toBeLessThanOrEqual(0.04);
      expect(q.buildability).toBeCloseTo(buildability(r, member, code), 9);
    }
  });

  it('the smallest square comes first, and 25 mm less does not hold with any usual bars', () => {
    const [named] = workOf(columnOf(p)).propose(columnOf(p), 'square', { project: p, code, rates: usualRates });
    expect(named!.title).toMatch(/^\d+ × \d+, \d+H\d+( in \d+ × \d+)?, H\d+ @ \d+$/);
    expect(named!.detail).toMatch(/^\d\.\d %, \d+ bars$/);
    const [first] = proposeColumn(columnOf(p), code, 'square', usualRates, 1);
    const b = first!.change.shape.kind === 'rectangle' ? first!.change.shape.b : 0;
    const smaller: ColumnMember = { ...columnOf(p), shape: { kind: 'rectangle', b: b - 25, h: b - 25 } };
    expect(proposeColumn(smaller, code, 'bars')).toEqual([]);
  });

  it('the least rectangle is found far from the present size, in width and depth; a step less of either side holds with no usual bars', () => {
    const far = read({
      ...column,
      shape: { kind: 'rectangle', b: 350, h: 350 },
      height: 4000,
      sets: [{ name: 'L1', N: 9800, mxTop: 620, mxBottom: 300, myTop: 240, myBottom: 120 }],
    });
    const list = proposeColumn(columnOf(far), code, 'rectangle');
    const shapes = list.map((q) => q.change.shape as { b: number; h: number });
    expect(shapes.length).toBeGreaterThan(1);
    const [first] = shapes;
    expect(Math.min(first!.b, first!.h)).toBeGreaterThan(400);
    const areas = shapes.map((s) => s.b * s.h);
    expect(areas).toEqual([...areas].sort((a, b) => a - b));
    for (const less of [
      { b: first!.b - 50, h: first!.h },
      { b: first!.b, h: first!.h - 50 },
    ]) {
      if (less.b === less.h) continue;
      const smaller: ColumnMember = { ...columnOf(far), shape: { kind: 'rectangle', ...less } };
      expect([less, proposeColumn(smaller, code, 'bars')]).toEqual([less, []]);
    }
  }, 60_000);

  it('the least round column is found where the present one is far too small', () => {
    const far = read({
      ...column,
      shape: { kind: 'circle', diameter: 300 },
      bars: { kind: 'ring', count: 6, size: '20' },
      height: 4000,
      sets: [{ name: 'L1', N: 14000, mxTop: 900, mxBottom: 400 }],
    });
    const [first] = proposeColumn(columnOf(far), code, 'circle', usualRates, 1);
    const { diameter } = first!.change.shape as { diameter: number };
    expect(diameter).toBeGreaterThan(650 * 1.13);
    const smaller: ColumnMember = { ...columnOf(far), shape: { kind: 'circle', diameter: diameter - 25 } };
    expect(proposeColumn(smaller, code, 'bars')).toEqual([]);
  }, 60_000);

  it('cost by hand: 1 m3, 100 kg, 10 m2 at 35 MPa', () => {
    // 1 x (100 + 0.8 x 5) + 100 x 1.2 + 10 x 35 = 574
    const rates = { concrete: 100, perMPa: 0.8, steel: 1.2, formwork: 35 };
    expect(weigh({ concrete: 1e9, bars: 80, links: 20, formwork: 10e6 }, 35, rates)).toBeCloseTo(574, 9);
  });
});

describe('single changes of a column', () => {
  const p = read(column);
  const code = codeOf(p, columnOf(p));
  const list = proposeColumnSteps(columnOf(p), code);

  it('each gives the utilisation that it promised when it is taken, and holds where it says so', () => {
    expect(list.length).toBeGreaterThan(4);
    for (const step of list) {
      const r = designNow(p, { ...columnOf(p), ...step.change } as ColumnMember);
      expect(r.governing!.utilisation).toBeCloseTo(step.utilisation, 9);
      expect(r.checks.some((c) => c.status === 'exceeds' || c.status === 'failed')).toBe(!step.holds);
    }
  });

  it('a column that fails is mended: what holds comes first, deeper against the moment among it', () => {
    expect(designNow(p, columnOf(p)).governing!.status).toBe('exceeds');
    expect(list[0]!.holds).toBe(true);
    const holds = list.map((s) => s.holds);
    expect(holds).toEqual([...holds].sort((a, b) => Number(b) - Number(a)));
    const deeper = list.find((s) => s.title === 'h 400 → 450 mm')!;
    expect(deeper.holds).toBe(true);
    expect(deeper.change.shape).toEqual({ kind: 'rectangle', b: 300, h: 450 });
    expect(deeper.cost).toBeGreaterThan(1);
  });

  it('concrete costs by hand: 5 MPa more adds 5 x 0.8 a cubic metre', () => {
    const two = read({ ...column, shape: { kind: 'rectangle', b: 600, h: 600 } });
    const r = designNow(two, columnOf(two));
    const rates = { concrete: 100, perMPa: 0.8, steel: 1.2, formwork: 35 };
    const base = weigh(r.quantities!, 35, rates);
    const more = proposeColumnSteps(columnOf(two), codeOf(two, columnOf(two)), usualRates, 30).find((s) =>
      s.title.startsWith('concrete C40'),
    )!;
    // 0.6 x 0.6 x 7.4 m = 2.664 m3; 2.664 x 4 = 10.656 more
    expect((more.cost - 1) * base).toBeCloseTo(10.656, 6);
  });

  it('thicker bars bring the ties that they need', () => {
    // 32 mm bars want ties of 8 mm, 25 mm ones of 6.25: with ties of 6 mm the thicker bars come with larger ties
    const thin = read({
      ...column,
      ties: { size: '8', spacing: 200 },
      bars: { kind: 'sides', corner: '32', alongX: 0, sizeX: '32', alongY: 0, sizeY: '32' },
      sets: [{ name: 'light', N: 500 }],
    });
    const fewer = proposeColumnSteps(columnOf(thin), codeOf(thin, columnOf(thin)), usualRates, 30).find((s) => s.title === 'bars 32 → 25')!;
    // Ties that suit stay as they are, and nothing is said of them.
    expect(fewer.change.ties).toBeUndefined();
    const wide = read({ ...column, ties: { size: '8', spacing: 350 } });
    const steps = proposeColumnSteps(columnOf(wide), codeOf(wide, columnOf(wide)), usualRates, 30);
    // 9.5.3(3): 20 x the thinnest bar (20 mm, or what it became), the least dimension, 400 mm: the column's own 350 stand only where b is 400
    for (const { change } of steps.filter((q) => q.change.ties)) {
      const shape = change.shape ?? columnOf(wide).shape;
      const least = shape.kind === 'rectangle' ? Math.min(shape.b, shape.h) : 0;
      expect(change.ties!.spacing).toBeLessThanOrEqual(Math.min(400, least));
    }
    // What a change of the bars does to the ties is said in its row.
    for (const { title, change } of steps.filter((q) => q.change.ties))
      expect([title, change.ties]).toEqual([expect.stringMatching(/ties 8 @ 350 mm → \w+ @ \d+ mm$/), change.ties]);
  });

  it.each([
    ['ring', { shape: { kind: 'circle', diameter: 450 }, bars: { kind: 'ring', count: 8, size: '20' } }, 'ø 450 → 500 mm'],
    [
      'outline',
      { shape: { kind: 'L', b: 550, h: 550, tx: 220, ty: 220 }, bars: { kind: 'outline', size: '20', spacing: 200 } },
      'h 550 → 600 mm',
    ],
    [
      'list',
      {
        shape: {
          kind: 'free',
          outer: [
            [0, 0],
            [400, 0],
            [400, 400],
            [0, 400],
          ],
          holes: [],
        },
        bars: {
          kind: 'list',
          bars: [
            [60, 60],
            [340, 60],
            [340, 340],
            [60, 340],
          ].map(([x, y]) => ({ x, y, size: '25' })),
        },
      },
      'bars 25 → 32',
    ],
  ])('bars in a %s', (_kind, change, title) => {
    const q = read({ ...column, ...change });
    const titles = proposeColumnSteps(columnOf(q), codeOf(q, columnOf(q)), usualRates, 30).map((s) => s.title);
    expect(titles).toContain(title);
    if (_kind === 'list') expect(titles.some((t) => t.startsWith('h '))).toBe(false);
  });

  it('inches and pounds to ACI', () => {
    const us = read(
      {
        ...column,
        catalogue: 'us',
        shape: { kind: 'rectangle', b: '14 in', h: '18 in' },
        bars: { kind: 'sides', corner: '#8', alongX: 0, sizeX: '#8', alongY: 1, sizeY: '#8' },
        ties: { size: '#3', spacing: '10 in' },
        cover: '1.5 in',
        materials: { concreteStrength: '5000 psi' },
      },
      { id: 'aci318', variant: 'US' },
    );
    const titles = proposeColumnSteps(columnOf(us), codeOf(us, columnOf(us)), usualRates, 30).map((s) => s.title);
    expect(titles).toContain('h 18 → 20 in');
    expect(titles).toContain('bars #8 → #9');
  });

  it('nothing for a column with faults or without load sets', () => {
    for (const q of [read({ ...column, cover: 190 }), read({ ...column, sets: [] })])
      expect(proposeColumnSteps(columnOf(q), codeOf(q, columnOf(q)))).toEqual([]);
  });
});

describe('single changes of a wall', () => {
  const p = read(wall);
  const list = proposeWallSteps(wallOf(p), codeOf(p, wallOf(p)), usualRates, 30);

  it('each gives what it promised; thickness goes to round figures', () => {
    expect(list.map((s) => s.title)).toEqual(expect.arrayContaining(['thick 220 → 225 mm', 'thick 220 → 200 mm', 'up 20 @ 200 mm']));
    for (const step of list) {
      const r = designNow(p, { ...wallOf(p), ...step.change } as WallMember);
      expect(r.governing!.utilisation).toBeCloseTo(step.utilisation, 9);
    }
  });

  it('more steel never costs less, and carries more', () => {
    const by = (title: string) => list.find((s) => s.title === title)!;
    expect(by('up 20 @ 200 mm').cost).toBeGreaterThan(1);
    expect(by('up 16 @ 225 mm').cost).toBeLessThan(1);
    expect(by('up 20 @ 200 mm').utilisation).toBeLessThan(by('up 12 @ 200 mm').utilisation);
  });

  it('of many sets those that may govern are enough: with all of them it comes out the same', () => {
    const sets = Array.from({ length: 200 }, (_, i) => ({
      name: `S${i}`,
      N: 100 + ((i * 37) % 500),
      mxTop: ((i * 13) % 40) - 20,
      mxBottom: (i * 7) % 25,
      vy: 5,
    }));
    const q = read({ ...wall, sets });
    for (const step of proposeWallSteps(wallOf(q), codeOf(q, wallOf(q)), usualRates, 30)) {
      const r = designNow(q, { ...wallOf(q), ...step.change } as WallMember);
      expect(r.governing!.utilisation).toBeCloseTo(step.utilisation, 9);
    }
  });

  it('nothing for a wall with faults', () => {
    const q = read({ ...wall, thickness: 20 });
    expect(proposeWallSteps(wallOf(q), codeOf(q, wallOf(q)))).toEqual([]);
  });
});

describe('cross ties', () => {
  const place = (alongX: number, b = 900) =>
    placeColumnBars(
      { kind: 'rectangle', b, h: 400 },
      { kind: 'sides', corner: '20', alongX, sizeX: '20', alongY: 0, sizeY: '20' },
      35,
      8,
      catalogues.metric,
    );
  it('bars within reach of a held one are left, the others are held', () => {
    // 900 wide: corners 794 apart between centres; with 4 between, 158.8 - 20 = 138.8 clear: the first and the last are near the corners
    const bars = place(4);
    const { cross, held } = holdBars(bars, { reach: 150, alternate: false, apart: Infinity }, null);
    expect(looseBars(bars, held, 150)).toEqual([]);
    expect(cross.length).toBeGreaterThan(0);
    expect(cross.length).toBeLessThan(4);
  });
  it('none with no bars between, every second one where the code wants it so', () => {
    expect(holdBars(place(0), { reach: 150, alternate: false, apart: Infinity }, null).cross).toEqual([]);
    expect(holdBars(place(3, 500), { reach: 150, alternate: true, apart: Infinity }, null).cross.length).toBeGreaterThanOrEqual(1);
    expect(holdBars(place(5), { reach: 150, alternate: false, apart: Infinity }, 0).cross).toEqual([]);
  });
});

describe('variants', () => {
  const p = read(column);
  const first = columnOf(p);
  const kept = keepVariant(first, 'as drawn') as ColumnMember;
  const changed: ColumnMember = { ...kept, shape: { kind: 'rectangle', b: 350, h: 400 } };

  it('keeps a state, shows what differs, and adopting keeps what is left', () => {
    expect(kept.variants).toHaveLength(1);
    const d = differences(p, [changed, kept.variants[0]!.state]);
    expect(d).toEqual([{ path: 'shape.b', label: 'Width b, mm', values: ['350', '300'] }]);
    const back = adoptVariant(changed, 0) as ColumnMember;
    expect(back.shape).toEqual(first.shape);
    expect(back.variants[0]).toMatchObject({ name: 'before', state: { shape: changed.shape } });
    expect(adoptVariant(changed, 7)).toBe(changed);
  });

  it('are written to the file and read again', () => {
    const text = writeProject({ ...p, members: [changed] });
    const again = readProject(JSON.parse(text));
    expect(again.ok && writeProject(again.project)).toBe(text);
    expect(again.ok && (again.project.members[0] as ColumnMember).variants[0]!.state).toMatchObject({ shape: { b: 300 } });
  });

  it('tables of sets that differ are told apart', () => {
    const other: ColumnMember = { ...first, sets: [{ ...first.sets[0]!, N: 1e6 }] };
    expect(differences(p, [first, other]).map((x) => x.path)).toEqual(['sets']);
  });
});
