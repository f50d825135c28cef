import type { HeatCells } from './heat-cells';

/** How a material takes up and carries heat, by its temperature in degrees C. */
export interface HeatLaw {
  /** Conductivity, W/(m K), which is N/(s K). */
  conductivity(theta: number): number;
  /** Heat taken up by a volume, J/(m3 K). */
  capacity(theta: number): number;
}

/** The gas round the section: its temperature (degrees C) by minutes, the coefficient of convection, W/(m2 K), and the emissivity of both together. */
export interface HeatFire {
  gas(minutes: number): number;
  readonly convection: number;
  readonly emissivity: number;
}

/** Temperatures of the cells at a time, and of the exposed edges (degrees C). */
export interface HeatState {
  readonly minutes: number;
  readonly cells: Float64Array;
  readonly edges: Float64Array;
}

const COLD = 20;
const HOTTEST = 1400;
/** Stefan-Boltzmann, W/(m2 K4). */
const RADIATION = 5.67e-8;
const KELVIN = 273.15;
/** The longest step (s), for the curve of the fire to be followed. */
const LONGEST = 15;
/** Of the longest step with which the explicit way stays stable. */
const SAFE = 0.8;

/** Tables of a law: conductivity by degree, heat content above 20 degrees (J/m3) by degree, and the temperature by heat content. */
function tabled(law: HeatLaw) {
  const n = HOTTEST - COLD;
  const conductivity = Float64Array.from({ length: n + 1 }, (_, i) => law.conductivity(COLD + i));
  const content = new Float64Array(n + 1);
  // Four points in a degree follow the peak of evaporation.
  for (let i = 1; i <= n; i += 1)
    content[i] = content[i - 1]! + [1, 3, 5, 7].reduce((sum, k) => sum + law.capacity(COLD + i - 1 + k / 8), 0) / 4;
  const bins = 8 * n;
  const step = content[n]! / bins;
  const theta = new Float64Array(bins + 1);
  for (let b = 0, i = 0; b <= bins; b += 1) {
    while (i + 1 < n && content[i + 1]! < b * step) i += 1;
    theta[b] = COLD + i + (b * step - content[i]!) / (content[i + 1]! - content[i]!);
  }
  const least = Math.min(...content.slice(1).map((v, i) => v - content[i]!));
  return { conductivity, theta, perBin: 1 / step, mostConductivity: Math.max(...conductivity), leastCapacity: least };
}

/** The value of a table between its entries. */
function read(table: Float64Array, at: number): number {
  const f = at < 0 ? 0 : at >= table.length - 1 ? table.length - 1 - 1e-9 : at;
  const i = f | 0;
  return table[i]! + (f - i) * (table[i + 1]! - table[i]!);
}

/**
 * Heats a section from 20 degrees along a fire and gives its temperatures at the times asked for (minutes, growing). Explicit steps of finite volumes that keep
 * account of the heat in every cell, so that evaporation at 100 degrees is not stepped over; the surface stands between gas and cell.
 */
export function heatFlow(cells: HeatCells, law: HeatLaw, fire: HeatFire, times: readonly number[]): HeatState[] {
  const t = tabled(law);
  const n = cells.area.length;
  // Areas are mm2 and contents J/m3: a length of one metre, with areas in m2.
  const volume = cells.area.map((a) => a * 1e-6);
  const theta = new Float64Array(n).fill(COLD);
  const heat = new Float64Array(n);
  const lambda = new Float64Array(n);
  const flow = new Float64Array(n);
  const edges = new Float64Array(cells.hot.length).fill(COLD);
  const { a, b, ratio } = linksInRows(cells);
  const dt = stableStep(cells, volume, t.mostConductivity, t.leastCapacity);
  const states: HeatState[] = [];
  let seconds = 0;
  for (const minutes of times) {
    const steps = Math.max(1, Math.ceil((minutes * 60 - seconds) / dt));
    const step = (minutes * 60 - seconds) / steps;
    for (let s = 0; s < steps; s += 1) {
      const gas = fire.gas((seconds + (s + 0.5) * step) / 60);
      for (let i = 0; i < n; i += 1) {
        lambda[i] = read(t.conductivity, theta[i]! - COLD);
        flow[i] = 0;
      }
      for (let k = 0; k < a.length; k += 1) {
        const p = a[k]!;
        const q = b[k]!;
        const w = 0.5 * (lambda[p]! + lambda[q]!) * ratio[k]! * (theta[p]! - theta[q]!);
        flow[p]! -= w;
        flow[q]! += w;
      }
      for (let k = 0; k < edges.length; k += 1) {
        const { cell, length, depth } = cells.hot[k]!;
        const inner = (lambda[cell]! * 1e3) / depth;
        edges[k] = surface(edges[k]!, gas, theta[cell]!, inner, fire);
        flow[cell]! += inner * (edges[k]! - theta[cell]!) * length * 1e-3;
      }
      for (let i = 0; i < n; i += 1) {
        heat[i]! += (flow[i]! * step) / volume[i]!;
        theta[i] = read(t.theta, heat[i]! * t.perBin);
      }
    }
    seconds = minutes * 60;
    states.push({ minutes, cells: theta.slice(), edges: edges.slice() });
  }
  return states;
}

const linksInRows = ({ links }: HeatCells) => ({
  a: Int32Array.from(links, (l) => l.a),
  b: Int32Array.from(links, (l) => l.b),
  ratio: Float64Array.from(links, (l) => l.ratio),
});

/** The step (s) with which no cell can give away more than it has. */
function stableStep(cells: HeatCells, volume: Float64Array, conductivity: number, capacity: number): number {
  const carried = new Float64Array(volume.length);
  for (const { a, b, ratio } of cells.links) {
    carried[a]! += conductivity * ratio;
    carried[b]! += conductivity * ratio;
  }
  for (const { cell, length, depth } of cells.hot) carried[cell]! += (conductivity * length) / depth;
  let step = LONGEST;
  volume.forEach((v, i) => carried[i]! > 0 && (step = Math.min(step, (SAFE * v * capacity) / carried[i]!)));
  return step;
}

/** Temperature of the surface between the gas and the middle of a cell: what the gas brings is what goes in. Newton from the last one. */
function surface(last: number, gas: number, cell: number, inner: number, { convection, emissivity }: HeatFire): number {
  const e = emissivity * RADIATION;
  const g = gas + KELVIN;
  const hot = g * g * g * g;
  let s = last;
  for (let i = 0; i < 4; i += 1) {
    const k = s + KELVIN;
    const cube = k * k * k;
    const change = (convection * (gas - s) + e * (hot - cube * k) - inner * (s - cell)) / (convection + 4 * e * cube + inner);
    s += change;
    if (change < 0.05 && change > -0.05) break;
  }
  return s;
}
