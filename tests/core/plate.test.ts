import { heldPanel } from '@/core/analysis/held-panel';
import { panelByStrips, shareByDeflection, yieldLineMoment, type PanelEdges } from '@/core/analysis/panel';
import { plateOnEdges } from '@/core/analysis/plate';
import type { PanelResult } from '@/core/members/panel/result';
import type { StripResult } from '@/core/members/strip/result';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';

const simple: PanelEdges = { left: 'simple', right: 'simple', bottom: 'simple', top: 'simple' };
const held: PanelEdges = { left: 'continuous', right: 'continuous', bottom: 'continuous', top: 'continuous' };
const D = 2e9;
const even = { x: D, y: D, twist: D };
/** Deflection over w l4 / D with the shorter side, and moments over w l2. */
function factors(lx: number, ly: number, edges: PanelEdges, stiffness = even) {
  const a = plateOnEdges({ lx, ly, edges }, stiffness);
  const l = Math.min(lx, ly);
  return { w: (a.deflection * D) / l ** 4, x: a.x / l ** 2, y: a.y / l ** 2, left: a.support.left / l ** 2 };
}

describe('a plate on four edges against what is known of it', () => {
  test('simple edges: the double sine series 16/(pi6 m n (m2 + n2)2) gives 0.004062 w l4/D for a square', () => {
    let series = 0;
    for (let m = 1; m < 40; m += 2)
      for (let n = 1; n < 40; n += 2)
        series += ((16 / Math.PI ** 6) * Math.sin((m * Math.PI) / 2) * Math.sin((n * Math.PI) / 2)) / (m * n * (m ** 2 + n ** 2) ** 2);
    expect(series).toBeCloseTo(0.004062, 6);
    expect(factors(5000, 5000, simple).w).toBeCloseTo(series, 6);
  });
  test('simple edges, sides as 1 to 1.5: by the same series, with moments without Poisson', () => {
    const [a, b] = [4000, 6000];
    let [w, mx] = [0, 0];
    for (let m = 1; m < 60; m += 2)
      for (let n = 1; n < 60; n += 2) {
        const k = (m / a) ** 2 + (n / b) ** 2;
        const c = (16 / (Math.PI ** 6 * m * n * k ** 2)) * Math.sin((m * Math.PI) / 2) * Math.sin((n * Math.PI) / 2);
        w += c;
        mx += c * ((m * Math.PI) / a) ** 2;
      }
    const found = factors(a, b, simple);
    expect(found.w).toBeCloseTo(w / a ** 4, 5);
    expect(found.x).toBeCloseTo(mx / a ** 2, 3);
  });
  test('all edges held, a square: 0.00126 w l4/D, and 0.0513 w l2 over the middle of an edge', () => {
    const found = factors(5000, 5000, held);
    expect(found.w).toBeCloseTo(0.001265, 5);
    expect(found.left).toBeCloseTo(0.0513, 3);
  });
  test('a long plate is a strip: 5/384, 1/185 and 1/384', () => {
    const long = (left: 'simple' | 'continuous', right: 'simple' | 'continuous') => factors(3000, 12_000, { ...simple, left, right }).w;
    expect(long('simple', 'simple')).toBeCloseTo(5 / 384, 3);
    expect(long('simple', 'continuous')).toBeCloseTo(1 / 184.6, 3);
    expect(long('continuous', 'continuous')).toBeCloseTo(1 / 384, 4);
  });
  test('turned by a right angle it is the same plate; mirrored edges too', () => {
    const edges: PanelEdges = { left: 'continuous', right: 'simple', bottom: 'simple', top: 'continuous' };
    const a = plateOnEdges({ lx: 4200, ly: 5600, edges }, { x: D, y: 0.6 * D, twist: 0.7 * D });
    const turned = plateOnEdges(
      { lx: 5600, ly: 4200, edges: { left: 'continuous', right: 'simple', bottom: 'simple', top: 'continuous' } },
      { x: 0.6 * D, y: D, twist: 0.7 * D },
    );
    const mirrored = plateOnEdges(
      { lx: 4200, ly: 5600, edges: { ...edges, left: 'simple', right: 'continuous' } },
      { x: D, y: 0.6 * D, twist: 0.7 * D },
    );
    expect(turned.deflection).toBeCloseTo(a.deflection, 6);
    expect(mirrored.deflection).toBeCloseTo(a.deflection, 6);
    expect(mirrored.support.right).toBeCloseTo(a.support.left, 3);
  });
  test('held edges and stiffer directions deflect less; without twisting more', () => {
    expect(factors(4000, 5000, { ...simple, left: 'continuous' }).w).toBeLessThan(factors(4000, 5000, simple).w);
    expect(factors(4000, 5000, simple, { ...even, y: 2 * D }).w).toBeLessThan(factors(4000, 5000, simple).w);
    expect(factors(4000, 5000, simple, { ...even, twist: 0 }).w).toBeGreaterThan(factors(4000, 5000, simple).w);
  });
});

