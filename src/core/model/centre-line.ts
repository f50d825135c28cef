/** A point in space (mm): x along a member that lies, y across it, z up. Uprights stand along z; slabs lie in x and y. */
export type Place = readonly [x: number, y: number, z: number];

/** A corner of a bar's centre line before it is rounded by a bend of a radius (mm); 0 at the ends. */
export interface Corner {
  readonly at: Place;
  readonly radius: number;
}

/** A straight piece, or an arc that turns by an angle (rad) about a centre. */
export type Piece =
  | { readonly kind: 'line'; readonly from: Place; readonly to: Place }
  | {
      readonly kind: 'arc';
      readonly from: Place;
      readonly to: Place;
      readonly centre: Place;
      readonly radius: number;
      readonly angle: number;
    };

export const between = (a: Place, b: Place): number => Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
export const moved = (p: Place, by: Place): Place => [p[0] + by[0], p[1] + by[1], p[2] + by[2]];
const minus = (a: Place, b: Place): Place => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const times = (a: Place, f: number): Place => [a[0] * f, a[1] * f, a[2] * f];
const dot = (a: Place, b: Place): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const unit = (a: Place): Place => times(a, 1 / (Math.hypot(...a) || 1));

/** The bend at a corner: by how much the line turns, and how far from the corner the arc begins and ends. */
function bendAt(before: Place, { at, radius }: Corner, after: Place) {
  const [into, out] = [unit(minus(at, before)), unit(minus(after, at))];
  const angle = Math.acos(Math.max(-1, Math.min(1, dot(into, out))));
  return { into, out, angle, tangent: radius * Math.tan(angle / 2) };
}

/** Length along the centre line, arcs of bends included (mm). */
export function lengthAlong(corners: readonly Corner[]): number {
  let sum = 0;
  corners.forEach((c, i) => {
    const [before, after] = [corners[i - 1], corners[i + 1]];
    if (before) sum += between(before.at, c.at);
    if (!before || !after || c.radius <= 0) return;
    const { angle, tangent } = bendAt(before.at, c, after.at);
    sum += c.radius * angle - 2 * tangent;
  });
  return sum;
}

/** A bar that turns by less (rad) is straight there. */
const STRAIGHT = 1e-5;

/** The centre line in straight pieces and arcs, one after the other. */
export function piecesOf(corners: readonly Corner[]): Piece[] {
  const pieces: Piece[] = [];
  let from = corners[0]!.at;
  for (let i = 1; i < corners.length; i += 1) {
    const c = corners[i]!;
    const after = corners[i + 1];
    const bend = after && c.radius > 0 ? bendAt(corners[i - 1]!.at, c, after.at) : undefined;
    if (!bend || bend.angle < STRAIGHT) {
      pieces.push({ kind: 'line', from, to: c.at });
      from = c.at;
      continue;
    }
    const { into, out, angle, tangent } = bend;
    const [begin, end] = [moved(c.at, times(into, -tangent)), moved(c.at, times(out, tangent))];
    const inwards = unit(minus(out, into));
    const centre = moved(c.at, times(inwards, c.radius / Math.cos(angle / 2)));
    pieces.push({ kind: 'line', from, to: begin }, { kind: 'arc', from: begin, to: end, centre, radius: c.radius, angle });
    from = end;
  }
  return pieces.filter((p) => between(p.from, p.to) > 1e-9);
}

/** The centre line as points, arcs by chords of at most an eighth of a turn. */
export function pointsAlong(corners: readonly Corner[]): Place[] {
  return [corners[0]!.at, ...piecesOf(corners).flatMap((p) => (p.kind === 'line' ? [p.to] : chords(p)))];
}

function chords({ from, to, centre, angle, radius }: Piece & { kind: 'arc' }): Place[] {
  const n = Math.max(1, Math.ceil(angle / (Math.PI / 4) - 1e-9));
  const [u, w] = [unit(minus(from, centre)), minus(to, centre)];
  const v = unit(minus(w, times(u, dot(w, u))));
  return Array.from({ length: n }, (_, k) => {
    const a = (angle * (k + 1)) / n;
    return k === n - 1 ? to : moved(centre, moved(times(u, radius * Math.cos(a)), times(v, radius * Math.sin(a))));
  });
}
