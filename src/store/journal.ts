import type { Project } from '@/core/project/project';
import { writeProject } from '@/core/project/write';
import { readProjectText } from '@/exchange/project-text';

/** Which edit of which page a state came from: of two states of one page the later counts. */
export interface EditMark {
  readonly page: string;
  readonly edit: number;
}

/** What no save has taken up yet: the members that differ from the saved state, and the order of all. Small, so that it is on disk at once. */
export interface JournalEntry extends EditMark {
  /** Saved revisions that this state follows. */
  readonly follows: readonly number[];
  /** The project with the members that changed. */
  readonly text: string;
  readonly order: readonly string[];
}

/** What has to be noted of a project after a saved state of it; null where that state is not at hand: all members are noted. */
export function journalOf(saved: Project | null, project: Project, follows: readonly number[], mark: EditMark): JournalEntry {
  const before = new Set(saved?.members);
  const changed = { ...project, members: project.members.filter((m) => !before.has(m)) };
  return { ...mark, follows, text: writeProject(changed), order: project.members.map((m) => m.id) };
}

/** The state that an entry notes, on the saved state that it follows; undefined where it follows another, or is torn. */
export function replayed(entry: unknown, revision: number, base: Project | undefined): Project | undefined {
  const { follows, text, order } = (entry ?? {}) as Partial<JournalEntry>;
  if (!Array.isArray(follows) || !Array.isArray(order) || typeof text !== 'string' || !follows.includes(revision)) return undefined;
  const read = readProjectText(text);
  if (!read.ok) return undefined;
  const known = new Map([...(base?.members ?? []), ...read.project.members].map((m) => [m.id, m]));
  const members = order.flatMap((id: string) => known.get(id) ?? []);
  return members.length === order.length ? { ...read.project, members } : undefined;
}

/** Whether the state of one mark stands after that of another. A page notes its first edit before it keeps anything else: of two pages the journal is the later. */
export const isAfter = (journal: EditMark, unsaved: Partial<EditMark>): boolean =>
  journal.page !== unsaved.page || journal.edit > (unsaved.edit ?? 0);
