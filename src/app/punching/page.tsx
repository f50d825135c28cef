import { Suspense } from 'react';
import { PunchingScreen } from '@/features/punching/PunchingScreen';

export default function Page() {
  return (
    <Suspense>
      <PunchingScreen />
    </Suspense>
  );
}
