'use client';
import { useMemo, useState } from 'react';
import { formatValue } from '@/core/units/format';
import { slabForcesForMembers } from '@/exchange/import/columns-of-slabs';
import { slabForcesOfMany } from '@/exchange/paste-punching';
import { useProject } from '@/store/project-store';
import { CheckBox } from '@/ui/fields/CheckBox';
import { PasteReading, useMappedTable } from '@/ui/tables/MappedPaste';
import { MembersPreview } from './MembersPreview';
import type { ImportProps } from './SetsImport';
import { takeSlabForces } from './take-members';

/** Forces that slabs bring to their columns out of one table, for punching. */
export function SlabForcesImport({ project, text, title, onClose }: ImportProps) {
  const edit = useProject((s) => s.edit);
  const mapped = useMappedTable(text, slabForcesOfMany, project, 'slabs-columns');
  const { table, readings } = mapped;
  const [dropsOthers, setDrops] = useState(false);
  const reading = useMemo(
    () => slabForcesForMembers(table, readings, project.display, project.members, title, dropsOthers),
    [table, readings, project.display, project.members, title, dropsOthers],
  );
  const taken = reading.members.filter((m) => !m.refused && m.values.length > 0);
  const show = (v: number, kind: 'moment' | 'force') => formatValue(v, kind, project.display);
  return (
    <PasteReading
      {...{ project, mapped, onClose, reading }}
      vocabulary={slabForcesOfMany}
      noun="set"
      isWrong={taken.length === 0}
      describe={(f, of) =>
        `${of ? `${of} ` : ''}${f.name}: V ${show(f.V, 'force')}, Mx ${show(f.Mx, 'moment')}, My ${show(f.My, 'moment')}`
      }
      onTake={() =>
        edit(`import ${title} for ${taken.map((m) => m.name).join(', ')}`, (p) =>
          takeSlabForces(p, reading.members, { file: title, dropsOthers }),
        )
      }
      questions={
        <>
          <span>a moment about x moves the shear up on the plan, one about y to the right, where they are positive</span>
          <CheckBox label="sets of other origin that are not in the table go too" checked={dropsOthers} onCheck={setDrops} />
        </>
      }
    >
      <MembersPreview members={reading.members} units={project.display} />
    </PasteReading>
  );
}
