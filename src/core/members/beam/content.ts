import { stripDrawing } from '../../drawing/strip-drawing';
import { beside, onPaper, PAPER_FRAME as FRAME } from '../../drawing/frame';
import { formatQuantity, unitLabel } from '../../units/format';
import type { UnitSystem } from '../../units/quantity';
import { amount, type Block, type Cell, type Fact } from '../../document/blocks';
import type { Figure } from '../kind';
import { codeOf, type ProjectBasis, type ReportDetail } from '../member';
import type { BarGroup } from '../../reinforcement/bar-groups';
import { barLabel, linkLabel } from '../parts/bar-labels';
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
import { elevationDrawing } from './drawing/elevation';
import { sectionDrawing } from './drawing/section';
import { beamSectionPicture, senseAt } from './drawing/section-picture';
import { servicePictures, stripPictures } from './drawing/strips';
import { supportName, supportPositions, type BeamInput, type BeamLoad, type BeamMember } from './input';
import { sectionLabels } from './labels';
import type { MemberModel } from '../../model/member-model';
import { beamInSpace } from './model';
import { reactionTable, type ReactionsOf } from './reactions';
import type { BeamResult } from './result';
import { sectionState } from './section-state';
import { stationUseNames } from './station-uses';

/** Spans and supports of what is analysed along a line. */
export const lineFacts = (
  { spans, supports }: Pick<BeamInput, 'supports'> & { readonly spans: readonly { readonly length: number }[] },
  units: UnitSystem,
): Fact[] => [
  ['Spans', spans.map((s) => formatQuantity(s.length, 'span', units)).join(', ')],
  [
    'Supports',
    supports.map((s, i) => `${supportName(i)} ${s.type}${s.width ? ` ${formatQuantity(s.width, 'length', units)} wide` : ''}`).join(', '),
  ],
];

const shapes = { rectangular: 'rectangle', T: 'T', L: 'L', invertedT: 'inverted T', free: 'outline' };

/** The section with its flange, and the spans that differ. */
function sectionFacts({ section, spans }: BeamInput, units: UnitSystem): Fact[] {
  const length = (v: number) => formatQuantity(v, 'length', units);
  const { shape, b, h, flangeWidth, flangeDepth } = section;
  const hasFlange = shape === 'T' || shape === 'L' || shape === 'invertedT';
  const flange = hasFlange ? `, flange ${length(flangeWidth)} wide, ${length(flangeDepth)} deep` : '';
  const other = spans.flatMap((s, i) => {
    const own = (['b', 'h'] as const).flatMap((key) => (s.section[key] === undefined ? [] : [`${key} ${length(s.section[key])}`]));
    return own.length > 0 ? [`span ${i + 1} ${own.join(', ')}`] : [];
  });
  return [
    ['Section', `${shapes[shape]}, ${length(b)} wide, ${length(h)} deep${flange}`],
    ...(other.length > 0 ? [['Sections that differ', other.join('; ')] as Fact] : []),
  ];
}

/** The bars as designed; those set by hand are said to be. */
function barFacts({ bars }: BeamInput, { steel }: BeamResult, project: ProjectBasis): Fact[] {
  if (!steel) return [];
  const name = (g: BarGroup, isSet: boolean) => (g.count > 0 ? `${barLabel(g, project)}${isSet ? ' (set)' : ''}` : '');
  const spans = steel.bottom.map((b, i) => {
    const own = bars.bottom[i];
    const below = [name(b.main, own?.main != null), b.extra ? name(b.extra.bars, own?.extra.bars != null) : ''].filter(Boolean).join(' + ');
    const above = name(steel.top[i]!.main, bars.top[i]?.main != null);
    const links = steel.links[i]!.map((z) => linkLabel(z, project)).join(', ');
    const areSet = bars.links[i]?.zones != null ? ' (set)' : '';
    return [
      `Bars, span ${i + 1}`,
      [below && `bottom ${below}`, above && `top ${above}`, links && `${links}${areSet}`].filter(Boolean).join('; '),
    ] as Fact;
  });
  const supports = steel.support.flatMap((run, j) => (run ? [`${supportName(j)} ${name(run.bars, bars.support[j]?.bars != null)}`] : []));
  return [...spans, ...(supports.length > 0 ? [['Bars over supports', supports.join(', ')] as Fact] : [])];
}

