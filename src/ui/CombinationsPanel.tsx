'use client';
import { useState } from 'react';
import type { Combination } from '@/core/analysis/combination';
import { allCases } from '@/core/members/beam/analysis';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import type { LineMember } from '@/core/members/strip/input';
import { firstFree, onMember, type Recipe } from '@/store/commands';
import { useProject } from '@/store/project-store';

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
  const edit = useProject((s) => s.edit);
  const [factorText, setFactorText] = useState<Record<string, string>>({});
  const code = codeOf(project, member);
  const cases = allCases(member).filter(
    (c) => c.nature === 'permanent' || c.nature === 'settlement' || member.loads.some((l) => l.case === c.id),
  );
  const own = new Set(member.ownCombinations.map((c) => c.id));
  const list = [...code.combinations(cases).filter((c) => !own.has(c.id)), ...member.ownCombinations];
  const change = (label: string, recipe: Recipe<LineMember>) => edit(`${label} of ${member.mark}`, onMember(member, recipe));
  const active = list.filter((c) => c.kind === 'ultimate' && !member.combinationsOff.includes(c.id)).length;

  const setFactor = (id: string, caseId: string, text: string) => {
    const factor = Number(text.replace(',', '.'));
    setFactorText((t) => ({ ...t, [`${id} ${caseId}`]: text }));
    if (text.trim() === '' || !Number.isFinite(factor)) return;
    const base = list.find((c) => c.id === id)!;
    change(`factor of ${caseId} in ${id}`, (m) => {
      const factors = [...base.factors.filter((f) => f.caseId !== caseId), { caseId, factor }];
      m.ownCombinations = [...m.ownCombinations.filter((c) => c.id !== id), { ...base, isOwn: true, clause: 'own', factors }];
    });
  };
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
      <table className="grid-table" aria-label="Combinations">
        <thead>
          <tr>
            <th>On</th>
            <th>Name</th>
            <th>Kind</th>
            <th>What</th>
            {cases.map((c) => (
              <th key={c.id} title={c.title}>
                {c.id}
              </th>
            ))}
            <th>Source</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {list.map((c) => {
            const isOff = member.combinationsOff.includes(c.id);
            return (
              <tr key={c.id} className={isOff ? 'text-ash line-through' : ''}>
                <td>
                  <input
                    type="checkbox"
                    aria-label={`${c.id} on`}
                    checked={!isOff}
                    onChange={() =>
                      change(
                        `switch ${c.id} ${isOff ? 'on' : 'off'}`,
                        (m) =>
                          void (m.combinationsOff = isOff ? m.combinationsOff.filter((id) => id !== c.id) : [...m.combinationsOff, c.id]),
                      )
                    }
                  />
                </td>
                <td className="font-medium">{c.id}</td>
                <td>{kinds[c.kind]}</td>
                <td>{c.title}</td>
                {cases.map((k) => {
                  const factor = c.factors.find((f) => f.caseId === k.id)?.factor ?? 0;
                  const key = `${c.id} ${k.id}`;
                  return (
                    <td key={k.id} className="w-16">
                      <input
                        className="field"
                        aria-label={`Factor of ${k.id} in ${c.id}`}
                        value={factorText[key] ?? String(Number(factor.toFixed(4)))}
                        aria-invalid={factorText[key] !== undefined && !Number.isFinite(Number(factorText[key]!.replace(',', '.') || NaN))}
                        onChange={(e) => setFactorText((t) => ({ ...t, [key]: e.target.value }))}
                        onBlur={(e) => {
                          if (factorText[key] !== undefined && Number(e.target.value.replace(',', '.')) !== factor)
                            setFactor(c.id, k.id, e.target.value);
                        }}
                      />
                    </td>
                  );
                })}
                <td className="small">{c.clause}</td>
                <td>
                  {c.isOwn && (
                    <button
                      type="button"
                      className="link"
                      onClick={() =>
                        change(`remove own ${c.id}`, (m) => void (m.ownCombinations = m.ownCombinations.filter((o) => o.id !== c.id)))
                      }
                    >
                      Remove
                    </button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <button
        type="button"
        className="btn mt-2"
        onClick={() =>
          change(
            'add a combination',
            (m) =>
              void m.ownCombinations.push({
                id: firstFree(
                  'X',
                  1,
                  m.ownCombinations.map((o) => o.id),
                ),
                title: 'own',
                kind: 'ultimate',
                clause: 'own',
                isOwn: true,
                factors: [...(fullest(code.combinations(cases))?.factors ?? [])],
              }),
          )
        }
      >
        Add a combination
      </button>
    </div>
  );
}

const total = (c: Combination) => c.factors.reduce((sum, f) => sum + f.factor, 0);

/** The code's ultimate combination with the largest sum of factors: what a new one starts from. */
const fullest = (combinations: readonly Combination[]) =>
  combinations.filter((c) => c.kind === 'ultimate').sort((a, b) => total(b) - total(a))[0];
