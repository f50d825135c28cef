import type { Combination } from '../../analysis/combination';
import { CalcError } from '../../calc/calc';
import { checkInWords, finishChecks, governing, topicsNotCovered, worstFirst } from '../../checks/check';
import { missingFor, type DesignCode } from '../../codes/design-code';
import { outlineProperties } from '../../geometry/polygon';
import type { DesignOptions, Steps } from '../../job';
import { quantitiesOf } from '../../model/member-model';
import { nothingCheck } from '../beam/nothing-check';
import { crackChecks } from './crack-checks';
import { cracksOf } from './cracks';
import { answerOf, type PlateAnswer } from './analysis';
import { plateBending, plateDuctility, plateSteel, type PlateBasis } from './checks';
import { steelForCracks } from './choose-for-cracks';
import { plateDeflections } from './deflection';
import { deflectionChecks, judgedLines } from './deflection-checks';
import { demandsOf } from './envelope';
import { plateFaults } from './faults';
import { outlineOf } from './geometry';
import { plateHandChecks } from './hand-checks';
import type { PlateInput } from './input';
import { metresOf } from './layers';
import { plateCombinations } from './loading';
import { mapsOf } from './maps';
import { plateModelOf } from './model';
import { punchingAt, punchingChecks } from './punching-places';
import { columnForces } from './reactions';
import { emptyPlateResult, type PlateResult } from './result';
import { plateShear, sharpSupports } from './shear';
import { sectionsOf } from './zones';

/** Designs a slab of any outline as an elastic plate. Never throws on bad input; the result then lists its faults. */
export function* designPlate(plate: PlateInput, code: DesignCode, options: DesignOptions): Steps<PlateResult> {
  const faults = plateFaults(plate, code);
  if (faults.length > 0) return emptyPlateResult(faults);
  const combinations = plateCombinations(plate, code);
  const ultimate = combinations.filter((c) => c.kind === 'ultimate');
  yield { share: 0.05, words: 'plate' };
  const answer = answered(plate, code);
  if (typeof answer === 'string') return { ...emptyPlateResult([]), combinations, ...unsupported(answer) };
  const load = heaviest(answer, ultimate);
  if (!load) {
    const check = nothingCheck({ combinations }, 'slab');
    return { ...emptyPlateResult([]), combinations, checks: [check], governing: check };
  }
  yield { share: 0.5, words: 'bars' };
  const { area } = outlineProperties(outlineOf(plate));
  const metre = metresOf(plate);
  const demands = demandsOf(answer.parts, ultimate);
  const on = { mesh: answer.model.mesh, depths: answer.depths };
  const loaded = { plate, code, units: options.units, metre, answer, ultimate, demands };
  const steel = steelForCracks(loaded, combinations, area);
  const sections = sectionsOf(plate, code, on, steel, demands, metre);
  const basis: PlateBasis = { ...loaded, steel, sections };
  const deflections = yield* plateDeflections({ ...basis, combinations, area });
  const lines = judgedLines(plate, answer, deflections);
  yield { share: 0.95, words: 'checks' };
  const cracks = cracksOf(basis, combinations);
  const own = finishChecks(
    [
      ...plateBending(basis),
      ...plateDuctility(basis),
      ...plateShear(basis),
      ...plateSteel(basis),
      ...crackChecks(basis, cracks, combinations),
      ...deflectionChecks(plate, code, options.units, deflections, lines),
      ...notCovered(plate, code),
    ],
    options,
  );
  const columns = plate.columns.map(({ name }, i) => ({
    name: name || String(i + 1),
    forces: columnForces(answer, i, ultimate),
    place: answer.heads[i]! < 0 ? null : punchingAt(plate, code, steel, answer, i, ultimate),
  }));
  const checks = [...punchingChecks(code, columns, options), ...own].sort(worstFirst);
  return {
    type: 'plate',
    faults: [],
    load: load.total / area,
    combination: load.combination.id,
    mesh: answer.model.mesh,
    maps: mapsOf(basis, deflections, cracks, load.combination),
    lines,
    history: deflections.history,
    sections,
    steel,
    columns,
    combinations,
    handChecks: plateHandChecks(plate, answer, load.combination),
    checks,
    governing: governing(checks) ?? null,
    quantities: quantitiesOf(plateModelOf(plate, steel), area),
  };
}

const notCovered = (plate: PlateInput, code: DesignCode) =>
  topicsNotCovered([
    ...missingFor(code, 'slabs'),
    ...(plate.outline.some((c) => c.edge === 'simple')
      ? [{ title: 'Top bars along simple edges for unintended fixity', clause: 'plate analysis' }]
      : []),
    ...(sharpSupports(plate).length > 0
      ? [{ title: 'Punching at inner corners and ends of supports', clause: code.punching.clauses.perimeter }]
      : []),
  ]);

/** The answer, or in words why there is none. */
function answered(plate: PlateInput, code: DesignCode): PlateAnswer | string {
  try {
    return answerOf(plate, code);
  } catch (error) {
    if (error instanceof CalcError) return error.message;
    throw error;
  }
}

function unsupported(reason: string) {
  const [check] = finishChecks(
    [
      checkInWords({
        id: 'supports',
        family: 'bending',
        title: 'Supports',
        clause: '',
        status: 'failed',
        place: { x: null, label: '' },
        reason,
      }),
    ],
    { derive: [], units: 'SI' },
  );
  return { checks: [check!], governing: check! };
}

/** The ultimate combination whose loads are largest in all (N), all of them on; undefined where nothing is loaded. */
function heaviest({ parts }: PlateAnswer, ultimate: readonly Combination[]) {
  const totals = ultimate.map((combination) => ({
    combination,
    total: parts.reduce(
      (sum, part) => sum + combination.factors.reduce((f, k) => f + (k.caseId === part.caseId ? k.factor : 0), 0) * part.total,
      0,
    ),
  }));
  if (parts.length === 0 || totals.length === 0) return undefined;
  return totals.reduce((a, b) => (Math.abs(b.total) > Math.abs(a.total) ? b : a));
}
