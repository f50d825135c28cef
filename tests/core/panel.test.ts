import { kindOf } from '@/core/members/kinds';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { panelByStrips, panelByYieldLines, shareByDeflection, type PanelEdges } from '@/core/analysis/panel';
import { silent } from '@/core/calc/calc';
import { makeCode } from '@/core/codes/registry';
import { columnStripShares, momentParts, staticMoment } from '@/core/analysis/direct-design';
import { panelByCoefficients } from '@/core/codes/aci318/direct-design';
import { panelPlan } from '@/core/members/panel/drawing';
import type { PanelResult } from '@/core/members/panel/result';
import { proposePanel } from '@/core/members/panel/changes';
import { memberSchedule, modelOf } from '@/core/project/as-built';
import { designNow } from '@/core/project/design-member';
import { panelLabels } from '@/core/members/panel/labels';
import { codeOf } from '@/core/members/member';
import type { PanelMember } from '@/core/members/panel/input';
import { readProject } from '@/core/project/read';
import { writeProject } from '@/core/project/write';
import { resultsToJson } from '@/exchange/result-json';
import { expectCase, referenceCases } from './reference';

const simple: PanelEdges = { left: 'simple', right: 'simple', bottom: 'simple', top: 'simple' };
const held: PanelEdges = { left: 'continuous', right: 'continuous', bottom: 'continuous', top: 'continuous' };

function panel(change: object = {}, code: object = { id: 'en1992', variant: 'uk' }, rest: object = {}) {
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code,
    members: [
      {
        type: 'panel',
        mark: 'P1',
        lx: 4800,
        ly: 6200,
        h: 190,
        supportWidth: 250,
        edges: { right: 'continuous', top: 'continuous' },
        cases: [
          { id: 'G', nature: 'permanent' },
          { id: 'Q', nature: 'imposed', category: 'E' },
        ],
        loads: [
          { case: 'G', value: 1.6 },
          { case: 'Q', value: 4 },
        ],
        ...change,
      },
    ],
    ...rest,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return { project: read.project, member: read.project.members[0] as PanelMember };
}
const design = (...args: Parameters<typeof panel>): PanelResult => {
  const { project, member } = panel(...args);
  return designNow(project, member, 'all');
};
const check = (r: PanelResult, id: string) => {
  const found = r.checks.find((c) => c.id === id);
  if (!found) throw new Error(`no check ${id}: ${r.checks.map((c) => c.id).join(', ')}`);
  return found;
};

describe('the wardrobe floor by hand', () => {
  // w = 1.35 (4.75 + 1.6) + 1.5 x 4 = 14.57 kN/m2. Both ways held at one end: 6.2^4/(4.8^4 + 6.2^4) = 0.7357 along x: 10.72; along y 3.85.
  // Right edge 10.72 x 4.8^2/8 = 30.88; top 3.85 x 6.2^2/8 = 18.51, the plate's mean over the middle three quarters is 14.57 x 1.284 = 18.71.
  // Strip along x: 9/128 x 10.72 x 4.8^2 = 17.37; twisting 1 - 5/6 (4.8/6.2)^2 17.37/(14.57 x 4.8^2/8) = 0.793: 13.78; along y 10.41 x 0.793 = 8.26.
  const r = design();
  it.each([
    ['bending-right', 30.88],
    ['bending-top', 18.71],
    ['bending-x', 13.78],
    ['bending-y', 8.26],
  ])('%s: %d kNm/m', (id, moment) => {
    expect(check(r, id).demand!.value / 1e3).toBeCloseTo(moment, 1);
    expect(check(r, id).utilisation).toBeLessThanOrEqual(1.0005);
    expect(check(r, id).derivation!.length).toBeGreaterThan(4);
  });
  it('shear at d from the face of the edge that carries most', () => {
    // Right: 5/8 x 10.72 x 4.8 = 32.16, of the plate 14.57 x 2.878 = 41.93, less 10.72 (0.125 + d) = 38.9. Top: of the strip 14.9, of the plate
    // 14.57 x 2.705 = 39.41, less 3.85 (0.125 + d); its bars are fewer, so that it carries less.
    const top = r.sections.find((s) => s.place === 'top')!;
    expect(check(r, 'shear').place.label).toBe('top edge');
    expect(check(r, 'shear').demand!.value).toBeCloseTo(39.41 - 3.85 * (0.125 + top.d / 1000), 1);
  });
  it('corners that are held down between free edges are named with what they need', () => {
    expect(check(r, 'corners')).toMatchObject({
      status: 'notApplicable',
      reason: expect.stringMatching(/left bottom.*13\.8 kNm\/m/) as string,
    });
    expect(check(design({ isHeldDown: false }), 'corners').title).toBe('Corners that may lift');
    expect(design({ edges: held }).checks.some((c) => c.id === 'corners')).toBe(false);
  });
});

