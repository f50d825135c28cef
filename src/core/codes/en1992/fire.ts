import type { Calc } from '../../calc/calc';
import type { Choice } from '../design-code';
import {
  FIRE_PERIODS,
  type FireBeam,
  type FireColumn,
  type FireForces,
  type FireRules,
  type FireSlab,
  type FireWall,
  type FireWay,
  type IsothermRules,
} from '../fire-rules';
import * as tables from '../fire-tables';
import { concreteHeat, standardFire, type Conductivity, type Moisture } from './heat';
import { designStrength } from './materials';
import type { NationalAnnex } from './national';
import { getUnit } from '../../units/unit';
import { formula, symbols } from './symbols';

const SI = { empirical: 'SI' } as const;

export const F = {
  level: formula('mu_fi', 'eta_fi * u_ray', 'EN 1992-1-2 5.3.1(6)'),
  omega: formula('omega_fi', 'A_s * f_yd / (A_c * f_cd)', 'EN 1992-1-2 5.3.2(2)'),
  Reta: formula('R_eta', '83 * (1.00 - mu_fi * (1 + omega_fi) / (0.85 / alpha_cc + omega_fi))', 'EN 1992-1-2 (5.7)', SI),
  Ra: formula('R_a', '1.60 * (a_fi - 30)', 'EN 1992-1-2 (5.7)', SI),
  Rl: formula('R_l', '9.60 * (5 - l_0fi / 1000)', 'EN 1992-1-2 (5.7)', SI),
  Rb: formula('R_b', '0.09 * b_fi', 'EN 1992-1-2 (5.7)', SI),
  R: formula('R_fi', '120 * (max(0, R_eta + R_a + R_l + R_b + R_n) / 120)^1.8', 'EN 1992-1-2 (5.7)', SI),
  load: formula('n_fi', 'eta_fi * N_Ed / (0.7 * (A_c * f_cd + A_s * f_yd))', 'EN 1992-1-2 (5.8a)'),
  stress: formula('k_s_fi', 'eta_fi * u_M / gamma_S', 'EN 1992-1-2 (5.2)'),
};

/** What EN 1992-1-2 leaves open. */
export const fireChoices: readonly Choice[] = [
  {
    key: 'fireReduction',
    title: 'ηfi: forces in fire over design forces (0.7 may be taken)',
    clause: 'EN 1992-1-2 2.4.2(3)',
    topic: 'fire',
    options: { min: 0.2, max: 1, usual: 0.7 },
  },
  {
    key: 'fireForces',
    title: 'Forces of columns and walls in fire, where load cases are known',
    clause: 'EN 1991-1-2 4.3.1(2)',
    topic: 'fire',
    only: 'columns',
    options: { part: 'ηfi of the design forces', quasiPermanent: 'of G + ψ2 Q', frequent: 'of G + ψ1 Q1 + ψ2 Q' },
  },
  {
    key: 'fireLength',
    title: 'Effective length in fire',
    clause: 'EN 1992-1-2 5.3.2(2)',
    topic: 'fire',
    only: 'columns',
    options: { normal: 'as at normal temperature', inner: 'half the storey: inner storeys', top: '0.7 of the storey: top storey' },
  },
  {
    key: 'fireSteel',
    title: 'Axis distance by the stress of the bars in fire',
    clause: 'EN 1992-1-2 5.2(7)',
    topic: 'fire',
    only: 'beams',
    options: { table: 'as in the tables: critical temperature 500 °C', stress: 'adjusted by the critical temperature' },
  },
  {
    key: 'fireBars',
    title: 'Bars in tension in fire',
    clause: 'EN 1992-1-2 3.2.3(5)',
    topic: 'fire',
    only: 'beams',
    options: { hotRolled: 'hot rolled', coldWorked: 'cold worked' },
  },
  {
    key: 'fireConductivity',
    title: 'Conductivity of concrete in fire',
    clause: 'EN 1992-1-2 3.3.3(2)',
    topic: 'fire',
    options: { lower: 'lower limit, as the profiles of annex A', upper: 'upper limit' },
  },
  {
    key: 'fireMoisture',
    title: 'Moisture of concrete by weight',
    clause: 'EN 1992-1-2 3.3.2(2)',
    topic: 'fire',
    options: { usual: '1.5 %', dry: 'dry', wet: '3 %' },
  },
];

