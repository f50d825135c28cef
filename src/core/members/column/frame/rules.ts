import type { FrameColumnRules } from '../../../codes/frame-columns';
import type { DerivableCheck } from '../../../checks/check';
import type { Origin } from '../../../checks/compare';
import { nowhere, type ColumnBasis } from '../checks';
import type { FrameOfColumn } from './frame-column';

/** What the checks of a column in a ductile frame look at. */
export interface FrameBasis extends ColumnBasis {
  readonly frame: FrameOfColumn;
}

export type Ends = 'top' | 'foot';
export type Axis = 'x' | 'y';
export const ends: readonly Ends[] = ['top', 'foot'];

/** The axes about which the column bends as its frame sways. */
export const swayAxes = ({ frame: { joints } }: FrameBasis): readonly Axis[] => (joints.about === 'both' ? ['x', 'y'] : [joints.about]);

export const ASKED: Origin = ['asked for', 'as the rules of the frame have it'];
export const LAID: Origin = ['there', 'of the column as it is laid out'];
export const frameCheck = { family: 'detailing' as const, place: nowhere };
export type Rules = FrameColumnRules;
export type Checks = DerivableCheck[];
