import { heldSpan, integrateCurvature } from '../../../analysis/curvature';
import type { Arrangement } from '../../../analysis/envelope';
import { deflectionAt, STRIDE, type Response } from '../../../analysis/line-beam';
import type { DesignCode } from '../../../codes/design-code';
import type { DeflectionStage } from '../../../codes/service-rules';
import { meanCurvatureOver, meanStiffness } from '../../../section/mean-curvature';
import type { BeamAnalysis } from '../analysis';
import {
  jumpsOn,
  momentsOn,
  rangeOf,
  serviceArrangements,
  STEPS,
  type Grid,
  type Jump,
  type MomentRange,
  type ServiceMoments,
} from './service-moments';
import { compatibleMoments, type Bending, type Compatible } from './compatible-moments';
import type { StiffnessMap } from './stiffness-map';
import { holdsMoment } from '../holds-moment';
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
  /** Moments that crack sections for good; and those that would, did the beam not crack. */
  readonly largest: MomentRange;
  readonly uncracked?: MomentRange;
}

const senseOf = (m: number): Sense => (m >= 0 ? 'sagging' : 'hogging');

/** The state in which the largest loads crack a beam for the first time. */
const FIRST_LOAD: DeflectionStage = { id: 'first', loads: 'characteristic', age: 'immediate', crackedBy: 'own' };

/**
 * The moments that crack sections for good: those of the largest loads at once, as the beam holds together while it cracks. Where the code has
 * each load crack for itself nothing is asked for.
 */
export function crackingRange(
  basis: Omit<DeflectionBasis, 'largest'>,
  { largest: uncracked, full }: Pick<ServiceMoments, 'largest' | 'full'>,
): MomentRange {
  const { code, grid } = basis;
  if (code.service.stages.every((stage) => stage.crackedBy === 'own')) return uncracked;
  const whole: DeflectionBasis = { ...basis, largest: uncracked };
  // Those arrangements that are the largest somewhere before anything cracks.
  const named = new Set([...uncracked.maxBy, ...uncracked.minBy]);
  return rangeOf(
    full.filter((_, k) => named.has(k)).map((a) => deflectedShape(whole, FIRST_LOAD, a).moments),
    grid.x.length,
  );
}

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

/** An arrangement by integrated curvature, with the moments with which the cracked beam holds together. Cantilevers turn with their root. */
export function deflectedShape(basis: DeflectionBasis, stage: DeflectionStage, arrangement: Arrangement): DeflectedShape {
  const { beam, grid } = basis;
  const { moments, displaced } = uncrackedState(basis, arrangement);
  const jumps = jumpsOn(grid, basis.analysis.mesh, arrangement);
  const bend = (m: Float64Array) => bending(basis, stage, m, jumps);
  // Known moments are those of the beam as it is: they stay.
  if (beam.mode === 'stations') return shapeOf(basis, { moments, displaced, bending: bend(moments) });
  return shapeOf(basis, compatibleMoments(beam, grid, moments, displaced, bend));
}

/** The same span by span with the moments of the uncracked beam: over the supports the slopes of the spans need not agree. */
export function shapeBySpans(basis: DeflectionBasis, stage: DeflectionStage, arrangement: Arrangement): DeflectedShape {
  const state = uncrackedState(basis, arrangement);
  const plain = { ...basis, largest: basis.uncracked ?? basis.largest };
  const jumps = jumpsOn(basis.grid, basis.analysis.mesh, arrangement);
  return shapeOf(basis, { ...state, bending: bending(plain, stage, state.moments, jumps) });
}

const uncrackedState = ({ beam, grid, analysis }: DeflectionBasis, arrangement: Arrangement) => ({
  moments: momentsOn(grid, arrangement),
  displaced: beam.supports.map((_, j) => supportDisplacement(arrangement.response, analysis, j)),
});

function shapeOf({ beam, grid }: DeflectionBasis, { moments, displaced, bending: { curvature } }: Compatible): DeflectedShape {
  const of = (span: number) => curvature.subarray(span * STEPS, (span + 1) * STEPS);
  const n = beam.spans.length;
  const [deflection, slope] = [new Float64Array(n * (STEPS + 1)), new Float64Array(n * (STEPS + 1))];
  const put = (i: number, found: { readonly deflection: Float64Array; readonly slope: Float64Array }) => {
    deflection.set(found.deflection, i * (STEPS + 1));
    slope.set(found.slope, i * (STEPS + 1));
  };
  const at = (support: number) => displaced[support]!;
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
  return { moments, curvature, slope, deflection: withoutChords(beam, deflection) };
}

/** What moves with the supports is no deflection of the span: the straight line between them, or the displacement of a root, is taken off. */
function withoutChords(beam: PreparedBeam, w: Float64Array): Float64Array {
  const n = STEPS + 1;
  return w.map((v, i) => {
    const [span, k] = [Math.floor(i / n), i % n];
    const [left, right] = [w[span * n]!, w[span * n + STEPS]!];
    if (beam.supports[span]!.type === 'free') return v - right;
    if (beam.supports[span + 1]!.type === 'free') return v - left;
    return v - left - ((right - left) * k) / STEPS;
  });
}

/** Displacement of a support, by a spring or a settlement (mm, positive down), from the elastic analysis. */
function supportDisplacement(response: Response, { mesh }: BeamAnalysis, support: number): number {
  const node = mesh.supportNode[support]!;
  if (node < mesh.stiffness.length) return response.elements[STRIDE * node + 4]!;
  return deflectionAt(response.elements, mesh, node - 1, mesh.x[node]! - mesh.x[node - 1]!);
}

/** By how much a moment is made larger to see what the curvature grows by. */
const GROWTH = 1e-4;

