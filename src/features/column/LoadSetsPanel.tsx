'use client';
import { dropFromCombinations, renameInCombinations } from '@/core/members/parts/case-edits';
import { CheckBox } from '@/ui/fields/CheckBox';
import { useChange, type Change } from '@/ui/fields/use-change';
import { useState } from 'react';
import type { LoadCase } from '@/core/analysis/combination';
import { noForces } from '@/core/members/column/load-sets';
import type { ColumnForces, LoadSet, LoadSetKind } from '@/core/members/column/input';
import type { Fault } from '@/core/checks/fault';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import { isSectionAlone, type UprightMember } from '@/core/members/wall/upright';
import { unitLabel } from '@/core/units/format';
import { firstFree } from '@/store/commands';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { Select, type Options } from '@/ui/fields/Select';
import { caseColumns, newCase } from '@/ui/tables/case-columns';
import { columnsFor } from '@/ui/tables/columns';
import { Grid } from '@/ui/tables/Grid';
import { SignPicture } from './SignPicture';
import { PasteSets } from './PasteSets';
import { PasteHead, usePaste } from '@/ui/tables/MappedPaste';

const forceColumns: readonly (readonly [keyof ColumnForces, string, 'force' | 'moment'])[] = [
  ['N', 'N', 'force'],
  ['mxTop', 'Mx top', 'moment'],
  ['mxBottom', 'Mx foot', 'moment'],
  ['myTop', 'My top', 'moment'],
  ['myBottom', 'My foot', 'moment'],
  ['vx', 'Vx', 'force'],
  ['vy', 'Vy', 'force'],
  ['torsion', 'T', 'moment'],
];
/** A section by itself has its forces once. */
const sectionColumns: typeof forceColumns = [
  ['N', 'N', 'force'],
  ['mxTop', 'Mx', 'moment'],
  ['myTop', 'My', 'moment'],
  ['vx', 'Vx', 'force'],
  ['vy', 'Vy', 'force'],
  ['torsion', 'T', 'moment'],
];
/** Shown where some set has them apart from the top. */
const footColumns: typeof forceColumns = [
  ['nBottom', 'N foot', 'force'],
  ['vxBottom', 'Vx foot', 'force'],
  ['vyBottom', 'Vy foot', 'force'],
];
const kindNames: Options<LoadSetKind> = {
  ultimate: 'ultimate',
  characteristic: 'characteristic',
  frequent: 'frequent',
  quasiPermanent: 'quasi-permanent',
  service: 'service',
};
const isFoot = (key: keyof ColumnForces) => footColumns.some(([k]) => k === key);
const differsAtFoot = (f: ColumnForces) => footColumns.some(([key]) => f[key] != null);
/** How a force stands in its cell; at the foot it may be as at the top. */
const forceCell = (key: keyof ColumnForces) => ({ isBare: true, width: '3.4rem', empty: isFoot(key) ? 'as top' : undefined });

