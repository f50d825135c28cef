import type { DxfReading } from '@/exchange/dxf/read-dxf';
import type { IfcReading } from '@/exchange/ifc/read-ifc';
import { hostWorker } from './worker-host';

/** A file of another program that is to be read. */
export type ReadTask = { readonly read: 'dxf'; readonly text: string } | { readonly read: 'ifc'; readonly bytes: Uint8Array };
export type ReadFile = { readonly read: 'dxf'; readonly reading: DxfReading } | { readonly read: 'ifc'; readonly reading: IfcReading };

/** Reads files that may be anything: a reader that never ends, or takes all memory, takes only its worker. */
hostWorker<ReadTask, ReadFile>(async (task) => {
  // Readers are large: each comes when a file of its kind does.
  if (task.read === 'dxf') {
    const { readDxf } = await import('@/exchange/dxf/read-dxf');
    return { read: 'dxf', reading: readDxf(task.text) };
  }
  const { readIfc } = await import('@/exchange/ifc/read-ifc');
  return { read: 'ifc', reading: await readIfc(task.bytes, `${self.location.origin}/web-ifc.wasm`) };
});
