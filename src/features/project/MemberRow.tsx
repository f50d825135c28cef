'use client';
import { kindOf } from '@/core/members/kinds';
import { useRouter } from 'next/navigation';
import { memo } from 'react';
import type { Check } from '@/core/checks/check';
import type { Project } from '@/core/project/project';
import { decisionFor } from '@/core/members/member';
import { formatUtilisation } from '@/core/units/format';
import { Glyph, standingOf, standingText, type Standing } from '@/ui/drawing/Glyph';
import { Inlay } from '@/ui/drawing/Inlay';
import { memberActions } from '@/ui/sheet/MemberList';
import { sheetPath } from '@/ui/sheet/sheet-path';
import { Silhouette } from '@/ui/drawing/Silhouette';
import { Menu, MenuItem } from '@/ui/sheet/TopBar';
import { Explained } from './Explained';
import { families, groupLabel, reasonOf, worstOf, type RowData } from './rows';

/** A member in the overview: to be opened, chosen, or asked for the way to any of its figures. */
export const MemberRow = memo(Row, isSameRow);

interface MemberRowProps {
  readonly project: Project;
  readonly row: RowData;
  readonly isSelected: boolean;
  readonly onSelect: (id: string, on: boolean) => void;
}

/** Most rows of a long list are as they were when one result comes in. */
function isSameRow(a: MemberRowProps, b: MemberRowProps): boolean {
  return (
    a.isSelected === b.isSelected &&
    a.onSelect === b.onSelect &&
    a.row.member === b.row.member &&
    a.row.entry === b.row.entry &&
    a.row.standing === b.row.standing &&
    a.project.code === b.project.code &&
    a.project.display === b.project.display
  );
}

function Row({ project, row, isSelected, onSelect }: MemberRowProps) {
  const router = useRouter();
  const { member, entry, standing } = row;
  const href = sheetPath(project, member);
  const result = entry?.result;
  const isWorking = standing === 'working';
  const actions = memberActions(project, member, router.push);
  return (
    <tr className="h-[1.9rem] cursor-pointer border-b border-line hover:bg-sycamore" onClick={() => router.push(href)}>
      <td onClick={(e) => e.stopPropagation()}>
        <input
          type="checkbox"
          aria-label={`Select ${member.mark}`}
          checked={isSelected}
          onChange={(e) => onSelect(member.id, e.target.checked)}
        />
      </td>
      <td className="w-5">
        <Glyph standing={standing} />
      </td>
      <td className="w-7">
        <Silhouette member={member} />
      </td>
      <td className="whitespace-nowrap pr-3">
        <a
          href={href}
          onClick={(e) => {
            e.preventDefault();
            e.stopPropagation();
            router.push(href);
          }}
        >
          <b className="mr-2 font-semibold">{member.mark}</b>
          {member.title}
        </a>
      </td>
      <td className="whitespace-nowrap pr-3 text-walnut">
        {member.place}
        {groupLabel(member)}
      </td>
      <td className="whitespace-nowrap pr-3">{kindOf(member).sizeLabel(member, project.display)}</td>
      <td className="min-w-36 max-w-52 pr-3 text-walnut">{kindOf(member).steelLabel(member, result, project)}</td>
      {families.map((f) => (
        <FamilyCell
          key={f.title}
          check={worstOf(result?.checks ?? [], f.keys)}
          family={f.title}
          row={row}
          project={project}
          isWorking={isWorking}
        />
      ))}
      <td className="min-w-48 max-w-96">{isWorking ? 'Designing' : reasonOf(row)}</td>
      <td onClick={(e) => e.stopPropagation()}>
        <Menu isBare align="end" label={<span className="sr-only">More on {member.mark}</span>}>
          <MenuItem onSelect={actions.copy}>Copy {member.mark}</MenuItem>
          <MenuItem onSelect={actions.up}>Move up</MenuItem>
          <MenuItem onSelect={actions.down}>Move down</MenuItem>
          <MenuItem onSelect={actions.remove}>Delete {member.mark}</MenuItem>
        </Menu>
      </td>
    </tr>
  );
}

function FamilyCell({
  check,
  family,
  row: { member },
  project,
  isWorking,
}: {
  check: Check | undefined;
  family: string;
  row: RowData;
  project: Project;
  isWorking: boolean;
}) {
  if (!check) return <td className="w-28" />;
  const standing: Standing = isWorking ? 'working' : standingOf(check.status, decisionFor(member, check) !== undefined);
  return (
    <td className="w-28" onClick={(e) => e.stopPropagation()}>
      <span className="flex items-center gap-1">
        <Inlay utilisation={check.utilisation} standing={standing} width={42} framed />
        {isWorking ? (
          <span className={standingText[standing]}>–</span>
        ) : (
          <Explained project={project} member={member} check={check} label={`${family} of ${member.mark}: ${check.title}`}>
            <span className={standingText[standing]}>{formatUtilisation(check.utilisation)}</span>
          </Explained>
        )}
      </span>
    </td>
  );
}
