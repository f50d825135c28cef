import { silent, type Calc } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { asParabola, elasticConcrete, elasticSteel, parabolaStress, steelStress } from '../../section/laws';
import { bearing } from '../../section/polygon-section';
import { momentCurvature, solvePlane, strainAt, type CurvaturePoint, type StrainLaws, type StrainPlane } from '../../section/strain-plane';
import { axialAt, type ColumnInput, type LoadSet, type Place } from './input';
import { inBendingSense } from './load-sets';
import { dryingPerimeter, type ColumnModel } from './section';
import { strengthOf } from './strength';

/** Strain and stress of one fibre at a height v along the direction of growing compression (mm from the centroid, MPa). */
export interface Fibre {
  readonly v: number;
  readonly strain: number;
  readonly stress: number;
}

/** How a section deforms under the forces of one set at one place, compression positive. */
export interface SectionState {
  readonly N: number;
  readonly Mx: number;
  readonly My: number;
  readonly laws: StrainLaws;
  /** Undefined when no state of strain within the laws balances the forces. */
  readonly plane: StrainPlane | undefined;
  /** Direction of growing compression (rad). */
  readonly theta: number;
  /** From the edge least to the edge most compressed. */
  readonly concrete: readonly Fibre[];
  readonly bars: readonly Fibre[];
  /** Depth of the neutral axis from the compressed edge (mm); null when it lies outside the section. */
  readonly neutral: number | null;
  /** Moment against curvature at this axial force with the design laws, and where the first bar yields on it. */
  readonly curve: readonly CurvaturePoint[];
  readonly yields: CurvaturePoint | null;
}

/** Laws of the design state; strength reduction by a factor is not in them. */
export function designLaws(model: ColumnModel): StrainLaws {
  const { concrete, steel, deductsDisplaced } = model.basis;
  return { concrete: asParabola(concrete), steel, deductsDisplaced };
}

/** Modulus of concrete under a service set, creep counted as far as the set is sustained (MPa). */
export function serviceModulus(c: Calc, column: ColumnInput, code: DesignCode, model: ColumnModel, set: LoadSet): number {
  const { area } = model.section.gross;
  const sustained = set.kind === 'quasiPermanent' ? 1 : (set.sustained ?? column.sustained ?? 1);
  return code.service.modulus(c, column.materials, area, dryingPerimeter(column, model.section), sustained);
}

/** Laws of the cracked elastic section under a service set, creep counted for its sustained part. */
export function serviceLaws(column: ColumnInput, code: DesignCode, model: ColumnModel, set: LoadSet): StrainLaws {
  const modulus = serviceModulus(silent, column, code, model, set);
  return { concrete: elasticConcrete(modulus), steel: elasticSteel(model.basis.steel.modulus), deductsDisplaced: false };
}

/** The state of a section under a load set at a place: design moments for an ultimate set, those typed for a service set. */
export function sectionState(
  column: ColumnInput,
  code: DesignCode,
  model: ColumnModel,
  set: LoadSet,
  index: number,
  place: Place,
): SectionState {
  const f = forcesAt(column, code, model, set, index, place);
  const laws = set.kind === 'ultimate' ? designLaws(model) : serviceLaws(column, code, model, set);
  const found = [f.N, f.Mx, f.My].every(Number.isFinite) ? solvePlane(model.section, f, laws) : undefined;
  const plane = found && isWithin(model, found, laws) ? found : undefined;
  const theta = plane && Math.hypot(plane.kx, plane.ky) > 1e-12 ? Math.atan2(plane.kx, plane.ky) : Math.atan2(f.Mx || 1e-9, f.My);
  const curve = momentCurvature(model.section, f.N, theta, designLaws(model), 60);
  const yieldStrain = model.basis.steel.yield / model.basis.steel.modulus;
  const yields = curve.find((p) => p.barStrain <= -yieldStrain) ?? null;
  return { ...f, laws, plane, theta, ...fibres(model, plane, laws, theta), curve, yields };
}

/** Whether no corner is strained beyond the limit of the law. */
const isWithin = ({ section }: ColumnModel, plane: StrainPlane, laws: StrainLaws): boolean =>
  section.outline.outer.every(([x, y]) => strainAt(plane, x, y) <= laws.concrete.ultimateStrain * (1 + 1e-6));

function forcesAt(column: ColumnInput, code: DesignCode, model: ColumnModel, set: LoadSet, index: number, place: Place) {
  if (set.kind !== 'ultimate') {
    const f = inBendingSense(set, column.signs);
    const N = axialAt(set, place);
    return place === 'top' ? { N, Mx: f.mxTop, My: f.myTop } : { N, Mx: f.mxBottom, My: f.myBottom };
  }
  const r = strengthOf(set, index, column, model, code);
  const p = r.places.find((q) => q.place === place) ?? r.worst;
  return { N: p.N, Mx: p.Mx, My: p.My };
}

function fibres(model: ColumnModel, plane: StrainPlane | undefined, laws: StrainLaws, theta: number) {
  if (!plane) return { concrete: [], bars: [], neutral: null };
  const b = bearing(model.section, theta);
  const k = plane.kx * b.sin + plane.ky * b.cos;
  const low = b.vMax - b.h;
  const concrete = Array.from({ length: 41 }, (_, i): Fibre => {
    const v = low + (b.h * i) / 40;
    const strain = plane.e0 + k * v;
    return { v, strain, stress: parabolaStress(strain, laws.concrete) };
  });
  const bars = model.section.bars.map((bar, i): Fibre => {
    const strain = strainAt(plane, bar.x, bar.y);
    return { v: b.bars[i]!, strain, stress: steelStress(strain, laws.steel) };
  });
  const neutral = k > 0 ? b.vMax + plane.e0 / k : Infinity;
  return { concrete, bars, neutral: neutral > 0 && neutral < b.h ? neutral : null };
}
