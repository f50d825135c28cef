import type { DesignCode } from '../../codes/design-code';
import { catalogues, findBar } from '../../materials/bars';
import { columnFaults } from '../column/faults';
import type { Fault } from '../../checks/fault';
import { endFaults } from '../column/ends';
import { asFloors, wallAsColumn } from './as-column';
import type { WallInput } from './input';

/** Faults of a wall at its own fields; what remains is what a column would have. */
export function wallFaults(wall: WallInput, code: DesignCode): Fault[] {
  const faults: Fault[] = [];
  const add = (path: string, reason: string) => faults.push({ path, reason });
  if (!(wall.thickness >= 80 && wall.thickness <= 3000)) add('thickness', 'The thickness must lie between 80 mm and 3 m.');
  if (!wall.isStrip && !(wall.length >= 200 && wall.length <= 30_000)) add('length', 'The length must lie between 0.2 and 30 m.');
  const catalogue = catalogues[wall.catalogue];
  let outer = wall.cover;
  for (const mesh of ['vertical', 'horizontal'] as const) {
    const bar = findBar(catalogue, wall[mesh].size);
    if (!bar) add(`${mesh}.size`, `No bar "${wall[mesh].size}" among ${catalogue.title} bars.`);
    else outer += bar.diameter;
    if (!(wall[mesh].spacing >= 50 && wall[mesh].spacing <= 1000))
      add(`${mesh}.spacing`, 'The spacing of bars must lie between 50 and 1000 mm.');
  }
  if (wall.restraint !== 'given' && wall.restraint !== 'twoSides' && wall.restraint !== 'cantilever' && !(wall.between > 100))
    add('between', 'Give the distance between the walls that hold the edges.');
  if (!(wall.cover >= 5 && wall.cover <= 300)) add('cover', 'The cover to the outer bars must lie between 5 and 300 mm.');
  else if (2 * outer > wall.thickness) add('cover', 'Two covers and the bars of both faces do not fit into the thickness.');
  if (wall.restraint === 'given' && wall.axes.x.mode === 'ends')
    for (const end of ['top', 'bottom'] as const)
      for (const { part, reason } of endFaults(asFloors(wall.axes.x[end], wall), end === 'top' ? 'top' : 'foot', true))
        add(`axes.x.${end}${part}`, reason);
  return faults.length > 0 ? faults : columnFaults(wallAsColumn(wall, code), code);
}
