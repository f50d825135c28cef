import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { silent } from '@/core/calc/calc';
import { makeCode } from '@/core/codes/registry';
import type { StripResult } from '@/core/members/strip/result';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import type { StripMember } from '@/core/members/strip/input';
import { readProject } from '@/core/project/read';
import { writeProject } from '@/core/project/write';

const UK = { id: 'en1992', variant: 'uk' };

function slab(change: object = {}, code: object = UK, rest: object = {}): { project: Project; strip: StripMember } {
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code,
    members: [
      {
        type: 'strip',
        mark: 'S1',
        h: 200,
        spans: [{ length: 5000 }, { length: 3000 }, { length: 1500 }],
        supports: [{ width: 200 }, { width: 200 }, { width: 200 }, { type: 'free' }],
        cases: [
          { id: 'G', title: 'Screed', nature: 'permanent' },
          { id: 'Q', title: 'People', nature: 'imposed', category: 'C' },
        ],
        loads: [
          { type: 'uniform', case: 'G', value: 2 },
          { type: 'uniform', case: 'Q', value: 3 },
          { type: 'line', case: 'G', span: 2, at: 1450, force: 1.2 },
        ],
        service: { hasPartitions: false },
        ...change,
      },
    ],
    ...rest,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return { project: read.project, strip: read.project.members[0] as StripMember };
}

function design(change: object = {}, code: object = UK, rest: object = {}): StripResult {
  const { project, strip } = slab(change, code, rest);
  return designNow(project, strip);
}

const check = (r: StripResult, id: string) => {
  const found = r.checks.find((c) => c.id === id);
  if (!found) throw new Error(`no check ${id}: ${r.checks.map((c) => c.id).join(', ')}`);
  return found;
};

