'use client';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { FileLink } from './FileLink';
import { boundsOf, type Loop, type Point } from '@/core/geometry/polygon';
import { counted, formatQuantity } from '@/core/units/format';
import type { UnitSystem } from '@/core/units/quantity';
import { layersOf, planOfDxf, usualRoles, type DrawnPlan, type LayerRole } from '@/exchange/dxf/plan-of-dxf';
import type { DxfDrawing } from '@/exchange/dxf/read-dxf';
import { MOST_FILE } from '@/exchange/import/table-file';
import { readDxfFile } from '@/workers/read-file';
import { CheckBox } from './CheckBox';
import { Select } from './Select';

interface OutlineFromDxfProps {
  readonly units: UnitSystem;
  readonly mayHaveHoles: boolean;
  readonly takesColumns: boolean;
  readonly onTake: (plan: DrawnPlan, edge: NewEdge) => void;
}

/** How edges are held that were not there before. */
export type NewEdge = 'simple' | 'free';

/** An outline, its openings and the columns of a plan from a drawing: what is taken for what is asked and shown before anything changes. */
export function OutlineFromDxf({ onTake, ...wants }: OutlineFromDxfProps) {
  const [drawing, setDrawing] = useState<DxfDrawing | null>(null);
  const [reason, setReason] = useState('');
  const read = async (file: File) => {
    setReason('');
    if (file.size > MOST_FILE) return setReason(`${file.name} is larger than ${MOST_FILE / 1e6} MB.`);
    const found = await readDxfFile(await file.text());
    if (found.ok) setDrawing(found);
    else setReason(`${file.name}: ${found.reason}`);
  };
  return (
    <div className="no-print">
      <FileLink label="DXF with the outline" accept=".dxf" onFile={(file) => void read(file)}>
        {wants.takesColumns ? 'outline and columns from a DXF' : 'outline from a DXF'}
      </FileLink>
      {reason && (
        <p role="alert" className="text-madder-text">
          {reason}
        </p>
      )}
      {drawing && (
        <DrawingDialog
          {...wants}
          drawing={drawing}
          onClose={() => setDrawing(null)}
          onTake={(...taken) => {
            setDrawing(null);
            onTake(...taken);
          }}
        />
      )}
    </div>
  );
}

const drawingUnits = { '': 'choose its unit', 1: 'mm', 10: 'cm', 1000: 'm', 25.4: 'in', 304.8: 'ft' } as const;
type DrawingUnit = `${keyof typeof drawingUnits}`;

