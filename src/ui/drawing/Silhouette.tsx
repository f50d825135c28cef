import { kindOf, type Member } from '@/core/members/kinds';

/** The shape of a member's section, small and solid. */
export function Silhouette({ member }: { member: Member }) {
  return (
    <svg width="16" height="14" viewBox="0 0 16 14" aria-hidden="true" className="shrink-0">
      <path d={kindOf(member).silhouette(member)} fill="currentColor" fillRule="evenodd" />
    </svg>
  );
}