describe('the corridor slab of the demo, worked by hand in docs/theory/slabs.md', () => {
  const read = readProject(JSON.parse(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8')));
  if (!read.ok) throw new Error('demo');
  const strip = read.project.members.find((m): m is StripMember => m.type === 'strip')!;
  const r = designNow(read.project, strip, 'all');
  // w = 1.35 (5 + 2) + 1.5 x 3 = 13.95 loaded, 9.45 not; MC = 13.95 x 1.5^2/2 + 1.35 x 1.2 x 1.45 = 18.04.
  // Spans 1 and 3: 16 MB = (13.95 x 5^3 + 9.45 x 3^3)/4 - 3 x 18.04 = 445.6: MB = 27.85; VA = 34.875 - 27.85/5 = 29.31; M = 29.31^2/(2 x 13.95) = 30.78.
  // H12 @ 250: 452.4 mm2, d = 169; x = 452.4 x 434.8/(0.8 x 17 x 1000) = 14.46; M = 452.4 x 434.8 (169 - 5.78) = 32.10.
  // Spans 1 and 2: MC = 12.98, 16 MB = (13.95 x 125 + 13.95 x 27)/4 - 3 x 12.98 = 491.2: MB = 30.70; V = 34.875 + 6.14 = 41.02, less 13.95 (0.1 + 0.169): 37.26.
  // H10 @ 175: 448.8 mm2, d = 170: k = 2, 0.12 x 2 (0.264 x 30)^(1/3) = 0.478 < 0.035 x 2^1.5 sqrt(30) = 0.542 MPa: 92.2 kN/m.
  it.each([
    ['bending-span-1', 30.78, 32.1, 1e3],
    ['shear-left-of-B', 37.26, 92.2, 1],
    // 0.26 x 2.896/500 x 1000 x 171 = 257.5 mm2/m; H8 @ 175: 50.27/0.175 = 287.2.
    ['minimum-steel', 257.5, 287.2, 1e-3],
    // A fifth of H12 @ 250; H8 @ 300: 167.6.
    ['across-steel', 90.5, 167.6, 1e-3],
    // 15 % of the span's moment; H8 @ 175: 287.2 x 434.8 x (171 - 3.67...) = 20.9... with the lower bars in compression left to the code.
    ['held-end-A', 4.617, 23.9, 1e3],
    ['most-spacing', 250, 250, 1],
    ['across-spacing', 300, 400, 1],
  ])('%s: %d against %d', (id, demand, capacity, unit) => {
    const c = check(r, id);
    expect(c.demand!.value / unit / demand).toBeCloseTo(1, 2);
    expect(c.capacity!.value / unit / capacity).toBeCloseTo(1, 2);
  });
  it('holds, is derived in full, and comes back from a file unchanged', () => {
    expect(r.checks.filter((c) => c.status === 'exceeds' || c.status === 'failed')).toEqual([]);
    for (const id of ['bending-span-1', 'held-end-A']) expect(check(r, id).derivation!.length).toBeGreaterThan(5);
    expect(check(r, 'shear-left-of-B').derivation!.some((s) => s.kind === 'formula' && s.clause === '(6.2)')).toBe(true);
    const again = readProject(JSON.parse(writeProject(read.project)));
    expect(again.ok && again.project.members).toEqual(read.project.members);
  });
  it('the sums of loads and of reactions agree, and so does w L2 / 8', () => {
    expect(r.handChecks.map((h) => h.agrees)).toEqual([true, true, true]);
    // (5 + 2 + 3) x 9.5 + 1.2
    expect(r.handChecks[0]!.byHand).toBeCloseTo(96.2, 6);
    // 10 x 5^2/8
    expect(r.handChecks[1]!.byHand / 1e3).toBeCloseTo(31.25, 6);
  });
});

describe('a second method: the strip is a beam a metre wide with the same bars', () => {
  it('moments, shears, resistance in bending and deflections are those of the beam', () => {
    // Twenty bars in a metre fill no whole number of spaces of a beam: 5H12 in a beam have the area of H12 @ 200.
    const own = { size: '12', spacing: 200 };
    const bars = { bottom: [{ main: own }, { main: own }, { main: own }], top: [{ main: own }, { main: own }, { main: own }] };
    const r = design({ bars, h: 220, cover: { top: 30, bottom: 30 } });
    const group = { count: 5, size: '12' };
    const read = readProject({
      format: 'intarsia',
      version: 1,
      code: UK,
      members: [
        {
          mark: 'B1',
          section: { b: 1000, h: 220 },
          // The links of the beam are 8 mm: its main bars lie as deep as those of the slab.
          cover: { top: 22, bottom: 22, side: 30 },
          spans: [{ length: 5000 }, { length: 3000 }, { length: 1500 }],
          supports: [{ width: 200 }, { width: 200 }, { width: 200 }, { type: 'free' }],
          cases: [
            { id: 'G', nature: 'permanent' },
            { id: 'Q', nature: 'imposed', category: 'C' },
          ],
          loads: [
            { type: 'uniform', case: 'G', value: 2 },
            { type: 'uniform', case: 'Q', value: 3 },
            { type: 'point', case: 'G', span: 2, at: 1450, force: 1.2 },
          ],
          bars: {
            bottom: [1, 2, 3].map(() => ({ main: group, extra: { bars: { count: 0, size: '12' } } })),
            top: [{ main: group }, { main: group }, { main: group }],
            links: [1, 2, 3].map(() => ({ zones: [{ to: 9000, size: '8', legs: 2, spacing: 150 }] })),
          },
          service: { hasPartitions: false },
        },
      ],
    });
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const beam = designNow(read.project, read.project.members[0] as BeamMember);
    const most = (values: ArrayLike<number>) => Math.max(...Array.from(values));
    const least = (values: ArrayLike<number>) => Math.min(...Array.from(values));
    expect(most(r.strips!.maxM) / most(beam.strips!.maxM)).toBeCloseTo(1, 9);
    expect(least(r.strips!.minM) / least(beam.strips!.minM)).toBeCloseTo(1, 9);
    expect(most(r.strips!.maxV) / most(beam.strips!.maxV)).toBeCloseTo(1, 9);
    const mid = (s: { x: ArrayLike<number> }) => Array.from(s.x).findIndex((x) => x >= 2500);
    const [i, j] = [mid(r.strips!), mid(beam.strips!)];
    expect(r.strips!.resistanceSagging[i]! / beam.strips!.resistanceSagging[j]!).toBeCloseTo(1, 6);
    const w = (s: StripResult['service']) => most(s!.sums[0]!.max);
    // The beam dries from its sides as well and creeps a little more.
    expect(w(r.service) / w(beam.service)).toBeGreaterThan(0.96);
    expect(w(r.service) / w(beam.service)).toBeLessThan(1);
  });
});

describe('properties', () => {
  const plain = { supports: [{ width: 200 }, { width: 200 }], spans: [{ length: 4000 }] };
  const loads = (q: number) => [
    { type: 'uniform', case: 'G', value: 1 },
    { type: 'uniform', case: 'Q', value: q },
  ];
  it('more load never needs less steel, and the bars that are chosen carry it', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 12, noNaN: true }), fc.integer({ min: 3, max: 6 }), (q, m) => {
        const of = (load: number) => design({ ...plain, spans: [{ length: 1000 * m }], h: 250, loads: loads(load) });
        const [light, heavy] = [of(q), of(q * 1.3)];
        const needs = (r: StripResult) => Math.max(...r.strips!.requiredBottom);
        expect(needs(heavy)).toBeGreaterThanOrEqual(needs(light) - 1e-6);
        expect(check(light, 'bending-span-1').utilisation).toBeLessThanOrEqual(1.0005);
      }),
      { numRuns: 12 },
    );
  });
  it('a mirrored slab has mirrored results', () => {
    const r = design();
    const m = design({
      spans: [{ length: 1500 }, { length: 3000 }, { length: 5000 }],
      supports: [{ type: 'free' }, { width: 200 }, { width: 200 }, { width: 200 }],
      loads: [
        { type: 'uniform', case: 'G', value: 2 },
        { type: 'uniform', case: 'Q', value: 3 },
        { type: 'line', case: 'G', span: 0, at: 50, force: 1.2 },
      ],
    });
    expect(check(m, 'bending-span-3').utilisation).toBeCloseTo(check(r, 'bending-span-1').utilisation!, 6);
    expect(check(m, 'shear-right-of-C').utilisation).toBeCloseTo(check(r, 'shear-left-of-B').utilisation!, 6);
    expect(m.steel!.bottom.map((b) => b.main).reverse()).toEqual(r.steel!.bottom.map((b) => b.main));
    expect(check(m, 'deflection-total-1').demand!.value).toBeCloseTo(check(r, 'deflection-total-3').demand!.value, 4);
  });
  it('a foot and a metre of the same slab are used alike', () => {
    const aci = { id: 'aci318', variant: 'SI' };
    const bars = {
      bottom: [1, 2, 3].map(() => ({ main: { size: 'No.13', spacing: 200 } })),
      top: [1, 2, 3].map(() => ({ main: { size: 'No.13', spacing: 200 } })),
      across: { bottom: { size: 'No.10', spacing: 200 } },
    };
    const metre = design({ bars }, aci);
    const foot = design({ bars }, aci, { display: 'US' });
    expect([metre.width, foot.width]).toEqual([1000, 304.8]);
    for (const c of metre.checks) if (c.utilisation !== null) expect(check(foot, c.id).utilisation).toBeCloseTo(c.utilisation, 6);
  });
  it('alternating bars count with the mean of their areas, in one layer', () => {
    const of = (main: object) => design({ ...plain, loads: loads(3), bars: { bottom: [{ main }] } });
    const area = (r: StripResult) => r.strips!.providedBottom[10]!;
    expect(area(of({ size: '12', alternate: '10', spacing: 150 }))).toBeCloseTo(((113.1 + 78.54) / 2) * (1000 / 150), 0);
  });
  it('extra bars add to those that run through, between their ends', () => {
    const extra = { bars: { size: '12', spacing: 300 }, from: 1000, to: 3000 };
    const r = design({ ...plain, loads: loads(3), bars: { bottom: [{ main: { size: '10', spacing: 300 }, extra }] } });
    const at = (x: number) => r.strips!.providedBottom[Array.from(r.strips!.x).findIndex((v) => v >= x)]!;
    expect(at(2000)).toBeCloseTo((78.54 + 113.1) / 0.3, 0);
    expect(at(300)).toBeCloseTo(78.54 / 0.3, 0);
    // Half of the span's bars run to the supports, 9.3.1.2(1): 261.8 of 638.8 are fewer.
    expect(check(r, 'to-support-1').utilisation).toBeCloseTo((0.5 * 638.8) / 261.8, 2);
    expect(check(r, 'to-support-1').status).toBe('exceeds');
  });
  it('bars across outside push those along inwards by their thickness', () => {
    const bars = { bottom: [{ main: { size: '12', spacing: 200 } }], across: { bottom: { size: '10', spacing: 200 } } };
    const [along, across] = ['along', 'across'].map((outer) => design({ ...plain, loads: loads(3), bars, outer }));
    const M = (r: StripResult) => check(r, 'bending-span-1').capacity!.value;
    // As fyd x 10 mm: 565.5 x 434.8 x 10 N mm on a metre
    expect(M(along!) - M(across!)).toBeCloseTo((565.5 * 434.78 * 10) / 1000, 0);
  });
  it('bars are added where deflection asks for them, and not where no bars would do', () => {
    const of = (h: number) => design({ ...plain, h, spans: [{ length: 4750 }], loads: loads(3) });
    const enough = of(200);
    expect(check(enough, 'deflection-total-1').status).not.toBe('exceeds');
    expect(check(enough, 'bending-span-1').utilisation).toBeLessThan(0.9);
    const thin = of(130);
    expect(check(thin, 'deflection-total-1').status).toBe('exceeds');
    expect(check(thin, 'bending-span-1').utilisation).toBeGreaterThan(0.8);
  });
});