function DrawingDialog(props: OutlineFromDxfProps & { readonly drawing: DxfDrawing; readonly onClose: () => void }) {
  const { units, mayHaveHoles, takesColumns, drawing, onTake, onClose } = props;
  const [roles, setRoles] = useState(() => usualRoles(drawing, takesColumns));
  const [unit, setUnit] = useState<DrawingUnit>(drawing.unit === null ? '' : (String(drawing.unit) as DrawingUnit));
  const [fromCorner, setFromCorner] = useState(true);
  const [edge, setEdge] = useState<NewEdge>('simple');
  const plan = planOfDxf(drawing, roles, { unit: Number(unit) || 1, fromCorner });
  const size = plan.outer.length > 0 ? boundsOf(plan.outer) : null;
  const wrong = faultOf(plan, { mayHaveHoles, isOpen: unit === '' });
  const options: [LayerRole, string][] = [
    ['outline', mayHaveHoles ? 'outline and openings' : 'outline'],
    ...(takesColumns ? [['columns', 'columns'] as [LayerRole, string]] : []),
    ['leave', 'left out'],
  ];
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ebony/10" />
        <Dialog.Content
          className="framed fixed inset-x-10 top-12 z-50 mx-auto grid max-h-[86vh] max-w-[58rem] grid-cols-[18rem_1fr] gap-4 overflow-auto p-4"
          aria-describedby={undefined}
        >
          <div>
            <Dialog.Title className="font-serif text-[1.3rem]">
              {takesColumns ? 'Plan from a drawing' : 'Outline from a drawing'}
            </Dialog.Title>
            <div className="flex items-center justify-between gap-2 py-1">
              A unit of the drawing is
              <Select<DrawingUnit>
                label="A unit of the drawing is"
                className="field !w-36"
                value={unit}
                options={Object.entries(drawingUnits) as [DrawingUnit, string][]}
                onPick={setUnit}
              />
            </div>
            <p className="small">
              {drawing.unit === null ? 'The drawing does not say in which unit it is.' : 'As the drawing says.'}
              {size && unit !== '' && (
                <>
                  {' '}
                  The outline is {formatQuantity(size.right - size.left, 'span', units)} by{' '}
                  {formatQuantity(size.top - size.bottom, 'span', units)}.
                </>
              )}
            </p>
            <h2 className="mt-2">Layers</h2>
            {layersOf(drawing).map((layer) => (
              <div key={layer} className="flex items-center justify-between gap-2 py-0.5">
                <span className="truncate" title={`${layer}: ${linesOn(drawing, layer)}`}>
                  {layer} <span className="small">{linesOn(drawing, layer)}</span>
                </span>
                <Select<LayerRole>
                  label={`Lines of layer ${layer}`}
                  className="field !w-36 shrink-0"
                  value={roles[layer]!}
                  options={options}
                  onPick={(role) => setRoles({ ...roles, [layer]: role })}
                />
              </div>
            ))}
            <div className="py-1">
              <CheckBox label="count x and y from the outline’s lower left corner" checked={fromCorner} onCheck={setFromCorner} />
            </div>
            {takesColumns && (
              <div className="flex items-center justify-between gap-2 py-0.5">
                New edges are
                <Select<NewEdge>
                  label="New edges are"
                  className="field !w-36"
                  value={edge}
                  options={{ simple: 'on walls, simple', free: 'free' }}
                  onPick={setEdge}
                />
              </div>
            )}
            {takesColumns && plan.columns.length > 0 && (
              <p className="small">
                Columns are those of the drawing; one within {formatQuantity(500, 'span', units)} of a column that is there keeps its name
                and storeys, others are as the last one.
              </p>
            )}
            {plan.left.length > 0 && <p className="small">Not taken: {plan.left.join('; ')}.</p>}
            {wrong && (
              <p role="alert" className="text-madder-text">
                {wrong}
              </p>
            )}
            <div className="mt-2 flex gap-2">
              <button type="button" className="btn btn-solid" disabled={wrong !== ''} onClick={() => onTake(plan, edge)}>
                Take it over
              </button>
              <button type="button" className="btn" onClick={onClose}>
                Cancel
              </button>
            </div>
          </div>
          <figure>
            <PlanPicture plan={plan} all={drawing.loops.map((l) => l.points)} unit={Number(unit) || 1} />
            <figcaption className="small">
              {[
                plan.outer.length > 0 ? counted(plan.outer.length, 'corner') : 'no outline',
                mayHaveHoles && counted(plan.holes.length, 'opening'),
                takesColumns && counted(plan.columns.length, 'column'),
              ]
                .filter(Boolean)
                .join(', ')}
              . Grey lines are left out.
            </figcaption>
          </figure>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const [MOST_CORNERS, MOST_HOLES, MOST_COLUMNS] = [200, 20, 200];

/** Why a plan cannot be taken over; empty where it can. */
function faultOf(plan: DrawnPlan, o: { mayHaveHoles: boolean; isOpen: boolean }): string {
  if (o.isOpen) return 'Choose the unit of the drawing.';
  if (plan.outer.length < 3 && plan.columns.length === 0) return 'No layer with a closed line is taken for the outline.';
  if (!o.mayHaveHoles && plan.holes.length > 0) return 'This outline has no openings: leave out their layer.';
  const longest = Math.max(plan.outer.length, ...plan.holes.map((h) => h.length));
  if (longest > MOST_CORNERS) return `A closed line has ${longest} corners; ${MOST_CORNERS} are the most.`;
  if (plan.holes.length > MOST_HOLES) return `There are ${plan.holes.length} openings; ${MOST_HOLES} are the most.`;
  if (plan.columns.length > MOST_COLUMNS) return `There are ${plan.columns.length} columns; ${MOST_COLUMNS} are the most.`;
  return '';
}

function linesOn({ loops, points }: DxfDrawing, layer: string): string {
  const own = loops.filter((l) => l.layer === layer);
  const circles = own.filter((l) => l.circle).length;
  const parts = [
    [own.length - circles, 'closed line'],
    [circles, 'circle'],
    [points.filter((p) => p.layer === layer).length, 'point'],
  ] as const;
  return parts.flatMap(([n, noun]) => (n > 0 ? [counted(n, noun)] : [])).join(', ');
}

const [WIDTH, HEIGHT] = [560, 420];

function PlanPicture({ plan, all, unit }: { plan: DrawnPlan; all: readonly Loop[]; unit: number }) {
  const grey = all.map((loop) => loop.map(([x, y]): Point => [(x - plan.origin[0]) * unit, (y - plan.origin[1]) * unit]));
  const box = boundsOf([...grey.flat(), ...plan.columns.map((c) => c.at), ...plan.outer]);
  const scale = Math.min((WIDTH - 30) / (box.right - box.left || 1), (HEIGHT - 30) / (box.top - box.bottom || 1));
  const at = ([x, y]: Point): Point => [
    WIDTH / 2 + (x - (box.left + box.right) / 2) * scale,
    HEIGHT / 2 - (y - (box.bottom + box.top) / 2) * scale,
  ];
  const path = (loop: Loop) =>
    loop
      .map(at)
      .map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`)
      .join('') + 'z';
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full border border-groove bg-sycamore"
      role="img"
      aria-label="What is taken from the drawing"
    >
      <path d={grey.map(path).join('')} fill="none" stroke="#B3A68D" />
      {plan.outer.length > 0 && (
        <path d={[plan.outer, ...plan.holes].map(path).join('')} fillRule="evenodd" fill="#EAE2CE" stroke="#231E19" strokeWidth={1.4} />
      )}
      {plan.columns.map(({ at: middle, shape }, i) => {
        const [x, y] = at(middle);
        const [b, h] = !shape ? [0, 0] : shape.kind === 'circle' ? [shape.diameter, shape.diameter] : [shape.b, shape.h];
        return shape?.kind === 'rectangle' ? (
          <rect key={i} x={x - (b * scale) / 2} y={y - (h * scale) / 2} width={b * scale} height={h * scale} fill="#231E19" />
        ) : (
          <circle key={i} cx={x} cy={y} r={Math.max(3, (b * scale) / 2)} fill="#231E19" />
        );
      })}
    </svg>
  );
}
