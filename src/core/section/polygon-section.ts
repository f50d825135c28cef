import { oriented, outlineProperties, type Outline, type OutlineProperties } from '../geometry/polygon';

/** A bar as a point: centre (mm), area (mm2) and diameter (mm). */
export interface PointBar {
  readonly x: number;
  readonly y: number;
  readonly area: number;
  readonly diameter: number;
}

/**
 * A section of any shape bent about any axis. Coordinates are from the centroid of the gross concrete, x right, y up. Forces: N compression
 * positive; Mx = sum of F y, positive when it compresses the top; My = sum of F x, positive when it compresses the right side.
 */
export interface PolygonSection {
  readonly outline: Outline;
  readonly gross: OutlineProperties;
  readonly bars: readonly PointBar[];
  readonly steelArea: number;
  /** Corners of all loops in a row, each loop closed by its first corner again: x, y of the start and end of each edge. */
  readonly edges: Float64Array;
}

const shift = (points: readonly (readonly [number, number])[], dx: number, dy: number) => points.map(([x, y]) => [x - dx, y - dy] as const);

/** Makes a section from an outline and bars in any coordinates. */
export function polygonSection(outline: Outline, bars: readonly PointBar[]): PolygonSection {
  const gross = outlineProperties(outline);
  const [cx, cy] = gross.centroid;
  const moved: Outline = { outer: shift(outline.outer, cx, cy), holes: outline.holes.map((h) => shift(h, cx, cy)) };
  const edges: number[] = [];
  for (const loop of oriented(moved)) loop.forEach(([x, y], i) => edges.push(x, y, ...loop[(i + 1) % loop.length]!));
  return {
    outline: moved,
    gross,
    bars: bars.map((b) => ({ ...b, x: b.x - cx, y: b.y - cy })),
    steelArea: bars.reduce((sum, b) => sum + b.area, 0),
    edges: Float64Array.from(edges),
  };
}

/** The section seen along one direction: v grows towards the compressed side, u across it (right-handed). */
export interface Bearing {
  /** Angle of the direction of growing compression, from the x-axis (rad): 90 degrees compresses the top. */
  theta: number;
  cos: number;
  sin: number;
  /** u1, v1, u2, v2 of each edge. */
  readonly edges: Float64Array;
  /** v of each bar. */
  readonly bars: Float64Array;
  vMax: number;
  vMin: number;
  /** v of the bar furthest from the compressed side. */
  vBarMin: number;
  /** Depth of the section in this direction. */
  h: number;
}

export function bearing(section: PolygonSection, theta: number): Bearing {
  const made: Bearing = {
    theta,
    cos: 1,
    sin: 0,
    edges: new Float64Array(section.edges.length),
    bars: new Float64Array(section.bars.length),
    vMax: 0,
    vMin: 0,
    vBarMin: 0,
    h: 0,
  };
  turnTo(section, theta, made);
  return made;
}

/** Turns a bearing of the same section to another direction; searches turn one bearing again and again. */
export function turnTo(section: PolygonSection, theta: number, b: Bearing): void {
  const [cos, sin] = [Math.cos(theta), Math.sin(theta)];
  const { edges } = section;
  let [vMax, vMin] = [-Infinity, Infinity];
  for (let i = 0; i < edges.length; i += 2) {
    const x = edges[i]!;
    const y = edges[i + 1]!;
    const v = x * cos + y * sin;
    b.edges[i] = x * sin - y * cos;
    b.edges[i + 1] = v;
    if (v > vMax) vMax = v;
    if (v < vMin) vMin = v;
  }
  let vBarMin = Infinity;
  for (let i = 0; i < section.bars.length; i += 1) {
    const bar = section.bars[i]!;
    const v = bar.x * cos + bar.y * sin;
    b.bars[i] = v;
    if (v < vBarMin) vBarMin = v;
  }
  b.theta = theta;
  b.cos = cos;
  b.sin = sin;
  b.vMax = vMax;
  b.vMin = vMin;
  b.vBarMin = vBarMin === Infinity ? vMin : vBarMin;
  b.h = vMax - vMin;
}

/** Width of the section across a bearing at v (mm): holes do not count. */
export function widthAcross({ edges }: Bearing, v: number): number {
  let width = 0;
  for (let i = 0; i < edges.length; i += 4) {
    const [v1, v2] = [edges[i + 1]!, edges[i + 3]!];
    if (v1 > v === v2 > v) continue;
    const u = edges[i]! + ((edges[i + 2]! - edges[i]!) * (v - v1)) / (v2 - v1);
    // Outlines run round one way: edges that rise bound the width to one side, those that fall to the other.
    width += v2 > v1 ? u : -u;
  }
  return Math.abs(width);
}
