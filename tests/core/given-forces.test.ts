import { silent } from '@/core/calc/calc';
import type { BendingSection } from '@/core/codes/design-code';
import { makeCode } from '@/core/codes/registry';
import { outlinePoints } from '@/core/geometry/beam-outline';
import type { BeamResult } from '@/core/members/beam/result';
import { designNow } from '@/core/project/design-member';
import type { BeamMember } from '@/core/members/beam/input';
import { guessReadings, leftOut, readTable } from '@/exchange/mapped-table';
import { forceVocabulary, readForces, type ForcesOptions } from '@/exchange/paste-forces';
import { criticalPoints } from '@/core/section/critical-points';
import { polygonSection } from '@/core/section/polygon-section';
import { ResistanceSurface } from '@/core/section/resistance-surface';
import { firstMember, projectOf } from '../ui/fixtures';

const uk = makeCode({ id: 'en1992', variant: 'uk', choices: {} });
const aci = makeCode({ id: 'aci318', variant: 'SI', choices: {} });
const materials = (code: typeof uk, concreteStrength: number) => ({ ...code.defaults, concreteStrength });

/** 300 x 500 mm with steel at the given depths. */
const section = (layers: BendingSection['layers'], axial?: number): BendingSection => ({
  h: 500,
  b: 300,
  bw: 300,
  hf: 0,
  tensionWidth: 300,
  grossArea: 150_000,
  strips: [{ from: 0, to: 500, width: 300 }],
  layers,
  ...(axial === undefined ? {} : { axial }),
});
const AS = 1256.64;

describe('bending with an axial force, worked by hand', () => {
  test('EN 1992: 300 x 500, 4H20 at 450 mm, C30/37, 200 kN compression', () => {
    // fcd = 0.85 x 30/1.5 = 17.0, fyd = 500/1.15 = 434.78 MPa. Balance: 0.8 x 300 x 17 x = 1256.64 x 434.78 + 200 000 = 746 365 N,
    // so 0.8 x = 146.35 mm and x = 182.93 mm. About the centroid at 250 mm:
    // M = 746 365 (250 - 73.17) + 546 365 (450 - 250) = 131.98 + 109.27 = 241.25 kNm.
    const r = uk.bendingResistance(silent, section([{ depth: 450, area: AS }], 200e3), materials(uk, 30))!;
    expect(r.x).toBeCloseTo(182.93, 1);
    expect(r.moment / 1e6).toBeCloseTo(241.25, 1);
  });
  test('ACI 318: the same, f′c 30 MPa, fy 420 MPa', () => {
    // Pn = 200/0.9 = 222.2 kN. 0.85 x 30 x 300 a = 1256.64 x 420 + 222 222 = 750 011 N, a = 98.04 mm, c = a/0.8357 = 117.3 mm,
    // strain 0.003 (450 - 117.3)/117.3 = 0.0085, phi = 0.9. Mn = 750 011 (250 - 49.02) + 527 789 x 200 = 256.3, phi Mn = 230.7 kNm.
    const m = { ...materials(aci, 30), steelStrength: 420 };
    const r = aci.bendingResistance(silent, section([{ depth: 450, area: AS }], 200e3), m)!;
    expect(r.moment / 1e6).toBeCloseTo(230.7, 1);
  });
  test('tension beyond all bars, and compression that presses the whole section, leave none', () => {
    const layers = [
      { depth: 50, area: 400 },
      { depth: 450, area: AS },
    ];
    expect(uk.bendingResistance(silent, section(layers, -(400 + AS) * 434.8 - 1000), materials(uk, 30))).toBeUndefined();
    expect(uk.bendingResistance(silent, section(layers, 5e6), materials(uk, 30))).toBeUndefined();
  });
});

