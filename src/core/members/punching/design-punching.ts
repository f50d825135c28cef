import { CalcError, derive, silent, type Calc } from '../../calc/calc';
import { missingFor, type DesignCode, Limit } from '../../codes/design-code';
import type { Comparison, PunchingQuestion } from '../../codes/punching-rules';
import { catalogues, findBar } from '../../materials/bars';
import type { QuantityKind } from '../../units/quantity';
import { formatQuantity } from '../../units/format';
import { finishChecks, governing, makeCheck, topicsNotCovered, type CheckFamily, type DerivableCheck } from '../../checks/check';
import type { DesignOptions } from '../../job';
import { punchingFaults } from './faults';
import { layerOf } from '../../reinforcement/slab-bars';
import type { PunchingInput } from './input';
import { emptyPunchingResult, type PunchingResult } from './result';
import { questionOf, stagesOf, type PunchingStage } from './stage';

interface Basis {
  readonly p: PunchingInput;
  readonly code: DesignCode;
  readonly units: DesignOptions['units'];
}

/** Designs a slab at a column from its input alone. Never throws on bad input. */
export function designPunching(p: PunchingInput, code: DesignCode, options: DesignOptions): PunchingResult {
  const faults = punchingFaults(p, code);
  if (faults.length > 0) return emptyPunchingResult(faults);
  const basis = { p, code, units: options.units };
  const stages = stagesOf(p, code);
  const checks = finishChecks(
    [
      ...stages.flatMap((stage) => strength(basis, stage)),
      ...stages.flatMap((stage) => legRules(basis, stage)),
      ...(p.base ? [] : leastBars(basis, stages[0]!)),
      ...topicsNotCovered([
        ...missingFor(code, 'punching'),
        { title: 'Wall ends, walls, sloping column heads', clause: code.punching.clauses.perimeter },
        ...(p.base ? [{ title: 'Bending and one-way shear of the footing', clause: 'the footing’s own design' }] : []),
        {
          title: code.punching.leastBars ? 'Lengths of the top bars' : 'Top bars beyond the column, least steel',
          clause: 'the slab’s own design',
        },
      ]),
    ],
    options,
  );
  const needs = neededLegs(basis, stages[0]!);
  return {
    type: 'punching',
    faults: [],
    checks,
    governing: governing(checks) ?? null,
    stages: stages.map((s) => ({ id: s.id, position: s.position, d: s.d, ratio: s.ratio, critical: code.punching.critical(s.d) })),
    needed: needs,
    legs: legsOf(p, stages[0]!),
    quantities: quantitiesOf(p, stages[0]!),
    combinations: [],
    handChecks: [],
  };
}

const labelOf = (stage: PunchingStage) => stage.title;
const idOf = (stage: PunchingStage, id: string) => (stage.id === 'column' ? id : `${stage.id}-${id}`);

type Compare = (c: Calc, q: PunchingQuestion) => Comparison | null;

/** The set that a comparison is worst for. */
function strength(basis: Basis, stage: PunchingStage): DerivableCheck[] {
  const { code } = basis;
  const { punching: rules } = code;
  const { steel } = stage;
  return [
    strengthCheck(basis, stage, 'face', rules.face),
    steel
      ? strengthCheck(basis, stage, 'reinforced', (c, q) => rules.reinforced(c, q, steel))
      : strengthCheck(basis, stage, 'plain', rules.plain),
    ...(steel ? [strengthCheck(basis, stage, 'outside', (c, q) => rules.outside(c, q, steel))] : []),
  ].flat();
}

function strengthCheck({ p, units, code }: Basis, stage: PunchingStage, id: string, compare: Compare): DerivableCheck[] {
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
    const show = (v: number) => formatQuantity(v, w.found.kind, units);
    return [
      makeCheck(
        {
          ...base,
          title: stage.id === 'drop' ? `${w.found.title}, thicker part` : w.found.title,
          clause: w.found.clause,
          demand: { value: w.found.demand, kind: w.found.kind },
          capacity: { value: w.found.capacity, kind: w.found.kind },
          utilisation: w.ratio,
          combination: w.set.name,
          assumptions: code.punching.choices.map((k) => k.key),
          ...(w.ratio > 1.0005 ? { reason: `${w.found.words}: ${show(w.found.demand)} against ${show(w.found.capacity)}.` } : {}),
        },
        () => derive((c) => void compare(c, w.q)),
      ),
    ];
  } catch (error) {
    if (!(error instanceof CalcError)) throw error;
    return [
      makeCheck({
        ...base,
        title: 'Punching',
        clause: '',
        demand: null,
        capacity: null,
        utilisation: null,
        status: 'failed',
        reason: error.message,
      }),
    ];
  }
}

