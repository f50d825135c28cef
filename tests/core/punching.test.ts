import { kindOf } from '@/core/members/kinds';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { silent } from '@/core/calc/calc';
import { chooseLegs } from '@/core/members/punching/suggest-legs';
import { punchingDrawing } from '@/core/members/punching/drawing';
import { isInsideLoop } from '@/core/geometry/polygon';
import { openingLoop } from '@/core/members/punching/input';
import type { PunchingResult } from '@/core/members/punching/result';
import { questionOf, stagesOf } from '@/core/members/punching/stage';
import { designNow } from '@/core/project/design-member';
import { punchingLabels } from '@/core/members/punching/labels';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import type { PunchingMember } from '@/core/members/punching/input';
import { readProject } from '@/core/project/read';
import { writeProject } from '@/core/project/write';
import { resultsToJson } from '@/exchange/result-json';

const EN = { id: 'en1992', variant: 'recommended' };
const ACI = { id: 'aci318', variant: 'SI' };

function project(change: object = {}, code: object = EN): Project {
  const size = 'id' in code && code.id === 'aci318' ? 'No.16' : '16';
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code,
    members: [
      {
        type: 'punching',
        h: 250,
        cover: 25,
        materials: { concreteStrength: 30 },
        column: { kind: 'rectangle', b: 400, h: 300 },
        barsX: { size, spacing: 125 },
        barsY: { size, spacing: 125 },
        sets: [{ name: 'U1', V: 500 }],
        momentsBy: 'moments',
        ...change,
      },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const placeOf = (p: Project) => p.members[0] as PunchingMember;
const design = (change: object = {}, code: object = EN): PunchingResult => {
  const p = project(change, code);
  return designNow(p, placeOf(p), 'all');
};
const check = (r: PunchingResult, id: string) => r.checks.find((c) => c.id === id)!;

describe('a slab at a column by hand', () => {
  it('inner column to EN: every figure of the check without links', () => {
    // d: outer 250 - 25 - 8 = 217, inner 250 - 25 - 16 - 8 = 201, mean 209. As = 201.06 / 125 = 1.6085 mm2/mm.
    // rho = sqrt(1.6085/217 * 1.6085/201) = 0.0077017. u1 = 2 (400 + 300) + 4 pi 209 = 4026.4
    // beta 1.15 (usual): v = 1.15 * 500e3 / (4026.4 * 209) = 0.68330
    // k = 1 + sqrt(200/209) = 1.97824; vRdc = 0.12 * 1.97824 * (100 * 0.0077017 * 30)^(1/3) = 0.23739 * 2.8484 = 0.67618
    const r = design({ momentsBy: 'position' });
    expect(r.stages[0]).toMatchObject({ position: 'internal', d: 209, critical: 418 });
    const plain = check(r, 'plain');
    expect(plain.demand!.value).toBeCloseTo(0.6833, 3);
    expect(plain.capacity!.value).toBeCloseTo(0.6762, 3);
    expect(plain.reason).toMatch(/Without links .* 0.683 MPa against 0.676 MPa/);
    // At the column: 1.15 * 500e3 / (1400 * 209) = 1.9651 against 0.4 * 0.6 (1 - 30/250) * 20 = 4.224
    expect(check(r, 'face').demand!.value).toBeCloseTo(1.9651, 3);
    expect(check(r, 'face').capacity!.value).toBeCloseTo(4.224, 6);
    // Legs for s = 100 (half of d in steps of 5): (0.68330 - 0.75 * 0.67618) * 4026.4 * 100 / (1.5 * 302.25) = 156.5 mm2
    expect(r.needed!.spacing).toBe(100);
    expect(r.needed!.area).toBeCloseTo(156.5, 0);
  });
  it('edge column to EN with a moment along the edge and one inwards', () => {
    // Column 300 x 400 (300 across the left edge), d = 209: u1 = 2 * 300 + 400 + 2 pi 209 = 2313.2
    // u1* = 400 + 2 min(313.5, 150) + 2 pi 209 = 2013.2; k (300 / 800 = 0.375) = 0.45
    // W1 = 400^2/4 + 300*400 + 4*300*209 + 8*209^2 + pi*209*400 = 1 022 881; e = 20e6 / 250e3 = 80
    // beta = 1.14902 + 0.45 * 2313.2 / 1 022 881 * 80 = 1.23043; v = 1.23043 * 250e3 / (2313.2 * 209) = 0.63628
    const r = design({ column: { kind: 'rectangle', b: 300, h: 400 }, edges: { left: 0 }, sets: [{ name: 'U1', V: 250, Mx: 20, My: 40 }] });
    expect(r.stages[0]!.position).toBe('edge');
    expect(check(r, 'plain').demand!.value).toBeCloseTo(0.6363, 3);
  });
  it('corner column to ACI with its moments at the column', () => {
    // 400 x 400 at the left and lower edge, d = 250 - 25 - 15.9 = 209.1 (No.16): b1 = b2 = 400 + 104.55 = 504.55, bo = 1009.1
    // centroid of the two legs from each other's line: 504.55^2 / 2 / 1009.1 = 126.14; from the column's centre 304.55 - 126.14 = 178.41
    // M about y = 20e6 - 150e3 * 178.41 = -6.76e6; J = 504.55*209.1^3/12 + 209.1*504.55^3/12 + 504.55*209.1*126.14^2 + 504.55*209.1*126.14^2
    //   = 3.844e8 + 2.2381e9 + 2 * 1.6786e9 = 5.9798e9; gamma v = 0.4. Worst where both moments add: with both negative at the inner
    //   corner's other ends (x - gx = -378.41 on one leg): 0.4 * 6.76e6 * (378.41 - 126.14) / J summed over both axes
    const side = { kind: 'rectangle', b: 400, h: 400 };
    const r = design({ column: side, edges: { left: 0, bottom: 0 }, sets: [{ name: 'U1', V: 150, Mx: 20, My: 20 }] }, ACI);
    expect(r.stages[0]!.position).toBe('corner');
    const d = 250 - 25 - 15.9;
    const b = 400 + d / 2;
    const x = b ** 2 / 2 / (2 * b);
    const J = (b * d ** 3) / 12 + (d * b ** 3) / 12 + 2 * b * d * x ** 2;
    const M = 20e6 - 150e3 * (b - 200 - x);
    const gamma = 1 - 1 / (1 + 2 / 3);
    const at = (dx: number, dy: number) => (gamma * M * (dx + dy)) / J;
    const worst = Math.max(at(x, x), at(x, x - b), at(x - b, x));
    expect(check(r, 'plain').demand!.value).toBeCloseTo(150e3 / (2 * b * d) + worst, 3);
  });
});

describe('properties', () => {
  const capacityOf = (r: PunchingResult) => check(r, 'plain').utilisation!;
  it('mirrored places with mirrored moments give the same', () => {
    for (const code of [EN, ACI]) {
      const sets = (s: number) => [{ name: 'U1', V: 250, Mx: 18, My: 35 * s }];
      const opening = (s: number) => [{ kind: 'rectangle', x: 500 * s, y: 200, b: 200, h: 150 }];
      const left = design({ edges: { left: 60 }, sets: sets(1), openings: opening(1) }, code);
      const right = design({ edges: { right: 60 }, sets: sets(-1), openings: opening(-1) }, code);
      expect(capacityOf(left)).toBeCloseTo(capacityOf(right), 9);
    }
  });
  it('more shear, nearer edges, openings and thinner bars never help', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 700 }), fc.integer({ min: 420, max: 900 }), fc.constantFrom(EN, ACI), (V, x, code) => {
        const sets = (v: number) => [{ name: 'U1', V: v }];
        const base = capacityOf(design({ sets: sets(V) }, code));
        expect(capacityOf(design({ sets: sets(V + 50) }, code))).toBeGreaterThan(base);
        const opening = [{ kind: 'rectangle', x, y: 0, b: 200, h: 250 }];
        expect(capacityOf(design({ sets: sets(V), openings: opening }, code))).toBeGreaterThanOrEqual(base - 1e-9);
        const deeper = design({ sets: sets(V), h: 275 }, code);
        expect(capacityOf(deeper)).toBeLessThan(base);
      }),
      { numRuns: 25 },
    );
  });
  it('an opening beyond the reach of the code is passed over', () => {
    const far = [{ kind: 'rectangle', x: 2500, y: 0, b: 300, h: 300 }];
    expect(capacityOf(design({ openings: far }))).toBeCloseTo(capacityOf(design()), 12);
    expect(capacityOf(design({ openings: far }, ACI))).toBeCloseTo(capacityOf(design({}, ACI)), 12);
  });
});

