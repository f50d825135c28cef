'use client';
import { useRouter } from 'next/navigation';
import { ToggleGroup } from 'radix-ui';
import type { Project } from '@/core/project/project';
import type { Member } from '@/core/members/kinds';
import { memberActions } from './MemberList';
import { Menu, MenuItem } from './TopBar';

/** Title of a member's sheet, what the sheet shows, and what can be done with the member as a whole. */
export function SheetTitle<P extends string>({
  project,
  member,
  subtitle,
  panel,
  panels,
  onPanel,
}: {
  project: Project;
  member: Member;
  subtitle: string;
  panel: P;
  panels: readonly (readonly [P, string])[];
  onPanel: (p: P) => void;
}) {
  const router = useRouter();
  const actions = memberActions(project, member, router.push);
  return (
    <div className="shrink-0">
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-0.5 px-3.5 pb-1 pt-2">
        <h1 className="min-w-0">
          {member.title || 'Member'} {member.mark}
        </h1>
        <span className="mr-auto min-w-0 text-walnut">{subtitle}</span>
        <div className="flex items-baseline gap-x-3">
          <ToggleGroup.Root
            type="single"
            value={panel}
            onValueChange={(v) => v && onPanel(v as P)}
            aria-label="What the sheet shows"
            className="flex flex-wrap border border-groove"
          >
            {panels.map(([p, name]) => (
              <ToggleGroup.Item key={p} value={p} className="px-2 py-0.5 data-[state=on]:bg-ebony data-[state=on]:text-holly">
                {name}
              </ToggleGroup.Item>
            ))}
          </ToggleGroup.Root>
          <Menu isBare label="More" align="end">
            <MenuItem onSelect={actions.copy}>Copy {member.mark}</MenuItem>
            <MenuItem hint="Alt Shift ↑" onSelect={actions.up}>
              Move up
            </MenuItem>
            <MenuItem hint="Alt Shift ↓" onSelect={actions.down}>
              Move down
            </MenuItem>
            <MenuItem onSelect={actions.remove}>Delete {member.mark}</MenuItem>
          </Menu>
        </div>
      </div>
    </div>
  );
}
