import { journalOf, type EditMark } from './journal';
import { forgetJournal, noteJournal, saveProject, storedRevision } from './storage';
import { useProject } from './project-store';
import { forgetUnsaved, keepUnsaved } from './unsaved';
import type { Project } from '@/core/project/project';

const DELAY = 400; // ms after the last edit
const GREATEST_WAIT = 1000; // ms after the first edit that is not saved, however many follow

const JOURNAL_DELAY = 20; // ms after an edit until it is noted; those that come in between are noted together

let revision = 0;
/** The state that stands in the store at that revision; null where only a part of it is known. */
let saved: Project | null = null;
let mark: EditMark = { page: crypto.randomUUID(), edit: 0 };
let noting: ReturnType<typeof setTimeout> | undefined;
/** Journal and saves in the order in which they were begun. */
let journal: Promise<unknown> = Promise.resolve();
let timer: ReturnType<typeof setTimeout> | undefined;
/** When the first edit was made that no save has taken up. */
let waitingSince: number | undefined;
let saving: Promise<void> = Promise.resolve();
/** Saves that were begun and have not ended. */
let underWay = 0;

/** Takes note of the revision that was just loaded, and of the state that was saved in it. */
export function startFromRevision(value: number, state: Project | null = null): void {
  [revision, saved] = [value, state];
}

const followed = () => (underWay > 0 ? [revision, revision + 1] : [revision]);

/** Notes what is not saved: on disk within a tenth of a second, whatever becomes of the page. */
function note(): void {
  noting = undefined;
  const { project } = useProject.getState();
  if (!project || (!timer && underWay === 0)) return;
  const entry = journalOf(saved, project, followed(), mark);
  journal = journal.then(() => noteJournal(project.id, entry));
}

/** Saves the project now; `force` overwrites what another tab has saved. */
export function saveNow(force = false): Promise<void> {
  const { project } = useProject.getState();
  clearTimeout(timer);
  timer = undefined;
  waitingSince = undefined;
  if (!project) return saving;
  underWay += 1;
  saving = saving.then(() => write(project, force)).finally(() => (underWay -= 1));
  return saving;
}

async function write(project: Project, force: boolean): Promise<void> {
  const { setSave } = useProject.getState();
  setSave({ kind: 'saving' });
  const outcome = await saveProject(project, revision, force);
  if (outcome.ok) {
    [revision, saved] = [outcome.revision, project];
    if (underWay === 1 && !timer) {
      forgetUnsaved(project.id);
      journal = journal.then(() => forgetJournal(project.id));
    }
    const now = new Date();
    setSave({ kind: 'saved', at: `${String(now.getHours()).padStart(2, '0')}:${String(now.getMinutes()).padStart(2, '0')}` });
  } else setSave({ kind: 'failed', reason: outcome.kind, message: outcome.message });
}

/** Saves within a second of the last edit, and notices other tabs. Returns the way to stop. */
export function startAutosave(): () => void {
  const stop = useProject.subscribe((state, before) => {
    if (!state.project || state.project === before.project || !before.project || before.project.id !== state.project.id) return;
    mark = { ...mark, edit: mark.edit + 1 };
    noting ??= setTimeout(note, JOURNAL_DELAY);
    clearTimeout(timer);
    const now = performance.now();
    waitingSince ??= now;
    timer = setTimeout(() => void saveNow(), Math.max(0, Math.min(DELAY, waitingSince + GREATEST_WAIT - now)));
  });
  document.addEventListener('visibilitychange', onHide);
  window.addEventListener('pagehide', onLeave);
  window.addEventListener('beforeunload', onClosing);
  window.addEventListener('focus', onFocus);
  return () => {
    stop();
    document.removeEventListener('visibilitychange', onHide);
    window.removeEventListener('pagehide', onLeave);
    window.removeEventListener('beforeunload', onClosing);
    window.removeEventListener('focus', onFocus);
  };
}

/** Another tab may have saved while this one was not looked at. */
async function onFocus(): Promise<void> {
  const { project, save, setSave } = useProject.getState();
  if (!project || save.kind === 'failed') return;
  if ((await storedRevision(project.id)) > revision)
    setSave({ kind: 'failed', reason: 'conflict', message: 'This project was changed in another tab or window.' });
}

/** Keeps what is not saved yet, at once. False where the browser keeps nothing. */
function keepRest(): boolean {
  const { project } = useProject.getState();
  if (!project || (!timer && underWay === 0)) return true;
  return keepUnsaved(project, followed(), mark);
}

function onHide(): void {
  keepRest();
  if (timer) void saveNow();
}

function onLeave(): void {
  takeUpTyped();
  onHide();
}

/** Asks before a page closes whose last edits are kept nowhere. */
function onClosing(e: BeforeUnloadEvent): void {
  takeUpTyped();
  const isKept = keepRest();
  if (!isKept || useProject.getState().save.kind === 'failed') e.preventDefault();
}

/** A value that stands typed in a field is kept as if it had been entered. */
function takeUpTyped(): void {
  useProject.getState().keepTyped();
  if (document.activeElement instanceof HTMLElement && document.activeElement.matches('input, textarea')) document.activeElement.blur();
}
