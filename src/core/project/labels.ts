import type { PanelPicture } from '../drawing/panel-plan';
import type { PunchingPicture } from '../drawing/punching-drawing';
import type { PanelResult } from '../members/panel/result';
import type { SectionLabels } from '../drawing/beam-section-picture';
import type { BeamSteel } from '../members/beam/steel';
import type { StripSteel } from '../members/strip/steel';
import type { ColumnBar } from '../reinforcement/column-bars';
import { countBySize } from '../reinforcement/column-bars';
import { boundsOf } from '../geometry/polygon';
import { outlineOfShape, type SectionShape } from '../geometry/section-shapes';
import { groupLabel, type BarGroup } from '../reinforcement/bar-groups';
import { formatQuantity, formatValue, unitLabel } from '../units/format';
import type { UnitSystem } from '../units/quantity';
import type { SlabBars } from '../reinforcement/slab-bars';
import type { ColumnMember, Member, MemberResult, PanelMember, Project, PunchingMember, UprightMember, WallMember } from './project';

/** The letter before a bar size: H for high-yield metric bars to EN; none where sizes have their own sign. */
export function barPrefix(project: Pick<Project, 'code'>): string {
  return project.code.id === 'en1992' ? 'H' : '';
}

export function barLabel(group: BarGroup, project: Pick<Project, 'code'>): string {
  return groupLabel(group, barPrefix(project));
}

/** "H8 @ 150" or "#3 @ 6 in": size and spacing of links. */
export function linkLabel(
  zone: { readonly size: string; readonly spacing: number; readonly legs: number },
  project: Pick<Project, 'code' | 'display'>,
): string {
  const size = /^\d/.test(zone.size) ? `${barPrefix(project)}${zone.size}` : zone.size;
  const spacing = project.display === 'US' ? `${Number((zone.spacing / 25.4).toFixed(2))} in` : String(Math.round(zone.spacing));
  return `${zone.legs > 2 ? `${zone.legs} legs ` : ''}${size} @ ${spacing}`;
}

/** A length on a drawing, in its unit without zeros at the end: "550", "21.5". */
export const drawnLength = (v: number, units: UnitSystem): string =>
  formatValue(v, 'length', units)
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '');

export const sectionLabels = (project: Pick<Project, 'code' | 'display'>): SectionLabels => ({
  bars: (g) => barLabel(g, project),
  links: (zone) => linkLabel(zone, project),
  length: (v) => drawnLength(v, project.display),
});

/** "300 × 550". */
export function sizeLabel(member: Member, system: UnitSystem): string {
  const number = (v: number) => formatValue(v, 'length', system).replace(/\.?0+$/, (zeros) => (zeros.startsWith('.') ? '' : zeros));
  const unit = system === 'US' ? ` ${unitLabel('length', system)}` : '';
  if (member.type === 'beam' && member.section.shape === 'free') return `outline, ${number(member.section.h)}${unit} deep`;
  if (member.type === 'beam') return `${number(member.section.b)} × ${number(member.section.h)}${unit}`;
  if (member.type === 'strip') return `${number(member.h)}${unit} deep`;
  if (member.type === 'panel')
    return `${formatValue(member.lx, 'station', system, 1)} × ${formatValue(member.ly, 'station', system, 1)} ${unitLabel('station', system)}, ${number(member.h)}${unit} deep`;
  if (member.type === 'punching')
    return `${shapeLabel(member.column, number)}${unit} ${member.base ? 'on' : 'in'} ${number(member.h)}${unit}`;
  if (member.type === 'wall') {
    const thickness = `${number(member.thickness)}${unit}`;
    return member.isStrip ? `${thickness}, a metre` : `${number(member.length)} × ${thickness}`;
  }
  return `${shapeLabel(member.shape, number)}${unit}`;
}

function shapeLabel(shape: SectionShape, number: (v: number) => string): string {
  if (shape.kind === 'circle') return `ø ${number(shape.diameter)}`;
  if (shape.kind === 'ring') return `ø ${number(shape.diameter)}, wall ${number(shape.wall)}`;
  const { left, right, bottom, top } = boundsOf(outlineOfShape(shape).outer);
  const name = { rectangle: '', L: 'L ', T: 'T ', cross: 'cross ', I: 'I ', free: 'outline ' }[shape.kind];
  return `${name}${number(right - left)} × ${number(top - bottom)}`;
}

/** The reinforcement of a member in a few words; empty without a result. */
export function steelLabel(project: Project, member: Member, result: MemberResult | undefined): string {
  if (result?.type === 'beam') return result.steel ? beamSteelLabel(project, result.steel) : '';
  if (member.type === 'punching') return punchingLabel(project, member);
  if (result?.type === 'panel')
    return result.sections
      .filter((s) => s.place === 'x' || s.place === 'y')
      .map((s) => `${s.place} ${layerLabel(s.bars, project)}`)
      .join(', ');
  if (result?.type === 'strip') return result.steel ? stripSteelLabel(project, result.steel) : '';
  if (member.type === 'wall') return result?.type === 'wall' ? wallBarsLabel(project, member) : '';
  if (member.type !== 'column' || result?.type !== 'column' || result.bars.length === 0) return '';
  return `${columnBarsLabel(project, result.bars)}, ${tieLabel(project, member)}`;
}

const sizeOf = (size: string, project: Pick<Project, 'code'>) => (/^\d/.test(size) ? `${barPrefix(project)}${size}` : size);

/** "H16 @ 150", "H16 / H12 @ 125". */
export function layerLabel({ size, alternate, spacing }: SlabBars, project: Pick<Project, 'code' | 'display'>): string {
  const sizes = [size, ...(alternate ? [alternate] : [])].map((s) => sizeOf(s, project));
  return `${sizes.join(' / ')} @ ${drawnLength(spacing, project.display)}`;
}

