'use client';
import { useMemo, useState } from 'react';
import type { LoadSetKind } from '@/core/members/column/input';
import type { UprightMember } from '@/core/members/wall/upright';
import { formatValue } from '@/core/units/format';
import { isMostlyNegative } from '@/exchange/mapped-table';
import { readSets, setVocabulary } from '@/exchange/paste-sets';
import { CheckBox } from '@/ui/fields/CheckBox';
import { Select } from '@/ui/fields/Select';
import { useChange } from '@/ui/fields/use-change';
import { PasteDialog, PasteReading, useMappedTable, type PasteProps } from '@/ui/tables/MappedPaste';

/** What was understood of a pasted table: the columns can be set, each row shows how it was read, and refused rows are mended in place. */
export const PasteSets = (props: PasteProps<UprightMember>) => (
  <PasteDialog title="Paste load sets" hint="a column each for N and the end moments" Reading={Reading} {...props} />
);

function Reading({ project, member, text, onClose }: PasteProps<UprightMember>) {
  const change = useChange(member);
  const mapped = useMappedTable(text, setVocabulary, project, 'load-set-columns');
  const { table, readings } = mapped;
  const [compressionNegative, setNegative] = useState(() => isMostlyNegative(table, readings, 'N'));
  const [kind, setKind] = useState<LoadSetKind>('ultimate');
  const [sustained, setSustained] = useState(member.sustained === null ? '' : String(member.sustained));
  const [doesReplace, setReplace] = useState(false);
  const reading = useMemo(
    () => readSets(table, { readings, system: project.display, compressionNegative, kind }),
    [table, readings, project.display, compressionNegative, kind],
  );
  const part = sustained.trim() === '' ? null : Number(sustained);
  const partIsWrong = part !== null && !(part >= 0 && part <= 1);
  return (
    <PasteReading
      {...{ project, mapped, reading, onClose }}
      vocabulary={setVocabulary}
      noun="load set"
      describe={(set) => `${set.name}: N ${formatValue(set.N, 'force', project.display, 0)}`}
      isWrong={partIsWrong}
      onTake={(sets, label) =>
        change(label, (m) => {
          m.sets = doesReplace ? sets : [...m.sets, ...sets];
          if (part !== null) m.sustained = part;
        })
      }
      questions={
        <>
          <CheckBox label="compression is written with a minus" checked={compressionNegative} onCheck={setNegative} />
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
          <CheckBox label={`in place of the ${member.sets.length} there are`} checked={doesReplace} onCheck={setReplace} />
        </>
      }
    >
      {partIsWrong && <p className="text-madder-text">The sustained part lies between 0 and 1.</p>}
    </PasteReading>
  );
}
