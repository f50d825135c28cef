import DxfParser, {
  type IArcEntity,
  type ICircleEntity,
  type IDxf,
  type IEntity,
  type IInsertEntity,
  type ILineEntity,
  type ILwpolylineEntity,
  type IPointEntity,
  type IPolylineEntity,
} from 'dxf-parser';
import { boundsOf, signedArea, type Loop, type Point } from '@/core/geometry/polygon';
import { counted } from '@/core/units/format';
import { alongArc, alongBulge, aroundCircle, joined, plainLoop } from './closed-lines';

/** A closed line of a drawing; a circle keeps its centre and diameter. In units of the drawing. */
export interface DrawnLoop {
  readonly layer: string;
  readonly points: Loop;
  readonly circle?: { readonly at: Point; readonly diameter: number };
}

/** What a DXF holds that an outline or a plan can be made of; in units of the drawing. */
export interface DxfDrawing {
  /** Millimetres of a unit of the drawing; null where it does not say. */
  readonly unit: number | null;
  /** The largest first. */
  readonly loops: readonly DrawnLoop[];
  readonly points: readonly { readonly layer: string; readonly at: Point }[];
  /** In words: what is in the drawing and not read. */
  readonly unread: readonly string[];
}

export type DxfReading = ({ readonly ok: true } & DxfDrawing) | { readonly ok: false; readonly reason: string };

const MOST_ENTITIES = 50_000;
const MOST_DEPTH = 4;
/** Millimetres of the units that a drawing may name (header variable INSUNITS). */
const UNITS: Readonly<Record<number, number>> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 };
/** Kinds of lines that are not read, with their names. */
const UNREAD: Readonly<Record<string, string>> = {
  SPLINE: 'spline',
  ELLIPSE: 'ellipse',
  HATCH: 'hatching',
  REGION: 'region',
  MLINE: 'multiple line',
  SOLID: 'filled area',
};

/** Lines, closed lines, circles and points of the model space of a DXF (text form), those in blocks too. Nothing is guessed: what is not read is said. */
export function readDxf(text: string): DxfReading {
  const refuse = (reason: string): DxfReading => ({ ok: false, reason });
  if (/^(AC10\d\d|AutoCAD Binary)/.test(text)) return refuse('This is a drawing in a binary form: save it as DXF in text form.');
  const wanted = wantedSections(text);
  if (wanted === null) return refuse('This cannot be read as a DXF in text form.');
  let file: IDxf | null;
  try {
    file = new DxfParser().parseSync(wanted);
  } catch {
    file = null;
  }
  if (!file?.entities) return refuse('This cannot be read as a DXF in text form.');
  const found = collect(file);
  if (typeof found === 'string') return refuse(found);
  const { skipped } = found;
  const [pieces, closed] = [found.pieces, found.closed].map((list) => list.filter((l) => l.points.every(isPlace))) as [
    DrawnLoop[],
    DrawnLoop[],
  ];
  const points = found.points.filter((p) => isPlace(p.at));
  const broken = found.pieces.length + found.closed.length + found.points.length - pieces.length - closed.length - points.length;
  if (broken > 0) skipped.push(`${counted(broken, 'line')} without a place`);
  const all = [...pieces.map((p) => p.points), ...closed.map((c) => c.points)].flat();
  if (all.length === 0 && points.length === 0) return refuse('There are no lines, circles or points in this drawing.');
  const { left, right, bottom, top } = boundsOf(all.length > 0 ? all : points.map((p) => p.at));
  const near = 1e-5 * Math.max(right - left, top - bottom) || 1e-6;
  const layers = [...new Set(pieces.map((p) => p.layer))];
  let open = 0;
  const chained = layers.flatMap((layer) => {
    const { loops, open: left } = joined(
      pieces.filter((p) => p.layer === layer).map((p) => p.points),
      near,
    );
    open += left;
    return loops.map((points): DrawnLoop => ({ layer, points }));
  });
  const loops = [...closed, ...chained]
    .map((loop) => ({ ...loop, points: plainLoop(loop.points, near / 50) }))
    .filter((loop) => loop.points.length > 2 && Math.abs(signedArea(loop.points)) > near ** 2)
    .map((loop) => (signedArea(loop.points) < 0 ? { ...loop, points: [...loop.points].reverse() } : loop))
    .sort((a, b) => signedArea(b.points) - signedArea(a.points));
  const unit = UNITS[Number(file.header?.$INSUNITS)] ?? null;
  return {
    ok: true,
    unit,
    loops,
    points,
    unread: [...unreadOf(text), ...(open > 0 ? [`${counted(open, 'chain')} of lines not closed`] : []), ...skipped],
  };
}

