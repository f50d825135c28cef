import { Suspense } from 'react';
import { BeamScreen } from '@/features/beam/BeamScreen';

export default function Page() {
  return (
    <Suspense>
      <BeamScreen />
    </Suspense>
  );
}
