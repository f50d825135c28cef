import localforage from 'localforage';
import type { Member } from '@/core/members/kinds';
import { faultText } from '@/core/project/bounds';
import type { Salvaged } from '@/core/project/salvage';
import { readProjectText, salvageText } from '@/exchange/project-text';
import { writeProject } from '@/core/project/write';
import type { Project } from '@/core/project/project';
import { withState, type HistoryEntry } from './history';
import { momentText } from './moment';
import { isAfter, replayed, type JournalEntry } from './journal';
import { forgetUnsaved, unsavedAfter } from './unsaved';

/**
 * Projects in the browser. Each project has two slots written in turn and a head that names the good one with a checksum, so that a torn
 * write leaves the last good state; and a short history to go back to.
 */
interface Head {
  readonly slot: 'a' | 'b';
  readonly revision: number;
  readonly checksum: string;
}

export interface ProjectEntry {
  readonly id: string;
  readonly name: string;
  readonly members: number;
  /** ISO time of the last save. */
  readonly saved: string;
}

/** Why a project is not saved: another tab was first, there is no room, it is not allowed, or it could not be read again. */
export type SaveFailure = 'conflict' | 'full' | 'denied' | 'unreadable';

export type SaveOutcome =
  { readonly ok: true; readonly revision: number } | { readonly ok: false; readonly kind: SaveFailure; readonly message: string };

export type LoadOutcome =
  | {
      readonly ok: true;
      readonly project: Project;
      readonly revision: number;
      /** Whether edits are in it that no save has taken up. */
      readonly isLater?: boolean;
      readonly recovered?: string;
      /** The text as it was saved, where not all of it could be read. */
      readonly found?: string;
    }
  | { readonly ok: false; readonly reason: string; readonly found?: string };

let instance: LocalForage | undefined;
const db = () => (instance ??= localforage.createInstance({ name: 'intarsia', storeName: 'projects' }));
const key = (id: string, part: string) => `project/${id}/${part}`;

/** FNV-1a over the text: enough to notice a torn or half-written slot. */
export function checksum(text: string): string {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i += 1) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return `${text.length}-${(hash >>> 0).toString(16)}`;
}

/** Projects by what stands of each, newest first: one that the list of them has lost, or never had, is found all the same. */
export async function listProjects(): Promise<ProjectEntry[]> {
  const listed = await db().getItem<ProjectEntry[]>('index');
  const known = new Map((Array.isArray(listed) ? listed : []).map((entry) => [entry.id, entry]));
  const ids = (await db().keys()).flatMap((name) => /^project\/(.*)\/head$/.exec(name)?.[1] ?? []);
  const entries = await Promise.all(ids.map(async (id) => known.get(id) ?? (await entryOf(id))));
  return entries.flatMap((entry) => entry ?? []).sort((a, b) => b.saved.localeCompare(a.saved));
}

/** What the list says of a project, from the project itself. */
async function entryOf(id: string): Promise<ProjectEntry | undefined> {
  const found = await loadProject(id);
  if (!found.ok) return { id, name: 'damaged project', members: 0, saved: '' };
  const [newest] = await projectHistory(id);
  return { id, name: found.project.name, members: found.project.members.length, saved: newest?.saved ?? '' };
}

/**
 * Runs `work` while no other tab runs any: what is read before a write still stands when it is written. A page without locks (it was not
 * served over HTTPS, nor by this machine) goes on without: there two tabs that save at one instant are told apart at the next save only.
 */
async function alone<T>(work: () => Promise<T>): Promise<T> {
  return typeof navigator === 'undefined' || !navigator.locks ? work() : navigator.locks.request('intarsia/projects', work);
}

/** Saves a project that was opened or last saved at `revision`. Refuses when another tab has saved in between. */
export const saveProject = (project: Project, revision: number, force = false): Promise<SaveOutcome> =>
  alone(() => saveAt(project, revision, force));

async function saveAt(project: Project, revision: number, force: boolean): Promise<SaveOutcome> {
  try {
    const head = await db().getItem<Head>(key(project.id, 'head'));
    if (head && head.revision !== revision && !force)
      return { ok: false, kind: 'conflict', message: 'This project was changed in another tab or window.' };
    const fault = rereadFault(project);
    if (fault) return { ok: false, kind: 'unreadable', message: `What was saved could not be read again: ${fault}.` };
    const text = writeProject(project);
    const slot = head?.slot === 'a' ? 'b' : 'a';
    const saved = new Date().toISOString();
    if (head && force) await keepOverwritten(project.id, head, saved);
    const next: Head = { slot, revision: (head?.revision ?? 0) + 1, checksum: checksum(text) };
    await db().setItem(key(project.id, slot), text);
    await db().setItem(key(project.id, 'head'), next);
    askToPersist();
    await keepHistory(project.id, { saved, text });
    const others = (await listProjects()).filter((p) => p.id !== project.id);
    await db().setItem('index', [...others, { id: project.id, name: project.name, members: project.members.length, saved }]);
    return { ok: true, revision: next.revision };
  } catch (error) {
    const name = (error as { name?: string }).name ?? '';
    const isFull = /quota/i.test(name) || /quota|full/i.test(String((error as Error).message));
    return isFull
      ? { ok: false, kind: 'full', message: 'The browser has no space left for this project.' }
      : { ok: false, kind: 'denied', message: 'The browser does not let this page keep data.' };
  }
}

/** Members that were read again from what was written of them. */
const readable = new WeakSet<Member>();

