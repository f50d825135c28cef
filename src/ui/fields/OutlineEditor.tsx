'use client';
import { useState } from 'react';
import type { Loop, Point } from '@/core/geometry/polygon';
import { parseQuantity } from '@/core/units/parse';
import { formatForEditing, unitLabel } from '@/core/units/format';
import type { UnitSystem } from '@/core/units/quantity';
import { parseTable } from '@/exchange/paste-table';
import type { DrawnPlan } from '@/exchange/dxf/plan-of-dxf';
import { OutlineFromDxf, type NewEdge } from './OutlineFromDxf';
import { OutlineDrawer } from '@/ui/drawing/OutlineDrawer';

interface OutlineEditorProps {
  readonly outer: Loop;
  readonly holes: readonly Loop[];
  /** Whether an empty line may begin a hole. */
  readonly mayHaveHoles: boolean;
  readonly units: UnitSystem;
  readonly onKeep: (outer: Point[], holes: readonly Loop[]) => void;
  /** Takes over a plan with its columns out of a drawing; where it is left out, only outline and openings are. */
  readonly onPlan?: (plan: DrawnPlan, edge: NewEdge) => void;
}

/** The corners of a free outline: drawn on a grid, or as text, a corner a line, typed or pasted from a spreadsheet. */
export function OutlineEditor({ outer, holes, mayHaveHoles, units, onKeep, onPlan }: OutlineEditorProps) {
  const shown = [outer, ...holes]
    .map((l) => l.map((p) => p.map((v) => formatForEditing(v, 'length', units)).join('\t')).join('\n'))
    .join('\n\n');
  const [text, setText] = useState<string | null>(null);
  const [reason, setReason] = useState<string | null>(null);
  const keep = () => {
    if (text === null) return;
    const read = readLoops(text, units);
    if (typeof read === 'string') return setReason(read);
    if (read.length > 1 && !mayHaveHoles) return setReason('This outline has no holes: corners without an empty line between them.');
    setReason(null);
    setText(null);
    onKeep(read[0]!, read.slice(1));
  };
  return (
    <div className="py-1">
      {outer.length > 2 && (
        <OutlineDrawer key={outer.length} outer={outer} holes={holes} units={units} onKeep={(next) => onKeep(next, holes)} />
      )}
      <label className="block">
        <span className="small">
          Corners x, y in {unitLabel('length', units)}, one a line{mayHaveHoles ? '; an empty line begins a hole' : ''}
        </span>
        <textarea
          className="h-32 w-full border border-groove bg-sycamore p-1.5"
          aria-label="Corners of the outline"
          value={text ?? shown}
          onChange={(e) => setText(e.target.value)}
          onBlur={keep}
        />
      </label>
      {reason && <p className="text-madder-text">{reason}</p>}
      <OutlineFromDxf
        units={units}
        mayHaveHoles={mayHaveHoles}
        takesColumns={onPlan !== undefined}
        onTake={onPlan ?? ((plan) => onKeep([...plan.outer], plan.holes))}
      />
    </div>
  );
}

/** Loops of corners from text; a text says what is wrong with it. */
function readLoops(text: string, units: UnitSystem): Point[][] | string {
  const blocks = text.trim().split(/\n\s*\n/);
  const loops: Point[][] = [];
  let line = 0;
  for (const block of blocks) {
    const loop: Point[] = [];
    for (const cells of parseTable(block.replace(/ +/g, '\t'))) {
      line += 1;
      const [x, y] = [parseQuantity(cells[0] ?? '', 'length', units), parseQuantity(cells[1] ?? '', 'length', units)];
      if (!x.ok || !y.ok) return `Corner ${line}: ${!x.ok ? x.reason : !y.ok ? y.reason : ''}`;
      loop.push([x.value, y.value]);
    }
    if (loop.length > 0) loops.push(loop);
  }
  return loops.length > 0 ? loops : 'There are no corners.';
}
