'use client';
import { codeOf } from '@/core/members/member';
import type { PlateHandle } from '@/core/members/plate/picture';
import type { PlateMember } from '@/core/members/plate/input';
import { stripTable } from '@/core/members/plate/strip-table';
import { plateSize } from '@/core/members/plate/labels';
import { formatQuantity } from '@/core/units/format';
import { TitledTable } from '@/ui/tables/TitledTable';
import { memberScreen, type PanelPart, type Sheet } from '@/ui/sheet/member-screen';
import { basisPanel, loadsPanel, variantsPanel } from '@/ui/sheet/panels';
import { HandCheckTable } from '@/ui/tables/HandCheckTable';
import { BarsPanel } from './BarsPanel';
import { ReactionsPanel } from './ReactionsPanel';
import { DeflectionPanel } from './DeflectionPanel';
import { plateField, turned } from './fields';
import { OutlinePanel } from './OutlinePanel';
import { PlateBasis, plateLoads } from './PlateBasis';
import { PlatePlan } from './PlatePlan';
import { SupportsPanel } from './SupportsPanel';
import type { PlanChange } from './use-plan-pointer';
import { usePlateChange, withFields } from './use-plate-change';

interface PlanEditing {
  /** Opens a value of the plan, or turns an edge to the next way of holding it. */
  readonly onEdit: (handle: PlateHandle, target: Element) => void;
  readonly onChange: PlanChange;
}

function usePlanEditing({ drawn, keptMember }: Sheet<PlateMember, PlateHandle>): PlanEditing {
  const change = usePlateChange(keptMember);
  return {
    onEdit: (handle, target) => {
      const turn = turned(handle, keptMember);
      if (!turn) return drawn.open(handle, target);
      change(turn.label, (m) => void (m.outline[turn.at]!.edge = turn.edge));
    },
    onChange: (label, make) => change(label, withFields(make)),
  };
}

const panels: readonly PanelPart<PlateMember, PlanEditing, PlateHandle>[] = [
  {
    id: 'plan',
    title: 'Plan',
    show: ({ project, member, result, isStale, editing }, own) => <PlatePlan {...{ project, member, result, isStale, editing, ...own }} />,
  },
  {
    id: 'outline',
    title: 'Outline',
    isForm: true,
    show: ({ kept, member, faults }) => <OutlinePanel project={kept} member={member} faults={faults} />,
  },
  {
    id: 'supports',
    title: 'Supports',
    isForm: true,
    show: ({ kept, member, result, faults }) => <SupportsPanel project={kept} member={member} result={result} faults={faults} />,
  },
  loadsPanel(plateLoads),
  {
    id: 'bars',
    title: 'Bars',
    show: ({ kept, keptMember, result, faults }) => <BarsPanel project={kept} member={keptMember} result={result} faults={faults} />,
  },
  {
    id: 'deflection',
    title: 'Deflection',
    show: ({ kept, keptMember, result, isStale, faults }) => (
      <DeflectionPanel project={kept} member={keptMember} result={result} isStale={isStale} faults={faults} />
    ),
  },
  {
    id: 'reactions',
    title: 'Reactions',
    show: ({ kept, keptMember, result, isStale }) => (
      <ReactionsPanel project={kept} member={keptMember} result={result} isStale={isStale} />
    ),
  },
  basisPanel(PlateBasis),
  {
    id: 'hand',
    title: 'By hand',
    show: ({ kept, member, result }) => (
      <div className="overflow-auto px-3.5 py-2">
        <HandCheckTable checks={result.handChecks} units={kept.display} />
        {stripTable(result.strips, kept.display).map((block) => (
          <TitledTable key={block.title} block={block} units={kept.display} mark={member.mark} />
        ))}
      </div>
    ),
  },
  variantsPanel(),
];

/** The screen of a slab that is worked out as a plate. */
export const PlateScreen = memberScreen<PlateMember, PlanEditing, PlateHandle>({
  panels,
  useOwn: usePlanEditing,
  subtitle: ({ project, kept, member, result }) => [
    codeOf(project, member).concreteLabel(member.materials.concreteStrength),
    plateSize(member, kept.display),
    result.load > 0 ? `ultimate load in the mean ${formatQuantity(result.load, 'areaLoad', kept.display)}` : '',
  ],
  asideLabel: 'Checks',
  field: (handle, { kept, keptMember, result }) => plateField(handle, kept, keptMember, result),
});
