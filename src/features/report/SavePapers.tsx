'use client';
import { useEffect, useState } from 'react';
import { downloadBlob, fileName } from '@/store/files';
import { useProject } from '@/store/project-store';
import { JobPool } from '@/workers/job-pool';
import type { PaperTask } from '@/workers/paper.worker';
import { startPaperMaker } from '@/workers/start-worker';

/** The worker that makes papers; made when first needed. */
let maker: JobPool<PaperTask, Uint8Array> | undefined;
const getMaker = () => (maker ??= new JobPool(startPaperMaker, 1));

const types: Record<PaperTask['format'], string> = {
  pdf: 'application/pdf',
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  html: 'text/html',
  dxf: 'image/vnd.dxf',
  svg: 'image/svg+xml',
};

/** Reads program and typefaces before they are needed. */
export function usePaperMaker(): void {
  useEffect(() => {
    void getMaker().submit({ key: 'ready', task: { paper: 'drawings', sheets: [], format: 'pdf' }, isUrgent: false });
  }, []);
}

/** Buttons that make files in a worker, with how far they have come and Stop. */
export function SavePapers(props: {
  /** What is made: "Report", "Drawings". */
  title: string;
  /** Name of the files, without their ending. */
  name: string;
  formats: readonly PaperTask['format'][];
  task: (format: PaperTask['format']) => PaperTask;
  isReady: boolean;
  children?: React.ReactNode;
}) {
  const { title, name, formats, task, isReady, children } = props;
  const { setNotice } = useProject();
  const [progress, setProgress] = useState<number | null>(null);
  useEffect(() => () => getMaker().cancel(title), [title]);
  const stop = () => {
    getMaker().cancel(title);
    setProgress(null);
  };
  const save = async (format: PaperTask['format']) => {
    setProgress(0);
    try {
      const bytes = await getMaker().submit({
        key: title,
        task: task(format),
        isUrgent: true,
        onProgress: ({ share }) => setProgress(share),
      });
      if (bytes) downloadBlob(new Blob([bytes as BlobPart], { type: types[format] }), `${fileName(name)}.${format}`);
    } catch (error) {
      console.error(error);
      setNotice(`The ${format.toUpperCase()} could not be made. The project is not touched; Print still works.`);
    }
    setProgress(null);
  };
  return (
    <div className="mt-1 flex flex-wrap gap-2" role="group" aria-label={title}>
      {formats.map((format, i) => (
        <button
          key={format}
          type="button"
          className={`btn ${i === 0 ? 'btn-solid' : ''}`}
          disabled={!isReady || progress !== null}
          aria-label={`${title} as ${format.toUpperCase()}`}
          onClick={() => void save(format)}
        >
          {format.toUpperCase()}
        </button>
      ))}
      {children}
      {progress !== null && (
        <span role="status" className="flex items-center gap-2">
          setting pages, {Math.round(progress * 100)} %
          <button type="button" className="link" onClick={stop}>
            Stop
          </button>
        </span>
      )}
    </div>
  );
}
