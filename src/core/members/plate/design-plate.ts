import type { Combination, LoadCase } from '../../analysis/combination';
import { handCheck, type HandCheck } from '../../analysis/hand-check';
import { plateOnEdges } from '../../analysis/plate';
import { CalcError } from '../../calc/calc';
import { checkInWords, finishChecks, governing, topicsNotCovered } from '../../checks/check';
import { missingFor, type DesignCode } from '../../codes/design-code';
import { outlineProperties } from '../../geometry/polygon';
import type { DesignOptions } from '../../job';
import { quantitiesOf } from '../../model/member-model';
import { SELF_WEIGHT } from '../beam/input';
import { nothingCheck } from '../beam/nothing-check';
import { answerOf, type PlateAnswer } from './analysis';
import { plateBending, plateDuctility, plateShear, plateSteel, type PlateBasis } from './checks';
import { plateFaults } from './faults';
import { hasPeaks, layers, outlineOf, plainRectangle, type PlateInput } from './input';
import { demandsOf, plateSections, preparePlate, requiredOver, type LayerDemand, type PreparedPlate } from './layers';
import { plateModelOf } from './model';
import { emptyPlateResult, type PlateMap, type PlateResult, type PlateSection } from './result';

/** Designs a slab of any outline as an elastic plate. Never throws on bad input; the result then lists its faults. */
export function designPlate(given: PlateInput, code: DesignCode, options: DesignOptions): PlateResult {
  const faults = plateFaults(given, code);
  if (faults.length > 0) return emptyPlateResult(faults);
  const plate = preparePlate(given);
  const combinations = plateCombinations(plate, code);
  const ultimate = combinations.filter((c) => c.kind === 'ultimate').flatMap((c) => loadsOf(plate, c).map((w) => ({ c, w })));
  const [worst, lift] = [1, -1].map((sign) =>
    ultimate.reduce<(typeof ultimate)[number] | null>((a, b) => (!a || sign * b.w > sign * a.w ? b : a), null),
  );
  if (!worst || !lift || (worst.w <= 0 && lift.w >= 0)) {
    const check = nothingCheck({ combinations }, 'slab');
    return { ...emptyPlateResult([]), combinations, checks: [check], governing: check };
  }
  const loads = (lift.w < 0 ? [worst, lift] : [worst]).map(({ c, w }) => ({ w, combination: c.id }));
  const answer = answered(plate, code);
  if (typeof answer === 'string') return { ...emptyPlateResult([]), combinations, ...unsupported(answer) };
  const demands = demandsOf(answer, loads);
  const sections = plateSections(plate, code, answer, demands);
  const basis: PlateBasis = { plate, code, units: options.units, answer, loads, sections };
  const checks = finishChecks(
    [...plateBending(basis), ...plateDuctility(basis), ...plateShear(basis), ...plateSteel(basis), ...notCovered(plate, code)],
    options,
  );
  return {
    type: 'plate',
    faults: [],
    load: worst.w,
    combination: worst.c.id,
    mesh: answer.model.mesh,
    maps: mapsOf(plate, code, answer, { demands, sections, load: worst.w, service: serviceLoad(plate, combinations) }),
    sections,
    combinations,
    handChecks: handChecks(plate, answer, worst.w),
    checks,
    governing: governing(checks) ?? null,
    quantities: quantitiesOf(plateModelOf(plate, sections), outlineProperties(outlineOf(plate)).area),
  };
}

