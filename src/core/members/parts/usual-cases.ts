/** Load cases that a new member begins with, as they stand in a file. */
export const usualCases = [
  { id: 'G', title: 'Permanent', nature: 'permanent' },
  { id: 'Q', title: 'Imposed', nature: 'imposed' },
] as const;
