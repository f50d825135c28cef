import type { CurvaturePoint } from '../../../section/strain-plane';
import { roundStep, shown } from '../../../drawing/scale';
import { line, type Drawing, type Point, type Shape } from '../../../drawing/shapes';

export interface CurvaturePicture {
  readonly curve: readonly CurvaturePoint[];
  /** Marks on the curve, by name. */
  readonly marks: readonly { readonly name: string; readonly point: CurvaturePoint }[];
  /** Moment to be carried, and the curvature it brings; null where none balances it. */
  readonly demand: { readonly moment: number; readonly curvature: number } | null;
  /** Value of one unit in N mm and 1/mm, and their names. */
  readonly units: { readonly moment: number; readonly curvature: number; readonly momentName: string; readonly curvatureName: string };
}

/** Moment against curvature at one axial force. */
export function curvatureDrawing(p: CurvaturePicture, width: number, height: number): Drawing {
  const [left, right, top, bottom] = [46, width - 14, 14, height - 22];
  const mostK = 1.05 * Math.max(1e-9, ...p.curve.map((q) => q.curvature));
  const mostM = 1.12 * Math.max(1, ...p.curve.map((q) => q.moment), p.demand?.moment ?? 0);
  const at = (k: number, m: number): Point => [left + (k / mostK) * (right - left), bottom - (m / mostM) * (bottom - top)];
  const { units } = p;
  const shapes: Shape[] = [];
  const small = (x: number, y: number, text: string, anchor: 'start' | 'middle' | 'end'): Shape => ({
    kind: 'text',
    at: [x, y],
    text,
    style: 'small',
    anchor,
    halo: true,
  });
  const stepM = roundStep(mostM / units.moment, 5);
  for (let m = stepM; m * units.moment < mostM; m += stepM) {
    const [, y] = at(0, m * units.moment);
    shapes.push(line([left, y], [right, y], 'grid'), small(left - 5, y + 4, shown(m), 'end'));
  }
  const stepK = roundStep(mostK / units.curvature, 5);
  for (let k = stepK; k * units.curvature < mostK; k += stepK) {
    const [x] = at(k * units.curvature, 0);
    shapes.push(line([x, top], [x, bottom], 'grid'), small(x, bottom + 14, shown(k), 'middle'));
  }
  shapes.push(line([left, top - 4], [left, bottom], 'axis'), line([left, bottom], [right, bottom], 'axis'));
  shapes.push({ kind: 'path', points: [at(0, 0), ...p.curve.map((q) => at(q.curvature, q.moment))], line: 'resistance' });
  if (p.demand) {
    const [x, y] = at(p.demand.curvature, p.demand.moment);
    shapes.push(line([left, y], [x, y], 'tentative'), { kind: 'circle', at: [x, y], r: 4.2, line: 'outline', fill: 'demandSolid' });
  }
  for (const { name, point } of p.marks) {
    const [x, y] = at(point.curvature, point.moment);
    shapes.push({ kind: 'circle', at: [x, y], r: 2.8, line: 'resistance', fill: 'surface' });
    shapes.push(small(x - 4, y - 7, name, x > width * 0.6 ? 'end' : 'start'));
  }
  shapes.push(
    small(left + 6, top + 4, `M ${units.momentName}`, 'start'),
    small(right, bottom - 5, `curvature ${units.curvatureName}`, 'end'),
  );
  return { width, height, title: 'Moment against curvature', shapes };
}