/** Least widths of sections, table B.1 (mm), by the period. */
const ISOTHERM_WIDTHS: Readonly<Record<number, number>> = { 30: 0, 60: 90, 90: 120, 120: 160, 180: 200, 240: 280 };

/** Strength of bars whose strain stays below 2 %, as in columns, over that at 20 degrees: 4.2.4.3(2), curve 3 of figure 4.2a. */
export function barStrength(theta: number): number {
  if (theta <= 100) return 1;
  if (theta <= 400) return 0.7 - (0.3 * (theta - 400)) / 300;
  if (theta <= 500) return 0.57 - (0.13 * (theta - 500)) / 100;
  if (theta <= 700) return 0.1 - (0.47 * (theta - 700)) / 200;
  return Math.max(0, (0.1 * (1200 - theta)) / 500);
}

/** Strength of bars in tension over that at 20 degrees, by hundreds of degrees: table 3.2a, hot rolled and cold worked. */
const STRETCHED = {
  hotRolled: [1, 1, 1, 1, 1, 0.78, 0.47, 0.23, 0.11, 0.06, 0.04, 0.02, 0],
  coldWorked: [1, 1, 1, 1, 0.94, 0.67, 0.4, 0.12, 0.11, 0.08, 0.05, 0.03, 0],
} as const;
export type BarMake = keyof typeof STRETCHED;

/** The same for bars of beams and slabs strained by at least 2 %: 4.2.4.3(1), curves 1 and 2 of figure 4.2a. */
export function stretchedStrength(theta: number, make: BarMake): number {
  const row = STRETCHED[make];
  const t = Math.min(Math.max(theta, 0) / 100, 12);
  const i = Math.min(11, Math.floor(t));
  return row[i]! + (t - i) * (row[i + 1]! - row[i]!);
}

/** kg/m3 at 20 degrees. */
const PLAIN_DENSITY = 2300;

/** From 90 minutes on top bars reach into the spans, (1 - 2.5 x / l) of those over the support as far as 0.3 l. */
const TOP_BARS = { from: 90, reach: 0.3, fall: 2.5, clause: '5.6.3(3)' } as const;

/** The 500 degree isotherm of annex B.1: for standard fires, with the temperatures of the section by 3.3. */
const isotherm = (
  choose: (key: string) => string,
  basis: IsothermRules['basis'],
  reduction: number,
  ratio: IsothermRules['slenderness'],
): IsothermRules => ({
  title: '500 °C isotherm',
  clause: 'EN 1992-1-2 B.1',
  materialFault: (m) => (strongFactor(m.concreteStrength) === 1 ? null : 'for concrete up to C50/60'),
  limit: 500,
  // As the profiles of annex A; reinforced concrete is given as heavier, and would stay cooler.
  heat: (m) =>
    concreteHeat(Math.min(PLAIN_DENSITY, m.density * 1e9), choose('fireMoisture') as Moisture, choose('fireConductivity') as Conductivity),
  fire: standardFire,
  leastWidth: (minutes) => ISOTHERM_WIDTHS[minutes]!,
  // As the tables of 5.3.3: beyond it second order in the heated column would have to be found.
  mostSlenderness: 30,
  slenderness: ratio,
  barStrength,
  stretchedStrength: (theta) => stretchedStrength(theta, choose('fireBars') as BarMake),
  // Bars have their 0.2 % proof strength, curve 3, at strains below 0.5 %; from there a chord below the curve of figure 3.3, which is full at 2 %.
  stretching: { from: 0.005, full: 0.02 },
  topBars: TOP_BARS,
  leastDepth: (minutes) => tables.insulation[FIRE_PERIODS.indexOf(minutes as 30)]!,
  basis,
  reduction,
});

const MINUTE = getUnit('min').factor;

const no = (title: string, clause: string, reason: string): FireWay => ({ title, clause, minutes: 0, reason });

/** k of high strength concrete, 6.4.2.1(3), by which sections grow: up to C50/60 none, C55/67 and C60/75 1.1, C70/85 and C80/95 1.3; none beyond. */
function strongFactor(f_ck: number): number | null {
  if (f_ck <= 50) return 1;
  if (f_ck <= 60) return 1.1;
  return f_ck <= 80 ? 1.3 : null;
}
const TOO_STRONG = 'concrete above C80/95 has no tables';

