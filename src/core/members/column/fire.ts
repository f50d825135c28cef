import type { DerivableCheck } from '../../checks/check';
import type { Calc } from '../../calc/calc';
import type { FireColumn, FireWall, FireWay } from '../../codes/fire-rules';
import { capacityAlongRay, roughAlongRay } from '../../section/capacity';
import { fireChecks, type FireCase, type FireInput } from '../parts/fire-check';
import type { ColumnBasis } from './checks';
import { isothermWay, type Heated } from './fire-isotherm';
import { isRound, placeName, placesOf } from './input';
import { ResistanceSurface } from '../../section/resistance-surface';
import type { ColumnModel } from './section';
import { setsOfKind } from './load-sets';
import { endForces, strengthOf, type PlaceResult, type SetResult } from './strength';

const unreduced = new WeakMap<ColumnModel, ResistanceSurface>();

/** The resistance without any reduction of strength: that of a code which has none is the one that is known. */
function nominalSurface(model: ColumnModel): ResistanceSurface {
  if (!model.basis.reduction) return model.surface;
  let known = unreduced.get(model);
  if (!known) unreduced.set(model, (known = new ResistanceSurface(model.section, { ...model.basis, reduction: null, axialCap: null })));
  return known;
}

/** N and M over what the section carries when both grow together, without reduction of strength. */
const atRay = ({ model }: ColumnBasis, { N, Mx, My }: PlaceResult): number =>
  Math.max(0, capacityAlongRay(nominalSurface(model), N, Mx, My));

type Axis = 'x' | 'y';
const BOTH: readonly Axis[] = ['x', 'y'];

/** First-order eccentricity of a load set (mm), about the axis where it is larger. */
function eccentricity({ column }: ColumnBasis, r: SetResult, axes: readonly Axis[]): number {
  const of = (axis: Axis) => {
    const { N, top, bottom } = endForces(r.set, column, axis);
    return N > 0 ? Math.max(Math.abs(top), Math.abs(bottom)) / N : Infinity;
  };
  return Math.max(...axes.map(of));
}

/** The same place with the moments of some axes alone. */
const about = (p: PlaceResult, axes: readonly Axis[]): PlaceResult => ({
  ...p,
  Mx: axes.includes('x') ? p.Mx : 0,
  My: axes.includes('y') ? p.My : 0,
});

/** Load sets that compress: fire resistance of a column that is pulled is not covered by tables. */
const pressed = (r: SetResult) => !r.refusal && r.places.some((p) => p.N > 0);

/** A load set at a place, with what its fire resistance falls with. */
interface Candidate {
  readonly r: SetResult;
  readonly p: PlaceResult;
  readonly use: number;
  readonly e: number;
}

/**
 * The load sets that may govern: no way of a code gives more for a larger use, axial force or eccentricity, so that a set counts only where no other is worse
 * in all three. The use is read from the table of the surface: another has to be worse by more than the table can be off.
 */
function mayGovern(basis: ColumnBasis, place: PlaceResult['place'], axes: readonly Axis[]): Candidate[] {
  const surface = nominalSurface(basis.model);
  const margin = surface.basis.blockShare ? 0.8 : 0.9;
  const all = basis.results.filter(pressed).flatMap((r) => {
    const e = eccentricity(basis, r, axes);
    return r.places
      .filter((p) => p.place === place)
      .map((all): Candidate => {
        const p = about(all, axes);
        return { r, p, e, use: roughAlongRay(surface, p.N, p.Mx, p.My) };
      });
  });
  const isWorse = (a: Candidate, b: Candidate) => a.p.N >= b.p.N && a.e >= b.e && margin * a.use >= b.use;
  const front: Candidate[] = [];
  for (const one of all) {
    if (front.some((other) => isWorse(other, one))) continue;
    for (let i = front.length - 1; i >= 0; i -= 1) if (isWorse(one, front[i]!)) front.splice(i, 1);
    front.push(one);
  }
  return front;
}

/** A load set at a place, with moments of some axes, as a question of fire. */
type WaysOf = (axes: readonly Axis[]) => (r: SetResult, p: PlaceResult) => FireCase['ways'];

/**
 * Every end and the middle, and each axis by itself where there are moments about both. None where no fire resistance is asked for: what may govern is not
 * looked for in vain.
 */
