import { CalcError, silent } from '../../../calc/calc';
import type { DesignCode } from '../../../codes/design-code';
import type { TorsionAnswer, TorsionQuestion } from '../../../codes/torsion-rules';
import { guarded, type DerivableCheck } from '../../../checks/check';
import { compareCheck } from '../../../checks/compare';
import { type GivenForces } from '../input';
import { linksOf, type ResistanceMap } from '../resistance';
import { bendingTask } from '../section-at';
import { shareOut } from '../torsion';
import { noTube } from '../torsion-checks';
import { bendingUnder, senseOf, shearUnder, torsionUnder, withAxial } from './questions';
import { tensionFace } from '../sense';
import type { PreparedBeam } from '../prepared';

/** Torsion with the shear of its row: concrete, links, and all longitudinal bars together with those for bending. */
export function torsionRow(beam: PreparedBeam, code: DesignCode, resistance: ResistanceMap, f: GivenForces, i: number): DerivableCheck[] {
  const T = Math.abs(f.torsion ?? 0);
  if (T === 0) return [];
  const label = f.place || `row ${i + 1}`;
  const question = torsionUnder(beam, resistance, f);
  const answer = code.torsion.check(silent, question);
  const { side } = resistance.map.steel;
  const sense = senseOf(f);
  const bending = code.bendingResistance(silent, bendingUnder(beam, resistance, f).section, beam.materials)?.moment ?? 0;
  const { area } = resistance.tensionSteel(0, 0, sense);
  const face = shareOut(beam, 0, answer, side?.count ?? 0).face;
  // The face in bending adds its share to what bending uses of its bars.
  const bars = answer.design === 0 || bending === 0 ? 0 : Math.abs(f.moment) / bending + face / area;
  const make = (id: string, title: string, clause: string, utilisation: number, words: string) =>
    compareCheck({
      id: `torsion-${id}-${i + 1}`,
      family: 'torsion',
      title: `${title}, ${label}`,
      clause,
      place: { x: null, label },
      combination: f.combination,
      assumptions: code.choices.filter((c) => c.topic === 'shear' || c.topic === 'torsion').map((c) => c.key),
      kind: 'moment',
      compare: (c) => {
        code.torsion.check(c, question);
        return {
          demand: T,
          demandIs: ['torque', 'of the row, as typed'],
          capacity: utilisation > 0 ? T / utilisation : Infinity,
          capacityIs: ['torque with the forces beside it', 'grown in proportion until they use the section up'],
          utilisation,
        };
      },
      fails: (torque) => `${words} at ${label} for a torque of ${torque}.`,
    });
  const { clauses } = code.torsion;
  if (answer.refusal) return [noTube(code, label, `torsion-concrete-${i + 1}`, `Torsion, ${label}`, answer.refusal)];
  return [
    ...spacingWithTorque(code, question, answer, label, i),
    make('concrete', 'Torsion and shear, concrete', clauses.concrete, answer.concrete, 'The section is too small'),
    make('links', `Torsion and shear, ${code.linkWord}`, clauses.links, answer.links, `More ${code.linkWord} are needed`),
    make('bars', 'Bars for bending and torsion', clauses.longitudinal, bars, 'More bars are needed'),
  ];
}

/** Links no further apart than a torque allows. */
function spacingWithTorque(code: DesignCode, question: TorsionQuestion, answer: TorsionAnswer, label: string, i: number): DerivableCheck[] {
  if (answer.design === 0) return [];
  return [
    compareCheck({
      id: `torsion-link-spacing-${i + 1}`,
      family: 'detailing',
      title: `Spacing of ${code.linkWord} with torsion, ${label}`,
      clause: answer.spacing.clause,
      place: { x: null, label },
      kind: 'length',
      compare: (c) => ({
        demand: question.links.spacing,
        demandIs: [`spacing of ${code.linkWord}`, 'as typed or chosen'],
        capacity: code.torsion.check(c, question).spacing.value,
        capacityIs: ['largest distance with torsion', 'as the code asks for this section'],
      }),
      fails: (is, allowed) => `${code.linkWord} stand ${is} apart; ${allowed} is allowed with torsion.`,
    }),
  ];
}