describe('legs', () => {
  const links = { kind: 'links', size: '10', legs: 12, perimeters: 3, first: 80, spacing: 150 };
  it('a link is as long as the slab less covers and its bends, a stud ends with its heads', () => {
    const legs = { ...links, legs: 8, perimeters: 2 };
    // Axis 250 - 2 x 25 - 10 = 190 mm; at each end a hook of 50 and a bend by 135 degrees with a radius of 25: 3 pi/4 25 - 25 tan 67.5 = -1.45.
    expect(design({ legs }).legs).toEqual({ count: 16, length: expect.closeTo(190 + 2 * (50 - 1.45), 2) });
    const studs = design({ legs: { ...legs, kind: 'studs' } });
    expect(studs.legs).toEqual({ count: 16, length: 200 });
    // 16 x 0.200 m x 0.617 kg/m = 1.97 kg
    expect(studs.quantities!.links).toBeCloseTo(1.97, 2);
  });
  it('square corners: legs stand on rectangles, and those too far out in the corners do not help', () => {
    const stage = (layout: string, perimeters: number) => {
      const p = project({ h: 250, legs: { ...links, legs: 16, perimeters, first: 80, spacing: 150, layout } });
      return stagesOf(placeOf(p), codeOf(p, placeOf(p)))[0]!;
    };
    const { loop, placed, steel, d } = stage('rectangular', 3);
    const [x, y] = [Math.max(...loop.map((q) => q[0])), Math.max(...loop.map((q) => q[1]))];
    for (const { at, perimeter } of placed!.legs) {
      const r = 80 + perimeter * 150;
      // On one of the four sides of the rectangle at r from the column.
      expect(Math.min(Math.abs(Math.abs(at[0]) - x - r), Math.abs(Math.abs(at[1]) - y - r))).toBeLessThan(1e-6);
      expect(Math.max(Math.abs(at[0]) - x, Math.abs(at[1]) - y)).toBeLessThan(r + 1e-6);
    }
    const far = placed!.legs.filter(
      ({ at, perimeter }) =>
        perimeter === 2 && Math.hypot(Math.max(0, Math.abs(at[0]) - x), Math.max(0, Math.abs(at[1]) - y)) > 2 * d + 0.5,
    ).length;
    expect(steel!.area).toBeCloseTo((16 - far) * 78.54, 0);
    expect(stage('round', 3).steel!.area).toBeCloseTo(16 * 78.54, 0);
  });
  it('ACI: stirrups need 150 mm and 16 diameters of effective depth; studs over 254 mm leave the size effect', () => {
    // 22.6.7.1 with d = 200 - 25 - 15.9 = 159.1: 16 x 9.5 = 152 mm stand, 16 x 12.7 = 203 mm do not.
    const depth = (size: string) => check(design({ h: 200, legs: { ...links, size, spacing: 75 } }, ACI), 'leg-depth');
    expect(depth('No.10').status).not.toBe('exceeds');
    expect(depth('No.10').demand!.value).toBeCloseTo(16 * 9.5, 0);
    expect(depth('No.13').reason).toMatch(/not deep enough/);
    // 22.6.6.2(b): 400 - 2 x 73 = 254 mm; 40 legs of 129 mm2 are far beyond the least steel.
    const stage = (cover: number) => {
      const legs = { kind: 'studs', size: 'No.13', legs: 40, perimeters: 4, first: 100, spacing: 100 };
      const p = project({ h: 400, cover, legs }, ACI);
      return stagesOf(placeOf(p), codeOf(p, placeOf(p)))[0]!.steel!;
    };
    expect(stage(73).height).toBe(254);
    const plain = (cover: number, height: number) => {
      const p = project({ h: 400, cover: 40 }, ACI);
      const code = codeOf(p, placeOf(p)).punching;
      const [place] = stagesOf(placeOf(p), codeOf(p, placeOf(p)));
      const q = questionOf(placeOf(p), place!, placeOf(p).sets[0]!);
      return code.reinforced(silent, q, { ...stage(cover), height }).capacity;
    };
    // d = 400 - 40 - 15.9 = 344.1: lambda_s = sqrt(2 / (1 + 0.004 x 344.1)) = 0.917
    const vc = 0.75 * 0.25 * Math.sqrt(30);
    expect(plain(73, 254) - plain(73, 255)).toBeCloseTo(vc * (1 - Math.sqrt(2 / (1 + 0.004 * 344.1))), 2);
  });
  it('stand on their perimeters, none of them in an opening or off the slab', () => {
    const p = project({ legs: links, edges: { left: 100 }, openings: [{ kind: 'circle', x: 420, y: 100, diameter: 220 }] });
    const [stage] = stagesOf(placeOf(p), codeOf(p, placeOf(p)));
    expect(stage!.placed!.legs).toHaveLength(36);
    expect(stage!.placed!.moved).toBeGreaterThan(0);
    const hole = openingLoop(placeOf(p).openings[0]!);
    for (const { at } of stage!.placed!.legs) {
      expect(isInsideLoop(at, hole)).toBe(false);
      expect(at[0]).toBeGreaterThan(-(200 + 100));
    }
    const moved = check(design({ legs: links, edges: { left: 100 }, openings: placeOf(p).openings }), 'legs-placed');
    expect(moved.reason).toMatch(/moved aside/);
  });
  it('rails lose the studs that an opening takes, and only what is there counts', () => {
    const studs = { kind: 'studs', size: '8', legs: 12, perimeters: 4, first: 80, spacing: 150 };
    const openings = [{ kind: 'rectangle', x: 450, y: 0, b: 250, h: 250 }];
    const areaOf = (more: object) => {
      const p = project({ legs: studs, ...more });
      return stagesOf(placeOf(p), codeOf(p, placeOf(p)))[0]!.steel!.area;
    };
    const cut = design({ legs: studs, openings });
    expect(areaOf({ openings })).toBeLessThan(areaOf({}));
    expect(check(cut, 'legs-placed').reason).toMatch(/left out and not counted/);
  });
  it('each rule for their places is told apart', () => {
    const failed = (legs: object, code: object = EN) =>
      design({ legs: { ...links, ...legs }, sets: [{ name: 'U1', V: 600 }] }, code)
        .checks.filter((c) => c.status === 'exceeds')
        .map((c) => c.id);
    expect(failed({ first: 150 })).toContain('leg-first');
    expect(failed({ first: 40 })).toContain('leg-first-near');
    expect(failed({ spacing: 200 })).toContain('leg-spacing');
    expect(failed({ legs: 5 })).toContain('leg-across');
    expect(failed({ perimeters: 1 })).toContain('leg-perimeters');
    expect(failed({ size: '8', legs: 4 })).toContain('reinforced');
    expect(failed({ size: 'No.10', spacing: 130 }, ACI)).toContain('leg-spacing');
  });
  it.each([EN, ACI])('chosen ones hold, and none are chosen where the slab carries alone (%j)', (code) => {
    for (const kind of ['links', 'studs'] as const) {
      const p = project({ sets: [{ name: 'U1', V: 780 }] }, code);
      const legs = chooseLegs(placeOf(p), codeOf(p, placeOf(p)), kind)!;
      expect(legs.kind).toBe(kind);
      const r = designNow(p, { ...placeOf(p), legs });
      expect(r.checks.filter((c) => c.status === 'exceeds' || c.status === 'failed')).toEqual([]);
    }
    const light = project({ sets: [{ name: 'U1', V: 150 }] }, code);
    expect(chooseLegs(placeOf(light), codeOf(light, placeOf(light)))).toBeNull();
  });
});

