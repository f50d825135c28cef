'use client';
import { useMemo, useState } from 'react';
import { stationUseNames, stationUsesOf, type StationUse } from '@/core/members/beam/station-uses';
import { makeCode } from '@/core/codes/registry';
import { formatQuantity, formatValue } from '@/core/units/format';
import { stationsForMembers } from '@/exchange/import/members-of-table';
import { firstFigure } from '@/exchange/mapped-table';
import { guessUse, stationVocabulary } from '@/exchange/paste-stations';
import { useProject } from '@/store/project-store';
import { CheckBox } from '@/ui/fields/CheckBox';
import { Select } from '@/ui/fields/Select';
import { AlongQuestion, PasteReading, useMappedTable } from '@/ui/tables/MappedPaste';
import { MomentQuestion } from '@/ui/tables/SignQuestion';
import { MembersPreview } from './MembersPreview';
import type { ImportProps } from './SetsImport';
import { takeStations } from './take-members';

/** Forces at stations along beams out of one table; they are designed along their spans. */
export function BeamsImport({ project, text, title, onClose }: ImportProps) {
  const edit = useProject((s) => s.edit);
  const mapped = useMappedTable(text, stationVocabulary, project, 'beam-stations');
  const { table, readings } = mapped;
  const system = project.display;
  const [saggingNegative, setSagging] = useState(false);
  const [shearTurned, turnShear] = useState<boolean | null>(null);
  const [uses, setUses] = useState<Readonly<Record<string, StationUse>>>({});
  const reading = useMemo(
    () => stationsForMembers(table, { readings, system, saggingNegative, shearTurned }, project.members, title),
    [table, readings, system, saggingNegative, shearTurned, project.members, title],
  );
  const offered = stationUsesOf(makeCode(project.code));
  const standsFor = (name: string) => uses[name] ?? guessUse(name, offered);
  const taken = reading.members.filter((m) => !m.refused && m.values.length > 0);
  const show = (v: number, kind: 'moment' | 'force') => formatValue(v, kind, system);
  return (
    <PasteReading
      {...{ project, mapped, onClose, reading }}
      vocabulary={stationVocabulary}
      noun="station"
      isWrong={taken.length === 0}
      describe={(f, of) =>
        `${of ? `${of} ` : ''}${f.set}, span ${f.span + 1} at ${formatQuantity(f.at, 'station', system)}: M ${show(f.moment, 'moment')}, V ${show(f.shear, 'force')}`
      }
      onTake={() =>
        edit(`import ${title} for ${taken.map((m) => m.name).join(', ')}`, (p) =>
          takeStations(p, reading.members, reading.beams, standsFor),
        )
      }
      questions={
        <>
          <AlongQuestion mapped={mapped} />
          <MomentQuestion figure={firstFigure(table, readings, 'moment')} saggingNegative={saggingNegative} onPick={setSagging} />
          <CheckBox label="V has the other sign than the slope of M" checked={reading.shearTurned} onCheck={(v) => turnShear(v)} />
          {reading.sets.map((name) => (
            <label key={name} className="flex items-center gap-1.5">
              {name}
              <Select<StationUse>
                label={`Set ${name} is for`}
                className="field !w-auto"
                value={standsFor(name)}
                options={offered.map((u) => [u, stationUseNames[u]] as const)}
                onPick={(use) => setUses((now) => ({ ...now, [name]: use }))}
              />
            </label>
          ))}
        </>
      }
    >
      <MembersPreview members={reading.members} units={system} />
    </PasteReading>
  );
}
