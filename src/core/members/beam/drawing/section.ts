import type { Loop } from '../../../geometry/polygon';
import { outlinePoints, type BeamOutline } from '../../../geometry/beam-outline';
import type { BeamHandle } from './handles';
import { areaOf, circleAt, pathThrough, textAt, dimension, line, type Drawing, type Point, type Shape } from '../../../drawing/shapes';

export interface SectionPicture {
  readonly outline: BeamOutline;
  readonly cover: { readonly top: number; readonly bottom: number; readonly side: number };
  readonly linkDiameter: number;
  readonly legs: number;
  /** Bars that are cut: across from the web's axis, and up from the underside (mm). */
  readonly bars: readonly { readonly x: number; readonly y: number; readonly diameter: number }[];
  /** The wall that carries torques: its axis, and its inside where it has a thickness. */
  readonly wall?: { readonly axis: Loop; readonly inner: Loop | null; readonly label: string };
  readonly labels: {
    readonly top: string;
    readonly bottom: string;
    readonly links: string;
    readonly b: string;
    readonly h: string;
    readonly flange?: string;
    readonly flangeDepth?: string;
  };
  /** Values edited at the labels. */
  readonly edits: { readonly [K in 'top' | 'bottom' | 'links' | 'flange']?: BeamHandle };
  /** Depth of the stress block and the face it lies at. */
  readonly block?: { readonly face: 'top' | 'bottom'; readonly depth: number };
}

/** About the width of a character of a label (px). */
const CHARACTER = 6.2;

/** A cut through the beam to scale: concrete, links, bars and the dimensions that are edited on it. */
export function sectionDrawing(p: SectionPicture, width: number, height: number): Drawing<BeamHandle> {
  const o = p.outline;
  const points = outlinePoints(o);
  const xs = points.map(([x]) => x);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  // A wide flange is cut off: what matters is the web with its bars.
  const reach =
    o.shape === 'free'
      ? Math.max(...xs.map(Math.abs))
      : o.shape === 'rectangular'
        ? o.b / 2
        : o.b / 2 + Math.min(0.3 * o.b, (o.flangeWidth - o.b) / 2);
  const clip = (x: number) => Math.max(-reach, Math.min(reach, x));
  const isFree = o.shape === 'free';
  const hasFlange = o.shape !== 'rectangular';
  const scale = Math.min((width - 98) / (2 * reach), (height - (hasFlange ? 62 : 52)) / o.h);
  // The labels stand right of the web: a long one moves the section to the left as far as its depth's dimension allows.
  const labelled = CHARACTER * Math.max(p.labels.bottom.length, p.labels.links.length);
  const centre = Math.max(reach * scale + 32, Math.min((width - 22) / 2, width - labelled - 11 - (o.b / 2) * scale));
  const bottomY = height - 30;
  const at = (x: number, y: number): Point => [centre + clip(x) * scale, bottomY - y * scale];
  const shapes: Shape<BeamHandle>[] = [areaOf({ line: 'cut', fill: 'concrete' }, ...points.map(([x, y]) => at(x, y)))];
  if (p.block) {
    const [from, to] = p.block.face === 'top' ? [o.h - p.block.depth, o.h] : [0, p.block.depth];
    shapes.push(...compressed(points, from, to, at));
  }
  if (reach * 2 < right - left - 1) for (const side of [-1, 1]) shapes.push(...breakMark(at, side * reach, o));

  const linkBox = { x: o.b / 2 - p.cover.side, top: o.h - p.cover.top, bottom: p.cover.bottom };
  const inset = p.linkDiameter;
  for (const d of [0, inset]) {
    const [x, t, b] = [linkBox.x - d, linkBox.top - d, linkBox.bottom + d];
    shapes.push(areaOf({ line: 'link' }, at(-x, b), at(x, b), at(x, t), at(-x, t)));
  }
  for (let leg = 1; leg < p.legs - 1; leg += 1) {
    const x = -linkBox.x + inset / 2 + (leg * (2 * linkBox.x - inset)) / (p.legs - 1);
    shapes.push(line(at(x, linkBox.bottom), at(x, linkBox.top), 'link'));
  }
  for (const bar of p.bars) shapes.push(disc(at(bar.x, bar.y), bar.diameter * scale));
  if (p.wall) {
    const loop = (points: Loop, style: 'nominal' | 'dim'): Shape<never> => areaOf({ line: style }, ...points.map(([x, y]) => at(x, y)));
    shapes.push(loop(p.wall.axis, 'nominal'), ...(p.wall.inner ? [loop(p.wall.inner, 'dim')] : []));
    shapes.push(textAt([centre, height - 1], p.wall.label, 'small', { anchor: 'middle', halo: true }));
  }
  const [topLeft, bottomRight] = [at(-reach, o.h), at(o.b / 2, 0)];
  shapes.push(
    // Width and depth of a free outline follow from its corners: they are not edited here.
    ...dimension<BeamHandle>(
      [topLeft[0] - 14, bottomY],
      [topLeft[0] - 14, topLeft[1]],
      p.labels.h,
      isFree ? undefined : { of: 'section', side: 'h' },
      'Overall depth h',
    ),
    ...dimension<BeamHandle>(
      [at(-o.b / 2, 0)[0], bottomY + 18],
      [bottomRight[0], bottomY + 18],
      p.labels.b,
      isFree ? undefined : { of: 'section', side: 'b' },
      isFree ? 'Width of the web' : 'Width b',
    ),
    label([centre, topLeft[1] - 7], p.labels.top, 'middle', p.edits.top, 'Top bars'),
    label([bottomRight[0] + 9, bottomY - 6], p.labels.bottom, 'start', p.edits.bottom, 'Bottom bars'),
    label([bottomRight[0] + 9, bottomY - (o.h * scale) / 2 + 3], p.labels.links, 'start', p.edits.links, 'Links'),
  );
  if (p.labels.flange) {
    const middle = o.shape === 'invertedT' ? at(0, o.flangeDepth / 2)[1] : at(0, o.h - o.flangeDepth / 2)[1];
    shapes.push(label([at(reach, 0)[0] + 6, middle - 1], p.labels.flange, 'start', p.edits.flange, 'Flange width'));
    if (p.labels.flangeDepth)
      shapes.push(
        label([at(reach, 0)[0] + 6, middle + 12], p.labels.flangeDepth, 'start', { of: 'section', side: 'flangeDepth' }, 'Flange depth'),
      );
  }
  return { width, height, title: 'Section', shapes };
}

