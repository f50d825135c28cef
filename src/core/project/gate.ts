import type { Fault } from '../checks/fault';
import { isReserved, RESERVED_REASON } from '../checks/words';
import { MOST_NUMBER } from '../units/file-units';

/** How far objects stand within each other: a project needs ten. */
const MOST_DEEP = 40;
/** Values in all: 2,000 members with 5,000 load sets each would be more than any program holds. */
const MOST_VALUES = 4_000_000;
const LONGEST_KEY = 200;
/** The picture of the office is the longest text that a project has. */
const LONGEST_TEXT = 500_000;

/** How many faults are told: a file that is none of ours has one for every line. */
const MOST_FAULTS = 50;

/**
 * What stands in a file before anything else looks at it: figures that are none, keys and texts that mean something to the language the program is written in,
 * and more than can be held. Never throws, however deep the value is.
 */
export function gateFaults(raw: unknown): Fault[] {
  const faults: Fault[] = [];
  const waiting: { readonly value: unknown; readonly path: string; readonly depth: number }[] = [{ value: raw, path: '', depth: 0 }];
  let seen = 0;
  while (waiting.length > 0 && faults.length < MOST_FAULTS) {
    const { value, path, depth } = waiting.pop()!;
    seen += 1;
    const reason = ownFault(value, depth);
    if (reason !== null) {
      faults.push({ path, reason });
      continue;
    }
    if (seen + waiting.length > MOST_VALUES) return [{ path: '', reason: `holds more than ${MOST_VALUES.toLocaleString('en')} values` }];
    if (Array.isArray(value))
      for (let i = value.length - 1; i >= 0; i -= 1) waiting.push({ value: value[i], path: `${path}[${i}]`, depth: depth + 1 });
    else if (typeof value === 'object' && value !== null)
      for (const [key, inner] of Object.entries(value).reverse()) {
        const at = path ? `${path}.${key.slice(0, LONGEST_KEY)}` : key.slice(0, LONGEST_KEY);
        if (isReserved(key)) faults.push({ path: at, reason: RESERVED_REASON });
        else if (key.length > LONGEST_KEY) faults.push({ path: at, reason: `is a name of more than ${LONGEST_KEY} characters` });
        else waiting.push({ value: inner, path: at, depth: depth + 1 });
      }
  }
  return faults;
}

function ownFault(value: unknown, depth: number): string | null {
  if (typeof value === 'number') return Math.abs(value) <= MOST_NUMBER ? null : 'must be a finite number';
  if (typeof value === 'string') {
    if (isReserved(value)) return RESERVED_REASON;
    return value.length > LONGEST_TEXT ? `must have at most ${LONGEST_TEXT.toLocaleString('en')} characters` : null;
  }
  if (typeof value === 'object' && value !== null && depth > MOST_DEEP) return `stands more than ${MOST_DEEP} levels deep`;
  return null;
}
