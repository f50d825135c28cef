import { beamKind } from './beam/kind';
import { columnKind } from './column/kind';
import type { Kind, MemberIn, ResultIn } from './kind';
import { panelKind } from './panel/kind';
import { plateKind } from './plate/kind';
import { punchingKind } from './punching/kind';
import { stripKind } from './strip/kind';
import { wallKind } from './wall/kind';

/** Every kind of member under its name, in the order in which they are offered. A new kind is a folder and a line here. */
const list = {
  beam: beamKind, // continuous beams, sections with known forces
  column: columnKind,
  wall: wallKind, // a column by its section, with meshes
  strip: stripKind, // slabs that span one way
  panel: panelKind, // slabs on four edges
  plate: plateKind, // slabs of any outline, as elastic plates
  punching: punchingKind, // slabs and footings at columns
};

type Listed = (typeof list)[keyof typeof list];
export type Member = MemberIn<Listed>;
export type MemberResult = ResultIn<Listed>;
/** The result of a member, as its kind gives it. */
export type ResultOf<M extends Member> = ResultIn<Extract<Listed, { readonly type: M['type'] }>>;
export type AnyKind = Kind<Member, MemberResult>;

// A record takes members and results of its own kind only; that it is the record of the member at hand is what finding it by the type says.
export const kinds = Object.values(list) as unknown as readonly AnyKind[];

const byType = new Map(kinds.map((kind) => [kind.type as string, kind]));

/** The record of a member's kind. */
export const kindOf = ({ type }: Pick<Member, 'type'>): AnyKind => byType.get(type)!;

/** What a member without a type is, in files from before there were others. */
export const firstKind: AnyKind = kinds[0]!;
