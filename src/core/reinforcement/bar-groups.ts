import { findBar, type Bar, type BarCatalogue } from '../materials/bars';

/** A number of bars of one size, as it is written on the drawing: 4H20, 4 #6. */
export interface BarGroup {
  readonly count: number;
  readonly size: string;
}

export interface PlacedBar {
  /** Across the section from the web's axis, and from the face to the bar's centre (mm). */
  readonly x: number;
  readonly fromFace: number;
  readonly diameter: number;
  readonly area: number;
  /** Which of the groups the bar belongs to. */
  readonly group: number;
  readonly layer: number;
  /** Bars that this one stands for, in a strip of slab; one where it is left out. */
  readonly count?: number;
}

export interface Placement {
  readonly bars: readonly PlacedBar[];
  readonly layers: number;
  /** Clear distance between the bars of the fullest layer; Infinity for a single bar. */
  readonly clear: number;
  /** The clear distance that the code asks for there. */
  readonly clearRequired: number;
  /** Between the centres of bars that go on beyond the section, in a strip of slab. */
  readonly spacing?: number;
  /** Set when the bars do not fit: how many would. */
  readonly misfit?: string;
}

export interface FaceGeometry {
  /** Width available to the bars at this face, between the outsides of the links' outer sides: the web. */
  readonly width: number;
  readonly faceCover: number;
  readonly sideCover: number;
  readonly linkDiameter: number;
  readonly aggregate: number;
}

/** The spacing rules that a placement keeps. */
export interface SpacingRules {
  clearSpacing(diameter: number, aggregate: number): { readonly value: number };
  layerGap(diameter: number, aggregate: number): { readonly value: number };
}

export const MOST_LAYERS = 3;

/** Looks up the bars of a group. Throws RangeError when the catalogue has no such size. */
export function barOf(group: BarGroup, catalogue: BarCatalogue): Bar {
  const bar = findBar(catalogue, group.size);
  if (!bar) throw new RangeError(`No bar "${group.size}" among ${catalogue.title} bars`);
  return bar;
}

export function areaOf(groups: readonly BarGroup[], catalogue: BarCatalogue): number {
  return groups.reduce((sum, g) => sum + g.count * barOf(g, catalogue).area, 0);
}

/** How many bars of a diameter fit into one layer. */
export function barsPerLayer(diameter: number, face: FaceGeometry, rules: SpacingRules): number {
  const clear = rules.clearSpacing(diameter, face.aggregate).value;
  const room = face.width - 2 * (face.sideCover + face.linkDiameter);
  return Math.max(0, Math.floor((room + clear + 1e-6) / (diameter + clear)));
}

/** Sets bars into layers from the face inwards: largest first, outermost first, evenly across the width. */
export function placeBars(groups: readonly BarGroup[], catalogue: BarCatalogue, face: FaceGeometry, rules: SpacingRules): Placement {
  const room = face.width - 2 * (face.sideCover + face.linkDiameter);
  const queue = groups
    .flatMap((g, group) => Array.from({ length: g.count }, () => ({ bar: barOf(g, catalogue), group })))
    .sort((a, b) => b.bar.diameter - a.bar.diameter || a.group - b.group);
  const placed: PlacedBar[] = [];
  let from = face.faceCover + face.linkDiameter;
  let layer = 0;
  let clearest = Infinity;
  let required = queue[0] ? rules.clearSpacing(queue[0].bar.diameter, face.aggregate).value : 0;
  let misfit: string | undefined;
  while (queue.length > 0) {
    if (layer >= MOST_LAYERS) {
      const most = barsPerLayer(queue[0]!.bar.diameter, face, rules);
      misfit = `${queue.length + placed.length} bars do not fit: ${most} of this size in a layer, ${MOST_LAYERS} layers at most`;
      break;
    }
    const row = takeLayer(queue, room, face.aggregate, rules);
    if (row.length === 0) {
      misfit = `a bar of ${Math.round(queue[0]!.bar.diameter)} mm does not fit between the links`;
      break;
    }
    const total = row.reduce((sum, r) => sum + r.bar.diameter, 0);
    const clear = row.length > 1 ? (room - total) / (row.length - 1) : Infinity;
    if (clear < clearest) {
      clearest = clear;
      required = Math.max(...row.map((r) => rules.clearSpacing(r.bar.diameter, face.aggregate).value));
    }
    const thickest = Math.max(...row.map((r) => r.bar.diameter));
    symmetric(row).forEach((r, i) => {
      const x = row.length === 1 ? 0 : -room / 2 + thickest / 2 + (i * (room - thickest)) / (row.length - 1);
      placed.push({ x, fromFace: from + r.bar.diameter / 2, diameter: r.bar.diameter, area: r.bar.area, group: r.group, layer });
    });
    from += thickest + rules.layerGap(thickest, face.aggregate).value;
    layer += 1;
  }
  return { bars: placed, layers: layer, clear: clearest, clearRequired: required, ...(misfit ? { misfit } : {}) };
}

type Queued = { readonly bar: Bar; readonly group: number };

/** Takes from the queue what fits into one layer. */
function takeLayer(queue: Queued[], room: number, aggregate: number, rules: SpacingRules): Queued[] {
  const row: Queued[] = [];
  let used = 0;
  while (queue.length > 0) {
    const next = queue[0]!;
    const clear = rules.clearSpacing(Math.max(next.bar.diameter, row[0]?.bar.diameter ?? 0), aggregate).value;
    const needed = used + next.bar.diameter + (row.length > 0 ? clear : 0);
    if (needed > room + 1e-6) break;
    used = needed;
    row.push(queue.shift()!);
  }
  return row;
}

/** Orders a row from largest-first to symmetric: the largest at both corners. */
function symmetric(row: readonly Queued[]): Queued[] {
  const left: Queued[] = [];
  const right: Queued[] = [];
  row.forEach((r, i) => (i % 2 === 0 ? left.push(r) : right.unshift(r)));
  return [...left, ...right];
}
