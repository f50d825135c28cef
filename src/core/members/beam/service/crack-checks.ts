import { largestOf } from '../../../checks/largest';
import { silent, type Calc } from '../../../calc/calc';
import type { StressKind } from '../../../codes/service-rules';
import { formatQuantity } from '../../../units/format';
import type { DerivableCheck } from '../../../checks/check';
import { compareCheck } from '../../../checks/compare';
import type { ServiceStrips } from '../result';
import { crackSites, groupsOf, placesOf, type CrackPlace, type CrackSite } from './crack-places';
import { CrackStates } from './crack-state';
import { leastCrackSteelCheck, skinCheck } from './crack-steel-checks';
import type { ServiceBasis } from './service-basis';
import type { MomentRange } from './service-moments';
import type { Sense } from '../sense';

/** Crack control, and stresses in service where the code limits them. */
export function crackChecks(basis: ServiceBasis): {
  readonly checks: DerivableCheck[];
  readonly strip: Pick<ServiceStrips, 'crackX' | 'crackBottom' | 'crackTop' | 'crackIsEstimate'>;
} {
  const { code } = basis;
  const states = new CrackStates(basis.stiffness, 1, true);
  const sites = crackSites(basis);
  const places = placesOf(basis, sites, states, 'crack');
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
    ...stressChecks(basis, sites, 'characteristic'),
    ...stressChecks(basis, sites, 'quasiPermanent'),
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
  const { beam, code } = basis;
  const limit = beam.service.crackWidth;
  return groupsOf(basis, places).map((g) => {
    const p = largestOf(g.places, (q) => widths.get(q)!)!;
    return compareCheck({
      id: `crack-${g.id}`,
      family: 'crack',
      title: `Crack width, ${g.label}`,
      clause: code.service.crackClause,
      place: { x: p.x, label: g.label },
      combination: p.name,
      kind: 'crack',
      compare: (c) => {
        states.alpha(p.span, c);
        if (!p.isCracked) c.note('The section is not cracked by the largest service moment.');
        return {
          demand: widthOf(p, c),
          ...(p.isCracked ? {} : { demandIs: ['crack width', 'none in a section that is not cracked'] as const }),
          capacity: limit,
          capacityIs: ['crack width allowed', 'typed on the basis, 0.3 mm unless it is changed'],
        };
      },
      fails: (width, allowed) => `Cracks of ${width} at ${g.label}; ${allowed} is allowed: more or thinner bars.`,
    });
  });
}

/** Size or spacing of bars by tables, in place of the width of cracks. */
function tableChecks(basis: ServiceBasis, places: readonly CrackPlace[]): DerivableCheck[] {
  const { beam, code } = basis;
  const limitOf = (p: CrackPlace, c: Calc = silent) => code.service.crackTables!(c, p.cut.question, beam.service.crackWidth);
  const ratios = (p: CrackPlace) => {
    const { bar, spacing } = limitOf(p);
    return { bySize: p.cut.question.diameter / bar, bySpacing: p.cut.question.spacing / spacing };
  };
  // One of the two is enough; an uncracked face needs neither.
  const utilisation = (p: CrackPlace) => (p.isCracked ? Math.min(ratios(p).bySize, ratios(p).bySpacing) : 0);
  return groupsOf(basis, places).map((g) => {
    const p = largestOf(g.places, utilisation)!;
    const { bar, spacing, clause } = limitOf(p);
    const isBySize = ratios(p).bySize <= ratios(p).bySpacing;
    const { diameter, spacing: own } = p.cut.question;
    return compareCheck({
      id: `crack-${g.id}`,
      family: 'crack',
      title: `${isBySize ? 'Bar size' : 'Bar spacing'} for cracks, ${g.label}`,
      clause,
      place: { x: p.x, label: g.label },
      combination: p.name,
      kind: 'length',
      compare: (c) => {
        const found = limitOf(p, c);
        return {
          demand: isBySize ? diameter : own,
          demandIs: [isBySize ? 'diameter of the thickest bar' : 'spacing of the bars', 'of the bars as they are laid out'],
          capacity: isBySize ? found.bar : found.spacing,
          capacityIs: [isBySize ? 'largest bar' : 'largest spacing', 'by the table for this stress and crack width'],
          utilisation: utilisation(p),
        };
      },
      fails: (_needed, _there, show) =>
        `Bars at ${g.label}: at most ${show(bar, 'length')} thick, or ${show(spacing, 'length')} apart: more or thinner bars.`,
    });
  });
}

