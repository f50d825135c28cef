import { castDraft } from 'immer';
import type { Project, PanelMember } from '@/core/project/project';
import { onPanel } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { proposeForPanel } from '@/store/proposing';
import { WaysForward } from '@/ui/WaysForward';

const searches = [['changes', 'single changes']] as const;

/** Ways forward for a panel, tried with one click. */
export function PanelWays({ project, member }: { project: Project; member: PanelMember }) {
  const { edit } = useProject();
  const { code, display, rates } = project;
  return (
    <WaysForward
      member={member}
      word="panel"
      searches={searches}
      search={() => proposeForPanel({ code, display, rates }, member)}
      label={(p) => p.title}
      onTake={(p) =>
        edit(
          `try ${p.title} for ${member.mark}`,
          onPanel(member.id, (m) => void Object.assign(m, castDraft(p.change))),
        )
      }
      empty="No single change of these is possible."
    />
  );
}
