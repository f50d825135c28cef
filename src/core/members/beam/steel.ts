import type { DesignCode } from '../../codes/design-code';
import { catalogues, type BarCatalogue } from '../../materials/bars';
import { areaOf, barOf, placeBars, type BarGroup, type FaceGeometry, type Placement } from '../../reinforcement/bar-groups';
import type { LinkZone } from './input';
import type { Face } from './sense';
import { type PreparedBeam, outlineOf } from './prepared';

/** The steel of a beam with nothing left open: positions along the beam (mm from its left end). */
export interface BeamSteel {
  readonly bottom: readonly { readonly main: BarGroup; readonly extra: BarRun | null }[];
  readonly top: readonly { readonly main: BarGroup }[];
  /** Null where the span bars run through. */
  readonly support: readonly (BarRun | null)[];
  readonly links: readonly (readonly LinkZone[])[];
  /** Levels of bars up each side face, one bar a level. */
  readonly side?: BarGroup | null;
}

/** Bars with ends. */
export interface BarRun {
  readonly bars: BarGroup;
  readonly from: number;
  readonly to: number;
}

/** Bars at one place of one face, with the share of their strength that their anchorage there allows. Equal bars are one object. */
export interface BarsHere {
  readonly key: number;
  readonly face: Face;
  readonly span: number;
  readonly groups: readonly BarGroup[];
  readonly shares: readonly number[];
  /** The support whose bars these are, at the top; null for bars of the span. */
  readonly over: number | null;
}

/** The steel along a beam or a strip of slab, as resistances and checks ask for it. */
export interface SteelAlong {
  readonly catalogue: BarCatalogue;
  /** Levels of bars up each side face, one bar a level. */
  readonly side: BarGroup | null;
  barsAt(face: Face, span: number, x: number): BarsHere;
  placement(bars: BarsHere): Placement;
  /** Area of bars as far as they count, and their centroid from their face (mm). */
  centroid(bars: BarsHere): { readonly area: number; readonly fromFace: number };
  /** Area of the bars of a face that are anchored fully at a place (mm2). */
  anchored(face: Face, span: number, x: number): number;
  /** Null where there are no links. */
  linkZoneAt(span: number, x: number): LinkZone | null;
  linkDiameter(span: number): number;
  /** Places (mm from the left end) beside which the steel is another: each on the side of less. What is checked between them is worst at them. */
  places(): readonly number[];
}

/** Steps in which the growing strength of a bar near its end is counted; rounded down. */
export const SHARE_STEPS = 16;

/** Answers what steel there is at a place, and remembers how it is placed in the section. */
export class SteelMap implements SteelAlong {
  readonly catalogue: BarCatalogue;
  readonly side: BarGroup | null;
  private readonly starts: readonly number[];
  private readonly topAreas: number[];
  private readonly supportAreas: number[];
  private readonly bottomAreas: number[];
  private readonly extraAreas: number[];
  private found: readonly number[] | undefined;
  private readonly known = new Map<number, BarsHere>();
  private readonly placements = new Map<number, Placement>();
  private readonly centroids = new Map<number, { readonly area: number; readonly fromFace: number }>();

  constructor(
    private readonly beam: PreparedBeam,
    readonly steel: BeamSteel,
    private readonly code: DesignCode,
    private readonly anchorage: (face: Face, size: string, span: number) => number,
  ) {
    this.catalogue = catalogues[beam.catalogue];
    this.side = steel.side ?? null;
    this.starts = beam.starts;
    this.topAreas = steel.top.map((t) => areaOf([t.main], this.catalogue));
    this.bottomAreas = steel.bottom.map((b) => areaOf([b.main], this.catalogue));
    this.extraAreas = steel.bottom.map((b) => (b.extra ? areaOf([b.extra.bars], this.catalogue) : 0));
    this.supportAreas = steel.support.map((run) => (run ? areaOf([run.bars], this.catalogue) : 0));
  }

  barsAt(face: Face, span: number, x: number): BarsHere {
    return face === 'bottom' ? this.bottomAt(span, x) : this.topAt(span, x);
  }

  private bottomAt(span: number, x: number): BarsHere {
    const { main, extra } = this.steel.bottom[span]!;
    const steps = extra && extra.bars.count > 0 ? this.shareSteps('bottom', extra, x, span) : 0;
    return this.intern('bottom', span, 0, steps, steps > 0 ? [main, extra!.bars] : [main], steps > 0 ? [1, steps / SHARE_STEPS] : [1]);
  }

  /** Support bars lap with the span bars: whichever of the two gives more at the place counts. */
  private topAt(span: number, x: number): BarsHere {
    const main = this.steel.top[span]!.main;
    let best = { source: 0, steps: 0, area: this.topAreas[span]! };
    for (const side of [0, 1]) {
      const run = this.steel.support[span + side];
      const steps = run ? this.shareSteps('top', run, x, span) : 0;
      const area = (steps / SHARE_STEPS) * this.supportAreas[span + side]!;
      if (area > best.area) best = { source: side + 1, steps, area };
    }
    if (best.source === 0) return this.intern('top', span, 0, 0, [main], [1]);
    const { bars } = this.steel.support[span + best.source - 1]!;
    return this.intern('top', span, best.source, best.steps, [bars], [best.steps / SHARE_STEPS]);
  }

  private intern(
    face: Face,
    span: number,
    source: number,
    steps: number,
    groups: readonly BarGroup[],
    shares: readonly number[],
  ): BarsHere {
    const key = ((span * 2 + (face === 'top' ? 1 : 0)) * 3 + source) * (SHARE_STEPS + 1) + steps;
    let bars = this.known.get(key);
    if (!bars) this.known.set(key, (bars = { key, face, span, groups, shares, over: source === 0 ? null : span + source - 1 }));
    return bars;
  }

