import type { LoadCase } from '@/core/analysis/combination';
import type { StripLoad } from '@/core/members/strip/input';
import { parseQuantity } from '@/core/units/parse';
import type { QuantityKind, UnitSystem } from '@/core/units/quantity';
import { parseTable } from './paste-table';

export interface PastedSlabLoads {
  readonly loads: readonly StripLoad[];
  /** Rows that were not understood, with the reason. */
  readonly refused: readonly { readonly row: number; readonly text: string; readonly reason: string }[];
}

/** The columns of a pasted table of slab loads, in this order. */
export const PASTE_SLAB_HELP = 'case · type (area, part, line, point) · span (number or all) · value · from or at · to or shared width';

const types: Readonly<Record<string, StripLoad['type']>> = {
  area: 'uniform',
  uniform: 'uniform',
  part: 'partial',
  partial: 'partial',
  line: 'line',
  point: 'point',
};

/** Reads pasted rows as loads of a slab. A first row of headings is skipped. */
export function readSlabLoads(text: string, cases: readonly LoadCase[], spans: number, system: UnitSystem): PastedSlabLoads {
  const loads: StripLoad[] = [];
  const refused: PastedSlabLoads['refused'][number][] = [];
  parseTable(text).forEach((cells, i) => {
    if (i === 0 && /^case$/i.test(cells[0] ?? '')) return;
    const read = readRow(cells, cases, spans, system);
    if (typeof read === 'string') refused.push({ row: i + 1, text: cells.join(' ').slice(0, 80), reason: read });
    else loads.push(read);
  });
  return { loads, refused };
}

/** One row as a load, or why it is none. */
function readRow(cells: readonly string[], cases: readonly LoadCase[], spans: number, system: UnitSystem): StripLoad | string {
  const [caseText = '', typeText = '', spanText = '', ...rest] = cells.map((c) => c.trim());
  const found = cases.find((c) => [c.id, c.title].some((name) => name.toLowerCase() === caseText.toLowerCase()));
  if (!found) return `There is no load case "${caseText}".`;
  const type = types[typeText.toLowerCase()];
  if (!type) return `"${typeText}" is not a type of load.`;
  const isAll = /^all$/i.test(spanText);
  const span = Number(spanText) - 1;
  if (isAll && type !== 'uniform') return 'Only a load over the area can lie on all spans at once.';
  if (!isAll && !(Number.isInteger(span) && span >= 0 && span < spans)) return `"${spanText}" is not one of the ${spans} spans.`;
  const faults: string[] = [];
  const figure = (k: number, kind: QuantityKind): number => {
    const parsed = parseQuantity(rest[k] ?? '', kind, system);
    if (!parsed.ok) faults.push(parsed.reason);
    return parsed.ok ? parsed.value : 0;
  };
  const base = { case: found.id, note: '' };
  const load: StripLoad =
    type === 'uniform'
      ? { ...base, type, span: isAll ? 'all' : span, value: figure(0, 'areaLoad') }
      : type === 'partial'
        ? { ...base, type, span, value: figure(0, 'areaLoad'), from: figure(1, 'span'), to: figure(2, 'span') }
        : type === 'line'
          ? { ...base, type, span, force: figure(0, 'lineLoad'), at: figure(1, 'span') }
          : { ...base, type, span, load: figure(0, 'force'), at: figure(1, 'span'), width: figure(2, 'length') };
  return faults[0] ?? load;
}
