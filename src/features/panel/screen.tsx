'use client';
import { castDraft } from 'immer';
import type { PanelHandle } from '@/core/members/panel/drawing';
import type { PanelMember } from '@/core/members/panel/input';
import { codeOf } from '@/core/members/member';
import { formatQuantity } from '@/core/units/format';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { HandCheckTable } from '@/ui/tables/HandCheckTable';
import { memberScreen, type PanelPart, type Sheet } from '@/ui/sheet/member-screen';
import { basisPanel, loadsPanel, variantsPanel } from '@/ui/sheet/panels';
import { ScheduleTable } from '@/ui/tables/ScheduleTable';
import { panelField, toggled } from './fields';
import { PanelBasis, panelLoads } from './PanelBasis';
import { PanelPlan } from './PanelPlan';

/** Opens a value of the plan, or turns it where it has but two states. */
type OnEdit = (handle: PanelHandle, target: Element) => void;

function usePlanEditing({ drawn, keptMember }: Sheet<PanelMember, PanelHandle>): OnEdit {
  const edit = useProject((s) => s.edit);
  return (handle, target) => {
    const turn = toggled(handle, keptMember);
    if (!turn) return drawn.open(handle, target);
    edit(
      `${turn.label} of ${keptMember.mark}`,
      onMember(keptMember, (m) => void Object.assign(m, castDraft(turn.change(keptMember)))),
    );
  };
}

const panels: readonly PanelPart<PanelMember, OnEdit, PanelHandle>[] = [
  {
    id: 'plan',
    title: 'Plan',
    show: ({ project, member, result, model, isStale, editing }, onEdit) => (
      <PanelPlan {...{ project, member, result, model, isStale, editing, onEdit }} />
    ),
  },
  loadsPanel(panelLoads),
  {
    id: 'bars',
    title: 'Schedule',
    show: ({ kept, keptMember, result }) => (
      <div className="overflow-auto px-3.5">
        <ScheduleTable project={kept} member={keptMember} result={result} />
      </div>
    ),
  },
  basisPanel(PanelBasis),
  {
    id: 'hand',
    title: 'By hand',
    show: ({ kept, keptMember, result }) => (
      <div className="overflow-auto px-3.5 py-2">
        <HandCheckTable checks={result.handChecks} units={kept.display} />
        {result.handChecks.length === 0 && (
          <p>
            {keptMember.method === 'strips'
              ? 'Held corners take part of the moments: the strips alone are no check on them.'
              : 'Yield lines give the load at collapse: set the method to strips for a state in equilibrium beside it.'}
          </p>
        )}
      </div>
    ),
  },
  variantsPanel(),
];

const methods = { strips: 'strips both ways', yieldLines: 'yield lines', coefficients: 'coefficients of the code' };

/** The screen of a panel on four edges. */
export const PanelScreen = memberScreen<PanelMember, OnEdit, PanelHandle>({
  panels,
  useOwn: usePlanEditing,
  subtitle: ({ project, kept, member, result }) => [
    codeOf(project, member).concreteLabel(member.materials.concreteStrength),
    methods[member.method],
    result.load > 0 ? `ultimate load ${formatQuantity(result.load, 'areaLoad', kept.display)}` : '',
  ],
  asideLabel: 'Checks',
  field: (handle, { kept, keptMember, result }) => panelField(handle, kept, keptMember, result),
});
