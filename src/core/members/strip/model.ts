import { corners } from '../../geometry/polygon';
import { silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { catalogues, findBar } from '../../materials/bars';
import { bentThrough, withMarks, type DraftSet } from '../../model/bar-set';
import type { Place } from '../../model/centre-line';
import type { MemberModel } from '../../model/member-model';
import { layerSets } from '../../model/slab-layer';
import { layerOf, type SlabBars } from '../../reinforcement/slab-bars';
import { barRuns, type BarRun, type BentEnds } from '../beam/bar-runs';
import { supportName, supportPositions } from '../beam/input';
import { bentAtEnds } from '../beam/model';
import type { StripInput } from './input';
import type { StripSteel } from './steel';

/** The whole slab as it is to be built, its breadth along y about its middle; z is 0 at its upper face. */
export function stripModel(strip: StripInput, code: DesignCode, steel: StripSteel, bent: BentEnds): MemberModel {
  const starts = supportPositions(strip);
  const { breadth } = strip;
  const runs = barRuns<SlabBars>({
    spans: strip.spans,
    supports: strip.supports,
    steel,
    bent,
    endCover: strip.cover.bottom,
    lap: (bars, face, span) => lapOf(strip, code, bars, face, span),
  });
  const side = breadth / 2;
  return {
    concrete: strip.spans.map((_, i) => ({
      along: 'x',
      from: starts[i]!,
      to: starts[i + 1]!,
      outline: { outer: corners([-side, -depthOf(strip, i)], [side, -depthOf(strip, i)], [side, 0], [-side, 0]), holes: [] },
    })),
    supports: strip.supports.map(({ type, width }, j) => ({ name: supportName(j), type, at: starts[j]!, width })),
    bars: withMarks([...runs.flatMap((run) => alongSets(strip, code, steel, run)), ...acrossSets(strip, steel)]),
  };
}

/** Undersides that are shuttered (mm2). */
export const stripFormwork = ({ spans, breadth }: StripInput): number => breadth * spans.reduce((sum, s) => sum + s.length, 0);

const depthOf = ({ spans, h }: StripInput, span: number) => spans[span]!.h ?? h;

function lapOf(strip: StripInput, code: DesignCode, bars: SlabBars, face: 'top' | 'bottom', span: number): number {
  const { diameter } = findBar(catalogues[strip.catalogue], bars.size)!;
  const question = {
    materials: strip.materials,
    diameter,
    isTop: face === 'top',
    h: depthOf(strip, span),
    cover: strip.cover[face],
    clear: bars.spacing - diameter,
    isBent: false,
    isWide: true,
  };
  return code.anchorage.lap(silent, question, 1);
}

/** The breadth between the covers of its sides. */
const overBreadth = ({ breadth, cover }: StripInput) => {
  const half = Math.max(0, breadth / 2 - cover.bottom);
  return [-half, half] as const;
};

/** From a face to the bars along the span, beside or inside those across. */
function insetOf(strip: StripInput, steel: StripSteel, face: 'top' | 'bottom'): number {
  const across = steel.across[face];
  return strip.cover[face] + (strip.outer === 'across' && across ? layerOf(across, strip.catalogue).diameter : 0);
}

function alongSets(strip: StripInput, code: DesignCode, steel: StripSteel, run: BarRun<SlabBars>): DraftSet[] {
  const h = depthOf(strip, run.span);
  const inset = insetOf(strip, steel, run.face);
  const isBottom = run.face === 'bottom';
  return layerSets(
    {
      zone: run.zone,
      face: run.face,
      span: run.span,
      layer: strip.outer === 'along' ? 1 : 2,
      source: run.source,
      bars: run.bars,
      over: overBreadth(strip),
      row: 'y',
      shape: ({ diameter }, y) => {
        const z = isBottom ? inset + diameter / 2 - h : -inset - diameter / 2;
        const tip = isBottom ? -strip.cover.top : strip.cover.bottom - h;
        return bentAtEnds(
          [run.from, run.to],
          run.isBent,
          (x): Place => [x, y, z],
          (x): Place => [x, y, tip],
          diameter,
          code,
        );
      },
    },
    strip.catalogue,
  );
}

/** Stretches of the slab that have top bars (mm from its left end), each once. */
export function stretchesWithTop(strip: StripInput, steel: StripSteel): (readonly [from: number, to: number])[] {
  const starts = supportPositions(strip);
  const all = [
    ...steel.support.flatMap((r) => (r ? [[r.from, r.to] as const] : [])),
    ...strip.spans.flatMap((_, i) => (steel.top[i]!.main ? [[starts[i]!, starts[i + 1]!] as const] : [])),
  ].sort((a, b) => a[0] - b[0]);
  return all.reduce<(readonly [number, number])[]>((merged, [from, to]) => {
    const last = merged.at(-1);
    if (!last || from > last[1]) return [...merged, [from, to]];
    return [...merged.slice(0, -1), [last[0], Math.max(last[1], to)]];
  }, []);
}

/** The thickest bars along the span at a face (mm), inside which those across lie. */
function thickestAlong({ catalogue }: StripInput, { bottom, top, support }: StripSteel, face: 'top' | 'bottom'): number {
  const layers =
    face === 'bottom'
      ? bottom.flatMap(({ main, extra }) => [main, ...(extra ? [extra.bars] : [])])
      : [...top.flatMap(({ main }) => main ?? []), ...support.flatMap((run) => run?.bars ?? [])];
  return Math.max(0, ...layers.map((bars) => layerOf(bars, catalogue).diameter));
}

/** Bars across run over the breadth of the slab, less its end covers. */
function acrossSets(strip: StripInput, steel: StripSteel): DraftSet[] {
  const total = strip.spans.reduce((sum, s) => sum + s.length, 0);
  const [left, right] = overBreadth(strip);
  const layer = (face: 'top' | 'bottom', bars: SlabBars, over: readonly [number, number]) => {
    const inset = strip.cover[face] + (strip.outer === 'along' ? thickestAlong(strip, steel, face) : 0);
    return layerSets(
      {
        zone: `across at the ${face}`,
        face,
        layer: strip.outer === 'across' ? 1 : 2,
        source: { of: 'across', face },
        bars,
        over,
        row: 'x',
        shape: ({ diameter }, x) => {
          const z = face === 'top' ? -inset - diameter / 2 : inset + diameter / 2 - strip.h;
          return {
            bend: 'straight',
            corners: bentThrough(
              [
                [x, left, z],
                [x, right, z],
              ],
              0,
            ),
          };
        },
      },
      strip.catalogue,
    );
  };
  const { bottom, top } = steel.across;
  const { cover } = strip;
  return [
    ...layer('bottom', bottom, [cover.bottom, total - cover.bottom]),
    ...(top ? stretchesWithTop(strip, steel).flatMap(([from, to]) => layer('top', top, [from, to])) : []),
  ];
}
