import { elevationDrawing, type Frame } from '@/core/drawing/elevation-drawing';
import { stripDrawing } from '@/core/drawing/strip-drawing';
import type { Drawing } from '@/core/drawing/shapes';
import { supportPositions } from '@/core/members/beam/input';
import { barLabel } from '@/core/project/labels';
import type { Member, MemberResult, Project } from '@/core/project/project';
import { stripPictures } from '@/core/drawing/beam-strips';
import { unitLabel } from '@/core/units/format';

const FRAME: Frame = { width: 760, left: 60, right: 740 };

/** The drawings of a member's report pages: elevation and strips, from the same core drawings as the screen. */
export function reportDrawings(
  project: Project,
  member: Member,
  result: MemberResult,
): { readonly caption: string; readonly drawing: Drawing }[] {
  if (member.type !== 'beam' || result.type !== 'beam' || !result.strips || member.mode === 'forces') return [];
  const starts = supportPositions(member);
  const pictures = stripPictures({ member, result, strips: result.strips, units: project.display, linkLabel: () => '', showNames: false });
  const elevation = elevationDrawing(
    { beam: member, steel: result.steel, units: project.display, barLabel: (g) => barLabel(g, project) },
    FRAME,
  );
  const how = 'demand of all combinations within resistance; dashed: as the steel has to carry it';
  return [
    { caption: elevation.title, drawing: elevation },
    {
      caption: `Bending, ${unitLabel('moment', project.display)}, hogging up: ${how}`,
      drawing: stripDrawing(pictures.bending, FRAME, 170, starts),
    },
    { caption: `Shear, ${unitLabel('force', project.display)}: ${how}`, drawing: stripDrawing(pictures.shear, FRAME, 120, starts) },
  ];
}
