import { panelEdges } from '../../analysis/panel';
import { PAPER_FRAME as FRAME } from '../../drawing/frame';
import { formatQuantity } from '../../units/format';
import { amount, type Block, type Fact } from '../../document/blocks';
import type { Figure } from '../kind';
import { codeOf, type ProjectBasis, type ReportDetail } from '../member';
import { layerLabel } from '../parts/bar-labels';
import { byHand, caseFacts, combinationFacts, inputTable, materialFacts, fireFacts, weightFact } from '../parts/facts';
import { panelPlan } from './drawing';
import { placeTitle, type PanelMember } from './input';
import { panelLabels, panelSize } from './labels';
import { panelModel } from './model';
import type { PanelResult } from './result';

/** What a report says of a panel. */
export function panelFacts(member: PanelMember, result: PanelResult, project: ProjectBasis): Fact[] {
  const units = project.display;
  const code = codeOf(project, member);
  const cover = (v: number) => formatQuantity(v, 'smallLength', units);
  const share = result.moments?.share ?? null;
  return [
    ['Panel', `${panelSize(member, units)}, supports ${formatQuantity(member.supportWidth, 'length', units)} wide`],
    ...materialFacts(member.materials, code, code.linkTitles.beam),
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
    ['Load cases', caseFacts(member, code)],
    weightFact(member),
    ...fireFacts(member.fire),
    ['Ultimate load', amount(result.load, 'areaLoad')],
    ['Combinations', combinationFacts(result)],
    ...result.sections.map((k): Fact => [
      `Bars, ${placeTitle(k.place)}`,
      `${layerLabel(k.bars, project)}${member.bars[k.place] ? ' (set)' : ''}`,
    ]),
    ...byHand(result, units),
  ];
}

/** The loads by case as they were typed. */
export const panelInputs = (member: PanelMember, _result: PanelResult, _project: ProjectBasis, level: ReportDetail): Block[] =>
  inputTable(
    'Loads',
    [{ title: 'Case' }, { title: 'Load', kind: 'areaLoad' }, { title: 'Note' }],
    member.loads,
    (l) => [l.case, amount(l.value, 'areaLoad'), l.note],
    level,
  );

/** The plan of a panel, as on its sheet. */
export function panelFigures(panel: PanelMember, result: PanelResult, project: ProjectBasis): Figure[] {
  if (!result.moments) return [];
  return [
    {
      caption: 'Plan to scale: edges, bars with the moments that they carry per length, hatched where the slab goes on',
      drawing: panelPlan(
        { panel, result, bars: panelModel(panel, result.sections).bars, labels: panelLabels(project, panel, result) },
        FRAME.width,
        460,
      ),
    },
  ];
}
