import type { BendingSection, ShearSection } from '../../../codes/design-code';
import type { GivenForces } from '../input';
import { linksOf, type ResistanceMap } from '../resistance';
import { sectionAt, type SectionHere } from '../section-at';
import { cornerBars, torsionQuestion } from '../torsion';
import type { Sense } from '../sense';
import type { PreparedBeam } from '../prepared';

/** Which face a row of forces stretches. */
export const senseOf = (f: Pick<GivenForces, 'moment'>): Sense => (f.moment >= 0 ? 'sagging' : 'hogging');

/** The section with the axial force of a row. */
export const withAxial = <S extends BendingSection | ShearSection>(section: S, f: GivenForces): S =>
  f.axial ? { ...section, axial: f.axial } : section;

/** The section as bending sees it under a row of forces. */
export function bendingUnder(beam: PreparedBeam, resistance: ResistanceMap, f: GivenForces): SectionHere {
  const here = sectionAt(beam, resistance.map, 0, 0, senseOf(f));
  return { ...here, section: withAxial(here.section, f) };
}

/** The section as shear sees it under a row of forces. */
export const shearUnder = (resistance: ResistanceMap, f: GivenForces): ShearSection =>
  withAxial(resistance.shearUnder(0, 0, { max: Math.max(f.moment, 0), min: Math.min(f.moment, 0) }, Math.abs(f.shear)), f);

export function torsionUnder(beam: PreparedBeam, resistance: ResistanceMap, f: GivenForces) {
  const links = linksOf(resistance.map.linkZoneAt(0, 0), resistance.map);
  const forces = { T: Math.abs(f.torsion ?? 0), V: Math.abs(f.shear) };
  return torsionQuestion(beam, 0, shearUnder(resistance, f), links, forces, cornerBars(resistance.map, 0, 0));
}