export function bendingRow(beam: PreparedBeam, code: DesignCode, resistance: ResistanceMap, f: GivenForces, i: number): DerivableCheck[] {
  const moment = Math.abs(f.moment);
  if (moment === 0) return [];
  const sense = senseOf(f);
  const label = f.place || `row ${i + 1}`;
  const base = {
    id: `bending-${i + 1}`,
    family: 'bending' as const,
    title: `Bending, ${label}`,
    clause: code.steelClauses.bending,
    place: { x: null, label },
  };
  return [
    guarded(base, () => {
      const here = bendingUnder(beam, resistance, f);
      const state = code.bendingResistance(silent, here.section, beam.materials);
      const { d, area } = resistance.tensionSteel(0, 0, sense);
      const d2 = resistance.compressionDepth(0, 0, sense);
      const plain = bendingTask(beam, 0, sense, { moment, d, d2, delta: 1 });
      const task = { ...plain, section: withAxial(plain.section, f) };
      const need = requirement(() => code.bendingSteel(silent, task));
      const face = tensionFace(sense) === 'top' ? 'Top' : 'Bottom';
      return compareCheck({
        ...base,
        combination: f.combination,
        assumptions: code.choices.filter((c) => c.topic === 'bending').map((c) => c.key),
        kind: 'moment',
        compare: (c) => {
          const { moment: capacity = 0 } = code.bendingResistance(c, here.section, beam.materials) ?? {};
          if (c.recording) {
            c.note('Steel needed for this moment, with the bars where they are:');
            code.bendingSteel(c, task);
          }
          return {
            demand: moment,
            demandIs: ['moment', 'of the row, as typed'],
            capacity,
            utilisation: capacity > 0 ? moment / capacity : Infinity,
          };
        },
        fails: (_moment, _most, show) => {
          const axial = f.axial ? ` with an axial force of ${show(f.axial, 'force')}` : '';
          if (!state) return `${label}: the section${axial} has no resistance in bending left; design it as a column.`;
          if (need.refusal) return `The section ${need.refusal}.`;
          return Number.isFinite(need.tension) && need.tension > area
            ? `${face} bars at ${label}: needs ${show(need.tension, 'area')}${axial}, has ${show(area, 'area')}.`
            : `${label}: the section${axial} is too small for the moment.`;
        },
      });
    }),
  ];
}

function requirement(run: () => { tension: number; refusal?: string }): { tension: number; refusal?: string } {
  try {
    return run();
  } catch (error) {
    if (error instanceof CalcError) return { tension: NaN };
    throw error;
  }
}

export function shearRow(beam: PreparedBeam, code: DesignCode, resistance: ResistanceMap, f: GivenForces, i: number): DerivableCheck[] {
  const force = Math.abs(f.shear);
  if (force === 0) return [];
  const label = f.place || `row ${i + 1}`;
  const section = shearUnder(resistance, f);
  const zone = resistance.map.linkZoneAt(0, 0);
  const links = linksOf(zone, resistance.map);
  const need = code.linkRequirement(silent, force, section, beam.materials);
  return [
    compareCheck({
      id: `shear-${i + 1}`,
      family: 'shear',
      title: `Shear, ${label}`,
      clause: code.shearClauses.resistance,
      place: { x: null, label },
      combination: f.combination,
      assumptions: code.choices.filter((c) => c.topic === 'shear').map((c) => c.key),
      kind: 'force',
      compare: (c) => {
        const { force: capacity } = code.shearResistance(c, section, links, beam.materials);
        if (c.recording) code.linkRequirement(c, force, section, beam.materials);
        return { demand: force, demandIs: ['shear', 'of the row, as typed'], capacity };
      },
      fails: (_force, _most, show) =>
        need.isCrushed
          ? `Shear at ${label}: more than the section carries with any ${code.linkWord}.`
          : `Shear at ${label}: ${code.linkWord} need ${show(need.areaPerLength, 'areaPerLength')}, have ${show(links.area / links.spacing, 'areaPerLength')}.`,
    }),
  ];
}
