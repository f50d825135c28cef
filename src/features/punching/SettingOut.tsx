'use client';
import { useMemo } from 'react';
import { codeOf } from '@/core/members/member';
import type { PunchingMember } from '@/core/members/punching/input';
import { settingOut } from '@/core/members/punching/setting-out';
import { stagesOf } from '@/core/members/punching/stage';
import type { Project } from '@/core/project/project';
import { TitledTable } from '@/ui/tables/TitledTable';

/** Where the legs are set out from, as a table for the site. */
export function SettingOut({ project, member, hasFaults }: { project: Project; member: PunchingMember; hasFaults: boolean }) {
  const table = useMemo(
    () => (hasFaults ? null : settingOut(member, stagesOf(member, codeOf(project, member))[0]!.placed)),
    [project, member, hasFaults],
  );
  return (
    <div className="overflow-auto px-3.5 py-2">
      {table ? <TitledTable block={table} units={project.display} mark={member.mark} /> : <p>There are no legs to set out.</p>}
    </div>
  );
}
