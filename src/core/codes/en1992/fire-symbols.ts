/** Symbols of fire: meaning and unit. */
export const fireSymbols = {
  eta_fi: ['forces in fire over design forces', ''],
  mu_fi: ['level of load in fire', ''],
  u_ray: ['use of the section, N and M growing together', ''],
  u_M: ['use in bending', ''],
  omega_fi: ['mechanical ratio of reinforcement', ''],
  n_fi: ['level of axial force in fire', ''],
  k_s_fi: ['stress of the bars in fire over their yield strength', ''],
  a_fi: ['axis distance', 'mm'],
  l_0fi: ['effective length in fire', 'mm'],
  b_fi: ['size that counts', 'mm'],
  R_eta: ['part by the load', 'min'],
  R_a: ['part by the axis distance', 'min'],
  R_l: ['part by the length', 'min'],
  R_b: ['part by the size', 'min'],
  R_n: ['part by the number of bars', 'min'],
  R_fi: ['fire resistance', 'min'],
} as const;
