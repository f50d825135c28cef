import type { SectionShape } from '../../geometry/section-shapes';
import type { InputOf } from '../parts/schema-parts';
import type { columnFields } from './schema';
import type { MemberOf } from '../member';

type ColumnFields = InputOf<typeof columnFields>;
export type ColumnInput = Omit<ColumnFields, 'frame' | 'frameJoints'> & {
  /** The ductile frame of a column; a wall has none. */
  readonly frame?: ColumnFields['frame'];
  readonly frameJoints?: ColumnFields['frameJoints'];
  /** A metre of a longer wall: nothing accidental happens in its plane. */
  readonly isStrip?: boolean;
  /** False where the transverse bars do not run through the depth, as in a wall. */
  readonly tiesAcross?: boolean;
};
/** A column in a project. */
export type ColumnMember = MemberOf<'column', ColumnFields>;
export type FrameJoints = ColumnFields['frameJoints'];
export type LoadSet = ColumnInput['sets'][number];
export type LoadSetKind = LoadSet['kind'];
/** Forces of one load case, to be combined by the code. */
export type CaseForces = ColumnInput['caseForces'][number];
export type ColumnForces = Omit<CaseForces, 'case'>;
export type ColumnAxis = ColumnInput['axes']['x'];

export type Place = 'top' | 'mid' | 'foot';
export const places: readonly Place[] = ['top', 'mid', 'foot'];
/** Where the forces of a set are looked at: all along a column; a section by itself has one place. */
export const placesOf = ({ isSection }: Pick<ColumnInput, 'isSection'>): readonly Place[] => (isSection ? ['top'] : places);

/** What a place is called. */
export const placeName = ({ isSection }: Pick<ColumnInput, 'isSection'>, place: Place): string =>
  isSection ? 'the section' : place === 'mid' ? 'mid-height' : place;

/** Axial force at a place (N); at mid-height the mean of both ends, as a load spread over the height gives it. */
export function axialAt({ N, nBottom }: ColumnForces, place: Place): number {
  const foot = nBottom ?? N;
  return place === 'top' ? N : place === 'foot' ? foot : (N + foot) / 2;
}

/** Whether a section has one depth in every direction. */
export const isRound = (shape: SectionShape): boolean => shape.kind === 'circle' || shape.kind === 'ring';
