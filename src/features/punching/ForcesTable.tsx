'use client';
import { useChange } from '@/ui/fields/use-change';
import { useState } from 'react';
import type { PunchingForces } from '@/core/members/punching/input';
import type { Project } from '@/core/project/project';
import type { PunchingMember } from '@/core/members/punching/input';
import { parseQuantity } from '@/core/units/parse';
import { parseTable } from '@/exchange/paste-table';
import { columnsFor } from '@/ui/tables/columns';
import { Grid } from '@/ui/tables/Grid';

const columns = [
  ['V', 'force', 'Shear V'],
  ['Mx', 'moment', 'M about x'],
  ['My', 'moment', 'M about y'],
] as const;

type ReadSets = { readonly sets: readonly PunchingForces[]; readonly refused: readonly string[] };

/** Rows of a pasted table: a name, the shear, and moments where there are any. A row that is not understood is named with its reason. */
function readSets(text: string, units: Project['display']): ReadSets {
  const sets: PunchingForces[] = [];
  const refused: string[] = [];
  parseTable(text).forEach((cells, i) => {
    const named = cells.length > 1 && !parseQuantity(cells[0] ?? '', 'force', units).ok;
    const [v, mx, my] = named ? cells.slice(1) : cells;
    const read = (cell: string | undefined, kind: 'force' | 'moment') =>
      cell?.trim() ? parseQuantity(cell, kind, units) : { ok: true as const, value: 0 };
    const all = [read(v, 'force'), read(mx, 'moment'), read(my, 'moment')];
    const bad = all.find((r) => !r.ok);
    if (bad && !bad.ok) {
      // A heading is no fault.
      if (i > 0 || /\d/.test(cells.slice(1).join(''))) refused.push(`Row ${i + 1}: ${bad.reason}`);
      return;
    }
    const [V, Mx, My] = all.map((r) => (r.ok ? r.value : 0));
    sets.push({ name: named ? cells[0]!.trim() : `U${sets.length + 1}`, V: V!, Mx: Mx!, My: My! });
  });
  return { sets, refused };
}

/** The forces that the slab brings to the column, set by set; typed, or pasted from a spreadsheet. */
export function ForcesTable({ project, member }: { project: Project; member: PunchingMember }) {
  const [refused, setRefused] = useState<readonly string[]>([]);
  const change = useChange(member);
  const of = columnsFor<PunchingForces>(
    project.display,
    (set) => set.name,
    (i, patch) => change(`${Object.keys(patch)[0]} of ${member.sets[i]!.name}`, (m) => void Object.assign(m.sets[i]!, patch)),
  );
  const onPaste = (e: React.ClipboardEvent) => {
    const text = e.clipboardData.getData('text');
    if (!/[\t\n;]/.test(text)) return;
    e.preventDefault();
    const read = readSets(text, project.display);
    setRefused(read.refused);
    if (read.sets.length > 0) change(`${read.sets.length} pasted sets`, (m) => void (m.sets = [...read.sets]));
  };
  return (
    <section aria-label="Forces" className="overflow-y-auto px-3.5 py-1.5" onPaste={onPaste}>
      <div className="flex items-baseline gap-3">
        <h2 className="whitespace-nowrap">Forces from the slab</h2>
        <span
          className="small truncate"
          title="Ultimate forces. A positive moment about y moves the shear to the right on the plan, one about x upwards."
        >
          +M about y moves the shear right, +M about x up; paste a table
        </span>
      </div>
      <Grid
        label="Sets of forces"
        rows={member.sets}
        columns={[of.text('Name', 'name', { width: '6rem' }), ...columns.map(([key, kind, name]) => of.bare(name, kind, key))]}
        {...(member.sets.length > 1
          ? {
              remove: {
                title: 'away',
                label: (set: PunchingForces) => `Take away ${set.name}`,
                run: (i: number) => change(`take away ${member.sets[i]!.name}`, (m) => void m.sets.splice(i, 1)),
              },
            }
          : {})}
        add={{
          title: 'Add a set',
          run: () =>
            change('add a set', (m) => void m.sets.push({ ...(m.sets.at(-1) ?? { V: 0, Mx: 0, My: 0 }), name: `U${m.sets.length + 1}` })),
        }}
      />
      {refused.map((r) => (
        <p key={r} className="text-madder-text">
          {r}
        </p>
      ))}
    </section>
  );
}
