import type { ProjectRates } from '../advice/rates';
import type { CodeSettings } from '../codes/design-code';
import type { Revision } from '../document/report';
import type { Member } from '../members/kinds';
import type { BarNames } from '../members/member';
import type { BendSetting } from '../schedule/bend-types';
import type { UnitSystem } from '../units/quantity';

export interface ProjectInfo {
  readonly number: string;
  readonly author: string;
  readonly checker: string;
  readonly revision: string;
  /** ISO date, or empty. */
  readonly date: string;
  readonly description: string;
  /** Who made the calculation. */
  readonly office: string;
  /** The office's sign as a data URL, PNG or JPEG; or empty. */
  readonly logo: string;
  readonly revisions: readonly Revision[];
}

export interface Project {
  readonly format: 'intarsia';
  readonly version: number;
  readonly id: string;
  readonly name: string;
  readonly info: ProjectInfo;
  readonly code: CodeSettings;
  /** Units in which the project is shown. */
  readonly display: UnitSystem;
  readonly paper: 'A4' | 'Letter';
  /** How bars without a sign of their own are named. */
  readonly barNames: BarNames;
  /** How bends are named in bar schedules. */
  readonly bends: BendSetting;
  /** What proposals are ranked by. */
  readonly rates: ProjectRates;
  readonly members: readonly Member[];
}

export const FORMAT_VERSION = 1;
