import { largestOf } from '../../checks/largest';
import { compareCheck } from '../../checks/compare';
import { type Calc } from '../../calc/calc';
import { barOf } from '../../reinforcement/bar-groups';
import { formatQuantity } from '../../units/format';
import { checkInWords, type DerivableCheck, type Show } from '../../checks/check';
import type { DesignCode } from '../../codes/design-code';
import type { BeamAnalysis } from './analysis';
import type { CheckBasis } from './bending-checks';
import { barDistance, shareOut, torqueEnvelope, torsionStations, valueBeside, type TorsionStation } from './torsion';

/** Torsion with shear: concrete, links, longitudinal bars and their spacing. */
export function torsionChecks(basis: CheckBasis, analysis: BeamAnalysis): DerivableCheck[] {
  const { beam, code } = basis;
  const stations = torsionStations(beam, code, analysis, basis.resistance);
  if (stations.length === 0) return [];
  const working = stations.filter((s) => s.answer.design > 0);
  if (working.length === 0) return [neglected(basis, analysis, stations)];
  const refused = working.find((s) => s.answer.refusal);
  if (refused)
    return [noTube(code, `span ${refused.span + 1}`, 'torsion-concrete', 'Torsion and shear, concrete section', refused.answer.refusal!)];
  return [...strength(basis, analysis, working), ...bars(basis, analysis, working), ...spacing(basis, working)];
}

type Basis = CheckBasis;

const nameOf = (basis: Basis, analysis: BeamAnalysis, s: TorsionStation) => basis.combinationAt(torqueEnvelope(analysis)!.by, s.i);
const record = ({ code }: Basis, s: TorsionStation, c: Calc) => void code.torsion.check(c, s.question);
const keys = ({ code }: Basis) => code.choices.filter((c) => c.topic === 'shear' || c.topic === 'torsion').map((c) => c.key);

function neglected(basis: Basis, analysis: BeamAnalysis, stations: readonly TorsionStation[]): DerivableCheck {
  const s = largestOf(stations, (t) => t.question.T)!;
  return compareCheck({
    id: 'torsion',
    family: 'torsion',
    title: 'Torsion',
    clause: basis.code.torsion.clauses.concrete,
    status: 'notApplicable',
    place: { x: s.x, label: `span ${s.span + 1}` },
    combination: nameOf(basis, analysis, s),
    assumptions: keys(basis),
    reason: `The torque of ${formatQuantity(s.question.T, 'moment', basis.units)} asks for no more than the minimum reinforcement.`,
    kind: 'moment',
    compare: (c) => {
      record(basis, s, c);
      return { demand: s.question.T, demandIs: ['torque', 'from the analysis'], capacity: Infinity, utilisation: null };
    },
  });
}

function strength(basis: Basis, analysis: BeamAnalysis, working: readonly TorsionStation[]): DerivableCheck[] {
  const { code } = basis;
  const make = (
    id: string,
    title: string,
    clause: string,
    value: (s: TorsionStation) => number,
    words: (s: TorsionStation, show: Show) => string,
  ) => {
    const s = largestOf(working, value)!;
    const utilisation = value(s);
    return compareCheck({
      id,
      family: 'torsion',
      title,
      clause,
      place: { x: s.x, label: `span ${s.span + 1}` },
      combination: nameOf(basis, analysis, s),
      assumptions: keys(basis),
      kind: 'moment',
      compare: (c) => {
        record(basis, s, c);
        return {
          demand: s.answer.design,
          demandIs: ['torque', 'as it has to be carried'],
          capacity: s.answer.design / utilisation,
          capacityIs: ['torque with the shear beside it', 'grown in proportion until both use the section up'],
          utilisation,
        };
      },
      fails: (_torque, _most, show) => words(s, show),
    });
  };
  const both = ({ question }: TorsionStation, show: Show) => `${show(question.T, 'moment')} with a shear of ${show(question.V, 'force')}`;
  return [
    make(
      'torsion-concrete',
      'Torsion and shear, concrete section',
      code.torsion.clauses.concrete,
      (s) => s.answer.concrete,
      (s, show) => `The section is too small for a torque of ${both(s, show)}, whatever the ${code.linkWord}.`,
    ),
    make(
      'torsion-links',
      `Torsion and shear, ${code.linkWord}`,
      code.torsion.clauses.links,
      (s) => s.answer.links,
      (s, show) => {
        const rate = (v: number) => show(v, 'areaPerLength');
        const { area, spacing: at } = s.question.links;
        return `${code.linkWord} for a torque of ${both(s, show)} need ${rate(s.answer.linkArea)}, have ${rate(area / at)}.`;
      },
    ),
  ];
}

