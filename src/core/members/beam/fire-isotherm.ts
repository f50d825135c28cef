import { coolRegion, temperatureAt } from '../../analysis/heat/heat-region';
import type { IsExposed } from '../../analysis/heat/heat-cells';
import { silent } from '../../calc/calc';
import type { ShearSection } from '../../codes/design-code';
import { FIRE_PERIODS, type FireBeam, type FireWay, type IsothermRules } from '../../codes/fire-rules';
import { outlinePoints, type BeamOutline } from '../../geometry/beam-outline';
import { box, boundsOf, type Outline, type Point } from '../../geometry/polygon';
import { bearing, polygonSection, type PointBar } from '../../section/polygon-section';
import { emptyState, limitStrain, neutralAxisDepth, ultimateAt } from '../../section/ultimate';
import { heatedOutline, type HeatedOutline } from '../parts/heated-outline';
import type { CheckBasis } from './bending-checks';
import type { LinkZone } from './input';
import { linksOf } from './resistance';
import { outlineOf } from './prepared';
import { compressionFace, tensionFace, type Sense } from './sense';
import type { BarsHere, SteelAlong } from './steel';

/** Width of slab that is heated in its stead: it is alike everywhere along its width (mm). */
const SLICE = 20;

/** Edges that look up stay cool under what is cast on them; those at the ends of a flange are none, the slab goes on there. */
function exposure({ shape, b }: BeamOutline, isSlab: boolean): IsExposed {
  return (p, q) => {
    const [nx, ny] = [q[1] - p[1], p[0] - q[0]];
    const size = Math.hypot(nx, ny);
    if (isSlab) return ny < -0.5 * size;
    if (ny > 0.05 * size) return false;
    const isTip = (shape === 'T' || shape === 'L') && Math.abs(ny) < 0.05 * size && Math.min(Math.abs(p[0]), Math.abs(q[0])) > b / 2 + 1;
    return !isTip;
  };
}

/** What is left of a span after a period: its concrete, and the temperatures of its bars. */
interface HotSpan {
  readonly cool: Outline | null;
  temperature(at: Point): number;
}

/** A span in a fire, with what it carries after each period. */
class HeatedSpan {
  private readonly outline: BeamOutline;
  private readonly field: HeatedOutline;
  private readonly spans = new Map<number, HotSpan>();
  private readonly moments = new Map<string, number>();
  private readonly shears = new Map<ShearSection, Map<LinkZone | null, Map<string, number>>>();

  constructor(
    private readonly basis: CheckBasis<SteelAlong>,
    private readonly rules: IsothermRules,
    private readonly span: number,
  ) {
    const { beam, code } = basis;
    this.outline = outlineOf(beam, span);
    const { h } = this.outline;
    const outer = beam.isSlab ? box(-SLICE / 2, 0, SLICE / 2, h) : outlinePoints(this.outline);
    const about = beam.isSlab ? 'slab' : `beam ${this.outline.shape} ${this.outline.b}`;
    this.field = heatedOutline({ outer, holes: [] }, about, exposure(this.outline, beam.isSlab === true), rules, beam.materials, code);
  }

  private after(k: number): HotSpan {
    let known = this.spans.get(k);
    if (known) return known;
    const { cells, states } = this.field;
    const found = coolRegion(cells, states[k]!, this.rules.limit);
    const { b, h } = this.outline;
    const cool = found && this.basis.beam.isSlab ? { outer: box(-b / 2, boundsOf(found.outer).bottom, b / 2, h), holes: [] } : found;
    known = { cool, temperature: ([x, y]) => temperatureAt(cells, states[k]!, this.basis.beam.isSlab ? [0, y] : [x, y]) };
    this.spans.set(k, known);
    return known;
  }

  /** Bars of a face where they lie, as far as they are anchored, and as strong as a fire leaves them. */
  private barsOf(here: BarsHere, hot: HotSpan, strength: (theta: number) => number): PointBar[] {
    return this.basis.resistance.map.placement(here).bars.map((b) => {
      const [x, y] = [b.x, here.face === 'bottom' ? b.fromFace : this.outline.h - b.fromFace];
      return { x, y, area: b.area * (here.shares[b.group] ?? 1) * strength(hot.temperature([x, y])), diameter: b.diameter };
    });
  }

  /** What a section carries in bending at a place after a period (N mm). */
  moment(x: number, sense: Sense, k: number): number {
    const { map } = this.basis.resistance;
    const [tension, compression] = [map.barsAt(tensionFace(sense), this.span, x), map.barsAt(compressionFace(sense), this.span, x)];
    const key = `${k} ${tension.key} ${compression.key}`;
    let known = this.moments.get(key);
    if (known === undefined) {
      this.moments.set(key, (known = this.balanced(this.after(k), tension, compression, sense)));
    }
    return known;
  }

