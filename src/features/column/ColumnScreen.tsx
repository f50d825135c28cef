'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { emptyColumnResult, type ColumnResult } from '@/core/members/column/result';
import { codeOf, type Project, type UprightMember } from '@/core/project/project';
import { formatQuantity } from '@/core/units/format';
import { addMember, freshId, freshMark, onUpright } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { stepsForWall } from '@/store/proposing';
import { Ladder } from '@/ui/Ladder';
import { MemberScreen } from '@/ui/MemberScreen';
import { newColumn, newWall } from '@/ui/new-column';
import { sheetPath } from '@/ui/sheet-path';
import { Purfling, SheetFrame } from '@/ui/SheetFrame';
import { SheetTitle } from '@/ui/SheetTitle';
import { SingleChanges } from '@/ui/SingleChanges';
import { useDrawnEditing } from '@/ui/use-drawn-editing';
import { useSheet } from '@/ui/use-sheet';
import { useSheetKeys } from '@/ui/use-sheet-keys';
import { ValueEditor } from '@/ui/ValueEditor';
import { VariantsPanel } from '@/ui/VariantsPanel';
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
import { ColumnWays } from './ColumnWays';

export const ColumnScreen = () => <MemberScreen find={columnIn} sheet={Sheet} />;

const columnIn = (project: Project, id: string) =>
  project.members.find((m): m is UprightMember => m.id === id && (m.type === 'column' || m.type === 'wall'));

type Panel = 'sheet' | 'sets' | 'surface' | 'strains' | 'variants' | 'basis';
const panels: readonly Panel[] = ['sheet', 'sets', 'surface', 'strains', 'variants', 'basis'];

/** A column's whole screen. While a value is typed everything on it is shown for the tentative value. */
function Sheet({ project: kept, id }: { project: Project; id: string }) {
  const router = useRouter();
  const edit = useProject((s) => s.edit);
  const { project, member, keptMember, faults, good, isStale } = useSheet(kept, id, columnIn);
  const result: ColumnResult =
    good && (good.result.type === 'column' || good.result.type === 'wall') ? good.result : emptyColumnResult('column', []);
  const [panel, setPanel] = useState<Panel>('sheet');
  const drawn = useDrawnEditing();
  const { editing, close } = drawn;
  const [chosen, setChosen] = useState<string | null>(null);
  const index = chosenSet(result, chosen);

  const add = () => {
    const make = member.type === 'wall' ? newWall : newColumn;
    const made = make(kept, freshId(kept), freshMark(kept, member.mark), member.place);
    edit(`add ${made.mark}`, addMember(made, id));
    router.push(sheetPath(kept, made));
  };
  useSheetKeys(kept, id, { add, panels, setPanel });
  const openEditor = (path: string, target: Element) => {
    // The set whose value is opened stays in sight, also when another becomes the worst while one types.
    const set = /^sets\[(\d+)\]/.exec(path)?.[1];
    if (set) setChosen(member.sets[Number(set)]?.name ?? null);
    drawn.open(path, target);
  };
  const field = editing && columnField(editing.path, kept, keptMember);
  const bar = editing ? /^bar\[(\d+)\]$/.exec(editing.path)?.[1] : undefined;
  const axis = editing ? (/^axes\.(x|y)$/.exec(editing.path)?.[1] as 'x' | 'y' | undefined) : undefined;
  const popover = editing && { project: kept, path: editing.path, target: editing.target, onClose: close };
  const code = codeOf(kept, keptMember);
  const subtitle = [
    code.concreteLabel(member.materials.concreteStrength),
    `${formatQuantity(member.height, 'station', kept.display)} clear`,
    state(member, result),
  ].join(' · ');
  return (
    <>
      <SheetFrame
        project={kept}
        member={keptMember}
        faults={faults}
        onAdd={add}
        asideLabel="Checks"
        title={
          <SheetTitle
            {...{ project: kept, member: keptMember, subtitle, panel }}
            panels={[
              ['sheet', 'Sheet'],
              ['sets', 'Load sets'],
              ['surface', 'Surface'],
              ['strains', 'Strains'],
              ['variants', 'Variants'],
              ['basis', 'Basis'],
            ]}
            onPanel={setPanel}
          />
        }
        aside={
          <>
            <Ladder project={kept} member={keptMember} checks={result.checks} isStale={isStale} onPlace={() => undefined} />
            {faults.length === 0 && (
              <>
                <Purfling />
                {keptMember.type === 'column' ? (
                  <ColumnWays project={kept} member={keptMember} />
                ) : (
                  <SingleChanges project={kept} member={keptMember} word="wall" propose={stepsForWall} />
                )}
              </>
            )}
          </>
        }
      >
        {panel === 'sheet' && (
          <ColumnSheet
            {...{ project, member, result, index, isStale }}
            onChoose={setChosen}
            onEdit={openEditor}
            editing={editing?.path ?? null}
            hasFaults={faults.length > 0}
          />
        )}
        {panel === 'sets' && <LoadSetsPanel project={kept} member={keptMember} faults={faults} />}
        {panel === 'surface' && faults.length === 0 && <SurfacePanel project={kept} member={keptMember} result={result} index={index} />}
        {panel === 'strains' && faults.length === 0 && (
          <StrainsPanel {...{ project: kept, member: keptMember, result, index }} onChoose={(i) => setChosen(result.sets[i]!.name)} />
        )}
        {panel === 'variants' && <VariantsPanel project={kept} member={keptMember} result={result} />}
        {panel === 'basis' && <BasisPanel project={kept} member={keptMember} result={result} faults={faults} />}
      </SheetFrame>
      {editing && field && (
        <ValueEditor<UprightMember>
          change={onUpright}
          key={editing.path}
          path={editing.path}
          member={keptMember}
          field={field}
          target={editing.target}
          onClose={close}
          onNext={drawn.next}
        />
      )}
      {popover && axis && <AxisEditor {...popover} member={keptMember} axis={axis} result={result} />}
      {popover && keptMember.type === 'column' && bar !== undefined && (
        <BarEditor {...popover} member={keptMember} index={Number(bar)} bars={result.bars} />
      )}
      {popover && keptMember.type === 'column' && editing.path === 'bars' && <BarsEditor {...popover} member={keptMember} />}
      {popover && keptMember.type === 'wall' && (editing.path === 'bars' || editing.path === 'ties' || bar !== undefined) && (
        <WallEditor {...popover} member={keptMember} />
      )}
    </>
  );
}

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
