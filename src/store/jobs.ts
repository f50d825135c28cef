import { create } from 'zustand';
import type { Progress } from '@/core/job';

/** Long work as the top bar shows it. */
export interface ShownJob extends Progress {
  readonly key: string;
  readonly mark: string;
}

interface Jobs {
  readonly running: readonly ShownJob[];
  /** What was stopped by hand and not begun again. */
  readonly stopped: readonly { readonly key: string; readonly mark: string }[];
}

/** Work that takes long enough to be told of. */
export const useJobs = create<Jobs>(() => ({ running: [], stopped: [] }));

export const showJob = (job: ShownJob): void =>
  useJobs.setState(({ running, stopped }) => ({
    running: running.some((r) => r.key === job.key) ? running.map((r) => (r.key === job.key ? job : r)) : [...running, job],
    stopped: stopped.filter((s) => s.key !== job.key),
  }));

export const hideJob = (key: string): void =>
  useJobs.setState(({ running }) => (running.some((r) => r.key === key) ? { running: running.filter((r) => r.key !== key) } : {}));

/** Remembers that a job was stopped by hand, until it is begun again. */
export const markStopped = (key: string, mark: string): void =>
  useJobs.setState(({ running, stopped }) => ({
    running: running.filter((r) => r.key !== key),
    stopped: [...stopped.filter((s) => s.key !== key), { key, mark }],
  }));

export const clearStopped = (key?: string): void =>
  useJobs.setState(({ stopped }) => ({ stopped: key === undefined ? [] : stopped.filter((s) => s.key !== key) }));
