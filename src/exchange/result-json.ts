import { plain } from '@/core/calc/notations';
import type { Step } from '@/core/calc/calc';
import { printStep, symbolText } from '@/core/calc/typeset';
import type { HandCheck } from '@/core/analysis/hand-check';
import type { Check, Measured } from '@/core/members/check';
import type { BeamResult, BeamStrips, ServiceStrips } from '@/core/members/beam/result';
import type { ColumnResult } from '@/core/members/column/result';
import type { PunchingResult } from '@/core/members/punching/result';
import type { PanelResult } from '@/core/members/panel/result';
import type { StripResult } from '@/core/members/strip/result';
import { codeOf, decisionFor, type Member, type MemberResult, type Project } from '@/core/project/project';
import { displayUnit, type UnitSystem } from '@/core/units/quantity';
import { getUnit } from '@/core/units/unit';
import { writeProject } from '@/core/project/write';

/**
 * Results as the command line and the server answer them; documented in docs/file-format.md. Every number stands beside its unit, in
 * the units in which the project is shown. Infinite and missing numbers are null.
 */
export function resultsToJson(project: Project, results: readonly { readonly member: Member; readonly result: MemberResult }[]) {
  const system = project.display;
  const echoed = JSON.parse(writeProject(project)) as { units: unknown; members: { id: string }[] };
  return {
    format: 'intarsia-results',
    version: 1,
    project: { name: project.name, code: { ...project.code }, display: system },
    inputUnits: echoed.units,
    members: results.map(({ member, result }) => ({
      id: member.id,
      mark: member.mark,
      title: member.title,
      type: member.type,
      code: codeOf(project, member).title,
      input: echoed.members.find((m) => m.id === member.id) ?? null,
      faults: result.faults,
      governing: result.governing?.id ?? null,
      utilisation: finite(result.governing?.utilisation ?? null),
      checks: result.checks.map((c) => checkToJson(c, member, system)),
      combinations: result.combinations,
      quantities: result.quantities && {
        concrete: measured({ value: result.quantities.concrete, kind: 'volume' }, system),
        bars: measured({ value: result.quantities.bars, kind: 'mass' }, system),
        links: measured({ value: result.quantities.links, kind: 'mass' }, system),
      },
      handChecks: handChecksToJson(result.handChecks, system),
      ...(result.type === 'beam'
        ? beamToJson(result, system)
        : result.type === 'punching'
          ? punchingToJson(result, system)
          : result.type === 'panel'
            ? panelToJson(result, system)
            : result.type === 'strip'
              ? slabToJson(result, system)
              : columnToJson(result, system)),
    })),
  };
}

/** What only a slab at a column has. */
function punchingToJson({ stages, needed }: PunchingResult, system: UnitSystem) {
  const length = (value: number) => measured({ value, kind: 'length' }, system);
  return {
    stages: stages.map((s) => ({ ...s, d: length(s.d), critical: length(s.critical) })),
    needed: needed && {
      spacing: length(needed.spacing),
      area: measured({ value: needed.area, kind: 'area' }, system),
      last: length(needed.last),
    },
  };
}

/** What only a slab spanning one way has: its curves and reactions are those of the strip. */
const slabToJson = (result: StripResult, system: UnitSystem) => ({
  stripWidth: measured({ value: result.width, kind: 'length' }, system),
  ...lineToJson(result, system),
});

/** What only a panel has: its ultimate load, and each place with its bars and moment. */
const panelToJson = ({ load, sections, moments }: PanelResult, system: UnitSystem) => ({
  load: measured({ value: load, kind: 'areaLoad' }, system),
  share: moments?.share ?? null,
  sections: sections.map((s) => ({
    place: s.place,
    bars: s.bars,
    d: measured({ value: s.d, kind: 'length' }, system),
    moment: measured({ value: s.moment, kind: 'lineTorque' }, system),
    resistance: measured({ value: s.resistance, kind: 'lineTorque' }, system),
    required: measured({ value: s.required, kind: 'areaPerWidth' }, system),
    provided: measured({ value: s.provided, kind: 'areaPerWidth' }, system),
  })),
});

/** What beams and strips of slab have. */
function lineToJson(result: BeamResult | StripResult, system: UnitSystem) {
  return {
    arrangements: result.arrangements,
    reactions: result.reactions.map((r) => ({
      support: r.support,
      max: measured({ value: r.max, kind: 'force' }, system),
      min: measured({ value: r.min, kind: 'force' }, system),
    })),
    steel: result.steel,
    strips: result.strips && stripsToJson(result.strips, system),
    service: result.service && serviceToJson(result.service, system),
  };
}

/** What only a beam has. */
function beamToJson(result: BeamResult, system: UnitSystem) {
  return {
    ...lineToJson(result, system),
    momentZeros: {
      sagging: result.zeros.sagging.map((x) => measured({ value: x, kind: 'station' }, system)),
      hogging: result.zeros.hogging.map((x) => measured({ value: x, kind: 'station' }, system)),
    },
  };
}

