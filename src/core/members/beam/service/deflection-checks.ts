import { silent } from '../../../calc/calc';
import type { DeflectionSum, ServiceLoads, SpanSystem } from '../../../codes/service-rules';
import { widthAt } from '../../../geometry/beam-outline';
import type { DerivableCheck } from '../../../checks/check';
import { compareCheck } from '../../../checks/compare';
import { besideCalculation, noSpanDepth } from '../../parts/beside-calculation';
import { holdsMoment } from '../holds-moment';
import type { ServiceStrips } from '../result';
import { crackingRange, stageDeflections, stepEnds, type StageDeflection } from './deflection';
import { stationSteps } from './deflection-steps';
import type { ServiceBasis } from './service-basis';
import { STEPS } from './service-moments';
import { uniformLoads } from './uniform-loads';
import { compressionFace, tensionFace, type Sense } from '../sense';
import { plainOf, type PreparedBeam, outlineOf } from '../prepared';

type Sum = ServiceStrips['sums'][number];

const isCantilever = (beam: PreparedBeam, span: number) => beam.supports[span]!.type === 'free' || beam.supports[span + 1]!.type === 'free';

/** Deflections of every span against their limits, of those sums whose loads are told; and span over depth. */
export function deflectionChecks(
  basis: ServiceBasis,
  isTold: (loads: ServiceLoads) => boolean,
): { readonly checks: DerivableCheck[]; readonly x: Float64Array; readonly sums: readonly Sum[] } {
  const { beam, code } = basis;
  const cracked = { ...basis, largest: crackingRange(basis, basis), uncracked: basis.largest };
  const stages = stageDeflections(cracked);
  const isKnown = ({ terms }: DeflectionSum) => terms.every((t) => isTold(stages.find((s) => s.stage.id === t.stage)!.stage.loads));
  const spanSums = beam.spans.map((_, span) => code.service.sums(silent, longTerm(basis, span)).filter(isKnown));
  const sums = spanSums[0]!.map((sum, k): Sum => {
    const parts = beam.spans.map((_, span) => sumOver(beam, stages, spanSums[span]![k]!, span));
    return {
      id: sum.id,
      title: sum.title,
      max: Float64Array.from(parts.flatMap((p) => [...p.max])),
      min: Float64Array.from(parts.flatMap((p) => [...p.min])),
      limits: beam.spans.map((_, span) => limitOf(basis, spanSums[span]![k]!, span)),
    };
  });
  const by = code.service.deflectionBy;
  const calculated =
    by === 'spanDepth' ? [] : spanSums.flatMap((list, span) => list.map((sum, k) => sumCheck(cracked, sum, sums[k]!, span)));
  return { checks: [...calculated, ...spanDepthChecks(basis)], x: stepEnds(beam), sums };
}

function longTerm({ beam, stiffness }: ServiceBasis, span: number) {
  const x = criticalPlace(beam, span);
  const sense: Sense = isCantilever(beam, span) ? 'hogging' : 'sagging';
  const { area } = stiffness.map.centroid(stiffness.map.barsAt(compressionFace(sense), span, x));
  const { area: tension, fromFace } = stiffness.map.centroid(stiffness.map.barsAt(tensionFace(sense), span, x));
  const { b } = plainOf(beam, span, sense);
  const d = outlineOf(beam, span).h - fromFace;
  const { partitionAge, hasPartitions } = beam.service;
  return { partitionAge, hasPartitions, compressionRatio: area / (b * d), tensionRatio: tension / (b * d) };
}

/** Midspan, or the root of a cantilever (mm from the left end of the beam). */
function criticalPlace(beam: PreparedBeam, span: number): number {
  const start = beam.spans.slice(0, span).reduce((sum, s) => sum + s.length, 0);
  const { length } = beam.spans[span]!;
  if (beam.supports[span]!.type === 'free') return start + length - 1;
  return beam.supports[span + 1]!.type === 'free' ? start + 1 : start + length / 2;
}

/** One sum of stages over a span: the largest where a stage adds and the least where it is taken off; camber taken off. */
function sumOver(beam: PreparedBeam, stages: readonly StageDeflection[], sum: DeflectionSum, span: number) {
  const n = STEPS + 1;
  const total = (pick: 'max' | 'min') => {
    const w = new Float64Array(n);
    for (const { stage, factor } of sum.terms) {
      const s = stages.find((q) => q.stage.id === stage)!;
      const curve = factor > 0 === (pick === 'max') ? s.max : s.min;
      for (let k = 0; k < n; k += 1) w[k]! += factor * curve[span * n + k]!;
    }
    return w;
  };
  const shaped = (w: Float64Array) => w.map((v, k) => v - (sum.id === 'total' ? camberAt(beam, span, k) : 0));
  return { max: shaped(total('max')), min: shaped(total('min')) };
}

