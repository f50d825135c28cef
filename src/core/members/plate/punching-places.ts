import type { Combination } from '../../analysis/combination';
import { checkInWords, finishChecks, governing, type Check } from '../../checks/check';
import type { DesignCode } from '../../codes/design-code';
import { boundsOf, isInside, type Point } from '../../geometry/polygon';
import type { DesignOptions } from '../../job';
import { layerOf, type SlabBars } from '../../reinforcement/slab-bars';
import { designPunching } from '../punching/design-punching';
import type { PunchingInput, SlabOpening } from '../punching/input';
import type { PunchingResult } from '../punching/result';
import type { PlateAnswer } from './analysis';
import { axesOf } from './bar-axes';
import { isOver } from './bar-parts';
import { columnSides, isWithin, outlineOf, spanOf } from './geometry';
import type { Along, PlateColumn, PlateInput } from './input';
import { LastAnswers } from './last-answers';
import { countsIn } from './layers';
import type { ColumnResult, LaidSteel } from './result';
import { columnForces } from './reactions';
import { extrasIn, meshIn } from './zones';

/** Further than this many depths from a column an edge or an opening does not matter to punching. */
const REACH = 12;

/** The slab at a column as a place of punching of its own: its depth, bars, edges, openings and a drop there, and the forces of the plate. */
export function punchingAt(
  plate: PlateInput,
  code: DesignCode,
  steel: LaidSteel,
  answer: PlateAnswer,
  i: number,
  ultimate: readonly Combination[],
): PunchingInput {
  const column = plate.columns[i]!;
  const sides = columnSides(column);
  const drop = dropAt(plate, column);
  const edges = edgesAround(plate, column, sides);
  return {
    materials: plate.materials,
    catalogue: plate.catalogue,
    h: drop && drop.depth < 0 ? plate.h + drop.depth : plate.h,
    cover: plate.cover.top,
    outer: plate.outer,
    barsX: barsOver(plate, code, steel, column, 'x'),
    barsY: barsOver(plate, code, steel, column, 'y'),
    column: column.shape,
    edges,
    corner: null,
    ties: null,
    drop: drop && drop.depth > 0 ? drop : null,
    base: null,
    openings: openingsAround(plate, column),
    imported: [],
    sets: columnForces(answer, i, ultimate).map((f) => ({ ...f })),
    // Codes with rules for moments at edges have them for rectangular columns: round ones there go by their position where that may be.
    momentsBy:
      column.shape.kind === 'circle' && Object.values(edges).some((e) => e !== null) && code.punching.momentsBy.includes('position')
        ? 'position'
        : 'moments',
    beta: 1.15,
    inPlane: 0,
    legs: column.legs,
    from: null,
  };
}

/** The part of another depth that a column stands under: as wide as it reaches evenly to both sides. */
function dropAt({ regions, h }: PlateInput, { x, y }: PlateColumn): NonNullable<PunchingInput['drop']> | null {
  const region = regions.findLast((r) => isWithin([x, y], spanOf(r)));
  if (!region || region.h === h) return null;
  const span = spanOf(region);
  const even = (c: number, [from, to]: readonly [number, number]) => 2 * Math.min(c - from, to - c);
  return { cx: even(x, span.x), cy: even(y, span.y), depth: region.h - h };
}

/**
 * Top bars along a direction over a column, as one layer: the thickest of them at the spacing that gives the mean area over the width of the column and
 * three depths to each side (EN 1992-1-1 6.4.4(1), ACI 318-19 counts no bars for strength).
 */
function barsOver(plate: PlateInput, code: DesignCode, steel: LaidSteel, column: PlateColumn, along: Along): PunchingInput['barsX'] {
  const layer = { face: 'top', along } as const;
  const mesh = meshIn(steel, layer);
  const axes = axesOf(plate);
  const extras = extrasIn(steel, layer).map((extra) => ({ bars: extra.bars, counts: countsIn(plate, code, extra, axes) }));
  // Square to the bars; a column that is turned against them is taken as wide as it is across the nearer of its sides.
  const [bx, by] = axes.at([column.x, column.y])[along];
  const width = columnSides(column)[Math.abs(bx) >= Math.abs(by) ? 'y' : 'x'] + 6 * plate.h;
  const PLACES = 25;
  const outline = outlineOf(plate);
  const places = Array.from({ length: PLACES }, (_, k): Point => {
    const s = ((k + 0.5) / PLACES - 0.5) * width;
    return [column.x - s * by, column.y + s * bx];
  }).filter((p) => isInside(p, outline));
  const there = new Map<SlabBars, number>(mesh ? [[mesh, 1]] : []);
  for (const { bars, counts } of extras) {
    const share = places.filter((p) => isOver(p, counts, axes)).length / Math.max(1, places.length);
    if (share > 0) there.set(bars, (there.get(bars) ?? 0) + share);
  }
  const areas = [...there].map(([bars, share]) => ({ bars, share, ...layerOf(bars, plate.catalogue) }));
  const thickest = areas.reduce<(typeof areas)[number] | null>((a, b) => (!a || b.diameter > a.diameter ? b : a), null);
  // Where no bars are the place says so by a spacing that gives next to none.
  if (!thickest) return { size: plate.catalogue === 'us' ? '#3' : '8', alternate: null, spacing: 1000 };
  const area = areas.reduce((sum, a) => sum + a.share * a.area, 0);
  const one = layerOf({ ...thickest.bars, alternate: null }, plate.catalogue).area * thickest.bars.spacing;
  return { size: thickest.bars.size, alternate: null, spacing: Math.min(1000, one / area) };
}