const READ = new Set(['HEADER', 'BLOCKS', 'ENTITIES']);
const MOST_VERTICES = 100_000;
const OF_CORNERS = new Set([10, 20, 40, 41, 42, 210, 220, 230]);

/** The sections that are read, as text again; null where pairs of code and value are broken, no end is there, or a line has corners without end. */
function wantedSections(text: string): string | null {
  const lines = text.split(/\r?\n/);
  const kept: string[] = [];
  let isKept = false;
  let inside = '';
  let hasCorners = false;
  let last = -1;
  for (let i = 0; i + 1 < lines.length; i += 2) {
    const code = Number(lines[i]);
    const value = lines[i + 1]!.trim();
    if (!Number.isInteger(code)) return null;
    if (code === 0 && value === 'EOF') return `${kept.join('\n')}\n0\nEOF\n`;
    if (code === 0 && value === 'SECTION') isKept = Number(lines[i + 2]) === 2 && READ.has(lines[i + 3]?.trim() ?? '');
    if (code === 0) [inside, hasCorners] = [value, false];
    if (code === 10) hasCorners = true;
    if (code === 210 && last === 10) return null;
    last = code;
    // Among corners the parser knows these codes only: others would make it lose corners, or never end.
    if (inside === 'LWPOLYLINE' && hasCorners && !OF_CORNERS.has(code)) continue;
    if (code === 90 && inside === 'LWPOLYLINE' && !(Number(value) <= MOST_VERTICES)) return null;
    if (isKept) kept.push(lines[i]!, lines[i + 1]!);
    if (code === 0 && value === 'ENDSEC') isKept = false;
  }
  return null;
}

/** Kinds of lines in the text that are passed over, with their number. */
function unreadOf(text: string): string[] {
  return Object.entries(UNREAD).flatMap(([type, name]) => {
    const count = (text.match(new RegExp(`^\\s*0\\r?\\n${type}\\s*$`, 'gm')) ?? []).length;
    return count > 0 ? [counted(count, name)] : [];
  });
}

type Move = (p: Point) => Point;
interface Found {
  readonly pieces: DrawnLoop[];
  readonly closed: DrawnLoop[];
  readonly points: { readonly layer: string; readonly at: Point }[];
  readonly skipped: string[];
}

