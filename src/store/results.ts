import type { Job, Progress } from '@/core/job';
import type { Member, MemberResult } from '@/core/members/kinds';
import type { DesignBasis } from '@/core/project/design-member';
import { neededFor } from '@/core/project/following';
import type { Project } from '@/core/project/project';
import type { DesignTask } from '@/workers/design.worker';
import { JobPool } from '@/workers/job-pool';
import { startDesigner } from '@/workers/start-worker';

/** Workers for the list of members, and one kept for what is typed. */
const FOR_LISTS = 2;
const FOR_TYPING = 1;

/** The workers; each is made when first needed. */
let pool: JobPool<DesignTask, MemberResult> | undefined;
export const getPool = () => (pool ??= new JobPool(startDesigner, FOR_TYPING + FOR_LISTS, undefined, FOR_TYPING));

/** Starts a worker before a project is open. */
export function warmDesigners(): void {
  if (typeof Worker !== 'undefined') getPool().warm();
}

type Derive = Job['derive'];

/** A result with all that it depends on. */
interface Kept {
  readonly code: Project['code'];
  readonly display: Project['display'];
  readonly shares: readonly Member[];
  readonly derive: Derive;
  readonly result: Promise<MemberResult | null>;
}

/** Results by the very member that they belong to: a member that has changed is another object. */
const kept = new WeakMap<Member, Kept[]>();
const MOST_KEPT = 4;

const covers = (has: Derive, wanted: Derive) => has === 'all' || (wanted !== 'all' && wanted.every((id) => has.includes(id)));
const areSame = (a: readonly Member[], b: readonly Member[]) => a.length === b.length && a.every((m, i) => m === b[i]);

function find(basis: DesignBasis, member: Member, shares: readonly Member[], derive: Derive): Kept | undefined {
  return kept
    .get(member)
    ?.find((k) => k.code === basis.code && k.display === basis.display && areSame(k.shares, shares) && covers(k.derive, derive));
}

export interface Asked {
  readonly derive?: Derive;
  readonly isUrgent?: boolean;
  /** A newer question with this key takes the place of an older one; none where every answer is wanted. */
  readonly key?: string;
  readonly onProgress?: (progress: Progress) => void;
}

let count = 0;

/**
 * The result of a member, which may be a state that is in no project: worked out by a worker, once for all that it depends on. Null when a newer
 * question took its place, or when it was stopped.
 */
export function resultOf(basis: DesignBasis, member: Member, asked: Asked = {}): Promise<MemberResult | null> {
  const { derive = [], isUrgent = false, key, onProgress } = asked;
  const shares = neededFor(basis.members ?? [], member);
  const known = find(basis, member, shares, derive);
  if (known) return known.result;
  count += 1;
  // So that designs can be counted in the browser.
  performance.mark?.('design');
  const { code, display } = basis;
  const task: DesignTask = { basis: { code, display, members: shares }, member, derive };
  const result = getPool().submit({ key: key ?? `once ${count}`, task, isUrgent, onProgress });
  const entry: Kept = { code, display, shares, derive, result };
  kept.set(member, [entry, ...(kept.get(member) ?? [])].slice(0, MOST_KEPT));
  const forget = () =>
    kept.set(
      member,
      (kept.get(member) ?? []).filter((k) => k !== entry),
    );
  result.then((r) => r === null && forget(), forget);
  return result;
}

/** Forgets what is kept of a member, so that it is worked out anew. */
export const forgetResult = (member: Member): void => void kept.delete(member);
