import { useEffect, useState } from 'react';
import type { Member, MemberResult } from '@/core/members/kinds';
import type { Project } from '@/core/project/project';
import { resultOf, type Asked } from './results';

interface Found {
  readonly member: Member;
  readonly code: Project['code'];
  readonly display: Project['display'];
  readonly derive: string;
  readonly result: MemberResult;
}

/**
 * Results of some members with the derivations that are asked for, as they come: undefined for those still being worked out. What else changes in
 * the project works out nothing.
 */
export function useResults(
  { code, display, members: all }: Project,
  wanted: readonly { readonly member: Member; readonly derive: NonNullable<Asked['derive']> }[],
): readonly (MemberResult | undefined)[] {
  const [found, setFound] = useState<Readonly<Record<string, Found>>>({});
  const isFound = (f: Found | undefined, member: Member, derive: string) =>
    f?.member === member && f.code === code && f.display === display && f.derive === derive;
  const asked = wanted.map(({ member, derive }) => ({ member, derive, key: String(derive) }));
  useEffect(() => {
    let isWanted = true;
    for (const { member, derive, key } of asked) {
      if (isFound(found[member.id], member, key)) continue;
      void resultOf({ code, display, members: all }, member, { derive }).then((result) => {
        if (isWanted && result) setFound((before) => ({ ...before, [member.id]: { member, code, display, derive: key, result } }));
      });
    }
    return () => {
      isWanted = false;
    };
    // After every drawing: asking again for what is known or on its way costs nothing.
  });
  return asked.map(({ member, key }) => (isFound(found[member.id], member, key) ? found[member.id]!.result : undefined));
}
