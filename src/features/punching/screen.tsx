'use client';
import type { PunchingHandle } from '@/core/members/punching/drawing';
import type { PunchingMember } from '@/core/members/punching/input';
import { codeOf } from '@/core/members/member';
import { formatQuantity } from '@/core/units/format';
import { memberScreen, type PanelPart } from '@/ui/sheet/member-screen';
import { Follows } from '@/ui/sheet/Follows';
import { basisPanel, variantsPanel } from '@/ui/sheet/panels';
import { BasisPanel } from './BasisPanel';
import { punchingField } from './fields';
import { LegsEditor } from './LegsEditor';
import { OpeningEditor } from './OpeningEditor';
import { PlanSheet } from './PlanSheet';
import { SettingOut } from './SettingOut';

const panels: readonly PanelPart<PunchingMember, null, PunchingHandle>[] = [
  {
    id: 'plan',
    title: 'Plan',
    show: ({ project, member, result, isStale, drawn, editing, faults, lastGood }) => (
      <PlanSheet {...{ project, member, result, isStale, editing, lastGood }} onEdit={drawn.open} isDrawn={faults.length === 0} />
    ),
  },
  {
    id: 'setting-out',
    title: 'Setting out',
    isHidden: ({ legs }) => legs === null,
    show: ({ kept, keptMember, faults }) => <SettingOut project={kept} member={keptMember} hasFaults={faults.length > 0} />,
  },
  basisPanel(BasisPanel),
  variantsPanel(),
];

const positions = { internal: 'inner column', edge: 'edge column', corner: 'corner column', reentrant: 're-entrant corner' };

/** The screen of a slab at a column. */
export const PunchingScreen = memberScreen<PunchingMember, null, PunchingHandle>({
  panels,
  useOwn: () => null,
  subtitle: ({ kept, keptMember, member, result: { stages } }) => {
    const stage = stages[0];
    return [
      codeOf(kept, keptMember).concreteLabel(member.materials.concreteStrength),
      ...(stage
        ? [positions[stage.position], `d ${formatQuantity(stage.d, 'length', kept.display)}`, `${(100 * stage.ratio).toFixed(2)} % steel`]
        : []),
    ];
  },
  asideLabel: 'Checks',
  above: ({ kept, keptMember }) => (
    <Follows project={kept} member={keptMember} takes="its depth, bars, edges, openings and forces. Links are this member’s own." />
  ),
  field: (handle, { kept, keptMember }) => punchingField(handle, kept, keptMember),
  editors: (place, { keptMember }) => {
    const { handle } = place;
    if (handle.of === 'opening') return <OpeningEditor {...place} member={keptMember} index={handle.opening} />;
    return handle.of === 'legs' ? <LegsEditor {...place} member={keptMember} /> : null;
  },
});
