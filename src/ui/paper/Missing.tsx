import Link from 'next/link';

/** What is shown when a project cannot be: what is safe, and the way on. */
export function Missing({ reason }: { reason: string }) {
  return (
    <main className="mx-auto mt-24 w-[30rem]">
      <h1>Not to be opened</h1>
      <p className="my-3">{reason} Other projects and files are not touched.</p>
      <Link className="btn" href="/">
        To the start
      </Link>
    </main>
  );
}

/** A sentence at the foot of the screen about what was just done. */
export function Notice({ text, onClose }: { text: string | null; onClose: () => void }) {
  if (!text) return null;
  return (
    <div role="status" className="framed no-print fixed bottom-4 left-1/2 z-40 flex -translate-x-1/2 items-center gap-3 px-4 py-2">
      {text}
      <button type="button" className="link" onClick={onClose}>
        Close
      </button>
    </div>
  );
}
