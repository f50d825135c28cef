import type { PanelEdge } from '../../analysis/panel';
import type { InputOf } from '../parts/schema-parts';
import type { panelFields } from './schema';
import type { MemberOf } from '../member';

export type PanelInput = InputOf<typeof panelFields>;
/** A rectangular slab on beams or walls along its edges in a project. */
export type PanelMember = MemberOf<'panel', PanelInput>;
export type PanelMethod = PanelInput['method'];
export type PanelBars = PanelInput['bars'];

/** Where a panel has bars: along x and y in its middle, and over each edge. */
export type PanelPlace = 'x' | 'y' | PanelEdge;
export const panelPlaces: readonly PanelPlace[] = ['x', 'y', 'left', 'right', 'bottom', 'top'];

/** The direction of the bars at a place. */
export const directionOf = (place: PanelPlace): 'x' | 'y' => (place === 'x' || place === 'left' || place === 'right' ? 'x' : 'y');

export const placeTitle = (place: PanelPlace): string => (place === 'x' || place === 'y' ? `middle, along ${place}` : `${place} edge`);