describe('least top bars to ACI', () => {
  const bars = { size: 'No.16', spacing: 125 };
  it('are counted within one and a half depths beyond the column, as far as there is slab', () => {
    // Column 400 x 300, h 250: along x within 300 + 2 * 375 = 1050 mm; 199 / 125 * 1050 = 1672 mm2
    const r = design({ sets: [{ name: 'U1', V: 480 }] }, ACI);
    expect(check(r, 'least-bars-x').capacity!.value).toBeCloseTo((199 / 125) * 1050, 0);
    const edge = design({ sets: [{ name: 'U1', V: 480 }], edges: { bottom: 100 } }, ACI);
    expect(check(edge, 'least-bars-x').capacity!.value).toBeCloseTo((199 / 125) * (300 + 100 + 375), 0);
  });
  it('are asked for only where the shear is large, and said when they are missing', () => {
    expect(design({ sets: [{ name: 'U1', V: 150 }] }, ACI).checks.some((c) => c.id.startsWith('least-bars'))).toBe(false);
    const few = design({ sets: [{ name: 'U1', V: 520 }], barsX: { ...bars, spacing: 300 } }, ACI);
    expect(check(few, 'least-bars-x').reason).toMatch(/^Top bars along x within 1.050 mm: at least/);
    expect(design().checks.some((c) => c.id.startsWith('least-bars'))).toBe(false);
  });
});

