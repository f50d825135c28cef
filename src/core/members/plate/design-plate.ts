import type { Combination } from '../../analysis/combination';
import { CalcError } from '../../calc/calc';
import { checkInWords, finishChecks, type Check, governing, topicsNotCovered, worstFirst } from '../../checks/check';
import { missingFor, type DesignCode } from '../../codes/design-code';
import { outlineProperties } from '../../geometry/polygon';
import type { DesignOptions, Steps } from '../../job';
import { quantitiesOf } from '../../model/member-model';
import { nothingCheck } from '../beam/nothing-check';
import { crackChecks } from './crack-checks';
import { cracksOf } from './cracks';
import { answerOf, isAnswered, nodesExpected, type PlateAnswer } from './analysis';
import { plateBending, plateDuctility, plateSteel, type LoadedPlate, type PlateBasis } from './checks';
import { beamForces } from './beam-forces';
import { isOnBeam } from './beams';
import { steelForCracks, steelForStrength } from './choose-for-cracks';
import { plateDeflections } from './deflection';
import { deflectionChecks, judgedLines } from './deflection-checks';
import { demandsOf, wholeOf } from './envelope';
import { plateFaults } from './faults';
import { outlineOf } from './geometry';
import { plateHandChecks } from './hand-checks';
import type { PlateInput } from './input';
import { metresOf } from './layers';
import { plateCombinations } from './loading';
import { plateFire } from './fire';
import { heldEdgeChecks, heldEdges, withHeldEdges, type HeldEdges } from './held-edges';
import { onceFor } from './last-answers';
import { lineReactions } from './line-reactions';
import { crackedMaps, deflectionMaps, strengthMaps } from './maps';
import { plateModelOf } from './model';
import { radialChecks } from './radial-checks';
import { punchingAt, punchingChecks } from './punching-places';
import { columnForces } from './reactions';
import { emptyPlateResult, type LaidSteel, type PlateResult } from './result';
import { plateShear, sharpSupports } from './shear';
import { stripMoments } from './strips';
import { sectionsOf } from './zones';

/** A mesh of more nodes than this is preceded by a coarse one, of about so many. */
const LARGE = 1200;
const COARSE = 400;

/**
 * Designs a slab of any outline as an elastic plate: on a coarse mesh first where the fine one takes long, then all but its deflections, then with them.
 * Never throws on bad input; the result then lists its faults.
 */
export function* designPlate(plate: PlateInput, code: DesignCode, options: DesignOptions): Steps<PlateResult> {
  const faults = plateFaults(plate, code);
  if (faults.length > 0) return emptyPlateResult(faults);
  const nodes = nodesExpected(plate);
  if (nodes > LARGE && !isAnswered(plate, code)) {
    const combinations = plateCombinations(plate, code);
    const coarse = sketchOf(plate, code, combinations, options, Math.sqrt(nodes / COARSE));
    if (coarse) {
      const more = `A mesh of about ${Math.round(nodes / 100) * 100} nodes follows, with shear, punching, cracks and deflections`;
      yield { share: 0.05, words: 'plate', early: { ...coarse, early: `${more}: this one has ${coarse.mesh!.at.length / 2}.` } };
    }
  }
  return yield* wholePlate(plate, code, options);
}

/** The same without a first look on a coarse mesh. */
export function* wholePlate(plate: PlateInput, code: DesignCode, options: DesignOptions): Steps<PlateResult> {
  const faults = plateFaults(plate, code);
  if (faults.length > 0) return emptyPlateResult(faults);
  const combinations = plateCombinations(plate, code);
  yield { share: 0.1, words: 'plate' };
  const { basis, result, own } = strengthOf(plate, code, combinations, options);
  if (!basis) return result;
  yield { share: 0.5, words: 'deflections', early: { ...result, early: 'Deflections follow.' } };
  const { area } = outlineProperties(outlineOf(plate));
  const deflections = yield* plateDeflections({ ...basis, combinations, area });
  const lines = judgedLines(plate, basis.answer, deflections);
  const judged = finishChecks(deflectionChecks(plate, code, options.units, deflections, lines), options);
  const checks = inOrder([...own, ...judged]);
  return {
    ...result,
    maps: { ...result.maps, ...deflectionMaps(basis, deflections) },
    lines,
    history: deflections.history,
    checks,
    governing: governing(checks) ?? null,
  };
}

/** A slab with its columns, its deflections aside. */
export function strengthAlone(plate: PlateInput, code: DesignCode): PlateResult {
  const faults = plateFaults(plate, code);
  if (faults.length > 0) return emptyPlateResult(faults);
  return strengthOf(plate, code, plateCombinations(plate, code), { derive: [], units: 'SI' }).result;
}

const inOrder = (checks: readonly Check[]): Check[] => [...checks].sort(worstFirst);

interface Strength {
  readonly result: PlateResult;
  /** What deflections are worked out from; none where there is nothing to design. */
  readonly basis?: PlateBasis;
  readonly own: readonly Check[];
}

const nothing = (combinations: readonly Combination[], checks: readonly Check[]): Strength => ({
  result: { ...emptyPlateResult([]), combinations, checks, governing: checks[0]! },
  own: checks,
});