function camberAt(beam: PreparedBeam, span: number, k: number): number {
  const camber = beam.spans[span]!.camber ?? 0;
  const t = k / STEPS;
  if (beam.supports[span]!.type === 'free') return camber * (1 - t) ** 2;
  return camber * (beam.supports[span + 1]!.type === 'free' ? t ** 2 : 4 * t * (1 - t));
}

/** Whether a support of a span gives way. */
const moves = ({ supports }: PreparedBeam, span: number) =>
  [supports[span]!, supports[span + 1]!].some((s) => s.type === 'spring' || s.settlement !== 0);

/** The span by which a deflection is limited (mm). */
const reachOf = ({ beam, code }: ServiceBasis, span: number) =>
  beam.spans[span]!.length * (isCantilever(beam, span) ? code.service.cantileverSpan : 1);

/** Deflection that is allowed (mm): a part of the span, and not above what the office sets. */
function limitOf(basis: ServiceBasis, sum: DeflectionSum, span: number): number {
  const { limits, most } = basis.beam.service;
  return Math.min(reachOf(basis, span) / (limits[sum.id] ?? sum.usual), most ?? Infinity);
}

/** Sense and step of the section whose curvature is written down. */
function sectionThatMatters({ beam, crackMoments }: ServiceBasis, span: number): readonly [Sense, number] {
  const [first, last] = [span * STEPS, (span + 1) * STEPS - 1];
  if (beam.supports[span]!.type === 'free') return ['hogging', last];
  if (beam.supports[span + 1]!.type === 'free') return ['hogging', first];
  let best = first + STEPS / 2;
  for (let i = first; i <= last; i += 1) if (crackMoments.max[i]! > crackMoments.max[best]!) best = i;
  return ['sagging', best];
}

function sumCheck(basis: ServiceBasis, sum: DeflectionSum, curve: Sum, span: number): DerivableCheck {
  const { beam, code } = basis;
  const n = STEPS + 1;
  const size = (k: number) => Math.max(Math.abs(curve.max[span * n + k]!), Math.abs(curve.min[span * n + k]!));
  let at = 0;
  for (let k = 1; k < n; k += 1) if (size(k) > size(at)) at = k;
  const { length } = beam.spans[span]!;
  const reach = reachOf(basis, span);
  const limit = limitOf(basis, sum, span);
  const w = size(at);
  const wants = Math.abs(curve.max[span * n + at]!) >= Math.abs(curve.min[span * n + at]!) ? 'max' : 'min';
  const label = isCantilever(beam, span) ? `cantilever, span ${span + 1}` : `span ${span + 1}`;
  const part = basis.beam.service.limits[sum.id];
  const byOffice = basis.beam.service.most !== null && limit === basis.beam.service.most;
  return compareCheck({
    id: `deflection-${sum.id}-${span + 1}`,
    family: 'deflection',
    title: `${sum.title}, span ${span + 1}`,
    clause: sum.clause,
    place: { x: beam.spans.slice(0, span).reduce((s, q) => s + q.length, 0) + (at * length) / STEPS, label },
    assumptions: code.choices.filter((c) => c.topic === 'service' && c.only !== 'strips').map((c) => c.key),
    kind: 'smallLength',
    compare: (c) => {
      if (c.recording) {
        c.note(
          'Curvature is integrated along the span; here for the section that matters most, under the largest sagging moment or at the root of a cantilever.',
        );
        const [sense, i] = sectionThatMatters(basis, span);
        const stage = code.service.stages.find((s) => s.id === sum.terms[0]!.stage)!;
        const s = code.service.stiffness(c, basis.stiffness.question(span, basis.grid.x[i]!, sense, stage.age));
        const moment = sense === 'sagging' ? basis.crackMoments.max[i]! : -basis.crackMoments.min[i]!;
        const most = sense === 'sagging' ? basis.largest.max[i]! : -basis.largest.min[i]!;
        code.service.curvature(c, s, Math.max(0, moment), stage.crackedBy === 'largest' ? most : 0);
        code.service.sums(c, longTerm(basis, span));
        stationSteps(c, basis, sum, span, at, wants);
        if (sum.id === 'total' && camberAt(beam, span, at) !== 0)
          c.state('camber there', camberAt(beam, span, at), 'smallLength', 'taken off');
        if (moves(beam, span)) c.note('What moves with the supports, on the straight line between them, is taken off.');
      }
      return {
        demand: w,
        demandIs: [
          sum.title.toLowerCase(),
          `curvature integrated over ${STEPS} steps of the span for every stage, the stages added up; largest ${Math.round((100 * at) / STEPS)} % along it`,
        ],
        capacity: limit,
        capacityIs: [
          'deflection allowed',
          byOffice
            ? 'most that the office allows'
            : `span/${part ?? sum.usual}, ${part === null ? 'the usual one of the code' : 'typed on the basis'}`,
        ],
      };
    },
    fails: (has, allowed) => `${sum.title} of ${label}: ${has}, that is span/${Math.round(reach / w)}; ${allowed} is allowed.`,
  });
}

