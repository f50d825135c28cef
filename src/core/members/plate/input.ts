import type { MemberOf } from '../member';
import type { InputOf } from '../parts/schema-parts';
import type { plateFields } from './schema';

export type PlateInput = InputOf<typeof plateFields>;
/** A slab of any outline in a project, worked out as a plate. */
export type PlateMember = MemberOf<'plate', PlateInput>;
export type PlateEdge = PlateInput['outline'][number]['edge'];
export type PlateColumn = PlateInput['columns'][number];
export type PlateBeam = PlateInput['beams'][number];
export type PlateLoad = PlateInput['loads'][number];
export type ExtraBars = NonNullable<PlateInput['bars']['extra']>[number];

export type Face = 'bottom' | 'top';
export type Along = 'x' | 'y';

/** A layer of bars: at which face, and along which direction. */
export interface Layer {
  readonly face: Face;
  readonly along: Along;
}

export const layers: readonly Layer[] = (['bottom', 'top'] as const).flatMap((face) =>
  (['x', 'y'] as const).map((along) => ({ face, along })),
);
export const isLayer = (a: Layer, b: Layer): boolean => a.face === b.face && a.along === b.along;
export const barsAt = ({ bars }: Pick<PlateInput, 'bars'>, { face, along }: Layer) => bars[face][along];
