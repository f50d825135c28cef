import { codeOf } from '@/core/members/member';
import type { Member } from '@/core/members/kinds';
import type { Block } from '@/core/document/blocks';
import type { Project } from '@/core/project/project';
import { BlockView } from '@/ui/paper/Blocks';

/** One member's paper as it will stand on pages. */
export function ReportPage({ project, member, blocks }: { project: Project; member: Member; blocks: readonly Block[] }) {
  return (
    <article className="mx-auto mb-6 w-full max-w-[50rem] border border-ebony bg-[#fdfaf3] px-10 py-8 outline outline-1 outline-offset-2 outline-groove print:mb-0 print:w-auto print:break-after-page print:border-0 print:bg-white print:p-0 print:outline-none">
      <TitleBlock project={project} member={member} />
      {blocks.map((block, i) => (
        <BlockView key={i} block={block} units={project.display} />
      ))}
    </article>
  );
}

function TitleBlock({ project, member }: { project: Project; member: Member }) {
  const { info } = project;
  const cells = [
    ['Project', project.name],
    ['Number', info.number],
    ['Code', codeOf(project, member).title],
    ['By', info.author],
    ['Checked', info.checker],
    ['Revision', info.revision],
    ['Date', info.date],
  ];
  return (
    <dl className="flex border border-ebony">
      {cells.map(([name, value]) => (
        <div key={name} className="flex-auto border-r border-groove px-2 py-1 last:border-0">
          <dt className="small">{name}</dt>
          <dd className="min-h-4 font-medium">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
