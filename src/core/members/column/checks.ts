import { silent, type Calc } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { chordWidth } from '../../geometry/polygon';
import type { UnitSystem } from '../../units/quantity';
import { largestOf } from '../../checks/largest';
import { compareCheck } from '../../checks/compare';
import { checkInWords, type DerivableCheck, guarded } from '../../checks/check';
import { axialAt, placeName, type ColumnInput, type LoadSet } from './input';
import type { ColumnModel } from './section';
import { alongDemand, endForces, governingAt, momentsAbout, type PlaceResult, type SetResult } from './strength';

/** What every check of a column may look at. */
export interface ColumnBasis {
  readonly column: ColumnInput;
  readonly code: DesignCode;
  readonly model: ColumnModel;
  readonly results: readonly SetResult[];
  readonly units: UnitSystem;
}

export const nowhere = { x: null, label: '' };
const columnKeys = ({ code }: ColumnBasis) => code.choices.filter((k) => k.topic === 'columns').map((k) => k.key);

/** Axial force with bending at the top, at the foot and between, each for the load set that is worst there. */
export function strengthChecks(basis: ColumnBasis): DerivableCheck[] {
  const { results, column } = basis;
  const good = results.filter((r) => !r.refusal);
  const checks = (column.isSection ? (['top'] as const) : (['mid', 'top', 'foot'] as const)).flatMap((place) => {
    const governs = governingAt(place, good, basis.model, basis.code);
    return governs ? [strengthCheck(basis, governs.r, governs.p)] : [];
  });
  return [...refusals(basis), ...checks];
}

/** A code that needs something to be said asks for it; every other refusal is final. */
export const refusalStatus = (reason: string): 'asked' | 'failed' => (reason.startsWith('State ') ? 'asked' : 'failed');

/** Load sets without an answer: one rung for each reason, with the sets it holds for. */
function refusals({ results, code }: ColumnBasis): DerivableCheck[] {
  const reasons = [...new Set(results.flatMap((r) => (r.refusal ? [r.refusal] : [])))];
  return reasons.map((reason, i) => {
    const sets = results.filter((r) => r.refusal === reason);
    const names = sets.slice(0, 3).map((r) => r.set.name);
    return checkInWords({
      id: `no-answer-${i + 1}`,
      family: 'bending',
      title: 'Second order',
      clause: code.column.clauses.slenderness,
      status: refusalStatus(reason),
      place: nowhere,
      combination: names.join(', ') + (sets.length > 3 ? ` and ${sets.length - 3} more` : ''),
      reason,
    });
  });
}

function strengthCheck(basis: ColumnBasis, r: SetResult, p: PlaceResult): DerivableCheck {
  const { code, column, model } = basis;
  const { place } = p;
  const size = Math.hypot(p.Mx, p.My);
  const u = p.utilisation;
  const { N } = p;
  const name = placeName(column, place);
  const tooMuch = N > model.surface.most || N < model.surface.least;
  const isByForce = tooMuch || size === 0;
  const capacity = u !== null && u > 0 ? size / u : 0;
  return compareCheck({
    id: `strength-${place}`,
    family: 'bending',
    title: column.isSection ? 'N and M' : `N and M, ${name}`,
    clause: code.column.clauses.axial,
    place: { x: null, label: name },
    combination: r.set.name,
    assumptions: columnKeys(basis),
    kind: isByForce ? 'force' : 'moment',
    compare: (c) => {
      if (c.recording) strengthSteps(c, basis, r, p);
      return {
        demand: isByForce ? N : size,
        demandIs: isByForce ? ['axial force', 'of the load set'] : ['moment to be carried', 'about both axes together'],
        capacity: isByForce ? (N > 0 ? model.surface.most : model.surface.least) : capacity,
        capacityIs: isByForce
          ? ['axial force that the section carries', 'with no moment']
          : ['moment that the section carries', 'in this direction with this axial force, or along the ray where that is worse'],
        utilisation: u,
      };
    },
    fails: (demand, most, show) =>
      tooMuch
        ? `${N > 0 ? 'The axial force' : 'The tension'} of ${demand.replace('−', '')} alone is more than the section carries, ${most.replace('−', '')}.`
        : `${column.isSection ? '' : `At ${name}, `}${r.set.name}: ${demand} with N ${show(N, 'force')}, the section carries ${most}.`,
  });
}