it('beside strips without twisting stands the moment from their reactions, and agrees', () => {
  const r = design({ isHeldDown: false });
  expect(r.handChecks).toHaveLength(2);
  expect(r.handChecks.every((h) => h.agrees)).toBe(true);
  expect(design({ isHeldDown: false, share: 1 }).handChecks).toHaveLength(1);
});

describe('second methods', () => {
  /** Navier's series for a simply supported plate without sideways strain: sagging moment along x in the middle, over w lx2. */
  const navier = (lx: number, ly: number) => {
    let sum = 0;
    for (let m = 1; m < 60; m += 2)
      for (let n = 1; n < 60; n += 2) {
        const s = Math.sin((m * Math.PI) / 2) * Math.sin((n * Math.PI) / 2);
        sum += ((16 / Math.PI ** 4) * (m / lx) ** 2 * s) / (m * n * ((m / lx) ** 2 + (n / ly) ** 2) ** 2);
      }
    return sum / lx ** 2;
  };
  it.each([1, 1.2, 1.5, 1.8])('twisting: simply supported, sides 1 to %d, within 4 % of the plate', (ratio) => {
    const p = { lx: 1000, ly: 1000 * ratio, w: 1, edges: simple };
    const m = panelByStrips(p, shareByDeflection(p), true);
    expect(m.x / 1e6 / navier(1, ratio)).toBeGreaterThan(0.96);
    expect(m.x / 1e6 / navier(1, ratio)).toBeLessThan(1.04);
  });
  it('yield lines: the closed form is the worst of all patterns of folds', () => {
    // Roof of height 1 with a ridge z1, z2 from the ends along y and u from the left side: load times volume against folds.
    const worst = (a: number, b: number, i: Record<keyof PanelEdges, number>) => {
      let best = 0;
      for (let u = 0.3; u <= 0.7001; u += 0.02)
        for (let z1 = 0.1; z1 <= 0.9001; z1 += 0.02)
          for (let z2 = 0.1; z1 + z2 <= b / a + 1e-9 && z2 <= 0.9001; z2 += 0.02) {
            const volume = (a * b) / 2 - (a * (z1 * a + z2 * a)) / 6;
            const folds =
              (b / (u * a)) * (1 + i.left) +
              (b / ((1 - u) * a)) * (1 + i.right) +
              (a / (z1 * a)) * (1 + i.bottom) +
              (a / (z2 * a)) * (1 + i.top);
            best = Math.max(best, volume / folds);
          }
      return best;
    };
    for (const [ratio, edges] of [
      [1.2, simple],
      [1.5, held],
      [1.5, { ...simple, left: 'continuous' }],
      [1.8, { ...simple, bottom: 'continuous', right: 'continuous' }],
    ] as const) {
      const i = Object.fromEntries(Object.entries(edges).map(([k, v]) => [k, v === 'continuous' ? 1 : 0])) as Record<
        keyof PanelEdges,
        number
      >;
      const closed = panelByYieldLines({ lx: 1, ly: ratio, w: 1, edges }, 1, 1).x;
      expect(closed / worst(1, ratio, i)).toBeGreaterThan(0.995);
      expect(closed / worst(1, ratio, i)).toBeLessThan(1.01);
    }
  });
  it('a square on simple edges folds at w l2 / 24, held all round at half of that', () => {
    expect(panelByYieldLines({ lx: 1, ly: 1, w: 1, edges: simple }, 1, 1).x).toBeCloseTo(1 / 24, 9);
    expect(panelByYieldLines({ lx: 1, ly: 1, w: 1, edges: held }, 1, 1).x).toBeCloseTo(1 / 48, 9);
  });
});

