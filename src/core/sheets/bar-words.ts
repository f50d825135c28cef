import { barLabel, drawnLength, sizeOf } from '../members/parts/bar-labels';
import type { ProjectBasis } from '../members/member';
import { countOf, type BarSet } from '../model/bar-set';

/** How a drawing names bars, and how long those of each mark are cut (mm): what its bar schedule says. */
export type SheetNames = ProjectBasis & { readonly cut: ReadonlyMap<string, number> };

/** Typefaces of drawings and of other programs have no narrow spaces. */
export const plainSpaces = (text: string): string => text.replace(/[\u202f\u2009]/g, ' ');

/** A length on a drawing, in its unit. */
export const lengthWords = (mm: number, { display }: ProjectBasis): string =>
  plainSpaces(drawnLength(display === 'US' ? mm : Math.round(mm), display));

const spacingWords = ({ spacing }: BarSet, names: SheetNames) => (spacing ? ` @ ${lengthWords(spacing, names)}` : '');

/** Number, size, mark and spacing of bars: "12H16-03 @ 150". */
export function barWords(sets: readonly BarSet[], names: SheetNames): string {
  const [first] = sets;
  const count = Number(sets.reduce((sum, s) => sum + countOf(s) * (s.share ?? 1), 0).toFixed(1));
  return `${barLabel({ count, size: first!.bar.name }, names)}-${first!.mark}${count > 1 ? spacingWords(first!, names) : ''}`;
}

/** The length to be cut, as scheduled. */
export const cutWords = ({ mark }: BarSet, names: SheetNames): string => lengthWords(names.cut.get(mark)!, names);

/** Size, mark and spacing, where a cut goes through one of them: "H8-11 @ 150". */
export const linkWords = (set: BarSet, names: SheetNames): string =>
  `${sizeOf(set.bar.name, names)}-${set.mark}${spacingWords(set, names)}`;
