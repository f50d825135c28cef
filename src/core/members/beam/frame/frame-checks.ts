import { silent } from '../../../calc/calc';
import type { FrameRules } from '../../../codes/frame-rules';
import { barOf } from '../../../reinforcement/bar-groups';
import { formatQuantity } from '../../../units/format';
import { topicsNotCovered, type DerivableCheck } from '../../../checks/check';
import { largestOf } from '../../../checks/largest';
import { compareCheck, type Origin } from '../../../checks/compare';
import type { BeamAnalysis } from '../analysis';
import type { CheckBasis } from '../bending-checks';
import { supportName } from '../input';
import { linksOf, sensesOf } from '../resistance';
import { allEnds, endsOf, frameRules, zoneOf, type FrameEndPlace } from './frame-ends';
import { steelRatioChecks } from './steel-ratio-checks';
import { yieldShear } from './yield-shear';
import { outlineOf } from '../prepared';

interface Basis extends CheckBasis {
  readonly analysis: BeamAnalysis;
  readonly rules: FrameRules;
}

/** What a ductile frame asks of a beam beyond the usual rules. */
export function frameChecks(given: CheckBasis, analysis: BeamAnalysis): DerivableCheck[] {
  const rules = frameRules(given.beam, given.code);
  if (!rules) return given.beam.frame === 'none' ? [] : topicsNotCovered([otherCode(given)]);
  const basis = { ...given, analysis, rules };
  const ends = allEnds(given.beam, analysis);
  return [
    ...dimensions(basis),
    ...atFaces(basis, ends),
    ...along(basis, ends),
    ...continuous(basis),
    ...steelRatioChecks(basis, rules, ends),
    ...closeLinks(basis, ends),
    ...linksBeyond(basis),
    ...shearByCapacity(basis),
    ...joints(basis, ends),
    ...topicsNotCovered(rules.notCovered),
  ];
}

/** A class that stands in another code: it is said, never passed over. */
const otherCode = ({ beam, code }: CheckBasis) => ({ title: `Frame class ${beam.frame}`, clause: `not a class of ${code.title}` });

const endLabel = (e: FrameEndPlace) => `${e.isLeft ? 'right' : 'left'} of ${supportName(e.support)}`;
const ASKED: Origin = ['needed', 'as the rules of the frame ask, from the values there'];
const THERE: Origin = ['there', 'as it is laid out'];
const LIMIT: Origin = ['most that is allowed', 'as the rules of the frame ask, from the values there'];

function dimensions({ beam, analysis, resistance, rules }: Basis): DerivableCheck[] {
  const { slenderness } = rules;
  return beam.spans.flatMap((_, span): DerivableCheck[] => {
    const ends = endsOf(beam, analysis, span);
    if (ends.length === 0) return [];
    const { b, h } = outlineOf(beam, span);
    const width = rules.leastWidth(h);
    const clear = analysis.faces[span + 1]!.left - analysis.faces[span]!.right;
    const { d } = resistance.tensionSteel(span, ends[0]!.x, 'hogging');
    const place = { x: null, label: `span ${span + 1}` };
    const base = { family: 'detailing' as const, place };
    return [
      ...(slenderness
        ? [
            compareCheck({
              ...base,
              id: `frame-span-${span + 1}`,
              title: `Clear span of a frame beam, span ${span + 1}`,
              clause: slenderness.clause,
              kind: 'length',
              compare: () => ({ demand: slenderness.value * d, demandIs: ASKED, capacity: clear, capacityIs: THERE }),
              fails: (_needed, _there, show) =>
                `Span ${span + 1} is ${show(clear, 'smallLength')} clear, at least ${slenderness.value} effective depths are needed: a shallower beam.`,
            }),
          ]
        : []),
      ...(width
        ? [
            compareCheck({
              ...base,
              id: `frame-width-${span + 1}`,
              title: `Width of a frame beam, span ${span + 1}`,
              clause: width.clause,
              kind: 'length',
              compare: () => ({ demand: width.value, demandIs: ASKED, capacity: b, capacityIs: THERE }),
              fails: (_needed, _there, show) =>
                `The beam is ${show(b, 'smallLength')} wide, at least ${show(width.value, 'smallLength')} is needed.`,
            }),
          ]
        : []),
    ];
  });
}