/** Why a project could not be read again once it is saved. Only members that changed since are read. */
function rereadFault(project: Project): string | undefined {
  const members = project.members.filter((m) => !readable.has(m));
  const changed = { ...project, members };
  const read = readProjectText(writeProject(changed));
  if (!read.ok) return faultText(read.faults[0]!, changed);
  members.forEach((m) => readable.add(m));
  return undefined;
}

/** What is written over by force stays among the earlier states. */
async function keepOverwritten(id: string, { slot, checksum: expected }: Head, saved: string): Promise<void> {
  const text = await slotText(id, slot, expected);
  if (text !== undefined) await keepHistory(id, { saved, text }, true);
}

async function keepHistory(id: string, entry: HistoryEntry, isForced = false): Promise<void> {
  const history = await projectHistory(id);
  const next = withState(history, entry, isForced);
  if (next !== history) await db().setItem(key(id, 'history'), next);
}

let isAsked = false;

/** Asks the browser once not to clear what is kept when it needs room. */
function askToPersist(): void {
  if (isAsked || typeof navigator === 'undefined') return;
  isAsked = true;
  void navigator.storage?.persist?.().catch(() => false);
}

/** Earlier states of a project, newest first. */
export async function projectHistory(id: string): Promise<readonly HistoryEntry[]> {
  const found = await db().getItem<HistoryEntry[]>(key(id, 'history'));
  return Array.isArray(found) ? found.filter((e) => typeof e?.text === 'string' && typeof e.saved === 'string') : [];
}

/** Loads the last good state: the slot of the head, else the other slot, else the newest of the history. */
export async function loadProject(id: string): Promise<LoadOutcome> {
  let head: Head | null;
  try {
    head = await db().getItem<Head>(key(id, 'head'));
  } catch {
    return { ok: false, reason: 'The browser does not let this page read its data.' };
  }
  if (!head) return { ok: false, reason: 'There is no such project in this browser.' };
  const text = await slotText(id, head.slot, head.checksum);
  const good = text === undefined ? undefined : readProjectText(text);
  const later = await laterState(id, head.revision, good?.ok ? good.project : undefined);
  if (later) return { ok: true, project: later, revision: head.revision, isLater: true };
  if (good?.ok) return { ok: true, project: good.project, revision: head.revision };
  const part = text === undefined ? undefined : salvageText(text);
  if (part) {
    // What is saved from now on is the part: the whole stays among the earlier states.
    await keepHistory(id, { saved: new Date().toISOString(), text: text! }, true).catch(() => undefined);
    return { ok: true, project: part.project, revision: head.revision, recovered: inPart(part), found: text };
  }
  const before = await slotText(id, head.slot === 'a' ? 'b' : 'a');
  const other = before === undefined ? undefined : readProjectText(before);
  if (other?.ok)
    return { ok: true, project: other.project, revision: head.revision, recovered: 'The last save was torn; this is the state before it.' };
  for (const { text: earlier, saved } of await projectHistory(id)) {
    const read = readProjectText(earlier);
    if (read.ok)
      return {
        ok: true,
        project: read.project,
        revision: head.revision,
        recovered: `The saved project was damaged; this is the state of ${momentText(saved)}.`,
      };
  }
  const torn = (await slotText(id, head.slot)) ?? before;
  return { ok: false, reason: 'The saved project is damaged and no earlier state can be read.', found: torn };
}

/** Edits that were made after the last save: by the journal, or left when the page closed. */
async function laterState(id: string, revision: number, saved: Project | undefined): Promise<Project | undefined> {
  const unsaved = unsavedAfter(id, revision);
  const entry = await db()
    .getItem<JournalEntry>(key(id, 'journal'))
    .catch(() => null);
  const noted = entry ? replayed(entry, revision, saved) : undefined;
  return noted && (!unsaved || isAfter(entry!, unsaved.mark)) ? noted : unsaved?.project;
}

/** Notes edits that are not saved yet. False where the browser keeps nothing. */
export async function noteJournal(id: string, entry: JournalEntry): Promise<boolean> {
  try {
    await db().setItem(key(id, 'journal'), entry);
    return true;
  } catch {
    return false;
  }
}

export const forgetJournal = (id: string): Promise<void> =>
  db()
    .removeItem(key(id, 'journal'))
    .catch(() => undefined);

const SAID = 3;

/** What was cut or left out of a project that could not be read as it is. */
function inPart({ faults }: Salvaged): string {
  const list = faults.slice(0, SAID);
  const more = faults.length > SAID ? ` and ${faults.length - SAID} more` : '';
  return `Not all of what was saved can be read. Cut or left out: ${list.join('; ')}${more}.`;
}

/** The text of a slot; undefined where there is none, or it is not what was written. */
async function slotText(id: string, slot: 'a' | 'b', expected?: string): Promise<string | undefined> {
  const text = await db().getItem<string>(key(id, slot));
  return typeof text !== 'string' || (expected !== undefined && checksum(text) !== expected) ? undefined : text;
}

export function deleteProject(id: string): Promise<void> {
  forgetUnsaved(id);
  return alone(async () => {
    for (const part of ['head', 'a', 'b', 'history', 'journal']) await db().removeItem(key(id, part));
    await db().setItem(
      'index',
      (await listProjects()).filter((p) => p.id !== id),
    );
  });
}

/** The revision that stands in the store, to notice another tab. */
export async function storedRevision(id: string): Promise<number> {
  return (await db().getItem<Head>(key(id, 'head')))?.revision ?? 0;
}
