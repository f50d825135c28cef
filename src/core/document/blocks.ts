import type { Step } from '../calc/calc';
import type { Check } from '../checks/check';
import type { Drawing } from '../drawing/shapes';
import { formatQuantity, formatUtilisation, formatValue, unitLabel } from '../units/format';
import type { QuantityKind, UnitSystem } from '../units/quantity';

/** A number that stays a number, with its quantity: each paper shows it in its own way. In internal units. */
export interface Amount {
  readonly value: number;
  readonly kind: QuantityKind;
}

/** Text only where it is text. */
export type Cell = string | Amount;

/** A line of what is said: its label and its value. */
export type Fact = readonly [label: string, value: Cell];

/** A column of a table; with a kind, all its numbers are of it and its unit stands in the head. */
export interface Column {
  readonly title: string;
  readonly kind?: QuantityKind;
  /** Numbers stand at the right. */
  readonly isNumber?: boolean;
  /** Its sum means something: a file of the table has it below. */
  readonly isSummed?: boolean;
}

/** A decision on a check as a paper tells it. */
export interface ToldDecision {
  readonly title: string;
  readonly utilisation: number;
  readonly reason: string;
  readonly by: string;
}

/** What papers are made of. A paper is a list of blocks; a renderer shows each kind of block in its own way, in their order. */
export type Block =
  | { readonly kind: 'heading'; readonly level: 1 | 2; readonly text: string }
  | { readonly kind: 'text'; readonly text: string; readonly tone: 'plain' | 'quiet' | 'fault' }
  | { readonly kind: 'facts'; readonly title: string; readonly rows: readonly Fact[] }
  | {
      readonly kind: 'table';
      readonly title: string;
      readonly columns: readonly Column[];
      readonly rows: readonly (readonly Cell[])[];
      readonly foot?: string;
    }
  | { readonly kind: 'figure'; readonly caption: string; readonly drawing: Drawing }
  | { readonly kind: 'governs'; readonly check: Check; readonly isDecided: boolean }
  | { readonly kind: 'checks'; readonly rows: readonly { readonly check: Check; readonly isDecided: boolean }[]; readonly foot?: string }
  | { readonly kind: 'steps'; readonly check: Check; readonly isDecided: boolean; readonly steps: readonly Step[] }
  | { readonly kind: 'decision'; readonly decision: ToldDecision };

export const amount = (value: number, kind: QuantityKind): Amount => ({ value, kind });

/** A demand or a capacity in words: "439.1 kNm", strains with four decimals, a dash where there is none. */
export function printMeasured(m: Amount | null, units: UnitSystem): string {
  if (!m || !Number.isFinite(m.value)) return '–';
  return m.kind === 'strain' ? m.value.toFixed(4) : formatQuantity(m.value, m.kind, units);
}

/** A cell as text with its unit, or, below a head with the unit, without. */
export function printCell(cell: Cell, units: UnitSystem, column?: Column): string {
  if (typeof cell === 'string') return cell;
  return column?.kind === cell.kind ? formatValue(cell.value, cell.kind, units) : formatQuantity(cell.value, cell.kind, units);
}

/** The head of a column, with the unit of its numbers. */
export function printHead({ title, kind }: Column, units: UnitSystem): string {
  const unit = kind ? unitLabel(kind, units) : '';
  return unit ? `${title} ${unit}` : title;
}

/** Where a check is worst: its place along the member and its name. */
export const printPlace = ({ place }: Pick<Check, 'place'>, units: UnitSystem): string =>
  [place.x === null ? '' : formatQuantity(place.x, 'station', units), place.label].filter(Boolean).join(', ');

/** "1.04 over", "1.01 accepted". */
export const printStanding = ({ status, utilisation }: Check, isDecided: boolean): string =>
  formatUtilisation(utilisation) + (isDecided ? ' accepted' : status === 'exceeds' ? ' over' : '');

/** The line under the heading of a derivation. */
export const printCompared = (check: Check, units: UnitSystem): string =>
  `${printMeasured(check.demand, units)} against ${printMeasured(check.capacity, units)} · ${[check.place.label, check.combination].filter(Boolean).join(' · ')}`;

/** "Governs: …" in the words of every paper. */
export const printGoverning = ({ title, utilisation, reason }: Check, isDecided: boolean): string =>
  `${title}, utilisation ${formatUtilisation(utilisation)}${isDecided ? ', accepted by the engineer' : ''}${reason ? `. ${reason}` : ''}`;

export const CHECK_COLUMNS: readonly Column[] = [
  { title: 'Check' },
  { title: 'Clause' },
  { title: 'Demand' },
  { title: 'Capacity' },
  { title: 'Place' },
  { title: 'Combination' },
  { title: 'Utilisation' },
];

/** A row of the table of checks, as text. */
export const printCheck = (check: Check, isDecided: boolean, units: UnitSystem): readonly string[] => [
  check.title,
  check.clause,
  printMeasured(check.demand, units),
  printMeasured(check.capacity, units),
  printPlace(check, units),
  check.combination,
  printStanding(check, isDecided),
];
