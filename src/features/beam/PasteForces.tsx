'use client';
import { Dialog } from 'radix-ui';
import { useMemo, useState } from 'react';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { formatValue } from '@/core/units/format';
import { isMostlyNegative } from '@/exchange/mapped-table';
import { forceVocabulary, readForces } from '@/exchange/paste-forces';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { MappedRows, PasteDialog, PasteSummary, useMappedTable } from '@/ui/tables/MappedPaste';

interface PasteProps {
  readonly project: Project;
  readonly member: BeamMember;
  readonly text: string;
  readonly onClose: () => void;
}

/** Results of an analysis as they were pasted: forces at stations, by combination, with what each column is. */
export function PasteForces(props: PasteProps) {
  return (
    <PasteDialog
      title="Paste design forces"
      hint="Paste the table here with Ctrl V: columns for the station, the combination, M, V, T and N, with or without headings."
      text={props.text}
      onClose={props.onClose}
    >
      {(text) => <Reading {...props} text={text} />}
    </PasteDialog>
  );
}

function Reading({ project, member, text, onClose }: PasteProps) {
  const edit = useProject((s) => s.edit);
  const mapped = useMappedTable(text, forceVocabulary, project, 'force-columns');
  const { table, readings } = mapped;
  const [compressionNegative, setCompression] = useState(() => isMostlyNegative(table, readings, 'axial'));
  const [saggingNegative, setSagging] = useState(false);
  const [doesReplace, setReplace] = useState(false);
  const { rows, empty, uneven } = useMemo(
    () => readForces(table, { readings, system: project.display, compressionNegative, saggingNegative }),
    [table, readings, project.display, compressionNegative, saggingNegative],
  );
  const good = rows.flatMap((r) => (r.value ? [r.value] : []));
  const take = () => {
    mapped.keepHabit();
    edit(
      `paste ${good.length} rows of forces on ${member.mark}`,
      onMember(member, (m) => void (m.forces = doesReplace ? good : [...m.forces, ...good])),
    );
    onClose();
  };
  const box = (label: string, checked: boolean, set: (on: boolean) => void) => (
    <label className="flex items-center gap-1.5">
      <input type="checkbox" checked={checked} onChange={(e) => set(e.target.checked)} /> {label}
    </label>
  );
  const show = (v: number, kind: 'moment' | 'force') => formatValue(v, kind, project.display, 0);
  return (
    <>
      <PasteSummary rows={rows} empty={empty} />
      <div className="small flex flex-wrap items-center gap-x-5 gap-y-1 border-y border-line py-1.5">
        {box('compression is written with a minus', compressionNegative, setCompression)}
        {box('moments that stretch the bottom are written with a minus', saggingNegative, setSagging)}
        {box(`in place of the ${member.forces.length} there are`, doesReplace, setReplace)}
      </div>
      {uneven.map((u) => (
        <p key={u.combination} className="py-1 text-madder-text">
          Combination {u.combination || '(none)'} has {u.stations} stations, the others have {u.usual}: rows may be missing or doubled.
        </p>
      ))}
      <MappedRows
        project={project}
        vocabulary={forceVocabulary}
        mapped={mapped}
        rows={rows}
        describe={(f) => `${f.place}: M ${show(f.moment, 'moment')}, V ${show(f.shear, 'force')}`}
      />
      <div className="mt-3 flex items-center gap-3">
        <button type="button" className="btn" disabled={good.length === 0} onClick={take}>
          Keep {good.length} rows
        </button>
        <Dialog.Close className="link">Leave</Dialog.Close>
        {good.length < rows.length && <span className="small">{rows.length - good.length} refused rows stay out.</span>}
      </div>
    </>
  );
}
