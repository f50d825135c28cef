'use client';
import type { PunchingMember } from '@/core/members/punching/input';
import { codeOf } from '@/core/members/member';
import { formatQuantity } from '@/core/units/format';
import { memberScreen, variantsPanel, type PanelPart } from '@/ui/member-screen';
import { BasisPanel } from './BasisPanel';
import { punchingField } from './fields';
import { LegsEditor } from './LegsEditor';
import { OpeningEditor } from './OpeningEditor';
import { PlanSheet } from './PlanSheet';

const panels: readonly PanelPart<PunchingMember, null>[] = [
  {
    id: 'plan',
    title: 'Plan',
    show: ({ project, member, result, isStale, drawn, editing, faults, lastGood }) => (
      <PlanSheet {...{ project, member, result, isStale, editing, lastGood }} onEdit={drawn.open} isDrawn={faults.length === 0} />
    ),
  },
  {
    id: 'basis',
    title: 'Basis',
    show: ({ kept, keptMember, faults }) => <BasisPanel project={kept} member={keptMember} faults={faults} />,
  },
  variantsPanel(),
];

const positions = { internal: 'inner column', edge: 'edge column', corner: 'corner column', reentrant: 're-entrant corner' };

/** The screen of a slab at a column. */
export const PunchingScreen = memberScreen<PunchingMember, null>({
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
  field: (path, { kept, keptMember }) => punchingField(path, kept, keptMember),
  editors: (place, { keptMember }) => {
    const opening = /^openings\[(\d+)\]$/.exec(place.path)?.[1];
    if (opening !== undefined) return <OpeningEditor {...place} member={keptMember} index={Number(opening)} />;
    return place.path === 'legs' ? <LegsEditor {...place} member={keptMember} /> : null;
  },
});
