'use client';
import { useMemo, useState } from 'react';
import { locatorOf, valueAt } from '@/core/analysis/plates/locate';
import { isDeflection, platePlan, shareUsed } from '@/core/members/plate/drawing';
import { planScale } from '@/core/members/plate/plan-scale';
import type { PlateHandle } from '@/core/members/plate/picture';
import type { PlateMember } from '@/core/members/plate/input';
import { mapTitle, plateLabels } from '@/core/members/plate/labels';
import { addedToPlan, laidBy, partName, partTitle } from '@/core/members/plate/plan-changes';
import { chosenParts, planParts, type PlanPart } from '@/core/members/plate/plan-parts';
import { profileDrawing } from '@/core/members/plate/profile-drawing';
import { layerOf, plateMaps, type PlanLayer, type PlateMap, type PlateResult } from '@/core/members/plate/result';
import { profileAlong } from '@/core/members/plate/straightedges';
import type { Project } from '@/core/project/project';
import { formatValue, unitLabel } from '@/core/units/format';
import { DrawingView } from '@/ui/drawing/DrawingView';
import { useBox } from '@/ui/drawing/use-box';
import { Select } from '@/ui/fields/Select';
import { PlanGhost, sizeOf } from './PlanGhost';
import { usePlanPointer, type PlanChange } from './use-plan-pointer';

interface PlatePlanProps {
  readonly project: Project;
  readonly member: PlateMember;
  readonly result: PlateResult;
  readonly isStale: boolean;
  readonly onEdit: (handle: PlateHandle, target: Element) => void;
  readonly editing: string | null;
  readonly onChange: PlanChange;
}

const PROFILE = 128;
const partOptions = Object.fromEntries([['', 'nothing'], ...planParts.map((p) => [p, partTitle(p)])]) as Record<PlanPart | '', string>;

/** The map on which parts of a sort are seen, where the one that is shown does not show them. */
function mapFor(part: PlanPart | '', map: PlanLayer): PlanLayer {
  if (part === 'bars' && !layerOf(map)) return 'topX';
  return part === 'lines' && !isDeflection(map) ? 'deflection' : map;
}

/** The plan of the slab with the map that is chosen, as large as the middle of the screen, the value under the pointer, and a profile of it along a line. */
export function PlatePlan({ project, member, result, isStale, onEdit, editing, onChange }: PlatePlanProps) {
  const [map, setMap] = useState<PlanLayer>('mx');
  const [part, setPart] = useState<PlanPart | ''>('');
  const [along, setAlong] = useState('');
  const [box, size] = useBox<HTMLDivElement>({ width: 748, height: 640 });
  const labels = useMemo(() => plateLabels(project, member, map), [project, member, map]);
  const line = result.lines.find((l) => l.name === along);
  const height = Math.max(300, size.height - 104 - (line ? PROFILE : 0));
  const drawing = useMemo(
    () => platePlan({ plate: member, result, map, labels, held: part || undefined }, size.width, height),
    [member, result, map, labels, part, size, height],
  );
  const scale = useMemo(() => planScale(member, size.width, height), [member, size, height]);
  const chosen = useMemo(() => chosenParts(result, layerOf(map) ?? null), [result, map]);
  const { at, ghost, onDrag, onKey, ...pointer } = usePlanPointer({
    plate: member,
    chosen,
    part: part || undefined,
    scale,
    units: project.display,
    onChange,
  });
  const locate = useMemo(() => (result.mesh ? locatorOf(result.mesh) : null), [result.mesh]);
  const values = map === 'reactions' ? undefined : result.maps?.[map];
  // One that is chosen stays chosen while it is worked out anew.
  const isShown = (m: PlateMap) => m === map || !result.maps || result.maps[m] !== undefined;
  const layers: readonly PlanLayer[] = [...plateMaps.filter(isShown), 'reactions'];
  const shown = Object.fromEntries(layers.map((m) => [m, mapTitle(member, m)])) as Record<PlanLayer, string>;
  const found = at && locate && values ? locate(at) : undefined;
  const station = (v: number) => formatValue(v, 'station', project.display);
  const whereIs = ([x, y]: readonly [number, number]) => `x ${station(x)}, y ${station(y)} ${unitLabel('station', project.display)}`;
  const pick = (next: PlanPart | '') => {
    setPart(next);
    setMap(mapFor(next, map));
  };
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
      </div>
      <div className="flex items-center gap-2 px-3.5 pt-1">
        <label className="flex items-center gap-2">
          Lay or move
          <Select className="field !w-56" label="What is laid or moved" value={part} options={partOptions} onPick={pick} />
        </label>
        {part && (
          <button className="link" onClick={() => onChange(`${partName(part)} added to the plan`, (now) => addedToPlan(part, now, chosen))}>
            Add one
          </button>
        )}
        <output className="small ml-auto whitespace-nowrap" aria-label="Value under the pointer">
          {ghost
            ? [whereIs(ghost.rest.at), sizeOf(ghost, project.display), ghost.rest.on].filter(Boolean).join(' · ')
            : at && `${whereIs(at)}${found ? `: ${labels.value(valueAt(result.mesh!, found, values!))} ${labels.unit.split(',')[0]}` : ''}`}
        </output>
      </div>
      <div className={part ? 'cursor-crosshair touch-none select-none' : ''} {...pointer}>
        <DrawingView drawing={drawing} onEdit={onEdit} editing={editing} onDrag={onDrag} onKey={onKey}>
          {ghost && <PlanGhost ghost={ghost} on={scale.on} />}
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
              isDown: isDeflection(map),
            },
            size.width,
            PROFILE,
          )}
        />
      )}
      <p className="small px-3.5">
        {part
          ? help(part)
          : 'Click an edge’s word: simple, clamped, free. Drag the middle of a column to move it, click its name to type where it stands.'}
      </p>
    </div>
  );
}

/** How parts of a sort are laid and moved. */
function help(part: PlanPart): string {
  const lay = {
    place: 'Click the plan to lay one',
    line: 'Pull a line over the plan to lay one',
    rectangle: 'Pull from corner to corner to lay one',
  }[laidBy(part)];
  return `${lay}. Drag its rings to move it, click one to type where it is; with the keyboard, arrows move a ring and Delete takes it out.`;
}
