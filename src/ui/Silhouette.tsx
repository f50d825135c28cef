import type { BeamOutline } from '@/core/geometry/beam-outline';

/** The shape of a member's section, small and solid. */
export function Silhouette({ shape }: { shape: BeamOutline['shape'] }) {
  const path = {
    rectangular: 'M5 1h6v12H5z',
    T: 'M1 1h14v4h-4.500v8h-5V5H1z',
    L: 'M2 1h12v4H7v8H2z',
    invertedT: 'M1 13h14V9h-4.500V1h-5v8H1z',
  }[shape];
  return (
    <svg width="16" height="14" viewBox="0 0 16 14" aria-hidden="true" className="shrink-0">
      <path d={path} fill="currentColor" />
    </svg>
  );
}
