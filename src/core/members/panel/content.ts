import { panelEdges } from '../../analysis/panel';
import { PAPER_FRAME as FRAME } from '../../drawing/frame';
import { formatQuantity } from '../../units/format';
import type { Fact, Figure } from '../kind';
import type { ProjectBasis } from '../member';
import { byHand, caseFacts, combinationFacts } from '../parts/facts';
import { panelPlan } from './drawing';
import type { PanelMember } from './input';
import { panelLabels, panelSize } from './labels';
import type { PanelResult } from './result';

/** What a report says of a panel. */
export function panelFacts(member: PanelMember, result: PanelResult, project: ProjectBasis): Fact[] {
  const units = project.display;
  const cover = (v: number) => formatQuantity(v, 'smallLength', units);
  const share = result.moments?.share ?? null;
  return [
    ['Panel', `${panelSize(member, units)}, supports ${formatQuantity(member.supportWidth, 'length', units)} wide`],
    ['Edges', panelEdges.map((e) => `${e} ${member.edges[e]}`).join(', ')],
    ['Corners', member.isHeldDown ? 'held down' : 'may lift'],
    [
      'Method',
      member.method === 'strips'
        ? `strips both ways${share === null ? '' : `, ${Math.round(100 * share)} % of the load along x${member.share === null ? ' from equal deflections' : ', set'}`}`
        : member.method === 'coefficients'
          ? 'coefficients of the code for stiff beams along all edges'
          : `yield lines, hogging over sagging ${member.supportRatio}, along y over along x ${(member.mu ?? (member.lx / member.ly) ** 2).toFixed(2)}`,
    ],
    [
      'Cover to the outer bars',
      `top ${cover(member.cover.top)}, bottom ${cover(member.cover.bottom)}, outermost: bars along ${member.outer}`,
    ],
    ['Load cases', caseFacts(member)],
    ['Loads', member.loads.map((l) => `${l.case} ${formatQuantity(l.value, 'areaLoad', units)}${l.note ? `, ${l.note}` : ''}`).join('; ')],
    ['Ultimate load', formatQuantity(result.load, 'areaLoad', units)],
    ['Combinations', combinationFacts(result)],
    ...byHand(result, units),
  ];
}

/** The plan of a panel, as on its sheet. */
export function panelFigures(panel: PanelMember, result: PanelResult, project: ProjectBasis): Figure[] {
  if (!result.moments) return [];
  return [
    {
      caption: 'Plan to scale: edges, bars with the moments that they carry per length, hatched where the slab goes on',
      drawing: panelPlan({ panel, result, labels: panelLabels(project, panel, result) }, FRAME.width, 460),
    },
  ];
}