/** From the typed moments to those that are carried, and the section at its limit. */
function strengthSteps(c: Calc, { column, code, model }: ColumnBasis, r: SetResult, p: PlaceResult): void {
  for (const axis of ['x', 'y'] as const) {
    c.note(`Bending about ${axis}${p.accidental[axis] ? ', with imperfections or minimum eccentricity' : ''}:`);
    momentsAbout(c, r.set, column, model, axis, p);
  }
  code.column.ultimateBasis(c, column.materials, column.transverse);
  const point = model.surface.capacity(p.N, p.Mx, p.My);
  if (!point) return;
  code.column.recordResistance(c, { section: model.section, basis: model.basis, point, N: p.N, Mx: p.Mx, My: p.My });
  const size = Math.hypot(p.Mx, p.My);
  if (p.utilisation !== null && Math.abs(size / alongDemand(point, p.Mx, p.My) - p.utilisation) > 1e-6)
    c.note(`Measured along the ray from the origin, N and M growing together: ${p.utilisation.toFixed(3)}.`);
}

/** Axial force alone against the squash load, and against the bars in tension. */
export function axialChecks({ results, model, code, column }: ColumnBasis): DerivableCheck[] {
  const all = results.map((r) => r.set);
  const list: DerivableCheck[] = [];
  const larger = (s: LoadSet) => Math.max(s.N, axialAt(s, 'foot'));
  const smaller = (s: LoadSet) => Math.min(s.N, axialAt(s, 'foot'));
  const most = largestOf(all, larger);
  const least = largestOf(all, (s) => -smaller(s));
  const make = (id: string, title: string, N: number, capacity: number, combination: string) =>
    compareCheck({
      id,
      family: 'bending',
      title,
      clause: code.column.clauses.squash,
      place: nowhere,
      combination,
      assumptions: code.choices.filter((k) => k.key === 'columnDisplaced' || k.key === 'displaced').map((k) => k.key),
      kind: 'force',
      compare: (c) => {
        code.column.ultimateBasis(c, column.materials, column.transverse);
        return {
          demand: Math.abs(N),
          demandIs: ['axial force', `of load set ${combination}`],
          capacity: Math.abs(capacity),
          capacityIs:
            N > 0
              ? ['largest axial resistance', 'concrete and all bars at the strain of pure compression, as far as the code counts it']
              : ['resistance to tension', 'all bars at their design strength'],
        };
      },
    });
  if (most && larger(most) > 0) list.push(make('axial-force', 'Axial force alone', larger(most), model.surface.most, most.name));
  if (least && smaller(least) < 0) list.push(make('axial-tension', 'Tension alone', smaller(least), model.surface.least, least.name));
  return list;
}

/** With what is accidental about both axes, as it makes the moments largest about each. */
const fully = { accidental: { x: true, y: true }, sense: { x: 1, y: 1 } } as const;

/** How far second order makes the moments grow, where the code limits it; and the load against the one at which the column buckles. */
export function growthChecks(basis: ColumnBasis): DerivableCheck[] {
  if (basis.column.isSection) return [];
  const good = basis.results.filter((r) => !r.refusal).map((r) => r.set);
  return (['x', 'y'] as const).flatMap((axis) => [...bucklingCheck(basis, good, axis), ...growthCheck(basis, good, axis)]);
}