/** What span over depth is judged by: no loads in service. */
type SpanDepthBasis = Pick<ServiceBasis, 'beam' | 'code' | 'strips' | 'stiffness'>;

export const spanDepthChecks = (basis: SpanDepthBasis): DerivableCheck[] => basis.beam.spans.map((_, span) => spanDepthCheck(basis, span));

/** Span over depth: a check of its own where it decides, otherwise information beside the calculation. */
function spanDepthCheck(basis: SpanDepthBasis, span: number): DerivableCheck {
  const { beam, code } = basis;
  const q = spanDepthQuestion(basis, span);
  const { actual, limit, clause, refusal } = code.service.spanDepth(silent, q);
  const decides = code.service.deflectionBy !== 'curvature';
  if (refusal)
    return noSpanDepth({ id: `span-depth-${span + 1}`, label: `span ${span + 1}`, x: criticalPlace(beam, span), clause, refusal }, code);
  const check = compareCheck({
    id: `span-depth-${span + 1}`,
    family: 'deflection',
    title: `${code.service.spanDepthTitle}, span ${span + 1}`,
    clause,
    place: { x: criticalPlace(beam, span), label: `span ${span + 1}` },
    kind: 'ratio',
    compare: (c) => {
      const found = code.service.spanDepth(c, q);
      return {
        demand: found.actual,
        demandIs: ['span over depth', 'of the span and the depth to the bars that carry it'],
        capacity: found.limit,
        capacityIs: ['limit', 'by the rule above'],
      };
    },
    ...(decides && {
      fails: () => `Span ${span + 1} is ${actual.toFixed(1)} times its depth; ${limit.toFixed(1)} needs no calculation of deflection.`,
    }),
  });
  if (decides) return check;
  return besideCalculation(check, actual, limit);
}

function systemOf(beam: PreparedBeam, span: number): SpanSystem {
  if (isCantilever(beam, span)) return 'cantilever';
  const ends = [holdsMoment(beam, span), holdsMoment(beam, span + 1)].filter(Boolean).length;
  return ends === 2 ? 'bothEnds' : ends === 1 ? 'oneEnd' : 'simple';
}

function spanDepthQuestion(basis: SpanDepthBasis, span: number) {
  const { beam, code, strips, stiffness } = basis;
  const outline = outlineOf(beam, span);
  const x = criticalPlace(beam, span);
  const hogs = isCantilever(beam, span);
  const inSpan = [...strips.x.keys()].filter((i) => strips.span[i] === span);
  const most = (curve: Float64Array) => Math.max(...inSpan.map((i) => (Number.isFinite(curve[i]!) ? curve[i]! : 0)), 0);
  const required = hogs ? most(strips.requiredTop) : most(strips.requiredBottom);
  const provided = hogs ? most(strips.providedTop) : most(strips.providedBottom);
  const { fromFace } = stiffness.map.centroid(stiffness.map.barsAt(hogs ? 'top' : 'bottom', span, x));
  const d = outline.h - fromFace;
  const b = widthAt(hogs ? 'bottom' : 'top', outline);
  return {
    materials: beam.materials,
    system: systemOf(beam, span),
    length: beam.spans[span]!.length,
    h: outline.h,
    d,
    ratio: required / (b * d),
    compressionRatio: 0,
    provided: required > 0 ? provided / required : 1.5,
    flange: b / outline.b,
    loads: uniformLoads(beam, code, span, b),
    isSlab: beam.isSlab === true,
    hasPartitions: beam.service.hasPartitions,
  };
}
