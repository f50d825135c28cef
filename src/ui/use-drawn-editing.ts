import { useCallback, useState } from 'react';

export interface DrawnEditing {
  readonly editing: { readonly path: string; readonly target: Element } | null;
  open(path: string, target: Element): void;
  /** Closes the editor and opens the value next to it in the order of the drawings. */
  next(direction: 1 | -1): void;
  /** Closes the editor; the value has the focus again. */
  close(): void;
}

/** Which value of the drawings is open. Bars and other marks are left out of the walk from value to value. */
export function useDrawnEditing(): DrawnEditing {
  const [editing, setEditing] = useState<DrawnEditing['editing']>(null);
  const open = useCallback((path: string, target: Element) => setEditing({ path, target }), []);
  const leave = (then: (path: string | undefined) => void) => {
    const path = editing?.path;
    setEditing(null);
    // After the drawing has been made anew.
    requestAnimationFrame(() => then(path));
  };
  return {
    editing,
    open,
    next: (direction) =>
      leave((path) => {
        const all = [...document.querySelectorAll<SVGElement>('[data-edit][role=button]:not(circle)')];
        const from = all.findIndex((el) => el.dataset.edit === path);
        const next = all[(from + direction + all.length) % all.length];
        next?.focus();
        if (next?.dataset.edit) open(next.dataset.edit, next);
      }),
    close: () => leave((path) => document.querySelector<SVGElement>(`[data-edit="${CSS.escape(path ?? '')}"]`)?.focus()),
  };
}
