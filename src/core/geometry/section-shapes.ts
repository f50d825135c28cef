import { box, corners, type Outline, type Point } from './polygon';

/** Outlines of columns and walls by their dimensions (mm), all symmetric shapes centred on the origin. */
export type SectionShape =
  | { readonly kind: 'rectangle'; readonly b: number; readonly h: number }
  | { readonly kind: 'circle'; readonly diameter: number }
  | { readonly kind: 'ring'; readonly diameter: number; readonly wall: number }
  /** Upright leg at the left, lying leg at the bottom. */
  | { readonly kind: 'L'; readonly b: number; readonly h: number; readonly tx: number; readonly ty: number }
  /** Flange at the top, web in the middle. */
  | { readonly kind: 'T'; readonly b: number; readonly h: number; readonly web: number; readonly flange: number }
  | { readonly kind: 'cross'; readonly b: number; readonly h: number; readonly tx: number; readonly ty: number }
  | { readonly kind: 'I'; readonly b: number; readonly h: number; readonly web: number; readonly flange: number }
  | { readonly kind: 'free'; readonly outer: readonly Point[]; readonly holes: readonly (readonly Point[])[] };

export type ShapeKind = SectionShape['kind'];

/** Sides of the polygon that stands for a circle; its area is that of the circle, its radius larger by 0.01 %. */
export const CIRCLE_SIDES = 180;

/** A regular polygon with the area of a circle, a corner at neither axis, so that it is symmetric about both. */
export function circleLoop(diameter: number, sides = CIRCLE_SIDES): Point[] {
  const step = (2 * Math.PI) / sides;
  const radius = (diameter / 2) * Math.sqrt(step / Math.sin(step));
  return Array.from({ length: sides }, (_, i) => [radius * Math.cos((i + 0.5) * step), radius * Math.sin((i + 0.5) * step)]);
}

/** The outline of a shape, corners anticlockwise. */
export function outlineOfShape(s: SectionShape): Outline {
  switch (s.kind) {
    case 'rectangle':
      return { outer: box(-s.b / 2, -s.h / 2, s.b / 2, s.h / 2), holes: [] };
    case 'circle':
      return { outer: circleLoop(s.diameter), holes: [] };
    case 'ring':
      return { outer: circleLoop(s.diameter), holes: [circleLoop(s.diameter - 2 * s.wall)] };
    case 'free':
      return { outer: s.outer, holes: s.holes };
    default:
      return { outer: flanged(s), holes: [] };
  }
}

function flanged(s: Exclude<SectionShape, { kind: 'rectangle' | 'circle' | 'ring' | 'free' }>): Point[] {
  const [x, y] = [s.b / 2, s.h / 2];
  if (s.kind === 'L') return corners([-x, -y], [x, -y], [x, -y + s.ty], [-x + s.tx, -y + s.ty], [-x + s.tx, y], [-x, y]);
  if (s.kind === 'cross') {
    const [tx, ty] = [s.tx / 2, s.ty / 2];
    return corners(
      [-tx, -y],
      [tx, -y],
      [tx, -ty],
      [x, -ty],
      [x, ty],
      [tx, ty],
      [tx, y],
      [-tx, y],
      [-tx, ty],
      [-x, ty],
      [-x, -ty],
      [-tx, -ty],
    );
  }
  const w = s.web / 2;
  const top: Point[] = corners([w, y - s.flange], [x, y - s.flange], [x, y], [-x, y], [-x, y - s.flange], [-w, y - s.flange]);
  if (s.kind === 'T') return [[-w, -y], [w, -y], ...top];
  return [[-x, -y], [x, -y], [x, -y + s.flange], [w, -y + s.flange], ...top, [-w, -y + s.flange], [-x, -y + s.flange]];
}
