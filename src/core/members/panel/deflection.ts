import type { Combination } from '../../analysis/combination';
import { panelEdges, type PanelEdge } from '../../analysis/panel';
import { plateOnEdges, type PlateAnswer, type PlateStiffness } from '../../analysis/plate';
import { silent, type Calc } from '../../calc/calc';
import type { DeflectionStage, DeflectionSum, ServiceLoads, SpanLoads, StiffnessQuestion } from '../../codes/service-rules';
import { meanCurvature, type SectionStiffness } from '../../section/mean-curvature';
import { compareCheck } from '../../checks/compare';
import { checkInWords, guarded, type DerivableCheck } from '../../checks/check';
import { layerOf } from '../../reinforcement/slab-bars';
import type { PanelBasis } from './checks';
import type { PanelPlace } from './input';
import { reinforced, WIDTH } from '../parts/slab-metre';

/** Days after which partitions are there, where a panel does not say it. */
const PARTITION_AGE = 60;
const ROUNDS = 40;

/** The loads of a panel in service (N/mm2). */
export interface PanelServiceLoads {
  readonly combinations: readonly Combination[];
  readonly loadOf: (factors: Combination['factors']) => number;
  readonly permanent: number;
}

/**
 * Deflection of the panel as a plate with the stiffness of its cracked sections, creep and shrinkage as for beams: each direction has the secant
 * stiffness of its own moments, and both are found anew until they fit.
 */
export function panelDeflection(basis: PanelBasis, loads: PanelServiceLoads): DerivableCheck[] {
  const { code, panel } = basis;
  if (code.service.deflectionBy === 'spanDepth') return [];
  const sums = code.service.sums(silent, {
    partitionAge: PARTITION_AGE,
    hasPartitions: panel.hasPartitions,
    compressionRatio: 0,
    tensionRatio: 0,
  });
  const missing = [...new Set(code.service.stages.map((s) => s.loads))].filter((l) => loadFor(loads, l) === null);
  if (missing.length > 0 || loadFor(loads, code.service.fullLoads) === null) return [untold()];
  return sums.map((sum) => sumCheck(basis, loads, sum));
}

const untold = (): DerivableCheck =>
  checkInWords({
    id: 'service',
    family: 'deflection',
    title: 'Deflection',
    clause: '',
    status: 'failed',
    place: { x: null, label: 'middle' },
    reason: 'A combination in service is switched off: the deflection cannot be worked out.',
  });

/** The loads in service by which span over depth is judged (N/mm2, of a width of 1 mm). */
export const spanLoads = (loads: PanelServiceLoads): SpanLoads => ({
  service: loadFor(loads, 'service') ?? 0,
  sustained: loadFor(loads, 'sustained') ?? 0,
  permanent: loads.permanent,
  width: 1,
});

/** The largest load of a kind; null where no combination has it. */
function loadFor({ combinations, loadOf, permanent }: PanelServiceLoads, kind: ServiceLoads): number | null {
  if (kind === 'permanent') return permanent;
  const all = combinations.filter((c) => c.kind === kind).map((c) => loadOf(c.factors));
  return all.length > 0 ? Math.max(0, ...all) : null;
}

function sumCheck(basis: PanelBasis, loads: PanelServiceLoads, sum: DeflectionSum): DerivableCheck {
  const { panel, code } = basis;
  const span = Math.min(panel.lx, panel.ly);
  const stageOf = (id: string) => code.service.stages.find((s) => s.id === id)!;
  const total = (c: Calc) => {
    const parts = sum.terms.map(({ stage, factor }) => factor * deflect(c, basis, loads, stageOf(stage)));
    return Math.max(
      0,
      parts.reduce((a, b) => a + b, 0),
    );
  };
  const base = {
    id: `deflection-${sum.id}`,
    family: 'deflection' as const,
    title: sum.title,
    clause: sum.clause,
    place: { x: null, label: 'middle' },
  };
  return guarded(base, () => {
    const w = total(silent);
    return compareCheck({
      ...base,
      assumptions: code.choices.filter((c) => c.topic === 'service' && c.only !== 'strips').map((c) => c.key),
      kind: 'smallLength',
      compare: (c) => ({
        demand: c.recording ? total(c) : w,
        demandIs: [sum.title.toLowerCase(), `the stages added up: ${sum.terms.map((t) => `${t.factor.toFixed(2)} ${t.stage}`).join(', ')}`],
        capacity: span / sum.usual,
        capacityIs: ['deflection allowed', `the shorter span/${sum.usual}, the usual one of the code`],
      }),
      fails: (has, allowed) => `${sum.title} of the panel: ${has}, that is span/${Math.round(span / w)}; ${allowed} is allowed.`,
    });
  });
}

interface PlateState {
  readonly load: number;
  readonly answer: PlateAnswer;
  readonly stiffness: PlateStiffness;
}

const known = new WeakMap<PanelBasis, Map<string, PlateState>>();

