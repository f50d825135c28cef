import { supportName } from '../input';
import type { CrackState, CrackStates } from './crack-state';
import type { ServiceBasis } from './service-basis';
import { STEPS, type MomentRange } from './service-moments';
import type { Sense } from '../sense';

/** Every so many steps a crack width is worked out. */
const EVERY = 4;

/** A place whose face is pulled in service, with its cracked state. */
export interface CrackPlace {
  readonly span: number;
  readonly x: number;
  readonly sense: Sense;
  readonly moment: number;
  readonly isCracked: boolean;
  readonly name: string;
  readonly cut: CrackState;
}

/** Places between the faces of the supports where a face is in tension. */
export function placesOf(basis: ServiceBasis, states: CrackStates, moments: MomentRange, names: readonly string[]): CrackPlace[] {
  const { grid, analysis, stiffness, largest } = basis;
  const places: CrackPlace[] = [];
  for (let i = 0; i < grid.x.length; i += 1) {
    if ((i % STEPS) % EVERY !== Math.floor(EVERY / 2)) continue;
    const [span, x] = [grid.span[i]!, grid.x[i]!];
    if (x < analysis.faces[span]!.right || x > analysis.faces[span + 1]!.left) continue;
    for (const sense of ['sagging', 'hogging'] as const) {
      const moment = sense === 'sagging' ? moments.max[i]! : -moments.min[i]!;
      if (moment <= 1) continue;
      const cut = states.at(span, x, sense, moment);
      if (!cut) continue;
      const most = sense === 'sagging' ? largest.max[i]! : -largest.min[i]!;
      const by = sense === 'sagging' ? moments.maxBy[i]! : moments.minBy[i]!;
      const isCracked = most > stiffness.at(i, sense, 'end').crackingMoment;
      places.push({ span, x, sense, moment, cut, name: names[by] ?? '', isCracked });
    }
  }
  return places;
}

/** Bottom of each span and top over each support: where a crack is checked, by name. */
export function groupsOf(basis: ServiceBasis, places: readonly CrackPlace[]) {
  const { beam, analysis } = basis;
  // The whole of a cantilever belongs to its root.
  const middle = (span: number) =>
    beam.supports[span + 1]!.type === 'free'
      ? Infinity
      : beam.supports[span]!.type === 'free'
        ? -Infinity
        : (analysis.faces[span]!.centre + analysis.faces[span + 1]!.centre) / 2;
  const bottoms = beam.spans.map((_, i) => ({
    id: `span-${i + 1}`,
    label: `span ${i + 1}`,
    places: places.filter((p) => p.sense === 'sagging' && p.span === i),
  }));
  const tops = beam.supports.map((_, i) => ({
    id: `support-${supportName(i)}`,
    label: `support ${supportName(i)}`,
    places: places.filter(
      (p) => p.sense === 'hogging' && ((p.span === i && p.x <= middle(i)) || (p.span === i - 1 && p.x > middle(i - 1))),
    ),
  }));
  return [...bottoms, ...tops].filter((g) => g.places.length > 0);
}
