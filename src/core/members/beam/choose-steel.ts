import { largestOf } from '../../checks/largest';
import { silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { catalogues } from '../../materials/bars';
import { areaOf, barOf, barsPerLayer, type BarGroup } from '../../reinforcement/bar-groups';
import { usualSizes } from '../../reinforcement/usual-sizes';
import type { BeamAnalysis } from './analysis';
import { chooseBars, mainSizes, type BarTask, type Chosen } from './choose-bars';
import { withEnds } from './choose-ends';
import { chooseLinks } from './choose-links';
import { frameLinkPlaces } from './frame/frame-links';
import { frameSteel } from './frame/frame-steel';
import { atPlacesOf, shearBetween, shearLimits } from './demand';
import { holdsMoment } from './holds-moment';
import { type LinkZone } from './input';
import { anchorageLengths, ResistanceMap } from './resistance';
import { regionMoments, type RegionMoments } from './service/region-moments';
import type { ServiceMoments } from './service/service-moments';
import { cornerBars, barDistance, shareOut, sideBars, torqueEnvelope, torsionStations, valueBeside } from './torsion';
import { faceGeometry, SteelMap, type BeamSteel } from './steel';
import type { Sense } from './sense';
import { type PreparedBeam, outlineOf } from './prepared';

/**
 * The steel of a beam: what the engineer set, and for the rest a first choice that a site can place. Few sizes, the lower bars half
 * through and half in midspan, top bars over supports as far as they are needed, links in up to three zones a span.
 */
export function chooseSteel(beam: PreparedBeam, code: DesignCode, analysis: BeamAnalysis, moments: ServiceMoments | undefined): BeamSteel {
  const skin = beam.bars.side ?? skinBars(beam, code);
  const plain = chooseWith(beam, code, analysis, moments, () => 0, skin);
  if (!torqueEnvelope(analysis)) return plain;
  // Torsion needs bars all round: they are known once the links are, and other bars and links move the tube that carries it.
  let steel = plain;
  let faces = beam.spans.map(() => 0);
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const { side, needs } = torsionNeeds(beam, code, analysis, steel, skin);
    if (round > 0 && needs.every((need, i) => need <= faces[i]! * (1 + 1e-3))) break;
    faces = needs.map((need, i) => Math.max(need, faces[i]!));
    steel = chooseWith(beam, code, analysis, moments, (span) => faces[span]!, side);
  }
  return steel;
}

const MOST_ROUNDS = 4;

/** Bars up the sides, and steel of each face by span (mm2), that torsion asks for with some bars and links. */
function torsionNeeds(beam: PreparedBeam, code: DesignCode, analysis: BeamAnalysis, steel: BeamSteel, skin: BarGroup | null) {
  const anchorage = anchorageLengths(beam, code, { catalogue: catalogues[beam.catalogue] });
  const stations = torsionStations(beam, code, analysis, new ResistanceMap(beam, code, new SteelMap(beam, steel, code, anchorage)));
  const side = beam.bars.side ?? heavier(beam, sideBars(beam, stations), skin);
  const needs = beam.spans.map((_, span) =>
    Math.max(0, ...stations.filter((s) => s.span === span).map((s) => shareOut(beam, span, s.answer, side?.count ?? 0).face)),
  );
  return { side, needs };
}

/** Stress of the main bars in service for which bars along deep sides are chosen (MPa), as the span/depth rule assumes. */
const USUAL_STRESS = 310;

/** Bars along the sides that a deep beam needs against cracks; null for others. */
function skinBars(beam: PreparedBeam, code: DesignCode): BarGroup | null {
  const catalogue = catalogues[beam.catalogue];
  const sizes = [usualSizes[beam.catalogue].hanger, ...mainSizes(beam)];
  const groups = beam.spans.flatMap((_, span) => {
    const { b, h } = outlineOf(beam, span);
    const rule = code.service.skin(silent, {
      materials: beam.materials,
      h,
      tensionArea: (b * h) / 2,
      steelStress: USUAL_STRESS,
      width: beam.service.crackWidth,
      cover: beam.cover.side + 10,
    });
    if (!rule) return [];
    const count = Math.max(1, Math.ceil(barDistance(beam, span, 0) / rule.spacing - 1e-9) - 1);
    // Half to three quarters of the levels lie in the pulled part.
    const size = sizes.find((q) => count * barOf({ count: 1, size: q }, catalogue).area >= rule.area) ?? sizes.at(-1)!;
    return [{ count, size }];
  });
  return groups.reduce<BarGroup | null>((a, b) => heavier(beam, a, b), null);
}