const notCovered = (plate: PlateInput, code: DesignCode) =>
  topicsNotCovered([
    ...missingFor(code, 'slabs'),
    ...(plate.outline.some((c) => c.edge === 'simple')
      ? [{ title: 'Top bars along simple edges for unintended fixity', clause: 'plate analysis' }]
      : []),
    ...(hasPeaks(plate) ? [{ title: 'Spreading of peaks at inner corners, openings and ends of walls', clause: 'plate analysis' }] : []),
    { title: 'Deflection of the cracked slab', clause: 'plate analysis' },
    { title: 'Crack width', clause: 'plate analysis' },
    { title: 'Columns below the slab, and loads on parts of it', clause: 'plate analysis' },
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

/** All cases of a slab, its own weight among them when it is on. */
export function plateCases({ selfWeight, cases }: PlateInput): LoadCase[] {
  const own: LoadCase = { id: SELF_WEIGHT, title: 'Self-weight', nature: 'permanent', category: '', pattern: false };
  return [...(selfWeight ? [own] : []), ...cases];
}

function plateCombinations(plate: PlateInput, code: DesignCode): Combination[] {
  const used = plateCases(plate).filter((c) => c.nature === 'permanent' || plate.loads.some((l) => l.case === c.id));
  const own = new Set(plate.ownCombinations.map((c) => c.id));
  return [...code.combinations(used).filter((c) => !plate.combinationsOff.includes(c.id) && !own.has(c.id)), ...plate.ownCombinations];
}

const caseLoad = (plate: PlateInput, id: string): number =>
  (id === SELF_WEIGHT ? plate.h * plate.unitWeight : 0) + plate.loads.reduce((sum, l) => sum + (l.case === id ? l.value : 0), 0);

/** The largest and the least load of a combination (N/mm2): variable cases count where they add to it. */
function loadsOf(plate: PlateInput, { factors }: Combination): [number, number] {
  const sum = (keep: (value: number) => boolean) =>
    factors.reduce((total, { caseId, factor }) => {
      const value = factor * caseLoad(plate, caseId);
      const isVariable = plate.cases.some((c) => c.id === caseId && c.nature !== 'permanent');
      return total + (!isVariable || keep(value) ? value : 0);
    }, 0);
  return [sum((v) => v > 0), sum((v) => v < 0)];
}

/** The largest characteristic load; nothing where no such combination is on. */
const serviceLoad = (plate: PlateInput, combinations: readonly Combination[]): number =>
  Math.max(0, ...combinations.filter((c) => c.kind === 'characteristic' || c.kind === 'service').map((c) => loadsOf(plate, c)[0]));

interface Mapped {
  readonly demands: readonly LayerDemand[];
  readonly sections: readonly PlateSection[];
  readonly load: number;
  readonly service: number;
}

function mapsOf(
  plate: PreparedPlate,
  code: DesignCode,
  answer: PlateAnswer,
  { demands, sections, load, service }: Mapped,
): Record<PlateMap, Float64Array> {
  const count = answer.model.mesh.at.length / 2;
  const nodes = Float64Array.from({ length: count }, (_, n) => n);
  const steel = (i: number) => {
    const { face, along } = layers[i]!;
    const section = sections.find((s) => s.face === face && s.along === along);
    return section ? requiredOver(plate, code, demands[i]!.demand, section.d) : new Float64Array(count);
  };
  return {
    mx: nodes.map((n) => load * answer.moments[3 * n]!),
    my: nodes.map((n) => load * answer.moments[3 * n + 1]!),
    mxy: nodes.map((n) => load * answer.moments[3 * n + 2]!),
    bottomX: steel(0),
    bottomY: steel(1),
    topX: steel(2),
    topY: steel(3),
    deflection: nodes.map((n) => service * answer.unit.moved[3 * n]!),
  };
}

/** Reactions against loads, and for a rectangle on four edges the sum of polynomials of least energy beside the elements. */
function handChecks(plate: PlateInput, { model, unit }: PlateAnswer, w: number): HandCheck[] {
  const held = unit.held.reduce((sum, v, i) => (i % 3 === 0 ? sum + v : sum), 0);
  const checks = [
    handCheck(
      'Sum of loads and of reactions, largest ultimate load',
      'force',
      w * outlineProperties(outlineOf(plate)).area,
      w * held,
      1e-6,
    ),
  ];
  const sides = plainRectangle(plate);
  if (!sides) return checks;
  const [bottom, right, top, left] = plate.outline.map((c) => (c.edge === 'clamped' ? ('continuous' as const) : ('simple' as const)));
  const d = model.rigidity(0).bending[0];
  const byHand = plateOnEdges({ ...sides, edges: { left: left!, right: right!, bottom: bottom!, top: top! } }, { x: d, y: d, twist: d });
  const most = unit.moved.reduce((best, v, i) => (i % 3 === 0 ? Math.max(best, v) : best), 0);
  return [
    ...checks,
    handCheck(
      'Largest elastic deflection at that load: thin plate, by a sum of polynomials',
      'smallLength',
      w * byHand.deflection,
      w * most,
      0.03,
    ),
  ];
}
