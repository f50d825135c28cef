import { box } from '../../geometry/polygon';
import { panelEdges, type PanelEdge } from '../../analysis/panel';
import { placeTitle, type PanelInput, type PanelPlace } from './input';
import type { PanelResult } from './result';
import type { BarSet } from '../../model/bar-set';
import type { SlabBars } from '../../reinforcement/slab-bars';
import { areaOf, pathThrough, textAt, dimension, line, type Drawing, type Point, type Shape } from '../../drawing/shapes';

export interface PanelPicture {
  readonly panel: PanelInput;
  readonly result: Pick<PanelResult, 'sections' | 'moments'>;
  /** The bars as they are to be built, of which the plan is a view. */
  readonly bars: readonly BarSet[];
  readonly labels: {
    readonly lx: string;
    readonly ly: string;
    readonly depth: string;
    readonly bars: (bars: SlabBars) => string;
    /** A moment per length in figures. */
    readonly moment: (value: number) => string;
    readonly share: string;
  };
}

/** What can be changed on the plan: values, and words that a click turns. */
export type PanelHandle =
  | { readonly of: 'side'; readonly side: 'lx' | 'ly' }
  | { readonly of: 'depth' | 'corners' | 'share' }
  | { readonly of: 'edge'; readonly edge: PanelEdge }
  | { readonly of: 'bars'; readonly place: PanelPlace };

