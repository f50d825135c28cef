import { silent, type Calc } from '../../calc/calc';
import { checkInWords, type DerivableCheck } from '../../checks/check';
import { compareCheck, type Comparison } from '../../checks/compare';
import { largestOf } from '../../checks/largest';
import type { Combination } from '../../analysis/combination';
import type { Limit } from '../../codes/basis';
import type { Point } from '../../geometry/polygon';
import { formatQuantity } from '../../units/format';
import { WIDTH } from '../parts/slab-metre';
import { layerTitle } from './bar-axes';
import { placeWords, type PlateBasis } from './checks';
import {
  crackQuestionAt,
  crackWidthAt,
  crackZones,
  firstCrackSteel,
  looksAtCracks,
  modularRatio,
  serviceDemands,
  steelOf,
  stressesAt,
  type Cracks,
  type CrackZone,
  type ServiceDemands,
} from './cracks';
import { demandOn } from './envelope';
import { isLayer, layers, type Layer } from './input';

/** A node of a part, with the moment that a kind of loads in service brings to it. */
interface CrackPlace {
  readonly zone: CrackZone;
  readonly node: number;
  readonly moment: number;
  readonly combination: string;
}

/** The place of each part where the moment is largest; a part that its layer's face is nowhere pulled in has none. */
function placesOf(
  zones: readonly CrackZone[],
  { demands, combinations }: ServiceDemands,
  counts: (zone: CrackZone, node: number) => boolean,
): CrackPlace[] {
  return zones.flatMap((zone): CrackPlace[] => {
    const { demand, by } = demandOn(demands, zone);
    const node = largestOf(
      zone.zone.nodes.filter((n) => demand[n]! > 1 && counts(zone, n)),
      (n) => demand[n]!,
    );
    return node === undefined ? [] : [{ zone, node, moment: demand[node]!, combination: combinations[by[node]!]!.id }];
  });
}

const inWords = (title: string, clause: string, status: 'failed' | 'notApplicable', reason: string, assumptions: readonly string[] = []) =>
  checkInWords({
    id: 'cracks',
    family: 'crack',
    title,
    clause,
    status,
    place: { x: null, label: '' },
    assumptions: [...assumptions],
    reason,
  });

/** Cracks of every layer where they are widest, and stresses in service where the code limits them. */
export function crackChecks(basis: PlateBasis, cracks: Cracks, combinations: readonly Combination[]): DerivableCheck[] {
  const { code } = basis;
  if (cracks.zones.length === 0) return [];
  if (cracks.crack.combinations.length === 0 || cracks.full.combinations.length === 0)
    return [
      inWords('Crack width', code.service.crackClause, 'failed', 'A combination in service is switched off: cracks cannot be worked out.'),
    ];
  const stresses = [...stressChecks(basis, combinations, 'characteristic'), ...stressChecks(basis, combinations, 'quasiPermanent')];
  const { oneWayCracks, crackFreeDepth } = code.slab;
  if (oneWayCracks)
    return [inWords('Cracks', oneWayCracks.clause, 'notApplicable', `${oneWayCracks.reason}${estimated(basis, cracks)}`), ...stresses];
  if (crackFreeDepth && !looksAtCracks(basis))
    return [
      inWords(
        'Crack width',
        crackFreeDepth.clause,
        'notApplicable',
        `Slabs up to ${crackFreeDepth.h} mm need no look at cracks when the rules for their bars are kept.`,
        code.choices.filter((c) => c.key === 'thinSlabs').map((c) => c.key),
      ),
      ...stresses,
    ];
  const places = placesOf(cracks.zones, cracks.crack, cracks.isCracked);
  if (places.length === 0)
    return [inWords('Crack width', code.service.crackClause, 'notApplicable', 'No loads in service crack this slab.'), ...stresses];
  const perLayer = layers.flatMap((layer) => {
    const own = places.filter((p) => isLayer(p.zone, layer));
    if (own.length === 0) return [];
    return code.service.crackTables ? [tableCheck(basis, layer, own)] : code.service.crack ? [widthCheck(basis, cracks, layer, own)] : [];
  });
  return [...perLayer, ...leastSteelCheck(basis, places), ...stresses];
}