/** Of two groups the one with more levels, or more steel at as many. */
function heavier(beam: PreparedBeam, a: BarGroup | null, b: BarGroup | null): BarGroup | null {
  if (!a || !b) return a ?? b;
  const area = (g: BarGroup) => barOf(g, catalogues[beam.catalogue]).area;
  return { count: Math.max(a.count, b.count), size: area(a) >= area(b) ? a.size : b.size };
}

/** The choice with steel of each face beside that for bending, by span (mm2). */
function chooseWith(
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  moments: ServiceMoments | undefined,
  extra: (span: number) => number,
  side: BarGroup | null,
): BeamSteel {
  const linkSize = beam.barRules.linkSizes[0] ?? usualSizes[beam.catalogue].links[0]!;
  const linkDiameter = barOf({ count: 1, size: linkSize }, catalogues[beam.catalogue]).diameter;
  const chosen = chooseMain(beam, code, analysis, moments, linkDiameter, extra);
  const draft = (links: readonly (readonly LinkZone[])[]): BeamSteel => ({
    bottom: chosen.bottom.map((b) => ({ main: b.main, extra: b.extra.count > 0 ? { bars: b.extra, from: 0, to: Infinity } : null })),
    top: chosen.top.map((main) => ({ main })),
    support: chosen.support.map((bars) => bars && { bars, from: -Infinity, to: Infinity }),
    links,
    side,
  });
  const provisional = beam.spans.map((s) => [{ to: s.length, size: linkSize, legs: 2, spacing: 150 }]);
  const linksFor = (steel: BeamSteel, anchorage: ConstructorParameters<typeof SteelMap>[3]) => {
    const resistance = new ResistanceMap(beam, code, new SteelMap(beam, steel, code, anchorage));
    const finer = atPlacesOf(beam, code, analysis, resistance);
    return beam.spans.map((_, i) => beam.bars.links[i]?.zones ?? linksOfSpan(beam, code, finer, resistance, i, chosen.compression[i]!));
  };
  const first = linksFor(draft(provisional), () => 1);
  const top = chosen.top.map((main, i) => ({
    main: beam.bars.top[i]?.main ?? { ...main, count: Math.max(main.count, ...first[i]!.map((z) => z.legs)) },
  }));
  const ended = withEnds(beam, code, analysis, moments, { ...draft(first), top }, extra);
  // The bars now have their ends, and with them the effective depths along the beam: the links are chosen again for these, and once more where other
  // sizes of links move the bars.
  const anchorage = anchorageLengths(beam, code, { catalogue: catalogues[beam.catalogue] });
  const again = { ...ended, links: linksFor(ended, anchorage) };
  return haveSameSizes(ended.links, again.links) ? again : { ...again, links: linksFor(again, anchorage) };
}

const haveSameSizes = (a: BeamSteel['links'], b: BeamSteel['links']): boolean =>
  a.every((zones, i) => String([...new Set(zones.map((z) => z.size))].sort()) === String([...new Set(b[i]!.map((z) => z.size))].sort()));

interface MainBars {
  readonly bottom: readonly { readonly main: BarGroup; readonly extra: BarGroup }[];
  readonly top: readonly BarGroup[];
  readonly support: readonly (BarGroup | null)[];
  /** Diameter of bars that are needed in compression in a span. */
  readonly compression: readonly (number | null)[];
}

const NO_BARS: BarGroup = { count: 0, size: '' };

/** Largest moments of one sense over a range of a span. */
function largest(analysis: BeamAnalysis, span: number, sense: Sense, from: number, to: number): number {
  const { stations, maxM, minM } = analysis.envelope;
  let moment = 0;
  stations.forEach((st, i) => {
    if (st.span === span && st.x >= from && st.x <= to) moment = Math.max(moment, sense === 'sagging' ? maxM[i]! : -minM[i]!);
  });
  return moment;
}

