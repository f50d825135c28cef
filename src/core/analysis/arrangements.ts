/** Arrangements of a load that may be absent from single spans: for each, whether each span is loaded. */
export type SpanMask = readonly boolean[];

export type PatternRule = 'alternateAndAdjacent' | 'allAndAlternate' | 'allSpans' | 'exhaustive';

const alternate = (n: number): SpanMask[] => [0, 1].map((odd) => Array.from({ length: n }, (_, i) => i % 2 === odd));
const all = (n: number): SpanMask => Array.from({ length: n }, () => true);

/**
 * The arrangements of a rule for n spans (cantilevers count as spans). `exhaustive` is not a list: see worstMasks.
 * Alternate spans, and any two adjacent spans: EN 1992-1-1 5.1.3(1), ACI 318-19 6.4.2.
 */
export function spanMasks(n: number, rule: Exclude<PatternRule, 'exhaustive'>): SpanMask[] {
  if (rule === 'allSpans') return [all(n)];
  if (rule === 'allAndAlternate') return n === 1 ? alternate(1) : [all(n), ...alternate(n)];
  const adjacent = Array.from({ length: n - 1 }, (_, k) => Array.from({ length: n }, (_, i) => i === k || i === k + 1));
  return [...alternate(n), ...adjacent];
}

/** Every combination of loaded spans; only for few spans. */
export function everyMask(n: number): SpanMask[] {
  return Array.from({ length: 2 ** n }, (_, bits) => Array.from({ length: n }, (_, i) => ((bits >> i) & 1) === 1));
}

/**
 * From the effects of each loaded span at many places, the arrangements that are worst somewhere: at each place the spans that
 * add to the effect, and those that take from it. With them the envelope equals that of all 2^n arrangements at these places.
 */
export function worstMasks(effects: readonly ArrayLike<number>[]): SpanMask[] {
  const found = new Map<string, SpanMask>();
  const places = effects[0]?.length ?? 0;
  for (let p = 0; p < places; p += 1) {
    for (const sign of [1, -1]) {
      const mask = effects.map((effect) => sign * effect[p]! > 0);
      found.set(mask.map(Number).join(''), mask);
    }
  }
  return [...found.values()];
}

/** Names an arrangement: "all spans", "spans 1, 3", "no span". */
export function maskLabel(mask: SpanMask): string {
  const loaded = mask.flatMap((on, i) => (on ? [i + 1] : []));
  if (loaded.length === mask.length) return mask.length === 1 ? 'loaded' : 'all spans';
  if (loaded.length === 0) return 'unloaded';
  return `span${loaded.length > 1 ? 's' : ''} ${loaded.join(', ')}`;
}
