import { amount, type Block, type Cell, type Column } from '../../document/blocks';
import { formatValue, unitLabel } from '../../units/format';
import type { UnitSystem } from '../../units/quantity';
import type { StripMoment, StripPart } from './result';

const places = { start: 'face', span: 'middle', end: 'next face' } as const;

/** By how much a moment is more than that by hand, in per cent; nothing where there is none to compare. */
const difference = ({ moment, byHand }: StripPart): string =>
  byHand === null || Math.abs(byHand) <= 0.02 * Math.abs(moment)
    ? '–'
    : `${moment / byHand >= 1 ? '+' : '−'}${Math.abs(100 * (moment / byHand - 1)).toFixed(0)} %`;

const byHand = ({ byHand: v }: StripPart): Cell => (v === null ? '–' : amount(v, 'moment'));

/** Moments of column and middle strips, beside those of the direct design method with the difference where there are any. */
export function stripTable(strips: readonly StripMoment[], units: UnitSystem): Extract<Block, { kind: 'table' }>[] {
  if (strips.length === 0) return [];
  const at = (v: number) => `${formatValue(v, 'station', units)} ${unitLabel('station', units)}`;
  const isCompared = strips.some((s) => s.column.byHand !== null);
  const heads = (title: string): Column[] => [
    { title, kind: 'moment', isNumber: true },
    ...(isCompared
      ? [
          { title: 'direct design', kind: 'moment' as const, isNumber: true },
          { title: 'differs', isNumber: true },
        ]
      : []),
  ];
  const cells = (part: StripPart): Cell[] => [amount(part.moment, 'moment'), ...(isCompared ? [byHand(part), difference(part)] : [])];
  const read =
    'Sums of the elastic plate across each strip, a quarter of the lesser span to each side of the columns, the middle strip in both halves.';
  return [
    {
      kind: 'table',
      title: 'Column and middle strips, largest ultimate load with everything on',
      columns: [{ title: 'Strip on' }, { title: 'Span' }, { title: 'At' }, ...heads('Column strip'), ...heads('Middle strip')],
      rows: strips.map((s) => [
        `${s.along === 'x' ? 'y' : 'x'} ${at(s.row)}, along ${s.along}`,
        String(s.span),
        places[s.at],
        ...cells(s.column),
        ...cells(s.middle),
      ]),
      foot: isCompared
        ? `${read} Beside them the direct design method, where nothing but an even load stands on whole panels; it is for three spans and more, of two both count as end spans.`
        : `${read} The direct design method is set beside them where nothing but an even load stands on whole panels: not here.`,
    },
  ];
}
