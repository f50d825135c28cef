import type { Combination } from '../../analysis/combination';
import type { CrackedState } from '../../analysis/plates/cracked-plate';
import { silent } from '../../calc/calc';
import type { DeflectionSum, ServiceLoads } from '../../codes/service-rules';
import type { Steps } from '../../job';
import { crackedSlab, deflectionOf, loadsUnder, type CrackedBasis, type CrackedQuestion } from './cracked';
import type { HistoryPoint } from './result';
import { wholeLoad } from './service-loads';

/** A deflection of the whole slab that is limited: node by node (mm), and what it is. */
export interface SlabDeflection {
  readonly id: DeflectionSum['id'];
  readonly title: string;
  readonly clause: string;
  /** Usual limit, as a part of the length: 250 for length/250. */
  readonly usual: number;
  /** How it is put together: "1.00 end, -1.00 partitions". */
  readonly how: string;
  readonly values: Float64Array;
}

export interface PlateDeflections {
  readonly sums: readonly SlabDeflection[];
  readonly history: readonly HistoryPoint[];
  /** The slab at the end of its history; of states that are added up the one with most load. */
  readonly last: CrackedState | null;
  /** Why deflections could not be worked out, or have not settled. */
  readonly trouble: string | null;
}

interface ServiceBasis extends CrackedBasis {
  readonly combinations: readonly Combination[];
  /** Of the slab (mm2). */
  readonly area: number;
}

/** Deflections of the cracked slab: by the history of its loads where there is one and the code has ages, else by the states that the code adds up. */
export function* plateDeflections(basis: ServiceBasis): Steps<PlateDeflections> {
  const { plate, code } = basis;
  return plate.stages && plate.stages.length > 0 && code.service.aged ? yield* byHistory(basis) : yield* bySums(basis);
}

/** Runs the cracked slab, keeps what has not settled in words. */
class Runs {
  readonly troubles: string[] = [];
  constructor(private readonly basis: ServiceBasis) {}

  *at(title: string, question: CrackedQuestion): Steps<CrackedState> {
    const done = yield* crackedSlab(this.basis, question);
    if (!done.isSettled)
      this.troubles.push(
        `${title} had not settled after ${done.rounds} rounds: its deflection still changed by ${(100 * done.change).toFixed(2)} %.`,
      );
    return done;
  }
}

const untold = (words: string): PlateDeflections => ({ sums: [], history: [], last: null, trouble: words });

function* bySums(basis: ServiceBasis): Steps<PlateDeflections> {
  const { plate, code, answer, combinations, area } = basis;
  const { stages, fullLoads } = code.service;
  const sums = code.service.sums(silent, { ...plate.service, compressionRatio: 0, tensionRatio: 0 });
  const needed = new Set(sums.flatMap((s) => s.terms.map((t) => t.stage)));
  const used = stages.filter((s) => needed.has(s.id));
  const kinds = [
    ...new Set<ServiceLoads>([...used.map((s) => s.loads), ...(used.some((s) => s.crackedBy === 'largest') ? [fullLoads] : [])]),
  ];
  const loads = new Map(kinds.map((kind) => [kind, wholeLoad(plate, answer, combinations, kind)]));
  if ([...loads.values()].some((l) => l === null))
    return untold('A combination in service is switched off: the deflection cannot be worked out.');
  const runs = new Runs(basis);
  const full = used.some((s) => s.crackedBy === 'largest')
    ? yield* runs.at('The slab under its full loads', { loads: loads.get(fullLoads)!.loads, age: 'immediate' })
    : null;
  const states = new Map<string, CrackedState>();
  for (const stage of used) {
    const before = stage.crackedBy === 'largest' ? full : null;
    const state = yield* runs.at(`The slab at the stage "${stage.id}"`, {
      loads: loads.get(stage.loads)!.loads,
      age: stage.age,
      ...(before ? { memory: before.memory, from: before } : {}),
    });
    states.set(stage.id, state);
  }
  const fields = new Map([...states].map(([id, state]) => [id, deflectionOf(basis, state)]));
  const heaviest = used.reduce<(typeof used)[number] | null>(
    (a, b) => (!a || loads.get(b.loads)!.total > loads.get(a.loads)!.total ? b : a),
    null,
  );
  return {
    sums: sums.map((sum) => ({
      ...sum,
      how: sum.terms.map((t) => `${t.factor.toFixed(2)} ${t.stage}`).join(', '),
      values: added(sum.terms.map((t) => [t.factor, fields.get(t.stage)!])),
    })),
    history: used.map((s) => ({
      title: s.id,
      days: s.age === 'end' ? Infinity : s.age === 'partitions' ? plate.service.partitionAge : 0,
      load: loads.get(s.loads)!.total / area,
      deflection: most(fields.get(s.id)!),
    })),
    last: heaviest ? states.get(heaviest.id)! : null,
    trouble: runs.troubles[0] ?? null,
  };
}

