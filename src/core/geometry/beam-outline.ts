import { box, corners, boundsOf, chordWidth, isInsideLoop, type Loop, type Point } from './polygon';

/** Outlines of beam sections: a web with, for flanged sections, one flange; or any outline around a web. Lengths mm; y up from the bottom face. */
export type BeamShape = 'rectangular' | 'T' | 'L' | 'invertedT' | 'free';

export interface BeamOutline {
  readonly shape: BeamShape;
  /** Width of the web. */
  readonly b: number;
  readonly h: number;
  /** Width and depth of the flange; not used by a rectangle. */
  readonly flangeWidth: number;
  readonly flangeDepth: number;
  /** Corners of a free outline; width and depth then follow from them. x = 0 is the axis of the web. */
  readonly points?: Loop;
}

/** Bands into which a stretch with sloping sides is cut. */
const BANDS = 12;

interface Band {
  readonly from: number;
  readonly to: number;
  readonly width: number;
}

/** The outline as bands of constant width, from the given face inwards. */
export function bandsFrom(face: 'top' | 'bottom', o: BeamOutline): Band[] {
  if (o.shape === 'rectangular') return [{ from: 0, to: o.h, width: o.b }];
  if (o.shape === 'free') return freeBands(face, o);
  const flangeFirst = (o.shape === 'invertedT') === (face === 'bottom');
  const split = flangeFirst ? o.flangeDepth : o.h - o.flangeDepth;
  return [
    { from: 0, to: split, width: flangeFirst ? o.flangeWidth : o.b },
    { from: split, to: o.h, width: flangeFirst ? o.b : o.flangeWidth },
  ];
}

const known = { top: new WeakMap<Loop, Band[]>(), bottom: new WeakMap<Loop, Band[]>() };

/** A free outline cut at its corners; where its sides slope, into bands of the mean width. */
function freeBands(face: 'top' | 'bottom', o: BeamOutline): Band[] {
  const points = o.points ?? [];
  let bands = known[face].get(points);
  if (!bands) known[face].set(points, (bands = cutBands(face, points, o.h)));
  return bands;
}

function cutBands(face: 'top' | 'bottom', points: Loop, h: number): Band[] {
  const widthAtLevel = (y: number) => chordWidth({ outer: points, holes: [] }, [0, 1], y);
  const levels = [...new Set(points.map(([, y]) => y))].sort((a, b) => a - b);
  const bands = levels.slice(1).flatMap((upper, i): Band[] => {
    const lower = levels[i]!;
    // Widths just inside the stretch: at a corner the outline may jump.
    const inset = (upper - lower) * 1e-6;
    const isPlain = Math.abs(widthAtLevel(lower + inset) - widthAtLevel(upper - inset)) < 0.01;
    const n = isPlain ? 1 : BANDS;
    return Array.from({ length: n }, (_, k) => {
      const [from, to] = [lower + ((upper - lower) * k) / n, lower + ((upper - lower) * (k + 1)) / n];
      return { from, to, width: widthAtLevel((from + to) / 2) };
    });
  });
  return face === 'bottom' ? bands : bands.map((b) => ({ from: h - b.to, to: h - b.from, width: b.width })).reverse();
}

/** A web narrower than this is none (mm): it has no room for links and bars. */
const LEAST_WEB = 50;

/**
 * A free outline as a beam's section, wherever its coordinates have their origin: moved so that its lowest corner lies at y = 0 and its web at
 * x = 0. The web is the upright strip about x = 0 that lies within the outline over the whole depth; where there is none, the widest strip there is.
 * Links and bars stand in it. Width 0 where no strip runs through.
 */
export function freeSection(corners: Loop): BeamOutline {
  const { bottom, top } = boundsOf(corners);
  const h = top - bottom;
  const upright = corners.map(([x, y]): Point => [x, y - bottom]);
  const axis = 2 * webReach(upright, h) >= LEAST_WEB ? 0 : widestAxis(upright, h);
  const points = axis === 0 ? upright : upright.map(([x, y]): Point => [x - axis, y]);
  const b = 2 * webReach(points, h);
  return { shape: 'free', points, b, h, flangeWidth: b, flangeDepth: h / 4 };
}

