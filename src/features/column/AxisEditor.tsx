'use client';
import type { ColumnEnd, RestrainingBeam } from '@/core/codes/column-rules';
import type { ColumnResult } from '@/core/members/column/result';
import { codeOf } from '@/core/members/member';
import type { UprightMember } from '@/core/members/wall/upright';
import { formatQuantity } from '@/core/units/format';
import { DrawnPopover, type EditorProps } from '@/ui/drawing/DrawnPopover';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { Select } from '@/ui/fields/Select';
import { editorRow, useRows } from '@/ui/fields/use-rows';

const beam: RestrainingBeam = { b: 300, h: 500, length: 6000, far: 'continuous' };
const lengthModes = { factor: 'by a factor', length: 'as a length', ends: 'from beams and columns' };
const endKinds = { framed: 'joined to beams', fixed: 'fixed', pinned: 'pinned', free: 'free' };
const farEnds = { continuous: 'continuous', fixed: 'far end fixed', pinned: 'far end pinned' };

/** How the column is held for bending about one axis: braced or not, and its effective length given or found from its ends. */
export function AxisEditor({
  project,
  member,
  axis,
  result,
  ...place
}: EditorProps<UprightMember> & { axis: 'x' | 'y'; result: ColumnResult }) {
  const { quantity, pick, choose, change } = useRows(project, member, { row: editorRow, part: `about ${axis}` });
  const { mode, isBraced, ...held } = member.axes[axis];
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
        {pick('Effective length', `axes.${axis}.mode`, lengthModes)}
        {mode === 'factor' && quantity('Factor on height', 'ratio', `axes.${axis}.factor`, { name: 'Factor' })}
        {mode === 'length' && quantity('l0', 'span', `axes.${axis}.length`)}
        {mode === 'ends' &&
          (['top', 'bottom'] as const).map((end) => {
            const title = end === 'top' ? 'Top' : 'Foot';
            const set = (e: ColumnEnd) =>
              change(`${title.toLowerCase()} about ${axis}`, (m) => void Object.assign(m.axes[axis], { [end]: e }));
            return <End key={end} title={title} end={held[end]} project={project} onSet={set} />;
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

interface EndProps {
  readonly title: string;
  readonly end: ColumnEnd;
  readonly project: EditorProps['project'];
  readonly onSet: (e: ColumnEnd) => void;
}

function End({ title, end, project, onSet }: EndProps) {
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
          options={endKinds}
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
                options={farEnds}
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
