import type { InputOf } from '../parts/schema-parts';
import type { wallFields } from './schema';
import type { MemberOf } from '../member';

export type WallInput = InputOf<typeof wallFields>;
/** A wall in a project. */
export type WallMember = MemberOf<'wall', WallInput>;
export type WallRestraint = WallInput['restraint'];
export type WallMesh = WallInput['vertical'];

export const STRIP = 1000;

export const wallLength = (w: Pick<WallInput, 'isStrip' | 'length'>): number => (w.isStrip ? STRIP : w.length);