function bucklingCheck(basis: ColumnBasis, sets: readonly LoadSet[], axis: 'x' | 'y'): DerivableCheck[] {
  const { code, column, model } = basis;
  const buckling = (s: LoadSet, c = silent) => momentsAbout(c, s, column, model, axis, fully).buckling;
  const set = largestOf(
    sets.filter((s) => buckling(s) !== null),
    (s) => buckling(s)!,
  );
  if (!set) return [];
  const { N } = endForces(set, column, axis);
  return [
    compareCheck({
      id: `buckling-${axis}`,
      family: 'bending',
      title: `Buckling about ${axis}`,
      clause: code.column.clauses.growth,
      place: nowhere,
      combination: set.name,
      kind: 'force',
      compare: (c) => ({
        demand: N,
        demandIs: ['axial force', `of load set ${set.name}, the larger of both ends`],
        capacity: N / buckling(set, c)!,
        capacityIs: ['axial force at which the moments grow without end', 'from the growth above'],
      }),
    }),
  ];
}

function growthCheck(basis: ColumnBasis, sets: readonly LoadSet[], axis: 'x' | 'y'): DerivableCheck[] {
  const { code, column, model } = basis;
  const limit = code.column.mostGrowth;
  if (limit === null) return [];
  const ratio = (s: LoadSet, c = silent) => {
    const d = momentsAbout(c, s, column, model, axis, fully);
    const largest = Math.max(...[d.top, d.mid, d.bottom].map(Math.abs));
    return d.isSlender && d.firstOrder > 0 ? largest / d.firstOrder : 0;
  };
  const set = largestOf(sets, ratio);
  if (!set || ratio(set) <= 1) return [];
  return [
    compareCheck({
      id: `growth-${axis}`,
      family: 'bending',
      title: `Second-order growth, ${axis}`,
      clause: code.column.clauses.growth,
      place: nowhere,
      combination: set.name,
      kind: 'ratio',
      compare: (c) => ({
        demand: ratio(set, c),
        demandIs: ['largest moment over the largest of first order', 'of the moments above'],
        capacity: limit,
        capacityIs: ['maximum growth allowed', 'as the code has it'],
      }),
      fails: (growth, most) => `Second order makes the moment ${growth} times as large; at most ${most} is allowed.`,
    }),
  ];
}

interface Shearing {
  readonly r: SetResult;
  readonly N: number;
  readonly V: number;
  /** The largest moment that goes with it (N mm); not known where second order gives none. */
  readonly M: number | undefined;
}

/** Shear of a set along an axis with the axial force beside it: at the top, and at the foot where that is another. */
export function shearsOf(r: SetResult, axis: 'x' | 'y'): Shearing[] {
  const [key, foot] = axis === 'x' ? (['vx', 'vxBottom'] as const) : (['vy', 'vyBottom'] as const);
  const moments = axis === 'x' ? r.y : r.x;
  const most = (...of: readonly number[]) => (of.every(Number.isFinite) ? Math.max(...of.map(Math.abs)) : undefined);
  const differs = r.set[foot] != null || r.set.nBottom != null;
  const { top, mid, bottom } = moments;
  // One shear all along goes with the largest moment of the column.
  const atTop: Shearing = { r, N: r.set.N, V: Math.abs(r.set[key]), M: differs ? most(top, mid) : most(top, mid, bottom) };
  const atFoot: Shearing = { r, N: axialAt(r.set, 'foot'), V: Math.abs(r.set[foot] ?? r.set[key]), M: most(mid, bottom) };
  const ends = differs ? [atTop, atFoot] : [atTop];
  return ends.filter((e) => e.V !== 0);
}

