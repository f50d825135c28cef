import { derive, silent, type Calc } from '../../calc/calc';
import { leastClear } from '../../reinforcement/column-bars';
import { holdBars, looseBars } from '../../reinforcement/tie-legs';
import { formatQuantity } from '../../units/format';
import type { QuantityKind } from '../../units/quantity';
import { makeCheck, type DerivableCheck } from '../../checks/check';
import { nowhere, type ColumnBasis } from './checks';
import { axialAt, isRound } from './input';
import type { SetResult } from './strength';

interface Rule {
  readonly id: string;
  readonly title: string;
  readonly clause: string;
  readonly demand: number;
  readonly capacity: number;
  readonly kind: QuantityKind;
  /** Said when it does not hold. */
  readonly fails?: string;
  readonly combination?: string;
  /** A size or a number: meeting the limit exactly is not near it. */
  readonly isDiscrete?: boolean;
}

const rule = (r: Rule, run?: Parameters<typeof derive>[0]): DerivableCheck => {
  const utilisation = r.capacity === 0 ? (r.demand > 0 ? Infinity : 0) : r.demand / r.capacity;
  return makeCheck(
    {
      id: r.id,
      family: 'detailing',
      title: r.title,
      clause: r.clause,
      demand: { value: r.demand, kind: r.kind },
      capacity: { value: r.capacity, kind: r.kind },
      utilisation,
      place: nowhere,
      combination: r.combination ?? '',
      ...(r.isDiscrete && utilisation <= 1.0005 ? { status: 'holds' as const } : {}),
      ...(utilisation > 1.0005 && r.fails ? { reason: r.fails } : {}),
    },
    run ? () => derive(run) : undefined,
  );
};

const mostN = ({ set }: SetResult) => Math.max(set.N, axialAt(set, 'foot'));

/** Least and most steel, the office's limit apart from the code's, and laps. */
export function steelChecks(basis: ColumnBasis): DerivableCheck[] {
  const { column, code, model, results, units } = basis;
  const { area } = model.section.gross;
  const steel = model.section.steelArea;
  const worst = results.reduce((a, b) => (mostN(b) > mostN(a) ? b : a));
  const least = code.column.leastSteel(silent, mostN(worst), area, column.materials);
  const most = code.column.mostSteel(silent, area);
  const show = (v: number) => formatQuantity(v, 'area', units);
  const percent = (v: number) => `${(v * 100).toFixed(1)} %`;
  return [
    rule(
      {
        id: 'least-steel',
        title: 'Least steel',
        clause: least.clause,
        demand: least.value,
        capacity: steel,
        kind: 'area',
        combination: worst.set.name,
        fails: `Bars: needs ${show(least.value)}, has ${show(steel)}.`,
      },
      (c) => void code.column.leastSteel(c, mostN(worst), area, column.materials),
    ),
    rule(
      {
        id: 'most-steel',
        title: 'Most steel',
        clause: most.clause,
        demand: steel,
        capacity: most.value,
        kind: 'area',
        fails: `${percent(steel / area)} of steel; the code allows ${percent(most.value / area)}.`,
      },
      (c) => void code.column.mostSteel(c, area),
    ),
    rule({
      id: 'steel-practice',
      title: 'Most steel, office',
      clause: 'practice',
      demand: steel / area,
      capacity: column.steelLimit,
      kind: 'percent',
      fails: `${percent(steel / area)} of steel; above ${percent(column.steelLimit)} bars are hard to place.`,
    }),
    rule({
      id: 'steel-at-laps',
      title: 'Most steel at laps',
      clause: code.column.mostAtLaps.clause,
      demand: (2 * steel) / area,
      capacity: code.column.mostAtLaps.value,
      kind: 'percent',
      fails: `Laps of all bars at once bring ${percent((2 * steel) / area)}: stagger them or use couplers.`,
    }),
  ];
}

