import { useState } from 'react';
import type { Handle } from '@/core/drawing/shapes';
import type { BeamHandle, LineHandle } from '@/core/members/beam/drawing/handles';
import type { StripHandle } from '@/core/members/strip/drawing/handles';
import type { LineMember } from '@/core/members/strip/input';
import { formatQuantity, formatValue } from '@/core/units/format';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { barEndAt, movedTo, type EndedSteel } from '@/ui/fields/bar-ends';
import type { DragPhase } from '@/ui/drawing/DrawingView';
import type { EditorPlace } from '@/ui/drawing/DrawnPopover';
import type { Sheet } from './member-screen';
import { SupportEditor } from '@/ui/fields/SupportEditor';

/** What sheets of members along a line have of their own: a station line, and ends of bars that are moved on the drawing. */
export interface LineSheet {
  /** Where the station line stands (mm from the left end). */
  readonly station: number;
  setStation(x: number): void;
  onMove(handle: Handle, x: number, reach: number, phase: DragPhase): void;
}

type Shown = Pick<Sheet<LineMember>, 'kept' | 'member' | 'keptMember'> & {
  readonly result: { readonly governing: { readonly place: { readonly x: number | null } } | null; readonly steel: EndedSteel | null };
};

export function useLineSheet({ kept, member, keptMember, result }: Shown): LineSheet {
  const [station, setStation] = useState<number | null>(null);
  const length = member.spans.reduce((sum, s) => sum + s.length, 0);
  // The station line first stands where the first result governs, and then only moves when it is moved.
  const [home, setHome] = useState<number | null>(null);
  const first = result.governing?.place.x ?? null;
  if (home === null && first !== null) setHome(first);
  /** A moved end is tentative until it is let go; the station line goes along, so that its values are read there. */
  const onMove: LineSheet['onMove'] = (handle, x, reach, phase) => {
    const { setPreview, edit } = useProject.getState();
    const end = barEndAt(handle, keptMember, result.steel);
    if (!end || phase === 'leave') return setPreview(null);
    const { value, change } = movedTo(end, x, keptMember, reach);
    if (phase === 'move') {
      setStation(Math.max(0, Math.min(length, x)));
      return setPreview(onMember(keptMember, change));
    }
    edit(
      `move ${end.label.toLowerCase()} of ${member.mark} to ${formatQuantity(value, 'span', kept.display)}`,
      onMember(keptMember, change),
    );
  };
  return { station: Math.min(station ?? home ?? length / 2, length), setStation, onMove };
}

/** "7.2 + 8.4 + 6.0 m". */
export function spansLabel({ spans }: Pick<LineMember, 'spans'>, display: Sheet<LineMember>['kept']['display']): string {
  const lengths = spans.map((s) =>
    display === 'US' ? formatValue(s.length, 'span', 'US', 1) : formatValue(s.length / 1000, 'number', 'SI', 1),
  );
  return `${lengths.join(' + ')} ${display === 'US' ? 'ft' : 'm'}`;
}

/** The editor of a support, where one is open. */
export function supportEditor({ handle, ...place }: EditorPlace<LineHandle | StripHandle | BeamHandle>, member: LineMember) {
  return handle.of === 'support' ? <SupportEditor {...place} member={member} index={handle.support} /> : null;
}
