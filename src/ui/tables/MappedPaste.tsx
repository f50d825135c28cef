'use client';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import type { Project } from '@/core/project/project';
import { counted } from '@/core/units/format';
import type { Axis } from '@/exchange/force-headings';
import {
  axesAsked,
  defaultUnit,
  guessReadings,
  leftOut,
  readTable,
  SKIP,
  unitsFor,
  type ColumnReading,
  type PastedTable,
  type ReadRow,
  type Vocabulary,
} from '@/exchange/mapped-table';
import type { Refusal } from '@/store/project-store';
import { recall, remember } from '@/store/remembered';
import { Select } from '@/ui/fields/Select';

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

/** The heading of a table that may be pasted. */
export const PasteHead = ({ title, note, onPaste }: { title: string; note: string; onPaste: () => void }) => (
  <div className="flex items-baseline gap-3 border-t border-line pt-1">
    <h2 className="whitespace-nowrap">{title}</h2>
    <span className="small">{note}</span>
    <button type="button" className="link ml-auto whitespace-nowrap" onClick={onPaste}>
      Ctrl V paste rows
    </button>
  </div>
);

/** What the reading of a pasted table is given. */
export interface PasteProps<M> {
  readonly project: Project;
  readonly member: M;
  readonly text: string;
  readonly onClose: () => void;
}

