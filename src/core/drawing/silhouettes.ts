/** Sections small and solid, as paths in a field of 16 by 14. */
export const silhouettes = {
  rectangular: 'M5 1h6v12H5z',
  T: 'M1 1h14v4h-4.500v8h-5V5H1z',
  L: 'M2 1h12v4H7v8H2z',
  invertedT: 'M1 13h14V9h-4.500V1h-5v8H1z',
  rectangle: 'M3 2h10v10H3z',
  circle: 'M8 2a5 5 0 1 0 0 10a5 5 0 1 0 0-10z',
  ring: 'M8 1a6 6 0 1 0 0 12a6 6 0 1 0 0-12zM8 4a3 3 0 1 1 0 6a3 3 0 1 1 0-6z',
  cornerL: 'M2 1h5v7h7v5H2z',
  cross: 'M6 1h4v4h4v4h-4v4H6V9H2V5h4z',
  I: 'M2 1h12v3h-4v6h4v3H2v-3h4V4H2z',
  free: 'M2 4l6-3 6 4-2 8H4z',
};
