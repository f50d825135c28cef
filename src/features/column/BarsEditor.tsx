'use client';
import { castDraft } from 'immer';
import { catalogues } from '@/core/materials/bars';
import { isRound, type ColumnMember } from '@/core/members/column/input';
import { columnModel } from '@/core/members/column/section';
import { codeOf } from '@/core/members/member';
import type { ColumnBars } from '@/core/reinforcement/column-bars';
import { DrawnPopover, type EditorProps } from '@/ui/drawing/DrawnPopover';
import { entriesOf } from '@/ui/fields/Select';
import { editorRow, sizeOptions, useRows } from '@/ui/fields/use-rows';

/** A layout of another kind, near to the one that is there. */
function changeKind(member: ColumnMember, kind: ColumnBars['kind'], placed: readonly { x: number; y: number; size: string }[]): ColumnBars {
  const size = placed[0]?.size ?? catalogues[member.catalogue].bars[4]!.name;
  if (kind === 'sides') return { kind, corner: size, alongX: 1, sizeX: size, alongY: 1, sizeY: size };
  if (kind === 'ring') return { kind, count: Math.max(6, placed.length), size };
  if (kind === 'outline') return { kind, size, spacing: 250 };
  return { kind, bars: placed.map(({ x, y, size }) => ({ x, y, size })) };
}

const layouts = { sides: 'corners and sides', ring: 'in a ring', outline: 'along the outline', list: 'one by one' };

/** How the bars are laid out: corners and sides, a ring, along the outline, or one by one. */
export function BarsEditor({ project, member, ...place }: EditorProps) {
  const { change, choose, pick, count, quantity } = useRows(project, member, { row: editorRow });
  const { bars } = member;
  const sizes = sizeOptions(member.catalogue);
  const counted = (label: string, value: number, least: number, patch: (n: number) => Partial<ColumnBars>) =>
    count(label, value, [least, 60], (m, n) => void Object.assign(m.bars, patch(n)));
  return (
    <DrawnPopover title="Bars" {...place}>
      {choose(
        'Laid out',
        bars.kind,
        entriesOf<ColumnBars['kind']>(layouts).filter(([kind]) => kind !== 'sides' || !isRound(member.shape)),
        (m, kind) => void (m.bars = castDraft(changeKind(member, kind, columnModel(member, codeOf(project, member)).bars))),
        'Layout of the bars',
      )}
      {bars.kind === 'sides' && (
        <>
          {pick('Corner bars', 'bars.corner', sizes)}
          {counted('Between, along x', bars.alongX, 0, (alongX) => ({ alongX, sizeX: bars.sizeX || bars.corner }))}
          {bars.alongX > 0 && pick('Size, along x', 'bars.sizeX', sizes)}
          {counted('Between, along y', bars.alongY, 0, (alongY) => ({ alongY, sizeY: bars.sizeY || bars.corner }))}
          {bars.alongY > 0 && pick('Size, along y', 'bars.sizeY', sizes)}
        </>
      )}
      {bars.kind === 'ring' && [counted('Number', bars.count, 3, (n) => ({ count: n })), pick('Bar size', 'bars.size', sizes)]}
      {bars.kind === 'outline' && [
        pick('Bar size', 'bars.size', sizes),
        quantity('Maximum spacing', 'length', 'bars.spacing', { name: 'Spacing' }),
      ]}
      {bars.kind === 'list' && <p className="small">{bars.bars.length} bars, each in its own place: pick one on the drawing.</p>}
      <label className={editorRow}>
        Cross ties
        <span className="flex items-center gap-2">
          <input
            className="field !w-16"
            type="number"
            min={0}
            aria-label="Cross ties"
            placeholder="needed"
            value={member.ties.cross ?? ''}
            onChange={(e) => change('cross ties', (m) => void (m.ties.cross = e.target.value === '' ? null : Number(e.target.value)))}
          />
          <span className="small">{member.ties.cross === null ? 'as many as are needed' : 'set'}</span>
        </span>
      </label>
    </DrawnPopover>
  );
}
