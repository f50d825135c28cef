import type { LoadCase } from '../../../analysis/combination';
import { lineLoads } from '../analysis';
import { supportName, supportPositions, type BeamLoad, spanOutline } from '../input';
import { formatQuantity, formatValue } from '../../../units/format';
import type { UnitSystem } from '../../../units/quantity';
import type { Frame } from '../../../drawing/frame';
import { barRuns, linkLines } from './elevation-bars';
import type { LineHandle } from './handles';
import type { ElevationPicture, OnElevation } from './elevation-picture';
import {
  areaOf,
  circleAt,
  pathThrough,
  textAt,
  arcPoints,
  arrow,
  dimension,
  line,
  type Drawing,
  type Point,
  type Shape,
} from '../../../drawing/shapes';

const BEAM_TOP = 118;
const BEAM_MOST = 58;
export const ELEVATION_HEIGHT = 236;

/** The beam from the side with loads, bars, links and supports. The depth is stretched; its title says by how much. */
export function elevationDrawing<B>(p: ElevationPicture<B>, frame: Frame): Drawing<LineHandle> {
  const starts = supportPositions(p.beam);
  const length = starts[starts.length - 1]!;
  const scale = (frame.right - frame.left) / length;
  const toX = (x: number) => frame.left + Math.max(0, Math.min(length, x)) * scale;
  const deepest = Math.max(...p.beam.spans.map((_, i) => spanOutline(p.beam, i).h));
  const depthScale = BEAM_MOST / deepest;
  const at: OnElevation = { toX, starts, top: BEAM_TOP, depth: (span) => depthOf(p, span, depthScale) };
  const shapes: Shape<LineHandle>[] = [
    ...loadBands(p, toX, starts),
    ...concrete(p, toX, starts, depthScale),
    ...linkLines(p, at),
    ...barRuns(p, at),
    ...supports(p, toX, starts, depthScale),
    ...spanDimensions(p, toX, starts),
  ];
  return {
    width: frame.width,
    height: ELEVATION_HEIGHT,
    title: `Elevation, depth drawn ×${Math.max(1, Math.round(depthScale / scale))}${hasSet(p) ? '; underlined in full: set by hand' : ''}`,
    shapes,
  };
}

/** Whether some bars or links were set by hand, where that is shown. */
function hasSet<B>({ isSet, beam }: ElevationPicture<B>): boolean {
  if (!isSet) return false;
  const spans = beam.spans.flatMap((_, span) => [
    ...(['bottom', 'extra', 'top'] as const).map((of) => ({ of, span })),
    { of: 'links' as const, span, zone: 0 },
  ]);
  return [...spans, ...beam.supports.map((_, support) => ({ of: 'over' as const, support }))].some(isSet);
}

const depthOf = <B>(p: ElevationPicture<B>, span: number, depthScale: number) => spanOutline(p.beam, span).h * depthScale;

function concrete<B>(
  p: ElevationPicture<B>,
  toX: (x: number) => number,
  starts: readonly number[],
  depthScale: number,
): Shape<LineHandle>[] {
  const bottom: Point[] = p.beam.spans.flatMap((_, i): Point[] => [
    [toX(starts[i]!), BEAM_TOP + depthOf(p, i, depthScale)],
    [toX(starts[i + 1]!), BEAM_TOP + depthOf(p, i, depthScale)],
  ]);
  const [first, last] = [bottom[0]![0], bottom[bottom.length - 1]![0]];
  const flange =
    p.beam.section.shape === 'rectangular' || p.beam.section.shape === 'free'
      ? []
      : [line([first, flangeY(p, depthScale)], [last, flangeY(p, depthScale)], 'dim')];
  return [areaOf({ line: 'cut', fill: 'concreteLight' }, [first, BEAM_TOP], ...bottom, [last, BEAM_TOP]), ...flange];
}

function flangeY<B>(p: ElevationPicture<B>, depthScale: number): number {
  const { shape, h, flangeDepth } = p.beam.section;
  return BEAM_TOP + (shape === 'invertedT' ? h - flangeDepth : flangeDepth) * depthScale;
}

