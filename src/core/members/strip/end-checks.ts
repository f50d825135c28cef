import { derive, silent } from '../../calc/calc';
import type { EndSupportQuestion } from '../../codes/anchorage-rules';
import { layerOf } from '../../reinforcement/slab-bars';
import { holdsMoment, outlineOf, supportName } from '../beam/input';
import { sensesOf } from '../beam/resistance';
import { sectionAt } from '../beam/section-at';
import { compareCheck } from '../../checks/compare';
import { isBeyond, makeCheck, type DerivableCheck } from '../../checks/check';
import { stationNear, type StripBasis } from './basis';
import { isHeldEnd, supportMoment } from './choose-steel';

/** Bottom bars that run to the supports, their anchorage at the ends, and top bars where an end is held a little. */
export function endChecks(basis: StripBasis): DerivableCheck[] {
  const { beam } = basis;
  return [
    ...beam.spans.flatMap((_, span) => toSupportCheck(basis, span)),
    ...[0, beam.spans.length].flatMap((support) => [...anchorageCheck(basis, support), ...heldEndCheck(basis, support)]),
  ];
}

/** The share of the span's bottom bars that reaches its supports: those through the span. */
function toSupportCheck(basis: StripBasis, span: number): DerivableCheck[] {
  const { strip, beam, code, resistance, show } = basis;
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
    makeCheck({
      id: `to-support-${span + 1}`,
      family: 'detailing',
      title: `Bottom bars to the supports, span ${span + 1}`,
      clause: code.slab.clauses.toSupport,
      demand: { value: share * all, kind: 'area' },
      capacity: { value: reaching, kind: 'area' },
      utilisation: (share * all) / reaching,
      place: { x: start, label: `span ${span + 1}` },
      ...(isBeyond(share * all, reaching)
        ? { reason: `Bottom bars of span ${span + 1}: ${show(share * all, 'area')} run to the supports, has ${show(reaching, 'area')}.` }
        : {}),
    }),
  ];
}

/** How far the bottom bars have to go into an end support. */
function anchorageCheck(basis: StripBasis, support: number): DerivableCheck[] {
  const { beam, code, strips, resistance, analysis, units } = basis;
  const { type, width } = beam.supports[support]!;
  const name = supportName(support);
  if (type === 'free') return [];
  const base = {
    id: `anchorage-${name}`,
    family: 'detailing' as const,
    clause: code.anchorage.clauses.end,
    place: { x: analysis.faces[support]!.centre, label: `support ${name}` },
  };
  if (width <= 0)
    return [
      makeCheck({
        ...base,
        title: `Anchorage of bottom bars, ${name}`,
        demand: null,
        capacity: null,
        utilisation: null,
        status: 'notApplicable',
        reason: `The width of support ${name} is not given: the ends of the bars are not checked there.`,
      }),
    ];
  const q = endQuestion(basis, support);
  const end = code.anchorage.endSupport(silent, q);
  const i = stationNear(basis, Math.min(support, beam.spans.length - 1), base.place.x);
  return [
    compareCheck({
      ...base,
      title: `Anchorage of bottom bars${end.isBent ? ', bent' : ''}, ${name}`,
      place: { ...base.place, x: strips.x[i]! },
      ...(end.isBent ? { warnings: ['Straight bars are too long there: the bars are taken as bent.'] } : {}),
      kind: 'length',
      units,
      compare: (c) => {
        const found = code.anchorage.endSupport(c, q);
        return {
          demand: found.needed,
          demandIs: ['length needed', 'anchored by the force or for the strength above, the longer that counts'],
          capacity: found.available,
          capacityIs: ['length there', 'from the face to the end cover'],
        };
      },
      fails: (needed, has) =>
        `Bottom bars at support ${name} need ${needed}, even bent, and have ${has}: more or thinner bars, or a wider support.`,
    }),
  ];

  function endQuestion({ strip }: StripBasis, j: number): EndSupportQuestion {
    const isLeft = j === 0;
    const span = isLeft ? 0 : j - 1;
    const face = isLeft ? analysis.faces[j]!.right : analysis.faces[j]!.left;
    const at = stationNear(basis, span, face);
    const V = Math.max(Math.abs(strips.maxV[at]!), Math.abs(strips.minV[at]!));
    const bars = resistance.map.barsAt('bottom', span, face);
    const placement = resistance.map.placement(bars);
    const { area, fromFace } = resistance.map.centroid(bars);
    const { b, h } = outlineOf(beam, span);
    const thickest = Math.max(...placement.bars.map((p) => p.diameter));
    const section = resistance.shearSection(span, face, sensesOf(strips.maxM[at]!, strips.minM[at]!));
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
      shift: resistance.shearAt(section, null).shift,
      z: 0.9 * (h - fromFace),
      d: h - fromFace,
      area,
      spanArea: Math.max(...inSpan.map((k) => strips.providedBottom[k]!)),
      moment: code.anchorage.fullMoment(moment),
      available: Math.max(1, width - strip.cover.bottom),
      leg: Math.max(0, h - strip.cover.top - strip.cover.bottom),
      width,
      isContinuous: holdsMoment(beam, j),
    };
  }
}

/** Top bars at an end that is free to turn in the analysis but held a little by what it stands on. */
function heldEndCheck(basis: StripBasis, support: number): DerivableCheck[] {
  const { beam, code, resistance, analysis, show } = basis;
  const rule = code.slab.heldEnd;
  if (!rule || !isHeldEnd(beam, code, support)) return [];
  const span = support === 0 ? 0 : support - 1;
  const x = support === 0 ? analysis.faces[0]!.right : analysis.faces[support]!.left;
  const moment = supportMoment(beam, code, analysis, support);
  const capacity = resistance.bendingAt(span, x, 'hogging')?.moment ?? 0;
  const name = supportName(support);
  if (moment <= 0) return [];
  return [
    makeCheck(
      {
        id: `held-end-${name}`,
        family: 'detailing',
        title: `Top bars at ${name}, held a little`,
        clause: rule.clause,
        demand: { value: moment, kind: 'moment' },
        capacity: { value: capacity, kind: 'moment' },
        utilisation: capacity > 0 ? moment / capacity : Infinity,
        place: { x, label: `support ${name}` },
        assumptions: code.choices.filter((c) => c.key === 'heldEnds').map((c) => c.key),
        ...(moment > capacity
          ? {
              reason: `Top at support ${name}: ${show(moment, 'moment')}, ${Math.round(100 * rule.moment)} % of the span's, against ${show(capacity, 'moment')}.`,
            }
          : {}),
      },
      () =>
        derive((c) => {
          c.note(
            `${Math.round(100 * rule.moment)} % of the largest moment of the span, where the end is held without being counted on.`,
            rule.clause,
          );
          code.bendingResistance(c, sectionAt(beam, resistance.map, span, x, 'hogging').section, beam.materials);
        }),
    ),
  ];
}