/** What a report says of a beam. */
export function beamFacts(member: BeamMember, result: BeamResult, project: ProjectBasis): Fact[] {
  const units = project.display;
  const code = codeOf(project, member);
  const { cover, frame, lateralHold, isPerimeter } = member;
  const show = (v: number) => formatQuantity(v, 'smallLength', units);
  const hasLoads = member.mode === 'loads';
  const known = member.mode === 'stations' ? `known forces at stations: ${setsInWords(member)}` : 'known design forces';
  return [
    ...sectionFacts(member, units),
    ...lineFacts(member, units),
    ...materialFacts(member.materials, code, code.linkTitles.beam),
    ['Cover to links', `top ${show(cover.top)}, bottom ${show(cover.bottom)}, sides ${show(cover.side)}`],
    ...(member.mode === 'forces'
      ? []
      : [['Held sideways', lateralHold === null ? 'all along' : `every ${show(lateralHold)} at most`] as Fact]),
    ...(isPerimeter && member.mode !== 'forces' ? [['Place', 'along the edge of the building'] as Fact] : []),
    ...(frame === 'none' ? [] : [['Ductile frame', code.frames.classes[frame] ?? frame] as Fact]),
    ...(hasLoads ? [weightFact(member)] : []),
    ...(member.mode === 'forces' ? [] : [...serviceFacts(member.service), ...fireFacts(member.fire)]),
    [hasLoads ? 'Load cases' : 'Forces', hasLoads ? caseFacts(member, code) : known],
    // Known forces are combined already.
    ...(hasLoads ? [['Combinations', combinationFacts(result)] as Fact] : []),
    ...barFacts(member, result, project),
    ...byHand(result, units),
  ];
}

/** What the sets of known forces stand for. */
const setsInWords = ({ stationSets }: BeamMember): string =>
  stationSets.map(({ name, use }) => `${name} (${stationUseNames[use]})`).join(', ');

/** What a load is called, and its figures behind the case and the span. */
function loadCells(load: BeamLoad): readonly [type: string, value: Cell, where: string | readonly [number, number] | number] {
  switch (load.type) {
    case 'uniform':
      return ['uniform', amount(load.value, 'lineLoad'), ''];
    case 'partial':
      return ['partial', amount(load.value, 'lineLoad'), [load.from, load.to]];
    case 'trapezoidal':
      return ['trapezoidal, start', amount(load.start, 'lineLoad'), [load.from, load.to]];
    case 'point':
      return ['point', amount(load.force, 'force'), load.at];
    case 'moment':
      return ['moment', amount(load.moment, 'moment'), load.at];
    case 'torque':
      return ['torque', amount(load.value, 'force'), ''];
    case 'pointTorque':
      return ['torque, at a point', amount(load.torque, 'moment'), load.at];
  }
}

/** The loads by case as they were typed, or the known forces, and the reactions. */
export const beamInputs = (member: BeamMember, result: BeamResult, project: ProjectBasis, level: ReportDetail): Block[] => [
  ...forcesOrLoads(member, project, level),
  ...reactionBlocks(result, level, { areSets: member.mode === 'stations' }),
];

/** Reactions where there are some; one page has no room for them. */
export const reactionBlocks = ({ reactions }: Pick<BeamResult, 'reactions'>, level: ReportDetail, of: ReactionsOf): Block[] =>
  level === 'summary' || reactions.length === 0 ? [] : [reactionTable(reactions, of)];

function forcesOrLoads(member: BeamMember, { display }: ProjectBasis, level: ReportDetail): Block[] {
  if (member.mode === 'stations') return stationInputs(member, level);
  if (member.mode === 'forces')
    return inputTable(
      'Design forces',
      [
        { title: 'Place' },
        { title: 'Combination' },
        { title: 'M', kind: 'moment', isNumber: true },
        { title: 'V', kind: 'force', isNumber: true },
        { title: 'T', kind: 'moment', isNumber: true },
        { title: 'N', kind: 'force', isNumber: true },
      ],
      member.forces,
      (f) => [
        f.place,
        f.combination,
        amount(f.moment, 'moment'),
        amount(f.shear, 'force'),
        amount(f.torsion, 'moment'),
        amount(f.axial, 'force'),
      ],
      level,
    );
  const station = (v: number) => formatQuantity(v, 'station', display);
  const where = (at: ReturnType<typeof loadCells>[2]) =>
    typeof at === 'string' ? at : typeof at === 'number' ? `at ${station(at)}` : `${station(at[0])} to ${station(at[1])}`;
  return inputTable(
    'Loads',
    [{ title: 'Case' }, { title: 'Load' }, { title: 'Span' }, { title: 'Value' }, { title: 'Where, from the left end' }, { title: 'Note' }],
    member.loads,
    (load) => {
      const [type, value, at] = loadCells(load);
      const end = load.type === 'trapezoidal' ? `, ${formatQuantity(load.end, 'lineLoad', display)} at its end` : '';
      return [load.case, type, spanText(load.span), value, `${where(at)}${end}`, load.note];
    },
    level,
  );
}