describe('strips with corners held down', () => {
  const of = (lx: number, ly: number, edges: PanelEdges) => {
    const load = { lx, ly, w: 0.01, edges };
    return { load, found: heldPanel(load, panelByStrips(load, shareByDeflection(load), true), true) };
  };
  test('a square on simple edges: w l2/24, so that no fold forms, and 0.338 w l of shear at the edge as the plate has it', () => {
    const { found } = of(5000, 5000, simple);
    expect(found.x / (0.01 * 5000 ** 2)).toBeCloseTo(1 / 24, 6);
    expect(found.shear.left / (0.01 * 5000)).toBeCloseTo(0.338, 2);
  });
  test('any sides and edges: never below the means of the plate, nor what folds ask for', () => {
    const holds = ['simple', 'continuous'] as const;
    for (let i = 0; i < 64; i += 1) {
      const edges = { left: holds[i & 1]!, right: holds[(i >> 1) & 1]!, bottom: holds[(i >> 2) & 1]!, top: holds[(i >> 3) & 1]! };
      const { load, found } = of(4000, [4000, 5000, 7000, 11_000][i >> 4]!, edges);
      const plate = plateOnEdges(load, even);
      const small = (have: number, need: number) => expect([i, have >= need * (1 - 1e-9)]).toEqual([i, true]);
      small(found.x, 0.01 * plate.means.x);
      small(found.y, 0.01 * plate.means.y);
      for (const e of ['left', 'right', 'bottom', 'top'] as const) {
        small(found.support[e], 0.01 * plate.means.support[e]);
        small(found.shear[e], 0.01 * plate.shear[e]);
      }
      small(found.x, yieldLineMoment(load, found));
    }
  });
  test('a share that is set stays a choice: its edges keep their moments, but for folds', () => {
    const load = { lx: 4000, ly: 8000, w: 0.01, edges: { ...simple, bottom: 'continuous' as const } };
    const strips = panelByStrips(load, 1, true);
    expect(heldPanel(load, strips, false).support.bottom).toBe(0);
    expect(heldPanel(load, strips, true).support.bottom).toBeGreaterThan(0);
  });
});

