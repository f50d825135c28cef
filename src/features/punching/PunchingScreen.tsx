'use client';
import { useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useState } from 'react';
import { emptyPunchingResult, type PunchingResult } from '@/core/members/punching/result';
import { codeOf, type Project, type PunchingMember } from '@/core/project/project';
import { formatQuantity } from '@/core/units/format';
import { addMember, freshId, freshMark, onPunching } from '@/store/commands';
import { setActiveMember } from '@/store/designing';
import { isCurrent, useProject, type ResultEntry } from '@/store/project-store';
import { Ladder } from '@/ui/Ladder';
import { Missing } from '@/ui/Missing';
import { newPunching } from '@/ui/new-punching';
import { sheetPath } from '@/ui/sheet-path';
import { SheetFrame } from '@/ui/SheetFrame';
import { SheetTitle } from '@/ui/SheetTitle';
import { useDrawnEditing } from '@/ui/use-drawn-editing';
import { useLoadedProject } from '@/ui/use-loaded-project';
import { useSheetKeys } from '@/ui/use-sheet-keys';
import { ValueEditor } from '@/ui/ValueEditor';
import { VariantsPanel } from '@/ui/VariantsPanel';
import { BasisPanel } from './BasisPanel';
import { punchingField } from './fields';
import { LegsEditor } from './LegsEditor';
import { OpeningEditor } from './OpeningEditor';
import { PlanSheet } from './PlanSheet';
import { PunchingWays } from './PunchingWays';

export function PunchingScreen() {
  const loaded = useLoadedProject();
  const id = useSearchParams().get('m') ?? '';
  if (loaded.kind === 'missing') return <Missing reason={loaded.reason} />;
  if (loaded.kind === 'loading') return <p className="p-6">Opening the project.</p>;
  const member = placeIn(loaded.project, id);
  if (!member) return <Missing reason="There is no such member in this project." />;
  return <Sheet key={member.id} project={loaded.project} id={id} />;
}

const placeIn = (project: Project, id: string) => project.members.find((m): m is PunchingMember => m.id === id && m.type === 'punching');

const panels = ['plan', 'basis', 'variants'] as const;
type Panel = (typeof panels)[number];

function shownResult(entry: ResultEntry | undefined, lastGood: ResultEntry | undefined): PunchingResult {
  const good = entry && entry.result.faults.length === 0 ? entry : lastGood;
  return good?.result.type === 'punching' ? good.result : emptyPunchingResult([]);
}

/** A slab at a column on one sheet. While a value is typed everything on it is shown for the tentative value. */
function Sheet({ project: kept, id }: { project: Project; id: string }) {
  const router = useRouter();
  const { preview, results, lastGood, edit } = useProject();
  const project = preview ?? kept;
  const member = placeIn(project, id)!;
  const keptMember = placeIn(kept, id)!;
  const [panel, setPanel] = useState<Panel>('plan');
  const drawn = useDrawnEditing();
  const { editing, close } = drawn;
  useEffect(() => {
    setActiveMember(id);
    return () => setActiveMember(null);
  }, [id]);
  const entry = results[id];
  const isFresh = isCurrent(entry, project, member);
  const faults = isFresh ? entry!.result.faults : [];
  const result = shownResult(entry, lastGood[id]);
  const isStale = !isFresh || faults.length > 0;
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
                <div className="relative -mx-3.5 h-[3px] shrink-0">
                  <div className="purfling-x absolute inset-x-0" />
                </div>
                <PunchingWays project={kept} member={keptMember} result={result} />
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
            lastGood={lastGood[id]?.member as PunchingMember | undefined}
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
