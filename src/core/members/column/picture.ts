import { silent } from '../../calc/calc';
import type { MomentStep } from '../../codes/column-rules';
import type { DesignCode } from '../../codes/design-code';
import { capacityAlongRay } from '../../section/capacity';
import { barStressRays } from '../../section/bar-stress-regions';
import { criticalPoints, interactionSlice, type CriticalPoint } from '../../section/critical-points';
import { ResistanceSurface, type SurfacePoint } from '../../section/resistance-surface';
import { squashLoad } from '../../section/ultimate';
import type { ColumnInput } from './input';
import type { ColumnResult } from './result';
import { columnModel, type ColumnModel } from './section';
import { linesOnDemand, zonesOf, type LinesOnDemand, type Zone } from './zones';
import { endForces, strengthOf, type PlaceResult, type SetResult } from './strength';

/** All that a sheet shows of one load set beside the checks. Made anew for the set that is chosen; the table of sets does not need it. */
export interface ColumnPicture {
  readonly model: ColumnModel;
  readonly strength: SetResult;
  readonly steps: { readonly x: readonly MomentStep[]; readonly y: readonly MomentStep[] };
  /** Limit state of the section in the direction of the moment; undefined when N alone is too much. */
  readonly limit: SurfacePoint | undefined;
  readonly byMoment: number | null;
  readonly byRay: number | null;
  /** The code's own sum of two uniaxial ratios, as a second opinion; null where it has none or only one moment acts. */
  readonly bySum: { readonly utilisation: number; readonly clause: string } | null;
  /** Direction of the slice (rad from the My axis), and the slice. */
  readonly direction: number;
  readonly slice: readonly { readonly N: number; readonly M: number }[];
  readonly nominal: readonly { readonly N: number; readonly M: number }[];
  /** What the nominal strength is called. */
  readonly nominalName: string;
  readonly contour: readonly (readonly [My: number, Mx: number])[];
  /** Rays that part the regions by which laps are told, where the code has classes of them. */
  readonly rays: readonly { readonly angle: number; readonly name: string }[];
  readonly critical: readonly CriticalPoint[];
  readonly zones: readonly Zone[];
  readonly lines: readonly LinesOnDemand[];
}

const nominals = new WeakMap<ColumnModel, ResistanceSurface>();

/** Strength before any safety, beside which the design strength is drawn. */
export function nominalSurface(model: ColumnModel, column: ColumnInput, code: DesignCode): ResistanceSurface {
  let made = nominals.get(model);
  const { basis } = code.column.nominal(column.materials, column.transverse);
  if (!made) nominals.set(model, (made = new ResistanceSurface(model.section, basis)));
  return made;
}

/** The picture of a load set; `angle` turns the slice away from the direction of the set's moment. */
export function columnPicture(
  column: ColumnInput,
  code: DesignCode,
  result: ColumnResult,
  index: number,
  angle: number | null,
): ColumnPicture | undefined {
  const set = result.sets[index];
  if (!set || result.faults.length > 0) return undefined;
  const model = columnModel(column, code);
  const { surface } = model;
  const strength = strengthOf(set, index, column, model, code);
  const { N, Mx, My } = strength.worst;
  const size = Math.hypot(Mx, My);
  const own = size > 0 ? Math.atan2(Mx, My) : Math.PI / 2;
  const limit = size > 0 ? surface.capacity(N, Mx, My) : undefined;
  const direction = angle ?? own;
  const nominal = nominalSurface(model, column, code);
  return {
    model,
    strength,
    steps: { x: stepsAbout(column, model, strength, 'x'), y: stepsAbout(column, model, strength, 'y') },
    limit,
    byMoment: limit ? size / ((limit.Mx * Mx + limit.My * My) / size) : null,
    byRay: Number.isFinite(size) && (size > 0 || N !== 0) ? capacityAlongRay(surface, N, Mx, My) : null,
    bySum: sumRule(column, code, model, N, Mx, My),
    direction,
    slice: interactionSlice(surface, direction),
    nominal: interactionSlice(nominal, direction),
    nominalName: code.column.nominal(column.materials, column.transverse).name,
    contour: surface.contour(N).flatMap((p) => (p ? [[p.My, p.Mx] as const] : [])),
    rays: code.column.lap && !column.isSection ? lapRays(surface, direction) : [],
    critical: criticalPoints(surface, direction),
    zones: zonesOf(column, code, model, direction),
    lines: linesOnDemand(column, code, model, direction),
  };
}

/**
 * The way from the moments typed to those that are carried: of each place in the state that is worst there, so that its last line is what the
 * check of the place carries.
 */
function stepsAbout(
  column: ColumnInput,
  model: ColumnModel,
  { set, places, worst, refusal }: SetResult,
  axis: 'x' | 'y',
): readonly MomentStep[] {
  const f = endForces(set, column, axis);
  // A metre of a longer wall does not bend in its plane, and a section has no height.
  // Nor is there a way to moments that could not be found.
  if (column.isSection || refusal || (column.isStrip && axis === 'y'))
    return [{ title: 'to be carried', clause: '', top: f.top, mid: (f.top + f.bottom) / 2, bottom: f.bottom }];
  const of = (p: PlaceResult) => model.axes[axis].rule.steps(f, p.accidental[axis], p.sense[axis]);
  const [top, mid, foot] = (['top', 'mid', 'foot'] as const).map((place) => of(places.find((p) => p.place === place) ?? worst));
  return mid!.map((step, i) => ({ ...step, top: top![i]!.top, bottom: foot![i]!.bottom }));
}

function lapRays(surface: ResistanceSurface, direction: number): ColumnPicture['rays'] {
  const { none, half } = barStressRays(surface, direction);
  return [
    { angle: none, name: 'bars at 0' },
    { angle: half, name: '0.5 fy' },
  ];
}

function sumRule(column: ColumnInput, code: DesignCode, model: ColumnModel, N: number, Mx: number, My: number): ColumnPicture['bySum'] {
  const { biaxialRule } = code.column;
  if (!biaxialRule || !Mx || !My) return null;
  const [x, y] = [model.surface.capacity(N, Math.sign(Mx), 0), model.surface.capacity(N, 0, Math.sign(My))];
  if (!x || !y) return null;
  return biaxialRule(silent, {
    N,
    Mx,
    My,
    capacityX: Math.abs(x.Mx),
    capacityY: Math.abs(y.My),
    squash: squashLoad(model.section, model.basis),
    isCircular: column.shape.kind === 'circle',
  });
}

/** Other load sets in the plane of a slice: turned into it at their utilisation, so that inside and outside stay what they are. */
export function setsInSlice(
  result: ColumnResult,
  slice: ColumnPicture['slice'],
  most = 400,
): { readonly index: number; readonly N: number; readonly M: number }[] {
  const worst = [...result.summaries].sort((a, b) => (b.utilisation ?? 99) - (a.utilisation ?? 99)).slice(0, most);
  return worst.flatMap(({ index, N, utilisation }) => {
    const at = slice.findIndex((p, i) => i + 1 < slice.length && p.N <= N && slice[i + 1]!.N >= N);
    if (at < 0 || utilisation === null) return [];
    const [a, b] = [slice[at]!, slice[at + 1]!];
    const f = b.N === a.N ? 0 : (N - a.N) / (b.N - a.N);
    return [{ index, N, M: utilisation * (a.M + f * (b.M - a.M)) }];
  });
}