describe('rules of the codes for slabs', () => {
  it('EN: spacings 9.3.1.1(3), half to the supports, the struts of 6.2.2(6)', () => {
    const { slab: rules } = makeCode({ ...UK, choices: {} } as Parameters<typeof makeCode>[0]);
    expect([rules.spacing(100, 'peak').value, rules.spacing(200, 'peak').value]).toEqual([200, 250]);
    expect([rules.spacing(100, 'elsewhere').value, rules.spacing(200, 'elsewhere').value]).toEqual([300, 400]);
    expect([rules.acrossSpacing(100, 'elsewhere').value, rules.acrossSpacing(200, 'peak').value]).toEqual([350, 400]);
    expect(rules.shareToSupport(true)).toBe(0.5);
    const section = { bw: 1000, d: 163, h: 200, tensionArea: 335, grossArea: 200_000 };
    const { strip } = slab({ materials: { concreteStrength: 38 } });
    // shr-02: 99.47 kN; 0.5 x 1000 x 163 x 0.6 (1 - 38/250) x 38/1.5 = 1050 kN (alpha cc 1.0 in shear)
    const r = rules.plainShear(silent, section, strip.materials);
    expect(r.force / 1e3).toBeCloseTo(99.47, 1);
    expect(r.limit / 1e3).toBeCloseTo(1050, -1);
    expect(r.shift).toBe(163);
  });
  it('ACI: 0.0018 of the gross section both ways, 3h or 450 mm, 5h across, the size effect in shear', () => {
    const code = makeCode({ id: 'aci318', variant: 'SI', choices: {} });
    const { strip } = slab({ materials: { concreteStrength: 31 } }, { id: 'aci318', variant: 'SI' });
    const { slab: rules } = code;
    expect(rules.leastAcross(silent, 0, 200_000)).toBeCloseTo(360, 9);
    expect([rules.spacing(120, 'peak').value, rules.spacing(200, 'peak').value, rules.acrossSpacing(80, 'peak').value]).toEqual([
      360, 450, 400,
    ]);
    expect([rules.shareToSupport(false), rules.shareToSupport(true)]).toEqual([1 / 3, 1 / 4]);
    // SHR-02, no stirrups: 123.23 kN
    const r = rules.plainShear(silent, { bw: 415, d: 760, h: 820, tensionArea: 2580, grossArea: 415 * 820 }, strip.materials);
    expect(r.force / 1e3).toBeCloseTo(123.23, 1);
  });
  it('ACI: a slab by hand', () => {
    // One span of 3.6 m, h 200, 28 MPa, 420 MPa: w = 1.2 (4.8 + 1) + 1.6 x 2.4 = 10.80 kN/m2; M = 10.8 x 3.6^2/8 = 17.50 kNm/m.
    const r = design(
      {
        spans: [{ length: 3600 }],
        supports: [{ width: 200 }, { width: 200 }],
        cover: { top: 20, bottom: 20 },
        loads: [
          { type: 'uniform', case: 'G', value: 1 },
          { type: 'uniform', case: 'Q', value: 2.4 },
        ],
        bars: { bottom: [{ main: { size: 'No.13', spacing: 250 } }] },
      },
      { id: 'aci318', variant: 'SI' },
    );
    const c = check(r, 'bending-span-1');
    expect(c.demand!.value / 1e3).toBeCloseTo(17.5, 2);
    // As = 129/0.25 = 516; a = 516 x 420/(0.85 x 28 x 1000) = 9.106; d = 200 - 20 - 6.35 = 173.65; 0.9 x 516 x 420 (173.65 - 4.553) = 32.98 kNm/m.
    expect(c.capacity!.value / 1e3).toBeCloseTo(32.98, 1);
    // V at d from the face: 10.8 (1.8 - 0.1 - 0.17365) = 16.48; 0.75 x 0.66 x lambda_s (516/173650)^(1/3) sqrt(28) x 173.65, lambda_s = 1 (2/1.695 > 1): 65.4.
    const v = check(r, 'shear-right-of-A');
    expect(v.demand!.value).toBeCloseTo(16.48, 1);
    expect(v.capacity!.value).toBeCloseTo(0.75 * 0.66 * Math.cbrt(516 / 173_650) * Math.sqrt(28) * 173.65, 1);
    // Table 7.3.1.1: l/20.
    expect(check(r, 'span-depth-1').capacity!.value).toBeCloseTo(20, 6);
    // No rule on ends that are held a little.
    expect(r.checks.some((k) => k.id.startsWith('held-end'))).toBe(false);
  });
  it('cracks of thin slabs are looked at only where that is asked for', () => {
    const [rule, looked, deep] = [design(), design({ choices: { thinSlabs: 'calculate' } }), design({ h: 250 })];
    expect(check(rule, 'thin-slab-cracks').status).toBe('notApplicable');
    expect(check(looked, 'crack-span-1').utilisation).toBeGreaterThan(0);
    expect(check(deep, 'least-crack-steel').utilisation).toBeGreaterThan(0);
    expect(deep.checks.some((c) => c.id === 'thin-slab-cracks')).toBe(false);
  });
  it('ends that turn freely have no top bars where that is chosen', () => {
    const free = design({ choices: { heldEnds: 'free' } });
    expect(free.steel!.support[0]).toBeNull();
    expect(design().steel!.support[0]).not.toBeNull();
  });
});

