'use client';
import { useChange } from '@/ui/fields/use-change';
import { CheckBox } from '@/ui/fields/CheckBox';
import type { Draft } from 'immer';
import { catalogues, type CatalogueId } from '@/core/materials/bars';
import type { MomentsBy } from '@/core/codes/punching-rules';
import { slabSides } from '@/core/geometry/control-perimeter';
import type { Fault } from '@/core/checks/fault';
import { columnSize, type PunchingColumn } from '@/core/members/punching/input';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import type { PunchingMember } from '@/core/members/punching/input';
import { usualSizes } from '@/core/reinforcement/usual-sizes';
import { basisRows, type BasisRows } from '@/ui/fields/basis-rows';

type M = Draft<PunchingMember>;
const layers = [
  ['x', 'along x'],
  ['y', 'along y'],
] as const;
const catalogueOptions = Object.values(catalogues).map((c) => [c.id, c.title] as const);

/** What a slab at a column rests on besides its plan. */
export function BasisPanel({ project, member, faults }: { project: Project; member: PunchingMember; faults: readonly Fault[] }) {
  const change = useChange(member);
  const rows = basisRows<PunchingMember>({ project, faults, change });
  const { quantity, text, pick } = rows;
  const shared = { project, member, change, rows };
  const code = codeOf(project, member);
  return (
    <div className="grid grid-cols-2 gap-x-8 gap-y-3 overflow-auto px-3.5 py-2">
      <section>
        <h2>Member</h2>
        {text('Mark', member.mark, (m, v) => void (m.mark = v))}
        {text('Title', member.title, (m, v) => void (m.title = v))}
        {text('Place', member.place, (m, v) => void (m.place = v))}
        <ColumnFields {...shared} />
      </section>
      <section>
        <h2>Slab and materials</h2>
        {quantity('Depth of the slab', 'length', 'h', member.h, (m, v) => void (m.h = v))}
        {quantity('Cover to the outer top bars', 'smallLength', 'cover', member.cover, (m, v) => void (m.cover = v))}
        {pick('Outer top bars', member.outer, layers, (m, v) => void (m.outer = v))}
        {quantity(
          `Concrete ${code.strengthSymbols.concrete}`,
          'stress',
          'materials.concreteStrength',
          member.materials.concreteStrength,
          (m, v) => void (m.materials.concreteStrength = v),
        )}
        {quantity(
          `Links ${code.strengthSymbols.links}`,
          'steelStress',
          'materials.linkStrength',
          member.materials.linkStrength,
          (m, v) => void (m.materials.linkStrength = v),
        )}
        {pick('Catalogue', member.catalogue, catalogueOptions, (m, id) => changeCatalogue(m, id))}
        {quantity('Compression in the slab', 'stress', 'inPlane', member.inPlane, (m, v) => void (m.inPlane = v))}
        <MomentFields {...shared} />
      </section>
      <EdgeFields {...shared} />
      <OpeningsList {...shared} />
    </div>
  );
}

interface Shared {
  readonly project: Project;
  readonly member: PunchingMember;
  readonly change: (label: string, recipe: (m: M) => void) => void;
  readonly rows: BasisRows<PunchingMember>;
}

const columnKinds: readonly (readonly [PunchingColumn['kind'], string])[] = [
  ['rectangle', 'rectangle'],
  ['circle', 'circle'],
  ['L', 'L'],
];

function reshaped(column: PunchingColumn, kind: PunchingColumn['kind']): PunchingColumn {
  const { cx, cy } = columnSize(column);
  if (kind === 'circle') return { kind, diameter: Math.max(cx, cy) };
  return kind === 'rectangle' ? { kind, b: cx, h: cy } : { kind, b: cx, h: cy, tx: Math.round(cx * 0.4), ty: Math.round(cy * 0.4) };
}

