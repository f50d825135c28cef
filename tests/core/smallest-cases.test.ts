import { readFileSync } from 'node:fs';
import type { Check } from '@/core/checks/check';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';

/**
 * The smallest members at which a rule was once got wrong. Each value is worked out from the clause; the arithmetic stands beside it or, where
 * it is long, in the independent reference.
 */
function checksOf(file: string, mark: string): readonly Check[] {
  const read = readProject(JSON.parse(readFileSync(`tests/fixtures/smallest/${file}`, 'utf8')));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const member = read.project.members.find((m) => m.mark === mark)!;
  return designNow(read.project, member, 'all').checks;
}
type Of = (c: Check) => number | undefined;
const use: Of = (c) => c.utilisation ?? undefined;
const demand: Of = (c) => c.demand?.value;
const capacity: Of = (c) => c.capacity?.value;
/** The last value of a symbol among the steps. */
const step =
  (symbol: string): Of =>
  (c) =>
    c.derivation?.reduce<number | undefined>((found, s) => ('symbol' in s && s.symbol === symbol ? s.value : found), undefined);

const EN = (name: string) => `en-${name}.intarsia`;
const ACI = 'aci318.intarsia';

test.each<[what: string, file: string, mark: string, check: string, of: Of, value: number]>([
  // 0.54 (UK) x 300 x 0.9 x 444 x 30 / 1.5 / 2
  ['nu1 of the UK annex with links little stressed', EN('uk_low_link_stress'), 'B1', 'shear-1', capacity, 647.352e3],
  // 2 x (30 + 10 + 16) = 112 > 150 000 / 1600: (300 - 112)(500 - 112)
  ['the wall of torsion by the bars that are there', EN('tef_32'), 'B1', 'torsion-concrete-1', step('A_k'), 72_944],
  // As = 2 x 201.06 x 1000 / 400 = 1005 mm2 per metre; M = 60 + 200 x 0.0075 = 61.5 kNm over 51.97
  ['a metre of wall with bars at 400', EN('wall_400'), 'W1', 'strength-top', use, 1.1834],
  ['wind reversed in service', EN('wind_service'), 'C1', 'stress-steel-characteristic', demand, 367.15],
  // 150 - 200 x 0.2 = 110 = F (450 - F / 12 000), F = 256.64 kN; (256.64 + 200) / 0.43478
  ['required steel beside a tension', EN('as_with_N'), 'B1', 'bending-1', step('A_s_req'), 1050.28],
  // 880e6 / (434.78 x 0.95 x 797.5)
  ['the cap on z with a flange', EN('as_flange_capped'), 'B1', 'bending-1', step('A_s_req'), 2671.5],
  // x / d = 0.6: 0.0035 x 200 000 x 0.4 / 0.6 = 466.67 of 521.74
  ['bars that do not yield', EN('as_not_yielding'), 'B1', 'bending-1', step('A_s_req'), 3527.3],
  // Flange of 1500 x 120 pulled: centroid at (180 000 x 60 + 114 000 x 310) / 294 000 = 156.94; 13.4011 x 0.4 x 156.94 / (2 x 48)
  ['tension zone of a T before cracking', EN('table_hcr'), 'B1', 'crack-support-A', step('phi_s'), 8.7525],
  ['both senses at the foot', EN('foot_sense'), 'C1', 'strength-foot', use, 0.8723],
  // Half of 2 x 400 x 1000 over two faces of a metre.
  ['the notional size of a slab', EN('h0'), 'S1', 'deflection-total-1', step('h_0'), 400],
  ['the ray to the surface itself', EN('ray_rectangle'), 'column165', 'strength-mid', use, 0.5802],
  ['buckling under the larger end force', EN('buckling_shown'), 'C1', 'buckling-x', demand, 500e3],
  ['fy of torsion at most 420', ACI, 'R1', 'torsion-links-1', step('A_l'), 1170.95],
  // 0.062 sqrt 95 x 400 / 420
  ['no cap on the root for least links', ACI, 'R2', 'torsion-links-1', step('a_vt_min'), 0.5755],
  // 0.42 sqrt 95 x 240 000 / 420 = 2339, less at ph fyt / fy = 0.7187 x 1629.2 = 1171
  ['nor for least bars', ACI, 'R2', 'torsion-links-1', step('A_l_min'), 1168.3],
  // 0.33 sqrt 30 x 202 500^2 / 2300 = 32.23, x 0.75
  ['flanges in compatibility torsion', ACI, 'R3', 'torsion-concrete-1', step('T_u'), 24.169e6],
  // 1429.2 / 8
  ['ph / 8 with known forces', ACI, 'R4', 'torsion-link-spacing-1', capacity, 178.65],
  // 568 / (1500 x 438): 2 / (1 + 50 x 0.000865)
  ['rho-prime of a flanged section', ACI, 'R5', 'deflection-total-1', step('lambda_D'), 0.9585],
  ['hooks are not shortened', ACI, 'R7', 'anchorage-top-A', demand, 765.73],
  // 1.4 / 420 x 600 x 437.75
  ['a flange in tension', ACI, 'R8', 'minimum-steel-hogging', demand, 875.5],
  ['the strain with the axial force', ACI, 'R9', 'ductility-sagging', capacity, 3.2635e-3],
  // max(25, 4/3 x 20) + 9.5
  ['turns of a spiral apart', ACI, 'R10', 'spiral-clear', demand, 36.17],
  ['studs by the worst set', ACI, 'R11', 'leg-spacing', capacity, 127.95],
  // 0.65 x 0.8 x (0.85 x 60 (160 000 - 9828) + 420 x 9828)
  ['Po always on the net area', ACI, 'R13', 'axial-force', capacity, 6.129e6],
  // max(40, 1.5 x 43, 26.7) / 50.97
  ['the pair with the thickest bars', ACI, 'R15', 'clear-spacing', use, 1.2655],
])('%s', (_what, file, mark, id, of, value) => {
  const check = checksOf(file, mark).find((c) => c.id === id);
  if (!check) throw new Error(`no ${id}`);
  expect(of(check)! / value).toBeCloseTo(1, 3);
});

