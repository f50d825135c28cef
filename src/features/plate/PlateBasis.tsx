'use client';
import { codeOf } from '@/core/members/member';
import { aroundMiddle, directionWords } from '@/core/members/plate/bar-axes';
import type { PlateLoad, PlateMember } from '@/core/members/plate/input';
import { formatQuantity } from '@/core/units/format';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { FireFields } from '@/ui/fields/FireFields';
import { nameRows, panelRow, slabMaterialRows, useRows } from '@/ui/fields/use-rows';
import { BasisColumns } from '@/ui/sheet/BasisColumns';
import type { BasisProps } from '@/ui/sheet/panels';
import type { LoadTable } from '@/ui/tables/LoadsTable';

/** A load of another type at about the same place. */
function retyped(load: PlateLoad, type: PlateLoad['type']): PlateLoad {
  const base = { case: load.case, note: load.note };
  const at = 'x1' in load ? { x1: load.x1, y1: load.y1 } : { x1: 0, y1: 0 };
  const to = 'x2' in load ? { x2: load.x2, y2: load.y2 } : { x2: at.x1 + 1000, y2: at.y1 + 1000 };
  const value = 'value' in load ? load.value : 2e-3;
  if (type === 'uniform') return { ...base, type, value };
  if (type === 'area') return { ...base, type, value, ...at, ...to };
  if (type === 'line') return { ...base, type, perLength: 5, ...at, ...to };
  return { ...base, type, force: 10_000, ...at };
}

/** The loads of a slab as a table. */
export const plateLoads: LoadTable<PlateLoad> = {
  title: 'Loads',
  types: { uniform: 'everywhere', area: 'over a part', line: 'along a line', point: 'at a point' },
  retyped,
  values: {
    Value: { value: 'areaLoad', perLength: 'lineLoad', force: 'force' },
    x: { x1: 'span' },
    y: { y1: 'span' },
    'to x': { x2: 'span' },
    'to y': { y2: 'span' },
  },
  fresh: (id) => ({ type: 'uniform', case: id, value: 2e-3, note: '' }),
  foot: 'A part is a rectangle. A variable case with patterns may be absent from any bay between the lines of columns and walls.',
};

const layouts = { straight: 'in two directions', ring: 'radially and around' } as const;

const DEGREE = Math.PI / 180;

interface AngleRowProps {
  readonly project: BasisProps<PlateMember>['project'];
  readonly member: PlateMember;
  readonly rows: Pick<ReturnType<typeof useRows<PlateMember>>, 'change' | 'fault'>;
  readonly label: string;
  readonly of: 'angle' | 'between';
}

/** An angle of straight bars, which the slab has in degrees. */
function AngleRow({ project, member, rows, label, of }: AngleRowProps) {
  if (member.axes.kind !== 'straight') return null;
  return (
    <div>
      <label className={panelRow}>
        {label}
        <QuantityInput
          kind="angle"
          system={project.display}
          value={member.axes[of] * DEGREE}
          label={label}
          onKeep={(v) =>
            rows.change(label.toLowerCase(), (m) => {
              if (v !== null && m.axes.kind === 'straight') m.axes[of] = Number((v / DEGREE).toFixed(6));
            })
          }
        />
      </label>
      {rows.fault(`axes.${of}`)}
    </div>
  );
}

/** What a slab rests on besides its plan: names, analysis, materials, cover, and everything the code leaves open. */
export function PlateBasis({ project, member, result, faults }: BasisProps<PlateMember>) {
  const code = codeOf(project, member);
  const rows = useRows(project, member, { faults });
  const { quantity, pick, box, choose } = rows;
  return (
    <BasisColumns project={project} member={member}>
      <section>
        {nameRows(rows)}
        {quantity('Depth h', 'length', 'h')}
        {quantity('Camber', 'smallLength', 'camber', { range: [0, 1000] })}
        <h2 className="mt-3">Analysis</h2>
        {quantity('Poisson’s ratio', 'ratio', 'poisson')}
        {quantity('Sides of triangles', 'length', 'meshSize', { empty: 'by the size of the slab' })}
        {pick('Simple edges', 'simpleEdges', { hard: 'do not turn along themselves', soft: 'are held from sinking alone' })}
        {pick('At simple edges the slab', 'corners', { held: 'is held down', lift: 'may lift, as corners do' })}
        {quantity('Moments are means over', 'length', 'spread', { empty: 'three depths, or more' })}
        <h2 className="mt-3">In service</h2>
        {!code.slab.oneWayCracks && quantity('Crack width allowed', 'crack', 'service.crackWidth', { range: [0.01, 5] })}
        {quantity('Share of tensile strength', 'ratio', 'service.tension', { range: [0, 2] })}
        {pick('Cracks by', 'service.twist', { bars: 'own and twisting moment', own: 'own moment alone' })}
        {quantity('Partitions after, days', 'number', 'service.partitionAge')}
        {box('Partitions or finishes that can be damaged', 'service.hasPartitions', 'partitions')}
        {quantity('Length over, in all', 'number', 'service.limits.total', { empty: 'as usual', range: [50, 5000] })}
        {quantity('Length over, after', 'number', 'service.limits.after', {
          name: 'Length over, after partitions',
          empty: 'as usual',
          range: [50, 5000],
        })}
        {quantity('No more than', 'smallLength', 'service.most', { empty: 'no such limit', range: [0.01, 1e4] })}
        <p className="small">
          Self-weight {formatQuantity(member.h * member.unitWeight, 'areaLoad', project.display)}
          {result.mesh && ` · ${result.mesh.triangles.length / 3} triangles, ${result.mesh.at.length / 2} nodes`}. The plate bends and
          shears.
        </p>
        <FireFields project={project} member={member} />
      </section>
      <section>
        {slabMaterialRows(rows, code)}
        <h2 className="mt-3">Directions of the bars</h2>
        {choose(
          'Bars run',
          member.axes.kind,
          layouts,
          (m, kind) => void (m.axes = kind === 'ring' ? aroundMiddle(member) : { kind, angle: 0, between: 90 }),
        )}
        {member.axes.kind === 'straight'
          ? [
              <AngleRow key="angle" {...{ project, member, rows }} label="Bars x, from the axis x" of="angle" />,
              <AngleRow key="between" {...{ project, member, rows }} label="Bars y, from bars x" of="between" />,
            ]
          : [
              quantity('Middle x', 'span', 'axes.x'),
              quantity('Middle y', 'span', 'axes.y'),
              quantity('Mesh x, y within', 'length', 'axes.inner'),
            ]}
        {pick('Outermost are bars', 'outer', { x: directionWords(member, 'x'), y: directionWords(member, 'y') })}
      </section>
    </BasisColumns>
  );
}
