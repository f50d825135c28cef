import type { DesignCode } from '../../codes/design-code';
import { catalogues, type BarCatalogue } from '../../materials/bars';
import { barOf, type BarGroup, type PlacedBar, type Placement } from '../../reinforcement/bar-groups';
import { groupsIn, layerOf, type SlabBars } from '../../reinforcement/slab-bars';
import { supportPositions } from '../beam/input';
import { centroidFromFace, SHARE_STEPS, sharePlaces, shareSteps, type BarsHere, type SteelAlong } from '../beam/steel';
import type { StripInput } from './input';
import type { Face } from '../beam/sense';

/** Bars of a slab with ends (mm from the left end of the strip). */
export interface SlabRun {
  readonly bars: SlabBars;
  readonly from: number;
  readonly to: number;
}

/** The steel of a slab with nothing left open. */
export interface StripSteel {
  readonly bottom: readonly { readonly main: SlabBars; readonly extra: SlabRun | null }[];
  readonly top: readonly { readonly main: SlabBars | null }[];
  readonly support: readonly (SlabRun | null)[];
  /** Across the span; above only where there are top bars to tie. */
  readonly across: { readonly bottom: SlabBars; readonly top: SlabBars | null };
}

/** Depth of bars that are not there, below the cover (mm): where those chosen next will lie. */
const NOMINAL = 6;

/** Answers what steel a strip of a width has at a place. */
export class StripMap implements SteelAlong {
  readonly catalogue: BarCatalogue;
  readonly side = null;
  private readonly starts: number[];
  private readonly known = new Map<string, BarsHere>();
  private readonly placements = new Map<number, Placement>();
  private found: readonly number[] | undefined;

  constructor(
    private readonly strip: StripInput,
    readonly steel: StripSteel,
    private readonly code: Pick<DesignCode, 'clearSpacing'>,
    private readonly width: number,
    private readonly anchorage: (face: Face, size: string, span: number) => number,
  ) {
    this.catalogue = catalogues[strip.catalogue];
    this.starts = supportPositions(strip);
  }

  linkZoneAt(): null {
    return null;
  }

  linkDiameter(): number {
    return 0;
  }

  anchored(face: Face, span: number, x: number): number {
    const area = (bars: SlabBars | null) => (bars ? layerOf(bars, this.strip.catalogue).area * this.width : 0);
    const full = (run: SlabRun | null | undefined) => (run && this.steps(face, run, span, x) === SHARE_STEPS ? area(run.bars) : 0);
    const { bottom, top, support } = this.steel;
    if (face === 'top') return Math.max(area(top[span]!.main), full(support[span]), full(support[span + 1]));
    return area(bottom[span]!.main) + full(bottom[span]!.extra);
  }

  places(): readonly number[] {
    return (this.found ??= this.findPlaces());
  }

  private findPlaces(): number[] {
    const { bottom, support } = this.steel;
    const end = this.starts.at(-1)!;
    const of = (face: Face, run: SlabRun, span: number) => sharePlaces(run, this.anchorage(face, run.bars.size, span), end);
    return [
      ...bottom.flatMap(({ extra }, i) => (extra ? of('bottom', extra, i) : [])),
      ...support.flatMap((run, j) => (run ? [j - 1, j].filter((i) => i in bottom).flatMap((i) => of('top', run, i)) : [])),
    ];
  }

  barsAt(face: Face, span: number, x: number): BarsHere {
    return face === 'bottom' ? this.bottomAt(span, x) : this.topAt(span, x);
  }

  private steps(face: Face, run: SlabRun, span: number, x: number): number {
    return shareSteps(run, x, this.anchorage(face, run.bars.size, span), this.starts[this.starts.length - 1]!);
  }

  private bottomAt(span: number, x: number): BarsHere {
    const { main, extra } = this.steel.bottom[span]!;
    const steps = extra ? this.steps('bottom', extra, span, x) : 0;
    return this.intern('bottom', span, 'main', steps, [main, ...(steps > 0 ? [extra!.bars] : [])], [1, steps / SHARE_STEPS]);
  }

  /** Bars over supports lap with those through the span: whichever of the two gives more at the place counts. */
  private topAt(span: number, x: number): BarsHere {
    const { main } = this.steel.top[span]!;
    const area = (bars: SlabBars) => layerOf(bars, this.strip.catalogue).area;
    let best = { source: 'main', bars: main, steps: SHARE_STEPS, area: main ? area(main) : 0 };
    for (const support of [span, span + 1]) {
      const run = this.steel.support[support];
      const steps = run ? this.steps('top', run, span, x) : 0;
      const counted = run ? (steps / SHARE_STEPS) * area(run.bars) : 0;
      if (run && counted > best.area) best = { source: String(support), bars: run.bars, steps, area: counted };
    }
    return this.intern('top', span, best.source, best.steps, best.bars ? [best.bars] : [], [best.steps / SHARE_STEPS]);
  }

  private intern(
    face: Face,
    span: number,
    source: string,
    steps: number,
    layers: readonly SlabBars[],
    shares: readonly number[],
  ): BarsHere {
    const name = `${face} ${span} ${source} ${steps}`;
    let bars = this.known.get(name);
    if (!bars) {
      const split = layers.map((l) => groupsIn(l, this.width));
      bars = {
        key: this.known.size,
        face,
        span,
        groups: split.flat(),
        shares: split.flatMap((groups, i) => groups.map(() => shares[i]!)),
        over: source === 'main' ? null : Number(source),
      };
      this.known.set(name, bars);
    }
    return bars;
  }

  placement(bars: BarsHere): Placement {
    let made = this.placements.get(bars.key);
    if (!made) this.placements.set(bars.key, (made = this.place(bars.face, bars.groups)));
    return made;
  }

  /** All bars of a face lie in one layer, beside those across or inside them. */
  private place(face: Face, groups: readonly BarGroup[]): Placement {
    const inset = this.inset(face);
    const placed = groups.map((g, group): PlacedBar => {
      const { diameter, area } = barOf(g, this.catalogue);
      return { x: 0, fromFace: inset + diameter / 2, diameter, area: g.count * area, group, layer: 0, count: g.count };
    });
    if (placed.length === 0) return { bars: [], layers: 0, clear: Infinity, clearRequired: 0 };
    const spacing = this.width / groups.reduce((sum, g) => sum + g.count, 0);
    const thickest = Math.max(...placed.map((b) => b.diameter));
    return {
      bars: placed,
      layers: 1,
      spacing,
      clear: spacing - thickest,
      clearRequired: this.code.clearSpacing(thickest, this.strip.materials.aggregateSize).value,
    };
  }

  /** From the face to the bars along the span (mm). */
  private inset(face: Face): number {
    const across = this.steel.across[face];
    return this.strip.cover[face] + (this.strip.outer === 'across' && across ? layerOf(across, this.strip.catalogue).diameter : 0);
  }

  centroid(bars: BarsHere): { readonly area: number; readonly fromFace: number } {
    if (bars.groups.length === 0) return { area: 0, fromFace: this.inset(bars.face) + NOMINAL };
    return centroidFromFace(this.placement(bars), bars.shares);
  }
}
