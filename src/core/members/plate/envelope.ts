import type { Combination } from '../../analysis/combination';
import type { PartAnswer } from './analysis';
import { isLayer, layers, type Layer } from './input';

/** The largest or the least of an effect at each node, and the combination that brings it, by its index. */
export interface Extremes {
  readonly values: Float64Array;
  readonly by: Int32Array;
}

/** How much of each part a combination brings where its variable parts all count. */
export const factorsOf = (parts: readonly PartAnswer[], { factors }: Combination): number[] =>
  parts.map(({ caseId }) => factors.reduce((sum, f) => (f.caseId === caseId ? sum + f.factor : sum), 0));

/** Parts that count in an arrangement, each with its factor. */
export type Arrangement = readonly (readonly [part: PartAnswer, factor: number])[];

/** The parts of a combination whose effect is wanted: permanent ones always, variable ones where they add to it (in the sense given). */
export function arrangementFor(
  parts: readonly PartAnswer[],
  combination: Combination,
  sense: 1 | -1,
  effect: (part: PartAnswer) => number,
): Arrangement {
  const factors = factorsOf(parts, combination);
  return parts.flatMap((part, i): [PartAnswer, number][] => {
    const factor = factors[i]!;
    return factor !== 0 && (!part.isVariable || sense * factor * effect(part) > 0) ? [[part, factor]] : [];
  });
}

/** All parts of a combination together. */
export function wholeOf(parts: readonly PartAnswer[], combination: Combination): Arrangement {
  const factors = factorsOf(parts, combination);
  return parts.flatMap((part, i): [PartAnswer, number][] => (factors[i] === 0 ? [] : [[part, factors[i]!]]));
}

/** A sum over the parts of an arrangement. */
export const summed = (arrangement: Arrangement, effect: (part: PartAnswer) => number): number =>
  arrangement.reduce((sum, [part, factor]) => sum + factor * effect(part), 0);

/** The same for a field: value by value. */
export function summedField(arrangement: Arrangement, length: number, field: (part: PartAnswer) => Float64Array): Float64Array {
  const sum = new Float64Array(length);
  for (const [part, factor] of arrangement) {
    const values = field(part);
    for (let i = 0; i < length; i += 1) sum[i]! += factor * values[i]!;
  }
  return sum;
}

/**
 * The largest (sense 1) or least (-1) value of a field over all arrangements of all combinations: each variable part counts where it adds, so none has
 * to be tried, and none is missed.
 */
export function extremesOf(
  parts: readonly PartAnswer[],
  combinations: readonly Combination[],
  sense: 1 | -1,
  field: (part: PartAnswer) => Float64Array,
): Extremes {
  const length = parts.length > 0 ? field(parts[0]!).length : 0;
  const values = new Float64Array(length).fill(combinations.length > 0 ? -sense * Infinity : 0);
  const by = new Int32Array(length);
  combinations.forEach((combination, c) => {
    const sums = new Float64Array(length);
    factorsOf(parts, combination).forEach((factor, p) => {
      if (factor === 0) return;
      const [own, isVariable] = [field(parts[p]!), parts[p]!.isVariable];
      for (let i = 0; i < length; i += 1) {
        const value = factor * own[i]!;
        if (!isVariable || sense * value > 0) sums[i]! += value;
      }
    });
    for (let i = 0; i < length; i += 1)
      if (sense * sums[i]! > sense * values[i]!) {
        values[i] = sums[i]!;
        by[i] = c;
      }
  });
  return { values, by };
}

/** Moments that the bars of a layer are to carry node by node, never negative (N mm/mm), with the combination and the term that ask it. */
export interface LayerDemand {
  readonly layer: Layer;
  readonly demand: Float64Array;
  readonly by: Int32Array;
  readonly term: Uint8Array;
}

/** The sense in which moments pull the bars of a face. */
export const senseOf = ({ face }: Layer): 1 | -1 => (face === 'bottom' ? 1 : -1);

/** What every layer is to carry under the combinations. */
export const demandsOf = (parts: readonly PartAnswer[], combinations: readonly Combination[]): LayerDemand[] =>
  layers.map((layer) => {
    const sense = senseOf(layer);
    const [a, b] = [0, 1].map((k) => extremesOf(parts, combinations, sense, (part) => part.terms[layer.along][k]!)) as [Extremes, Extremes];
    const term = Uint8Array.from(a.values, (v, n) => (sense * b.values[n]! > sense * v ? 1 : 0));
    return {
      layer,
      demand: Float64Array.from(term, (k, n) => Math.max(0, sense * (k === 1 ? b : a).values[n]!)),
      by: Int32Array.from(term, (k, n) => (k === 1 ? b : a).by[n]!),
      term,
    };
  });

export const demandOn = (demands: readonly LayerDemand[], layer: Layer): LayerDemand => demands.find((d) => isLayer(d.layer, layer))!;
