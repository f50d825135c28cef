'use client';
import type { Options } from '@/ui/fields/Select';
import { castDraft, type Draft } from 'immer';
import { boundsOf } from '@/core/geometry/polygon';
import { outlineOfShape, type SectionShape, type ShapeKind } from '@/core/geometry/section-shapes';
import { isRound } from '@/core/members/column/input';
import type { ColumnResult } from '@/core/members/column/result';
import type { Project } from '@/core/project/project';
import type { ColumnMember } from '@/core/members/column/input';
import { OutlineEditor } from '@/ui/fields/OutlineEditor';
import { useRows } from '@/ui/fields/use-rows';

const shapes: Options<ShapeKind> = {
  rectangle: 'rectangle',
  circle: 'circle',
  ring: 'ring',
  L: 'L',
  T: 'T',
  cross: 'cross',
  I: 'I',
  free: 'any outline',
};

/** A shape of another kind, of about the same size. */
function changeShape(from: SectionShape, kind: ShapeKind): SectionShape {
  const { left, right, bottom, top } = boundsOf(outlineOfShape(from).outer);
  const [b, h] = [Math.round(right - left), Math.round(top - bottom)];
  const leg = Math.round(Math.min(b, h) * 0.45);
  switch (kind) {
    case 'rectangle':
      return { kind, b, h };
    case 'circle':
      return { kind, diameter: Math.max(b, h) };
    case 'ring':
      return { kind, diameter: Math.max(b, h), wall: Math.max(60, Math.round(Math.max(b, h) / 5)) };
    case 'L':
    case 'cross':
      return { kind, b, h, tx: leg, ty: leg };
    case 'T':
    case 'I':
      return { kind, b, h, web: leg, flange: Math.round(h * 0.3) };
    case 'free': {
      const outline = outlineOfShape(from);
      return { kind, outer: outline.outer, holes: outline.holes };
    }
  }
}
const holders = { ties: 'ties', spiral: 'a spiral' };

/** The shape of a column and what holds its bars. */
export function ShapeFields({ project, member, result }: { project: Project; member: ColumnMember; result: ColumnResult }) {
  const { change, choose, pick, quantity } = useRows(project, member);
  const setShape = (m: Draft<ColumnMember>, kind: ShapeKind) => {
    const next = changeShape(member.shape, kind);
    m.shape = castDraft(next);
    // Bars that follow one shape do not fit another.
    const size = result.bars[0]?.size ?? '20';
    if (isRound(next)) m.bars = { kind: 'ring', count: 8, size };
    else if (kind === 'rectangle' && m.bars.kind !== 'list')
      m.bars = { kind: 'sides', corner: size, alongX: 1, sizeX: size, alongY: 1, sizeY: size };
    else if (m.bars.kind !== 'list' || kind !== 'free') m.bars = { kind: 'outline', size, spacing: 250 };
  };
  return (
    <>
      {choose('Section', member.shape.kind, shapes, setShape)}
      {member.shape.kind === 'free' && (
        <OutlineEditor
          outer={member.shape.outer}
          holes={member.shape.holes}
          mayHaveHoles
          units={project.display}
          onKeep={(outer, holes) => change('outline', (m) => void (m.shape = castDraft({ kind: 'free' as const, outer, holes })))}
        />
      )}
      {pick('Held by', 'transverse', holders, 'Transverse reinforcement')}
      {quantity('Ties near ends and laps', 'length', 'ties.spacingEnds', { empty: 'as the code asks' })}
    </>
  );
}