/** The plate at one stage, worked out once for all sums that it is part of. */
function stateOf(basis: PanelBasis, loads: PanelServiceLoads, stage: DeflectionStage): PlateState {
  let states = known.get(basis);
  if (!states) known.set(basis, (states = new Map<string, PlateState>()));
  let state = states.get(stage.id);
  if (!state) {
    const load = loadFor(loads, stage.loads)!;
    const largest = stage.crackedBy === 'largest' ? loadFor(loads, basis.code.service.fullLoads)! : load;
    state = { load, ...bentPlate(basis, load, Math.max(load, largest), stage.age) };
    states.set(stage.id, state);
  }
  return state;
}

/** Deflection in the middle at one stage (mm). */
function deflect(c: Calc, basis: PanelBasis, loads: PanelServiceLoads, stage: DeflectionStage): number {
  const { load, answer, stiffness } = stateOf(basis, loads, stage);
  const w = load * answer.deflection;
  if (c.recording) {
    c.state(`load, ${stage.id}`, load, 'areaLoad', `the largest combination of ${stage.loads} loads`);
    c.state(`moment along x, ${stage.id}`, load * answer.x, 'lineTorque', 'in the middle of the plate');
    c.state(`moment along y, ${stage.id}`, load * answer.y, 'lineTorque', 'in the middle of the plate');
    const plain = uncracked(basis, stage.age);
    c.state(
      `stiffness along x over that uncracked, ${stage.id}`,
      stiffness.x / plain.x,
      'ratio',
      'secant of its moments, with creep and shrinkage',
    );
    c.state(
      `stiffness along y over that uncracked, ${stage.id}`,
      stiffness.y / plain.y,
      'ratio',
      'secant of its moments, with creep and shrinkage',
    );
    c.state(
      `deflection, ${stage.id}`,
      w,
      'smallLength',
      basis.panel.isHeldDown ? 'plate on four edges, corners held' : 'strips both ways without twisting: the corners may lift',
    );
  }
  return w;
}

/** What a place has for its stiffness: null where it has no bars of its own. */
function stiffnessAt({ panel, code, sections }: PanelBasis, place: PanelPlace, age: StiffnessQuestion['age']): SectionStiffness | null {
  const s = sections.find((q) => q.place === place);
  if (!s) return null;
  const inset = panel.h - s.d - layerOf(s.bars, panel.catalogue).diameter / 2;
  return code.service.stiffness(silent, {
    section: reinforced(panel, s.bars, inset).section,
    materials: panel.materials,
    area: WIDTH * panel.h,
    perimeter: 2 * WIDTH,
    inertia: (WIDTH * panel.h ** 3) / 12,
    toTensionFace: panel.h / 2,
    age,
    partitionAge: PARTITION_AGE,
  });
}

/** Stiffness per width of the sections before they crack (N mm). */
function uncracked(basis: PanelBasis, age: StiffnessQuestion['age']): { readonly x: number; readonly y: number } {
  const of = (place: 'x' | 'y') =>
    (stiffnessAt(basis, place, age) ?? stiffnessAt(basis, place === 'x' ? 'y' : 'x', age))!.uncracked / WIDTH;
  return { x: of('x'), y: of('y') };
}

/** The plate whose stiffness is that of its own moments, and its answer to a load of one. */
function bentPlate(
  basis: PanelBasis,
  load: number,
  largest: number,
  age: StiffnessQuestion['age'],
): { readonly answer: PlateAnswer; readonly stiffness: PlateStiffness } {
  const { panel } = basis;
  const places: readonly PanelPlace[] = ['x', 'y', ...panelEdges];
  const sections = new Map(places.map((p) => [p, stiffnessAt(basis, p, age)]));
  const plain = uncracked(basis, age);
  const withTwist = (x: number, y: number): PlateStiffness => ({ x, y, twist: panel.isHeldDown ? Math.sqrt(x * y) : 0 });
  let stiffness = withTwist(plain.x, plain.y);
  let answer = plateOnEdges(panel, stiffness);
  for (let round = 0; round < ROUNDS; round += 1) {
    const secant = (place: PanelPlace, moment: number, otherwise: number) => {
      const s = sections.get(place);
      if (!s || load * moment * WIDTH < 1) return otherwise;
      return (load * moment) / meanCurvature(s, load * moment * WIDTH, largest * moment * WIDTH);
    };
    const along = (place: 'x' | 'y', ends: readonly [PanelEdge, PanelEdge]) => {
      const middle = secant(place, answer[place], plain[place]);
      const held = ends.filter((e) => panel.edges[e] === 'continuous').map((e) => secant(e, answer.support[e], plain[place]));
      // Half by the middle, half by the held ends: the mean of what the code takes for a beam with one stiffness.
      return held.length === 0 ? middle : (middle + held.reduce((a, b) => a + b, 0) / held.length) / 2;
    };
    const next = withTwist(along('x', ['left', 'right']), along('y', ['bottom', 'top']));
    // Halfway towards what is less stiff, and never back: what has cracked stays cracked, and at the step of cracking nothing swings.
    const fallen = (now: number, then: number) => Math.min(now, (now + then) / 2);
    const softer = withTwist(fallen(stiffness.x, next.x), fallen(stiffness.y, next.y));
    const change = Math.max(1 - softer.x / stiffness.x, 1 - softer.y / stiffness.y);
    stiffness = softer;
    answer = plateOnEdges(panel, stiffness);
    if (change < 1e-3) break;
  }
  return { answer, stiffness };
}
