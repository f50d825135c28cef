import { heldSpan, integrateCurvature } from '../../../analysis/curvature';
import type { Arrangement } from '../../../analysis/envelope';
import { deflectionAt, STRIDE, type Response } from '../../../analysis/line-beam';
import type { DesignCode } from '../../../codes/design-code';
import type { DeflectionStage } from '../../../codes/service-rules';
import { meanCurvatureOver, meanStiffness } from '../../../section/mean-curvature';
import type { BeamAnalysis } from '../analysis';
import { momentsOn, rangeOf, serviceArrangements, STEPS, type Grid, type MomentRange } from './service-moments';
import type { StiffnessMap } from './stiffness-map';
import type { Sense } from '../sense';
import type { PreparedBeam } from '../prepared';

/** Deflection at the ends of all steps of all spans (mm, positive down), largest and smallest over the arrangements of a stage. */
export interface StageDeflection {
  readonly stage: DeflectionStage;
  readonly max: Float64Array;
  readonly min: Float64Array;
}

export interface DeflectionBasis {
  readonly beam: PreparedBeam;
  readonly code: DesignCode;
  readonly analysis: BeamAnalysis;
  readonly stiffness: StiffnessMap;
  readonly grid: Grid;
  /** Moments that crack sections for good. */
  readonly largest: MomentRange;
}

const senseOf = (m: number): Sense => (m >= 0 ? 'sagging' : 'hogging');

/** Every stage of the code with each of its arrangements integrated; arrangements of no load are left out. */
export function stageDeflections(basis: DeflectionBasis): StageDeflection[] {
  return basis.code.service.stages.map((stage) => {
    const arrangements = serviceArrangements(basis.beam, basis.code, basis.analysis, stage.loads);
    const shapes = arrangements.map((a) => deflectedShape(basis, stage, a).deflection);
    const { max, min } = rangeOf(shapes, basis.beam.spans.length * (STEPS + 1));
    return { stage, max, min };
  });
}

/** One arrangement: moment (N mm) and curvature (1/mm) in the steps, slope (rad) and deflection (mm) at their ends, span after span. */
export interface DeflectedShape {
  readonly moments: Float64Array;
  readonly curvature: Float64Array;
  readonly slope: Float64Array;
  readonly deflection: Float64Array;
}

/** An arrangement by integrated curvature: spans held at their supports, cantilevers turning with their root. */
export function deflectedShape(basis: DeflectionBasis, stage: DeflectionStage, arrangement: Arrangement): DeflectedShape {
  const { beam, grid, analysis } = basis;
  const moments = momentsOn(grid, arrangement);
  const curvature = curvatures(basis, stage, moments);
  const of = (span: number) => curvature.subarray(span * STEPS, (span + 1) * STEPS);
  const n = beam.spans.length;
  const [deflection, slope] = [new Float64Array(n * (STEPS + 1)), new Float64Array(n * (STEPS + 1))];
  const put = (i: number, found: { readonly deflection: Float64Array; readonly slope: Float64Array }) => {
    deflection.set(found.deflection, i * (STEPS + 1));
    slope.set(found.slope, i * (STEPS + 1));
  };
  const at = (support: number) => supportDisplacement(arrangement.response, analysis, support);
  const isFree = (support: number) => beam.supports[support]!.type === 'free';
  const isCantilever = (i: number) => isFree(i) || isFree(i + 1);
  beam.spans.forEach((_, i) => !isCantilever(i) && put(i, heldSpan(grid.step[i]!, of(i), at(i), at(i + 1))));
  beam.spans.forEach((_, i) => {
    if (!isCantilever(i)) return;
    const h = grid.step[i]!;
    if (isFree(i + 1)) {
      const root = i > 0 && !isCantilever(i - 1) ? slope[i * (STEPS + 1) - 1]! : 0;
      put(i, integrateCurvature(h, of(i), root, at(i)));
    } else {
      // Seen from the root, a cantilever to the left is one to the right with its curvature in reverse and its slope turned.
      const root = i + 1 < n && !isCantilever(i + 1) ? -slope[(i + 1) * (STEPS + 1)]! : 0;
      const seen = integrateCurvature(h, of(i).slice().reverse(), root, at(i + 1));
      put(i, { deflection: seen.deflection.reverse(), slope: seen.slope.reverse().map((v) => -v) });
    }
  });
  return { moments, curvature, slope, deflection };
}