function chooseMain(
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  moments: ServiceMoments | undefined,
  linkDiameter: number,
  extra: (span: number) => number,
): MainBars {
  const { starts } = beam;
  const catalogue = catalogues[beam.catalogue];
  const saggingTasks: BarTask[] = beam.spans.map((s, i) => ({
    span: i,
    sense: 'sagging',
    delta: 1,
    moment: largest(analysis, i, 'sagging', starts[i]!, starts[i]! + s.length),
    extra: extra(i),
    ...(moments ? { service: regionMoments(analysis, moments, i, 'sagging', starts[i]!, starts[i]! + s.length) } : {}),
  }));
  const sagging = chooseBars(beam, code, saggingTasks, linkDiameter);
  const supportTasks = beam.supports.flatMap((s, j) => {
    const sides = [j - 1, j].filter((i) => i >= 0 && i < beam.spans.length);
    const tasks = sides.map((i): BarTask => {
      // The bars of a support carry what is moved into its half of the span along the tension line as well.
      const half = beam.spans[i]!.length / 2 + 1.25 * outlineOf(beam, i).h;
      return {
        span: i,
        sense: 'hogging',
        delta: s.redistribution,
        moment: largest(analysis, i, 'hogging', starts[j]! - half, starts[j]! + half),
        extra: extra(i),
        ...(moments ? { service: regionMoments(analysis, moments, i, 'hogging', starts[j]! - half, starts[j]! + half) } : {}),
      };
    });
    // In service the other side may be the worse one.
    const inService = (of: (r: RegionMoments) => number) => Math.max(...tasks.map((t) => (t.service ? of(t.service) : 0)));
    const service = { crack: inService((r) => r.crack), largest: inService((r) => r.largest) };
    // The side with more moment for its depth; torsion by the side that has more of it.
    const side = largestOf(tasks, (t) => t.moment / outlineOf(beam, t.span).h)!;
    const opposite = sides.map((i) => sagging[i]!.bars);
    const worst = { ...side, opposite, extra: Math.max(...tasks.map((t) => t.extra ?? 0)), ...(moments ? { service } : {}) };
    return holdsMoment(beam, j) && worst.moment > 0 ? [{ support: j, task: worst }] : [];
  });
  const hogging =
    supportTasks.length > 0
      ? chooseBars(
          beam,
          code,
          supportTasks.map((t) => t.task),
          linkDiameter,
        )
      : [];
  const support: (BarGroup | null)[] = beam.supports.map((_, j) => beam.bars.support[j]?.bars ?? null);
  const bottomNeed = beam.spans.map(() => 0);
  supportTasks.forEach(({ support: j }, k) => {
    support[j] ??= hogging[k]!.bars;
    for (const i of [j - 1, j]) if (i >= 0 && i < beam.spans.length) bottomNeed[i] = Math.max(bottomNeed[i]!, hogging[k]!.compression);
  });
  const frame = beam.spans.map((_, i) => frameSteel(beam, code, i, support));
  const bottom = beam.spans.map((_, i) =>
    splitBottom(beam, code, i, sagging[i]!, Math.max(bottomNeed[i]!, frame[i]!.bottom), linkDiameter),
  );
  const midTasks: BarTask[] = beam.spans.map((s, i) => ({
    span: i,
    sense: 'hogging',
    delta: 1,
    moment: largest(analysis, i, 'hogging', starts[i]! + 0.48 * s.length, starts[i]! + 0.52 * s.length),
  }));
  const hoggingMids = midTasks.filter((t) => t.moment > 0);
  const chosenMids = chooseBars(beam, code, hoggingMids, linkDiameter);
  const top = beam.spans.map((_, i) => {
    const isCantilever = beam.supports[i]!.type === 'free' || beam.supports[i + 1]!.type === 'free';
    return (
      beam.bars.top[i]?.main ??
      hangers(
        beam,
        code,
        i,
        isCantilever ? undefined : chosenMids[hoggingMids.indexOf(midTasks[i]!)],
        Math.max(sagging[i]!.compression, extra(i), frame[i]!.top),
        linkDiameter,
      )
    );
  });
  const compression = beam.spans.map((_, i) => {
    const inTop = sagging[i]!.compression > 0 ? [barOf(top[i]!, catalogue).diameter] : [];
    const inBottom = bottomNeed[i]! > 0 ? [barOf(bottom[i]!.main, catalogue).diameter] : [];
    return inTop.length + inBottom.length > 0 ? Math.min(...inTop, ...inBottom) : null;
  });
  return { bottom, top, support, compression };
}

