import { derive, silent, type Calc } from '../../../calc/calc';
import type { StressKind } from '../../../codes/service-rules';
import { formatQuantity } from '../../../units/format';
import { makeCheck, type DerivableCheck } from '../../check';
import { supportName } from '../input';
import type { ServiceStrips } from '../result';
import type { Sense } from '../section-at';
import { CrackStates, type CrackState } from './crack-state';
import type { ServiceBasis } from './service-basis';
import { STEPS, type MomentRange } from './service-moments';

/** Every so many steps a crack width is worked out. */
const EVERY = 4;

interface CrackPlace {
  readonly span: number;
  readonly x: number;
  readonly sense: Sense;
  readonly moment: number;
  readonly isCracked: boolean;
  readonly name: string;
  readonly cut: CrackState;
}

/** Crack control, and stresses in service where the code limits them. */
export function crackChecks(basis: ServiceBasis): {
  readonly checks: DerivableCheck[];
  readonly strip: Pick<ServiceStrips, 'crackX' | 'crackBottom' | 'crackTop' | 'crackIsEstimate'>;
} {
  const { code } = basis;
  const states = new CrackStates(basis.stiffness, 1, true);
  const places = placesOf(basis, states, basis.crackMoments, basis.crackNames);
  const rule = code.service.crack ?? code.service.crackEstimate;
  const widthOf = (p: CrackPlace, c: Calc = silent) => (p.isCracked && rule ? rule(c, p.cut.question).width : 0);
  const widths = new Map(places.map((p) => [p, widthOf(p)]));
  const checks = [
    ...(code.service.crack ? widthChecks(basis, places, widths, widthOf, states) : []),
    ...(code.service.crackSpacing ? spacingChecks(basis, places, widths) : []),
    ...stressChecks(basis, 'characteristic'),
    ...stressChecks(basis, 'quasiPermanent'),
  ];
  const xs = [...new Set(places.map((p) => p.x))].sort((a, b) => a - b);
  const on = (sense: Sense) => {
    const byX = new Map(places.filter((p) => p.sense === sense).map((p) => [p.x, widths.get(p)!]));
    return Float64Array.from(xs, (x) => byX.get(x) ?? 0);
  };
  return {
    checks,
    strip: { crackX: Float64Array.from(xs), crackBottom: on('sagging'), crackTop: on('hogging'), crackIsEstimate: !code.service.crack },
  };
}

/** Places between the faces of the supports where a face is in tension. */
function placesOf(basis: ServiceBasis, states: CrackStates, moments: MomentRange, names: readonly string[]): CrackPlace[] {
  const { grid, analysis, stiffness, largest } = basis;
  const places: CrackPlace[] = [];
  for (let i = 0; i < grid.x.length; i += 1) {
    if ((i % STEPS) % EVERY !== Math.floor(EVERY / 2)) continue;
    const [span, x] = [grid.span[i]!, grid.x[i]!];
    if (x < analysis.faces[span]!.right || x > analysis.faces[span + 1]!.left) continue;
    for (const sense of ['sagging', 'hogging'] as const) {
      const moment = sense === 'sagging' ? moments.max[i]! : -moments.min[i]!;
      if (moment <= 1) continue;
      const cut = states.at(span, x, sense, moment);
      if (!cut) continue;
      const most = sense === 'sagging' ? largest.max[i]! : -largest.min[i]!;
      const by = sense === 'sagging' ? moments.maxBy[i]! : moments.minBy[i]!;
      const isCracked = most > stiffness.at(i, sense, 'end').crackingMoment;
      places.push({ span, x, sense, moment, cut, name: names[by] ?? '', isCracked });
    }
  }
  return places;
}

/** Bottom of each span and top over each support: where a crack is checked, by name. */
function groupsOf(basis: ServiceBasis, places: readonly CrackPlace[]) {
  const { beam, analysis } = basis;
  const middle = (span: number) => (analysis.faces[span]!.centre + analysis.faces[span + 1]!.centre) / 2;
  const bottoms = beam.spans.map((_, i) => ({
    id: `span-${i + 1}`,
    label: `span ${i + 1}`,
    places: places.filter((p) => p.sense === 'sagging' && p.span === i),
  }));
  const tops = beam.supports.map((_, i) => ({
    id: `support-${supportName(i)}`,
    label: `support ${supportName(i)}`,
    places: places.filter(
      (p) => p.sense === 'hogging' && ((p.span === i && p.x <= middle(i)) || (p.span === i - 1 && p.x > middle(i - 1))),
    ),
  }));
  return [...bottoms, ...tops].filter((g) => g.places.length > 0);
}

const worstOf = <T>(list: readonly T[], value: (t: T) => number): T => list.reduce((a, b) => (value(b) > value(a) ? b : a));