/** Displacement of a support, by a spring or a settlement (mm, positive down), from the elastic analysis. */
function supportDisplacement(response: Response, { mesh }: BeamAnalysis, support: number): number {
  const node = mesh.supportNode[support]!;
  if (node < mesh.stiffness.length) return response.elements[STRIDE * node + 4]!;
  return deflectionAt(response.elements, mesh, node - 1, mesh.x[node]! - mesh.x[node - 1]!);
}

/** Mean curvature in each step (1/mm, sagging positive). */
export function curvatures(basis: DeflectionBasis, stage: DeflectionStage, moments: Float64Array): Float64Array {
  const { grid, stiffness, code } = basis;
  if (code.service.stiffnessBy !== 'section') return moments.map((m, i) => m / spanStiffness(basis, stage, moments, grid.span[i]!));
  const most = crackingMoments(basis, stage, moments);
  const kappa = new Float64Array(moments.length);
  for (let i = 0; i < moments.length; i += 1) {
    const m = moments[i]!;
    const sense = senseOf(m);
    const own = most[sense];
    const here = own[i]!;
    const left = i % STEPS === 0 ? here : (own[i - 1]! + here) / 2;
    const right = i % STEPS === STEPS - 1 ? here : (here + own[i + 1]!) / 2;
    const k = meanCurvatureOver(stiffness.at(i, sense, stage.age), Math.abs(m), left, here, right);
    kappa[i] = sense === 'sagging' ? k : -k;
  }
  return kappa;
}

/** The largest moment so far in each step, by sense (N mm, positive). */
function crackingMoments({ largest }: DeflectionBasis, stage: DeflectionStage, moments: Float64Array): Record<Sense, Float64Array> {
  if (stage.crackedBy === 'own') {
    const own = moments.map(Math.abs);
    return { sagging: own, hogging: own };
  }
  return { sagging: largest.max.map((v) => Math.max(0, v)), hogging: largest.min.map((v) => Math.max(0, -v)) };
}

const spanKnown = new WeakMap<Float64Array, Map<number, number>>();

/** One stiffness for a span (N mm2): midspan, or the mean of midspan and the mean of its continuous ends; a cantilever's is that of its root. */
function spanStiffness(basis: DeflectionBasis, stage: DeflectionStage, moments: Float64Array, span: number): number {
  let known = spanKnown.get(moments);
  if (!known) spanKnown.set(moments, (known = new Map<number, number>()));
  const before = known.get(span);
  if (before !== undefined) return before;
  const { beam, stiffness, code } = basis;
  const own = moments.subarray(span * STEPS, (span + 1) * STEPS);
  const at = (k: number) => {
    const sense = senseOf(own[k]!);
    return meanStiffness(stiffness.at(span * STEPS + k, sense, stage.age), Math.abs(own[k]!));
  };
  const [left, right] = [beam.supports[span]!, beam.supports[span + 1]!];
  const peak = own.reduce((best, m, k) => (m > own[best]! ? k : best), Math.floor(STEPS / 2));
  const ends = [...(own[0]! < 0 ? [at(0)] : []), ...(own[STEPS - 1]! < 0 ? [at(STEPS - 1)] : [])];
  const isCantilever = left.type === 'free' || right.type === 'free';
  const mean = ends.length > 0 ? ends.reduce((a, b) => a + b, 0) / ends.length : 0;
  const made = isCantilever
    ? at(left.type === 'free' ? STEPS - 1 : 0)
    : code.service.stiffnessBy === 'midspan' || ends.length === 0
      ? at(peak)
      : (at(peak) + mean) / 2;
  known.set(span, made);
  return made;
}

/** Positions of the ends of the steps along the beam, span after span (mm). */
export function stepEnds(beam: PreparedBeam): Float64Array {
  const { starts } = beam;
  return Float64Array.from({ length: beam.spans.length * (STEPS + 1) }, (_, i) => {
    const span = Math.floor(i / (STEPS + 1));
    return starts[span]! + ((i % (STEPS + 1)) * beam.spans[span]!.length) / STEPS;
  });
}
