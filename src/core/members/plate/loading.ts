import type { Combination, LoadCase } from '../../analysis/combination';
import { middleOfTriangle, type Locate } from '../../analysis/plates/locate';
import type { PlateMesh } from '../../analysis/plates/mesh';
import { PER_NODE } from '../../analysis/plates/multifrontal';
import { addLine, addPatch, addPoint, addPressure, noLoads, type PlateLoads } from '../../analysis/plates/plate-loads';
import type { DesignCode } from '../../codes/design-code';
import { boundsOf, type Point } from '../../geometry/polygon';
import { SELF_WEIGHT } from '../../analysis/combination';
import { beamWeight } from './beams';
import { depthAt, outlineOf, rectangleOf } from './geometry';
import type { PlateInput } from './input';

/** All cases of a slab, its own weight among them when it is on. */
export function plateCases({ selfWeight, cases }: PlateInput): LoadCase[] {
  const own: LoadCase = { id: SELF_WEIGHT, title: 'Self-weight', nature: 'permanent', category: '', pattern: false };
  return [...(selfWeight ? [own] : []), ...cases];
}

/** The combinations of the code that are on, and the engineer's own. */
export function plateCombinations(plate: PlateInput, code: DesignCode): Combination[] {
  const used = plateCases(plate).filter((c) => c.nature === 'permanent' || plate.loads.some((l) => l.case === c.id));
  const own = new Set(plate.ownCombinations.map((c) => c.id));
  return [...code.combinations(used).filter((c) => !plate.combinationsOff.includes(c.id) && !own.has(c.id)), ...plate.ownCombinations];
}

/** Lines nearer than this (mm) are one. */
const ONE_LINE = 400;

/** Lines of columns, and of walls and beams along them, that bays lie between: x of those upright on the plan, y of those level. */
export function bayLines(plate: PlateInput): { readonly x: readonly number[]; readonly y: readonly number[] } {
  const { left, right, bottom, top } = boundsOf(outlineOf(plate).outer);
  const lines = [...plate.walls, ...plate.beams];
  const upright = lines.filter((w) => Math.abs(w.x2 - w.x1) < 0.1 * Math.abs(w.y2 - w.y1));
  const level = lines.filter((w) => Math.abs(w.y2 - w.y1) < 0.1 * Math.abs(w.x2 - w.x1));
  return {
    x: together([...plate.columns.map((c) => c.x), ...upright.map((w) => (w.x1 + w.x2) / 2)], left, right),
    y: together([...plate.columns.map((c) => c.y), ...level.map((w) => (w.y1 + w.y2) / 2)], bottom, top),
  };
}

/** The narrowest bay between lines of columns and the edges of the slab (mm), strips beside an edge left out. */
export function narrowestBay(plate: PlateInput): number {
  const { left, right, bottom, top } = boundsOf(outlineOf(plate).outer);
  const { x, y } = bayLines(plate);
  const bays = [
    [left, ...x, right],
    [bottom, ...y, top],
  ].flatMap((lines) => lines.slice(1).map((v, i) => v - lines[i]!));
  return Math.min(...bays.filter((b) => b > 6 * plate.h), Math.max(right - left, top - bottom));
}

/** Places brought together where they are near each other; those at the borders of the slab part nothing. */
function together(places: readonly number[], from: number, to: number): number[] {
  const groups: number[][] = [];
  for (const v of [...places].sort((a, b) => a - b)) {
    const last = groups.at(-1);
    if (last && v - last.at(-1)! < ONE_LINE) last.push(v);
    else groups.push([v]);
  }
  return groups.map((g) => g.reduce((a, b) => a + b, 0) / g.length).filter((v) => v - from > 2 * ONE_LINE && to - v > 2 * ONE_LINE);
}

/** Loads of one case that come and go together: all of it, or what lies on one bay. */
export interface LoadPart {
  readonly caseId: string;
  /** Whether it counts only where it adds to an effect. */
  readonly isVariable: boolean;
  readonly loads: PlateLoads;
  /** Their sum (N). */
  readonly total: number;
}

/** Loads that make up all cases of a slab; a case that may be absent from single bays has a part for each bay. */
export function loadParts(plate: PlateInput, mesh: PlateMesh, unknowns: number, locate: Locate): LoadPart[] {
  const bayOf = baysOf(plate, mesh);
  const bays = [...new Set(bayOf)];
  return plateCases(plate).flatMap((loadCase) => {
    const isVariable = loadCase.nature !== 'permanent';
    const parts = isVariable && loadCase.pattern ? bays.map((bay) => (e: number) => bayOf[e] === bay) : [() => true];
    return parts
      .map((counts) => {
        const loads = caseLoads(plate, loadCase.id, { mesh, unknowns, locate, counts });
        return { caseId: loadCase.id, isVariable, loads, total: loads.reduce((sum, v, i) => (i % PER_NODE === 0 ? sum + v : sum), 0) };
      })
      .filter((part) => part.loads.some((v) => v !== 0));
  });
}

/** The bay of each triangle, by its middle. */
function baysOf(plate: PlateInput, mesh: PlateMesh): Int32Array {
  const { x: xs, y: ys } = bayLines(plate);
  const before = (lines: readonly number[], v: number) => lines.filter((line) => line < v).length;
  return Int32Array.from({ length: mesh.triangles.length / 3 }, (_, e) => {
    const [x, y] = middleOfTriangle(mesh, e);
    return before(xs, x) * (ys.length + 1) + before(ys, y);
  });
}

interface OnMesh {
  readonly mesh: PlateMesh;
  readonly unknowns: number;
  readonly locate: Locate;
  /** The triangles that are loaded. */
  readonly counts: (triangle: number) => boolean;
}

const endsOf = ({ x1, y1, x2, y2 }: { x1: number; y1: number; x2: number; y2: number }): [Point, Point] => [
  [x1, y1],
  [x2, y2],
];

function caseLoads(plate: PlateInput, id: string, { mesh, unknowns, locate, counts }: OnMesh): PlateLoads {
  const loads = noLoads(unknowns);
  // Found first and asked then: what lies on the border of two bays is in one of them.
  const found: Locate = (p) => {
    const there = locate(p);
    return there && counts(there.triangle) ? there : undefined;
  };
  if (id === SELF_WEIGHT) for (const beam of plate.beams) addLine(loads, mesh, found, endsOf(beam), beamWeight(plate, beam));
  if (id === SELF_WEIGHT) addPressure(loads, mesh, (e) => (counts(e) ? depthAt(plate, middleOfTriangle(mesh, e)) * plate.unitWeight : 0));
  for (const load of plate.loads) {
    if (load.case !== id) continue;
    switch (load.type) {
      case 'uniform':
        addPressure(loads, mesh, (e) => (counts(e) ? load.value : 0));
        break;
      case 'area':
        addPatch(loads, mesh, rectangleOf(load), load.value, counts);
        break;
      case 'line':
        addLine(loads, mesh, found, endsOf(load), load.perLength);
        break;
      case 'point':
        addPoint(loads, mesh, found, [load.x1, load.y1], load.force);
    }
  }
  return loads;
}
