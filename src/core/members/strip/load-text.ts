import { formatQuantity } from '../../units/format';
import type { UnitSystem } from '../../units/quantity';
import type { StripLoad } from './input';

/** A load of a slab in figures, without its case. */
export function stripLoadText(load: StripLoad, units: UnitSystem): string {
  switch (load.type) {
    case 'uniform':
    case 'partial':
      return formatQuantity(load.value, 'areaLoad', units);
    case 'line':
      return formatQuantity(load.force, 'lineLoad', units);
    case 'point':
      return `${formatQuantity(load.load, 'force', units)} over ${formatQuantity(load.width, 'length', units)}`;
  }
}