describe('bad input is named at its field', () => {
  it.each([
    ['h', { h: 40 }, /60 mm/],
    ['cover.bottom', { cover: { top: 90, bottom: 95 } }, /leave no room/],
    ['cover.top', { cover: { top: 0, bottom: 25 } }, /between 5 and 300/],
    ['breadth', { breadth: 10 }, /breadth/],
    ['spans[1].length', { spans: [{ length: 5000 }, { length: 20 }, { length: 1500 }] }, /0.1 and 100 m/],
    ['spans[0].h', { spans: [{ length: 5000, h: 20 }, { length: 3000 }, { length: 1500 }] }, /60 mm/],
    ['bars.bottom[0].main.size', { bars: { bottom: [{ main: { size: '17', spacing: 150 } }] } }, /no bar "17"/],
    ['bars.support[1].bars.spacing', { bars: { support: [{}, { bars: { size: '12', spacing: 0 } }] } }, /40 mm and 1 m/],
    [
      'bars.bottom[0].extra.to',
      { bars: { bottom: [{ extra: { bars: { size: '12', spacing: 200 }, from: 3000, to: 2000 } }] } },
      /end beyond/,
    ],
    ['loads[0].width', { loads: [{ type: 'point', case: 'G', span: 0, at: 1000, load: 10, width: 0 }] }, /width of slab/],
    ['loads[0].at', { loads: [{ type: 'line', case: 'G', span: 0, at: 9000, force: 3 }] }, /off the span/],
    ['loads[0].case', { loads: [{ type: 'uniform', case: 'X', value: 3 }] }, /no load case/],
    ['supports', { supports: [{ type: 'free' }, { width: 200 }, { type: 'free' }, { type: 'free' }] }, /./],
    ['materials.concreteStrength', { materials: { concreteStrength: 5 } }, /fck/],
  ])('%s', (path, change, words) => {
    const r = design(change);
    expect(r.faults.map((f) => f.path)).toContain(path === 'supports' ? 'supports[2].type' : path);
    expect(r.faults.some((f) => words.test(f.reason))).toBe(true);
    expect(r.checks).toEqual([]);
  });
  it('no load at all is said, and no figure shown', () => {
    const r = design({ selfWeight: false, loads: [] });
    expect(r.faults).toEqual([]);
    expect(r.checks.map((c) => c.id)).toEqual(['nothing']);
    expect(r.checks[0]!.reason).toMatch(/slab/);
    expect(check(design({ selfWeight: false, loads: [], cases: [] }), 'nothing').reason).toMatch(/combination/);
  });
  it('any slab gives a result or faults, never a figure that is none', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 200, max: 9000 }), { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 70, max: 400 }),
        fc.constantFrom('pinned', 'fixed', 'free', 'spring'),
        fc.double({ min: 0, max: 40, noNaN: true }),
        (spans, h, first, q) => {
          const r = design({
            h,
            spans: spans.map((length) => ({ length })),
            supports: [{ type: first, width: first === 'free' ? 0 : 150 }, ...spans.map(() => ({ width: 150 }))],
            loads: [{ type: 'uniform', case: 'Q', value: q }],
          });
          for (const c of r.checks) {
            expect(Number.isNaN(c.utilisation)).toBe(false);
            expect(c.status === 'exceeds' && !c.reason && c.family !== 'crack').toBe(false);
          }
        },
      ),
      { numRuns: 25 },
    );
  });
});
