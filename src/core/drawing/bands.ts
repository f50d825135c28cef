/** Fills of the bands of a map, from little to much: on the screen and on paper alike. */
export const bandInks = {
  band0: '#F8F4E9',
  band1: '#F6EBDC',
  band2: '#F3E1CF',
  band3: '#EFD6C0',
  band4: '#E9C9B0',
  band5: '#E1BA9E',
  band6: '#D8AB8C',
  band7: '#CE9A79',
} as const;

export type BandFill = keyof typeof bandInks;

export const bandFills = Object.keys(bandInks) as BandFill[];
