import type { DesignCode } from '../../codes/design-code';
import { catalogues } from '../../materials/bars';
import { bendRule, bentThrough, hookedLeg, withMarks, type DraftSet } from '../../model/bar-set';
import type { Place } from '../../model/centre-line';
import type { MemberModel } from '../../model/member-model';
import { barNamed } from '../../model/bar-set';
import { columnLoop, openingLoop, type PunchingInput } from './input';
import type { PunchingStage } from './stage';

/** The legs at a column in their places, z 0 at the upper face of the slab. The slab and its bars belong to the slab's own design. */
export function punchingModel(p: PunchingInput, code: DesignCode, { placed, h }: Pick<PunchingStage, 'placed' | 'h'>): MemberModel {
  const { legs } = p;
  if (!legs || !placed || placed.legs.length === 0) return { concrete: [], supports: [], bars: [] };
  const bar = barNamed(legs.size, catalogues[p.catalogue]);
  const [first] = placed.legs;
  const [x, y] = first!.at;
  const isStud = legs.kind !== 'links';
  const { radius, hook } = bendRule(code, bar.diameter, true);
  const inset = isStud ? p.cover : p.cover + bar.diameter / 2;
  const [low, high]: [Place, Place] = [
    [x, y, inset - h],
    [x, y, -inset],
  ];
  const set: DraftSet = {
    zone: isStud ? 'studs' : 'legs',
    role: isStud ? 'stud' : 'link',
    face: null,
    layer: 1,
    bar,
    bend: isStud ? 'straight' : 'leg',
    corners: isStud ? bentThrough([low, high], 0) : hookedLeg(low, high, [1, 0, 0], radius, hook),
    hook: isStud ? 0 : hook,
    shifts: placed.legs.map(({ at }): Place => [at[0] - x, at[1] - y, 0]),
    spacing: null,
    source: { of: 'legs' },
  };
  return {
    concrete: [],
    supports: [],
    bars: withMarks([set]),
    beside: [columnLoop(p.column), ...p.openings.map(openingLoop)].map((outer) => ({ outer, holes: [] })),
  };
}
