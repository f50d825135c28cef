import type { UnitSystem } from './units/quantity';

/** What a design is to give besides its figures. */
export interface DesignOptions {
  /** Checks to derive in full: their ids, or all. */
  readonly derive: readonly string[] | 'all';
  /** The units in which sentences are written. */
  readonly units: UnitSystem;
}

/** How far work has come: its share from 0 to 1, and what is being done, in words. */
export interface Progress {
  readonly share: number;
  readonly words: string;
  /** An answer that stands until the whole one is there, which says what it lacks. */
  readonly early?: { readonly early?: string };
}

/** A piece of work as whoever asks for it sees it: what it is to give, how far it has come, and whether it is still wanted. */
export interface Job extends DesignOptions {
  /** Is told how far the work has come; while it waits others have their turn. Short work never tells. */
  progress?(progress: Progress): void | Promise<void>;
  /** Asked between steps. */
  readonly signal?: { readonly aborted: boolean };
}

/** Thrown between steps of a job that is no longer wanted. */
export class Stopped extends Error {
  override readonly name = 'Stopped';
  constructor() {
    super('stopped');
  }
}

/** Long work, cut into steps: between them it tells how far it has come, and can be left. */
export type Steps<R> = Generator<Progress, R, void>;

const isSteps = <R>(work: R | Steps<R>): work is Steps<R> => typeof work === 'object' && work !== null && Symbol.iterator in work;

/** Long work in one go, for searches and tests. */
export function atOnce<R>(work: R | Steps<R>): R {
  if (!isSteps(work)) return work;
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

/** Long work as a job. Rejects with Stopped when it is no longer wanted. */
export async function asJob<R>(work: R | Steps<R>, { progress, signal }: Pick<Job, 'progress' | 'signal'>): Promise<R> {
  if (!isSteps(work)) return work;
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    await progress?.(step.value);
    if (signal?.aborted) throw new Stopped();
  }
}

/** Does the same to every entry of a list, `at` once so many; the words are of what is counted: "load sets". */
export function* inSteps<T, R>(list: readonly T[], at: number, what: string, each: (entry: T) => R): Steps<R[]> {
  const done: R[] = [];
  for (const entry of list) {
    if (done.length > 0 && done.length % at === 0)
      yield { share: done.length / list.length, words: `${done.length} of ${list.length} ${what}` };
    done.push(each(entry));
  }
  return done;
}
