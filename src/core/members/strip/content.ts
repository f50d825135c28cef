import { onPaper, PAPER_FRAME as FRAME } from '../../drawing/frame';
import type { SlabBars } from '../../reinforcement/slab-bars';
import { formatQuantity } from '../../units/format';
import { curves, lineFacts } from '../beam/content';
import { elevationDrawing } from '../beam/drawing/elevation';
import { supportPositions } from '../beam/input';
import type { Fact, Figure } from '../kind';
import type { ProjectBasis } from '../member';
import { layerLabel } from '../parts/bar-labels';
import { byHand, caseFacts, combinationFacts } from '../parts/facts';
import { stripAsBeam } from './as-beam';
import { stripPlan } from './drawing/plan';
import type { StripMember } from './input';
import { stripLoadText } from './load-text';
import type { StripResult } from './result';

/** What a report says of a slab that spans one way. */
export function stripFacts(member: StripMember, result: StripResult, project: ProjectBasis): Fact[] {
  const units = project.display;
  const cover = (v: number) => formatQuantity(v, 'smallLength', units);
  const { steel } = result;
  return [
    ['Slab', `${formatQuantity(member.h, 'length', units)} deep, a strip ${units === 'US' ? 'a foot' : 'a metre'} wide is designed`],
    ...lineFacts(member, units),
    [
      'Cover to the outer bars',
      `top ${cover(member.cover.top)}, bottom ${cover(member.cover.bottom)}, outermost: bars ${member.outer} the span`,
    ],
    ['Load cases', caseFacts(member)],
    ['Loads', member.loads.map((l) => `${l.case} ${stripLoadText(l, units)}${l.note ? `, ${l.note}` : ''}`).join('; ')],
    ...(steel
      ? [
          [
            'Bars across',
            [steel.across.bottom, ...(steel.across.top ? [steel.across.top] : [])].map((b) => layerLabel(b, project)).join(' below, ') +
              (steel.across.top ? ' above' : ' below'),
          ] as Fact,
        ]
      : []),
    ['Combinations', combinationFacts(result)],
    ...byHand(result, units),
  ];
}

/** Elevation, plan and curves of a slab that spans one way. */
export function stripFigures(member: StripMember, result: StripResult, project: ProjectBasis): Figure[] {
  const units = project.display;
  const beam = stripAsBeam(member, result.width);
  const name = (bars: SlabBars) => layerLabel(bars, project);
  const elevation = elevationDrawing(
    { beam, steel: result.steel, units, barLabel: name, loadLabel: (k) => stripLoadText(member.loads[k]!, units) },
    FRAME,
  );
  const breadth = formatQuantity(member.breadth, 'station', units);
  const plan = stripPlan({ strip: member, steel: result.steel, barLabel: name, breadth }, FRAME);
  return [
    { caption: elevation.title, drawing: onPaper(elevation) },
    { caption: 'Plan, breadth not to scale: one bar of each layer along the span, and those across', drawing: plan },
    ...curves(beam, result, units, supportPositions(beam)),
  ];
}