/** Bottom steel or strength at the faces over that at the top. */
function atFaces({ beam, rules, resistance }: Basis, ends: readonly FrameEndPlace[]): DerivableCheck[] {
  const rule = rules.atFace;
  if (!rule) return [];
  const rows = ends.map((e) => {
    const value = (sense: 'sagging' | 'hogging') =>
      rule.by === 'area' ? resistance.tensionSteel(e.span, e.x, sense).area : (resistance.bendingAt(e.span, e.x, sense)?.moment ?? 0);
    return { e, needed: rule.value * value('hogging'), has: value('sagging') };
  });
  const w = largestOf(rows, (r) => r.needed / r.has);
  if (!w) return [];
  const kind = rule.by === 'area' ? ('area' as const) : ('moment' as const);
  return [
    compareCheck({
      id: 'frame-bottom-at-face',
      family: 'detailing',
      title: rule.by === 'area' ? 'Bottom steel at the columns' : 'Sagging strength at the columns',
      clause: rule.clause,
      place: { x: w.e.x, label: endLabel(w.e) },
      ...(rule.by === 'area' && beam.barRules.singlyReinforced === false
        ? { warnings: ['Compression bars that strength needs come on top of these.'] }
        : {}),
      kind,
      compare: () => ({ demand: w.needed, demandIs: ASKED, capacity: w.has, capacityIs: THERE }),
      fails: (_needed, _there, show) => `Bottom bars ${endLabel(w.e)}: ${show(w.needed, kind)} is needed there, has ${show(w.has, kind)}.`,
    }),
  ];
}

/** Strength anywhere in a span over the largest at its faces. */
function along(basis: Basis, ends: readonly FrameEndPlace[]): DerivableCheck[] {
  const { beam, rules, resistance, strips, analysis } = basis;
  const rule = rules.along;
  if (!rule || ends.length === 0) return [];
  const rows = beam.spans.flatMap((_, span) => {
    const here = endsOf(beam, analysis, span);
    const most = Math.max(
      0,
      ...here.flatMap((e) => (['sagging', 'hogging'] as const).map((s) => resistance.bendingAt(span, e.x, s)?.moment ?? 0)),
    );
    const [from, to] = [analysis.faces[span]!.right, analysis.faces[span + 1]!.left];
    return [...strips.x.keys()]
      .filter((i) => here.length > 0 && strips.span[i] === span && strips.x[i]! >= from && strips.x[i]! <= to)
      .flatMap((i) => [
        { i, face: 'bottom', has: strips.resistanceSagging[i]!, needed: rule.value * most },
        { i, face: 'top', has: strips.resistanceHogging[i]!, needed: rule.value * most },
      ]);
  });
  const w = largestOf(rows, (r) => r.needed / r.has);
  if (!w) return [];
  const label = `${w.face}, span ${strips.span[w.i]! + 1}`;
  return [
    compareCheck({
      id: 'frame-along',
      family: 'detailing',
      title: 'Strength along a frame beam',
      clause: rule.clause,
      place: { x: strips.x[w.i]!, label },
      kind: 'moment',
      compare: () => ({ demand: w.needed, demandIs: ASKED, capacity: w.has, capacityIs: THERE }),
      fails: (_needed, _there, show) =>
        `${label}: a strength of ${show(w.needed, 'moment')} has to run through, has ${show(w.has, 'moment')}: more bars there.`,
    }),
  ];
}

/** Bottom bars that run through over the most in the span; two of them run in both faces always. */
function continuous({ beam, rules, resistance, strips, analysis }: Basis): DerivableCheck[] {
  const rule = rules.continuous;
  if (!rule) return [];
  const { steel, catalogue } = resistance.map;
  const rows = beam.spans.flatMap((_, span) => {
    if (endsOf(beam, analysis, span).length === 0) return [];
    const { main } = steel.bottom[span]!;
    const most = Math.max(...[...strips.x.keys()].filter((i) => strips.span[i] === span).map((i) => strips.providedBottom[i]!));
    return [{ span, has: main.count * barOf(main, catalogue).area, needed: rule.value * most }];
  });
  const w = largestOf(rows, (r) => r.needed / r.has);
  if (!w) return [];
  return [
    compareCheck({
      id: 'frame-continuous',
      family: 'detailing',
      title: 'Bottom bars that run through',
      clause: rule.clause,
      place: { x: null, label: `span ${w.span + 1}` },
      kind: 'area',
      compare: () => ({ demand: w.needed, demandIs: ASKED, capacity: w.has, capacityIs: THERE }),
      fails: (_needed, _there, show) => `Bottom bars of span ${w.span + 1}: ${show(w.needed, 'area')} have to run through.`,
    }),
  ];
}

