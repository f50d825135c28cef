import { supportName } from '@/core/members/beam/input';
import type { HandCheck } from '@/core/analysis/hand-check';
import type { SupportReaction } from '@/core/members/beam/result';
import type { Project } from '@/core/project/project';
import { formatQuantity } from '@/core/units/format';
import { HandCheckTable } from './HandCheckTable';

/** What can be worked out on the back of an envelope, beside the analysis; and the reactions. */
export function HandChecks({
  project,
  result,
  width,
}: {
  project: Project;
  result: { readonly handChecks: readonly HandCheck[]; readonly reactions: readonly SupportReaction[] };
  /** Of the strip whose reactions these are: they are shown per length of slab. */
  width?: number;
}) {
  const reaction = (v: number) =>
    width ? formatQuantity(v / width, 'lineLoad', project.display) : formatQuantity(v, 'force', project.display);
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
              <td>{reaction(r.max)}</td>
              <td className={r.min < 0 ? 'text-madder-text' : ''}>
                {reaction(r.min)} {r.min < 0 && 'uplift'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
