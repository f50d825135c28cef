'use client';
import { useMemo } from 'react';
import { panelPlan, type PanelHandle } from '@/core/members/panel/drawing';
import type { MemberModel } from '@/core/model/member-model';
import type { PanelResult } from '@/core/members/panel/result';
import { panelLabels } from '@/core/members/panel/labels';
import type { Project } from '@/core/project/project';
import type { PanelMember } from '@/core/members/panel/input';
import { DrawingView } from '@/ui/drawing/DrawingView';
import { useBox } from '@/ui/drawing/use-box';

/** The plan of the panel, as large as the middle of the screen. */
export function PanelPlan({
  project,
  member,
  result,
  model,
  isStale,
  onEdit,
  editing,
}: {
  project: Project;
  member: PanelMember;
  result: PanelResult;
  model: MemberModel;
  isStale: boolean;
  onEdit: (handle: PanelHandle, target: Element) => void;
  editing: string | null;
}) {
  const [box, size] = useBox<HTMLDivElement>({ width: 748, height: 640 });
  const drawing = useMemo(
    () =>
      panelPlan(
        { panel: member, result, bars: model.bars, labels: panelLabels(project, member, result) },
        size.width,
        Math.max(380, size.height - 34),
      ),
    [project, member, result, model, size],
  );
  return (
    <div ref={box} className={`min-h-0 flex-1 overflow-hidden ${isStale ? 'stale' : ''}`} data-stale={isStale || undefined}>
      <DrawingView drawing={drawing} onEdit={onEdit} editing={editing} />
      <p className="small px-3.5">
        Click an edge’s word to hold it or set it free. Thin bars lie below, heavy ones above; figures in red are the ultimate moments that
        they carry.
      </p>
    </div>
  );
}
