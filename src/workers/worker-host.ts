import { expose } from 'comlink';
import { Stopped, type Job, type Progress } from '@/core/job';

type Told = (progress: Progress) => void;

/** What work in a worker is given: whom to tell how far it has come, and whether it is still wanted. */
export type WorkJob = Required<Pick<Job, 'progress' | 'signal'>>;

/** What the page sees of a worker that does one piece of work at a time. */
export interface WorkerApi<T, A> {
  /** Says once to whom progress goes; the worker then holds a lock of this name for as long as it lives. */
  listen(name: string, told: Told): Promise<void>;
  /** Null when the work was stopped. */
  run(task: T): Promise<A | null>;
  stop(): void;
}

/** Lets messages in: a stop among them. */
const turn = () => new Promise<void>((resolve) => setTimeout(resolve, 0));

/** Whoever waits for the lock learns that this worker is gone, whatever ended it. Where the browser has no locks, silence has to tell. */
const holdLock = (name: string) =>
  new Promise<void>((resolve) => {
    if (!navigator.locks) return resolve();
    void navigator.locks.request(name, () => {
      resolve();
      return new Promise(() => undefined);
    });
  });

/** Makes the module a worker that does such work. */
export function hostWorker<T, A>(work: (task: T, job: WorkJob) => A | Promise<A>): void {
  let told: Told = () => undefined;
  let signal = { aborted: false };
  const progress = async (p: Progress) => {
    told(p);
    await turn();
  };
  const api: WorkerApi<T, A> = {
    listen: async (name, listener) => {
      told = listener;
      await holdLock(name);
    },
    run: async (task) => {
      signal = { aborted: false };
      try {
        return await work(task, { progress, signal });
      } catch (error) {
        if (error instanceof Stopped) return null;
        throw error;
      }
    },
    stop: () => {
      signal.aborted = true;
    },
  };
  expose(api);
}
