'use client';
import { useChange } from '@/ui/fields/use-change';
import type { Draft } from 'immer';
import type { Fault } from '@/core/checks/fault';
import type { StripResult } from '@/core/members/strip/result';
import type { Project } from '@/core/project/project';
import { kindOf } from '@/core/members/kinds';
import { codeOf } from '@/core/members/member';
import type { StripMember } from '@/core/members/strip/input';
import { usualSizes } from '@/core/reinforcement/usual-sizes';
import { formatQuantity } from '@/core/units/format';
import { parseQuantity } from '@/core/units/parse';
import { Assumptions } from '@/ui/sheet/Assumptions';
import { basisRow, basisRows, slabMaterialRows } from '@/ui/fields/basis-rows';
import { CreepFields } from '@/ui/fields/CreepFields';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { ServiceFields } from '@/ui/fields/ServiceFields';

const outers = [
  ['along', 'bars along the span'],
  ['across', 'bars across'],
] as const;

/** What a slab rests on besides its drawing: names, sizes, materials, cover, rules for bars, and everything the code leaves open. */
export function BasisPanel({
  project,
  member,
  result,
  faults,
}: {
  project: Project;
  member: StripMember;
  result: StripResult;
  faults: readonly Fault[];
}) {
  const code = codeOf(project, member);
  const change = useChange(member);
  const rows = basisRows<StripMember>({ project, faults, change });
  const { quantity } = rows;
  const { quantities } = result;
  return (
    <div className="grid grid-cols-2 gap-x-8 gap-y-3 overflow-auto px-3.5 py-2">
      <section>
        <h2>Member</h2>
        {rows.text('Mark', member.mark, (m, v) => void (m.mark = v))}
        {rows.text('Title', member.title, (m, v) => void (m.title = v))}
        {rows.text('Place', member.place, (m, v) => void (m.place = v))}
        {quantity('Depth h', 'length', 'h', member.h, (m, v) => void (m.h = v))}
        {quantity('Breadth', 'span', 'breadth', member.breadth, (m, v) => void (m.breadth = v))}
        <label className={basisRow}>
          Spans, with cantilevers
          <input
            className="field"
            type="number"
            min={1}
            max={22}
            value={member.spans.length}
            onChange={(e) => change('number of spans', (m) => setSpans(m, Number(e.target.value)))}
          />
        </label>
        <h2 className="mt-3">Depths that differ by span</h2>
        {member.spans.map((span, i) => (
          <div key={i}>
            <label className={basisRow}>
              Span {i + 1}
              <QuantityInput
                kind="length"
                system={project.display}
                value={span.h}
                allowEmpty
                placeholder="as the slab"
                label={`Depth of span ${i + 1}`}
                onKeep={(v) => change(`depth of span ${i + 1}`, (m) => void (m.spans[i]!.h = v))}
              />
            </label>
            {rows.fault(`spans[${i}].h`)}
          </div>
        ))}
        <p className="small">
          Self-weight {formatQuantity(member.h * member.unitWeight, 'areaLoad', project.display)}
          {quantities &&
            quantities.concrete > 0 &&
            ` · steel ${formatQuantity(quantities.bars / quantities.concrete, 'massPerVolume', project.display)}`}
        </p>
      </section>
      <section>
        <h2>Materials and cover</h2>
        {slabMaterialRows(rows, codeOf(project, member), member)}
        {rows.pick('Outermost are the', member.outer, outers, (m, v) => void (m.outer = v))}
        <h2 className="mt-3">Bars that may be chosen</h2>
        <AllowedBars project={project} member={member} change={change} />
      </section>
      <section>
        <CreepFields project={project} member={member} change={change} />
      </section>
      <ServiceFields project={project} member={member} change={change} />
      <section>
        <h2>What the code leaves open</h2>
        <Assumptions choices={kindOf(member).choices(code)} code={code} member={member} />
      </section>
    </div>
  );
}

/** Sizes and spacings for the automatic choice; empty is what is usual. */
function AllowedBars({
  project,
  member,
  change,
}: {
  project: Project;
  member: StripMember;
  change: (label: string, recipe: (m: Draft<StripMember>) => void) => void;
}) {
  const usual = usualSizes[member.catalogue].slab;
  const words = (text: string) => text.split(/[\s,;]+/).filter(Boolean);
  const inches = project.display === 'US' ? 25.4 : 1;
  const shown = (list: readonly number[]) => list.map((v) => Number((v / inches).toFixed(2))).join(', ');
  const { sizes, spacings } = member.barRules;
  return (
    <>
      <label className={basisRow}>
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
      <label className={basisRow}>
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

/** Adds spans like the last one, or takes spans away, with their supports, bars and loads. */
function setSpans(m: Draft<StripMember>, count: number): void {
  if (!Number.isInteger(count) || count < 1 || count > 22) return;
  const take = <T,>(list: readonly T[], n: number, filler: () => T): T[] => Array.from({ length: n }, (_, i) => list[i] ?? filler());
  const wasFree = m.supports.at(-1)!.type === 'free' && count > m.spans.length;
  const support = () => ({ ...m.supports[0]!, type: 'pinned' as const, settlement: 0, redistribution: 1 });
  const last = m.spans.at(-1)!;
  const supports = m.supports.map((s, i) => (wasFree && i === m.supports.length - 1 ? support() : s));
  m.spans = take(m.spans, count, () => ({ ...last }));
  m.supports = take(supports, count + 1, support);
  m.bars.bottom = take(m.bars.bottom, count, () => ({ main: null, extra: { bars: null, from: null, to: null } }));
  m.bars.top = take(m.bars.top, count, () => ({ main: null }));
  m.bars.support = take(m.bars.support, count + 1, () => ({ bars: null, left: null, right: null }));
  m.loads = m.loads.filter((l) => l.span === 'all' || l.span < count);
}
