'use client';
import { castDraft } from 'immer';
import type { ColumnBar } from '@/core/reinforcement/column-bars';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { Select } from '@/ui/fields/Select';
import { DrawnPopover, type EditorProps } from '@/ui/drawing/DrawnPopover';
import { editorRow, sizeOptions } from '@/ui/fields/use-rows';

const sideNames: Record<string, string> = {
  top: 'the top',
  bottom: 'the bottom',
  left: 'the left side',
  right: 'the right side',
  ring: 'the ring',
};

/** One bar, picked on the drawing: its size and place, or the size of all bars of its face. */
export function BarEditor({ project, member, index, bars, ...place }: EditorProps & { index: number; bars: readonly ColumnBar[] }) {
  const edit = useProject((s) => s.edit);
  const bar = bars[index];
  if (!bar) return null;
  /** Changing single bars makes the layout a list: each bar then stands where it is drawn. */
  const set = (label: string, change: (list: { x: number; y: number; size: string }[]) => { x: number; y: number; size: string }[]) =>
    edit(
      `${label} of ${member.mark}`,
      onMember(member, (m) => {
        m.bars = castDraft({ kind: 'list' as const, bars: change(bars.map(({ x, y, size }) => ({ x, y, size }))) });
      }),
    );
  const one = (patch: Partial<{ x: number; y: number; size: string }>, label: string) =>
    set(label, (list) => list.map((b, i) => (i === index ? { ...b, ...patch } : b)));
  const face = bars.filter((b) => b.side === bar.side);
  const sizes = sizeOptions(member.catalogue);
  return (
    <DrawnPopover title={`Bar ${index + 1} of ${bars.length}`} {...place}>
      <label className={editorRow}>
        Size
        <Select label="Size of the bar" value={bar.size} options={sizes} onPick={(size) => one({ size }, `size of bar ${index + 1}`)} />
      </label>
      {(['x', 'y'] as const).map((k) => (
        <label key={k} className={editorRow}>
          {k}, centre of the bar
          <QuantityInput
            kind="smallLength"
            system={project.display}
            value={bar[k]}
            label={`${k} of the bar`}
            onKeep={(v) => v !== null && one({ [k]: v }, `${k} of bar ${index + 1}`)}
          />
        </label>
      ))}
      {bar.side !== '' && face.length > 1 && (
        <label className={editorRow}>
          All {face.length} of {sideNames[bar.side] ?? bar.side}
          <Select
            label="Size of all bars of the face"
            value={face.every((b) => b.size === bar.size) ? bar.size : ''}
            options={[['', 'mixed'], ...sizes]}
            onPick={(size) =>
              size &&
              set(`size of the bars at ${sideNames[bar.side] ?? bar.side}`, (list) =>
                list.map((b, i) => (bars[i]!.side === bar.side ? { ...b, size } : b)),
              )
            }
          />
        </label>
      )}
      <div className="small mt-1 flex gap-4 border-t border-line pt-1">
        <button
          type="button"
          className="link"
          onClick={() => {
            set(`bar ${index + 1} taken out`, (list) => list.filter((_, i) => i !== index));
            place.onClose();
          }}
        >
          take this bar out
        </button>
        <button
          type="button"
          className="link"
          onClick={() => set('add a bar', (list) => [...list, { ...between(bars, index), size: bar.size }])}
        >
          add one beside it
        </button>
      </div>
      {member.bars.kind !== 'list' && (
        <p className="small">A change here fixes every bar in its place; the layout no longer follows the outline.</p>
      )}
    </DrawnPopover>
  );
}

/** Half way to the next bar. */
function between(bars: readonly ColumnBar[], index: number) {
  const [a, b] = [bars[index]!, bars[(index + 1) % bars.length]!];
  return { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
}