function estimated(basis: PlateBasis, cracks: Cracks): string {
  const widest = Math.max(
    0,
    ...placesOf(cracks.zones, cracks.crack, cracks.isCracked).map((p) => crackWidthAt(basis, cracks, p.zone, p.node)),
  );
  return widest > 0 ? ` Estimated crack width, for information: ${formatQuantity(widest, 'crack', basis.units)}.` : '';
}

/** What all checks of a place in service begin with. */
function placed({ answer: { model }, units }: PlateBasis, { zone, node, combination }: CrackPlace) {
  const at: Point = [model.mesh.at[2 * node]!, model.mesh.at[2 * node + 1]!];
  return { family: 'crack' as const, place: { x: null, label: `${zone.title}, ${placeWords(at, units)}` }, combination };
}

/** The moment, the ratio of moduli and the neutral axis, before a rule is asked. */
function tellState(basis: PlateBasis, { zone, moment }: CrackPlace, sustained: number, c: Calc) {
  modularRatio(basis, zone.zone.h, sustained, c);
  if (!c.recording) return;
  c.state(
    'moment for the bars in service, per length of slab',
    moment,
    'lineTorque',
    'own and twisting moment, variable loads where they add to it',
  );
  c.state('ratio of moduli', zone.alpha, 'ratio', 'bars over concrete with its creep');
  c.state('depth of the neutral axis of the cracked metre', zone.state.x, 'length', 'bars of both faces as they lie there');
}

function widthCheck(basis: PlateBasis, cracks: Cracks, layer: Layer, places: readonly CrackPlace[]): DerivableCheck {
  const { plate, code } = basis;
  const widthOf = (p: CrackPlace, c: Calc = silent) => crackWidthAt(basis, cracks, p.zone, p.node, c);
  const p = largestOf(places, (q) => widthOf(q))!;
  return compareCheck({
    id: `crack-${layer.face}-${layer.along}`,
    title: `Crack width, ${layerTitle(basis.plate, layer)}`,
    clause: code.service.crackClause,
    ...placed(basis, p),
    kind: 'crack',
    compare: (c) => {
      tellState(basis, p, 1, c);
      return { demand: widthOf(p, c), capacity: plate.service.crackWidth, capacityIs: ['crack width allowed', 'as set on the basis'] };
    },
    fails: (width, allowed) => `Cracks of ${width} at ${p.zone.title}; ${allowed} is allowed: more or thinner bars.`,
  });
}

/** Size or spacing of bars by tables; one of the two is enough. */
function tableCheck(basis: PlateBasis, layer: Layer, places: readonly CrackPlace[]): DerivableCheck {
  const { plate, code } = basis;
  const ask = (p: CrackPlace, c: Calc = silent) => {
    const q = crackQuestionAt(basis, p.zone, p.moment);
    const limits = code.service.crackTables!(c, q, plate.service.crackWidth);
    return { q, limits, bySize: q.diameter / limits.bar, bySpacing: q.spacing / limits.spacing };
  };
  const usedAt = (p: CrackPlace) => Math.min(ask(p).bySize, ask(p).bySpacing);
  const p = largestOf(places, usedAt)!;
  const { bySize, bySpacing, limits } = ask(p);
  const isBySize = bySize <= bySpacing;
  return compareCheck({
    id: `crack-${layer.face}-${layer.along}`,
    title: `${isBySize ? 'Bar size' : 'Bar spacing'} for cracks, ${layerTitle(basis.plate, layer)}`,
    clause: limits.clause,
    ...placed(basis, p),
    kind: 'length',
    compare: (c) => {
      tellState(basis, p, 1, c);
      const found = ask(p, c);
      return {
        demand: isBySize ? found.q.diameter : found.q.spacing,
        demandIs: [isBySize ? 'diameter of the bars' : 'spacing of the bars', 'as they are laid out'],
        capacity: isBySize ? found.limits.bar : found.limits.spacing,
        capacityIs: [isBySize ? 'largest bar' : 'largest spacing', 'by the table for this stress and crack width'],
        utilisation: Math.min(found.bySize, found.bySpacing),
      };
    },
    fails: (_needed, _there, show) =>
      `Bars at ${p.zone.title}: at most ${show(limits.bar, 'length')} thick, or ${show(limits.spacing, 'length')} apart: more or thinner bars.`,
  });
}

