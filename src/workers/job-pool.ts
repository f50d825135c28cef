import type { Progress } from '@/core/job';

/** A worker that does one task at a time. */
export interface Runner<T, A> {
  /** Resolves to null when the task was stopped. */
  run(task: T, onProgress: (progress: Progress) => void): Promise<A | null>;
  /** Asks the running task to end at its next step. */
  stop(): void;
  /** Ends the worker itself, at once. */
  end(): void;
  /** Told when the worker has died by itself. */
  onGone(listener: () => void): void;
}

/** One task to be done; a newer job with the same key takes its place. */
export interface PoolJob<T> {
  readonly key: string;
  readonly task: T;
  /** Before jobs that only fill a list. */
  readonly isUrgent: boolean;
  readonly onProgress?: (progress: Progress) => void;
}

/** A task was given up after its worker had died twice. */
export class WorkerLost extends Error {
  override readonly name = 'WorkerLost';
}

interface Entry<T, A> {
  readonly job: PoolJob<T>;
  readonly resolve: (answer: A | null) => void;
  readonly reject: (error: unknown) => void;
  tries: number;
  isLong: boolean;
  isStopped: boolean;
}

interface Slot<T, A> {
  /** Kept for urgent jobs. */
  readonly isKept: boolean;
  runner: Runner<T, A> | null;
  running: Entry<T, A> | null;
  /** Ends the worker when it shows no sign of life. */
  watch: ReturnType<typeof setTimeout> | undefined;
}

/** How long a worker may take before it is ended and another takes its place (ms). */
export interface Patience {
  /** Without telling how far it is. */
  readonly silent: number;
  /** To stop what somebody stopped by hand. */
  readonly stopping: number;
  /** To leave what a newer job has taken the place of: what it knows already is worth a wait. */
  readonly replaced: number;
}

const usualPatience: Patience = { silent: 60_000, stopping: 400, replaced: 2000 };
const MOST_TRIES = 2;

/**
 * Hands jobs to a few workers: urgent ones first, the newest of each key only. A running job can be stopped; one whose worker dies is tried once
 * more, then given up; no worker stays busy for ever. Some workers may be kept for urgent jobs, so that no list holds them up.
 */
export class JobPool<T, A> {
  private readonly slots: Slot<T, A>[];
  private waiting: Entry<T, A>[] = [];

  constructor(
    private readonly start: () => Runner<T, A>,
    size: number,
    private readonly patience: Patience = usualPatience,
    kept = 0,
  ) {
    this.slots = Array.from({ length: size }, (_, i) => ({ isKept: i < kept, runner: null, running: null, watch: undefined }));
  }

  /** Resolves to null when the job was stopped, or a newer one took its place. Rejects with WorkerLost, or with what the work threw. */
  submit(job: PoolJob<T>): Promise<A | null> {
    this.dropWaiting((e) => e.job.key === job.key);
    // A short job of the same key may end: its answer is known as soon as it could be stopped.
    this.slots.filter((s) => s.running?.job.key === job.key && s.running.isLong).forEach((s) => this.stopSlot(s, this.patience.replaced));
    return new Promise((resolve, reject) => {
      const entry: Entry<T, A> = { job, resolve, reject, tries: 0, isLong: false, isStopped: false };
      if (job.isUrgent) this.waiting.unshift(entry);
      else this.waiting.push(entry);
      this.next();
    });
  }

  /** Starts a worker for lists before there is work, so that it has read its program when there is. */
  warm(): void {
    const slot = this.slots.find((s) => !s.isKept);
    if (slot) slot.runner ??= this.newRunner(slot);
  }

  /** How many have not begun. */
  get backlog(): number {
    return this.waiting.length;
  }

  /** Drops what has not begun. */
  cancelWaiting(): void {
    this.dropWaiting(() => true);
  }

  /** Stops the job of a key, running or not. */
  cancel(key: string): void {
    this.dropWaiting((e) => e.job.key === key);
    this.slots.filter((s) => s.running?.job.key === key).forEach((s) => this.stopSlot(s, this.patience.stopping));
  }

  private dropWaiting(isMeant: (e: Entry<T, A>) => boolean): void {
    const dropped = this.waiting.filter(isMeant);
    this.waiting = this.waiting.filter((e) => !isMeant(e));
    dropped.forEach((e) => e.resolve(null));
  }

  private next(): void {
    for (const slot of this.slots) {
      if (slot.running) continue;
      const at = this.waiting.findIndex((e) => e.job.isUrgent || !slot.isKept);
      if (at >= 0) void this.run(slot, this.waiting.splice(at, 1)[0]!);
    }
  }

  private async run(slot: Slot<T, A>, entry: Entry<T, A>): Promise<void> {
    slot.running = entry;
    entry.tries += 1;
    slot.runner ??= this.newRunner(slot);
    this.watchFor(slot, this.patience.silent);
    const isStill = () => slot.running === entry;
    try {
      const answer = await slot.runner.run(entry.job.task, (progress) => {
        if (!isStill() || entry.isStopped) return;
        entry.isLong = true;
        this.watchFor(slot, this.patience.silent);
        entry.job.onProgress?.(progress);
      });
      if (isStill()) this.settle(slot, () => entry.resolve(entry.isStopped ? null : answer));
    } catch (error) {
      if (isStill()) this.settle(slot, () => entry.reject(error));
    }
  }

  private newRunner(slot: Slot<T, A>): Runner<T, A> {
    const runner = this.start();
    runner.onGone(() => slot.runner === runner && this.lost(slot));
    return runner;
  }

  private settle(slot: Slot<T, A>, tell: () => void): void {
    clearTimeout(slot.watch);
    slot.running = null;
    tell();
    this.next();
  }

  /** Ends the worker of a slot when nothing is heard from it in time. */
  private watchFor(slot: Slot<T, A>, time: number): void {
    clearTimeout(slot.watch);
    slot.watch = setTimeout(() => this.lost(slot), time);
  }

  private stopSlot(slot: Slot<T, A>, patience: number): void {
    if (!slot.running || slot.running.isStopped) return;
    slot.running.isStopped = true;
    slot.runner?.stop();
    this.watchFor(slot, patience);
  }

  /** A worker is gone, or shows no sign of life: another takes its place, and its job is tried once more. */
  private lost(slot: Slot<T, A>): void {
    slot.runner?.end();
    slot.runner = null;
    const entry = slot.running;
    if (!entry) return;
    this.settle(slot, () => {
      if (entry.isStopped) entry.resolve(null);
      else if (entry.tries < MOST_TRIES) this.waiting.unshift(entry);
      else entry.reject(new WorkerLost('The work was given up: its worker stopped twice.'));
    });
  }
}
