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
}

const best = (ways: readonly FireWay[]): FireWay => largestOf(ways, (w) => w.minutes)!;

/**
 * Fire resistance against what is asked: every way of the code is tried and the best one counts, for the part of the member that has the least. The other
 * ways stand beside it.
 */
export function fireChecks(fire: FireInput, code: Pick<DesignCode, 'choices'>, cases: readonly FireCase[]): DerivableCheck[] {
  const base = { family: 'fire' as const, place: { x: null, label: '' } };
  if (fire.minutes === null || cases.length === 0) {
    const reason =
      fire.minutes === null ? 'No fire resistance is asked for on the basis.' : 'There is nothing whose fire resistance could be found.';
    return [checkInWords({ ...base, id: 'fire', title: 'Fire resistance', clause: '', status: 'notApplicable', reason })];
  }
  const all = cases.map((part) => ({ part, ways: part.ways(silent) }));
  const worst = largestOf(all, ({ ways }) => -best(ways).minutes)!;
  const { part, ways } = worst;
  const counts = best(ways);
  const place = { x: null, label: part.label };
  const combination = part.combination === undefined ? {} : { combination: part.combination };
  const others = ways.filter((w) => w !== counts);
  return [
    compareCheck({
      ...base,
      ...combination,
      id: 'fire',
      title: `Fire: ${counts.title}`,
      clause: counts.clause,
      place,
      assumptions: code.choices.filter((k) => k.topic === 'fire').map((k) => k.key),
      kind: 'minutes',
      compare: (c) => {
        for (const w of part.ways(c)) c.note(`${w.title}: ${w.minutes} min; ${w.reason}.`, w.clause);
        return {
          demand: fire.minutes! * MINUTE,
          demandIs: ['fire resistance asked for', 'as typed on the basis'],
          capacity: counts.minutes * MINUTE,
          capacityIs: ['fire resistance', `by ${counts.title}, the best of ${ways.length}`],
          utilisation: counts.minutes > 0 ? fire.minutes! / counts.minutes : Infinity,
        };
      },
      fails: () => `${counts.minutes} min of fire by ${counts.title}, ${fire.minutes} are asked for: ${counts.reason}.`,
    }),
    ...others.map((w, i) =>
      checkInWords({
        ...base,
        ...combination,
        id: `fire-${i + 2}`,
        title: `Fire: ${w.title}`,
        clause: w.clause,
        status: 'notApplicable',
        place,
        reason: `${w.minutes} min: ${w.reason}.`,
      }),
    ),
  ];
}