/** Every force of every set to be typed or pasted; by load case, or ready-factored. */
export function LoadSetsPanel({ project, member, faults }: { project: Project; member: UprightMember; faults: readonly Fault[] }) {
  const paste = usePaste();
  const code = codeOf(project, member);
  const change = useChange(member);
  const setSet = (i: number, patch: Partial<LoadSet>) => change(`load set ${i + 1}`, (m) => void Object.assign(m.sets[i]!, patch));
  const add = () =>
    change('add a load set', (m) => {
      const name = firstFree(
        'L',
        m.sets.length + 1,
        m.sets.map((s) => s.name),
      );
      m.sets.push({ ...noForces, name, title: '', kind: 'ultimate', sustained: null, sway: null });
    });
  const needsSway = code.column.splitsSway && !isSectionAlone(member) && !(member.axes.x.isBraced && member.axes.y.isBraced);
  const units = `${unitLabel('force', project.display)}, ${unitLabel('moment', project.display)}`;
  const part = (label: string, value: number | null, keep: (v: number | null) => void, empty: string) => (
    <QuantityInput kind="ratio" system={project.display} value={value} label={label} onKeep={keep} empty={empty} showUnit={false} />
  );
  const rows: readonly ColumnForces[] = member.mode === 'sets' ? member.sets : member.caseForces;
  const [wantsFoot, setWantsFoot] = useState(() => rows.some(differsAtFoot));
  const isSection = isSectionAlone(member);
  const shownColumns = isSection ? sectionColumns : wantsFoot ? [...forceColumns, ...footColumns] : forceColumns;
  const of = columnsFor<LoadSet>(project.display, (set) => set.name, setSet);
  return (
    <div className="min-h-0 flex-1 overflow-auto px-3.5" onPaste={member.mode === 'sets' ? paste.onPaste : undefined}>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1 pb-1.5">
        <label className="flex items-center gap-1.5">
          Forces come
          <Select
            label="Forces come"
            className="field !w-auto"
            value={member.mode}
            options={{ sets: 'ready-factored, in sets', cases: 'by load case, combined by the code' }}
            onPick={(mode) => change('way of giving forces', (m) => void (m.mode = mode))}
          />
        </label>
        {member.mode === 'sets' && (
          <label className="flex items-center gap-1.5" title={code.column.sustainedMeaning}>
            Sustained part, where a set does not say it
            <span className="w-16">
              {part(
                'Sustained part of all sets',
                member.sustained,
                (v) => change('sustained part', (m) => void (m.sustained = v)),
                'not given',
              )}
            </span>
          </label>
        )}
        {needsSway && member.mode === 'sets' && (
          <label className="flex items-center gap-1.5">
            Part of the moments that comes with sway
            <span className="w-16">
              {part('Part with sway', member.sway, (v) => change('part with sway', (m) => void (m.sway = v)), 'not given')}
            </span>
          </label>
        )}
      </div>
      {!isSection && (
        <CheckBox
          label="N and V differ at the foot"
          checked={wantsFoot}
          onCheck={(on) => {
            setWantsFoot(on);
            if (on || !rows.some(differsAtFoot)) return;
            change('same N and V at the foot', (m) => {
              for (const f of [...m.sets, ...m.caseForces]) for (const [key] of footColumns) Object.assign(f, { [key]: null });
            });
          }}
        />
      )}
      <p className="small pb-1">Sustained: {code.column.sustainedMeaning}.</p>
      {isSection ? (
        <p className="small pb-1">
          N positive in compression. Mx positive compresses the top of the section (+y), My its right side (+x); Vy acts along y, with Mx.
        </p>
      ) : (
        <SignPicture member={member} onSigns={(signs) => change('sense of end moments', (m) => void (m.signs = signs))} />
      )}
      {faults
        .filter((f) => /^(sets|caseForces|sustained)/.test(f.path))
        .slice(0, 3)
        .map((f) => (
          <p key={f.path} className="text-madder-text">
            {f.reason}
          </p>
        ))}
      {member.mode === 'sets' ? (
        <>
          <PasteHead title="Load sets" note={`${member.sets.length} · ${units}`} onPaste={() => paste.open('')} />
          <Grid
            label="Load sets"
            rows={member.sets}
            columns={[
              of.text('Name', 'name', { width: '3.2rem' }),
              of.text('Title', 'title', { width: '7rem' }),
              of.pick('Kind', kindNames, 'kind', { width: '5.4rem' }),
              ...shownColumns.map(([key, name, kind]) => of.quantity(name, kind, key, forceCell(key))),
              {
                title: 'sust.',
                width: '2.8rem',
                text: (set) => String(set.sustained ?? ''),
                cell: (set, i) =>
                  part(
                    `Sustained part of ${set.name}`,
                    set.sustained,
                    (v) => setSet(i, { sustained: v }),
                    member.sustained === null ? 'none' : String(member.sustained),
                  ),
              },
            ]}
            remove={{
              title: '×',
              label: (set) => `Delete ${set.name}`,
              run: (i) => change(`delete ${member.sets[i]!.name}`, (m) => void m.sets.splice(i, 1)),
            }}
            add={{ title: 'Add a load set', run: add }}
          />
        </>
      ) : (
        <Cases project={project} member={member} change={change} shownColumns={shownColumns} />
      )}
      {paste.text !== null && <PasteSets project={project} member={member} text={paste.text} onClose={paste.close} />}
    </div>
  );
}

