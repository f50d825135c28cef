import { silent, type Calc } from '../../calc/calc';
import { largestOf } from '../../checks/largest';
import { checkInWords, type DerivableCheck } from '../../checks/check';
import { compareCheck } from '../../checks/compare';
import type { DesignCode } from '../../codes/design-code';
import type { FireWay } from '../../codes/fire-rules';
import { getUnit } from '../../units/unit';
import type { fire, Part } from './schema-parts';

export type FireInput = Part<typeof fire>;

const MINUTE = getUnit('min').factor;

/** A part of a member, or a load set, with all ways by which its fire resistance can be had. */
export interface FireCase {
  readonly label: string;
  readonly combination?: string;
  readonly ways: (c: Calc) => readonly FireWay[];
  /** Set where the moments of one axis alone are looked at: shown beside the others, for what it says of them. */
  readonly aloneAbout?: 'x' | 'y';
}

const best = (ways: readonly FireWay[]): FireWay => largestOf(ways, (w) => w.minutes)!;

/** A part with what its ways give. */
interface Tried {
  readonly part: FireCase;
  readonly ways: readonly FireWay[];
}

const least = (tried: readonly Tried[]): Tried => largestOf(tried, ({ ways }) => -best(ways).minutes)!;

/**
 * Fire resistance against what is asked: every way of the code is tried and the best one counts, for the part of the member that has the least. The other
 * ways stand beside it, and a row for every other part; moments about one axis alone have a row in words.
 */
export function fireChecks(fire: FireInput, code: Pick<DesignCode, 'choices'>, cases: readonly FireCase[]): DerivableCheck[] {
  const base = { family: 'fire' as const, place: { x: null, label: '' } };
  if (fire.minutes === null || cases.length === 0) {
    const reason =
      fire.minutes === null ? 'No fire resistance is asked for on the basis.' : 'There is nothing whose fire resistance could be found.';
    return [checkInWords({ ...base, id: 'fire', title: 'Fire resistance', clause: '', status: 'notApplicable', reason })];
  }
  const all = cases.map((part): Tried => ({ part, ways: part.ways(silent) }));
  const whole = all.filter(({ part }) => part.aloneAbout === undefined);
  const worst = least(whole);
  const counts = best(worst.ways);
  const rows = byPart(whole).filter((row) => row.part.label !== worst.part.label);
  const alone = byPart(all.filter(({ part }) => part.aloneAbout !== undefined));
  return [
    compared('fire', `Fire: ${counts.title}`, fire.minutes, code, worst),
    ...worst.ways
      .filter((w) => w !== counts)
      .map((w, i) => inWords(`fire-${i + 2}`, `Fire: ${w.title}`, worst.part, w, `${w.minutes} min: ${w.reason}.`)),
    ...rows.map((row, i) => compared(`fire-part-${i + 1}`, `Fire, ${row.part.label}`, fire.minutes!, code, row)),
    ...alone.map((row, i) => {
      const way = best(row.ways);
      return inWords(
        `fire-alone-${i + 1}`,
        `Fire, ${row.part.label}, alone about ${row.part.aloneAbout}`,
        row.part,
        way,
        `${way.minutes} min by ${way.title}.`,
      );
    }),
  ];
}

/** Of each part, and of each axis by itself, the load set with the least. */
function byPart(tried: readonly Tried[]): Tried[] {
  const found = new Map<string, Tried>();
  for (const one of tried) {
    const key = `${one.part.label} ${one.part.aloneAbout ?? ''}`;
    const before = found.get(key);
    found.set(key, before ? least([before, one]) : one);
  }
  return [...found.values()];
}

const baseOf = ({ label, combination }: FireCase) => ({
  family: 'fire' as const,
  place: { x: null, label },
  ...(combination === undefined ? {} : { combination }),
});

const inWords = (id: string, title: string, part: FireCase, { clause }: FireWay, reason: string): DerivableCheck =>
  checkInWords({ ...baseOf(part), id, title, clause, status: 'notApplicable', reason });

function compared(id: string, title: string, minutes: number, code: Pick<DesignCode, 'choices'>, { part, ways }: Tried): DerivableCheck {
  const counts = best(ways);
  return compareCheck({
    ...baseOf(part),
    id,
    title,
    clause: counts.clause,
    assumptions: code.choices.filter((k) => k.topic === 'fire').map((k) => k.key),
    kind: 'minutes',
    compare: (c) => {
      for (const w of part.ways(c)) c.note(`${w.title}: ${w.minutes} min; ${w.reason}.`, w.clause);
      return {
        demand: minutes * MINUTE,
        demandIs: ['fire resistance asked for', 'as typed on the basis'],
        capacity: counts.minutes * MINUTE,
        capacityIs: ['fire resistance', `by ${counts.title}, the best of ${ways.length}`],
        utilisation: counts.minutes > 0 ? minutes / counts.minutes : Infinity,
      };
    },
    fails: () => `${counts.minutes} min of fire by ${counts.title}, ${minutes} are asked for: ${counts.reason}.`,
  });
}