const handChecksToJson = (checks: readonly HandCheck[], system: UnitSystem) =>
  checks.map((h) => ({
    title: h.title,
    agrees: h.agrees,
    byHand: measured({ value: h.byHand, kind: h.kind }, system),
    byAnalysis: measured({ value: h.byAnalysis, kind: h.kind }, system),
  }));

/** What only a column has: the load sets as checked, where each is worst, the bars in their places. */
function columnToJson(result: ColumnResult, system: UnitSystem) {
  const moment = (value: number) => measured({ value, kind: 'moment' }, system);
  return {
    sets: result.summaries.map((s) => ({
      name: result.sets[s.index]!.name,
      title: result.sets[s.index]!.title,
      N: measured({ value: s.N, kind: 'force' }, system),
      place: s.place,
      Mx: moment(s.Mx),
      My: moment(s.My),
      utilisation: finite(s.utilisation),
      ...(s.refusal ? { refusal: s.refusal } : {}),
    })),
    slenderness: result.slenderness,
    steelRatio: result.steelRatio,
    bars: result.bars.map((b) => ({
      size: b.size,
      x: measured({ value: b.x, kind: 'smallLength' }, system),
      y: measured({ value: b.y, kind: 'smallLength' }, system),
    })),
  };
}

const finite = (v: number | null): number | null => (v !== null && Number.isFinite(v) ? v : null);

function measured(m: Measured | null, system: UnitSystem) {
  if (!m) return null;
  const { unit } = displayUnit(m.kind, system);
  return { value: finite(m.value / unit.factor), unit: unit.name };
}

function checkToJson(check: Check, member: Member, system: UnitSystem) {
  const { derivation, ...rest } = check;
  const decision = decisionFor(member, check);
  return {
    ...rest,
    utilisation: finite(check.utilisation),
    demand: measured(check.demand, system),
    capacity: measured(check.capacity, system),
    place: { label: check.place.label, x: measured(check.place.x === null ? null : { value: check.place.x, kind: 'station' }, system) },
    ...(decision ? { decision } : {}),
    ...(derivation ? { derivation: derivation.map((s) => stepToJson(s, system)) } : {}),
  };
}

/** One step of a derivation, with formula and numbers as plain text. */
export function stepToJson(step: Step, system: UnitSystem) {
  if (step.kind === 'note') return { note: step.text, ...(step.clause ? { clause: step.clause } : {}) };
  const unit = getUnit(system === 'US' ? step.unitUS : step.unit);
  const printed = printStep(step, plain, system)!;
  const base = { symbol: symbolText(step.symbol), name: step.name, value: finite(step.value / unit.factor), unit: unit.name };
  if (step.kind === 'given') return { ...base, ...(step.source ? { source: step.source } : {}) };
  return { ...base, clause: step.clause, formula: printed.formula, numbers: printed.numbers };
}

function serviceToJson(s: ServiceStrips, system: UnitSystem) {
  const curve = (values: ArrayLike<number>, kind: Measured['kind']) => {
    const { factor } = displayUnit(kind, system).unit;
    return Array.from(values, (v) => finite(Number((v / factor).toPrecision(8))));
  };
  return {
    units: { station: displayUnit('station', system).unit.name, deflection: displayUnit('smallLength', system).unit.name },
    x: curve(s.x, 'station'),
    deflections: s.sums.map((sum) => ({
      id: sum.id,
      title: sum.title,
      max: curve(sum.max, 'smallLength'),
      min: curve(sum.min, 'smallLength'),
      limits: curve(sum.limits, 'smallLength'),
    })),
    crackX: curve(s.crackX, 'station'),
    crackBottom: curve(s.crackBottom, 'crack'),
    crackTop: curve(s.crackTop, 'crack'),
    crackIsEstimate: s.crackIsEstimate,
  };
}

function stripsToJson(s: BeamStrips, system: UnitSystem) {
  const curve = (values: ArrayLike<number>, kind: Measured['kind']) => {
    const { factor } = displayUnit(kind, system).unit;
    return Array.from(values, (v) => finite(Number((v / factor).toPrecision(10))));
  };
  const names = {
    station: displayUnit('station', system).unit.name,
    moment: displayUnit('moment', system).unit.name,
    force: displayUnit('force', system).unit.name,
    area: displayUnit('area', system).unit.name,
  };
  return {
    units: names,
    x: curve(s.x, 'station'),
    span: Array.from(s.span),
    maxM: curve(s.maxM, 'moment'),
    minM: curve(s.minM, 'moment'),
    maxV: curve(s.maxV, 'force'),
    minV: curve(s.minV, 'force'),
    designV: curve(s.designV, 'force'),
    shiftedSagging: curve(s.shiftedSagging, 'moment'),
    shiftedHogging: curve(s.shiftedHogging, 'moment'),
    resistanceSagging: curve(s.resistanceSagging, 'moment'),
    resistanceHogging: curve(s.resistanceHogging, 'moment'),
    resistanceV: curve(s.resistanceV, 'force'),
    requiredBottom: curve(s.requiredBottom, 'area'),
    requiredTop: curve(s.requiredTop, 'area'),
    providedBottom: curve(s.providedBottom, 'area'),
    providedTop: curve(s.providedTop, 'area'),
  };
}
