import { arrange, elementAt, type Arrangement, type CaseResponse } from '../../../analysis/envelope';
import type { Combination } from '../../../analysis/combination';
import { momentAt, type Mesh } from '../../../analysis/line-beam';
import type { DesignCode } from '../../../codes/design-code';
import type { ServiceLoads } from '../../../codes/service-rules';
import type { BeamAnalysis } from '../analysis';
import type { PreparedBeam } from '../prepared';

/** Steps of each span in which curvature is taken as constant. */
export const STEPS = 120;

/** The middles of the steps along the beam: element and distance in it, by span. */
export interface Grid {
  readonly step: readonly number[];
  readonly x: Float64Array;
  readonly span: Int32Array;
  readonly element: Int32Array;
  readonly s: Float64Array;
}

export function makeGrid(beam: PreparedBeam, mesh: Mesh): Grid {
  const n = beam.spans.length * STEPS;
  const grid = { x: new Float64Array(n), span: new Int32Array(n), element: new Int32Array(n), s: new Float64Array(n) };
  const { starts } = beam;
  beam.spans.forEach((span, i) => {
    for (let k = 0; k < STEPS; k += 1) {
      const at = i * STEPS + k;
      const x = starts[i]! + ((k + 0.5) * span.length) / STEPS;
      const element = elementAt(mesh, x);
      grid.x[at] = x;
      grid.span[at] = i;
      grid.element[at] = element;
      grid.s[at] = x - mesh.x[element]!;
    }
  });
  return { ...grid, step: beam.spans.map((s) => s.length / STEPS) };
}

/** Left end of a span (mm). */
export const startOf = ({ x, step }: Grid, span: number) => x[span * STEPS]! - step[span]! / 2;

/** The step in which a place lies. */
export const stepAt = (grid: Grid, span: number, x: number): number =>
  span * STEPS + Math.max(0, Math.min(STEPS - 1, Math.floor((x - startOf(grid, span)) / grid.step[span]!)));

/** A curve known in the middles of the steps, at any place of a span: straight between them, along a parabola to the ends. */
export function valueAt(grid: Grid, values: Float64Array, span: number, x: number): number {
  const at = (x - startOf(grid, span)) / grid.step[span]! - 0.5;
  const of = (k: number) => values[span * STEPS + k]!;
  if (at < 0) return beyond(of(0), of(1), of(2), -at);
  if (at > STEPS - 1) return beyond(of(STEPS - 1), of(STEPS - 2), of(STEPS - 3), at - STEPS + 1);
  const k = Math.min(STEPS - 2, Math.floor(at));
  return of(k) + (of(k + 1) - of(k)) * (at - k);
}

/** A parabola through three values a step apart, a part of a step before the first. */
const beyond = (a: number, b: number, c: number, t: number): number => a + t * (1.5 * a - 2 * b + 0.5 * c) + 0.5 * t ** 2 * (a - 2 * b + c);

/** The moments of one arrangement in the middle of each step (N mm). */
export function momentsOn(grid: Grid, { response }: Arrangement): Float64Array {
  const { s, element } = grid;
  const moments = new Float64Array(s.length);
  for (let i = 0; i < s.length; i += 1) moments[i] = momentAt(response.elements, element[i]!, s[i]!);
  return moments;
}

/** An applied moment between the middles of two steps of a span: the step before it, and how far it is from its middle (parts of a step, 0 to 1). */
export interface Jump {
  readonly after: number;
  readonly at: number;
}

