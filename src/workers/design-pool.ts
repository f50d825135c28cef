import type { Member, MemberResult } from '@/core/members/kinds';
import type { DesignBasis } from '@/core/project/design-member';

/** One design to be done; a newer job with the same key takes its place while it waits. */
export interface DesignJob {
  readonly key: string;
  readonly basis: DesignBasis;
  readonly member: Member;
  readonly derive: readonly string[] | 'all';
  /** Before jobs that only fill the overview. */
  readonly isUrgent: boolean;
}

export interface DesignRunner {
  design(basis: DesignBasis, member: Member, derive: readonly string[] | 'all'): Promise<MemberResult>;
}

interface Waiting {
  readonly job: DesignJob;
  readonly resolve: (result: MemberResult | null) => void;
  readonly reject: (error: unknown) => void;
}

/** Hands jobs to a few workers: urgent ones first, the newest of each key only. */
export class DesignPool {
  private readonly idle: DesignRunner[];
  private waiting: Waiting[] = [];

  constructor(runners: readonly DesignRunner[]) {
    this.idle = [...runners];
  }

  /** Resolves to null when a newer job took this one's place before it began. */
  submit(job: DesignJob): Promise<MemberResult | null> {
    this.waiting.filter((w) => w.job.key === job.key).forEach((w) => w.resolve(null));
    this.waiting = this.waiting.filter((w) => w.job.key !== job.key);
    return new Promise((resolve, reject) => {
      const entry = { job, resolve, reject };
      if (job.isUrgent) this.waiting.unshift(entry);
      else this.waiting.push(entry);
      this.next();
    });
  }

  /** How many have not begun. */
  get backlog(): number {
    return this.waiting.length;
  }

  /** Drops what has not begun. */
  cancelWaiting(): void {
    this.waiting.forEach((w) => w.resolve(null));
    this.waiting = [];
  }

  private next(): void {
    const runner = this.idle[0];
    const entry = this.waiting[0];
    if (!runner || !entry) return;
    this.idle.shift();
    this.waiting.shift();
    runner
      .design(entry.job.basis, entry.job.member, entry.job.derive)
      .then(entry.resolve, entry.reject)
      .finally(() => {
        this.idle.push(runner);
        this.next();
      });
  }
}
