import { largestOf } from '../../checks/largest';
import { silent } from '../../calc/calc';
import { leastClear, tightestPair } from '../../reinforcement/column-bars';
import { holdBars, looseBars } from '../../reinforcement/tie-legs';
import { barStressUnder, type BarStress } from '../../section/bar-stress-regions';
import type { QuantityKind } from '../../units/quantity';
import type { DerivableCheck } from '../../checks/check';
import { compareCheck, type Compared, type Comparison, type Origin } from '../../checks/compare';
import type { TieRules } from '../../codes/column-rules';
import { nowhere, type ColumnBasis } from './checks';
import { axialAt, isRound } from './input';
import { spacingNearEnds } from './section';
import type { SetResult } from './strength';
import { tieRulesOf } from './ties';

type Rule = Omit<Comparison, 'family' | 'place'>;

const SET: Origin[1] = 'as typed';
const LAID = 'of the bars as they are laid out';
const LIMIT = 'as the code asks';

/** A rule of detailing for the whole column. */
const rule = (r: Rule): DerivableCheck => compareCheck({ family: 'detailing', place: nowhere, ...r });

const mostN = ({ set }: SetResult) => Math.max(set.N, axialAt(set, 'foot'));

/** Least and most steel, the office's limit apart from the code's, and laps. */
export function steelChecks(basis: ColumnBasis): DerivableCheck[] {
  const { column, code, model, results } = basis;
  const { area } = model.section.gross;
  const steel = model.section.steelArea;
  const worst = largestOf(results, mostN)!;
  const percent = (v: number) => `${(v * 100).toFixed(1)} %`;
  const there: Origin = ['area of all bars', LAID];
  const part: Origin = ['area of all bars over the section', LAID];
  return [
    rule({
      id: 'least-steel',
      title: 'Minimum reinforcement',
      clause: code.column.leastSteel(silent, mostN(worst), area, column.materials).clause,
      combination: worst.set.name,
      kind: 'area',
      compare: (c) => {
        const least = code.column.leastSteel(c, mostN(worst), area, column.materials);
        return { demand: least.value, capacity: steel, capacityIs: there };
      },
      fails: (needed, has) => `Bars: needs ${needed}, has ${has}.`,
    }),
    rule({
      id: 'most-steel',
      title: 'Maximum reinforcement',
      clause: code.column.mostSteel(silent, area).clause,
      kind: 'area',
      compare: (c) => ({ demand: steel, demandIs: there, capacity: code.column.mostSteel(c, area).value }),
      fails: () => `${percent(steel / area)} of steel; the code allows ${percent(code.column.mostSteel(silent, area).value / area)}.`,
    }),
    rule({
      id: 'steel-practice',
      title: 'Maximum reinforcement, office',
      clause: 'practice',
      kind: 'percent',
      compare: () => ({
        demand: steel / area,
        demandIs: part,
        capacity: column.steelLimit,
        capacityIs: ['maximum reinforcement by the office', 'typed on the basis, 4 % unless it is changed'],
      }),
      fails: (has, limit) => `${has} of steel; above ${limit} bars are hard to place.`,
    }),
    rule({
      id: 'steel-at-laps',
      title: 'Maximum reinforcement at laps',
      clause: code.column.mostAtLaps.clause,
      kind: 'percent',
      compare: () => ({
        demand: (2 * steel) / area,
        demandIs: ['twice the area of all bars over the section', 'all bars lap at one level'],
        capacity: code.column.mostAtLaps.value,
        capacityIs: ['maximum reinforcement at laps', LIMIT],
      }),
      fails: (has) => `Laps of all bars at once bring ${has}: stagger them or use couplers.`,
    }),
  ];
}

