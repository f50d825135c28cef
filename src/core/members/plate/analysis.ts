import { barTerms } from '../../analysis/plates/design-moments';
import { liftingPlate } from '../../analysis/plates/lifting';
import { locatorOf, middleOfTriangle, type Locate } from '../../analysis/plates/locate';
import { meshOf, type PlateMesh } from '../../analysis/plates/mesh';
import type { Piece } from '../../analysis/plates/mesh-lines';
import { plateModel, shearsOf, type PlateModel, type PlateState } from '../../analysis/plates/plate-model';
import { meanAcross, PLACES_ACROSS, placesAcross, type Across } from '../../analysis/plates/spread';
import type { Rib } from '../../analysis/plates/ribs';
import { nodesResting, supportsOf, type ColumnHead, type LineSupport } from '../../analysis/plates/supports';
import { evenRigidity } from '../../analysis/plates/triangle';
import { silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { boundsOf, distanceToEdges, isInside, outlineProperties, type Point } from '../../geometry/polygon';
import { axesOf, isAlongPlan } from './bar-axes';
import { facesOf, missedAt, type ColumnFace } from './face-moments';
import { ribParts, ribsOf } from './beams';
import { columnAt, columnSides, columnTurning, depthAt, edgePath, outlineOf, rectangleOf } from './geometry';
import type { Along, PlateInput } from './input';
import { LastAnswers } from './last-answers';
import { loadParts, narrowestBay, type LoadPart } from './loading';

/** What the elastic slab answers to a part of its loads. */
export interface PartAnswer extends LoadPart {
  readonly state: PlateState;
  /** mx, my, mxy node by node (N mm/mm). */
  readonly moments: Float64Array;
  /** Moments that bars of both directions would carry below, spread: for each two terms of which the larger counts (N mm/mm). */
  readonly terms: Readonly<Record<Along, readonly [Float64Array, Float64Array]>>;
  /** vx, vy triangle by triangle (N/mm). */
  readonly shears: Float64Array;
}

/** A slab as an elastic plate under each part of its loads. */
export interface PlateAnswer {
  /** The beams below the slab. */
  readonly ribs: readonly Rib[];
  readonly model: PlateModel;
  readonly locate: Locate;
  readonly parts: readonly PartAnswer[];
  readonly supports: readonly LineSupport[];
  /** Index of the node, after those of the mesh, at the middle of each column; -1 where no node of the mesh lies under it. */
  readonly heads: Int32Array;
  /** Nodes that have lifted off their line under all loads. */
  readonly lifted: readonly number[];
  /** The width over which moments are means (mm). */
  readonly spread: number;
  /** The least depth that meets at each node (mm). */
  readonly depths: Float64Array;
}

/** About so many triangles lie along the side of a square of the slab's area. */
const ALONG = 30;
/** Sides of triangles grow by this much with the distance from a column or a sharp corner. */
const GROWTH = 0.35;

/** The length of the sides of triangles away from columns (mm): as set, or a part of the side of a square of the slab's area, not much less than its depth. */
export function usualSide(plate: PlateInput): number {
  const { area } = outlineProperties(outlineOf(plate));
  return plate.meshSize ?? Math.max(Math.sqrt(area) / ALONG, plate.h / 2);
}

/** The length of sides at a place: finer at columns. */
function sizesOf(plate: PlateInput, coarser: number): (at: Point) => number {
  const size = coarser * usualSide(plate);
  const heads = plate.columns.map((column) => {
    const sides = columnSides(column);
    return { loop: { outer: columnAt(column), holes: [] }, at: [column.x, column.y] as Point, size: Math.max(sides.x, sides.y) };
  });
  return (p) =>
    heads.reduce((least, { loop, at, size: side }) => {
      if (Math.hypot(p[0] - at[0], p[1] - at[1]) > side + (2 * size) / GROWTH) return least;
      const fine = Math.min(size, Math.max(side / 3, size / 5));
      return Math.min(least, fine + GROWTH * distanceToEdges(p, loop));
    }, size);
}

/** Cells along a side of the box around a slab in which its nodes are counted. */
const CELLS = 32;

/** About how many nodes the usual mesh of a slab has, without making it: triangles of equal sides have one for each sqrt(3) / 2 of a side squared. */
export function nodesExpected(plate: PlateInput): number {
  const outline = outlineOf(plate);
  const { left, right, bottom, top } = boundsOf(outline.outer);
  const [dx, dy] = [(right - left) / CELLS, (top - bottom) / CELLS];
  const sizeAt = sizesOf(plate, 1);
  let sum = 0;
  for (let i = 0; i < CELLS; i += 1)
    for (let j = 0; j < CELLS; j += 1) {
      const at: Point = [left + (i + 0.5) * dx, bottom + (j + 0.5) * dy];
      if (isInside(at, outline)) sum += (dx * dy) / ((Math.sqrt(3) / 2) * sizeAt(at) ** 2);
    }
  return sum;
}

const wallLines = ({ walls }: PlateInput) =>
  walls.map(({ x1, y1, x2, y2 }): Piece => [
    [x1, y1],
    [x2, y2],
  ]);

const piecesOf = (path: readonly Point[]): Piece[] => path.slice(1).map((b, k): Piece => [path[k]!, b]);
const around = (loop: readonly Point[]): Piece[] => piecesOf([...loop, loop[0]!]);

/** Lines that hold a slab: its edges that are not free, and the walls below it. */
export function lineSupports(plate: PlateInput): LineSupport[] {
  const rigid = plate.simpleEdges === 'soft' ? ('soft' as const) : ('simple' as const);
  const sprung = (piece: Piece, { sinks, turns }: Pick<PlateInput['walls'][number], 'sinks' | 'turns'>): LineSupport => ({
    piece,
    how: sinks === null ? rigid : 'sinking',
    sinks: sinks ?? 0,
    turns: turns ?? 0,
  });
  return [
    ...plate.outline.flatMap((corner, i) => {
      const { edge } = corner;
      if (edge === 'free') return [];
      return piecesOf(edgePath(plate, i)).map((piece): LineSupport =>
        edge === 'spring' ? sprung(piece, corner) : { piece, how: edge === 'simple' ? rigid : edge },
      );
    }),
    ...plate.walls.map((wall, i) => sprung(wallLines(plate)[i]!, wall)),
  ];
}

/** The columns of a slab, with what they resist of turning. */
export const columnHeads = (plate: PlateInput, code: DesignCode): ColumnHead[] =>
  plate.columns.map((column) => ({
    outline: columnAt(column),
    at: [column.x, column.y],
    turning: columnTurning(column, code.elasticModulus(silent, plate.materials)),
  }));

/** The mesh of a slab; `coarser` is how many times as long as usual the sides of its triangles are. */
export function meshOfPlate(plate: PlateInput, coarser = 1): PlateMesh {
  const lines = [
    ...wallLines(plate),
    ...ribsOf(plate, 1).map((r) => r.piece),
    ...plate.columns.flatMap((c) => around(columnAt(c))),
    ...plate.regions.flatMap((r) => around(rectangleOf(r))),
  ];
  return meshOf({
    outline: outlineOf(plate),
    lines,
    points: plate.columns.map(({ x, y }): Point => [x, y]),
    sizeAt: sizesOf(plate, coarser),
  });
}

/** The depth of a slab at the middle of each triangle (mm). */
export const depthsOn = (plate: PlateInput, mesh: PlateMesh): Float64Array =>
  Float64Array.from({ length: mesh.triangles.length / 3 }, (_, e) => depthAt(plate, middleOfTriangle(mesh, e)));

function leastAtNodes({ at, triangles }: PlateMesh, depths: Float64Array): Float64Array {
  const least = new Float64Array(at.length / 2).fill(Infinity);
  triangles.forEach((node, i) => (least[node] = Math.min(least[node]!, depths[Math.floor(i / 3)]!)));
  return least;
}

/**
 * The width over which moments are means (mm): as set, or three times the depth, and on columns a quarter of the narrowest bay where that is more, the width
 * in which EN 1992-1-1 9.4.1(2) wants half of the top bars of a bay.
 */
export const spreadOf = (plate: PlateInput): number =>
  plate.spread ?? (plate.columns.length > 0 ? Math.max(3 * plate.h, narrowestBay(plate) / 4) : 3 * plate.h);

/** A slab on its supports, whatever its loads: factored, with what its fields are read by. */
interface HeldPlate extends Omit<PlateAnswer, 'parts'> {
  readonly across: Readonly<Record<Along, Across>>;
  /** For each direction of bars both terms node by node: how much of mx, my and mxy. */
  readonly shares: Readonly<Record<Along, readonly [Float64Array, Float64Array]>>;
  readonly faces: readonly ColumnFace[];
  /** Across the moments through faces along x and along y. */
  readonly acrossFaces: Readonly<Record<Along, Across>>;
}

/** Throws CalcError where the slab can move without resistance. */
function heldPlate(plate: PlateInput, code: DesignCode, mesh: PlateMesh): HeldPlate {
  const modulus = code.elasticModulus(silent, plate.materials);
  const depths = depthsOn(plate, mesh);
  const rigidities = new Map([...new Set(depths)].map((h) => [h, evenRigidity(modulus, plate.poisson, h)]));
  const supports = lineSupports(plate);
  const ribs = ribsOf(plate, modulus);
  const below = ribParts(mesh, ribs);
  const heldAt = (lifted?: ReadonlySet<number>) => ({
    ...supportsOf(mesh, supports, columnHeads(plate, code), rigidities.get(Math.max(...depths))!.bending[0], lifted),
    ribs: below,
  });
  const make = (lifted?: ReadonlySet<number>) => plateModel(mesh, (e) => rigidities.get(depths[e]!)!, heldAt(lifted));
  const locate = locatorOf(mesh);
  const { model, lifted } =
    plate.corners === 'lift'
      ? liftingPlate(make, nodesResting(mesh, supports), ({ unknowns }) => allLoads(plate, mesh, unknowns, locate))
      : { model: make(), lifted: new Set<number>() };
  const spread = spreadOf(plate);
  const axes = axesOf(plate);
  const acrossBars = (barsAt: (p: Point) => Point) => placesAcross(mesh, locate, barsAt, spread, model.bends);
  const across = { x: acrossBars((p) => axes.at(p).x), y: acrossBars((p) => axes.at(p).y) };
  const faces = facesOf(model, plate.columns);
  return {
    model,
    locate,
    ribs,
    supports,
    lifted: [...lifted],
    heads: Int32Array.from(heldAt().headOfColumn, (k) => (k < 0 ? -1 : mesh.at.length / 2 + k)),
    spread,
    depths: leastAtNodes(mesh, depths),
    shares: { x: sharesOf(plate, mesh, 'x'), y: sharesOf(plate, mesh, 'y') },
    across,
    faces,
    // Usually bars run as faces do.
    acrossFaces: faces.length === 0 || isAlongPlan(plate) ? across : { x: acrossBars(() => [1, 0]), y: acrossBars(() => [0, 1]) },
  };
}

/** What bars of a direction take of the moments at each node. */
function sharesOf(plate: PlateInput, { at }: PlateMesh, along: Along): [Float64Array, Float64Array] {
  const axes = axesOf(plate);
  const both: [Float64Array, Float64Array] = [new Float64Array((3 * at.length) / 2), new Float64Array((3 * at.length) / 2)];
  for (let n = 0; n < at.length / 2; n += 1) {
    const own = axes.at([at[2 * n]!, at[2 * n + 1]!]);
    barTerms(own[along], own[along === 'x' ? 'y' : 'x']).forEach(({ mx, my, mxy }, k) => both[k]!.set([mx, my, mxy], 3 * n));
  }
  return both;
}

/** All loads of a slab at once. */
function allLoads(plate: PlateInput, mesh: PlateMesh, unknowns: number, locate: Locate): Float64Array {
  const sum = new Float64Array(unknowns);
  for (const part of loadParts(plate, mesh, unknowns, locate)) part.loads.forEach((v, i) => (sum[i]! += v));
  return sum;
}

/** What a slab on its supports answers to a part of its loads. */
function answerTo(held: HeldPlate, part: LoadPart): PartAnswer {
  const { model, spread, across, shares } = held;
  const state = model.solve(part.loads);
  const moments = model.moments(state);
  const term = (along: Along, k: 0 | 1) => {
    const of = shares[along][k];
    const own = Float64Array.from(
      { length: moments.length / 3 },
      (_, n) => of[3 * n]! * moments[3 * n]! + of[3 * n + 1]! * moments[3 * n + 1]! + of[3 * n + 2]! * moments[3 * n + 2]!,
    );
    return spread > 0 ? meanAcross(model.mesh, across[along], own, 1, 0) : own;
  };
  const carried = { x: [term('x', 0), term('x', 1)], y: [term('y', 0), term('y', 1)] } as const;
  addMissed(held, state, moments, carried);
  return { ...part, state, moments, terms: carried, shears: shearsOf(model, moments) };
}

/** Adds what the field of moments misses at the faces of columns: a moment over the normal of the face, of which bars of every direction take their part. */
function addMissed(held: HeldPlate, state: PlateState, moments: Float64Array, carried: PartAnswer['terms']): void {
  const { model, locate, spread, shares, faces, acrossFaces } = held;
  for (const face of faces) {
    const missed = missedAt(face, model, locate, state, moments);
    const component = face.along === 'x' ? 0 : 1;
    for (const node of face.nodes) {
      // Over the part of the width that lies on the slab; over the face itself where moments are not spread.
      const width = spread > 0 ? Math.max(face.length, (acrossFaces[face.along][node]!.length / PLACES_ACROSS) * spread) : face.length;
      for (const along of ['x', 'y'] as const)
        carried[along].forEach((field, k) => (field[node]! += (shares[along][k]![3 * node + component]! * missed) / width));
    }
  }
}

/** What the stiffness of a slab on its supports depends on. */
const heldBy = ({ outline, openings, walls, columns, beams, regions, h, poisson, simpleEdges, corners, meshSize, spread }: PlateInput) => ({
  outline,
  openings,
  walls,
  columns: columns.map(({ x, y, shape, below, above, farEnds }) => ({ x, y, shape, below, above, farEnds })),
  beams,
  regions,
  h,
  poisson,
  simpleEdges,
  corners,
  meshSize,
  spread,
});

const loadedBy = ({ cases, loads, selfWeight, unitWeight }: PlateInput) => ({ cases, loads, selfWeight, unitWeight });

/** What its factored stiffness, and how bars carry its moments, depend on. */
const stiffBy = (plate: PlateInput, code: DesignCode, coarser: number) => ({
  ...heldBy(plate),
  axes: plate.axes,
  coarser,
  modulus: code.elasticModulus(silent, plate.materials),
  // Where it lifts depends on its loads.
  ...(plate.corners === 'lift' ? loadedBy(plate) : {}),
});

const meshes = new LastAnswers<PlateMesh>();
const plates = new LastAnswers<HeldPlate>();
const answers = new LastAnswers<PlateAnswer>();

/** The mesh of a slab with usual sides: known again while nothing changes that it depends on. */
export const usualMesh = (plate: PlateInput): PlateMesh => meshes.for(heldBy(plate), () => meshOfPlate(plate));

/**
 * Works a slab out as a plate. What it answered last is known again: with other bars all of it, with other loads its factored stiffness. Throws CalcError
 * where it can move without resistance.
 */
export function answerOf(plate: PlateInput, code: DesignCode, coarser = 1): PlateAnswer {
  const stiff = stiffBy(plate, code, coarser);
  return answers.for({ ...stiff, ...loadedBy(plate) }, () => {
    const held = plates.for(stiff, () => heldPlate(plate, code, coarser === 1 ? usualMesh(plate) : meshOfPlate(plate, coarser)));
    const { model, locate } = held;
    return { ...held, parts: loadParts(plate, model.mesh, model.unknowns, locate).map((part) => answerTo(held, part)) };
  });
}

/** Whether the slab was worked out a moment ago. */
export const isAnswered = (plate: PlateInput, code: DesignCode): boolean => answers.has({ ...stiffBy(plate, code, 1), ...loadedBy(plate) });
