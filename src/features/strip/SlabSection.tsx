'use client';
import { useMemo } from 'react';
import { senseAt } from '@/core/members/beam/drawing/section-picture';
import { slabSectionDrawing } from '@/core/members/strip/drawing/section';
import { stripCut } from '@/core/members/strip/cut';
import type { StripHandle } from '@/core/members/strip/drawing/handles';
import type { StripResult } from '@/core/members/strip/result';
import { drawnLength, layerLabel } from '@/core/members/parts/bar-labels';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import type { StripMember } from '@/core/members/strip/input';
import { formatQuantity } from '@/core/units/format';
import { DrawingView } from '@/ui/drawing/DrawingView';
import { placeName } from '@/ui/sheet/stations';

const [WIDTH, HEIGHT] = [328, 132];

/** The cut through a metre of slab at the station: its bars at their spacing, and what it carries there. */
export function SlabSection({
  project,
  member,
  result,
  station,
  onEdit,
  editing,
}: {
  project: Project;
  member: StripMember;
  result: StripResult;
  station: number;
  onEdit: (handle: StripHandle, target: Element) => void;
  editing: string | null;
}) {
  const { steel, strips, width } = result;
  const units = project.display;
  const cut = useMemo(
    () => (steel && strips ? stripCut(member, codeOf(project, member), steel, width, station, senseAt(strips, station)) : null),
    [project, member, steel, strips, width, station],
  );
  if (!cut || !steel) return null;
  const length = (v: number) => drawnLength(v, units);
  const layer = (isBetween: boolean) => (l: (typeof cut.top)[number]) => ({
    bars: l.bars,
    label: layerLabel(l.bars, project),
    edit: l.source,
    isBetween,
  });
  const r = cut.resistance;
  const face = cut.sense === 'sagging' ? ('top' as const) : ('bottom' as const);
  const picture = {
    h: cut.h,
    width,
    cover: member.cover,
    catalogue: member.catalogue,
    top: cut.top.map((l, i) => layer(i > 0)(l)),
    bottom: cut.bottom.map((l, i) => layer(i > 0)(l)),
    across: steel.across,
    outer: member.outer,
    labels: {
      h: length(cut.h),
      width: units === 'US' ? 'a foot' : 'a metre',
      coverTop: `c ${length(member.cover.top)}`,
      coverBottom: `c ${length(member.cover.bottom)}`,
    },
    depthEdit: { of: 'depth' as const, span: member.spans[cut.span]!.h === null ? null : cut.span },
    block: r ? { face, depth: cut.blockFactor * r.x } : null,
  };
  const perLength = (v: number, kind: 'lineTorque' | 'areaPerWidth') => formatQuantity(v / width, kind, units);
  return (
    <section aria-label="Section" className="pb-1">
      <div className="flex items-baseline justify-between pt-2">
        <h2>Section at {formatQuantity(station, 'station', units)}</h2>
        <span className="small">
          {placeName(member, station)} · {cut.sense}
        </span>
      </div>
      <DrawingView drawing={slabSectionDrawing(picture, WIDTH, HEIGHT)} onEdit={onEdit} editing={editing} />
      <p className="small">
        {r
          ? `d ${formatQuantity(r.d, 'length', units)} · x ${formatQuantity(r.x, 'length', units)} · steel ${perLength(r.tensionArea, 'areaPerWidth')} · carries ${perLength(r.moment, 'lineTorque')}`
          : 'No bars in tension here.'}
      </p>
    </section>
  );
}
