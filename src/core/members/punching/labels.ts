import type { ProjectBasis } from '../member';
import { drawnLength, layerLabel, sizeOf } from '../parts/bar-labels';
import type { PunchingPicture } from './drawing';
import type { PunchingInput } from './input';

/** "H16 @ 150, H16 @ 150, 12 legs H10 × 4". */
export function punchingLabel(project: ProjectBasis, { barsX, barsY, legs }: PunchingInput): string {
  const across = legs
    ? [`${legs.legs} ${legs.kind === 'links' ? 'legs' : 'rails'} ${sizeOf(legs.size, project)} × ${legs.perimeters}`]
    : [];
  return [layerLabel(barsX, project), layerLabel(barsY, project), ...across].join(', ');
}

/** How a slab at a column is labelled on its plan. */
export function punchingLabels(project: ProjectBasis, member: PunchingInput): PunchingPicture['labels'] {
  const length = (v: number) => drawnLength(v, project.display);
  const { legs, drop } = member;
  return {
    length,
    barsX: layerLabel(member.barsX, project),
    barsY: layerLabel(member.barsY, project),
    depth: `${member.base ? 'footing' : 'slab'} ${length(member.h)}${drop ? ` + ${length(drop.depth)}` : ''} deep`,
    legs: legs
      ? `${legs.legs} ${legs.kind === 'links' ? 'legs' : 'rails'} of ${layerLabel({ ...legs, alternate: null }, project)}, ${legs.perimeters} perimeters, first at ${length(legs.first)}`
      : 'no links: add some',
  };
}
