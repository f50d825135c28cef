import { PAPER_FRAME as FRAME } from '../../drawing/frame';
import { slabSides } from '../../geometry/control-perimeter';
import { formatQuantity } from '../../units/format';
import type { Fact, Figure } from '../kind';
import { codeOf, type ProjectBasis } from '../member';
import { punchingDrawing } from './drawing';
import type { PunchingMember } from './input';
import { punchingLabels } from './labels';
import type { PunchingResult } from './result';

/** What a report says of a slab at a column. */
export function punchingFacts(member: PunchingMember, project: ProjectBasis): Fact[] {
  const units = project.display;
  const length = (v: number) => formatQuantity(v, 'length', units);
  const edges = slabSides.filter((s) => member.edges[s] !== null).map((s) => `${s} ${length(member.edges[s]!)}`);
  return [
    ['Slab', `${length(member.h)} deep, cover to the outer top bars ${formatQuantity(member.cover, 'smallLength', units)}`],
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
      'Forces',
      member.sets
        .map(
          (s) =>
            `${s.name}: V ${formatQuantity(s.V, 'force', units)}, Mx ${formatQuantity(s.Mx, 'moment', units)}, My ${formatQuantity(s.My, 'moment', units)}`,
        )
        .join('; '),
    ],
  ];
}

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