const most = (values: Float64Array): number => values.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a), 0);

function added(terms: readonly (readonly [number, Float64Array])[]): Float64Array {
  const sum = new Float64Array(terms[0]?.[1].length ?? 0);
  for (const [factor, values] of terms) values.forEach((v, i) => (sum[i]! += factor * v));
  return sum;
}

/**
 * Stage after stage: just when its loads have come, and at its end. Loads of different ages count with the creep of each since it came, weighed by its
 * size (EN 1992-1-1 7.4.3(5) with one effective modulus); what cracked stays cracked.
 */
function* byHistory(basis: ServiceBasis): Steps<PlateDeflections> {
  const { plate, code, answer, area } = basis;
  const stages = [...plate.stages!].sort((a, b) => a.days - b.days);
  const loads = stages.map((s) => loadsUnder(answer, s.factors));
  const size = { area: 1000 * plate.h, perimeter: 2000 };
  const steps = loads.map((l, i) => Math.abs(l.total - (loads[i - 1]?.total ?? 0)));
  const agedAt = (i: number, at: number) => {
    const all = steps.slice(0, i + 1).reduce((a, b) => a + b, 0);
    const each = stages.slice(0, i + 1).map((s, k) => (steps[k]! / all) * code.service.aged!(plate.materials, size, s.days, at).creep);
    return {
      creep: all > 0 ? each.reduce((a, b) => a + b, 0) : 0,
      shrinkage: code.service.aged!(plate.materials, size, stages[0]!.days, at).shrinkage,
    };
  };
  const runs = new Runs(basis);
  const history: HistoryPoint[] = [];
  const fields: { readonly start: Float64Array; readonly end: Float64Array }[] = [];
  let before: CrackedState | undefined;
  for (const [i, stage] of stages.entries()) {
    const until = stages[i + 1]?.days ?? Infinity;
    const memory = before ? { memory: before.memory, from: before } : {};
    const start = yield* runs.at(`${stage.title}, at once`, {
      loads: loads[i]!.loads,
      age: { ...agedAt(i, stage.days), isLasting: i > 0 },
      ...memory,
    });
    const end = yield* runs.at(`${stage.title}, at its end`, {
      loads: loads[i]!.loads,
      age: { ...agedAt(i, until), isLasting: true },
      memory: start.memory,
      from: start,
    });
    before = end;
    fields.push({ start: deflectionOf(basis, start), end: deflectionOf(basis, end) });
    const load = loads[i]!.total / area;
    history.push({ title: stage.title, days: stage.days, load, deflection: most(fields[i]!.start) });
    history.push({ title: `${stage.title}, end`, days: until, load, deflection: most(fields[i]!.end) });
  }
  const last = fields.at(-1)!;
  // Partitions are there from their age on: what was before, at the end of the stage that runs then, does not touch them.
  const running = stages.findLastIndex((s) => s.days <= plate.service.partitionAge);
  const built =
    running < 0 ? new Float64Array(last.end.length) : running === stages.length - 1 ? fields[running]!.start : fields[running]!.end;
  const sums = code.service.sums(silent, { ...plate.service, compressionRatio: 0, tensionRatio: 0 });
  return {
    sums: sums.map((sum) => ({
      ...sum,
      how: sum.id === 'total' ? 'at the end of the last stage' : 'from when partitions are there to the end of the last stage',
      values:
        sum.id === 'total'
          ? last.end
          : added([
              [1, last.end],
              [-1, built],
            ]),
    })),
    history,
    last: before ?? null,
    trouble: runs.troubles[0] ?? null,
  };
}
