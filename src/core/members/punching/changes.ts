import type { DesignCode } from '../../codes/design-code';
import { designPunching } from './design-punching';
import type { PunchingInput } from './input';
import { chooseLegs } from './suggest-legs';
import type { ProjectRates } from '../../advice/rates';
import { lengthTitle, singleChanges, trialOf, type Candidate, type Change } from '../../advice/single-changes';

export type PunchingProposal = Change<Partial<PunchingInput>>;

/** Legs of each kind, deeper slabs, closer bars, a wider column. */
function candidates(p: PunchingInput, code: DesignCode): Candidate<Partial<PunchingInput>>[] {
  const step = p.catalogue === 'us' ? 25.4 : 25;
  const length = (v: number) => lengthTitle(v, p.catalogue);
  const legs = (['links', 'studs'] as const).flatMap((kind) => {
    const found = chooseLegs(p, code, kind);
    if (!found) return [];
    const name = `${found.legs} ${kind === 'links' ? 'legs' : 'rails'} of ${found.size}, ${found.perimeters} ${kind === 'links' ? 'perimeters' : 'studs each'}`;
    return [{ title: name, about: 'legs', change: { legs: found }, isAnew: p.legs !== null }];
  });
  const closer = (key: 'barsX' | 'barsY') => ({ ...p[key], spacing: p[key].spacing * 0.75 });
  const { column } = p;
  const wider =
    column.kind === 'circle'
      ? { ...column, diameter: column.diameter + 2 * step }
      : { ...column, b: column.b + 2 * step, h: column.h + 2 * step };
  return [
    ...legs,
    ...(p.legs ? [{ title: 'no legs', about: 'legs', isAnew: true, change: { legs: null } }] : []),
    { title: `slab ${length(p.h + step)} deep`, about: 'depth', change: { h: p.h + step } },
    { title: `slab ${length(p.h + 2 * step)} deep`, about: 'depth', change: { h: p.h + 2 * step } },
    { title: 'top bars a quarter closer', about: 'bars', change: { barsX: closer('barsX'), barsY: closer('barsY') } },
    { title: `column ${length(2 * step)} wider each way`, about: 'column', change: { column: wider } },
  ];
}

/** Single changes of a slab at a column, each designed in full, those that hold first. Empty with faults. */
export function proposePunching(place: PunchingInput, code: DesignCode, rates: ProjectRates): PunchingProposal[] {
  return singleChanges(
    trialOf(
      place,
      rates,
      (p: PunchingInput) => designPunching(p, code, { derive: [], units: 'SI' }),
      // The fewer legs, the easier.
      (_result, { legs }) => (legs ? Math.max(0, 1 - (legs.legs * legs.perimeters) / 200) : 1),
    ),
    (p) => candidates(p, code),
  );
}
