import { placesOfLoads } from '../../../analysis/line-beam';
import { supportName } from '../input';
import type { CrackState, CrackStates } from './crack-state';
import type { ServiceBasis } from './service-basis';
import { startOf, stepAt, STEPS } from './service-moments';
import type { Sense } from '../sense';
import { BESIDE } from '../steel';

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

/** Where cracks are looked at: a place of a span, and which of its faces the full loads crack. */
export interface CrackSite {
  readonly span: number;
  readonly x: number;
  readonly isCracked: Readonly<Record<Sense, boolean>>;
}

/**
 * Places between the faces of the supports: the faces, the peaks, where loads stand, each change of bars on the side of less, where what is cracked
 * ends, and others between.
 */
export function crackSites(basis: ServiceBasis): CrackSite[] {
  const { beam, grid, analysis, stiffness, largestAt } = basis;
  return beam.spans.flatMap((_, span) => {
    const [from, to] = [analysis.faces[span]!.right, analysis.faces[span + 1]!.left];
    const cracks = (x: number, sense: Sense): boolean => {
      const full = largestAt(span, x);
      return (sense === 'sagging' ? full.max : -full.min) > stiffness.at(stepAt(grid, span, x), sense, 'end').crackingMoment;
    };
    return withCrackEnds(placesOfSpan(basis, span, from, to), cracks).map((x): CrackSite => ({
      span,
      x,
      isCracked: { sagging: cracks(x, 'sagging'), hogging: cracks(x, 'hogging') },
    }));
  });
}

/** The sites whose face is pulled by some loads, with its cracked state. */
export function placesOf(basis: ServiceBasis, sites: readonly CrackSite[], states: CrackStates, loads: 'full' | 'crack'): CrackPlace[] {
  const [momentsAt, names] = loads === 'full' ? [basis.largestAt, basis.fullNames] : [basis.crackAt, basis.crackNames];
  return sites.flatMap(({ span, x, isCracked }) => {
    const own = momentsAt(span, x);
    return senses.flatMap((sense): CrackPlace[] => {
      const isSagging = sense === 'sagging';
      const moment = isSagging ? own.max : -own.min;
      if (moment <= 1) return [];
      const cut = states.at(span, x, sense, moment);
      if (!cut) return [];
      return [{ span, x, sense, moment, cut, name: names[isSagging ? own.maxBy : own.minBy] ?? '', isCracked: isCracked[sense] }];
    });
  });
}

const senses = ['sagging', 'hogging'] as const;
/** Halvings by which the end of what is cracked is found: from some 200 mm to less than 0.1 mm. */
const HALVINGS = 12;

/** Places with those beside them where what the full loads crack ends: the moment for which cracks are checked may still grow there. */
function withCrackEnds(places: readonly number[], cracks: (x: number, sense: Sense) => boolean): number[] {
  const ends = senses.flatMap((sense) => {
    const known = places.map((x) => cracks(x, sense));
    return places.slice(1).flatMap((right, i): number[] => {
      if (known[i] === known[i + 1]) return [];
      let [cracked, plain] = known[i] ? [places[i]!, right] : [right, places[i]!];
      for (let k = 0; k < HALVINGS; k += 1) {
        const middle = (cracked + plain) / 2;
        if (cracks(middle, sense)) cracked = middle;
        else plain = middle;
      }
      return [cracked];
    });
  });
  return [...new Set([...places, ...ends])].sort((p, q) => p - q);
}

/** Places of a span, from its left end; the mirrored span has the mirrored places. */
function placesOfSpan({ grid, stiffness, analysis, peaks }: ServiceBasis, span: number, from: number, to: number): number[] {
  const [start, length] = [startOf(grid, span), grid.step[span]! * STEPS];
  const between = Array.from({ length: PARTS - 1 }, (_, k) => start + ((k + 1) * length) / PARTS);
  const middle = middleOf(analysis, span);
  const all = [from, to, middle, middle + BESIDE, ...peaks, ...placesOfLoads(analysis.mesh, span), ...stiffness.map.places(), ...between];
  return [...new Set(all.filter((x) => x >= from - 1e-6 && x <= to + 1e-6))].sort((p, q) => p - q);
}

/** The middle of a span (mm from the left end of the beam): it parts what belongs to one support from what belongs to the next. */
const middleOf = ({ faces }: ServiceBasis['analysis'], span: number): number => (faces[span]!.centre + faces[span + 1]!.centre) / 2;

/** Bottom of each span and top over each support: where a crack is checked, by name. */
export function groupsOf(basis: ServiceBasis, places: readonly CrackPlace[]) {
  const { beam, analysis } = basis;
  // The whole of a cantilever belongs to its root.
  const middle = (span: number) =>
    beam.supports[span + 1]!.type === 'free' ? Infinity : beam.supports[span]!.type === 'free' ? -Infinity : middleOf(analysis, span);
  const bottoms = beam.spans.map((_, i) => ({
    id: `span-${i + 1}`,
    label: `span ${i + 1}`,
    places: places.filter((p) => p.sense === 'sagging' && p.span === i),
  }));
  const tops = beam.supports.map((_, i) => ({
    id: `support-${supportName(i)}`,
    label: `support ${supportName(i)}`,
    places: places.filter(
      (p) =>
        p.sense === 'hogging' && ((p.span === i && p.x < middle(i) + BESIDE / 2) || (p.span === i - 1 && p.x > middle(i - 1) + BESIDE / 2)),
    ),
  }));
  return [...bottoms, ...tops].filter((g) => g.places.length > 0);
}
