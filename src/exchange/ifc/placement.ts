/** A direction or a place in space. */
export type Vector = readonly [number, number, number];

/** Axes at an origin: where something stands, and how it is turned. */
export interface Axes {
  readonly at: Vector;
  readonly x: Vector;
  readonly y: Vector;
  readonly z: Vector;
}

export const world: Axes = { at: [0, 0, 0], x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] };

const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: Vector, b: Vector): Vector => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
const sum = (a: Vector, b: Vector, f = 1): Vector => [a[0] + f * b[0], a[1] + f * b[1], a[2] + f * b[2]];
const unit = (a: Vector): Vector => {
  const long = Math.hypot(...a) || 1;
  return [a[0] / long, a[1] / long, a[2] / long];
};

/** Axes by their origin, the direction of z and one near to that of x (ISO 16739, IfcAxis2Placement3D). */
export function axesBy(at: Vector, axis: Vector = [0, 0, 1], near: Vector = [1, 0, 0]): Axes {
  const z = unit(axis);
  const x = unit(sum(near, z, -dot(near, z)));
  return { at, x, y: cross(z, x), z };
}

/** A direction of inner axes, seen from outside. */
export const turnedBy = ({ x, y, z }: Axes, v: Vector): Vector =>
  [0, 1, 2].map((k) => x[k]! * v[0] + y[k]! * v[1] + z[k]! * v[2]) as unknown as Vector;

/** A place in inner axes, seen from outside. */
export const placedBy = (axes: Axes, v: Vector): Vector => sum(axes.at, turnedBy(axes, v));

/** A place outside, seen in the axes. */
export function seenFrom({ at, x, y, z }: Axes, v: Vector): Vector {
  const d = sum(v, at, -1);
  return [dot(d, x), dot(d, y), dot(d, z)];
}

/** Axes within axes. */
export const within = (outer: Axes, inner: Axes): Axes => ({
  at: placedBy(outer, inner.at),
  x: turnedBy(outer, inner.x),
  y: turnedBy(outer, inner.y),
  z: turnedBy(outer, inner.z),
});