  /**
   * Bars in tension have what their strain lets them have: from the strength of bars hardly strained to that of stretched ones by a straight line, which stays below
   * their curved law. The least strained bar speaks for all.
   */
  private balanced(hot: HotSpan, tension: BarsHere, compression: BarsHere, sense: Sense): number {
    const { from, full } = this.rules.stretching;
    const at = (part: number) => {
      const found = this.solve(hot, tension, compression, sense, part);
      return found && { moment: found.moment, part: Math.max(0, Math.min(1, (found.strain - from) / (full - from))) };
    };
    const stretched = at(1);
    if (!stretched || stretched.part >= 1) return stretched?.moment ?? at(0)?.moment ?? 0;
    // The more force the bars have, the less they are strained.
    let [low, high] = [0, 1];
    let moment = at(0)?.moment ?? 0;
    for (let i = 0; i < 10; i += 1) {
      const part = (low + high) / 2;
      const found = at(part);
      if (found && found.part >= part) [low, moment] = [part, found.moment];
      else high = part;
    }
    return moment;
  }

  /** Moment and least strain of the bars in tension, which have a part of what stretching gives them; undefined where there is no equilibrium. */
  private solve(hot: HotSpan, tension: BarsHere, compression: BarsHere, sense: Sense, part: number) {
    const { rules } = this;
    const pulled = this.barsOf(tension, hot, (theta) => {
      const least = rules.barStrength(theta);
      return least + part * Math.max(0, rules.stretchedStrength(theta) - least);
    });
    const some = (bars: readonly PointBar[]) => bars.filter((b) => b.area > 0);
    const stretched = some(pulled).length;
    const all = [...some(pulled), ...some(this.barsOf(compression, hot, rules.barStrength))];
    if (!hot.cool || all.length === 0) return undefined;
    const section = polygonSection(hot.cool, all);
    const b = bearing(section, sense === 'sagging' ? Math.PI / 2 : -Math.PI / 2);
    const laws = rules.basis(this.basis.beam.materials);
    const state = emptyState();
    const force = (t: number) => {
      ultimateAt(section, b, t, laws, state);
      return state.N;
    };
    const t = rootOf(force);
    if (t === undefined) return undefined;
    force(t);
    const plane = limitStrain(b, neutralAxisDepth(t, b.h), laws);
    const strains = Array.from(b.bars.subarray(0, stretched), (v) => -(plane.e0 + plane.k * v));
    return { moment: Math.abs(state.Mx), strain: Math.min(Infinity, ...strains) };
  }

  /**
   * What a section carries in shear after a period (N): narrower by what is hot, shallower where the compressed side is hot, its bars and links as strong as a fire
   * leaves them, with the partial factors of normal temperature.
   */
  shear(cold: ShearSection, zone: LinkZone | null, x: number, sense: Sense, k: number): number {
    let byZone = this.shears.get(cold);
    if (!byZone) this.shears.set(cold, (byZone = new Map()));
    let bySense = byZone.get(zone);
    if (!bySense) byZone.set(zone, (bySense = new Map()));
    const here = this.basis.resistance.map.barsAt(tensionFace(sense), this.span, x);
    const key = `${k} ${here.key}`;
    let known = bySense.get(key);
    if (known === undefined) bySense.set(key, (known = this.hotShear(cold, zone, here, sense, k)));
    return known;
  }

  private hotShear(cold: ShearSection, zone: LinkZone | null, here: BarsHere, sense: Sense, k: number): number {
    const { beam, code, resistance } = this.basis;
    const hot = this.after(k);
    if (!hot.cool) return 0;
    const { bottom } = boundsOf(hot.cool.outer);
    const bars = this.barsOf(here, hot, this.rules.barStrength);
    const { area } = resistance.map.centroid(here);
    const left = area > 0 ? Math.min(1, bars.reduce((sum, b) => sum + b.area, 0) / area) : 0;
    const section: ShearSection = {
      ...cold,
      bw: Math.min(cold.bw, beam.isSlab ? cold.bw : webOf(hot.cool, this.outline)),
      d: sense === 'hogging' ? cold.d - bottom : cold.d,
      tensionArea: cold.tensionArea * left,
    };
    if (!(section.bw > 0) || !(section.d > 0) || !(section.tensionArea > 0)) return 0;
    if (!zone) return code.slab.plainShear(silent, section, beam.materials).force;
    const links = linksOf(zone, resistance.map);
    // At the upper limit of what surrounds the bars in tension, counted from below, where it is hottest.
    const leg: Point = [this.outline.b / 2 - beam.cover.side - links.diameter / 2, Math.min(2.5 * (cold.h - cold.d), this.outline.h / 4)];
    const strength = this.rules.barStrength(hot.temperature(leg));
    return strength > 0
      ? code.shearResistance(silent, section, { ...links, area: links.area * strength }, beam.materials).force
      : code.slab.plainShear(silent, section, beam.materials).force;
  }
}

/** Where a force that grows with the depth of the neutral axis is none, from 0 to 1: false position, every third step by halves. */
function rootOf(force: (t: number) => number): number | undefined {
  let [low, high] = [0, 1];
  let [atLow, atHigh] = [force(low), force(high)];
  if (atLow > 0 || atHigh < 0) return undefined;
  for (let i = 0; i < 60 && high - low > 1e-9; i += 1) {
    const t = i % 3 === 2 || atHigh === atLow ? (low + high) / 2 : low - (atLow * (high - low)) / (atHigh - atLow);
    const N = force(t);
    if (Math.abs(N) < 1) return t;
    if (N < 0) [low, atLow] = [t, N];
    else [high, atHigh] = [t, N];
  }
  return high;
}

