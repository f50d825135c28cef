import { makeCode } from '../../codes/registry';
import { boundsOf } from '../../geometry/polygon';
import { outlineOfShape, type SectionShape } from '../../geometry/section-shapes';
import { groupLabel, type BarGroup } from '../../reinforcement/bar-groups';
import type { SlabBars } from '../../reinforcement/slab-bars';
import { formatValue, unitLabel } from '../../units/format';
import type { UnitSystem } from '../../units/quantity';
import type { ProjectBasis } from '../member';

/** What stands before a bar size that has no sign of its own. */
export const barPrefix = ({ code }: Pick<ProjectBasis, 'code'>): string => makeCode(code).barPrefix;

export function barLabel(group: BarGroup, project: Pick<ProjectBasis, 'code'>): string {
  return groupLabel(group, barPrefix(project));
}

/** "H8 @ 150" or "#3 @ 6 in": size and spacing of links. */
export function linkLabel(zone: { readonly size: string; readonly spacing: number; readonly legs: number }, project: ProjectBasis): string {
  const size = /^\d/.test(zone.size) ? `${barPrefix(project)}${zone.size}` : zone.size;
  const spacing = project.display === 'US' ? `${Number((zone.spacing / 25.4).toFixed(2))} in` : String(Math.round(zone.spacing));
  return `${zone.legs > 2 ? `${zone.legs} legs ` : ''}${size} @ ${spacing}`;
}

/** A length on a drawing, in its unit without zeros at the end: "550", "21.5". */
export const drawnLength = (v: number, units: UnitSystem): string =>
  formatValue(v, 'length', units)
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '');

/** "H16", "#5". */
export const sizeOf = (size: string, project: Pick<ProjectBasis, 'code'>): string =>
  /^\d/.test(size) ? `${barPrefix(project)}${size}` : size;

/** "H16 @ 150", "H16 / H12 @ 125". */
export function layerLabel({ size, alternate, spacing }: SlabBars, project: ProjectBasis): string {
  const sizes = [size, ...(alternate ? [alternate] : [])].map((s) => sizeOf(s, project));
  return `${sizes.join(' / ')} @ ${drawnLength(spacing, project.display)}`;
}

/** A size in the title of a member, without zeros at the end. */
export const sizeNumber = (v: number, system: UnitSystem): string =>
  formatValue(v, 'length', system).replace(/\.?0+$/, (zeros) => (zeros.startsWith('.') ? '' : zeros));

/** The unit behind sizes: none for millimetres. */
export const sizeUnit = (system: UnitSystem): string => (system === 'US' ? ` ${unitLabel('length', system)}` : '');

/** "350 × 350", "ø 450". */
export function shapeLabel(shape: SectionShape, system: UnitSystem): string {
  const number = (v: number) => sizeNumber(v, system);
  if (shape.kind === 'circle') return `ø ${number(shape.diameter)}`;
  if (shape.kind === 'ring') return `ø ${number(shape.diameter)}, wall ${number(shape.wall)}`;
  const { left, right, bottom, top } = boundsOf(outlineOfShape(shape).outer);
  const name = { rectangle: '', L: 'L ', T: 'T ', cross: 'cross ', I: 'I ', free: 'outline ' }[shape.kind];
  return `${name}${number(right - left)} × ${number(top - bottom)}`;
}
