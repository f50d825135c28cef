import { silent, type Calc } from '../../../calc/calc';
import type { DesignCode } from '../../../codes/design-code';
import type { DerivableCheck } from '../../../checks/check';
import { compareCheck } from '../../../checks/compare';
import type { GivenForces } from '../input';
import type { PreparedBeam } from '../prepared';
import type { ResistanceMap } from '../resistance';
import { sectionAt } from '../section-at';
import type { Sense } from '../sense';
import { senseOf, withAxial } from './questions';

const senses: readonly Sense[] = ['sagging', 'hogging'];
/** Forces that grow a thousandfold without leaving the section are no question of it. */
const MOST_GROWTH = 1000;

/**
 * Axial force and moment of a row together, looked at in both senses: an axial tension of a section with unlike faces can break the face that
 * the moment does not stretch. Both grow in proportion until one sense gives out.
 */
export function axialRow(beam: PreparedBeam, code: DesignCode, resistance: ResistanceMap, f: GivenForces, i: number): DerivableCheck[] {
  const N = f.axial ?? 0;
  if (N === 0) return [];
  const label = f.place || `row ${i + 1}`;
  const plain = { sagging: sectionAt(beam, resistance.map, 0, 0, 'sagging'), hogging: sectionAt(beam, resistance.map, 0, 0, 'hogging') };
  /** What the section carries beside `growth` times the forces in a sense, less what it is asked there (N mm). */
  const spare = (c: Calc, sense: Sense, growth: number) => {
    const section = withAxial(plain[sense].section, { ...f, axial: growth * N });
    const asked = (sense === 'sagging' ? 1 : -1) * growth * f.moment;
    return (code.bendingResistance(c, section, beam.materials)?.moment ?? -Infinity) - asked;
  };
  const holds = (growth: number) => senses.every((sense) => spare(silent, sense, growth) >= 0);
  const growth = mostGrowth(holds);
  const limiting = senses.reduce((a, b) => (spare(silent, b, growth) < spare(silent, a, growth) ? b : a), senseOf(f));
  const face = limiting === 'sagging' ? 'bottom' : 'top';
  return [
    compareCheck({
      id: `axial-${i + 1}`,
      family: 'bending',
      title: `Axial force with bending, ${label}`,
      clause: code.steelClauses.bending,
      place: { x: null, label },
      combination: f.combination,
      assumptions: code.choices.filter((k) => k.topic === 'bending').map((k) => k.key),
      kind: 'force',
      compare: (c) => {
        if (c.recording) {
          c.note(`Both senses of bending are looked at; the ${face} face gives out first, at ${growth.toFixed(3)} times the forces:`);
          spare(c, limiting, growth);
        }
        return {
          demand: Math.abs(N),
          demandIs: ['axial force', 'of the row, as typed'],
          capacity: growth * Math.abs(N),
          capacityIs: ['axial force with its moment', 'grown in proportion until a face gives out'],
          utilisation: growth > 0 ? 1 / growth : Infinity,
        };
      },
      fails: (force, most) =>
        N > 0
          ? `${label}: ${force} of compression, more than is worked out here for a section in bending, ${most}: design it as a column.`
          : `${label}: the ${face} bars give out under the axial force with its moment, ${force} against ${most}.`,
    }),
  ];
}

/** How far forces can grow before they no longer hold; they hold from nothing on. */
function mostGrowth(holds: (growth: number) => boolean): number {
  let [low, high] = [0, 1];
  while (high < MOST_GROWTH && holds(high)) [low, high] = [high, 2 * high];
  for (let k = 0; k < 40 && high - low > 1e-7 * high; k += 1) {
    const mid = (low + high) / 2;
    if (holds(mid)) low = mid;
    else high = mid;
  }
  return low;
}