test('cracked held slab: slopes agree at its ends', () => {
  // Span by span 12 mm: the supports crack, and the span takes the moment.
  const total = checksOf('L-held-slab-deflection.intarsia', 'S1').find((c) => c.id === 'deflection-total-1')!;
  expect(total.demand!.value).toBeCloseTo(24.6, 1);
});

test.each([374, 383])('cracks are looked at at the face of a support %s wide', (width) => {
  const over = checksOf(`K-crack-places-width-${width}.intarsia`, 'B1').find((c) => c.id === 'crack-support-B')!;
  expect(over.utilisation).toBeGreaterThan(1.05);
});

test.each(['M-strip-springs-shown', 'N-strip-notional-size-shown'])('%s: nothing depends on the units shown', (name) => {
  const of = (units: string) => new Map(checksOf(`${name}-${units}.intarsia`, 'S1').map((c) => [c.id, c.utilisation]));
  const [si, us] = [of('SI'), of('US')];
  expect([...us.keys()].sort()).toEqual([...si.keys()].sort());
  for (const [id, u] of si) if (u !== null) expect([id, us.get(id)! / u]).toEqual([id, expect.closeTo(1, 3)]);
});

test('a moment left over by rounding asks for no steel', () => {
  expect(checksOf('C-noise-least-steel.intarsia', 'B1').find((c) => c.id === 'minimum-steel')!.status).not.toBe('exceeds');
});

test('a wall thicker than the section is refused in words', () => {
  const check = checksOf(EN('torsion_thick'), 'B1').find((c) => c.id === 'torsion-concrete-1')!;
  expect(check).toMatchObject({ status: 'failed', utilisation: null, reason: expect.stringContaining('the walls of both sides meet') });
});

test('a round column carries the same shear along x and y, to 1e-9', () => {
  const checks = checksOf(ACI, 'R14');
  const [x, y] = ['shear-x', 'shear-y'].map((id) => checks.find((c) => c.id === id)!.utilisation!);
  expect(x! / y!).toBeCloseTo(1, 9);
});

test('strong bars near each other are asked for links round them, 25.4.2.2', () => {
  // Three in the layer: 40 x 2 x 71 / (200 x 3) = 9.47 mm against 0.5 x 32.3
  const check = checksOf(ACI, 'R16').find((c) => c.id === 'splitting')!;
  expect(check.status).toBe('exceeds');
  expect(check.demand!.value).toBeCloseTo(16.15, 1);
  expect(check.capacity!.value).toBeCloseTo((40 * 142) / 600, 1);
});
