import { silent } from '../../../calc/calc';
import type { DesignCode } from '../../../codes/design-code';
import type { DerivableCheck } from '../../../checks/check';
import { ductilityRule } from '../ductility-rule';
import { compareCheck, type Compared } from '../../../checks/compare';
import { largestOf } from '../../../checks/largest';
import { type GivenForces } from '../input';
import { linksOf, type ResistanceMap } from '../resistance';
import { sectionAt } from '../section-at';
import { clearDistance } from '../steel-checks';
import { bendingUnder, senseOf, shearUnder } from './questions';
import { tensionFace, type Sense } from '../sense';
import { grossOf, type PreparedBeam, outlineOf, plainOf } from '../prepared';

const LAID = 'of the bars as they are laid out';
const SET = 'as typed or chosen';

/** The state that a code judges worst of all rows of one sense, each with its axial force. Undefined where the code judges none. */
function worstDuctility(beam: PreparedBeam, code: DesignCode, resistance: ResistanceMap, sense: Sense) {
  const own = beam.forces.filter(
    (f) => f.moment !== 0 && senseOf(f) === sense && code.isBentFirst(f.axial ?? 0, grossOf(beam, 0).area, beam.materials),
  );
  const plain = sectionAt(beam, resistance.map, 0, 0, sense).section;
  const sections = own.length > 0 ? own.map((f) => bendingUnder(beam, resistance, f).section) : [plain];
  const judged = sections.flatMap((section) => {
    const state = code.bendingResistance(silent, section, beam.materials);
    const ductility = state && code.ductility(silent, state, beam.materials, 1);
    return ductility ? [{ state, ductility }] : [];
  });
  return largestOf(judged, ({ ductility }) => ductility.utilisation);
}

/** Rules of the section that do not belong to one row: ductility, least steel, spacing of bars and links. */
export function sectionRules(beam: PreparedBeam, code: DesignCode, resistance: ResistanceMap): DerivableCheck[] {
  const isUsed = (s: Sense) => beam.forces.length === 0 || beam.forces.some((f) => f.moment !== 0 && senseOf(f) === s);
  const senses = (['sagging', 'hogging'] as const).filter(isUsed);
  const perSense = senses.flatMap((sense): DerivableCheck[] => {
    const here = sectionAt(beam, resistance.map, 0, 0, sense);
    const judged = worstDuctility(beam, code, resistance, sense);
    const place = { x: null, label: sense };
    const { d, area } = resistance.tensionSteel(0, 0, sense);
    const plain = plainOf(beam, 0, sense);
    const placement = resistance.map.placement(here.tension);
    return [
      ...(judged
        ? [
            ductilityRule(
              { id: `ductility-${sense}`, title: `${judged.ductility.title}, ${sense}`, clause: judged.ductility.clause, place },
              (c) => code.ductility(c, judged.state, beam.materials, 1),
              judged.ductility,
            ),
          ]
        : []),
      compareCheck({
        id: `minimum-steel-${sense}`,
        family: 'detailing',
        title: `Minimum reinforcement, ${sense}`,
        clause: code.steelClauses.minimum,
        place,
        kind: 'area',
        compare: (c) => ({
          demand: code.minimumSteel(c, plain, d, beam.materials),
          capacity: area,
          capacityIs: ['area of the tension bars', LAID],
        }),
      }),
      compareCheck({
        id: `bar-spacing-${sense}`,
        family: 'detailing',
        title: `Clear bar spacing, ${tensionFace(sense)}`,
        clause: code.clearSpacing(20, 20).clause,
        place,
        kind: 'smallLength',
        compare: (c) => ({
          demand: clearDistance(c, code, placement, beam.materials.aggregateSize),
          capacity: placement.clear,
          capacityIs: ['clear distance of the bars', LAID],
          ...(placement.misfit ? { utilisation: Infinity } : {}),
        }),
        fails: (need, has) => placement.misfit ?? `${has} clear, needs ${need}.`,
      }),
    ];
  });
  const zone = resistance.map.linkZoneAt(0, 0);
  const links = linksOf(zone, resistance.map);
  const none: GivenForces = { place: '', combination: '', moment: 0, shear: 0, torsion: 0, axial: 0 };
  const rows = beam.forces.length > 0 ? beam.forces : [none];
  type Need = ReturnType<typeof code.linkRequirement>;
  const needOf = (f: GivenForces, c = silent): Need =>
    code.linkRequirement(c, Math.abs(f.shear), shearUnder(resistance, f), beam.materials);
  const across = (outlineOf(beam, 0).b - 2 * beam.cover.side - links.diameter) / (links.legs - 1);
  /** A rule of the links for the row of forces that asks for the most. */
  const rule = (id: string, title: string, clause: string, kind: 'length' | 'areaPerLength', compare: (need: Need) => Compared) => {
    const f = largestOf(rows, (row) => {
      const { demand, capacity } = compare(needOf(row));
      return demand / capacity;
    })!;
    return compareCheck({
      id,
      family: 'detailing',
      title,
      clause,
      place: { x: null, label: f.place },
      kind,
      compare: (c) => compare(needOf(f, c)),
    });
  };
  const limit = 'as the code asks for this shear and depth';
  return [
    ...perSense,
    rule('least-links', `Minimum ${code.linkWord}`, code.shearClauses.minimum, 'areaPerLength', (need) => ({
      demand: need.minimum,
      capacity: links.area / links.spacing,
      capacityIs: [`area of ${code.linkWord} per length`, SET],
    })),
    rule('link-spacing', `Spacing of ${code.linkWord}`, code.shearClauses.along, 'length', (need) => ({
      demand: links.spacing,
      demandIs: [`spacing of ${code.linkWord}`, SET],
      capacity: need.maxAlong,
      capacityIs: ['largest spacing along', limit],
    })),
    rule('leg-spacing', 'Legs across', code.shearClauses.across, 'length', (need) => ({
      demand: across,
      demandIs: ['distance of legs across', 'between the covers'],
      capacity: need.maxAcross,
      capacityIs: ['largest distance across', limit],
    })),
  ];
}
