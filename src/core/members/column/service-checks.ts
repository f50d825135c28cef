import { largestOf } from '../../checks/largest';
import { silent, type Calc } from '../../calc/calc';
import type { CrackQuestion } from '../../codes/service-rules';
import { clipLoop, distanceToEdges, signedArea } from '../../geometry/polygon';
import type { PolygonSection } from '../../section/polygon-section';
import { solvePlane, strainAt, type StrainPlane } from '../../section/strain-plane';
import { compareCheck } from '../../checks/compare';
import { checkInWords, type DerivableCheck } from '../../checks/check';
import { nowhere, type ColumnBasis } from './checks';
import { inBendingSense } from './load-sets';
import { serviceLaws, serviceModulus } from './states';
import { axialAt, type LoadSet } from './input';

/** Stresses of the cracked elastic section under one service set, at the end where they are worst. */
export interface ServiceState {
  readonly set: LoadSet;
  readonly end: 'top' | 'foot';
  readonly plane: StrainPlane;
  readonly modulus: number;
  /** Largest compression of concrete, and largest tension of a bar (MPa, both positive). */
  readonly concrete: number;
  readonly steel: number;
  /** The bar of largest tension, by number. */
  readonly bar: number;
}

/** Solves both ends of a service set; undefined when no plane holds it (as with tension on bars in one line). */
export function serviceStates(basis: Pick<ColumnBasis, 'column' | 'code' | 'model'>, set: LoadSet): ServiceState[] {
  const { column, code, model } = basis;
  const { section } = model;
  const laws = serviceLaws(column, code, model, set);
  const modulus = laws.concrete.stress;
  const f = inBendingSense(set, column.signs);
  const ends = [
    ['top', f.mxTop, f.myTop],
    ['foot', f.mxBottom, f.myBottom],
  ] as const;
  return (column.isSection ? ends.slice(0, 1) : ends).flatMap(([end, Mx, My]) => {
    const plane = solvePlane(section, { N: axialAt(set, end), Mx, My }, laws);
    if (!plane) return [];
    const concrete = Math.max(0, ...section.outline.outer.map(([x, y]) => strainAt(plane, x, y))) * modulus;
    const tensions = section.bars.map((b) => -strainAt(plane, b.x, b.y) * laws.steel.modulus);
    const steel = Math.max(...tensions);
    return [{ set, end, plane, modulus, concrete, steel: Math.max(0, steel), bar: tensions.indexOf(steel) }];
  });
}

/** What the crack rule asks of a state: the section seen along the strain gradient. */
export function crackQuestion(basis: Pick<ColumnBasis, 'column' | 'model'>, s: ServiceState): CrackQuestion {
  const { column, model } = basis;
  const { section } = model;
  const k = Math.hypot(s.plane.kx, s.plane.ky);
  const [nx, ny] = k < 1e-15 ? [0, 1] : [s.plane.ky / k, s.plane.kx / k];
  const vs = section.outline.outer.map(([x, y]) => nx * x + ny * y);
  const [low, high] = [Math.min(...vs), Math.max(...vs)];
  const h = high - low;
  const bar = section.bars[s.bar]!;
  const edge = nx * bar.x + ny * bar.y - low;
  const strainLow = s.plane.e0 + k * low;
  const strainHigh = s.plane.e0 + k * high;
  const neutral = k < 1e-15 ? (s.plane.e0 < 0 ? 0 : h) : Math.max(0, Math.min(h, high + s.plane.e0 / k));
  const others = section.bars.filter((b, i) => i !== s.bar && strainAt(s.plane, b.x, b.y) < 0);
  return {
    materials: column.materials,
    steelStress: s.steel,
    diameter: bar.diameter,
    cover: distanceToEdges([bar.x, bar.y], section.outline) - bar.diameter / 2,
    spacing: Math.min(...others.map((b) => Math.hypot(b.x - bar.x, b.y - bar.y))),
    h,
    d: h - edge,
    x: strainHigh <= 0 ? 0 : neutral,
    strip: (depth) => stripOf(section, [nx, ny], low + depth),
    strains: [Math.max(-strainLow, 1e-12), Math.max(0, -strainHigh)],
    isSustained: s.set.kind !== 'characteristic',
  };
}

