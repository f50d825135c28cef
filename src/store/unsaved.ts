import type { EditMark } from './journal';
import { writeProject } from '@/core/project/write';
import { readProjectText } from '@/exchange/project-text';
import type { Project } from '@/core/project/project';

/**
 * What was not yet saved when the page was left. The data base of the browser may be cut off while a page closes; this store writes at once,
 * so the last edits of a second are not lost.
 */
interface Unsaved extends Partial<EditMark> {
  /** Saved revisions that this state follows. */
  readonly follows: readonly number[];
  readonly text: string;
}

const key = (id: string) => `intarsia/unsaved/${id}`;

/** Keeps the state of a page that closes. False where the browser keeps nothing: no space, or no leave. */
export function keepUnsaved(project: Project, follows: readonly number[], mark?: EditMark): boolean {
  const unsaved: Unsaved = { ...mark, follows, text: writeProject(project) };
  try {
    localStorage.setItem(key(project.id), JSON.stringify(unsaved));
    return true;
  } catch {
    return false;
  }
}

export function forgetUnsaved(id: string): void {
  try {
    localStorage.removeItem(key(id));
  } catch {
    // Nothing was kept.
  }
}

/** The state left unsaved, if it follows the revision that is saved; anything else is out of date. */
export function unsavedAfter(id: string, revision: number): { readonly project: Project; readonly mark: Partial<EditMark> } | undefined {
  try {
    const unsaved = JSON.parse(localStorage.getItem(key(id)) ?? 'null') as Unsaved | null;
    if (!unsaved?.follows.includes(revision)) return undefined;
    const read = readProjectText(unsaved.text);
    return read.ok ? { project: read.project, mark: unsaved } : undefined;
  } catch {
    return undefined;
  }
}
