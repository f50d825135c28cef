import { everyMask, maskLabel, spanMasks, worstMasks, type PatternRule, type SpanMask } from './arrangements';
import { isAlwaysThere, type Combination, type LoadCase } from './combination';
import { momentAt, shearAt, STRIDE, superpose, type LineBeam, type Mesh, type Response } from './line-beam';
import { limitAt, limitsAlong, type MomentLimit, type SupportZone } from './support-moments';
import { torqueAt } from './torsion';
import { uncovered, uncoveredInBending } from './uncovered';

/** The responses of one load case: whole, and span by span where it may be absent from single spans. */
export interface CaseResponse {
  readonly loadCase: LoadCase;
  readonly parts: readonly { readonly span: number | undefined; readonly response: Response }[];
}

/** One combination with its loads laid out in one way. */
export interface Arrangement {
  readonly combination: Combination;
  readonly label: string;
  readonly response: Response;
}

const MOST_ARRANGEMENTS_LISTED = 6; // spans, up to which every arrangement is tried in the exhaustive rule

/** Lays out every combination in every arrangement of the rule. Variable cases without patterns are tried present and absent. */
export function arrange(
  combinations: readonly Combination[],
  cases: readonly CaseResponse[],
  mesh: Mesh,
  spans: number,
  rule: PatternRule,
): Arrangement[] {
  const arrangements: Arrangement[] = [];
  const seen = new Set<string>();
  for (const combination of combinations) {
    const active = combination.factors.flatMap(({ caseId, factor }) => {
      const found = cases.find((c) => c.loadCase.id === caseId);
      return found && factor !== 0 ? [{ ...found, factor }] : [];
    });
    if (active.length === 0) continue;
    const fixed = active.filter((c) => isAlwaysThere(c.loadCase.nature));
    const patterned = active.filter((c) => !isAlwaysThere(c.loadCase.nature) && c.loadCase.pattern);
    const optional = active.filter((c) => !isAlwaysThere(c.loadCase.nature) && !c.loadCase.pattern);
    const masks = patterned.length === 0 ? [undefined] : masksFor(patterned, mesh, spans, rule);
    // What is always there is added up once for the combination, the loaded spans once for each mask.
    const base = together(fixed.flatMap(parts));
    const bySpan = patterned.flatMap(parts);
    const options = optional.map((c) => together(parts(c))[0]!);
    const choices = presencesOf(options, mesh).map((present) => ({
      there: options.filter((_, i) => present[i]!),
      without: withoutLabel(optional.filter((_, i) => !present[i]!)),
    }));
    for (const mask of masks) {
      const loaded = mask ? bySpan.filter(({ span }) => span === undefined || mask[span]) : [];
      const masked = together([...base, ...loaded]);
      const pattern = mask ? maskLabel(mask) : '';
      for (const { there, without } of choices) {
        const sum = there.length > 0 ? together([...masked, ...there])[0] : masked[0];
        // Wind in both senses, left out, is the same state twice.
        if (!sum || seen.has(sum.name)) continue;
        seen.add(sum.name);
        arrangements.push({
          combination,
          label: pattern && without ? `${pattern}, ${without}` : pattern || without,
          response: sum.response,
        });
      }
    }
  }
  return arrangements;
}

/** A response with its factor, and a name that tells equal states apart from others. */
interface Part {
  readonly response: Response;
  readonly factor: number;
  readonly name: string;
  readonly span: number | undefined;
}

type Factored = CaseResponse & { readonly factor: number };

const parts = (c: Factored): Part[] =>
  c.parts.map(({ response, span }) => ({ response, span, factor: c.factor, name: `${c.loadCase.id} ${span ?? ''}*${c.factor}` }));

/** Several parts as one with the factor 1; nothing stays nothing. */
function together(list: readonly Part[]): Part[] {
  if (list.length === 0) return [];
  const response = superpose(
    list.map((l) => l.response),
    list.map((l) => l.factor),
  );
  return [{ response, factor: 1, name: list.map((l) => l.name).join('+'), span: undefined }];
}

/** Most variable cases without patterns of which every presence and absence is a state of its own. */
const MOST_OPTIONAL = 4;

/** Which variable cases are there: every state of a few; of many those that are worst at some place for moment, shear, reaction or torque. */
function presencesOf(options: readonly Part[], mesh: Mesh): readonly SpanMask[] {
  if (options.length <= MOST_OPTIONAL) return everyMask(options.length);
  return worstMasks(options.map(({ response }) => [...sampleEffects(mesh, response), ...torquesOf(mesh, response)]));
}

const withoutLabel = (absent: readonly Factored[]): string =>
  absent.length > 0 ? `without ${absent.map((c) => c.loadCase.title).join(', ')}` : '';

