import type { ProjectBasis } from '../member';
import type { UnitSystem } from '../../units/quantity';
import { linkLabel, sizeNumber, sizeUnit } from '../parts/bar-labels';
import type { WallInput } from './input';

/** "H16 @ 150 up, H12 @ 200 across, both faces". */
export function wallBarsLabel(project: ProjectBasis, { vertical, horizontal }: Pick<WallInput, 'vertical' | 'horizontal'>): string {
  const mesh = (m: WallInput['vertical']) => linkLabel({ ...m, legs: 2 }, project);
  return `${mesh(vertical)} up, ${mesh(horizontal)} across, both faces`;
}

/** How the edges of a wall hold it out of its plane. */
export const edgesHeld = {
  twoSides: 'held by the floors',
  threeSides: 'floors and one cross wall',
  fourSides: 'floors and two cross walls',
  cantilever: 'free at the top',
} as const;

/** What is written beside its section. */
export const wallLabels = (project: ProjectBasis, { vertical, horizontal }: Pick<WallInput, 'vertical' | 'horizontal'>) => ({
  bars: `${linkLabel({ ...vertical, legs: 2 }, project)} up`,
  ties: `${linkLabel({ ...horizontal, legs: 2 }, project)} across`,
});

/** "200, a metre", "3000 × 200". */
export function wallSize(wall: Pick<WallInput, 'thickness' | 'length' | 'isStrip'>, system: UnitSystem): string {
  const thickness = `${sizeNumber(wall.thickness, system)}${sizeUnit(system)}`;
  return wall.isStrip ? `${thickness}, a metre` : `${sizeNumber(wall.length, system)} × ${thickness}`;
}
