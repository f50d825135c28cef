/** Symbols of moment frames (chapter 18): meaning and unit. */
export const frameSymbols = {
  k_b: ['6 for grade 60, 5 for grade 80', ''],
  d_hoop: ['diameter of the hoops', 'mm'],
  l_hoop: ['length with hoops from the face', 'mm'],
  phi_V_s: ['design shear strength of hoops alone', 'kN'],
  k_j: ['20 for grade 60, 26 for grade 80', ''],
  d_b_max: ['largest bar through the joint', 'mm'],
  h_col: ['depth of the column along the beam', 'mm'],
} as const;
