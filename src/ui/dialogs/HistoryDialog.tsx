'use client';
import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import type { Project } from '@/core/project/project';
import { readProjectText } from '@/exchange/project-text';
import { useProject } from '@/store/project-store';
import { downloadText } from '@/store/files';
import type { HistoryEntry } from '@/store/history';
import { momentText } from '@/store/moment';
import { projectHistory } from '@/store/storage';

/** Earlier saved states of a project, to go back to. Going back is one more command that can be undone. */
export function HistoryDialog({ project, open, onOpenChange }: { project: Project; open: boolean; onOpenChange: (open: boolean) => void }) {
  const [entries, setEntries] = useState<readonly HistoryEntry[]>([]);
  const { edit, setNotice } = useProject();
  useEffect(() => {
    if (open) void projectHistory(project.id).then(setEntries, () => setEntries([]));
  }, [open, project.id]);
  const goBack = (entry: HistoryEntry) => {
    const read = readProjectText(entry.text);
    if (read.ok) edit(`back to the state of ${momentText(entry.saved)}`, () => ({ ...read.project, id: project.id }));
    else setNotice('That state can no longer be read; nothing was changed.');
    onOpenChange(false);
  };
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ebony/20" />
        <Dialog.Content className="framed fixed left-1/2 top-24 z-50 w-96 -translate-x-1/2 p-4" aria-describedby={undefined}>
          <Dialog.Title className="mb-2 text-[1.3rem] leading-6 font-serif">Earlier states</Dialog.Title>
          {entries.length === 0 && <p>Nothing kept yet. States are kept every few minutes while you work.</p>}
          {entries.map((entry) => (
            <div key={entry.saved} className="flex items-center justify-between border-b border-line py-1.5">
              <span className="mr-auto">{momentText(entry.saved)}</span>
              <button type="button" className="link mr-4" onClick={() => downloadText(entry.text)}>
                Save as a file
              </button>
              <button type="button" className="link" onClick={() => goBack(entry)}>
                Go back to this
              </button>
            </div>
          ))}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
