import { SELF_WEIGHT, type Combination, type LoadCase } from '../../analysis/combination';
import {
  arrange,
  envelope,
  peakPositions,
  placeStations,
  thatMayGovern,
  zeros,
  type Arrangement,
  type CaseResponse,
  type Envelope,
} from '../../analysis/envelope';
import { handCheck, simpleMidspanMoment, totalLoad, type HandCheck } from '../../analysis/hand-check';
import {
  analyse,
  makeMesh,
  momentAt,
  type LineBeam,
  type LineLoad,
  type LineSupport,
  type Mesh,
  type Response,
  type TorqueLoad,
  type UnitCase,
} from '../../analysis/line-beam';
import { torqueDiagram } from '../../analysis/torsion';
import { isCantilever, redistribute } from '../../analysis/redistribution';
import type { SupportZone } from '../../analysis/support-moments';
import { silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { type BeamInput, type BeamLoad, type BeamSupport } from './input';
import { knownForces, stationHandChecks, type KnownForces } from './known-forces';
import { type PreparedBeam, grossOf, outlineOf } from './prepared';
import { BESIDE } from './steel';

export interface BeamAnalysis {
  readonly mesh: Mesh;
  readonly line: LineBeam;
  readonly cases: readonly LoadCase[];
  readonly combinations: readonly Combination[];
  readonly arrangements: readonly Arrangement[];
  /** Those of them that are worst somewhere, by index, and where their moments peak (mm from the left end of the beam). */
  readonly governing: Int32Array;
  readonly peaks: readonly number[];
  readonly envelope: Envelope;
  /** Responses of the cases before any redistribution. */
  readonly elastic: readonly CaseResponse[];
  /** Where forces are known, the shear of a set at a distance from the left end of an element (N): it need not be the slope of the moment. */
  readonly givenShear?: KnownForces['shearAt'];
  readonly handChecks: readonly HandCheck[];
  /** Faces of each support along the beam; equal to its centre line where the width is zero or an end is free. */
  readonly faces: readonly { readonly left: number; readonly right: number; readonly centre: number }[];
}

const STATIONS_PER_SPAN = 60;

/** All cases of a beam, self-weight among them when it is on. */
export function allCases(beam: Pick<PreparedBeam, 'selfWeight' | 'cases' | 'supports'>): LoadCase[] {
  const own: LoadCase = { id: SELF_WEIGHT, title: 'Self-weight', nature: 'permanent', category: '', pattern: false };
  const settlement: LoadCase = { id: 'SET', title: 'Settlement', nature: 'settlement', category: '', pattern: false };
  return [...(beam.selfWeight ? [own] : []), ...beam.cases, ...(beam.supports.some((s) => s.settlement !== 0) ? [settlement] : [])];
}

/** The combinations that a beam is designed for: those of the code less those switched off, and the engineer's own. */
export function activeCombinations(beam: PreparedBeam, code: DesignCode): Combination[] {
  const used = allCases(beam).filter(
    (c) => c.nature === 'permanent' || c.nature === 'settlement' || beam.loads.some((l) => l.case === c.id),
  );
  const own = new Set(beam.ownCombinations.map((c) => c.id));
  return [...code.combinations(used).filter((c) => !beam.combinationsOff.includes(c.id) && !own.has(c.id)), ...beam.ownCombinations];
}

function lineSupport(support: BeamSupport): LineSupport {
  switch (support.type) {
    case 'pinned':
      return { vertical: 'held', rotation: 'free' };
    case 'fixed':
      return { vertical: 'held', rotation: 'held' };
    case 'free':
      return { vertical: 'free', rotation: 'free' };
    case 'spring':
      return { vertical: support.vertical ?? 'held', rotation: support.rotation ?? 'free' };
  }
}

/** A load of the beam as loads on single spans. */
export function lineLoads(load: BeamLoad, beam: Pick<BeamInput, 'spans'>): LineLoad[] {
  const length = (span: number) => beam.spans[span]!.length;
  switch (load.type) {
    case 'uniform': {
      const spans = load.span === 'all' ? beam.spans.map((_, i) => i) : [load.span];
      return spans.map((span) => ({ kind: 'distributed', span, from: 0, to: length(span), start: load.value, end: load.value }));
    }
    case 'partial':
      return [{ kind: 'distributed', span: load.span, from: load.from, to: load.to, start: load.value, end: load.value }];
    case 'trapezoidal':
      return [{ kind: 'distributed', span: load.span, from: load.from, to: load.to, start: load.start, end: load.end }];
    case 'point':
      return [{ kind: 'point', span: load.span, at: load.at, force: load.force }];
    case 'moment':
      return [{ kind: 'moment', span: load.span, at: load.at, moment: load.moment }];
    case 'torque':
    case 'pointTorque':
      return [];
  }
}

/** A load of the beam as torques on single spans. */
export function torqueLoads(load: BeamLoad, beam: PreparedBeam): TorqueLoad[] {
  if (load.type === 'pointTorque') return [{ kind: 'point', span: load.span, at: load.at, torque: load.torque }];
  if (load.type !== 'torque') return [];
  const spans = load.span === 'all' ? beam.spans.map((_, i) => i) : [load.span];
  return spans.map((span) => ({ kind: 'distributed', span, from: 0, to: beam.spans[span]!.length, value: load.value }));
}

/** Whether a support holds the beam against twisting. */
export const holdsTwist = (s: BeamSupport): boolean => s.type !== 'free' && s.holdsTwist !== false;

/** Torsional stiffness of a span, where only ratios matter: of the web as a rectangle (mm4). */
function torsionalStiffness(beam: PreparedBeam, span: number): number {
  const { b, h } = outlineOf(beam, span);
  const [a, c] = [Math.min(b, h), Math.max(b, h)];
  return a ** 3 * c * (1 / 3 - 0.21 * (a / c) * (1 - (a / c) ** 4 / 12));
}

function selfWeightLoads(beam: PreparedBeam): LineLoad[] {
  return beam.spans.map((span, i) => {
    const q = grossOf(beam, i).area * beam.unitWeight;
    return { kind: 'distributed', span: i, from: 0, to: span.length, start: q, end: q };
  });
}

/** The loads of a case on single spans, self-weight as one of them. */
export function loadsOfCase(beam: PreparedBeam, id: string): LineLoad[] {
  if (id === SELF_WEIGHT) return selfWeightLoads(beam);
  return beam.loads.filter((l) => l.case === id).flatMap((l) => lineLoads(l, beam));
}

function supportFaces(beam: PreparedBeam) {
  return beam.starts.map((centre, i) => {
    const half = beam.supports[i]!.type === 'free' ? 0 : beam.supports[i]!.width / 2;
    return { centre, left: i === 0 ? centre : centre - half, right: i === beam.spans.length ? centre : centre + half };
  });
}

/** Sets the torque of each case beside its other effects. */
function addTorques(beam: PreparedBeam, line: LineBeam, mesh: Mesh, units: readonly CaseUnit[], responses: readonly Response[]): void {
  if (!units.some((u) => (u.unit.torques ?? []).length > 0)) return;
  const holds = beam.supports.map(holdsTwist);
  const stiffness = beam.spans.map((_, i) => torsionalStiffness(beam, i));
  units.forEach((u, i) => {
    const diagram = torqueDiagram(line, mesh, holds, stiffness, u.unit.torques ?? []);
    if (diagram) responses[i]!.torsion.set(diagram);
  });
}

interface CaseUnit {
  readonly loadCase: LoadCase;
  readonly span: number | undefined;
  readonly unit: UnitCase;
}

function lineOf(beam: PreparedBeam, code: DesignCode): LineBeam {
  const E = code.elasticModulus(silent, beam.materials);
  return {
    spans: beam.spans.map((span, i) => ({ length: span.length, stiffness: E * grossOf(beam, i).inertia })),
    supports: beam.supports.map(lineSupport),
  };
}

/**
 * Analysis of the whole beam: every case, combination and arrangement, and the envelope; or the same from forces that are known along its
 * spans. Throws MechanismError.
 */
export function analyseBeam(beam: PreparedBeam, code: DesignCode): BeamAnalysis {
  const line = lineOf(beam, code);
  return beam.mode === 'stations' ? analysisOfStations(beam, code, line) : analysisOfLoads(beam, code, line);
}

/** Known forces as the arrangements that they are. Their shears stand as they are given, whatever the slope of their moments. */
function analysisOfStations(beam: PreparedBeam, code: DesignCode, line: LineBeam): BeamAnalysis {
  const { mesh, cases, combinations, responses, shearAt } = knownForces(beam, line);
  const found = withEnvelope(beam, code, { line, mesh, cases, combinations, elastic: responses, responses, givenShear: shearAt });
  return { ...found, handChecks: stationHandChecks(beam) };
}

/** Sets the largest and smallest of given shears at the stations of an envelope. */
function setShears({ stations, maxV, minV, maxVBy, minVBy }: Envelope, sets: readonly string[], given: KnownForces['shearAt']): void {
  stations.forEach(({ element, s }, i) => {
    const shears = sets.map((set) => given(set, element, s));
    const [most, least] = [Math.max(...shears), Math.min(...shears)];
    [maxV[i], maxVBy[i]] = [most, shears.indexOf(most)];
    [minV[i], minVBy[i]] = [least, shears.indexOf(least)];
  });
}

function analysisOfLoads(beam: PreparedBeam, code: DesignCode, line: LineBeam): BeamAnalysis {
  const cases = allCases(beam);
  const units = cases.flatMap((loadCase): CaseUnit[] => {
    if (loadCase.nature === 'settlement') {
      const settlements = beam.supports.flatMap((s, support) => (s.settlement !== 0 ? [{ support, value: s.settlement }] : []));
      return [{ loadCase, span: undefined, unit: { loads: [], settlements } }];
    }
    const loads = loadsOfCase(beam, loadCase.id);
    const torques = beam.loads.filter((l) => l.case === loadCase.id).flatMap((l) => torqueLoads(l, beam));
    if (!loadCase.pattern) return [{ loadCase, span: undefined, unit: { loads, torques } }];
    return beam.spans.map((_, span) => ({
      loadCase,
      span,
      unit: { loads: loads.filter((l) => l.span === span), torques: torques.filter((l) => l.span === span) },
    }));
  });
  const mesh = makeMesh(
    line,
    units.map((u) => u.unit),
  );
  const deltas = beam.supports.map((s) => s.redistribution);
  const unredistributed = analyse(
    line,
    mesh,
    units.map((u) => u.unit),
  );
  addTorques(beam, line, mesh, units, unredistributed);
  const responses = unredistributed.map((r) => redistribute(line, mesh, r, deltas));
  const byCase = (list: readonly Response[]): CaseResponse[] =>
    cases.map((loadCase) => ({
      loadCase,
      parts: units.flatMap((u, i) => (u.loadCase === loadCase ? [{ span: u.span, response: list[i]! }] : [])),
    }));
  const found = withEnvelope(beam, code, {
    line,
    mesh,
    cases,
    combinations: activeCombinations(beam, code),
    elastic: byCase(unredistributed),
    responses: byCase(responses),
  });
  return { ...found, handChecks: handChecks(beam, mesh, responses, units) };
}

type Analysed = Pick<BeamAnalysis, 'line' | 'mesh' | 'cases' | 'combinations' | 'elastic' | 'givenShear'> & {
  readonly responses: readonly CaseResponse[];
};

/** Arranges what was analysed, and takes the envelope with the moments over supports as the code has them. */
function withEnvelope(beam: PreparedBeam, code: DesignCode, { responses, ...analysed }: Analysed): Omit<BeamAnalysis, 'handChecks'> {
  const { mesh, combinations } = analysed;
  const ultimate = combinations.filter((c) => c.kind === 'ultimate');
  const arrangements = arrange(ultimate, responses, mesh, beam.spans.length, code.patternRule());
  const governing = thatMayGovern(mesh, arrangements, supportZones(beam, code));
  const peaks = peakPositions(
    mesh,
    Array.from(governing, (i) => arrangements[i]!),
  );
  const found = { ...analysed, arrangements, governing, peaks, faces: supportFaces(beam) };
  return { ...found, envelope: envelopeAt(beam, code, found, []) };
}

function supportZones(beam: PreparedBeam, code: DesignCode): SupportZone[] {
  const { rule } = code.supportMoment();
  return beam.supports.map((s) => ({
    half: rule === 'centre' || s.type === 'free' ? 0 : s.width / 2,
    rule: rule === 'rounded' ? 'rounded' : 'face',
  }));
}

/** The envelope with stations at some places besides (mm from the left end). */
function envelopeAt(
  beam: PreparedBeam,
  code: DesignCode,
  { line, mesh, arrangements, governing, peaks, faces, givenShear }: Omit<BeamAnalysis, 'envelope' | 'handChecks'>,
  places: readonly number[],
): Envelope {
  const extra = [...faces.flatMap((f) => [f.left, f.right]), ...places, ...peaks];
  const stations = placeStations(mesh, extra, STATIONS_PER_SPAN);
  const env = envelope(mesh, line, arrangements, stations, supportZones(beam, code), governing);
  if (givenShear)
    setShears(
      env,
      arrangements.map((a) => a.combination.id),
      givenShear,
    );
  const { minimumRatio } = code.supportMoment();
  if (minimumRatio > 0) keepFixedEndShare(env, beam, line, arrangements, faces, minimumRatio);
  return env;
}

/**
 * An analysis with stations where the steel changes as well, where the moments change their sense, and at both sides of the middles that part what
 * belongs to one support from what belongs to the next: nothing that is worst there is passed over.
 */
export function withStationsAt(analysis: BeamAnalysis, beam: PreparedBeam, code: DesignCode, places: readonly number[]): BeamAnalysis {
  const { stations, maxM, minM } = analysis.envelope;
  const turns = [...zeros(stations, maxM), ...zeros(stations, minM)];
  const middles = beam.spans.flatMap((_, i) => {
    const middle = (beam.starts[i]! + beam.starts[i + 1]!) / 2;
    return [middle, middle + BESIDE];
  });
  return { ...analysis, envelope: envelopeAt(beam, code, analysis, [...places, ...turns, ...middles]) };
}

/** The moment at the face of a monolithic support is at least a share of the fixed-end moment (EN 1992-1-1 5.3.2.2(3)). */
function keepFixedEndShare(
  env: Envelope,
  beam: PreparedBeam,
  line: LineBeam,
  arrangements: readonly Arrangement[],
  faces: BeamAnalysis['faces'],
  ratio: number,
): void {
  beam.supports.forEach((support, i) => {
    const isEnd = i === 0 || i === beam.spans.length;
    if (support.type === 'free' || support.width === 0 || (isEnd && support.type === 'pinned')) return;
    for (const [span, side] of [
      [i - 1, 1],
      [i, 0],
    ] as const) {
      if (span < 0 || span >= beam.spans.length || isCantilever(line, span)) continue;
      let least = 0;
      let by = 0;
      arrangements.forEach(({ response }, a) => {
        const m = -ratio * response.fixedEndMoments[2 * span + side]! * support.redistribution;
        if (m < least) [least, by] = [m, a];
      });
      const { centre, left, right } = faces[i]!;
      env.stations.forEach((st, k) => {
        const inside = st.span === span && (side === 1 ? st.x >= left - 0.01 && st.x <= centre : st.x >= centre && st.x <= right + 0.01);
        if (inside && least < env.minM[k]!) [env.minM[k], env.minMBy[k]] = [least, by];
      });
    }
  });
}

/** Sums and simple-beam moments for all cases loaded once, factor 1, before any redistribution of moments matters. */
function handChecks(
  beam: PreparedBeam,
  mesh: Mesh,
  responses: readonly ReturnType<typeof redistribute>[],
  units: readonly CaseUnit[],
): HandCheck[] {
  const counts = units.map((u) => (u.loadCase.nature === 'settlement' ? 0 : 1));
  const loads = units.flatMap((u, i) => (counts[i] ? u.unit.loads : []));
  const reactions = responses.reduce((sum, r, i) => sum + counts[i]! * r.reactions.reduce((a, b) => a + b, 0), 0);
  const checks = [
    handCheck(
      'Sum of loads and of reactions, all cases unfactored',
      'force',
      loads.reduce((sum, l) => sum + totalLoad(l), 0),
      reactions,
    ),
  ];
  const total = (e: number, s: number) => responses.reduce((sum, r, i) => sum + counts[i]! * momentAt(r.elements, e, s), 0);
  beam.spans.forEach((span, i) => {
    if (beam.supports[i]!.type === 'free' || beam.supports[i + 1]!.type === 'free') return;
    const first = mesh.supportNode[i]!;
    const last = mesh.supportNode[i + 1]! - 1;
    const left = total(first, 0);
    const right = total(last, mesh.x[last + 1]! - mesh.x[last]!);
    const middle = mesh.x[first]! + span.length / 2;
    let e = first;
    while (e < last && mesh.x[e + 1]! < middle - 1e-6) e += 1;
    const atMiddle = total(e, middle - mesh.x[e]!);
    const own = loads.filter((l) => l.span === i);
    checks.push(
      handCheck(
        `Span ${i + 1}: simple-beam moment (w L²/8) and midspan plus mean of supports`,
        'moment',
        simpleMidspanMoment(own, span.length),
        atMiddle - (left + right) / 2,
      ),
    );
  });
  return checks;
}
