import { amount, type Block, type Column } from '../../document/blocks';
import type { LineReaction } from './result';

/** What presses on edges and walls: resultants under the largest ultimate load and case by case, largest and least per length. */
export function reactionTable(reactions: readonly LineReaction[]): Extract<Block, { kind: 'table' }>[] {
  const [first] = reactions;
  if (!first) return [];
  const force = (title: string): Column => ({ title, kind: 'force', isNumber: true });
  const perLength = (title: string): Column => ({ title, kind: 'lineLoad', isNumber: true });
  return [
    {
      kind: 'table',
      title: 'Edges and walls',
      columns: [
        { title: 'Line' },
        force('Resultant'),
        { title: 'at', kind: 'station', isNumber: true },
        perLength('Most'),
        perLength('Least'),
        { title: 'Moment', kind: 'lineTorque', isNumber: true },
        ...first.cases.map((c) => force(`Case ${c.caseId}`)),
      ],
      rows: reactions.map((r) => [
        r.title,
        amount(r.resultant, 'force'),
        amount(r.centre, 'station'),
        amount(r.most, 'lineLoad'),
        amount(r.least, 'lineLoad'),
        amount(r.turning, 'lineTorque'),
        ...r.cases.map((c) => amount(c.force, 'force')),
      ]),
      foot: 'Resultant and its place from the first corner or end under the largest ultimate load; most and least per length, and the largest moment over the line, anywhere on it under any ultimate loads, forces as means over the width for peaks; less than nothing pulls. Cases are characteristic, all of each on.',
    },
  ];
}
