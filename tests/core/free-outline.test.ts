import fc from 'fast-check';
import { silent } from '@/core/calc/calc';
import { makeCode } from '@/core/codes/registry';
import {
  bandsFrom,
  formworkOf,
  freeSection,
  grossProperties,
  isSymmetric,
  outlinePoints,
  type BeamOutline,
} from '@/core/geometry/beam-outline';
import { outlineProperties, type Loop } from '@/core/geometry/polygon';
import type { BeamResult } from '@/core/members/beam/result';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { readProject } from '@/core/project/read';
import { plainSection } from '@/core/members/beam/prepared';

const trapezium: Loop = [
  [-125, 0],
  [125, 0],
  [225, 600],
  [-225, 600],
];
const tee: BeamOutline = { shape: 'T', b: 300, h: 550, flangeWidth: 1100, flangeDepth: 150 };

function project(section: object, code: object = { id: 'en1992', variant: 'uk' }, more: object = {}): Project {
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code,
    members: [
      {
        section,
        spans: [{ length: 7000 }, { length: 6000 }],
        supports: [{ width: 300 }, { width: 300 }, { width: 300 }],
        cases: [
          { id: 'G', nature: 'permanent' },
          { id: 'Q', nature: 'imposed', category: 'B' },
        ],
        loads: [
          { type: 'uniform', case: 'G', value: 15 },
          { type: 'uniform', case: 'Q', value: 12 },
        ],
        ...more,
      },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const design = (p: Project) => designNow(p, p.members[0]!, 'all') as BeamResult;

describe('a free outline', () => {
  it('stands about its web wherever its coordinates have their origin, and gives the same figures', () => {
    const figures = [0, 700, -12_345].map((dx) => {
      const section = freeSection(trapezium.map(([x, y]) => [x + dx, y - 900]));
      expect([section.b, section.h, isSymmetric(section)]).toEqual([250, 600, true]);
      return design(project({ shape: 'free', points: trapezium.map(([x, y]) => [x + dx, y - 900]) })).checks.map((c) =>
        c.utilisation?.toFixed(6),
      );
    });
    expect(figures[1]).toEqual(figures[0]);
    expect(figures[2]).toEqual(figures[0]);
    expect(figures[0]!.length).toBeGreaterThan(10);
  });
  it('of two webs takes the wider one, and an axis that runs through a web stays', () => {
    // Webs of 200 and 300 mm under a slab of 150, the axis between them.
    const twoWebs: Loop = [
      [-600, 0],
      [-400, 0],
      [-400, 450],
      [300, 450],
      [300, 0],
      [600, 0],
      [600, 600],
      [-600, 600],
    ];
    const section = freeSection(twoWebs);
    expect(section.b).toBe(300);
    expect(Math.max(...section.points!.map((p) => p[0]))).toBe(150);
    expect(freeSection(twoWebs.map(([x, y]) => [x + 500, y])).b).toBe(200);
  });
  it('has the web that runs through its whole depth, and starts at its lowest corner', () => {
    const s = freeSection(trapezium.map(([x, y]) => [x, y + 40]));
    expect([s.b, s.h]).toEqual([250, 600]);
    expect(Math.min(...s.points!.map((p) => p[1]))).toBe(0);
    // A T drawn corner by corner is the T.
    expect(freeSection(outlinePoints(tee)).b).toBe(300);
    // A slanted strip has no upright one in it: no web.
    expect(freeSection([[0, 0], [200, 0], [600, 500], [400, 500]]).b).toBe(0); // prettier-ignore
  });

  it('trapezium by hand: area, centroid, second moment', () => {
    // a = 250, c = 450, h = 600: A = 210 000; from the bottom h (a + 2c) / (3 (a + c)) = 600 * 1150 / 2100 = 328.57
    // I = h3 (a2 + 4ac + c2) / (36 (a + c)) = 2.16e8 * (62 500 + 450 000 + 202 500) / 25 200 = 6.1286e9
    const g = grossProperties(freeSection(trapezium));
    expect(g.area).toBeCloseTo(210_000, 6);
    expect(g.centroid).toBeCloseTo(328.57, 0);
    expect(g.inertia / 6.1286e9).toBeCloseTo(1, 2);
  });

  it('bands from either face add up to the polygon, on 200 random outlines with sloping sides', () => {
    const side = fc.array(fc.tuple(fc.integer({ min: 60, max: 400 }), fc.integer({ min: 40, max: 200 })), { minLength: 2, maxLength: 5 });
    fc.assert(
      fc.property(side, (steps) => {
        let y = 0;
        const right = steps.map(([x, dy], i) => [x, (y += i === 0 ? 0 : dy)] as const);
        const points: Loop = [...right, ...right.map(([x, at]) => [-x, at] as const).reverse()];
        const s = freeSection(points);
        const { area } = outlineProperties({ outer: points, holes: [] });
        for (const face of ['top', 'bottom'] as const) {
          const bands = bandsFrom(face, s);
          expect(bands.reduce((sum, b) => sum + b.width * (b.to - b.from), 0)).toBeCloseTo(area, 3);
          expect(bands[0]!.from).toBeCloseTo(0, 9);
          expect(bands.at(-1)!.to).toBeCloseTo(s.h, 9);
        }
        expect(s.b).toBeCloseTo(2 * Math.min(...steps.map(([x]) => x)), 9);
        expect(isSymmetric(s)).toBe(true);
      }),
      { numRuns: 200 },
    );
  });

  it('formwork is the sides and the underside', () => {
    expect(formworkOf({ ...tee, shape: 'rectangular' })).toBe(300 + 2 * 550);
    expect(formworkOf(tee)).toBe(300 + 2 * 400 + 800 + 300);
  });

  it.each([{ id: 'en1992', variant: 'recommended' } as const, { id: 'aci318', variant: 'SI' } as const])(
    'steel needed for a T drawn freely is that of the closed form (%j)',
    (settings) => {
      const code = makeCode({ ...settings, choices: {} });
      const { materials } = project(tee, settings).members[0] as BeamMember;
      for (const sense of ['sagging', 'hogging'] as const)
        for (const moment of [50e6, 200e6, 340e6]) {
          const need = (o: BeamOutline) =>
            code.bendingSteel(silent, { moment, section: plainSection(o, sense), d: 500, d2: 50, materials, delta: 1, singlyOnly: false })
              .tension;
          expect(need(freeSection(outlinePoints(tee))) / need(tee)).toBeCloseTo(1, 6);
        }
    },
  );

  it('a T drawn freely is designed as the T: bars, moments and utilisations of bending and shear', () => {
    const [drawn, given] = [design(project({ shape: 'free', points: outlinePoints(tee) })), design(project(tee))];
    expect(drawn.faults).toEqual([]);
    expect(drawn.steel).toEqual(given.steel);
    for (const check of given.checks.filter((c) => /^(bending|shear|crack|deflection)-/.test(c.id))) {
      const same = drawn.checks.find((c) => c.id === check.id);
      expect(same?.utilisation).toBeCloseTo(check.utilisation!, 6);
    }
    expect(drawn.checks.some((c) => c.status === 'notCovered' && /parts beside it/.test(c.title))).toBe(true);
  });

  it('a trapezium holds with the bars chosen for it; the wider face carries more', () => {
    const result = design(project({ shape: 'free', points: trapezium }));
    expect(result.checks.filter((c) => c.status === 'exceeds' || c.status === 'failed')).toEqual([]);
    const code = makeCode({ id: 'en1992', variant: 'recommended', choices: {} });
    const s = freeSection(trapezium);
    const { materials } = project(tee).members[0] as BeamMember;
    const need = (sense: 'sagging' | 'hogging') =>
      code.bendingSteel(silent, { moment: 250e6, section: plainSection(s, sense), d: 550, d2: 50, materials, delta: 1, singlyOnly: false })
        .tension;
    expect(need('sagging')).toBeLessThan(need('hogging'));
  });

  it('bad outlines are refused in words', () => {
    const fault = (points: Loop, more: object = {}) => design(project({ shape: 'free', points }, undefined, more)).faults[0]!;
    expect(fault([[0, 0], [300, 0]])).toMatchObject({ path: 'section.points', reason: expect.stringMatching(/three corners/) as string }); // prettier-ignore
    expect(fault([[-100, 0], [100, 400], [100, 0], [-100, 400]]).reason).toMatch(/cross/); // prettier-ignore
    expect(fault([[0, 0], [200, 0], [600, 500], [400, 500]]).reason).toMatch(/No upright strip/); // prettier-ignore
    expect(fault(trapezium.map(([x, y]) => [x / 6, y])).reason).toMatch(/too narrow/);
    expect(fault(trapezium, { spans: [{ length: 7000, section: { h: 500 } }, { length: 6000 }] }).reason).toMatch(/same in all spans/);
  });
});
