'use client';
import { useEffect, useState } from 'react';
import { governing, isTold, type Check } from '@/core/checks/check';
import { codeVariants } from '@/core/codes/registry';
import type { Member, MemberResult } from '@/core/members/kinds';
import type { Project } from '@/core/project/project';
import { formatQuantity } from '@/core/units/format';
import { resultOf } from '@/store/results';
import { Use } from './Use';

const families = [
  ['bending', 'Bending and N'],
  ['shear', 'Shear'],
  ['torsion', 'Torsion'],
  ['deflection', 'Deflection'],
  ['crack', 'Cracks'],
  ['detailing', 'Rules'],
  ['fire', 'Fire'],
] as const satisfies readonly (readonly [Check['family'], string])[];

type Code = Project['code'];

/** Every code in every form, each with its usual choices but the one in use. */
const codesBeside = (own: Code): readonly (readonly [title: string, code: Code])[] =>
  codeVariants.map(({ id, variant, title }) => [title, id === own.id && variant === own.variant ? own : { id, variant, choices: {} }]);

/** The member as it is, designed to every code: what it uses, and what governs. Begun when it is asked for. */
export function BesideCodes({ project, member }: { project: Project; member: Member }) {
  const [asked, setAsked] = useState<Member | null>(null);
  const results = useEveryCode(project, asked === member ? member : null);
  return (
    <section className="pt-4">
      <h2>Beside other codes</h2>
      <p className="small">
        The same sizes, bars, strengths and loads; every code combines the loads and checks them as it does, with its usual choices. What a
        code has no counterpart for is said by it.
      </p>
      {asked !== member ? (
        <button type="button" className="btn mt-1" onClick={() => setAsked(member)}>
          Design to every code
        </button>
      ) : (
        <CodeTable results={results} own={project.code} units={project.display} />
      )}
    </section>
  );
}

interface Row {
  readonly title: string;
  readonly code: Code;
  readonly result: MemberResult | null;
}

function CodeTable({ results, own, units }: { results: readonly Row[]; own: Code; units: Project['display'] }) {
  const shown = families.filter(([family]) => results.some(({ result }) => result?.checks.some((c) => c.family === family && isTold(c))));
  return (
    <table className="grid-table mt-1" aria-label="The member to every code">
      <thead>
        <tr>
          <th>Code</th>
          {shown.map(([family, title]) => (
            <th key={family}>{title}</th>
          ))}
          <th className="!text-right">Steel</th>
          <th>Governs</th>
        </tr>
      </thead>
      <tbody>
        {results.map(({ title, code, result }) => (
          <tr key={title}>
            <td className={code === own ? 'font-semibold' : ''}>
              {title}
              {code === own && <span className="small ml-1 font-normal">in use</span>}
            </td>
            {shown.map(([family]) => (
              <td key={family}>
                <Use check={result ? governing(result.checks.filter((c) => c.family === family)) : undefined} />
              </td>
            ))}
            <td className="text-right">
              {result?.quantities ? formatQuantity(result.quantities.bars + result.quantities.links, 'mass', units) : ''}
            </td>
            <td>{result ? (result.faults[0]?.reason ?? governing(result.checks)?.title ?? '–') : 'being designed'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Results of one member by code; null until they are there. */
function useEveryCode({ code, display, members }: Project, member: Member | null): readonly Row[] {
  const [known, setKnown] = useState<{ readonly of: Member; readonly by: ReadonlyMap<string, MemberResult> } | null>(null);
  useEffect(() => {
    if (!member) return;
    let isOn = true;
    for (const [title, other] of codesBeside(code)) {
      // A copy: what is kept of the member itself stays where it is.
      const copy = { ...member };
      const around = members.map((m) => (m.id === member.id ? copy : m));
      void resultOf({ code: other, display, members: around }, copy).then(
        (result) =>
          isOn && result && setKnown((before) => ({ of: member, by: new Map(before?.of === member ? before.by : []).set(title, result) })),
        () => undefined,
      );
    }
    return () => {
      isOn = false;
    };
  }, [member, code, display, members]);
  return codesBeside(code).map(([title, other]) => ({
    title,
    code: other,
    result: known !== null && known.of === member ? (known.by.get(title) ?? null) : null,
  }));
}
