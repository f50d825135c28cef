'use client';
import { useMemo, useState } from 'react';
import type { PunchingMember } from '@/core/members/punching/input';
import { formatValue } from '@/core/units/format';
import { readSlabForces, slabForceVocabulary } from '@/exchange/paste-punching';
import { CheckBox } from '@/ui/fields/CheckBox';
import { useChange } from '@/ui/fields/use-change';
import { PasteDialog, PasteReading, useMappedTable, type PasteProps } from '@/ui/tables/MappedPaste';

/** Forces that a slab brings to its column, as they were pasted. */
export const PasteSlabForces = (props: PasteProps<PunchingMember>) => (
  <PasteDialog title="Paste forces from the slab" hint="a name, the shear, and moments about x and y" Reading={Reading} {...props} />
);

function Reading({ project, member, text, onClose }: PasteProps<PunchingMember>) {
  const change = useChange(member);
  const mapped = useMappedTable(text, slabForceVocabulary, project, 'slab-columns');
  const { table, readings } = mapped;
  const [doesReplace, setReplace] = useState(true);
  const reading = useMemo(() => readSlabForces(table, readings, project.display), [table, readings, project.display]);
  const show = (v: number, kind: 'moment' | 'force') => formatValue(v, kind, project.display);
  return (
    <PasteReading
      {...{ project, mapped, reading, onClose }}
      vocabulary={slabForceVocabulary}
      noun="set"
      describe={(f) => `${f.name}: V ${show(f.V, 'force')}, Mx ${show(f.Mx, 'moment')}, My ${show(f.My, 'moment')}`}
      onTake={(good, label) => change(label, (m) => void (m.sets = doesReplace ? good : [...m.sets, ...good]))}
      questions={
        <>
          <span>a moment about x moves the shear up on the plan, one about y to the right, where they are positive</span>
          <CheckBox label={`in place of the ${member.sets.length} there are`} checked={doesReplace} onCheck={setReplace} />
        </>
      }
    />
  );
}
