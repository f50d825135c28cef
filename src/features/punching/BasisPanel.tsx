'use client';
import type { Options } from '@/ui/fields/Select';
import type { Draft } from 'immer';
import type { MomentsBy } from '@/core/codes/punching-rules';
import { slabSides } from '@/core/geometry/control-perimeter';
import type { CatalogueId } from '@/core/materials/bars';
import { columnSize, type PunchingColumn, type PunchingMember } from '@/core/members/punching/input';
import { codeOf } from '@/core/members/member';
import { usualSizes } from '@/core/reinforcement/usual-sizes';
import { CheckBox } from '@/ui/fields/CheckBox';
import { catalogueOptions, materialRows, nameRows, sizeOptions, useRows, type Rows } from '@/ui/fields/use-rows';
import type { BasisProps } from '@/ui/sheet/panels';
import { BasisColumns } from '@/ui/sheet/BasisColumns';

type M = Draft<PunchingMember>;
const layers = { x: 'along x', y: 'along y' };

/** What a slab at a column rests on besides its plan. */
export function BasisPanel({ project, member, faults }: Omit<BasisProps<PunchingMember>, 'result'>) {
  const rows = useRows(project, member, { faults });
  const { quantity, pick, choose } = rows;
  const code = codeOf(project, member);
  return (
    <BasisColumns project={project} member={member}>
      <section>
        {nameRows(rows)}
        <ColumnFields member={member} rows={rows} />
      </section>
      <section>
        <h2>Slab and materials</h2>
        {quantity('Depth of the slab', 'length', 'h')}
        {quantity('Cover to the outer top bars', 'smallLength', 'cover')}
        {pick('Outer top bars', 'outer', layers)}
        {materialRows(rows, code, { links: 'Links', hasBars: false, hasClasses: false })}
        {choose('Catalogue', member.catalogue, catalogueOptions, changeCatalogue)}
        {quantity('Compression in the slab', 'stress', 'inPlane')}
        {pick(
          'Moments count',
          'momentsBy',
          code.punching.momentsBy.map((by) => [by, momentWords[by]] as const),
        )}
        {member.momentsBy === 'given' && quantity('Factor on the shear', 'number', 'beta')}
        {(code.punching.closedTies || member.ties) && <TieFields member={member} rows={rows} />}
      </section>
      <EdgeFields member={member} rows={rows} />
      <OpeningsList member={member} rows={rows} />
    </BasisColumns>
  );
}

interface Shared {
  readonly member: PunchingMember;
  readonly rows: Rows<PunchingMember>;
}

const momentWords: Record<MomentsBy, string> = {
  position: 'by the usual factors of the code',
  moments: 'from the moments',
  given: 'by a factor that is given',
};

const columnKinds: Options<PunchingColumn['kind']> = { rectangle: 'rectangle', circle: 'circle', L: 'L' };

function reshaped(column: PunchingColumn, kind: PunchingColumn['kind']): PunchingColumn {
  const { cx, cy } = columnSize(column);
  if (kind === 'circle') return { kind, diameter: Math.max(cx, cy) };
  return kind === 'rectangle' ? { kind, b: cx, h: cy } : { kind, b: cx, h: cy, tx: Math.round(cx * 0.4), ty: Math.round(cy * 0.4) };
}

function ColumnFields({ member, rows: { change, quantity, choose, fault } }: Shared) {
  const { column, base, drop } = member;
  const { cx, cy } = columnSize(column);
  const fresh = {
    drop: { cx: cx + 4 * member.h, cy: cy + 4 * member.h, depth: Math.round(member.h / 2) },
    base: { b: cx + 5 * member.h, h: cy + 5 * member.h },
  };
  return (
    <>
      {choose('Column', column.kind, columnKinds, (m, kind) => void (m.column = reshaped(column, kind)))}
      {column.kind === 'circle'
        ? quantity('Diameter', 'length', 'column.diameter')
        : [quantity('Along x', 'length', 'column.b'), quantity('Along y', 'length', 'column.h')]}
      {column.kind === 'L' && [
        quantity('Leg along y, thick', 'length', 'column.tx'),
        quantity('Leg along x, thick', 'length', 'column.ty'),
      ]}
      {fault('column')}
      <CheckBox
        label="Thicker part of the slab around the column"
        checked={drop !== null}
        onCheck={(on) => change('thicker part', (m) => void (m.drop = on ? fresh.drop : null))}
      />
      <CheckBox
        label="A footing on soil, the column in its middle; the bars lie below"
        checked={base !== null}
        onCheck={(on) =>
          change('footing', (m) => {
            m.base = on ? fresh.base : null;
            if (!on) return;
            m.legs = null;
            m.drop = null;
            m.openings = [];
            if (m.momentsBy === 'position') m.momentsBy = 'moments';
          })
        }
      />
      {base && [quantity('Footing along x', 'length', 'base.b'), quantity('Footing along y', 'length', 'base.h')]}
      {drop && [
        quantity('Along x', 'length', 'drop.cx'),
        fault('drop'),
        quantity('Along y', 'length', 'drop.cy'),
        quantity('Below the slab', 'length', 'drop.depth'),
      ]}
    </>
  );
}

/** Closed ties along the sides of the column, or in a beam along the edge. */
function TieFields({ member, rows: { change, quantity, pick } }: Shared) {
  const { ties, h } = member;
  const size = usualSizes[member.catalogue].links[1]!;
  return (
    <>
      <CheckBox
        label="Closed ties along the sides of the column"
        checked={ties !== null}
        onCheck={(on) => change('closed ties', (m) => void (m.ties = on ? { size, spacing: 150, beam: null } : null))}
      />
      {ties && (
        <>
          {pick('Size', 'ties.size', sizeOptions(member.catalogue), 'Size of the closed ties')}
          {quantity('Spacing', 'length', 'ties.spacing', { name: 'Spacing of the closed ties' })}
          <CheckBox
            label="In a beam along the edge"
            checked={ties.beam !== null}
            onCheck={(on) => change('beam along the edge', (m) => void (m.ties!.beam = on ? { b: 300, depth: Math.round(1.6 * h) } : null))}
          />
          {ties.beam && [
            quantity('Beam, wide', 'length', 'ties.beam.b'),
            quantity('Beam, deep', 'length', 'ties.beam.depth', { name: 'Depth of the beam with the slab' }),
          ]}
        </>
      )}
    </>
  );
}

function EdgeFields({ member, rows: { change, quantity, fault } }: Shared) {
  const { cx, cy } = columnSize(member.column);
  return (
    <section>
      <h2>Edges of the slab</h2>
      <p className="small">From the faces of the column; empty where the slab goes on.</p>
      {slabSides.map((side) => quantity(`To the ${side} edge`, 'length', `edges.${side}`, { empty: 'goes on' }))}
      <CheckBox
        label="A corner of the slab points inwards"
        checked={member.corner !== null}
        onCheck={(on) => change('corner of the slab', (m) => void (m.corner = on ? { x: cx / 2, y: cy / 2 } : null))}
      />
      {member.corner && [quantity('Corner at x', 'length', 'corner.x'), fault('corner'), quantity('Corner at y', 'length', 'corner.y')]}
    </section>
  );
}

function OpeningsList({ member, rows: { change, fault } }: Shared) {
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