describe('bending with an axial force against the section engine of columns', () => {
  const cases = [-250e3, -100e3, 0, 80e3, 300e3, 600e3];
  test.each([
    ['EN 1992', uk, 1e-3],
    ['ACI 318', aci, 1e-3],
  ] as const)('%s, at the same axial force', (_, code, tolerance) => {
    const m = materials(code, 30);
    const layers = [
      { depth: 50, area: 402 },
      { depth: 450, area: AS },
    ];
    const at = (y: number, area: number) => [-100, 100].map((x) => ({ x, y, area: area / 2, diameter: 20 }));
    const outline = outlinePoints({ shape: 'rectangular', b: 300, h: 500, flangeWidth: 0, flangeDepth: 0 });
    const polygon = polygonSection({ outer: outline, holes: [] }, [...at(450, 402), ...at(50, AS)]);
    const ultimate = code.column.ultimateBasis(silent, m, 'ties');
    const surface = new ResistanceSurface(polygon, { ...ultimate, deductsDisplaced: code === aci });
    for (const N of cases) {
      const ours = code.bendingResistance(silent, section(layers, N), m)!.moment;
      const theirs = surface.capacity(N, 1, 0)!.Mx;
      // The engine of columns may take the parabola of EN 1992 where beams take the block: their difference stays below 1 %.
      expect(Math.abs(Math.abs(theirs) / ours - 1)).toBeLessThan(code === uk ? 0.01 : tolerance);
    }
  });
  test('compression below balance adds to the moment, tension takes from it, for both codes', () => {
    for (const code of [uk, aci]) {
      const moments = [-300e3, -100e3, 0, 100e3, 300e3].map(
        (N) => code.bendingResistance(silent, section([{ depth: 450, area: AS }], N), materials(code, 30))!.moment,
      );
      moments.slice(1).forEach((M, i) => expect(M).toBeGreaterThan(moments[i]!));
    }
  });
});

describe('an axial force looked at in both senses', () => {
  const bars = (bottom: number, top: number) => ({
    bottom: [{ main: { count: bottom, size: '20' } }],
    top: [{ main: { count: top, size: '12' } }],
    links: [{ zones: [{ to: 6000, size: '10', legs: 2, spacing: 150 }] }],
  });
  const axial = (row: object, given: object) => design([row as never], given).checks.find((c) => c.id === 'axial-1')!;
  test('a pull without a moment is checked, and breaks the weaker face', () => {
    // About the bottom bars (450 deep, top at 46): 2 x 113.1 x 434.78 = 98.35 kN x 404 / 200 = 198.7 kN at the centroid. Concrete pressed
    // below those bars turns a little more: at most 98.35 x 454 / 170 = 262.7 kN.
    const check = axial({ place: 'x', moment: 0, shear: 0, axial: -400 }, bars(4, 2));
    expect(check.status).toBe('exceeds');
    expect(check.capacity!.value / 1e3).toBeGreaterThan(198);
    expect(check.capacity!.value / 1e3).toBeLessThan(263);
  });
  test('a moment that stretches the strong face takes the pull off the weak one', () => {
    const use = (moment: number) => axial({ place: 'x', moment, shear: 0, axial: -400 }, bars(4, 2)).utilisation!;
    expect(use(1)).toBeGreaterThan(1);
    expect(use(60)).toBeLessThan(1);
    expect(use(-1)).toBeGreaterThan(use(1));
  });
  test('compression beyond a section in bending asks for a column', () => {
    expect(axial({ place: 'x', moment: 5, shear: 0, axial: 4000 }, bars(4, 2)).reason).toMatch(/design it as a column/);
  });
  test('turned over, with the moment turned over, the answer is the same', () => {
    for (const [moment, N] of [
      [30, -150],
      [-40, 250],
      [0, -90],
    ] as const) {
      const alike = { ...bars(3, 3), top: [{ main: { count: 3, size: '20' } }] };
      const a = axial({ place: 'x', moment, shear: 0, axial: N }, alike).utilisation!;
      expect(axial({ place: 'x', moment: -moment, shear: 0, axial: N }, alike).utilisation).toBeCloseTo(a, 6);
    }
  });
});

