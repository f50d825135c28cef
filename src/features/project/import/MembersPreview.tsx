import { kindOf } from '@/core/members/kinds';
import type { Member } from '@/core/members/kinds';
import type { UnitSystem } from '@/core/units/quantity';
import type { ForMember } from '@/exchange/import/members-of-table';

/** What each member would get, before anything changes. */
export function MembersPreview<M extends Member, T>({ members, units }: { members: readonly ForMember<M, T>[]; units: UnitSystem }) {
  if (members.length === 0) return null;
  return (
    <div className="max-h-40 shrink-0 overflow-auto border-b border-line">
      <table className="grid-table" aria-label="What each member gets">
        <thead>
          <tr>
            <th>In the table</th>
            <th>Member</th>
            <th>What changes</th>
          </tr>
        </thead>
        <tbody>
          {members.map(({ name, member, says, refused }) => (
            <tr key={name} className={refused ? 'bg-madder-wash/40' : ''}>
              <td>
                <b className="font-semibold">{name}</b>
              </td>
              <td className="text-walnut">
                {member
                  ? [member.mark, member.title, kindOf(member).sizeLabel(member, units)].filter(Boolean).join(', ')
                  : refused
                    ? '–'
                    : 'made anew'}
              </td>
              <td className={refused ? 'text-madder-text' : ''}>{refused ? `left out: ${refused}` : says}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
