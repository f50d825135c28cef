'use client';
import { castDraft } from 'immer';
import { catalogues } from '@/core/materials/bars';
import { isRound } from '@/core/members/column/input';
import type { ColumnMember } from '@/core/members/column/input';
import type { ColumnBars } from '@/core/reinforcement/column-bars';
import { columnModel } from '@/core/members/column/section';
import { codeOf } from '@/core/members/member';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { Select } from '@/ui/fields/Select';
import { DrawnPopover, editorRow, type EditorProps } from '@/ui/drawing/DrawnPopover';

/** A layout of another kind, near to the one that is there. */
function changeKind(member: ColumnMember, kind: ColumnBars['kind'], placed: readonly { x: number; y: number; size: string }[]): ColumnBars {
  const size = placed[0]?.size ?? catalogues[member.catalogue].bars[4]!.name;
  if (kind === 'sides') return { kind, corner: size, alongX: 1, sizeX: size, alongY: 1, sizeY: size };
  if (kind === 'ring') return { kind, count: Math.max(6, placed.length), size };
  if (kind === 'outline') return { kind, size, spacing: 250 };
  return { kind, bars: placed.map(({ x, y, size }) => ({ x, y, size })) };
}

/** How the bars are laid out: corners and sides, a ring, along the outline, or one by one. */
export function BarsEditor({ project, member, ...place }: EditorProps) {
  const edit = useProject((s) => s.edit);
  const { bars } = member;
  const set = (label: string, next: ColumnBars) =>
    edit(
      `${label} of ${member.mark}`,
      onMember(member, (m) => {
        m.bars = castDraft(next);
      }),
    );
  const sizes = catalogues[member.catalogue].bars.map((b) => [b.name, b.name] as const);
  const size = (label: string, value: string, pick: (size: string) => ColumnBars) => (
    <label className={editorRow}>
      {label}
      <Select label={label} value={value} options={sizes} onPick={(v) => set(label.toLowerCase(), pick(v))} />
    </label>
  );
  const count = (label: string, value: number, least: number, pick: (n: number) => ColumnBars) => (
    <label className={editorRow}>
      {label}
      <input
        className="field"
        type="number"
        min={least}
        max={60}
        aria-label={label}
        value={value}
        onChange={(e) =>
          Number.isInteger(Number(e.target.value)) && e.target.value !== '' && set(label.toLowerCase(), pick(Number(e.target.value)))
        }
      />
    </label>
  );
  return (
    <DrawnPopover title="Bars" {...place}>
      <label className={editorRow}>
        Laid out
        <Select<ColumnBars['kind']>
          label="Layout of the bars"
          value={bars.kind}
          options={[
            ...(isRound(member.shape) ? [] : ([['sides', 'corners and sides']] as const)),
            ['ring', 'in a ring'],
            ['outline', 'along the outline'],
            ['list', 'one by one'],
          ]}
          onPick={(kind) => set('layout of the bars', changeKind(member, kind, columnModel(member, codeOf(project, member)).bars))}
        />
      </label>
      {bars.kind === 'sides' && (
        <>
          {size('Corner bars', bars.corner, (corner) => ({ ...bars, corner }))}
          {count('Between, along x', bars.alongX, 0, (alongX) => ({ ...bars, alongX, sizeX: bars.sizeX || bars.corner }))}
          {bars.alongX > 0 && size('Size, along x', bars.sizeX, (sizeX) => ({ ...bars, sizeX }))}
          {count('Between, along y', bars.alongY, 0, (alongY) => ({ ...bars, alongY, sizeY: bars.sizeY || bars.corner }))}
          {bars.alongY > 0 && size('Size, along y', bars.sizeY, (sizeY) => ({ ...bars, sizeY }))}
        </>
      )}
      {bars.kind === 'ring' && (
        <>
          {count('Number', bars.count, 3, (n) => ({ ...bars, count: n }))}
          {size('Bar size', bars.size, (v) => ({ ...bars, size: v }))}
        </>
      )}
      {bars.kind === 'outline' && (
        <>
          {size('Bar size', bars.size, (v) => ({ ...bars, size: v }))}
          <label className={editorRow}>
            At most apart
            <QuantityInput
              kind="length"
              system={project.display}
              value={bars.spacing}
              label="Spacing"
              onKeep={(v) => v !== null && set('spacing of bars', { ...bars, spacing: v })}
            />
          </label>
        </>
      )}
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
            onChange={(e) =>
              edit(
                `cross ties of ${member.mark}`,
                onMember(member, (m) => void (m.ties.cross = e.target.value === '' ? null : Number(e.target.value))),
              )
            }
          />
          <span className="small">{member.ties.cross === null ? 'as many as are needed' : 'set'}</span>
        </span>
      </label>
    </DrawnPopover>
  );
}
