'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { emptyStripResult, type StripResult } from '@/core/members/strip/result';
import { codeOf, type Project, type StripMember } from '@/core/project/project';
import { formatQuantity, formatValue } from '@/core/units/format';
import { addMember, freshId, freshMark, onStrip } from '@/store/commands';
import { useProject, type ResultEntry } from '@/store/project-store';
import { barEndAt, movedTo } from '@/ui/bar-ends';
import { CombinationsPanel } from '@/ui/CombinationsPanel';
import type { DragPhase } from '@/ui/DrawingView';
import { HandChecks } from '@/ui/HandChecks';
import { Ladder } from '@/ui/Ladder';
import { MemberScreen } from '@/ui/MemberScreen';
import { newStrip } from '@/ui/new-strip';
import { ScheduleTable } from '@/ui/ScheduleTable';
import { sheetPath } from '@/ui/sheet-path';
import { Purfling, SheetFrame } from '@/ui/SheetFrame';
import { SheetTitle } from '@/ui/SheetTitle';
import { SupportEditor } from '@/ui/SupportEditor';
import { useDrawnEditing } from '@/ui/use-drawn-editing';
import { useSheet } from '@/ui/use-sheet';
import { useSheetKeys } from '@/ui/use-sheet-keys';
import { ValueEditor } from '@/ui/ValueEditor';
import { VariantsPanel } from '@/ui/VariantsPanel';
import { BasisPanel } from './BasisPanel';
import { stripField } from './fields';
import { SlabBarsPanel } from './SlabBarsPanel';
import { SlabSection } from './SlabSection';
import { SlabSheet } from './SlabSheet';
import { StripLoads } from './StripLoads';
import { StripWays } from './StripWays';

export const StripScreen = () => <MemberScreen find={stripIn} sheet={Sheet} />;

const stripIn = (project: Project, id: string) => project.members.find((m): m is StripMember => m.id === id && m.type === 'strip');

const panels = ['strips', 'service', 'loads', 'bars', 'combinations', 'basis', 'hand', 'variants'] as const;
type Panel = (typeof panels)[number];
const names: Record<Panel, string> = {
  strips: 'Drawing',
  service: 'In service',
  loads: 'Loads',
  bars: 'Bars',
  combinations: 'Combinations',
  basis: 'Basis',
  hand: 'By hand',
  variants: 'Variants',
};

/** Whether a result can be shown for a slab as it now stands. */
function fits({ member, result }: ResultEntry, strip: StripMember): boolean {
  return result.type === 'strip' && member.type === 'strip' && member.spans.length === strip.spans.length;
}

/** A slab spanning one way on one sheet. While a value is typed everything on it is shown for the tentative value. */
function Sheet({ project: kept, id }: { project: Project; id: string }) {
  const router = useRouter();
  const edit = useProject((s) => s.edit);
  const { project, member, keptMember, faults, good, isStale } = useSheet(kept, id, stripIn);
  const result = good && fits(good, member) ? (good.result as StripResult) : emptyStripResult([]);
  const [panel, setPanel] = useState<Panel>('strips');
  const drawn = useDrawnEditing();
  const { editing, close } = drawn;
  const [station, setStation] = useState<number | null>(null);
  const length = member.spans.reduce((sum, s) => sum + s.length, 0);
  // The station line first stands where the first result governs, and then only moves when it is moved.
  const [home, setHome] = useState<number | null>(null);
  if (home === null && result.governing?.place.x != null) setHome(result.governing.place.x);
  const at = Math.min(station ?? home ?? length / 2, length);
  const add = () => {
    const made = newStrip(kept, freshId(kept), freshMark(kept, member.mark), member.place);
    edit(`add ${made.mark}`, addMember(made, id));
    router.push(sheetPath(kept, made));
  };
  useSheetKeys(kept, id, { add, panels, setPanel });
  const field = editing && stripField(editing.path, { project: kept, member: keptMember, steel: result.steel });
  const supportIndex = editing ? /^supports\[(\d+)\]$/.exec(editing.path)?.[1] : undefined;
  /** A moved end is tentative until it is let go; the station line goes along. */
  const onMove = (path: string, x: number, reach: number, phase: DragPhase) => {
    const { setPreview } = useProject.getState();
    const end = barEndAt(path, keptMember, result.steel);
    if (!end || phase === 'leave') return setPreview(null);
    const { value, change } = movedTo(end, x, keptMember, reach);
    if (phase === 'move') {
      setStation(Math.max(0, Math.min(length, x)));
      return setPreview(onStrip(id, change));
    }
    edit(`move ${end.label.toLowerCase()} of ${member.mark} to ${formatQuantity(value, 'span', kept.display)}`, onStrip(id, change));
  };
  const spans = member.spans.map((s) =>
    kept.display === 'US' ? formatValue(s.length, 'span', 'US', 1) : formatValue(s.length / 1000, 'number', 'SI', 1),
  );
  const subtitle = [
    codeOf(project, member).concreteLabel(member.materials.concreteStrength),
    `${spans.join(' + ')} ${kept.display === 'US' ? 'ft' : 'm'}`,
  ].join(' · ');
  return (
    <>
      <SheetFrame
        project={kept}
        member={member}
        faults={faults}
        onAdd={add}
        asideLabel="Section and checks"
        title={
          <SheetTitle
            {...{ project: kept, member, subtitle, panel }}
            panels={panels.map((p) => [p, names[p]] as const)}
            onPanel={setPanel}
          />
        }
        aside={
          <>
            <SlabSection {...{ project, member, result }} station={at} onEdit={drawn.open} editing={editing?.path ?? null} />
            <div className="purfling-x -mx-3.5" />
            <Ladder project={kept} member={member} checks={result.checks} isStale={isStale} onPlace={setStation} />
            {faults.length === 0 && (
              <>
                <Purfling />
                <StripWays project={kept} member={keptMember} />
              </>
            )}
          </>
        }
      >
        {(panel === 'strips' || panel === 'service') && (
          <SlabSheet
            {...{ project, member, result, isStale, onMove }}
            shows={panel === 'strips' ? 'strength' : 'service'}
            station={at}
            onStation={setStation}
            onEdit={drawn.open}
            editing={editing?.path ?? null}
          />
        )}
        {panel === 'loads' && <StripLoads project={kept} member={member} faults={faults} />}
        {panel === 'bars' && (
          <SlabBarsPanel
            project={kept}
            member={member}
            steel={result.steel}
            schedule={<ScheduleTable project={kept} member={keptMember} result={result} />}
          />
        )}
        {panel === 'combinations' && <CombinationsPanel project={kept} member={member} />}
        {panel === 'basis' && <BasisPanel project={kept} member={member} result={result} faults={faults} />}
        {panel === 'hand' && <HandChecks project={kept} result={result} width={result.width} />}
        {panel === 'variants' && <VariantsPanel project={kept} member={keptMember} result={result} />}
      </SheetFrame>
      {editing && field && (
        <ValueEditor<StripMember>
          change={onStrip}
          key={editing.path}
          path={editing.path}
          member={keptMember}
          field={field}
          target={editing.target}
          onClose={close}
          onNext={drawn.next}
        />
      )}
      {editing && supportIndex !== undefined && (
        <SupportEditor project={kept} member={member} index={Number(supportIndex)} target={editing.target} onClose={close} />
      )}
    </>
  );
}
