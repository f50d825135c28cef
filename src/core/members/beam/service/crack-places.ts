import { supportName } from '../input';
import type { CrackState, CrackStates } from './crack-state';
import type { ServiceBasis } from './service-basis';
import { startOf, stepAt, STEPS, valueAt, type MomentRange } from './service-moments';
import type { Sense } from '../sense';

/** Parts of a span at whose ends a crack width is worked out, beside the places that can govern. */
const PARTS = 30;

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

/** Places between the faces of the supports where a face is in tension: the faces, the peaks, both sides of each change of bars, and others between. */
export function placesOf(basis: ServiceBasis, states: CrackStates, moments: MomentRange, names: readonly string[]): CrackPlace[] {
  const { beam, grid, analysis, stiffness, largest } = basis;
  return beam.spans.flatMap((_, span) => {
    const [from, to] = [analysis.faces[span]!.right, analysis.faces[span + 1]!.left];
    return placesOfSpan(basis, span, moments, from, to).flatMap((x) =>
      (['sagging', 'hogging'] as const).flatMap((sense): CrackPlace[] => {
        const moment = sense === 'sagging' ? valueAt(grid, moments.max, span, x) : -valueAt(grid, moments.min, span, x);
        if (moment <= 1) return [];
        const cut = states.at(span, x, sense, moment);
        if (!cut) return [];
        const most = sense === 'sagging' ? valueAt(grid, largest.max, span, x) : -valueAt(grid, largest.min, span, x);
        const i = stepAt(grid, span, x);
        const by = sense === 'sagging' ? moments.maxBy[i]! : moments.minBy[i]!;
        const isCracked = most > stiffness.at(i, sense, 'end').crackingMoment;
        return [{ span, x, sense, moment, cut, name: names[by] ?? '', isCracked }];
      }),
    );
  });
}

/** Places of a span, from its left end; the mirrored span has the mirrored places. */
function placesOfSpan(basis: ServiceBasis, span: number, moments: MomentRange, from: number, to: number): number[] {
  const { grid, stiffness } = basis;
  const [start, length] = [startOf(grid, span), grid.step[span]! * STEPS];
  const middles = Array.from({ length: STEPS }, (_, k) => span * STEPS + k);
  const peak = (value: (i: number) => number) => {
    const most = middles.reduce((largest, i) => Math.max(largest, value(i)), -Infinity);
    return middles.filter((i) => value(i) >= most - 1e-9 * Math.abs(most));
  };
  const changes = middles.slice(1).flatMap((i) => (stiffness.isAlike(i - 1, i) ? [] : [i - 1, i]));
  const of = [...peak((i) => moments.max[i]!), ...peak((i) => -moments.min[i]!), ...changes].map((i) => grid.x[i]!);
  const between = Array.from({ length: PARTS - 1 }, (_, k) => start + ((k + 1) * length) / PARTS);
  const all = [from, to, ...of, ...between].filter((x) => x >= from - 1e-6 && x <= to + 1e-6);
  return [...new Set(all)].sort((p, q) => p - q);
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
