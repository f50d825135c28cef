import { everyMask, spanMasks, worstMasks, type PatternRule } from '@/core/analysis/arrangements';
import type { Combination, LoadCase } from '@/core/analysis/combination';
import { arrange, envelope, peakPositions, placeStations, type CaseResponse } from '@/core/analysis/envelope';
import {
  analyse,
  deflectionAt,
  makeMesh,
  momentAt,
  shearAt,
  superpose,
  type LineBeam,
  type LineLoad,
  type LineSupport,
  type Mesh,
  type Response,
  type UnitCase,
} from '@/core/analysis/line-beam';
import { redistribute } from '@/core/analysis/redistribution';
import { expectCase, referenceCases } from './reference';

const cases = referenceCases('analysis');

interface RawModel {
  spans: { length_m: number; EI_kNm2?: number; segments?: { length_m: number; EI_kNm2: number }[] }[];
  supports: { type: 'pinned' | 'fixed'; columns?: { EI_kNm2: number; height_m: number; far_end: 'fixed' | 'pinned' }[] }[];
  loads: Record<string, never>[];
}

function lineBeam(model: RawModel): LineBeam {
  return {
    spans: model.spans.map((s) => ({
      length: s.length_m * 1e3,
      stiffness: s.segments ? s.segments.map((g) => ({ length: g.length_m * 1e3, stiffness: g.EI_kNm2 * 1e9 })) : s.EI_kNm2! * 1e9,
    })),
    supports: model.supports.map((s): LineSupport => {
      const column = (s.columns ?? []).reduce((k, c) => k + ((c.far_end === 'fixed' ? 4 : 3) * c.EI_kNm2 * 1e9) / (c.height_m * 1e3), 0);
      return { vertical: 'held', rotation: s.type === 'fixed' ? 'held' : column > 0 ? column : 'free' };
    }),
  };
}

function loadOf(raw: Record<string, number | string>, model: RawModel): LineLoad[] {
  const span = raw.span as number;
  const L = span === undefined ? 0 : model.spans[span]!.length_m * 1e3;
  const n = (key: string) => raw[key] as number;
  switch (raw.type) {
    case 'udl':
      return [{ kind: 'distributed', span, from: 0, to: L, start: n('q_kN_per_m'), end: n('q_kN_per_m') }];
    case 'partial':
      return [{ kind: 'distributed', span, from: n('a_m') * 1e3, to: n('b_m') * 1e3, start: n('q_kN_per_m'), end: n('q_kN_per_m') }];
    case 'trapezoid':
      return [{ kind: 'distributed', span, from: 0, to: L, start: n('qa_kN_per_m'), end: n('qb_kN_per_m') }];
    case 'moment':
      return [{ kind: 'moment', span, at: n('x_m') * 1e3, moment: n('M_kNm') * 1e6 }];
    default:
      return [];
  }
}

/** Solves the model with each case factored, and reads out the values that the cases name. */
function solve(id: string) {
  const { model, factors } = cases.get(id)!.inputs as unknown as { model: RawModel; factors?: Record<string, number> };
  const beam = lineBeam(model);
  const units = model.loads.map((raw): UnitCase => {
    const r = raw as Record<string, number | string>;
    if (r.type === 'settlement') return { loads: [], settlements: [{ support: r.support as number, value: (r.value_m as number) * 1e3 }] };
    return { loads: loadOf(r, model) };
  });
  const mesh = makeMesh(beam, units);
  const factor = model.loads.map((raw) => factors?.[(raw as Record<string, string>).case!] ?? 1);
  return { beam, mesh, r: superpose(analyse(beam, mesh, units), factor) };
}

const left = (mesh: Mesh, r: Response, support: number) =>
  momentAt(r.elements, mesh.supportNode[support]! - 1, mesh.x[mesh.supportNode[support]!]! - mesh.x[mesh.supportNode[support]! - 1]!) / 1e6;
