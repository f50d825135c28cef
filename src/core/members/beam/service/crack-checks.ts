import { derive, silent, type Calc } from '../../../calc/calc';
import type { StressKind } from '../../../codes/service-rules';
import { formatQuantity } from '../../../units/format';
import { makeCheck, type DerivableCheck } from '../../../checks/check';
import type { ServiceStrips } from '../result';
import type { Sense } from '../section-at';
import { groupsOf, placesOf, worstOf, type CrackPlace } from './crack-places';
import { CrackStates } from './crack-state';
import { leastCrackSteelCheck, skinCheck } from './crack-steel-checks';
import type { ServiceBasis } from './service-basis';
import type { MomentRange } from './service-moments';

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
    ...(code.service.crackTables
      ? tableChecks(basis, places)
      : code.service.crack
        ? widthChecks(basis, places, widths, widthOf, states)
        : []),
    ...leastCrackSteelCheck(basis, places),
    ...skinCheck(basis, places),
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

/** Size or spacing of bars by tables, in place of the width of cracks. */
function tableChecks(basis: ServiceBasis, places: readonly CrackPlace[]): DerivableCheck[] {
  const { beam, code, units } = basis;
  const limitOf = (p: CrackPlace, c: Calc = silent) => code.service.crackTables!(c, p.cut.question, beam.service.crackWidth);
  const ratios = (p: CrackPlace) => {
    const { bar, spacing } = limitOf(p);
    return { bySize: p.cut.question.diameter / bar, bySpacing: p.cut.question.spacing / spacing };
  };
  // One of the two is enough; an uncracked face needs neither.
  const utilisation = (p: CrackPlace) => (p.isCracked ? Math.min(ratios(p).bySize, ratios(p).bySpacing) : 0);
  return groupsOf(basis, places).map((g) => {
    const p = worstOf(g.places, utilisation);
    const { bar, spacing, clause } = limitOf(p);
    const isBySize = ratios(p).bySize <= ratios(p).bySpacing;
    const { diameter, spacing: own } = p.cut.question;
    const length = (v: number) => formatQuantity(v, 'length', units);
    return makeCheck(
      {
        id: `crack-${g.id}`,
        family: 'crack',
        title: `${isBySize ? 'Bar size' : 'Bar spacing'} for cracks, ${g.label}`,
        clause,
        demand: { value: isBySize ? diameter : own, kind: 'length' },
        capacity: { value: isBySize ? bar : spacing, kind: 'length' },
        utilisation: utilisation(p),
        place: { x: p.x, label: g.label },
        combination: p.name,
        ...(utilisation(p) > 1
          ? { reason: `Bars at ${g.label}: at most ${length(bar)} thick, or ${length(spacing)} apart: more or thinner bars.` }
          : {}),
      },
      () => derive((c) => void limitOf(p, c)),
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