  private shareSteps(face: Face, run: BarRun, x: number, span: number): number {
    return shareSteps(run, x, this.anchorage(face, run.bars.size, span), this.starts[this.starts.length - 1]!);
  }

  linkZoneAt(span: number, x: number): LinkZone {
    const zones = this.steel.links[span]!;
    const at = x - this.starts[span]!;
    return zones.find((z) => at <= z.to + 1e-6) ?? zones[zones.length - 1]!;
  }

  /** The thickest links of a span: bars are set inside these. */
  linkDiameter(span: number): number {
    return Math.max(...this.steel.links[span]!.map((z) => barOf({ count: 1, size: z.size }, this.catalogue).diameter));
  }

  anchored(face: Face, span: number, x: number): number {
    if (face === 'bottom') {
      const { extra } = this.steel.bottom[span]!;
      return this.bottomAreas[span]! + (extra && this.isFull('bottom', extra, x, span) ? this.extraAreas[span]! : 0);
    }
    let most = this.topAreas[span]!;
    for (let j = span; j <= span + 1; j += 1) {
      const run = this.steel.support[j];
      if (run && this.supportAreas[j]! > most && this.isFull('top', run, x, span)) most = this.supportAreas[j]!;
    }
    return most;
  }

  private isFull(face: Face, run: BarRun, x: number, span: number): boolean {
    return this.shareSteps(face, run, x, span) === SHARE_STEPS;
  }

  places(): readonly number[] {
    return (this.found ??= this.findPlaces());
  }

  private findPlaces(): number[] {
    const { bottom, support, links } = this.steel;
    const end = this.starts.at(-1)!;
    const of = (face: Face, run: BarRun, span: number) =>
      sharePlaces(run, this.anchorage(face, run.bars.size, span), end).filter((x) => {
        // What lies in another span, or another run covers, changes nothing here.
        if (x < this.starts[span]! - BESIDE || x > this.starts[span + 1]! + BESIDE) return false;
        const [before, beyond] = [x - 2 * BESIDE, x + 2 * BESIDE];
        if (this.barsAt(face, span, before) !== this.barsAt(face, span, beyond)) return true;
        return this.anchored(face, span, before) !== this.anchored(face, span, beyond);
      });
    return [
      ...bottom.flatMap(({ extra }, i) => (extra ? of('bottom', extra, i) : [])),
      ...support.flatMap((run, j) => (run ? [j - 1, j].filter((i) => i in links).flatMap((i) => of('top', run, i)) : [])),
      ...links.flatMap((zones, i) => zones.slice(0, -1).flatMap(({ to }) => [this.starts[i]! + to, this.starts[i]! + to + BESIDE])),
    ];
  }

  placement(bars: BarsHere): Placement {
    // However much of a bar's strength counts, it stands in the same place.
    const key = 2 * Math.floor(bars.key / (SHARE_STEPS + 1)) + bars.groups.length - 1;
    let made = this.placements.get(key);
    if (!made) {
      const geometry = faceGeometry(this.beam, bars.face, bars.span, this.linkDiameter(bars.span));
      this.placements.set(key, (made = placeBars(bars.groups, this.catalogue, geometry, this.code)));
    }
    return made;
  }

  /** Area of bars as far as they count, and their centroid from their face (mm). */
  centroid(bars: BarsHere): { readonly area: number; readonly fromFace: number } {
    let known = this.centroids.get(bars.key);
    if (!known) this.centroids.set(bars.key, (known = centroidFromFace(this.placement(bars), bars.shares)));
    return known;
  }
}

/** Share of a run's strength at x in steps: grows from its end over the anchorage length. At the ends of the member it is held. */
export function shareSteps(run: { readonly from: number; readonly to: number }, x: number, anchorage: number, end: number): number {
  if (x < run.from || x > run.to) return 0;
  const length = Math.max(1, anchorage);
  const left = run.from <= 1 ? 1 : (x - run.from) / length;
  const right = run.to >= end - 1 ? 1 : (run.to - x) / length;
  return Math.floor(Math.max(0, Math.min(1, left, right)) * SHARE_STEPS + 1e-6);
}

/** A place beside another (mm). */
export const BESIDE = 0.05;

/** Places just outside of which a step less of a run's strength counts; none at an end of the member, where bars are held. */
export function sharePlaces(run: { readonly from: number; readonly to: number }, anchorage: number, end: number): number[] {
  const length = Math.max(1, anchorage);
  const steps = Array.from({ length: SHARE_STEPS + 1 }, (_, k) => (k * length) / SHARE_STEPS);
  const inside = (x: number) => x > 0 && x < end;
  return [
    ...(run.from <= 1 ? [] : steps.map((s) => run.from + s - BESIDE)),
    ...(run.to >= end - 1 ? [] : steps.map((s) => run.to - s + BESIDE)),
  ].filter(inside);
}

export function faceGeometry(beam: PreparedBeam, face: Face, span: number, linkDiameter: number): FaceGeometry {
  return {
    width: outlineOf(beam, span).b,
    faceCover: beam.cover[face],
    sideCover: beam.cover.side,
    linkDiameter,
    aggregate: beam.materials.aggregateSize,
  };
}

/** Centroid of a placement from its face (mm), each bar weighted by the share of its group. */
export function centroidFromFace(placement: Placement, shares: readonly number[]): { readonly area: number; readonly fromFace: number } {
  let area = 0;
  let sum = 0;
  for (const bar of placement.bars) {
    const a = bar.area * (shares[bar.group] ?? 1);
    area += a;
    sum += a * bar.fromFace;
  }
  return { area, fromFace: area > 0 ? sum / area : 0 };
}
