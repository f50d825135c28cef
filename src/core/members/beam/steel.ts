import type { DesignCode } from '../../codes/design-code';
import { catalogues, type BarCatalogue } from '../../materials/bars';
import { areaOf, barOf, placeBars, type BarGroup, type FaceGeometry, type Placement } from '../../reinforcement/bar-groups';
import { outlineOf, supportPositions, type BeamInput, type LinkZone } from './input';

/** The steel of a beam with nothing left open: positions along the beam (mm from its left end). */
export interface BeamSteel {
  readonly bottom: readonly { readonly main: BarGroup; readonly extra: BarRun | null }[];
  readonly top: readonly { readonly main: BarGroup }[];
  /** Null where the span bars run through. */
  readonly support: readonly (BarRun | null)[];
  readonly links: readonly (readonly LinkZone[])[];
}

/** Bars with ends. */
export interface BarRun {
  readonly bars: BarGroup;
  readonly from: number;
  readonly to: number;
}

export type Face = 'top' | 'bottom';

/** Bars at one place of one face, with the share of their strength that their anchorage there allows. */
export interface BarsHere {
  readonly groups: readonly BarGroup[];
  readonly shares: readonly number[];
}

/** Steps in which the growing strength of a bar near its end is counted; rounded down. */
const SHARE_STEPS = 16;

/** Answers what steel there is at a place, and remembers how it is placed in the section. */
export class SteelMap {
  readonly catalogue: BarCatalogue;
  private readonly starts: number[];
  private readonly placements = new Map<string, Placement>();

  constructor(
    private readonly beam: BeamInput,
    readonly steel: BeamSteel,
    private readonly code: DesignCode,
    private readonly anchorage: (face: Face, size: string, span: number) => number,
  ) {
    this.catalogue = catalogues[beam.catalogue];
    this.starts = supportPositions(beam);
  }

  barsAt(face: Face, span: number, x: number): BarsHere {
    return face === 'bottom' ? this.bottomAt(span, x) : this.topAt(span, x);
  }

  private bottomAt(span: number, x: number): BarsHere {
    const { main, extra } = this.steel.bottom[span]!;
    if (!extra || extra.bars.count === 0) return { groups: [main], shares: [1] };
    const share = this.share('bottom', extra, x, span);
    return share > 0 ? { groups: [main, extra.bars], shares: [1, share] } : { groups: [main], shares: [1] };
  }

  /** Support bars lap with the span bars: whichever of the two gives more at the place counts. */
  private topAt(span: number, x: number): BarsHere {
    const main = this.steel.top[span]!.main;
    let best: BarsHere = { groups: [main], shares: [1] };
    let area = areaOf([main], this.catalogue);
    for (const support of [span, span + 1]) {
      const run = this.steel.support[support];
      if (!run) continue;
      const share = this.share('top', run, x, span);
      const supportArea = share * areaOf([run.bars], this.catalogue);
      if (supportArea > area) [best, area] = [{ groups: [run.bars], shares: [share] }, supportArea];
    }
    return best;
  }

  /** Share of a run's strength at x: grows from its end over the anchorage length. At the ends of the beam it is held. */
  private share(face: Face, run: BarRun, x: number, span: number): number {
    if (x < run.from || x > run.to) return 0;
    const length = Math.max(1, this.anchorage(face, run.bars.size, span));
    const end = this.starts[this.starts.length - 1]!;
    const left = run.from <= 1 ? 1 : (x - run.from) / length;
    const right = run.to >= end - 1 ? 1 : (run.to - x) / length;
    return Math.floor(Math.max(0, Math.min(1, left, right)) * SHARE_STEPS + 1e-6) / SHARE_STEPS;
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

  faceGeometry(face: Face, span: number): FaceGeometry {
    return faceGeometry(this.beam, face, span, this.linkDiameter(span));
  }

  placement(face: Face, span: number, groups: readonly BarGroup[]): Placement {
    const key = `${face} ${span} ${groups.map((g) => `${g.count}x${g.size}`).join('+')}`;
    const known = this.placements.get(key);
    if (known) return known;
    const made = placeBars(groups, this.catalogue, this.faceGeometry(face, span), this.code);
    this.placements.set(key, made);
    return made;
  }
}

export function faceGeometry(beam: BeamInput, face: Face, span: number, linkDiameter: number): FaceGeometry {
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
