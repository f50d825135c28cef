import type { BeamMember } from '../beam/input';
import type { InputOf } from '../parts/schema-parts';
import type { stripFields } from './schema';
import type { MemberOf } from '../member';

export type StripInput = InputOf<typeof stripFields>;
/** A slab that spans one way in a project. */
export type StripMember = MemberOf<'strip', StripInput>;
/** What is analysed along a line: it has spans, supports, load cases and combinations. */
export type LineMember = BeamMember | StripMember;
export type StripLoad = StripInput['loads'][number];
export type StripLoadType = StripLoad['type'];
export type StripBars = StripInput['bars'];