/** Least width that is cool within the middle half of the depth (mm). */
function webOf(cool: Outline, { h }: BeamOutline): number {
  const levels = [0.25, 0.375, 0.5, 0.625, 0.75].map((part) => part * h);
  return Math.min(
    ...levels.map((y) => {
      const cuts = cool.outer.flatMap((p, i) => {
        const q = cool.outer[(i + 1) % cool.outer.length]!;
        return p[1] > y === q[1] > y ? [] : [p[0] + ((y - p[1]) / (q[1] - p[1])) * (q[0] - p[0])];
      });
      return cuts.length < 2 ? 0 : Math.max(...cuts) - Math.min(...cuts);
    }),
  );
}

/** What a span uses at its worst place after a period. */
interface Use {
  readonly ratio: number;
  readonly words: string;
}

function usedAfter({ strips, resistance }: CheckBasis<SteelAlong>, hot: HeatedSpan, span: number, k: number, reduction: number): Use {
  let worst: Use = { ratio: 0, words: '' };
  const keep = (ratio: number, words: string) => {
    if (ratio > worst.ratio) worst = { ratio, words };
  };
  const over = (demand: number, capacity: number) => (demand <= 1 ? 0 : capacity > 0 ? (reduction * demand) / capacity : Infinity);
  for (let i = 0; i < strips.x.length; i += 1) {
    if (strips.span[i] !== span) continue;
    const x = strips.x[i]!;
    if (strips.shiftedSagging[i]! > 1) keep(over(strips.shiftedSagging[i]!, hot.moment(x, 'sagging', k)), 'sagging');
    if (strips.shiftedHogging[i]! > 1) keep(over(strips.shiftedHogging[i]!, hot.moment(x, 'hogging', k)), 'hogging');
    const V = strips.designV[i]!;
    const most = { max: strips.maxM[i]!, min: strips.minM[i]! };
    const zone = resistance.map.linkZoneAt(span, x);
    for (const sense of ['sagging', 'hogging'] as const)
      if (sense === 'sagging' ? most.max > 0 || most.min >= 0 : most.min < 0)
        keep(over(V, hot.shear(resistance.shearUnder(span, x, most, V), zone, x, sense, k)), 'shear');
  }
  return worst;
}

/**
 * Fire resistance of a span of a beam or strip by what is left inside the isotherm: bending of both senses and shear along it; null where the code has no such way.
 * `topAlong` is that of a continuous span, see {@link FireBeam}.
 */
export function spanIsotherm(basis: CheckBasis<SteelAlong>, span: number, topAlong: FireBeam['topAlong'] | null): FireWay | null {
  const rules = basis.code.fire.isotherm;
  if (!rules) return null;
  const { title, clause } = rules;
  const fault = rules.materialFault(basis.beam.materials);
  if (fault) return { title, clause, minutes: 0, reason: fault };
  const hot = new HeatedSpan(basis, rules, span);
  const { from, reach, fall } = rules.topBars;
  const lacksTop = topAlong !== null && topAlong(reach, fall) > 1 + 1e-9;
  const against = (k: number) =>
    lacksTop && FIRE_PERIODS[k]! >= from
      ? `${FIRE_PERIODS[k]!} minutes need top bars that run further into the span, ${rules.topBars.clause}`
      : whatStandsAgainst(basis, rules, hot, span, k);
  // What is left only grows less: by halves.
  let [kept, lost, reason] = [-1, FIRE_PERIODS.length as number, 'the longest period looked at'];
  while (lost - kept > 1) {
    const k = (kept + lost) >> 1;
    const found = against(k);
    if (found === null) kept = k;
    else [lost, reason] = [k, found];
  }
  return { title, clause, minutes: FIRE_PERIODS[kept] ?? 0, reason };
}

/** Why a span does not hold for the k-th period; null where it does. */
function whatStandsAgainst(basis: CheckBasis<SteelAlong>, rules: IsothermRules, hot: HeatedSpan, span: number, k: number): string | null {
  const period = FIRE_PERIODS[k]!;
  const { isSlab } = basis.beam;
  const { b, h } = outlineOf(basis.beam, span);
  const least = isSlab ? rules.leastDepth(period) : rules.leastWidth(period);
  if ((isSlab ? h : Math.min(b, h)) < least)
    return isSlab ? `${period} minutes need ${least} mm to keep the upper side cool` : `${period} minutes need ${least} mm of width`;
  const { ratio, words } = usedAfter(basis, hot, span, k, rules.reduction);
  if (ratio <= 1) return null;
  return ratio < 100
    ? `after ${period} minutes ${words} uses ${ratio.toFixed(2)} of what is left`
    : `after ${period} minutes nothing to speak of is left for ${words}`;
}
