import type { Draft } from 'immer';
import { edgesHeld } from '@/core/members/wall/labels';
import { isWall, type UprightMember } from '@/core/members/wall/upright';
import type { Options } from '@/ui/fields/Select';

const ways = { factor: 'by a factor', length: 'as a length', ends: 'from beams and columns' } as const;
const outOfPlane = { ...edgesHeld, factor: 'by a factor', length: 'as a length', ends: 'from the floors it joins' } as const;

/** One way of finding an effective length; out of plane a wall has those of its edges besides. */
export type LengthWay = keyof typeof outOfPlane;

export const lengthWays = (member: UprightMember, axis: 'x' | 'y'): Options<LengthWay> =>
  (isWall(member) && axis === 'x' ? outOfPlane : ways) as Options<LengthWay>;

export const lengthWay = (member: UprightMember, axis: 'x' | 'y'): LengthWay =>
  isWall(member) && axis === 'x' && member.restraint !== 'given' ? member.restraint : member.axes[axis].mode;

export function setLengthWay(m: Draft<UprightMember>, axis: 'x' | 'y', way: LengthWay): void {
  const isOfAxis = way === 'factor' || way === 'length' || way === 'ends';
  if (isOfAxis) m.axes[axis].mode = way;
  if ('restraint' in m && axis === 'x') m.restraint = isOfAxis ? 'given' : way;
}
