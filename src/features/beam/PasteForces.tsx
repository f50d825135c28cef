'use client';
import { useMemo, useState } from 'react';
import type { BeamMember } from '@/core/members/beam/input';
import { formatValue } from '@/core/units/format';
import { firstFigure, isNegative, membersIn } from '@/exchange/mapped-table';
import { forceVocabulary, readForces } from '@/exchange/paste-forces';
import { CheckBox } from '@/ui/fields/CheckBox';
import { useChange } from '@/ui/fields/use-change';
import { AlongQuestion, MustSay, PasteDialog, PasteReading, useMappedTable, type PasteProps } from '@/ui/tables/MappedPaste';
import { AxialQuestion, MomentQuestion } from '@/ui/tables/SignQuestion';

/** Results of an analysis as they were pasted: forces at stations, by combination, with what each column is. */
export const PasteForces = (props: PasteProps<BeamMember>) => (
  <PasteDialog title="Paste design forces" hint="columns for the station, the combination, M, V, T and N" Reading={Reading} {...props} />
);

function Reading({ project, member, text, onClose }: PasteProps<BeamMember>) {
  const change = useChange(member);
  const mapped = useMappedTable(text, forceVocabulary, project, 'beam-columns');
  const { table, readings } = mapped;
  const [saidNegative, sayNegative] = useState<boolean>();
  const compressionNegative = saidNegative ?? isNegative(table, readings, 'axial');
  const [saggingNegative, setSagging] = useState(false);
  const [doesReplace, setReplace] = useState(false);
  const names = membersIn(table, readings);
  const [picked, pick] = useState<string>();
  const only = picked ?? (names.includes(member.mark) ? member.mark : names.length > 1 ? undefined : ALL);
  const reading = useMemo(
    () =>
      readForces(table, {
        readings,
        system: project.display,
        compressionNegative: compressionNegative ?? false,
        saggingNegative,
        ...(only === undefined || only === ALL ? {} : { member: only }),
      }),
    [table, readings, project.display, compressionNegative, saggingNegative, only],
  );
  const show = (v: number, kind: 'moment' | 'force') => formatValue(v, kind, project.display);
  const isOpen = only === undefined || (compressionNegative === undefined && firstFigure(table, readings, 'axial') !== undefined);
  return (
    <PasteReading
      {...{ project, mapped, reading, onClose }}
      vocabulary={forceVocabulary}
      noun="row"
      isWrong={isOpen}
      describe={(f) =>
        [
          `${f.place}: M ${show(f.moment, 'moment')}`,
          `V ${show(f.shear, 'force')}`,
          f.torsion !== 0 && `T ${show(f.torsion, 'moment')}`,
          f.axial !== 0 && `N ${show(f.axial, 'force')}`,
        ]
          .filter(Boolean)
          .join(', ')
      }
      onTake={(good, label) => change(`${label} of forces`, (m) => void (m.forces = doesReplace ? good : [...m.forces, ...good]))}
      questions={
        <>
          {names.length > 1 && (
            <MustSay
              lead="rows of"
              label="Rows of"
              value={only}
              options={[[ALL, 'all of them, for one section'], ...names.map((n) => [n, n] as const)]}
              onPick={pick}
            />
          )}
          <AlongQuestion mapped={mapped} />
          <AxialQuestion figure={firstFigure(table, readings, 'axial')} value={compressionNegative} onPick={sayNegative} />
          <MomentQuestion figure={firstFigure(table, readings, 'moment')} saggingNegative={saggingNegative} onPick={setSagging} />
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

/** No member has this for its name. */
const ALL = '\u0000all';
