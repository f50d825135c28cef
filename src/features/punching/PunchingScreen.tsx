'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { emptyPunchingResult, type PunchingResult } from '@/core/members/punching/result';
import { codeOf, type Project, type PunchingMember } from '@/core/project/project';
import { formatQuantity } from '@/core/units/format';
import { addMember, freshId, freshMark, onPunching } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { proposeForPunching } from '@/store/proposing';
import { Ladder } from '@/ui/Ladder';
import { MemberScreen } from '@/ui/MemberScreen';
import { newPunching } from '@/ui/new-punching';
import { sheetPath } from '@/ui/sheet-path';
import { Purfling, SheetFrame } from '@/ui/SheetFrame';
import { SheetTitle } from '@/ui/SheetTitle';
import { SingleChanges } from '@/ui/SingleChanges';
import { useDrawnEditing } from '@/ui/use-drawn-editing';
import { useSheet } from '@/ui/use-sheet';
import { useSheetKeys } from '@/ui/use-sheet-keys';
import { ValueEditor } from '@/ui/ValueEditor';
import { VariantsPanel } from '@/ui/VariantsPanel';
import { BasisPanel } from './BasisPanel';
import { punchingField } from './fields';
import { LegsEditor } from './LegsEditor';
import { OpeningEditor } from './OpeningEditor';
import { PlanSheet } from './PlanSheet';

export const PunchingScreen = () => <MemberScreen find={placeIn} sheet={Sheet} />;

const placeIn = (project: Project, id: string) => project.members.find((m): m is PunchingMember => m.id === id && m.type === 'punching');

const panels = ['plan', 'basis', 'variants'] as const;
type Panel = (typeof panels)[number];

/** A slab at a column on one sheet. While a value is typed everything on it is shown for the tentative value. */
function Sheet({ project: kept, id }: { project: Project; id: string }) {
  const router = useRouter();
  const edit = useProject((s) => s.edit);
  const { project, member, keptMember, faults, good, isStale } = useSheet(kept, id, placeIn);
  const result: PunchingResult = good?.result.type === 'punching' ? good.result : emptyPunchingResult([]);
  const [panel, setPanel] = useState<Panel>('plan');
  const drawn = useDrawnEditing();
  const { editing, close } = drawn;
  const add = () => {
    const made = newPunching(kept, freshId(kept), freshMark(kept, member.mark), member.place);
    edit(`add ${made.mark}`, addMember(made, id));
    router.push(sheetPath(kept, made));
  };
  useSheetKeys(kept, id, { add, panels, setPanel });
  const field = editing && punchingField(editing.path, kept, keptMember);
  const opening = editing ? /^openings\[(\d+)\]$/.exec(editing.path)?.[1] : undefined;
  const popover = editing && { project: kept, member: keptMember, path: editing.path, target: editing.target, onClose: close };
  const stage = result.stages[0];
  const subtitle = [
    codeOf(kept, keptMember).concreteLabel(member.materials.concreteStrength),
    ...(stage
      ? [{ internal: 'inner column', edge: 'edge column', corner: 'corner column', reentrant: 're-entrant corner' }[stage.position]]
      : []),
    ...(stage ? [`d ${formatQuantity(stage.d, 'length', kept.display)}`, `${(100 * stage.ratio).toFixed(2)} % steel`] : []),
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
              ['plan', 'Plan'],
              ['basis', 'Basis'],
              ['variants', 'Variants'],
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
                <SingleChanges project={kept} member={keptMember} word="slab" propose={proposeForPunching} />
              </>
            )}
          </>
        }
      >
        {panel === 'plan' && (
          <PlanSheet
            {...{ project, member, result, isStale }}
            onEdit={drawn.open}
            editing={editing?.path ?? null}
            isDrawn={faults.length === 0}
            lastGood={good?.member as PunchingMember | undefined}
          />
        )}
        {panel === 'basis' && <BasisPanel project={kept} member={keptMember} faults={faults} />}
        {panel === 'variants' && <VariantsPanel project={kept} member={keptMember} result={result} />}
      </SheetFrame>
      {editing && field && (
        <ValueEditor<PunchingMember>
          change={onPunching}
          key={editing.path}
          path={editing.path}
          member={keptMember}
          field={field}
          target={editing.target}
          onClose={close}
          onNext={drawn.next}
        />
      )}
      {popover && opening !== undefined && <OpeningEditor {...popover} index={Number(opening)} />}
      {popover && editing.path === 'legs' && <LegsEditor {...popover} />}
    </>
  );
}