/** The first look at a slab: its moments on a coarse mesh, bars for them, and bending. Undefined where there is nothing to look at. */
function sketchOf(
  plate: PlateInput,
  code: DesignCode,
  combinations: readonly Combination[],
  options: DesignOptions,
  coarser: number,
): PlateResult | undefined {
  const answer = answered(plate, code, coarser);
  const ultimate = combinations.filter((c) => c.kind === 'ultimate');
  const load = typeof answer === 'string' ? undefined : heaviest(answer, ultimate);
  if (typeof answer === 'string' || !load) return undefined;
  const { area } = outlineProperties(outlineOf(plate));
  const loaded = loadedOf(plate, code, answer, combinations, options);
  const steel = steelForStrength(loaded, withHeldEdges(loaded.demands, loaded.held), area);
  const basis = reinforced(loaded, steel);
  const checks = inOrder(finishChecks(plateBending(basis), options));
  return {
    ...emptyPlateResult([]),
    load: load.total / area,
    combination: load.combination.id,
    mesh: answer.model.mesh,
    lifted: answer.lifted,
    maps: strengthMaps(basis, load.combination),
    sections: basis.sections,
    steel,
    combinations,
    checks,
    governing: governing(checks) ?? null,
    quantities: quantitiesOf(plateModelOf(plate, code, steel), area),
  };
}

/** A slab with its bars and all checks but those of deflection. */
function strengthOf(plate: PlateInput, code: DesignCode, combinations: readonly Combination[], options: DesignOptions): Strength {
  const answer = answered(plate, code, 1);
  if (typeof answer === 'string') return nothing(combinations, [unsupported(answer)]);
  const ultimate = combinations.filter((c) => c.kind === 'ultimate');
  const load = heaviest(answer, ultimate);
  if (!load) return nothing(combinations, [nothingCheck({ combinations }, 'slab')]);
  const basis = basisOf(plate, code, answer, combinations, options);
  const cracks = cracksOf(basis, combinations);
  const columns = plate.columns.map(({ name }, i) => ({
    name: name || String(i + 1),
    forces: columnForces(answer, i, ultimate),
    place: answer.heads[i]! < 0 || isOnBeam(plate, i) ? null : punchingAt(plate, code, basis.steel, answer, i, ultimate),
  }));
  const own = [
    ...punchingChecks(code, columns, options),
    ...finishChecks(
      [
        ...plateBending(basis),
        ...plateDuctility(basis),
        ...plateShear(basis),
        ...plateSteel(basis),
        ...radialChecks(basis),
        ...heldEdgeChecks(basis, basis.held),
        ...crackChecks(basis, cracks, combinations),
        ...plateFire(basis),
        ...notCovered(plate, code),
      ],
      options,
    ),
  ];
  const checks = inOrder(own);
  const { area } = outlineProperties(outlineOf(plate));
  return {
    basis,
    own,
    result: {
      ...emptyPlateResult([]),
      load: load.total / area,
      combination: load.combination.id,
      mesh: answer.model.mesh,
      lifted: answer.lifted,
      maps: { ...strengthMaps(basis, load.combination), ...crackedMaps(basis, cracks) },
      sections: basis.sections,
      steel: basis.steel,
      columns,
      beams: beamForces(plate, answer, ultimate),
      reactions: onceFor(answer, 'reactions', [ultimate, load.combination], () => lineReactions(plate, answer, ultimate, load.combination)),
      strips: onceFor(answer, 'strips', load.combination, () => stripMoments(plate, answer, wholeOf(answer.parts, load.combination), area)),
      combinations,
      handChecks: plateHandChecks(plate, answer, load.combination),
      checks,
      governing: governing(checks) ?? null,
      quantities: quantitiesOf(plateModelOf(plate, code, basis.steel), area),
    },
  };
}

/** A slab with what is asked of its bars. */
function loadedOf(
  plate: PlateInput,
  code: DesignCode,
  answer: PlateAnswer,
  combinations: readonly Combination[],
  { units }: DesignOptions,
): LoadedPlate & { readonly held: HeldEdges | null } {
  const ultimate = combinations.filter((c) => c.kind === 'ultimate');
  const demands = onceFor(answer, 'demands', ultimate, () => demandsOf(answer.parts, ultimate));
  return { plate, code, units, metre: metresOf(plate), answer, ultimate, demands, held: heldEdges(plate, code, answer, demands) };
}

/** The same with bars, part by part. */
function reinforced<L extends LoadedPlate>(loaded: L, steel: LaidSteel): L & PlateBasis {
  const { plate, code, metre, answer, demands } = loaded;
  const on = { mesh: answer.model.mesh, depths: answer.depths };
  return { ...loaded, steel, sections: sectionsOf(plate, code, on, steel, demands, metre) };
}

function basisOf(plate: PlateInput, code: DesignCode, answer: PlateAnswer, combinations: readonly Combination[], options: DesignOptions) {
  const { area } = outlineProperties(outlineOf(plate));
  const loaded = loadedOf(plate, code, answer, combinations, options);
  return reinforced(loaded, steelForCracks(loaded, withHeldEdges(loaded.demands, loaded.held), combinations, area));
}

const notCovered = (plate: PlateInput, code: DesignCode) =>
  topicsNotCovered([
    ...missingFor(code, 'slabs'),
    ...(plate.beams.length > 0
      ? [{ title: 'Bars and links of beams below the slab: design them as beams of their own', clause: 'plate analysis' }]
      : []),
    ...(plate.columns.some((_, i) => isOnBeam(plate, i))
      ? [{ title: 'Punching where beams run into columns: their shear comes through the beams', clause: code.punching.clauses.perimeter }]
      : []),
    ...(sharpSupports(plate).length > 0
      ? [{ title: 'Punching at inner corners and ends of supports', clause: code.punching.clauses.perimeter }]
      : []),
  ]);

/** The answer, or in words why there is none. */
function answered(plate: PlateInput, code: DesignCode, coarser: number): PlateAnswer | string {
  try {
    return answerOf(plate, code, coarser);
  } catch (error) {
    if (error instanceof CalcError) return error.message;
    throw error;
  }
}

const unsupported = (reason: string): Check =>
  finishChecks(
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
  )[0]!;

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
