import type { LoadCase } from '@/core/analysis/combination';
import type { BeamLoad } from '@/core/members/beam/input';
import { parseQuantity, type Parsed } from '@/core/units/parse';
import type { QuantityKind, UnitSystem } from '@/core/units/quantity';
import { parseTable } from './paste-table';

export interface PastedLoads {
  readonly loads: readonly BeamLoad[];
  /** Rows that were not understood, with the reason. */
  readonly refused: readonly { readonly row: number; readonly text: string; readonly reason: string }[];
}

/** The columns of a pasted load table, in this order: case, type, span, then the figures of the type. */
export const PASTE_HELP =
  'case · type (uniform, partial, trapezoidal, point, moment) · span (number or all) · value or values · position or from, to';

/** Reads pasted rows as loads. A first row of headings is skipped. */
export function readLoads(text: string, cases: readonly LoadCase[], spans: number, system: UnitSystem): PastedLoads {
  const loads: BeamLoad[] = [];
  const refused: PastedLoads['refused'][number][] = [];
  parseTable(text).forEach((cells, i) => {
    if (i === 0 && /^case$/i.test(cells[0] ?? '')) return;
    const read = readRow(cells, cases, spans, system);
    if (typeof read === 'string') refused.push({ row: i + 1, text: cells.join(' ').slice(0, 80), reason: read });
    else loads.push(read);
  });
  return { loads, refused };
}

function readRow(cells: readonly string[], cases: readonly LoadCase[], spans: number, system: UnitSystem): BeamLoad | string {
  const [caseText = '', typeText = '', spanText = '', ...rest] = cells;
  const found = cases.find((c) => c.id.toLowerCase() === caseText.toLowerCase() || c.title.toLowerCase() === caseText.toLowerCase());
  if (!found) return `There is no load case "${caseText}".`;
  const type = (['uniform', 'partial', 'trapezoidal', 'point', 'moment', 'torque', 'pointTorque'] as const).find(
    (t) => typeText !== '' && (t.startsWith(typeText.toLowerCase()) || t.toLowerCase() === typeText.replace(/\s/g, '').toLowerCase()),
  );
  if (!type) return `"${typeText}" is not a type of load.`;
  const isAll = /^all$/i.test(spanText);
  const span = isAll ? ('all' as const) : Number(spanText) - 1;
  if (!isAll && !(Number.isInteger(span) && (span as number) >= 0 && (span as number) < spans))
    return `"${spanText}" is not one of the ${spans} spans.`;
  if (isAll && type !== 'uniform' && type !== 'torque') return 'Only a uniform load can lie on all spans at once.';
  const faults: string[] = [];
  const figure = (k: number, kind: QuantityKind): number => {
    const parsed: Parsed = parseQuantity(rest[k] ?? '', kind, system);
    if (!parsed.ok) faults.push(parsed.reason);
    return parsed.ok ? parsed.value : 0;
  };
  const one = span as number;
  const base = { case: found.id, note: '' };
  const load: BeamLoad =
    type === 'uniform'
      ? { ...base, type, span, value: figure(0, 'lineLoad') }
      : type === 'partial'
        ? { ...base, type, span: one, value: figure(0, 'lineLoad'), from: figure(1, 'span'), to: figure(2, 'span') }
        : type === 'trapezoidal'
          ? {
              ...base,
              type,
              span: one,
              start: figure(0, 'lineLoad'),
              end: figure(1, 'lineLoad'),
              from: figure(2, 'span'),
              to: figure(3, 'span'),
            }
          : type === 'point'
            ? { ...base, type, span: one, force: figure(0, 'force'), at: figure(1, 'span') }
            : type === 'moment'
              ? { ...base, type, span: one, moment: figure(0, 'moment'), at: figure(1, 'span') }
              : type === 'torque'
                ? { ...base, type, span, value: figure(0, 'lineTorque') }
                : { ...base, type, span: one, torque: figure(0, 'moment'), at: figure(1, 'span') };
  return faults[0] ?? load;
}
