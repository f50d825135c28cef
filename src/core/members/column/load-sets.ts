import { isAlwaysThere, SELF_WEIGHT, type Combination, type Nature } from '../../analysis/combination';
import type { DesignCode } from '../../codes/design-code';
import { outlineProperties } from '../../geometry/polygon';
import { outlineOfShape } from '../../geometry/section-shapes';
import type { CaseForces, ColumnForces, ColumnInput, LoadSet, LoadSetKind } from './input';

const keys = ['N', 'mxTop', 'mxBottom', 'myTop', 'myBottom', 'vx', 'vy', 'torsion'] as const satisfies readonly (keyof ColumnForces)[];

/** The load sets that a column is checked for: as typed, or combined from its cases by the code. */
export function loadSets(column: ColumnInput, code: DesignCode): LoadSet[] {
  if (column.isSection) return (column.mode === 'sets' ? [...column.sets] : combinedSets(column, code)).map(inSection);
  if (column.mode === 'cases') return combinedSets(withOwnCase(column), code);
  return column.selfWeight ? column.sets.map((s) => withWeight(s, ownWeight(column), column.weightFactor ?? 1)) : [...column.sets];
}

/** Weight of the whole height (N). */
export function ownWeight({ shape, height, unitWeight }: Pick<ColumnInput, 'shape' | 'height' | 'unitWeight'>): number {
  return outlineProperties(outlineOfShape(shape)).area * height * unitWeight;
}

/** The weight presses the foot; what was typed is the force at the top. In service it counts as it is. */
const withWeight = (set: LoadSet, weight: number, factor: number): LoadSet => ({
  ...set,
  nBottom: (set.nBottom ?? set.N) + (set.kind === 'ultimate' ? factor : 1) * weight,
});

/** A column with its own weight as one more permanent case, where it counts. */
export function withOwnCase<C extends Pick<ColumnInput, 'selfWeight' | 'cases' | 'caseForces' | 'shape' | 'height' | 'unitWeight'>>(
  column: C,
): C {
  if (!column.selfWeight) return column;
  const own = { id: SELF_WEIGHT, title: 'Own weight', nature: 'permanent' as const, category: '', pattern: false };
  const forces: CaseForces = { ...noForces, case: SELF_WEIGHT, nBottom: ownWeight(column) };
  return { ...column, cases: [own, ...column.cases], caseForces: [forces, ...column.caseForces] };
}

type Above = NonNullable<ColumnInput['from']>['above'];

/** Sets with the axial force that stands above as well: under ultimate loads the most of it, and where that is another one the least of it too. */
export function withAbove(sets: readonly LoadSet[], { most, least, service }: Above): LoadSet[] {
  const loaded = (set: LoadSet, force: number, words = ''): LoadSet => ({ ...set, name: `${set.name}${words}`, N: set.N + force });
  return sets.flatMap((set) => {
    if (set.kind !== 'ultimate') return [loaded(set, service)];
    return least === null || least === most ? [loaded(set, most)] : [loaded(set, most), loaded(set, least, ', least above')];
  });
}

/** No force at either end; the foot is as the top. */
export const noForces: ColumnForces = {
  N: 0,
  mxTop: 0,
  mxBottom: 0,
  myTop: 0,
  myBottom: 0,
  vx: 0,
  vy: 0,
  torsion: 0,
  nBottom: null,
  vxBottom: null,
  vyBottom: null,
};

/** The forces of a section stand at the top of the set; they are the same all along. */
const inSection = (set: LoadSet): LoadSet => ({
  ...set,
  mxBottom: set.mxTop,
  myBottom: set.myTop,
  nBottom: null,
  vxBottom: null,
  vyBottom: null,
});

/** Forces with end moments in the sense of bending: equal signs bend in single curvature. */
export function inBendingSense<T extends ColumnForces>(f: T, signs: ColumnInput['signs']): T {
  return signs === 'bending' ? f : { ...f, mxBottom: -f.mxBottom, myBottom: -f.myBottom };
}

/** Most variable cases in a combination: every presence and absence of them is a load set. */
export const MOST_FREE = 8;

function combinedSets(column: ColumnInput, code: DesignCode): LoadSet[] {
  const all = combinationsOf(column, code);
  const lasting = all.find((k) => k.kind === 'quasiPermanent' || k.kind === 'sustained');
  return all.flatMap((k) => (k.kind === 'sustained' ? [] : variants(column, code, k, lasting)));
}

const mayBeAbsent = (nature: Nature = 'permanent') => !isAlwaysThere(nature) && nature !== 'earthquake';

/** A combination with more variable cases than can be looked at in every presence and absence; undefined where there is none. */
export function overfullCombination(column: ColumnInput, code: DesignCode): Combination | undefined {
  const nature = new Map(column.cases.map((k) => [k.id, k.nature]));
  const has = new Set(column.caseForces.map((f) => f.case));
  return combinationsOf(column, code).find(
    ({ factors }) => factors.filter((f) => has.has(f.caseId) && f.factor !== 0 && mayBeAbsent(nature.get(f.caseId))).length > MOST_FREE,
  );
}

