import { castDraft } from 'immer';
import type { Project, PunchingMember } from '@/core/project/project';
import { onPunching } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { proposeForPunching } from '@/store/proposing';
import { WaysForward } from '@/ui/WaysForward';

const searches = [['changes', 'single changes']] as const;

/** Ways forward for a slab at a column, tried with one click. */
export function PunchingWays({ project, member }: { project: Project; member: PunchingMember }) {
  const { edit } = useProject();
  const { code, display, rates } = project;
  return (
    <WaysForward
      member={member}
      word="slab"
      searches={searches}
      search={() => proposeForPunching({ code, display, rates }, member)}
      label={(p) => p.title}
      onTake={(p) =>
        edit(
          `try ${p.title} for ${member.mark}`,
          onPunching(member.id, (m) => void Object.assign(m, castDraft(p.change))),
        )
      }
      empty="No single change of these is possible."
    />
  );
}
