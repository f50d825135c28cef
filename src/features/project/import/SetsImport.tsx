'use client';
import { useMemo, useState } from 'react';
import type { LoadSet } from '@/core/members/column/input';
import type { Project } from '@/core/project/project';
import type { UnitSystem } from '@/core/units/quantity';
import { formatValue } from '@/core/units/format';
import { setsForMembers } from '@/exchange/import/members-of-table';
import { setVocabulary } from '@/exchange/paste-sets';
import { useProject } from '@/store/project-store';
import { CheckBox } from '@/ui/fields/CheckBox';
import { Select } from '@/ui/fields/Select';
import { AlongQuestion, PasteReading, useMappedTable } from '@/ui/tables/MappedPaste';
import { SetKinds, SetSigns, SetWarnings, useSetQuestions } from '@/ui/tables/SetQuestions';
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
  const asked = useSetQuestions(mapped, null);
  const { compressionNegative, kind, firstEnd, part, partIsWrong, hasEnds } = asked;
  const [signs, setSigns] = useState<'bending' | 'turning'>('bending');
  const [dropsOthers, setDrops] = useState(false);
  const reading = useMemo(
    () =>
      setsForMembers(
        table,
        {
          readings,
          system: project.display,
          compressionNegative: compressionNegative ?? false,
          kind,
          firstEnd,
          signs,
          isSection: false,
          dropsOthers,
        },
        project.members,
        title,
      ),
    [table, readings, project.display, project.members, compressionNegative, kind, firstEnd, signs, dropsOthers, title],
  );
  const hasFeet = hasEnds || readings.some((r) => r.role === 'mxBottom' || r.role === 'myBottom');
  const taken = reading.members.filter((m) => !m.refused && m.values.length > 0);
  return (
    <PasteReading
      {...{ project, mapped, onClose, reading }}
      vocabulary={setVocabulary}
      noun="load set"
      describe={(set, of) => describeSet(set, project.display, of)}
      isWrong={asked.isOpen || taken.length === 0}
      onTake={() =>
        edit(`import ${title} for ${taken.map((m) => m.name).join(', ')}`, (p) =>
          takeSets(p, reading.members, { file: title, dropsOthers, sustained: part }),
        )
      }
      questions={
        <>
          <AlongQuestion mapped={mapped} />
          <SetSigns {...asked} asksEnds={hasEnds} />
          {hasFeet && (
            <Select
              label="Signs of end moments"
              className="field !w-auto"
              value={signs}
              options={{ bending: 'equal signs at both ends: single curvature', turning: 'equal signs at both ends: double curvature' }}
              onPick={setSigns}
            />
          )}
          <SetKinds {...asked} />
          <CheckBox label="sets of other origin that are not in the table go too" checked={dropsOthers} onCheck={setDrops} />
        </>
      }
    >
      <SetWarnings partIsWrong={partIsWrong} between={reading.between ?? []} />
      <MembersPreview members={reading.members} units={project.display} />
    </PasteReading>
  );
}
