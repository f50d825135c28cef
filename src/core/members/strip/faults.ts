import type { DesignCode } from '../../codes/design-code';
import { slabRuleFaults, slabBarFaults, type SlabBars } from '../../reinforcement/slab-bars';
import { loadFaults, serviceFaults, supportFaults } from '../beam/faults';
import type { Fault } from '../../checks/fault';
import { materialFaults } from '../parts/material-faults';
import { stripAsBeam } from './as-beam';
import type { StripInput } from './input';

/** Checks everything about a slab that the shape of the file cannot: each fault at its field. */
export function stripFaults(strip: StripInput, code: DesignCode): Fault[] {
  const beam = stripAsBeam(strip, 1000);
  return [
    ...materialFaults(strip, code),
    ...serviceFaults(beam),
    ...sizeFaults(strip),
    ...barFaults(strip),
    ...supportFaults(beam),
    ...strip.loads.flatMap((l, i) =>
      l.type === 'point' && !(l.width >= 100 && l.width <= 20_000)
        ? [{ path: `loads[${i}].width`, reason: 'A point load needs the width of slab that shares it, between 0.1 and 20 m.' }]
        : [],
    ),
    ...loadFaults(beam, code),
  ];
}

function sizeFaults({ h, breadth, spans, cover }: StripInput): Fault[] {
  const faults: Fault[] = [];
  const add = (path: string, reason: string) => faults.push({ path, reason });
  if (!(breadth >= 100 && breadth <= 500_000)) add('breadth', 'The breadth of the slab must lie between 0.1 and 500 m.');
  [null, ...spans.keys()].forEach((i) => {
    const depth = i === null ? h : (spans[i]!.h ?? h);
    const at = i === null || spans[i]!.h === null ? 'h' : `spans[${i}].h`;
    if (i !== null && spans[i]!.h === null) return;
    if (!(depth >= 60 && depth <= 2000)) add(at, 'The depth of a slab must lie between 60 mm and 2 m.');
    else if (cover.top + cover.bottom + 20 > depth) add('cover.bottom', `The covers leave no room in a depth of ${Math.round(depth)} mm.`);
  });
  spans.forEach((s, i) => {
    if (!(s.length >= 100 && s.length <= 100_000)) add(`spans[${i}].length`, 'A span must lie between 0.1 and 100 m.');
  });
  for (const face of ['top', 'bottom'] as const)
    if (!(cover[face] >= 5 && cover[face] <= 300))
      add(`cover.${face}`, 'A cover must lie between 5 and 300 mm; it is measured to the outer bars.');
  return faults;
}

/** Layers that cannot be meant. */
function barFaults({ bars, barRules, catalogue }: StripInput): Fault[] {
  const check = (path: string, b: SlabBars | null) => slabBarFaults(path, b, catalogue);
  return [
    ...bars.bottom.flatMap((b, i) => [...check(`bars.bottom[${i}].main`, b.main), ...check(`bars.bottom[${i}].extra.bars`, b.extra.bars)]),
    ...bars.bottom.flatMap(({ extra }, i) =>
      extra.bars && extra.from !== null && extra.to !== null && extra.to <= extra.from
        ? [{ path: `bars.bottom[${i}].extra.to`, reason: 'The extra bars must end beyond where they begin.' }]
        : [],
    ),
    ...bars.top.flatMap((b, i) => check(`bars.top[${i}].main`, b.main)),
    ...bars.support.flatMap((b, i) => check(`bars.support[${i}].bars`, b.bars)),
    ...check('bars.across.bottom', bars.across.bottom),
    ...check('bars.across.top', bars.across.top),
    ...slabRuleFaults(barRules, catalogue),
  ];
}
