import { castDraft } from 'immer';
import { memo } from 'react';
import { appliedTo, type StripSearch } from '@/core/advice/strip-proposals';
import type { Project, StripMember } from '@/core/project/project';
import { onStrip } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { proposeForStrip } from '@/store/proposing';
import { WaysForward } from '@/ui/WaysForward';

const searches: readonly (readonly [StripSearch, string])[] = [
  ['changes', 'single changes'],
  ['arrangements', 'spacings of bars'],
];

/** Other spacings of bars, or single changes of depth and concrete. */
export const StripWays = memo(function StripWays({ project, member }: { project: Project; member: StripMember }) {
  const edit = useProject((s) => s.edit);
  const { code, display, rates } = project;
  return (
    <WaysForward
      project={project}
      member={member}
      word="slab"
      searches={searches}
      search={(search) => proposeForStrip({ code, display, rates }, member, search)}
      label={(p) => p.title}
      onTake={(p) =>
        edit(
          `try ${p.title} for ${member.mark}`,
          onStrip(member.id, (m) => void Object.assign(m, castDraft(appliedTo(member, p.change)))),
        )
      }
      empty="With none of the allowed spacings the slab holds: look at single changes."
    />
  );
});
