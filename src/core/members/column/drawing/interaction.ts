import { roundStep, shown } from '../../../drawing/scale';
import { areaOf, circleAt, pathThrough, textAt, line, type Drawing, type Point, type Shape } from '../../../drawing/shapes';

export interface SlicePicture {
  readonly curve: readonly { readonly N: number; readonly M: number }[];
  readonly nominal: readonly { readonly N: number; readonly M: number }[];
  readonly points: readonly { readonly N: number; readonly M: number; readonly isOver: boolean }[];
  readonly chosen: { readonly N: number; readonly M: number; readonly name: string; readonly use: string; readonly isOver: boolean } | null;
  /** Rays that part the regions of the furthest bar's stress, by which laps are told: angle from the axis of compression, and name. */
  readonly rays: readonly { readonly angle: number; readonly name: string }[];
  /** Areas and lines of states, with their names. */
  readonly zones?: readonly {
    readonly name: string;
    readonly kind: 'area' | 'line';
    readonly points: readonly { readonly N: number; readonly M: number }[];
  }[];
  /** Display units: value of one unit in N and N mm, and their names. */
  readonly units: { readonly force: number; readonly moment: number; readonly forceName: string; readonly momentName: string };
}

/** N against M in one direction: the resistance with the load sets in it. */
export function interactionDrawing(p: SlicePicture, width: number, height: number): Drawing {
  const [left, right, top, bottom] = [50, 14, 12, 20];
  const all = [...p.curve, ...p.nominal, ...p.points.filter((q) => !q.isOver), ...(p.chosen ? [p.chosen] : [])];
  const limitM = 1.35 * Math.max(...p.curve.map((q) => q.M), 1);
  const mostM = Math.min(Math.max(...all.map((q) => q.M)), Math.max(limitM, p.chosen?.M ?? 0)) * 1.06;
  const [low, high] = [Math.min(...all.map((q) => q.N)), Math.max(...all.map((q) => q.N))];
  const pad = (high - low) * 0.04;
  const x = (M: number) => left + (Math.min(M, mostM) / mostM) * (width - left - right);
  const y = (N: number) => top + ((high + pad - N) / (high - low + 2 * pad)) * (height - top - bottom);
  const at = (q: { N: number; M: number }): Point => [x(q.M), y(q.N)];
  const shapes: Shape[] = [
    ...grid(p, { x, y, low: low - pad, high: high + pad, mostM, left, right: width - right, top, bottom: height - bottom }),
  ];
  shapes.push(areaOf({ line: 'resistance', fill: 'resistanceWash' }, ...p.curve.map(at)));
  for (const zone of p.zones ?? []) shapes.push(...zoneShapes(zone, at));
  if (p.nominal.length > 0) shapes.push(pathThrough({ line: 'nominal' }, ...p.nominal.map(at)));
  shapes.push(line([x(0), y(high + pad)], [x(0), y(low - pad)], 'axis'), line([left, y(0)], [width - right, y(0)], 'axis'));
  for (const ray of p.rays) shapes.push(...rayShapes(ray, p.curve, at));
  for (const q of p.points) shapes.push(circleAt(at(q), 2.6, { line: q.isOver ? 'excess' : 'demand', fill: 'surface' }));
  if (p.chosen) shapes.push(...chosenPoint(p.chosen, at, left, width));
  return { width, height, title: 'Interaction', shapes };
}

/** An area of states, or a line of them, named where it is widest or at its end. */
function zoneShapes(
  { name, kind, points }: NonNullable<SlicePicture['zones']>[number],
  at: (q: { N: number; M: number }) => Point,
): Shape[] {
  if (points.length < 2) return [];
  if (kind === 'line') {
    const [x, y] = at(points[Math.floor(points.length * 0.8)]!);
    return [pathThrough({ line: 'dim' }, ...points.map(at)), textAt([x + 4, y], name, 'small', { halo: true })];
  }
  const ys = points.map((q) => at(q)[1]);
  const xs = points.map((q) => at(q)[0]);
  const middle: Point = [Math.min(...xs) + 6, (Math.min(...ys) + Math.max(...ys)) / 2];
  return [areaOf({ line: 'dim', fill: 'demandWash' }, ...points.map(at)), textAt(middle, name, 'small', { halo: true })];
}

/** A ray from the origin to where it leaves the curve, with its name there. */
function rayShapes(
  { angle, name }: SlicePicture['rays'][number],
  curve: SlicePicture['curve'],
  at: (q: { N: number; M: number }) => Point,
): Shape[] {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  // Beside the ray: the sign changes where the curve crosses it, on the side of M.
  const beside = (q: { N: number; M: number }) => q.M * cos - q.N * sin;
  const crossings = curve.slice(1).flatMap((b, i) => {
    const a = curve[i]!;
    const [da, db] = [beside(a), beside(b)];
    if (da * db >= 0) return [];
    const t = da / (da - db);
    const end = { N: a.N + (b.N - a.N) * t, M: a.M + (b.M - a.M) * t };
    return end.M > 0 && end.M * sin + end.N * cos > 0 ? [end] : [];
  });
  const end = crossings.reduce<{ N: number; M: number } | undefined>((far, q) => (!far || q.M > far.M ? q : far), undefined);
  if (!end) return [];
  const [x, y] = at(end);
  return [line(at({ N: 0, M: 0 }), [x, y], 'dim'), textAt([x + 3, y - 3], name, 'small', { halo: true })];
}

