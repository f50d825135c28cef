import { isOver } from '../../checks/check';
import { areaOf, circleAt, line, pathThrough, textAt, type Drawing, type Point, type Shape } from '../../drawing/shapes';
import { layerTitle, shortWords } from './bar-axes';
import { axisShapes, extraShapes } from './bar-drawing';
import { gridShapes } from './grid-drawing';
import { MARGIN, planScale, SIDE } from './plan-scale';
import { columnAt, edgePath, outlineOf, rectangleOf, spanOf } from './geometry';
import { isLayer, type PlateBeam, type PlateEdge, type PlateInput } from './input';
import { legendShapes, mapShapes } from './map-drawing';
import { heldShapes } from './held-drawing';
import type { PlateHandle, PlatePicture } from './picture';
import type { JudgedLine, PlanLayer } from './result';
import { reactionShapes } from './reaction-drawing';
import { meshIn } from './zones';

type OnSheet = (p: Point) => Point;

/** The slab from above to scale: a map of what is asked, what holds it, loads on parts, sides, depth and bars. */
export function platePlan(p: PlatePicture, width: number, height: number): Drawing<PlateHandle> {
  const outline = outlineOf(p.plate);
  const { on } = planScale(p.plate, width, height);
  const map = mapShapes(p, on);
  const shapes: Shape<PlateHandle>[] = [
    areaOf({ fill: 'surface', line: 'outline' }, ...outline.outer.map(on)),
    ...map.filter((s) => s.kind !== 'text'),
    ...outline.holes.flatMap((hole): Shape<PlateHandle>[] => {
      const loop = hole.map(on);
      return [areaOf({ fill: 'surface', line: 'outline' }, ...loop), line(loop[0]!, loop[Math.floor(loop.length / 2)]!, 'dim')];
    }),
    ...p.plate.regions.flatMap((_, i) => depthShapes(p, i, on)),
    ...loadShapes(p, on),
    ...p.plate.beams.flatMap((beam) => beamShapes(beam, on)),
    ...p.plate.walls.flatMap((wall) => wallShapes(wall, on)),
    ...axisShapes(p, on),
    ...extraShapes(p, on),
    ...lineShapes(p, on),
    ...map.filter((s) => s.kind === 'text'),
    ...columnShapes(p, on),
    ...p.plate.outline.flatMap((_, i) => edgeShapes(p, i, on)),
    ...gridShapes(p, on),
    ...reactionShapes(p, on),
    ...heldShapes(p, on),
    ...liftShapes(p, on, [width - SIDE + 6, MARGIN + 6 + 22 * 5 + 88]),
    ...words(p, width - SIDE + 6, MARGIN + 6),
    ...legendShapes(p, [width - SIDE + 6, MARGIN + 6 + 22 * 5 + 46]),
  ];
  return { width, height, title: `Plan, ${p.labels.title}`, shapes };
}

/** A beam below, as wide as it is, with its name. */
function beamShapes({ name, x1, y1, x2, y2, b }: PlateBeam, on: OnSheet): Shape<PlateHandle>[] {
  const length = Math.hypot(x2 - x1, y2 - y1) || 1;
  const [u, v] = [((y1 - y2) / length) * (b / 2), ((x2 - x1) / length) * (b / 2)];
  const side = (k: 1 | -1) => line(on([x1 + k * u, y1 + k * v]), on([x2 + k * u, y2 + k * v]), 'tentative');
  const [mx, my] = on([x1 + 0.3 * (x2 - x1) + 2 * u, y1 + 0.3 * (y2 - y1) + 2 * v]);
  return [side(1), side(-1), ...(name ? [textAt<PlateHandle>([mx, my], name, 'small', { anchor: 'middle', halo: true })] : [])];
}

/** A part of another depth with its depth in its upper corner. */
function depthShapes({ plate, labels }: PlatePicture, index: number, on: OnSheet): Shape<PlateHandle>[] {
  const region = plate.regions[index]!;
  const { x, y } = spanOf(region);
  const [left, top] = on([x[0], y[1]]);
  return [
    areaOf({ line: 'tentative' }, ...rectangleOf(region).map(on)),
    textAt([left + 4, top + 13], labels.partDepth(region.h), 'small', {
      edit: { of: 'partDepth', index },
      label: `Depth of part ${index + 1}`,
      halo: true,
    }),
  ];
}

