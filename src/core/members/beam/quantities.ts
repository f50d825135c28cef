import { formworkOf, grossProperties } from '../../geometry/beam-outline';
import { barOf, type BarGroup } from '../../reinforcement/bar-groups';
import { outlineOf, supportPositions, type BeamInput } from './input';
import type { Quantities } from '../../checks/result';
import type { SteelMap } from './steel';

/** Length added at each end of a link for its hooks, in link diameters (two hooks of ten diameters and their bends). */
const HOOK_ALLOWANCE = 24;

/** Volume, mass and formwork of a beam. Bars are counted over their runs, without laps and hooks. */
export function beamQuantities(beam: BeamInput, map: SteelMap): Quantities {
  const { steel, catalogue } = map;
  const starts = supportPositions(beam);
  const mass = (group: BarGroup, length: number) => (group.count > 0 ? group.count * barOf(group, catalogue).massPerLength * length : 0);
  let concrete = 0;
  let bars = 0;
  let links = 0;
  let formwork = 0;
  beam.spans.forEach((span, i) => {
    const o = outlineOf(beam, i);
    concrete += grossProperties(o).area * span.length;
    formwork += formworkOf(o) * span.length;
    const { main, extra } = steel.bottom[i]!;
    bars += mass(main, span.length) + mass(steel.top[i]!.main, span.length) + (extra ? mass(extra.bars, extra.to - extra.from) : 0);
    let from = 0;
    for (const zone of steel.links[i]!) {
      const bar = barOf({ count: 1, size: zone.size }, catalogue);
      const wide = o.b - 2 * beam.cover.side - bar.diameter;
      const deep = o.h - beam.cover.top - beam.cover.bottom - bar.diameter;
      // Legs come in pairs: closed links one inside the other.
      const length = (zone.legs / 2) * (2 * wide * (2 / zone.legs) + 2 * deep + HOOK_ALLOWANCE * bar.diameter);
      links += (Math.ceil((zone.to - from) / zone.spacing) + (from === 0 ? 1 : 0)) * length * bar.massPerLength;
      from = zone.to;
    }
  });
  steel.support.forEach((run) => {
    if (run) bars += mass(run.bars, Math.min(run.to, starts[starts.length - 1]!) - Math.max(0, run.from));
  });
  if (steel.side) bars += 2 * mass(steel.side, starts[starts.length - 1]!);
  return { concrete, bars, links, formwork };
}
