import { addParabola, addUniform } from './concrete-integral';
import { parabolaStress, steelStress, type ConcreteLaw, type SteelLaw } from './laws';
import type { Bearing, PolygonSection } from './polygon-section';

/**
 * How a code reduces the strength of a section, by the state it is in: the strain of the bars furthest in tension (tension positive), the depth
 * of the neutral axis over that of those bars, the axial force before reduction (N, compression positive), and the section with the bearing along
 * which it is compressed (null where it is strained evenly).
 */
export type StrengthReduction = (tensionStrain: number, depth: number, N: number, section: PolygonSection, b: Bearing | null) => number;

/** Where a code leads in a straight line of forces from no strain at the far edge to its squash load: the stress of concrete there, and the strain. */
export interface SquashLine {
  readonly concrete: number;
  readonly strain: number;
}

/** What a code says of a section at the ultimate state. */
export interface UltimateBasis {
  readonly concrete: ConcreteLaw;
  readonly steel: SteelLaw;
  /** Strain of uniform compression, to which the edge strain falls as the neutral axis leaves the section; null keeps that of the edge. */
  readonly uniformStrain: number | null;
  /** Whether the concrete that bars displace is taken off. */
  readonly deductsDisplaced: boolean;
  readonly reduction: StrengthReduction | null;
  /** Most axial force as a part of the reduced squash load; null when there is no such limit. */
  readonly axialCap: number | null;
  /** Stress of the bars in the squash load. */
  readonly squashStress: number;
  /** Left out where the strains go on as they do within the section. */
  readonly squashLine?: SquashLine;
  /** What counts of the stress of a block, by the shape of what is compressed with the neutral axis at depth x; all of it where it is left out. */
  readonly blockShare?: (section: PolygonSection, b: Bearing, x: number) => number;
}

/** A state at the limit of strain. Forces are design values: reduced where the code reduces them. */
export interface UltimateState {
  N: number;
  Mx: number;
  My: number;
  /** Strength reduction that is in the forces; 1 where the code has none. */
  factor: number;
  /** Strain of the bars furthest from the compressed side, compression positive. */
  barStrain: number;
}

export const emptyState = (): UltimateState => ({ N: 0, Mx: 0, My: 0, factor: 1, barStrain: 0 });

/** Depth of the neutral axis for the parameter t: 0 is pure tension, up to 1 it lies in the section at t h, at 2 infinitely far. */
export function neutralAxisDepth(t: number, h: number): number {
  return t <= 1 ? t * h : h / Math.max(2 - t, 1e-12);
}

/** Strain as e0 + k v along a bearing, with the neutral axis at depth x (6.1: pivots at the edge, and within the section beyond it). */
export function limitStrain(b: Bearing, x: number, basis: UltimateBasis): { readonly e0: number; readonly k: number } {
  const { ultimateStrain: ecu } = basis.concrete;
  const pivot = basis.uniformStrain;
  if (basis.squashLine && x > b.h) {
    const toSquash = 1 - b.h / x;
    const k = ((1 - toSquash) * ecu) / b.h;
    return { k, e0: toSquash * basis.squashLine.strain - k * b.vMin };
  }
  if (pivot === null || x <= b.h) {
    const k = ecu / x;
    return { k, e0: k * (x - b.vMax) };
  }
  const depth = (1 - pivot / ecu) * b.h;
  const k = pivot / (x - depth);
  return { k, e0: k * (x - b.vMax) };
}

const sums = new Float64Array(3);
const decompressed = new Float64Array(3);

/** Fills `out` with the state of a section along a bearing at parameter t (see {@link neutralAxisDepth}). */
export function ultimateAt(section: PolygonSection, b: Bearing, t: number, basis: UltimateBasis, out: UltimateState): void {
  sums.fill(0);
  if (t <= 0) {
    for (let i = 0; i < b.bars.length; i += 1) addBar(section, b, i, -basis.steel.yield);
    return finish(section, b, out, Infinity, 0, basis);
  }
  const x = neutralAxisDepth(t, b.h);
  const { e0, k } = limitStrain(b, x, basis);
  if (basis.squashLine && t > 1) addAlongSquashLine(section, b, t - 1, basis, basis.squashLine);
  else addStrained(section, b, x, e0, k, basis);
  finish(section, b, out, -(e0 + k * b.vBarMin), x / (b.vMax - b.vBarMin), basis);
}

