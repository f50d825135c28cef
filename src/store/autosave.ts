import { saveProject, storedRevision } from './storage';
import { useProject } from './project-store';
import { forgetUnsaved, keepUnsaved } from './unsaved';
import type { Project } from '@/core/project/project';

const DELAY = 600; // ms after the last edit

let revision = 0;
let timer: ReturnType<typeof setTimeout> | undefined;
let saving: Promise<void> = Promise.resolve();
/** Saves that were begun and have not ended. */
let underWay = 0;

/** Takes note of the revision that was just loaded. */
export function startFromRevision(value: number): void {
  revision = value;
}

/** Saves the project now; `force` overwrites what another tab has saved. */
export function saveNow(force = false): Promise<void> {
  const { project } = useProject.getState();
  clearTimeout(timer);
  timer = undefined;
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
    revision = outcome.revision;
    if (underWay === 1 && !timer) forgetUnsaved(project.id);
    const now = new Date();
    setSave({ kind: 'saved', at: `${String(now.getHours()).padStart(2, '0')}:${String(now.getMinutes()).padStart(2, '0')}` });
  } else setSave({ kind: 'failed', reason: outcome.kind, message: outcome.message });
}

/** Saves within a second of the last edit, and notices other tabs. Returns the way to stop. */
export function startAutosave(): () => void {
  const stop = useProject.subscribe((state, before) => {
    if (!state.project || state.project === before.project || !before.project || before.project.id !== state.project.id) return;
    clearTimeout(timer);
    timer = setTimeout(() => void saveNow(), DELAY);
  });
  const onFocus = async () => {
    const { project, save, setSave } = useProject.getState();
    if (!project || save.kind === 'failed') return;
    if ((await storedRevision(project.id)) > revision)
      setSave({ kind: 'failed', reason: 'conflict', message: 'This project was changed in another tab or window.' });
  };
  const onHide = () => {
    const { project } = useProject.getState();
    if (!project || (!timer && underWay === 0)) return;
    keepUnsaved(project, underWay > 0 ? [revision, revision + 1] : [revision]);
    if (timer) void saveNow();
  };
  window.addEventListener('focus', onFocus);
  document.addEventListener('visibilitychange', onHide);
  window.addEventListener('pagehide', onHide);
  return () => {
    stop();
    window.removeEventListener('focus', onFocus);
    document.removeEventListener('visibilitychange', onHide);
    window.removeEventListener('pagehide', onHide);
  };
}