/**
 * How the beam bends under some moments: mean curvature in each step (1/mm, sagging positive), and what it grows by with the moment. The part of
 * a step beyond an applied moment bends as the next step does.
 */
export function bending(basis: DeflectionBasis, stage: DeflectionStage, moments: Float64Array, jumps: readonly Jump[]): Bending {
  const bent =
    basis.code.service.stiffnessBy === 'section' ? bendingBySections(basis, stage, moments, jumps) : bendingBySpans(basis, stage, moments);
  for (const { after, at } of jumps) {
    const [step, other] = at < 0.5 ? [after, after + 1] : [after + 1, after];
    const share = Math.abs(at - 0.5);
    for (const values of [bent.curvature, bent.flexibility]) values[step]! += share * (values[other]! - values[step]!);
  }
  return bent;
}

function bendingBySpans(basis: DeflectionBasis, stage: DeflectionStage, moments: Float64Array): Bending {
  const spans = basis.beam.spans.map((_, span) => spanStiffness(basis, stage, moments, span));
  const flexibility = moments.map((_, i) => 1 / spans[basis.grid.span[i]!]!);
  return { curvature: moments.map((m, i) => m * flexibility[i]!), flexibility };
}

function bendingBySections(basis: DeflectionBasis, stage: DeflectionStage, moments: Float64Array, jumps: readonly Jump[]): Bending {
  const [curvature, flexibility] = [new Float64Array(moments.length), new Float64Array(moments.length)];
  const most = crackingMoments(basis, stage, moments);
  const isBroken = new Uint8Array(moments.length);
  for (const { after } of jumps) isBroken[after] = 1;
  for (let i = 0; i < moments.length; i += 1) {
    const m = moments[i]!;
    const sense = senseOf(m);
    const own = most[sense];
    const here = own[i]!;
    const left = i % STEPS === 0 || isBroken[i - 1] ? here : (own[i - 1]! + here) / 2;
    const right = i % STEPS === STEPS - 1 || isBroken[i] ? here : (here + own[i + 1]!) / 2;
    const s = basis.stiffness.at(i, sense, stage.age);
    const size = Math.abs(m);
    const k = meanCurvatureOver(s, size, left, here, right);
    curvature[i] = sense === 'sagging' ? k : -k;
    // A larger moment cracks further only where no other has cracked the step more before.
    const grown = here > size * (1 + 1e-9) ? 1 : 1 + GROWTH;
    const more = meanCurvatureOver(s, size * (1 + GROWTH), left * grown, here * grown, right * grown);
    flexibility[i] = size > 1 ? (more - k) / (GROWTH * size) : 1 / s.uncracked;
  }
  return { curvature, flexibility };
}

/** The largest moment so far in each step, by sense (N mm, positive). */
function crackingMoments({ largest }: DeflectionBasis, stage: DeflectionStage, moments: Float64Array): Record<Sense, Float64Array> {
  if (stage.crackedBy === 'own') {
    const own = moments.map(Math.abs);
    return { sagging: own, hogging: own };
  }
  // Moments that move with the cracks may come above those that cracked the sections first.
  return {
    sagging: largest.max.map((v, i) => Math.max(0, v, moments[i]!)),
    hogging: largest.min.map((v, i) => Math.max(0, -v, -moments[i]!)),
  };
}

/**
 * One stiffness for a span (N mm2), ACI 318-19 24.2.3.6 and 24.2.3.7: that of the section with the largest sagging moment, or the mean of it and the mean
 * of the ends that pass moments on, where they hog; a cantilever's is that of its root. A span that no end holds has no mean: where moments applied
 * within it make it hog, the less stiff of both senses counts.
 */
function spanStiffness(basis: DeflectionBasis, stage: DeflectionStage, moments: Float64Array, span: number): number {
  const { beam, stiffness, code } = basis;
  const own = moments.subarray(span * STEPS, (span + 1) * STEPS);
  const under = (k: number, m: number) => meanStiffness(stiffness.at(span * STEPS + k, senseOf(m), stage.age), Math.abs(m));
  // The moment at the end itself: a parabola through the middles of the three steps beside it.
  const atEnd = (k: number, by: 1 | -1) => under(k, (15 * own[k]! - 10 * own[k + by]! + 3 * own[k + 2 * by]!) / 8);
  const [left, right] = [() => atEnd(0, 1), () => atEnd(STEPS - 1, -1)];
  if (beam.supports[span]!.type === 'free') return right();
  if (beam.supports[span + 1]!.type === 'free') return left();
  const ends = [
    ...(holdsMoment(beam, span) && own[0]! < 0 ? [left()] : []),
    ...(holdsMoment(beam, span + 1) && own[STEPS - 1]! < 0 ? [right()] : []),
  ];
  const peak = (sign: 1 | -1) => own.reduce((best, m, k) => (sign * m > sign * own[best]! ? k : best), Math.floor(STEPS / 2));
  const sagging = under(peak(1), own[peak(1)]!);
  if (ends.length === 0) return Math.min(sagging, under(peak(-1), own[peak(-1)]!));
  if (code.service.stiffnessBy === 'midspan') return sagging;
  return (sagging + ends.reduce((a, b) => a + b, 0) / ends.length) / 2;
}

/** Positions of the ends of the steps along the beam, span after span (mm). */
export function stepEnds(beam: PreparedBeam): Float64Array {
  const { starts } = beam;
  return Float64Array.from({ length: beam.spans.length * (STEPS + 1) }, (_, i) => {
    const span = Math.floor(i / (STEPS + 1));
    return starts[span]! + ((i % (STEPS + 1)) * beam.spans[span]!.length) / STEPS;
  });
}