const right = (mesh: Mesh, r: Response, support: number) => momentAt(r.elements, mesh.supportNode[support]!, 0) / 1e6;
function spanExtreme(mesh: Mesh, span: number, f: (e: number, s: number) => number, pick: (a: number, b: number) => number): number {
  let best = pick(-Infinity, Infinity) === Infinity ? -Infinity : Infinity;
  for (let e = 0; e < mesh.stiffness.length; e += 1) {
    if (mesh.spanOf[e] !== span) continue;
    const l = mesh.x[e + 1]! - mesh.x[e]!;
    for (let k = 0; k <= 4000; k += 1) best = pick(best, f(e, (k * l) / 4000));
  }
  return best;
}
const maxM = (mesh: Mesh, r: Response, span: number) => spanExtreme(mesh, span, (e, s) => momentAt(r.elements, e, s), Math.max) / 1e6;
const maxW = (mesh: Mesh, r: Response, span: number) => spanExtreme(mesh, span, (e, s) => deflectionAt(r.elements, mesh, e, s), Math.max);

/** Reads a result by the name of its key in the case. */
function value(key: string, mesh: Mesh, r: Response): number {
  const n = Number(/(\d+)/.exec(key)?.[1] ?? 0);
  if (/^R\d/.test(key)) return r.reactions[n]! / 1e3;
  if (key === 'R_fixed_kN') return r.reactions[0]! / 1e3;
  if (key === 'R_prop_kN') return r.reactions[1]! / 1e3;
  if (key === 'M_left_kNm' || key === 'M_fixed_kNm') return right(mesh, r, 0);
  if (key === 'M_right_kNm') return left(mesh, r, mesh.supportNode.length - 1);
  if (/^M_span/.test(key)) return maxM(mesh, r, n);
  if (/^w_span/.test(key)) return maxW(mesh, r, n);
  if (key === 'M_max_kNm') return maxM(mesh, r, 0);
  if (key === 'w_max_mm') return maxW(mesh, r, 0);
  if (/^M\d_left/.test(key)) return left(mesh, r, n);
  if (/^M\d_right/.test(key) || key === 'M0_kNm') return right(mesh, r, n);
  return left(mesh, r, n);
}

describe('single load states', () => {
  test.each(['BM-01', 'BM-02', 'BM-03', 'BM-05', 'BM-06', 'BM-08', 'BM-15'])('%s', (id) => {
    const { mesh, r } = solve(id);
    const actual = Object.fromEntries(Object.keys(cases.get(id)!.expected).map((key) => [key, value(key, mesh, r)]));
    expectCase(cases.get(id)!, actual);
  });
  test('BM-07 point moment', () => {
    const { mesh, r } = solve('BM-07');
    const at = mesh.supportNode[1]! + 1;
    const l = mesh.x[at]! - mesh.x[at - 1]!;
    expectCase(cases.get('BM-07')!, {
      R0_kN: r.reactions[0]! / 1e3,
      R1_kN: r.reactions[1]! / 1e3,
      R2_kN: r.reactions[2]! / 1e3,
      M1_kNm: left(mesh, r, 1),
      M_left_of_couple_kNm: momentAt(r.elements, at - 1, l) / 1e6,
      M_right_of_couple_kNm: momentAt(r.elements, at, 0) / 1e6,
    });
  });
  test('BM-09, BM-10 columns as springs 4EI/h and 3EI/h', () => {
    for (const id of ['BM-09', 'BM-10']) {
      const { mesh, r } = solve(id);
      const model = (cases.get(id)!.inputs as unknown as { model: RawModel }).model;
      const share = (support: number, column: number) => {
        const k = model.supports[support]!.columns!.map((c) => ((c.far_end === 'fixed' ? 4 : 3) * c.EI_kNm2) / c.height_m);
        // The reference gives the column's moment on the joint, clockwise: against the moment that the joint's columns put on the beam.
        return (r.supportMoments[support]! / 1e6) * (k[column]! / k.reduce((a, b) => a + b, 0));
      };
      const actual = Object.fromEntries(
        Object.keys(cases.get(id)!.expected).map((key) => {
          const col = /^col(\d)(_above)?/.exec(key);
          return [key, col ? share(Number(col[1]), col[2] ? 1 : 0) : value(key, mesh, r)];
        }),
      );
      expectCase(cases.get(id)!, actual);
    }
  });
});