/**
 * Three bars or fewer run through; of more, half run through and half stand in midspan. Where a support presses so much steel that bars of the size
 * chosen for the span would not lie in one layer, a thicker size is taken.
 */
function splitBottom(
  beam: PreparedBeam,
  code: DesignCode,
  span: number,
  chosen: Chosen,
  compressionNeed: number,
  linkDiameter: number,
): { main: BarGroup; extra: BarGroup } {
  const own = beam.bars.bottom[span];
  const catalogue = catalogues[beam.catalogue];
  const tension = areaOf([chosen.bars], catalogue);
  const through = (size: string): BarGroup => {
    const { area } = barOf({ count: 1, size }, catalogue);
    const count = size === chosen.bars.size ? chosen.bars.count : Math.ceil(tension / area - 1e-6);
    return { size, count: Math.max(2, count <= 3 ? count : Math.ceil(count / 2), Math.ceil(compressionNeed / area)) };
  };
  const face = faceGeometry(beam, 'bottom', span, linkDiameter);
  const fits = (g: BarGroup) => g.count <= barsPerLayer(barOf({ count: 1, size: g.size }, catalogue).diameter, face, code);
  const all = mainSizes(beam);
  const thicker = all.slice(all.indexOf(chosen.bars.size) + 1);
  const usual = through(chosen.bars.size);
  const main = own?.main ?? (fits(usual) ? usual : (thicker.map(through).find(fits) ?? usual));
  if (own?.extra.bars) return { main, extra: own.extra.bars };
  const size = own?.main ? chosen.bars.size : main.size;
  const area = areaOf([{ count: 1, size }], catalogue);
  const extraCount = Math.max(0, Math.ceil((tension - areaOf([main], catalogue)) / area - 1e-6));
  return { main, extra: extraCount > 0 ? { size, count: extraCount } : NO_BARS };
}

/** Top bars of a span: two to hold the links, more where the middle hogs or compression steel is needed. */
function hangers(
  beam: PreparedBeam,
  code: DesignCode,
  span: number,
  mid: Chosen | undefined,
  compression: number,
  linkDiameter: number,
): BarGroup {
  const catalogue = catalogues[beam.catalogue];
  const sizes = beam.barRules.mainSizes.length > 0 ? mainSizes(beam) : [usualSizes[beam.catalogue].hanger, ...mainSizes(beam)];
  const light: BarGroup = { count: 2, size: sizes[0]! };
  let best = mid?.bars ?? light;
  if (areaOf([best], catalogue) >= compression) return best;
  const face = faceGeometry(beam, 'top', span, linkDiameter);
  for (const size of sizes) {
    const bar = barOf({ count: 1, size }, catalogue);
    const count = Math.max(2, Math.ceil(compression / bar.area));
    best = { count, size };
    if (count <= barsPerLayer(bar.diameter, face, code)) break;
  }
  return best;
}

function linksOfSpan(
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  resistance: ResistanceMap,
  span: number,
  compressionBar: number | null,
): LinkZone[] {
  const { starts } = beam;
  const { maxM, minM, maxV, minV, stations } = analysis.envelope;
  const limits = shearLimits(beam, code, analysis, span, (x) => resistance.shearSection(span, x, ['sagging', 'hogging']).d);
  const curves = { x: stations.map((s) => s.x), span: stations.map((s) => s.span), maxV, minV };
  const torque = torqueEnvelope(analysis);
  const places = shearBetween(curves, span, limits.from, limits.to).map(({ x, force, station: i }) => ({
    at: x - starts[span]!,
    force,
    section: resistance.shearUnder(span, x, { max: maxM[i]!, min: minM[i]! }, force),
    torque: torque ? valueBeside(curves, torque.most, i, x) : 0,
    corners: cornerBars(resistance.map, span, x),
  }));
  const frame = frameLinkPlaces(beam, code, analysis, resistance, span);
  return chooseLinks(beam, code, span, [...places, ...frame], compressionBar ? { bar: compressionBar } : null);
}
