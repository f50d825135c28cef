/** Angles from the first counterclockwise to the second one (rad), less than a turn apart; a whole turn is [0, 2 pi]. */
export type Arc = readonly [from: number, to: number];

export const TURN = 2 * Math.PI;
export const WHOLE: Arc = [0, TURN];

/** How far it is from an angle counterclockwise to another one, less than a turn. */
export const turnBetween = (from: number, to: number): number => {
  const turn = (((to - from) % TURN) + TURN) % TURN;
  return turn < TURN ? turn : 0;
};

export const isWhole = ([from, to]: Arc): boolean => to - from >= TURN - 1e-9;

export const isInArc = (angle: number, arc: Arc): boolean => isWhole(arc) || turnBetween(arc[0], angle) <= arc[1] - arc[0];

/** The shortest arc around angles; a whole turn where no gap between them is wider than `gap`. */
export function arcAround(angles: readonly number[], gap: number): Arc {
  const sorted = [...new Set(angles.map((a) => turnBetween(0, a)))].sort((a, b) => a - b);
  let [widest, start] = [0, 0];
  sorted.forEach((a, i) => {
    const before = i > 0 ? sorted[i - 1]! : sorted.at(-1)! - TURN;
    if (a - before > widest) [widest, start] = [a - before, a];
  });
  return widest <= gap ? WHOLE : [start, start + TURN - widest];
}

export const arcsMeet = (a: Arc, b: Arc): boolean =>
  isWhole(a) || isWhole(b) || turnBetween(a[0], b[0]) < a[1] - a[0] || turnBetween(b[0], a[0]) < b[1] - b[0];

/** The arc around two that meet; a whole turn where less than `gap` would be left. */
export function arcAroundBoth(a: Arc, b: Arc, gap: number): Arc {
  if (isWhole(a) || isWhole(b)) return WHOLE;
  const [first, second] = turnBetween(a[0], b[0]) <= a[1] - a[0] ? [a, b] : [b, a];
  const end = Math.max(first[1], first[0] + turnBetween(first[0], second[0]) + second[1] - second[0]);
  return end - first[0] >= TURN - gap ? WHOLE : [first[0], end];
}