test('the cap on axial force is a critical point where the code has one', () => {
  const at = (y: number) => [-150, 150].map((x) => ({ x, y, area: 510, diameter: 25 }));
  const square = [
    [-200, -200],
    [200, -200],
    [200, 200],
    [-200, 200],
  ] as const;
  const polygon = polygonSection({ outer: square, holes: [] }, [...at(150), ...at(-150)]);
  const pointsOf = (code: typeof uk) => {
    const m = { ...materials(code, 30), ...(code === aci ? { steelStrength: 420 } : {}) };
    return criticalPoints(new ResistanceSurface(polygon, code.column.ultimateBasis(silent, m, 'ties')), Math.PI / 2);
  };
  // 0.65 x 0.8 x (0.85 x 30 x (160 000 - 2040) + 420 x 2040) = 2540 kN
  const cap = pointsOf(aci).find((p) => p.name === 'axial cap')!;
  expect(cap.point.N / 1e3).toBeCloseTo(2540.1, 0);
  expect(Math.abs(cap.point.Mx)).toBeGreaterThan(10e6);
  expect(pointsOf(uk).some((p) => p.name === 'axial cap')).toBe(false);
});

describe('required steel beside an axial force', () => {
  const [b, h, d, d2] = [300, 500, 450, 50];
  test.each([
    ['EN 1992', uk],
    ['ACI 318', aci],
  ] as const)('%s: the section with that steel carries the moment again', (_, code) => {
    const m = { ...materials(code, 30), ...(code === aci ? { steelStrength: 420 } : {}) };
    for (let k = 0; k < 60; k += 1) {
      const N = -300e3 + ((k * 7919) % 601) * 1e3;
      const moment = 40e6 + ((k * 104_729) % 160) * 1e6;
      const plain = section([], N);
      const { tension, compression } = code.bendingSteel(silent, {
        moment,
        section: plain,
        d,
        d2,
        delta: 1,
        materials: m,
        singlyOnly: false,
      });
      if (tension === 0 || compression > 0 || moment + N * (d - h / 2) < 0) continue;
      const built = { ...plain, layers: [{ depth: d, area: tension }] };
      expect(code.bendingResistance(silent, built, m)!.moment / moment).toBeCloseTo(1, 6);
      expect(tension * 434.8).toBeLessThan(b * h * 20);
    }
  });
  test.each([
    ['EN 1992', uk],
    ['ACI 318', aci],
  ] as const)('%s: with steel in both faces the moment comes back as well', (_, code) => {
    const m = { ...materials(code, 30), ...(code === aci ? { steelStrength: 420 } : {}) };
    for (const N of [-150e3, 100e3, 250e3]) {
      const task = { moment: 420e6, section: section([], N), d, d2, delta: 1, materials: m, singlyOnly: false };
      const { tension, compression } = code.bendingSteel(silent, task);
      expect(compression).toBeGreaterThan(0);
      const built = section(
        [
          { depth: d2, area: compression },
          { depth: d, area: tension },
        ],
        N,
      );
      expect(code.bendingResistance(silent, built, m)!.moment / 420e6).toBeCloseTo(1, 4);
    }
  });
  test('a tension between the bars of both faces: moments about the other face', () => {
    // 20 + 300 x (250 - 50) = 80 kNm over 0.4 m: 200 kN at 434.78 MPa; ACI over 0.9 x 420.
    const task = { moment: 20e6, section: section([], -300e3), d, d2, delta: 1, singlyOnly: false };
    expect(uk.bendingSteel(silent, { ...task, materials: materials(uk, 30) }).tension).toBeCloseTo(460, 1);
    const m = { ...materials(aci, 30), steelStrength: 420 };
    expect(aci.bendingSteel(silent, { ...task, materials: m }).tension).toBeCloseTo(200e3 / (0.9 * 420), 3);
  });
});

describe('shear with an axial force', () => {
  const shear = { bw: 300, d: 450, h: 500, tensionArea: AS, grossArea: 150_000 };
  const thin = { diameter: 8, area: 1, legs: 2, spacing: 300 };
  test('EN 1992: 0.15 sigma_cp on the concrete, sigma_cp at most 0.2 fcd', () => {
    const V = (axial: number) => uk.shearResistance(silent, { ...shear, axial }, thin, materials(uk, 30)).force;
    // 150 kN on 150 000 mm2 is 1 MPa: 0.15 x 1 x 300 x 450 = 20.25 kN more; the same in tension is as much less.
    expect((V(150e3) - V(0)) / 1000).toBeCloseTo(20.25, 2);
    expect((V(0) - V(-150e3)) / 1000).toBeCloseTo(20.25, 2);
    // 0.2 fcd = 0.2 x 30/1.5 = 4 MPa is the most that counts (alpha_cc is 1.0 in shear with the UK annex).
    expect((V(2000e3) - V(0)) / 1000).toBeCloseTo(0.15 * 4 * 135, 1);
    expect(V(-20e6)).toBeGreaterThanOrEqual(0);
  });
  test('ACI 318: Nu/6Ag on the concrete', () => {
    const links = { diameter: 10, area: 157, legs: 2, spacing: 200 };
    const V = (axial: number) => aci.shearResistance(silent, { ...shear, axial }, links, materials(aci, 30)).force;
    // 100 kN on 150 000 mm2 / 6 is 0.111 MPa: 0.75 x 0.111 x 300 x 450 = 11.25 kN.
    expect((V(100e3) - V(0)) / 1000).toBeCloseTo(11.25, 2);
    expect(V(-100e3)).toBeLessThan(V(0));
  });
});

