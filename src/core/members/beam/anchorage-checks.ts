import { silent } from '../../calc/calc';
import type { EndSupportQuestion } from '../../codes/anchorage-rules';
import { barOf } from '../../reinforcement/bar-groups';
import { compareCheck } from '../../checks/compare';
import { checkInWords, type DerivableCheck } from '../../checks/check';
import type { BeamAnalysis } from './analysis';
import { addedByLeg, legOf, type BentEnds } from './bar-runs';
import type { CheckBasis } from './bending-checks';
import { holdsMoment } from './holds-moment';
import { supportName } from './input';
import { outlineOf } from './prepared';

/** Checks of the bars at the ends of a member, and which of them are bent there. */
export interface EndAnchorage {
  readonly checks: readonly DerivableCheck[];
  readonly bent: BentEnds;
}

/** What is found at one end. */
interface AtEnd {
  readonly checks: readonly DerivableCheck[];
  readonly isBent: { readonly bottom: boolean; readonly top: boolean };
}

const straight = { bottom: false, top: false };

/** Bottom bars at both ends of the beam, and top bars where an end is held: how many reach it, and how far they have to go in. */
export function endAnchorage(basis: CheckBasis, analysis: BeamAnalysis): EndAnchorage {
  const { beam } = basis;
  const [left, right] = [0, beam.spans.length].map((support): AtEnd => {
    const { type, width } = beam.supports[support]!;
    if (type === 'free') return { checks: [], isBent: straight };
    if (width <= 0) return { checks: [endWithoutWidth(basis, support)], isBent: straight };
    const [bottom, top] = [bottomAt(basis, analysis, support), topAt(basis, analysis, support)];
    return { checks: [...bottom.checks, ...top.checks], isBent: { bottom: bottom.isBent, top: top.isBent } };
  }) as [AtEnd, AtEnd];
  return {
    checks: [...left.checks, ...right.checks],
    bent: { bottom: [left.isBent.bottom, right.isBent.bottom], top: [left.isBent.top, right.isBent.top] },
  };
}

const labelOf = (support: number) => `support ${supportName(support)}`;

/** An end whose support has no width: nothing can be said of the bars there. */
export function endWithoutWidth({ code }: Pick<CheckBasis, 'code'>, support: number, x: number | null = null): DerivableCheck {
  return checkInWords({
    id: `anchorage-${supportName(support)}`,
    family: 'detailing',
    title: `Anchorage of bottom bars, ${supportName(support)}`,
    clause: code.anchorage.clauses.end,
    status: 'notApplicable',
    place: { x, label: labelOf(support) },
    reason: `The width of ${labelOf(support)} is not given: the ends of the bars are not checked there.`,
  });
}

/** Face of an end support, the span beside it, and the room for bars beyond the face. */
function endOf({ beam }: CheckBasis, analysis: BeamAnalysis, support: number) {
  const isLeft = support === 0;
  const faces = analysis.faces[support]!;
  const { width } = beam.supports[support]!;
  return {
    span: isLeft ? 0 : support - 1,
    face: isLeft ? faces.right : faces.left,
    width,
    available: Math.max(1, width - beam.cover.side),
  };
}

/** Largest shear of either sign at a station (N). */
const shearNear = ({ maxV, minV }: CheckBasis['strips'], i: number): number => Math.max(Math.abs(maxV[i]!), Math.abs(minV[i]!));

function stationAt({ strips }: CheckBasis, span: number, x: number): number {
  let best = -1;
  for (let i = 0; i < strips.x.length; i += 1)
    if (strips.span[i] === span && (best < 0 || Math.abs(strips.x[i]! - x) < Math.abs(strips.x[best]! - x))) best = i;
  return best;
}

/** Bottom bars at an end, by what the code asks of them there; bent where straight ones are too long. */
export function endSupportCheck(
  { code }: Pick<CheckBasis, 'code'>,
  support: number,
  x: number,
  q: EndSupportQuestion,
): { readonly check: DerivableCheck; readonly isBent: boolean } {
  const { isBent } = code.anchorage.endSupport(silent, q);
  const check = compareCheck({
    id: `anchorage-${supportName(support)}`,
    family: 'detailing',
    title: `Anchorage of bottom bars${isBent ? ', bent' : ''}, ${supportName(support)}`,
    clause: code.anchorage.clauses.end,
    place: { x, label: labelOf(support) },
    ...(isBent ? { warnings: ['Straight bars are too long there: the bars are taken as bent.'] } : {}),
    kind: 'length',
    compare: (c) => {
      const found = code.anchorage.endSupport(c, q);
      return {
        demand: found.needed,
        demandIs: ['length needed', 'anchored by the force or for the strength above, the longer that counts'],
        capacity: found.available,
        capacityIs: [
          'length there',
          `from the face to the end cover${found.isBent && code.anchorage.legCounts ? ', along the bar round its bend' : ''}`,
        ],
      };
    },
    fails: (needed, has) =>
      `Bottom bars at ${labelOf(support)} need ${needed}, even bent, and have ${has}: more or thinner bars, or a wider support.`,
  });
  return { check, isBent };
}

type OneFace = { readonly checks: readonly DerivableCheck[]; readonly isBent: boolean };

