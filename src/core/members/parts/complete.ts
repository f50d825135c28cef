/** A list brought to a length, with fillers at its end. */
export const resized = <T>(list: readonly T[], length: number, filler: T): T[] => Array.from({ length }, (_, i) => list[i] ?? filler);