/** Adds the forces of concrete and bars with a plane of strain. */
function addStrained(section: PolygonSection, b: Bearing, x: number, e0: number, k: number, basis: UltimateBasis): void {
  const { concrete, steel } = basis;
  const axis = b.vMax - x;
  const isBlock = concrete.kind === 'block';
  const blockEdge = isBlock ? b.vMax - concrete.depthFactor * x : 0;
  const blockStress = isBlock ? concrete.stress * (basis.blockShare?.(section, b, x) ?? 1) : 0;
  if (isBlock) addUniform(b.edges, blockEdge, blockStress, sums);
  else addParabola(b.edges, axis, axis + concrete.peakStrain / k, concrete, sums);
  for (let i = 0; i < b.bars.length; i += 1) {
    const v = b.bars[i]!;
    const strain = e0 + k * v;
    let stress = steelStress(strain, steel);
    if (basis.deductsDisplaced && strain > 0) {
      if (isBlock) stress -= v >= blockEdge ? blockStress : 0;
      else stress -= parabolaStress(strain, concrete);
    }
    addBar(section, b, i, stress);
  }
}

/** Adds the forces of a part of the way from no strain at the far edge (0) to the squash load (1). */
function addAlongSquashLine(section: PolygonSection, b: Bearing, part: number, basis: UltimateBasis, squash: SquashLine): void {
  const k = basis.concrete.ultimateStrain / b.h;
  addStrained(section, b, b.h, -k * b.vMin, k, basis);
  decompressed.set(sums);
  sums.fill(0);
  addUniform(b.edges, b.vMin, squash.concrete, sums);
  const bars = basis.squashStress - (basis.deductsDisplaced ? squash.concrete : 0);
  for (let i = 0; i < b.bars.length; i += 1) addBar(section, b, i, bars);
  for (let i = 0; i < 3; i += 1) sums[i] = (1 - part) * decompressed[i]! + part * sums[i]!;
}

function addBar(section: PolygonSection, b: Bearing, i: number, stress: number): void {
  const bar = section.bars[i]!;
  const force = bar.area * stress;
  sums[0]! += force;
  sums[1]! += force * b.bars[i]!;
  sums[2]! += force * (bar.x * b.sin - bar.y * b.cos);
}

function finish(
  section: PolygonSection,
  b: Bearing,
  out: UltimateState,
  tensionStrain: number,
  depth: number,
  { reduction }: UltimateBasis,
): void {
  const [N, Fv, Fu] = [sums[0]!, sums[1]!, sums[2]!];
  const factor = reduction ? reduction(tensionStrain, depth, N, section, b) : 1;
  out.N = factor * N;
  out.Mx = factor * (Fv * b.sin - Fu * b.cos);
  out.My = factor * (Fv * b.cos + Fu * b.sin);
  out.factor = factor;
  out.barStrain = -tensionStrain;
}

/** Squash load of the section, before reduction (N). */
export function squashLoad(section: PolygonSection, basis: UltimateBasis): number {
  const stress = basis.squashLine?.concrete ?? basis.concrete.stress;
  // A cap on the axial force is set on the net area of concrete (ACI 318-19 22.4.2.2), whatever is done for single bars.
  const displaced = basis.deductsDisplaced || basis.axialCap !== null ? section.steelArea * stress : 0;
  return stress * section.gross.area - displaced + section.steelArea * basis.squashStress;
}

/** Largest axial force that may be counted on (N): reduced, and capped where the code caps it. */
export function mostCompression(section: PolygonSection, basis: UltimateBasis): number {
  const squash = squashLoad(section, basis);
  return squash * (basis.reduction?.(-basis.concrete.ultimateStrain, Infinity, squash, section, null) ?? 1) * (basis.axialCap ?? 1);
}

/** Resistance in pure tension (N, negative). */
export function mostTension(section: PolygonSection, basis: UltimateBasis): number {
  const N = -section.steelArea * basis.steel.yield;
  return N * (basis.reduction?.(Infinity, 0, N, section, null) ?? 1);
}
