'use client';
import type { Draft } from 'immer';
import { Fragment } from 'react';
import { catalogues, type CatalogueId } from '@/core/materials/bars';
import { codeOf } from '@/core/members/member';
import { isSectionAlone, isWall, type UprightMember } from '@/core/members/wall/upright';
import { formatQuantity } from '@/core/units/format';
import { CreepFields } from '@/ui/fields/CreepFields';
import { FireFields } from '@/ui/fields/FireFields';
import { catalogueOptions, materialRows, nameRows, useRows } from '@/ui/fields/use-rows';
import { FrameFields } from './FrameFields';
import { ShapeFields } from './ShapeFields';
import { WallFields } from './WallFields';
import { BasisColumns } from '@/ui/sheet/BasisColumns';
import type { BasisProps } from '@/ui/sheet/panels';

/** What a column rests on besides its drawing: names, shape, materials, storey, limits, and everything the code leaves open. */
export function BasisPanel({ project, member, result, faults }: BasisProps<UprightMember>) {
  const code = codeOf(project, member);
  const rows = useRows(project, member, { faults });
  const { quantity, choose, fault, box } = rows;
  return (
    <BasisColumns project={project} member={member}>
      <section>
        {nameRows(rows)}
        {isWall(member) ? (
          <WallFields project={project} member={member} faults={faults} />
        ) : (
          <ShapeFields project={project} member={member} result={result} />
        )}
        {faults.filter((f) => f.path.startsWith('shape.')).map((f) => fault(f.path))}
        {!isSectionAlone(member) && quantity('Clear height', 'span', 'height')}
        {quantity(isWall(member) ? 'Cover to the outer bars' : 'Cover to ties', 'smallLength', 'cover')}
        {!isSectionAlone(member) && (
          <>
            {box('own weight counts, towards the foot', 'selfWeight', 'own weight')}
            {fault('selfWeight')}
            {member.selfWeight && quantity('Unit weight', 'unitWeight', 'unitWeight')}
            {member.selfWeight &&
              member.mode === 'sets' &&
              quantity('Factor in factored sets', 'ratio', 'weightFactor', { name: 'Factor on the own weight', empty: 'say it' })}
          </>
        )}
        <Amounts project={project} result={result} />
        <FireFields project={project} member={member} hasSides />
      </section>
      <section>
        <h2>Materials and limits</h2>
        {materialRows(rows, code, { links: code.linkTitles.column, hasClasses: false })}
        {quantity('Largest aggregate', 'smallLength', 'materials.aggregateSize')}
        {quantity('Office’s maximum reinforcement', 'percent', 'steelLimit', { range: [0.005, 0.2] })}
        {quantity('Crack width allowed', 'crack', 'crackLimit')}
        {choose('Bar catalogue', member.catalogue, catalogueOptions, changeCatalogue)}
        <CreepFields project={project} member={member} code={code} isCreepAlone />
        {code.column.storey && !isSectionAlone(member) && (
          <>
            <h2 className="mt-3">Storey, for sway</h2>
            <p className="small">{code.column.storey.text}</p>
            {(Object.keys(code.column.storey.fields) as (keyof typeof code.column.storey.fields)[]).map((field) => (
              <Fragment key={field}>
                {quantity(code.column.storey!.fields[field]!, field === 'Q' ? 'ratio' : 'force', `storey.${field}`, { empty: 'not given' })}
              </Fragment>
            ))}
          </>
        )}
        {!isWall(member) && !member.isSection && <FrameFields project={project} member={member} faults={faults} />}
      </section>
    </BasisColumns>
  );
}

function Amounts({ project: { display }, result: { quantities } }: Pick<BasisProps<UprightMember>, 'project' | 'result'>) {
  if (!quantities) return null;
  const { concrete, bars, links } = quantities;
  return (
    <p className="small">
      Concrete {formatQuantity(concrete, 'volume', display)} · steel {formatQuantity((bars + links) / concrete, 'massPerVolume', display)}
    </p>
  );
}

/** The nearest sizes of another catalogue. */
function changeCatalogue(m: Draft<UprightMember>, id: CatalogueId): void {
  const from = catalogues[m.catalogue].bars;
  const to = catalogues[id].bars;
  const near = (name: string) => {
    const d = from.find((b) => b.name === name)?.diameter ?? 20;
    return to.reduce((a, b) => (Math.abs(b.diameter - d) < Math.abs(a.diameter - d) ? b : a)).name;
  };
  m.catalogue = id;
  if ('vertical' in m) {
    m.vertical.size = near(m.vertical.size);
    m.horizontal.size = near(m.horizontal.size);
    return;
  }
  m.ties.size = near(m.ties.size);
  const b = m.bars;
  if (b.kind === 'sides') Object.assign(b, { corner: near(b.corner), sizeX: near(b.sizeX), sizeY: near(b.sizeY) });
  else if (b.kind === 'list') b.bars.forEach((l) => (l.size = near(l.size)));
  else b.size = near(b.size);
}
