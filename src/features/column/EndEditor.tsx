'use client';
import type { GivenBeam, GivenEnd } from '@/core/members/column/ends';
import type { Project } from '@/core/project/project';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { Select } from '@/ui/fields/Select';
import { editorRow } from '@/ui/fields/use-rows';

const farEnds = { continuous: 'continuous', fixed: 'far end fixed', pinned: 'far end pinned' };
const unsized = { b: null, h: null, length: null };
const beam: GivenBeam = { ...unsized, far: 'continuous' };

interface EndProps {
  readonly title: string;
  readonly end: GivenEnd;
  readonly project: Project;
  /** A wall is held by floors as wide as itself, a column by beams. */
  readonly isFloor: boolean;
  readonly onSet: (e: GivenEnd) => void;
}

/** What an end is joined to. Sizes are asked for: nothing is there before it is typed. */
export function EndEditor({ title, end, project, isFloor, onSet }: EndProps) {
  const [noun, beyond] = isFloor ? ['floor', 'wall'] : ['beam', 'column'];
  const endKinds = { framed: `joined to ${noun}s`, fixed: 'fixed', pinned: 'pinned', free: 'free' };
  const isFramed = end.kind === 'framed';
  const size = (label: string, empty: string, value: number | null, keep: (v: number | null) => void) => (
    <QuantityInput
      key={label}
      kind="length"
      system={project.display}
      value={value}
      label={label}
      showUnit={false}
      empty={empty}
      onKeep={keep}
    />
  );
  const setBeam = (i: number, patch: Partial<GivenBeam>) =>
    onSet({ ...end, beams: end.beams.map((b, k) => (k === i ? { ...b, ...patch } : b)) });
  const sizes = isFloor ? (['h', 'length'] as const) : (['b', 'h', 'length'] as const);
  return (
    <div className="border-t border-line py-1">
      <label className={editorRow}>
        {title}
        <Select<GivenEnd['kind']>
          label={title}
          value={end.kind}
          options={endKinds}
          onPick={(kind) => onSet({ kind, beams: kind === 'framed' ? [beam] : [], column: null })}
        />
      </label>
      {isFramed && (
        <>
          {end.beams.map((b, i) => (
            <div key={i} className="flex items-center gap-1 py-px">
              {sizes.map((k) => size(`${title}, ${noun} ${i + 1} ${names[k]}`, names[k], b[k], (v) => setBeam(i, { [k]: v })))}
              <Select<GivenBeam['far']>
                label={`${title}, far end of ${noun} ${i + 1}`}
                value={b.far}
                options={farEnds}
                onPick={(far) => setBeam(i, { far })}
              />
              <button
                type="button"
                className="link"
                aria-label={`Take ${noun} ${i + 1} out`}
                onClick={() => onSet({ ...end, beams: end.beams.filter((_, k) => k !== i) })}
              >
                ×
              </button>
            </div>
          ))}
          <p className="small">
            {isFloor ? 'depth and span of the slab on each side' : 'width, depth and span of each beam'}, mm or any unit typed
          </p>
          <div className="small flex gap-4">
            <button type="button" className="link" onClick={() => onSet({ ...end, beams: [...end.beams, beam] })}>
              add a {noun}
            </button>
            <button type="button" className="link" onClick={() => onSet({ ...end, column: end.column ? null : unsized })}>
              {end.column ? `no ${beyond} beyond` : `a ${beyond} beyond`}
            </button>
          </div>
          {end.column && (
            <div className="flex items-center gap-1 py-px">
              {beyond}
              {sizes.map((k) =>
                size(`${title}, ${beyond} beyond, ${beyondNames[k]}`, beyondNames[k], end.column![k], (v) =>
                  onSet({ ...end, column: { ...end.column!, [k]: v } }),
                ),
              )}
            </div>
          )}
        </>
      )}
    </div>
  );
}

const names = { b: 'width', h: 'depth', length: 'span' } as const;
const beyondNames = { b: 'width', h: 'depth', length: 'height' } as const;
