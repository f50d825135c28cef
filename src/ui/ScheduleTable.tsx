import type { BeamResult } from '@/core/members/beam/result';
import type { BeamMember, Project } from '@/core/project/project';
import { scheduleRows } from '@/exchange/schedule-rows';

const RIGHT = new Set([3, 6, 7]);

/** The bars as they are to be cut and bent, mark by mark, with their mass. */
export function ScheduleTable({ project, member, result }: { project: Project; member: BeamMember; result: BeamResult }) {
  const schedule = scheduleRows(project, member, result);
  if (!schedule) return null;
  return (
    <section className="mt-4 pb-3">
      <h2>Bar schedule</h2>
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
