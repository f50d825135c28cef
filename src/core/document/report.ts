import type { UnitSystem } from '../units/quantity';
import type { Block, Fact } from './blocks';

/** A chapter of a report: a member's paper, or what stands before the members. */
export interface ReportPart {
  readonly id: string;
  /** As it stands in the contents. */
  readonly title: string;
  readonly blocks: readonly Block[];
  /** All of it is to stand on one page. */
  readonly isOnePage: boolean;
  /** Goes on below the part before it, on the same page. */
  readonly isRunOn?: boolean;
}

/** What stands on the first page of a report. */
export interface Cover {
  readonly title: string;
  readonly office: string;
  /** A picture as a data URL (PNG or JPEG); empty where there is none. */
  readonly logo: string;
  readonly facts: readonly Fact[];
  readonly revisions: readonly Revision[];
}

/** A line of the revision table. */
export interface Revision {
  readonly mark: string;
  /** ISO date, or empty. */
  readonly date: string;
  readonly text: string;
  readonly by: string;
}

/** A report as plain data: PDF, Word, HTML and print show the same parts in the same order, each in its own way. */
export interface Report {
  readonly title: string;
  readonly author: string;
  readonly units: UnitSystem;
  readonly paper: 'A4' | 'Letter';
  /** What every page names. */
  readonly titleBlock: readonly (readonly [name: string, value: string])[];
  /** With a cover come the contents. */
  readonly cover: Cover | null;
  readonly parts: readonly ReportPart[];
}

export const REVISION_COLUMNS = ['Revision', 'Date', 'What changed', 'By'] as const;

/** The cells of a line of the revision table. */
export const revisionCells = ({ mark, date, text, by }: Revision): readonly string[] => [mark, date, text, by];
