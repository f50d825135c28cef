import type { DesignCode } from '../../codes/design-code';
import type { PunchingInput } from '../punching/input';
import { strengthAlone } from './design-plate';
import type { PlateInput } from './input';

/** What a place of punching takes from a slab at a column. Legs, and how moments count, are its own. */
export type GivenPlace = Omit<PunchingInput, 'legs' | 'ties' | 'momentsBy' | 'beta' | 'inPlane' | 'from' | 'imported'>;

/** The slab at a column, by its name, for a place of punching that follows it; in words why there is none. */
export function placeAt(plate: PlateInput, column: string, code: DesignCode): GivenPlace | string {
  const { faults, columns } = strengthAlone(plate, code);
  if (faults.length > 0) return `The slab that it follows cannot be worked out: ${faults[0]!.reason}`;
  const found = columns.find((c) => c.name === column);
  if (!found?.place) return `The slab that it follows rests on no column called ${column}.`;
  const { materials, catalogue, h, cover, outer, barsX, barsY, column: shape, edges, corner, drop, base, openings, sets } = found.place;
  return { materials, catalogue, h, cover, outer, barsX, barsY, column: shape, edges, corner, drop, base, openings, sets };
}
