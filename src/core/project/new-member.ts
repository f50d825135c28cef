import type { Start } from '../members/kind';
import { kinds, type Member } from '../members/kinds';
import { FORMAT_VERSION, type Project } from './project';
import { readProject } from './read';

/** What a project may be given: every start of every kind, in the order in which they are offered. */
export const starts = kinds.flatMap((kind) => kind.starts.map((start) => ({ ...start, type: kind.type })));

/** What a start is called in a sentence: "a beam", "punching". */
export const startName = ({ title, isUncounted }: Pick<Start, 'title' | 'isUncounted'>): string => (isUncounted ? title : `a ${title}`);

/** A new member with sensible defaults of the project's code, read as if it stood in a file. Throws RangeError for a start that no kind has. */
export function newMember(project: Pick<Project, 'code' | 'display'>, startId: string, id: string, mark: string, place: string): Member {
  const start = starts.find((s) => s.id === startId);
  if (!start) throw new RangeError(`No such member to start from: ${startId}`);
  const read = readProject({
    format: 'intarsia',
    version: FORMAT_VERSION,
    code: project.code,
    members: [{ type: start.type, id, mark, place, ...start.fields(project) }],
  });
  if (!read.ok) throw new Error(read.faults.map((f) => `${f.path}: ${f.reason}`).join('; '));
  return read.project.members[0]!;
}
