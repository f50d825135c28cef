import { silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { catalogues, findBar } from '../../materials/bars';
import { stripAsBeam } from './as-beam';
import type { StripInput } from './input';
import { topLength } from './quantities';
import type { StripResult } from './result';
import { supportName, supportPositions } from '../beam/input';
import type { SlabBars } from '../../reinforcement/slab-bars';
import { scheduleOf, type BarSchedule, type Draft } from '../../schedule/bar-schedule';
import type { BendSetting } from '../../schedule/bend-types';

/** Number of bars of a layer over a length of slab: one more than the spaces between them. */
const numberOver = (length: number, spacing: number) => Math.floor(length / spacing + 1e-6) + 1;

/** One draft of a layer, or two where sizes alternate. */
export function layerDrafts(bars: SlabBars, over: number, place: string, shape: Draft['shape'], dimensions: readonly number[]): Draft[] {
  const count = numberOver(over, bars.spacing);
  const one = (size: string, n: number): Draft => ({ place, size, count: n, shape, dimensions });
  if (!bars.alternate) return [one(bars.size, count)];
  return [one(bars.size, Math.ceil(count / 2)), one(bars.alternate, Math.floor(count / 2))];
}

/** The bars of a whole slab as they are to be cut and bent. Bottom bars of neighbouring spans lap over the support between them. */
export function stripSchedule(strip: StripInput, code: DesignCode, result: StripResult, bends: BendSetting = 'byCode'): BarSchedule {
  const { steel } = result;
  if (!steel) return scheduleOf([], strip.catalogue, code, bends);
  const total = strip.spans.reduce((sum, s) => sum + s.length, 0);
  // Bars across run over the breadth of the slab, less its end covers.
  const breadth = Math.max(0, strip.breadth - 2 * strip.cover.bottom);
  const across = (bars: SlabBars | null, along: number, place: string) =>
    bars ? layerDrafts(bars, along, place, 'straight', [breadth]) : [];
  const drafts = [
    ...bottomBars(strip, code, result),
    ...topBars(strip, result),
    ...across(steel.across.bottom, total, 'across, bottom'),
    ...across(steel.across.top, topLength(strip, steel), 'across, top'),
  ];
  return scheduleOf(drafts, strip.catalogue, code, bends);
}

/** How far bars run beyond the centre of a support: to the far face less cover at an end, half a lap over an inner one. */
function reach({ supports, spans, cover }: StripInput, support: number, lap: number): number {
  const s = supports[support]!;
  if (support > 0 && support < spans.length) return lap / 2;
  return s.type === 'free' ? -cover.bottom : Math.max(0, s.width / 2 - cover.bottom);
}

function bottomBars(strip: StripInput, code: DesignCode, { steel, checks }: StripResult): Draft[] {
  const { catalogue, breadth, h, cover } = strip;
  const isBent = (support: number) => checks.some((c) => c.id === `anchorage-${supportName(support)}` && c.warnings.length > 0);
  return strip.spans.flatMap((span, i): Draft[] => {
    const { main, extra } = steel!.bottom[i]!;
    const { diameter } = findBar(catalogues[catalogue], main.size)!;
    const question = { materials: strip.materials, diameter, isTop: false, h, cover: cover.bottom, clear: main.spacing - diameter };
    const lap = code.anchorage.lap(silent, { ...question, isBent: false }, 1);
    const length = span.length + reach(strip, i, lap) + reach(strip, i + 1, lap);
    const ends = [i === 0 && isBent(0), i === strip.spans.length - 1 && isBent(strip.spans.length)].filter(Boolean).length;
    const leg = (span.h ?? h) - cover.top - cover.bottom;
    const shape = ends === 0 ? ('straight' as const) : ends === 1 ? ('L' as const) : ('U' as const);
    const dimensions = ends === 0 ? [length] : ends === 1 ? [length, leg] : [leg, length, leg];
    return [
      ...layerDrafts(main, breadth, `bottom, span ${i + 1}`, shape, dimensions),
      ...(extra ? layerDrafts(extra.bars, breadth, `bottom extra, span ${i + 1}`, 'straight', [extra.to - extra.from]) : []),
    ];
  });
}

/** Top bars of ends turn down into the slab as far as it is deep. */
function topBars(strip: StripInput, { steel }: StripResult): Draft[] {
  const starts = supportPositions(stripAsBeam(strip, 1000));
  const end = starts[starts.length - 1]!;
  const { breadth, cover } = strip;
  const leg = Math.max(0, strip.h - cover.top - cover.bottom);
  const through = strip.spans.flatMap((span, i) => {
    const { main } = steel!.top[i]!;
    return main ? layerDrafts(main, breadth, `top, span ${i + 1}`, 'straight', [span.length]) : [];
  });
  const over = steel!.support.flatMap((run, j): Draft[] => {
    if (!run) return [];
    const outer = (support: number) => Math.max(0, strip.supports[support]!.width / 2 - cover.bottom);
    const atLeft = run.from <= 1;
    const atRight = run.to >= end - 1;
    const length =
      run.to - run.from + (atLeft ? endReach(strip, 0, outer) : 0) + (atRight ? endReach(strip, strip.spans.length, outer) : 0);
    const bends = Number(atLeft) + Number(atRight);
    const place = `top over ${supportName(j)}`;
    if (bends === 0) return layerDrafts(run.bars, breadth, place, 'straight', [length]);
    return bends === 1
      ? layerDrafts(run.bars, breadth, place, 'L', [length, leg])
      : layerDrafts(run.bars, breadth, place, 'U', [leg, length, leg]);
  });
  return [...through, ...over];
}

/** At a free end the bars stop short of it by the cover; at a support they run to its far face. */
const endReach = (strip: StripInput, support: number, outer: (support: number) => number) =>
  strip.supports[support]!.type === 'free' ? -strip.cover.bottom : outer(support);
