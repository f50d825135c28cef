import { Suspense } from 'react';
import { PanelScreen } from '@/features/panel/PanelScreen';

export default function Page() {
  return (
    <Suspense>
      <PanelScreen />
    </Suspense>
  );
}
