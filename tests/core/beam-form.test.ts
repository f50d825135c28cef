import fc from 'fast-check';
import { silent } from '@/core/calc/calc';
import { makeCode } from '@/core/codes/registry';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';

const codes = {
  en1992: { id: 'en1992', variant: 'recommended', choices: {} },
  aci318: { id: 'aci318', variant: 'SI', choices: {} },
  as3600: { id: 'as3600', variant: '2018', choices: {} },
};
const base = {
  type: 'beam',
  id: 'b',
  mark: 'B1',
  section: { shape: 'rectangular', b: 250, h: 600 },
  spans: [{ length: 8000 }, { length: 8000 }],
  supports: [
    { type: 'pinned', width: 300 },
    { type: 'pinned', width: 300 },
    { type: 'pinned', width: 300 },
  ],
  cases: [
    { id: 'G', nature: 'permanent' },
    { id: 'Q', nature: 'imposed', category: 'B' },
  ],
  loads: ['G', 'Q'].flatMap((kase) => [0, 1].map((span) => ({ type: 'uniform', case: kase, span, value: kase === 'G' ? 15 : 12 }))),
};
function checks(code: object, change: object = {}) {
  const read = readProject({ format: 'intarsia', version: 1, code, members: [{ ...base, ...change }] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const result = designNow(read.project, read.project.members[0]!);
  return { ...result, find: (id: string) => result.checks.find((c) => c.id === id) };
}

describe('beams held sideways only here and there', () => {
  const q = { b: 250, h: 600, isCantilever: false };
  it('by hand: EN 5.9(3), ACI 9.2.3.1, AS 8.9', () => {
    // 50 250 / (600/250)^(1/3) = 12500 / 1.338866 = 9336; 50 250 = 12 500; min(180 250/600, 60) 250 = min(75, 60) 250 = 15 000
    expect(makeCode(codes.en1992).beamForm.lateral(silent, q).value).toBeCloseTo(9336.26, 1);
    expect(makeCode(codes.aci318).beamForm.lateral(silent, q).value).toBe(12_500);
    expect(makeCode(codes.as3600).beamForm.lateral(silent, q).value).toBe(15_000);
    // a cantilever: min(100 250/600, 25) 250 = 6250; deep: min(100 150/900, 25) 150 = 2500
    expect(makeCode(codes.as3600).beamForm.lateral(silent, { ...q, isCantilever: true }).value).toBe(6250);
    expect(makeCode(codes.as3600).beamForm.lateral(silent, { b: 150, h: 900, isCantilever: true }).value).toBeCloseTo(2500, 6);
  });

  it('is asked only where it is typed, at most over the span, and bounds the depth to EN', () => {
    expect(checks(codes.en1992).find('lateral')).toBeUndefined();
    expect(checks(codes.en1992, { lateralHold: 20_000 }).find('lateral')!.demand!.value).toBe(8000);
    expect(checks(codes.en1992, { lateralHold: 4000 }).find('lateral-aspect')!.utilisation).toBeCloseTo(2.4 / 2.5, 9);
    const thin = { section: { shape: 'rectangular', b: 120, h: 600 }, lateralHold: 6000 };
    // 50 120 / 5^(1/3) = 3508.8
    expect(checks(codes.en1992, thin).find('lateral')!.status).toBe('exceeds');
    expect(checks(codes.en1992, thin).find('lateral')!.capacity!.value).toBeCloseTo(3508.8, 0);
    expect(checks(codes.en1992, { lateralHold: -1 }).faults.map((f) => f.path)).toEqual(['lateralHold']);
  });

  it('the narrower face of a flanged beam counts', () => {
    const T = { section: { shape: 'T', b: 250, h: 600, flangeWidth: 1200, flangeDepth: 150 }, lateralHold: 4000 };
    expect(checks(codes.aci318, T).find('lateral')!.capacity!.value).toBe(12_500);
  });

  it('never allows more for a deeper or a narrower beam', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.values(codes)),
        fc.integer({ min: 100, max: 600 }),
        fc.integer({ min: 200, max: 2000 }),
        fc.boolean(),
        (code, b, h, isCantilever) => {
          const at = (p: object) => makeCode(code).beamForm.lateral(silent, { b, h, isCantilever, ...p }).value;
          expect(at({ h: h + 50 })).toBeLessThanOrEqual(at({}));
          expect(at({ b: b + 20 })).toBeGreaterThanOrEqual(at({}));
        },
      ),
    );
  });
});

describe('bars that run through beams along the edge, ACI 318 9.7.7.1', () => {
  it('a quarter of the bottom steel and a sixth of that over the supports, two bars at least', () => {
    const { find } = checks(codes.aci318, { isPerimeter: true });
    const [bottom, top] = [find('integrity-bottom')!, find('integrity-top')!];
    expect(bottom.clause).toBe('9.7.7.1(a)');
    expect(top.clause).toBe('9.7.7.1(b)');
    expect(bottom.status).toBe('holds');
    expect(checks(codes.aci318).find('integrity-top')).toBeUndefined();
    expect(checks(codes.en1992, { isPerimeter: true }).find('integrity-top')).toBeUndefined();
  });

  it('too few through the top of a span are said', () => {
    const many = { count: 6, size: 'No.32' };
    const bars = {
      bottom: [{ main: { count: 4, size: 'No.25' } }, { main: { count: 4, size: 'No.25' } }],
      top: [{ main: { count: 2, size: 'No.10' } }, { main: { count: 2, size: 'No.10' } }],
      support: [{}, { bars: many }, {}],
    };
    const heavy = base.loads.map((l) => ({ ...l, value: 2 * l.value }));
    const { find } = checks(codes.aci318, { isPerimeter: true, bars, loads: heavy, section: { shape: 'rectangular', b: 400, h: 600 } });
    const top = find('integrity-top')!;
    // Two of No. 10: 142 mm2 against a sixth of what the middle support needs.
    expect(top.capacity!.value).toBeCloseTo(142, 0);
    expect(top.demand!.value).toBeGreaterThan(142);
    expect(top.status).toBe('exceeds');
  });
});
