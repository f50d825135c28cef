'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { castDraft } from 'immer';
import { emptyPanelResult, type PanelResult } from '@/core/members/panel/result';
import { codeOf, type PanelMember, type Project } from '@/core/project/project';
import { formatQuantity } from '@/core/units/format';
import { addMember, freshId, freshMark, onPanel } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { proposeForPanel } from '@/store/proposing';
import { HandCheckTable } from '@/ui/HandCheckTable';
import { Ladder } from '@/ui/Ladder';
import { MemberScreen } from '@/ui/MemberScreen';
import { newPanel } from '@/ui/new-panel';
import { ScheduleTable } from '@/ui/ScheduleTable';
import { sheetPath } from '@/ui/sheet-path';
import { Purfling, SheetFrame } from '@/ui/SheetFrame';
import { SheetTitle } from '@/ui/SheetTitle';
import { SingleChanges } from '@/ui/SingleChanges';
import { useDrawnEditing } from '@/ui/use-drawn-editing';
import { useSheet } from '@/ui/use-sheet';
import { useSheetKeys } from '@/ui/use-sheet-keys';
import { ValueEditor } from '@/ui/ValueEditor';
import { VariantsPanel } from '@/ui/VariantsPanel';
import { panelField, toggled } from './fields';
import { PanelBasis, PanelLoads } from './PanelPanels';
import { PanelPlan } from './PanelPlan';

export const PanelScreen = () => <MemberScreen find={panelIn} sheet={Sheet} />;

const panelIn = (project: Project, id: string) => project.members.find((m): m is PanelMember => m.id === id && m.type === 'panel');

const panels = ['plan', 'loads', 'bars', 'basis', 'hand', 'variants'] as const;
type Panel = (typeof panels)[number];
const names: Record<Panel, string> = {
  plan: 'Plan',
  loads: 'Loads',
  bars: 'Schedule',
  basis: 'Basis',
  hand: 'By hand',
  variants: 'Variants',
};

/** A panel on four edges on one sheet. While a value is typed everything on it is shown for the tentative value. */
function Sheet({ project: kept, id }: { project: Project; id: string }) {
  const router = useRouter();
  const edit = useProject((s) => s.edit);
  const { project, member, keptMember, faults, good, isStale } = useSheet(kept, id, panelIn);
  const result: PanelResult = good?.result.type === 'panel' ? good.result : emptyPanelResult([]);
  const [panel, setPanel] = useState<Panel>('plan');
  const drawn = useDrawnEditing();
  const { editing, close } = drawn;
  const add = () => {
    const made = newPanel(kept, freshId(kept), freshMark(kept, member.mark), member.place);
    edit(`add ${made.mark}`, addMember(made, id));
    router.push(sheetPath(kept, made));
  };
  useSheetKeys(kept, id, { add, panels, setPanel });
  const onEdit = (path: string, target: Element) => {
    const turn = toggled(path, keptMember);
    if (!turn) return drawn.open(path, target);
    edit(
      `${turn.label} of ${member.mark}`,
      onPanel(id, (m) => void Object.assign(m, castDraft(turn.change(keptMember)))),
    );
  };
  const field = editing && panelField(editing.path, kept, keptMember, result);
  const subtitle = [
    codeOf(project, member).concreteLabel(member.materials.concreteStrength),
    { strips: 'strips both ways', yieldLines: 'yield lines', coefficients: 'coefficients of the code' }[member.method],
    ...(result.load > 0 ? [`ultimate load ${formatQuantity(result.load, 'areaLoad', kept.display)}`] : []),
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
            panels={panels.map((p) => [p, names[p]] as const)}
            onPanel={setPanel}
          />
        }
        aside={
          <>
            <Ladder project={kept} member={keptMember} checks={result.checks} isStale={isStale} onPlace={() => undefined} />
            {faults.length === 0 && (
              <>
                <Purfling />
                <SingleChanges project={kept} member={keptMember} word="panel" propose={proposeForPanel} />
              </>
            )}
          </>
        }
      >
        {panel === 'plan' && <PanelPlan {...{ project, member, result, isStale, onEdit }} editing={editing?.path ?? null} />}
        {panel === 'loads' && <PanelLoads project={kept} member={keptMember} faults={faults} />}
        {panel === 'basis' && <PanelBasis project={kept} member={keptMember} faults={faults} />}
        {panel === 'bars' && (
          <div className="overflow-auto px-3.5">
            <ScheduleTable project={kept} member={keptMember} result={result} />
          </div>
        )}
        {panel === 'hand' && (
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
        )}
        {panel === 'variants' && <VariantsPanel project={kept} member={keptMember} result={result} />}
      </SheetFrame>
      {editing && field && (
        <ValueEditor<PanelMember>
          change={onPanel}
          key={editing.path}
          path={editing.path}
          member={keptMember}
          field={field}
          target={editing.target}
          onClose={close}
          onNext={drawn.next}
        />
      )}
    </>
  );
}
