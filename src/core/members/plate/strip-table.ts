import { amount, type Block, type Cell } from '../../document/blocks';
import { formatValue, unitLabel } from '../../units/format';
import type { UnitSystem } from '../../units/quantity';
import type { StripMoment, StripPart } from './result';

const places = { start: 'face', span: 'middle', end: 'next face' } as const;

/** By how much a moment is more than that by hand, in per cent; nothing where there is none to compare. */
const difference = ({ moment, byHand }: StripPart): string =>
  byHand === null || Math.abs(byHand) < 0.02 * Math.abs(moment) || byHand === 0
    ? '–'
    : `${moment / byHand >= 1 ? '+' : '−'}${Math.abs(100 * (moment / byHand - 1)).toFixed(0)} %`;

const byHand = ({ byHand: v }: StripPart): Cell => (v === null ? '–' : amount(v, 'moment'));

/** Moments of column and middle strips, beside those of the direct design method with the difference. */
export function stripTable(strips: readonly StripMoment[], units: UnitSystem): Extract<Block, { kind: 'table' }>[] {
  if (strips.length === 0) return [];
  const at = (v: number) => `${formatValue(v, 'station', units)} ${unitLabel('station', units)}`;
  return [
    {
      kind: 'table',
      title: 'Column and middle strips, largest ultimate load with everything on',
      columns: [
        { title: 'Strip on' },
        { title: 'Span' },
        { title: 'At' },
        { title: 'Column strip', kind: 'moment', isNumber: true },
        { title: 'direct design', kind: 'moment', isNumber: true },
        { title: 'differs', isNumber: true },
        { title: 'Middle strip', kind: 'moment', isNumber: true },
        { title: 'direct design', kind: 'moment', isNumber: true },
        { title: 'differs', isNumber: true },
      ],
      rows: strips.map((s) => [
        `${s.along === 'x' ? 'y' : 'x'} ${at(s.row)}, along ${s.along}`,
        String(s.span),
        places[s.at],
        amount(s.column.moment, 'moment'),
        byHand(s.column),
        difference(s.column),
        amount(s.middle.moment, 'moment'),
        byHand(s.middle),
        difference(s.middle),
      ]),
      foot: 'Sums of the elastic plate across each strip, a quarter of the lesser span to each side of the columns, the middle strip in both halves. Beside them the direct design method, where nothing but an even load stands on whole panels; it is for three spans and more, of two both count as end spans.',
    },
  ];
}
