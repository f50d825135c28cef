import { largestOf } from '../../checks/largest';
import { silent, type Calc } from '../../calc/calc';
import type { DesignMoments, EndForces, Sense } from '../../codes/column-rules';
import type { DesignCode } from '../../codes/design-code';
import { capacityAlongRay } from '../../section/capacity';
import type { SurfacePoint } from '../../section/resistance-surface';
import { inBendingSense } from './load-sets';
import { axialAt, placesOf, type ColumnInput, type LoadSet, type Place } from './input';
import type { ColumnModel } from './section';

/** Which axes carry imperfections or least eccentricities: one at a time, or both. */
export interface Accidental {
  readonly x: boolean;
  readonly y: boolean;
}

export interface Senses {
  readonly x: Sense;
  readonly y: Sense;
}

/** Moments that a load set brings to one place, with the utilisation there. */
export interface PlaceResult {
  readonly place: Place;
  readonly N: number;
  readonly Mx: number;
  readonly My: number;
  readonly accidental: Accidental;
  /** The sense about each axis in which what is accidental acts. */
  readonly sense: Senses;
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

/** First-order forces of a set about an axis, as the slenderness rule takes them. */
export function endForces(set: LoadSet, column: ColumnInput, axis: 'x' | 'y'): EndForces {
  const f = inBendingSense(set, column.signs);
  const [top, bottom] = axis === 'x' ? [f.mxTop, f.mxBottom] : [f.myTop, f.myBottom];
  const sway = column.isSection || column.axes[axis].isBraced ? 0 : (set.sway ?? column.sway ?? NaN);
  // The larger compression of both ends makes the moments grow more.
  const N = Math.max(set.N, set.nBottom ?? set.N);
  return { N, top, bottom, swayTop: sway * top, swayBottom: sway * bottom, sustained: set.sustained ?? column.sustained };
}

/** A way in which a set may act: what is accidental, and to which side. */
interface Trial {
  readonly accidental: Accidental;
  readonly sense: Senses;
}

/** Design moments of a set about an axis. A metre of a longer wall does not bend in its plane, and a section has no height: there the forces are as they were found. */
export function momentsAbout(c: Calc, set: LoadSet, column: ColumnInput, model: ColumnModel, axis: 'x' | 'y', trial: Trial): DesignMoments {
  const f = endForces(set, column, axis);
  const { rule } = model.axes[axis];
  if (column.isSection) {
    const least = trial.accidental[axis] ? rule.section?.(c, f.N, f.top, trial.sense[axis]) : undefined;
    return asFound(least ?? f.top, least ?? f.top);
  }
  if (!column.isStrip || axis === 'x') return rule.moments(c, f, trial.accidental[axis], trial.sense[axis]);
  return asFound(f.top, f.bottom);
}

/** Moments that nothing is added to. */
const asFound = (top: number, bottom: number): DesignMoments => ({
  top,
  mid: (top + bottom) / 2,
  bottom,
  firstOrder: Math.max(Math.abs(top), Math.abs(bottom)),
  isSlender: false,
  slenderness: 0,
  limit: Infinity,
  buckling: null,
});

function accidentals(code: DesignCode, column: ColumnInput): readonly Accidental[] {
  if (column.isStrip) return [{ x: true, y: false }];
  if (code.column.accidentalTogether) return [{ x: true, y: true }];
  return [
    { x: true, y: false },
    { x: false, y: true },
  ];
}

/**
 * The senses in which what is accidental about an axis may govern. Both, unless the section is the same to both sides and one sense adds to the
 * moments of both ends: then the other only takes away from them.
 */
function sensesAbout(set: LoadSet, column: ColumnInput, model: ColumnModel, axis: 'x' | 'y'): readonly Sense[] {
  if (column.isStrip && axis === 'y') return [1];
  if (!model.isEven) return [1, -1];
  const f = endForces(set, column, axis);
  const foot = column.isSection || column.axes[axis].isBraced ? f.bottom : -f.bottom;
  if (f.top >= 0 && foot >= 0) return [1];
  return f.top <= 0 && foot <= 0 ? [-1] : [1, -1];
}

function trialsOf(set: LoadSet, column: ColumnInput, model: ColumnModel, code: DesignCode): Trial[] {
  const [sx, sy] = (['x', 'y'] as const).map((axis) => sensesAbout(set, column, model, axis)) as [readonly Sense[], readonly Sense[]];
  return accidentals(code, column).flatMap((accidental) => sx.flatMap((x) => sy.map((y) => ({ accidental, sense: { x, y } }))));
}

/** Checks an ultimate load set at the ends and between them, in the true direction of the moment. */
export function strengthOf(set: LoadSet, index: number, column: ColumnInput, model: ColumnModel, code: DesignCode): SetResult {
  const needsSway =
    code.column.splitsSway &&
    !column.isSection &&
    (['x', 'y'] as const).some((a) => !column.axes[a].isBraced) &&
    (set.sway ?? column.sway) === null;
  const found: { result: PlaceResult; rough: number; x: DesignMoments; y: DesignMoments }[] = [];
  const refusals: string[] = needsSway ? ['State which part of the end moments comes with sway.'] : [];
  const about = (axis: 'x' | 'y', trial: Trial, of = set) => momentsAbout(silent, of, column, model, axis, trial);
  for (const trial of needsSway ? [] : trialsOf(set, column, model, code)) {
    const [x, y] = [about('x', trial), about('y', trial)];
    const refusal = x.refusal ?? y.refusal;
    if (refusal) {
      refusals.push(refusal);
      continue;
    }
    for (const place of placesOf(column)) {
      const key = place === 'foot' ? 'bottom' : place;
      const N = axialAt(set, place);
      const rough = roughUtilisation(model, N, x[key], y[key]);
      const result: PlaceResult = { place, N, Mx: x[key], My: y[key], ...trial, utilisation: rough, isExact: false };
      found.push({ result, rough, x, y });
    }
  }
  if (refusals.length > 0 || found.length === 0) {
    const quiet: Trial = { accidental: { x: true, y: true }, sense: { x: 1, y: 1 } };
    const N = axialAt(set, 'mid');
    const none: PlaceResult = { place: 'mid', N, Mx: NaN, My: NaN, ...quiet, utilisation: null, isExact: true };
    const [x, y] = (['x', 'y'] as const).map((axis) => about(axis, quiet, { ...set, sway: set.sway ?? 0 })) as [
      DesignMoments,
      DesignMoments,
    ];
    return { index, set, x, y, places: [], worst: none, refusal: refusals[0] ?? 'No moments could be found.' };
  }
  // Exact only for what may govern the set: the table is within a few per cent.
  const most = Math.max(...found.map((f) => f.rough));
  const exact = found.map((f) => (f.rough >= nearEnough(code, model) * most ? { ...f, result: exactly(f.result, model, code) } : f));
  const worst = largestOf(exact, (e) => use(e.result))!;
  const atPlace = (place: Place) =>
    largestOf(
      exact.filter((f) => f.result.place === place),
      (f) => use(f.result),
    )!.result;
  return { index, set, x: worst.x, y: worst.y, places: placesOf(column).map(atPlace), worst: worst.result };
}

/**
 * How near to the worst a rough utilisation must come for the exact one to be worked out. The table knows the moment at the same axial force;
 * along the ray the order may be another, so there every one is solved. Where the strength jumps at the axes the table knows the lower one.
 */
const nearEnough = (code: DesignCode, { basis }: ColumnModel) => (code.column.measure === 'ray' ? 0 : basis.blockShare ? 0.85 : 0.93);
const use = (p: PlaceResult) => p.utilisation ?? Infinity;

function exactly(p: PlaceResult, model: ColumnModel, code: DesignCode): PlaceResult {
  return p.isExact ? p : { ...p, utilisation: utilisation(model, code, p.N, p.Mx, p.My), isExact: true };
}

/** Works out exactly which set governs each place: only sets that come near are solved. */
export function governingAt(place: Place, results: readonly SetResult[], model: ColumnModel, code: DesignCode) {
  const at = (r: SetResult) => r.places.find((p) => p.place === place)!;
  const most = Math.max(...results.map((r) => use(at(r))));
  const near = results.filter((r) => use(at(r)) >= nearEnough(code, model) * most).map((r) => ({ r, p: exactly(at(r), model, code) }));
  return largestOf(near, ({ p }) => use(p));
}

function roughUtilisation({ surface }: ColumnModel, N: number, Mx: number, My: number): number {
  const capacity = surface.roughCapacity(N, Mx, My);
  return capacity > 0 ? Math.hypot(Mx, My) / capacity : Infinity;
}

/**
 * Utilisation of the section under N, Mx, My by the measure of the code's choice. Where N alone is more than the section carries there is no
 * moment to compare with: N and M are measured growing together.
 */
export function utilisation(model: ColumnModel, code: DesignCode, N: number, Mx: number, My: number): number {
  const axial = N >= 0 ? N / model.surface.most : N / model.surface.least;
  const size = Math.hypot(Mx, My);
  if (size === 0) return axial;
  if (axial > 1 || code.column.measure === 'ray') return capacityAlongRay(model.surface, N, Mx, My);
  const point = model.surface.capacity(N, Mx, My);
  return point ? size / alongDemand(point, Mx, My) : capacityAlongRay(model.surface, N, Mx, My);
}

export function alongDemand(point: SurfacePoint, Mx: number, My: number): number {
  return (point.Mx * Mx + point.My * My) / Math.hypot(Mx, My);
}
