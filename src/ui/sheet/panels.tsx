'use client';
import type { Handle } from '@/core/drawing/shapes';
import type { Fault } from '@/core/checks/fault';
import type { Member, MemberResult, ResultOf } from '@/core/members/kinds';
import type { LineMember } from '@/core/members/strip/input';
import type { Project } from '@/core/project/project';
import type { BarsProps } from '@/ui/tables/BarsTables';
import { CombinationsPanel } from '@/ui/tables/CombinationsPanel';
import type { CasedMember } from '@/ui/tables/LoadCases';
import { LoadsTable, type LoadTable } from '@/ui/tables/LoadsTable';
import { ScheduleTable } from '@/ui/tables/ScheduleTable';
import { VariantsPanel } from '@/ui/ways/VariantsPanel';
import type { PanelPart } from './member-screen';

/** What the basis panel of a kind is given. */
export interface BasisProps<M extends Member> {
  readonly project: Project;
  readonly member: M;
  readonly result: ResultOf<M>;
  readonly faults: readonly Fault[];
}

export const basisPanel = <M extends Member, Own, H extends Handle>(Basis: React.ComponentType<BasisProps<M>>): PanelPart<M, Own, H> => ({
  id: 'basis',
  title: 'Basis',
  isForm: true,
  show: ({ kept, member, result, faults }) => <Basis project={kept} member={member} result={result} faults={faults} />,
});

export const loadsPanel = <M extends Member & CasedMember, L extends M['loads'][number], Own, H extends Handle>(
  table: LoadTable<L>,
): PanelPart<M, Own, H> => ({
  id: 'loads',
  title: 'Loads',
  isForm: true,
  show: ({ kept, member, faults }) => <LoadsTable {...{ project: kept, member, faults }} table={table} />,
});

/** The bars that are set, and below them the bars as they are cut. */
export const barsPanel = <M extends LineMember, Steel, Own, H extends Handle>(
  Bars: React.ComponentType<BarsProps<M, Steel>>,
): PanelPart<M, Own, H> => ({
  id: 'bars',
  title: 'Bars',
  isForm: true,
  show: ({ kept, member, keptMember, result }) => {
    const { steel } = result as { readonly steel: Steel | null };
    if (!steel) return <p className="px-3.5 py-2">The bars appear with the first result.</p>;
    return (
      <div className="overflow-auto px-3.5 py-2">
        <Bars project={kept} member={member} steel={steel} />
        <ScheduleTable project={kept} member={keptMember} result={result as MemberResult} />
      </div>
    );
  },
});

export const combinationsPanel = <M extends LineMember, Own, H extends Handle>(): PanelPart<M, Own, H> => ({
  id: 'combinations',
  title: 'Combinations',
  isForm: true,
  show: ({ kept, member }) => <CombinationsPanel project={kept} member={member} />,
});

export const variantsPanel = <M extends Member, Own, H extends Handle>(): PanelPart<M, Own, H> => ({
  id: 'variants',
  title: 'Variants',
  show: ({ kept, keptMember, result }) => <VariantsPanel project={kept} member={keptMember} result={result} />,
});
