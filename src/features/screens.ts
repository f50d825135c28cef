import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';
import type { Member } from '@/core/members/kinds';
import type { Project } from '@/core/project/project';

type Screen = ComponentType<{ project: Project; id: string }>;

const column = dynamic(() => import('./column/screen').then((m) => m.ColumnScreen));

/** The screen of each kind of member, loaded when it is first opened. A new kind has a line here. */
export const screens: Readonly<Record<Member['type'], Screen>> = {
  beam: dynamic(() => import('./beam/screen').then((m) => m.BeamScreen)),
  column,
  wall: column,
  strip: dynamic(() => import('./strip/screen').then((m) => m.StripScreen)),
  panel: dynamic(() => import('./panel/screen').then((m) => m.PanelScreen)),
  plate: dynamic(() => import('./plate/screen').then((m) => m.PlateScreen)),
  punching: dynamic(() => import('./punching/screen').then((m) => m.PunchingScreen)),
};