describe('properties', () => {
  const edges = fc.constantFrom('simple' as const, 'continuous' as const);
  const any = fc.record({
    lx: fc.double({ min: 2000, max: 9000, noNaN: true }),
    ratio: fc.double({ min: 0.5, max: 2, noNaN: true }),
    edges: fc.record({ left: edges, right: edges, bottom: edges, top: edges }),
  });
  it('strips are in equilibrium with their share of the load, and shears with the whole of it', () => {
    fc.assert(
      fc.property(any, fc.double({ min: 0, max: 1, noNaN: true }), ({ lx, ratio, edges: e }, share) => {
        const ly = lx * ratio;
        const m = panelByStrips({ lx, ly, w: 1e-2, edges: e }, share, false);
        expect(m.shear.left + m.shear.right).toBeCloseTo(1e-2 * share * lx, 6);
        expect(m.shear.bottom + m.shear.top).toBeCloseTo(1e-2 * (1 - share) * ly, 6);
        // The largest sagging moment from the reaction: V2 / 2q less the moment over that end.
        const q = 1e-2 * share;
        if (q > 1e-6) expect(m.shear.left ** 2 / (2 * q) - m.support.left).toBeCloseTo(m.x, 3);
      }),
    );
  });
  it('x and y change places with the panel', () => {
    fc.assert(
      fc.property(any, fc.boolean(), ({ lx, ratio, edges: e }, isHeldDown) => {
        const ly = lx * ratio;
        const a = { lx, ly, w: 1e-2, edges: e };
        const b = { lx: ly, ly: lx, w: 1e-2, edges: { left: e.bottom, right: e.top, bottom: e.left, top: e.right } };
        const [p, q] = [panelByStrips(a, shareByDeflection(a), isHeldDown), panelByStrips(b, shareByDeflection(b), isHeldDown)];
        expect(p.x / q.y).toBeCloseTo(1, 9);
        expect(p.support.left).toBeCloseTo(q.support.bottom, 6);
        const [f, g] = [panelByYieldLines(a, 1.2, 0.8), panelByYieldLines(b, 1.2, 1 / 0.8)];
        expect(f.x / g.y).toBeCloseTo(1, 9);
      }),
    );
  });
  it('a long panel on simple edges is a strip, and held edges never raise the moments in its middle', () => {
    const p = { lx: 1000, ly: 4000, w: 1, edges: simple };
    expect(panelByStrips(p, shareByDeflection(p), false).x / 125_000).toBeGreaterThan(0.99);
    const [free, fixed] = [simple, held].map((e) => panelByYieldLines({ ...p, edges: e }, 1, 1).x);
    expect(fixed!).toBeLessThan(free!);
  });
  it('feet and metres of one panel are used alike', () => {
    const bars = {
      x: { size: 'No.10', spacing: 200 },
      y: { size: 'No.10', spacing: 250 },
      right: { size: 'No.13', spacing: 200 },
      top: { size: 'No.13', spacing: 250 },
    };
    const aci = { id: 'aci318', variant: 'SI' };
    const [a, b] = [design({ bars }, aci), design({ bars }, aci, { display: 'US' })];
    for (const c of a.checks) if (c.utilisation !== null) expect(check(b, c.id).utilisation).toBeCloseTo(c.utilisation, 9);
  });
});

