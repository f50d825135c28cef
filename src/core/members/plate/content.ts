import { PAPER_FRAME as FRAME } from '../../drawing/frame';
import { amount, type Block, type Fact } from '../../document/blocks';
import { formatQuantity, formatValue, unitLabel } from '../../units/format';
import type { UnitSystem } from '../../units/quantity';
import type { Figure } from '../kind';
import { codeOf, type ProjectBasis, type ReportDetail } from '../member';
import { layerLabel } from '../parts/bar-labels';
import { byHand, caseFacts, combinationFacts, inputTable, materialFacts, fireFacts, weightFact } from '../parts/facts';
import { directionWords, layerTitle } from './bar-axes';
import { platePlan } from './drawing';
import { barsAt, type PlateLoad, type PlateMember } from './input';
import { plateLabels, plateSize } from './labels';
import { reactionTable } from './reaction-table';
import { stripTable } from './strip-table';
import type { PlateMap, PlateResult } from './result';

/** What a report says of a slab worked out as a plate. */
export function plateFacts(member: PlateMember, result: PlateResult, project: ProjectBasis): Fact[] {
  const units = project.display;
  const code = codeOf(project, member);
  const cover = (v: number) => formatQuantity(v, 'smallLength', units);
  return [
    ['Slab', plateSize(member, units)],
    ...(member.camber === 0 ? [] : [['Camber', amount(member.camber, 'smallLength')] satisfies Fact]),
    ...materialFacts(member.materials, code, code.linkTitles.beam),
    ['Openings', String(member.openings.length)],
    ['Walls below, inside', String(member.walls.length)],
    [
      'Cover to the outer bars',
      `top ${cover(member.cover.top)}, bottom ${cover(member.cover.bottom)}, outermost: bars ${directionWords(member, member.outer)}`,
    ],
    [
      'Analysis',
      `elastic plate that shears, Poisson’s ratio ${member.poisson}, ${result.mesh ? `${result.mesh.triangles.length / 3} triangles` : 'not worked out'}`,
    ],
    ...(member.corners === 'lift'
      ? [
          [
            'Lifting',
            `simple edges do not hold it down: it lifts off at ${result.lifted.length} places of the mesh, all loads on`,
          ] satisfies Fact,
        ]
      : []),
    ['Load cases', caseFacts(member, code)],
    weightFact(member),
    ...fireFacts(member.fire),
    ['Ultimate load', amount(result.load, 'areaLoad')],
    ['Combinations', combinationFacts(result)],
    ...result.steel.meshes.flatMap((m): Fact[] =>
      m.bars ? [[`Bars, ${layerTitle(member, m)}`, `${layerLabel(m.bars, project)}${barsAt(member, m) ? ' (set)' : ''}`]] : [],
    ),
    ...byHand(result, units),
  ];
}

const loadAmount = (l: PlateLoad) =>
  l.type === 'point' ? amount(l.force, 'force') : l.type === 'line' ? amount(l.perLength, 'lineLoad') : amount(l.value, 'areaLoad');

/** "everywhere", "x 1.00 to 3.00, y 2.00 to 2.50 m" */
function loadPlace(l: PlateLoad, units: UnitSystem): string {
  const at = (v: number) => formatValue(v, 'station', units);
  const unit = unitLabel('station', units);
  if (l.type === 'uniform') return 'everywhere';
  if (l.type === 'point') return `x ${at(l.x1)}, y ${at(l.y1)} ${unit}`;
  return `x ${at(l.x1)} to ${at(l.x2)}, y ${at(l.y1)} to ${at(l.y2)} ${unit}`;
}

/** How a line on springs holds: "sinks by 20 000 kN/m²; turns by 500 kNm/rad/m". */
function springWords({ sinks, turns }: PlateMember['walls'][number] | PlateMember['outline'][number], units: UnitSystem): string {
  const sinking = sinks === null ? 'does not sink' : `sinks by ${formatQuantity(sinks, 'springLine', units)}`;
  return turns === null ? sinking : `${sinking}; turns by ${formatQuantity(turns, 'turningLine', units)}`;
}

/** The outline and the loads as they were typed; with every step the moments of strips too. */
export const plateInputs = (member: PlateMember, result: PlateResult, project: ProjectBasis, level: ReportDetail): Block[] => [
  ...inputTable(
    'Outline',
    [{ title: 'Corner' }, { title: 'x', kind: 'span' }, { title: 'y', kind: 'span' }, { title: 'Edge to the next' }],
    member.outline.map((c, i) => ({ ...c, i })),
    (c) => [String(c.i + 1), amount(c.x, 'span'), amount(c.y, 'span'), c.edge === 'spring' ? springWords(c, project.display) : c.edge],
    level,
  ),
  ...inputTable(
    'Openings',
    [{ title: 'Opening' }, { title: 'x', kind: 'span' }, { title: 'y', kind: 'span' }],
    member.openings.flatMap((o, i) => o.corners.map((at) => ({ i, at }))),
    ({ i, at: [x, y] }) => [String(i + 1), amount(x, 'span'), amount(y, 'span')],
    level,
  ),
  ...inputTable(
    'Walls below, inside',
    [
      { title: 'x', kind: 'span' },
      { title: 'y', kind: 'span' },
      { title: 'to x', kind: 'span' },
      { title: 'to y', kind: 'span' },
      { title: 'Holds' },
    ],
    member.walls,
    (w) => [...[w.x1, w.y1, w.x2, w.y2].map((v) => amount(v, 'span')), springWords(w, project.display)],
    level,
  ),
  ...inputTable(
    'Beams below',
    [
      { title: 'Beam' },
      { title: 'x', kind: 'span' },
      { title: 'y', kind: 'span' },
      { title: 'to x', kind: 'span' },
      { title: 'to y', kind: 'span' },
      { title: 'Wide', kind: 'length' },
      { title: 'Deep', kind: 'length' },
      { title: 'Flange', kind: 'length' },
      { title: 'Most M', kind: 'moment' },
      { title: 'Least M', kind: 'moment' },
      { title: 'Most V', kind: 'force' },
    ],
    member.beams.flatMap((beam, i) => (result.beams[i] ? [{ beam, forces: result.beams[i] }] : [])),
    ({ beam, forces }) => [
      forces.name,
      ...[beam.x1, beam.y1, beam.x2, beam.y2].map((v) => amount(v, 'span')),
      ...[beam.b, beam.h, forces.flange].map((v) => amount(v, 'length')),
      amount(forces.sagging.moment, 'moment'),
      amount(forces.hogging.moment, 'moment'),
      amount(forces.shear, 'force'),
    ],
    level,
  ),
  ...inputTable(
    'Loads',
    [{ title: 'Case' }, { title: 'Load' }, { title: 'Where' }, { title: 'Note' }],
    member.loads,
    (l) => [l.case, loadAmount(l), loadPlace(l, project.display), l.note],
    level,
  ),
  ...(level === 'summary' ? [] : reactionTable(result.reactions)),
  ...(level === 'full' ? stripTable(result.strips, project.display) : []),
];

const printed: readonly PlateMap[] = ['mx', 'my', 'bottomX', 'bottomY', 'topX', 'topY'];

/** The plan with each map of moments and steel. */
export function plateFigures(plate: PlateMember, result: PlateResult, project: ProjectBasis): Figure[] {
  if (!result.maps) return [];
  return printed.map((map) => {
    const labels = plateLabels(project, plate, map);
    return {
      caption: `Plan to scale: ${labels.title}, ${labels.unit}`,
      drawing: platePlan({ plate, result, map, labels }, FRAME.width, 400),
    };
  });
}
