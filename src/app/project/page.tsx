import { Suspense } from 'react';
import { ProjectScreen } from '@/features/project/ProjectScreen';

export default function Page() {
  return (
    <Suspense>
      <ProjectScreen />
    </Suspense>
  );
}
