import { PAPER_FRAME as FRAME } from '../../drawing/frame';
import { slabSides } from '../../geometry/control-perimeter';
import { formatQuantity } from '../../units/format';
import { amount, type Block, type Fact } from '../../document/blocks';
import type { Figure } from '../kind';
import { codeOf, type ProjectBasis, type ReportDetail } from '../member';
import { layerLabel, shapeLabel, sizeUnit } from '../parts/bar-labels';
import { inputTable, materialFacts } from '../parts/facts';
import { punchingDrawing } from './drawing';
import type { PunchingMember } from './input';
import { punchingLabels } from './labels';
import { inLines, layoutWords } from './legs';
import type { PunchingResult } from './result';
import { settingOut } from './setting-out';
import { stagesOf } from './stage';

/** What a report says of a slab at a column. */
export function punchingFacts(member: PunchingMember, project: ProjectBasis): Fact[] {
  const units = project.display;
  const code = codeOf(project, member);
  const length = (v: number) => formatQuantity(v, 'length', units);
  const edges = slabSides.filter((s) => member.edges[s] !== null).map((s) => `${s} ${length(member.edges[s]!)}`);
  return [
    ['Slab', `${length(member.h)} deep, cover to the outer top bars ${formatQuantity(member.cover, 'smallLength', units)}`],
    ['Column', `${shapeLabel(member.column, units)}${sizeUnit(units)}`],
    ...materialFacts(member.materials, code, code.linkTitles.beam),
    ['Edges from the column', edges.join(', ') || 'none near'],
    [
      'Openings',
      member.openings
        .map(
          (o) => `${o.kind === 'circle' ? `ø ${length(o.diameter)}` : `${length(o.b)} × ${length(o.h)}`} at ${length(o.x)}, ${length(o.y)}`,
        )
        .join('; ') || 'none',
    ],
    [
      'Top bars',
      `along x ${layerLabel(member.barsX, project)}, along y ${layerLabel(member.barsY, project)}, outermost along ${member.outer}`,
    ],
    ['Legs', legsText(member, project)],
    ...(member.ties ? [['Closed ties', tiesText(member.ties, project)] satisfies Fact] : []),
    ...(member.from ? [['Taken from', `the slab that it follows, at column ${member.from.column}`] satisfies Fact] : []),
    ['Moments count', countedBy[member.momentsBy] + (member.momentsBy === 'given' ? ` ${member.beta}` : '')],
  ];
}

const countedBy = { position: 'by the usual factors of the code', moments: 'from the moments', given: 'by the factor' };

function tiesText({ size, spacing, beam }: NonNullable<PunchingMember['ties']>, project: ProjectBasis): string {
  const length = (v: number) => formatQuantity(v, 'length', project.display);
  const along = beam ? `in a beam ${length(beam.b)} wide and ${length(beam.depth)} deep along the edge` : 'along the sides of the column';
  return `${layerLabel({ size, alternate: null, spacing }, project)} ${along}; not among the bars of the schedule`;
}

function legsText({ legs }: PunchingMember, project: ProjectBasis): string {
  if (!legs) return 'none';
  const layer = layerLabel({ size: legs.size, alternate: null, spacing: legs.spacing }, project);
  return `${legs.legs} ${layoutWords(legs)}, ${layer}, ${legs.perimeters} ${inLines(legs) ? 'in each' : 'perimeters'}, first at ${formatQuantity(legs.first, 'length', project.display)}`;
}

/** The forces as they were typed. */
export function punchingInputs(member: PunchingMember, { faults }: PunchingResult, project: ProjectBasis, level: ReportDetail): Block[] {
  const placed = faults.length === 0 && level !== 'summary' ? stagesOf(member, codeOf(project, member))[0]!.placed : null;
  const setOut = settingOut(member, placed);
  return [...forceTable(member, level), ...(setOut ? [setOut] : [])];
}

const forceTable = (member: PunchingMember, level: ReportDetail): Block[] =>
  inputTable(
    'Forces',
    [
      { title: 'Combination' },
      { title: 'V', kind: 'force', isNumber: true },
      { title: 'Mx', kind: 'moment', isNumber: true },
      { title: 'My', kind: 'moment', isNumber: true },
    ],
    member.sets,
    (s) => [s.name, amount(s.V, 'force'), amount(s.Mx, 'moment'), amount(s.My, 'moment')],
    level,
  );

/** The plan of a slab at a column, as on its sheet. */
export function punchingFigures(member: PunchingMember, result: PunchingResult, project: ProjectBasis): Figure[] {
  if (result.faults.length > 0) return [];
  const labels = punchingLabels(project, member);
  return [
    {
      caption: 'Plan to scale: control perimeter, what openings take of it (dashed tangents), legs, and the perimeter outside them',
      drawing: punchingDrawing({ place: member, code: codeOf(project, member), labels }, FRAME.width, 420),
    },
  ];
}
