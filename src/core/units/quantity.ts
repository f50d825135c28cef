import { getUnit, type Unit } from './unit';

/** The unit systems that a project can be shown in. The stored member never changes with it. */
export type UnitSystem = 'SI' | 'US';

/** Display of one kind of quantity: unit and decimals in each system, and the steps of the arrow keys. */
interface QuantityStyle {
  readonly SI: readonly [unit: string, decimals: number, step: number];
  readonly US: readonly [unit: string, decimals: number, step: number];
}

/** Every kind of quantity that is shown or typed. Steps are in the display unit. */
const styles = {
  number: { SI: ['', 2, 1], US: ['', 2, 1] },
  count: { SI: ['', 0, 1], US: ['', 0, 1] },
  ratio: { SI: ['', 2, 0.05], US: ['', 2, 0.05] },
  percent: { SI: ['%', 2, 1], US: ['%', 2, 1] },
  strain: { SI: ['‰', 2, 0.1], US: ['‰', 2, 0.1] },
  rotation: { SI: ['rad', 5, 0.001], US: ['rad', 5, 0.001] },
  curvature: { SI: ['1/m', 5, 0.001], US: ['1/in', 7, 0.0001] },
  angle: { SI: ['deg', 1, 1], US: ['deg', 1, 1] },
  length: { SI: ['mm', 0, 25], US: ['in', 2, 1] },
  smallLength: { SI: ['mm', 1, 1], US: ['in', 3, 0.125] },
  crack: { SI: ['mm', 3, 0.05], US: ['in', 4, 0.002] },
  diameter: { SI: ['mm', 0, 1], US: ['in', 3, 0.125] },
  span: { SI: ['mm', 0, 100], US: ['ft', 2, 0.5] },
  station: { SI: ['m', 2, 0.1], US: ['ft', 2, 0.5] },
  area: { SI: ['mm2', 0, 50], US: ['in2', 2, 0.1] },
  areaPerLength: { SI: ['mm2/mm', 3, 0.1], US: ['in2/in', 4, 0.01] },
  areaPerWidth: { SI: ['mm2/m', 0, 50], US: ['in2/ft', 2, 0.05] },
  areaLoad: { SI: ['kN/m2', 2, 0.5], US: ['psf', 0, 10] },
  volume: { SI: ['m3', 2, 0.1], US: ['yd3', 2, 0.1] },
  force: { SI: ['kN', 1, 5], US: ['kip', 1, 1] },
  lineLoad: { SI: ['kN/m', 1, 1], US: ['kip/ft', 2, 0.1] },
  lineTorque: { SI: ['kNm/m', 1, 1], US: ['kip-ft/ft', 2, 0.5] },
  moment: { SI: ['kNm', 1, 10], US: ['kip-ft', 1, 10] },
  stress: { SI: ['MPa', 1, 5], US: ['psi', 0, 500] },
  shearStress: { SI: ['MPa', 3, 0.1], US: ['psi', 0, 10] },
  steelStress: { SI: ['MPa', 0, 10], US: ['ksi', 1, 5] },
  modulus: { SI: ['GPa', 1, 1], US: ['ksi', 0, 100] },
  springRotation: { SI: ['kNm/rad', 0, 1000], US: ['kip-ft/rad', 0, 1000] },
  springVertical: { SI: ['kN/m', 0, 1000], US: ['kip/ft', 0, 100] },
  springLine: { SI: ['kN/m2', 0, 1000], US: ['ksf', 0, 100] },
  turningLine: { SI: ['kNm/rad/m', 0, 1000], US: ['kip-ft/rad/ft', 0, 1000] },
  density: { SI: ['kg/m3', 0, 50], US: ['pcf', 0, 1] },
  unitWeight: { SI: ['kN/m3', 1, 0.5], US: ['lbf/ft3', 0, 5] },
  minutes: { SI: ['min', 0, 30], US: ['min', 0, 30] },
  mass: { SI: ['kg', 0, 1], US: ['lbm', 0, 1] },
  massPerVolume: { SI: ['kg/m3', 0, 1], US: ['lb/yd3', 0, 1] },
} satisfies Record<string, QuantityStyle>;

export type QuantityKind = keyof typeof styles;

export interface DisplayUnit {
  readonly unit: Unit;
  readonly decimals: number;
  readonly step: number;
}

/** The unit, decimals and arrow-key step in which a kind of quantity is shown in a unit system. */
export function displayUnit(kind: QuantityKind, system: UnitSystem): DisplayUnit {
  const [name, decimals, step] = styles[kind][system];
  return { unit: getUnit(name), decimals, step };
}

export const quantityKinds = Object.keys(styles) as QuantityKind[];
