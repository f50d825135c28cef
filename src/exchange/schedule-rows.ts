import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import { kindOf, type Member, type MemberResult } from '@/core/members/kinds';
import { formatQuantity, formatValue, unitLabel } from '@/core/units/format';

/** The bar schedule as texts, for the screen and the report; null where there are no bars. */
export interface ScheduleRows {
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
  readonly foot: string;
}

export function scheduleRows(project: Project, member: Member, result: MemberResult): ScheduleRows | null {
  const schedule = kindOf(member).schedule?.(member, codeOf(project, member), result, project.bends);
  if (!schedule || schedule.items.length === 0) return null;
  const { items, mass, note } = schedule;
  const units = project.display;
  const length = (v: number) => formatValue(v, 'length', units);
  return {
    head: [
      'Mark',
      'Where',
      'Size',
      'No.',
      'Shape',
      `Dimensions ${unitLabel('length', units)}`,
      `Cut ${unitLabel('length', units)}`,
      `Mass ${unitLabel('mass', units)}`,
    ],
    rows: items.map((k) => [
      k.mark,
      k.place,
      k.size,
      String(k.count),
      k.shapeCode,
      k.dimensions.map((d, i) => `${k.letters[i]} ${length(d)}`).join('; '),
      `${length(k.length)}${k.isTooLong ? ' *' : ''}`,
      formatValue(k.mass, 'mass', units, 1),
    ]),
    foot: [
      `Together ${formatQuantity(mass, 'mass', units)}.`,
      items.some((k) => k.isTooLong) ? '* longer than 12 m: lapped on site.' : '',
      note,
    ]
      .filter(Boolean)
      .join(' '),
  };
}
