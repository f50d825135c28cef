import { addPressure, noLoads } from '@/core/analysis/plates/plate-loads';
import { meshOf } from '@/core/analysis/plates/mesh';
import { plateModel } from '@/core/analysis/plates/plate-model';
import { ribForces, ribLine, ribStiffness, type Rib } from '@/core/analysis/plates/ribs';
import { supportsOf, type LineSupport } from '@/core/analysis/plates/supports';
import { evenRigidity } from '@/core/analysis/plates/triangle';
import { flangeOf, ribInertia } from '@/core/members/plate/beams';
import type { PlateBeam } from '@/core/members/plate/input';
import { plateFaults } from '@/core/members/plate/faults';
import { strengthAlone } from '@/core/members/plate/design-plate';
import { codeOf } from '@/core/members/member';
import { box, type Point } from '@/core/geometry/polygon';
import { corners, slabOf, slabs } from './plate-slabs';

const beam = (more: Partial<PlateBeam> = {}): PlateBeam => ({
  name: 'B1',
  x1: 0,
  y1: 0,
  x2: 6000,
  y2: 0,
  b: 300,
  h: 500,
  counts: 'T',
  flange: 1500,
  ...more,
});

describe('stiffness of a beam beyond that of the slab', () => {
  test('a T by hand', () => {
    // Flange 1500 x 200 at 100, web 300 x 300 at 350: axis at (30.0 + 31.5)e6 / 390e3 = 157.7 mm from above.
    // (1500 x 200^3 + 300 x 300^3) / 12 + 300e3 x 57.7^2 + 90e3 x 192.3^2 = 6002e6, less 1500 x 200^3 / 12 = 1000e6 mm4.
    expect(ribInertia(beam(), 200) / 5002e6).toBeCloseTo(1, 3);
    // b and a fifth of 6 m.
    expect(flangeOf(beam({ flange: null }))).toBe(1500);
  });
  test('a rib about the middle of the slab: 300 (500^3 - 200^3) / 12', () => {
    expect(ribInertia(beam({ counts: 'rib' }), 200)).toBeCloseTo(2925e6, -3);
    expect(flangeOf(beam({ counts: 'rib' }))).toBe(300);
  });
});

/** A strip on two edges 6 m apart, 1 m wide, with a rib along its middle; turned about the origin by an angle. */
function strip(angle: number, bending: number) {
  const turned = ([x, y]: Point): Point => [x * Math.cos(angle) - y * Math.sin(angle), x * Math.sin(angle) + y * Math.cos(angle)];
  const outline = box(0, 0, 6000, 1000).map(turned);
  const rigidity = evenRigidity(30_000, 0, 200);
  const rib: Rib = { piece: [turned([0, 500]), turned([6000, 500])], bending };
  const lines: LineSupport[] = [1, 3].map((k) => ({ piece: [outline[k]!, outline[(k + 1) % 4]!], how: 'soft' }));
  const mesh = meshOf({ outline: { outer: outline, holes: [] }, lines: [rib.piece], points: [turned([3000, 500])], sizeAt: () => 250 });
  const model = plateModel(mesh, () => rigidity, {
    ...supportsOf(mesh, lines, [], rigidity.bending[0]),
    ribs: bending > 0 ? ribStiffness(mesh, rib) : [],
  });
  const loads = noLoads(model.unknowns);
  addPressure(loads, mesh, () => 0.01);
  const state = model.solve(loads);
  const line = ribLine(mesh, rib);
  const middle = line.at.findIndex((s) => Math.abs(s - 3000) < 1);
  return { state, line, middle, forces: ribForces(line, bending, state.moved), w: state.moved[3 * line.nodes[middle]!]! };
}

describe('a strip with a beam along its middle', () => {
  // EI of the strip 30 000 x 1000 x 200^3 / 12 = 2e13; the rib three times as much.
  const EI = 2e13;
  test.each([0, 0.6, Math.PI / 2])('bends as both together do, and shares its moment as they share stiffness, turned by %f', (angle) => {
    const { w, forces, middle, state } = strip(angle, 3 * EI);
    // 5 x 10 x 6000^4 / (384 x 8e13) = 2.109 mm; the plate shears besides.
    expect(w / 2.109).toBeGreaterThan(0.99);
    expect(w / 2.109).toBeLessThan(1.03);
    // 10 x 6^2 / 8 = 45 kNm, three quarters of it in the rib.
    expect(forces.moments[middle]! / 33.75e6).toBeGreaterThan(0.97);
    expect(forces.moments[middle]! / 33.75e6).toBeLessThan(1.03);
    expect(state.held.reduce((sum, v, i) => (i % 3 === 0 ? sum + v : sum), 0) / 60_000).toBeCloseTo(1, 6);
  });
  test('its shears are the slopes of its moments and turn their sign in the middle', () => {
    const { line, forces, middle } = strip(0, 3 * EI);
    const first = forces.shears[1]!;
    const mirrored = forces.shears.at(-2)!;
    expect(first).toBeGreaterThan(0);
    expect(mirrored / -first).toBeCloseTo(1, 1);
    // M(s) = 0.75 x 10 s (6 - s) / 2
    for (let k = 2; k < middle; k += 1) {
      const s = line.at[k]!;
      expect(Math.abs(forces.moments[k]! / ((0.75 * 10 * s * (6000 - s)) / 2) - 1)).toBeLessThan(0.06);
    }
  });
  test('without stiffness it is not there', () => {
    expect(strip(0, 0).w / ((5 * 10 * 6000 ** 4) / (384 * EI))).toBeCloseTo(1, 1);
  });
});

