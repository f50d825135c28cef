import { largestOf } from '../../checks/largest';
import { compareCheck, type Compared, type Comparison as Told, type Origin } from '../../checks/compare';
import { CalcError, silent, type Calc } from '../../calc/calc';
import { missingFor, type DesignCode, Limit } from '../../codes/design-code';
import type { Comparison, PunchingQuestion } from '../../codes/punching-rules';
import { catalogues, findBar } from '../../materials/bars';
import type { QuantityKind } from '../../units/quantity';
import { type CheckFamily, checkInWords, type DerivableCheck, finishChecks, governing, topicsNotCovered } from '../../checks/check';
import type { DesignOptions } from '../../job';
import { countOf } from '../../model/bar-set';
import { lengthAlong } from '../../model/centre-line';
import { quantitiesOf } from '../../model/member-model';
import { punchingFaults } from './faults';
import { layerOf } from '../../reinforcement/slab-bars';
import type { PunchingInput } from './input';
import { punchingModel } from './model';
import { emptyPunchingResult, type PunchingResult } from './result';
import { tied, tieChecks } from './closed-ties';
import { questionOf, stagesOf, type PunchingStage } from './stage';

interface Basis {
  readonly p: PunchingInput;
  readonly code: DesignCode;
}

/** Designs a slab at a column from its input alone. Never throws on bad input. */
export function designPunching(p: PunchingInput, code: DesignCode, options: DesignOptions): PunchingResult {
  const faults = punchingFaults(p, code);
  if (faults.length > 0) return emptyPunchingResult(faults);
  const basis = { p, code };
  const stages = stagesOf(p, code);
  const checks = finishChecks(
    [
      ...stages.flatMap((stage) => strength(basis, stage)),
      ...tieChecks(p, code, stages[0]!),
      ...stages.flatMap((stage) => legRules(basis, stage)),
      ...(p.base ? [] : leastBars(basis, stages[0]!)),
      ...topicsNotCovered([
        ...missingFor(code, 'punching'),
        { title: 'Wall ends, walls, sloping column heads', clause: code.punching.clauses.perimeter },
        ...(p.base ? [{ title: 'Bending and one-way shear of the footing', clause: 'the footing’s own design' }] : []),
        {
          title: code.punching.leastBars ? 'Lengths of the top bars' : 'Top bars beyond the column, minimum reinforcement',
          clause: 'the slab’s own design',
        },
      ]),
    ],
    options,
  );
  const needs = neededLegs(basis, stages[0]!);
  const model = punchingModel(p, code, stages[0]!);
  const [legs] = model.bars;
  return {
    type: 'punching',
    faults: [],
    checks,
    governing: governing(checks) ?? null,
    stages: stages.map((s) => ({ id: s.id, position: s.position, d: s.d, ratio: s.ratio, critical: code.punching.critical(s.d) })),
    needed: needs,
    legs: legs ? { count: countOf(legs), length: lengthAlong(legs.corners) } : null,
    quantities: quantitiesOf(model, 0),
    combinations: [],
    handChecks: [],
  };
}

const labelOf = (stage: PunchingStage) => stage.title;
const idOf = (stage: PunchingStage, id: string) => (stage.id === 'drop' ? `drop-${id}` : id);

type Compare = (c: Calc, q: PunchingQuestion) => Comparison | null;

/** The set that a comparison is worst for. */
function strength(basis: Basis, stage: PunchingStage): DerivableCheck[] {
  const { p, code } = basis;
  const { punching: rules } = code;
  const { steel } = stage;
  return [
    strengthCheck(basis, stage, 'face', rules.face),
    steel
      ? strengthCheck(basis, stage, 'reinforced', (c, q) => rules.reinforced(c, q, steel))
      : strengthCheck(basis, stage, 'plain', tied(p, code, stage)),
    ...(steel ? [strengthCheck(basis, stage, 'outside', (c, q) => rules.outside(c, q, steel))] : []),
  ].flat();
}

function strengthCheck({ p, code }: Basis, stage: PunchingStage, id: string, compare: Compare): DerivableCheck[] {
  const place = { x: null, label: labelOf(stage) };
  const base = { id: idOf(stage, id), family: 'shear' as CheckFamily, place };
  try {
    const rows = p.sets.flatMap((set) => {
      const q = questionOf(p, stage, set);
      const found = compare(silent, q);
      return found ? [{ set, q, found, ratio: found.capacity > 0 ? found.demand / found.capacity : Infinity }] : [];
    });
    if (rows.length === 0) return [];
    const w = rows.reduce((a, b) => (b.ratio > a.ratio ? b : a));
    return [
      compareCheck({
        ...base,
        title: stage.id === 'drop' ? `${w.found.title}, thicker part` : w.found.title,
        clause: w.found.clause,
        combination: w.set.name,
        assumptions: code.punching.choices.map((k) => k.key),
        kind: w.found.kind,
        compare: (c) => {
          const { demand, capacity } = compare(c, w.q)!;
          const is: Origin = ['strength of the slab there', 'without legs, as above'];
          return { demand, capacity, ...(id === 'outside' ? { capacityIs: is } : {}), ...(capacity > 0 ? {} : { utilisation: Infinity }) };
        },
        fails: (demand, capacity) => `${w.found.words}: ${demand} against ${capacity}.`,
      }),
    ];
  } catch (error) {
    if (!(error instanceof CalcError)) throw error;
    return [checkInWords({ ...base, title: 'Punching', clause: '', status: 'failed', reason: error.message })];
  }
}

