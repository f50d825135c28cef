import { beamWork } from './beam/work';
import { columnWork } from './column/work';
import type { Member, MemberResult } from './kinds';
import { panelWork } from './panel/work';
import { plateWork } from './plate/work';
import { punchingWork } from './punching/work';
import { stripWork } from './strip/work';
import { wallWork } from './wall/work';
import type { Work } from './work';

/** The work of every kind of member. */
const list = [beamWork, columnWork, wallWork, stripWork, panelWork, plateWork, punchingWork];

// Each takes members of its own kind only: that it is the work of the member at hand is what finding it by the type says.
const byType = new Map(list.map((work) => [work.type as string, work as unknown as Work<Member, MemberResult>]));

/** The work of a member's kind. */
export const workOf = ({ type }: Pick<Member, 'type'>): Work<Member, MemberResult> => byType.get(type)!;