function supports<B>(
  p: ElevationPicture<B>,
  toX: (x: number) => number,
  starts: readonly number[],
  depthScale: number,
): Shape<LineHandle>[] {
  const { beam } = p;
  return beam.supports.flatMap((s, j): Shape<LineHandle>[] => {
    const x = toX(starts[j]!);
    const base = BEAM_TOP + depthOf(p, Math.min(j, beam.spans.length - 1), depthScale);
    const edit = { of: 'support', support: j } as const;
    const gridY = BEAM_TOP + BEAM_MOST + 42;
    const circle: Shape<LineHandle>[] = [
      line([x, base + 4], [x, gridY - 9], 'grid'),
      circleAt([x, gridY], 9, { line: 'axis', fill: 'surface' }),
      textAt([x, gridY + 4], supportName(j), 'plain', { anchor: 'middle', edit, label: `Support ${supportName(j)}: ${s.type}` }),
    ];
    if (s.type === 'free') return circle;
    if (s.type === 'fixed') {
      const side = j === 0 ? -1 : 1;
      return [
        line([x, BEAM_TOP - 8], [x, base + 8], 'cut'),
        ...Array.from({ length: 7 }, (_, k) => line([x, BEAM_TOP - 6 + k * 11], [x + side * 7, BEAM_TOP + k * 11], 'dim')),
        ...circle,
      ];
    }
    if (s.width > 0) {
      const half = Math.max(4, (toX(starts[j]! + s.width / 2) - toX(starts[j]! - s.width / 2)) / 2);
      const l = x - half;
      const r = x + half;
      return [
        pathThrough(
          { line: 'outline', fill: 'concreteLight' },
          [l, base],
          [l, base + 18],
          [(l + r) / 2 - 2, base + 15],
          [(l + r) / 2 + 2, base + 21],
          [r, base + 18],
          [r, base],
        ),
        ...circle,
      ];
    }
    const zigzag: Shape<never>[] =
      s.type === 'spring'
        ? [
            pathThrough(
              { line: 'outline' },
              [x, base],
              [x + 5, base + 3],
              [x - 5, base + 7],
              [x + 5, base + 11],
              [x - 5, base + 15],
              [x, base + 18],
            ),
          ]
        : [areaOf({ line: 'outline', fill: 'surface' }, [x, base], [x + 8, base + 14], [x - 8, base + 14])];
    return [...zigzag, line([x - 12, base + 18], [x + 12, base + 18], 'axis'), ...circle];
  });
}

function spanDimensions<B>(p: ElevationPicture<B>, toX: (x: number) => number, starts: readonly number[]): Shape<LineHandle>[] {
  const y = BEAM_TOP + BEAM_MOST + 42;
  return p.beam.spans.flatMap((span, i) => {
    const [a, b] = [toX(starts[i]!) + 13, toX(starts[i + 1]!) - 13];
    return dimension(
      [a, y],
      [b, y],
      formatValue(span.length, 'span', p.units),
      { of: 'spanLength', span: i } as const,
      `Length of span ${i + 1}`,
    );
  });
}

const BAND = 13;
const BANDS_BOTTOM = 98;