function widthChecks(
  basis: ServiceBasis,
  places: readonly CrackPlace[],
  widths: ReadonlyMap<CrackPlace, number>,
  widthOf: (p: CrackPlace, c: Calc) => number,
  states: CrackStates,
): DerivableCheck[] {
  const { beam, code, units } = basis;
  const limit = beam.service.crackWidth;
  return groupsOf(basis, places).map((g) => {
    const p = worstOf(g.places, (q) => widths.get(q)!);
    const w = widths.get(p)!;
    const show = (v: number) => formatQuantity(v, 'crack', units);
    return makeCheck(
      {
        id: `crack-${g.id}`,
        family: 'crack',
        title: `Crack width, ${g.label}`,
        clause: code.service.crackClause,
        demand: { value: w, kind: 'crack' },
        capacity: { value: limit, kind: 'crack' },
        utilisation: w / limit,
        place: { x: p.x, label: g.label },
        combination: p.name,
        ...(w > limit ? { reason: `Cracks of ${show(w)} at ${g.label}; ${show(limit)} is allowed: more or thinner bars.` } : {}),
      },
      () =>
        derive((c) => {
          states.alpha(p.span, c);
          if (!p.isCracked) return c.note('The section is not cracked by the largest service moment.');
          widthOf(p, c);
        }),
    );
  });
}

function spacingChecks(basis: ServiceBasis, places: readonly CrackPlace[], widths: ReadonlyMap<CrackPlace, number>): DerivableCheck[] {
  const { beam, code, units } = basis;
  return groupsOf(basis, places).map((g) => {
    const limitOf = (p: CrackPlace, c: Calc = silent) =>
      code.service.crackSpacing!(c, Math.max(p.cut.steel, 1), p.cut.question.cover, beam.materials);
    const spacing = (p: CrackPlace) => (Number.isFinite(p.cut.question.spacing) ? p.cut.question.spacing : beam.section.b);
    const p = worstOf(g.places, (q) => spacing(q) / limitOf(q).value);
    const { value, clause } = limitOf(p);
    const length = (v: number) => formatQuantity(v, 'length', units);
    const estimate = worstOf(g.places, (q) => widths.get(q)!);
    return makeCheck(
      {
        id: `crack-${g.id}`,
        family: 'crack',
        title: `Bar spacing for cracks, ${g.label}`,
        clause,
        demand: { value: spacing(p), kind: 'length' },
        capacity: { value, kind: 'length' },
        utilisation: spacing(p) / value,
        place: { x: p.x, label: g.label },
        combination: p.name,
        warnings: [
          `Estimated crack width ${formatQuantity(widths.get(estimate)!, 'crack', units)}: for information, the code limits the spacing.`,
        ],
        ...(spacing(p) > value
          ? { reason: `Bars at ${g.label} stand ${length(spacing(p))} apart; ${length(value)} is allowed: more bars.` }
          : {}),
      },
      () =>
        derive((c) => {
          limitOf(p, c);
          code.service.crackEstimate?.(c, estimate.cut.question);
        }),
    );
  });
}

/** Stresses of concrete and bars under a kind of service loads, by the cracked section; creep counts as far as the loads are sustained. */
function stressChecks(basis: ServiceBasis, kind: StressKind & ('characteristic' | 'quasiPermanent')): DerivableCheck[] {
  const { beam, code, largest, crackMoments, fullNames, crackNames } = basis;
  const limits = code.service.stressLimits(beam.materials, kind);
  if (!limits.concrete && !limits.steel) return [];
  const isFull = kind === 'characteristic';
  const states = new CrackStates(basis.stiffness, isFull ? sustainedPart(largest, crackMoments) : 1, !isFull);
  const places = placesOf(basis, states, isFull ? largest : crackMoments, isFull ? fullNames : crackNames);
  if (places.length === 0) return [];
  const name = isFull ? 'char.' : 'quasi-perm.';
  const make = (id: string, title: string, value: (p: CrackPlace) => number, limit: { value: number; clause: string }) => {
    const p = worstOf(places, value);
    return makeCheck(
      {
        id: `stress-${id}-${kind}`,
        family: 'crack',
        title: `${title}, ${name}`,
        clause: limit.clause,
        demand: { value: value(p), kind: 'stress' },
        capacity: { value: limit.value, kind: 'stress' },
        utilisation: value(p) / limit.value,
        place: { x: p.x, label: `span ${p.span + 1}` },
        combination: p.name,
      },
      () => derive((c) => void states.alpha(p.span, c)),
    );
  };
  return [
    ...(limits.concrete ? [make('concrete', 'Concrete stress', (p) => p.cut.concrete, limits.concrete)] : []),
    ...(limits.steel ? [make('steel', 'Bar stress', (p) => p.cut.steel, limits.steel)] : []),
  ];
}

/** Sustained over full moment where the full moment is largest. */
function sustainedPart(full: MomentRange, sustained: MomentRange): number {
  const size = (r: MomentRange, i: number) => Math.max(r.max[i]!, -r.min[i]!);
  let at = 0;
  for (let i = 1; i < full.max.length; i += 1) if (size(full, i) > size(full, at)) at = i;
  const whole = size(full, at);
  return whole > 0 ? Math.max(0, Math.min(1, size(sustained, at) / whole)) : 1;
}
