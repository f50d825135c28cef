'use client';
import { dropFromCombinations, renameInCombinations } from '@/core/members/parts/case-edits';
import { useChange } from '@/ui/fields/use-change';
import { CheckBox } from '@/ui/fields/CheckBox';
import type { LoadCase } from '@/core/analysis/combination';
import type { Fault } from '@/core/checks/fault';
import type { Member } from '@/core/members/kinds';
import { codeOf } from '@/core/members/member';
import type { Project } from '@/core/project/project';
import { caseColumns, newCase } from './case-columns';
import { columnsFor } from './columns';
import { Grid } from './Grid';

/** Members whose loads belong to cases. */
export type CasedMember = Extract<Member, { readonly loads: readonly { readonly case: string }[] }>;

/** The load cases of a member as a table. */
export function LoadCases({ project, member, faults }: { project: Project; member: CasedMember; faults: readonly Fault[] }) {
  const code = codeOf(project, member);
  const change = useChange(member);
  const set = (i: number, patch: Partial<LoadCase>) =>
    change(`load case ${member.cases[i]!.id}`, (m) => {
      const before = m.cases[i]!.id;
      Object.assign(m.cases[i]!, patch);
      if (!patch.id) return;
      m.loads.filter((l) => l.case === before).forEach((l) => (l.case = patch.id!));
      renameInCombinations(m, before, patch.id);
    });
  const of = columnsFor<LoadCase>('SI', (c) => `load case ${c.id}`, set);
  const remove = (i: number) => {
    const { id } = member.cases[i]!;
    change(`delete load case ${id}`, (m) => {
      m.cases.splice(i, 1);
      m.loads = m.loads.filter((l) => l.case !== id) as typeof m.loads;
      dropFromCombinations(m, id);
    });
  };
  const add = () =>
    change('add a load case', (m) => {
      m.cases.push({ ...newCase(code, m.cases), pattern: true });
    });
  return (
    <>
      <div className="flex items-baseline justify-between">
        <h2>Load cases</h2>
        <CheckBox
          label="Self-weight counted"
          checked={member.selfWeight}
          onCheck={(on) => change(on ? 'count self-weight' : 'leave self-weight out', (m) => void (m.selfWeight = on))}
        />
      </div>
      <Grid
        label="Load cases"
        rows={member.cases}
        columns={[
          ...caseColumns(code, member.cases, of, set),
          of.check('Pattern loading', 'pattern', { isDisabled: (c) => c.nature === 'permanent' }),
        ]}
        faultsOf={(i) => faults.filter((f) => f.path.startsWith(`cases[${i}]`))}
        remove={{ title: 'Delete', run: remove }}
        add={{ title: 'Add a load case', run: add }}
      />
    </>
  );
}
