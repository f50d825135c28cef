'use client';
import { useChange } from '@/ui/fields/use-change';
import type { PunchingForces } from '@/core/members/punching/input';
import type { Project } from '@/core/project/project';
import type { PunchingMember } from '@/core/members/punching/input';
import { columnsFor } from '@/ui/tables/columns';
import { Grid } from '@/ui/tables/Grid';
import { usePaste } from '@/ui/tables/MappedPaste';
import { PasteSlabForces } from './PasteSlabForces';

const columns = [
  ['V', 'force', 'Shear V'],
  ['Mx', 'moment', 'M about x'],
  ['My', 'moment', 'M about y'],
] as const;

/** The forces that the slab brings to the column, set by set; typed, or pasted from a spreadsheet. */
export function ForcesTable({ project, member }: { project: Project; member: PunchingMember }) {
  const paste = usePaste();
  const change = useChange(member);
  const of = columnsFor<PunchingForces>(
    project.display,
    (set) => set.name,
    (i, patch) => change(`${Object.keys(patch)[0]} of ${member.sets[i]!.name}`, (m) => void Object.assign(m.sets[i]!, patch)),
  );
  return (
    <section aria-label="Forces" className="overflow-y-auto px-3.5 py-1.5" onPaste={paste.onPaste}>
      <div className="flex items-baseline gap-3">
        <h2 className="whitespace-nowrap">Forces from the slab</h2>
        <span
          className="small"
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
      {paste.text !== null && <PasteSlabForces project={project} member={member} text={paste.text} onClose={paste.close} />}
    </section>
  );
}
