'use client';
import type { UnitSystem } from '@/core/units/quantity';
import type { Table } from '@/exchange/tables/table-rows';
import { downloadBlob, fileName } from '@/store/files';
import { useProject } from '@/store/project-store';

interface TableFilesProps {
  /** What the file is called, without its ending. */
  readonly name: string;
  readonly units: UnitSystem;
  /** Made when a file is asked for. */
  readonly tables: () => readonly Table[];
  readonly isDisabled?: boolean;
}

const types = { xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet', csv: 'text/csv;charset=utf-8' } as const;

/** Saves tables for a spreadsheet, or copies them to one. */
export function TableFiles({ name, units, tables, isDisabled = false }: TableFilesProps) {
  const setNotice = useProject((s) => s.setNotice);
  const save = async (type: keyof typeof types) => {
    try {
      // Writers of files come when they are asked for.
      const content =
        type === 'csv'
          ? (await import('@/exchange/tables/csv')).tablesToCsv(tables(), units)
          : await (await import('@/exchange/tables/xlsx')).tablesToXlsx(tables(), units);
      downloadBlob(new Blob([content as BlobPart], { type: types[type] }), `${fileName(name)}.${type}`);
    } catch (error) {
      console.error(error);
      setNotice('The table could not be written. The project is not touched.');
    }
  };
  const copy = async () => {
    try {
      await navigator.clipboard.writeText((await import('@/exchange/tables/csv')).tablesToText(tables(), units));
      setNotice(`${name} is copied: paste it into a spreadsheet.`);
    } catch (error) {
      console.warn(error);
      setNotice('This browser does not let pages copy: save the table instead.');
    }
  };
  return (
    <span className="no-print inline-flex gap-3">
      {(['xlsx', 'csv'] as const).map((type) => (
        <button
          key={type}
          type="button"
          className="link"
          disabled={isDisabled}
          aria-label={`Save ${name} as ${type.toUpperCase()}`}
          onClick={() => void save(type)}
        >
          {type.toUpperCase()}
        </button>
      ))}
      <button type="button" className="link" disabled={isDisabled} aria-label={`Copy ${name}`} onClick={() => void copy()}>
        copy
      </button>
    </span>
  );
}
