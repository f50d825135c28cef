'use client';
import { useMemo, useState } from 'react';
import { platePlan, type PlateHandle } from '@/core/members/plate/drawing';
import type { PlateMember } from '@/core/members/plate/input';
import { mapTitles, plateLabels } from '@/core/members/plate/labels';
import type { PlateMap, PlateResult } from '@/core/members/plate/result';
import type { Project } from '@/core/project/project';
import { DrawingView } from '@/ui/drawing/DrawingView';
import { useBox } from '@/ui/drawing/use-box';
import { Select } from '@/ui/fields/Select';

interface PlatePlanProps {
  readonly project: Project;
  readonly member: PlateMember;
  readonly result: PlateResult;
  readonly isStale: boolean;
  readonly onEdit: (handle: PlateHandle, target: Element) => void;
  readonly editing: string | null;
}

/** The plan of the slab with the map that is chosen, as large as the middle of the screen. */
export function PlatePlan({ project, member, result, isStale, onEdit, editing }: PlatePlanProps) {
  const [map, setMap] = useState<PlateMap>('mx');
  const [box, size] = useBox<HTMLDivElement>({ width: 748, height: 640 });
  const drawing = useMemo(
    () => platePlan({ plate: member, result, map, labels: plateLabels(project, member, map) }, size.width, Math.max(320, size.height - 70)),
    [project, member, result, map, size],
  );
  return (
    <div ref={box} className={`min-h-0 flex-1 overflow-hidden ${isStale ? 'stale' : ''}`} data-stale={isStale || undefined}>
      <label className="flex items-center gap-2 px-3.5 pt-1">
        On the plan
        <Select className="field !w-56" label="What the plan shows" value={map} options={mapTitles} onPick={setMap} />
      </label>
      <DrawingView drawing={drawing} onEdit={onEdit} editing={editing} />
      <p className="small px-3.5">
        Click an edge’s word: simple, clamped, free. Values are those of the elastic plate at the nodes of its mesh.
      </p>
    </div>
  );
}