/** Loads on parts of the slab, where they stand, with their values. */
const loadShapes = ({ plate, labels }: PlatePicture, on: OnSheet): Shape<PlateHandle>[] =>
  plate.loads.flatMap((load, index): Shape<PlateHandle>[] => {
    const value = ([x, y]: Point) =>
      textAt<PlateHandle>([x, y], labels.load(load), 'demand', {
        anchor: 'middle',
        edit: { of: 'load', index },
        label: `Load ${index + 1}`,
        halo: true,
      });
    switch (load.type) {
      case 'uniform':
        return [];
      case 'area': {
        const { x, y } = spanOf(load);
        const [mx, my] = on([(x[0] + x[1]) / 2, y[0]]);
        return [areaOf({ line: 'loadVariable' }, ...rectangleOf(load).map(on)), value([mx, my - 5])];
      }
      case 'line': {
        const [a, b] = [on([load.x1, load.y1]), on([load.x2, load.y2])];
        return [line(a, b, 'loadVariable'), value([a[0] + 0.7 * (b[0] - a[0]), a[1] + 0.7 * (b[1] - a[1]) - 5])];
      }
      case 'point': {
        const [x, y] = on([load.x1, load.y1]);
        return [
          line([x - 5, y - 5], [x + 5, y + 5], 'loadVariable'),
          line([x - 5, y + 5], [x + 5, y - 5], 'loadVariable'),
          value([x, y - 9]),
        ];
      }
    }
  });

/** Columns, each with a handle that moves it, its name, which opens its coordinates, and on the map of what is used what punching there uses. */
function columnShapes({ plate, result, map }: PlatePicture, on: OnSheet): Shape<PlateHandle>[] {
  return plate.columns.flatMap((column, i): Shape<PlateHandle>[] => {
    const at = on([column.x, column.y]);
    const loop = columnAt(column).map(on);
    const corner: Point = [Math.max(...loop.map(([x]) => x)) + 4, Math.min(...loop.map(([, y]) => y)) - 3];
    const name = column.name || String(i + 1);
    const punching = result.checks.find((c) => c.id === `punching-${i + 1}`);
    const used = map === 'used' ? (punching?.utilisation ?? null) : null;
    return [
      areaOf({ fill: 'ebony' }, ...loop),
      circleAt(at, 4, {
        fill: 'surface',
        line: 'outline',
        edit: { of: 'hold', part: 'columns', index: i, end: 0 },
        drag: true,
        label: `Move column ${name}`,
      }),
      textAt(corner, name, 'strong', {
        edit: { of: 'hold', part: 'columns', index: i, end: 0 },
        label: `Column ${name}, its middle`,
        halo: true,
      }),
      ...(used === null
        ? []
        : [textAt<PlateHandle>([corner[0], corner[1] + 13], used.toFixed(2), isOver(used) ? 'over' : 'resistance', { halo: true })]),
    ];
  });
}

/** Whether a map is one of those over which straightedges are drawn. */
export const isDeflection = (map: PlanLayer): boolean => map === 'deflection' || map === 'level' || map === 'after';
/** So many straightedges are drawn: those that are used most. */
const DRAWN_LINES = 6;

/** How much of its limits a line uses. */
export const shareUsed = ({ gaps }: JudgedLine): number => gaps.reduce((most, g) => Math.max(most, g.deflection / g.limit), 0);

/** The straightedges that are used most, on the maps of deflection. */
function lineShapes({ result, map, held }: PlatePicture, on: OnSheet): Shape<PlateHandle>[] {
  if (!isDeflection(map)) return [];
  return [...result.lines]
    .sort((a, b) => shareUsed(b) - shareUsed(a))
    .slice(0, held === 'lines' ? Infinity : DRAWN_LINES)
    .flatMap((judged): Shape<PlateHandle>[] => {
      const [a, b] = judged.ends.map(on) as [Point, Point];
      const use = shareUsed(judged);
      return [
        pathThrough({ line: 'axis' }, a, b),
        // Not in the middle, where lines across a bay meet.
        textAt(
          [a[0] + 0.36 * (b[0] - a[0]), a[1] + 0.36 * (b[1] - a[1]) + 4],
          `${judged.name} ${use.toFixed(2)}`,
          use > 1.0005 ? 'over' : 'strong',
          { anchor: 'middle', halo: true },
        ),
      ];
    });
}

const edgeWords: Readonly<Record<PlateEdge, string>> = { simple: 'simple', clamped: 'clamped', spring: 'on springs', free: 'free' };

/** A row of springs beside a line. */
function zigzag(a: Point, b: Point, [ox, oy]: Point): Shape<never> {
  const count = Math.max(2, Math.round(Math.hypot(b[0] - a[0], b[1] - a[1]) / 5));
  return pathThrough(
    { line: 'dim' },
    ...Array.from({ length: count + 1 }, (_, k): Point => {
      const [t, away] = [k / count, k % 2 === 0 ? 2 : 7];
      return [a[0] + t * (b[0] - a[0]) + away * ox, a[1] + t * (b[1] - a[1]) + away * oy];
    }),
  );
}

/** A wall below, with springs where it sinks or turns. */
function wallShapes({ x1, y1, x2, y2, sinks, turns }: PlateInput['walls'][number], on: OnSheet): Shape<never>[] {
  const [a, b] = [on([x1, y1]), on([x2, y2])];
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  const isSprung = sinks !== null || turns !== null;
  return [line(a, b, 'cut'), ...(isSprung ? [zigzag(a, b, [(a[1] - b[1]) / length, (b[0] - a[0]) / length])] : [])];
}

