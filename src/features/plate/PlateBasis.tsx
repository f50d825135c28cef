'use client';
import { codeOf } from '@/core/members/member';
import type { PlateMember } from '@/core/members/plate/input';
import { formatQuantity } from '@/core/units/format';
import { nameRows, slabMaterialRows, useRows } from '@/ui/fields/use-rows';
import { BasisColumns } from '@/ui/sheet/BasisColumns';
import type { BasisProps } from '@/ui/sheet/panels';
import type { LoadTable } from '@/ui/tables/LoadsTable';

/** The loads over a slab as a table. */
export const plateLoads: LoadTable<PlateMember['loads'][number]> = {
  title: 'Loads over the whole slab',
  values: { Value: { value: 'areaLoad' } },
  fresh: (id) => ({ type: 'uniform', case: id, value: 2e-3, note: '' }),
  foot: 'Loads on parts of the slab, lines and points are not covered yet, and variable loads lie everywhere at once.',
};

const outers = { x: 'bars along x', y: 'bars along y' };

/** What a slab rests on besides its plan: names, analysis, materials, cover, and everything the code leaves open. */
export function PlateBasis({ project, member, result, faults }: BasisProps<PlateMember>) {
  const code = codeOf(project, member);
  const rows = useRows(project, member, { faults });
  const { quantity, pick } = rows;
  return (
    <BasisColumns project={project} member={member}>
      <section>
        {nameRows(rows)}
        {quantity('Depth h', 'length', 'h')}
        <h2 className="mt-3">Analysis</h2>
        {quantity('Poisson’s ratio', 'ratio', 'poisson')}
        {quantity('Sides of triangles', 'length', 'meshSize', { empty: 'by the size of the slab' })}
        <p className="small">
          Self-weight {formatQuantity(member.h * member.unitWeight, 'areaLoad', project.display)}
          {result.mesh && ` · ${result.mesh.triangles.length / 3} triangles, ${result.mesh.at.length / 2} nodes`}. The elastic plate shears;
          a simple edge does not turn along itself.
        </p>
      </section>
      <section>
        {slabMaterialRows(rows, code)}
        {pick('Outermost are the', 'outer', outers)}
      </section>
    </BasisColumns>
  );
}
