'use client';
import { useMemo, useState } from 'react';
import type { LoadSet, LoadSetKind } from '@/core/members/column/input';
import type { Project } from '@/core/project/project';
import type { UnitSystem } from '@/core/units/quantity';
import { formatValue } from '@/core/units/format';
import { setsForMembers } from '@/exchange/import/members-of-table';
import { firstFigure, isNegative } from '@/exchange/mapped-table';
import { setVocabulary } from '@/exchange/paste-sets';
import { useProject } from '@/store/project-store';
import { CheckBox } from '@/ui/fields/CheckBox';
import { Select } from '@/ui/fields/Select';
import { AlongQuestion, PasteReading, useMappedTable } from '@/ui/tables/MappedPaste';
import { AxialQuestion, pictures, SignQuestion } from '@/ui/tables/SignQuestion';
import { MembersPreview } from './MembersPreview';
import { takeSets } from './take-members';

const describeSet = (set: LoadSet, units: UnitSystem, of: string | undefined): string => {
  const moment = (v: number) => formatValue(v, 'moment', units);
  return `${of ? `${of} ` : ''}${set.name}: N ${formatValue(set.N, 'force', units)}, Mx ${moment(set.mxTop)} / ${moment(set.mxBottom)}, My ${moment(set.myTop)} / ${moment(set.myBottom)}`;
};

export interface ImportProps {
  readonly project: Project;
  readonly text: string;
  /** The name of the file, without its ending. */
  readonly title: string;
  readonly onClose: () => void;
}

/** Load sets of columns and walls out of one table. */
export function SetsImport({ project, text, title, onClose }: ImportProps) {
  const edit = useProject((s) => s.edit);
  const mapped = useMappedTable(text, setVocabulary, project, 'upright-columns');
  const { table, readings } = mapped;
  const [saidNegative, sayNegative] = useState<boolean>();
  const compressionNegative = saidNegative ?? isNegative(table, readings, 'N');
  const [kind, setKind] = useState<LoadSetKind>('ultimate');
  const [firstEnd, setFirstEnd] = useState<'foot' | 'top'>('foot');
  const [signs, setSigns] = useState<'bending' | 'turning'>('bending');
  const [sustained, setSustained] = useState('');
  const [dropsOthers, setDrops] = useState(false);
  const reading = useMemo(
    () =>
      setsForMembers(
        table,
        { readings, system: project.display, compressionNegative: compressionNegative ?? false, kind, firstEnd, signs, isSection: false },
        project.members,
        title,
      ),
    [table, readings, project.display, project.members, compressionNegative, kind, firstEnd, signs, title],
  );
  const part = sustained.trim() === '' ? null : Number(sustained);
  const partIsWrong = part !== null && !(part >= 0 && part <= 1);
  const axial = firstFigure(table, readings, 'N');
  const hasEnds = readings.some((r) => r.role === 'station' || r.role === 'end');
  const hasFeet = hasEnds || readings.some((r) => r.role === 'mxBottom' || r.role === 'myBottom');
  const taken = reading.members.filter((m) => !m.refused && m.values.length > 0);
  return (
    <PasteReading
      {...{ project, mapped, onClose, reading }}
      vocabulary={setVocabulary}
      noun="load set"
      describe={(set, of) => describeSet(set, project.display, of)}
      isWrong={partIsWrong || taken.length === 0 || (compressionNegative === undefined && axial !== undefined)}
      onTake={() =>
        edit(`import ${title} for ${taken.map((m) => m.name).join(', ')}`, (p) =>
          takeSets(p, reading.members, { dropsOthers, sustained: part }),
        )
      }
      questions={
        <>
          <AlongQuestion mapped={mapped} />
          <AxialQuestion figure={axial} value={compressionNegative} onPick={sayNegative} />
          {hasEnds && (
            <SignQuestion
              lead="the first end, of station 0 or i, is"
              value={firstEnd}
              answers={[
                { value: 'foot', words: 'the foot', picture: pictures.firstBelow },
                { value: 'top', words: 'the top', picture: pictures.firstAbove },
              ]}
              onPick={setFirstEnd}
            />
          )}
          {hasFeet && (
            <Select
              label="Signs of end moments"
              className="field !w-auto"
              value={signs}
              options={{ bending: 'equal signs at both ends: single curvature', turning: 'equal signs at both ends: double curvature' }}
              onPick={setSigns}
            />
          )}
          <label className="flex items-center gap-1.5">
            these are
            <Select<LoadSetKind>
              label="Kind of the sets"
              className="field !w-auto"
              value={kind}
              onPick={setKind}
              options={{
                ultimate: 'ultimate, ready-factored',
                characteristic: 'characteristic',
                frequent: 'frequent',
                quasiPermanent: 'quasi-permanent',
                service: 'service',
              }}
            />
          </label>
          <label className="flex items-center gap-1.5">
            sustained part
            <input
              className="field !w-16"
              aria-label="Sustained part"
              aria-invalid={partIsWrong}
              value={sustained}
              onChange={(e) => setSustained(e.target.value)}
              placeholder="0 to 1"
            />
          </label>
          <CheckBox label="sets that are not in the table go" checked={dropsOthers} onCheck={setDrops} />
        </>
      }
    >
      {partIsWrong && <p className="text-madder-text">The sustained part lies between 0 and 1.</p>}
      {(reading.between ?? []).length > 0 && (
        <p role="alert" className="py-1 text-madder-text">
          Between the ends the moment is larger than at both, and is not taken over: {reading.between!.slice(0, 6).join(', ')}
          {reading.between!.length > 6 && ` and ${reading.between!.length - 6} more`}.
        </p>
      )}
      <MembersPreview members={reading.members} units={project.display} />
    </PasteReading>
  );
}
