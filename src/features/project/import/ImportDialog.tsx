'use client';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { FileLink } from '@/ui/fields/FileLink';
import type { Project } from '@/core/project/project';
import { MOST_FILE, readTableFile, type TableSheet } from '@/exchange/import/table-file';
import type { IfcElement } from '@/exchange/ifc/read-ifc';
import { readIfcFile } from '@/workers/read-file';
import { Select } from '@/ui/fields/Select';
import { BeamsImport } from './BeamsImport';
import { IfcImport } from './IfcImport';
import { SetsImport } from './SetsImport';
import { SlabForcesImport } from './SlabForcesImport';

type For = 'columns' | 'beams' | 'slabs';
const readings = { columns: SetsImport, beams: BeamsImport, slabs: SlabForcesImport };

/** One table of another analysis for many members: from a file or pasted, with a preview before anything changes. */
export function ImportDialog({ project, onClose }: { project: Project; onClose: () => void }) {
  const [sheets, setSheets] = useState<readonly TableSheet[]>([]);
  const [chosen, choose] = useState(0);
  const [title, setTitle] = useState('table');
  const [fault, setFault] = useState('');
  const [model, setModel] = useState<readonly IfcElement[] | null>(null);
  const [isFor, setFor] = useState<For>('columns');
  const take = async (file: File) => {
    setFault('');
    setModel(null);
    const name = file.name.replace(/\.[^.]*$/, '');
    if (/\.ifc$/i.test(file.name)) {
      if (file.size > MOST_FILE) return setFault(`${file.name} is larger than ${MOST_FILE / 1e6} MB.`);
      const found = await readIfcFile(new Uint8Array(await file.arrayBuffer()));
      if (!found.ok) return setFault(`${file.name}: ${found.reason}`);
      setTitle(name);
      return setModel(found.elements);
    }
    const bytes = new Uint8Array(await file.arrayBuffer());
    const read = await readTableFile(file.name, bytes, async (content) => {
      const { default: readWorkbook } = await import('read-excel-file/browser');
      return (await readWorkbook(new Blob([content as BlobPart]))) as unknown as { sheet: string; data: unknown[][] }[];
    });
    if (!read.ok) return setFault(read.reason);
    setTitle(name);
    choose(0);
    setSheets(read.sheets);
  };
  const text = sheets[chosen]?.text ?? '';
  const Reading = readings[isFor];
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ebony/10" />
        <Dialog.Content
          className="framed fixed inset-x-10 top-8 z-50 mx-auto flex max-h-[92vh] max-w-[78rem] flex-col p-4"
          aria-describedby={undefined}
        >
          <Dialog.Title className="font-serif text-[1.3rem]">
            {model ? `Members of ${title}` : 'Import a table of another analysis, or a building model'}
          </Dialog.Title>
          <div className="flex flex-wrap items-center gap-x-5 gap-y-1 py-1">
            {!model && (
              <label className="flex items-center gap-1.5">
                its rows are
                <Select<For>
                  label="Its rows are"
                  className="field !w-auto"
                  value={isFor}
                  options={{
                    columns: 'load sets of columns and walls',
                    beams: 'forces along beams',
                    slabs: 'forces of slabs at their columns',
                  }}
                  onPick={setFor}
                />
              </label>
            )}
            <FileLink label="File with a table" accept=".csv,.tsv,.txt,.xlsx,.ifc" onFile={(file) => void take(file)}>
              {sheets.length === 0 && !model ? 'choose a file' : 'another file'}
            </FileLink>
            {!model && sheets.length > 1 && (
              <Select
                label="Sheet of the file"
                className="field !w-auto"
                value={String(chosen)}
                options={sheets.map((s, i) => [String(i), s.name] as const)}
                onPick={(i) => choose(Number(i))}
              />
            )}
          </div>
          {fault && (
            <p role="alert" className="py-1 text-madder-text">
              {fault}
            </p>
          )}
          {model ? (
            <IfcImport project={project} title={title} elements={model} onClose={onClose} />
          ) : text.trim() === '' ? (
            <textarea
              className="mt-1 h-64 w-full border border-groove bg-sycamore p-2"
              aria-label="Table from a spreadsheet"
              placeholder="Choose a file (CSV, TSV, XLSX; or IFC for members with their sizes), or paste the table here with Ctrl V: a column for the member, the station or end, the combination, and each force."
              onChange={(e) => setSheets([{ name: 'pasted', text: e.target.value }])}
            />
          ) : (
            <Reading key={`${isFor} ${chosen} ${title} ${text.length}`} {...{ project, text, title, onClose }} />
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
