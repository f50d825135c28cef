import { proxy, wrap, type Remote } from 'comlink';
import type { MemberResult } from '@/core/members/kinds';
import type { DesignTask, SearchTask, Ways } from './design.worker';
import type { Runner } from './job-pool';
import type { PaperTask } from './paper.worker';
import type { ReadFile, ReadTask } from './reading.worker';
import type { WorkerApi } from './worker-host';

let count = 0;

/** A worker as a pool sees it. */
function runnerOf<T, A>(worker: Worker): Runner<T, A> {
  const api = wrap<WorkerApi<T, A>>(worker);
  count += 1;
  const name = `worker ${Date.now()} ${count}`;
  let told: Parameters<Runner<T, A>['run']>[1] = () => undefined;
  const waiting = new AbortController();
  const isListening = api.listen(
    name,
    proxy((p) => told(p)),
  );
  return {
    run: async (task, onProgress) => {
      told = onProgress;
      await isListening;
      // A worker's answer is that of its task.
      return (await (api as unknown as Remote<{ run(task: T): Promise<A | null> }>).run(task as never)) as A | null;
    },
    stop: () => void api.stop(),
    end: () => {
      waiting.abort();
      worker.terminate();
    },
    onGone: (listener) => {
      worker.addEventListener('error', listener, { once: true });
      // The lock comes free when the worker ends, whatever ended it.
      void isListening.then(() => navigator.locks?.request(name, { signal: waiting.signal }, listener).catch(() => undefined));
    },
  };
}

// The only place where workers are made: the address has to stand inside the call for the bundler to see it.
const designWorker = () => new Worker(new URL('./design.worker.ts', import.meta.url), { type: 'module', name: 'design' });

export const startDesigner = (): Runner<DesignTask, MemberResult> => runnerOf(designWorker());
export const startSearcher = (): Runner<SearchTask, Ways> => runnerOf(designWorker());
export const startPaperMaker = (): Runner<PaperTask, Uint8Array> =>
  runnerOf(new Worker(new URL('./paper.worker.ts', import.meta.url), { type: 'module', name: 'papers' }));
export const startReader = (): Runner<ReadTask, ReadFile> =>
  runnerOf(new Worker(new URL('./reading.worker.ts', import.meta.url), { type: 'module', name: 'reading' }));
