import type { Combination, LoadCase } from '../../analysis/combination';
import type { CaseResponse } from '../../analysis/envelope';
import { handCheck, type HandCheck } from '../../analysis/hand-check';
import { emptyResponse, makeMesh, STRIDE, type LineBeam, type Mesh, type Response } from '../../analysis/line-beam';
import { isCantilever } from '../../analysis/redistribution';
import type { BeamInput, StationForces, StationSet } from './input';

/** Stations nearer to each other than this stand at one place (mm). */
export const ONE_PLACE = 0.5;

/** How far the slope of M may be from V, as a part of the largest moment of the span, before both are taken for values of several states. */
const MISFIT = 0.02;

/** Forces of one set between two neighbouring stations; positions from the left end of the span (mm). */
export interface Piece {
  readonly from: number;
  readonly to: number;
  readonly moment: readonly [number, number];
  readonly shear: readonly [number, number];
  readonly torsion: readonly [number, number];
}

const sorted = new WeakMap<readonly StationForces[], Map<string, StationForces[]>>();

/** Stations of a set in a span from left to right; two at one place keep their order. A table of rows is sorted once. */
export function stationsOf({ stations }: Pick<BeamInput, 'stations'>, set: string, span: number): readonly StationForces[] {
  let bySpan = sorted.get(stations);
  if (!bySpan) {
    bySpan = new Map<string, StationForces[]>();
    for (const row of stations) {
      const key = `${row.span} ${row.set}`;
      const rows = bySpan.get(key);
      if (rows) rows.push(row);
      else bySpan.set(key, [row]);
    }
    for (const rows of bySpan.values()) rows.sort((a, b) => a.at - b.at);
    sorted.set(stations, bySpan);
  }
  return bySpan.get(`${span} ${set}`) ?? [];
}

/**
 * The forces of a set along a span, station to station. Where the outermost stations do not reach the ends of the span, there is no load
 * beyond them: the shear stays and the moment runs on straight.
 */
export function piecesOf(beam: Pick<BeamInput, 'stations' | 'spans'>, set: string, span: number): Piece[] {
  const rows = stationsOf(beam, set, span);
  const [first, last] = [rows[0], rows.at(-1)];
  if (!first || !last) return [];
  const { length } = beam.spans[span]!;
  const beyond = (row: StationForces, at: number): StationForces => ({ ...row, at, moment: row.moment + row.shear * (at - row.at) });
  const all = [
    ...(first.at > ONE_PLACE ? [beyond(first, 0)] : []),
    ...rows,
    ...(last.at < length - ONE_PLACE ? [beyond(last, length)] : []),
  ];
  return all.slice(1).flatMap((b, i): Piece[] => {
    const a = all[i]!;
    if (b.at - a.at <= ONE_PLACE) return [];
    return [{ from: a.at, to: b.at, moment: [a.moment, b.moment], shear: [a.shear, b.shear], torsion: [a.torsion, b.torsion] }];
  });
}

/** Change of the moment over a piece, and what its shear adds up to (N mm). */
const changes = ({ from, to, moment, shear }: Piece) => ({
  moment: moment[1] - moment[0],
  shear: ((shear[0] + shear[1]) / 2) * (to - from),
});

/** Whether V is the slope of M in every piece: forces of one state of loads, not the largest ones of several. */
export function isOneState(pieces: readonly Piece[]): boolean {
  const most = pieces.reduce((size, { moment }) => Math.max(size, Math.abs(moment[0]), Math.abs(moment[1])), 0);
  return pieces.every((p) => Math.abs(changes(p).moment - changes(p).shear) <= MISFIT * most + 1);
}

/** Moment (N mm) along a piece as a polynomial in s from its left end: constant, s, s2, s3. */
type Cubic = readonly [number, number, number, number];

/**
 * The cubic with the moments of both stations and their shears as slopes (exact for a load that changes straight between them), or a straight
 * line where the shears are those of other states.
 */
function momentCurve({ from, to, moment: [m0, m1], shear: [v0, v1] }: Piece, isExact: boolean): Cubic {
  const a = to - from;
  const slope = (m1 - m0) / a;
  return isExact ? [m0, v0, (3 * slope - 2 * v0 - v1) / a, (v0 + v1 - 2 * slope) / a ** 2] : [m0, slope, 0, 0];
}

const straight = ([left, right]: readonly [number, number], { from, to }: Piece, at: number): number =>
  left + ((right - left) * (at - from)) / (to - from);

/** The sets of known forces as cases and responses, and the shear as it is given: straight from station to station. */
export interface KnownForces {
  readonly mesh: Mesh;
  readonly cases: readonly LoadCase[];
  readonly combinations: readonly Combination[];
  readonly responses: readonly CaseResponse[];
  /** Shear of a set at a distance from the left end of an element (N). */
  shearAt(set: string, element: number, s: number): number;
}

