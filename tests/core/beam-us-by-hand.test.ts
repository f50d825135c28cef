import { beamToJson } from '@/core/members/beam/to-json';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { readProject } from '@/core/project/read';
import { resultsToJson } from '@/exchange/result-json';
import { getUnit } from '@/core/units/unit';

/** A simple beam to ACI 318-19 in US customary units, worked by hand with the coefficients of that form. */
const read = readProject({
  format: 'intarsia',
  version: 1,
  code: { id: 'aci318', variant: 'US' },
  display: 'US',
  units: { length: 'in', lineLoad: 'kip/ft', force: 'kip', moment: 'kip-ft', stress: 'psi' },
  members: [
    {
      section: { b: 12, h: 24 },
      cover: { top: 1.5, bottom: 1.5, side: 1.5 },
      spans: [{ length: '20 ft' }],
      supports: [{ width: 12 }, { width: 12 }],
      cases: [
        { id: 'D', nature: 'permanent' },
        { id: 'L', nature: 'imposed' },
      ],
      loads: [
        { type: 'uniform', case: 'D', value: 1 },
        { type: 'uniform', case: 'L', value: 1.5 },
      ],
      bars: {
        bottom: [{ main: { count: 4, size: '#7' }, extra: { bars: { count: 0, size: '#7' } } }],
        top: [{ main: { count: 2, size: '#4' } }],
        links: [{ zones: [{ to: '20 ft', size: '#3', legs: 2, spacing: 9 }] }],
      },
      choices: { compressionBars: 'ignore' },
    },
  ],
});
if (!read.ok) throw new Error(JSON.stringify(read.faults));
const project: Project = read.project;
const result = designNow(project, project.members[0] as BeamMember, 'all');
type BeamJson = ReturnType<typeof resultsToJson>['members'][number] & ReturnType<typeof beamToJson>;
const json = resultsToJson(project, [{ member: project.members[0] as BeamMember, result }]).members[0] as unknown as BeamJson;
const find = (id: string) => json.checks.find((c) => c.id === id)!;

test('loads: self-weight 12 * 24 / 144 * 0.15 = 0.3 kip/ft, U2 = 1.2 (1 + 0.3) + 1.6 * 1.5 = 3.96 kip/ft', () => {
  // M = 3.96 * 20^2 / 8 = 198 kip ft
  const bending = find('bending-span-1');
  expect(bending.demand).toEqual({ value: expect.closeTo(198, 1), unit: 'kip-ft' });
  expect(bending.combination).toBe('U2, loaded');
});

test('bending: As = 2.40 in2, d = 24 - 1.5 - 0.375 - 0.4375 = 21.69 in', () => {
  // a = 2.40 * 60 / (0.85 * 4 * 12) = 3.529 in; Mn = 144 (21.6875 - 1.7647) / 12 = 239.1 kip ft; et = 0.003 (21.69 - 4.152) / 4.152 = 0.01267 > 0.00507: phi 0.9
  expect(find('bending-span-1').capacity).toEqual({ value: expect.closeTo(0.9 * 239.07, 0), unit: 'kip-ft' });
  const steps = find('bending-span-1').derivation as { symbol?: string; value?: number; unit?: string }[];
  expect(steps.find((s) => s.symbol === 'a')).toMatchObject({ value: expect.closeTo(3.529, 3), unit: 'in' });
  expect(steps.find((s) => s.symbol === 'φ')).toMatchObject({ value: 0.9 });
  expect(steps.find((s) => s.symbol === 'M_n')).toMatchObject({ value: expect.closeTo(239.1, 0), unit: 'kip-ft' });
});

test('shear at d from the face: 3.96 (10 - 0.5 - 1.807) = 30.46 kip', () => {
  // Vc (a) 2 sqrt(4000) * 12 * 21.6875 = 32.92 kip; (b) 8 (0.009222)^(1/3) sqrt(4000) * 260.25 = 27.6: (a) counts.
  // Vs = 0.22 * 60 * 21.6875 / 9 = 31.81 kip; phi Vn = 0.75 * 64.73 = 48.55 kip
  const shear = find('shear-right-of-A');
  expect(shear.demand).toEqual({ value: expect.closeTo(30.46, 1), unit: 'kip' });
  expect(shear.capacity).toEqual({ value: expect.closeTo(48.55, 1), unit: 'kip' });
});

test('detailing in inches', () => {
  // As,min = 200 / 60 000 * 12 * 21.69 = 0.8675 in2; stirrups d/2 = 10.84 in; least 50 * 12 / 60 000 = 0.01 in2/in
  expect(find('minimum-steel').demand).toEqual({ value: expect.closeTo(0.8675, 3), unit: 'in2' });
  expect(find('link-spacing')).toMatchObject({
    demand: { value: expect.closeTo(9, 6), unit: 'in' },
    capacity: { value: expect.closeTo(10.84, 2), unit: 'in' },
  });
  expect(find('least-links').demand).toEqual({ value: expect.closeTo(0.01, 6), unit: 'in2/in' });
  // Clear: (12 - 3 - 0.75 - 4 * 0.875) / 3 = 1.583 in, needs max(1, 0.875, 4/3 * 0.75 = 1) = 1 in
  expect(find('bar-spacing')).toMatchObject({ demand: { value: expect.closeTo(1, 9) }, capacity: { value: expect.closeTo(1.5833, 3) } });
});

test('strips, reactions and quantities come in US units', () => {
  expect(json.strips!.units).toEqual({ station: 'ft', moment: 'kip-ft', force: 'kip', area: 'in2' });
  expect(Math.max(...json.strips!.maxM.map((v) => v ?? 0))).toBeCloseTo(198, 0);
  expect(json.reactions[0]!.max).toEqual({ value: expect.closeTo(39.6, 1), unit: 'kip' });
  expect(json.quantities!.concrete).toEqual({ value: expect.closeTo((2 * 20) / 27, 3), unit: 'yd3' });
  // 4 #7 at 2.044 lb/ft and 2 #4 at 0.668 lb/ft over 20 ft and into the supports: (163.5 + 26.7) 20.75/20 lb
  expect(json.quantities!.bars!.value).toBeCloseTo(197.4, 0);
});

test('formulas with US coefficients show lb, in and psi', () => {
  const steps = find('shear-right-of-A').derivation as { symbol?: string; formula?: string; numbers?: string; value?: number }[];
  const vc = steps.find((s) => s.symbol === 'V_c')!;
  expect(vc.formula).toBe('(2 * λ * √f′_c + σ_N) * b_w * d');
  expect(vc.numbers).toBe('(2 * 1 * 63.25 + 0) * 12 * 21.69');
  expect(vc.value! * getUnit('kip').factor).toBeCloseTo(2 * Math.sqrt(4000) * 12 * 21.6875 * 4.4482216, 0);
});
