import { amount, type Block, type Cell } from '../../document/blocks';
import { placeName, type ColumnInput } from './input';
import type { ColumnResult } from './result';

type Table = Block & { readonly kind: 'table' };

/** Every load set with its forces at both ends, and what comes of it: where it is worst, the moments to be carried there, the utilisation. */
export function setTable(column: Pick<ColumnInput, 'isSection'>, { sets, summaries }: ColumnResult): Table {
  const worst = new Map(summaries.map((s) => [s.index, s]));
  return {
    kind: 'table',
    title: 'Load sets',
    columns: [
      { title: 'Set' },
      { title: 'Kind' },
      { title: 'N', kind: 'force', isNumber: true },
      ...(['Mx top', 'Mx foot', 'My top', 'My foot'] as const).map((title) => ({ title, kind: 'moment', isNumber: true }) as const),
      { title: 'Vx', kind: 'force', isNumber: true },
      { title: 'Vy', kind: 'force', isNumber: true },
      { title: 'T', kind: 'moment', isNumber: true },
      { title: 'Worst at' },
      { title: 'N there', kind: 'force', isNumber: true },
      { title: 'Mx carried', kind: 'moment', isNumber: true },
      { title: 'My carried', kind: 'moment', isNumber: true },
      { title: 'Utilisation', kind: 'number', isNumber: true },
      { title: 'Note' },
    ],
    rows: sets.map((s, i): Cell[] => {
      const w = worst.get(i);
      const there = (value: number | null | undefined, kind: 'force' | 'moment' | 'number') => (value == null ? '–' : amount(value, kind));
      return [
        s.name,
        s.kind,
        amount(s.N, 'force'),
        ...[s.mxTop, s.mxBottom, s.myTop, s.myBottom].map((m) => amount(m, 'moment')),
        amount(s.vx, 'force'),
        amount(s.vy, 'force'),
        amount(s.torsion, 'moment'),
        w ? placeName(column, w.place) : '–',
        there(w?.N, 'force'),
        there(w?.Mx, 'moment'),
        there(w?.My, 'moment'),
        there(w?.utilisation, 'number'),
        w?.refusal ?? '',
      ];
    }),
  };
}
