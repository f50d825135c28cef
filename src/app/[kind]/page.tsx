import { Suspense } from 'react';
import { kinds } from '@/core/members/kinds';
import { MemberScreen } from '@/features/MemberScreen';

/** One address for each kind of member, and no others. */
export const dynamicParams = false;
export const generateStaticParams = () => kinds.map(({ type }) => ({ kind: type }));

export default function Page() {
  return (
    <Suspense>
      <MemberScreen />
    </Suspense>
  );
}
