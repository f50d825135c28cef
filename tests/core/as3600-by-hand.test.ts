import { readFileSync } from 'node:fs';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';

/** The column that docs/theory/as3600.md works by hand, as the application has it. */
const read = readProject(JSON.parse(readFileSync('examples/alderlight-ferry-house.intarsia', 'utf8')));
if (!read.ok) throw new Error(JSON.stringify(read.faults));
const { project } = read;
const result = designNow(
  project,
  project.members.find((m) => m.id === 'hc1')!,
  'all',
);
const find = (id: string) => result.checks.find((c) => c.id === id)!;
const step = (id: string, symbol: string) =>
  find(id).derivation!.flatMap((s) => ('symbol' in s && s.symbol === symbol ? [s.value] : []))[0];

describe('the hall column HC1 by hand', () => {
  it('squash: 0.65 (0.805 65 (202 500 - 4926) + 4926 500)', () => {
    const steel = 8 * Math.PI * 14 ** 2;
    expect(find('axial-force').capacity!.value / (0.65 * (0.805 * 65 * (450 ** 2 - steel) + steel * 500))).toBeCloseTo(1, 4);
  });

  it('restraint: all bars are held, fitments at most 15 bars apart', () => {
    expect(find('bars-held').demand!.value).toBe(2);
    expect(find('tie-spacing').capacity!.value).toBe(420);
  });

  it('confinement: fr, ke and the spacing up to which it is enough', () => {
    const leg = Math.PI * 36;
    const ke = (s: number) => (1 - (8 * 136 ** 2) / (6 * 368 ** 2)) * (1 - s / 736) ** 2;
    const fr = (s: number) => (3 * leg * 500) / (368 * s);
    expect(step('confinement', 'k_e')).toBeCloseTo(ke(150), 6);
    expect(find('confinement').capacity!.value).toBeCloseTo(ke(150) * fr(150), 6);
    expect(find('confinement').demand!.value).toBeCloseTo(0.65, 9);
    const most = find('tie-spacing-all').capacity!.value;
    expect(most).toBeCloseTo(251.4, 1);
    expect(ke(most) * fr(most)).toBeCloseTo(0.65, 4);
  });

  it('shear: 0.75 (190.5 + 545.0)', () => {
    const Vuc = 0.15 * 450 * 350.1 * Math.sqrt(65);
    const Vus = ((3 * Math.PI * 36 * 500 * 350.1) / 150) * (1 / Math.tan((36 * Math.PI) / 180));
    expect(find('shear-y').capacity!.value).toBeCloseTo(0.75 * (Vuc + Vus), -1);
  });

  it('fire by three tables: 120, 60 and none', () => {
    const steel = 8 * Math.PI * 14 ** 2;
    const n = (0.79 * 4.15e6) / (0.7 * (((450 ** 2 - steel) * 65) / 1.5 + (steel * 500) / 1.15));
    expect(step('fire', 'n_f')).toBeCloseTo(n, 6);
    expect(find('fire').capacity!.value * 1440).toBeCloseTo(120, 6);
    expect(find('fire-2').reason).toMatch(/^60 min: 90 minutes need 500 mm/);
    expect(find('fire-3').reason).toMatch(/^0 min/);
  });
});