/** Minimum reinforcement for the first cracks of the faces that crack: the worst part. */
function leastSteelCheck(basis: PlateBasis, places: readonly CrackPlace[]): DerivableCheck[] {
  const { code } = basis;
  if (!code.service.leastCrackSteel) return [];
  const least = (p: CrackPlace, c: Calc = silent) => firstCrackSteel(basis, p.zone, p.moment, c)!;
  const has = ({ zone }: CrackPlace) => steelOf(basis, zone);
  const p = largestOf(places, (q) => least(q).value / has(q))!;
  return [
    compareCheck({
      id: 'least-crack-steel',
      title: 'Minimum reinforcement for crack control',
      clause: least(p).clause,
      ...placed(basis, p),
      assumptions: code.choices.filter((c) => c.key === 'crackSteelStress').map((c) => c.key),
      kind: 'areaPerWidth',
      compare: (c) => ({
        demand: least(p, c).value / WIDTH,
        demandIs: ['steel for the first cracks, per length of slab', 'that of the metre over its width'],
        capacity: has(p),
        capacityIs: ['steel per length of slab', 'of the layer there'],
      }),
      fails: (need, is) => `Bars ${p.zone.title}: ${need} for the first cracks, has ${is}: more or thinner bars.`,
    }),
  ];
}

/** Stresses of the cracked metre under a kind of loads in service, where they are largest; creep counts as far as the loads last. */
function stressChecks(basis: PlateBasis, all: readonly Combination[], kind: 'characteristic' | 'quasiPermanent'): DerivableCheck[] {
  const { plate, code, units } = basis;
  const limits = code.service.stressLimits(plate.materials, kind);
  const found = serviceDemands(basis, all, kind);
  if ((!limits.concrete && !limits.steel) || found.combinations.length === 0) return [];
  const isFull = kind === 'characteristic';
  const sustained = isFull ? lastingPart(found, serviceDemands(basis, all, 'quasiPermanent')) : 1;
  const places = placesOf(crackZones(basis, sustained), found, () => true);
  const make = (what: 'concrete' | 'steel', title: string, limit: Limit): DerivableCheck[] => {
    const p = largestOf(places, (q) => stressesAt(basis, q.zone, q.moment)[what]);
    if (!p) return [];
    const draft: Comparison = {
      id: `stress-${what}-${kind}`,
      title: `${title}, ${isFull ? 'char.' : 'quasi-perm.'}`,
      clause: limit.clause,
      ...placed(basis, p),
      kind: 'stress',
      compare: (c) => {
        tellState(basis, p, sustained, c);
        return {
          demand: stressesAt(basis, p.zone, p.moment)[what],
          demandIs: [title.toLowerCase(), `of the cracked metre under ${formatQuantity(p.moment, 'lineTorque', units)}`],
          capacity: limit.value,
          capacityIs: ['stress allowed', 'the part of the strength that the code allows'],
        };
      },
    };
    return [compareCheck(draft)];
  };
  return [
    ...(limits.concrete ? make('concrete', 'Concrete stress', limits.concrete) : []),
    ...(limits.steel ? make('steel', 'Bar stress', limits.steel) : []),
  ];
}

/** Lasting over full moment where the full one is largest. */
function lastingPart(full: ServiceDemands, lasting: ServiceDemands): number {
  const peaks = full.demands.map(({ layer, demand }) => {
    const node = demand.reduce((best, v, n) => (v > demand[best]! ? n : best), 0);
    return { whole: demand[node]!, part: demandOn(lasting.demands, layer).demand[node]! };
  });
  const { whole, part } = largestOf(peaks, (p) => p.whole)!;
  return whole > 0 && lasting.combinations.length > 0 ? Math.max(0, Math.min(1, part / whole)) : 1;
}