describe('rules', () => {
  it('yield lines ask for x/d of 0.25 and steel of class B; corners that lift cost a tenth', () => {
    const r = design({ method: 'yieldLines' });
    expect(check(r, 'ductility')).toMatchObject({ clause: '5.6.2(2)', capacity: { value: 0.25, kind: 'ratio' } });
    expect(check(design({ method: 'yieldLines', materials: { ductility: 'A' } }), 'ductility').status).toBe('exceeds');
    const lifted = design({ method: 'yieldLines', isHeldDown: false });
    expect(lifted.moments!.x / r.moments!.x).toBeCloseTo(1.1, 9);
  });
  it('DDM-01 to DDM-03: static moment, its parts, and the share of column strips', () => {
    const aci = referenceCases('aci318');
    const get = (id: string) => aci.get(id)!;
    expectCase(get('DDM-01'), { Mo_kNm: staticMoment(11.7e-3, 5350, 6050, 6550) / 1e6 });
    const end = momentParts('noEdgeBeam');
    expectCase(get('DDM-02'), { exterior_negative: end.outer * 286, positive: end.span * 286, interior_negative: end.inner * 286 });
    const share = columnStripShares(0.82, 0, 1.1);
    expectCase(get('DDM-03'), { interior_negative: share.inner, positive: share.span, exterior_negative: share.outer });
  });
  it('SRV-13: least depth with beams of middling stiffness', () => {
    const code = makeCode({ id: 'aci318', variant: 'US', choices: {} });
    const inch = 25.4;
    const materials = { ...code.defaults, steelStrength: 60_000 * 0.006894757293168361 };
    const q = {
      materials,
      system: 'simple' as const,
      length: (251 / 1.22) * inch,
      long: 251 * inch,
      h: 7 * inch,
      d: 150,
      ratio: 0.003,
      compressionRatio: 0,
      provided: 1,
      flange: 1,
      hasPartitions: true,
      beamStiffness: 1.37,
      continuous: { long: 0, short: 0 },
    };
    const { limit } = code.slab.twoWayDepth(silent, q);
    expectCase(referenceCases('aci318').get('SRV-13')!, { h_min_in: 251 / limit });
  });
  it('ACI coefficients by hand: an inner square panel on stiff beams', () => {
    // w = 0.01 N/mm2, 6 m square, supports 300: M0 = 0.01 x 6000 x 5700^2/8 = 243.7e6; column strips 75 % of 0.65 and 0.35, 3 m wide.
    // Middle strip 0.25 x 0.65 x 243.7/3 = 13.20 over the edges, 0.25 x 0.35 x 243.7/3 = 7.11 kNm/m in the span.
    const m = panelByCoefficients({ lx: 6000, ly: 6000, w: 0.01, edges: held }, 300)!;
    expect(m.support.left / 1e3).toBeCloseTo(13.2, 1);
    expect(m.x / 1e3).toBeCloseTo(7.11, 2);
    expect(panelByCoefficients({ lx: 6000, ly: 6000, w: 0.01, edges: simple }, 300)).toBeUndefined();
    const r = design({ method: 'coefficients' }, { id: 'aci318', variant: 'SI' });
    expect(check(r, 'coefficients').utilisation).toBeLessThan(1);
    // Least depth 8.3.1.2: 5950 (0.8 + 420/1400)/(36 + 9 x 5950/4550) = 137.0 mm.
    const depth = check(r, 'span-depth');
    expect(depth.demand!.value / depth.capacity!.value).toBeCloseTo(137 / 190, 2);
  });
});