/** Where legs stand, how thick they are at least, and what could not be placed. */
function legRules({ p, code }: Basis, stage: PunchingStage): DerivableCheck[] {
  const { steel, placed } = stage;
  if (stage.id === 'drop' || !p.legs || !placed) return [];
  const place = { x: null, label: labelOf(stage) };
  if (!steel)
    return [
      checkInWords({
        id: 'legs-placed',
        family: 'detailing',
        title: 'Legs in the slab',
        clause: '',
        status: 'failed',
        place,
        reason: 'No leg finds room in the slab: all of them would stand in openings or off its edge.',
      }),
    ];
  // Where the spacing depends on the stress the set that asks for the closest counts.
  const q = largestOf(
    p.sets.map((set) => questionOf(p, stage, set)),
    (one) => -code.punching.detailing(silent, one, steel).spacing.value,
  )!;
  type Rules = ReturnType<typeof code.punching.detailing>;
  const rules = code.punching.detailing(silent, q, steel);
  const legs: Origin[1] = 'of the legs as they are placed';
  const limit: Origin = ['limit', 'as the code asks for this depth'];
  const rule = (id: string, title: string, clause: string, kind: QuantityKind, compare: (r: Rules) => Compared, fails: Told['fails']) =>
    compareCheck({
      id,
      family: 'detailing',
      title,
      clause,
      place,
      kind,
      compare: (c) => compare(code.punching.detailing(c, q, steel)),
      fails,
    });
  /** A distance that may not be more than a limit, where there is one. */
  const most = (id: string, title: string, of: (r: Rules) => Limit, has: number, what: string, words: string): DerivableCheck[] => {
    const { value, clause } = of(rules);
    if (!(Number.isFinite(value) && value > 0)) return [];
    const compare = (r: Rules): Compared => ({ demand: has, demandIs: [what, legs], capacity: of(r).value, capacityIs: limit });
    return [rule(id, title, clause, 'length', compare, (is, allowed) => `${words}: ${is}, at most ${allowed}.`)];
  };
  const legArea = findBar(catalogues[p.catalogue], p.legs.size)!.area;
  const hasArea = code.punching.leastAreaOf(steel.kind) === 'line' ? steel.area : legArea;
  const first: Origin = ['distance of the first legs from the column', legs];
  const { perimeters } = p.legs;
  return [
    ...most(
      'leg-first',
      'First legs from the column',
      (r) => r.first,
      steel.first,
      first[0],
      'The first legs stand too far from the column',
    ),
    ...(rules.first.least > 0
      ? [
          rule(
            'leg-first-near',
            'First legs not too near',
            rules.first.clause,
            'length',
            (r) => ({ demand: r.first.least, demandIs: ['minimum distance', limit[1]], capacity: steel.first, capacityIs: first }),
            (least, is) => `The first legs stand too near the column; they should be away: ${least}, at most ${is}.`,
          ),
        ]
      : []),
    ...most(
      'leg-spacing',
      'Perimeters of legs apart',
      (r) => r.spacing,
      steel.spacing,
      'distance of perimeters',
      'Perimeters of legs stand too far apart',
    ),
    ...most(
      'leg-across',
      'Legs along a perimeter',
      (r) => r.across,
      steel.across,
      'widest distance of legs along a perimeter',
      'Legs along a perimeter stand too far apart',
    ),
    ...(steel.acrossBeyond > 0
      ? most(
          'leg-across-beyond',
          'Legs along an outer perimeter',
          (r) => r.acrossBeyond,
          steel.acrossBeyond,
          'widest distance of legs along an outer perimeter',
          'Legs along an outer perimeter stand too far apart',
        )
      : []),
    rule(
      'leg-perimeters',
      'Perimeters of legs',
      rules.first.clause,
      'number',
      () => ({
        demand: 2,
        demandIs: ['minimum number of perimeters', 'as the code asks'],
        capacity: perimeters,
        capacityIs: ['perimeters', 'as typed'],
      }),
      () => `Two perimeters at least are needed; there are too few: 2.00, at most ${perimeters.toFixed(2)}.`,
    ),
    ...(rules.area.value > 0
      ? [
          rule(
            'leg-area',
            'Minimum area of legs',
            rules.area.clause,
            'area',
            (r) => ({
              demand: r.area.value,
              demandIs: ['minimum area', 'as the code asks at these spacings'],
              capacity: hasArea,
              capacityIs:
                code.punching.leastAreaOf(steel.kind) === 'line' ? ['area of the legs of a line', legs] : ['area of a leg', 'of its size'],
            }),
            (least, is) => `Legs are too thin or too far apart: ${is}, at least ${least}.`,
          ),
        ]
      : []),
    ...(rules.depth
      ? [
          rule(
            'leg-depth',
            'Depth for links',
            rules.depth.clause,
            'length',
            (r) => ({
              demand: r.depth!.value,
              demandIs: ['minimum effective depth', 'for legs of this size'],
              capacity: q.d,
              capacityIs: ['mean effective depth', 'of both layers of top bars'],
            }),
            (least, is) => `The slab is not deep enough for links of this size; the effective depth they need: ${least}, at most ${is}.`,
          ),
        ]
      : []),
    ...placing(placed, place),
  ];
}

