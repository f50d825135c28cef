'use client';
import { entriesOf, type Options } from '@/ui/fields/Select';
import type { PanelMethod } from '@/core/members/panel/input';
import { codeOf } from '@/core/members/member';
import type { PanelMember } from '@/core/members/panel/input';
import { formatQuantity } from '@/core/units/format';
import { FireFields } from '@/ui/fields/FireFields';
import { nameRows, slabMaterialRows, useRows } from '@/ui/fields/use-rows';
import type { LoadTable } from '@/ui/tables/LoadsTable';
import { BasisColumns } from '@/ui/sheet/BasisColumns';
import type { BasisProps } from '@/ui/sheet/panels';

/** The loads over a panel as a table. */
export const panelLoads: LoadTable<PanelMember['loads'][number]> = {
  title: 'Loads over the whole panel',
  values: { Value: { value: 'areaLoad' } },
  fresh: (id) => ({ case: id, value: 2e-3, note: '' }),
};

const methods: Options<PanelMethod> = {
  strips: 'strips both ways',
  yieldLines: 'yield lines, at collapse',
  coefficients: 'coefficients of the code',
};
const yesNo = { yes: 'held down', no: 'may lift' };
const outers = { x: 'bars along x', y: 'bars along y' };

/** What a panel rests on besides its plan: names, method, materials, cover, and everything the code leaves open. */
export function PanelBasis({ project, member, faults }: Omit<BasisProps<PanelMember>, 'result'>) {
  const code = codeOf(project, member);
  const rows = useRows(project, member, { faults });
  const { quantity, pick, choose, box, fault } = rows;
  const usable = entriesOf(methods).filter(
    ([k]) => k !== 'coefficients' || member.method === k || code.slab.panelCoefficients !== undefined,
  );
  return (
    <BasisColumns project={project} member={member}>
      <section>
        {nameRows(rows)}
        {quantity('Side along x', 'span', 'lx')}
        {quantity('Side along y', 'span', 'ly')}
        {quantity('Depth h', 'length', 'h')}
        {quantity('Width of supports', 'length', 'supportWidth')}
        {code.slab.usesBeamStiffness && quantity('Beams over slab, αfm', 'ratio', 'beamStiffness', { empty: 'stiff, over 2' })}
        {choose('Corners', member.isHeldDown ? 'yes' : 'no', yesNo, (m, v) => void (m.isHeldDown = v === 'yes'))}
        <h2 className="mt-3">How moments are found</h2>
        {pick('Method', 'method', usable)}
        {member.method === 'strips' && quantity('Load along x', 'percent', 'share', { empty: 'from equal deflections' })}
        {member.method === 'yieldLines' && [
          quantity('Hogging over sagging', 'ratio', 'supportRatio'),
          quantity('Along y over along x', 'ratio', 'mu', { empty: 'square of the sides' }),
        ]}
        {fault('method')}
        <p className="small">
          Self-weight {formatQuantity(member.h * member.unitWeight, 'areaLoad', project.display)}. Both methods answer quickly and by hand;
          neither knows the stiffness of the beams below.
        </p>
        <FireFields project={project} member={member} />
      </section>
      <section>
        {slabMaterialRows(rows, code)}
        {pick('Outermost are the', 'outer', outers)}
        {box('Partitions or finishes that can be damaged', 'hasPartitions', 'partitions')}
      </section>
    </BasisColumns>
  );
}
