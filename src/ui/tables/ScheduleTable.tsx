'use client';
import type { Member, MemberResult } from '@/core/members/kinds';
import { barLabel } from '@/core/members/parts/bar-labels';
import { memberSchedule } from '@/core/project/as-built';
import type { Project } from '@/core/project/project';
import { scheduleTables } from '@/core/project/scheduled';
import { scheduleTable } from '@/core/schedule/schedule-table';
import { onProject } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { BlockTable } from '@/ui/paper/Blocks';
import { Select } from '@/ui/fields/Select';
import { TableFiles } from './TableFiles';

/** The bars as they are to be cut and bent, with the way to name their bends. */
export function ScheduleTable({ project, member, result }: { project: Project; member: Member; result: MemberResult }) {
  const edit = useProject((s) => s.edit);
  const schedule = memberSchedule(project, member, result);
  if (schedule.items.length === 0) return null;
  return (
    <section className="mt-4 pb-3">
      <div className="flex items-center gap-3">
        <h2>Bar schedule</h2>
        <label className="no-print small flex items-center gap-1.5">
          bends named
          <Select
            label="Bends named"
            className="field !h-6 !w-48 !py-0"
            value={project.bends}
            options={{ byCode: 'as the code has them', iso: 'by ISO 3766, BS 8666', aci: 'by ACI bend types' }}
            onPick={(bends) =>
              edit(
                'names of bends',
                onProject((p) => void (p.bends = bends)),
              )
            }
          />
        </label>
        <BarNamesSelect project={project} />
        <TableFiles
          name={`${member.mark} bar schedule`}
          units={project.display}
          tables={() => scheduleTables(project, [{ member, result }])}
        />
      </div>
      <BlockTable block={scheduleTable(schedule, project.display)} units={project.display} />
    </section>
  );
}

/** How bars are named in the whole project, where their sizes have no sign of their own. */
function BarNamesSelect({ project }: { project: Project }) {
  const edit = useProject((s) => s.edit);
  const example = { count: 10, size: '32' };
  return (
    <label className="no-print small flex items-center gap-1.5">
      bars named
      <Select
        label="Bars named"
        className="field !h-6 !w-36 !py-0"
        value={project.barNames}
        options={{
          byCode: `as ${barLabel(example, { code: project.code })}`,
          number: `as ${barLabel(example, { code: project.code, barNames: 'number' })}`,
        }}
        onPick={(names) =>
          edit(
            'names of bars',
            onProject((p) => void (p.barNames = names)),
          )
        }
      />
    </label>
  );
}
