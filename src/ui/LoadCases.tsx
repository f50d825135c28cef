'use client';
import type { Draft } from 'immer';
import type { ImposedCategory, LoadCase, Nature } from '@/core/analysis/combination';
import type { Fault } from '@/core/checks/fault';
import type { Member } from '@/core/members/kinds';
import { firstFree, onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';

const natures: Record<Nature, string> = {
  permanent: 'permanent',
  imposed: 'imposed',
  roof: 'roof, imposed',
  snow: 'snow',
  rain: 'rain',
  wind: 'wind',
  earthquake: 'earthquake',
  settlement: 'settlement',
};
const categories: Record<ImposedCategory, string> = {
  A: 'A dwellings',
  B: 'B offices',
  C: 'C assembly',
  D: 'D shops',
  E: 'E storage',
  F: 'F light traffic',
  G: 'G traffic',
  H: 'H roofs',
};

/** Members whose loads belong to cases. */
type CasedMember = Extract<Member, { readonly loads: readonly { readonly case: string }[] }>;

/** The load cases of a beam or a strip of slab as a table. */
export function LoadCases({ member, faults }: { readonly member: CasedMember; readonly faults: readonly Fault[] }) {
  const edit = useProject((s) => s.edit);
  const change = (label: string, recipe: (m: Draft<CasedMember>) => void) => edit(`${label} of ${member.mark}`, onMember(member, recipe));
  const set = (i: number, patch: Partial<LoadCase>) =>
    change(`load case ${member.cases[i]!.id}`, (m) => {
      const before = m.cases[i]!.id;
      Object.assign(m.cases[i]!, patch);
      if (patch.id) m.loads.filter((l) => l.case === before).forEach((l) => (l.case = patch.id!));
    });
  return (
    <>
      <div className="flex items-baseline justify-between">
        <h2>Load cases</h2>
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            checked={member.selfWeight}
            onChange={(e) =>
              change(e.target.checked ? 'count self-weight' : 'leave self-weight out', (m) => void (m.selfWeight = e.target.checked))
            }
          />{' '}
          Self-weight counted
        </label>
      </div>
      <table className="grid-table" aria-label="Load cases">
        <thead>
          <tr>
            {['Name', 'Title', 'Nature', 'Category', 'May be absent from single spans', ''].map((h) => (
              <th key={h}>{h}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {member.cases.map((c, i) => (
            <tr key={i}>
              <td className="w-16">
                <input
                  className="field"
                  aria-label="Name of load case"
                  defaultValue={c.id}
                  key={c.id}
                  onBlur={(e) => e.target.value.trim() && e.target.value !== c.id && set(i, { id: e.target.value.trim().slice(0, 20) })}
                />
                {faults
                  .filter((f) => f.path.startsWith(`cases[${i}]`))
                  .map((f) => (
                    <span key={f.path} className="text-madder-text">
                      {f.reason}
                    </span>
                  ))}
              </td>
              <td>
                <input
                  className="field"
                  aria-label="Title of load case"
                  defaultValue={c.title}
                  key={c.title}
                  onBlur={(e) => e.target.value !== c.title && set(i, { title: e.target.value.slice(0, 60) })}
                />
              </td>
              <td>
                <select
                  className="field"
                  aria-label="Nature"
                  value={c.nature}
                  onChange={(e) => set(i, { nature: e.target.value as Nature, pattern: e.target.value === 'imposed' })}
                >
                  {Object.entries(natures)
                    .filter(([k]) => k !== 'settlement')
                    .map(([k, name]) => (
                      <option key={k} value={k}>
                        {name}
                      </option>
                    ))}
                </select>
              </td>
              <td>
                <select
                  className="field"
                  aria-label="Category"
                  value={c.category}
                  disabled={c.nature !== 'imposed'}
                  onChange={(e) => set(i, { category: e.target.value as ImposedCategory })}
                >
                  {Object.entries(categories).map(([k, name]) => (
                    <option key={k} value={k}>
                      {name}
                    </option>
                  ))}
                </select>
              </td>
              <td>
                <input
                  type="checkbox"
                  aria-label="May be absent from single spans"
                  checked={c.pattern}
                  disabled={c.nature === 'permanent'}
                  onChange={(e) => set(i, { pattern: e.target.checked })}
                />
              </td>
              <td>
                <button
                  type="button"
                  className="link"
                  onClick={() =>
                    change(`delete load case ${c.id}`, (m) => {
                      m.cases.splice(i, 1);
                      m.loads = m.loads.filter((l) => l.case !== c.id) as typeof m.loads;
                    })
                  }
                >
                  Delete
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <button
        type="button"
        className="btn mt-2"
        onClick={() =>
          change(
            'add a load case',
            (m) =>
              void m.cases.push({ id: freshCase(m.cases.map((c) => c.id)), title: '', nature: 'imposed', category: 'A', pattern: true }),
          )
        }
      >
        Add a load case
      </button>
    </>
  );
}

/** Q, or the first of Q2, Q3, … that no case has. */
const freshCase = (taken: readonly string[]) => (taken.includes('Q') ? firstFree('Q', 2, taken) : 'Q');