function stripOf(section: PolygonSection, normal: readonly [number, number], level: number) {
  const { outline, bars } = section;
  const below = (loop: readonly (readonly [number, number])[]) => Math.abs(signedArea(clipLoop(loop, [-normal[0], -normal[1]], -level)));
  const concrete = below(outline.outer) - outline.holes.reduce((sum, hole) => sum + below(hole), 0);
  const steel = bars.filter((b) => normal[0] * b.x + normal[1] * b.y <= level).reduce((sum, b) => sum + b.area, 0);
  return { concrete, steel };
}

/** Crack width and stresses under the service sets. */
export function serviceChecks(basis: ColumnBasis, sets: readonly LoadSet[]): DerivableCheck[] {
  const states = sets.filter((s) => s.kind !== 'ultimate').flatMap((s) => serviceStates(basis, s));
  if (states.length === 0) return [noServiceSets(basis)];
  return [...crackChecks(basis, states), ...stressChecks(basis, states)];
}

function noServiceSets({ code }: ColumnBasis): DerivableCheck {
  return checkInWords({
    id: 'crack-width',
    family: 'crack',
    title: 'Crack width and stresses',
    clause: code.service.crackClause,
    status: 'notApplicable',
    place: nowhere,
    reason: 'No service load sets: add one to check crack width and stresses.',
  });
}

function crackChecks(basis: ColumnBasis, states: readonly ServiceState[]): DerivableCheck[] {
  const { code, column } = basis;
  const { crack } = code.service;
  const base = { id: 'crack-width', family: 'crack' as const, title: 'Crack width', clause: code.service.crackClause };
  if (!crack)
    return [checkInWords({ ...base, status: 'notApplicable', place: nowhere, reason: 'This code asks for no crack width of columns.' })];
  const cracked = states.filter((s) => s.set.kind !== 'characteristic' && s.steel > 1);
  const width = (s: ServiceState, c: Calc = silent) => crack(c, crackQuestion(basis, s)).width;
  const widths = new Map(cracked.map((s) => [s, width(s)]));
  const worst = largestOf(cracked, (s) => widths.get(s)!);
  return [
    compareCheck({
      ...base,
      place: { x: null, label: worst?.end ?? '' },
      combination: worst?.set.name ?? '',
      kind: 'crack',
      compare: (c) => {
        if (!worst) c.note('No bar is in tension under any of these sets: nothing cracks.');
        return {
          demand: worst ? width(worst, c) : 0,
          ...(worst ? {} : { demandIs: ['crack width', 'none without tension'] as const }),
          capacity: column.crackLimit,
          capacityIs: ['crack width allowed', 'typed on the basis, 0.3 mm unless it is changed'],
        };
      },
      fails: (w, allowed) => `Cracks of ${w}${column.isSection ? '' : ` at the ${worst!.end}`}; ${allowed} is allowed.`,
    }),
  ];
}

function stressChecks(basis: ColumnBasis, states: readonly ServiceState[]): DerivableCheck[] {
  const { code, column } = basis;
  const rows = states.flatMap((s) => {
    const kind = s.set.kind === 'ultimate' ? 'service' : s.set.kind;
    const limits = code.service.stressLimits(column.materials, kind);
    return [
      limits.concrete && {
        s,
        what: 'concrete' as const,
        title: `Concrete stress, ${kindNames[kind]}`,
        stress: s.concrete,
        limit: limits.concrete,
      },
      limits.steel && { s, what: 'steel' as const, title: `Bar stress, ${kindNames[kind]}`, stress: s.steel, limit: limits.steel },
    ].filter((r) => r !== null);
  });
  const titles = [...new Set(rows.map((r) => r.title))];
  return titles.map((title) => {
    const r = rows.filter((q) => q.title === title).reduce((a, b) => (b.stress > a.stress ? b : a));
    return compareCheck({
      id: `stress-${r.what}-${r.s.set.kind}`,
      family: 'crack',
      title,
      clause: r.limit.clause,
      place: { x: null, label: column.isSection ? '' : r.s.end },
      combination: r.s.set.name,
      kind: 'stress',
      compare: (c) => {
        serviceModulus(c, column, code, basis.model, r.s.set);
        return {
          demand: r.stress,
          demandIs: [
            `largest stress of ${r.what === 'concrete' ? 'the concrete' : 'a bar'}`,
            `of the cracked section under ${r.s.set.name}, with the modulus above`,
          ],
          capacity: r.limit.value,
          capacityIs: ['stress allowed', 'the part of the strength that the code allows'],
        };
      },
    });
  });
}

const kindNames = { characteristic: 'char.', frequent: 'freq.', quasiPermanent: 'quasi-perm.', service: 'service' } as const;
