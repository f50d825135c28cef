'use client';
import { castDraft } from 'immer';
import type { ColumnEnd, RestrainingBeam } from '@/core/codes/column-rules';
import type { ColumnAxis } from '@/core/members/column/input';
import type { ColumnResult } from '@/core/members/column/result';
import { codeOf } from '@/core/members/member';
import type { UprightMember } from '@/core/members/wall/upright';
import { formatQuantity } from '@/core/units/format';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { Select } from '@/ui/fields/Select';
import { DrawnPopover, editorRow, type EditorProps } from '@/ui/drawing/DrawnPopover';

const beam: RestrainingBeam = { b: 300, h: 500, length: 6000, far: 'continuous' };

/** How the column is held for bending about one axis: braced or not, and its effective length given or found from its ends. */
export function AxisEditor({
  project,
  member,
  axis,
  result,
  ...place
}: EditorProps<UprightMember> & { axis: 'x' | 'y'; result: ColumnResult }) {
  const edit = useProject((s) => s.edit);
  const a = member.axes[axis];
  const code = codeOf(project, member);
  const set = (label: string, patch: Partial<ColumnAxis>) =>
    edit(
      `${label} about ${axis} of ${member.mark}`,
      onMember(member, (m) => void Object.assign(m.axes[axis], castDraft(patch))),
    );
  const s = result.slenderness[axis];
  const length = (label: string, value: number | null, keep: (v: number | null) => void, empty?: string) => (
    <label className={editorRow}>
      {label}
      <QuantityInput
        kind="span"
        system={project.display}
        value={value}
        label={label}
        onKeep={keep}
        allowEmpty={empty !== undefined}
        placeholder={empty}
      />
    </label>
  );
  return (
    <DrawnPopover title={`Bending about ${axis}`} {...place}>
      <div className="max-h-[60vh] overflow-y-auto pr-1">
        <label className={editorRow}>
          Storey
          <Select
            label="Braced or unbraced"
            value={a.isBraced ? 'braced' : 'unbraced'}
            options={[
              ['braced', code.column.splitsSway ? 'braced (nonsway)' : 'braced'],
              ['unbraced', code.column.splitsSway ? 'unbraced (sway)' : 'unbraced'],
            ]}
            onPick={(v) => set('bracing', { isBraced: v === 'braced' })}
          />
        </label>
        {length('Clear height', a.clear, (v) => set('clear height', { clear: v }), 'as the column')}
        <label className={editorRow}>
          Effective length
          <Select
            label="Effective length"
            value={a.mode}
            options={[
              ['factor', 'by a factor'],
              ['length', 'as a length'],
              ['ends', 'from beams and columns'],
            ]}
            onPick={(mode) => set('effective length', { mode })}
          />
        </label>
        {a.mode === 'factor' && (
          <label className={editorRow}>
            Factor on height
            <QuantityInput
              kind="ratio"
              system={project.display}
              value={a.factor}
              label="Factor"
              onKeep={(v) => v !== null && set('effective length', { factor: v })}
            />
          </label>
        )}
        {a.mode === 'length' && length('l0', a.length, (v) => v !== null && set('effective length', { length: v }))}
        {a.mode === 'ends' &&
          (['top', 'bottom'] as const).map((end) => (
            <End
              key={end}
              title={end === 'top' ? 'Top' : 'Foot'}
              end={a[end]}
              project={project}
              onSet={(e) => set(`${end === 'top' ? 'top' : 'foot'}`, { [end]: e })}
            />
          ))}
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

function End({
  title,
  end,
  project,
  onSet,
}: {
  title: string;
  end: ColumnEnd;
  project: EditorProps['project'];
  onSet: (e: ColumnEnd) => void;
}) {
  const framed = end.kind === 'framed' ? end : null;
  const number = (label: string, value: number, keep: (v: number) => void) => (
    <QuantityInput
      kind="length"
      system={project.display}
      value={value}
      label={label}
      showUnit={false}
      onKeep={(v) => v !== null && keep(v)}
    />
  );
  const setBeam = (i: number, patch: Partial<RestrainingBeam>) =>
    framed && onSet({ ...framed, beams: framed.beams.map((b, k) => (k === i ? { ...b, ...patch } : b)) });
  return (
    <div className="border-t border-line py-1">
      <label className={editorRow}>
        {title}
        <Select<ColumnEnd['kind']>
          label={title}
          value={end.kind}
          options={[
            ['framed', 'joined to beams'],
            ['fixed', 'fixed'],
            ['pinned', 'pinned'],
            ['free', 'free'],
          ]}
          onPick={(kind) => onSet(kind === 'framed' ? { kind, beams: [beam, beam], column: null } : { kind })}
        />
      </label>
      {framed && (
        <>
          {framed.beams.map((b, i) => (
            <div key={i} className="grid grid-cols-[1fr_1fr_1.2fr_1.5fr_auto] items-center gap-1 py-px">
              {number(`${title}, beam ${i + 1} width`, b.b, (v) => setBeam(i, { b: v }))}
              {number(`${title}, beam ${i + 1} depth`, b.h, (v) => setBeam(i, { h: v }))}
              {number(`${title}, beam ${i + 1} length`, b.length, (v) => setBeam(i, { length: v }))}
              <Select<RestrainingBeam['far']>
                label={`${title}, far end of beam ${i + 1}`}
                value={b.far}
                options={[
                  ['continuous', 'continuous'],
                  ['fixed', 'far end fixed'],
                  ['pinned', 'far end pinned'],
                ]}
                onPick={(far) => setBeam(i, { far })}
              />
              <button
                type="button"
                className="link"
                aria-label={`Take beam ${i + 1} out`}
                onClick={() => onSet({ ...framed, beams: framed.beams.filter((_, k) => k !== i) })}
              >
                ×
              </button>
            </div>
          ))}
          <p className="small">width, depth, length of each beam, mm or any unit typed</p>
          <div className="small flex gap-4">
            <button type="button" className="link" onClick={() => onSet({ ...framed, beams: [...framed.beams, beam] })}>
              add a beam
            </button>
            <button
              type="button"
              className="link"
              onClick={() => onSet({ ...framed, column: framed.column ? null : { b: 350, h: 350, length: 3500 } })}
            >
              {framed.column ? 'no column beyond' : 'a column beyond'}
            </button>
          </div>
          {framed.column && (
            <div className="grid grid-cols-[4rem_1fr_1fr_1fr] items-center gap-1 py-px">
              column
              {(['b', 'h', 'length'] as const).map((k) => (
                <span key={k}>
                  {number(`${title}, column beyond, ${k}`, framed.column![k], (v) =>
                    onSet({ ...framed, column: { ...framed.column!, [k]: v } }),
                  )}
                </span>
              ))}
            </div>
          )}
        </>
      )}
    </div>
  );
}
