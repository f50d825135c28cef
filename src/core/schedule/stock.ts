/** Bars are delivered this long (mm) unless it is said otherwise: what is longer laps. */
export const STOCK = 12_000;

/** How bars of one size are cut from stock: how many stock bars, and what is left over of them (mm). */
export interface Cutting {
  readonly bars: number;
  readonly left: number;
}

/**
 * Cuts lengths (mm), each so many times, from bars of one stock length: every stock bar gets the longest that still fits, and again, until none does. What
 * is longer than the stock is made of whole stock bars and a rest.
 */
export function cutFromStock(lengths: ReadonlyMap<number, number>, stock: number): Cutting {
  let [bars, used] = [0, 0];
  const open = new Map<number, number>();
  const add = (length: number, count: number) => open.set(length, (open.get(length) ?? 0) + count);
  for (const [length, count] of lengths) {
    used += length * count;
    const whole = Math.floor(length / stock);
    bars += whole * count;
    const rest = length - whole * stock;
    if (rest > 0) add(rest, count);
  }
  const descending = [...open.keys()].sort((a, b) => b - a);
  for (const first of descending) {
    while (open.get(first)! > 0) {
      const cut = descending.flatMap((length) => [[length, 0]] as [number, number][]);
      let room = stock;
      for (const part of cut) {
        part[1] = Math.min(open.get(part[0])!, Math.floor(room / part[0] + 1e-9));
        room -= part[0] * part[1];
      }
      // The same cutting goes on as long as there are enough of each.
      const times = Math.max(1, Math.min(...cut.filter(([, n]) => n > 0).map(([length, n]) => Math.floor(open.get(length)! / n))));
      for (const [length, n] of cut) open.set(length, open.get(length)! - n * times);
      bars += times;
    }
  }
  return { bars, left: bars * stock - used };
}
