import { largestOf } from '../../checks/largest';
import { silent } from '../../calc/calc';
import type { DesignMoments, EndForces } from '../../codes/column-rules';
import type { DesignCode } from '../../codes/design-code';
import { capacityAlongRay } from '../../section/capacity';
import type { SurfacePoint } from '../../section/resistance-surface';
import { inBendingSense } from './load-sets';
import { axialAt, places, type ColumnInput, type LoadSet, type Place } from './input';
import type { ColumnModel } from './section';

/** Which axes carry imperfections or least eccentricities: one at a time, or both. */
export interface Accidental {
  readonly x: boolean;
  readonly y: boolean;
}

/** Moments that a load set brings to one place, with the utilisation there. */
export interface PlaceResult {
  readonly place: Place;
  readonly N: number;
  readonly Mx: number;
  readonly My: number;
  readonly accidental: Accidental;
  /** By the measure that is chosen; null when it cannot be had. */
  readonly utilisation: number | null;
  /** False while it is only read from the table of the surface, within a few per cent. */
  readonly isExact: boolean;
}

/** One load set with what it comes to. */
export interface SetResult {
  readonly index: number;
  readonly set: LoadSet;
  readonly x: DesignMoments;
  readonly y: DesignMoments;
  readonly places: readonly PlaceResult[];
  readonly worst: PlaceResult;
  /** Why there is no figure. */
  readonly refusal?: string;
}

function endForces(set: LoadSet, column: ColumnInput, axis: 'x' | 'y'): EndForces {
  const f = inBendingSense(set, column.signs);
  const [top, bottom] = axis === 'x' ? [f.mxTop, f.mxBottom] : [f.myTop, f.myBottom];
  const sway = column.axes[axis].isBraced ? 0 : (set.sway ?? column.sway ?? NaN);
  // The larger compression of both ends makes the moments grow more.
  const N = Math.max(set.N, set.nBottom ?? set.N);
  return { N, top, bottom, swayTop: sway * top, swayBottom: sway * bottom, sustained: set.sustained ?? column.sustained };
}

/** First-order forces of a set about an axis, as the slenderness rule takes them. */
export const forcesAbout = endForces;

/** Design moments of a set for a choice of accidental axes. */
export function designMoments(set: LoadSet, column: ColumnInput, model: ColumnModel, accidental: Accidental) {
  return {
    x: model.axes.x.rule.moments(silent, endForces(set, column, 'x'), accidental.x),
    y: model.axes.y.rule.moments(silent, endForces(set, column, 'y'), accidental.y),
  };
}

function variantsOf(code: DesignCode, column: ColumnInput): readonly Accidental[] {
  if (column.isStrip) return [{ x: true, y: false }];
  if (code.column.accidentalTogether) return [{ x: true, y: true }];
  return [
    { x: true, y: false },
    { x: false, y: true },
  ];
}

/** A moment that is only accidental may act either way, which matters where the section is not the same both ways. */
function eitherWay(set: LoadSet, column: ColumnInput): LoadSet[] {
  const isEven =
    ['rectangle', 'circle', 'ring', 'cross', 'I'].includes(column.shape.kind) &&
    (column.bars.kind !== 'list' || column.tiesAcross === false);
  let sets = [set];
  if (isEven) return sets;
  // A moment of -1 N mm has the sign and no weight.
  if (set.mxTop === 0 && set.mxBottom === 0) sets = sets.flatMap((s) => [s, { ...s, mxTop: -1, mxBottom: -1 }]);
  if (set.myTop === 0 && set.myBottom === 0) sets = sets.flatMap((s) => [s, { ...s, myTop: -1, myBottom: -1 }]);
  return sets;
}

