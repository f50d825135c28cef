import type { Fault } from '@/core/checks/fault';
import type { Project } from '@/core/project/project';
import { readProject } from '@/core/project/read';
import { salvageProject, type Salvaged } from '@/core/project/salvage';

/** Largest file that is read: a project of 500 members takes about 2 MB, one of 12 columns with 5,000 load sets each about 26. */
export const MOST_CHARACTERS = 200_000_000;

export type TextRead = { readonly ok: true; readonly project: Project } | { readonly ok: false; readonly faults: readonly Fault[] };

/** Reads the text of a project file. Damaged, foreign, huge and newer files are refused with the reason. */
export function readProjectText(text: string): TextRead {
  if (text.length > MOST_CHARACTERS)
    return refuse(`The file is too large: ${Math.round(text.length / 1e6)} MB, at most ${MOST_CHARACTERS / 1e6} MB are read.`);
  if (text.trim() === '') return refuse('The file is empty.');
  let raw: unknown;
  try {
    raw = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    return refuse(`The file is damaged or not an Intarsia project: ${(error as Error).message}.`);
  }
  return readProject(raw);
}

/** Reads as much as can be read of a text that was saved; undefined where it is no project at all. */
export function salvageText(text: string): Salvaged | undefined {
  try {
    return salvageProject(JSON.parse(text));
  } catch {
    return undefined;
  }
}

const refuse = (reason: string): TextRead => ({ ok: false, faults: [{ path: '', reason }] });
