import type { Combination } from '../../analysis/combination';
import type { BentWidth } from '../../analysis/plates/bent-width';
import { crackedPlate, noMemory, type CrackedState, type CrackMemory } from '../../analysis/plates/cracked-plate';
import { middleOfTriangle } from '../../analysis/plates/locate';
import { PER_NODE } from '../../analysis/plates/multifrontal';
import { onSofterMembers, type PlateStructure } from '../../analysis/plates/plate-model';
import { turnedTriangle } from '../../analysis/plates/triangle';
import { silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import type { AgedConcrete, DeflectionStage } from '../../codes/service-rules';
import type { Point } from '../../geometry/polygon';
import type { Steps } from '../../job';
import { layerOf } from '../../reinforcement/slab-bars';
import { WIDTH } from '../parts/slab-metre';
import { depthsOn, type PlateAnswer } from './analysis';
import { axesOf, isAlongPlan, isSquare } from './bar-axes';
import { isOver } from './bar-parts';
import type { Along, Face, PlateInput } from './input';
import { countsIn, insetOf, type MetreOf } from './layers';
import type { LaidSteel } from './result';
import { barsOutside, extrasIn, meshIn } from './zones';

/** What a cracked slab is made of. */
export interface CrackedBasis {
  readonly plate: PlateInput;
  readonly code: DesignCode;
  readonly metre: MetreOf;
  readonly answer: PlateAnswer;
  readonly steel: LaidSteel;
}

export type Age = DeflectionStage['age'] | AgedConcrete;

/** A width of slab at each triangle along its bars "x" and square to them, by its bars at both faces; those that are alike are one. */
export function widthsAt(basis: CrackedBasis, age: Age): (triangle: number, along: Along) => BentWidth {
  const { plate, answer } = basis;
  const { mesh } = answer.model;
  const depths = depthsOn(plate, mesh);
  const layersAt = stiffeningRows(basis);
  const known = new Map<string, BentWidth>();
  const all = (['x', 'y'] as const).map((along) =>
    Array.from({ length: mesh.triangles.length / 3 }, (_, e): BentWidth => {
      const bars = layersAt[along](middleOfTriangle(mesh, e));
      const key = `${along} ${depths[e]} ${bars.map(({ face, area, inset }) => `${face} ${area} ${inset}`).join(' ')}`;
      let width = known.get(key);
      if (!width) known.set(key, (width = widthOf(basis, depths[e]!, bars, age)));
      return width;
    }),
  ) as [BentWidth[], BentWidth[]];
  return (e, along) => all[along === 'x' ? 0 : 1][e]!;
}

interface BarRow {
  readonly face: Face;
  /** mm2/mm, and from the face to the bars' centres (mm). */
  readonly area: number;
  readonly inset: number;
}

/** The rows of bars of a direction at a place. */
function barsAtPlaces({ plate, code, steel }: CrackedBasis, along: Along): (at: Point) => BarRow[] {
  const axes = axesOf(plate);
  const faces = (['bottom', 'top'] as const).map((face) => {
    const layer = { face, along };
    const inset = insetOf(plate, layer, barsOutside(plate, steel, layer));
    const row = (bars: Parameters<typeof layerOf>[0]): BarRow => {
      const { area, diameter } = layerOf(bars, plate.catalogue);
      return { face, area, inset: inset + diameter / 2 };
    };
    const mesh = meshIn(steel, layer);
    return {
      everywhere: mesh ? [row(mesh)] : [],
      extras: extrasIn(steel, layer).map((extra) => ({ row: row(extra.bars), counts: countsIn(plate, code, extra, axes) })),
    };
  });
  return (at) => faces.flatMap((f) => [...f.everywhere, ...f.extras.filter((e) => isOver(at, e.counts, axes)).map((e) => e.row)]);
}

/**
 * The rows of bars that stiffen a slab along its bars "x", and square to them. Bars at an angle a to a direction are strained by cos2 a of its curvature and
 * bring cos2 a of their moment back to it, so they stiffen it by cos4 a of their area.
 */
function stiffeningRows(basis: CrackedBasis): Readonly<Record<Along, (at: Point) => BarRow[]>> {
  const [x, y] = [barsAtPlaces(basis, 'x'), barsAtPlaces(basis, 'y')];
  if (isSquare(basis.plate)) return { x, y };
  const { sine } = axesOf(basis.plate);
  const part = (rows: readonly BarRow[], share: number) => rows.map((row) => ({ ...row, area: share * row.area }));
  return { x: (at) => [...x(at), ...part(y(at), (1 - sine ** 2) ** 2)], y: (at) => part(y(at), sine ** 4) };
}

/** A width of slab bent either way: the stiffness of a metre by the code, over its width. */
function widthOf({ plate, code, metre }: CrackedBasis, h: number, bars: readonly BarRow[], age: Age): BentWidth {
  const sense = (pulled: Face) => {
    const layers = bars.map(({ face, area, inset }) => ({ depth: face === pulled ? h - inset : inset, area: area * WIDTH }));
    const s = code.service.stiffness(silent, {
      section: { ...metre(h).plain, layers },
      materials: plate.materials,
      area: WIDTH * h,
      perimeter: 2 * WIDTH,
      inertia: (WIDTH * h ** 3) / 12,
      toTensionFace: h / 2,
      age,
      partitionAge: plate.service.partitionAge,
    });
    return {
      ...s,
      crackingMoment: (plate.service.tension * s.crackingMoment) / WIDTH,
      uncracked: s.uncracked / WIDTH,
      cracked: s.cracked / WIDTH,
    };
  };
  return { sagging: sense('bottom'), hogging: sense('top') };
}

/** Loads of a combination with all of its cases on (N, by unknown), and their sum (N). */
export function loadsUnder(
  { parts, model }: PlateAnswer,
  factors: Combination['factors'],
): { readonly loads: Float64Array; readonly total: number } {
  const loads = new Float64Array(model.unknowns);
  let total = 0;
  for (const part of parts) {
    const factor = factors.reduce((sum, f) => (f.caseId === part.caseId ? sum + f.factor : sum), 0);
    if (factor === 0) continue;
    part.loads.forEach((v, i) => (loads[i]! += factor * v));
    total += factor * part.total;
  }
  return { loads, total };
}

/** What is worked out at one age under one load. */
export interface CrackedQuestion {
  readonly loads: Float64Array;
  readonly age: Age;
  readonly memory?: CrackMemory;
  readonly from?: CrackedState;
}

/** The cracked slab at an age under loads. Columns give way by creep as the slab does. */
export function* crackedSlab(basis: CrackedBasis, { loads, age, memory, from }: CrackedQuestion): Steps<CrackedState> {
  const { plate, answer } = basis;
  const { mesh, rigidity, structure } = answer.model;
  const width = widthsAt(basis, age);
  const rounds = crackedPlate({
    structure: turnedStructure(basis, onSofterMembers(structure, softening(basis, width))),
    elastic: rigidity,
    poisson: plate.poisson,
    width,
    twist: plate.service.twist,
    loads,
    memory: memory ?? noMemory(mesh),
    ...(from ? { from } : {}),
  });
  for (;;) {
    const step = rounds.next();
    if (step.done) return step.value;
    yield { share: step.value / 12, words: `round ${step.value}` };
  }
}

/** A prepared slab whose triangles strain by the directions of its bars. */
function turnedStructure({ plate }: CrackedBasis, structure: PlateStructure): PlateStructure {
  if (isAlongPlan(plate)) return structure;
  const axes = axesOf(plate);
  const { mesh, triangles } = structure;
  return { ...structure, triangles: triangles.map((t, e) => turnedTriangle(t, axes.at(middleOfTriangle(mesh, e)).x)) };
}

/** Stiffness of the uncracked slab at an age over that of its plain concrete at once, by its first triangle: what creep leaves, of slab and columns alike. */
function softening({ plate, answer }: CrackedBasis, width: (e: number, along: Along) => BentWidth): number {
  const plain = answer.model.rigidity(0).bending[0] * (1 - plate.poisson ** 2);
  return Math.min(1, width(0, 'x').sagging.uncracked / plain);
}

/** Deflection of the nodes of the mesh (mm). */
export const deflectionOf = (basis: CrackedBasis, { state }: CrackedState): Float64Array =>
  Float64Array.from({ length: basis.answer.model.mesh.at.length / 2 }, (_, n) => state.moved[PER_NODE * n]!);
