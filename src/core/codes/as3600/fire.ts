import type { Calc } from '../../calc/calc';
import type { Choice } from '../design-code';
import type { FireColumn, FireRules, FireWall, FireWay } from '../fire-rules';
import * as tables from '../fire-tables';
import { formula, symbols } from './symbols';

export const F = {
  level: formula('mu_f', 'eta_f * u_ray', '5.6.3'),
  steel: formula('omega_f', '(A_s * f_sy / 1.15) / (A_g * f_c_prime / 1.5)', '5.6.4'),
  load: formula('n_f', 'eta_f * N_comp / (0.7 * (A_g * f_c_prime / 1.5 + A_s * f_sy / 1.15))', '5.6.4'),
};

/** What AS 3600 leaves open for fire. */
export const fireChoices: readonly Choice[] = [
  {
    key: 'fireReduction',
    title: 'Forces in fire over design forces (0.79: no mix of G + ψlQ over 1.35G and 1.2G + 1.5Q is above it)',
    clause: 'AS/NZS 1170.0 4.2.4',
    topic: 'fire',
    options: { min: 0.2, max: 1, usual: 0.79 },
  },
  {
    key: 'fireForces',
    title: 'Forces of columns and walls in fire, where load cases are known',
    clause: 'AS/NZS 1170.0 4.2.4',
    topic: 'fire',
    only: 'columns',
    options: { part: 'a part of the design forces', sustained: 'of G + ψlQ' },
  },
  {
    key: 'fireLength',
    title: 'Effective length in fire',
    clause: '5.6.2',
    topic: 'fire',
    only: 'columns',
    options: { normal: 'as at normal temperature', inner: 'half the storey: inner storeys', top: '0.7 of the storey: top storey' },
  },
];

/** Longest effective length, and most eccentricity over the width, of table 5.6.3; the same and slenderness of table 5.6.4. */
const A = { length: 3000, e: 0.15 };
const B = { e: 0.25, most: 100, slenderness: 30 };

const no = (title: string, clause: string, reason: string): FireWay => ({ title, clause, minutes: 0, reason });

/** Fire resistance by the tables of AS 3600 section 5. */
export function fireRules(choose: (key: string) => string): FireRules {
  const eta = Number(choose('fireReduction'));
  const lengthOf = (q: Pick<FireColumn, 'l0' | 'height'>) => ({ inner: 0.5 * q.height, top: 0.7 * q.height })[choose('fireLength')] ?? q.l0;
  const etaOf = (q: Pick<FireWall, 'isOfFire'>) => (q.isOfFire ? 1 : eta);
  const level = (c: Calc, q: Pick<FireWall, 'use' | 'isOfFire'>) =>
    c.let(F.level, {
      eta_f: c.given(symbols.eta_f, etaOf(q), q.isOfFire ? 'forces of the fire itself' : 'forces in fire over design forces'),
      u_ray: c.given(symbols.u_ray, q.use, 'N and M growing together, over the strength without phi'),
    });
  return {
    column: (c, q) => [byLevel(level(c, q), q, lengthOf(q)), bySteel(c, q, etaOf(q), lengthOf(q)), asWall(level(c, q), q)],
    wall: (c, q) => [wallWay(level(c, q), q)],
    forces: choose('fireForces') === 'sustained' ? { kind: 'sustained', title: 'G + ψlQ', clause: 'AS/NZS 1170.0 4.2.4' } : null,
    beam: (_c, q) => {
      const side = q.layers === 1 ? q.side - 10 : q.side;
      const axis = Math.min(q.axis, side);
      const simple = { title: 'beam on two supports', clause: 'table 5.4.1(A)', ...tables.periodsKept(tables.beamSimple, q.width, axis) };
      if (q.system !== 'continuous') return [simple];
      const kept = tables.periodsKept(tables.beamContinuous, q.width, axis);
      return [simple, { title: 'continuous beam', clause: 'table 5.4.1(B)', ...kept }];
    },
    slab: (_c, q) => {
      const [table, title, clause] =
        q.kind === 'flat'
          ? ([tables.slabFlat, 'flat slab', 'table 5.5.2(B)'] as const)
          : q.kind === 'oneWay' || q.ratio > 2
            ? ([tables.slabOneWay, 'slab spanning one way', 'table 5.5.2(A)'] as const)
            : q.ratio <= 1.5
              ? ([tables.slabTwoWay, 'slab spanning two ways', 'table 5.5.2(A)'] as const)
              : ([tables.slabTwoWayLong, 'slab spanning two ways, sides up to 2', 'table 5.5.2(A)'] as const);
      return [{ title, clause, ...tables.periodsKept(table, q.depth, q.axis) }];
    },
  };
}