/** Checks an ultimate load set at the ends and between them, in the true direction of the moment. */
export function strengthOf(set: LoadSet, index: number, column: ColumnInput, model: ColumnModel, code: DesignCode): SetResult {
  const needsSway =
    code.column.splitsSway && (['x', 'y'] as const).some((a) => !column.axes[a].isBraced) && (set.sway ?? column.sway) === null;
  const found: { result: PlaceResult; rough: number; x: DesignMoments; y: DesignMoments }[] = [];
  const refusals: string[] = needsSway ? ['State which part of the end moments comes with sway.'] : [];
  for (const [tried, accidental] of needsSway
    ? []
    : eitherWay(set, column).flatMap((s) => variantsOf(code, column).map((a) => [s, a] as const))) {
    const { x, y } = designMoments(tried, column, model, accidental);
    const refusal = x.refusal ?? y.refusal;
    if (refusal) {
      refusals.push(refusal);
      continue;
    }
    for (const place of places) {
      const key = place === 'foot' ? 'bottom' : place;
      const N = axialAt(set, place);
      const rough = roughUtilisation(model, N, x[key], y[key]);
      const result: PlaceResult = { place, N, Mx: x[key], My: y[key], accidental, utilisation: rough, isExact: false };
      found.push({ result, rough, x, y });
    }
  }
  const quiet = { x: true, y: true };
  if (refusals.length > 0 || found.length === 0) {
    const { x, y } = designMoments({ ...set, sway: set.sway ?? 0 }, column, model, quiet);
    const none: PlaceResult = {
      place: 'mid',
      N: axialAt(set, 'mid'),
      Mx: NaN,
      My: NaN,
      accidental: quiet,
      utilisation: null,
      isExact: true,
    };
    return { index, set, x, y, places: [], worst: none, refusal: refusals[0] ?? 'No moments could be found.' };
  }
  // Exact only for what may govern the set: the table is within a few per cent.
  const most = Math.max(...found.map((f) => f.rough));
  const exact = found.map((f) => (f.rough >= nearEnough(code) * most ? { ...f, result: exactly(f.result, model, code) } : f));
  const worst = largestOf(exact, (e) => use(e.result))!;
  const atPlace = (place: Place) =>
    largestOf(
      exact.filter((f) => f.result.place === place),
      (f) => use(f.result),
    )!.result;
  return { index, set, x: worst.x, y: worst.y, places: places.map(atPlace), worst: worst.result };
}

/**
 * How near to the worst a rough utilisation must come for the exact one to be worked out. The table knows the moment at the same axial force;
 * along the ray the order may be another, so there every one is solved.
 */
const nearEnough = (code: DesignCode) => (code.column.measure === 'ray' ? 0 : 0.93);
const use = (p: PlaceResult) => p.utilisation ?? Infinity;

function exactly(p: PlaceResult, model: ColumnModel, code: DesignCode): PlaceResult {
  return p.isExact ? p : { ...p, utilisation: utilisation(model, code, p.N, p.Mx, p.My), isExact: true };
}

/** Works out exactly which set governs each place: only sets that come near are solved. */
export function governingAt(place: Place, results: readonly SetResult[], model: ColumnModel, code: DesignCode) {
  const at = (r: SetResult) => r.places.find((p) => p.place === place)!;
  const most = Math.max(...results.map((r) => use(at(r))));
  const near = results.filter((r) => use(at(r)) >= nearEnough(code) * most).map((r) => ({ r, p: exactly(at(r), model, code) }));
  return largestOf(near, ({ p }) => use(p));
}

function roughUtilisation({ surface }: ColumnModel, N: number, Mx: number, My: number): number {
  const capacity = surface.roughCapacity(N, Mx, My);
  return capacity > 0 ? Math.hypot(Mx, My) / capacity : Infinity;
}

/** Utilisation of the section under N, Mx, My by the measure of the code's choice. Axial force alone where it is more, or there is no moment. */
export function utilisation(model: ColumnModel, code: DesignCode, N: number, Mx: number, My: number): number {
  const axial = N >= 0 ? N / model.surface.most : N / model.surface.least;
  const size = Math.hypot(Mx, My);
  if (size === 0 || axial > 1) return axial;
  if (code.column.measure === 'ray') return capacityAlongRay(model.surface, N, Mx, My);
  const point = model.surface.capacity(N, Mx, My);
  return point ? size / alongDemand(point, Mx, My) : capacityAlongRay(model.surface, N, Mx, My);
}

export function alongDemand(point: SurfacePoint, Mx: number, My: number): number {
  return (point.Mx * Mx + point.My * My) / Math.hypot(Mx, My);
}
