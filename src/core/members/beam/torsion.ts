import { silent } from '../../calc/calc';
import type { DesignCode, Links, ShearSection } from '../../codes/design-code';
import type { TorsionAnswer, TorsionQuestion, TorsionWall } from '../../codes/torsion-rules';
import { torqueAt } from '../../analysis/torsion';
import { box } from '../../geometry/polygon';
import { catalogues } from '../../materials/bars';
import { barOf, type BarGroup } from '../../reinforcement/bar-groups';
import { usualSizes } from '../../reinforcement/usual-sizes';
import type { BeamAnalysis } from './analysis';
import { shearBetween, shearLimits } from './demand';
import { linksOf, type ResistanceMap } from './resistance';
import { type PreparedBeam, outlineOf } from './prepared';
import type { Face } from './sense';
import type { SteelAlong } from './steel';

/** Largest torque at each station (N mm, without sign), and the arrangement that brings it; null where there is none at all. */
export interface TorqueEnvelope {
  readonly most: Float64Array;
  readonly by: Int32Array;
}

const known = new WeakMap<BeamAnalysis, TorqueEnvelope | null>();

export function torqueEnvelope(analysis: BeamAnalysis): TorqueEnvelope | null {
  let made = known.get(analysis);
  if (made === undefined) known.set(analysis, (made = makeEnvelope(analysis)));
  return made;
}

function makeEnvelope({ arrangements, envelope }: BeamAnalysis): TorqueEnvelope | null {
  const { stations } = envelope;
  const [most, by] = [new Float64Array(stations.length), new Int32Array(stations.length)];
  let isAny = false;
  arrangements.forEach(({ response: { torsion } }, a) => {
    if (torsion.every((v) => v === 0)) return;
    isAny = true;
    stations.forEach((st, i) => {
      const T = Math.abs(torqueAt(torsion, st.element, st.s));
      if (T > most[i]!) [most[i], by[i]] = [T, a];
    });
  });
  return isAny ? { most, by } : null;
}

/** Diameters of the bars in the corners of the links (mm). */
export interface CornerBars {
  readonly bottom: number;
  readonly top: number;
}

/** The thickest bars of both faces at a place: they stand in the corners. */
export function cornerBars(map: SteelAlong, span: number, x: number): CornerBars {
  const at = (face: Face) =>
    Math.max(0, ...map.barsAt(face, span, x).groups.map((g) => (g.count > 0 ? barOf(g, map.catalogue).diameter : 0)));
  return { bottom: at('bottom'), top: at('top') };
}

export function torsionQuestion(
  beam: PreparedBeam,
  span: number,
  section: ShearSection,
  links: Links,
  forces: Pick<TorsionQuestion, 'T' | 'V'>,
  corners: CornerBars,
): TorsionQuestion {
  return { ...forces, section, links, materials: beam.materials, ...torsionOutline(beam, span, links.diameter, corners) };
}

/**
 * What of a span works in torsion: its web, each face with its own cover and bars. Leaving out the flanges leaves a tube that carries the torque
 * alone; where a code counts them it is told of them.
 */
function torsionOutline(beam: PreparedBeam, span: number, linkDiameter: number, corners: CornerBars) {
  const outline = outlineOf(beam, span);
  const { b, h, flangeWidth, flangeDepth, shape } = outline;
  const { side, top, bottom } = beam.cover;
  // In the order of the edges: bottom, right, top, left.
  const covers = [bottom, side, top, side];
  const sideBar = Math.max(corners.bottom, corners.top);
  const radii = [corners.bottom, sideBar, corners.top, sideBar].map((d) => d / 2);
  const out = flangeWidth - b;
  const isFlanged = ['T', 'L', 'invertedT'].includes(shape) && out > 0;
  return {
    outline: box(-b / 2, 0, b / 2, h),
    toBar: covers.map((cover, i) => cover + linkDiameter + radii[i]!),
    toLink: covers.map((cover) => cover + linkDiameter / 2),
    realWall: Infinity,
    ...(isFlanged ? { flanges: { depth: flangeDepth, overhangs: shape === 'L' ? [out] : [out / 2, out / 2] } } : {}),
  };
}

/** Whether any torque is on a beam, by a load or among its known forces. */
export function hasTorques({ mode, forces, stations, loads }: PreparedBeam): boolean {
  if (mode === 'loads') return loads.some((l) => l.type === 'torque' || l.type === 'pointTorque');
  return (mode === 'forces' ? forces : stations).some((f) => f.torsion !== 0);
}

/** The wall that carries torques, where the beam has any; else null. */
export function torsionWall(
  beam: PreparedBeam,
  code: DesignCode,
  span: number,
  linkDiameter: number,
  corners: CornerBars,
): TorsionWall | null {
  return hasTorques(beam) ? code.torsion.wall(torsionOutline(beam, span, linkDiameter, corners)) : null;
}

/** A station with its torque and shear, and what the code makes of both. */
export interface TorsionStation {
  readonly i: number;
  readonly span: number;
  readonly x: number;
  readonly question: TorsionQuestion;
  readonly answer: TorsionAnswer;
}