/** One combination with each of its variable cases present or absent: what is favourable for N may be unfavourable for M. */
function variants(column: ColumnInput, code: DesignCode, combination: Combination, lasting: Combination | undefined): LoadSet[] {
  const forces = new Map(column.caseForces.map((f) => [f.case, f]));
  const nature = new Map(column.cases.map((k) => [k.id, k.nature]));
  const active = combination.factors.filter((f) => forces.has(f.caseId) && f.factor !== 0);
  const free = active.filter((f) => mayBeAbsent(nature.get(f.caseId)));
  const always = active.filter((f) => !free.includes(f));
  const count = 2 ** free.length;
  const sets: LoadSet[] = [];
  for (let bits = count - 1; bits >= 0; bits -= 1) {
    const present = [...always, ...free.filter((_, i) => (bits >> i) & 1)];
    // With nothing variable only the combination of permanent loads remains; it is kept once.
    const without = free.filter((f) => !present.includes(f)).map((f) => f.caseId);
    const sum = add(present, forces);
    const sway = add(
      present.filter((f) => ['wind', 'earthquake'].includes(nature.get(f.caseId) ?? '')),
      forces,
    );
    sets.push({
      ...sum,
      name: without.length > 0 ? `${combination.id} less ${without.join(', ')}` : combination.id,
      title: combination.title,
      kind: combination.kind as LoadSetKind,
      sustained: sustainedPart(code, sum, present, forces, lasting),
      sway: part(sway, sum),
    });
  }
  return sets;
}

/** Sets of one kind of combination, of a column whose cases are known; its own weight among them. */
export function setsOfKind(column: ColumnInput, code: DesignCode, kind: Combination['kind']): LoadSet[] {
  const own = withOwnCase(column);
  return combinationsOf(own, code)
    .filter((k) => k.kind === kind)
    .flatMap((k) => variants(own, code, k, undefined));
}

/** The combinations of the code that are not switched off, and the engineer's own. */
const combinationsOf = ({ cases, combinationsOff, ownCombinations }: ColumnInput, code: DesignCode): Combination[] => [
  ...code.combinations(cases).filter((k) => !combinationsOff.includes(k.id)),
  ...ownCombinations,
];

type Factors = Combination['factors'];

/** Forces at the foot with those of the top that they take the place of. */
const footKeys = [
  ['nBottom', 'N'],
  ['vxBottom', 'vx'],
  ['vyBottom', 'vy'],
] as const satisfies readonly (readonly [keyof ColumnForces, keyof ColumnForces])[];

function add(factors: Factors, forces: ReadonlyMap<string, CaseForces>): ColumnForces {
  const acting = factors.flatMap(({ caseId, factor }) => (forces.has(caseId) ? [{ factor, f: forces.get(caseId)! }] : []));
  const total = (value: (f: CaseForces) => number) => acting.reduce((sum, { factor, f }) => sum + factor * value(f), 0);
  const isApart = (foot: (typeof footKeys)[number][0]) => acting.some(({ f }) => f[foot] !== null);
  return {
    ...(Object.fromEntries(keys.map((key) => [key, total((f) => f[key])])) as Record<(typeof keys)[number], number>),
    ...(Object.fromEntries(footKeys.map(([foot, top]) => [foot, isApart(foot) ? total((f) => f[foot] ?? f[top]) : null])) as Record<
      (typeof footKeys)[number][0],
      number | null
    >),
  };
}

const largest = (f: ColumnForces) => Math.max(Math.hypot(f.mxTop, f.myTop), Math.hypot(f.mxBottom, f.myBottom));

/** One effect over another by the larger end moment, or by the axial force where there is none. */
function part(of: ColumnForces, whole: ColumnForces): number {
  const moment = largest(whole);
  const ratio = moment > 1e-3 * Math.abs(whole.N) ? largest(of) / moment : whole.N === 0 ? 0 : of.N / whole.N;
  return Math.max(0, Math.min(1, ratio));
}

/** Sustained part of a combined set: by first-order moments, or by factored axial forces, as the code has it. */
function sustainedPart(
  code: DesignCode,
  sum: ColumnForces,
  present: Factors,
  forces: ReadonlyMap<string, CaseForces>,
  lasting: Combination | undefined,
): number | null {
  if (!lasting) return null;
  if (code.column.sustainedBy === 'moment') return part(add(lasting.factors, forces), sum);
  const share = new Map(lasting.factors.map((f) => [f.caseId, f.factor]));
  const held = present.map((f) => ({ ...f, factor: f.factor * Math.min(1, share.get(f.caseId) ?? 0) }));
  return sum.N > 0 ? Math.max(0, Math.min(1, add(held, forces).N / sum.N)) : 0;
}