/** Load cases with their forces; the code combines them, each variable case present or absent. */
function Cases({
  project,
  member,
  change,
  shownColumns,
}: {
  project: Project;
  member: UprightMember;
  shownColumns: typeof forceColumns;
  change: Change<UprightMember>;
}) {
  const code = codeOf(project, member);
  const forcesOf = (id: string): ColumnForces => member.caseForces.find((f) => f.case === id) ?? noForces;
  const set = (i: number, patch: Partial<LoadCase>) =>
    change(`load case ${member.cases[i]!.id}`, (m) => {
      const before = m.cases[i]!.id;
      Object.assign(m.cases[i]!, patch);
      if (!patch.id) return;
      m.caseForces.filter((f) => f.case === before).forEach((f) => (f.case = patch.id!));
      renameInCombinations(m, before, patch.id);
    });
  const of = columnsFor<LoadCase>(project.display, (c) => c.id, set);
  const setForce = (id: string, key: keyof ColumnForces, v: number | null) =>
    change(`forces of ${id}`, (m) => {
      const at = m.caseForces.findIndex((f) => f.case === id);
      if (at >= 0) Object.assign(m.caseForces[at]!, { [key]: v });
      else m.caseForces.push({ ...noForces, case: id, [key]: v });
    });
  const add = () =>
    change('add a load case', (m) => {
      const fresh = newCase(code, m.cases);
      m.cases.push(fresh);
      m.caseForces.push({ ...noForces, case: fresh.id });
    });
  const remove = (i: number) => {
    const { id } = member.cases[i]!;
    change(`delete ${id}`, (m) => {
      m.cases.splice(i, 1);
      m.caseForces = m.caseForces.filter((q) => q.case !== id);
      dropFromCombinations(m, id);
    });
  };
  return (
    <div className="border-t border-line pt-1">
      <h2>Load cases</h2>
      <p className="small">
        Characteristic forces, {unitLabel('force', project.display)}, {unitLabel('moment', project.display)}.
        {member.selfWeight && ' The own weight joins them as a permanent case, SW.'}
      </p>
      <Grid
        label="Forces by load case"
        rows={member.cases}
        rowKey={(c) => c.id}
        columns={[
          ...caseColumns(code, member.cases, of, set),
          ...shownColumns.map(([key, name, kind]) =>
            of.quantity(
              name,
              kind,
              { get: (c) => forcesOf(c.id)[key], set: (i, v) => setForce(member.cases[i]!.id, key, v ?? null) },
              forceCell(key),
            ),
          ),
        ]}
        remove={{ title: '×', label: (c) => `Delete ${c.id}`, run: remove }}
        add={{ title: 'Add a load case', run: add }}
      />
      <h2>Combined by the code</h2>
      <ul className="small columns-2">
        {code.combinations(member.cases).map((k) => (
          <li key={k.id}>
            <label className="flex gap-1.5">
              <input
                type="checkbox"
                checked={!member.combinationsOff.includes(k.id)}
                onChange={(e) =>
                  change(`combination ${k.id}`, (m) => {
                    m.combinationsOff = e.target.checked ? m.combinationsOff.filter((id) => id !== k.id) : [...m.combinationsOff, k.id];
                  })
                }
              />
              {k.id} {k.title}: {k.factors.map((f) => `${Number(f.factor.toFixed(3))} ${f.caseId}`).join(' + ')}
            </label>
          </li>
        ))}
      </ul>
    </div>
  );
}
