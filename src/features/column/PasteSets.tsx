'use client';
import { Dialog } from 'radix-ui';
import { useMemo, useState } from 'react';
import type { LoadSetKind } from '@/core/members/column/input';
import type { UprightMember, Project } from '@/core/project/project';
import { formatValue } from '@/core/units/format';
import {
  defaultUnit,
  guessReadings,
  readSets,
  readTable,
  roleNames,
  roles,
  seemsNegative,
  unitsFor,
  type ColumnReading,
  type PastedTable,
  type Role,
} from '@/exchange/paste-sets';
import { onUpright } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { recall, remember } from '@/store/remembered';
import { Select } from '@/ui/Select';

/** Opens the reading of a pasted table wherever a table is pasted. */
export function usePaste() {
  const [text, setText] = useState<string | null>(null);
  const onPaste = (e: React.ClipboardEvent) => {
    if (e.target instanceof HTMLElement && e.target.closest('textarea, [role=dialog]')) return;
    const pasted = e.clipboardData.getData('text');
    if (!/[\t\n;]/.test(pasted)) return;
    e.preventDefault();
    setText(pasted);
  };
  return { text, onPaste, open: setText, close: () => setText(null) };
}

const HABIT = 'load-set-columns';
const keyOf = (table: PastedTable) => `${table.headings.length}:${table.headings.join('|')}`;