/** The arrangements of a rule, which is one for bending; where loads twist the beam those that are worst for torques besides. */
function masksFor(patterned: readonly Factored[], mesh: Mesh, spans: number, rule: PatternRule): SpanMask[] {
  if (rule === 'exhaustive' && spans <= MOST_ARRANGEMENTS_LISTED) return everyMask(spans);
  const worst = (sample: (response: Response) => ArrayLike<number>) => worstMasks(effectsBySpan(patterned, spans, sample));
  const masks = rule === 'exhaustive' ? worst((r) => sampleEffects(mesh, r)) : spanMasks(spans, rule);
  const twists = patterned.flatMap(parts).some(({ response }) => response.torsion.some((v) => v !== 0));
  if (!twists) return masks;
  const known = new Set(masks.map(String));
  return [...masks, ...worst((r) => torquesOf(mesh, r)).filter((m) => !known.has(String(m)))];
}

/** Effects of the loads of each span, as many for each. */
function effectsBySpan(patterned: readonly Factored[], spans: number, sample: (response: Response) => ArrayLike<number>) {
  const bySpan = Array.from({ length: spans }, (_, span) => {
    const loads = patterned.flatMap(parts).filter((p) => p.span === span);
    return loads.length > 0 ? sample(together(loads)[0]!.response) : [];
  });
  const places = Math.max(...bySpan.map((effects) => effects.length));
  return bySpan.map((effects) => (effects.length > 0 ? effects : new Float64Array(places)));
}

/** Torque at both ends of each element. */
const torquesOf = (mesh: Mesh, { torsion }: Response): Float64Array =>
  Float64Array.from({ length: 2 * mesh.stiffness.length }, (_, k) => {
    const e = k >> 1;
    return torqueAt(torsion, e, (k & 1) * (mesh.x[e + 1]! - mesh.x[e]!));
  });

function sampleEffects(mesh: Mesh, response: Response): number[] {
  const effects: number[] = [];
  for (let e = 0; e < mesh.stiffness.length; e += 1) {
    const l = mesh.x[e + 1]! - mesh.x[e]!;
    for (let k = 0; k <= 8; k += 1) {
      effects.push(momentAt(response.elements, e, (k * l) / 8), shearAt(response.elements, e, (k * l) / 8));
    }
  }
  effects.push(...response.reactions);
  return effects;
}

/** A place on the beam: the element, the distance from its left end, and the position along the beam. */
export interface Station {
  readonly element: number;
  readonly s: number;
  readonly x: number;
  readonly span: number;
}

export interface Envelope {
  readonly stations: readonly Station[];
  readonly maxM: Float64Array;
  readonly minM: Float64Array;
  readonly maxV: Float64Array;
  readonly minV: Float64Array;
  /** Index of the governing arrangement at each station. */
  readonly maxMBy: Int32Array;
  readonly minMBy: Int32Array;
  readonly maxVBy: Int32Array;
  readonly minVBy: Int32Array;
  /** Largest and smallest reaction at each support. */
  readonly maxR: Float64Array;
  readonly minR: Float64Array;
}

/** Stations: both ends of each element, about `perSpan` between them, and those positions that are asked for, in order. */
export function placeStations(mesh: Mesh, extra: readonly number[], perSpan: number): Station[] {
  const stations: Station[] = [];
  for (let e = 0; e < mesh.stiffness.length; e += 1) {
    const a = mesh.x[e]!;
    const l = mesh.x[e + 1]! - a;
    const span = mesh.spanOf[e]!;
    const spanLength = mesh.x[mesh.supportNode[span + 1]!]! - mesh.x[mesh.supportNode[span]!]!;
    const n = Math.max(2, Math.ceil((perSpan * l) / spanLength));
    const inside = [...Array.from({ length: n + 1 }, (_, k) => (k * l) / n), ...extra.map((x) => x - a)];
    const sorted = inside.filter((s) => s >= 0 && s <= l).sort((p, q) => p - q);
    let last = -1;
    for (const s of sorted) {
      if (s - last < 0.01 && s !== l) continue;
      if (s === l && stations.length > 0 && l - last < 0.01) stations.pop();
      stations.push({ element: e, s, x: a + s, span });
      last = s;
    }
  }
  return stations;
}

/**
 * Where the moment of some arrangement is stationary and none of them has more there, sagging or hogging (mm from the left end of the beam): between
 * these places and the ends of elements the largest moments rise or fall.
 */
export function peakPositions(mesh: Mesh, arrangements: readonly Arrangement[]): number[] {
  const peaks: number[] = [];
  for (const { response } of arrangements) {
    const el = response.elements;
    for (let e = 0; e < mesh.stiffness.length; e += 1)
      for (const s of shearZeros(el, e, mesh.x[e + 1]! - mesh.x[e]!))
        if (isWorst(arrangements, e, s, momentAt(el, e, s))) peaks.push(mesh.x[e]! + s);
  }
  return peaks;
}

/** Whether no arrangement has more than a moment at a place, of its sense. */
function isWorst(arrangements: readonly Arrangement[], e: number, s: number, m: number): boolean {
  const sense = m > 0 ? 1 : -1;
  return arrangements.every(({ response }) => sense * momentAt(response.elements, e, s) <= Math.abs(m) * (1 + 1e-9));
}

