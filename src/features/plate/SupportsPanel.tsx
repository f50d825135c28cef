'use client';
import type { Draft } from 'immer';
import type { Fault } from '@/core/checks/fault';
import type { PlateBeam, PlateColumn, PlateMember } from '@/core/members/plate/input';
import type { PlateResult } from '@/core/members/plate/result';
import type { Project } from '@/core/project/project';
import { formatValue, unitLabel } from '@/core/units/format';
import { columnsFor } from '@/ui/tables/columns';
import { Grid } from '@/ui/tables/Grid';
import { SetOutColumns } from './SetOut';
import { useAddPart, usePlateChange } from './use-plate-change';

type Region = PlateMember['regions'][number];
type Shape = PlateColumn['shape'];

const shapes = { rectangle: 'rectangle', circle: 'round' } as const;
const ends = { fixed: 'fixed', pinned: 'pinned' } as const;

interface SupportsPanelProps {
  readonly project: Project;
  readonly member: PlateMember;
  readonly result: PlateResult;
  readonly faults: readonly Fault[];
}

/** Columns below and above the slab, beams below it, and parts of another depth. */
export function SupportsPanel({ project, member, result, faults }: SupportsPanelProps) {
  const change = usePlateChange(member);
  const add = useAddPart(member);
  const nameOf = (c: PlateColumn, i: number) => `column ${c.name || i + 1}`;
  const column = columnsFor<PlateColumn>(project.display, nameOf, (i, patch) =>
    change(`column ${member.columns[i]!.name || i + 1}`, (m) => void Object.assign(m.columns[i]!, patch)),
  );
  const setShape = (i: number, shape: Shape) =>
    change(`shape of column ${i + 1}`, (m) => void (m.columns[i]!.shape = shape as Draft<Shape>));
  const region = columnsFor<Region>(
    project.display,
    (_, i) => `part ${i + 1}`,
    (i, patch) => change(`part ${i + 1}`, (m) => void Object.assign(m.regions[i]!, patch)),
  );
  const faultsOf = (list: string) => (i: number) => faults.filter((f) => f.path.startsWith(`${list}[${i}]`));
  return (
    <div className="overflow-auto px-3.5 py-2">
      <h2>Columns</h2>
      <Grid
        label="Columns"
        rows={member.columns}
        columns={[
          column.text('Name', 'name', { width: '4rem' }),
          column.bare('x', 'span', 'x'),
          column.bare('y', 'span', 'y'),
          column.pick('Shape', shapes, {
            get: (c) => c.shape.kind,
            set: (i, kind) => setShape(i, reshaped(member.columns[i]!.shape, kind)),
          }),
          column.quantityBy(
            'Wide or ø',
            (c) => ['length', c.shape.kind === 'circle' ? c.shape.diameter : c.shape.b],
            (i, v) => {
              const { shape } = member.columns[i]!;
              if (v !== null) setShape(i, shape.kind === 'circle' ? { ...shape, diameter: v } : { ...shape, b: v });
            },
            { isBare: true },
          ),
          column.quantityBy(
            'Deep',
            (c) => (c.shape.kind === 'circle' ? undefined : ['length', c.shape.h]),
            (i, v) => {
              const { shape } = member.columns[i]!;
              if (v !== null && shape.kind === 'rectangle') setShape(i, { ...shape, h: v });
            },
            { isBare: true },
          ),
          column.bare('Below', 'span', 'below'),
          column.bare('Above', 'span', 'above'),
          column.pick('Far ends', ends, 'farEnds'),
        ]}
        faultsOf={faultsOf('columns')}
        remove={{ title: 'Delete', run: (i) => change(`column ${i + 1} taken out`, (m) => void m.columns.splice(i, 1)) }}
        add={{ title: 'Add a column', run: () => add('add a column', 'columns') }}
      />
      <SetOutColumns member={member} units={project.display} />
      <p className="small">
        Wide is along x, deep along y. Below and above are the heights of the storeys. A column holds the slab from sinking, and from
        turning by 4EI/l of each storey whose far end is fixed, 3EI/l where it is pinned. A storey of no height is none.
      </p>
      <BeamsTable {...{ project, member, result, faults }} />
      <h2 className="mt-3">Parts of another depth</h2>
      <Grid
        label="Parts of another depth"
        rows={member.regions}
        columns={[
          region.bare('x', 'span', 'x1'),
          region.bare('y', 'span', 'y1'),
          region.bare('to x', 'span', 'x2'),
          region.bare('to y', 'span', 'y2'),
          region.bare('Depth', 'length', 'h'),
        ]}
        faultsOf={faultsOf('regions')}
        remove={{ title: 'Delete', run: (i) => change(`part ${i + 1} taken out`, (m) => void m.regions.splice(i, 1)) }}
        add={{ title: 'Add a part', run: () => add('add a part', 'depths') }}
        className="!w-auto"
      />
    </div>
  );
}

const counts = { T: 'T', rib: 'rib' } as const;

/** Beams below the slab, with what they carry. */
function BeamsTable({ project, member, result, faults }: SupportsPanelProps) {
  const change = usePlateChange(member);
  const add = useAddPart(member);
  const nameOf = (b: PlateBeam, i: number) => `beam ${b.name || i + 1}`;
  const beam = columnsFor<PlateBeam>(project.display, nameOf, (i, patch) =>
    change(nameOf(member.beams[i]!, i), (m) => void Object.assign(m.beams[i]!, patch)),
  );
  const show = (v: number | undefined, kind: 'moment' | 'force') => (v === undefined ? '–' : formatValue(v, kind, project.display));
  const unit = (kind: 'moment' | 'force') => unitLabel(kind, project.display);
  return (
    <>
      <h2 className="mt-3">Beams below</h2>
      <Grid
        label="Beams below"
        rows={member.beams}
        columns={[
          beam.text('Name', 'name', { width: '3rem' }),
          beam.bare('x', 'span', 'x1'),
          beam.bare('y', 'span', 'y1'),
          beam.bare('to x', 'span', 'x2'),
          beam.bare('to y', 'span', 'y2'),
          beam.bare('Wide', 'length', 'b'),
          beam.bare('Deep', 'length', 'h'),
          beam.pick('As', counts, 'counts'),
          beam.shown(`M, ${unit('moment')}`, (_, i) =>
            [result.beams[i]?.sagging.moment, result.beams[i]?.hogging.moment].map((v) => show(v, 'moment')).join(' to '),
          ),
          beam.shown(`V, ${unit('force')}`, (_, i) => show(result.beams[i]?.shear, 'force')),
        ]}
        faultsOf={(i) => faults.filter((f) => f.path.startsWith(`beams[${i}]`))}
        remove={{ title: 'Delete', run: (i) => change(`beam ${i + 1} taken out`, (m) => void m.beams.splice(i, 1)) }}
        add={{ title: 'Add a beam', run: () => add('add a beam', 'beams') }}
      />
      {member.beams.length > 0 && (
        <p className="small">
          Deep is in all, from the top of the slab. A T has the slab as its flange, as wide as the beam and a fifth of its length; its
          moments are those of the beam with the slab over that width. Its bars and links are not worked out here: design it as a beam with
          these forces. Beams do not twist with the slab.
        </p>
      )}
    </>
  );
}

function reshaped(shape: Shape, kind: Shape['kind']): Shape {
  if (kind === shape.kind) return shape;
  return shape.kind === 'circle'
    ? { kind: 'rectangle', b: shape.diameter, h: shape.diameter }
    : { kind: 'circle', diameter: Math.min(shape.b, shape.h) };
}