/** What was understood of a pasted table: the columns can be set, each row shows how it was read, and refused rows are mended in place. */
export function PasteSets({
  project,
  member,
  text: pasted,
  onClose,
}: {
  project: Project;
  member: UprightMember;
  text: string;
  onClose: () => void;
}) {
  const [text, setText] = useState(pasted);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ebony/10" />
        <Dialog.Content
          className="framed fixed inset-x-16 top-12 z-50 mx-auto flex max-h-[88vh] max-w-[70rem] flex-col p-4"
          aria-describedby={undefined}
        >
          <Dialog.Title className="font-serif text-[1.3rem]">Paste load sets</Dialog.Title>
          {text.trim() === '' ? (
            <textarea
              className="mt-2 h-64 w-full border border-groove bg-sycamore p-2"
              aria-label="Table from a spreadsheet"
              placeholder="Paste the table here with Ctrl V: a column each for N and the end moments, with or without headings."
              onChange={(e) => setText(e.target.value)}
            />
          ) : (
            <Reading project={project} member={member} text={text} onClose={onClose} />
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Reading({ project, member, text, onClose }: { project: Project; member: UprightMember; text: string; onClose: () => void }) {
  const { edit } = useProject();
  const [table, setTable] = useState(() => readTable(text));
  const [readings, setReadings] = useState<readonly ColumnReading[]>(
    () => recall<ColumnReading[]>(`${HABIT}.${keyOf(table)}`) ?? guessReadings(table, project.display),
  );
  const [compressionNegative, setNegative] = useState(() => seemsNegative(table, readings));
  const [kind, setKind] = useState<LoadSetKind>('ultimate');
  const [sustained, setSustained] = useState(member.sustained === null ? '' : String(member.sustained));
  const [doesReplace, setReplace] = useState(false);
  const { rows, empty } = useMemo(
    () => readSets(table, { readings, system: project.display, compressionNegative, kind }),
    [table, readings, project.display, compressionNegative, kind],
  );
  const good = rows.filter((r) => r.set);
  const bad = rows.filter((r) => r.reason);
  const part = sustained.trim() === '' ? null : Number(sustained);
  const partIsWrong = part !== null && !(part >= 0 && part <= 1);
  const setCell = (row: number, column: number, value: string) =>
    setTable((t) => ({ ...t, rows: t.rows.map((r, i) => (i === row ? r.map((cell, k) => (k === column ? value : cell)) : r)) }));
  const setReading = (i: number, change: Partial<ColumnReading>) =>
    setReadings((list) => list.map((r, k) => (k === i ? { ...r, ...change } : r)));
  const take = () => {
    remember(`${HABIT}.${keyOf(table)}`, readings);
    edit(
      `paste ${good.length} load sets`,
      onUpright(member.id, (m) => {
        const sets = good.map((r) => r.set!);
        m.sets = doesReplace ? sets : [...m.sets, ...sets];
        if (part !== null) m.sustained = part;
      }),
    );
    onClose();
  };
  return (
    <>
      <p className="py-1" role="status">
        <b className="font-semibold">{good.length}</b> rows understood
        {bad.length > 0 && (
          <>
            , <b className="font-semibold text-madder-text">{bad.length} refused</b>: mend them below, or leave them out
          </>
        )}
        {empty > 0 && `; ${empty} empty cells read as 0`}.
      </p>
      <div className="small flex flex-wrap items-center gap-x-5 gap-y-1 border-y border-line py-1.5">
        <label className="flex items-center gap-1.5">
          <input type="checkbox" checked={compressionNegative} onChange={(e) => setNegative(e.target.checked)} /> compression is written
          with a minus
        </label>
        <label className="flex items-center gap-1.5">
          these are
          <Select<LoadSetKind>
            label="Kind of the sets"
            className="field !w-auto"
            value={kind}
            onPick={setKind}
            options={[
              ['ultimate', 'ultimate, ready-factored'],
              ['characteristic', 'characteristic'],
              ['frequent', 'frequent'],
              ['quasiPermanent', 'quasi-permanent'],
              ['service', 'service'],
            ]}
          />
        </label>
        <label className="flex items-center gap-1.5">
          sustained part, where no column says it
          <input
            className="field !w-14"
            aria-label="Sustained part"
            aria-invalid={partIsWrong}
            value={sustained}
            onChange={(e) => setSustained(e.target.value)}
            placeholder="0 to 1"
          />
        </label>
        <label className="flex items-center gap-1.5">
          <input type="checkbox" checked={doesReplace} onChange={(e) => setReplace(e.target.checked)} /> in place of the{' '}
          {member.sets.length} there are
        </label>
      </div>
      {partIsWrong && <p className="text-madder-text">The sustained part lies between 0 and 1.</p>}
      <div className="mt-2 min-h-0 flex-1 overflow-auto">
        <table className="grid-table" aria-label="What was understood">
          <thead className="sticky top-0 bg-holly">
            <tr>
              <th>Row</th>
              <th className="w-60">Read as</th>
              {readings.map((r, i) => (
                <th key={i}>
                  <div className="small max-w-24 truncate" title={table.headings[i]}>
                    {table.headings[i] || `column ${i + 1}`}
                  </div>
                  <Select<Role>
                    label={`Column ${i + 1} is`}
                    className="field !block !h-5 !w-24"
                    value={r.role}
                    options={roles.map((role) => [role, roleNames[role]] as const)}
                    onPick={(role) => setReading(i, { role, unit: defaultUnit(role, project.display) })}
                  />
                  {unitsFor(r.role).length > 0 && (
                    <Select
                      label={`Unit of column ${i + 1}`}
                      className="field !block !h-5 !w-24"
                      value={r.unit}
                      options={unitsFor(r.role).map((u) => [u, u] as const)}
                      onPick={(unit) => setReading(i, { unit })}
                    />
                  )}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {[...bad, ...good.slice(0, 60)].map((r) => (
              <tr key={r.row} className={r.reason ? 'bg-madder-wash/40' : ''}>
                <td className="text-walnut">{r.row + 1}</td>
                <td className={r.reason ? 'text-madder-text' : 'text-walnut'}>
                  {r.reason ?? `${r.set!.name}: N ${formatValue(r.set!.N, 'force', project.display, 0)}`}
                </td>
                {r.cells.map((cell, i) => (
                  <td key={i}>
                    {r.reason ? (
                      <input
                        className="field !h-5 !w-24"
                        aria-label={`Row ${r.row + 1}, ${roleNames[readings[i]?.role ?? 'skip']}`}
                        aria-invalid={r.column === i}
                        value={cell}
                        onChange={(e) => setCell(r.row, i, e.target.value)}
                      />
                    ) : (
                      <span className={readings[i]?.role === 'skip' ? 'text-ash line-through' : ''}>{cell}</span>
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        {good.length > 60 && <p className="small py-1">and {good.length - 60} more rows that were understood.</p>}
      </div>
      <div className="mt-3 flex items-center gap-3">
        <button type="button" className="btn" disabled={good.length === 0 || partIsWrong} onClick={take}>
          Keep {good.length} load sets
        </button>
        <Dialog.Close className="link">Leave</Dialog.Close>
        {bad.length > 0 && <span className="small">{bad.length} refused rows stay out.</span>}
      </div>
    </>
  );
}
