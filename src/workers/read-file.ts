import type { DxfReading } from '@/exchange/dxf/read-dxf';
import type { IfcReading } from '@/exchange/ifc/read-ifc';
import { JobPool } from './job-pool';
import type { ReadFile, ReadTask } from './reading.worker';
import { startReader } from './start-worker';

/** The worker that reads files of other programs; made when first needed, and ended when nothing is heard of it in time (ms). */
let reader: JobPool<ReadTask, ReadFile> | undefined;
const getReader = () => (reader ??= new JobPool(startReader, 1, { silent: 20_000, stopping: 400, replaced: 1000 }));

const failed = { ok: false, reason: 'it could not be read: it is damaged, or takes too long.' } as const;

async function read(task: ReadTask): Promise<ReadFile | null> {
  try {
    return await getReader().submit({ key: 'file', task, isUrgent: true });
  } catch (error) {
    console.warn(error);
    return null;
  }
}

export async function readDxfFile(text: string): Promise<DxfReading> {
  const found = await read({ read: 'dxf', text });
  return found?.read === 'dxf' ? found.reading : failed;
}

export async function readIfcFile(bytes: Uint8Array): Promise<IfcReading> {
  const found = await read({ read: 'ifc', bytes });
  return found?.read === 'ifc' ? found.reading : failed;
}
