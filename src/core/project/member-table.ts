import { amount, type Block, type Cell } from '../document/blocks';
import { kindOf, type Member, type MemberResult } from '../members/kinds';
import { formatQuantity, formatUtilisation } from '../units/format';
import type { Project } from './project';

type Table = Block & { readonly kind: 'table' };

/** Members with what governs each, in their order: mark, title, size, bars, the governing check with its utilisation, place and combination. */
export function memberTable(project: Project, designed: readonly { readonly member: Member; readonly result: MemberResult }[]): Table {
  const units = project.display;
  return {
    kind: 'table',
    title: 'Members',
    columns: [
      { title: 'Member' },
      { title: 'Title' },
      { title: 'Storey or place' },
      { title: 'Size' },
      { title: 'Bars' },
      { title: 'Governing check' },
      { title: 'Clause' },
      { title: 'Util.', isNumber: true },
      { title: 'Place' },
      { title: 'Combination' },
      { title: 'Concrete', kind: 'volume', isNumber: true, isSummed: true },
      { title: 'Steel', kind: 'mass', isNumber: true, isSummed: true },
    ],
    rows: designed.map(({ member, result }): Cell[] => {
      const { governing, faults, quantities } = result;
      const isFaulty = faults.length > 0;
      const x = governing?.place.x;
      return [
        member.mark,
        member.title,
        member.place,
        kindOf(member).sizeLabel(member, units),
        kindOf(member).steelLabel(member, result, project),
        isFaulty ? (faults[0]!.path ? 'faults in the input' : 'not worked out') : (governing?.title ?? ''),
        isFaulty ? '' : (governing?.clause ?? ''),
        isFaulty ? '–' : formatUtilisation(governing?.utilisation ?? null),
        x !== null && x !== undefined ? formatQuantity(x, 'station', units) : (governing?.place.label ?? ''),
        governing?.combination ?? '',
        amount(quantities?.concrete ?? 0, 'volume'),
        amount((quantities?.bars ?? 0) + (quantities?.links ?? 0), 'mass'),
      ];
    }),
  };
}
