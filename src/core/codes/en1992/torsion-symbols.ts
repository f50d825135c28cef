/** Symbols of torsion: meaning and unit. */
export const torsionSymbols = {
  T_Ed: ['design torque', 'kNm'],
  t_ef: ['thickness of the equivalent wall', 'mm'],
  A_k: ['area within the centre line of the wall', 'mm2'],
  u_k: ['length of the centre line of the wall', 'mm'],
  T_Rd_c: ['cracking torque', 'kNm'],
  u_c: ['torque and shear over those without links', ''],
  n_leg: ['legs in a section', ''],
  a_leg: ['area of one leg over spacing', 'mm2/mm'],
  q_TV: ['struts with shear and torque, over their strength', ''],
  q_sw: ['outer leg with shear and torque, over its strength, at 45 degrees', ''],
  u_TV: ['concrete with shear and torque', ''],
  u_sw: ['links with shear and torque', ''],
  A_sl_T: ['longitudinal steel for torsion', 'mm2'],
} as const;
