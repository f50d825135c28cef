import { kindOf, type Member, type MemberResult } from '../members/kinds';
import { codeOf } from '../members/member';
import type { MemberModel } from '../model/member-model';
import { memberSchedule, modelOf } from '../project/as-built';
import type { Project } from '../project/project';
import { formatQuantity } from '../units/format';
import { boxOf, lyingElevation, pulledOut, uprightElevation } from './elevation';
import { legPlan } from './leg-plan';
import { postureOf } from './projection';
import { plainSpaces, type SheetNames } from './bar-words';
import { bentLinks } from './bent-links';
import { sectionPlaces, sectionView } from './section-view';
import { extentOf, sheetPapers, type PlacedView, type Sheet, type SheetPaper, type View } from './sheet';
import { slabPlan } from './slab-plan';

/** Paper and scale as they were asked for; what is not chosen is found. */
export interface SheetWish {
  readonly paper?: string;
  readonly scale?: number;
}

export const sheetScales = [10, 20, 25, 50, 100] as const;

const EDGE = 10;
const GAP = 9;
const CAPTION = 7;
/** Height of the title block (mm). */
export const TITLE_BLOCK = 14;

/** The views of a member, those that show the whole of it at a scale. */
function viewsOf(model: MemberModel, scale: number, names: SheetNames): View[] {
  if (model.concrete.length === 0)
    return [
      { title: 'Legs, from the middle of the column', scale: Math.min(scale, 20), entities: legPlan(model, Math.min(scale, 20), names) },
    ];
  const posture = postureOf(model);
  if (posture === 'flat')
    return planParts(model).map(({ title, bars }) => ({ title, scale, entities: slabPlan({ ...model, bars }, scale, names) }));
  const near = sectionScale(model);
  const cuts = sectionPlaces(model);
  const sections = cuts.map((at, i): View => {
    const where = plainSpaces(formatQuantity(at, 'station', names.display));
    return { title: `${i + 1}–${i + 1}, ${where}`, scale: near, entities: sectionView(model, at, near, names) };
  });
  const whole =
    posture === 'lying'
      ? [...lyingElevation(model, cuts, scale, names), ...pulledOut(model, boxOf(model).z1 - 24 * scale, scale, names)]
      : uprightElevation(model, scale, names);
  return [{ title: 'Elevation', scale, entities: whole }, ...sections, ...bentLinks(model, near, names)];
}

/** Sets of bars that a plan can show at once; a face with more is drawn layer by layer. */
const MOST_SETS = 14;

function planParts({ bars }: MemberModel) {
  return (['bottom', 'top'] as const).flatMap((face) => {
    const own = bars.filter((set) => set.face === face);
    if (own.length <= MOST_SETS) return [{ title: `Plan, ${face} bars`, bars: own }];
    const layers = [...new Set(own.map((set) => set.layer))].sort((a, b) => a - b);
    return layers.map((layer) => ({ title: `Plan, ${face} bars, layer ${layer}`, bars: own.filter((set) => set.layer === layer) }));
  });
}

/** Sections stand larger, so that their bars can be told apart. */
function sectionScale(model: MemberModel): number {
  const points = model.concrete[0]!.outline.outer;
  const most = Math.max(...[0, 1].map((k) => Math.max(...points.map((p) => p[k as 0])) - Math.min(...points.map((p) => p[k as 0]))));
  return most <= 700 ? 10 : most <= 1500 ? 20 : 50;
}

/** Views in rows from the upper left; undefined where the paper has no room for them. */
function laidOut(views: readonly View[], { width, height }: SheetPaper): PlacedView[] | undefined {
  let [x, y, row] = [EDGE + 3, height - EDGE - 3, 0];
  const placed: PlacedView[] = [];
  for (const view of views) {
    const { from, to } = extentOf(view.entities, view.scale);
    const [w, h] = [(to[0] - from[0]) / view.scale, (to[1] - from[1]) / view.scale + CAPTION];
    if (x + w > width - EDGE - 3 && x > EDGE + 3) [x, y, row] = [EDGE + 3, y - row - GAP, 0];
    if (x + w > width - EDGE - 3 || y - h < EDGE + TITLE_BLOCK + 2) return undefined;
    placed.push({ ...view, at: [x, y - h + CAPTION], from });
    x += w + GAP;
    row = Math.max(row, h);
  }
  return placed;
}

