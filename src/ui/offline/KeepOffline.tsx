'use client';
import { useEffect, useState } from 'react';
import { saveNow } from '@/store/autosave';

/** Keeps the application in the browser, so that it works without its server; asks before a new version takes over. */
export function KeepOffline() {
  const [waiting, setWaiting] = useState<ServiceWorker | null>(null);
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
    const look = (found: ServiceWorkerRegistration) => {
      // Without one at work the first one takes over by itself.
      if (found.waiting && navigator.serviceWorker.controller) setWaiting(found.waiting);
      const { installing } = found;
      installing?.addEventListener('statechange', () => installing.state === 'installed' && look(found));
    };
    navigator.serviceWorker.register('/sw.js').then(
      (found: ServiceWorkerRegistration | undefined) => {
        // Where none may be registered some browsers say nothing at all.
        if (!found) return;
        look(found);
        found.addEventListener('updatefound', () => look(found));
      },
      // A browser that keeps no pages goes on with the server.
      () => undefined,
    );
  }, []);
  if (!waiting) return null;
  const takeOver = async () => {
    await saveNow();
    navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true });
    waiting.postMessage('take over');
  };
  return (
    <div
      role="status"
      className="fixed bottom-3 left-3 z-50 flex items-center gap-3 border border-ebony bg-holly px-3 py-2 shadow-[0_2px_8px_rgb(0_0_0/0.15)]"
    >
      <span>A new version of Intarsia is here.</span>
      <button type="button" className="btn btn-solid" onClick={() => void takeOver()}>
        Use it now
      </button>
      <button type="button" className="link" onClick={() => setWaiting(null)}>
        Later
      </button>
    </div>
  );
}