/** Fire resistance by the tables and (5.7) of EN 1992-1-2. */
export function fireRules(annex: NationalAnnex, choose: (key: string) => string, basis: IsothermRules['basis']): FireRules {
  const eta = Number(choose('fireReduction'));
  const lengthOf = (q: Pick<FireColumn, 'l0' | 'height'>) => ({ inner: 0.5 * q.height, top: 0.7 * q.height })[choose('fireLength')] ?? q.l0;
  const etaOf = (q: Pick<FireWall, 'isOfFire'>) => (q.isOfFire ? 1 : eta);
  const level = (c: Calc, q: FireColumn | FireWall) =>
    c.let(F.level, {
      eta_fi: c.given(symbols.eta_fi, etaOf(q), q.isOfFire ? 'forces of the fire itself' : undefined),
      u_ray: c.given(symbols.u_ray, q.use, 'N and M growing together'),
    });
  const adjustment = (c: Calc, q: FireBeam | FireSlab) => (choose('fireSteel') === 'stress' ? byStress(c, q.use, eta, annex.gammaS) : 0);
  return {
    column: (c, q) => {
      const mu = level(c, q);
      return [methodA(mu, q, lengthOf(q)), formulaA(c, mu, q, lengthOf(q), annex), methodB(c, q, etaOf(q), lengthOf(q), annex)];
    },
    wall: (c, q) => [wall(level(c, q), q)],
    beam: (c, q) => beam(c, q, adjustment(c, q)),
    slab: (c, q) => slab(q, adjustment(c, q)),
    forces: forcesOf(choose('fireForces')),
    isotherm: isotherm(choose, basis, eta, (q) => q.slenderness * (lengthOf(q) / Math.max(q.l0, 1))),
  };
}

/** The accidental combination of EN 1990 (6.11b) has no other action than the fire itself: with psi1 of the main variable load, or with psi2 of all, it is that of service. */
const forcesOf = (choice: string): FireForces | null =>
  choice === 'part'
    ? null
    : {
        kind: choice as FireForces['kind'],
        title: choice === 'frequent' ? 'G + ψ1 Q1 + ψ2 Q' : 'G + ψ2 Q',
        clause: 'EN 1991-1-2 4.3.1(2)',
      };

/** Width that counts for strong concrete, 6.4.3(2): less twice (k - 1) a where more than one side is exposed. */
const counted = (width: number, axis: number, k: number, sides: 1 | 2) => width - sides * (k - 1) * axis;

/** What tables for columns ask for before they apply. */
function columnFault(q: FireColumn, length: number): string | null {
  if (!q.isBraced) return 'for braced columns only';
  if (length > 3000 + 1e-6) return `for effective lengths up to 3 m in fire, it is ${(length / 1000).toFixed(2)} m`;
  if (q.e > 0.15 * q.width) return `for eccentricities up to 0.15 b, it is ${q.e.toFixed(0)} mm`;
  return q.steelArea >= 0.04 * q.area ? 'for less than 4 % of steel' : null;
}

function methodA(mu: number, q: FireColumn, length: number): FireWay {
  const [title, clause] = ['method A, table', 'EN 1992-1-2 table 5.2a'];
  const k = strongFactor(q.materials.concreteStrength);
  const fault = k === null ? TOO_STRONG : columnFault(q, length);
  if (fault) return no(title, clause, fault);
  const row = tables.columnLevels.find((l) => mu <= l + 1e-9);
  if (row === undefined) return no(title, clause, `for μfi up to 0.7, it is ${mu.toFixed(2)}`);
  const width = counted(q.width, q.axis, k!, q.isOneSided ? 1 : 2);
  if (q.isOneSided) return { title: `${title}, one side exposed`, clause, ...tables.periodsKept(tables.columnOneSide, width, q.axis) };
  const more = (period: number) => (q.bars < 8 && tables.eightBars(row, q.width, period) ? `${period} minutes need eight bars` : null);
  return { title: `${title}, μfi ${row}`, clause, ...tables.periodsKept(tables.columnTables[row], width, q.axis, { more }) };
}