/** Where the moments of an arrangement jump. */
export function jumpsOn(grid: Grid, mesh: Mesh, { response: { elements } }: Arrangement): Jump[] {
  const jumps: Jump[] = [];
  for (let node = 1; node < mesh.stiffness.length; node += 1) {
    if (mesh.supportNode.includes(node)) continue;
    const before = momentAt(elements, node - 1, mesh.x[node]! - mesh.x[node - 1]!);
    const beyond = momentAt(elements, node, 0);
    if (Math.abs(beyond - before) <= 1e-6 * Math.max(Math.abs(before), Math.abs(beyond), 1)) continue;
    const span = mesh.supportNode.findLastIndex((first) => first < node);
    // By the pieces that the middles of the steps lie in, so that a moment applied just in a middle is on one side of it alone.
    const next = grid.element.findIndex((element, i) => grid.span[i] === span && element >= node);
    if (next <= span * STEPS) continue;
    const after = next - 1;
    jumps.push({ after, at: (mesh.x[node]! - grid.x[after]!) / grid.step[span]! });
  }
  return jumps;
}

/** Largest and smallest moment over some arrangements, with which of them brings it. */
export interface MomentRange {
  readonly max: Float64Array;
  readonly min: Float64Array;
  readonly maxBy: Int32Array;
  readonly minBy: Int32Array;
}

export function rangeOf(moments: readonly Float64Array[], n: number): MomentRange {
  const range = { max: new Float64Array(n), min: new Float64Array(n), maxBy: new Int32Array(n), minBy: new Int32Array(n) };
  const { max, min, maxBy, minBy } = range;
  moments.forEach((m, k) => {
    for (let i = 0; i < n; i += 1) {
      const v = m[i]!;
      if (k === 0 || v > max[i]!) {
        max[i] = v;
        maxBy[i] = k;
      }
      if (k === 0 || v < min[i]!) {
        min[i] = v;
        minBy[i] = k;
      }
    }
  });
  return range;
}

/** Arrangements of a kind of service loads; elastic moments, since redistribution holds for strength alone. */
export function serviceArrangements(beam: PreparedBeam, code: DesignCode, analysis: BeamAnalysis, loads: ServiceLoads): Arrangement[] {
  const wanted = loads === 'permanent' ? permanentOnly(analysis) : analysis.combinations.filter((k) => k.kind === loads);
  return arrange(wanted, analysis.elastic, analysis.mesh, beam.spans.length, code.patternRule());
}

function permanentOnly({ elastic }: { readonly elastic: readonly CaseResponse[] }): Combination[] {
  const factors = elastic.filter((c) => c.loadCase.nature === 'permanent').map((c) => ({ caseId: c.loadCase.id, factor: 1 }));
  return [{ id: 'G', title: 'permanent loads', kind: 'service', clause: '', factors, isOwn: false }];
}

/** The moments of a beam in service along its spans, before anything is known of its bars. */
export interface ServiceMoments {
  readonly grid: Grid;
  /** Moments that crack sections for good, and those for which cracks are checked; with the names of what brings them. */
  readonly largest: MomentRange;
  readonly fullNames: readonly string[];
  readonly crackMoments: MomentRange;
  readonly crackNames: readonly string[];
}

/** Undefined where there is no service combination. */
export function serviceMoments(beam: PreparedBeam, code: DesignCode, analysis: BeamAnalysis): ServiceMoments | undefined {
  const grid = makeGrid(beam, analysis.mesh);
  const range = (loads: ServiceLoads) => {
    const arrangements = serviceArrangements(beam, code, analysis, loads);
    const names = arrangements.map((a) => [a.combination.id, a.label].filter(Boolean).join(', '));
    const moments = arrangements.map((a) => momentsOn(grid, a));
    return { names, moments: rangeOf(moments, grid.x.length) };
  };
  const full = range(code.service.fullLoads);
  if (full.names.length === 0) return undefined;
  const own = code.service.crackLoads === code.service.fullLoads ? full : range(code.service.crackLoads);
  // Without loads of their own cracks are checked for the full ones, and the ladder says so.
  const isTold = analysis.combinations.some((k) => k.kind === code.service.crackLoads);
  const crack = isTold ? own : full;
  return { grid, largest: full.moments, fullNames: full.names, crackMoments: crack.moments, crackNames: crack.names };
}