/** The axis about which the widest upright strip lies; halfway between two corners. */
function widestAxis(points: Loop, h: number): number {
  const xs = [...new Set(points.map(([x]) => x))].sort((a, b) => a - b);
  const axes = xs.flatMap((a, i) => xs.slice(i + 1).map((b) => (a + b) / 2));
  const reach = (axis: number) =>
    webReach(
      points.map(([x, y]): Point => [x - axis, y]),
      h,
    );
  return axes.reduce((best, axis) => (reach(axis) > reach(best) + 1e-9 ? axis : best), 0);
}

/** Least distance of the outline from the axis, between its lowest and its highest corners. */
function webReach(points: Loop, h: number): number {
  if (points.length < 3 || !isInsideLoop([0, h / 2], points)) return 0;
  const distances = points.map(([x1, y1], i) => {
    const [x2, y2] = points[(i + 1) % points.length]!;
    if (y1 === y2 && (y1 === 0 || y1 === h)) return Infinity;
    return x1 * x2 <= 0 ? 0 : Math.min(Math.abs(x1), Math.abs(x2));
  });
  return Math.min(...distances);
}

/** Whether an outline is the same on both sides of its axis. */
export function isSymmetric(o: BeamOutline): boolean {
  const points = outlinePoints(o);
  return points.every(([x, y]) => points.some(([a, b]) => Math.abs(a + x) < 0.5 && Math.abs(b - y) < 0.5));
}

/** Length of the sides and the underside, which are shuttered (mm). */
export function formworkOf(o: BeamOutline): number {
  const points = outlinePoints(o);
  return points.reduce((sum, [x1, y1], i) => {
    const [x2, y2] = points[(i + 1) % points.length]!;
    const isTop = y1 === y2 && Math.abs(y1 - o.h) < 1e-9;
    return sum + (isTop ? 0 : Math.hypot(x2 - x1, y2 - y1));
  }, 0);
}

/** Width at the given face. */
export function widthAt(face: 'top' | 'bottom', o: BeamOutline): number {
  return bandsFrom(face, o)[0]!.width;
}

export interface GrossProperties {
  readonly area: number;
  /** Height of the centroid above the bottom face. */
  readonly centroid: number;
  /** Second moment of area about the horizontal axis through the centroid. */
  readonly inertia: number;
}

const grossKnown = new WeakMap<BeamOutline, GrossProperties>();

/** Gross properties of the plain concrete section, by bands; worked out once for each outline object. */
export function grossProperties(o: BeamOutline): GrossProperties {
  let known = grossKnown.get(o);
  if (!known) grossKnown.set(o, (known = integrate(o)));
  return known;
}

function integrate(o: BeamOutline): GrossProperties {
  const bands = bandsFrom('bottom', o);
  const area = bands.reduce((sum, s) => sum + s.width * (s.to - s.from), 0);
  const centroid = bands.reduce((sum, s) => sum + (s.width * (s.to ** 2 - s.from ** 2)) / 2, 0) / area;
  const inertia = bands.reduce((sum, s) => sum + (s.width * ((s.to - centroid) ** 3 - (s.from - centroid) ** 3)) / 3, 0);
  return { area, centroid, inertia };
}

/** Corner points of the outline, anticlockwise from the bottom left corner of the web; x = 0 on the web's axis. */
export function outlinePoints(o: BeamOutline): (readonly [x: number, y: number])[] {
  if (o.shape === 'free') return [...(o.points ?? [])];
  const w = o.b / 2;
  if (o.shape === 'rectangular') return box(-w, 0, w, o.h);
  const left = o.shape === 'L' ? w : o.flangeWidth / 2;
  const right = o.shape === 'L' ? o.flangeWidth - w : o.flangeWidth / 2;
  const y = o.h - o.flangeDepth;
  if (o.shape === 'invertedT') {
    const f = o.flangeDepth;
    return corners([-left, 0], [right, 0], [right, f], [w, f], [w, o.h], [-w, o.h], [-w, f], [-left, f]);
  }
  if (o.shape === 'L') return corners([-w, 0], [w, 0], [w, y], [right, y], [right, o.h], [-w, o.h]);
  return corners([-w, 0], [w, 0], [w, y], [right, y], [right, o.h], [-left, o.h], [-left, y], [-w, y]);
}
