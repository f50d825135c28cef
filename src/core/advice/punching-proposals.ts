import type { DesignCode } from '../codes/design-code';
import { designPunching } from '../members/punching/design-punching';
import type { PunchingInput } from '../members/punching/input';
import type { PunchingResult } from '../members/punching/result';
import { chooseLegs } from './punching-legs';
import { weigh, type ProjectRates } from './rates';

/** A change of a slab at a column that was designed in full. */
export interface PunchingProposal {
  readonly title: string;
  readonly change: Partial<PunchingInput>;
  readonly utilisation: number;
  readonly governs: string;
  /** Over those of the slab as it is. */
  readonly cost: number;
  readonly carbon: number;
  /** From 0 to 1: the fewer legs, the easier. */
  readonly buildability: number;
}

/** Legs of each kind, deeper slabs, closer bars, a wider column. */
function candidates(p: PunchingInput, code: DesignCode): { readonly title: string; readonly change: Partial<PunchingInput> }[] {
  const isUS = p.catalogue === 'us';
  const step = isUS ? 25.4 : 25;
  const length = (v: number) => (isUS ? `${Number((v / 25.4).toFixed(1))} in` : `${Math.round(v)}`);
  const legs = (['links', 'studs'] as const).flatMap((kind) => {
    const found = chooseLegs(p, code, kind);
    if (!found) return [];
    const name = `${found.legs} ${kind === 'links' ? 'legs' : 'rails'} of ${found.size}, ${found.perimeters} perimeters`;
    return [{ title: name, change: { legs: found } }];
  });
  const closer = (key: 'barsX' | 'barsY') => ({ ...p[key], spacing: p[key].spacing * 0.75 });
  const { column } = p;
  const wider =
    column.kind === 'circle'
      ? { ...column, diameter: column.diameter + 2 * step }
      : { ...column, b: column.b + 2 * step, h: column.h + 2 * step };
  return [
    ...legs,
    ...(p.legs ? [{ title: 'no legs', change: { legs: null } }] : []),
    { title: `slab ${length(p.h + step)} deep`, change: { h: p.h + step } },
    { title: `slab ${length(p.h + 2 * step)} deep`, change: { h: p.h + 2 * step } },
    { title: 'top bars a quarter closer', change: { barsX: closer('barsX'), barsY: closer('barsY') } },
    { title: `column ${length(2 * step)} wider each way`, change: { column: wider } },
  ];
}

/** Single changes of a slab at a column, each designed in full. Empty with faults. */
export function proposePunching(p: PunchingInput, code: DesignCode, rates: ProjectRates): PunchingProposal[] {
  const design = (q: PunchingInput) => designPunching(q, code, { derive: [], units: 'SI' });
  const weighed = (r: PunchingResult) =>
    r.quantities && {
      cost: weigh(r.quantities, p.materials.concreteStrength, rates.cost),
      carbon: weigh(r.quantities, p.materials.concreteStrength, rates.carbon),
    };
  const now = weighed(design(p));
  if (!now) return [];
  return candidates(p, code).flatMap(({ title, change }): PunchingProposal[] => {
    const changed = { ...p, ...change };
    const result = design(changed);
    const sums = weighed(result);
    if (result.faults.length > 0 || !sums || !result.governing || result.checks.some((c) => c.status === 'failed')) return [];
    const { legs } = changed;
    return [
      {
        title,
        change,
        utilisation: Math.max(0, ...result.checks.map((c) => c.utilisation ?? 0)),
        governs: result.governing.title,
        cost: sums.cost / now.cost,
        carbon: sums.carbon / now.carbon,
        buildability: legs ? Math.max(0, 1 - (legs.legs * legs.perimeters) / 200) : 1,
      },
    ];
  });
}
