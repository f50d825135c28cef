import { derive, silent } from '../../../calc/calc';
import type { DesignCode } from '../../../codes/design-code';
import { formatQuantity } from '../../../units/format';
import { makeCheck, type DerivableCheck } from '../../../checks/check';
import type { DesignOptions } from '../../../job';
import { outlineOf, type BeamInput, type GivenForces } from '../input';
import { linksOf, type ResistanceMap } from '../resistance';
import { plainSection, sectionAt, tensionFace, type Sense } from '../section-at';
import { clearDistance } from '../steel-checks';
import { senseOf, shearUnder } from './questions';

/** Rules of the section that do not belong to one row: ductility, least steel, spacing of bars and links. */
export function sectionRules(beam: BeamInput, code: DesignCode, resistance: ResistanceMap, options: DesignOptions): DerivableCheck[] {
  const length = (v: number) => formatQuantity(v, 'smallLength', options.units);
  const isUsed = (s: Sense) => beam.forces.length === 0 || beam.forces.some((f) => f.moment !== 0 && senseOf(f) === s);
  const senses = (['sagging', 'hogging'] as const).filter(isUsed);
  const perSense = senses.flatMap((sense): DerivableCheck[] => {
    const here = sectionAt(beam, resistance.map, 0, 0, sense);
    const state = code.bendingResistance(silent, here.section, beam.materials);
    const place = { x: null, label: sense };
    const { d, area } = resistance.tensionSteel(0, 0, sense);
    const plain = plainSection(outlineOf(beam, 0), sense);
    const least = code.minimumSteel(silent, plain, d, beam.materials);
    const placement = resistance.map.placement(here.tension);
    const ductility = state && code.ductility(silent, state, beam.materials, 1);
    const ratio = placement.misfit ? Infinity : placement.clearRequired / placement.clear;
    return [
      ...(ductility && state
        ? [
            makeCheck(
              {
                id: `ductility-${sense}`,
                family: 'detailing',
                title: `${ductility.title}, ${sense}`,
                clause: ductility.clause,
                place,
                utilisation: ductility.utilisation,
                demand: { value: ductility.demand, kind: ductility.kind },
                capacity: { value: ductility.capacity, kind: ductility.kind },
              },
              () => derive((c) => void code.ductility(c, state, beam.materials, 1)),
            ),
          ]
        : []),
      makeCheck(
        {
          id: `minimum-steel-${sense}`,
          family: 'detailing',
          title: `Least steel, ${sense}`,
          clause: code.steelClauses.minimum,
          place,
          utilisation: least / area,
          demand: { value: least, kind: 'area' },
          capacity: { value: area, kind: 'area' },
        },
        () => derive((c) => void code.minimumSteel(c, plain, d, beam.materials)),
      ),
      makeCheck(
        {
          id: `bar-spacing-${sense}`,
          family: 'detailing',
          title: `Clear bar spacing, ${tensionFace(sense)}`,
          clause: code.clearSpacing(20, 20).clause,
          place,
          utilisation: ratio,
          demand: { value: placement.clearRequired, kind: 'smallLength' },
          capacity: Number.isFinite(placement.clear) ? { value: placement.clear, kind: 'smallLength' } : null,
          ...(ratio > 1 + 1e-9
            ? { reason: placement.misfit ?? `${length(placement.clear)} clear, needs ${length(placement.clearRequired)}.` }
            : {}),
        },
        () => derive((c) => void clearDistance(c, code, placement, beam.materials.aggregateSize)),
      ),
    ];
  });
  const zone = resistance.map.linkZoneAt(0, 0);
  const links = linksOf(zone, resistance.map);
  const none: GivenForces = { place: '', combination: '', moment: 0, shear: 0, torsion: 0, axial: 0 };
  const strongest = beam.forces.reduce((a, b) => (Math.abs(b.shear) > Math.abs(a.shear) ? b : a), none);
  const section = shearUnder(resistance, strongest);
  const need = code.linkRequirement(silent, Math.abs(strongest.shear), section, beam.materials);
  const place = { x: null, label: strongest.place };
  const across = (outlineOf(beam, 0).b - 2 * beam.cover.side - links.diameter) / (links.legs - 1);
  const rule = (id: string, title: string, clause: string, demand: number, capacity: number, kind: 'length' | 'areaPerLength') =>
    makeCheck(
      {
        id,
        family: 'detailing',
        title,
        clause,
        place,
        demand: { value: demand, kind },
        capacity: { value: capacity, kind },
        utilisation: demand / capacity,
      },
      () => derive((c) => void code.linkRequirement(c, Math.abs(strongest.shear), section, beam.materials)),
    );
  return [
    ...perSense,
    rule('least-links', `Least ${code.linkWord}`, code.shearClauses.minimum, need.minimum, links.area / links.spacing, 'areaPerLength'),
    rule('link-spacing', `Spacing of ${code.linkWord}`, code.shearClauses.along, links.spacing, need.maxAlong, 'length'),
    rule('leg-spacing', 'Legs across', code.shearClauses.across, across, need.maxAcross, 'length'),
  ];
}