const stationInputs = (member: BeamMember, level: ReportDetail): Block[] =>
  inputTable(
    'Forces at stations',
    [
      { title: 'Set' },
      { title: 'Span' },
      { title: 'At, from its left end', kind: 'station', isNumber: true },
      { title: 'M', kind: 'moment', isNumber: true },
      { title: 'V', kind: 'force', isNumber: true },
      { title: 'T', kind: 'moment', isNumber: true },
    ],
    member.stations,
    (f) => [
      f.set,
      spanText(f.span),
      amount(f.at, 'station'),
      amount(f.moment, 'moment'),
      amount(f.shear, 'force'),
      amount(f.torsion, 'moment'),
    ],
    level,
  );

/** The drawings of a beam's report: elevation, strips, sections. */
export function beamFigures(member: BeamMember, result: BeamResult, project: ProjectBasis): Figure[] {
  if (!result.strips || member.mode === 'forces') return [];
  const model = beamInSpace(member, codeOf(project, member), result);
  const elevation = elevationDrawing(
    { beam: member, steel: result.steel, bars: model.bars, units: project.display, barLabel: (g) => barLabel(g, project) },
    FRAME,
  );
  return [
    { caption: elevation.title, drawing: onPaper(elevation) },
    ...curves(member, result, project.display, supportPositions(member)),
    ...sectionCuts(project, member, result, model),
  ];
}

const HOW = 'demand of all combinations within resistance; dashed: as the steel has to carry it';

/** Bending, shear and the curves in service of a beam, or of a strip of slab. */
export function curves(
  beam: BeamInput,
  { strips, service }: Pick<BeamResult, 'strips' | 'service'>,
  units: UnitSystem,
  starts: readonly number[],
): Figure[] {
  if (!strips) return [];
  const pictures = stripPictures({ member: beam, strips, units });
  const unit = (whole: 'moment' | 'force') =>
    unitLabel(beam.isSlab ? ({ moment: 'lineTorque', force: 'lineLoad' } as const)[whole] : whole, units);
  return [
    { caption: `Bending, ${unit('moment')}, hogging up: ${HOW}`, drawing: stripDrawing(pictures.bending, FRAME, 170, starts) },
    { caption: `Shear, ${unit('force')}: ${HOW}`, drawing: stripDrawing(pictures.shear, FRAME, 120, starts) },
    ...(service ? servicePictures(beam, service, units) : []).map((p) => ({
      caption: `${p.title}, ${unitLabel(p.title.startsWith('Crack') ? 'crack' : 'smallLength', units)}, with its limit`,
      drawing: stripDrawing(p, FRAME, 90, starts),
    })),
  ];
}

const CUTS_IN_A_ROW = 4;

/** The cuts that were chosen, or those over the supports and in the middle of each span. */
function sectionCuts(project: ProjectBasis, member: BeamMember, result: BeamResult, model: MemberModel): Figure[] {
  const { steel, strips } = result;
  if (!steel || !strips) return [];
  const code = codeOf(project, member);
  const starts = supportPositions(member);
  const end = starts.at(-1)!;
  const usual = [...starts.slice(1, -1), ...member.spans.map((s, i) => starts[i]! + s.length / 2)].sort((a, b) => a - b);
  const cuts = (member.cuts.length > 0 ? member.cuts : usual).filter((x) => x <= end);
  const rows = Array.from({ length: Math.ceil(cuts.length / CUTS_IN_A_ROW) }, (_, i) =>
    cuts.slice(i * CUTS_IN_A_ROW, (i + 1) * CUTS_IN_A_ROW),
  );
  return rows.map((row) => ({
    caption: `Sections at ${row.map((x) => formatQuantity(x, 'station', project.display)).join(', ')}`,
    drawing: beside(
      'Sections',
      row.map((x) => {
        const state = sectionState(member, code, steel, x, senseAt(strips, x));
        const zone = Math.max(0, steel.links[state.span]!.indexOf(state.zone));
        return sectionDrawing(beamSectionPicture(member, state, model, x, zone, sectionLabels(project)), FRAME.width / CUTS_IN_A_ROW, 180);
      }),
      FRAME.width,
    ),
  }));
}
