/** Which sets of a member came from which file. */
export interface Imported {
  readonly file: string;
  /** Keys of its sets. */
  readonly sets: readonly string[];
}

/** Forces that go together under a name; of columns, strength and service may have sets of one name. */
export interface NamedSet {
  readonly name: string;
  readonly kind?: string;
}

export const keyOfSet = ({ name, kind }: NamedSet): string => (kind === undefined ? name : `${kind} ${name}`);

/** Keys of the sets that came from a file and are not in it any more. */
const gone = (imported: readonly Imported[], file: string, after: readonly NamedSet[]): ReadonlySet<string> => {
  const now = new Set(after.map(keyOfSet));
  return new Set(imported.flatMap((i) => (i.file === file ? i.sets.filter((key) => !now.has(key)) : [])));
};

/** The sets that an import takes away: those that came from the file before and are not in it now; with `dropsOthers` all that are not in it. */
export function takenAway<S extends NamedSet>(
  before: readonly S[],
  after: readonly S[],
  imported: readonly Imported[],
  { file, dropsOthers }: { readonly file: string; readonly dropsOthers: boolean },
): readonly S[] {
  const [now, left] = [new Set(after.map(keyOfSet)), gone(imported, file, after)];
  return before.filter((s) => !now.has(keyOfSet(s)) && (dropsOthers || left.has(keyOfSet(s))));
}

/** A member's sets after an import, and what came from where: sets of the file stand in place of those of the same name. */
export function withImport<S extends NamedSet>(
  member: { readonly sets: readonly S[]; readonly imported: readonly Imported[] },
  after: readonly S[],
  o: { readonly file: string; readonly dropsOthers: boolean },
): { readonly sets: readonly S[]; readonly imported: readonly Imported[] } {
  const away = new Set(takenAway(member.sets, after, member.imported, o).map(keyOfSet));
  const now = new Set(after.map(keyOfSet));
  const stay = member.sets.filter((s) => !now.has(keyOfSet(s)) && !away.has(keyOfSet(s)));
  // A set belongs to the file that it came from last.
  const others = member.imported
    .filter((i) => i.file !== o.file)
    .map((i) => ({ ...i, sets: i.sets.filter((key) => !now.has(key) && !away.has(key)) }))
    .filter((i) => i.sets.length > 0);
  return { sets: [...stay, ...after], imported: [...others, { file: o.file, sets: [...now] }] };
}