/** All lines and points, those of blocks where they are placed; a text where there are too many. */
function collect(file: IDxf): Found | string {
  const found: Found = { pieces: [], closed: [], points: [], skipped: [] };
  let count = 0;
  let aslant = 0;
  const walk = (entities: readonly IEntity[], move: Move, scale: number, layer: string | null, depth: number): void => {
    for (const e of entities) {
      if (e.inPaperSpace || (count += 1) > MOST_ENTITIES) continue;
      // Within a block, layer 0 is that of the block's place.
      const own = layer !== null && (e.layer === '0' || !e.layer) ? layer : (e.layer ?? '0');
      if (isAslant(e)) aslant += 1;
      else if (e.type === 'INSERT') place(e as IInsertEntity, own, move, scale, depth);
      else take(e, own, move, scale, found);
    }
  };
  const place = (e: IInsertEntity, layer: string, move: Move, scale: number, depth: number) => {
    const block = file.blocks?.[e.name];
    if (!block?.entities || depth >= MOST_DEPTH) return;
    const [sx, sy] = [e.xScale ?? 1, e.yScale ?? 1];
    const turn = ((e.rotation ?? 0) * Math.PI) / 180;
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    const base = block.position ?? { x: 0, y: 0 };
    const inBlock: Move = ([x, y]) => {
      const [u, v] = [(x - base.x) * sx, (y - base.y) * sy];
      return move([e.position.x + u * c - v * s, e.position.y + u * s + v * c]);
    };
    // A circle of a block that is drawn out in one direction is none.
    walk(block.entities, inBlock, Math.abs(sx) === Math.abs(sy) ? scale * Math.abs(sx) : NaN, layer, depth + 1);
  };
  walk(file.entities, (p) => p, 1, null, 0);
  if (count > MOST_ENTITIES) return `This drawing has more than ${MOST_ENTITIES} lines: save the part that is wanted by itself.`;
  if (aslant > 0) found.skipped.push(`${counted(aslant, 'line')} in another plane`);
  return found;
}

/** Drawn in a plane that does not look up. */
function isAslant(e: IEntity): boolean {
  const { extrusionDirectionZ: z, extrusionDirection } = e as Partial<IArcEntity & IPointEntity>;
  return (z !== undefined && z < 0.999) || (extrusionDirection?.z !== undefined && extrusionDirection.z < 0.999);
}

function take(e: IEntity, layer: string, move: Move, scale: number, found: Found): void {
  const moved = (points: readonly Point[]) => points.map(move);
  if (e.type === 'LINE') {
    const [a, b] = (e as ILineEntity).vertices;
    if (a && b) found.pieces.push({ layer, points: moved([at(a), at(b)]) });
  } else if (e.type === 'ARC') {
    const { center, radius, startAngle, endAngle } = e as IArcEntity;
    const turn = (endAngle - startAngle + 4 * Math.PI) % (2 * Math.PI) || 2 * Math.PI;
    const start: Point = [center.x + radius * Math.cos(startAngle), center.y + radius * Math.sin(startAngle)];
    found.pieces.push({ layer, points: moved([start, ...alongArc(at(center), radius, startAngle, turn)]) });
  } else if (e.type === 'CIRCLE') {
    const { center, radius } = e as ICircleEntity;
    const circle = !Number.isFinite(scale) ? {} : { circle: { at: move(at(center)), diameter: 2 * radius * scale } };
    found.closed.push({ layer, points: moved(aroundCircle(at(center), radius)), ...circle });
  } else if (e.type === 'POINT') found.points.push({ layer, at: move(at((e as IPointEntity).position)) });
  else if (e.type === 'LWPOLYLINE' || e.type === 'POLYLINE') {
    const { vertices, shape } = e as ILwpolylineEntity | IPolylineEntity;
    const line = alongVertices(vertices, shape);
    if (line.length < 2) return;
    const [first, last] = [line[0]!, line[line.length - 1]!];
    const isClosed = shape || (line.length > 3 && Math.hypot(first[0] - last[0], first[1] - last[1]) < 1e-9);
    (isClosed ? found.closed : found.pieces).push({ layer, points: moved(line) });
  }
}

const isPlace = (p: Point) => p.every((v) => Number.isFinite(v) && Math.abs(v) < 1e9);
const at = ({ x, y }: { readonly x: number; readonly y: number }): Point => [x, y];

function alongVertices(
  vertices: readonly { readonly x: number; readonly y: number; readonly bulge?: number }[],
  isClosed: boolean,
): Point[] {
  const line = vertices.slice(0, 1).map(at);
  vertices.forEach((v, i) => {
    const next = vertices[i + 1] ?? (isClosed ? vertices[0] : undefined);
    if (next) line.push(...alongBulge(at(v), at(next), v.bulge ?? 0));
  });
  return line;
}
