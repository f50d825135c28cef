'use client';
import type { Project } from '@/core/project/project';
import type { Member, MemberResult } from '@/core/members/kinds';
import { scheduleRows } from '@/exchange/schedule-rows';
import { onProject } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { Select } from './Select';

const RIGHT = new Set([3, 6, 7]);

/** The bars as they are to be cut and bent, mark by mark, with their mass. */
export function ScheduleTable({ project, member, result }: { project: Project; member: Member; result: MemberResult }) {
  const edit = useProject((s) => s.edit);
  const schedule = scheduleRows(project, member, result);
  if (!schedule) return null;
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
            options={[
              ['byCode', 'as the code has them'],
              ['iso', 'by ISO 3766, BS 8666'],
              ['aci', 'by ACI bend types'],
            ]}
            onPick={(bends) =>
              edit(
                'names of bends',
                onProject((p) => void (p.bends = bends)),
              )
            }
          />
        </label>
      </div>
      <table className="grid-table" aria-label="Bar schedule">
        <thead>
          <tr>
            {schedule.head.map((h, i) => (
              <th key={h} className={RIGHT.has(i) ? '!text-right' : ''}>
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {schedule.rows.map((row) => (
            <tr key={row[0]}>
              {row.map((cell, i) => (
                <td key={i} className={RIGHT.has(i) ? 'text-right' : i === 1 ? 'max-w-64' : ''}>
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="small">{schedule.foot}</p>
    </section>
  );
}
