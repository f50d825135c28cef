import { largestOf } from '../../checks/largest';
import type { Quantities } from '../../checks/result';
import { missingFor, type DesignCode } from '../../codes/design-code';
import { quantitiesOf } from '../../model/member-model';
import { checkInWords, type DerivableCheck, finishChecks, governing, topicsNotCovered } from '../../checks/check';
import { atOnce, inSteps, type DesignOptions, type Steps } from '../../job';
import { axialChecks, growthChecks, nowhere, shearChecks, strengthChecks, type ColumnBasis } from './checks';
import { confinementCheck } from './confinement';
import { lapCheck, placingChecks, steelChecks } from './detailing-checks';
import { columnFaults } from './faults';
import { columnFire } from './fire';
import { frameChecks } from './frame/frame-checks';
import type { ColumnInput } from './input';
import { loadSets, withOwnCase } from './load-sets';
import { columnFormwork, columnInSpace } from './model';
import { torsionChecks } from './torsion-checks';
import { columnHandChecks } from './hand-checks';
import { emptyColumnResult, type ColumnResult } from './result';
import { columnModel, type ColumnModel } from './section';
import { serviceChecks } from './service-checks';
import { strengthOf, type SetResult } from './strength';
import { spacingForAllCheck } from './tie-spacing';

/** Load sets of one step: a few hundredths of a second. */
const SETS_A_STEP = 200;

/** Designs a column from its input alone, step by step. Never throws on bad input; the result then lists its faults. */
export function* columnSteps(column: ColumnInput, code: DesignCode, options: DesignOptions): Steps<ColumnResult> {
  const faults = columnFaults(column, code);
  if (faults.length > 0) return emptyColumnResult('column', faults);
  const detailing = (basis: ColumnBasis) =>
    column.isSection
      ? topicsNotCovered(sectionTopics)
      : [
          ...steelChecks(basis),
          ...placingChecks(basis),
          ...confinementCheck(basis),
          ...spacingForAllCheck(basis),
          lapCheck(basis),
          ...frameChecks(basis),
          ...columnFire(basis, column.fire),
        ];
  return yield* uprightSteps('column', column, code, options, detailing, (model) =>
    quantitiesOf(columnInSpace(column, code, model), columnFormwork(column)),
  );
}

/** What a section by itself is not asked. */
const sectionTopics = [
  { title: 'Rules for bars and links of the member', clause: 'section by itself' },
  { title: 'Second order of the member: taken as within the forces', clause: 'section by itself' },
];

/** The same at once. */
export const designColumn = (column: ColumnInput, code: DesignCode, options: DesignOptions): ColumnResult =>
  atOnce(columnSteps(column, code, options));

/** What columns and walls have in common: strength, growth, shear and service; each with its own rules of detailing. */
export function* uprightSteps(
  type: ColumnResult['type'],
  column: ColumnInput,
  code: DesignCode,
  options: DesignOptions,
  detailing: (basis: ColumnBasis) => DerivableCheck[],
  quantities: (model: ColumnModel) => Quantities,
): Steps<ColumnResult> {
  const model = columnModel(column, code);
  const sets = loadSets(column, code);
  const ultimate = sets.flatMap((set, index) => (set.kind === 'ultimate' ? [{ set, index }] : []));
  const results = yield* inSteps(ultimate, SETS_A_STEP, 'load sets', ({ set, index }) => strengthOf(set, index, column, model, code));
  const basis: ColumnBasis = { column, code, model, results, units: options.units };
  const checks = finishChecks(
    results.length === 0
      ? [nothingToDesign(), ...serviceChecks(basis, sets)]
      : [
          ...strengthChecks(basis),
          ...axialChecks(basis),
          ...growthChecks(basis),
          ...shearChecks(basis),
          ...detailing(basis),
          ...serviceChecks(basis, sets),
          ...torsionChecks(basis),
          ...topicsNotCovered(missingFor(code, 'columns')),
        ],
    options,
  );
  const governs = results.find((r) => checks.some((k) => k.combination === r.set.name && k.id.startsWith('strength'))) ?? results[0];
  return {
    type,
    faults: [],
    sets,
    summaries: results.map(summary),
    combinations: column.mode === 'cases' ? code.combinations(withOwnCase(column).cases) : [],
    bars: model.bars,
    steelRatio: model.section.steelArea / model.section.gross.area,
    slenderness: {
      x: column.isSection ? null : slendernessOf(model, results, 'x'),
      y: column.isSection || column.isStrip ? null : slendernessOf(model, results, 'y'),
    },
    checks,
    governing: governing(checks) ?? null,
    quantities: quantities(model),
    handChecks: governs ? columnHandChecks(model, limitOf(model, governs), governs.set.name) : [],
  };
}

const limitOf = (model: ColumnModel, { worst }: SetResult) =>
  Math.hypot(worst.Mx, worst.My) > 0 ? model.surface.capacity(worst.N, worst.Mx, worst.My) : undefined;

const summary = (r: SetResult) => ({
  index: r.index,
  place: r.worst.place,
  N: r.worst.N,
  Mx: r.refusal ? null : r.worst.Mx,
  My: r.refusal ? null : r.worst.My,
  utilisation: r.worst.utilisation,
  ...(r.refusal ? { refusal: r.refusal } : {}),
});

/** Slenderness about an axis against its limit, for the set with which it is nearest to it or most beyond. */
function slendernessOf(model: ColumnModel, results: readonly SetResult[], axis: 'x' | 'y') {
  const r = largestOf(results, (s) => s[axis].slenderness / s[axis].limit || 0);
  if (!r) return null;
  const { slenderness, limit, isSlender } = r[axis];
  return { l0: model.axes[axis].l0, value: slenderness, limit, isSlender };
}

function nothingToDesign(): DerivableCheck {
  return checkInWords({
    id: 'nothing',
    family: 'bending',
    title: 'No ultimate load set',
    clause: '',
    status: 'failed',
    place: nowhere,
    reason: 'There is no ultimate load set on this column: its strength is not checked.',
  });
}
