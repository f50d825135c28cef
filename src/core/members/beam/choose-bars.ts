import { CalcError, silent } from '../../calc/calc';
import type { BendingSection, DesignCode } from '../../codes/design-code';
import { barsPerLayer, barOf, placeBars, type BarGroup, type Placement } from '../../reinforcement/bar-groups';
import { catalogues } from '../../materials/bars';
import { usualSizes } from '../../reinforcement/usual-sizes';
import { leastFrameSteel } from './frame/frame-steel';
import { faceCracks } from './service/crack-question';
import type { RegionMoments } from './service/region-moments';
import { bendingTask } from './section-at';
import { centroidFromFace, faceGeometry } from './steel';
import { compressionFace, tensionFace, type Sense } from './sense';
import { type PreparedBeam, outlineOf, plainSection, pulledWeb } from './prepared';

/** A moment that bars in one face of one span have to carry. */
export interface BarTask {
  readonly span: number;
  readonly sense: Sense;
  readonly moment: number;
  readonly delta: number;
  /** Steel of this face beside that for bending (mm2). */
  readonly extra?: number;
  /** Moments of the region in service, where its cracks are checked. */
  readonly service?: RegionMoments;
  /** Bars that the other face may have there. */
  readonly opposite?: readonly BarGroup[];
}

export interface Chosen {
  readonly bars: BarGroup;
  /** Steel that the other face needs in compression (mm2). */
  readonly compression: number;
  readonly score: number;
  /** No choice reaches what is needed; this is the nearest. */
  readonly isShort: boolean;
}

/** Effective depth and steel required for a task with bars of a given layout. */
export function requiredWith(beam: PreparedBeam, code: DesignCode, task: BarTask, group: BarGroup, linkDiameter: number) {
  const catalogue = catalogues[beam.catalogue];
  const outline = outlineOf(beam, task.span);
  const face = faceGeometry(beam, tensionFace(task.sense), task.span, linkDiameter);
  const placement = placeBars([group], catalogue, face, code);
  const { area, fromFace } = centroidFromFace(placement, [1]);
  const d = outline.h - fromFace;
  const section = plainSection(outline, task.sense);
  const d2 = beam.cover[compressionFace(task.sense)] + linkDiameter + 10;
  const minimum = task.moment > 0 ? leastOf(beam, code, task, section, d, barOf(group, catalogue).diameter) : 0;
  const need = code.bendingSteel(silent, bendingTask(beam, task.span, task.sense, { moment: task.moment, d, d2, delta: task.delta }));
  return {
    placement,
    area,
    d,
    required: Math.max(need.tension, minimum) + (task.extra ?? 0),
    compression: need.compression > 0 ? need.compression + Math.max(0, area - need.tension) : 0,
    refusal: need.refusal,
  };
}

/** Minimum reinforcement against brittle failure and, where the beam's service is checked, for the first cracks (mm2). */
function leastOf(beam: PreparedBeam, code: DesignCode, task: BarTask, section: BendingSection, d: number, diameter: number): number {
  const brittle = Math.max(code.minimumSteel(silent, section, d, beam.materials), leastFrameSteel(beam, code, task.span));
  if (beam.mode === 'forces' || !code.service.leastCrackSteel) return brittle;
  const outline = outlineOf(beam, task.span);
  const width = beam.service.crackWidth;
  const q = { materials: beam.materials, h: outline.h, d, diameter, width, ...pulledWeb(beam, task.span, task.sense) };
  return Math.max(brittle, code.service.leastCrackSteel(silent, q).value);
}

/** What a placement uses up of what is allowed of cracks. */
type CrackUse = (placement: Placement) => number;

/** The fewest bars of one size that carry a task and keep its cracks narrow, undefined when no number that fits does. */
function fewest(
  beam: PreparedBeam,
  code: DesignCode,
  task: BarTask,
  size: string,
  linkDiameter: number,
  cracks: CrackUse | undefined,
): Chosen | undefined {
  const catalogue = catalogues[beam.catalogue];
  const bar = barOf({ count: 1, size }, catalogue);
  const perLayer = barsPerLayer(bar.diameter, faceGeometry(beam, tensionFace(task.sense), task.span, linkDiameter), code);
  if (perLayer < 2) return undefined;
  const { leastBars, mostBars } = beam.barRules;
  const most = Math.min(2 * perLayer, mostBars ?? Infinity);
  let count = Math.max(2, leastBars ?? 2);
  while (count <= most) {
    const now = requiredWith(beam, code, task, { count, size }, linkDiameter);
    if (now.refusal) return undefined;
    if (now.area >= now.required - 1e-6 && (cracks?.(now.placement) ?? 0) <= 1) {
      const layers = now.placement.layers;
      // Steel counts first; a second layer, many thin bars and crowding count against.
      const crowding = count > 6 ? 0.02 * (count - 6) : 0;
      const score = now.area * (1 + 0.05 * (layers - 1) + crowding) + 30 * count;
      return { bars: { count, size }, compression: now.compression, score, isShort: false };
    }
    count = Math.max(count + 1, Math.min(most + 1, Math.ceil(now.required / bar.area)));
  }
  return undefined;
}