/** Number, size and spacing of the bars; size and spacing of the ties; and whether every bar is held. */
export function placingChecks(basis: ColumnBasis): DerivableCheck[] {
  const { column, code, model } = basis;
  const { bars, ties } = model;
  const { rules: tieRules } = ties;
  const least = code.column.leastBars;
  const needed =
    column.transverse === 'spiral' ? least.spiral : isRound(column.shape) ? least.circular : Math.max(least.rectangular, cornersOf(basis));
  const thinnest = Math.min(...bars.map((b) => b.diameter));
  const clearFor = (diameter: number) => code.column.clearSpacing(diameter, column.materials.aggregateSize).value;
  const gap = tightestPair(bars, clearFor);
  const thick = gap.diameter;
  const ends = spacingNearEnds(column, model);
  const word = column.transverse === 'spiral' ? 'spiral' : code.linkWord === 'links' ? 'links' : 'ties';
  const one = word === 'spiral' ? 'the spiral' : word;
  /** A rule of the ties: what they are against what the rules for them give. */
  const tie = (id: string, title: string, kind: QuantityKind, clause: string, compare: (r: TieRules) => Compared, fails: Rule['fails']) =>
    rule({ id, title, kind, clause, fails, compare: (c) => compare(tieRulesOf(c, code, ties)) });
  return [
    rule({
      id: 'bar-count',
      title: 'Number of bars',
      clause: least.clause,
      kind: 'number',
      compare: () => ({
        demand: needed,
        demandIs: ['minimum number of bars', `${LIMIT}, and one in every corner`],
        capacity: bars.length,
        capacityIs: ['number of bars', LAID],
      }),
    }),
    rule({
      id: 'bar-size',
      title: 'Minimum bar size',
      clause: code.column.leastBarDiameter.clause,
      kind: 'diameter',
      compare: () => ({
        demand: code.column.leastBarDiameter.value,
        demandIs: ['minimum diameter of bars', LIMIT],
        capacity: thinnest,
        capacityIs: ['diameter of the thinnest bar', LAID],
      }),
    }),
    rule({
      id: 'clear-spacing',
      title: 'Clear distance of bars',
      clause: code.column.clearSpacing(thick, column.materials.aggregateSize).clause,
      kind: 'smallLength',
      compare: (c) => ({
        demand: code.column.clearSpacing(thick, column.materials.aggregateSize, c).value,
        capacity: gap.clear,
        capacityIs: ['clear distance of two bars', `${LAID}: the pair for which it is worst`],
      }),
      fails: (need, has) => `Two bars stand ${has} apart, they need ${need}.`,
    }),
    tie(
      'tie-size',
      `Size of ${word}`,
      'smallLength',
      tieRules.leastDiameter.clause,
      (r) => ({
        demand: r.leastDiameter.value,
        demandIs: ['minimum diameter', `${LIMIT} for the thickest bar`],
        capacity: ties.diameter,
        capacityIs: [`diameter of the ${word}`, SET],
      }),
      (need, has) => `${one} of ${has}; bars of this size need ${need}.`,
    ),
    tie(
      'tie-spacing',
      `Spacing of ${word}`,
      'length',
      tieRules.spacing.clause,
      (r) => ({ demand: column.ties.spacing, demandIs: [`spacing of the ${word}`, SET], capacity: r.spacing.value }),
      (has, most) => `${has} apart; at most ${most}.`,
    ),
    ...(tieRules.nearEnds > 0
      ? [
          tie(
            'tie-spacing-ends',
            'Spacing near ends',
            'length',
            tieRules.spacingNearEnds.clause,
            (r) => ({
              demand: ends,
              demandIs: ['spacing near the ends', column.ties.spacingEnds === null ? 'as close as the rule asks' : SET],
              capacity: r.spacingNearEnds.value,
            }),
            (has, most, show) => `${has} apart within ${show(tieRules.nearEnds, 'smallLength')} of the ends; at most ${most}.`,
          ),
        ]
      : []),
    ...(tieRules.leastSpacing
      ? [
          tie(
            'spiral-clear',
            'Turns of the spiral apart',
            'length',
            tieRules.leastSpacing.clause,
            (r) => ({ demand: r.leastSpacing!.value, capacity: column.ties.spacing, capacityIs: [`spacing of the ${word}`, SET] }),
            (need, has) => `The turns stand ${has} apart from centre to centre; concrete needs ${need} to pass.`,
          ),
        ]
      : []),
    ...spiralCheck(basis),
    heldCheck(basis, word),
  ];
}

/** The volume of a spiral against what confinement needs, where the code counts on it. */
function spiralCheck(basis: ColumnBasis): DerivableCheck[] {
  const { column, code, model } = basis;
  const { spiral } = code.column;
  if (column.transverse !== 'spiral' || !spiral) return [];
  const q = {
    materials: column.materials,
    gross: model.section.gross.area,
    core: Math.min(model.width, model.depth) - 2 * column.cover,
    barArea: model.ties.area,
    pitch: column.ties.spacing,
  };
  const percent = (v: number) => `${(100 * v).toFixed(2)} %`;
  return [
    rule({
      id: 'spiral-ratio',
      title: 'Volume of the spiral',
      clause: spiral(silent, q).clause,
      kind: 'percent',
      compare: (c) => {
        const { needed, there } = spiral(c, q);
        return { demand: needed, capacity: there };
      },
      fails: () => `The spiral has ${percent(spiral(silent, q).there)} of the core, it needs ${percent(spiral(silent, q).needed)}.`,
    }),
  ];
}

