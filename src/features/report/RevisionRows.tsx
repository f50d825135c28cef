'use client';
import { REVISION_COLUMNS, type Revision } from '@/core/document/report';
import type { Project } from '@/core/project/project';
import { onProject } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { TextInput } from '@/ui/fields/TextInput';

const keys = ['mark', 'date', 'text', 'by'] as const;

/** The revision table of the cover, line by line. */
export function RevisionRows({ project }: { project: Project }) {
  const { edit } = useProject();
  const { revisions } = project.info;
  const change = (what: string, make: (rows: Revision[]) => Revision[]) =>
    edit(
      what,
      onProject((p) => void (p.info.revisions = make([...p.info.revisions]))),
    );
  const add = () =>
    change('a revision', (rows) => [...rows, { mark: project.info.revision, date: project.info.date, text: '', by: project.info.author }]);
  const field = (i: number, key: (typeof keys)[number], span = '') => (
    <span className={span}>
      <TextInput
        label={`${REVISION_COLUMNS[keys.indexOf(key)]}, revision ${i + 1}`}
        placeholder={REVISION_COLUMNS[keys.indexOf(key)]}
        type={key === 'date' ? 'date' : 'text'}
        value={revisions[i]![key]}
        onKeep={(v) => change('a revision', (rows) => rows.map((r, j) => (j === i ? { ...r, [key]: v } : r)))}
      />
    </span>
  );
  return (
    <section aria-label="Revisions" className="mt-2">
      {revisions.map((_, i) => (
        <div key={i} className="mb-1 grid grid-cols-[3.5rem_minmax(0,1fr)_auto] gap-1 border-t border-line pt-1">
          {field(i, 'mark')}
          {field(i, 'date')}
          <button
            type="button"
            className="link"
            aria-label={`Remove revision ${i + 1}`}
            onClick={() => change('a revision removed', (rows) => rows.filter((_, j) => j !== i))}
          >
            remove
          </button>
          {field(i, 'text', 'col-span-3')}
          {field(i, 'by', 'col-span-3')}
        </div>
      ))}
      <button type="button" className="link" onClick={add}>
        {revisions.length === 0 ? 'Begin a revision table' : 'Add a revision'}
      </button>
    </section>
  );
}
