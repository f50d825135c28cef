import type { Check } from './check';

/** A check on the ladder, or those of a group that hold well and are folded away: how many, and the largest figure among them. */
export type LadderRow = { readonly check: Check } | { readonly group: string; readonly count: number; readonly most: number };

/** So many of a group are always shown, and fewer than so many are not worth folding. */
const SHOWN = 3;
const LEAST = 3;

/** Rows of a ladder: of groups that are alike at many places all that is not within, and the first few of the rest; what is open is never folded. */
export function ladderRows(checks: readonly Check[], isOpen: (group: string, folded: readonly Check[]) => boolean): LadderRow[] {
  const groups = new Set(checks.flatMap((c) => c.group ?? []));
  const folded = new Map<Check, string>();
  for (const group of groups) {
    const rest = checks.filter((c) => c.group === group && c.status === 'holds').slice(SHOWN);
    if (rest.length >= LEAST && !isOpen(group, rest)) rest.forEach((c) => folded.set(c, group));
  }
  const told = new Set<string>();
  return checks.flatMap((check): LadderRow[] => {
    const group = folded.get(check);
    if (group === undefined) return [{ check }];
    if (told.has(group)) return [];
    told.add(group);
    const all = [...folded].flatMap(([c, g]) => (g === group ? [c.utilisation ?? 0] : []));
    return [{ group, count: all.length, most: Math.max(...all) }];
  });
}