/** (5.7), exposed on more than one side. */
function formulaA(c: Calc, mu_fi: number, q: FireColumn, length: number, annex: NationalAnnex): FireWay {
  const [title, clause] = ['method A, (5.7)', 'EN 1992-1-2 (5.7)'];
  const k = strongFactor(q.materials.concreteStrength);
  const fault = k !== 1 ? 'for concrete up to C50/60' : columnFault(q, length);
  if (fault) return no(title, clause, fault);
  if (q.depth > 1.5 * q.width + 1e-6 && !q.isRound) return no(title, clause, 'for sections up to one and a half times as deep as wide');
  if (q.axis < 25) return no(title, clause, `for axis distances from 25 mm, it is ${q.axis.toFixed(0)}`);
  const b = q.isRound ? q.width : (2 * q.area) / (q.width + q.depth);
  if (b < 200) return no(title, clause, `for sizes from 200 mm, it is ${b.toFixed(0)}`);
  const f_cd = designStrength(c, q.materials.concreteStrength, annex.alphaCC, annex.gammaC);
  const omega_fi = c.let(F.omega, { A_s: q.steelArea, f_yd: q.materials.steelStrength / annex.gammaS, A_c: q.area, f_cd });
  const R_eta = c.let(F.Reta, { mu_fi, omega_fi, alpha_cc: annex.alphaCC });
  const R_a = c.let(F.Ra, { a_fi: c.given(symbols.a_fi, Math.min(q.axis, 80), 'at most 80 mm') });
  const R_l = c.let(F.Rl, { l_0fi: c.given(symbols.l_0fi, Math.max(2000, length), 'at least 2 m') });
  const R_b = c.let(F.Rb, { b_fi: c.given(symbols.b_fi, Math.min(b, 450), '2 Ac / (b + h), at most 450 mm') });
  const R_n = c.given(symbols.R_n, q.bars > 4 ? 12 * MINUTE : 0, q.bars > 4 ? 'more than four bars' : 'four bars');
  const minutes = Math.floor(c.let(F.R, { R_eta, R_a, R_l, R_b, R_n }) / MINUTE + 1e-9);
  return { title, clause, minutes, reason: 'as calculated' };
}

function methodB(c: Calc, q: FireColumn, eta_fi: number, length: number, annex: NationalAnnex): FireWay {
  const [title, clause] = ['method B, table', 'EN 1992-1-2 table 5.2b'];
  const k = strongFactor(q.materials.concreteStrength);
  if (k === null) return no(title, clause, TOO_STRONG);
  if (!q.isBraced) return no(title, clause, 'for braced columns only');
  const slenderness = q.slenderness * (length / Math.max(q.l0, 1));
  if (slenderness > 30 + 1e-9) return no(title, clause, `for slenderness up to 30 in fire, it is ${slenderness.toFixed(0)}`);
  if (q.e > Math.min(100, 0.25 * q.width))
    return no(title, clause, `for eccentricities up to 0.25 b and 100 mm, it is ${q.e.toFixed(0)} mm`);
  const f_cd = designStrength(c, q.materials.concreteStrength, annex.alphaCC, annex.gammaC);
  const values = { A_s: q.steelArea, f_yd: q.materials.steelStrength / annex.gammaS, A_c: q.area, f_cd, eta_fi, N_Ed: Math.max(0, q.N) };
  const omega = c.let(F.omega, values);
  const n = c.let(F.load, values);
  const steel = tables.columnSteel.findLast((s) => omega >= s - 1e-9);
  const load = tables.columnLoads.findIndex((l) => n <= l + 1e-9);
  if (steel === undefined) return no(title, clause, `for ω from 0.1, it is ${omega.toFixed(2)}`);
  if (load < 0) return no(title, clause, `for n up to 0.7, it is ${n.toFixed(2)}`);
  const width = counted(q.width, q.axis, k, 2);
  const kept = tables.periodsKept(tables.columnTablesB[steel][load]!, width, q.axis);
  return { title: `${title}, n ${tables.columnLoads[load]}, ω ${steel}`, clause, ...kept };
}

