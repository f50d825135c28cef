import { makeCode } from '../../codes/registry';
import { boundsOf } from '../../geometry/polygon';
import { outlineOfShape, type SectionShape } from '../../geometry/section-shapes';
import type { BarGroup } from '../../reinforcement/bar-groups';
import type { SlabBars } from '../../reinforcement/slab-bars';
import { formatValue, unitLabel } from '../../units/format';
import type { UnitSystem } from '../../units/quantity';
import type { ProjectBasis } from '../member';

type Names = Pick<ProjectBasis, 'code' | 'barNames'>;

const hasSign = (size: string) => !/^\d/.test(size);

/** "4H20" or "4ø20" as the code has bars, "4 No. 20" where the office counts them so; "4 #6" where sizes have their own sign. */
export function barLabel({ count, size }: BarGroup, { code, barNames }: Names): string {
  if (hasSign(size)) return `${count} ${size}`;
  return barNames === 'number' ? `${count} No. ${size}` : `${count}${makeCode(code).barPrefix}${size}`;
}

/** "H16", "#5"; "ø16" where bars are counted by number. */
export const sizeOf = (size: string, { code, barNames }: Names): string =>
  hasSign(size) ? size : `${barNames === 'number' ? 'ø' : makeCode(code).barPrefix}${size}`;

/** "H8 @ 150" or "#3 @ 6 in": size and spacing of links. */
export function linkLabel(zone: { readonly size: string; readonly spacing: number; readonly legs: number }, project: ProjectBasis): string {
  const spacing = project.display === 'US' ? `${Number((zone.spacing / 25.4).toFixed(2))} in` : String(Math.round(zone.spacing));
  return `${zone.legs > 2 ? `${zone.legs} legs ` : ''}${sizeOf(zone.size, project)} @ ${spacing}`;
}

/** A length on a drawing, in its unit without zeros at the end: "550", "21.5". */
export const drawnLength = (v: number, units: UnitSystem): string =>
  formatValue(v, 'length', units)
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '');

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
