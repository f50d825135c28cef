'use client';
import { codeOf } from '@/core/members/member';
import type { StripMember } from '@/core/members/strip/input';
import { usualSizes } from '@/core/reinforcement/usual-sizes';
import { formatQuantity } from '@/core/units/format';
import { parseQuantity } from '@/core/units/parse';
import { CreepFields } from '@/ui/fields/CreepFields';
import { ServiceFields } from '@/ui/fields/ServiceFields';
import { MOST_SPANS, setSpans } from '@/ui/fields/spans';
import { useChange } from '@/ui/fields/use-change';
import { FireFields } from '@/ui/fields/FireFields';
import { nameRows, panelRow, slabMaterialRows, useRows } from '@/ui/fields/use-rows';
import { BasisColumns } from '@/ui/sheet/BasisColumns';
import type { BasisProps } from '@/ui/sheet/panels';

const outers = { along: 'bars along the span', across: 'bars across' };

/** What a slab rests on besides its drawing: names, sizes, materials, cover, rules for bars, and everything the code leaves open. */
export function BasisPanel({ project, member, result: { quantities }, faults }: BasisProps<StripMember>) {
  const code = codeOf(project, member);
  const rows = useRows(project, member, { faults });
  const { quantity, count, pick } = rows;
  return (
    <BasisColumns project={project} member={member}>
      <section>
        {nameRows(rows)}
        {quantity('Depth h', 'length', 'h')}
        {quantity('Breadth', 'span', 'breadth')}
        {count('Spans, with cantilevers', member.spans.length, [1, MOST_SPANS], setSpans)}
        <h2 className="mt-3">Depths that differ by span</h2>
        {member.spans.map((_, i) =>
          quantity(`Span ${i + 1}`, 'length', `spans[${i}].h`, { name: `Depth of span ${i + 1}`, empty: 'as the slab' }),
        )}
        <p className="small">
          Self-weight {formatQuantity(member.h * member.unitWeight, 'areaLoad', project.display)}
          {quantities &&
            quantities.concrete > 0 &&
            ` · steel ${formatQuantity(quantities.bars / quantities.concrete, 'massPerVolume', project.display)}`}
        </p>
        <FireFields project={project} member={member} />
      </section>
      <section>
        {slabMaterialRows(rows, code)}
        {pick('Outermost are the', 'outer', outers)}
        <h2 className="mt-3">Bars that may be chosen</h2>
        <AllowedBars project={project} member={member} />
      </section>
      <section>
        <CreepFields project={project} member={member} code={code} />
      </section>
      <ServiceFields project={project} member={member} />
    </BasisColumns>
  );
}

/** Sizes and spacings for the automatic choice; empty is what is usual. */
function AllowedBars({ project, member }: Pick<BasisProps<StripMember>, 'project' | 'member'>) {
  const change = useChange(member);
  const usual = usualSizes[member.catalogue].slab;
  const words = (text: string) => text.split(/[\s,;]+/).filter(Boolean);
  const inches = project.display === 'US' ? 25.4 : 1;
  const shown = (list: readonly number[]) => list.map((v) => Number((v / inches).toFixed(2))).join(', ');
  const { sizes, spacings } = member.barRules;
  return (
    <>
      <label className={panelRow}>
        Sizes
        <input
          className="field"
          aria-label="Sizes of slab bars"
          placeholder={usual.sizes.join(', ')}
          defaultValue={sizes.join(', ')}
          key={`s ${sizes.join()}`}
          onBlur={(e) => change('sizes of bars', (m) => void (m.barRules.sizes = words(e.target.value)))}
        />
      </label>
      <label className={panelRow}>
        Spacings, {project.display === 'US' ? 'in' : 'mm'}
        <input
          className="field"
          aria-label="Spacings of slab bars"
          placeholder={shown(usual.spacings)}
          defaultValue={shown(spacings)}
          key={`p ${spacings.join()}`}
          onBlur={(e) => {
            const read = words(e.target.value).map((w) => parseQuantity(w, 'length', project.display));
            const good = read.flatMap((r) => (r.ok && r.value >= 40 && r.value <= 1000 ? [r.value] : []));
            change('spacings of bars', (m) => void (m.barRules.spacings = good));
          }}
        />
      </label>
    </>
  );
}
