'use client';
import { useMemo, useState } from 'react';
import type { BeamMember } from '@/core/members/beam/input';
import { formatValue } from '@/core/units/format';
import { isMostlyNegative } from '@/exchange/mapped-table';
import { forceVocabulary, readForces } from '@/exchange/paste-forces';
import { CheckBox } from '@/ui/fields/CheckBox';
import { useChange } from '@/ui/fields/use-change';
import { PasteDialog, PasteReading, useMappedTable, type PasteProps } from '@/ui/tables/MappedPaste';

/** Results of an analysis as they were pasted: forces at stations, by combination, with what each column is. */
export const PasteForces = (props: PasteProps<BeamMember>) => (
  <PasteDialog title="Paste design forces" hint="columns for the station, the combination, M, V, T and N" Reading={Reading} {...props} />
);

function Reading({ project, member, text, onClose }: PasteProps<BeamMember>) {
  const change = useChange(member);
  const mapped = useMappedTable(text, forceVocabulary, project, 'force-columns');
  const { table, readings } = mapped;
  const [compressionNegative, setCompression] = useState(() => isMostlyNegative(table, readings, 'axial'));
  const [saggingNegative, setSagging] = useState(false);
  const [doesReplace, setReplace] = useState(false);
  const reading = useMemo(
    () => readForces(table, { readings, system: project.display, compressionNegative, saggingNegative }),
    [table, readings, project.display, compressionNegative, saggingNegative],
  );
  const show = (v: number, kind: 'moment' | 'force') => formatValue(v, kind, project.display, 0);
  return (
    <PasteReading
      {...{ project, mapped, reading, onClose }}
      vocabulary={forceVocabulary}
      noun="row"
      describe={(f) => `${f.place}: M ${show(f.moment, 'moment')}, V ${show(f.shear, 'force')}`}
      onTake={(good, label) => change(`${label} of forces`, (m) => void (m.forces = doesReplace ? good : [...m.forces, ...good]))}
      questions={
        <>
          <CheckBox label="compression is written with a minus" checked={compressionNegative} onCheck={setCompression} />
          <CheckBox label="moments that stretch the bottom are written with a minus" checked={saggingNegative} onCheck={setSagging} />
          <CheckBox label={`in place of the ${member.forces.length} there are`} checked={doesReplace} onCheck={setReplace} />
        </>
      }
    >
      {reading.uneven.map((u) => (
        <p key={u.combination} className="py-1 text-madder-text">
          Combination {u.combination || '(none)'} has {u.stations} stations, the others have {u.usual}: rows may be missing or doubled.
        </p>
      ))}
    </PasteReading>
  );
}