function casesOf(basis: ColumnBasis, waysOf: WaysOf): FireCase[] {
  if (basis.column.fire.minutes === null) return [];
  const bends = (axis: 'Mx' | 'My') => basis.results.some((r) => r.places.some((p) => Math.abs(p[axis]) > 1));
  const isBiaxial = bends('Mx') && bends('My');
  return placesOf(basis.column).flatMap((place) =>
    [BOTH, ...(isBiaxial ? BOTH.map((axis) => [axis]) : [])].flatMap((axes) =>
      mayGovern(basis, place, axes).map(({ r, p }) => ({
        label: placeName(basis.column, place),
        combination: r.set.name,
        ways: waysOf(axes)(r, p),
        ...(axes === BOTH ? {} : { aloneAbout: axes[0]! }),
      })),
    ),
  );
}

/** The longer effective length, the larger slenderness and the height of a column (mm). */
function slendernessOf({ column, model }: ColumnBasis, axes: readonly Axis[]): Pick<FireColumn, 'l0' | 'height' | 'slenderness'> {
  const all = axes.map((axis) => model.axes[axis]);
  return {
    l0: Math.max(...all.map((a) => a.l0)),
    height: column.height,
    slenderness: Math.max(...all.map(({ l0, slender }) => l0 / Math.sqrt(slender.inertia / slender.area))),
  };
}

/** The ways of the code, with the isotherm where it has one. */
function withIsotherm(c: Calc, basis: ColumnBasis, ways: readonly FireWay[], q: Heated) {
  const way = isothermWay(c, basis, q);
  return way ? [...ways, way] : ways;
}

/** The column under the forces of the fire itself, where the code takes those and the load cases are known; else under its design forces. */
function underFire(basis: ColumnBasis): { readonly basis: ColumnBasis; readonly isOfFire: boolean } {
  const { column, code, model } = basis;
  const { forces } = code.fire;
  if (!forces || column.mode !== 'cases' || column.fire.minutes === null) return { basis, isOfFire: false };
  const results = setsOfKind(column, code, forces.kind).map((set, i) => strengthOf({ ...set, kind: 'ultimate' }, i, column, model, code));
  return { basis: { ...basis, results }, isOfFire: true };
}

/** Fire resistance of a column, for every load set at its ends and between. */
export function columnFire(given: ColumnBasis, fire: FireInput): DerivableCheck[] {
  const { basis, isOfFire } = underFire(given);
  const { column, code, model } = basis;
  const nearest = Math.min(...model.bars.map((b) => b.diameter));
  const question = (r: SetResult, p: PlaceResult, axes: readonly Axis[]): FireColumn => ({
    materials: column.materials,
    width: Math.min(model.width, model.depth),
    depth: Math.max(model.width, model.depth),
    isRound: isRound(column.shape),
    axis: column.cover + model.ties.diameter + nearest / 2,
    cover: column.cover + model.ties.diameter,
    bars: model.bars.length,
    area: model.section.gross.area,
    steelArea: model.section.steelArea,
    use: atRay(basis, p),
    isOfFire,
    N: p.N,
    e: eccentricity(basis, r, axes),
    ...slendernessOf(basis, axes),
    isBraced: BOTH.every((axis) => column.axes[axis].isBraced),
    isOneSided: fire.isOneSided,
  });
  return fireChecks(
    fire,
    code,
    casesOf(basis, (axes) => (r, p) => (c) => {
      const q = question(r, p, axes);
      const ways = code.fire.column(c, q);
      // The isotherm is for all load sets with both moments.
      return axes === BOTH ? withIsotherm(c, basis, ways, q) : ways;
    }),
  );
}

/** The same of a wall: its thickness, and the distance of its vertical bars from the faces (mm). */
export function wallFire(given: ColumnBasis, fire: FireInput, thickness: number, horizontal: number): DerivableCheck[] {
  const { basis, isOfFire } = underFire(given);
  const { column, code, model } = basis;
  const cover = column.cover + horizontal;
  const axis = cover + Math.min(...model.bars.map((b) => b.diameter)) / 2;
  const slender = slendernessOf(basis, column.isStrip ? ['x'] : BOTH);
  const question = (p: PlaceResult): FireWall => ({
    materials: column.materials,
    thickness,
    axis,
    cover,
    height: column.height,
    use: atRay(basis, p),
    isOfFire,
    isOneSided: fire.isOneSided,
  });
  return fireChecks(
    fire,
    code,
    casesOf(basis, (axes) => (_r, p) => (c) => {
      const ways = code.fire.wall(c, question(p));
      return axes === BOTH ? withIsotherm(c, basis, ways, { ...slender, isOfFire }) : ways;
    }),
  );
}
