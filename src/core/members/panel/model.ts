import { box } from '../../geometry/polygon';
import { panelEdges } from '../../analysis/panel';
import { bentThrough, withMarks, type DraftSet } from '../../model/bar-set';
import type { Place } from '../../model/centre-line';
import type { MemberModel } from '../../model/member-model';
import { layerSets } from '../../model/slab-layer';
import { directionOf, placeTitle, type PanelInput } from './input';
import type { PanelSection } from './result';

/** How far bars over an edge run into the panel, over its shorter side. */
export const TOP_REACH = 0.3;

/** The panel as it is to be built, its lower left corner at 0; z is 0 at its upper face. Bars over an edge that goes on lie in both panels. */
export function panelModel(panel: PanelInput, sections: readonly PanelSection[]): MemberModel {
  const { lx, ly, h, supportWidth } = panel;
  return {
    concrete: [{ along: 'z', from: -h, to: 0, outline: { outer: box(0, 0, lx, ly), holes: [] } }],
    supports: panelEdges.map((edge) => ({
      name: edge,
      type: panel.edges[edge],
      at: edge === 'right' ? lx : edge === 'top' ? ly : 0,
      width: supportWidth,
    })),
    bars: withMarks(sections.flatMap((s) => setsAt(panel, s))),
  };
}

/** Where bars of a place begin and end along their direction (mm): in the middle from far face to far face of the supports. */
function endsOf(panel: PanelInput, { place }: PanelSection): readonly [from: number, to: number] {
  const { lx, ly, supportWidth, cover } = panel;
  const along = directionOf(place) === 'x' ? lx : ly;
  const beyond = Math.max(0, supportWidth / 2 - cover.bottom);
  if (place === 'x' || place === 'y') return [-beyond, along + beyond];
  const reach = TOP_REACH * Math.min(lx, ly);
  const outside = panel.edges[place] === 'continuous' ? reach : beyond;
  return place === 'left' || place === 'bottom' ? [-outside, reach] : [along - reach, along + outside];
}

function setsAt(panel: PanelInput, section: PanelSection): DraftSet[] {
  const { lx, ly, h, cover } = panel;
  const { place, d } = section;
  const isAlongX = directionOf(place) === 'x';
  const isBelow = place === 'x' || place === 'y';
  const [from, to] = endsOf(panel, section);
  const at = (along: number, across: number): Place => {
    const z = isBelow ? -d : d - h;
    return isAlongX ? [along, across, z] : [across, along, z];
  };
  return layerSets(
    {
      zone: placeTitle(place),
      face: isBelow ? 'bottom' : 'top',
      layer: directionOf(place) === panel.outer ? 1 : 2,
      source: { of: 'bars', place },
      bars: section.bars,
      over: [cover.bottom, (isAlongX ? ly : lx) - cover.bottom],
      row: isAlongX ? 'y' : 'x',
      shape: (_, across) => ({ bend: 'straight', corners: bentThrough([at(from, across), at(to, across)], 0) }),
    },
    panel.catalogue,
  );
}
