import { create } from 'zustand';

/** What the sheet that is shown offers to the finder: its views, and how one is shown. */
interface FinderSheet {
  readonly views: readonly (readonly [id: string, title: string])[];
  readonly current: string;
  readonly show: (view: string) => void;
}

interface FinderState {
  readonly isOpen: boolean;
  readonly sheet: FinderSheet | null;
  setOpen(isOpen: boolean): void;
  offer(sheet: FinderSheet | null): void;
}

export const useFinder = create<FinderState>((set) => ({
  isOpen: false,
  sheet: null,
  setOpen: (isOpen) => set({ isOpen }),
  offer: (sheet) => set({ sheet }),
}));

/** Views that are not shown, drawn apart from the page while the finder is open, so that their fields are found by their words. */
export const hiddenViews = new Map<string, HTMLElement>();

/** Something on a view that can be gone to: a field, a choice, a value on a drawing. */
export interface Place {
  readonly view: string;
  readonly label: string;
}

const REACHED = 'input, select, textarea, [role=button], [role=radio], [role=tab], button[aria-label]';

function labelOf(el: Element): string {
  const own = el.getAttribute('aria-label');
  if (own) return own;
  const label = el.closest('label') ?? (el.id ? document.querySelector(`label[for="${CSS.escape(el.id)}"]`) : null);
  // The words alone, without the options of a list or a field's unit.
  return [...(label?.childNodes ?? [])]
    .filter((n) => n.nodeType === Node.TEXT_NODE)
    .map((n) => n.textContent!.trim())
    .join(' ')
    .trim();
}

function placesIn(view: string, root: ParentNode): Place[] {
  const labels = [...root.querySelectorAll(REACHED)].map(labelOf).filter(Boolean);
  return [...new Set(labels)].map((label) => ({ view, label }));
}

/** Every place of the sheet: of the view that is shown, and of those that are drawn apart. */
export function allPlaces(sheet: FinderSheet | null): Place[] {
  const main = document.querySelector('main');
  const shown = main ? placesIn(sheet?.current ?? '', main) : [];
  const hidden = (sheet?.views ?? []).flatMap(([id]) => (hiddenViews.has(id) ? placesIn(id, hiddenViews.get(id)!) : []));
  return [...shown, ...hidden];
}

/** Shows the view of a place and puts the keyboard on it. */
export function goTo(place: Place): void {
  const { sheet } = useFinder.getState();
  if (sheet && place.view !== sheet.current) sheet.show(place.view);
  // The view is there with the next picture; the finder gives the keyboard back before that.
  let tries = 20;
  const seek = () => {
    const found = [...(document.querySelector('main')?.querySelectorAll<HTMLElement>(REACHED) ?? [])].find(
      (el) => labelOf(el) === place.label,
    );
    if (!found) {
      tries -= 1;
      if (tries > 0) setTimeout(seek, 30);
      return;
    }
    found.scrollIntoView?.({ block: 'center' });
    found.focus();
  };
  setTimeout(seek, 30);
}
