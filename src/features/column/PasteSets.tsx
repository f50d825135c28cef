'use client';
import { useMemo, useState } from 'react';
import type { LoadSet } from '@/core/members/column/input';
import { isSectionAlone, isUpright, type UprightMember } from '@/core/members/wall/upright';
import type { Project } from '@/core/project/project';
import { formatValue } from '@/core/units/format';
import { membersIn, NO_MEMBER, type ReadRow } from '@/exchange/mapped-table';
import { largerBetween, readSets, setVocabulary } from '@/exchange/paste-sets';
import { onProject } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { CheckBox } from '@/ui/fields/CheckBox';
import { AlongQuestion, MustSay, PasteDialog, PasteReading, useMappedTable, type PasteProps } from '@/ui/tables/MappedPaste';
import { SetKinds, SetSigns, SetWarnings, useSetQuestions } from '@/ui/tables/SetQuestions';

/** What was understood of a pasted table: the columns can be set, each row shows how it was read, and refused rows are mended in place. */
export const PasteSets = (props: PasteProps<UprightMember>) => (
  <PasteDialog
    title="Paste load sets"
    hint="a column each for N and the end moments, or a row for each end; rows of several columns too"
    Reading={Reading}
    {...props}
  />
);

/** No member has this for its name. */
const EACH = '\u0000each';

function Reading({ project, member, text, onClose }: PasteProps<UprightMember>) {
  const edit = useProject((s) => s.edit);
  const mapped = useMappedTable(text, setVocabulary, project, 'upright-columns');
  const { table, readings } = mapped;
  const asked = useSetQuestions(mapped, member.sustained);
  const { compressionNegative, kind, firstEnd, part, partIsWrong } = asked;
  const [doesReplace, setReplace] = useState(false);
  const isSection = isSectionAlone(member);
  const whose = useWhose(project, member, membersIn(table, readings));
  const options = useMemo(
    () => ({
      readings,
      system: project.display,
      compressionNegative: compressionNegative ?? false,
      kind,
      firstEnd,
      signs: member.signs,
      isSection,
    }),
    [readings, project.display, compressionNegative, kind, firstEnd, member.signs, isSection],
  );
  const reading = useMemo(() => readSets(table, options), [table, options]);
  const between = useMemo(() => largerBetween(reading, table, options), [reading, table, options]);
  const take = (_: LoadSet[], label: string, rows: readonly ReadRow<LoadSet>[]) =>
    edit(
      `${label} of ${whose.marks.join(', ')}`,
      onProject((p) => {
        for (const m of p.members) {
          if (!isUpright(m) || !whose.marks.includes(m.mark)) continue;
          const sets = rows.flatMap((r) => (r.value && whose.markOf(r.member) === m.mark ? [r.value] : []));
          if (sets.length === 0) continue;
          m.sets = doesReplace ? sets : [...m.sets, ...sets];
          m.mode = 'sets';
          if (part !== null) m.sustained = part;
        }
      }),
    );
  return (
    <PasteReading
      {...{ project, mapped, onClose }}
      reading={{ ...reading, rows: reading.rows.flatMap(whose.ownRow) }}
      vocabulary={setVocabulary}
      noun="load set"
      describe={(set, of) => describeSet(set, project, isSection, whose.names.length > 1 ? of : undefined)}
      isWrong={asked.isOpen || whose.marks.length === 0}
      onTake={take}
      questions={
        <>
          {whose.question}
          <AlongQuestion mapped={mapped} />
          <SetSigns {...asked} asksEnds={asked.hasEnds && !isSection} />
          <SetKinds {...asked} />
          <CheckBox label={whose.replaces} checked={doesReplace} onCheck={setReplace} />
        </>
      }
    >
      <SetWarnings partIsWrong={partIsWrong} between={between} />
      {whose.strangers.length > 0 && (
        <p role="alert" className="py-1 text-madder-text">
          Left out, for no column or wall here has this mark: {whose.strangers.join(', ')}.
        </p>
      )}
    </PasteReading>
  );
}

/** Whose the rows of a table are: those of one member, or each of the member with its mark. */
function useWhose(project: Project, member: UprightMember, names: readonly string[]) {
  const [picked, pick] = useState<string>();
  const uprights = new Set(project.members.filter(isUpright).map((m) => m.mark));
  const known = names.filter((n) => uprights.has(n));
  // Rows of this member alone, or of none that is named, are plainly meant for it.
  const isAsked = names.length > 1 || (names.length === 1 && names[0] !== member.mark);
  const usual = !isAsked ? (names[0] ?? '') : known.length > 0 ? EACH : undefined;
  const choice = picked ?? usual;
  const marks = choice === undefined ? [] : choice === EACH ? known : [member.mark];
  const markOf = (of: string | undefined) => {
    if (choice === EACH) return of !== undefined && known.includes(of) ? of : undefined;
    return choice === undefined || names.length === 0 || of === choice ? member.mark : undefined;
  };
  const [first] = marks;
  const ownRow = (r: ReadRow<LoadSet>): ReadRow<LoadSet>[] => {
    if (markOf(r.member) !== undefined) return [r];
    return (r.member ?? '') === '' ? [{ row: r.row, cells: r.cells, reason: NO_MEMBER }] : [];
  };
  return {
    names,
    marks,
    markOf,
    ownRow,
    strangers: choice === EACH ? names.filter((n) => !uprights.has(n)) : [],
    replaces:
      marks.length > 1 || (first !== undefined && first !== member.mark)
        ? `in place of those that ${marks.length > 1 ? 'these members have' : `${first} has`}`
        : `in place of the ${member.sets.length} there are`,
    question: isAsked && (
      <MustSay
        lead="rows go"
        label="Rows go"
        value={choice}
        options={[
          ...(known.length > 0 ? [[EACH, `each to the member of its mark: ${known.join(', ')}`] as const] : []),
          ...names.map((n) => [n, `those of ${n} to ${member.mark}`] as const),
        ]}
        onPick={pick}
      />
    ),
  };
}

function describeSet(set: LoadSet, { display }: Project, isSection: boolean, of?: string): string {
  const show = (v: number, kind: 'force' | 'moment') => formatValue(v, kind, display);
  const moments = (axis: string, top: number, foot: number) =>
    top === 0 && foot === 0 ? '' : `M${axis} ${show(top, 'moment')}${isSection ? '' : ` / ${show(foot, 'moment')}`}`;
  return [
    `${of ? `${of} ` : ''}${set.name}: N ${show(set.N, 'force')}`,
    moments('x', set.mxTop, set.mxBottom),
    moments('y', set.myTop, set.myBottom),
    set.vx !== 0 && `Vx ${show(set.vx, 'force')}`,
    set.vy !== 0 && `Vy ${show(set.vy, 'force')}`,
    set.torsion !== 0 && `T ${show(set.torsion, 'moment')}`,
  ]
    .filter(Boolean)
    .join(', ');
}
