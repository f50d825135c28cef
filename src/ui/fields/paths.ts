/** What stands behind a part of a path: nothing where the value is of the kind asked for, or the way further in. */
type Behind<T, V> =
  | (T extends V ? '' : never)
  | (T extends readonly (infer E)[] ? `[${number}]${Behind<NonNullable<E>, V>}` : T extends object ? `.${PathTo<T, V>}` : never);

/** Paths to values of a kind within an object, as faults name them: "cover.top", "spans[0].h". A value that may be null counts by its kind. */
export type PathTo<T, V> = T extends object ? { [K in keyof T & string]: `${K}${Behind<NonNullable<T[K]>, V>}` }[keyof T & string] : never;

/** Paths to values of a member; what it keeps besides (states, decisions, choices) has its own places. */
export type FieldOf<M, V> = M extends unknown ? PathTo<Omit<M, 'variants' | 'decisions' | 'choices'>, V> : never;

const partsOf = (path: string) => path.split(/[.[\]]+/).filter(Boolean);

type Node = Record<string, unknown>;

/** The value at a path; undefined where there is none. */
export const valueAt = (root: object, path: string): unknown =>
  partsOf(path).reduce<unknown>((node, key) => (node as Node | null | undefined)?.[key], root);

/** Puts a value at a path of a draft; undefined takes it away. Throws TypeError where the way to it is not there. */
export function setAt(root: object, path: string, value: unknown): void {
  const parts = partsOf(path);
  const last = parts.pop()!;
  const node = parts.reduce<unknown>((at, key) => (at as Node | null | undefined)?.[key], root);
  if (typeof node !== 'object' || node === null) throw new TypeError(`Nothing at ${path}`);
  if (value === undefined) delete (node as Node)[last];
  else (node as Node)[last] = value;
}