function chosenPoint(
  c: NonNullable<SlicePicture['chosen']>,
  at: (q: { N: number; M: number }) => Point,
  left: number,
  width: number,
): Shape[] {
  const [x, y] = at(c);
  const toLeft = x > width - 46;
  const label = (dy: number, text: string): Shape =>
    textAt([x + (toLeft ? -9 : 9), y + dy], text, c.isOver ? 'over' : 'demand', { anchor: toLeft ? 'end' : 'start', halo: true });
  return [
    line([left, y], [x, y], 'tentative'),
    circleAt([x, y], 4.6, { line: 'outline', fill: 'demandSolid' }),
    label(-3, c.name),
    label(11, c.use),
  ];
}

interface Axes {
  readonly x: (M: number) => number;
  readonly y: (N: number) => number;
  readonly low: number;
  readonly high: number;
  readonly mostM: number;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

function grid(p: SlicePicture, a: Axes): Shape[] {
  const shapes: Shape[] = [];
  const { force, moment, forceName, momentName } = p.units;
  const stepN = roundStep((a.high - a.low) / force, 7);
  for (let n = Math.ceil(a.low / force / stepN) * stepN; n <= a.high / force; n += stepN) {
    const y = a.y(n * force);
    shapes.push(line([a.left, y], [a.right, y], 'grid'), textAt([a.left - 5, y + 4], shown(n), 'small', { anchor: 'end' }));
  }
  const stepM = roundStep(a.mostM / moment, 5);
  for (let m = stepM; m <= a.mostM / moment; m += stepM) {
    const x = a.x(m * moment);
    shapes.push(line([x, a.top], [x, a.bottom], 'grid'), textAt([x, a.bottom + 14], shown(m), 'small', { anchor: 'middle' }));
  }
  shapes.push(
    textAt([4, a.top + 2], `N ${forceName}`, 'small'),
    textAt([a.right, a.bottom - 5], `M ${momentName}`, 'small', { anchor: 'end', halo: true }),
  );
  return shapes;
}

export interface ContourPicture {
  readonly curve: readonly Point[];
  /** Demand (My, Mx) of the set that is shown, and what the section carries in that direction. */
  readonly demand: Point | null;
  readonly capacity: Point | null;
  readonly points: readonly Point[];
  readonly isOver: boolean;
  /** Direction of the slice (rad). */
  readonly direction: number;
  readonly units: { readonly moment: number; readonly momentName: string };
}

/** The curve of Mx and My that the section carries at one axial force. */
export function contourDrawing(p: ContourPicture, width: number, height: number): Drawing {
  const [cx, cy] = [width / 2, height / 2 + 2];
  const reach = Math.max(1, ...p.curve.flatMap(([a, b]) => [Math.abs(a), Math.abs(b)]), ...(p.demand ? p.demand.map(Math.abs) : []));
  const scale = (Math.min(width, height) / 2 - 22) / reach;
  const at = ([my, mx]: Point): Point => [cx + my * scale, cy - mx * scale];
  const far = reach * 1.08;
  const shapes: Shape[] = [];
  if (p.curve.length > 2) shapes.push(areaOf({ line: 'resistance', fill: 'resistanceWash' }, ...p.curve.map(at)));
  shapes.push(line(at([-far, 0]), at([far, 0]), 'axis'), line(at([0, -far]), at([0, far]), 'axis'));
  shapes.push(textAt([at([far, 0])[0] - 2, cy - 5], 'My', 'symbol', { anchor: 'end', halo: true }));
  shapes.push(textAt([cx + 5, at([0, far])[1] + 5], 'Mx', 'symbol', { halo: true }));
  const d = p.direction;
  shapes.push(line(at([-Math.cos(d) * far, -Math.sin(d) * far]), at([Math.cos(d) * far, Math.sin(d) * far]), 'grid'));
  for (const q of p.points) shapes.push(circleAt(at(q), 2.2, { line: 'demand', fill: 'surface' }));
  if (p.capacity) shapes.push(line(at([0, 0]), at(p.capacity), 'tentative'));
  if (p.demand) shapes.push(circleAt(at(p.demand), 4.2, { line: p.isOver ? 'excess' : 'outline', fill: 'demandSolid' }));
  const mark = roundStep((0.45 * reach) / p.units.moment, 1.6);
  for (const [point, anchor] of [
    [[mark * p.units.moment, 0], 'middle'],
    [[0, -mark * p.units.moment], 'start'],
  ] as const) {
    const [x, y] = at(point as Point);
    shapes.push(
      textAt(anchor === 'middle' ? [x, y + 13] : [x + 5, y + 4], shown(anchor === 'middle' ? mark : -mark), 'small', {
        anchor,
        halo: true,
      }),
    );
  }
  return { width, height, title: 'All directions', shapes };
}
