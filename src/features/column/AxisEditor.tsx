'use client';
import type { Fault } from '@/core/checks/fault';
import type { GivenEnd } from '@/core/members/column/ends';
import type { ColumnResult } from '@/core/members/column/result';
import { codeOf } from '@/core/members/member';
import type { WallMember } from '@/core/members/wall/input';
import { isWall, type UprightMember } from '@/core/members/wall/upright';
import { formatQuantity } from '@/core/units/format';
import { DrawnPopover, type EditorProps } from '@/ui/drawing/DrawnPopover';
import { editorRow, useRows } from '@/ui/fields/use-rows';
import { EndEditor } from './EndEditor';
import { lengthWay, lengthWays, setLengthWay } from './length-ways';

/** How the column is held for bending about one axis: braced or not, and its effective length given or found from its ends. */
export function AxisEditor({
  project,
  member,
  axis,
  result,
  faults,
  ...place
}: EditorProps<UprightMember> & { axis: 'x' | 'y'; result: ColumnResult; faults: readonly Fault[] }) {
  const { quantity, choose, change, fault } = useRows(project, member, { row: editorRow, part: `about ${axis}`, faults });
  const { isBraced, ...held } = member.axes[axis];
  const way = lengthWay(member, axis);
  const isOutOfPlane = isWall(member) && axis === 'x';
  const sway = codeOf(project, member).column.splitsSway;
  const storeys = [
    ['braced', sway ? 'braced (nonsway)' : 'braced'],
    ['unbraced', sway ? 'unbraced (sway)' : 'unbraced'],
  ] as const;
  const s = result.slenderness[axis];
  return (
    <DrawnPopover title={`Bending about ${axis}`} {...place}>
      <div className="max-h-[60vh] overflow-y-auto pr-1">
        {choose(
          'Storey',
          isBraced ? 'braced' : 'unbraced',
          storeys,
          (m, v) => void (m.axes[axis].isBraced = v === 'braced'),
          'Braced or unbraced',
        )}
        {quantity('Clear height', 'span', `axes.${axis}.clear`, { empty: 'as the column' })}
        {choose('Effective length', way, lengthWays(member, axis), (m, v) => setLengthWay(m, axis, v))}
        {isWall(member) && isOutOfPlane && (way === 'threeSides' || way === 'fourSides') && (
          <Between project={project} member={member} faults={faults} />
        )}
        {way === 'factor' && quantity('Factor on height', 'ratio', `axes.${axis}.factor`, { name: 'Factor' })}
        {way === 'length' && quantity('l0', 'span', `axes.${axis}.length`)}
        {way === 'ends' &&
          (['top', 'bottom'] as const).map((end) => {
            const title = end === 'top' ? 'Top' : 'Foot';
            const set = (e: GivenEnd) =>
              change(`${title.toLowerCase()} about ${axis}`, (m) => void Object.assign(m.axes[axis], { [end]: e }));
            const own = faults.filter((f) => f.path.startsWith(`axes.${axis}.${end}`));
            return (
              <div key={end}>
                <EndEditor title={title} end={held[end]} project={project} isFloor={isOutOfPlane} onSet={set} />
                {own.map((f) => fault(f.path))}
              </div>
            );
          })}
        {s && (
          <p className="small border-t border-line pt-1">
            l0 {formatQuantity(s.l0, 'station', project.display)} · slenderness {s.value.toFixed(1)}, second order{' '}
            {s.isSlender ? 'counts' : 'is neglected'} (limit {Number.isFinite(s.limit) ? s.limit.toFixed(1) : '–'})
          </p>
        )}
      </div>
    </DrawnPopover>
  );
}

function Between({ project, member, faults }: Pick<EditorProps<WallMember>, 'project' | 'member'> & { faults: readonly Fault[] }) {
  const { quantity } = useRows(project, member, { row: editorRow, faults });
  return quantity('Between cross walls', 'length', 'between');
}