/** Shear along x and along y with the ties, and both together where the code joins them. */
export function shearChecks(basis: ColumnBasis): DerivableCheck[] {
  const { results, code, column, model } = basis;
  const list: DerivableCheck[] = [];
  const use = { x: new Map<SetResult, number>(), y: new Map<SetResult, number>() };
  for (const axis of ['x', 'y'] as const) {
    const loaded = results.flatMap((r) => shearsOf(r, axis));
    if (loaded.length === 0) continue;
    const sections = shearSections(model, column, axis);
    const base = {
      id: `shear-${axis}`,
      family: 'shear' as const,
      title: `Shear along ${axis}`,
      clause: code.column.clauses.shear,
      place: nowhere,
    };
    list.push(
      guarded(base, () => {
        const strength = (s: (typeof sections)[number], { N, V, M }: Shearing, c = silent) => code.column.shear(c, { ...s, N, V, M });
        const weaker = (f: Shearing) => largestOf(sections, (s) => -strength(s, f))!;
        const ratio = (f: Shearing) => f.V / strength(weaker(f), f);
        for (const s of loaded) use[axis].set(s.r, Math.max(use[axis].get(s.r) ?? 0, ratio(s)));
        const worst = largestOf(loaded, ratio)!;
        const { r, N, V } = worst;
        const end = N === r.set.N ? 'top' : 'foot';
        return compareCheck({
          ...base,
          combination: r.set.name,
          assumptions: code.choices.filter((k) => k.topic === 'shear' && k.only !== 'beams').map((k) => k.key),
          kind: 'force',
          compare: (c) => ({
            demand: V,
            demandIs: [`shear along ${axis}`, `of load set ${r.set.name}${column.isSection ? '' : ` at the ${end}`}`],
            capacity: strength(weaker(worst), worst, c),
          }),
        });
      }),
    );
  }
  const join = code.column.joinShear;
  if (join && use.x.size > 0 && use.y.size > 0) {
    const joined = (r: SetResult) => join(use.x.get(r) ?? 0, use.y.get(r) ?? 0);
    const r = largestOf(results, (s) => joined(s).utilisation)!;
    list.push(
      compareCheck({
        id: 'shear-both',
        family: 'shear',
        title: 'Shear both ways together',
        clause: joined(r).clause,
        place: nowhere,
        combination: r.set.name,
        kind: 'ratio',
        compare: (c) => ({
          demand: join(use.x.get(r) ?? 0, use.y.get(r) ?? 0, c).utilisation,
          capacity: 1,
          capacityIs: ['limit', 'both ways together use the section up'],
        }),
      }),
    );
  }
  return list;
}

/** What a section offers to shear along an axis with either side compressed; once where both are the same. */
export function shearSections(model: ColumnModel, column: ColumnInput, axis: 'x' | 'y') {
  const sides = model.isEven ? ([1] as const) : ([1, -1] as const);
  return sides.map((side) => shearSection(model, column, axis, side));
}

/**
 * Least width of the middle, and depth to the bars of the tension half. Bars on the axis through the centroid belong to neither half; which ones
 * do is not left to rounding.
 */
function shearSection(model: ColumnModel, column: ColumnInput, axis: 'x' | 'y', side: 1 | -1) {
  const { section } = model;
  const { area: tieArea, legs } = model.ties;
  const along = (b: { readonly x: number; readonly y: number }) => side * (axis === 'x' ? b.x : b.y);
  const h = axis === 'x' ? model.width : model.depth;
  const half = section.bars.filter((b) => along(b) < -1e-6 * h);
  const coordinates = section.outline.outer.map(([x, y]) => (axis === 'x' ? x : y));
  const compressed = Math.max(...coordinates.map((v) => side * v));
  const area = half.reduce((sum, b) => sum + b.area, 0);
  const centre = area > 0 ? half.reduce((sum, b) => sum + b.area * along(b), 0) / area : -0.4 * h;
  return {
    isRound: column.shape.kind === 'circle',
    bw: leastWidth(model, axis, h, Math.min(...coordinates)),
    d: Math.min(compressed - centre, h),
    h,
    area: section.gross.area,
    tensionSteel: area,
    tieArea: axis === 'y' && column.tiesAcross === false ? 0 : tieArea * (axis === 'x' ? legs.legsX : legs.legsY),
    tieSpacing: column.ties.spacing,
    materials: column.materials,
  };
}

function leastWidth({ section }: ColumnModel, axis: 'x' | 'y', h: number, from: number): number {
  const normal = axis === 'x' ? ([1, 0] as const) : ([0, 1] as const);
  let least = Infinity;
  // Between 15 and 85 % of the depth: what lies outside is a chord, not the web.
  for (let i = 0; i <= 14; i += 1) least = Math.min(least, chordWidth(section.outline, normal, from + h * (0.15 + 0.05 * i) + 1e-6));
  return least;
}