describe('bad input is named at its field', () => {
  it.each([
    ['lx', { lx: 100 }, /side of the panel/],
    ['lx', { lx: 2000, ly: 9000 }, /spans one way/],
    ['h', { h: 20 }, /depth of a slab/],
    ['cover.bottom', { cover: { top: 80, bottom: 80 } }, /no room/],
    ['supportWidth', { supportWidth: 9000 }, /wider/],
    ['beamStiffness', { beamStiffness: 0.1 }, /flat slab/],
    ['share', { share: 1.4 }, /between 0 and 1/],
    ['supportRatio', { supportRatio: 4 }, /0.5 and 2/],
    ['mu', { mu: 0 }, /0.1 and 10/],
    ['loads[0].case', { loads: [{ case: 'X', value: 2 }] }, /no load case/],
    ['bars.x.size', { bars: { x: { size: '17', spacing: 100 } } }, /no bar/],
    ['bars.top.spacing', { bars: { top: { size: '12', spacing: 0 } } }, /40 mm/],
    ['method', { method: 'coefficients' }, /no coefficients/],
  ])('%s', (path, change, words) => {
    const r = design(change);
    expect(r.faults.map((f) => f.path)).toContain(path);
    expect(r.faults.some((f) => words.test(f.reason))).toBe(true);
    expect(r.checks).toEqual([]);
  });
  it('nothing to carry is said', () => {
    expect(design({ selfWeight: false, loads: [] }).checks.map((c) => c.id)).toEqual(['nothing']);
  });
  it('too thin a panel fails in words, with ways that mend it', () => {
    const { project, member } = panel({ h: 90, loads: [{ case: 'Q', value: 25 }] });
    const r = designNow(project, member);
    expect(check(r, 'bending-right').status).toBe('exceeds');
    expect(check(r, 'bending-right').reason).toMatch(/needs .* has|too thin/);
    const ways = proposePanel(member, codeOf(project, member), project.rates);
    expect(ways.length).toBeGreaterThan(0);
    expect(ways[0]!.utilisation).toBeLessThan(check(r, 'bending-right').utilisation!);
  });
});

it('the demo’s panel holds, is drawn, scheduled, reported and written to a file unchanged', () => {
  const read = readProject(JSON.parse(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8')));
  if (!read.ok) throw new Error('demo');
  const member = read.project.members.find((m): m is PanelMember => m.type === 'panel')!;
  const r = designNow(read.project, member, 'all');
  expect(r.checks.filter((c) => c.status === 'exceeds' || c.status === 'failed')).toEqual([]);
  const drawing = panelPlan(
    { panel: member, result: r, bars: modelOf(read.project, member, r).bars, labels: panelLabels(read.project, member, r) },
    700,
    560,
  );
  for (const s of drawing.shapes)
    for (const [x, y] of s.kind === 'path' ? s.points : [s.at]) expect(x >= 0 && x <= 700 && y >= 0 && y <= 560).toBe(true);
  expect(kindOf(member).figures(member, r, read.project)).toHaveLength(1);
  expect(
    kindOf(member)
      .facts(member, r, read.project)
      .map(([title]) => title),
  ).toContain('Method');
  expect(memberSchedule(read.project, member, r).items).toHaveLength(4);
  expect(JSON.stringify(resultsToJson(read.project, [{ member, result: r }]))).not.toMatch(/NaN/);
  const again = readProject(JSON.parse(writeProject(read.project)));
  expect(again.ok && again.project.members).toEqual(read.project.members);
});

it('the report says how a panel was worked out', () => {
  const read = readProject(JSON.parse(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8')));
  if (!read.ok) throw new Error('demo');
  const demo = read.project;
  const found = demo.members.find((m): m is PanelMember => m.type === 'panel')!;
  const factsOf = (change: Partial<PanelMember> = {}): Record<string, unknown> => {
    const member = { ...found, ...change };
    return Object.fromEntries(kindOf(member).facts(member, designNow(demo, member), demo));
  };
  expect(factsOf()['Edges']).toMatch(/^left \w+, right \w+, /);
  const by = (method: PanelMember['method']) => factsOf({ method, isHeldDown: false, supportRatio: 1.2 });
  expect(by('strips')['Method']).toMatch(/^strips both ways, \d+ % of the load along x/);
  expect(by('yieldLines')['Method']).toMatch(/^yield lines, hogging over sagging 1\.2, along y over along x \d\.\d\d$/);
  expect(by('coefficients')['Method']).toBe('coefficients of the code for stiff beams along all edges');
  expect(by('strips')['Corners']).toBe('may lift');
});
