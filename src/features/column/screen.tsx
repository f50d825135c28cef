'use client';
import { useState } from 'react';
import type { ColumnResult } from '@/core/members/column/result';
import { codeOf } from '@/core/members/member';
import { isWall, type UprightMember } from '@/core/members/wall/upright';
import { formatQuantity } from '@/core/units/format';
import { memberScreen, variantsPanel, type PanelPart, type Sheet } from '@/ui/member-screen';
import { AxisEditor } from './AxisEditor';
import { BarEditor } from './BarEditor';
import { BarsEditor } from './BarsEditor';
import { BasisPanel } from './BasisPanel';
import { ColumnSheet } from './ColumnSheet';
import { columnField } from './fields';
import { LoadSetsPanel } from './LoadSetsPanel';
import { StrainsPanel } from './StrainsPanel';
import { SurfacePanel } from './SurfacePanel';
import { WallEditor } from './WallEditor';

/** The load set that is shown, and the way to show another. */
interface Chosen {
  readonly index: number;
  setChosen(name: string | null): void;
  onEdit(path: string, target: Element): void;
}

function useChosenSet({ member, result, drawn }: Sheet<UprightMember>): Chosen {
  const [chosen, setChosen] = useState<string | null>(null);
  return {
    index: chosenSet(result, chosen),
    setChosen,
    onEdit: (path, target) => {
      // The set whose value is opened stays in sight, also when another becomes the worst while one types.
      const set = /^sets\[(\d+)\]/.exec(path)?.[1];
      if (set) setChosen(member.sets[Number(set)]?.name ?? null);
      drawn.open(path, target);
    },
  };
}

const panels: readonly PanelPart<UprightMember, Chosen>[] = [
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
  variantsPanel(),
  {
    id: 'basis',
    title: 'Basis',
    show: ({ kept, keptMember, result, faults }) => <BasisPanel project={kept} member={keptMember} result={result} faults={faults} />,
  },
];

/** The screen of columns and walls. */
export const ColumnScreen = memberScreen<UprightMember, Chosen>({
  panels,
  useOwn: useChosenSet,
  subtitle: ({ kept, keptMember, member, result }) => [
    codeOf(kept, keptMember).concreteLabel(member.materials.concreteStrength),
    `${formatQuantity(member.height, 'station', kept.display)} clear`,
    state(member, result),
  ],
  asideLabel: 'Checks',
  field: (path, { kept, keptMember }) => columnField(path, kept, keptMember),
  editors: (place, { keptMember, result }) => {
    const { path } = place;
    const axis = /^axes\.(x|y)$/.exec(path)?.[1] as 'x' | 'y' | undefined;
    if (axis) return <AxisEditor {...place} member={keptMember} axis={axis} result={result} />;
    const bar = /^bar\[(\d+)\]$/.exec(path)?.[1];
    if (isWall(keptMember)) return path === 'bars' || path === 'ties' || bar ? <WallEditor {...place} member={keptMember} /> : null;
    if (bar !== undefined) return <BarEditor {...place} member={keptMember} index={Number(bar)} bars={result.bars} />;
    return path === 'bars' ? <BarsEditor {...place} member={keptMember} /> : null;
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