/** Where legs stand, how thick they are at least, and what could not be placed. */
function legRules({ p, code, units }: Basis, stage: PunchingStage): DerivableCheck[] {
  const { steel, placed } = stage;
  if (stage.id !== 'column' || !p.legs || !placed) return [];
  const place = { x: null, label: labelOf(stage) };
  if (!steel)
    return [
      makeCheck({
        id: 'legs-placed',
        family: 'detailing',
        title: 'Legs in the slab',
        clause: '',
        demand: null,
        capacity: null,
        utilisation: null,
        status: 'failed',
        place,
        reason: 'No leg finds room in the slab: all of them would stand in openings or off its edge.',
      }),
    ];
  const q = questionOf(p, stage, p.sets[0]!);
  const rules = code.punching.detailing(silent, q, steel);
  const show = (v: number, kind: QuantityKind) => formatQuantity(v, kind, units);
  const make = (id: string, title: string, limit: Limit, demand: number, kind: QuantityKind, words: string): DerivableCheck[] =>
    Number.isFinite(limit.value) && limit.value > 0
      ? [
          makeCheck(
            {
              id,
              family: 'detailing',
              title,
              clause: limit.clause,
              demand: { value: demand, kind },
              capacity: { value: limit.value, kind },
              utilisation: demand / limit.value,
              place,
              ...(demand > limit.value * 1.0005 ? { reason: `${words}: ${show(demand, kind)}, at most ${show(limit.value, kind)}.` } : {}),
            },
            () => derive((c) => void code.punching.detailing(c, q, steel)),
          ),
        ]
      : [];
  const legArea = findBar(catalogues[p.catalogue], p.legs.size)!.area;
  const hasArea = code.punching.leastAreaOf(steel.kind) === 'line' ? steel.area : legArea;
  const needsArea = rules.area.value;
  const least =
    needsArea > 0
      ? [
          makeCheck(
            {
              id: 'leg-area',
              family: 'detailing' as const,
              title: 'Least legs',
              clause: rules.area.clause,
              demand: { value: needsArea, kind: 'area' as const },
              capacity: { value: hasArea, kind: 'area' as const },
              utilisation: needsArea / hasArea,
              place,
              ...(needsArea > hasArea * 1.0005
                ? { reason: `Legs are too thin or too far apart: ${show(hasArea, 'area')}, at least ${show(needsArea, 'area')}.` }
                : {}),
            },
            () => derive((c) => void code.punching.detailing(c, q, steel)),
          ),
        ]
      : [];
  const close: Limit = { value: steel.first, clause: rules.first.clause };
  return [
    ...make('leg-first', 'First legs from the column', rules.first, steel.first, 'length', 'The first legs stand too far from the column'),
    ...(rules.first.least > 0
      ? make(
          'leg-first-near',
          'First legs not too near',
          close,
          rules.first.least,
          'length',
          'The first legs stand too near the column; they should be away',
        )
      : []),
    ...make('leg-spacing', 'Perimeters of legs apart', rules.spacing, steel.spacing, 'length', 'Perimeters of legs stand too far apart'),
    ...make('leg-across', 'Legs along a perimeter', rules.across, steel.across, 'length', 'Legs along a perimeter stand too far apart'),
    ...(steel.acrossBeyond > 0
      ? make(
          'leg-across-beyond',
          'Legs along an outer perimeter',
          rules.acrossBeyond,
          steel.acrossBeyond,
          'length',
          'Legs along an outer perimeter stand too far apart',
        )
      : []),
    ...make(
      'leg-perimeters',
      'Perimeters of legs',
      { value: p.legs.perimeters, clause: rules.first.clause },
      2,
      'number',
      'Two perimeters at least are needed; there are too few',
    ),
    ...least,
    ...(rules.depth
      ? make(
          'leg-depth',
          'Depth for links',
          { value: q.d, clause: rules.depth.clause },
          rules.depth.value,
          'length',
          'The slab is not deep enough for links of this size; the effective depth they need',
        )
      : []),
    ...placing(placed, place),
  ];
}

/** Top bars about the column that a code asks for beside bending, both ways; the worst of all sets. */
function leastBars({ p, code, units }: Basis, stage: PunchingStage): DerivableCheck[] {
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
    const show = (v: number) => formatQuantity(v, 'area', units);
    return [
      makeCheck(
        {
          id: `least-bars-${along}`,
          family: 'detailing',
          title: `Least top bars along ${along}`,
          clause: limit.clause,
          demand: { value: limit.value, kind: 'area' },
          capacity: { value: has, kind: 'area' },
          utilisation: limit.value / has,
          place: { x: null, label: labelOf(stage) },
          combination: most.name,
          ...(limit.value > has * 1.0005
            ? {
                reason: `Top bars along ${along} within ${formatQuantity(width, 'length', units)}: at least ${show(limit.value)}, has ${show(has)}.`,
              }
            : {}),
        },
        () => derive((c) => void rule(c, q, width)),
      ),
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
    makeCheck({
      id: 'legs-placed',
      family: 'detailing',
      title: dropped.length > 0 ? 'Legs left out' : 'Legs moved',
      clause: '',
      demand: null,
      capacity: null,
      utilisation: null,
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
    return worst.ratio > 1 ? { spacing, ...code.punching.needed(silent, worst.q, spacing) } : null;
  } catch (error) {
    if (error instanceof CalcError) return null;
    throw error;
  }
}

/** Length of a link's leg with its bends beyond the slab's depth less covers (bar diameters); a stud ends with its heads. */
const LINK_ENDS = 12;

/** All legs as they are placed, and how long each is with its ends (mm). */
function legsOf(p: PunchingInput, { placed, h }: PunchingStage): PunchingResult['legs'] {
  const bar = p.legs && findBar(catalogues[p.catalogue], p.legs.size);
  if (!bar || !placed) return null;
  const ends = p.legs?.kind === 'links' ? LINK_ENDS * bar.diameter : 0;
  return { count: placed.legs.length, length: h - 2 * p.cover + ends };
}

/** Mass of the legs alone: the slab belongs to its own design. */
function quantitiesOf(p: PunchingInput, stage: PunchingStage) {
  const legs = legsOf(p, stage);
  const bar = p.legs && findBar(catalogues[p.catalogue], p.legs.size);
  return { concrete: 0, bars: 0, links: bar && legs ? legs.count * legs.length * bar.massPerLength : 0, formwork: 0 };
}