describe('a slab on beams and columns', () => {
  const column = (x: number, y: number) => ({ x, y, shape: { kind: 'rectangle', b: 300, h: 300 }, below: 0, above: 0 });
  const onBeams = slabs((more) => ({
    h: 160,
    meshSize: 400,
    outline: corners(box(-150, -150, 6150, 4150), ['free', 'free', 'free', 'free']),
    columns: [column(0, 0), column(6000, 0), column(6000, 4000), column(0, 4000)],
    beams: [beam({ h: 500, flange: 1000 }), beam({ name: 'B2', y1: 4000, y2: 4000, h: 500, flange: 1000 })],
    loads: [{ type: 'uniform', case: 'G', value: 5 }],
    bars: { extra: [] },
    ...more,
  }));
  const strength = (more: object = {}) => {
    const p = onBeams.project(more);
    return strengthAlone(slabOf(p), codeOf(p, slabOf(p)));
  };
  const r = strength();

  test('the beams carry most of w l2 / 8 between them, the slab over its flange with them, and all comes down in the columns', () => {
    // 1.35 (0.16 x 25 + 5) = 12.15 kN/m2 on 6.3 x 4.3 m, and twice 1.35 x 0.3 x 0.34 x 25 = 3.44 kN/m of beams, 6 m long.
    const total = 12.15 * 6.3 * 4.3 + 2 * 3.4425 * 6;
    expect(r.columns.reduce((sum, c) => sum + c.forces[0]!.V, 0) / (total * 1e3)).toBeCloseTo(1, 4);
    // Half of the slab: (12.15 x 4.3 / 2 + 3.44) 6^2 / 8 = 133.1 kNm, less what the slab between carries itself and the 0.15 m beyond the columns.
    for (const b of r.beams) {
      expect(b.sagging.moment / 133.1e6).toBeGreaterThan(0.8);
      expect(b.sagging.moment / 133.1e6).toBeLessThan(1.02);
      expect(Math.abs(b.sagging.at - 3000)).toBeLessThan(450);
      expect(b.flange).toBe(1000);
    }
    expect(r.beams[0]!.sagging.moment / r.beams[1]!.sagging.moment).toBeCloseTo(1, 2);
  });
  test('the slab spans between them: w 4^2 / 8 along y and little along x; a deep beam takes more', () => {
    const along = (of: typeof r, a: string) => of.sections.find((s) => s.face === 'bottom' && s.along === a)!.moment;
    // 12.15 x 16 / 8 = 24.3 kNm/m
    expect(along(r, 'y') / 24.3e3).toBeGreaterThan(0.85);
    expect(along(r, 'y') / 24.3e3).toBeLessThan(1.15);
    const deep = strength({ beams: [beam({ h: 1200, flange: 1000 }), beam({ name: 'B2', y1: 4000, y2: 4000, h: 1200, flange: 1000 })] });
    expect(deep.beams[0]!.sagging.moment).toBeGreaterThan(r.beams[0]!.sagging.moment);
  });
  test('punching is not looked at where beams run into columns, and that and their bars are said to be left open', () => {
    expect(r.columns.every((c) => c.place === null)).toBe(true);
    const open = r.checks.filter((c) => c.status === 'notCovered').map((c) => c.title);
    expect(open.some((t) => t.startsWith('Bars and links of beams'))).toBe(true);
    expect(open.some((t) => t.startsWith('Punching where beams'))).toBe(true);
    // 6.3 x 4.3 x 0.16 and twice 6 x 0.3 x 0.34 m3
    expect(r.quantities!.concrete / 1e9).toBeCloseTo(4.334 + 1.224, 2);
  });
  test('what cannot be is said at its field', () => {
    const fault = (more: Partial<PlateBeam>) => {
      const p = onBeams.project({ beams: [beam(more)] });
      return plateFaults(slabOf(p), codeOf(p, slabOf(p))).map((f) => f.path);
    };
    expect(fault({ h: 150 })).toEqual(['beams[0].h']);
    expect(fault({ y1: 9000, y2: 9000 })).toEqual(['beams[0].x1']);
    expect(fault({ x2: 100 })).toEqual(['beams[0].x1']);
    expect(fault({ flange: 200 })).toEqual(['beams[0].flange']);
    expect(fault({ b: 10 })).toEqual(['beams[0].b']);
    expect(fault({})).toEqual([]);
  });
});
