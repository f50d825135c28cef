import { Suspense } from 'react';
import { ColumnScreen } from '@/features/column/ColumnScreen';

export default function Page() {
  return (
    <Suspense>
      <ColumnScreen />
    </Suspense>
  );
}
