'use client';
import dynamic from 'next/dynamic';
import { useMemo, useState } from 'react';
import type { ColumnHandle } from '@/core/members/column/drawing/handles';
import type { ColumnResult } from '@/core/members/column/result';
import type { MemberResult } from '@/core/members/kinds';
import { codeOf } from '@/core/members/member';
import { isSectionAlone, isWall, type UprightMember } from '@/core/members/wall/upright';
import { formatQuantity } from '@/core/units/format';
import { memberScreen, type Focus, type PanelPart, type Sheet } from '@/ui/sheet/member-screen';
import { basisPanel, variantsPanel } from '@/ui/sheet/panels';
import { ScheduleTable } from '@/ui/tables/ScheduleTable';
import { AxisEditor } from './AxisEditor';
import { BarEditor } from './BarEditor';
import { BarsEditor } from './BarsEditor';
import { BasisPanel } from './BasisPanel';
import { ColumnSheet } from './ColumnSheet';
import { columnField } from './fields';
import { FirePanel } from './FirePanel';
import { FollowsSlab } from './FollowsSlab';
import { LoadSetsPanel } from './LoadSetsPanel';
import { SurfacePanel } from './SurfacePanel';
import { WallEditor } from './WallEditor';

/** Loaded when it is opened. */
const StrainsPanel = dynamic(() => import('./StrainsPanel').then((m) => m.StrainsPanel), { ssr: false });

/** The load set that is shown, and the way to show another. */
interface Chosen {
  readonly index: number;
  readonly focus: Focus<UprightMember> | null;
  setChosen(name: string | null): void;
  onEdit(handle: ColumnHandle, target: Element): void;
}

function useChosenSet({ member, keptMember, result, drawn }: Sheet<UprightMember, ColumnHandle>): Chosen {
  const [chosen, setChosen] = useState<string | null>(null);
  const focus = useMemo(() => focusOn(keptMember, result, chosen, () => setChosen(null)), [keptMember, result, chosen]);
  return {
    index: chosenSet(result, chosen),
    focus,
    setChosen,
    onEdit: (handle, target) => {
      // The set whose value is opened stays in sight, also when another becomes the worst while one types.
      if (handle.of === 'moment') setChosen(member.sets[handle.set]?.name ?? null);
      drawn.open(handle, target);
    },
  };
}

/** The member under the chosen set alone, with its sets in service; none while the worst is shown, or where there is only one. */
function focusOn(member: UprightMember, { sets }: ColumnResult, name: string | null, leave: () => void): Focus<UprightMember> | null {
  const set = sets.find((s) => s.name === name && s.kind === 'ultimate');
  if (!set || sets.filter((s) => s.kind === 'ultimate').length < 2) return null;
  // The own weight is in these sets already.
  const state = { ...member, mode: 'sets' as const, selfWeight: false, sets: [set, ...sets.filter((s) => s.kind !== 'ultimate')] };
  return { state, label: set.name, leave };
}

const panels: readonly PanelPart<UprightMember, Chosen, ColumnHandle>[] = [
  {
    id: 'sheet',
    title: 'Sheet',
    show: ({ project, member, result, isStale, editing, faults }, { index, setChosen, onEdit }) => (
      <ColumnSheet {...{ project, member, result, index, isStale, editing, onEdit }} onChoose={setChosen} hasFaults={faults.length > 0} />
    ),
  },
  {
    id: 'sets',
    title: 'Load sets',
    isForm: true,
    show: ({ kept, keptMember, faults }) => <LoadSetsPanel project={kept} member={keptMember} faults={faults} />,
  },
  {
    id: 'surface',
    title: 'Surface',
    show: ({ kept, keptMember, result, faults }, { index }) =>
      faults.length === 0 && <SurfacePanel project={kept} member={keptMember} result={result} index={index} />,
  },
  {
    id: 'strains',
    title: 'Strains',
    show: ({ kept, keptMember, result, faults }, { index, setChosen }) =>
      faults.length === 0 && (
        <StrainsPanel {...{ project: kept, member: keptMember, result, index }} onChoose={(i) => setChosen(result.sets[i]!.name)} />
      ),
  },
  {
    id: 'fire',
    title: 'Fire',
    isHidden: isSectionAlone,
    show: ({ kept, keptMember, result, faults }) => faults.length === 0 && <FirePanel project={kept} member={keptMember} result={result} />,
  },
  {
    id: 'schedule',
    title: 'Schedule',
    isHidden: isSectionAlone,
    show: ({ kept, keptMember, result }) => (
      <div className="overflow-auto px-3.5 py-2">
        <p className="small">
          Storey high, without laps: where the bars lap, and how they are cranked or staggered, follows from the storeys above and below.
        </p>
        <ScheduleTable project={kept} member={keptMember} result={result as MemberResult} />
      </div>
    ),
  },
  variantsPanel(),
  basisPanel(BasisPanel),
];

/** The screen of columns and walls. */
export const ColumnScreen = memberScreen<UprightMember, Chosen, ColumnHandle>({
  panels,
  useOwn: useChosenSet,
  subtitle: ({ kept, keptMember, member, result }) => [
    codeOf(kept, keptMember).concreteLabel(member.materials.concreteStrength),
    ...(isSectionAlone(member)
      ? ['section under known forces']
      : [`${formatQuantity(member.height, 'station', kept.display)} clear`, state(member, result)]),
  ],
  asideLabel: 'Checks',
  above: ({ kept, keptMember }) => (isWall(keptMember) ? null : <FollowsSlab project={kept} member={keptMember} />),
  focus: ({ focus }) => focus,
  field: (handle, { kept, keptMember }) => columnField(handle, kept, keptMember),
  editors: (place, { keptMember, result, faults }) => {
    const { handle } = place;
    if (handle.of === 'axis') return <AxisEditor {...place} member={keptMember} axis={handle.axis} {...{ result, faults }} />;
    const isOfBars = handle.of === 'bars' || handle.of === 'bar';
    if (isWall(keptMember)) return isOfBars || handle.of === 'ties' ? <WallEditor {...place} member={keptMember} /> : null;
    if (handle.of === 'bar') return <BarEditor {...place} member={keptMember} index={handle.bar} bars={result.bars} />;
    return handle.of === 'bars' ? <BarsEditor {...place} member={keptMember} /> : null;
  },
});

function state(member: UprightMember, result: ColumnResult): string {
  const axes = (['x', 'y'] as const).filter((a) => result.slenderness[a]?.isSlender);
  const braced =
    member.axes.x.isBraced && member.axes.y.isBraced
      ? 'braced'
      : member.axes.x.isBraced || member.axes.y.isBraced
        ? 'unbraced one way'
        : 'unbraced';
  const slender = axes.length === 2 ? 'slender both ways' : axes.length === 1 ? `slender about ${axes[0]}` : 'not slender';
  return `${braced}, ${slender}`;
}

/** The set that is shown: the one chosen by name, else the worst. */
function chosenSet(result: ColumnResult, name: string | null): number {
  const own = result.sets.findIndex((s) => s.name === name);
  if (own >= 0) return own;
  const worst = result.summaries.reduce<ColumnResult['summaries'][number] | undefined>(
    (a, b) => (!a || (b.utilisation ?? 99) > (a.utilisation ?? 99) ? b : a),
    undefined,
  );
  return worst?.index ?? 0;
}
