import { silent } from '../../../calc/calc';
import type { DesignCode } from '../../../codes/design-code';
import { areaOf, barOf } from '../../../reinforcement/bar-groups';
import { linksOf, type ResistanceMap } from '../resistance';
import { sectionAt } from '../section-at';
import { cornerBars, torsionQuestion } from '../torsion';
import type { PreparedBeam } from '../prepared';

/** What a section carries with the bars that it has, each force alone and without axial force (N, N mm). */
export interface SectionCapacities {
  readonly sagging: number;
  readonly hogging: number;
  readonly shear: number;
  /** Null where torsion is taken as that of compatibility only. */
  readonly torsion: number | null;
}

export function sectionCapacities(beam: PreparedBeam, code: DesignCode, resistance: ResistanceMap): SectionCapacities {
  const bending = (sense: 'sagging' | 'hogging') =>
    code.bendingResistance(silent, sectionAt(beam, resistance.map, 0, 0, sense).section, beam.materials)?.moment ?? 0;
  const links = linksOf(resistance.map.linkZoneAt(0, 0), resistance.map);
  const section = resistance.shearSection(0, 0, ['sagging']);
  return {
    sagging: bending('sagging'),
    hogging: bending('hogging'),
    shear: code.shearResistance(silent, section, links, beam.materials).force,
    torsion: torsionAlone(beam, code, resistance),
  };
}

/** Far above what a beam carries (N mm): beyond every limit below which a torque may be left out. */
const LARGE = 1e12;

/** The torque alone that uses up the concrete, the links or all longitudinal bars: without shear each of them grows with the torque. */
function torsionAlone(beam: PreparedBeam, code: DesignCode, resistance: ResistanceMap): number | null {
  const { steel, catalogue } = resistance.map;
  const links = linksOf(resistance.map.linkZoneAt(0, 0), resistance.map);
  const section = resistance.shearSection(0, 0, ['sagging']);
  const answer = code.torsion.check(silent, torsionQuestion(beam, 0, section, links, { T: LARGE, V: 0 }, cornerBars(resistance.map, 0, 0)));
  // A torque that compatibility alone brings is never carried in full.
  if (answer.design < LARGE) return null;
  const side = steel.side ? 2 * steel.side.count * barOf(steel.side, catalogue).area : 0;
  const bars = areaOf([steel.bottom[0]!.main, steel.top[0]!.main], catalogue) + side;
  return LARGE / Math.max(answer.concrete, answer.links, answer.longitudinal / bars);
}