/** "H16 @ 150, H16 @ 150, 12 legs H10 × 4". */
export function punchingLabel(project: Pick<Project, 'code' | 'display'>, { barsX, barsY, legs }: PunchingMember): string {
  const across = legs
    ? [`${legs.legs} ${legs.kind === 'links' ? 'legs' : 'rails'} ${sizeOf(legs.size, project)} × ${legs.perimeters}`]
    : [];
  return [layerLabel(barsX, project), layerLabel(barsY, project), ...across].join(', ');
}

/** How a slab at a column is labelled on its plan. */
export function punchingLabels(project: Pick<Project, 'code' | 'display'>, member: PunchingMember): PunchingPicture['labels'] {
  const length = (v: number) => drawnLength(v, project.display);
  const { legs, drop } = member;
  return {
    length,
    barsX: layerLabel(member.barsX, project),
    barsY: layerLabel(member.barsY, project),
    depth: `${member.base ? 'footing' : 'slab'} ${length(member.h)}${drop ? ` + ${length(drop.depth)}` : ''} deep`,
    legs: legs
      ? `${legs.legs} ${legs.kind === 'links' ? 'legs' : 'rails'} of ${layerLabel({ ...legs, alternate: null }, project)}, ${legs.perimeters} perimeters, first at ${length(legs.first)}`
      : 'no links: add some',
  };
}

/** "4H25 + 4H20". */
export function columnBarsLabel(project: Pick<Project, 'code'>, bars: readonly ColumnBar[]): string {
  return countBySize(bars)
    .map((g) => barLabel(g, project))
    .join(' + ');
}

/** "H16 @ 150 up, H12 @ 200 across, both faces". */
export function wallBarsLabel(
  project: Pick<Project, 'code' | 'display'>,
  { vertical, horizontal }: Pick<WallMember, 'vertical' | 'horizontal'>,
): string {
  const mesh = (m: WallMember['vertical']) => linkLabel({ ...m, legs: 2 }, project);
  return `${mesh(vertical)} up, ${mesh(horizontal)} across, both faces`;
}

/** "H8 @ 200". */
export const tieLabel = (project: Pick<Project, 'code' | 'display'>, { ties }: Pick<ColumnMember, 'ties'>): string =>
  linkLabel({ size: ties.size, spacing: ties.spacing, legs: 2 }, project);

/** The bars of a beam in a few words: most bottom bars, most top bars, closest links. */
function beamSteelLabel(project: Project, steel: BeamSteel): string {
  const bottom = steel.bottom.map((b) => [b.main, ...(b.extra ? [b.extra.bars] : [])].filter((g) => g.count > 0));
  const most = <T>(list: readonly T[], weight: (t: T) => number): T | undefined =>
    list.length > 0 ? list.reduce((a, b) => (weight(b) > weight(a) ? b : a)) : undefined;
  const count = (groups: readonly BarGroup[]) =>
    groups.reduce((sum, g) => sum + g.count * (parseFloat(g.size.replace(/\D+/g, '')) || 0) ** 2, 0);
  const lower = most(bottom, count);
  const upper = most([...steel.support.flatMap((s) => (s ? [[s.bars]] : [])), ...steel.top.map((t) => [t.main])], count);
  const links = most(steel.links.flat(), (z) => 1 / z.spacing);
  const join = (groups: readonly BarGroup[] | undefined) => (groups ?? []).map((g) => barLabel(g, project)).join('+');
  return `${join(upper)} / ${join(lower)}${links ? `, ${linkLabel(links, project)}` : ''}`;
}

/** The bars of a slab in a few words: most top bars, most bottom bars, those across. */
function stripSteelLabel(project: Project, steel: StripSteel): string {
  const closest = (list: readonly SlabBars[]) => list.reduce<SlabBars | null>((a, b) => (!a || b.spacing < a.spacing ? b : a), null);
  const top = closest([...steel.support.flatMap((r) => (r ? [r.bars] : [])), ...steel.top.flatMap((t) => (t.main ? [t.main] : []))]);
  const bottom = closest(steel.bottom.map((b) => b.main));
  const name = (bars: SlabBars | null) => (bars ? layerLabel(bars, project) : 'none');
  return `${name(top)} / ${name(bottom)}, across ${name(steel.across.bottom)}`;
}

/** How a panel is labelled on its plan. */
export function panelLabels(project: Pick<Project, 'code' | 'display'>, member: PanelMember, result: PanelResult): PanelPicture['labels'] {
  const units = project.display;
  const share = result.moments?.share ?? member.share ?? 0;
  return {
    lx: formatValue(member.lx, 'span', units),
    ly: formatValue(member.ly, 'span', units),
    depth: `slab ${drawnLength(member.h, units)} deep`,
    bars: (bars) => layerLabel(bars, project),
    moment: (v) => formatQuantity(v, 'lineTorque', units),
    share: `${Math.round(100 * share)} % of the load along x${member.share === null ? '' : ', set'}`,
  };
}

/** What is written beside the section of a column or a wall. */
export function columnLabels(
  project: Pick<Project, 'code' | 'display'>,
  member: UprightMember,
  bars: readonly ColumnBar[],
): { readonly bars: string; readonly ties: string } {
  if (member.type === 'column') return { bars: columnBarsLabel(project, bars), ties: tieLabel(project, member) };
  return { bars: linkLabel({ ...member.vertical, legs: 2 }, project), ties: linkLabel({ ...member.horizontal, legs: 2 }, project) };
}
