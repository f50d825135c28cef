/** The first of a list whose figure is largest; undefined of an empty list. */
export const largestOf = <T>(list: readonly T[], figure: (t: T) => number): T | undefined =>
  list.length === 0 ? undefined : list.reduce((a, b) => (figure(b) > figure(a) ? b : a));
