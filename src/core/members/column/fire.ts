import type { DerivableCheck } from '../../checks/check';
import type { FireColumn, FireWall } from '../../codes/fire-rules';
import { capacityAlongRay } from '../../section/capacity';
import { fireChecks, type FireCase, type FireInput } from '../parts/fire-check';
import type { ColumnBasis } from './checks';
import { isRound, placeName } from './input';
import { endForces, type PlaceResult, type SetResult } from './strength';

/** N and M over what the section carries when both grow together, with the reduction of strength of that state. */
function partOf({ model: { surface } }: ColumnBasis, { N, Mx, My }: PlaceResult): { readonly use: number; readonly reduction: number } {
  const use = Mx === 0 && My === 0 ? Math.max(N / surface.most, N / surface.least) : capacityAlongRay(surface, N, Mx, My);
  const least = surface.basis.reduction ? 1e-9 : 0;
  const at = use > least ? surface.capacity(N / use, Mx, My) : undefined;
  // Where the ray ends in the squash load the factor is that of the squash load.
  const squash = surface.point(0, 2).factor;
  return { use: Math.max(use, 0), reduction: at?.factor ?? squash };
}

/** First-order eccentricity of a load set (mm), about the axis where it is larger. */
function eccentricity({ column }: ColumnBasis, r: SetResult): number {
  const of = (axis: 'x' | 'y') => {
    const { N, top, bottom } = endForces(r.set, column, axis);
    return N > 0 ? Math.max(Math.abs(top), Math.abs(bottom)) / N : Infinity;
  };
  return Math.max(of('x'), of('y'));
}

/** Load sets that compress: fire resistance of a column that is pulled is not covered by tables. */
const pressed = (r: SetResult) => !r.refusal && r.places.some((p) => p.N > 0);

const casesOf = (basis: ColumnBasis, ways: (r: SetResult, p: PlaceResult) => FireCase['ways']): FireCase[] =>
  basis.results
    .filter(pressed)
    .flatMap((r) => r.places.map((p) => ({ label: placeName(basis.column, p.place), combination: r.set.name, ways: ways(r, p) })));

/** Fire resistance of a column, for every load set at its ends and between. */
export function columnFire(basis: ColumnBasis, fire: FireInput): DerivableCheck[] {
  const { column, code, model } = basis;
  const nearest = Math.min(...model.bars.map((b) => b.diameter));
  const { x, y } = model.axes;
  const longer = x.l0 >= y.l0 ? x : y;
  const slenderness = Math.max(...[x, y].map(({ l0, slender }) => l0 / Math.sqrt(slender.inertia / slender.area)));
  const question = (r: SetResult, p: PlaceResult): FireColumn => ({
    materials: column.materials,
    width: Math.min(model.width, model.depth),
    depth: Math.max(model.width, model.depth),
    isRound: isRound(column.shape),
    axis: column.cover + model.tieDiameter + nearest / 2,
    cover: column.cover + model.tieDiameter,
    bars: model.bars.length,
    area: model.section.gross.area,
    steelArea: model.section.steelArea,
    ...partOf(basis, p),
    N: p.N,
    e: eccentricity(basis, r),
    height: column.height,
    l0: longer.l0,
    slenderness,
    isBraced: column.axes.x.isBraced && column.axes.y.isBraced,
    isOneSided: fire.isOneSided,
  });
  return fireChecks(
    fire,
    code,
    casesOf(basis, (r, p) => (c) => code.fire.column(c, question(r, p))),
  );
}

/** The same of a wall: its thickness, and the distance of its vertical bars from the faces (mm). */
export function wallFire(basis: ColumnBasis, fire: FireInput, thickness: number, horizontal: number): DerivableCheck[] {
  const { column, code, model } = basis;
  const cover = column.cover + horizontal;
  const axis = cover + Math.min(...model.bars.map((b) => b.diameter)) / 2;
  const question = (p: PlaceResult): FireWall => ({
    materials: column.materials,
    thickness,
    axis,
    cover,
    height: column.height,
    ...partOf(basis, p),
    isOneSided: fire.isOneSided,
  });
  return fireChecks(
    fire,
    code,
    casesOf(basis, (_r, p) => (c) => code.fire.wall(c, question(p))),
  );
}
