'use client';
import { CheckBox } from '@/ui/fields/CheckBox';
import { Dialog } from 'radix-ui';
import { useMemo, useState } from 'react';
import type { LoadSetKind } from '@/core/members/column/input';
import type { Project } from '@/core/project/project';
import type { UprightMember } from '@/core/members/wall/upright';
import { formatValue } from '@/core/units/format';
import { isMostlyNegative } from '@/exchange/mapped-table';
import { readSets, setVocabulary } from '@/exchange/paste-sets';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { MappedRows, PasteDialog, PasteSummary, useMappedTable } from '@/ui/tables/MappedPaste';
import { Select } from '@/ui/fields/Select';

interface PasteProps {
  readonly project: Project;
  readonly member: UprightMember;
  readonly text: string;
  readonly onClose: () => void;
}

/** What was understood of a pasted table: the columns can be set, each row shows how it was read, and refused rows are mended in place. */
export function PasteSets(props: PasteProps) {
  return (
    <PasteDialog
      title="Paste load sets"
      hint="Paste the table here with Ctrl V: a column each for N and the end moments, with or without headings."
      text={props.text}
      onClose={props.onClose}
    >
      {(text) => <Reading {...props} text={text} />}
    </PasteDialog>
  );
}

function Reading({ project, member, text, onClose }: PasteProps) {
  const edit = useProject((s) => s.edit);
  const mapped = useMappedTable(text, setVocabulary, project, 'load-set-columns');
  const { table, readings } = mapped;
  const [compressionNegative, setNegative] = useState(() => isMostlyNegative(table, readings, 'N'));
  const [kind, setKind] = useState<LoadSetKind>('ultimate');
  const [sustained, setSustained] = useState(member.sustained === null ? '' : String(member.sustained));
  const [doesReplace, setReplace] = useState(false);
  const { rows, empty } = useMemo(
    () => readSets(table, { readings, system: project.display, compressionNegative, kind }),
    [table, readings, project.display, compressionNegative, kind],
  );
  const good = rows.filter((r) => r.value);
  const bad = rows.filter((r) => r.reason);
  const part = sustained.trim() === '' ? null : Number(sustained);
  const partIsWrong = part !== null && !(part >= 0 && part <= 1);
  const take = () => {
    mapped.keepHabit();
    edit(
      `paste ${good.length} load sets`,
      onMember(member, (m) => {
        const sets = good.map((r) => r.value!);
        m.sets = doesReplace ? sets : [...m.sets, ...sets];
        if (part !== null) m.sustained = part;
      }),
    );
    onClose();
  };
  return (
    <>
      <PasteSummary rows={rows} empty={empty} />
      <div className="small flex flex-wrap items-center gap-x-5 gap-y-1 border-y border-line py-1.5">
        <CheckBox label="compression is written with a minus" checked={compressionNegative} onCheck={(on) => setNegative(on)} />
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
          sustained part, where no column says it
          <input
            className="field !w-14"
            aria-label="Sustained part"
            aria-invalid={partIsWrong}
            value={sustained}
            onChange={(e) => setSustained(e.target.value)}
            placeholder="0 to 1"
          />
        </label>
        <label className="flex items-center gap-1.5">
          <input type="checkbox" checked={doesReplace} onChange={(e) => setReplace(e.target.checked)} /> in place of the{' '}
          {member.sets.length} there are
        </label>
      </div>
      {partIsWrong && <p className="text-madder-text">The sustained part lies between 0 and 1.</p>}
      <MappedRows
        project={project}
        vocabulary={setVocabulary}
        mapped={mapped}
        rows={rows}
        describe={(set) => `${set.name}: N ${formatValue(set.N, 'force', project.display, 0)}`}
      />
      <div className="mt-3 flex items-center gap-3">
        <button type="button" className="btn" disabled={good.length === 0 || partIsWrong} onClick={take}>
          Keep {good.length} load sets
        </button>
        <Dialog.Close className="link">Leave</Dialog.Close>
        {bad.length > 0 && <span className="small">{bad.length} refused rows stay out.</span>}
      </div>
    </>
  );
}