/** Every station where links are checked that has a torque, and the places between them where torsion begins to ask for steel. */
export function torsionStations(beam: PreparedBeam, code: DesignCode, analysis: BeamAnalysis, resistance: ResistanceMap): TorsionStation[] {
  const torque = torqueEnvelope(analysis);
  if (!torque) return [];
  const { stations, maxM, minM, maxV, minV } = analysis.envelope;
  const curves = { x: stations.map((s) => s.x), span: stations.map((s) => s.span), maxV, minV };
  return beam.spans.flatMap((_, span) => {
    const limits = shearLimits(beam, code, analysis, span, (x) => resistance.shearSection(span, x, ['sagging', 'hogging']).d);
    const at = (x: number, i: number, T: number, V: number): TorsionStation => {
      const section = resistance.shearUnder(span, x, { max: maxM[i]!, min: minM[i]! }, V);
      const links = linksOf(resistance.map.linkZoneAt(span, x), resistance.map);
      const question = torsionQuestion(beam, span, section, links, { T, V }, cornerBars(resistance.map, span, x));
      return { i, span, x, question, answer: code.torsion.check(silent, question) };
    };
    const found = shearBetween(curves, span, limits.from, limits.to).map(({ x, force, station: i }) =>
      at(x, i, valueBeside(curves, torque.most, i, x), force),
    );
    const between = (p: TorsionStation, q: TorsionStation, t: number) => {
      const mean = (a: number, b: number) => a + (b - a) * t;
      return at(mean(p.x, q.x), t < 0.5 ? p.i : q.i, mean(p.question.T, q.question.T), mean(p.question.V, q.question.V));
    };
    const begins = found.slice(1).flatMap((q, k) => beginning(found[k]!, q, between));
    return [...found, ...begins].filter(({ question }) => question.T >= 1);
  });
}

/** The first place between two stations at which torsion asks for steel, where it does at one of them alone. */
function beginning(
  p: TorsionStation,
  q: TorsionStation,
  between: (p: TorsionStation, q: TorsionStation, part: number) => TorsionStation,
): TorsionStation[] {
  const works = (s: TorsionStation) => s.answer.design > 0;
  if (works(p) === works(q) || q.x - p.x < 1) return [];
  let [without, withSteel] = works(q) ? [0, 1] : [1, 0];
  for (let round = 0; round < 12; round += 1) {
    const middle = (without + withSteel) / 2;
    if (works(between(p, q, middle))) withSteel = middle;
    else without = middle;
  }
  return [between(p, q, withSteel)];
}

/** A curve at a position beside one of its stations, straight to the next one of the same span. */
export function valueBeside(
  { x: xs, span }: { x: readonly number[]; span: readonly number[] },
  values: Float64Array,
  i: number,
  x: number,
): number {
  const k = x > xs[i]! ? i + 1 : i - 1;
  if (Math.abs(x - xs[i]!) < 1e-6 || span[k] !== span[i] || xs[k] === xs[i]) return values[i]!;
  return values[i]! + ((values[k]! - values[i]!) * (x - xs[i]!)) / (xs[k]! - xs[i]!);
}

/**
 * How the longitudinal steel of torsion is shared: evenly along the perimeter of the cage, each level of bars taking what is nearest. Areas
 * (mm2) for the bottom or top face, and for all side bars together.
 */
export function shareOut(
  beam: PreparedBeam,
  span: number,
  answer: TorsionAnswer,
  levels: number,
): { readonly face: number; readonly side: number } {
  if (answer.longitudinal === 0) return { face: 0, side: 0 };
  const { b, h } = outlineOf(beam, span);
  // The cage has the proportions of the web.
  const height = ((answer.corePerimeter / 2) * h) / (b + h);
  const width = answer.corePerimeter / 2 - height;
  const perLength = answer.longitudinal / answer.corePerimeter;
  return { face: perLength * (width + height / (levels + 1)), side: (perLength * 2 * height * levels) / (levels + 1) };
}

/** Side bars that torsion needs: levels within the largest distance of bars, the thinnest size that is enough. */
export function sideBars(beam: PreparedBeam, stations: readonly Pick<TorsionStation, 'span' | 'answer'>[]): BarGroup | null {
  const working = stations.filter((s) => s.answer.longitudinal > 0);
  if (working.length === 0) return null;
  const levels = Math.max(...working.map((s) => Math.ceil(barDistance(beam, s.span, 0) / s.answer.barSpacing.value - 1e-9) - 1));
  if (levels <= 0) return null;
  const needed = Math.max(...working.map((s) => shareOut(beam, s.span, s.answer, levels).side)) / (2 * levels);
  const catalogue = catalogues[beam.catalogue];
  const sizes = [usualSizes[beam.catalogue].hanger, ...usualSizes[beam.catalogue].main];
  const size = sizes.find((q) => barOf({ count: 1, size: q }, catalogue).area >= needed) ?? sizes.at(-1)!;
  return { count: levels, size };
}

/** Distance between the levels of bars up a side face (mm). */
export function barDistance(beam: PreparedBeam, span: number, levels: number): number {
  const { h } = outlineOf(beam, span);
  return (h - beam.cover.top - beam.cover.bottom - 50) / (levels + 1);
}