describe('a thicker part around the column', () => {
  it('is checked at the column with its depth and around it with that of the slab', () => {
    const r = design({ drop: { cx: 1400, cy: 1400, depth: 150 }, sets: [{ name: 'U1', V: 700 }], momentsBy: 'position' });
    expect(r.stages.map((s) => [s.id, s.d])).toEqual([
      ['column', 359],
      ['drop', 209],
    ]);
    // Around it: u1 = 4 * 1400 + 4 pi 209 = 8226.4; 1.15 * 700e3 / (8226.4 * 209) = 0.4682
    expect(check(r, 'drop-plain').demand!.value).toBeCloseTo(0.4682, 3);
    expect(check(r, 'plain').utilisation!).toBeLessThan(
      check(design({ sets: [{ name: 'U1', V: 700 }], momentsBy: 'position' }), 'plain').utilisation!,
    );
  });
});

describe('bad input is refused at its field', () => {
  const fault = (change: object) => design(change).faults[0];
  it.each([
    ['openings[0]', { openings: [{ kind: 'rectangle', x: 150, y: 0, b: 200, h: 200 }] }, /over the column/],
    ['edges.left', { edges: { left: -50 } }, /off the slab/],
    ['barsX.spacing', { barsX: { size: '16', spacing: 0 } }, /Top bars/],
    ['barsY.size', { barsY: { size: '17', spacing: 100 } }, /No bar "17"/],
    ['sets', { sets: [] }, /No forces yet/],
    ['sets[0].V', { sets: [{ name: 'U1', V: -20 }] }, /above zero/],
    ['h', { h: 20 }, /deep/],
    ['legs.legs', { legs: { kind: 'links', size: '10', legs: 2, perimeters: 3, first: 80, spacing: 100 } }, /4 to 200/],
    ['beta', { momentsBy: 'given', beta: 0.5 }, /factor on the shear/],
    ['drop', { drop: { cx: 200, cy: 200, depth: 100 } }, /at least as wide/],
    ['corner', { corner: { x: 0, y: 0 } }, /within the column/],
  ])('%s', (path, change, words) => {
    expect(fault(change)).toMatchObject({ path, reason: expect.stringMatching(words) as string });
  });
  it('what the code has no rule for is said, with the way out', () => {
    const r = design({ corner: { x: 200, y: 150 } });
    expect(r.stages[0]!.position).toBe('reentrant');
    expect(check(r, 'plain')).toMatchObject({ status: 'failed', reason: expect.stringMatching(/give a factor/) as string });
    expect(check(design({ corner: { x: 200, y: 150 }, momentsBy: 'given', beta: 1.3 }), 'plain').utilisation).toBeGreaterThan(0);
  });
});