/** Loads: one row for permanent line loads, one for variable ones, and point loads through both. */
function loadBands<B>(p: ElevationPicture<B>, toX: (x: number) => number, starts: readonly number[]): Shape<LineHandle>[] {
  const { beam } = p;
  const natureOf = (load: BeamLoad): LoadCase['nature'] => beam.cases.find((c) => c.id === load.case)?.nature ?? 'permanent';
  const rows = { permanent: BANDS_BOTTOM - BAND, variable: BANDS_BOTTOM - 2 * BAND - 3 };
  const taken = { permanent: 0, variable: 0 };
  const atPlace = new Map<number, number>();
  let torques = 0;
  // Forces that are known hold the loads already.
  if (beam.mode !== 'loads') return [];
  return beam.loads.flatMap((load, k): Shape<LineHandle>[] => {
    const isPermanent = natureOf(load) === 'permanent';
    const edit = { of: 'load', load: k } as const;
    const text = `${load.case} ${p.loadLabel?.(k) ?? loadText(load, p.units)}`;
    const name = `Load ${k + 1}: ${text}`;
    if (load.type === 'point') {
      const x = toX(starts[load.span]! + load.at);
      const place = Math.round(x / 40);
      const above = atPlace.get(place) ?? 0;
      atPlace.set(place, above + 1);
      return [
        ...arrow([x, 40], [x, BEAM_TOP - 1], 'load', 'demandSolid', 7),
        beside(x, 44 - 13 * above, toX(Infinity), textAt([0, 0], text, 'demand', { edit, label: name, halo: true })),
      ];
    }
    if (load.type === 'moment') {
      const x = toX(starts[load.span]! + load.at);
      const isClockwise = load.moment >= 0;
      const arc = arcPoints(
        [x, BEAM_TOP + 24],
        12,
        isClockwise ? Math.PI * 1.25 : -Math.PI / 4,
        isClockwise ? -Math.PI / 4 : Math.PI * 1.25,
      );
      const tip = arc[arc.length - 1]!;
      return [
        pathThrough({ line: 'load' }, ...arc),
        ...arrow(arc[arc.length - 3]!, tip, 'load', 'demandSolid', 6),
        textAt([x + 15, BEAM_TOP + 14], text, 'demand', { edit, label: name, halo: true }),
      ];
    }
    if (load.type === 'torque' || load.type === 'pointTorque') return torqueMark(load, text, edit, name, toX, starts, torques++);
    const row = isPermanent ? 'permanent' : 'variable';
    const y = rows[row];
    const parts = lineLoads(load, beam).filter((l) => l.kind === 'distributed');
    const highest = Math.max(...parts.map((l) => Math.max(Math.abs(l.start), Math.abs(l.end))), 1e-9);
    const shapes = parts.flatMap((l): Shape<LineHandle>[] => {
      const [a, b] = [toX(starts[l.span]! + l.from), toX(starts[l.span]! + l.to)];
      const [ha, hb] = [BAND * Math.max(0.25, Math.abs(l.start) / highest), BAND * Math.max(0.25, Math.abs(l.end) / highest)];
      const bottom = y + BAND;
      const ticks = Array.from(
        { length: Math.max(1, Math.floor((b - a) / 22)) },
        (_, t) => a + ((t + 0.5) * (b - a)) / Math.max(1, Math.floor((b - a) / 22)),
      );
      return [
        areaOf(
          { line: isPermanent ? 'load' : 'loadVariable', fill: isPermanent ? 'permanentWash' : 'none' },
          [a, bottom],
          [a, bottom - ha],
          [b, bottom - hb],
          [b, bottom],
        ),
        ...ticks.flatMap((x) => arrow([x, bottom - BAND + 4], [x, bottom - 1.5], 'load', 'demandSolid', 3.5)),
      ];
    });
    const first = parts[0]!;
    // Several loads in one row: their figures are set one after another.
    const at = toX(starts[first.span]! + first.from) + 10;
    taken[row] += 1;
    const offset = (taken[row] - 1) * 92;
    return [
      ...shapes,
      textAt([Math.min(at + offset, toX(Infinity) - 60), y + BAND - 3], text, 'demand', { edit, label: name, halo: true }),
    ];
  });
}

/** A figure beside an arrow: to its left where the sheet ends at its right. */
function beside(x: number, y: number, right: number, text: Extract<Shape<LineHandle>, { kind: 'text' }>): Shape<LineHandle> {
  const isNearEnd = x + 5 + 6 * text.text.length > right + 34;
  return { ...text, at: [isNearEnd ? x - 5 : x + 5, y], ...(isNearEnd ? { anchor: 'end' as const } : {}) };
}

/** A torque as a double-headed arrow along the axis of the beam, with its figure. */
function torqueMark(
  load: BeamLoad & { type: 'torque' | 'pointTorque' },
  text: string,
  edit: LineHandle,
  label: string,
  toX: (x: number) => number,
  starts: readonly number[],
  n: number,
): Shape<LineHandle>[] {
  const from = load.type === 'pointTorque' ? starts[load.span]! + load.at : load.span === 'all' ? 0 : starts[load.span]!;
  const x = toX(from) + (load.type === 'pointTorque' ? 0 : 24);
  const y = BANDS_BOTTOM - 2 * BAND - 16 - 15 * n;
  return [
    ...arrow([x, y], [x + 26, y], 'load', 'demandSolid', 6),
    ...arrow([x, y], [x + 19, y], 'load', 'demandSolid', 6),
    textAt([x + 32, y + 4], text, 'demand', { edit, label, halo: true }),
  ];
}

/** A load in figures, without its case. */
export function loadText(load: BeamLoad, units: UnitSystem): string {
  switch (load.type) {
    case 'uniform':
    case 'partial':
      return formatQuantity(load.value, 'lineLoad', units);
    case 'trapezoidal':
      return `${formatValue(load.start, 'lineLoad', units)} to ${formatQuantity(load.end, 'lineLoad', units)}`;
    case 'point':
      return formatQuantity(load.force, 'force', units);
    case 'moment':
      return formatQuantity(load.moment, 'moment', units);
    case 'torque':
      return `torque ${formatQuantity(load.value, 'lineTorque', units)}`;
    case 'pointTorque':
      return `torque ${formatQuantity(load.torque, 'moment', units)}`;
  }
}
