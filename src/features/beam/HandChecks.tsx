import { supportName } from '@/core/members/beam/input';
import type { BeamResult } from '@/core/members/beam/result';
import type { Project } from '@/core/project/project';
import { formatQuantity } from '@/core/units/format';
import { HandCheckTable } from '@/ui/HandCheckTable';

/** What can be worked out on the back of an envelope, beside the analysis; and the reactions. */
export function HandChecks({ project, result }: { project: Project; result: BeamResult }) {
  const system = project.display;
  return (
    <div className="overflow-auto px-3.5 py-2">
      <HandCheckTable checks={result.handChecks} units={system} />
      <h2 className="mt-3">Reactions, ultimate combinations</h2>
      <table className="grid-table" aria-label="Reactions">
        <thead>
          <tr>
            <th>Support</th>
            <th>Largest</th>
            <th>Least</th>
          </tr>
        </thead>
        <tbody>
          {result.reactions.map((r) => (
            <tr key={r.support}>
              <td>{supportName(r.support)}</td>
              <td>{formatQuantity(r.max, 'force', system)}</td>
              <td className={r.min < 0 ? 'text-madder-text' : ''}>
                {formatQuantity(r.min, 'force', system)} {r.min < 0 && 'uplift'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
