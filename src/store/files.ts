import { writeProject } from '@/core/project/write';
import type { Project } from '@/core/project/project';

/** Media type of a project file. */
export const MEDIA_TYPE = 'application/vnd.intarsia+json';

/** Offers bytes to the browser as a file to keep. */
export function downloadBlob(blob: Blob, name: string): void {
  const address = URL.createObjectURL(blob);
  const a = document.createElement('a');
  a.href = address;
  a.download = name;
  a.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}

/** A name that every file system takes. */
export function fileName(name: string): string {
  const clean = name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '');
  return clean || 'project';
}

/** Keeps a text of a project as it stands, whether it can be read or not. */
export function downloadText(text: string): void {
  downloadBlob(new Blob([text], { type: MEDIA_TYPE }), 'as-it-was-saved.intarsia');
}

export function downloadProject(project: Project): void {
  downloadBlob(new Blob([writeProject(project)], { type: MEDIA_TYPE }), `${fileName(project.name)}.intarsia`);
}