/** Number, size and spacing of the bars; size and spacing of the ties; and whether every bar is held. */
export function placingChecks(basis: ColumnBasis): DerivableCheck[] {
  const { column, code, model, units } = basis;
  const { bars, tieRules, tieDiameter, tieQuestion } = model;
  const ties = (c: Calc) => void code.column.ties(c, tieQuestion);
  const length = (v: number) => formatQuantity(v, 'smallLength', units);
  const least = code.column.leastBars;
  const needed =
    column.transverse === 'spiral' ? least.spiral : isRound(column.shape) ? least.circular : Math.max(least.rectangular, cornersOf(basis));
  const thinnest = Math.min(...bars.map((b) => b.diameter));
  const gap = leastClear(bars);
  const thick = Math.max(bars[gap.pair[0]]!.diameter, bars[gap.pair[1]]!.diameter);
  const clear = code.column.clearSpacing(thick, column.materials.aggregateSize);
  const ends = column.ties.spacingEnds ?? Math.min(column.ties.spacing, tieRules.spacingNearEnds.value);
  const word = column.transverse === 'spiral' ? 'spiral' : code.linkWord === 'links' ? 'links' : 'ties';
  const one = word === 'spiral' ? 'the spiral' : word;
  return [
    rule({
      id: 'bar-count',
      title: 'Number of bars',
      clause: least.clause,
      demand: needed,
      capacity: bars.length,
      kind: 'number',
      isDiscrete: true,
    }),
    rule({
      id: 'bar-size',
      title: 'Least bar size',
      clause: code.column.leastBarDiameter.clause,
      demand: code.column.leastBarDiameter.value,
      capacity: thinnest,
      kind: 'diameter',
      isDiscrete: true,
    }),
    rule(
      {
        id: 'clear-spacing',
        title: 'Clear distance of bars',
        clause: clear.clause,
        demand: clear.value,
        capacity: gap.clear,
        kind: 'smallLength',
        fails: `Two bars stand ${length(gap.clear)} apart, they need ${length(clear.value)}.`,
      },
      (c) => void code.column.clearSpacing(thick, column.materials.aggregateSize, c),
    ),
    rule(
      {
        id: 'tie-size',
        title: `Size of ${word}`,
        clause: tieRules.leastDiameter.clause,
        demand: tieRules.leastDiameter.value,
        capacity: tieDiameter,
        kind: 'smallLength',
        isDiscrete: true,
        fails: `${one} of ${length(tieDiameter)}; bars of this size need ${length(tieRules.leastDiameter.value)}.`,
      },
      ties,
    ),
    rule(
      {
        id: 'tie-spacing',
        title: `Spacing of ${word}`,
        clause: tieRules.spacing.clause,
        demand: column.ties.spacing,
        capacity: tieRules.spacing.value,
        kind: 'length',
        fails: `${length(column.ties.spacing)} apart; at most ${length(tieRules.spacing.value)}.`,
      },
      ties,
    ),
    ...(tieRules.nearEnds > 0
      ? [
          rule(
            {
              id: 'tie-spacing-ends',
              title: `Spacing near ends`,
              clause: tieRules.spacingNearEnds.clause,
              demand: ends,
              capacity: tieRules.spacingNearEnds.value,
              kind: 'length',
              fails: `${length(ends)} apart within ${length(tieRules.nearEnds)} of the ends; at most ${length(tieRules.spacingNearEnds.value)}.`,
            },
            ties,
          ),
        ]
      : []),
    ...spiralCheck(basis),
    heldCheck(basis, word),
  ];
}

/** The volume of a spiral against what confinement needs, where the code counts on it. */
function spiralCheck({ column, code, model }: ColumnBasis): DerivableCheck[] {
  const { spiral } = code.column;
  if (column.transverse !== 'spiral' || !spiral) return [];
  const q = {
    materials: column.materials,
    gross: model.section.gross.area,
    core: Math.min(model.width, model.depth) - 2 * column.cover,
    barArea: model.tieArea,
    pitch: column.ties.spacing,
  };
  const { needed, there, clause } = spiral(silent, q);
  return [
    rule(
      {
        id: 'spiral-ratio',
        title: 'Volume of the spiral',
        clause,
        demand: needed,
        capacity: there,
        kind: 'percent',
        fails: `The spiral has ${(100 * there).toFixed(2)} % of the core, it needs ${(100 * needed).toFixed(2)} %.`,
      },
      (c) => void spiral(c, q),
    ),
  ];
}

/** Cross ties that are there against those needed for every bar to be held, or near one that is. */
function heldCheck({ column, model }: ColumnBasis, word: string): DerivableCheck {
  const { bars, tieRules, legs } = model;
  const reach = tieRules.unheldDistance.value;
  const needed = holdBars(bars, reach, tieRules.holdsAlternate, null).cross.length;
  const loose = looseBars(bars, legs.held, reach).length;
  const there = legs.cross.length;
  const short = loose > 0 || (column.ties.cross !== null && there < needed);
  return makeCheck({
    id: 'bars-held',
    family: 'detailing',
    title: 'Cross ties',
    clause: tieRules.unheldDistance.clause,
    demand: { value: needed, kind: 'number' },
    capacity: { value: there, kind: 'number' },
    utilisation: needed === 0 ? 0 : needed / there,
    status: short ? 'exceeds' : 'holds',
    place: nowhere,
    ...(short
      ? { reason: `The ${word} need ${needed} cross ties in each set, there are ${there}; ${loose} of ${bars.length} bars are not held.` }
      : {}),
  });
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

/** Length of the laps of the bars at the floor, all at one level, against the clear height that they have to end in. */
export function lapCheck({ column, code, model, units }: ColumnBasis): DerivableCheck {
  const thickest = model.bars.reduce((a, b) => (b.diameter > a.diameter ? b : a));
  const question = {
    materials: column.materials,
    diameter: thickest.diameter,
    isTop: false,
    h: column.height,
    cover: column.cover + model.tieDiameter,
    clear: leastClear(model.bars).clear,
    isBent: false,
  };
  const lap = code.anchorage.lap(silent, question, 1);
  return makeCheck(
    {
      id: 'lap-length',
      family: 'detailing',
      title: `Laps of ${thickest.size} at the floor, all at once`,
      clause: code.anchorage.clauses.lap,
      demand: { value: lap, kind: 'length' },
      capacity: { value: column.height, kind: 'length' },
      utilisation: lap / column.height,
      place: nowhere,
      ...(lap > column.height ? { reason: `A lap of ${formatQuantity(lap, 'length', units)} is longer than the clear height.` } : {}),
    },
    () => derive((c) => void code.anchorage.lap(c, question, 1)),
  );
}
