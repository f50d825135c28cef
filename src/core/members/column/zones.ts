import { silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { FIRE_PERIODS, type IsothermRules } from '../../codes/fire-rules';
import { interactionSlice } from '../../section/critical-points';
import { fireField, hotSides } from './fire-field';
import { hotSection } from './fire-isotherm';
import type { ColumnInput } from './input';
import type { ColumnModel } from './section';

/** What is drawn on the interaction beside the resistance: an area of states, or a line of them. */
export interface Zone {
  readonly name: string;
  readonly kind: 'area' | 'line';
  readonly points: readonly { readonly N: number; readonly M: number }[];
}

/** Lines that are worked out when they are switched on, not with every figure that is typed. */
export interface LinesOnDemand {
  readonly name: string;
  draw(): readonly Zone[];
}

/** Levels of axial force at which zones are drawn. */
const LEVELS = 80;

/** Where the core has to be confined, and the minimum moments, in the direction of the slice. */
export function zonesOf(column: ColumnInput, code: DesignCode, model: ColumnModel, direction: number): Zone[] {
  const { surface, section } = model;
  const [dx, dy] = [Math.sin(direction), Math.cos(direction)];
  const levels = Array.from({ length: LEVELS }, (_, i) => (surface.most * (i + 0.5)) / LEVELS);
  const carried = (N: number) => surface.roughCapacity(N, dx, dy);
  const { confinement } = code.column;
  const asked = levels.flatMap((N) => {
    const from = confinement?.askedFrom({ N, squash: surface.most, area: section.gross.area, materials: column.materials }) ?? Infinity;
    return Number.isFinite(from) ? [{ N, M: carried(N), from }] : [];
  });
  const inner = asked.map(({ N, M, from }) => ({ N, M: from * M })).reverse();
  const rule = model.axes[Math.abs(dx) >= Math.abs(dy) ? 'x' : 'y'].rule;
  const least = rule.section && levels.map((N) => ({ N, M: Math.abs(rule.section!(silent, N, 0, 1)) }));
  return [
    ...(asked.length > 1 ? [{ name: 'core to be confined', kind: 'area' as const, points: [...asked, ...inner] }] : []),
    ...(least && least.some((q) => q.M > 0) ? [{ name: 'minimum moment', kind: 'line' as const, points: least }] : []),
  ];
}

/** Where the reduction of strength changes, and what is left after the fire that is asked for. */
export function linesOnDemand(column: ColumnInput, code: DesignCode, model: ColumnModel, direction: number): LinesOnDemand[] {
  const rules = code.fire.isotherm;
  const hasFire = rules && column.fire.minutes !== null && !column.isSection && rules.materialFault(column.materials) === null;
  return [
    ...(model.basis.reduction ? [once('φ', () => reductionLines(model, direction))] : []),
    ...(hasFire ? [once(`fire, ${column.fire.minutes} min`, () => fireLine(column, rules, code, model, direction))] : []),
  ];
}

function once(name: string, draw: () => Zone[]): LinesOnDemand {
  let known: Zone[] | undefined;
  return { name, draw: () => (known ??= draw()) };
}

/** Where the reduction of strength leaves its largest value, and where it has come to its least: a line from no force to each of both states. */
function reductionLines({ surface }: ColumnModel, direction: number): Zone[] {
  const [dx, dy] = [Math.sin(direction), Math.cos(direction)];
  const stateAt = (N: number) => {
    const p = surface.capacity(N, dx, dy);
    return p && { N, M: p.Mx * dx + p.My * dy, phi: p.factor };
  };
  const states = Array.from({ length: LEVELS / 2 }, (_, i) =>
    stateAt(surface.least + ((surface.most - surface.least) * (i + 0.5)) / (LEVELS / 2)),
  ).filter((q) => !!q);
  const phis = states.map((q) => q.phi);
  const [most, least] = [Math.max(...phis), Math.min(...phis)];
  if (!(most - least > 0.01)) return [];
  const at = (isThere: (phi: number) => boolean, from: number, to: number) => {
    let [a, b] = [states[from]!, states[to]!];
    for (let n = 0; n < 8; n += 1) {
      const middle = stateAt((a.N + b.N) / 2);
      if (!middle) break;
      if (isThere(middle.phi)) a = middle;
      else b = middle;
    }
    return a;
  };
  const last = phis.findLastIndex((phi) => phi > most - 1e-3);
  const first = phis.findIndex((phi) => phi < least + 1e-3);
  const ends = [
    last + 1 < states.length ? at((phi) => phi > most - 1e-3, last, last + 1) : states[last]!,
    first > 0 ? at((phi) => phi < least + 1e-3, first, first - 1) : states[first]!,
  ];
  return ends.map(({ N, M, phi }) => ({
    name: `φ ${phi.toFixed(2)}`,
    kind: 'line' as const,
    points: [
      { N: 0, M: 0 },
      { N: 0.8 * N, M: 0.8 * M },
      { N, M },
    ],
  }));
}

/** What the section carries after the period of fire that is asked for, over the part of the design forces that there is in a fire. */
function fireLine(column: ColumnInput, rules: IsothermRules, code: DesignCode, model: ColumnModel, direction: number): Zone[] {
  const k = FIRE_PERIODS.findIndex((p) => p === column.fire.minutes);
  const hot = hotSection({ column, model }, rules, fireField(column, rules, code, model, hotSides(column)[0]!), k);
  if (!hot) return [];
  const off = hot.middle[1] * Math.sin(direction) + hot.middle[0] * Math.cos(direction);
  const points = interactionSlice(hot.surface, direction, 24).map(({ N, M }) => ({
    N: N / rules.reduction,
    M: (M + N * off) / rules.reduction,
  }));
  return [{ name: `fire, ${column.fire.minutes} min`, kind: 'line', points }];
}
