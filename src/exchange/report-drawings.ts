import { elevationDrawing, type Frame } from '@/core/drawing/elevation-drawing';
import { stripDrawing } from '@/core/drawing/strip-drawing';
import type { Drawing } from '@/core/drawing/shapes';
import { supportPositions } from '@/core/members/beam/input';
import { barLabel } from '@/core/project/labels';
import type { Member, MemberResult, Project } from '@/core/project/project';
import { stripPictures } from '@/core/drawing/beam-strips';

const FRAME: Frame = { width: 760, left: 60, right: 740 };

/** The drawings of a member's report pages: elevation and strips, from the same core drawings as the screen. */
export function reportDrawings(project: Project, member: Member, result: MemberResult): Drawing[] {
  if (!result.strips || member.mode === 'forces') return [];
  const starts = supportPositions(member);
  const pictures = stripPictures({ member, result, strips: result.strips, units: project.display, linkLabel: () => '', showNames: false });
  return [
    elevationDrawing({ beam: member, steel: result.steel, units: project.display, barLabel: (g) => barLabel(g, project) }, FRAME),
    stripDrawing(pictures.bending, FRAME, 170, starts),
    stripDrawing(pictures.shear, FRAME, 120, starts),
  ];
}
