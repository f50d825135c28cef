/** An earlier state of a project. */
export interface HistoryEntry {
  /** ISO time at which it was saved. */
  readonly saved: string;
  readonly text: string;
}

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

/** Between two kept states at least (ms). */
const INTERVAL = 2 * MINUTE;
/** One state is kept of each such time, up to some age (ms): all of the last hour, then one an hour, a day, a month. */
const STEPS = [
  { upTo: HOUR, each: 1 },
  { upTo: DAY, each: HOUR },
  { upTo: 31 * DAY, each: DAY },
  { upTo: Infinity, each: 30 * DAY },
] as const;
/** States at the most, characters of all of them, and what is kept however long they are. */
const MOST = 60;
const MOST_TEXT = 30_000_000;
const LEAST = 3;

const timeOf = ({ saved }: HistoryEntry) => Date.parse(saved);

/** Earlier states with another one, newest first; the same ones where it is the state that stands, or comes too soon after it. */
export function withState(history: readonly HistoryEntry[], entry: HistoryEntry, isForced = false): readonly HistoryEntry[] {
  const newest = history[0];
  if (newest?.text === entry.text) return history;
  const since = newest ? timeOf(entry) - timeOf(newest) : Infinity;
  // A clock that was set back says nothing of how long ago the last state was.
  if (!isForced && since >= 0 && since < INTERVAL) return history;
  return thinned([entry, ...history]);
}

/** States that stand ever further apart the older they are: the newest of each time. Ages count from the newest state, whatever the clock did between. */
export function thinned(history: readonly HistoryEntry[]): HistoryEntry[] {
  const newest = history[0] ? timeOf(history[0]) : 0;
  const seen = new Set<string>();
  const spread = history.filter((entry) => {
    const age = Math.abs(newest - timeOf(entry));
    const { each } = STEPS.find(({ upTo }) => age <= upTo) ?? STEPS[3];
    const slot = `${each} ${Math.floor(timeOf(entry) / each)}`;
    if (seen.has(slot)) return false;
    seen.add(slot);
    return true;
  });
  let length = 0;
  return spread.slice(0, MOST).filter(({ text }, i) => (length += text.length) <= MOST_TEXT || i < LEAST);
}
