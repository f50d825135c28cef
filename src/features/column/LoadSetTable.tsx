'use client';
import { useMemo, useRef, useState } from 'react';
import { largestOf } from '@/core/checks/largest';
import { setTable } from '@/core/members/column/set-table';
import type { ColumnResult } from '@/core/members/column/result';
import type { Project } from '@/core/project/project';
import { isSectionAlone, type UprightMember } from '@/core/members/wall/upright';
import { formatUtilisation, formatValue, unitLabel } from '@/core/units/format';
import { Glyph, standingOf, standingText } from '@/ui/drawing/Glyph';
import { Inlay } from '@/ui/drawing/Inlay';
import { isOver, statusOf } from '@/core/checks/check';
import { refusalStatus } from '@/core/members/column/checks';
import { PasteSets } from './PasteSets';
import { TableFiles } from '@/ui/tables/TableFiles';
import { usePaste } from '@/ui/tables/MappedPaste';

const ROW = 25;

const endMoments = [
  ['mxTop', 'moment'],
  ['mxBottom', 'moment'],
  ['myTop', 'moment'],
  ['myBottom', 'moment'],
] as const;
const sectionForces = [
  ['mxTop', 'moment'],
  ['myTop', 'moment'],
  ['vx', 'force'],
  ['vy', 'force'],
] as const;

