import { isUnproven } from '../checks/check';
import type { DesignCode, Materials } from '../codes/design-code';
import type { CatalogueId } from '../materials/bars';
import type { ResultBase } from '../checks/result';
import { weigh, type ProjectRates } from './rates';

/** Something to try, with its name. */
export interface Candidate<C> {
  readonly title: string;
  readonly change: C;
  /** What it is about: two changes of one thing are not tried together. */
  readonly about: string;
  /** Whether it lets go of reinforcement that was set by hand. */
  readonly isAnew?: boolean;
}

/** A change of a member that was designed in full; cost and carbon over those of the member as it is. */
export interface Change<C> extends Candidate<C> {
  readonly holds: boolean;
  readonly utilisation: number;
  readonly governs: string;
  readonly cost: number;
  readonly carbon: number;
  /** From 0 to 1. */
  readonly buildability: number;
  /** Whether it is two changes, because no single one mends. */
  readonly isPair?: boolean;
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

/** How members with a material are tried: a change is the fields that it sets. */
export const trialOf = <M extends { readonly materials: Materials }, R extends ResultBase>(
  now: M,
  rates: ProjectRates,
  design: (member: M) => R,
  buildability: (result: R, member: M) => number,
): Trial<M, Partial<M>, R> => ({
  now,
  rates,
  design,
  buildability,
  applied: (member, change) => ({ ...member, ...change }),
  strength: ({ materials }) => materials.concreteStrength,
});

/** How a state of a member stands. */
interface Standing {
  readonly holds: boolean;
  /** Infinite where something could not be computed. */
  readonly utilisation: number;
  /** What all checks together are over their limits. */
  readonly excess: number;
  readonly governs: string;
  readonly cost: number;
  readonly carbon: number;
}

/** Designs a state; undefined where it has faults, or no answer. */
function stand<M, C, R extends ResultBase>(trial: Trial<M, C, R>, member: M): (Standing & { readonly result: R }) | undefined {
  const result = trial.design(member);
  const { governing: worst, quantities, checks, faults } = result;
  if (faults.length > 0 || !quantities || !worst) return undefined;
  return {
    result,
    holds: !checks.some(isUnproven),
    utilisation: worst.utilisation === null && isUnproven(worst) ? Infinity : (worst.utilisation ?? 0),
    excess: checks.reduce((sum, { status, utilisation }) => sum + (status === 'exceeds' ? utilisation! - 1 : 0), 0),
    governs: worst.title,
    cost: weigh(quantities, trial.strength(member), trial.rates.cost),
    carbon: weigh(quantities, trial.strength(member), trial.rates.carbon),
  };
}

/** From here on a ratio is one to nothing. */
const TO_NOTHING = 1e6;

/** What something is against what there is now; where there is nothing yet (a slab without legs) larger ones stay larger than smaller ones. */
export function against(then: number, now: number): number {
  if (now > 0) return then / now;
  return then > 0 ? TO_NOTHING + then : 1;
}

type Tried<C> = Change<C> & Pick<Standing, 'excess'>;

function tryFrom<M, C, R extends ResultBase>(trial: Trial<M, C, R>, base: Standing, list: readonly Candidate<C>[]): Tried<C>[] {
  return list.flatMap((candidate): Tried<C>[] => {
    const changed = trial.applied(trial.now, candidate.change);
    const own = stand(trial, changed);
    if (!own || own.utilisation === Infinity) return [];
    const { result, holds, utilisation, excess, governs } = own;
    const ratios = { cost: against(own.cost, base.cost), carbon: against(own.carbon, base.carbon) };
    return [{ ...candidate, holds, utilisation, excess, governs, ...ratios, buildability: trial.buildability(result, changed) }];
  });
}

/** Designs a member with each of some changes; those with faults, or without an answer, are left out. Empty when the member itself has none. */
export function tryChanges<M, C, R extends ResultBase>(trial: Trial<M, C, R>, list: readonly Candidate<C>[]): Change<C>[] {
  const base = stand(trial, trial.now);
  return base ? tryFrom(trial, base, list) : [];
}

const SEEDS = 2;
const MOST_PAIRS = 6;

/**
 * Single changes worth trying, those that hold first: none that makes worse, and none that changes nothing. Where no single one mends, pairs
 * that do.
 */
export function singleChanges<M, C extends object, R extends ResultBase>(
  trial: Trial<M, C, R>,
  candidates: (member: M) => readonly Candidate<C>[],
): Change<C>[] {
  const base = stand(trial, trial.now);
  if (!base) return [];
  const isNew = (c: Change<C>) => Math.abs(c.cost - 1) + Math.abs(c.carbon - 1) + Math.abs(c.utilisation - base.utilisation) > 1e-9;
  const tried = tryFrom(trial, base, candidates(trial.now)).filter(isNew);
  const mends = (c: Tried<C>) => c.excess < base.excess * (1 - 1e-9) || base.utilisation === Infinity;
  const useful = tried.filter((c) => c.holds || (!base.holds && mends(c)));
  if (base.holds || useful.some((c) => c.holds)) return rankChanges(useful);
  // From each of the best the second step is taken; it knows what the first has changed.
  const seeds = [...useful].sort((a, b) => a.excess - b.excess).slice(0, SEEDS);
  const pairs = seeds.flatMap((first) =>
    candidates(trial.applied(trial.now, first.change))
      .filter(({ about }) => about !== first.about)
      .map((second): Candidate<C> => ({
        title: `${first.title} and ${second.title}`,
        about: `${first.about} and ${second.about}`,
        change: { ...first.change, ...second.change },
        isAnew: first.isAnew === true || second.isAnew === true,
      })),
  );
  const mending = tryFrom(trial, base, oneOfEach(pairs)).filter((c) => c.holds);
  const named = mending.map((c): Change<C> => ({ ...c, isPair: true }));
  return [...rankChanges(named).slice(0, MOST_PAIRS), ...rankChanges(useful)];
}

/** Of pairs that come to the same, one. */
function oneOfEach<C>(list: readonly Candidate<C>[]): Candidate<C>[] {
  const seen = new Set<string>();
  return list.filter(({ change }) => {
    const key = JSON.stringify(Object.entries(change as object).sort(([a], [b]) => a.localeCompare(b)));
    return !seen.has(key) && seen.add(key);
  });
}

/** Those that hold first, then the cheap and easy ones. */
export function rankChanges<C>(list: readonly Change<C>[]): Change<C>[] {
  const score = (p: Change<C>) => p.cost + 0.35 * (1 - p.buildability) + 0.15 * p.carbon;
  return [...list].sort((a, b) => Number(b.holds) - Number(a.holds) || score(a) - score(b));
}

/** Whether anything in a part of the input is set, where null stands for what is chosen automatically. */
export const isSetByHand = (part: unknown): boolean =>
  typeof part === 'object' && part !== null ? Object.values(part).some(isSetByHand) : part !== null && part !== undefined;

/**
 * Changes that keep what was set by hand; where something was, each of them once more with `letGo`, apart, and letting go alone. Where nothing
 * was, all is chosen anew anyway.
 */
export function keepingOrAnew<C extends object>(list: readonly Candidate<C>[], own: unknown, letGo: C): Candidate<C>[] {
  if (!isSetByHand(own)) return [...list];
  const anew = list.map((c): Candidate<C> => ({
    ...c,
    title: `${c.title}, bars chosen anew`,
    change: { ...c.change, ...letGo },
    isAnew: true,
  }));
  return [...list, { title: 'bars chosen anew', about: 'bars', change: letGo, isAnew: true }, ...anew];
}

/** "+5 %": a ratio against now. */
export const percentTitle = (ratio: number): string =>
  ratio >= TO_NOTHING ? 'new' : `${ratio >= 1 ? '+' : '−'}${Math.abs(Math.round((ratio - 1) * 100))} %`;

/** A length as it stands in the title of a change. */
export const lengthTitle = (v: number, catalogue: CatalogueId): string =>
  catalogue === 'us' ? `${Number((v / 25.4).toFixed(1))} in` : `${Math.round(v)} mm`;

/** "b 350 → 400 mm". */
export const fromTo = (name: string, from: number, to: number, catalogue: CatalogueId): string =>
  `${name} ${lengthTitle(from, catalogue).replace(/ \w+$/, '')} → ${lengthTitle(to, catalogue)}`;

/** The next two usual grades of concrete, and the one below; none below about 20 MPa. */
export function otherConcretes(materials: Materials, code: DesignCode): Candidate<number>[] {
  const { concreteStrength: now } = materials;
  const above = code.concreteGrades.filter((g) => g > 1.005 * now).slice(0, 2);
  const below = code.concreteGrades.filter((g) => g < 0.995 * now && g >= LEAST_CONCRETE).slice(-1);
  return [...above, ...below].map((strength) => ({
    title: `concrete ${code.concreteLabel(strength)}`,
    about: 'concrete',
    change: strength,
  }));
}

const LEAST_CONCRETE = 20; // MPa