/** Papers and scales in the order in which they are tried: on small paper at a large scale first, then on larger paper. */
function* tries(papers: readonly SheetPaper[], { paper, scale }: SheetWish): Generator<readonly [SheetPaper, number]> {
  const scales = scale ? [scale] : sheetScales;
  const own = papers.find((p) => p.name === paper);
  if (own) for (const s of scales) yield [own, s];
  else {
    for (const s of scale ? [scale] : [20, 25, 50]) for (const p of papers.slice(0, 2)) yield [p, s];
    for (const s of scale ? [scale] : [25, 50, 100]) for (const p of papers.slice(2)) yield [p, s];
  }
}

/** The drawing of a member; in words why there is none. */
export function memberSheet(project: Project, member: Member, result: MemberResult, wish: SheetWish = {}): Sheet | string {
  const model = modelOf(project, member, result);
  if (model.bars.length === 0) return 'There are no bars to draw.';
  const cut = new Map(memberSchedule(project, member, result).items.map((k) => [k.mark, k.length]));
  const names: SheetNames = { ...project, cut };
  const views = new Map<number, View[]>();
  for (const [paper, scale] of tries(sheetPapers[project.paper], wish)) {
    if (!views.has(scale)) views.set(scale, viewsOf(model, scale, names));
    const placed = laidOut(views.get(scale)!, paper);
    if (placed)
      return {
        title: `${member.title} ${member.mark}`.trim(),
        paper,
        views: placed,
        titleBlock: titleBlock(project, member, placed, paper),
      };
  }
  return wish.paper || wish.scale ? 'It does not fit on this paper at this scale.' : 'It does not fit on the largest paper at 1:100.';
}

function titleBlock(project: Project, member: Member, views: readonly View[], paper: SheetPaper): [string, string][] {
  const { info } = project;
  const scales = [...new Set(views.map((v) => v.scale))].map((s) => `1:${s}`).join(', ');
  return [
    ['Project', project.name],
    ['Member', `${member.title} ${member.mark}, ${kindOf(member).sizeLabel(member, project.display)}`],
    ['Number', info.number],
    ['Code', codeOf(project, member).title],
    ['By', info.author],
    ['Checked', info.checker],
    ['Revision', info.revision],
    ['Date', info.date],
    ['Scale', `${scales}, ${paper.name}`],
  ].map(([name, value]) => [name!, plainSpaces(value!)]);
}

/** Drawings of members on one size of paper: the smallest on which all have room, unless one is asked for. Those without say why. */
export function projectSheets(
  project: Project,
  designed: readonly { readonly member: Member; readonly result: MemberResult }[],
  wish: SheetWish = {},
): { readonly sheets: readonly Sheet[]; readonly without: readonly { readonly mark: string; readonly why: string }[] } {
  const made = designed.map(({ member, result }) => ({ member, result, sheet: memberSheet(project, member, result, wish) }));
  const papers = sheetPapers[project.paper];
  const drawn = made.flatMap(({ sheet }) => (typeof sheet === 'string' ? [] : [papers.indexOf(sheet.paper as (typeof papers)[0])]));
  const paper = papers[Math.max(0, ...drawn)]!;
  const onOne = made.map(({ member, result, sheet }) => {
    const isOther = typeof sheet !== 'string' && sheet.paper !== paper;
    return { mark: member.mark, sheet: isOther ? memberSheet(project, member, result, { ...wish, paper: paper.name }) : sheet };
  });
  return {
    sheets: onOne.flatMap(({ sheet }) => (typeof sheet === 'string' ? [] : [sheet])),
    without: onOne.flatMap(({ mark, sheet }) => (typeof sheet === 'string' ? [{ mark, why: sheet }] : [])),
  };
}