/** The load sets, worst first, with what each comes to. Only the rows in sight are drawn, so thousands are no burden. */
export function LoadSetTable({
  project,
  member,
  result,
  index,
  isNarrow,
  onChoose,
}: {
  project: Project;
  member: UprightMember;
  result: ColumnResult;
  index: number;
  /** Without the bars of utilisation, so that every figure stays in sight. */
  isNarrow: boolean;
  onChoose: (name: string) => void;
}) {
  const [order, setOrder] = useState<'worst' | 'typed'>('worst');
  const [top, setTop] = useState(0);
  const paste = usePaste();
  const body = useRef<HTMLDivElement>(null);
  const rows = useMemo(
    () => (order === 'typed' ? [...result.summaries] : [...result.summaries].sort((a, b) => (b.utilisation ?? 99) - (a.utilisation ?? 99))),
    [result.summaries, order],
  );
  const isSection = isSectionAlone(member);
  const typed = isSection ? sectionForces : endMoments;
  const over = result.summaries.filter((s) => isOver(s.utilisation ?? 99)).length;
  const governs = rows.length > 1 ? largestOf(result.summaries, (s) => s.utilisation ?? 99)?.index : undefined;
  const show = (v: number | null, kind: 'force' | 'moment') =>
    v !== null && Number.isFinite(v) ? formatValue(v, kind, project.display, 0) : '–';
  const first = Math.max(0, Math.floor(top / ROW) - 4);
  const shown = rows.slice(first, first + 40);
  const move = (e: React.KeyboardEvent) => {
    const by = e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0;
    if (by === 0) return;
    e.preventDefault();
    const at = Math.max(0, Math.min(rows.length - 1, rows.findIndex((r) => r.index === index) + by));
    if (rows[at]) onChoose(result.sets[rows[at].index]!.name);
    if (body.current) body.current.scrollTop = Math.max(0, at * ROW - 60);
  };
  const columns = isNarrow
    ? 'grid grid-cols-[minmax(2.2rem,1fr)_2.1rem_1.9rem_1.9rem_1.9rem_1.9rem_2rem_2rem_2rem] gap-x-1'
    : 'grid grid-cols-[minmax(3.2rem,1fr)_2.5rem_2.2rem_2.2rem_2.2rem_2.2rem_2.3rem_2.3rem_2.5rem_2rem] gap-x-1';
  return (
    <section className="ml-3 flex min-w-0 flex-1 flex-col overflow-x-auto" aria-label="Load sets" onPaste={paste.onPaste}>
      <div className="flex items-baseline gap-2 pb-0.5 pt-1">
        <h2 className="whitespace-nowrap">Load sets</h2>
        <span className="small truncate">
          {result.summaries.length}
          {over > 0 ? ` · ${over} outside` : ' · all inside'} · {unitLabel('force', project.display)},{' '}
          {unitLabel('moment', project.display)}
        </span>
        <button
          type="button"
          className="link small ml-auto whitespace-nowrap"
          onClick={() => setOrder(order === 'worst' ? 'typed' : 'worst')}
        >
          {order === 'worst' ? 'worst first' : 'as typed'}
        </button>
        <span className="small">
          <TableFiles name={`${member.mark} load sets`} units={project.display} tables={() => [setTable({ isSection }, result)]} />
        </span>
        {member.mode === 'sets' && (
          <button type="button" className="link small whitespace-nowrap" onClick={() => paste.open('')}>
            Ctrl V paste rows
          </button>
        )}
      </div>
      <div className={`${columns} small min-w-[20.5rem] border-b border-ebony pr-1 text-right`}>
        <span className="text-left">Set</span>
        <span>N</span>
        <span className="col-span-2 text-center">{isSection ? 'Mx, My' : 'Mx top, foot'}</span>
        <span className="col-span-2 text-center">{isSection ? 'Vx, Vy' : 'My top, foot'}</span>
        <span className="col-span-2 text-center">{isSection ? 'carried Mx, My' : 'worst Mx, My'}</span>
        {!isNarrow && <span />}
        <span>util.</span>
      </div>
      <div
        ref={body}
        role="listbox"
        aria-label="Load sets"
        tabIndex={0}
        className="min-h-0 min-w-[20.5rem] flex-1 overflow-y-auto"
        onScroll={(e) => setTop(e.currentTarget.scrollTop)}
        onKeyDown={move}
      >
        <div style={{ height: rows.length * ROW, position: 'relative' }}>
          {shown.map((s, i) => {
            const set = result.sets[s.index]!;
            const standing = standingOf(s.refusal ? refusalStatus(s.refusal) : statusOf(s.utilisation));
            const isChosen = s.index === index;
            return (
              <div
                key={s.index}
                role="option"
                aria-selected={isChosen}
                tabIndex={-1}
                title={
                  s.refusal ??
                  [set.name, set.title, isSection ? '' : `worst at ${s.place === 'mid' ? 'mid-height' : s.place}`]
                    .filter(Boolean)
                    .join(' · ')
                }
                onClick={() => onChoose(set.name)}
                className={`${columns} absolute inset-x-0 cursor-pointer items-center border-b border-line pr-1 text-right ${isChosen ? 'bg-sycamore outline outline-1 -outline-offset-1 outline-ebony' : 'hover:bg-sycamore/60'}`}
                style={{ top: (first + i) * ROW, height: ROW }}
              >
                <span className="flex min-w-0 items-center gap-1 text-left">
                  <Glyph standing={standing} />
                  <b className="shrink-0 max-w-[4.5rem] truncate font-semibold">{set.name}</b>
                  {s.index === governs && <span className="small">governs</span>}
                  {!isNarrow && <span className="small truncate">{set.title}</span>}
                </span>
                <span>{show(s.N, 'force')}</span>
                {typed.map(([key, kind]) => (
                  <span key={key}>{show(set[key], kind)}</span>
                ))}
                <span className="text-cherry-text">{show(s.Mx, 'moment')}</span>
                <span className="text-cherry-text">{show(s.My, 'moment')}</span>
                {!isNarrow && <Inlay utilisation={s.utilisation} standing={standing} width={36} framed />}
                <span className={standingText[standing]}>{formatUtilisation(s.utilisation)}</span>
              </div>
            );
          })}
        </div>
      </div>
      {paste.text !== null && <PasteSets project={project} member={member} text={paste.text} onClose={paste.close} />}
    </section>
  );
}
