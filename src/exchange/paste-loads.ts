import type { LoadCase } from '@/core/analysis/combination';
import { parseQuantity } from '@/core/units/parse';
import type { QuantityKind, UnitSystem } from '@/core/units/quantity';
import { parseTable } from './paste-table';
import { counted } from '@/core/units/format';

/** Rows as they were read, and those that were not understood, with the reason. */
export interface PastedRows<L> {
  readonly loads: readonly L[];
  readonly refused: readonly { readonly row: number; readonly text: string; readonly reason: string }[];
}

/** A type of load as it is pasted: which of its values follow the span, in which order. */
export interface PastedType {
  readonly type: string;
  readonly values: Readonly<Record<string, QuantityKind>>;
  /** It can lie on all spans at once. */
  readonly liesOnAll?: true;
}

/** The loads of a kind of member as they are pasted: by the words for their types, of which the beginning will do. */
export interface PastedWords {
  readonly help: string;
  readonly types: Readonly<Record<string, PastedType>>;
  /** What alone can lie on all spans, in words. */
  readonly onAll: string;
}

/** What pasted loads may refer to. */
interface Place {
  readonly cases: readonly LoadCase[];
  readonly spans: readonly unknown[];
}

/** Reads pasted rows as loads: case, type, span, then the values of the type. A first row of headings is skipped. */
export function readLoads<L>(text: string, words: PastedWords, place: Place, system: UnitSystem): PastedRows<L> {
  const loads: L[] = [];
  const refused: PastedRows<L>['refused'][number][] = [];
  parseTable(text).forEach((cells, i) => {
    if (i === 0 && /^case$/i.test(cells[0] ?? '')) return;
    const read = readRow(cells, words, place, system);
    if (typeof read === 'string') refused.push({ row: i + 1, text: cells.join(' ').slice(0, 80), reason: read });
    else loads.push(read as L);
  });
  return { loads, refused };
}

/** One row as a load, or why it is none. */
function readRow(cells: readonly string[], { types, onAll }: PastedWords, { cases, spans }: Place, system: UnitSystem): object | string {
  const [caseText = '', typeText = '', spanText = '', ...rest] = cells;
  const found = cases.find((c) => [c.id, c.title].some((name) => name.toLowerCase() === caseText.toLowerCase()));
  if (!found) return `There is no load case "${caseText}".`;
  const typed = typeText.replace(/\s/g, '').toLowerCase();
  const word = Object.keys(types).find((t) => typed !== '' && t.toLowerCase().startsWith(typed));
  if (!word) return `"${typeText}" is not a type of load.`;
  const { type, values, liesOnAll } = types[word]!;
  const isAll = /^all$/i.test(spanText);
  const span = Number(spanText) - 1;
  if (isAll && !liesOnAll) return `Only ${onAll} can lie on all spans at once.`;
  if (!isAll && !(Number.isInteger(span) && span >= 0 && span < spans.length))
    return `There is no span "${spanText}": there ${spans.length === 1 ? 'is' : 'are'} ${counted(spans.length, 'span')}.`;
  const load: Record<string, unknown> = { type, case: found.id, note: '', span: isAll ? 'all' : span };
  for (const [k, [key, kind]] of Object.entries(values).entries()) {
    const parsed = parseQuantity(rest[k] ?? '', kind, system);
    if (!parsed.ok) return parsed.reason;
    load[key] = parsed.value;
  }
  return load;
}
