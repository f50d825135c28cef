import type { Member } from '@/core/project/project';

const paths = {
  rectangular: 'M5 1h6v12H5z',
  T: 'M1 1h14v4h-4.500v8h-5V5H1z',
  L: 'M2 1h12v4H7v8H2z',
  invertedT: 'M1 13h14V9h-4.500V1h-5v8H1z',
  rectangle: 'M3 2h10v10H3z',
  circle: 'M8 2a5 5 0 1 0 0 10a5 5 0 1 0 0-10z',
  ring: 'M8 1a6 6 0 1 0 0 12a6 6 0 1 0 0-12zM8 4a3 3 0 1 1 0 6a3 3 0 1 1 0-6z',
  cornerL: 'M2 1h5v7h7v5H2z',
  cross: 'M6 1h4v4h4v4h-4v4H6V9H2V5h4z',
  I: 'M2 1h12v3h-4v6h4v3H2v-3h4V4H2z',
  wall: 'M1 5h14v4H1z',
  free: 'M2 4l6-3 6 4-2 8H4z',
  strip: 'M1 4h14v4H1zM2 8h2v4H2zM12 8h2v4h-2z',
  panel: 'M1 1h14v12H1zM3 3v8h10V3z',
  punching: 'M1 2h14v3h-4l-1.500 2.500V13h-3V7.500L5 5H1z',
};

/** The shape of a member's section, small and solid. */
export function Silhouette({ member }: { member: Member }) {
  const kind =
    member.type === 'beam'
      ? member.section.shape
      : member.type === 'wall' || member.type === 'punching' || member.type === 'strip' || member.type === 'panel'
        ? member.type
        : member.shape.kind === 'L'
          ? 'cornerL'
          : member.shape.kind;
  return (
    <svg width="16" height="14" viewBox="0 0 16 14" aria-hidden="true" className="shrink-0">
      <path d={paths[kind]} fill="currentColor" fillRule="evenodd" />
    </svg>
  );
}
