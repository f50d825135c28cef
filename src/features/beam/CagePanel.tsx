'use client';
import { useMemo, useState } from 'react';
import { cageDrawing } from '@/core/drawing/cage-drawing';
import { cageBetween } from '@/core/model/cage';
import type { Place } from '@/core/model/centre-line';
import type { MemberModel } from '@/core/model/member-model';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { formatQuantity } from '@/core/units/format';
import { Select } from '@/ui/fields/Select';
import { Turnable } from '@/ui/drawing/Turnable';
import { useBox } from '@/ui/drawing/use-box';
import { placeName } from '@/ui/sheet/stations';

const lengths = { near: 1200, around: 3000, whole: Infinity } as const;
type Stretch = keyof typeof lengths;

/** The cage in space around the station line, so that crowding is seen; turned by mouse or keyboard. */
export function CagePanel({
  project,
  member,
  model,
  station,
}: {
  project: Project;
  member: BeamMember;
  model: MemberModel;
  station: number;
}) {
  const [stretch, setStretch] = useState<Stretch>('around');
  const [box, room] = useBox<HTMLDivElement>({ width: 740, height: 560 });
  const space = useMemo(() => {
    const { concrete, bars } = model;
    if (bars.length === 0) return null;
    const [first, last] = [concrete[0]!, concrete[concrete.length - 1]!];
    const half = lengths[stretch] / 2;
    // At its ends bars run on into the supports.
    const [from, to] = [station - half <= first.from ? -Infinity : station - half, station + half >= last.to ? Infinity : station + half];
    const [left, right] = [Math.max(from, first.from), Math.min(to, last.to)];
    const span = concrete.find((p) => station <= p.to) ?? last;
    const corners = (x: number): Place[] => span.outline.outer.map(([y, z]) => [x, y, z]);
    return { bars: cageBetween(bars, from, to), ends: [corners(left), corners(right)] as const, from: left, to: right };
  }, [model, station, stretch]);
  if (!space) return <p className="px-3.5 py-4">There are no bars to show yet.</p>;
  const at = (v: number) => formatQuantity(v, 'station', project.display);
  return (
    <div className="flex min-h-0 flex-1 flex-col px-3.5">
      <div className="flex items-center gap-3 py-1">
        <p className="small flex-1">
          From {at(space.from)} to {at(space.to)}, around the station line ({placeName(member, station)}), all bars to scale with their
          bends. Bars that lap are drawn on one line.
        </p>
        <Select
          label="How much of the beam"
          className="field !w-40"
          value={stretch}
          options={{ near: 'close to the station', around: 'around the station', whole: 'the whole beam' }}
          onPick={setStretch}
        />
      </div>
      <div ref={box} className="min-h-0 flex-1 overflow-hidden">
        <Turnable
          label="Cage"
          start={{ turn: -0.55, tilt: 0.38 }}
          draw={(view) => cageDrawing({ ...space, ...view }, room.width, Math.max(320, room.height - 8))}
        />
      </div>
    </div>
  );
}