/** An edge by how it is held, its word, which changes it, and its length. */
function edgeShapes({ plate, labels }: PlatePicture, i: number, on: OnSheet): Shape<PlateHandle>[] {
  const given = edgePath(plate, i);
  const { edge } = plate.outline[i]!;
  const path = given.map(on);
  const half = Math.floor((path.length - 1) / 2);
  // Words stand beside the middle of the edge, along the piece of an arc that is there.
  const [a, b] = path.length > 2 ? [path[half]!, path[half + 1]!] : [path[0]!, path[1]!];
  const run = given.slice(1).reduce((sum, [x, y], k) => sum + Math.hypot(x - given[k]![0], y - given[k]![1]), 0);
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  const turn = areaSense(plate);
  const out: Point = [(turn * (a[1] - b[1])) / length, (turn * (b[0] - a[0])) / length];
  const hatch =
    edge === 'clamped'
      ? Array.from({ length: Math.floor(length / 12) }, (_, k): Shape<never> => {
          const t = ((k + 0.5) * 12) / length;
          const [x, y] = [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
          return line([x, y], [x + 8 * out[0] + 4 * out[1], y + 8 * out[1] - 4 * out[0]], 'dim');
        })
      : [];
  const springs = edge === 'spring' ? [zigzag(a, b, out)] : [];
  const at: Point = [(a[0] + b[0]) / 2 + 20 * out[0], (a[1] + b[1]) / 2 + 22 * out[1] + 4];
  const anchor = out[0] > 0.5 ? 'start' : out[0] < -0.5 ? 'end' : 'middle';
  return [
    ...hatch,
    ...springs,
    pathThrough({ line: edge === 'free' ? 'tentative' : edge === 'clamped' ? 'cut' : 'outline' }, ...path),
    textAt(at, edgeWords[edge], 'plain', {
      anchor,
      edit: { of: 'edge', edge: i },
      label: `Edge ${i + 1}, ${labels.span(run)} long, is ${edgeWords[edge]}`,
      halo: true,
    }),
    textAt([at[0], at[1] + 14 * (out[1] < -0.5 ? -1 : 1)], labels.span(run), 'small', { anchor, halo: true }),
  ];
}

/** Where the slab has lifted off what it rests on, with what the marks mean. */
function liftShapes({ result: { mesh, lifted } }: PlatePicture, on: OnSheet, [x, y]: Point): Shape<PlateHandle>[] {
  if (!mesh || lifted.length === 0) return [];
  return [
    ...lifted.map((n): Shape<PlateHandle> =>
      circleAt(on([mesh.at[2 * n]!, mesh.at[2 * n + 1]!]), 2.5, { fill: 'surface', line: 'demand' }),
    ),
    circleAt([x + 4, y], 2.5, { fill: 'surface', line: 'demand' }),
    textAt([x + 12, y + 4], 'lifts off, all loads on', 'small'),
  ];
}

/** 1 for corners counterclockwise on the plan, -1 for the other way. */
function areaSense({ outline }: PlateInput): 1 | -1 {
  const sum = outline.reduce((total, a, i) => {
    const b = outline[(i + 1) % outline.length]!;
    return total + a.x * b.y - b.x * a.y;
  }, 0);
  return sum >= 0 ? 1 : -1;
}

/** What is said beside the plan and can be changed there: depth and meshes. */
function words({ plate, result, map, labels }: PlatePicture, x: number, y: number): Shape<PlateHandle>[] {
  const rows: Shape<PlateHandle>[] = [
    textAt([x, y], labels.depth, 'plain', { edit: { of: 'depth' }, label: 'Depth of the slab', halo: true }),
  ];
  for (const face of ['bottom', 'top'] as const)
    for (const along of ['x', 'y'] as const) {
      const bars = meshIn(result.steel, { face, along });
      const isSet = plate.bars[face][along] !== null;
      const more = result.steel.extra.filter((e) => isLayer(e, { face, along })).length;
      rows.push(
        textAt(
          [x, y + 22 * rows.length],
          `${face} ${shortWords(plate, along)}: ${bars ? labels.bars(bars) : 'none'}${more > 0 ? `, ${more} more` : ''}`,
          'strong',
          { edit: { of: 'bars', face, along }, label: `Bars ${layerTitle(plate, { face, along })}`, isSet, halo: true },
        ),
      );
    }
  const isThere = !result.maps || map === 'reactions' || result.maps[map] !== undefined;
  return [
    ...rows,
    textAt([x, y + 22 * rows.length + 10], labels.title, 'small'),
    textAt(
      [x, y + 22 * rows.length + 26],
      isThere ? labels.unit : result.early ? 'is being worked out' : 'could not be worked out',
      'small',
    ),
  ];
}
