'use client';
import { kindOf, type Member } from '@/core/members/kinds';
import { codeOf } from '@/core/members/member';
import type { Project } from '@/core/project/project';
import { Assumptions } from './Assumptions';

/** Sections of fields in as many columns as there is room for; the last is what the code leaves open for the member. */
export function BasisColumns({ project, member, children }: { project: Project; member: Member; children: React.ReactNode }) {
  const code = codeOf(project, member);
  const choices = kindOf(member).choices(code);
  return (
    <div className="grid grid-cols-[repeat(auto-fit,minmax(19rem,1fr))] gap-x-8 gap-y-3 overflow-auto px-3.5 py-2">
      {children}
      {choices.length > 0 && (
        <section className="col-span-full max-w-[44rem]">
          <h2>What the code leaves open</h2>
          <Assumptions choices={choices} code={code} member={member} isWide />
        </section>
      )}
    </div>
  );
}