const loads = [
  { type: 'uniform', case: 'G', value: 1.5 },
  { type: 'uniform', case: 'Q', value: 3 },
];
const cases = [
  { id: 'G', nature: 'permanent' },
  { id: 'Q', nature: 'imposed', category: 'A' },
];
function design(member: object, code: object = { id: 'en1992', variant: 'recommended' }) {
  const read = readProject({ format: 'intarsia', version: 1, code, members: [{ cases, loads, ...member }] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return designNow(read.project, read.project.members[0]!, 'all');
}
const panel = (more: object = {}, code?: object) => design({ type: 'panel', lx: 5000, ly: 6000, h: 180, ...more }, code) as PanelResult;
const total = (r: PanelResult) => r.checks.find((c) => c.id === 'deflection-total')!;

describe('the deflection of a panel', () => {
  test('it is on the ladder with its steps, and span over depth is information beside it', () => {
    const r = panel();
    expect(total(r).utilisation).toBeGreaterThan(0.05);
    expect(total(r).derivation!.some((s) => s.kind === 'given' && s.name.startsWith('deflection, '))).toBe(true);
    expect(r.checks.find((c) => c.id === 'span-depth')).toMatchObject({ status: 'notApplicable', utilisation: null });
  });
  test('more load never deflects less, also across the step of cracking, and settles', () => {
    const bars = { size: '10', spacing: 150 };
    const edges = { left: 'continuous', right: 'simple', bottom: 'simple', top: 'continuous' };
    const under = (value: number) =>
      total(panel({ h: 175, edges, bars: { x: bars, y: bars }, loads: [loads[0], { type: 'uniform', case: 'Q', value }] }));
    const found = Array.from({ length: 13 }, (_, i) => under(2 + i).utilisation!);
    found.slice(1).forEach((u, i) => expect([i, u >= found[i]! * (1 - 2e-3)]).toEqual([i, true]));
    expect(found.at(-1)!).toBeGreaterThan(2 * found[0]!);
  });
  test('a panel that hardly cracks, by hand: a w l4/(E I) with the plate factor and the creep of the code', () => {
    const bars = { size: '12', spacing: 100 };
    const r = panel({ lx: 3000, ly: 3000, h: 250, materials: { concreteStrength: 40 }, bars: { x: bars, y: bars }, hasPartitions: false });
    // Ecm 35.22 GPa; w = 0.25 x 25 + 1.5 + 0.3 x 3 = 8.65 kN/m2; I = 1302 mm4/mm x 1e3: without creep 0.00406 x 8.65e-3 x 3000^4/(35 220 x 1.302e6) = 0.062 mm.
    const elastic = (0.004062 * 8.65e-3 * 3000 ** 4) / (35_220 * (250 ** 3 / 12));
    const w = total(r).demand!.value;
    // Creep of 1.5 to 2.5, and shrinkage against bars of one face, which counts for more the smaller the load.
    expect(w).toBeGreaterThan(1.8 * elastic);
    expect(w).toBeLessThan(12 * elastic);
  });
  test('a very long panel deflects as the strip it is, or a little more: its stiffness is that of the middle all along', () => {
    const bars = { size: '12', spacing: 150, alternate: null };
    const p = panel({ lx: 4500, ly: 18_000, h: 180, bars: { x: bars }, hasPartitions: false });
    const strip = design({
      type: 'strip',
      h: 180,
      spans: [{ length: 4500 }],
      supports: [{ width: 200 }, { width: 200 }],
      bars: { bottom: [{ main: bars, extra: { bars: null, from: null, to: null } }] },
      service: { hasPartitions: false },
    }) as StripResult;
    const w = strip.checks.find((c) => c.id === 'deflection-total-1')!.demand!.value;
    expect(total(p).demand!.value / w).toBeGreaterThan(0.98);
    expect(total(p).demand!.value / w).toBeLessThan(1.35);
  });
  test('deeper deflects less, corners that may lift more; held edges less', () => {
    const w = (more: object) => total(panel(more)).demand!.value;
    expect(w({ h: 220 })).toBeLessThan(w({}));
    expect(w({ isHeldDown: false })).toBeGreaterThan(w({}));
    expect(w({ edges: { left: 'continuous', right: 'continuous', bottom: 'continuous', top: 'continuous' } })).toBeLessThan(w({}));
  });
  test('ACI has its own stages and sums', () => {
    const r = panel({ catalogue: 'metric' }, { id: 'aci318', variant: 'SI' });
    expect(r.checks.filter((c) => c.id.startsWith('deflection-')).map((c) => c.utilisation! > 0)).not.toContain(false);
  });
  test('with every combination in service switched off it says so', () => {
    const off = (panel() as unknown as { combinations: { id: string; kind: string }[] }).combinations
      .filter((c) => c.kind !== 'ultimate')
      .map((c) => c.id);
    expect(panel({ combinationsOff: off }).checks.find((c) => c.id === 'service')!.status).toBe('failed');
  });
});