/** Bars of each face: those for bending and their share of torsion together. */
function bars(basis: Basis, analysis: BeamAnalysis, working: readonly TorsionStation[]): DerivableCheck[] {
  const { beam, code, strips, resistance } = basis;
  const side = resistance.map.steel.side;
  const levels = side?.count ?? 0;
  const make = (face: 'bottom' | 'top' | 'side', value: (s: TorsionStation) => readonly [needs: number, has: number]) => {
    const ratio = (s: TorsionStation) => value(s)[0] / Math.max(1, value(s)[1]);
    const s = largestOf(working, ratio)!;
    const [needs, has] = value(s);
    if (needs <= 0) return [];
    const name = face === 'side' ? 'Side bars' : `${face === 'top' ? 'Top' : 'Bottom'} bars`;
    return [
      compareCheck({
        id: `torsion-bars-${face}`,
        family: 'torsion',
        title: face === 'side' ? 'Side bars for torsion' : `${name} for bending and torsion`,
        clause: code.torsion.clauses.longitudinal,
        place: { x: s.x, label: `span ${s.span + 1}` },
        combination: nameOf(basis, analysis, s),
        assumptions: keys(basis),
        kind: 'area',
        compare: (c) => {
          record(basis, s, c);
          return {
            demand: needs,
            demandIs: [
              'area needed',
              face === 'side' ? 'the share of the sides' : 'for bending there, with the share of this face of that for torsion',
            ],
            capacity: has,
            capacityIs: ['area there', 'of the bars as they are laid out'],
            utilisation: ratio(s),
          };
        },
        fails: (need, is) => `${name} in span ${s.span + 1} need ${need} with torsion, have ${is}.`,
      }),
    ];
  };
  const sideArea = side ? 2 * side.count * barOf({ count: 1, size: side.size }, resistance.map.catalogue).area : 0;
  const share = (s: TorsionStation) => shareOut(beam, s.span, s.answer, levels);
  const curves = { x: [...strips.x], span: [...strips.span] };
  const here = (values: Float64Array, s: TorsionStation) => valueBeside(curves, values, s.i, s.x);
  const finite = (v: number) => (Number.isFinite(v) ? v : 0);
  return [
    ...make('bottom', (s) => [finite(here(strips.requiredBottom, s)) + share(s).face, here(strips.providedBottom, s)]),
    ...make('top', (s) => [finite(here(strips.requiredTop, s)) + share(s).face, here(strips.providedTop, s)]),
    ...make('side', (s) => [share(s).side, sideArea]),
  ];
}

/** Links no further apart than torsion allows, and bars up the sides. */
function spacing(basis: Basis, working: readonly TorsionStation[]): DerivableCheck[] {
  const { beam, code, resistance } = basis;
  const levels = resistance.map.steel.side?.count ?? 0;
  const make = (
    id: string,
    title: string,
    clause: string,
    has: (s: TorsionStation) => number,
    most: (s: TorsionStation) => number,
    what: string,
  ) => {
    const s = largestOf(working, (t) => has(t) / most(t))!;
    return compareCheck({
      id,
      family: 'detailing',
      title,
      clause,
      place: { x: s.x, label: `span ${s.span + 1}` },
      kind: 'length',
      compare: () => ({
        demand: has(s),
        demandIs: [`distance of ${what.toLowerCase()}`, 'as they are laid out'],
        capacity: most(s),
        capacityIs: ['largest distance with torsion', 'as the code asks for this section'],
      }),
      fails: (is, allowed) => `${what} in span ${s.span + 1} stand ${is} apart; ${allowed} is allowed with torsion.`,
    });
  };
  const first = working[0]!.answer;
  return [
    make(
      'torsion-link-spacing',
      `Spacing of ${code.linkWord} with torsion`,
      first.spacing.clause,
      (s) => s.question.links.spacing,
      (s) => s.answer.spacing.value,
      code.linkWord,
    ),
    make(
      'torsion-bar-spacing',
      'Spacing of bars up the sides',
      first.barSpacing.clause,
      (s) => barDistance(beam, s.span, levels),
      (s) => s.answer.barSpacing.value,
      'Bars up the sides',
    ),
  ];
}

/** A section whose walls leave no tube for a torque. */
export const noTube = (code: DesignCode, label: string, id: string, title: string, reason: string): DerivableCheck =>
  checkInWords({
    id,
    family: 'torsion',
    title,
    clause: code.torsion.clauses.concrete,
    status: 'failed',
    place: { x: null, label },
    reason,
  });
