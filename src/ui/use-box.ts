import { useEffect, useRef, useState } from 'react';

/** The size of an element, followed as it changes. */
export function useBox<E extends Element>(first: { readonly width: number; readonly height: number }) {
  const ref = useRef<E>(null);
  const [size, setSize] = useState(first);
  useEffect(() => {
    const el = ref.current;
    if (!el) return;
    const observer = new ResizeObserver(
      ([e]) => e && setSize({ width: Math.floor(e.contentRect.width), height: Math.floor(e.contentRect.height) }),
    );
    observer.observe(el);
    return () => observer.disconnect();
  }, []);
  return [ref, size] as const;
}