function wall(mu: number, q: FireWall): FireWay {
  const [title, clause] = ['wall that carries', 'EN 1992-1-2 table 5.4'];
  const k = strongFactor(q.materials.concreteStrength);
  if (k === null) return no(title, clause, TOO_STRONG);
  if (q.height / q.thickness > 40) return no(title, clause, 'for heights up to forty times the thickness');
  const row = tables.wallLevels.find((l) => mu <= l + 1e-9);
  if (row === undefined) return no(title, clause, `for μfi up to 0.7, it is ${mu.toFixed(2)}`);
  const table = tables.wallTables[row][q.isOneSided ? 'one' : 'two'];
  const cool = (period: number) => {
    const least = tables.insulation[FIRE_PERIODS.indexOf(period as 30)]!;
    return q.isOneSided && q.thickness < least ? `${period} minutes need ${least} mm to keep the other side cool` : null;
  };
  const width = counted(q.thickness, q.axis, k, q.isOneSided ? 1 : 2);
  return { title: `${title}, μfi ${row}`, clause, ...tables.periodsKept(table, width, q.axis, { more: cool }) };
}

/** Critical temperature of bars (degrees C) at a part of their yield strength: curve 1 of figure 5.1. */
export function criticalTemperature(k_s: number): number {
  if (k_s >= 0.6) return 500 - ((k_s - 0.6) / 0.4) * 150;
  return k_s >= 0.1 ? 700 - ((k_s - 0.1) / 0.5) * 200 : 1200 - (k_s / 0.1) * 500;
}

/** What the axis distance is to be more than in the tables (mm), 5.2(7), (5.3): a tenth of what the critical temperature is below 500 degrees. */
function byStress(c: Calc, use: number, eta_fi: number, gamma_S: number): number {
  const k_s = c.let(F.stress, { eta_fi: c.given(symbols.eta_fi, eta_fi), u_M: c.given(symbols.u_M, use, 'bending in the span'), gamma_S });
  // 5.2(8): the adjustment holds from 350 to 700 degrees.
  const theta = Math.min(700, Math.max(350, criticalTemperature(k_s)));
  c.note(`Critical temperature of the bars ${theta.toFixed(0)} °C, figure 5.1.`, 'EN 1992-1-2 5.2(7)');
  return 0.1 * (500 - theta);
}

function beam(c: Calc, q: FireBeam, adjust: number): FireWay[] {
  const k = strongFactor(q.materials.concreteStrength);
  const clause = 'EN 1992-1-2 table 5.5';
  if (k === null) return [no('beam on two supports', clause, TOO_STRONG)];
  const width = counted(q.width, q.axis, k, 2);
  // Bars in the corners of one layer need 10 mm more to the side, 5.6.1.
  const axis = Math.min(q.axis, q.layers === 1 ? q.side - 10 : q.side);
  const simple = { title: 'beam on two supports', clause, ...tables.periodsKept(tables.beamSimple, width, axis, { adjust }) };
  if (q.system !== 'continuous') return [simple];
  const top = q.topAlong(TOP_BARS.reach, TOP_BARS.fall);
  const more = (period: number) =>
    q.isRedistributed
      ? 'for at most 15 % of redistribution'
      : period >= TOP_BARS.from && top > 1 + 1e-9
        ? `${period} minutes need top bars that run further into the span, 5.6.3(3)${Number.isFinite(top) ? `: ${top.toFixed(2)} times those that are there` : ''}`
        : null;
  if (Number.isFinite(top))
    c.state(
      'top steel needed along the spans over that which is there',
      top,
      'ratio',
      'of the supports of the span, to 0.3 l on both sides',
    );
  const kept = tables.periodsKept(tables.beamContinuous, width, axis, { more });
  return [simple, { title: 'continuous beam', clause: 'EN 1992-1-2 table 5.6', ...kept }];
}

function slab(q: FireSlab, adjust: number): FireWay[] {
  const k = strongFactor(q.materials.concreteStrength);
  const flat = q.kind === 'flat';
  const clause = flat ? 'EN 1992-1-2 table 5.9' : 'EN 1992-1-2 table 5.8';
  const isOneWay = q.kind === 'oneWay' || q.ratio > 2;
  const title = flat ? 'flat slab' : isOneWay ? 'slab spanning one way' : 'slab spanning two ways';
  if (k === null) return [no(title, clause, TOO_STRONG)];
  const table = flat ? tables.slabFlat : isOneWay ? tables.slabOneWay : q.ratio <= 1.5 ? tables.slabTwoWay : tables.slabTwoWayLong;
  return [{ title, clause, ...tables.periodsKept(table, counted(q.depth, q.axis, k, 1), q.axis, { adjust: flat ? 0 : adjust }) }];
}