/** Top bars about the column that a code asks for beside bending, both ways; the worst of all sets. */
function leastBars({ p, code }: Basis, stage: PunchingStage): DerivableCheck[] {
  const { leastBars: rule, barsWithin } = code.punching;
  if (!rule || barsWithin === undefined) return [];
  const most = p.sets.reduce((a, b) => (b.V > a.V ? b : a));
  const q = questionOf(p, stage, most);
  return (['x', 'y'] as const).flatMap((along): DerivableCheck[] => {
    const across = along === 'x' ? 'y' : 'x';
    const width = widthAbout(p, stage, across, barsWithin * stage.h);
    const limit = rule(silent, q, width);
    if (!limit) return [];
    const has = layerOf(along === 'x' ? p.barsX : p.barsY, p.catalogue).area * width;
    return [
      compareCheck({
        id: `least-bars-${along}`,
        family: 'detailing',
        title: `Minimum top bars along ${along}`,
        clause: limit.clause,
        place: { x: null, label: labelOf(stage) },
        combination: most.name,
        kind: 'area',
        compare: (c) => ({
          demand: rule(c, q, width)!.value,
          capacity: has,
          capacityIs: ['top bars within that width', `of the layer along ${along}, as typed`],
        }),
        fails: (least, is, show) => `Top bars along ${along} within ${show(width, 'length')}: at least ${least}, has ${is}.`,
      }),
    ];
  });
}

/** Width of the slab about the column, so far beyond each side of it as there is slab (mm). */
function widthAbout(p: PunchingInput, { size }: PunchingStage, axis: 'x' | 'y', beyond: number): number {
  const [low, high] = axis === 'x' ? [p.edges.left, p.edges.right] : [p.edges.bottom, p.edges.top];
  const side = (edge: number | null) => Math.min(beyond, edge ?? Infinity);
  return (axis === 'x' ? size.cx : size.cy) + side(low) + side(high);
}

/** Legs that an opening or an edge takes are said, never just counted. */
function placing({ dropped, moved, legs }: NonNullable<PunchingStage['placed']>, place: { x: null; label: string }): DerivableCheck[] {
  if (dropped.length + moved === 0) return [];
  return [
    checkInWords({
      id: 'legs-placed',
      family: 'detailing',
      title: dropped.length > 0 ? 'Legs left out' : 'Legs moved',
      clause: '',
      status: 'notApplicable',
      place,
      reason:
        dropped.length > 0
          ? `${dropped.length} legs would stand in an opening or off the slab: they are left out and not counted; ${legs.length} are there.`
          : `${moved} legs would stand in an opening or off the slab: the legs of their perimeters are moved aside along them.`,
    }),
  ];
}

/** Legs of one perimeter and the distance of the last that strength asks for, for the worst set; null where none are needed. */
function neededLegs({ p, code }: Basis, stage: PunchingStage): PunchingResult['needed'] {
  const spacing = p.legs?.spacing ?? Math.floor((0.5 * stage.d) / 5) * 5;
  try {
    const rows = p.sets.map((set) => {
      const q = questionOf(p, stage, set);
      const { demand, capacity } = code.punching.plain(silent, q);
      return { q, ratio: demand / capacity };
    });
    // The strength without legs is the same for all sets: what is worst there asks for the most legs, furthest out.
    const worst = rows.reduce((a, b) => (b.ratio > a.ratio ? b : a));
    if (!(worst.ratio > 1)) return null;
    const { area, last, beyond } = code.punching.needed(silent, worst.q, spacing);
    return { spacing, area, last: Number.isFinite(last) ? last : null, beyond };
  } catch (error) {
    if (error instanceof CalcError) return null;
    throw error;
  }
}
