'use client';
import { useState } from 'react';
import type { Nature } from '@/core/analysis/combination';
import type { ColumnForces, LoadSet, LoadSetKind } from '@/core/members/column/input';
import type { Fault } from '@/core/checks/fault';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import type { UprightMember } from '@/core/members/wall/upright';
import { unitLabel } from '@/core/units/format';
import { firstFree, onMember, type Recipe } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { QuantityInput } from '@/ui/QuantityInput';
import { Select } from '@/ui/Select';
import { SignPicture } from './SignPicture';
import { PasteSets } from './PasteSets';
import { usePaste } from '@/ui/MappedPaste';

const ROW = 27;
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
/** Shown where some set has them apart from the top. */
const footColumns: typeof forceColumns = [
  ['nBottom', 'N foot', 'force'],
  ['vxBottom', 'Vx foot', 'force'],
  ['vyBottom', 'Vy foot', 'force'],
];
const kindNames: readonly (readonly [LoadSetKind, string])[] = [
  ['ultimate', 'ultimate'],
  ['characteristic', 'characteristic'],
  ['frequent', 'frequent'],
  ['quasiPermanent', 'quasi-permanent'],
  ['service', 'service'],
];
const isFoot = (key: keyof ColumnForces) => footColumns.some(([k]) => k === key);
const natures: readonly Nature[] = ['permanent', 'imposed', 'roof', 'snow', 'rain', 'wind', 'earthquake', 'settlement'];
const noForces: ColumnForces = {
  N: 0,
  mxTop: 0,
  mxBottom: 0,
  myTop: 0,
  myBottom: 0,
  vx: 0,
  vy: 0,
  torsion: 0,
  nBottom: null,
  vxBottom: null,
  vyBottom: null,
};