/** From the faces of a column to the edges of the slab, along the axes; null where an edge is far, or held. */
function edgesAround(plate: PlateInput, column: PlateColumn, sides: ReturnType<typeof columnSides>): PunchingInput['edges'] {
  const outline = outlineOf(plate);
  const far = REACH * plate.h;
  const out = ([ux, uy]: Point, half: number): number | null => {
    const STEPS = 400;
    for (let k = 1; k <= STEPS; k += 1) {
      const s = (k / STEPS) * (half + far);
      if (!isInside([column.x + s * ux, column.y + s * uy], { outer: outline.outer, holes: [] }))
        return Math.max(0, edgeBetween(plate, column, [ux, uy], ((k - 1) / STEPS) * (half + far), s) - half);
    }
    return null;
  };
  return {
    left: out([-1, 0], sides.x / 2),
    right: out([1, 0], sides.x / 2),
    bottom: out([0, -1], sides.y / 2),
    top: out([0, 1], sides.y / 2),
  };
}

/** Where a ray leaves the slab between two distances, to a tenth of a millimetre. */
function edgeBetween(plate: PlateInput, { x, y }: PlateColumn, [ux, uy]: Point, from: number, to: number): number {
  const { outer } = outlineOf(plate);
  let [inside, outside] = [from, to];
  while (outside - inside > 0.1) {
    const middle = (inside + outside) / 2;
    if (isInside([x + middle * ux, y + middle * uy], { outer, holes: [] })) inside = middle;
    else outside = middle;
  }
  return (inside + outside) / 2;
}

/** Openings as rectangles around them, with the column in the origin. */
function openingsAround({ openings, h }: PlateInput, { x, y }: PlateColumn): SlabOpening[] {
  return openings.flatMap(({ corners }): SlabOpening[] => {
    const { left, right, bottom, top } = boundsOf(corners);
    const apart = Math.hypot(Math.max(left - x, x - right, 0), Math.max(bottom - y, y - top, 0));
    if (apart > REACH * h) return [];
    return [{ kind: 'rectangle', x: (left + right) / 2 - x, y: (bottom + top) / 2 - y, b: right - left, h: top - bottom }];
  });
}

/** Places designed last: where a bar is changed most columns have what they had. */
const designed = new LastAnswers<PunchingResult>(120);

/** "Punching at B2, without links", "Punching at B2, outside the links" */
const titleAt = (title: string, name: string): string => `Punching at ${name}, ${title.toLowerCase().replace(/^punching /, '')}`;

/** Punching at every column: of each the check that governs, with its place. */
export function punchingChecks(code: DesignCode, columns: readonly ColumnResult[], options: DesignOptions): Check[] {
  return columns.flatMap(({ name, place: input }, i): Check[] => {
    if (!input) return [];
    const id = `punching-${i + 1}`;
    const derive = options.derive === 'all' || options.derive.includes(id) ? 'all' : [];
    const { checks, faults } = designed.for({ input, code: code.settings, units: options.units, derive }, () =>
      designPunching(input, code, { ...options, derive }),
    );
    const place = { x: null, label: `column ${name}` };
    if (faults.length > 0)
      return finishChecks(
        [
          checkInWords({
            id,
            family: 'shear',
            title: `Punching at ${name}`,
            clause: code.punching.clauses.perimeter,
            status: 'failed',
            place,
            reason: faults[0]!.reason,
          }),
        ],
        options,
      );
    const worst = governing(checks);
    return worst ? [{ ...worst, id, group: 'columns', title: titleAt(worst.title, name), place }] : [];
  });
}