/** Spacing of links next to the columns. */
function closeLinks({ beam, code, rules, resistance, units, analysis }: Basis, ends: readonly FrameEndPlace[]): DerivableCheck[] {
  const rows = ends.flatMap((e) => {
    const zone = zoneOf(beam, rules, resistance, e);
    if (!zone) return [];
    const start = analysis.faces[e.span]!.centre;
    const [from, to] = e.isLeft ? [e.x - start, e.x - start + zone.length] : [e.x - start - zone.length, e.x - start];
    const zones = resistance.map.steel.links[e.span]!;
    const widest = Math.max(...zones.filter((z, k) => z.to > from + 1 && (k === 0 ? 0 : zones[k - 1]!.to) < to - 1).map((z) => z.spacing));
    return [{ e, zone, widest }];
  });
  const w = largestOf(rows, (r) => r.widest / r.zone.spacing);
  if (!w) return [];
  const length = (v: number) => formatQuantity(v, 'length', units);
  return [
    compareCheck({
      id: 'frame-links',
      family: 'detailing',
      title: `Close ${code.linkWord} at the columns`,
      clause: w.zone.clause,
      place: { x: w.e.x, label: endLabel(w.e) },
      warnings: [`The first of them stands at most ${length(w.zone.first)} from the face.`],
      kind: 'length',
      compare: (c) => {
        if (c.recording) {
          zoneOf(beam, rules, resistance, w.e, c);
        }
        return { demand: w.widest, demandIs: THERE, capacity: w.zone.spacing, capacityIs: LIMIT };
      },
      fails: (_needed, _there, show) =>
        `${code.linkWord} ${endLabel(w.e)} stand ${show(w.widest, 'smallLength')} apart, at most ${show(w.zone.spacing, 'smallLength')} is allowed over ${show(w.zone.length, 'smallLength')} from the face.`,
    }),
  ];
}

/** Spacing of links anywhere. */
function linksBeyond({ beam, code, rules, resistance, analysis }: Basis): DerivableCheck[] {
  const rows = beam.spans.flatMap((_, span) => {
    const end = endsOf(beam, analysis, span)[0];
    if (!end) return [];
    const limit = rules.beyond(resistance.tensionSteel(span, end.x, 'hogging').d);
    return limit ? [{ span, limit, widest: Math.max(...resistance.map.steel.links[span]!.map((z) => z.spacing)) }] : [];
  });
  const w = largestOf(rows, (r) => r.widest / r.limit.value);
  if (!w) return [];
  return [
    compareCheck({
      id: 'frame-links-beyond',
      family: 'detailing',
      title: `Spacing of ${code.linkWord}, frame beam`,
      clause: w.limit.clause,
      place: { x: null, label: `span ${w.span + 1}` },
      kind: 'length',
      compare: () => ({ demand: w.widest, demandIs: THERE, capacity: w.limit.value, capacityIs: LIMIT }),
      fails: (_needed, _there, show) =>
        `${code.linkWord} in span ${w.span + 1} stand ${show(w.widest, 'smallLength')} apart, at most ${show(w.limit.value, 'smallLength')} is allowed.`,
    }),
  ];
}