/** The dialog of a pasted table, with its reading; the table is asked for where it is not there yet. */
export function PasteDialog<M>({
  title,
  hint,
  Reading,
  ...props
}: PasteProps<M> & { title: string; hint: string; Reading: React.ComponentType<PasteProps<M>> }) {
  const [text, setText] = useState(props.text);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && props.onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ebony/10" />
        <Dialog.Content
          className="framed fixed inset-x-16 top-12 z-50 mx-auto flex max-h-[88vh] max-w-[70rem] flex-col p-4"
          aria-describedby={undefined}
        >
          <Dialog.Title className="font-serif text-[1.3rem]">{title}</Dialog.Title>
          {text.trim() === '' ? (
            <textarea
              className="mt-2 h-64 w-full border border-groove bg-sycamore p-2"
              aria-label="Table from a spreadsheet"
              placeholder={`Paste the table here with Ctrl V: ${hint}, with or without headings.`}
              onChange={(e) => setText(e.target.value)}
            />
          ) : (
            <Reading {...props} text={text} />
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const keyOf = (habit: string, table: PastedTable) => `${habit}.${table.headings.length}:${table.headings.join('|')}`;

/** The table and how its columns are read; a reading that was kept is remembered for tables with the same headings. */
export function useMappedTable<R extends string>(text: string, vocabulary: Vocabulary<R>, project: Project, habit: string) {
  const [table, setTable] = useState(() => readTable(text));
  const [{ readings, along }, setKept] = useState<KeptReading<R>>(
    () =>
      recall<KeptReading<R>>(keyOf(habit, table)) ?? {
        readings: guessReadings(vocabulary, table, project.display),
        along: axesAsked(table).along,
      },
  );
  return {
    table,
    readings,
    /** The axis along the member, of a table whose headings name axes; null until it is said. */
    along,
    setAlong: (axis: Axis) => setKept({ readings: guessReadings(vocabulary, table, project.display, axis), along: axis }),
    setCell: (row: number, column: number, value: string) =>
      setTable((t) => ({ ...t, rows: t.rows.map((r, i) => (i === row ? r.map((cell, k) => (k === column ? value : cell)) : r)) })),
    setReading: (i: number, change: Partial<ColumnReading<R>>) =>
      setKept((now) => ({ ...now, readings: now.readings.map((r, k) => (k === i ? { ...r, ...change } : r)) })),
    keepHabit: () => remember(keyOf(habit, table), { readings, along }),
  };
}

interface KeptReading<R extends string> {
  readonly readings: readonly ColumnReading<R>[];
  readonly along: Axis | null;
}

/** Asks which axis runs along the member, where the headings of a table name axes. */
export function AlongQuestion({ mapped: { table, along, setAlong } }: { mapped: Pick<Mapped<string>, 'table' | 'along' | 'setAlong'> }) {
  const { isAsked } = axesAsked(table);
  if (!isAsked) return null;
  const axes: readonly Axis[] = along !== null && /\d/.test(along) ? ['1', '2', '3'] : ['x', 'y', 'z'];
  return (
    <MustSay
      lead={along === null ? 'Which axis of the table runs along the member?' : 'axis along the member'}
      label="Axis along the member"
      value={along ?? undefined}
      options={axes.map((a) => [a, a] as const)}
      onPick={setAlong}
    />
  );
}

/** A question of a pasted table that has no answer until one is picked. */
export function MustSay<T extends string>({
  lead,
  label,
  value,
  options,
  onPick,
}: {
  lead: string;
  label: string;
  value: T | undefined;
  options: readonly (readonly [T, string])[];
  onPick: (value: T) => void;
}) {
  const isOpen = value === undefined;
  return (
    <label className={`flex items-center gap-1.5 ${isOpen ? 'text-madder-text' : ''}`}>
      {lead}
      <Select<T | ''>
        label={label}
        className="field !w-auto"
        value={value ?? ''}
        options={isOpen ? [['', 'say which'], ...options] : options}
        onPick={(v) => v !== '' && onPick(v)}
      />
    </label>
  );
}

const SHOWN = 60;

interface ReadRows<T> {
  readonly rows: readonly ReadRow<T>[];
  /** Empty cells that were read as zero. */
  readonly empty: number;
}

/** How a table was understood, what is asked of it, its rows, and whether they are kept. */
export function PasteReading<R extends string, T>({
  reading: { rows, empty },
  noun,
  questions,
  children,
  isWrong = false,
  onTake,
  onClose,
  ...table
}: Omit<MappedProps<R, T>, 'rows'> & {
  reading: ReadRows<T>;
  /** What a row is, for one of it. */
  noun: string;
  questions: React.ReactNode;
  /** What is to be said of the whole. */
  children?: React.ReactNode;
  isWrong?: boolean;
  onTake: (values: T[], label: string, rows: readonly ReadRow<T>[]) => Refusal;
  onClose: () => void;
}) {
  const [refusal, setRefusal] = useState<Refusal>(null);
  const good = rows.flatMap((r) => (r.value === undefined ? [] : [r.value]));
  const joined = rows.filter((r) => r.joined !== undefined).length;
  const bad = rows.length - good.length - joined;
  const out = leftOut(table.mapped.table, table.mapped.readings);
  const take = () => {
    table.mapped.keepHabit();
    const refused = onTake(good, `paste ${counted(good.length, noun)}`, rows);
    setRefusal(refused);
    if (refused === null) onClose();
  };
  return (
    <>
      <p className="py-1" role="status">
        <b className="font-semibold">{counted(good.length + joined, 'row')}</b> understood
        {joined > 0 && ` as ${counted(good.length, noun)}`}
        {bad > 0 && (
          <>
            , <b className="font-semibold text-madder-text">{bad} refused</b>: mend them below, or leave them out
          </>
        )}
        {empty > 0 && `; ${counted(empty, 'empty cell')} read as 0`}.
      </p>
      {table.mapped.table.rows.length === 0 && (
        <p role="alert" className="py-1 text-madder-text">
          No row with figures was found: cells are parted by tabs, semicolons or commas, and decimals by points or, beside tabs and
          semicolons, by commas.
        </p>
      )}
      <div className="small flex flex-wrap items-center gap-x-5 gap-y-1 border-y border-line py-1.5">{questions}</div>
      {out.length > 0 && (
        <p role="alert" className="py-1 text-madder-text">
          Left out, though {out.length === 1 ? 'it holds' : 'they hold'} values: {out.join(', ')}.
        </p>
      )}
      {children}
      <MappedRows {...table} rows={rows} />
      <div className="mt-3 flex items-center gap-3">
        <button type="button" className="btn" disabled={good.length === 0 || isWrong} onClick={take}>
          Keep {counted(good.length, noun)}
        </button>
        <Dialog.Close className="link">Cancel</Dialog.Close>
        {refusal && (
          <span role="alert" className="text-madder-text">
            The table {refusal}.
          </span>
        )}
        {bad > 0 && (
          <span className="small">
            {counted(bad, 'refused row')} {bad === 1 ? 'stays' : 'stay'} out.
          </span>
        )}
      </div>
    </>
  );
}

type Mapped<R extends string> = ReturnType<typeof useMappedTable<R>>;

interface MappedProps<R extends string, T> {
  readonly project: Project;
  readonly vocabulary: Vocabulary<R>;
  readonly mapped: Mapped<R>;
  readonly rows: readonly ReadRow<T>[];
  readonly describe: (value: T, member?: string) => string;
}

/** The columns with what they are, refused rows to be mended, and how the others were read. */
function MappedRows<R extends string, T>({
  project,
  vocabulary,
  mapped: { table, readings, setCell, setReading },
  rows,
  describe,
}: MappedProps<R, T>) {
  const good = rows.filter((r) => r.reason === undefined);
  const bad = rows.filter((r) => r.reason !== undefined);
  return (
    <div className="mt-2 min-h-0 flex-1 overflow-auto">
      <table className="grid-table" aria-label="What was understood">
        <thead className="sticky top-0 bg-holly">
          <tr>
            <th>Row</th>
            <th>
              <div className="min-w-56">Read as</div>
            </th>
            {readings.map((r, i) => (
              <th key={i}>
                <div className="small max-w-24 truncate" title={table.headings[i]}>
                  {table.headings[i] || `column ${i + 1}`}
                </div>
                <Select<R>
                  label={`Column ${i + 1} is`}
                  className="field !block !h-5 !w-24"
                  value={r.role}
                  options={vocabulary.names}
                  onPick={(role) => setReading(i, { role, unit: defaultUnit(vocabulary, role, project.display) })}
                />
                {unitsFor(vocabulary, r.role).length > 0 && (
                  <Select
                    label={`Unit of column ${i + 1}`}
                    className="field !block !h-5 !w-24"
                    value={r.unit}
                    options={unitsFor(vocabulary, r.role).map((u) => [u, u] as const)}
                    onPick={(unit) => setReading(i, { unit })}
                  />
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...bad, ...good.slice(0, SHOWN)].map((r) => (
            <tr key={r.row} className={r.reason ? 'bg-madder-wash/40' : ''}>
              <td className="text-walnut">{r.row + 1}</td>
              <td className={r.reason ? 'text-madder-text' : 'text-walnut'}>
                {r.reason ?? (r.value === undefined ? `with row ${r.joined! + 1}` : describe(r.value, r.member))}
              </td>
              {r.cells.map((cell, i) => (
                <td key={i}>
                  {r.reason ? (
                    <input
                      className="field !h-5 !w-24"
                      aria-label={`Row ${r.row + 1}, ${readings[i] ? vocabulary.names[readings[i].role] : 'left out'}`}
                      aria-invalid={r.column === i}
                      value={cell}
                      onChange={(e) => setCell(r.row, i, e.target.value)}
                    />
                  ) : (
                    <span className={readings[i]?.role === SKIP ? 'text-ash line-through' : ''}>{cell}</span>
                  )}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {good.length > SHOWN && <p className="small py-1">and {good.length - SHOWN} more rows that were understood.</p>}
    </div>
  );
}
