'use client';
import { useEffect, useState } from 'react';
import { governing, isTold } from '@/core/checks/check';
import type { Project } from '@/core/project/project';
import { kindOf, type Member, type MemberResult } from '@/core/members/kinds';
import { adoptVariant, differences, dropVariant, keepVariant } from '@/core/project/variants';
import { against, percentTitle } from '@/core/advice/single-changes';
import { formatQuantity, formatUtilisation } from '@/core/units/format';
import { firstFree, replaceMember } from '@/store/commands';
import { weigh } from '@/core/advice/rates';
import { resultOf } from '@/store/results';
import { useProject } from '@/store/project-store';
import { BesideCodes } from './BesideCodes';
import { Use } from './Use';

/** Variants beside the state in use. */
const MOST_SHOWN = 3;

/** The member as it is beside states that were kept: what differs in the input, what comes of it, and the way back or forth. */
export function VariantsPanel({ project, member, result }: { project: Project; member: Member; result: MemberResult }) {
  const edit = useProject((s) => s.edit);
  const [name, setName] = useState('');
  const [hidden, setHidden] = useState<readonly string[]>([]);
  const shown = member.variants
    .map((v, i) => ({ ...v, i }))
    .filter((v) => !hidden.includes(v.name))
    .slice(-MOST_SHOWN);
  const results = useDesigned(
    project,
    shown.map((v) => v.state),
  );
  const states = [member, ...shown.map((v) => v.state)];
  const all = [result, ...results];
  const keep = () => {
    const free =
      name.trim() ||
      firstFree(
        'variant ',
        member.variants.length + 1,
        member.variants.map((v) => v.name),
      );
    if (edit(`keep ${member.mark} as ${free}`, replaceMember(keepVariant(member, free))) === null) setName('');
  };
  const differing = differences(project, states);
  const head = ['in use', ...shown.map((v) => v.name)];
  return (
    <div className="min-h-0 flex-1 overflow-auto px-3.5 py-2">
      <form
        className="flex items-center gap-2 pb-2"
        onSubmit={(e) => {
          e.preventDefault();
          keep();
        }}
      >
        <label className="flex items-center gap-2">
          Keep today’s state as
          <input
            className="field !w-44"
            aria-label="Name of the variant"
            value={name}
            placeholder="a name"
            onChange={(e) => setName(e.target.value)}
          />
        </label>
        <button type="submit" className="btn">
          Keep
        </button>
        {member.variants.length > MOST_SHOWN && (
          <span className="small">
            {member.variants.map((v) => (
              <label key={v.name} className="mr-3">
                <input
                  type="checkbox"
                  checked={!hidden.includes(v.name)}
                  onChange={(e) => setHidden(e.target.checked ? hidden.filter((h) => h !== v.name) : [...hidden, v.name])}
                />{' '}
                {v.name}
              </label>
            ))}
          </span>
        )}
      </form>
      {member.variants.length === 0 ? (
        <p>No variants yet. Keep today’s state under a name, change the member, and both stand here side by side.</p>
      ) : (
        <table className="grid-table" aria-label="Variants side by side">
          <thead>
            <tr>
              <th className="w-44" />
              {head.map((h, i) => (
                <th key={h + i} className="min-w-52">
                  {h}
                  {i > 0 && (
                    <span className="small ml-3 font-normal">
                      <button
                        type="button"
                        className="link"
                        onClick={() => edit(`adopt ${h} for ${member.mark}`, replaceMember(adoptVariant(member, shown[i - 1]!.i)))}
                      >
                        adopt
                      </button>{' '}
                      <button
                        type="button"
                        className="link"
                        onClick={() => edit(`drop ${h} of ${member.mark}`, replaceMember(dropVariant(member, shown[i - 1]!.i)))}
                      >
                        drop
                      </button>
                    </span>
                  )}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <Group title="Input that differs" columns={head.length} />
            {differing.length === 0 && (
              <tr>
                <td colSpan={head.length + 1}>Nothing yet.</td>
              </tr>
            )}
            {differing.map((d) => (
              <tr key={d.path}>
                <td className="text-walnut">{d.label}</td>
                {d.values.map((v, i) => (
                  <td key={i} className={i > 0 && v !== d.values[0] ? 'font-semibold' : ''}>
                    {v} {i > 0 && v !== d.values[0] && <span aria-label="differs">◂</span>}
                  </td>
                ))}
              </tr>
            ))}
            <Group title="What comes of it" columns={head.length} />
            <ResultRows project={project} states={states} results={all} />
          </tbody>
        </table>
      )}
      <BesideCodes project={project} member={member} />
    </div>
  );
}

function Group({ title, columns }: { title: string; columns: number }) {
  return (
    <tr>
      <td colSpan={columns + 1} className="!pt-3">
        <h2>{title}</h2>
      </td>
    </tr>
  );
}

function ResultRows({
  project,
  states,
  results,
}: {
  project: Project;
  states: readonly Member[];
  results: readonly (MemberResult | null | undefined)[];
}) {
  const units = project.display;
  const quantity = (r: MemberResult | null | undefined) => r?.quantities;
  const weighed = (by: 'cost' | 'carbon'): string[] => {
    const sums = results.map((r, i) => {
      const q = quantity(r);
      return q ? weigh(q, states[i]!.materials.concreteStrength, project.rates[by]) : null;
    });
    const [now] = sums;
    return sums.map((sum, i) =>
      i === 0 ? '–' : sum === null || now === null || now === undefined ? '…' : percentTitle(against(sum, now)),
    );
  };
  const rows: { title: string; texts: readonly string[] }[] = [
    { title: 'Size', texts: states.map((s) => kindOf(s).sizeLabel(s, units)) },
    { title: 'Reinforcement', texts: results.map((r, i) => (r ? kindOf(states[i]!).steelLabel(states[i]!, r, project) : '…')) },
    { title: 'Concrete', texts: results.map((r) => (quantity(r) ? formatQuantity(quantity(r)!.concrete, 'volume', units) : '…')) },
    {
      title: 'Steel',
      texts: results.map((r) => (quantity(r) ? formatQuantity(quantity(r)!.bars + quantity(r)!.links, 'mass', units) : '…')),
    },
    { title: 'Cost against now', texts: weighed('cost') },
    { title: 'Carbon against now', texts: weighed('carbon') },
  ];
  const ids = [...new Map(results.flatMap((r) => (r?.checks ?? []).filter(isTold).map((c) => [c.id, c.title] as const)))];
  const at = (r: MemberResult | null | undefined, id: string) => r?.checks.find((c) => c.id === id);
  const differ = ids.filter(([id]) => new Set(results.map((r) => formatUtilisation(at(r, id)?.utilisation ?? null))).size > 1);
  return (
    <>
      {rows.map(({ title, texts }) => (
        <tr key={title}>
          <td className="text-walnut">{title}</td>
          {texts.map((t, i) => (
            <td key={i} className={i > 0 && t !== texts[0] ? 'font-semibold' : ''}>
              {t} {i > 0 && t !== texts[0] && t !== '…' && <span aria-label="differs">◂</span>}
            </td>
          ))}
        </tr>
      ))}
      <tr>
        <td className="text-walnut">Governs</td>
        {results.map((r, i) => (
          <td key={i}>{r ? (r.faults[0]?.reason ?? governing(r.checks)?.title ?? '–') : '…'}</td>
        ))}
      </tr>
      {differ.map(([id, title]) => (
        <tr key={id}>
          <td className="text-walnut">{title}</td>
          {results.map((r, i) => (
            <td key={i}>
              <Use check={at(r, id)} />
            </td>
          ))}
        </tr>
      ))}
    </>
  );
}

/** The results of states that are not in the project; null until they are there. */
function useDesigned({ code, display }: Project, states: readonly Member[]): readonly (MemberResult | null)[] {
  const [known, setKnown] = useState<ReadonlyMap<Member, { code: Project['code']; result: MemberResult }>>(new Map());
  // A state is the same object for as long as it is kept.
  const wanted = useStableList(states);
  useEffect(() => {
    let isOn = true;
    for (const state of wanted)
      void resultOf({ code, display }, state).then(
        (result) => isOn && result && setKnown((before) => new Map(before).set(state, { code, result })),
        () => undefined,
      );
    return () => {
      isOn = false;
    };
  }, [wanted, code, display]);
  return states.map((state) => {
    const entry = known.get(state);
    return entry?.code === code ? entry.result : null;
  });
}

/** The same list for as long as its entries are the same. */
function useStableList<T>(list: readonly T[]): readonly T[] {
  const [kept, setKept] = useState(list);
  const isSame = kept.length === list.length && kept.every((v, i) => v === list[i]);
  if (!isSame) setKept(list);
  return isSame ? kept : list;
}
