'use client';
import { useMemo } from 'react';
import { punchingDrawing, type PunchingHandle } from '@/core/members/punching/drawing';
import type { PunchingResult } from '@/core/members/punching/result';
import { sizeOf } from '@/core/members/parts/bar-labels';
import { punchingLabels } from '@/core/members/punching/labels';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import type { PunchingMember } from '@/core/members/punching/input';
import { formatQuantity } from '@/core/units/format';
import { DrawingView } from '@/ui/drawing/DrawingView';
import { useBox } from '@/ui/drawing/use-box';
import { ForcesTable } from './ForcesTable';

interface PlanSheetProps {
  readonly project: Project;
  readonly member: PunchingMember;
  readonly result: PunchingResult;
  readonly isStale: boolean;
  readonly isDrawn: boolean;
  /** The last state without faults: drawn while today's has some. */
  readonly lastGood: PunchingMember | undefined;
  readonly onEdit: (handle: PunchingHandle, target: Element) => void;
  readonly editing: string | null;
}

/** The plan to scale, which is the form; below it the forces and what the legs have to be. */
export function PlanSheet({ project, member, result, isStale, isDrawn, lastGood, onEdit, editing }: PlanSheetProps) {
  const [box, room] = useBox<HTMLDivElement>({ width: 748, height: 470 });
  const shown = isDrawn ? member : lastGood;
  const drawing = useMemo(
    () =>
      shown
        ? punchingDrawing({ place: shown, code: codeOf(project, shown), labels: punchingLabels(project, shown) }, room.width, room.height)
        : null,
    [project, shown, room.width, room.height],
  );
  return (
    <div className={`flex min-h-0 flex-1 flex-col ${isStale ? 'stale' : ''}`} data-stale={isStale || undefined}>
      <div ref={box} className="min-h-64 flex-1 overflow-hidden">
        {drawing && <DrawingView drawing={drawing} onEdit={onEdit} editing={editing} />}
      </div>
      <div className="grid max-h-56 grid-cols-[minmax(0,1fr)_15rem] border-t border-line">
        <ForcesTable project={project} member={member} />
        <Needs project={project} member={member} result={result} />
      </div>
    </div>
  );
}

/** What strength asks of the legs, beside what is there. */
function Needs({
  project,
  member,
  result: { needed, legs, quantities },
}: {
  project: Project;
  member: PunchingMember;
  result: PunchingResult;
}) {
  const units = project.display;
  return (
    <section aria-label="Legs" className="border-l border-line px-3 py-1.5">
      <h2>Legs</h2>
      {needed?.beyond ? (
        <p className="text-madder-text">{needed.beyond}.</p>
      ) : needed ? (
        <p>
          Needed: <b className="font-semibold">{formatQuantity(needed.area, 'area', units)}</b> on each perimeter, every{' '}
          {formatQuantity(needed.spacing, 'length', units)}; the outermost at least{' '}
          <b className="font-semibold">{needed.last === null ? 'beyond the slab' : formatQuantity(needed.last, 'length', units)}</b> from
          the column.
        </p>
      ) : (
        <p className="text-walnut">None needed: the slab carries the shear alone, or the checks say why it cannot be worked out.</p>
      )}
      {legs && member.legs && (
        <p className="pt-1">
          There are <b className="font-semibold">{legs.count}</b> legs of {sizeOf(member.legs.size, project)}, each{' '}
          {formatQuantity(legs.length, 'length', units)} long with its ends, {formatQuantity(quantities?.links ?? 0, 'mass', units)}.
        </p>
      )}
    </section>
  );
}