const forcesProject = (forces: object[], bars = {}) =>
  projectOf({ mode: 'forces', spans: [{ length: 6000 }], supports: [{}, {}], forces, bars });
const design = (forces: object[], bars = {}) => {
  const project = forcesProject(forces, bars);
  return designNow(project, firstMember(project), 'all') as BeamResult;
};
const given = {
  bottom: [{ main: { count: 4, size: '20' } }],
  top: [{ main: { count: 2, size: '16' } }],
  links: [{ zones: [{ to: 6000, size: '8', legs: 2, spacing: 200 }] }],
};

describe('a section with known forces', () => {
  test('an axial force stands in the derivation, and moves the utilisation the right way', () => {
    const row = { place: 'x', moment: 150, shear: 80 };
    const [none, pull, push] = [0, -150, 150].map((axial) => design([{ ...row, axial }], given));
    const u = (r: BeamResult | undefined) => r!.rows[0]!.bending!;
    expect(u(pull)).toBeGreaterThan(u(none));
    expect(u(push)).toBeLessThan(u(none));
    expect(JSON.stringify(pull!.checks.find((c) => c.id === 'bending-1')!.derivation)).toContain('N_Ed');
  });
  test('bars that are chosen carry a pull', () => {
    const r = design([{ place: 'x', moment: 120, shear: 60, axial: -200 }]);
    expect(r.checks.filter((c) => c.status === 'exceeds').map((c) => c.id)).toEqual([]);
  });
  test('an axial force that leaves nothing says so', () => {
    const r = design([{ place: 'x', moment: 50, shear: 0, axial: 6000 }], given);
    expect(r.checks.find((c) => c.id === 'bending-1')!.reason).toContain('design it as a column');
  });
  test('with all bars given and no forces: what the section carries, as the checks would use it', () => {
    const r = design([], given);
    expect(r.faults).toEqual([]);
    const { sagging, hogging, shear, torsion } = r.capacities!;
    const same = design([{ place: 'x', moment: (0.5 * sagging) / 1e6, shear: (0.5 * shear) / 1000 }], given);
    expect(same.rows[0]!.bending).toBeCloseTo(0.5, 6);
    expect(same.rows[0]!.shear).toBeCloseTo(0.5, 6);
    expect(hogging).toBeLessThan(sagging);
    const twisted = design([{ place: 'x', moment: 0, shear: 0, torsion: torsion! / 1e6 }], given);
    const worst = Math.max(...twisted.checks.filter((c) => c.family === 'torsion').map((c) => c.utilisation!));
    expect(worst).toBeGreaterThan(0.9);
    expect(design([]).faults[0]!.reason).toContain('give all bars');
  });
  test('of many rows the ladder keeps the worst at each place, and every row has its figures', () => {
    const rows = Array.from({ length: 600 }, (_, i) => ({ place: `x${i % 10}`, combination: `U${i}`, moment: 100 + (i % 97), shear: 40 }));
    const r = design(rows, given);
    expect(r.rows).toHaveLength(600);
    expect(r.checks.filter((c) => c.id.startsWith('bending-'))).toHaveLength(10);
    expect(r.governing!.utilisation).toBeCloseTo(Math.max(...r.rows.map((x) => Math.max(x.bending!, x.shear!))), 12);
  });
});