/** Where the panel stands on the sheet. */
interface Stand {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** So much of what runs into the next panels is drawn (px). */
const BEYOND = 12;

/** The panel from above to scale: edges with how they are held, bars with their moments, sides, and how the load is shared. */
export function panelPlan(p: PanelPicture, width: number, height: number): Drawing<PanelHandle> {
  const { lx, ly } = p.panel;
  const scale = Math.min((width - 330) / lx, (height - 190) / ly);
  const centre: Point = [width / 2 + 20, height / 2 - 6];
  const at: Stand = {
    left: centre[0] - (lx * scale) / 2,
    right: centre[0] + (lx * scale) / 2,
    top: centre[1] - (ly * scale) / 2,
    bottom: centre[1] + (ly * scale) / 2,
  };
  const corners: Point[] = box(at.left, at.top, at.right, at.bottom);
  const shapes: Shape<PanelHandle>[] = [
    areaOf({ fill: 'concreteLight', line: 'outline' }, ...corners),
    ...panelEdges.flatMap((e) => edgeShapes(p.panel, e, at)),
    ...(p.panel.method === 'yieldLines' ? yieldLines(p.panel, at) : []),
    ...(p.panel.isHeldDown ? corners.map((c, i) => cornerMark(c, i)) : []),
    ...barsOf(p, (x, y) => [
      Math.max(at.left - BEYOND, Math.min(at.right + BEYOND, at.left + x * scale)),
      Math.max(at.top - BEYOND, Math.min(at.bottom + BEYOND, at.bottom - y * scale)),
    ]),
    ...dimension([at.left, at.bottom + 74], [at.right, at.bottom + 74], p.labels.lx, { of: 'side', side: 'lx' } as const, 'Side along x'),
    ...dimension([at.left - 104, at.bottom], [at.left - 104, at.top], p.labels.ly, { of: 'side', side: 'ly' } as const, 'Side along y'),
    ...words(p, at),
  ];
  return { width, height, title: 'Plan', shapes };
}

/** An edge: a line over its support, with hatching where the slab goes on or is held; its word changes it. */
function edgeShapes({ edges }: PanelInput, edge: PanelEdge, at: Stand): Shape<PanelHandle>[] {
  const isUpright = edge === 'left' || edge === 'right';
  const x = edge === 'left' ? at.left : at.right;
  const y = edge === 'top' ? at.top : at.bottom;
  const [a, b]: [Point, Point] = isUpright
    ? [
        [x, at.top],
        [x, at.bottom],
      ]
    : [
        [at.left, y],
        [at.right, y],
      ];
  const out = edge === 'left' || edge === 'top' ? -1 : 1;
  const length = isUpright ? at.bottom - at.top : at.right - at.left;
  const hatch =
    edges[edge] === 'continuous'
      ? Array.from({ length: Math.floor(length / 12) }, (_, i): Shape<never> => {
          const t = (i + 0.5) * 12;
          return isUpright
            ? line([x, at.top + t], [x + 8 * out, at.top + t - 8], 'dim')
            : line([at.left + t, y], [at.left + t + 8, y + 8 * out], 'dim');
        })
      : [];
  const word: Shape<PanelHandle> = textAt(
    isUpright ? [x + out * 14, at.top + 14] : [at.left + 52, y + (out < 0 ? -14 : 22)],
    edges[edge],
    'plain',
    {
      anchor: isUpright ? (out < 0 ? 'end' : 'start') : 'middle',
      edit: { of: 'edge', edge },
      label: `The ${edge} edge is ${edges[edge]}`,
      halo: true,
    },
  );
  return [...hatch, line(a, b, edges[edge] === 'continuous' ? 'cut' : 'outline'), word];
}

/** Corners that are kept from lifting. */
function cornerMark([x, y]: Point, i: number): Shape<never> {
  const [sx, sy] = [i === 0 || i === 3 ? 1 : -1, i < 2 ? 1 : -1];
  return areaOf({ fill: 'ebony' }, [x, y], [x + 9 * sx, y], [x, y + 9 * sy]);
}

/** The lines along which the panel folds at collapse: a ridge along the longer side, reached from the corners. */
function yieldLines({ lx, ly }: PanelInput, at: Stand): Shape<PanelHandle>[] {
  const isWide = lx >= ly;
  const inset = (isWide ? at.bottom - at.top : at.right - at.left) / 2;
  const [cx, cy] = [(at.left + at.right) / 2, (at.top + at.bottom) / 2];
  const [a, b]: [Point, Point] = isWide
    ? [
        [at.left + inset, cy],
        [at.right - inset, cy],
      ]
    : [
        [cx, at.top + inset],
        [cx, at.bottom - inset],
      ];
  const from: readonly (readonly [Point, Point])[] = isWide
    ? [
        [[at.left, at.top], a],
        [[at.left, at.bottom], a],
        [[at.right, at.top], b],
        [[at.right, at.bottom], b],
      ]
    : [
        [[at.left, at.top], a],
        [[at.right, at.top], a],
        [[at.left, at.bottom], b],
        [[at.right, at.bottom], b],
      ];
  return [...from.map(([p, q]) => line(p, q, 'shifted')), line(a, b, 'shifted')];
}

/** Where across the panel the bar of a place is drawn, as a part of the side, and how its name stands beside it. */
const drawnAt: Record<
  PanelPlace,
  { readonly part: number; readonly text: (a: Point, b: Point) => readonly [Point, 'start' | 'middle' | 'end'] }
> = {
  x: { part: 0.34, text: (a, b) => [[a[0] + 0.68 * (b[0] - a[0]), a[1] - 22], 'middle'] },
  y: { part: 0.34, text: (a, b) => [[a[0] + 6, b[1] + 0.22 * (a[1] - b[1])], 'start'] },
  left: { part: 0.6, text: (a) => [[a[0] - 6, a[1] + 4], 'end'] },
  right: { part: 0.6, text: (_, b) => [[b[0] + 6, b[1] + 4], 'start'] },
  bottom: { part: 0.66, text: (a) => [[a[0], a[1] + 15], 'middle'] },
  top: { part: 0.66, text: (_, b) => [[b[0], b[1] - 20], 'middle'] },
};

/** One bar at each place from end to end, with its name and the moment that it carries; below solid, over edges heavy. */
function barsOf({ result, labels, bars }: PanelPicture, onSheet: (x: number, y: number) => Point): Shape<PanelHandle>[] {
  return result.sections.flatMap((s): Shape<PanelHandle>[] => {
    const set = bars.find((b) => (b.source as { place?: PanelPlace } | null)?.place === s.place);
    if (!set) return [];
    const { part, text } = drawnAt[s.place];
    const shift = set.shifts[Math.round(part * (set.shifts.length - 1))]!;
    const [a, b] = set.corners.map(({ at: [x, y] }) => onSheet(x + shift[0], y + shift[1])) as [Point, Point];
    const [at, anchor] = text(a, b);
    const isBelow = s.place === 'x' || s.place === 'y';
    const edit = { of: 'bars', place: s.place } as const;
    const name = `Bars ${placeTitle(s.place)}`;
    return [
      pathThrough({ line: isBelow ? 'bar' : 'barHeavy', edit }, a, b),
      textAt(at, labels.bars(s.bars), 'strong', { anchor, edit, label: name, halo: true }),
      textAt([at[0], at[1] + 15], labels.moment(s.moment), 'demand', { anchor, halo: true }),
    ];
  });
}

/** What is said beside the plan and can be changed there: depth, corners, the share of the load. */
function words({ panel, labels }: PanelPicture, at: Stand): Shape<PanelHandle>[] {
  const text = (y: number, words: string, of: 'depth' | 'corners' | 'share', label: string): Shape<PanelHandle> =>
    textAt([at.right + 18, y], words, 'plain', { edit: { of }, label, halo: true });
  return [
    text(at.bottom - 34, labels.depth, 'depth', 'Depth of the slab'),
    text(at.bottom - 16, panel.isHeldDown ? 'corners held down' : 'corners may lift', 'corners', 'How the corners are held'),
    ...(panel.method === 'strips' ? [text(at.bottom + 2, labels.share, 'share', 'Part of the load that strips along x carry')] : []),
  ];
}
