import { useEffect, useState } from 'react';
import { textScale } from './use-text-scale';

/**
 * The size of an element (px), followed as it changes, and how large text is over the usual; the element may come later than the first
 * drawing. Returns what to give as its `ref`.
 */
export function useBox<E extends Element>(first: { readonly width: number; readonly height: number }) {
  const [element, setElement] = useState<E | null>(null);
  const [size, setSize] = useState({ ...first, scale: 1 });
  useEffect(() => {
    if (!element) return;
    const observer = new ResizeObserver(
      ([e]) => e && setSize({ width: Math.floor(e.contentRect.width), height: Math.floor(e.contentRect.height), scale: textScale() }),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, [element]);
  return [setElement, size] as const;
}