/** The heaviest layout that fits in two layers: what is taken when nothing suffices, so that the check can say by how much. */
function heaviest(beam: PreparedBeam, code: DesignCode, task: BarTask, sizes: readonly string[], linkDiameter: number): Chosen {
  const catalogue = catalogues[beam.catalogue];
  const layouts = sizes.map((size) => {
    const bar = barOf({ count: 1, size }, catalogue);
    const fitting = 2 * barsPerLayer(bar.diameter, faceGeometry(beam, tensionFace(task.sense), task.span, linkDiameter), code);
    const count = Math.max(2, Math.min(fitting, beam.barRules.mostBars ?? Infinity));
    return { bars: { count, size }, area: count * bar.area };
  });
  const best = layouts.reduce((a, b) => (b.area > a.area ? b : a));
  return { bars: best.bars, compression: 0, score: best.area * 3, isShort: true };
}

/** The fewest bars for a task in each size; undefined where none that fits suffices. Where no size keeps cracks narrow, those for strength. */
function optionsFor(
  beam: PreparedBeam,
  code: DesignCode,
  task: BarTask,
  sizes: readonly string[],
  linkDiameter: number,
): (Chosen | undefined)[] {
  const options = (cracks: CrackUse | undefined) =>
    sizes.map((size) => {
      try {
        return fewest(beam, code, task, size, linkDiameter, cracks);
      } catch (error) {
        if (error instanceof CalcError) return undefined;
        throw error;
      }
    });
  const narrow = options(cracksOf(beam, code, task, linkDiameter));
  return narrow.some((o) => o !== undefined) ? narrow : options(undefined);
}

/** Undefined where no crack is checked, or none comes. */
function cracksOf(beam: PreparedBeam, code: DesignCode, task: BarTask, linkDiameter: number): CrackUse | undefined {
  const { span, sense, service, opposite = [] } = task;
  if (!service || service.crack <= 0) return undefined;
  const face = faceGeometry(beam, compressionFace(sense), span, linkDiameter);
  const pressed = opposite.map((group) => placeBars([group], catalogues[beam.catalogue], face, code));
  const { crackingMoment, usage } = faceCracks(beam, code, span, sense, pressed);
  return (placement) => {
    const use = usage(placement, service.crack);
    // Whether it cracks at all is asked last: few bars are too few.
    return use <= 1 || service.largest > crackingMoment(placement) ? use : 0;
  };
}

const best = (options: readonly (Chosen | undefined)[]): Chosen | undefined =>
  options.reduce((a, b) => (b && (!a || b.score < a.score) ? b : a), undefined);

/** The sizes that may be used for main bars, in rising order. */
export function mainSizes(beam: PreparedBeam): readonly string[] {
  return beam.barRules.mainSizes.length > 0 ? beam.barRules.mainSizes : usualSizes[beam.catalogue].main;
}

/**
 * Bars for several tasks of one face: one size for all where that costs less than 15 % more than the best of each, so that a site
 * has few sizes to handle.
 */
export function chooseBars(beam: PreparedBeam, code: DesignCode, tasks: readonly BarTask[], linkDiameter: number): Chosen[] {
  const sizes = mainSizes(beam);
  const options = tasks.map((task) => optionsFor(beam, code, task, sizes, linkDiameter));
  const each = tasks.map((task, t) => best(options[t]!) ?? heaviest(beam, code, task, sizes, linkDiameter));
  const total = (list: readonly Chosen[]) => list.reduce((sum, c) => sum + c.score, 0);
  const uniform = sizes.flatMap((_, k) => {
    const column = options.map((row) => row[k]);
    return column.every((c) => c !== undefined) ? [column as Chosen[]] : [];
  });
  if (uniform.length === 0) return each;
  const cheapest = uniform.reduce((a, b) => (total(b) < total(a) ? b : a));
  return total(cheapest) <= 1.15 * total(each) ? cheapest : each;
}
