import type { Check } from '@/core/checks/check';

/** How a check or a member stands, as it is drawn: a decision covers an excess. */
export type Standing = 'within' | 'near' | 'over' | 'accepted' | 'working' | 'open';

export function standingOf(status: Check['status'] | undefined, isDecided = false): Standing {
  if (status === 'exceeds' || status === 'failed') return isDecided ? 'accepted' : 'over';
  if (status === 'near') return 'near';
  return status === 'holds' ? 'within' : 'open';
}

const names: Record<Standing, string> = {
  within: 'within the limit',
  near: 'near the limit',
  over: 'over the limit',
  accepted: 'over the limit, accepted by the engineer',
  working: 'being worked out',
  open: 'not checked',
};

export const standingText: Record<Standing, string> = {
  within: 'text-verdigris-text font-medium',
  near: 'text-ochre-text font-medium',
  over: 'text-madder-text font-semibold',
  accepted: 'text-madder-text font-semibold',
  working: 'text-ash',
  open: 'text-ash',
};

const shapes: Record<Standing, React.ReactNode> = {
  within: <rect x="2" y="2" width="6" height="6" fill="#3C8A7A" />,
  near: <path d="M.8 8.6L5 1l4.2 7.6z" fill="url(#near)" stroke="#7A5800" strokeWidth=".9" />,
  over: (
    <>
      <path d="M5 .2L9.8 5 5 9.8.2 5z" fill="#B31340" />
      <path d="M3.2 3.2l3.6 3.6M6.8 3.2L3.2 6.8" stroke="#F8F4E9" strokeWidth="1.1" />
    </>
  ),
  accepted: <path d="M.4 1.6L5 4l4.6-2.4v6.8L5 6 .4 8.4z" fill="currentColor" />,
  working: <path className="ring-working" d="M5 1.2A3.8 3.8 0 1 1 1.2 5" fill="none" stroke="#6B6153" strokeWidth="1.4" />,
  open: <circle cx="5" cy="5" r="3.6" fill="none" stroke="#6B6153" strokeWidth="1" strokeDasharray="1.6 1.4" />,
};

export function Glyph({ standing, edged = false }: { standing: Standing; edged?: boolean }) {
  return (
    <svg
      width="10"
      height="10"
      viewBox="0 0 10 10"
      role="img"
      aria-label={names[standing]}
      className={edged ? 'shrink-0 bg-holly' : 'shrink-0'}
    >
      {shapes[standing]}
    </svg>
  );
}
