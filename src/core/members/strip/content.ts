import { onPaper, PAPER_FRAME as FRAME } from '../../drawing/frame';
import type { SlabBars } from '../../reinforcement/slab-bars';
import { formatQuantity } from '../../units/format';
import { curves, lineFacts, reactionBlocks } from '../beam/content';
import { elevationDrawing } from '../beam/drawing/elevation';
import { supportName, supportPositions } from '../beam/input';
import { amount, type Block, type Fact } from '../../document/blocks';
import type { Figure } from '../kind';
import { codeOf, type ProjectBasis, type ReportDetail } from '../member';
import { layerLabel } from '../parts/bar-labels';
import {
  byHand,
  caseFacts,
  combinationFacts,
  inputTable,
  materialFacts,
  fireFacts,
  serviceFacts,
  spanText,
  weightFact,
} from '../parts/facts';
import { stripAsBeam } from './as-beam';
import { stripPlan } from './drawing/plan';
import type { StripLoad, StripMember } from './input';
import { stripLoadText } from './load-text';
import { emptyModel } from '../../model/member-model';
import { stripModel } from './model';
import type { StripResult } from './result';

/** The layers as designed; those set by hand are said to be. */
function layerFacts({ bars }: StripMember, { steel }: StripResult, project: ProjectBasis): Fact[] {
  if (!steel) return [];
  const name = (layer: SlabBars, isSet: boolean) => `${layerLabel(layer, project)}${isSet ? ' (set)' : ''}`;
  const spans = steel.bottom.map((b, i): Fact => {
    const own = bars.bottom[i];
    const below = [name(b.main, own?.main != null), ...(b.extra ? [name(b.extra.bars, own?.extra.bars != null)] : [])].join(' + ');
    const above = steel.top[i]?.main ? `; top ${name(steel.top[i].main, bars.top[i]?.main != null)}` : '';
    return [`Bars, span ${i + 1}`, `bottom ${below}${above}`];
  });
  const supports = steel.support.flatMap((run, j) => (run ? [`${supportName(j)} ${name(run.bars, bars.support[j]?.bars != null)}`] : []));
  const { bottom, top } = steel.across;
  return [
    ...spans,
    ...(supports.length > 0 ? [['Bars over supports', supports.join(', ')] as Fact] : []),
    ['Bars across', `${name(bottom, bars.across.bottom !== null)} below${top ? `, ${name(top, bars.across.top !== null)} above` : ''}`],
  ];
}

/** What a report says of a slab that spans one way. */
export function stripFacts(member: StripMember, result: StripResult, project: ProjectBasis): Fact[] {
  const units = project.display;
  const code = codeOf(project, member);
  const { cover, breadth } = member;
  const show = (v: number) => formatQuantity(v, 'smallLength', units);
  return [
    ['Slab', `${formatQuantity(member.h, 'length', units)} deep, a strip ${units === 'US' ? 'a foot' : 'a metre'} wide is designed`],
    ['Breadth of the whole slab', amount(breadth, 'station')],
    ...lineFacts(member, units),
    ...materialFacts(member.materials, code, code.linkTitles.beam),
    ['Cover to the outer bars', `top ${show(cover.top)}, bottom ${show(cover.bottom)}, outermost: bars ${member.outer} the span`],
    weightFact(member),
    ...serviceFacts(member.service),
    ...fireFacts(member.fire),
    ['Load cases', caseFacts(member, code)],
    ['Combinations', combinationFacts(result)],
    ...layerFacts(member, result, project),
    ...byHand(result, units),
  ];
}

const loadNames: Record<StripLoad['type'], string> = { uniform: 'area', partial: 'part of the area', line: 'line across', point: 'point' };

/** The loads by case as they were typed. */
export const stripInputs = (member: StripMember, result: StripResult, project: ProjectBasis, level: ReportDetail): Block[] => [
  ...loadTable(member, project, level),
  ...reactionBlocks(result, level, { width: result.width }),
];

function loadTable(member: StripMember, { display }: ProjectBasis, level: ReportDetail): Block[] {
  const station = (v: number) => formatQuantity(v, 'station', display);
  const where = (l: StripLoad) =>
    l.type === 'uniform' ? '' : l.type === 'partial' ? `${station(l.from)} to ${station(l.to)}` : `at ${station(l.at)}`;
  return inputTable(
    'Loads',
    [{ title: 'Case' }, { title: 'Load' }, { title: 'Span' }, { title: 'Value' }, { title: 'Where, from the left end' }, { title: 'Note' }],
    member.loads,
    (l) => [l.case, loadNames[l.type], spanText(l.span), stripLoadText(l, display), where(l), l.note],
    level,
  );
}

/** Elevation, plan and curves of a slab that spans one way. */
export function stripFigures(member: StripMember, result: StripResult, project: ProjectBasis): Figure[] {
  const units = project.display;
  const beam = stripAsBeam(member, result.width);
  const name = (bars: SlabBars) => layerLabel(bars, project);
  const { bars } = result.steel ? stripModel(member, codeOf(project, member), result.steel, result.bent) : emptyModel;
  const elevation = elevationDrawing(
    { beam, steel: result.steel, bars, units, barLabel: name, loadLabel: (k) => stripLoadText(member.loads[k]!, units) },
    FRAME,
  );
  const breadth = formatQuantity(member.breadth, 'station', units);
  const plan = stripPlan({ strip: member, steel: result.steel, bars, barLabel: name, breadth }, FRAME);
  return [
    { caption: elevation.title, drawing: onPaper(elevation) },
    { caption: 'Plan, breadth not to scale: one bar of each layer along the span, and those across', drawing: plan },
    ...curves(beam, result, units, supportPositions(beam)),
  ];
}