describe('reading a pasted table of forces', () => {
  const read = (text: string, more: Partial<ForcesOptions> = {}) => {
    const table = readTable(text);
    const readings = guessReadings(forceVocabulary, table, 'SI');
    return { readings, ...readForces(table, { readings, system: 'SI', compressionNegative: false, saggingNegative: false, ...more }) };
  };
  test('headings with units in any order; the station becomes the place', () => {
    const { readings, rows } = read('Combo\tStation (mm)\tV (kip)\tM [kNm]\tP\nU1\t2500\t10\t-80\t5\n');
    expect(readings.map((r) => [r.role, r.unit])).toEqual([
      ['combination', ''],
      ['station', 'mm'],
      ['shear', 'kip'],
      ['moment', 'kNm'],
      ['axial', 'kN'],
    ]);
    expect(rows[0]!.value).toMatchObject({ place: '2.50 m', combination: 'U1', moment: -80e6, axial: 5000 });
    expect(rows[0]!.value!.shear).toBeCloseTo(44_482.2, 0);
  });
  test('without headings: texts are place and combination, numbers M, V, T, N', () => {
    const { rows } = read('mid\tU1\t100\t20\t3\t-4\nend\tU1\t-90\t60\t0\t-4\n', { compressionNegative: true, saggingNegative: true });
    expect(rows[0]!.value).toEqual({ place: 'mid', combination: 'U1', moment: -100e6, shear: 20e3, torsion: 3e6, axial: 4000 });
  });
  test('refused rows say why and at which column; a date is no figure', () => {
    const { rows } = read('x\tM\tV\n1\t12\tabc\n2\t\t\n3\t3/4/26\t1\n');
    expect(rows.map((r) => [r.reason, r.column])).toEqual([
      ['V: "abc" is not a number.', 2],
      ['There is no force in this row.', undefined],
      ['M: "3/4/26" is a date.', 1],
    ]);
  });
  test('a moment goes with the shear of its pair; the other pair is left out by name', () => {
    const roles = (...headings: string[]) =>
      read(`${headings.join('\t')}\n${headings.map((_, i) => i + 1).join('\t')}\n`).readings.map((r) => r.role);
    expect(roles('N', 'My', 'Mz', 'Vy', 'Vz', 'T')).toEqual(['axial', 'moment', 'skip', 'skip', 'shear', 'torsion']);
    expect(roles('P', 'V2', 'V3', 'T', 'M2', 'M3')).toEqual(['axial', 'shear', 'skip', 'torsion', 'skip', 'moment']);
    expect(roles('Mz', 'Vy')).toEqual(['moment', 'shear']);
    expect(roles('Output Case', 'My', 'V')).toEqual(['combination', 'moment', 'shear']);
    const table = readTable('N\tMy\tMz\tVy\tVz\n-5\t80\t3\t0\t44\n');
    expect(leftOut(table, guessReadings(forceVocabulary, table, 'SI'))).toEqual(['Mz']);
  });
  test('rows of one of several members alone', () => {
    const text = 'Beam\tx\tM\tV\nB1\t0\t-50\t60\nB2\t0\t-70\t80\nB1\t3\t40\t0\n';
    expect(read(text, { member: 'B1' }).rows.map((r) => r.value!.place)).toEqual(['0.00 m', '3.00 m']);
    expect(read(text).rows.map((r) => r.value!.place)).toEqual(['B1, 0.00 m', 'B2, 0.00 m', 'B1, 3.00 m']);
    const gap = `${text}\t6\t-30\t-50\n`;
    expect(read(gap, { member: 'B1' }).rows.at(-1)!.reason).toMatch(/No member is named/);
  });
  test('a combination with another number of stations is named', () => {
    const lines = ['U1', 'U2', 'U3'].flatMap((c) => [0, 1, 2].map((x) => `${c}\t${x}\t10\t5`)).slice(0, -1);
    expect(read(['Combo\tx\tM\tV', ...lines].join('\n')).uneven).toEqual([{ combination: 'U3', stations: 2, usual: 3 }]);
  });
});

test('rows of forces survive a file', () => {
  const project = forcesProject([{ place: 'x', moment: 1, shear: 2, axial: -3 }]);
  expect((project.members[0] as BeamMember).forces[0]!.axial).toBe(-3000);
});
