import {
  isInShadow,
  isOnSlab,
  lengthOf,
  type ControlPerimeter,
  type Piece,
  type Shadow,
  type SlabEdges,
} from '../../geometry/control-perimeter';
import type { Point } from '../../geometry/polygon';
import type { LegLine } from './legs';

/** Steps in which a perimeter is looked at for edges and shadows (mm). */
const STEP = 10;

/**
 * What counts of a perimeter beyond the outermost legs where lines stand square to the faces, far apart from face to face: before each face a
 * straight part, so far beyond the legs, that reaches no further than `reach` to both sides of a line (EN 1992-1-1 figure 6.22 B). Lines that have
 * lost their outermost legs hold nothing there.
 */
export function besideLines(
  lines: readonly LegLine[],
  beyond: number,
  reach: number,
  slab: SlabEdges,
  shadows: readonly Shadow[],
): ControlPerimeter {
  const last = Math.max(0, ...lines.map((l) => l.distances.at(-1)!));
  const whole = lines.filter((l) => l.distances.at(-1)! >= last - 1e-6);
  const faces = new Map<string, LegLine[]>();
  for (const l of whole) faces.set(String(l.out), [...(faces.get(String(l.out)) ?? []), l]);
  const parts = [...faces.values()].flatMap((face) => beforeFace(face, last + beyond, reach)).flatMap(inSteps);
  const middle = ({ a, b }: Piece): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const onSlab = parts.filter((p) => isOnSlab(middle(p), slab));
  const isLost = (p: Piece) => shadows.some((s) => isInShadow(middle(p), s));
  const pieces = onSlab.filter((p) => !isLost(p));
  return { pieces, lost: onSlab.filter(isLost), length: lengthOf(pieces), meets: [] };
}

/** The straight parts before one face: the reach of its lines, together. */
function beforeFace(face: readonly LegLine[], distance: number, reach: number): Piece[] {
  const [dx, dy] = face[0]!.out;
  // Along the face, and outwards from it.
  const along = ([x, y]: Point) => -x * dy + y * dx;
  const out = Math.max(...face.map(({ from: [x, y] }) => x * dx + y * dy)) + distance;
  const at = (v: number): Point => [out * dx - v * dy, out * dy + v * dx];
  const places = face.map((l) => along(l.from)).sort((a, b) => a - b);
  const reaches: [number, number][] = [];
  for (const v of places) {
    const before = reaches.at(-1);
    if (before && v - reach <= before[1]) before[1] = v + reach;
    else reaches.push([v - reach, v + reach]);
  }
  return reaches.map(([from, to]) => ({ a: at(from), b: at(to) }));
}

function inSteps({ a, b }: Piece): Piece[] {
  const n = Math.max(1, Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1]) / STEP));
  const at = (t: number): Point => [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
  return Array.from({ length: n }, (_, i) => ({ a: at(i / n), b: at((i + 1) / n) }));
}
