'use client';
import { useEffect, useState } from 'react';
import type { Report } from '@/core/document/report';
import { downloadBlob, fileName } from '@/store/files';
import { useProject } from '@/store/project-store';
import { JobPool } from '@/workers/job-pool';
import { startReporter } from '@/workers/start-worker';
import type { ReportFormat, ReportTask } from '@/workers/report.worker';

/** The worker that makes papers; made when first needed. */
let reporter: JobPool<ReportTask, Uint8Array> | undefined;
const getReporter = () => (reporter ??= new JobPool(startReporter, 1));

const nothing: Report = { title: '', author: '', units: 'SI', paper: 'A4', titleBlock: [['Project', '']], cover: null, parts: [] };

const formats: Record<ReportFormat, { readonly title: string; readonly type: string }> = {
  pdf: { title: 'PDF', type: 'application/pdf' },
  docx: { title: 'DOCX', type: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document' },
  html: { title: 'HTML', type: 'text/html' },
};

/** The ways to paper: files made in a worker, and print. */
export function SaveReport({ report, name, isReady }: { report: Report; name: string; isReady: boolean }) {
  const { setNotice } = useProject();
  const [progress, setProgress] = useState<number | null>(null);
  useEffect(() => {
    // Its program and typefaces are read before they are needed.
    void getReporter().submit({ key: 'ready', task: { report: nothing, format: 'pdf' }, isUrgent: false });
    return () => getReporter().cancel('report');
  }, []);
  const stop = () => {
    getReporter().cancel('report');
    setProgress(null);
  };
  const save = async (format: ReportFormat) => {
    const { title, type } = formats[format];
    setProgress(0);
    try {
      const task = { report, format };
      const bytes = await getReporter().submit({ key: 'report', task, isUrgent: true, onProgress: ({ share }) => setProgress(share) });
      if (bytes) downloadBlob(new Blob([bytes as BlobPart], { type }), `${fileName(name)}.${format}`);
    } catch (error) {
      console.error(error);
      setNotice(`The ${title} could not be made. The project is not touched; Print still works.`);
    }
    setProgress(null);
  };
  return (
    <>
      <h2 className="mt-4 border-t border-line pt-3">Hand it over</h2>
      <div className="mt-1 flex flex-wrap gap-2">
        {(Object.keys(formats) as ReportFormat[]).map((format) => (
          <button
            key={format}
            type="button"
            className={`btn ${format === 'pdf' ? 'btn-solid' : ''}`}
            disabled={!isReady || progress !== null}
            aria-label={`Save as ${formats[format].title}`}
            onClick={() => void save(format)}
          >
            {formats[format].title}
          </button>
        ))}
        <button type="button" className="btn" onClick={() => window.print()}>
          Print
        </button>
        {progress !== null && (
          <span role="status" className="flex items-center gap-2">
            setting pages, {Math.round(progress * 100)} %
            <button type="button" className="link" onClick={stop}>
              Stop
            </button>
          </span>
        )}
      </div>
    </>
  );
}
