'use client';
import Link from 'next/link';
import { useEffect } from 'react';
import { downloadText } from '@/store/files';
import { useProject } from '@/store/project-store';

/** What is shown when a project cannot be: what is safe, and the way on. */
export function Missing({ reason, found }: { reason: string; found?: string }) {
  return (
    <main className="mx-auto mt-24 w-[30rem]">
      <h1>This cannot be opened</h1>
      <p className="my-3">{reason} Other projects and files are not touched.</p>
      <Link className="btn" href="/">
        To the start
      </Link>
      {found !== undefined && (
        <button type="button" className="btn ml-2" onClick={() => downloadText(found)}>
          Save its text as it is
        </button>
      )}
    </main>
  );
}

/** How long a notice stands (ms), with the time that it takes to read. */
const standsFor = (text: string) => 5000 + 60 * text.length;

/** A sentence at the foot of the screen about what was just done. */
export function Notice() {
  const notice = useProject((s) => s.notice);
  const found = useProject((s) => s.found);
  const setNotice = useProject((s) => s.setNotice);
  useEffect(() => {
    if (!notice || notice.stays) return;
    const timer = setTimeout(() => setNotice(null), standsFor(notice.text));
    return () => clearTimeout(timer);
  }, [notice, setNotice]);
  if (!notice) return null;
  return (
    <div role="status" className="framed no-print fixed bottom-4 left-1/2 z-40 flex -translate-x-1/2 items-center gap-3 px-4 py-2">
      {notice.text}
      {found !== null && (
        <button type="button" className="link whitespace-nowrap" onClick={() => downloadText(found)}>
          Save all of its text
        </button>
      )}
      <button type="button" className="link" onClick={() => setNotice(null)}>
        Close
      </button>
    </div>
  );
}
