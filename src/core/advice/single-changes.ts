import type { DesignCode, Materials } from '../codes/design-code';
import type { CatalogueId } from '../materials/bars';
import type { ResultBase } from '../checks/result';
import { weigh, type ProjectRates } from './rates';

/** Something to try, with its name. */
export interface Candidate<C> {
  readonly title: string;
  readonly change: C;
}

/** A change of a member that was designed in full; cost and carbon over those of the member as it is. */
export interface Change<C> {
  readonly title: string;
  readonly change: C;
  readonly holds: boolean;
  readonly utilisation: number;
  readonly governs: string;
  readonly cost: number;
  readonly carbon: number;
  /** From 0 to 1. */
  readonly buildability: number;
}

/** How changes of one kind of member are tried. */
export interface Trial<M, C, R extends ResultBase> {
  readonly now: M;
  readonly rates: ProjectRates;
  readonly design: (member: M) => R;
  readonly applied: (member: M, change: C) => M;
  readonly strength: (member: M) => number;
  readonly buildability: (result: R, member: M) => number;
}

/** Designs a member with each of some changes; those with faults, or without an answer, are left out. Empty when the member itself has faults. */
export function tryChanges<M, C, R extends ResultBase>(trial: Trial<M, C, R>, candidates: readonly Candidate<C>[]): Change<C>[] {
  const { now, rates, design, applied } = trial;
  const sums = (r: R, m: M) =>
    r.quantities && {
      cost: weigh(r.quantities, trial.strength(m), rates.cost),
      carbon: weigh(r.quantities, trial.strength(m), rates.carbon),
    };
  const base = sums(design(now), now);
  if (!base) return [];
  return candidates.flatMap(({ title, change }): Change<C>[] => {
    const changed = applied(now, change);
    const result = design(changed);
    const own = sums(result, changed);
    if (result.faults.length > 0 || !own || !result.governing) return [];
    return [
      {
        title,
        change,
        holds: !result.checks.some((c) => c.status === 'exceeds' || c.status === 'failed'),
        utilisation: result.governing.status === 'failed' ? FAILED : (result.governing.utilisation ?? 0),
        governs: result.governing.title,
        cost: own.cost / base.cost,
        carbon: own.carbon / base.carbon,
        buildability: trial.buildability(result, changed),
      },
    ];
  });
}

/** Stands for the utilisation of what could not be computed. */
export const FAILED = 99;

/** Those that hold first, then the cheap and easy ones. */
export function rankChanges<C>(list: readonly Change<C>[]): Change<C>[] {
  const score = (p: Change<C>) => p.cost + 0.35 * (1 - p.buildability) + 0.15 * p.carbon;
  return [...list].sort((a, b) => Number(b.holds) - Number(a.holds) || score(a) - score(b));
}

/** A length as it stands in the title of a change. */
export const lengthTitle = (v: number, catalogue: CatalogueId): string =>
  catalogue === 'us' ? `${Number((v / 25.4).toFixed(1))} in` : `${Math.round(v)} mm`;

/** "b 350 → 400 mm". */
export const fromTo = (name: string, from: number, to: number, catalogue: CatalogueId): string =>
  `${name} ${lengthTitle(from, catalogue).replace(/ \w+$/, '')} → ${lengthTitle(to, catalogue)}`;

/** The next grades of concrete, 5 MPa or 1000 psi up and down; none below about 20 MPa. */
export function otherConcretes(materials: Materials, catalogue: CatalogueId, code: DesignCode): Candidate<number>[] {
  const step = catalogue === 'us' ? 6.894757293 : 5;
  const { concreteStrength: now } = materials;
  return [now + step, ...(now > 26 ? [now - step] : [])].map((strength) => ({
    title: `concrete ${code.concreteLabel(strength)}`,
    change: strength,
  }));
}
