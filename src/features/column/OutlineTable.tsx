'use client';
import { castDraft } from 'immer';
import { useState } from 'react';
import type { Point } from '@/core/geometry/polygon';
import type { ColumnMember, Project } from '@/core/project/project';
import { parseQuantity } from '@/core/units/parse';
import { formatForEditing, unitLabel } from '@/core/units/format';
import { parseTable } from '@/exchange/paste-table';
import { onColumn } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { OutlineDrawer } from './OutlineDrawer';

/** The corners of a free outline: drawn on a grid, or as text, a corner a line, typed or pasted from a spreadsheet. An empty line begins a hole. */
export function OutlineTable({ project, member }: { project: Project; member: ColumnMember }) {
  const { edit } = useProject();
  const { shape } = member;
  const loops = shape.kind === 'free' ? [shape.outer, ...shape.holes] : [];
  const shown = loops
    .map((l) => l.map((p) => p.map((v) => formatForEditing(v, 'length', project.display)).join('\t')).join('\n'))
    .join('\n\n');
  const [text, setText] = useState<string | null>(null);
  const [reason, setReason] = useState<string | null>(null);
  const keep = () => {
    if (text === null) return;
    const read = readLoops(text, project);
    if (typeof read === 'string') return setReason(read);
    setReason(null);
    setText(null);
    edit(
      `outline of ${member.mark}`,
      onColumn(member.id, (m) => {
        m.shape = castDraft({ kind: 'free' as const, outer: read[0]!, holes: read.slice(1) });
      }),
    );
  };
  return (
    <div className="py-1">
      {shape.kind === 'free' && shape.outer.length > 2 && (
        <OutlineDrawer
          key={shape.outer.length}
          outer={shape.outer}
          holes={shape.holes}
          units={project.display}
          onKeep={(outer) =>
            edit(
              `outline of ${member.mark}`,
              onColumn(member.id, (m) => {
                m.shape = castDraft({ kind: 'free' as const, outer, holes: shape.holes });
              }),
            )
          }
        />
      )}
      <label className="block">
        <span className="small">Corners x, y in {unitLabel('length', project.display)}, one a line; an empty line begins a hole</span>
        <textarea
          className="h-32 w-full border border-groove bg-sycamore p-1.5"
          aria-label="Corners of the outline"
          value={text ?? shown}
          onChange={(e) => setText(e.target.value)}
          onBlur={keep}
        />
      </label>
      {reason && <p className="text-madder-text">{reason}</p>}
    </div>
  );
}

/** Loops of corners from text; a text says what is wrong with it. */
function readLoops(text: string, project: Project): Point[][] | string {
  const blocks = text.trim().split(/\n\s*\n/);
  const loops: Point[][] = [];
  let line = 0;
  for (const block of blocks) {
    const loop: Point[] = [];
    for (const cells of parseTable(block.replace(/ +/g, '\t'))) {
      line += 1;
      const [x, y] = [parseQuantity(cells[0] ?? '', 'length', project.display), parseQuantity(cells[1] ?? '', 'length', project.display)];
      if (!x.ok || !y.ok) return `Corner ${line}: ${!x.ok ? x.reason : !y.ok ? y.reason : ''}`;
      loop.push([x.value, y.value]);
    }
    if (loop.length > 0) loops.push(loop);
  }
  return loops.length > 0 ? loops : 'There are no corners.';
}
