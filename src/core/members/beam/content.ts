import { stripDrawing } from '../../drawing/strip-drawing';
import { beside, onPaper, PAPER_FRAME as FRAME } from '../../drawing/frame';
import { formatQuantity, unitLabel } from '../../units/format';
import type { UnitSystem } from '../../units/quantity';
import type { Fact, Figure } from '../kind';
import { codeOf, type ProjectBasis } from '../member';
import { barLabel } from '../parts/bar-labels';
import { byHand, caseFacts, combinationFacts } from '../parts/facts';
import { elevationDrawing } from './drawing/elevation';
import { sectionDrawing } from '../../drawing/section-drawing';
import { beamSectionPicture, senseAt } from './drawing/section-picture';
import { servicePictures, stripPictures } from './drawing/strips';
import { withFlanges } from './effective-flange';
import { supportName, supportPositions, type BeamInput, type BeamMember } from './input';
import { sectionLabels } from './labels';
import type { BeamResult } from './result';
import { sectionState } from './section-state';

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

/** What a report says of a beam. */
export function beamFacts(member: BeamMember, result: BeamResult, project: ProjectBasis): Fact[] {
  const units = project.display;
  const loads = member.mode === 'loads' ? caseFacts(member) : 'known design forces';
  return [
    ...lineFacts(member, units),
    [
      'Cover to links',
      `top ${formatQuantity(member.cover.top, 'smallLength', units)}, bottom ${formatQuantity(member.cover.bottom, 'smallLength', units)}, sides ${formatQuantity(member.cover.side, 'smallLength', units)}`,
    ],
    ['Load cases', loads],
    // Known forces are combined already.
    ...(member.mode === 'loads' ? [['Combinations', combinationFacts(result)] as Fact] : []),
    ...byHand(result, units),
  ];
}

/** The drawings of a beam's report: elevation, strips, sections. */
export function beamFigures(member: BeamMember, result: BeamResult, project: ProjectBasis): Figure[] {
  if (!result.strips || member.mode === 'forces') return [];
  const elevation = elevationDrawing(
    { beam: member, steel: result.steel, units: project.display, barLabel: (g) => barLabel(g, project) },
    FRAME,
  );
  return [
    { caption: elevation.title, drawing: onPaper(elevation) },
    ...curves(member, result, project.display, supportPositions(member)),
    ...sectionCuts(project, member, result),
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
function sectionCuts(project: ProjectBasis, member: BeamMember, result: BeamResult): Figure[] {
  const { steel, strips } = result;
  if (!steel || !strips) return [];
  const code = codeOf(project, member);
  const beam = withFlanges(member, code);
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
        const state = sectionState(beam, code, steel, x, senseAt(strips, x));
        const zone = Math.max(0, steel.links[state.span]!.indexOf(state.zone));
        return sectionDrawing(beamSectionPicture(beam, state, x, zone, sectionLabels(project)), FRAME.width / CUTS_IN_A_ROW, 180);
      }),
      FRAME.width,
    ),
  }));
}
