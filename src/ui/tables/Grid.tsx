'use client';
import { Fragment, useState } from 'react';
import type { Fault } from '@/core/checks/fault';

/** A column of a grid: its heading, what stands in a cell, and the same as text for copying. */
export interface Column<R> {
  readonly title: string;
  readonly heading?: React.ReactNode;
  readonly width?: string;
  readonly cell: (row: R, i: number) => React.ReactNode;
  readonly text?: (row: R, i: number) => string;
}

interface GridProps<R> {
  readonly label: string;
  readonly columns: readonly Column<R>[];
  readonly rows: readonly R[];
  readonly rowKey?: (row: R, i: number) => React.Key;
  readonly rowClass?: (row: R) => string;
  /** Faults of a row stand below it. */
  readonly faultsOf?: (i: number) => readonly Fault[];
  /** What taking a row away is called, and does. Without it rows stay. */
  readonly remove?: { readonly title: string; readonly label?: (row: R) => string; readonly run: (i: number) => void };
  readonly add?: { readonly title: string; readonly isDisabled?: boolean; readonly run: () => void };
  readonly className?: string;
}

/** About the height of a row (px); more rows than these are drawn only where they are seen. */
const ROW = 27;
const MANY = 80;
const SEEN = 40;

/**
 * A table of rows that are typed. Many rows are windowed; wide ones scroll sideways; headings are dragged wider at their right edge; with nothing
 * marked, copying takes the whole table, to be pasted into a spreadsheet.
 */
export function Grid<R>({ label, columns, rows, rowKey, rowClass, faultsOf, remove, add, className = '' }: GridProps<R>) {
  const [top, setTop] = useState(0);
  const isWindowed = rows.length > MANY;
  const first = isWindowed ? Math.max(0, Math.min(rows.length - SEEN, Math.floor(top / ROW) - 4)) : 0;
  const last = isWindowed ? Math.min(rows.length, first + SEEN) : rows.length;
  const width = columns.length + (remove ? 1 : 0);
  const space = (count: number) => count > 0 && <tr aria-hidden style={{ height: count * ROW }} />;
  return (
    <>
      <div
        className={`overflow-x-auto ${isWindowed ? 'max-h-[34rem] min-h-0 overflow-y-auto' : ''}`}
        onScroll={(e) => isWindowed && setTop(e.currentTarget.scrollTop)}
      >
        <table
          className={`grid-table ${className}`}
          aria-label={label}
          aria-rowcount={rows.length + 1}
          onCopy={(e) => copyAll(e, columns, rows)}
        >
          <thead className={isWindowed ? 'sticky top-0 z-[1] bg-holly' : ''}>
            <tr>
              {columns.map(({ title, heading, width: w }, k) => (
                <th key={`${title} ${k}`} style={w ? { width: w, minWidth: w } : undefined}>
                  <div>{heading ?? title}</div>
                </th>
              ))}
              {remove && <th />}
            </tr>
          </thead>
          <tbody>
            {space(first)}
            {rows.slice(first, last).map((row, k) => {
              const i = first + k;
              return (
                <Fragment key={rowKey?.(row, i) ?? i}>
                  <tr className={rowClass?.(row)}>
                    {columns.map(({ title, cell }, c) => (
                      <td key={`${title} ${c}`}>{cell(row, i)}</td>
                    ))}
                    {remove && (
                      <td>
                        <button type="button" className="link" aria-label={remove.label?.(row)} onClick={() => remove.run(i)}>
                          {remove.title}
                        </button>
                      </td>
                    )}
                  </tr>
                  {faultsOf?.(i).map((f) => (
                    <tr key={f.path}>
                      <td colSpan={width} className="text-madder-text">
                        {f.reason}
                      </td>
                    </tr>
                  ))}
                </Fragment>
              );
            })}
            {space(rows.length - last)}
          </tbody>
        </table>
      </div>
      {add && (
        <button type="button" className="btn my-2 self-start" disabled={add.isDisabled} onClick={add.run}>
          {add.title}
        </button>
      )}
    </>
  );
}

/** Puts the whole table on the clipboard where no text is marked. */
function copyAll<R>(e: React.ClipboardEvent, columns: readonly Column<R>[], rows: readonly R[]): void {
  const { target } = e;
  const isMarked = target instanceof HTMLInputElement ? target.selectionStart !== target.selectionEnd : !getSelection()?.isCollapsed;
  if (isMarked) return;
  const shown = columns.filter((c) => c.text);
  const lines = [shown.map((c) => c.title), ...rows.map((row, i) => shown.map((c) => c.text!(row, i)))];
  e.clipboardData.setData('text/plain', lines.map((cells) => cells.join('\t')).join('\n'));
  e.preventDefault();
}
