/** A beam of three spans with five load cases and its own weight, all patterns and combinations, as a file would have it: the beam of the bench. */
export const threeSpansFile = (code: { readonly id: string; readonly variant: string }): object => ({
  format: 'intarsia',
  version: 1,
  code,
  members: [
    {
      mark: 'T',
      section: { shape: 'T', b: 300, h: 550, flangeWidth: 1100, flangeDepth: 150 },
      spans: [{ length: 7200 }, { length: 8400 }, { length: 6000 }],
      supports: Array.from({ length: 4 }, () => ({ width: 250 })),
      cases: [
        { id: 'G', nature: 'permanent' },
        { id: 'Q', nature: 'imposed', category: 'C' },
        { id: 'Q2', nature: 'imposed', category: 'A' },
        { id: 'S', nature: 'snow' },
        { id: 'W', nature: 'wind' },
      ],
      loads: [
        { type: 'uniform', case: 'G', value: 20 },
        { type: 'uniform', case: 'Q', value: 12 },
        { type: 'uniform', case: 'Q2', value: 4 },
        { type: 'uniform', case: 'S', value: 3 },
        { type: 'uniform', case: 'W', value: 2 },
        { type: 'point', case: 'G', span: 1, at: 3000, force: 30 },
      ],
    },
  ],
});