/** Cross ties that are there against those needed for every bar to be held, or near one that is. */
function heldCheck(basis: ColumnBasis, word: string): DerivableCheck {
  const { column, model } = basis;
  const { bars } = model;
  const { rules: tieRules, holding, legs } = model.ties;
  const { reach } = holding;
  const needed = holdBars(bars, holding, null).cross.length;
  const loose = looseBars(bars, legs.held, reach).length;
  const there = legs.cross.length;
  const isShort = loose > 0 || (column.ties.cross !== null && there < needed);
  const check = rule({
    id: 'bars-held',
    title: 'Cross ties',
    clause: tieRules.unheldDistance.clause,
    kind: 'number',
    compare: () => ({
      demand: needed,
      demandIs: ['cross ties needed in each set', 'for every bar to be held, or near one that is'],
      capacity: there,
      capacityIs: ['cross ties in each set', column.ties.cross === null ? 'as many as are needed' : SET],
    }),
  });
  // A bar may be loose although there are as many ties as are needed elsewhere.
  const reason = `The ${word} need ${needed} cross ties in each set, there are ${there}; ${loose} of ${bars.length} bars are not held.`;
  return { ...check, check: { ...check.check, status: isShort ? 'exceeds' : 'holds', ...(isShort ? { reason } : {}) } };
}

/** Corners that stick out: each needs its bar. */
function cornersOf({ model }: ColumnBasis): number {
  const loop = model.section.outline.outer;
  if (loop.length > 16) return 0;
  return loop.filter((p, i) => {
    const a = loop[(i + loop.length - 1) % loop.length]!;
    const b = loop[(i + 1) % loop.length]!;
    return (p[0] - a[0]) * (b[1] - p[1]) - (p[1] - a[1]) * (b[0] - p[0]) > 0;
  }).length;
}

/** Laps of the thickest bars, by the set that asks for the longest where the code has classes of laps. */
export function lapCheck(basis: ColumnBasis): DerivableCheck {
  const { column, code, model } = basis;
  const thickest = model.bars.reduce((a, b) => (b.diameter > a.diameter ? b : a));
  const question = {
    materials: column.materials,
    diameter: thickest.diameter,
    isTop: false,
    h: column.height,
    cover: column.cover + model.ties.diameter,
    clear: leastClear(model.bars).clear,
    isBent: false,
    isWide: column.isStrip === true,
  };
  const byStress = code.column.lap && worstBarStress(basis);
  const found = byStress && code.column.lap!(silent, question, byStress.stress);
  const within = model.ties.frame?.rules.lapsWithin ?? null;
  return rule({
    id: 'lap-length',
    title: `Laps of ${thickest.size} ${within ? 'in the middle of the height' : 'at floor level'}, ${found ? found.name : '100 % in one section'}`,
    clause: within ? within.clause : found ? found.clause : code.anchorage.clauses.lap,
    ...(byStress ? { combination: byStress.set, assumptions: code.choices.filter((k) => k.key === 'lapsTogether').map((k) => k.key) } : {}),
    kind: 'length',
    compare: (c) => {
      if (byStress) c.note(stressInWords[byStress.stress]);
      return {
        demand: byStress ? code.column.lap!(c, question, byStress.stress).length : code.anchorage.lap(c, question, 1),
        ...(byStress ? { demandIs: ['lap', 'by its class, at least the least length of the code'] as const } : {}),
        capacity: (within?.value ?? 1) * column.height,
        capacityIs: within ? ['part of the clear height in which bars may lap', 'as the rules of the frame ask'] : ['clear height', SET],
      };
    },
    fails: (lap) =>
      within
        ? `A lap of ${lap} is longer than the middle of the clear height in which bars of a ductile frame may lap.`
        : `A lap of ${lap} is longer than the clear height.`,
  });
}

const stressInWords: Readonly<Record<BarStress, string>> = {
  compression: 'N and M of every set, grown together until they use the section up, leave the furthest bar in compression.',
  upToHalf: 'N and M, grown together until they use the section up, pull the furthest bar to no more than half of its yield strength.',
  aboveHalf: 'N and M, grown together until they use the section up, pull the furthest bar beyond half of its yield strength.',
};

/** The set that pulls a bar most, at any place: by the region of the interaction in which it lies. */
function worstBarStress({ model, results }: ColumnBasis): { readonly stress: BarStress; readonly set: string } {
  const order: readonly BarStress[] = ['compression', 'upToHalf', 'aboveHalf'];
  let worst = { rank: 0, set: results[0]?.set.name ?? '' };
  for (const r of results)
    for (const p of r.places) {
      const rank = order.indexOf(barStressUnder(model.surface, p.N, p.Mx, p.My));
      if (rank > worst.rank) worst = { rank, set: r.set.name };
    }
  return { stress: order[worst.rank]!, set: worst.set };
}
