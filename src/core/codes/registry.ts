import { aci318Entry } from './aci318';
import { as3600Entry } from './as3600';
import type { CodeEntry, CodeSettings, CodeVariant, DesignCode } from './design-code';
import { en1992Entry } from './en1992';

/** The codes of practice; the first is that of files which name none. A new code is a folder and a line here. */
const entries: readonly CodeEntry[] = [en1992Entry, aci318Entry, as3600Entry];

/** Every form of every code, as it is offered. */
export const codeVariants: readonly (CodeVariant & { readonly id: string })[] = entries.flatMap(({ id, variants }) =>
  variants.map((v) => ({ id, ...v })),
);

const find = (id: string) => entries.find((e) => e.id === id);

const made = new WeakMap<CodeSettings, DesignCode>();

/** The code of practice for some settings; the same object for the same settings. Throws RangeError when it is not known. */
export function makeCode(settings: CodeSettings): DesignCode {
  const known = made.get(settings);
  if (known) return known;
  const entry = find(settings.id);
  if (!entry) throw new RangeError(`There is no code called "${settings.id}"`);
  const code = entry.make(settings);
  made.set(settings, code);
  return code;
}

export const isKnownVariant = (id: string, variant: string): boolean => find(id)?.variants.some((v) => v.variant === variant) ?? false;

/** The names of all codes. */
export const codeIds: readonly string[] = entries.map((e) => e.id);

/** The usual form of a code; of the first one when none is named. */
export function usualSettings(id: string = entries[0]!.id): CodeSettings {
  return { id, variant: find(id)?.variants[0]?.variant ?? '', choices: {} };
}