/** Makes of known forces what an analysis gives. The beam is without faults: every set reaches along every span. */
export function knownForces(beam: BeamInput, line: LineBeam): KnownForces {
  const marks = beam.stations.map(({ span, at }) => ({ kind: 'point' as const, span, at, force: 0 }));
  const mesh = makeMesh(line, [{ loads: marks }]);
  const bySet = new Map(beam.stationSets.map(({ name }) => [name, beam.spans.map((_, i) => piecesOf(beam, name, i))]));
  const startOf = (span: number) => mesh.x[mesh.supportNode[span]!]!;
  const pieceAt = (set: string, e: number): Piece => {
    const pieces = bySet.get(set)![mesh.spanOf[e]!]!;
    const middle = (mesh.x[e]! + mesh.x[e + 1]!) / 2 - startOf(mesh.spanOf[e]!);
    return pieces.find((p) => middle < p.to) ?? pieces.at(-1)!;
  };
  const cases = beam.stationSets.map(asCase);
  return {
    mesh,
    cases,
    combinations: beam.stationSets.flatMap(asCombination),
    responses: cases.map((loadCase) => ({
      loadCase,
      parts: [{ span: undefined, response: responseOf(line, mesh, bySet.get(loadCase.id)!, (e) => pieceAt(loadCase.id, e)) }],
    })),
    shearAt: (set, e, s) => {
      const piece = pieceAt(set, e);
      return straight(piece.shear, piece, mesh.x[e]! + s - startOf(mesh.spanOf[e]!));
    },
  };
}

/** Permanent loads alone are a case that is always there; every other set is a state of its own. */
const asCase = ({ name, use }: StationSet): LoadCase => ({
  id: name,
  title: name,
  nature: use === 'permanent' ? 'permanent' : 'imposed',
  category: '',
  pattern: false,
});

const asCombination = ({ name, use }: StationSet): Combination[] =>
  use === 'permanent' ? [] : [{ id: name, title: name, kind: use, clause: '', factors: [{ caseId: name, factor: 1 }] }];

function responseOf(line: LineBeam, mesh: Mesh, spans: readonly (readonly Piece[])[], pieceAt: (e: number) => Piece): Response {
  const response = emptyResponse(mesh.stiffness.length, line.supports.length);
  const exact = spans.map(isOneState);
  mesh.stiffness.forEach((_, e) => {
    const span = mesh.spanOf[e]!;
    const piece = pieceAt(e);
    const [at, end] = [mesh.x[e]!, mesh.x[e + 1]!].map((x) => x - mesh.x[mesh.supportNode[span]!]!) as [number, number];
    const [c0, c1, c2, c3] = momentCurve(piece, exact[span]!);
    const s = at - piece.from;
    // V, M, q and its growth: M = M0 + V s - q s2 / 2 - q' s3 / 6.
    response.elements.set([c1 + s * (2 * c2 + 3 * c3 * s), c0 + s * (c1 + s * (c2 + s * c3)), -2 * c2 - 6 * c3 * s, -6 * c3], STRIDE * e);
    const torque = straight(piece.torsion, piece, at);
    response.torsion.set([torque, (straight(piece.torsion, piece, end) - torque) / (end - at)], 2 * e);
  });
  spans.forEach((pieces, span) => {
    // A reaction is the jump of the shear over its support.
    response.reactions[span]! += pieces[0]!.shear[0];
    response.reactions[span + 1]! -= pieces.at(-1)!.shear[1];
    if (!isCantilever(line, span)) response.fixedEndMoments.set(fixedEndMoments(pieces, exact[span]!), 2 * span);
  });
  return response;
}

/**
 * Hogging moments at both ends of a span, were they held: with the moments M(x) of the span, m = x/L, a the mean of M and b that of M m,
 * end moments added straight bring no rotation at either end where a + (A + B)/2 = 0 and b + A/6 + B/3 = 0 (constant stiffness).
 */
function fixedEndMoments(pieces: readonly Piece[], isExact: boolean): readonly [number, number] {
  const length = pieces.at(-1)!.to;
  const [leftEnd, rightEnd] = [pieces[0]!.moment[0], pieces.at(-1)!.moment[1]];
  let [a, b] = [0, 0];
  for (const piece of pieces) {
    const [c0, c1, c2, c3] = momentCurve(piece, isExact);
    const l = piece.to - piece.from;
    // Three points of Gauss: exact for the fourth power that M x has.
    for (const [t, weight] of [
      [(1 - Math.sqrt(0.6)) / 2, 5 / 18],
      [0.5, 8 / 18],
      [(1 + Math.sqrt(0.6)) / 2, 5 / 18],
    ] as const) {
      const s = t * l;
      const m = (piece.from + s) / length;
      const free = c0 + s * (c1 + s * (c2 + s * c3)) - leftEnd * (1 - m) - rightEnd * m;
      a += (free * weight * l) / length;
      b += (free * m * weight * l) / length;
    }
  }
  return [4 * a - 6 * b, 6 * b - 2 * a];
}

/** For each span the set whose moments and shears fit each other worst: the change of M beside the area under V. */
export function stationHandChecks(beam: BeamInput): HandCheck[] {
  return beam.spans.flatMap((_, span): HandCheck[] => {
    const sums = beam.stationSets.map(({ name }) => {
      const pieces = piecesOf(beam, name, span).map(changes);
      const total = (of: 'moment' | 'shear') => pieces.reduce((sum, p) => sum + Math.abs(p[of]), 0);
      return { name, moment: total('moment'), shear: total('shear') };
    });
    const apart = ({ moment, shear }: (typeof sums)[number]) => Math.abs(moment - shear) / Math.max(moment, shear, 1);
    const worst = sums.reduce<(typeof sums)[number] | undefined>((w, s) => (!w || apart(s) > apart(w) ? s : w), undefined);
    if (!worst) return [];
    return [
      handCheck(
        `Span ${span + 1}, ${worst.name}: changes of M between stations, and the area under V`,
        'moment',
        worst.shear,
        worst.moment,
        MISFIT,
      ),
    ];
  });
}
