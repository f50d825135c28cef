import { elevationDrawing, type Frame } from '@/core/drawing/elevation-drawing';
import { stripDrawing } from '@/core/drawing/strip-drawing';
import { contourOf, curvatureOf, momentsOf, sectionOf, sliceOf, type ColumnView } from '@/core/drawing/column-drawings';
import type { Drawing, Shape } from '@/core/drawing/shapes';
import { columnPicture } from '@/core/members/column/picture';
import type { ColumnResult } from '@/core/members/column/result';
import { beamSectionPicture, senseAt } from '@/core/drawing/beam-section-picture';
import { sectionDrawing } from '@/core/drawing/section-drawing';
import { withFlanges } from '@/core/members/beam/effective-flange';
import { supportPositions, type BeamInput } from '@/core/members/beam/input';
import type { SlabBars } from '@/core/reinforcement/slab-bars';
import type { BeamResult } from '@/core/members/beam/result';
import { sectionState } from '@/core/members/beam/section-state';
import { punchingDrawing } from '@/core/drawing/punching-drawing';
import { panelPlan } from '@/core/drawing/panel-plan';
import type { PanelResult } from '@/core/members/panel/result';
import { stripPlan } from '@/core/drawing/strip-plan';
import { stripAsBeam } from '@/core/members/strip/as-beam';
import { stripLoadText } from '@/core/members/strip/load-text';
import type { StripResult } from '@/core/members/strip/result';
import { barLabel, columnLabels, layerLabel, panelLabels, punchingLabels, sectionLabels } from '@/core/project/labels';
import {
  codeOf,
  uprightInput,
  type BeamMember,
  type Member,
  type MemberResult,
  type Project,
  type PunchingMember,
  type PanelMember,
  type StripMember,
  type UprightMember,
} from '@/core/project/project';
import { servicePictures, stripPictures } from '@/core/drawing/beam-strips';
import { formatQuantity, unitLabel } from '@/core/units/format';

const FRAME: Frame = { width: 760, left: 60, right: 740 };

/** The drawings of a member's report pages: elevation and strips, from the same core drawings as the screen. */
export function reportDrawings(
  project: Project,
  member: Member,
  result: MemberResult,
): { readonly caption: string; readonly drawing: Drawing }[] {
  if (member.type === 'punching') return result.faults.length > 0 ? [] : [punchingPlan(project, member)];
  if (member.type === 'panel') return result.type === 'panel' && result.moments ? [panelDrawing(project, member, result)] : [];
  if (member.type === 'strip') return result.type === 'strip' ? slabDrawings(project, member, result) : [];
  if (member.type !== 'beam') return result.type === 'column' || result.type === 'wall' ? columnDrawings(project, member, result) : [];
  if (result.type !== 'beam' || !result.strips || member.mode === 'forces') return [];
  const starts = supportPositions(member);
  const elevation = elevationDrawing(
    { beam: member, steel: result.steel, units: project.display, barLabel: (g) => barLabel(g, project) },
    FRAME,
  );
  return [
    { caption: elevation.title, drawing: onPaper(elevation) },
    ...curves(member, result, project.display, starts),
    ...sectionCuts(project, member, result),
  ];
}

/** A drawing without what only serves to change it: handles, and marks where something can be added. */
const onPaper = (drawing: Drawing): Drawing => ({
  ...drawing,
  shapes: drawing.shapes.filter((s) => !(s.kind === 'text' && s.text === '+') && !(s.kind === 'circle' && s.drag)),
});

const HOW = 'demand of all combinations within resistance; dashed: as the steel has to carry it';

/** Bending, shear and the curves in service of a beam, or of a strip of slab. */
function curves(
  beam: BeamInput,
  { strips, service }: Pick<BeamResult, 'strips' | 'service'>,
  units: Project['display'],
  starts: readonly number[],
): { readonly caption: string; readonly drawing: Drawing }[] {
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

/** Elevation, plan and curves of a slab that spans one way. */
function slabDrawings(project: Project, member: StripMember, result: StripResult) {
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

/** The plan of a slab at a column, as on its sheet. */
function punchingPlan(project: Project, member: PunchingMember): { readonly caption: string; readonly drawing: Drawing } {
  const labels = punchingLabels(project, member);
  return {
    caption: 'Plan to scale: control perimeter, what openings take of it (dashed tangents), legs, and the perimeter outside them',
    drawing: punchingDrawing({ place: member, code: codeOf(project, member), labels }, FRAME.width, 420),
  };
}

/** The plan of a panel, as on its sheet. */
const panelDrawing = (project: Project, panel: PanelMember, result: PanelResult) => ({
  caption: 'Plan to scale: edges, bars with the moments that they carry per length, hatched where the slab goes on',
  drawing: panelPlan({ panel, result, labels: panelLabels(project, panel, result) }, FRAME.width, 460),
});

const CUTS_IN_A_ROW = 4;

/** The cuts that were chosen, or those over the supports and in the middle of each span. */
function sectionCuts(project: Project, member: BeamMember, result: BeamResult): { readonly caption: string; readonly drawing: Drawing }[] {
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

/** Section, moments about both axes, all directions and interaction, for the load set that governs. */
function columnDrawings(
  project: Project,
  member: UprightMember,
  result: ColumnResult,
): { readonly caption: string; readonly drawing: Drawing }[] {
  if (result.summaries.length === 0) return [];
  const code = codeOf(project, member);
  const column = uprightInput(member, code);
  const { index } = result.summaries.reduce((a, b) => ((b.utilisation ?? 99) > (a.utilisation ?? 99) ? b : a));
  const picture = columnPicture(column, code, result, index, null);
  if (!picture) return [];
  const { set } = picture.strength;
  const view: ColumnView = {
    column,
    result,
    picture,
    index,
    units: project.display,
    labels: columnLabels(project, member, picture.model.bars),
  };
  const at = `load set ${[set.name, set.title].filter(Boolean).join(', ')}`;
  const moments = (['x', 'y'] as const).map((axis) => momentsOf(view, axis, 190, 250));
  return [
    {
      caption: `Section with the neutral axis of ${at}; moments about x (${curvatureOf(view, 'x')}) and y (${curvatureOf(view, 'y')}), ${unitLabel('moment', project.display)}`,
      drawing: beside('Section and moments', [sectionOf(view, 380, 250), ...moments]),
    },
    {
      caption: `Interaction in the direction of ${at}, other sets turned into it at their utilisation; all directions at its axial force`,
      drawing: beside('Interaction', [sliceOf(view, 470, 260), contourOf(view, 290, 260)]),
    },
  ];
}

/** Several drawings in a row as one. */
function beside(title: string, drawings: readonly Drawing[], width?: number): Drawing {
  let x = 0;
  const shapes = drawings.flatMap((d) => {
    const from = x;
    x += d.width;
    return d.shapes.map((s): Shape => {
      if (s.kind === 'path') return { ...s, points: s.points.map(([a, b]) => [a + from, b] as const) };
      return { ...s, at: [s.at[0] + from, s.at[1]] };
    });
  });
  return { width: width ?? x, height: Math.max(...drawings.map((d) => d.height)), title, shapes };
}
