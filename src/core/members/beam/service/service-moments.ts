import { arrange, peakPositions, worstInBending, type Arrangement, type CaseResponse } from '../../../analysis/envelope';
import type { Combination } from '../../../analysis/combination';
import { elementAt, momentAt, type Mesh } from '../../../analysis/line-beam';
import type { DesignCode } from '../../../codes/design-code';
import type { ServiceLoads } from '../../../codes/service-rules';
import type { BeamAnalysis } from '../analysis';
import type { PreparedBeam } from '../prepared';

/** Closer than this is one place (mm). */
const ONE_PLACE = 1e-3;

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

/** Largest and smallest moment at a place (N mm), with which of the arrangements brings it. */
export interface Extremes {
  readonly max: number;
  readonly min: number;
  readonly maxBy: number;
  readonly minBy: number;
}

/** The extremes at a place of a span (mm from the left end of the beam) over some arrangements; where a moment is applied, of both its sides. */
function extremesAt(mesh: Mesh, arrangements: readonly Arrangement[], span: number, x: number): Extremes {
  const [first, last] = [mesh.supportNode[span]!, mesh.supportNode[span + 1]! - 1];
  let e = first;
  while (e < last && mesh.x[e + 1]! < x - ONE_PLACE) e += 1;
  const isBesideNext = e < last && mesh.x[e + 1]! < x + ONE_PLACE;
  let [max, min, maxBy, minBy] = [-Infinity, Infinity, 0, 0];
  arrangements.forEach(({ response: { elements } }, k) => {
    const here = momentAt(elements, e, x - mesh.x[e]!);
    const beside = isBesideNext ? momentAt(elements, e + 1, x - mesh.x[e + 1]!) : here;
    if (Math.max(here, beside) > max) [max, maxBy] = [Math.max(here, beside), k];
    if (Math.min(here, beside) < min) [min, minBy] = [Math.min(here, beside), k];
  });
  return { max, min, maxBy, minBy };
}

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

const arranged = new WeakMap<BeamAnalysis['elastic'], Map<ServiceLoads, readonly Arrangement[]>>();

/** Arrangements of a kind of service loads; elastic moments, since redistribution holds for strength alone. Laid out once for an analysis. */
export function serviceArrangements(
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  loads: ServiceLoads,
): readonly Arrangement[] {
  let known = arranged.get(analysis.elastic);
  if (!known) arranged.set(analysis.elastic, (known = new Map<ServiceLoads, readonly Arrangement[]>()));
  let found = known.get(loads);
  if (!found) known.set(loads, (found = layOut(beam, code, analysis, loads)));
  return found;
}

function layOut(beam: PreparedBeam, code: DesignCode, analysis: BeamAnalysis, loads: ServiceLoads): Arrangement[] {
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
  /** The arrangements of the largest. */
  readonly full: readonly Arrangement[];
  readonly fullNames: readonly string[];
  readonly crackMoments: MomentRange;
  readonly crackNames: readonly string[];
  /** Both at any place of a span (mm from the left end of the beam). */
  readonly largestAt: (span: number, x: number) => Extremes;
  readonly crackAt: (span: number, x: number) => Extremes;
  /** Where either is largest between loads (mm from the left end of the beam). */
  readonly peaks: readonly number[];
}

/** Undefined where there is no service combination. */
export function serviceMoments(beam: PreparedBeam, code: DesignCode, analysis: BeamAnalysis): ServiceMoments | undefined {
  const grid = makeGrid(beam, analysis.mesh);
  const range = (loads: ServiceLoads) => {
    const arrangements = worstInBending(analysis.mesh, serviceArrangements(beam, code, analysis, loads));
    const names = arrangements.map((a) => [a.combination.id, a.label].filter(Boolean).join(', '));
    const moments = arrangements.map((a) => momentsOn(grid, a));
    const at = (span: number, x: number) => extremesAt(analysis.mesh, arrangements, span, x);
    return { arrangements, names, moments: rangeOf(moments, grid.x.length), at, peaks: peakPositions(analysis.mesh, arrangements) };
  };
  const full = range(code.service.fullLoads);
  if (full.names.length === 0) return undefined;
  const own = code.service.crackLoads === code.service.fullLoads ? full : range(code.service.crackLoads);
  // Without loads of their own cracks are checked for the full ones, and the ladder says so.
  const isTold = analysis.combinations.some((k) => k.kind === code.service.crackLoads);
  const crack = isTold ? own : full;
  return {
    grid,
    largest: full.moments,
    full: full.arrangements,
    fullNames: full.names,
    crackMoments: crack.moments,
    crackNames: crack.names,
    largestAt: full.at,
    crackAt: crack.at,
    peaks: [...full.peaks, ...crack.peaks],
  };
}
