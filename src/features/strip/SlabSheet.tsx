'use client';
import { useMemo } from 'react';
import { ELEVATION_HEIGHT, elevationDrawing } from '@/core/members/beam/drawing/elevation';
import type { Frame } from '@/core/drawing/frame';
import { PLAN_HEIGHT, stripPlan } from '@/core/members/strip/drawing/plan';
import { stripAsBeam, stripWidth } from '@/core/members/strip/as-beam';
import { stripLoadText } from '@/core/members/strip/load-text';
import type { MemberModel } from '@/core/model/member-model';
import type { StripResult } from '@/core/members/strip/result';
import { layerLabel } from '@/core/members/parts/bar-labels';
import { isSetByHand, type BarsHandle, type LinksHandle } from '@/core/members/beam/drawing/handles';
import type { StripHandle } from '@/core/members/strip/drawing/handles';
import type { Project } from '@/core/project/project';
import type { StripMember } from '@/core/members/strip/input';
import { formatQuantity } from '@/core/units/format';
import { stationTable } from '@/core/members/beam/station-table';
import { TableFiles } from '@/ui/tables/TableFiles';
import { AlignedStrips, type StripsProps } from '@/ui/sheet/AlignedStrips';
import { useBox } from '@/ui/drawing/use-box';

type Shared = Omit<StripsProps<StripHandle>, 'units' | 'beam' | 'result' | 'above' | 'links' | 'isPerLength' | 'width' | 'scale' | 'room'>;

/** Elevation, plan and strips of a slab, as wide as the middle of the screen. */
export function SlabSheet({
  project,
  member,
  result,
  model,
  isStale,
  ...rest
}: Shared & { project: Project; member: StripMember; result: StripResult; model: MemberModel; isStale: boolean }) {
  const [box, size] = useBox<HTMLDivElement>({ width: 748, height: 700 });
  const units = project.display;
  const beam = useMemo(() => stripAsBeam(member, stripWidth(units)), [member, units]);
  const { steel } = result;
  const above = useMemo(() => {
    const name = (bars: Parameters<typeof layerLabel>[0]) => layerLabel(bars, project);
    const { bars } = model;
    const picture = {
      beam,
      steel,
      bars,
      units,
      barLabel: name,
      loadLabel: (k: number) => stripLoadText(member.loads[k]!, units),
      isSet: (b: BarsHandle | LinksHandle) => isSetByHand(member.bars, b),
    };
    const breadth = formatQuantity(member.breadth, 'station', units);
    return [
      { title: 'Elevation', height: ELEVATION_HEIGHT, draw: (frame: Frame) => elevationDrawing(picture, frame) },
      {
        title: 'Plan',
        height: PLAN_HEIGHT,
        draw: (frame: Frame) => stripPlan({ strip: member, steel, bars, barLabel: name, breadth }, frame),
      },
    ];
  }, [project, member, beam, steel, model, units]);
  return (
    <div
      ref={box}
      className={`min-h-0 flex-1 overflow-y-auto overflow-x-hidden ${isStale ? 'stale' : ''}`}
      data-stale={isStale || undefined}
    >
      <AlignedStrips<StripHandle>
        {...rest}
        units={units}
        beam={beam}
        result={result}
        above={above}
        isPerLength
        width={size.width}
        scale={size.scale}
        room={Math.max(280, size.height - ELEVATION_HEIGHT - PLAN_HEIGHT - 40)}
      />
      {result.strips && (
        <p className="small px-3.5 py-1.5">
          every station with its steel as{' '}
          <TableFiles name={`${member.mark} stations`} units={units} tables={() => [stationTable(result, result.width)!]} />
        </p>
      )}
      {member.loads.length === 0 && <p className="px-3.5 py-2">No loads yet on {member.mark}: open Loads and add one.</p>}
    </div>
  );
}