function ColumnFields({ member, change, rows: { quantity, pick, fault } }: Shared) {
  const { column } = member;
  return (
    <>
      {pick('Column', column.kind, columnKinds, (m, kind) => void (m.column = reshaped(column, kind)))}
      {column.kind === 'circle'
        ? quantity('Diameter', 'length', 'column.diameter', column.diameter, (m, v) => void Object.assign(m.column, { diameter: v }))
        : (['b', 'h', ...(column.kind === 'L' ? (['tx', 'ty'] as const) : [])] as const).map((k) =>
            quantity(
              { b: 'Along x', h: 'Along y', tx: 'Leg along y, thick', ty: 'Leg along x, thick' }[k],
              'length',
              `column.${k}`,
              (column as unknown as Record<string, number>)[k]!,
              (m, v) => void Object.assign(m.column, { [k]: v }),
            ),
          )}
      {fault('column')}
      <CheckBox
        label="Thicker part of the slab around the column"
        checked={member.drop !== null}
        onCheck={(on) => {
          const { cx, cy } = columnSize(column);
          const made = { cx: cx + 4 * member.h, cy: cy + 4 * member.h, depth: Math.round(member.h / 2) };
          change('thicker part', (m) => void (m.drop = on ? made : null));
        }}
      />
      <CheckBox
        label="A footing on soil, the column in its middle; the bars lie below"
        checked={member.base !== null}
        onCheck={(on) => {
          const { cx, cy } = columnSize(column);
          const made = { b: cx + 5 * member.h, h: cy + 5 * member.h };
          change('footing', (m) => {
            m.base = on ? made : null;
            if (!on) return;
            m.legs = null;
            m.drop = null;
            m.openings = [];
            if (m.momentsBy === 'position') m.momentsBy = 'moments';
          });
        }}
      />
      {member.base && (
        <>
          {quantity('Footing along x', 'length', 'base.b', member.base.b, (m, v) => void (m.base!.b = v))}
          {quantity('Footing along y', 'length', 'base.h', member.base.h, (m, v) => void (m.base!.h = v))}
        </>
      )}
      {member.drop && (
        <>
          {quantity('Along x', 'length', 'drop', member.drop.cx, (m, v) => void (m.drop!.cx = v))}
          {quantity('Along y', 'length', 'drop.cy', member.drop.cy, (m, v) => void (m.drop!.cy = v))}
          {quantity('Below the slab', 'length', 'drop.depth', member.drop.depth, (m, v) => void (m.drop!.depth = v))}
        </>
      )}
    </>
  );
}

const momentWords: Record<MomentsBy, string> = {
  position: 'by the usual factors of the code',
  moments: 'from the moments',
  given: 'by a factor that is given',
};

function MomentFields({ project, member, rows: { quantity, pick } }: Shared) {
  const options = codeOf(project, member).punching.momentsBy.map((by) => [by, momentWords[by]] as const);
  return (
    <>
      {pick('Moments count', member.momentsBy, options, (m, v) => void (m.momentsBy = v))}
      {member.momentsBy === 'given' && quantity('Factor on the shear', 'number', 'beta', member.beta, (m, v) => void (m.beta = v))}
    </>
  );
}

function EdgeFields({ member, change, rows: { quantity, optional } }: Shared) {
  return (
    <section>
      <h2>Edges of the slab</h2>
      <p className="small">From the faces of the column; empty where the slab goes on.</p>
      {slabSides.map((side) =>
        optional(`To the ${side} edge`, 'length', `edges.${side}`, member.edges[side], (m, v) => void (m.edges[side] = v), 'goes on'),
      )}
      <CheckBox
        label="A corner of the slab points inwards"
        checked={member.corner !== null}
        onCheck={(on) => {
          const { cx, cy } = columnSize(member.column);
          change('corner of the slab', (m) => void (m.corner = on ? { x: cx / 2, y: cy / 2 } : null));
        }}
      />
      {member.corner && (
        <>
          {quantity('Corner at x', 'length', 'corner', member.corner.x, (m, v) => void (m.corner!.x = v))}
          {quantity('Corner at y', 'length', 'corner.y', member.corner.y, (m, v) => void (m.corner!.y = v))}
        </>
      )}
    </section>
  );
}

function OpeningsList({ member, change, rows: { fault } }: Shared) {
  const add = (m: M) => {
    const { cx } = columnSize(m.column as PunchingColumn);
    m.openings.push({ kind: 'rectangle', x: Math.round(cx / 2 + 1.5 * m.h), y: 0, b: 200, h: 200 });
  };
  return (
    <section>
      <h2>Openings</h2>
      <p className="small">
        {member.openings.length === 0 ? 'None near the column.' : `${member.openings.length} on the plan: click one there to change it.`}
      </p>
      {member.openings.map((_, i) => (
        <div key={i}>
          {fault(`openings[${i}]`)}
          <button type="button" className="link small" onClick={() => change(`opening ${i + 1}`, (m) => void m.openings.splice(i, 1))}>
            take opening {i + 1} away
          </button>
        </div>
      ))}
      <button type="button" className="btn mt-1" onClick={() => change('add an opening', add)}>
        Add an opening
      </button>
    </section>
  );
}

/** Sizes of one catalogue mean nothing in another. */
function changeCatalogue(m: M, catalogue: CatalogueId): void {
  const usual = usualSizes[catalogue];
  m.catalogue = catalogue;
  for (const key of ['barsX', 'barsY'] as const) {
    m[key].size = usual.main[1]!;
    m[key].alternate = null;
  }
  if (m.legs) m.legs.size = usual.links[1]!;
}
