'use client';
import { codeOf } from '@/core/members/member';
import type { PlateHandle } from '@/core/members/plate/drawing';
import type { PlateMember } from '@/core/members/plate/input';
import { plateSize } from '@/core/members/plate/labels';
import { formatQuantity } from '@/core/units/format';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { memberScreen, type PanelPart, type Sheet } from '@/ui/sheet/member-screen';
import { basisPanel, loadsPanel, variantsPanel } from '@/ui/sheet/panels';
import { HandCheckTable } from '@/ui/tables/HandCheckTable';
import { ScheduleTable } from '@/ui/tables/ScheduleTable';
import { plateField, turned } from './fields';
import { OutlinePanel } from './OutlinePanel';
import { PlateBasis, plateLoads } from './PlateBasis';
import { PlatePlan } from './PlatePlan';

/** Opens a value of the plan, or turns an edge to the next way of holding it. */
type OnEdit = (handle: PlateHandle, target: Element) => void;

function usePlanEditing({ drawn, keptMember }: Sheet<PlateMember, PlateHandle>): OnEdit {
  const edit = useProject((s) => s.edit);
  return (handle, target) => {
    const turn = turned(handle, keptMember);
    if (!turn) return drawn.open(handle, target);
    edit(
      `${turn.label} of ${keptMember.mark}`,
      onMember(keptMember, (m) => void (m.outline[turn.at]!.edge = turn.edge)),
    );
  };
}

const panels: readonly PanelPart<PlateMember, OnEdit, PlateHandle>[] = [
  {
    id: 'plan',
    title: 'Plan',
    show: ({ project, member, result, isStale, editing }, onEdit) => (
      <PlatePlan {...{ project, member, result, isStale, editing, onEdit }} />
    ),
  },
  {
    id: 'outline',
    title: 'Outline',
    isForm: true,
    show: ({ kept, member, faults }) => <OutlinePanel project={kept} member={member} faults={faults} />,
  },
  loadsPanel(plateLoads),
  {
    id: 'bars',
    title: 'Schedule',
    show: ({ kept, keptMember, result }) => (
      <div className="overflow-auto px-3.5">
        <ScheduleTable project={kept} member={keptMember} result={result} />
      </div>
    ),
  },
  basisPanel(PlateBasis),
  {
    id: 'hand',
    title: 'By hand',
    show: ({ kept, result }) => (
      <div className="overflow-auto px-3.5 py-2">
        <HandCheckTable checks={result.handChecks} units={kept.display} />
      </div>
    ),
  },
  variantsPanel(),
];

/** The screen of a slab that is worked out as a plate. */
export const PlateScreen = memberScreen<PlateMember, OnEdit, PlateHandle>({
  panels,
  useOwn: usePlanEditing,
  subtitle: ({ project, kept, member, result }) => [
    codeOf(project, member).concreteLabel(member.materials.concreteStrength),
    plateSize(member, kept.display),
    result.load > 0 ? `ultimate load ${formatQuantity(result.load, 'areaLoad', kept.display)}` : '',
  ],
  asideLabel: 'Checks',
  field: (handle, { kept, keptMember, result }) => plateField(handle, kept, keptMember, result),
});
