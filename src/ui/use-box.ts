import { useEffect, useState } from 'react';

/** The size of an element, followed as it changes; the element may come later than the first drawing. Returns what to give as its `ref`. */
export function useBox<E extends Element>(first: { readonly width: number; readonly height: number }) {
  const [element, setElement] = useState<E | null>(null);
  const [size, setSize] = useState(first);
  useEffect(() => {
    if (!element) return;
    const observer = new ResizeObserver(
      ([e]) => e && setSize({ width: Math.floor(e.contentRect.width), height: Math.floor(e.contentRect.height) }),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, [element]);
  return [setElement, size] as const;
}
