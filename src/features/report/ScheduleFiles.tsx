'use client';
import type { Member, MemberResult } from '@/core/members/kinds';
import type { Project } from '@/core/project/project';
import { scheduleTables } from '@/core/project/scheduled';
import { downloadBlob, fileName } from '@/store/files';
import { useProject } from '@/store/project-store';

interface ScheduleFilesProps {
  readonly project: Project;
  readonly designed: readonly { readonly member: Member; readonly result: MemberResult }[];
  readonly isDisabled: boolean;
}

const types = { xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet', csv: 'text/csv;charset=utf-8' } as const;

/** The bars of the members that are chosen, and what is to be bought of each size, as a file for a spreadsheet. */
export function ScheduleFiles({ project, designed, isDisabled }: ScheduleFilesProps) {
  const setNotice = useProject((s) => s.setNotice);
  const save = async (type: keyof typeof types) => {
    try {
      const tables = scheduleTables(project, designed);
      // Writers of files come when they are asked for.
      const content =
        type === 'csv'
          ? (await import('@/exchange/tables/csv')).tablesToCsv(tables, project.display)
          : (await import('@/exchange/tables/xlsx')).tablesToXlsx(tables, project.display);
      downloadBlob(new Blob([(await content) as BlobPart], { type: types[type] }), `${fileName(project.name)}-bars.${type}`);
    } catch (error) {
      console.error(error);
      setNotice('The schedule could not be written. The project is not touched.');
    }
  };
  return (
    <div className="mt-3 flex flex-wrap items-baseline gap-x-3 gap-y-1 border-t border-line pt-3">
      <span>Bar schedule of these members</span>
      {(['xlsx', 'csv'] as const).map((type) => (
        <button key={type} type="button" className="link" disabled={isDisabled} onClick={() => void save(type)}>
          Save as {type.toUpperCase()}
        </button>
      ))}
    </div>
  );
}
