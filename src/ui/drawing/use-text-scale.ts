import { useSyncExternalStore } from 'react';

/** How large text is over the usual size, as the user chose it. */
export const textScale = (): number => (parseFloat(getComputedStyle(document.documentElement).fontSize) || 16) / 16;

function follow(changed: () => void): () => void {
  const observer = new MutationObserver(changed);
  observer.observe(document.documentElement, { attributes: true, attributeFilter: ['data-text'] });
  return () => observer.disconnect();
}

/** The same, followed as it changes. */
export const useTextScale = (): number => useSyncExternalStore(follow, textScale, () => 1);
