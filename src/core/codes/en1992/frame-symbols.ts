/** Symbols of ductile frames (EN 1998-1): meaning and unit. */
export const frameSymbols = {
  rho_min: ['minimum ratio of tension steel', ''],
  rho_most: ['maximum ratio of tension steel', ''],
  rho_c2: ['ratio of steel in the compressed face', ''],
  mu_phi: ['curvature ductility', ''],
  q_0: ['basic behaviour factor', ''],
  k_st: ['1.5 for steel of class B, otherwise 1', ''],
  epsilon_syd: ['strain at yield of the bars', ''],
  d_bw: ['diameter of the links', 'mm'],
  d_bL: ['diameter of the longitudinal bars', 'mm'],
  d_bL_max: ['largest bar through the joint', 'mm'],
  h_col: ['depth of the column along the beam', 'mm'],
} as const;
