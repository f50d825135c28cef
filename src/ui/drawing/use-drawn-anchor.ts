import { useRef } from 'react';

/**
 * Where an editor hangs: the text of its value on the drawing, looked up anew each time, since the drawing is made anew while one types.
 * When the text is gone for a moment the last place stays.
 */
export function useDrawnAnchor(key: string, first: Element) {
  const last = useRef<DOMRect | null>(null);
  return useRef({
    getBoundingClientRect: () => {
      const drawn = first.isConnected ? first : document.querySelector(`[data-edit="${CSS.escape(key)}"]`);
      if (drawn) last.current = drawn.getBoundingClientRect();
      return last.current ?? new DOMRect();
    },
  });
}
