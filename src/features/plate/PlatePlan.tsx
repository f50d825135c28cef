'use client';
import { useMemo, useState } from 'react';
import { locatorOf, valueAt } from '@/core/analysis/plates/locate';
import { planScale, platePlan, shareUsed } from '@/core/members/plate/drawing';
import type { PlateHandle } from '@/core/members/plate/picture';
import type { PlateMember } from '@/core/members/plate/input';
import { mapTitles, plateLabels } from '@/core/members/plate/labels';
import { profileDrawing } from '@/core/members/plate/profile-drawing';
import { plateMaps, type PlateMap, type PlateResult } from '@/core/members/plate/result';
import { profileAlong } from '@/core/members/plate/straightedges';
import type { Project } from '@/core/project/project';
import { formatValue, unitLabel } from '@/core/units/format';
import { DrawingView, type DragPhase } from '@/ui/drawing/DrawingView';
import { useBox } from '@/ui/drawing/use-box';
import { Select } from '@/ui/fields/Select';

interface PlatePlanProps {
  readonly project: Project;
  readonly member: PlateMember;
  readonly result: PlateResult;
  readonly isStale: boolean;
  readonly onEdit: (handle: PlateHandle, target: Element) => void;
  readonly editing: string | null;
  /** A column is let go at a place of the plan (mm). */
  readonly onMove: (column: number, x: number, y: number) => void;
}

/** Moved columns come to rest on multiples of this (mm). */
const SNAP = { SI: 50, US: 76.2 };
const PROFILE = 128;

/** The plan of the slab with the map that is chosen, as large as the middle of the screen, the value under the pointer, and a profile of it along a line. */
export function PlatePlan({ project, member, result, isStale, onEdit, editing, onMove }: PlatePlanProps) {
  const [map, setMap] = useState<PlateMap>('mx');
  const [along, setAlong] = useState('');
  const [box, size] = useBox<HTMLDivElement>({ width: 748, height: 640 });
  const labels = useMemo(() => plateLabels(project, member, map), [project, member, map]);
  const line = result.lines.find((l) => l.name === along);
  const height = Math.max(300, size.height - 74 - (line ? PROFILE : 0));
  const drawing = useMemo(
    () => platePlan({ plate: member, result, map, labels }, size.width, height),
    [member, result, map, labels, size, height],
  );
  const scale = useMemo(() => planScale(member, size.width, height), [member, size, height]);
  const { at, ghost, onPointerMove, onPointerLeave, onDrag } = usePlanPointer(
    scale.off,
    onMove,
    SNAP[project.display === 'US' ? 'US' : 'SI'],
  );
  const locate = useMemo(() => (result.mesh ? locatorOf(result.mesh) : null), [result.mesh]);
  const values = result.maps?.[map];
  const shown = Object.fromEntries(plateMaps.filter((m) => !result.maps || result.maps[m]).map((m) => [m, mapTitles[m]])) as Record<
    PlateMap,
    string
  >;
  const found = at && locate && values ? locate(at) : undefined;
  const station = (v: number) => formatValue(v, 'station', project.display);
  return (
    <div ref={box} className={`min-h-0 flex-1 overflow-hidden ${isStale ? 'stale' : ''}`} data-stale={isStale || undefined}>
      <div className="flex items-center gap-2 px-3.5 pt-1">
        <label className="flex items-center gap-2">
          On the plan
          <Select className="field !w-56" label="What the plan shows" value={map} options={shown} onPick={setMap} />
        </label>
        {result.lines.length > 0 && (
          <label className="flex items-center gap-2">
            along
            <Select
              className="field !w-40"
              label="Profile along a line"
              value={line ? along : ''}
              options={{
                '': 'no line',
                ...Object.fromEntries(
                  [...result.lines]
                    .sort((a, b) => shareUsed(b) - shareUsed(a))
                    .map((l) => [l.name, `${l.name}, ${shareUsed(l).toFixed(2)} of limits`]),
                ),
              }}
              onPick={setAlong}
            />
          </label>
        )}
        <output className="small ml-auto whitespace-nowrap" aria-label="Value under the pointer">
          {at &&
            `x ${station(at[0])}, y ${station(at[1])} ${unitLabel('station', project.display)}${
              found ? `: ${labels.value(valueAt(result.mesh!, found, values!))} ${labels.unit.split(',')[0]}` : ''
            }`}
        </output>
      </div>
      <div onPointerMove={onPointerMove} onPointerLeave={onPointerLeave}>
        <DrawingView drawing={drawing} onEdit={onEdit} editing={editing} onDrag={onDrag}>
          {ghost && <circle cx={scale.on(ghost)[0]} cy={scale.on(ghost)[1]} r={7} fill="none" stroke="#231E19" strokeDasharray="2 2" />}
        </DrawingView>
      </div>
      {line && values && result.mesh && locate && (
        <DrawingView
          drawing={profileDrawing(
            {
              profile: profileAlong(result.mesh, locate, line.ends, values),
              title: `${line.name}, ${labels.unit.split(',')[0]}`,
              value: labels.value,
              station,
              isDown: map === 'deflection' || map === 'after',
            },
            size.width,
            PROFILE,
          )}
        />
      )}
      <p className="small px-3.5">
        Click an edge’s word: simple, clamped, free. Drag the middle of a column to move it, click its name to type where it stands.
      </p>
    </div>
  );
}

type Place = readonly [x: number, y: number];

/** Where the pointer is on the slab (mm), and the column that is being moved. */
function usePlanPointer(off: (p: Place) => Place, onMove: PlatePlanProps['onMove'], snap: number) {
  const [at, setAt] = useState<Place | null>(null);
  const [ghost, setGhost] = useState<Place | null>(null);
  const rested = ([x, y]: Place): Place => [Math.round(x / snap) * snap, Math.round(y / snap) * snap];
  return {
    at,
    ghost,
    onPointerMove: (e: React.PointerEvent<HTMLDivElement>) => {
      const svg = e.currentTarget.querySelector('svg')!.getBoundingClientRect();
      setAt(off([e.clientX - svg.left, e.clientY - svg.top]));
    },
    onPointerLeave: () => setAt(null),
    onDrag: (handle: PlateHandle, x: number, phase: DragPhase, y: number) => {
      const place = rested(off([x, y]));
      setGhost(phase === 'move' ? place : null);
      if (phase === 'end' && handle.of === 'columnAt') onMove(handle.column, ...place);
    },
  };
}