it('the demo’s places hold, are drawn, reported and written to a file unchanged', () => {
  const read = readProject(JSON.parse(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8')));
  if (!read.ok) throw new Error('demo');
  const places = read.project.members.filter((m): m is PunchingMember => m.type === 'punching');
  expect(places.map((m) => m.mark)).toEqual(['SP1', 'SP2', 'SP3']);
  // Worked by hand, step by step, in docs/theory/punching.md.
  const byHand: Record<string, Record<string, readonly [demand: number, capacity: number]>> = {
    SP1: { reinforced: [0.878, 1.346], face: [2.43, 6.02], outside: [5245, 7459] },
    SP2: { reinforced: [0.832, 1.31] },
    SP3: { plain: [0.723, 0.792], face: [1.63, 6.02] },
  };
  for (const place of places) {
    const result = designNow(read.project, place, 'all');
    expect(result.checks.filter((c) => c.status === 'exceeds' || c.status === 'failed')).toEqual([]);
    for (const [id, [demand, capacity]] of Object.entries(byHand[place.mark]!)) {
      expect(check(result, id).demand!.value / demand).toBeCloseTo(1, 2);
      expect(check(result, id).capacity!.value / capacity).toBeCloseTo(1, 2);
    }
    expect(result.checks.filter((c) => c.utilisation !== null).every((c) => c.derivation === undefined || c.derivation.length > 0)).toBe(
      true,
    );
    const drawing = punchingDrawing({ place, code: codeOf(read.project, place), labels: punchingLabels(read.project, place) }, 700, 500);
    for (const s of drawing.shapes)
      for (const [x, y] of s.kind === 'path' ? s.points : [s.at]) expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true);
    expect(kindOf(place).figures(place, result, read.project)).toHaveLength(1);
    expect(JSON.stringify(resultsToJson(read.project, [{ member: place, result }]))).not.toMatch(/NaN|null,"unit"/);
  }
  const again = readProject(JSON.parse(writeProject(read.project)));
  expect(again.ok && again.project.members).toEqual(read.project.members);
});
