import type { Step } from '../calc/calc';
import { CalcError } from '../calc/calc';
import type { DesignOptions } from '../job';
import { formatQuantity } from '../units/format';
import type { QuantityKind } from '../units/quantity';

export type CheckFamily = 'bending' | 'shear' | 'torsion' | 'deflection' | 'crack' | 'detailing' | 'fire';

/** `asked`: there is no answer before the engineer has said what the reason asks for. `failed`: there is none at all. */
export type CheckStatus = 'holds' | 'near' | 'exceeds' | 'notApplicable' | 'notCovered' | 'failed' | 'asked';

/** Demand or capacity of a check, in internal units. */
export interface Measured {
  readonly value: number;
  readonly kind: QuantityKind;
}

/** One check of one member: the shape that the ladder, the overview, the report, the schedule and the command line all read. */
export interface Check {
  readonly id: string;
  readonly family: CheckFamily;
  /** Of one that is made alike at many places: what they are together, "deflections along lines". */
  readonly group?: string;
  readonly title: string;
  readonly clause: string;
  readonly demand: Measured | null;
  readonly capacity: Measured | null;
  /** Demand over capacity: over 1 exceeds. Null when there is no figure, as where nothing is there to carry the demand. */
  readonly utilisation: number | null;
  readonly status: CheckStatus;
  /** Where: distance along the member (mm), null when it has no single place; and its name. */
  readonly place: { readonly x: number | null; readonly label: string };
  readonly combination: string;
  /** What failed, in words with both numbers; or why there is no figure. */
  readonly reason?: string;
  readonly warnings: readonly string[];
  /** Keys of the choices that this check rests on. */
  readonly assumptions: readonly string[];
  readonly derivation?: readonly Step[];
}

/** From here on a utilisation that prints as 1.00 counts as holding; above, three decimals show that it does not. */
const ROUNDING = 1.0005;
const NEAR = 0.945;

/** A rule of detailing or of fire is kept or broken: bars at just the spacing allowed are not near to anything. Other checks measure. */
export const isRule = ({ family }: Pick<Check, 'family'>): boolean => family === 'detailing' || family === 'fire';

/** Whether a utilisation is over the limit as it is shown. */
export const isOver = (utilisation: number): boolean => utilisation > ROUNDING;

/** Whether what is needed passes what there is, by the same rounding. */
export const isBeyond = (demand: number, capacity: number): boolean => demand > capacity * ROUNDING;

/** Whether a check is over its limit, or could not be worked out. */
export const isWrong = ({ status }: Pick<Check, 'status'>): boolean => status === 'exceeds' || status === 'failed';

/** Whether a check does not hold, or not yet: nothing that is wrong or asked for passes as designed. */
export const isUnproven = (check: Pick<Check, 'status'>): boolean => isWrong(check) || check.status === 'asked';

/** State by the figure as it is shown: rounded first, then judged. */
export function statusOf(utilisation: number | null, family: CheckFamily = 'bending'): CheckStatus {
  if (utilisation === null || Number.isNaN(utilisation)) return 'failed';
  if (isOver(utilisation)) return 'exceeds';
  return utilisation >= NEAR && !isRule({ family }) ? 'near' : 'holds';
}

export type CheckDraft = Omit<Check, 'status' | 'warnings' | 'assumptions' | 'derivation' | 'combination'> &
  Partial<Pick<Check, 'status' | 'warnings' | 'assumptions' | 'combination'>>;

/** Number and unit of a value, as the reader has them. */
export type Show = (value: number, kind: QuantityKind) => string;

/** A check together with the calculation that can be run again to derive it, and why it exceeds. */
export interface DerivableCheck {
  readonly check: Check;
  readonly derive?: () => readonly Step[];
  readonly why?: (show: Show) => string;
}

const sentence = (text: string) => text[0]!.toUpperCase() + text.slice(1);

/** What is said where a comparison gives no figure, and nothing else says why. */
function withoutFigure(utilisation: number | null): { readonly reason?: string } {
  if (utilisation === null || Number.isFinite(utilisation)) return {};
  return { reason: utilisation === Infinity ? 'Nothing is there to carry what is needed.' : 'No figure could be found for this.' };
}

