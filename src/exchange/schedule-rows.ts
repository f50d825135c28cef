import { barSchedule, type BarSchedule } from '@/core/schedule/bar-schedule';
import { panelSchedule } from '@/core/schedule/panel-schedule';
import { stripSchedule } from '@/core/schedule/strip-schedule';
import { codeOf, type Member, type MemberResult, type Project } from '@/core/project/project';
import { formatQuantity, formatValue, unitLabel } from '@/core/units/format';

/** The bar schedule as texts, for the screen and the report; null where there are no bars. */
export interface ScheduleRows {
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
  readonly foot: string;
}

export function scheduleRows(project: Project, member: Member, result: MemberResult): ScheduleRows | null {
  const schedule = scheduleFor(project, member, result);
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

/** The schedule of a member that has one. */
function scheduleFor(project: Project, member: Member, result: MemberResult): BarSchedule | null {
  const code = codeOf(project, member);
  if (member.type === 'beam' && result.type === 'beam') return barSchedule(member, code, result, project.bends);
  if (member.type === 'strip' && result.type === 'strip') return stripSchedule(member, code, result, project.bends);
  if (member.type === 'panel' && result.type === 'panel') return panelSchedule(member, code, result, project.bends);
  return null;
}