describe('envelopes', () => {
  test.each(['BM-18', 'BM-20', 'BM-21', 'BM-25'])('%s', (id) => {
    const reference = cases.get(id)!;
    const input = reference.inputs as unknown as {
      model: RawModel;
      pattern: string;
      combination: Record<string, { min: number; max: number; pattern?: boolean }>;
      redistribution?: Record<string, number>;
    };
    const beam = lineBeam(input.model);
    const spans = beam.spans.length;
    const q = (c: string, span: number) => ({
      loads: input.model.loads
        .filter((l) => (l as Record<string, unknown>).case === c && (l as Record<string, unknown>).span === span)
        .flatMap((l) => loadOf(l as never, input.model)),
    });
    const units = [...beam.spans.keys()].flatMap((span) => [q('G', span), q('Q', span)]);
    const mesh = makeMesh(beam, units);
    const delta = beam.supports.map((_, i) => input.redistribution?.[i] ?? 1);
    const responses = analyse(beam, mesh, units).map((r) => redistribute(beam, mesh, r, delta));
    const make = (id: string, offset: number, pattern: boolean): CaseResponse => ({
      loadCase: { id, title: id, nature: id === 'G' ? 'permanent' : 'imposed', category: 'A', pattern } satisfies LoadCase,
      parts: [...beam.spans.keys()].map((span) => ({ span, response: responses[2 * span + offset]! })),
    });
    const { G } = input.combination;
    const combos = [...new Set([G!.max, G!.min])].map((g, k): Combination => ({
      id: `U${k + 1}`,
      title: '',
      kind: 'ultimate',
      clause: '',
      factors: [
        { caseId: 'G', factor: g },
        { caseId: 'Q', factor: 1.5 },
      ],
    }));
    const rule = (input.pattern === 'exhaustive' ? 'exhaustive' : 'alternateAndAdjacent') as PatternRule;
    let arrangements = arrange(combos, [make('G', 0, false), make('Q', 1, true)], mesh, spans, rule);
    // The first case wants the alternate arrangements only.
    if (input.pattern === 'alternate') arrangements = arrangements.slice(0, 2);
    const stations = placeStations(mesh, peakPositions(mesh, arrangements), 60);
    const env = envelope(
      mesh,
      beam,
      arrangements,
      stations,
      beam.supports.map(() => ({ half: 0, rule: 'face' as const })),
    );
    const inSpan = (values: Float64Array, span: number, pick: (...v: number[]) => number) =>
      pick(...[...values].filter((_, i) => stations[i]!.span === span));
    const actual = Object.fromEntries(
      Object.keys(reference.expected).map((key) => {
        const n = Number(/(\d+)/.exec(key)?.[1] ?? 0);
        if (key === 'n_arrangements') return [key, arrangements.length];
        if (/^R\d_max/.test(key)) return [key, env.maxR[n]! / 1e3];
        if (/^V_span\d_min/.test(key)) return [key, inSpan(env.minV, n, Math.min) / 1e3];
        if (/^M_span\d_max/.test(key)) return [key, inSpan(env.maxM, n, Math.max) / 1e6];
        if (/^M_span\d_min/.test(key)) return [key, inSpan(env.minM, n, Math.min) / 1e6];
        const extreme = arrangements.map((a) =>
          spanExtreme(mesh, n, (e, s) => deflectionAt(a.response.elements, mesh, e, s), key.includes('min') ? Math.min : Math.max),
        );
        return [key, key.includes('min') ? Math.min(...extreme) : Math.max(...extreme)];
      }),
    );
    expectCase(reference, actual);
  });

  test('arrangements by influence equal all 2^n arrangements', () => {
    const effects = [
      [3, -1, 0.5],
      [-2, 4, 0.1],
      [1, 1, -7],
      [-0.5, 2, 2],
    ];
    const worst = worstMasks(effects);
    for (let p = 0; p < 3; p += 1) {
      const sum = (mask: readonly boolean[]) => mask.reduce((s, on, i) => s + (on ? effects[i]![p]! : 0), 0);
      expect(Math.max(...worst.map(sum))).toBeCloseTo(Math.max(...everyMask(4).map(sum)), 12);
      expect(Math.min(...worst.map(sum))).toBeCloseTo(Math.min(...everyMask(4).map(sum)), 12);
    }
    expect(spanMasks(4, 'alternateAndAdjacent')).toHaveLength(5);
  });
});

test('element curves agree: V is the slope of M', () => {
  const { mesh, r } = solve('BM-06');
  const h = 0.5;
  const slope = (momentAt(r.elements, 0, 2000 + h) - momentAt(r.elements, 0, 2000 - h)) / (2 * h);
  expect(slope).toBeCloseTo(shearAt(r.elements, 0, 2000), 2);
  expect(mesh.x[0]).toBe(0);
});