export function makeCheck(draft: CheckDraft, more: Omit<DerivableCheck, 'check'> = {}): DerivableCheck {
  const check: Check = {
    warnings: [],
    assumptions: [],
    combination: '',
    status: statusOf(draft.utilisation, draft.family),
    ...draft,
    // What nothing can carry exceeds without a figure.
    utilisation: Number.isFinite(draft.utilisation) ? draft.utilisation : null,
    // What could not be computed begins with its symbol, which stays as it is.
    ...(draft.reason && draft.status !== 'failed' ? { reason: sentence(draft.reason) } : {}),
    ...(draft.reason === undefined && more.why === undefined ? withoutFigure(draft.utilisation) : {}),
  };
  return { check, ...more };
}

/** A rung without figures: what could not be worked out, does not apply or is not covered, and why. */
export const checkInWords = (
  draft: Omit<CheckDraft, 'demand' | 'capacity' | 'utilisation' | 'reason'> & Required<Pick<CheckDraft, 'status' | 'reason'>>,
): DerivableCheck => makeCheck({ ...draft, demand: null, capacity: null, utilisation: null });

/** Runs a calculation that may find that it has no answer; then the check says why. */
export function guarded(base: Pick<Check, 'id' | 'family' | 'title' | 'clause' | 'place'>, run: () => DerivableCheck): DerivableCheck {
  try {
    return run();
  } catch (error) {
    if (!(error instanceof CalcError)) throw error;
    return checkInWords({ ...base, status: 'failed', reason: error.message });
  }
}

/** Topics that a code lacks here are said on the ladder, never passed over. */
export function topicsNotCovered(topics: readonly { readonly title: string; readonly clause: string }[]): DerivableCheck[] {
  return topics.map(({ title, clause }) =>
    checkInWords({
      id: `not-covered-${title.toLowerCase().replace(/[^a-z]+/g, '-')}`,
      family: 'detailing',
      title,
      clause,
      status: 'notCovered',
      place: { x: null, label: '' },
      reason: 'Not covered here yet: check it by other means.',
    }),
  );
}

/** Sorts checks worst first, says why they exceed, and attaches the derivations that are asked for. */
export function finishChecks(
  list: readonly DerivableCheck[],
  options: DesignOptions,
  show: Show = (v, kind) => formatQuantity(v, kind, options.units),
): Check[] {
  const wanted = (id: string) => options.derive === 'all' || options.derive.includes(id);
  const finished = list.map(({ check, derive, why }) => ({
    ...check,
    ...(why ? { reason: sentence(why(show)) } : {}),
    ...(derive && wanted(check.id) ? { derivation: derive() } : {}),
  }));
  return finished.sort(worstFirst);
}

const severity: Record<CheckStatus, number> = { failed: 6, exceeds: 5, asked: 4, near: 3, holds: 2, notCovered: 1, notApplicable: 0 };

/** Worst first; rules that are kept after what is measured, those without a figure last, except what could not be computed. */
export function worstFirst(a: Check, b: Check): number {
  const kept = (c: Check) => (c.status === 'holds' && isRule(c) ? 1 : 0);
  return severity[b.status] - severity[a.status] || kept(a) - kept(b) || excess(b) - excess(a);
}

/** Beyond every figure where a check exceeds without one. Finite, so that two of them compare. */
const excess = ({ utilisation, status }: Check): number => utilisation ?? (status === 'exceeds' ? Number.MAX_VALUE : 0);

/** Whether a check says how far a member is used, if only that it is too far, or not known. */
export const isTold = (c: Pick<Check, 'utilisation' | 'status'>): boolean => c.utilisation !== null || isUnproven(c);

/** The worst check, undefined when none has a figure: what is over, else the largest utilisation that is measured. */
export function governing(checks: readonly Check[]): Check | undefined {
  return [...checks].sort(worstFirst).find(isTold);
}
