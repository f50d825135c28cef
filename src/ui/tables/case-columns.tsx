import type { LoadCase } from '@/core/analysis/combination';
import type { DesignCode } from '@/core/codes/design-code';
import { caseName, withNature } from '@/core/members/parts/case-names';
import type { Refusal } from '@/store/project-store';
import type { columnsFor } from './columns';

/** A case that is added: imposed until its nature is said, and named by it. */
export const newCase = (code: DesignCode, cases: readonly LoadCase[]): LoadCase => ({
  id: caseName(
    code,
    'imposed',
    cases.map((c) => c.id),
  ),
  title: '',
  nature: 'imposed',
  category: '',
  pattern: false,
});

/** Name, title, nature and use of load cases: the columns that every table of them begins with. */
export function caseColumns(
  code: DesignCode,
  cases: readonly LoadCase[],
  of: ReturnType<typeof columnsFor<LoadCase>>,
  set: (i: number, patch: Partial<LoadCase>) => Refusal,
) {
  // Settlements have a case of their own, made from those of the supports.
  const typed = Object.fromEntries(Object.entries(code.natures).filter(([nature]) => nature !== 'settlement'));
  const uses = Object.keys(code.categories);
  const use = { get: (c: LoadCase) => c.category || uses[0]!, set: (i: number, category: string) => set(i, { category }) };
  return [
    of.text('Name', { get: (c) => c.id, set: (i, v) => (v.trim() ? set(i, { id: v.trim() }) : 'needs a name') }, { width: '4rem' }),
    of.text('Title', 'title'),
    of.pick('Nature', typed, { get: (c) => c.nature, set: (i, nature) => set(i, withNature(code, cases, i, nature)) }),
    ...(uses.length > 0 ? [of.pick('Category', code.categories, use, { isDisabled: (c) => c.nature !== 'imposed' })] : []),
  ];
}
