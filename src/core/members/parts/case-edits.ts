interface Combined {
  ownCombinations: { factors: { caseId: string; factor: number }[] }[];
}

/** Combinations of the engineer's own follow a load case that is called otherwise. */
export function renameInCombinations({ ownCombinations }: Combined, before: string, after: string): void {
  for (const { factors } of ownCombinations) for (const f of factors) if (f.caseId === before) f.caseId = after;
}

/** The same for one that is deleted: it goes from them. */
export function dropFromCombinations({ ownCombinations }: Combined, id: string): void {
  for (const own of ownCombinations) own.factors = own.factors.filter((f) => f.caseId !== id);
}
