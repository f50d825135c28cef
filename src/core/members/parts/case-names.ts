import type { LoadCase, Nature } from '../../analysis/combination';
import type { DesignCode } from '../../codes/design-code';

/** The name of a new case of a nature: its letter, and from the second on a number: "Q", "Q2". */
export function caseName({ caseLetters }: Pick<DesignCode, 'caseLetters'>, nature: Nature, taken: readonly string[]): string {
  const letter = caseLetters[nature] ?? 'Q';
  for (let n = 1; ; n += 1) {
    const name = n === 1 ? letter : `${letter}${n}`;
    if (!taken.includes(name)) return name;
  }
}

/** Whether a case still has the name that its nature gave it. */
const isNamedByNature = ({ caseLetters }: Pick<DesignCode, 'caseLetters'>, { id, nature }: LoadCase): boolean =>
  new RegExp(`^${caseLetters[nature] ?? 'Q'}[0-9]{0,3}$`).test(id);

/** What a change of nature changes besides: a name that came with the nature goes with it, and only imposed loads are absent from single spans. */
export function withNature(
  code: Pick<DesignCode, 'caseLetters'>,
  cases: readonly LoadCase[],
  i: number,
  nature: Nature,
): Pick<LoadCase, 'id' | 'nature' | 'pattern'> {
  const before = cases[i]!;
  const others = cases.filter((_, k) => k !== i).map((c) => c.id);
  const id = before.nature !== nature && isNamedByNature(code, before) ? caseName(code, nature, others) : before.id;
  return { id, nature, pattern: nature === 'imposed' };
}
