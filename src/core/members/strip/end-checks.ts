import type { EndSupportQuestion } from '../../codes/anchorage-rules';
import { layerOf } from '../../reinforcement/slab-bars';
import { endSupportCheck, endWithoutWidth, type EndAnchorage } from '../beam/anchorage-checks';
import { addedByLeg, legOf } from '../beam/bar-runs';
import { holdsMoment } from '../beam/holds-moment';
import { supportName } from '../beam/input';
import { sectionAt } from '../beam/section-at';
import type { DerivableCheck } from '../../checks/check';
import { compareCheck } from '../../checks/compare';
import { stationNear, type StripBasis } from './basis';
import { isHeldEnd, supportMoment } from './choose-steel';
import { outlineOf } from '../beam/prepared';

/** Bottom bars that run to the supports, their anchorage at the ends, and top bars where an end is held a little. Top bars of ends turn down. */
export function endChecks(basis: StripBasis): EndAnchorage {
  const { beam } = basis;
  const ends = [0, beam.spans.length].map((support) => ({ support, ...anchorageCheck(basis, support) }));
  return {
    checks: [
      ...beam.spans.flatMap((_, span) => toSupportCheck(basis, span)),
      ...ends.flatMap(({ support, checks }) => [...checks, ...heldEndCheck(basis, support)]),
    ],
    bent: { bottom: [ends[0]!.isBent, ends[1]!.isBent], top: [true, true] },
  };
}

/** The share of the span's bottom bars that reaches its supports: those through the span. */
function toSupportCheck(basis: StripBasis, span: number): DerivableCheck[] {
  const { strip, beam, code, resistance } = basis;
  const { main, extra } = resistance.map.steel.bottom[span]!;
  // Where all bars run through there is nothing to ask.
  if (!extra) return [];
  const { b } = beam.section;
  const has = layerOf(main, strip.catalogue).area * b;
  const all = has + layerOf(extra.bars, strip.catalogue).area * b;
  const ends = [span, span + 1].filter((j) => beam.supports[j]!.type !== 'free');
  const share = Math.max(...ends.map((j) => code.slab.shareToSupport(holdsMoment(beam, j))));
  const start = beam.spans.slice(0, span).reduce((sum, s) => sum + s.length, 0);
  const isThrough = extra.from <= start + 1 && extra.to >= start + beam.spans[span]!.length - 1;
  const reaching = isThrough ? all : has;
  return [
    compareCheck({
      id: `to-support-${span + 1}`,
      family: 'detailing',
      title: `Bottom bars to the supports, span ${span + 1}`,
      clause: code.slab.clauses.toSupport,
      place: { x: start, label: `span ${span + 1}` },
      kind: 'area',
      compare: () => ({
        demand: share * all,
        demandIs: [
          'steel that has to run to the supports',
          `${Math.round(100 * share)} % of all bottom bars of the span, as the code asks`,
        ],
        capacity: reaching,
        capacityIs: ['steel that runs there', 'of the bars as they are laid out'],
      }),
      fails: (needed, has) => `Bottom bars of span ${span + 1}: ${needed} run to the supports, has ${has}.`,
    }),
  ];
}

/** How far the bottom bars have to go into an end support. */
function anchorageCheck(basis: StripBasis, support: number): { readonly checks: readonly DerivableCheck[]; readonly isBent: boolean } {
  const { beam, strips, analysis } = basis;
  const { type, width } = beam.supports[support]!;
  if (type === 'free') return { checks: [], isBent: false };
  const { centre } = analysis.faces[support]!;
  if (width <= 0) return { checks: [endWithoutWidth(basis, support, centre)], isBent: false };
  const i = stationNear(basis, Math.min(support, beam.spans.length - 1), centre);
  const { check, isBent } = endSupportCheck(basis, support, strips.x[i]!, endQuestion(basis, support));
  return { checks: [check], isBent };
}

function endQuestion(basis: StripBasis, j: number): EndSupportQuestion {
  const { strip, beam, code, strips, resistance, analysis } = basis;
  const { width } = beam.supports[j]!;
  const isLeft = j === 0;
  const span = isLeft ? 0 : j - 1;
  const face = isLeft ? analysis.faces[j]!.right : analysis.faces[j]!.left;
  const at = stationNear(basis, span, face);
  const centre = stationNear(basis, span, analysis.faces[j]!.centre);
  const V = Math.max(Math.abs(strips.maxV[at]!), Math.abs(strips.minV[at]!));
  const bars = resistance.map.barsAt('bottom', span, face);
  const placement = resistance.map.placement(bars);
  const { area, fromFace } = resistance.map.centroid(bars);
  const { b, h } = outlineOf(beam, span);
  const thickest = Math.max(...placement.bars.map((p) => p.diameter));
  const section = resistance.shearSection(span, face, ['sagging']);
  const inSpan = [...strips.x.keys()].filter((k) => strips.span[k] === span);
  const moment = resistance.bendingAt(span, face, 'sagging')?.moment ?? 0;
  return {
    materials: beam.materials,
    diameter: thickest,
    isTop: false,
    h,
    cover: fromFace - thickest / 2,
    clear: placement.clear,
    pressure: V / (b * width),
    V,
    centreV: Math.max(Math.abs(strips.maxV[centre]!), Math.abs(strips.minV[centre]!)),
    shift: resistance.shearAt(section, null).shift,
    z: 0.9 * (h - fromFace),
    d: h - fromFace,
    area,
    spanArea: Math.max(...inSpan.map((k) => strips.providedBottom[k]!)),
    moment: code.anchorage.fullMoment(moment),
    available: Math.max(1, width - strip.cover.bottom),
    leg: addedByLeg(legOf(strip, h, 0), thickest, code),
    width,
    isContinuous: holdsMoment(beam, j),
  };
}

/** Top bars at an end that is free to turn in the analysis but held a little by what it stands on. */
function heldEndCheck(basis: StripBasis, support: number): DerivableCheck[] {
  const { beam, code, resistance, analysis } = basis;
  const rule = code.slab.heldEnd;
  if (!rule || !isHeldEnd(beam, code, support)) return [];
  const span = support === 0 ? 0 : support - 1;
  const x = support === 0 ? analysis.faces[0]!.right : analysis.faces[support]!.left;
  const moment = supportMoment(beam, code, analysis, support);
  const name = supportName(support);
  if (moment <= 0) return [];
  return [
    compareCheck({
      id: `held-end-${name}`,
      family: 'detailing',
      title: `Top bars at ${name}, unintended fixity`,
      clause: rule.clause,
      place: { x, label: `support ${name}` },
      assumptions: code.choices.filter((c) => c.key === 'heldEnds').map((c) => c.key),
      kind: 'moment',
      compare: (c) => {
        const share = `${Math.round(100 * rule.moment)} %`;
        c.note(`${share} of the largest moment of the span, where the end is held without being counted on.`, rule.clause);
        const { section } = sectionAt(beam, resistance.map, span, x, 'hogging');
        return {
          demand: moment,
          demandIs: ['moment at the end', `${share} of the span's`],
          capacity: code.bendingResistance(c, section, beam.materials)?.moment ?? 0,
        };
      },
      fails: (needed, has) => `Top at support ${name}: ${needed}, ${Math.round(100 * rule.moment)} % of the span's, against ${has}.`,
    }),
  ];
}
