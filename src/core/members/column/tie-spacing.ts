import { silent } from '../../calc/calc';
import { largestOf } from '../../checks/largest';
import type { DerivableCheck } from '../../checks/check';
import { compareCheck } from '../../checks/compare';
import { nowhere, shearSections, shearsOf, type ColumnBasis } from './checks';
import { confinementAsked, confiningPressure } from './confinement';

/** Spacings between which the largest one is looked for (mm). */
const [CLOSEST, WIDEST] = [10, 2000];

/** What bounds the spacing of the ties: how far apart they may stand for it (mm), Infinity where it does not matter. */
export interface SpacingBound {
  readonly name: string;
  readonly clause: string;
  readonly most: number;
}

/** The largest spacing for which something holds that is lost as ties move apart (mm); zero where it never holds, Infinity where it always does. */
function largestFor(holds: (spacing: number) => boolean): number {
  if (holds(WIDEST)) return Infinity;
  if (!holds(CLOSEST)) return 0;
  let [low, high] = [CLOSEST, WIDEST];
  while (high - low > 0.01) {
    const middle = (low + high) / 2;
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** Everything that bounds the spacing of a column's ties: the bars they hold, shear both ways at top and foot, and the core that they confine. */
export function spacingBounds(basis: ColumnBasis): SpacingBound[] {
  const { code, column, model, results } = basis;
  const { confinement, clauses } = code.column;
  const restraint = { name: 'bars held against buckling', clause: model.ties.rules.spacing.clause, most: model.ties.rules.spacing.value };
  const shears = (['x', 'y'] as const).flatMap((axis): SpacingBound[] => {
    const sections = shearSections(model, column, axis);
    const all = results.flatMap((r) => shearsOf(r, axis));
    if (all.length === 0 || sections.some((s) => s.tieArea === 0)) return [];
    const holds = (spacing: number) =>
      all.every(({ N, V, M }) => sections.every((s) => V <= code.column.shear(silent, { ...s, tieSpacing: spacing, N, V, M })));
    return [{ name: `shear along ${axis}`, clause: clauses.shear, most: largestFor(holds) }];
  });
  const pressed = confinement && confinementAsked(basis).length > 0 ? confiningPressure(silent, basis, confinement, CLOSEST) : null;
  if (!confinement || pressed === null) return [restraint, ...shears];
  const needed = confinement.needed(silent, column.materials);
  const most = largestFor((spacing) => confiningPressure(silent, basis, confinement, spacing)! >= needed);
  return [restraint, ...shears, { name: 'confinement of the core', clause: confinement.clause, most }];
}

/** The one spacing that satisfies all: what is there against the least of all bounds, with each of them. */
export function spacingForAllCheck(basis: ColumnBasis): DerivableCheck[] {
  const { column } = basis;
  const bounds = spacingBounds(basis);
  if (bounds.length < 2) return [];
  const governs = largestOf(bounds, (b) => -b.most)!;
  return [
    compareCheck({
      id: 'tie-spacing-all',
      family: 'detailing',
      title: `Spacing of ties for all of it: ${governs.name}`,
      clause: governs.clause,
      place: nowhere,
      kind: 'smallLength',
      compare: (c) => {
        for (const b of bounds)
          if (Number.isFinite(b.most)) c.state(`largest spacing, ${b.name}`, b.most, 'smallLength', b.clause);
          else c.note(`For ${b.name} any spacing would do.`, b.clause);
        return {
          demand: column.ties.spacing,
          demandIs: ['spacing of the ties', 'as typed'],
          capacity: governs.most,
          capacityIs: ['largest spacing that satisfies all', `by ${governs.name}`],
        };
      },
      fails: (has, most) => `Ties stand ${has} apart; ${governs.name} asks for ${most}.`,
    }),
  ];
}