function byLevel(level: number, q: FireColumn, length: number): FireWay {
  const [title, clause] = ['table by level of load', 'table 5.6.3'];
  if (!q.isBraced) return no(title, clause, 'for braced columns only');
  if (length > A.length + 1e-6) return no(title, clause, `for effective lengths up to 3 m, it is ${(length / 1000).toFixed(2)} m`);
  if (q.e > A.e * q.width) return no(title, clause, `for eccentricities up to 0.15 b, it is ${q.e.toFixed(0)} mm`);
  const row = tables.columnLevels.find((l) => level <= l + 1e-9);
  if (row === undefined) return no(title, clause, `for levels of load up to 0.7, it is ${level.toFixed(2)}`);
  if (q.isOneSided) return { title: `${title}, one side exposed`, clause, ...tables.periodsKept(tables.columnOneSide, q.width, q.axis) };
  const more = (period: number) => (q.bars < 8 && tables.eightBars(row, q.width, period) ? `${period} minutes need eight bars` : null);
  return { title: `${title}, ${row}`, clause, ...tables.periodsKept(tables.columnTables[row], q.width, q.axis, { more }) };
}

function bySteel(c: Calc, q: FireColumn, eta: number, length: number): FireWay {
  const [title, clause] = ['table by load and steel', 'table 5.6.4'];
  if (!q.isBraced) return no(title, clause, 'for braced columns only');
  const slenderness = q.slenderness * (length / Math.max(q.l0, 1));
  if (slenderness > B.slenderness + 1e-9) return no(title, clause, `for slenderness up to 30 in fire, it is ${slenderness.toFixed(0)}`);
  if (q.e > Math.min(B.most, B.e * q.width))
    return no(title, clause, `for eccentricities up to 0.25 b and 100 mm, it is ${q.e.toFixed(0)} mm`);
  const values = {
    A_s: q.steelArea,
    A_g: q.area - q.steelArea,
    f_sy: q.materials.steelStrength,
    f_c_prime: q.materials.concreteStrength,
    eta_f: eta,
    N_comp: Math.max(0, q.N),
  };
  const omega = c.let(F.steel, values);
  const n = c.let(F.load, values);
  const steel = tables.columnSteel.findLast((s) => omega >= s - 1e-9);
  const load = tables.columnLoads.findIndex((l) => n <= l + 1e-9);
  if (steel === undefined) return no(title, clause, `for a mechanical ratio of steel from 0.1, it is ${omega.toFixed(2)}`);
  if (load < 0) return no(title, clause, `for n up to 0.7, it is ${n.toFixed(2)}`);
  return {
    title: `${title}, n ${tables.columnLoads[load]}, ω ${steel}`,
    clause,
    ...tables.periodsKept(tables.columnTablesB[steel][load]!, q.width, q.axis),
  };
}

/** A column four times as long as thick may be taken as a wall, 5.6.5. */
function asWall(level: number, q: FireColumn): FireWay {
  const [title, clause] = ['as a wall', '5.6.5, table 5.7.2'];
  if (q.isRound || q.depth < 4 * q.width - 1e-6) return no(title, clause, 'for sections at least four times as long as thick');
  return { ...wallWay(level, { ...q, thickness: q.width }), title, clause };
}

/** Height over thickness up to which table 5.7.2 holds. */
const MOST_SLENDER = 40;

function wallWay(level: number, q: FireWall): FireWay {
  const [title, clause] = ['wall that carries', 'table 5.7.2'];
  if (q.height / q.thickness > MOST_SLENDER) return no(title, clause, 'for heights up to forty times the thickness');
  const row = tables.wallLevels.find((l) => level <= l + 1e-9);
  if (row === undefined) return no(title, clause, `for levels of load up to 0.7, it is ${level.toFixed(2)}`);
  const table = tables.wallTables[row][q.isOneSided ? 'one' : 'two'];
  const cool = (period: number) => {
    const least = tables.insulation[[30, 60, 90, 120, 180, 240].indexOf(period)]!;
    return q.isOneSided && q.thickness < least ? `${period} minutes need ${least} mm to keep the other side cool` : null;
  };
  return { title: `${title}, ${row}`, clause, ...tables.periodsKept(table, q.thickness, q.axis, { more: cool }) };
}
