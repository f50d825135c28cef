'use client';
import { useChange } from '@/ui/fields/use-change';
import { useState } from 'react';
import type { Combination } from '@/core/analysis/combination';
import { allCases } from '@/core/members/beam/analysis';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import type { LineMember } from '@/core/members/strip/input';
import { columnsFor } from './columns';
import { Grid } from './Grid';
import { firstFree } from '@/store/commands';

const kinds = {
  ultimate: 'Ultimate',
  characteristic: 'Characteristic',
  frequent: 'Frequent',
  quasiPermanent: 'Quasi-permanent',
  service: 'Service',
  sustained: 'Sustained',
} as const;

/** The combinations that the code makes of the cases: each can be switched off, or taken over and edited; own ones can be added. */
export function CombinationsPanel({ project, member }: { project: Project; member: LineMember }) {
  const code = codeOf(project, member);
  const cases = allCases(member).filter(
    (c) => c.nature === 'permanent' || c.nature === 'settlement' || member.loads.some((l) => l.case === c.id),
  );
  const own = new Set(member.ownCombinations.map((c) => c.id));
  const list = [...code.combinations(cases).filter((c) => !own.has(c.id)), ...member.ownCombinations];
  const change = useChange(member);
  const active = list.filter((c) => c.kind === 'ultimate' && !member.combinationsOff.includes(c.id)).length;

  const of = columnsFor<Combination>('SI', (c) => c.id);
  const isOff = (c: Combination) => member.combinationsOff.includes(c.id);
  const toggle = (c: Combination) =>
    change(`switch ${c.id} ${isOff(c) ? 'on' : 'off'}`, (m) => {
      m.combinationsOff = isOff(c) ? m.combinationsOff.filter((id) => id !== c.id) : [...m.combinationsOff, c.id];
    });
  const setFactor = (base: Combination, caseId: string, factor: number) =>
    change(`factor of ${caseId} in ${base.id}`, (m) => {
      const factors = [...base.factors.filter((f) => f.caseId !== caseId), { caseId, factor }];
      m.ownCombinations = [...m.ownCombinations.filter((c) => c.id !== base.id), { ...base, isOwn: true, clause: 'own', factors }];
    });
  const removeOwn = ({ id }: Combination) =>
    change(`remove own ${id}`, (m) => void (m.ownCombinations = m.ownCombinations.filter((o) => o.id !== id)));
  const add = () =>
    change('add a combination', (m) => {
      const taken = m.ownCombinations.map((o) => o.id);
      const factors = [...(fullest(code.combinations(cases))?.factors ?? [])];
      m.ownCombinations.push({ id: firstFree('X', 1, taken), title: 'own', kind: 'ultimate', clause: 'own', isOwn: true, factors });
    });
  return (
    <div className="overflow-auto px-3.5 py-2">
      <div className="flex items-baseline justify-between">
        <h2>Combinations</h2>
        <span className="small">
          A variable case counts only where it makes the effect worse. Change a factor and the combination is yours.
        </span>
      </div>
      {active === 0 && (
        <p role="alert" className="my-2 border-l-2 border-madder pl-2 font-semibold text-madder-text">
          No ultimate combination is on: nothing is designed.
        </p>
      )}
      <Grid
        label="Combinations"
        rows={list}
        rowKey={(c) => c.id}
        rowClass={(c) => (isOff(c) ? 'text-ash line-through' : '')}
        columns={[
          { title: 'On', cell: (c) => <input type="checkbox" aria-label={`${c.id} on`} checked={!isOff(c)} onChange={() => toggle(c)} /> },
          of.shown('Name', (c) => c.id),
          of.shown('Kind', (c) => kinds[c.kind]),
          of.shown('What', (c) => c.title),
          ...cases.map((k) => ({
            title: k.id,
            width: '4rem',
            text: (c: Combination) => String(factorOf(c, k.id)),
            cell: (c: Combination) => (
              <FactorInput
                label={`Factor of ${k.id} in ${c.id}`}
                value={factorOf(c, k.id)}
                onKeep={(factor) => setFactor(c, k.id, factor)}
              />
            ),
          })),
          of.shown('Source', (c) => c.clause),
          {
            title: '',
            cell: (c) =>
              c.isOwn && (
                <button type="button" className="link" onClick={() => removeOwn(c)}>
                  Remove
                </button>
              ),
          },
        ]}
        add={{ title: 'Add a combination', run: add }}
      />
    </div>
  );
}

const factorOf = (c: Combination, caseId: string) => Number((c.factors.find((f) => f.caseId === caseId)?.factor ?? 0).toFixed(4));

/** A factor typed with a point or a comma; what is no number stays in the field and changes nothing. */
function FactorInput({ label, value, onKeep }: { label: string; value: number; onKeep: (v: number) => void }) {
  const [text, setText] = useState<string | null>(null);
  const typed = text === null || text.trim() === '' ? NaN : Number(text.replace(',', '.'));
  return (
    <input
      className="field"
      aria-label={label}
      aria-invalid={text !== null && !Number.isFinite(typed)}
      value={text ?? String(value)}
      onChange={(e) => setText(e.target.value)}
      onBlur={() => {
        if (text === null || !Number.isFinite(typed)) return;
        if (typed !== value) onKeep(typed);
        setText(null);
      }}
    />
  );
}

const total = (c: Combination) => c.factors.reduce((sum, f) => sum + f.factor, 0);

/** The code's ultimate combination with the largest sum of factors: what a new one starts from. */
const fullest = (combinations: readonly Combination[]) =>
  combinations.filter((c) => c.kind === 'ultimate').sort((a, b) => total(b) - total(a))[0];