function spacingChecks(basis: ServiceBasis, places: readonly CrackPlace[], widths: ReadonlyMap<CrackPlace, number>): DerivableCheck[] {
  const { beam, code, units } = basis;
  return groupsOf(basis, places).map((g) => {
    const limitOf = (p: CrackPlace, c: Calc = silent) =>
      code.service.crackSpacing!(c, Math.max(p.cut.steel, 1), p.cut.question.cover, beam.materials);
    const spacing = (p: CrackPlace) => (Number.isFinite(p.cut.question.spacing) ? p.cut.question.spacing : beam.section.b);
    const p = largestOf(g.places, (q) => spacing(q) / limitOf(q).value)!;
    const estimate = largestOf(g.places, (q) => widths.get(q)!)!;
    const isOne = !Number.isFinite(p.cut.question.spacing);
    return compareCheck({
      // Beside a check of the width it is one of its own.
      id: code.service.crack ? `crack-spacing-${g.id}` : `crack-${g.id}`,
      family: 'crack',
      title: `Bar spacing for cracks, ${g.label}`,
      clause: limitOf(p).clause,
      place: { x: p.x, label: g.label },
      combination: p.name,
      ...(code.service.crackEstimate
        ? {
            warnings: [
              `Estimated crack width ${formatQuantity(widths.get(estimate)!, 'crack', units)}: for information, the code limits the spacing.`,
            ],
          }
        : {}),
      kind: 'length',
      compare: (c) => {
        const most = limitOf(p, c).value;
        code.service.crackEstimate?.(c, estimate.cut.question);
        return {
          demand: spacing(p),
          demandIs: ['spacing of the bars', isOne ? 'one bar: the width of the face' : 'of the bars as they are laid out'],
          capacity: most,
        };
      },
      fails: (has, most) =>
        `Bars at ${g.label} stand ${has} apart; ${most} is allowed: ${limitOf(p).value > 0 ? 'more bars.' : 'with this cover and stress no spacing is close enough.'}`,
    });
  });
}

/** Stresses of concrete and bars under a kind of service loads, by the cracked section; creep counts as far as the loads are sustained. */
function stressChecks(
  basis: ServiceBasis,
  sites: readonly CrackSite[],
  kind: StressKind & ('characteristic' | 'quasiPermanent'),
): DerivableCheck[] {
  const { beam, code, units, largest, crackMoments } = basis;
  const limits = code.service.stressLimits(beam.materials, kind);
  if (!limits.concrete && !limits.steel) return [];
  const isFull = kind === 'characteristic';
  const states = new CrackStates(basis.stiffness, isFull ? sustainedPart(largest, crackMoments) : 1, !isFull);
  const places = placesOf(basis, sites, states, isFull ? 'full' : 'crack');
  if (places.length === 0) return [];
  const name = isFull ? 'char.' : 'quasi-perm.';
  const make = (id: string, title: string, value: (p: CrackPlace) => number, limit: { value: number; clause: string }) => {
    const p = largestOf(places, value)!;
    return compareCheck({
      id: `stress-${id}-${kind}`,
      family: 'crack',
      title: `${title}, ${name}`,
      clause: limit.clause,
      place: { x: p.x, label: `span ${p.span + 1}` },
      combination: p.name,
      kind: 'stress',
      compare: (c) => {
        states.alpha(p.span, c);
        return {
          demand: value(p),
          demandIs: [
            title.toLowerCase(),
            `of the cracked section under ${formatQuantity(p.moment, 'moment', units)}, with the ratio of moduli above`,
          ],
          capacity: limit.value,
          capacityIs: ['stress allowed', 'the part of the strength that the code allows'],
        };
      },
    });
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
