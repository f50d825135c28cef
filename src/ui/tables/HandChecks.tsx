import type { HandCheck } from '@/core/analysis/hand-check';
import { reactionTable, type ReactionsOf, type SupportReaction } from '@/core/members/beam/reactions';
import type { Project } from '@/core/project/project';
import { HandCheckTable } from './HandCheckTable';
import { TitledTable } from './TitledTable';

/** What can be worked out on the back of an envelope, beside the analysis; and the reactions. */
export function HandChecks({
  project,
  mark,
  result,
  of = {},
}: {
  project: Project;
  mark: string;
  result: { readonly handChecks: readonly HandCheck[]; readonly reactions: readonly SupportReaction[] };
  of?: ReactionsOf;
}) {
  return (
    <div className="overflow-auto px-3.5 py-2">
      <HandCheckTable checks={result.handChecks} units={project.display} />
      <TitledTable block={reactionTable(result.reactions, of)} units={project.display} mark={mark} />
    </div>
  );
}
