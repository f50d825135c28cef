import { castDraft } from 'immer';
import type { Change } from '@/core/advice/single-changes';
import type { Member, Project } from '@/core/project/project';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { WaysForward } from './WaysForward';

const searches = [['changes', 'single changes']] as const;

/** Ways forward that are parts of a member put in the place of what it has, tried with one click. */
export function SingleChanges<M extends Member>({
  project,
  member,
  word,
  propose,
}: {
  project: Project;
  member: M;
  word: string;
  propose: (basis: Pick<Project, 'code' | 'display' | 'rates'>, member: M) => Promise<readonly Change<object>[]>;
}) {
  const edit = useProject((s) => s.edit);
  const { code, display, rates } = project;
  return (
    <WaysForward
      project={project}
      member={member}
      word={word}
      searches={searches}
      search={() => propose({ code, display, rates }, member)}
      label={(p) => p.title}
      onTake={(p) =>
        edit(
          `try ${p.title} for ${member.mark}`,
          onMember(member.id, (m) => void Object.assign(m, castDraft(p.change))),
        )
      }
      empty="No single change of these is possible."
    />
  );
}
