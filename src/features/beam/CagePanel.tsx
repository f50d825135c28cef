'use client';
import { useMemo, useState } from 'react';
import { cageDrawing } from '@/core/members/beam/drawing/cage';
import { outlinePoints } from '@/core/geometry/beam-outline';
import { beamCage, type CagePoint } from '@/core/members/beam/cage';
import { outlineOf, supportPositions } from '@/core/members/beam/input';
import type { BeamResult } from '@/core/members/beam/result';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import type { BeamMember } from '@/core/members/beam/input';
import { formatQuantity } from '@/core/units/format';
import { Select } from '@/ui/Select';
import { Turnable } from '@/ui/Turnable';
import { useBox } from '@/ui/use-box';
import { placeName } from '@/ui/stations';

const lengths = { near: 1200, around: 3000, whole: Infinity } as const;
type Stretch = keyof typeof lengths;

/** The cage in space around the station line, so that crowding is seen; turned by mouse or keyboard. */
export function CagePanel({
  project,
  member,
  result,
  station,
}: {
  project: Project;
  member: BeamMember;
  result: BeamResult;
  station: number;
}) {
  const [stretch, setStretch] = useState<Stretch>('around');
  const [box, room] = useBox<HTMLDivElement>({ width: 740, height: 560 });
  const { steel } = result;
  const space = useMemo(() => {
    if (!steel) return null;
    const starts = supportPositions(member);
    const end = starts.at(-1)!;
    const from = Math.max(0, station - lengths[stretch] / 2);
    const to = Math.min(end, station + lengths[stretch] / 2);
    const spanAt = (x: number) =>
      Math.max(
        0,
        starts.findLastIndex((s, i) => s <= x && i < member.spans.length),
      );
    const corners = (x: number): CagePoint[] => outlinePoints(outlineOf(member, spanAt(station))).map(([y, z]) => [x, y, z]);
    return { bars: beamCage(member, codeOf(project, member), steel, from, to), ends: [corners(from), corners(to)] as const, from, to };
  }, [project, member, steel, station, stretch]);
  if (!space) return <p className="px-3.5 py-4">There are no bars to show yet.</p>;
  const at = (v: number) => formatQuantity(v, 'station', project.display);
  return (
    <div className="flex min-h-0 flex-1 flex-col px-3.5">
      <div className="flex items-center gap-3 py-1">
        <p className="small flex-1">
          From {at(space.from)} to {at(space.to)}, around the station line ({placeName(member, station)}), all bars to scale. Laps, hooks
          and bends at the ends are not drawn.
        </p>
        <Select
          label="How much of the beam"
          className="field !w-40"
          value={stretch}
          options={[
            ['near', 'close to the station'],
            ['around', 'around the station'],
            ['whole', 'the whole beam'],
          ]}
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
