import { useCallback, useState } from 'react';
import { keyOf, type Handle } from '@/core/drawing/shapes';
import { handleOf } from './DrawingView';

export interface DrawnEditing<H extends Handle = Handle> {
  readonly editing: { readonly handle: H; readonly target: Element } | null;
  open(handle: H, target: Element): void;
  /** Closes the editor and opens the value next to it in the order of the drawings. */
  next(direction: 1 | -1): void;
  /** Closes the editor; the value has the focus again. */
  close(): void;
}

/** Which value of the drawings is open. Bars and other marks are left out of the walk from value to value. */
export function useDrawnEditing<H extends Handle>(): DrawnEditing<H> {
  const [editing, setEditing] = useState<DrawnEditing<H>['editing']>(null);
  const open = useCallback((handle: H, target: Element) => setEditing({ handle, target }), []);
  const leave = (then: (key: string) => void) => {
    const key = editing ? keyOf(editing.handle) : '';
    setEditing(null);
    // After the drawing has been made anew.
    requestAnimationFrame(() => then(key));
  };
  return {
    editing,
    open,
    next: (direction) =>
      leave((key) => {
        const all = [...document.querySelectorAll<SVGElement>('[data-edit][role=button]:not(circle)')];
        const from = all.findIndex((el) => el.dataset.edit === key);
        const next = all[(from + direction + all.length) % all.length];
        next?.focus();
        const handle = next && (handleOf(next) as H | undefined);
        if (handle) open(handle, next);
      }),
    close: () => leave((key) => document.querySelector<SVGElement>(`[data-edit="${CSS.escape(key)}"]`)?.focus()),
  };
}
