import { aci318Entry } from './aci318';
import { as3600Entry } from './as3600';
import { isValidChoice, type CodeEntry, type CodeSettings, type CodeVariant, type DesignCode } from './design-code';
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

const usual = new Map<string, DesignCode>();

/** A code in its usual form. */
function usualCode(id: string): DesignCode {
  let code = usual.get(id);
  if (!code) usual.set(id, (code = makeCode(usualSettings(id))));
  return code;
}

/** Choices that no code has, or values that none of them allows, by their keys. A member keeps what it chose in another code. */
export function choiceFaults(choices: Readonly<Record<string, string>>): { readonly key: string; readonly reason: string }[] {
  return Object.entries(choices).flatMap(([key, value]) => {
    const known = codeIds.flatMap((id) => usualCode(id).choices.filter((c) => c.key === key));
    if (known.length === 0) return [{ key, reason: 'is a choice that no code has here' }];
    return known.some((c) => isValidChoice(c, value)) ? [] : [{ key, reason: 'must be one of the values that the code allows' }];
  });
}

/** The names of all codes. */
export const codeIds: readonly string[] = entries.map((e) => e.id);

/** The usual form of a code; of the first one when none is named. */
export function usualSettings(id: string = entries[0]!.id): CodeSettings {
  return { id, variant: find(id)?.variants[0]?.variant ?? '', choices: {} };
}
