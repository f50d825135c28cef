import { Suspense } from 'react';
import { ReportScreen } from '@/features/report/ReportScreen';

export default function Page() {
  return (
    <Suspense>
      <ReportScreen />
    </Suspense>
  );
}