/** Roots of V(s) = V0 - q s - q' s2 / 2 inside an element of length l. */
function shearZeros(el: Float64Array, e: number, l: number): number[] {
  const [v, q, dq] = [el[STRIDE * e]!, el[STRIDE * e + 2]!, el[STRIDE * e + 3]!];
  const inside = (s: number) => s > 0 && s < l;
  if (Math.abs(dq) * l < 1e-12 * (Math.abs(q) + Math.abs(v) / l)) return q !== 0 && inside(v / q) ? [v / q] : [];
  const disc = q * q + 2 * dq * v;
  if (disc < 0) return [];
  return [(-q + Math.sqrt(disc)) / dq, (-q - Math.sqrt(disc)) / dq].filter(inside);
}

/** Of so few arrangements nothing is gained by leaving any out. */
const FEW = 16;

/** Indices of those arrangements that are worst somewhere, moments over supports as their zones have them: the envelope of these is that of all. */
export function thatMayGovern(mesh: Mesh, arrangements: readonly Arrangement[], zones: readonly SupportZone[]): Int32Array {
  if (arrangements.length <= FEW) return Int32Array.from(arrangements.keys());
  const responses = arrangements.map((a) => a.response);
  return uncovered(mesh, responses, limitsAlong(mesh, zones, responses));
}

/** Those arrangements whose moments, as they stand, are the largest or smallest somewhere. */
export function worstInBending(mesh: Mesh, arrangements: readonly Arrangement[]): readonly Arrangement[] {
  if (arrangements.length <= FEW) return arrangements;
  const which = uncoveredInBending(
    mesh,
    arrangements.map((a) => a.response),
  );
  return Array.from(which, (i) => arrangements[i]!);
}

/** The largest and smallest effects at each station, of all arrangements or of some. Over supports the moment is cut as the support zones say. */
export function envelope(
  mesh: Mesh,
  beam: LineBeam,
  arrangements: readonly Arrangement[],
  stations: readonly Station[],
  zones: readonly SupportZone[],
  which: Int32Array = Int32Array.from(arrangements.keys()),
): Envelope {
  const n = stations.length;
  const env = {
    stations,
    maxM: new Float64Array(n).fill(-Infinity),
    minM: new Float64Array(n).fill(Infinity),
    maxV: new Float64Array(n).fill(-Infinity),
    minV: new Float64Array(n).fill(Infinity),
    maxMBy: new Int32Array(n),
    minMBy: new Int32Array(n),
    maxVBy: new Int32Array(n),
    minVBy: new Int32Array(n),
    maxR: new Float64Array(beam.supports.length).fill(-Infinity),
    minR: new Float64Array(beam.supports.length).fill(Infinity),
  };
  const limits = stations.map(({ span, x }) => limitAt(mesh, zones, span, x));
  const elements = Int32Array.from(stations, (st) => st.element);
  const distances = Float64Array.from(stations, (st) => st.s);
  which.forEach((a) => {
    const { response } = arrangements[a]!;
    widen(env, response, a, elements, distances, limits);
    response.reactions.forEach((r, i) => {
      env.maxR[i] = Math.max(env.maxR[i]!, r);
      env.minR[i] = Math.min(env.minR[i]!, r);
    });
  });
  silence([env.maxM, env.minM]);
  silence([env.maxV, env.minV]);
  return env;
}

/** What is left over by rounding is nothing: forces a billionth of the largest and less. */
function silence(curves: readonly Float64Array[]): void {
  const most = Math.max(...curves.map((c) => c.reduce((size, v) => Math.max(size, Math.abs(v)), 0)));
  for (const c of curves) for (let i = 0; i < c.length; i += 1) if (Math.abs(c[i]!) <= 1e-9 * most) c[i] = 0;
}

/** Lets the moments and shears of one arrangement widen the envelope: the innermost loop of an analysis. */
function widen(
  { maxM, minM, maxV, minV, maxMBy, minMBy, maxVBy, minVBy }: Envelope,
  response: Response,
  a: number,
  elements: Int32Array,
  distances: Float64Array,
  limits: readonly (MomentLimit | undefined)[],
): void {
  const el = response.elements;
  for (let i = 0; i < elements.length; i += 1) {
    const v = shearAt(el, elements[i]!, distances[i]!);
    let m = momentAt(el, elements[i]!, distances[i]!);
    const limit = limits[i];
    if (limit && m < 0) m = Math.max(m, Math.min(0, limit.of(response)));
    if (m > maxM[i]!) {
      maxM[i] = m;
      maxMBy[i] = a;
    }
    if (m < minM[i]!) {
      minM[i] = m;
      minMBy[i] = a;
    }
    if (v > maxV[i]!) {
      maxV[i] = v;
      maxVBy[i] = a;
    }
    if (v < minV[i]!) {
      minV[i] = v;
      minVBy[i] = a;
    }
  }
}

/** Positions where a curve over the stations changes its sign, by straight lines between stations. */
export function zeros(stations: readonly Station[], values: Float64Array): number[] {
  const found: number[] = [];
  for (let i = 1; i < stations.length; i += 1) {
    const [a, b] = [values[i - 1]!, values[i]!];
    if (a * b < 0) found.push(stations[i - 1]!.x + ((stations[i]!.x - stations[i - 1]!.x) * a) / (a - b));
  }
  return found;
}
