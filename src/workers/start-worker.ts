import { wrap, type Remote } from 'comlink';
import type { DesignApi } from './design.worker';
import type { ReportApi } from './report.worker';

/** The only place where workers are made: the address has to stand inside the call for the bundler to see it. */
export function startDesignWorker(): Remote<DesignApi> {
  return wrap<DesignApi>(new Worker(new URL('./design.worker.ts', import.meta.url), { type: 'module', name: 'design' }));
}

export function startReportWorker(): { readonly api: Remote<ReportApi>; readonly stop: () => void } {
  const worker = new Worker(new URL('./report.worker.ts', import.meta.url), { type: 'module', name: 'report' });
  return { api: wrap<ReportApi>(worker), stop: () => worker.terminate() };
}
