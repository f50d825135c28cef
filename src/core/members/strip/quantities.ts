import { layerOf, type SlabBars } from '../../reinforcement/slab-bars';
import { barMass } from '../../materials/bars';
import type { StripInput } from './input';
import type { Quantities } from '../../checks/result';
import type { StripSteel } from './steel';

/** Volume, mass and formwork of the whole slab. Bars are counted over their runs, without laps and hooks. */
export function stripQuantities(strip: StripInput, steel: StripSteel): Quantities {
  const { breadth, catalogue } = strip;
  const mass = (bars: SlabBars | null, length: number) => (bars ? barMass(layerOf(bars, catalogue).area * breadth) * length : 0);
  const total = strip.spans.reduce((sum, s) => sum + s.length, 0);
  let [concrete, bars] = [0, 0];
  strip.spans.forEach((span, i) => {
    const { main, extra } = steel.bottom[i]!;
    concrete += (span.h ?? strip.h) * breadth * span.length;
    bars += mass(main, span.length) + mass(steel.top[i]!.main, span.length) + (extra ? mass(extra.bars, extra.to - extra.from) : 0);
  });
  steel.support.forEach((run) => (bars += run ? mass(run.bars, run.to - run.from) : 0));
  bars += mass(steel.across.bottom, total) + mass(steel.across.top, topLength(strip, steel));
  return { concrete, bars, links: 0, formwork: breadth * total };
}

/** Length of the slab that has top bars (mm). */
export function topLength(strip: StripInput, steel: StripSteel): number {
  const runs = steel.support.flatMap((r) => (r ? [[r.from, r.to] as const] : []));
  let x = 0;
  strip.spans.forEach((s, i) => {
    if (steel.top[i]!.main) runs.push([x, x + s.length]);
    x += s.length;
  });
  let [sum, reached] = [0, 0];
  for (const [from, to] of runs.sort((a, b) => a[0] - b[0])) {
    sum += Math.max(0, to - Math.max(from, reached));
    reached = Math.max(reached, to);
  }
  return sum;
}