function bottomAt(basis: CheckBasis, analysis: BeamAnalysis, support: number): OneFace {
  const { beam, code, strips, resistance } = basis;
  const { span, face, width, available } = endOf(basis, analysis, support);
  const i = stationAt(basis, span, face);
  const V = shearNear(strips, i);
  const { map } = resistance;
  const bars = map.barsAt('bottom', span, face);
  const placement = map.placement(bars);
  const { area, fromFace } = map.centroid(bars);
  const { b, h } = outlineOf(beam, span);
  const d = h - fromFace;
  const bar = barOf(bars.groups[0]!, map.catalogue);
  const section = resistance.shearSection(span, face, ['sagging']);
  const zone = map.linkZoneAt(span, face);
  const link = barOf({ count: 1, size: zone.size }, map.catalogue);
  const inSpan = [...strips.x.keys()].filter((k) => strips.span[k] === span);
  const q: EndSupportQuestion = {
    materials: beam.materials,
    diameter: bar.diameter,
    isTop: false,
    h,
    cover: Math.min(beam.cover.bottom, beam.cover.side) + link.diameter,
    clear: placement.clear,
    pressure: V / (b * width),
    transverse: { area: zone.legs * link.area, spacing: zone.spacing, bars: placement.bars.length },
    V,
    centreV: shearNear(strips, stationAt(basis, span, analysis.faces[support]!.centre)),
    shift: resistance.shearAt(section, zone).shift,
    z: 0.9 * d,
    d,
    area,
    spanArea: Math.max(...inSpan.map((k) => strips.providedBottom[k]!)),
    moment: nominalMoment(basis, span, face),
    available,
    leg: addedByLeg(legOf(beam, h, map.linkDiameter(span)), bar.diameter, code),
    width,
    isContinuous: holdsMoment(beam, support),
  };
  const name = supportName(support);
  const place = { x: face, label: labelOf(support) };
  const { check, isBent } = endSupportCheck(basis, support, face, q);
  const checks = [
    check,
    compareCheck({
      id: `end-bars-${name}`,
      family: 'detailing',
      title: `Bottom bars that reach ${name}`,
      clause: code.anchorage.clauses.leastBars,
      place,
      kind: 'area',
      compare: (c) => ({
        demand: code.anchorage.endSupport(c, q).leastBars * area,
        demandIs: ['area that has to reach the support', 'the part of the span bars that the code asks for'],
        capacity: area,
        capacityIs: ['area of the bars that reach it', 'of the bars as they are laid out'],
      }),
      fails: (needed) => `Too few bottom bars reach ${labelOf(support)}: ${needed} are needed.`,
    }),
  ];
  return { checks, isBent };
}

/** Moment strength of the bars that reach a place, without any reduction that a code takes off it (N mm). */
function nominalMoment({ code, resistance }: CheckBasis, span: number, x: number): number {
  const moment = resistance.bendingAt(span, x, 'sagging')?.moment ?? 0;
  return code.anchorage.fullMoment(moment);
}

/** Where an end holds a moment, its top bars are anchored in the support for their full strength, or for what the moment asks of them. */
function topAt(basis: CheckBasis, analysis: BeamAnalysis, support: number): OneFace {
  const { beam, code, strips, resistance } = basis;
  if (!holdsMoment(beam, support)) return { checks: [], isBent: false };
  const { span, face, available } = endOf(basis, analysis, support);
  const i = stationAt(basis, span, face);
  const { map } = resistance;
  const bars = map.barsAt('top', span, face);
  const bar = barOf(bars.groups[0]!, map.catalogue);
  const link = barOf({ count: 1, size: map.linkZoneAt(span, face).size }, map.catalogue);
  const use = Math.min(1, strips.shiftedHogging[i]! / Math.max(1, strips.resistanceHogging[i]!));
  const { h } = outlineOf(beam, span);
  const question = (isBent: boolean) => ({
    materials: beam.materials,
    diameter: bar.diameter,
    isTop: true,
    h,
    cover: Math.min(beam.cover.top, beam.cover.side) + link.diameter,
    clear: map.placement(bars).clear,
    isBent,
    use,
  });
  const isBent = code.anchorage.length(silent, question(false)) > available;
  const leg = isBent && code.anchorage.legCounts ? addedByLeg(legOf(beam, h, map.linkDiameter(span)), bar.diameter, code) : 0;
  const name = supportName(support);
  const checks = [
    compareCheck({
      id: `anchorage-top-${name}`,
      family: 'detailing',
      title: `Anchorage of top bars${isBent ? ', bent down' : ''}, ${name}`,
      clause: code.anchorage.clauses.anchorage,
      place: { x: face, label: labelOf(support) },
      ...(isBent ? { warnings: ['Straight bars are too long there: the bars are taken as bent down.'] } : {}),
      kind: 'length',
      compare: (c) => ({
        demand: code.anchorage.length(c, question(isBent)),
        demandIs: ['length needed', `the moment at the face uses ${(100 * use).toFixed(0)} % of the strength`],
        capacity: available + leg,
        capacityIs: ['length there', `from the face to the end cover${leg > 0 ? ', along the bar round its bend' : ''}`],
      }),
      fails: (needed, has) => `Top bars at ${labelOf(support)} need ${needed} and have ${has}: thinner bars, or a wider support.`,
    }),
  ];
  return { checks, isBent };
}