/** Capacity-design shear, in every span where it is worst. */
function shearByCapacity(basis: Basis): DerivableCheck[] {
  const { beam, code, strips, resistance, rules, units, analysis } = basis;
  return beam.spans.flatMap((_, span) => {
    const shear = yieldShear(beam, rules, analysis, resistance, span);
    if (!shear) return [];
    const zones = endsOf(beam, analysis, span).map((e) => ({ x: e.x, length: zoneOf(beam, rules, resistance, e)?.length ?? 0 }));
    const [from, to] = [analysis.faces[span]!.right, analysis.faces[span + 1]!.left];
    const rows = [...strips.x.keys()].flatMap((i) => {
      const x = strips.x[i]!;
      if (strips.span[i] !== span || x < from - 0.01 || x > to + 0.01) return [];
      const demand = shear.at(i);
      const isNear = zones.some((z) => Math.abs(x - z.x) <= z.length);
      const withConcrete = !isNear || rules.countsConcrete(demand.sway, demand.force);
      const section = resistance.shearSection(span, x, sensesOf(strips.maxM[i]!, strips.minM[i]!));
      const links = linksOf(resistance.map.linkZoneAt(span, x), resistance.map);
      return [{ i, x, demand, section, links, withConcrete, capacity: rules.shear(silent, section, links, beam.materials, withConcrete) }];
    });
    const w = largestOf(rows, (r) => r.demand.force / r.capacity);
    if (!w) return [];
    const force = (v: number) => formatQuantity(v, 'force', units);
    const needed = rules.linkArea(w.demand.force, w.section, beam.materials, w.withConcrete);
    return [
      compareCheck({
        id: `frame-shear-${span + 1}`,
        family: 'shear',
        title: `Capacity-design shear, span ${span + 1}`,
        clause: rules.shearClause,
        place: { x: w.x, label: `span ${span + 1}` },
        assumptions: code.choices.filter((k) => k.topic === 'shear').map((k) => k.key),
        kind: 'force',
        compare: (c) => {
          c.note(
            `The loads that are there meanwhile bring ${force(Math.abs(w.demand.gravity))}, the ends as they yield ${force(w.demand.sway)}: their moments over the clear span of ${formatQuantity(shear.clearSpan, 'length', units)}.`,
            rules.shearClause,
          );
          if (!w.withConcrete) c.note('The sway brings half of the shear or more: concrete is not counted.', rules.shearClause);
          return {
            demand: w.demand.force,
            demandIs: ['capacity-design shear', 'of the loads and of the sway, as above'],
            capacity: rules.shear(c, w.section, w.links, beam.materials, w.withConcrete),
          };
        },
        fails: (_needed, _there, show) =>
          `Span ${span + 1}, while its ends yield: ${code.linkWord} need ${show(needed, 'areaPerLength')}, have ${show(w.links.area / w.links.spacing, 'areaPerLength')}.`,
      }),
    ];
  });
}

/** Thickest bar through or into each joint. */
function joints({ beam, rules, resistance }: Basis, ends: readonly FrameEndPlace[]): DerivableCheck[] {
  const { steel, catalogue } = resistance.map;
  const rows = ends.flatMap((e) => {
    const { width } = beam.supports[e.support]!;
    if (width <= 0) return [];
    const { b } = outlineOf(beam, e.span);
    const ratio = (sense: 'sagging' | 'hogging') => {
      const { area, d } = resistance.tensionSteel(e.span, e.x, sense);
      return area / (b * d);
    };
    const bottomRatio = ratio('sagging');
    const question = {
      materials: beam.materials,
      depth: width,
      isInner: e.support > 0 && e.support < beam.spans.length,
      bottomRatio,
      mostRatio: rules.mostRatio(silent, beam.materials, bottomRatio)?.value ?? ratio('hogging'),
    };
    const limit = rules.jointBar(silent, question);
    const bars = [steel.bottom[e.span]!.main, steel.top[e.span]!.main, steel.support[e.support]?.bars];
    const diameter = Math.max(...bars.flatMap((g) => (g && g.count > 0 ? [barOf(g, catalogue).diameter] : [])));
    return limit ? [{ e, question, limit, diameter }] : [];
  });
  const w = largestOf(rows, (r) => r.diameter / r.limit.value);
  if (!w) return [];
  return [
    compareCheck({
      id: 'frame-joint',
      family: 'detailing',
      title: 'Bars through the joints',
      clause: w.limit.clause,
      place: { x: w.e.x, label: `support ${supportName(w.e.support)}` },
      warnings: ['The column’s axial compression is left out: it only raises the limit (1 + 0.8 νd).'],
      kind: 'smallLength',
      compare: (c) => {
        if (c.recording) {
          rules.jointBar(c, w.question);
        }
        return { demand: w.diameter, demandIs: THERE, capacity: w.limit.value, capacityIs: LIMIT };
      },
      fails: (_needed, _there, show) =>
        `Bars of ${show(w.diameter, 'smallLength')} at support ${supportName(w.e.support)}: at most ${show(w.limit.value, 'smallLength')} in a column of this depth. Thinner bars, or a deeper column.`,
    }),
  ];
}
