import { silent } from '@/core/calc/calc';
import { columnLap } from '@/core/codes/aci318/column-laps';
import { makeCode } from '@/core/codes/registry';
import { columnModel, type ColumnModel } from '@/core/members/column/section';
import type { ColumnMember } from '@/core/members/column/input';
import type { ColumnResult } from '@/core/members/column/result';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import { barStressRays, barStressUnder } from '@/core/section/bar-stress-regions';
import { capacityAlongRay } from '@/core/section/capacity';
import { criticalPoints, strainAtLimit } from '@/core/section/critical-points';

const aci = { id: 'aci318', variant: 'SI', choices: {} };
const code = makeCode(aci);
const projectOf = (member: object, choices: object = {}) => {
  const base = {
    type: 'column',
    shape: { kind: 'rectangle', b: 400, h: 500 },
    height: 3600,
    cover: 40,
    catalogue: 'softMetric',
    sustained: 0.5,
  };
  const bars = { kind: 'sides', corner: 'No.25', alongX: 1, sizeX: 'No.25', alongY: 1, sizeY: 'No.22' };
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code: { ...aci, choices },
    members: [{ ...base, bars, ties: { size: 'No.10', spacing: 250 }, ...member }],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
};
const lapOf = (sets: object[], choices: object = {}) => {
  const p = projectOf({ sets }, choices);
  return (designNow(p, p.members[0]!) as ColumnResult).checks.find((c) => c.id === 'lap-length')!;
};

describe('laps of a column to ACI 318, worked by hand', () => {
  const question = (fy: number, fc: number) => ({
    materials: { ...code.defaults, steelStrength: fy, concreteStrength: fc },
    diameter: 25.4,
    isTop: false,
    h: 3600,
    cover: 49.5,
    clear: 120,
    isBent: false,
  });
  test('in compression: 0.071 x 420 x 25.4 = 757 mm; (0.13 x 500 - 24) x 25.4 = 1041 mm; a third more below 21 MPa', () => {
    const of = (fy: number, fc: number) => columnLap(silent, question(fy, fc), 'compression', 'all', 'SI').length;
    expect(of(420, 30)).toBeCloseTo(757.4, 1);
    expect(of(500, 30)).toBeCloseTo(1041.4, 1);
    expect(of(420, 20)).toBeCloseTo((757.4 * 4) / 3, 0);
  });
  test('class A is ld, class B 1.3 ld; above half of fy staggering does not help', () => {
    const of = (stress: 'upToHalf' | 'aboveHalf', share: 'all' | 'half') => columnLap(silent, question(420, 30), stress, share, 'SI');
    expect(of('upToHalf', 'all').length / of('upToHalf', 'half').length).toBeCloseTo(1.3, 9);
    expect(of('aboveHalf', 'half').length).toBe(of('aboveHalf', 'all').length);
    expect(of('upToHalf', 'half').name).toMatch(/class A/);
  });
});

describe('regions of bar stress', () => {
  const model: ColumnModel = columnModel(projectOf({ sets: [{ name: 'L', N: 1 }] }).members[0] as ColumnMember, code);
  const { surface } = model;
  const { yield: fy, modulus } = surface.basis.steel;

  test('the rays in the plane of an axis are those of the critical points', () => {
    for (const direction of [0, Math.PI / 2]) {
      const rays = barStressRays(surface, direction);
      const at = (name: string) => criticalPoints(surface, direction).find((p) => p.name === name)!.point;
      const angle = (name: string) => Math.atan2(Math.hypot(at(name).Mx, at(name).My), at(name).N);
      expect(rays.none).toBeCloseTo(angle('furthest bars without stress'), 6);
      expect(rays.half).toBeCloseTo(angle('furthest bars at half of yield'), 6);
      expect(rays.half).toBeGreaterThan(rays.none);
    }
  });
  test('any N, Mx, My: as the strain of the furthest bar says where N and M have grown to the limit', () => {
    let seed = 7;
    const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    const seen = new Set<string>();
    for (let i = 0; i < 300; i += 1) {
      const direction = 2 * Math.PI * random();
      const angle = Math.PI * random();
      const [N, M] = [1e6 * Math.cos(angle), 300e6 * Math.sin(angle)];
      const [Mx, My] = [M * Math.sin(direction), M * Math.cos(direction)];
      const u = capacityAlongRay(surface, N, Mx, My);
      const p = surface.capacity((N / u) * (1 - 1e-9), Mx / u, My / u);
      if (!p) continue;
      const strain = Math.min(...model.section.bars.map((b) => strainAtLimit(surface, p, b.x, b.y)));
      const stress = -strain * modulus;
      const found = barStressUnder(surface, N, Mx, My);
      seen.add(found);
      // Near a border the table of directions may fall to either side.
      if (Math.abs(stress) < 0.04 * fy || Math.abs(stress - fy / 2) < 0.04 * fy) continue;
      expect([i, found]).toEqual([i, stress <= 0 ? 'compression' : stress <= fy / 2 ? 'upToHalf' : 'aboveHalf']);
    }
    expect(seen.size).toBe(3);
  });
});

describe('on the ladder', () => {
  const pressed = { name: 'P', N: 2500, mxTop: 30, mxBottom: 20 };
  const bent = { name: 'B', N: 300, mxTop: 190, mxBottom: 60 };
  test('all sets press: a compression lap; one that bends: class B, named with its set', () => {
    expect(lapOf([pressed]).title).toMatch(/in compression/);
    expect(lapOf([pressed, bent])).toMatchObject({ title: expect.stringMatching(/class B, tension above/), combination: 'B' });
    expect(lapOf([bent, pressed]).demand!.value).toBe(lapOf([pressed, bent]).demand!.value);
    expect(lapOf([pressed, bent]).demand!.value).toBeGreaterThan(lapOf([pressed]).demand!.value);
  });
  test('half of the bars at one level is a choice that shortens laps up to half of fy only', () => {
    expect(lapOf([bent], { lapsTogether: 'half' }).demand!.value).toBe(lapOf([bent]).demand!.value);
  });
});