/** Every force of every set to be typed or pasted; by load case, or ready-factored. */
export function LoadSetsPanel({ project, member, faults }: { project: Project; member: UprightMember; faults: readonly Fault[] }) {
  const edit = useProject((s) => s.edit);
  const paste = usePaste();
  const [top, setTop] = useState(0);
  const code = codeOf(project, member);
  const change = (label: string, recipe: Recipe<UprightMember>) => edit(`${label} of ${member.mark}`, onMember(member, recipe));
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
  const needsSway = code.column.splitsSway && !(member.axes.x.isBraced && member.axes.y.isBraced);
  const first = Math.max(0, Math.floor(top / ROW) - 4);
  const shown = member.sets.slice(first, first + 44);
  const units = `${unitLabel('force', project.display)}, ${unitLabel('moment', project.display)}`;
  const part = (label: string, value: number | null, keep: (v: number | null) => void, empty: string) => (
    <QuantityInput
      kind="ratio"
      system={project.display}
      value={value}
      label={label}
      onKeep={keep}
      allowEmpty
      placeholder={empty}
      showUnit={false}
    />
  );
  const rows: readonly ColumnForces[] = member.mode === 'sets' ? member.sets : member.caseForces;
  const [wantsFoot, setWantsFoot] = useState(() => rows.some((f) => footColumns.some(([key]) => f[key] != null)));
  const shownColumns = wantsFoot ? [...forceColumns, ...footColumns] : forceColumns;
  const columns = wantsFoot
    ? 'grid grid-cols-[3rem_minmax(2.4rem,1fr)_4.6rem_repeat(11,minmax(2.6rem,4.2rem))_2.4rem_0.9rem] gap-x-0.5'
    : 'grid grid-cols-[3.6rem_minmax(3.4rem,1fr)_5.6rem_repeat(8,minmax(2.9rem,4.2rem))_3rem_0.9rem] gap-x-1';
  return (
    <div className="flex min-h-0 flex-1 flex-col px-3.5" onPaste={member.mode === 'sets' ? paste.onPaste : undefined}>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1 pb-1.5">
        <label className="flex items-center gap-1.5">
          Forces come
          <Select
            label="Forces come"
            className="field !w-auto"
            value={member.mode}
            options={[
              ['sets', 'ready-factored, in sets'],
              ['cases', 'by load case, combined by the code'],
            ]}
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
      <label className="flex items-center gap-1.5">
        <input
          type="checkbox"
          checked={wantsFoot}
          onChange={(e) => {
            setWantsFoot(e.target.checked);
            if (e.target.checked || !rows.some((f) => footColumns.some(([key]) => f[key] != null))) return;
            change('same N and V at the foot', (m) => {
              for (const f of [...m.sets, ...m.caseForces]) for (const [key] of footColumns) Object.assign(f, { [key]: null });
            });
          }}
        />
        N and V differ at the foot
      </label>
      <p className="small pb-1">Sustained: {code.column.sustainedMeaning}.</p>
      <SignPicture member={member} onSigns={(signs) => change('sense of end moments', (m) => void (m.signs = signs))} />
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
          <div className="flex items-baseline gap-3 border-t border-line pt-1">
            <h2>Load sets</h2>
            <span className="small">
              {member.sets.length} · {units}
            </span>
            <button type="button" className="link ml-auto" onClick={() => paste.open('')}>
              Ctrl V paste rows
            </button>
          </div>
          <div className={`${columns} small border-b border-ebony`}>
            {['Name', 'Title', 'Kind', ...shownColumns.map(([, name]) => name), 'sust.', ''].map((h, i) => (
              <span key={h + i}>{h}</span>
            ))}
          </div>
          <div className="min-h-0 flex-1 overflow-y-auto" onScroll={(e) => setTop(e.currentTarget.scrollTop)}>
            <div style={{ height: member.sets.length * ROW, position: 'relative' }}>
              {shown.map((set, k) => {
                const i = first + k;
                return (
                  <div
                    key={i}
                    className={`${columns} absolute inset-x-0 items-center border-b border-line`}
                    style={{ top: i * ROW, height: ROW }}
                  >
                    {(['name', 'title'] as const).map((key) => (
                      <input
                        key={key + set[key]}
                        className="field"
                        aria-label={`${key} of set ${i + 1}`}
                        defaultValue={set[key]}
                        onBlur={(e) => e.target.value !== set[key] && setSet(i, { [key]: e.target.value.slice(0, 80) })}
                      />
                    ))}
                    <Select label={`Kind of set ${i + 1}`} value={set.kind} options={kindNames} onPick={(kind) => setSet(i, { kind })} />
                    {shownColumns.map(([key, name, kind]) => (
                      <QuantityInput
                        key={key}
                        kind={kind}
                        system={project.display}
                        value={set[key] ?? null}
                        label={`${name} of ${set.name}`}
                        showUnit={false}
                        allowEmpty={isFoot(key)}
                        placeholder={isFoot(key) ? 'as top' : ''}
                        onKeep={(v) => (v !== null || isFoot(key)) && setSet(i, { [key]: v })}
                      />
                    ))}
                    {part(
                      `Sustained part of ${set.name}`,
                      set.sustained,
                      (v) => setSet(i, { sustained: v }),
                      member.sustained === null ? 'none' : String(member.sustained),
                    )}
                    <button
                      type="button"
                      className="link"
                      aria-label={`Delete ${set.name}`}
                      onClick={() => change(`delete ${set.name}`, (m) => void m.sets.splice(i, 1))}
                    >
                      ×
                    </button>
                  </div>
                );
              })}
            </div>
          </div>
          <button type="button" className="btn my-2 self-start" onClick={add}>
            Add a load set
          </button>
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
  change: (label: string, recipe: Recipe<UprightMember>) => void;
}) {
  const code = codeOf(project, member);
  const forcesOf = (id: string) => member.caseForces.findIndex((f) => f.case === id);
  const setForce = (id: string, key: keyof ColumnForces, v: number | null) =>
    change(`forces of ${id}`, (m) => {
      const at = m.caseForces.findIndex((f) => f.case === id);
      if (at >= 0) Object.assign(m.caseForces[at]!, { [key]: v });
      else m.caseForces.push({ ...noForces, case: id, [key]: v });
    });
  const add = () =>
    change('add a load case', (m) => {
      const id = firstFree(
        'Q',
        m.cases.length + 1,
        m.cases.map((c) => c.id),
      );
      m.cases.push({ id, title: 'Imposed', nature: 'imposed', category: 'C', pattern: false });
      m.caseForces.push({ ...noForces, case: id });
    });
  return (
    <div className="min-h-0 flex-1 overflow-auto border-t border-line pt-1">
      <h2>Load cases</h2>
      <p className="small">
        Characteristic forces, {unitLabel('force', project.display)}, {unitLabel('moment', project.display)}.
      </p>
      <table className="grid-table">
        <thead>
          <tr>
            {['Case', 'Title', 'Nature', ...shownColumns.map(([, name]) => name), ''].map((h, i) => (
              <th key={h + i}>{h}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {member.cases.map((c, i) => {
            const f = member.caseForces[forcesOf(c.id)] ?? { ...noForces, case: c.id };
            return (
              <tr key={c.id}>
                <td>{c.id}</td>
                <td>
                  <input
                    className="field !w-24"
                    aria-label={`Title of ${c.id}`}
                    defaultValue={c.title}
                    onBlur={(e) => change('title of a case', (m) => void (m.cases[i]!.title = e.target.value.slice(0, 60)))}
                  />
                </td>
                <td>
                  <Select
                    label={`Nature of ${c.id}`}
                    value={c.nature}
                    options={natures.map((n) => [n, n] as const)}
                    onPick={(nature) => change(`nature of ${c.id}`, (m) => void (m.cases[i]!.nature = nature))}
                  />
                </td>
                {shownColumns.map(([key, name, kind]) => (
                  <td key={key}>
                    <QuantityInput
                      kind={kind}
                      system={project.display}
                      value={f[key] ?? null}
                      label={`${name} of ${c.id}`}
                      showUnit={false}
                      allowEmpty={isFoot(key)}
                      placeholder={isFoot(key) ? 'as top' : ''}
                      onKeep={(v) => (v !== null || isFoot(key)) && setForce(c.id, key, v)}
                    />
                  </td>
                ))}
                <td>
                  <button
                    type="button"
                    className="link"
                    aria-label={`Delete ${c.id}`}
                    onClick={() =>
                      change(`delete ${c.id}`, (m) => {
                        m.cases.splice(i, 1);
                        m.caseForces = m.caseForces.filter((q) => q.case !== c.id);
                      })
                    }
                  >
                    ×
                  </button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <button type="button" className="btn my-2" onClick={add}>
        Add a load case
      </button>
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
