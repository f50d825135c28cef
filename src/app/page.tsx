import { Suspense } from 'react';
import { StartScreen } from '@/features/start/StartScreen';

export default function Page() {
  return (
    <Suspense>
      <StartScreen />
    </Suspense>
  );
}