const disc = (at: Point, diameter: number): Shape<never> => circleAt(at, Math.max(2.5, diameter / 2), { fill: 'steel' });

function label(at: Point, text: string, anchor: 'start' | 'middle', edit: BeamHandle | undefined, name: string): Shape<BeamHandle> {
  return textAt(at, text, 'strong', { anchor, halo: true, label: name, ...(edit ? { edit } : {}) });
}

/** The part of the outline between two heights, hatched as compressed. */
function compressed(
  points: readonly (readonly [number, number])[],
  from: number,
  to: number,
  at: (x: number, y: number) => Point,
): Shape<never>[] {
  const levels = [...new Set([from, to, ...points.map(([, y]) => y).filter((y) => y > from && y < to)])].sort((a, b) => a - b);
  return levels.slice(1).map((upper, i) => {
    const lower = levels[i]!;
    const middle = (lower + upper) / 2;
    const crossings = points.flatMap(([x1, y1], k) => {
      const [x2, y2] = points[(k + 1) % points.length]!;
      return y1 > middle !== y2 > middle ? [x1 + ((x2 - x1) * (middle - y1)) / (y2 - y1)] : [];
    });
    const [l, r] = [Math.min(...crossings), Math.max(...crossings)];
    return areaOf({ fill: 'compression' }, at(l, lower), at(r, lower), at(r, upper), at(l, upper));
  });
}

/** The zigzag where a wide flange is cut off. */
function breakMark(at: (x: number, y: number) => Point, x: number, o: BeamOutline): Shape<never>[] {
  const isBottom = o.shape === 'invertedT';
  const [low, high] = isBottom ? [0, o.flangeDepth] : [o.h - o.flangeDepth, o.h];
  const [px, y1] = at(x, low);
  const [, y2] = at(x, high);
  if (o.shape === 'L' && x < 0) return [];
  const m = (y1 + y2) / 2;
  return [pathThrough({ line: 'dim' }, [px, y1 + 5], [px, m + 4], [px - 3, m + 1], [px + 3, m - 1], [px, m - 4], [px, y2 - 5])];
}
