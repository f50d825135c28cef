import { Suspense } from 'react';
import { StripScreen } from '@/features/strip/StripScreen';

export default function Page() {
  return (
    <Suspense>
      <StripScreen />
    </Suspense>
  );
}
