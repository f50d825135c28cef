import type { Fault } from '../checks/fault';
import type { Project } from './project';
import { faultText } from './bounds';
import { readProject } from './read';

const MOST_ROUNDS = 200;

/** A project as far as it can be read, and what was cut or left out for that. */
export interface Salvaged {
  readonly project: Project;
  /** In words, with members by the marks that they had: one that is left out shifts the others. */
  readonly faults: readonly string[];
}

/**
 * Reads what it can of a project that was saved: texts and lists that are too long are cut, values that are wrong take their default, entries
 * that still cannot be read are left out, each with its fault. Undefined where it is no project at all.
 */
export function salvageProject(raw: unknown): Salvaged | undefined {
  const value = structuredClone(raw);
  const faults: string[] = [];
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const read = readProject(value);
    if (read.ok) return { project: read.project, faults };
    const members = marksIn(value);
    const first = faultText(read.faults[0]!, { members });
    const mended = read.faults.filter((f) => mend(value, f));
    if (mended.length === 0 && !leaveOut(value, read.faults[0]!.path)) return undefined;
    faults.push(...(mended.length > 0 ? mended.map((f) => faultText(f, { members })) : [`${first}; the entry is left out`]));
  }
  return undefined;
}

/** The marks of the members as they stand, whatever else they are. */
function marksIn(raw: unknown): { readonly mark: string }[] {
  const members = (raw as { members?: unknown } | null)?.members;
  return Array.isArray(members) ? members.map((m: unknown) => ({ mark: String((m as { mark?: unknown } | null)?.mark ?? '') })) : [];
}

type Node = Record<string | number, unknown>;

/** The object that holds the last key of a path, and that key; undefined where the way is not there. */
function holderOf(root: unknown, keys: readonly string[]): readonly [Node, string] | undefined {
  const last = keys[keys.length - 1];
  const node = keys.slice(0, -1).reduce<unknown>((at, key) => (at as Node | null | undefined)?.[key], root);
  return last !== undefined && typeof node === 'object' && node !== null ? [node as Node, last] : undefined;
}

const keysOf = (path: string) => path.split(/[.[\]]+/).filter(Boolean);

/** Cuts a text or a list to what it may have, or lets a wrong value take its default. False where there is nothing to be mended. */
function mend(root: unknown, { path, reason }: Fault): boolean {
  const [holder, key] = holderOf(root, keysOf(path)) ?? [];
  if (!holder || key === undefined || Array.isArray(holder) || holder[key] === undefined) return false;
  const most = /at most (\d+) (?:characters|entries)/.exec(reason)?.[1];
  const value = holder[key];
  if (most !== undefined && (typeof value === 'string' || Array.isArray(value))) holder[key] = value.slice(0, Number(most));
  else delete holder[key];
  return true;
}

/** Takes the innermost entry of a list away that a path leads through. */
function leaveOut(root: unknown, path: string): boolean {
  const keys = keysOf(path);
  for (let n = keys.length; n > 0; n -= 1) {
    const [holder, key] = holderOf(root, keys.slice(0, n)) ?? [];
    if (!Array.isArray(holder) || !(Number(key) < holder.length)) continue;
    holder.splice(Number(key), 1);
    return true;
  }
  return false;
}
