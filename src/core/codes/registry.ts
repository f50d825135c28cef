import { aci318 } from './aci318';
import type { CodeId, CodeSettings, DesignCode } from './design-code';
import { en1992 } from './en1992';
import { annexes } from './en1992/national';

/** The codes of practice, with their variants. A new code is a new folder and an entry here. */
export const codeVariants: readonly { readonly id: CodeId; readonly variant: string; readonly title: string; readonly short: string }[] = [
  ...annexes.map((a) => ({
    id: 'en1992' as const,
    variant: a.id,
    title: `EN 1992-1-1 with ${a.title}`,
    short: a.id === 'uk' ? 'EN 1992 UK' : 'EN 1992',
  })),
  { id: 'aci318', variant: 'SI', title: 'ACI 318-19, SI form', short: 'ACI 318 SI' },
  { id: 'aci318', variant: 'US', title: 'ACI 318-19, US customary form', short: 'ACI 318 US' },
];

const makers: Record<CodeId, (settings: CodeSettings) => DesignCode> = { en1992, aci318 };

/** The code of practice for some settings. Throws RangeError when the variant is not known. */
export function makeCode(settings: CodeSettings): DesignCode {
  return makers[settings.id](settings);
}

export function isKnownVariant(id: string, variant: string): boolean {
  return codeVariants.some((v) => v.id === id && v.variant === variant);
}
