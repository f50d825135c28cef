import { plain } from '@/core/calc/notations';
import type { Step } from '@/core/calc/calc';
import { printStep, symbolText } from '@/core/calc/typeset';
import type { HandCheck } from '@/core/analysis/hand-check';
import type { Check } from '@/core/checks/check';
import type { Block, Cell } from '@/core/document/blocks';
import { finite, measured } from '@/core/document/measured';
import { memberPaper } from '@/core/project/member-paper';
import type { Project } from '@/core/project/project';
import { codeOf, decisionFor } from '@/core/members/member';
import { kindOf, type Member, type MemberResult } from '@/core/members/kinds';
import { displayUnit, type UnitSystem } from '@/core/units/quantity';
import { getUnit } from '@/core/units/unit';
import { writeProject } from '@/core/project/write';

/**
 * Results as the command line and the server answer them; documented in docs/file-format.md. Every number stands beside its unit, in
 * the units in which the project is shown. Infinite and missing numbers are null.
 */
export function resultsToJson(project: Project, results: readonly { readonly member: Member; readonly result: MemberResult }[]) {
  const system = project.display;
  // As they were designed: with what they took from others.
  const members = project.members.map((m) => results.find((r) => r.member.id === m.id)?.member ?? m);
  const echoed = JSON.parse(writeProject({ ...project, members })) as { units: unknown; members: { id: string }[] };
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
      ...kindOf(member).toJson(result, system),
      paper: memberPaper(project, member, result, 'summary').map((block) => blockToJson(block, system)),
    })),
  };
}

const cellToJson = (cell: Cell, system: UnitSystem) => (typeof cell === 'string' ? cell : measured(cell, system));

/** A block of the one-page paper: numbers beside their units, checks by their ids, drawings by their captions. */
function blockToJson(block: Block, system: UnitSystem) {
  switch (block.kind) {
    case 'facts':
      return { ...block, rows: block.rows.map(([label, value]) => [label, cellToJson(value, system)]) };
    case 'table':
      return {
        ...block,
        columns: block.columns.map((c) => c.title),
        rows: block.rows.map((row) => row.map((cell) => cellToJson(cell, system))),
      };
    case 'figure':
      return { kind: block.kind, caption: block.caption };
    case 'governs':
      return { kind: block.kind, check: block.check.id };
    case 'checks':
      return { ...block, rows: block.rows.map((r) => r.check.id) };
    case 'steps':
      return { kind: block.kind, check: block.check.id };
    default:
      return block;
  }
}

const handChecksToJson = (checks: readonly HandCheck[], system: UnitSystem) =>
  checks.map((h) => ({
    title: h.title,
    agrees: h.agrees,
    byHand: measured({ value: h.byHand, kind: h.kind }, system),
    byAnalysis: measured({ value: h.byAnalysis, kind: h.kind }, system),
  }));

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
  if (step.kind === 'table') {
    const units = step.columns.map(({ kind }) => displayUnit(kind, system).unit);
    return {
      table: step.title,
      columns: step.columns.map(({ name }, k) => ({ name, unit: units[k]!.name })),
      rows: step.rows.map((row) => row.map((v, k) => finite(v / units[k]!.factor))),
    };
  }
  const unit = getUnit(system === 'US' ? step.unitUS : step.unit);
  const printed = printStep(step, plain, system)!;
  const base = { symbol: symbolText(step.symbol), name: step.name, value: finite(step.value / unit.factor), unit: unit.name };
  if (step.kind === 'given') return { ...base, ...(step.source ? { source: step.source } : {}) };
  return { ...base, clause: step.clause, formula: printed.formula, numbers: printed.numbers };
}
