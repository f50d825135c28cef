import { create } from 'zustand';
import type { SaveFailure } from './storage';
import { boundFaults, faultText } from '@/core/project/bounds';
import { asDesigned, letGoOfChanged, neededFor } from '@/core/project/following';
import { shareInGroups } from '@/core/project/groups';
import type { Project } from '@/core/project/project';
import type { Member, MemberResult } from '@/core/members/kinds';

/** A result and the very input that it belongs to: it is current only while these are the same objects. */
export interface ResultEntry {
  readonly result: MemberResult;
  readonly member: Member;
  readonly code: Project['code'];
  readonly display: Project['display'];
  /** The members that its design depends on, as they were. */
  readonly companions?: readonly Member[];
}

export type SaveState =
  | { readonly kind: 'saved'; readonly at: string }
  | { readonly kind: 'saving' }
  | { readonly kind: 'failed'; readonly reason: SaveFailure; readonly message: string };

interface HistoryStep {
  /** Name of the command that led away from this state. */
  readonly label: string;
  readonly project: Project;
}

/** Why a change was not made: what it would put into the project could not be read again. Null where it was made. */
export type Refusal = string | null;

/** A sentence about what was just done. It goes by itself, or with the next change, unless it is to stay until it is closed. */
interface Notice {
  readonly text: string;
  readonly stays: boolean;
}

interface ProjectState {
  readonly project: Project | null;
  /** A tentative state while a value is being typed; never saved. */
  readonly preview: Project | null;
  /** The command that would keep what is being typed. */
  readonly typed: { readonly label: string; readonly change: (project: Project) => Project } | null;
  readonly past: readonly HistoryStep[];
  readonly future: readonly HistoryStep[];
  readonly results: Readonly<Record<string, ResultEntry>>;
  /** Last result of a member without faults, to be shown while the input is wrong. */
  readonly lastGood: Readonly<Record<string, ResultEntry>>;
  readonly openChecks: readonly string[];
  readonly save: SaveState;
  readonly notice: Notice | null;
  /** The text as it was saved of a project that could be read in part; it can be kept as a file. */
  readonly found: string | null;

  /** `found` is the text of a project of which not all could be read. */
  open(project: Project, notice?: string, found?: string): void;
  close(): void;
  /** The one way to change a project: a named command. */
  edit(label: string, change: (project: Project) => Project): Refusal;
  /** With a label it is kept when the page closes. */
  setPreview(change: ((project: Project) => Project) | null, label?: string): void;
  /** Keeps what is being typed, as if it had been entered. */
  keepTyped(): void;
  undo(): void;
  redo(): void;
  putResults(entries: readonly ResultEntry[]): void;
  /** Lets go of all results, so that every member is designed anew. */
  forgetResults(): void;
  setOpenChecks(ids: readonly string[]): void;
  setSave(save: SaveState): void;
  setNotice(text: string | null): void;
}

const MOST_STEPS = 200;

/** Nothing open. */
const nothing = {
  project: null,
  preview: null,
  typed: null,
  past: [],
  future: [],
  results: {},
  lastGood: {},
  openChecks: [],
  save: { kind: 'saved', at: '' },
  notice: null,
  found: null,
} as const;

const LET_GO = 'It stands by itself from now on: what was changed had come from the member that it followed.';

const noPreview = { preview: null, typed: null } as const;
const passing = (text: string): Notice => ({ text, stays: false });

export const useProject = create<ProjectState>((set, get) => ({
  ...nothing,

  open: (project, notice, found) =>
    set({ ...nothing, project, notice: notice === undefined ? null : { text: notice, stays: true }, found: found ?? null }),
  close: () => set({ project: null, preview: null, typed: null, past: [], future: [], results: {}, lastGood: {} }),
  edit: (label, change) => {
    const { project, past, notice } = get();
    if (!project) return null;
    const shared = shareInGroups(project, change(project));
    const next = letGoOfChanged(project, shared);
    if (next === project) {
      set(noPreview);
      return null;
    }
    const [fault] = boundFaults(project, next);
    if (fault) {
      set({ ...noPreview, notice: passing(`Not done, ${label}: ${faultText(fault, project)}.`) });
      return fault.reason;
    }
    const steps = [...past, { label, project }].slice(-MOST_STEPS);
    set({
      ...noPreview,
      project: next,
      past: steps,
      future: [],
      notice: next === shared ? (notice?.stays ? notice : null) : passing(LET_GO),
    });
    return null;
  },
  setPreview: (change, label) => {
    const { project } = get();
    if (!change || !project) return set(noPreview);
    set({
      preview: letGoOfChanged(project, shareInGroups(project, change(project))),
      typed: label === undefined ? null : { label, change },
    });
  },
  keepTyped: () => {
    const { typed, edit } = get();
    if (typed) edit(typed.label, typed.change);
  },
  undo: () => {
    const { project, past, future } = get();
    const last = past[past.length - 1];
    if (!project || !last) return;
    set({
      ...noPreview,
      project: last.project,
      past: past.slice(0, -1),
      future: [{ label: last.label, project }, ...future],
      notice: passing(`Undone: ${last.label}`),
    });
  },
  redo: () => {
    const { project, past, future } = get();
    const next = future[0];
    if (!project || !next) return;
    set({
      ...noPreview,
      project: next.project,
      past: [...past, { label: next.label, project }],
      future: future.slice(1),
      notice: passing(`Done again: ${next.label}`),
    });
  },
  putResults: (found) =>
    set((s) => {
      // While a value is typed nothing but that changes.
      const { project, entries } = s.project && !s.preview ? takenOver(s.project, found) : { project: s.project, entries: found };
      const named = (list: readonly ResultEntry[]) => Object.fromEntries(list.map((e) => [e.member.id, e]));
      const good = entries.filter((e) => e.result.faults.length === 0);
      return {
        project,
        results: { ...s.results, ...named(entries) },
        lastGood: good.length > 0 ? { ...s.lastGood, ...named(good) } : s.lastGood,
      };
    }),
  forgetResults: () => set({ results: {} }),
  setOpenChecks: (openChecks) => set({ openChecks }),
  setSave: (save) => set({ save }),
  setNotice: (text) => set({ notice: text === null ? null : passing(text) }),
}));

/**
 * What members took from those that they follow stands in them from then on, as if it had been typed, but is no step of its own to undo: it follows
 * from the step that changed the other.
 */
function takenOver(project: Project, found: readonly ResultEntry[]) {
  const now = new Map<Member, Member>();
  for (const { member, result } of found) {
    const next = asDesigned(member, result);
    if (next !== member && project.members.includes(member)) now.set(member, next);
  }
  if (now.size === 0) return { project, entries: found };
  return {
    project: { ...project, members: project.members.map((m) => now.get(m) ?? m) },
    entries: found.map((e) => ({ ...e, member: now.get(e.member) ?? e.member })),
  };
}

/** Whether a result is whole and belongs to the input as it now stands. */
export const isCurrent = (entry: ResultEntry | undefined, project: Project, member: Member): boolean =>
  isOf(entry, project, member) && entry.result.early === undefined;

/** Whether a result, which may be an early one, belongs to the input as it now stands. */
export function isOf(entry: ResultEntry | undefined, project: Project, member: Member): entry is ResultEntry {
  if (!entry || entry.member !== member || entry.code !== project.code || entry.display !== project.display) return false;
  const now = neededFor(project.members, member);
  return now.length === (entry.companions?.length ?? 0) && now.every((m, i) => m === entry.companions![i]);
}
