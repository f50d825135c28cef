import type { Check, CheckFamily } from '@/core/checks/check';
import { governing } from '@/core/checks/check';
import type { Project } from '@/core/project/project';
import { kindOf, type Member } from '@/core/members/kinds';
import { decisionFor } from '@/core/members/member';
import { isCurrent, type ResultEntry } from '@/store/project-store';
import type { Standing } from '@/ui/drawing/Glyph';
import { memberStanding } from '@/ui/sheet/MemberList';

/** A member as the overview lists it. */
export interface RowData {
  readonly member: Member;
  readonly entry: ResultEntry | undefined;
  readonly standing: Standing;
  readonly utilisation: number | null;
}

export const families: readonly { readonly keys: readonly CheckFamily[]; readonly title: string }[] = [
  { keys: ['bending'], title: 'Bending' },
  { keys: ['shear', 'torsion'], title: 'Shear' },
  { keys: ['crack', 'deflection'], title: 'In service' },
  { keys: ['detailing', 'fire'], title: 'Detailing, fire' },
];

export const rowsOf = (project: Project, results: Readonly<Record<string, ResultEntry>>): RowData[] =>
  project.members.map((member) => ({ member, entry: results[member.id], ...memberStanding(project, member, results[member.id]) }));

export const isDone = (project: Project, r: RowData) => r.entry !== undefined && isCurrent(r.entry, project, r.member);

export const worstOf = (checks: readonly Check[], keys: readonly CheckFamily[]) => governing(checks.filter((c) => keys.includes(c.family)));

/** Why a member stands as it does, in words. */
export function reasonOf({ member, entry }: RowData): string {
  const fault = entry?.result.faults[0]?.reason;
  if (fault) return fault;
  const check = entry?.result.governing;
  if (!check) return 'Waiting';
  const reason = check.reason ?? [check.title, check.combination.split(',')[0]].filter(Boolean).join(', ');
  return check.status === 'exceeds' && decisionFor(member, check) ? `accepted: ${reason}` : reason;
}

/** The columns by which the list can be ordered; families by their title. */
export type SortKey = 'worst' | 'mark' | 'place' | 'size' | (string & {});

const order: Record<Standing, number> = { over: 5, accepted: 4, near: 3, working: 2, within: 1, open: 0 };
const worstFirst = (a: RowData, b: RowData) => order[b.standing] - order[a.standing] || (b.utilisation ?? 0) - (a.utilisation ?? 0);
const byText = new Intl.Collator('en', { numeric: true });

/** The list in the order asked for; figures fall, words rise, and equals stand worst first. */
export function sortRows(rows: readonly RowData[], by: SortKey, project: Project): RowData[] {
  const text: Partial<Record<SortKey, (r: RowData) => string>> = {
    mark: (r) => r.member.mark,
    place: (r) => r.member.place,
    size: (r) => kindOf(r.member).sizeLabel(r.member, project.display),
  };
  const family = families.find((f) => f.title === by);
  const figure = (r: RowData) => worstOf(r.entry?.result.checks ?? [], family!.keys)?.utilisation ?? -1;
  const compare = family
    ? (a: RowData, b: RowData) => figure(b) - figure(a)
    : text[by]
      ? (a: RowData, b: RowData) => byText.compare(text[by]!(a), text[by]!(b))
      : () => 0;
  return [...rows].sort((a, b) => compare(a, b) || worstFirst(a, b));
}

/** The group in which a member stands, behind its place; empty for none. */
export function groupLabel(member: Member): string {
  const name = kindOf(member).group?.nameOf(member);
  return name ? ` · group ${name}` : '';
}

/** Whether a row has a word in it, in what is shown of it. */
export function hasText(r: RowData, text: string): boolean {
  const { member } = r;
  return [member.mark, member.title, member.place, groupLabel(member), reasonOf(r)]
    .join(' ')
    .toLowerCase()
    .includes(text.trim().toLowerCase());
}
