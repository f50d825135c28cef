import { silent } from '../../../calc/calc';
import type { DesignCode } from '../../../codes/design-code';
import { catalogues } from '../../../materials/bars';
import { barOf, type BarGroup } from '../../../reinforcement/bar-groups';
import { usualSizes } from '../../../reinforcement/usual-sizes';
import { chooseBars } from '../choose-bars';
import { chooseLinks } from '../choose-links';
import { ResistanceMap } from '../resistance';
import { SteelMap, type BeamSteel } from '../steel';
import { cornerBars, shareOut, sideBars } from '../torsion';
import { shearUnder, torsionUnder } from './questions';
import type { Sense } from '../sense';
import type { PreparedBeam } from '../prepared';

/** Bars of the one section: as set, or the fewest that carry the worst of the forces. */
export function sectionSteel(beam: PreparedBeam, code: DesignCode, extra = 0): BeamSteel {
  const usual = usualSizes[beam.catalogue];
  const catalogue = catalogues[beam.catalogue];
  const linkSize = beam.barRules.linkSizes[0] ?? usual.links[0]!;
  const linkDiameter = barOf({ count: 1, size: linkSize }, catalogue).diameter;
  const worst = (sense: Sense) => Math.max(0, ...beam.forces.map((f) => (sense === 'sagging' ? f.moment : -f.moment)));
  const tension = pullOfFace(beam, code);
  const pick = (sense: Sense) =>
    chooseBars(beam, code, [{ span: 0, sense, moment: worst(sense), delta: 1, extra: extra + tension }], linkDiameter)[0]!;
  const bottomChoice = pick('sagging');
  const topChoice = pick('hogging');
  const atLeast = (own: BarGroup, compression: number): BarGroup => {
    const area = barOf(own, catalogue).area;
    return { ...own, count: Math.max(own.count, Math.ceil(compression / area)) };
  };
  const bottom = beam.bars.bottom[0]?.main ?? atLeast(bottomChoice.bars, topChoice.compression);
  const top = beam.bars.top[0]?.main ?? atLeast(topChoice.bars, bottomChoice.compression);
  const length = beam.spans[0]!.length;
  const draft: BeamSteel = {
    bottom: [{ main: bottom, extra: null }],
    top: [{ main: top }],
    support: [null, null],
    links: [[{ to: length, size: linkSize, legs: 2, spacing: 150 }]],
  };
  const own = beam.bars.links[0]?.zones;
  if (own) return { ...draft, links: [own] };
  const resistance = new ResistanceMap(beam, code, new SteelMap(beam, draft, code, () => 1));
  const places = beam.forces.map((f) => ({
    at: length / 2,
    force: Math.abs(f.shear),
    section: shearUnder(resistance, f),
    torque: Math.abs(f.torsion ?? 0),
    corners: cornerBars(resistance.map, 0, 0),
  }));
  const links = [chooseLinks(beam, code, 0, places, null)];
  const side = beam.bars.side ?? sideFor(beam, code, { ...draft, links });
  const torsion = extra > 0 ? 0 : faceShare(beam, code, { ...draft, links, side });
  // Torsion needs bars in both faces: they are known once the links are.
  return torsion > 0 ? sectionSteel(beam, code, torsion) : { ...draft, links, side };
}

/** Steel of each face for the largest axial tension, half of it in each (mm2). Compression is not counted in the choice: it helps. */
function pullOfFace(beam: PreparedBeam, code: DesignCode): number {
  const pull = Math.max(0, ...beam.forces.map((f) => -(f.axial ?? 0)));
  return pull > 0 ? pull / 2 / code.steelLaw(silent, beam.materials).yield : 0;
}

/** Maximum reinforcement that torsion needs in a face (mm2). */
function faceShare(beam: PreparedBeam, code: DesignCode, steel: BeamSteel): number {
  const resistance = new ResistanceMap(beam, code, new SteelMap(beam, steel, code, () => 1));
  const twisted = beam.forces.filter((f) => (f.torsion ?? 0) !== 0);
  return Math.max(
    0,
    ...twisted.map((f) => shareOut(beam, 0, code.torsion.check(silent, torsionUnder(beam, resistance, f)), steel.side?.count ?? 0).face),
  );
}

/** Side bars that the torques among the forces need. */
function sideFor(beam: PreparedBeam, code: DesignCode, steel: BeamSteel): BarGroup | null {
  const resistance = new ResistanceMap(beam, code, new SteelMap(beam, steel, code, () => 1));
  const twisted = beam.forces.filter((f) => (f.torsion ?? 0) !== 0);
  return sideBars(
    beam,
    twisted.map((f) => ({ span: 0, answer: code.torsion.check(silent, torsionUnder(beam, resistance, f)) })),
  );
}
