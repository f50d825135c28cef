'use client';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { withFlanges } from '@/core/members/beam/effective-flange';
import { emptyBeamResult, type BeamResult } from '@/core/members/beam/result';
import { codeOf, type BeamMember, type Project } from '@/core/project/project';
import { formatQuantity, formatValue } from '@/core/units/format';
import { addMember, freshId, freshMark } from '@/store/commands';
import { useProject, type ResultEntry } from '@/store/project-store';
import type { DragPhase } from '@/ui/DrawingView';
import { barEndAt, movedTo } from '@/ui/bar-ends';
import { HandChecks } from '@/ui/HandChecks';
import { Ladder } from '@/ui/Ladder';
import { MemberScreen } from '@/ui/MemberScreen';
import { sheetPath } from '@/ui/sheet-path';
import { newBeam } from '@/ui/new-beam';
import { ScheduleTable } from '@/ui/ScheduleTable';
import { Purfling, SheetFrame } from '@/ui/SheetFrame';
import { SheetTitle } from '@/ui/SheetTitle';
import { useBox } from '@/ui/use-box';
import { useDrawnEditing } from '@/ui/use-drawn-editing';
import { useSheet } from '@/ui/use-sheet';
import { useSheetKeys } from '@/ui/use-sheet-keys';
import { BarsPanel } from './BarsPanel';
import { BasisPanel } from './BasisPanel';
import { fieldAt } from './fields';
import { ForcesPanel } from './ForcesPanel';
import { LoadsPanel } from './LoadsPanel';
import { SectionPanel } from './SectionPanel';
import { Strips } from './Strips';
import { CombinationsPanel } from '@/ui/CombinationsPanel';
import { SupportEditor } from '@/ui/SupportEditor';
import { ValueEditor } from '@/ui/ValueEditor';
import { VariantsPanel } from '@/ui/VariantsPanel';
import { BeamWays } from './BeamWays';
import { onBeam } from '@/store/commands';

/** Loaded when it is opened. */
const CagePanel = dynamic(() => import('./CagePanel').then((m) => m.CagePanel), { ssr: false });

export const BeamScreen = () => <MemberScreen find={beamIn} sheet={Sheet} />;

const panels = ['strips', 'service', 'loads', 'bars', 'combinations', 'basis', 'hand', 'variants'] as const;
/** The cage is opened from the section, not from the row of panels. */
type Panel = (typeof panels)[number] | 'cage';

const beamIn = (project: Project, id: string) => project.members.find((m): m is BeamMember => m.id === id && m.type === 'beam');

/** Whether a result can be shown for a beam as it now stands: the same spans, and forces still forces. */
function fits(entry: ResultEntry, beam: BeamMember): entry is ResultEntry & { readonly result: BeamResult } {
  const { member, result } = entry;
  return result.type === 'beam' && member.type === 'beam' && member.spans.length === beam.spans.length && member.mode === beam.mode;
}

/** A member's whole screen. While a value is typed everything on it is shown for the tentative value. */
function Sheet({ project: kept, id }: { project: Project; id: string }) {
  const router = useRouter();
  const edit = useProject((s) => s.edit);
  const { project, member, keptMember, faults, good, isStale } = useSheet(kept, id, beamIn);
  const result = good && fits(good, member) ? good.result : emptyBeamResult([]);
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
    const made = newBeam(kept, freshId(kept), freshMark(kept, member.mark), member.place);
    edit(`add ${made.mark}`, addMember(made, id));
    router.push(sheetPath(kept, made));
  };
  useSheetKeys(kept, id, { add, panels, setPanel });
  const field = editing && fieldAt(editing.path, { project: kept, member: keptMember, steel: result.steel });
  /** A moved end is tentative until it is let go; the station line goes along, so that its values are read there. */
  const onMove = (path: string, x: number, reach: number, phase: DragPhase) => {
    const { setPreview } = useProject.getState();
    const end = barEndAt(path, keptMember, result.steel);
    if (!end || phase === 'leave') return setPreview(null);
    const { value, change } = movedTo(end, x, keptMember, reach);
    if (phase === 'move') {
      setStation(Math.max(0, Math.min(length, x)));
      return setPreview(onBeam(id, change));
    }
    edit(`move ${end.label.toLowerCase()} of ${member.mark} to ${formatQuantity(value, 'span', kept.display)}`, onBeam(id, change));
  };
  const supportIndex = editing ? /^supports\[(\d+)\]$/.exec(editing.path)?.[1] : undefined;

  return (
    <>
      <SheetFrame
        project={kept}
        member={member}
        faults={faults}
        onAdd={add}
        asideLabel="Section and checks"
        title={<Title project={kept} member={member} panel={panel} onPanel={setPanel} />}
        aside={
          <>
            {member.mode === 'loads' && (
              <SectionPanel
                project={project}
                member={withFlanges(member, codeOf(project, member))}
                result={result}
                station={at}
                onEdit={drawn.open}
                editing={editing?.path ?? null}
                onCage={() => setPanel(panel === 'cage' ? 'strips' : 'cage')}
              />
            )}
            <div className="purfling-x -mx-3.5" />
            <Ladder project={kept} member={member} checks={result.checks} isStale={isStale} onPlace={setStation} />
            {keptMember.mode === 'loads' && faults.length === 0 && (
              <>
                <Purfling />
                <BeamWays project={kept} member={keptMember} />
              </>
            )}
          </>
        }
      >
        {(panel === 'strips' || panel === 'service') && member.mode === 'loads' && (
          <Centre
            {...{
              shows: panel === 'strips' ? ('strength' as const) : ('service' as const),
              project,
              member,
              result,
              station: at,
              onStation: setStation,
              onEdit: drawn.open,
              onMove,
              editing: editing?.path ?? null,
              isStale,
            }}
          />
        )}
        {panel === 'strips' && member.mode === 'forces' && (
          <ForcesPanel project={project} member={member} result={result} onEdit={drawn.open} editing={editing?.path ?? null} />
        )}
        {panel === 'loads' && <LoadsPanel project={kept} member={member} faults={faults} />}
        {panel === 'bars' && (
          <BarsPanel
            project={kept}
            member={member}
            steel={result.steel}
            schedule={<ScheduleTable project={kept} member={keptMember} result={result} />}
          />
        )}
        {panel === 'cage' && (
          <CagePanel project={kept} member={withFlanges(keptMember, codeOf(kept, keptMember))} result={result} station={at} />
        )}
        {panel === 'combinations' && <CombinationsPanel project={kept} member={member} />}
        {panel === 'basis' && <BasisPanel project={kept} member={member} result={result} faults={faults} />}
        {panel === 'variants' && <VariantsPanel project={kept} member={keptMember} result={result} />}
        {panel === 'hand' && <HandChecks project={kept} result={result} />}
      </SheetFrame>
      {editing && field && (
        <ValueEditor<BeamMember>
          change={onBeam}
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

function Title({ project, member, panel, onPanel }: { project: Project; member: BeamMember; panel: Panel; onPanel: (p: Panel) => void }) {
  const code = codeOf(project, member);
  const spans = member.spans.map((s) => formatValue(s.length / 1000, 'number', 'SI', 1)).join(' + ');
  const us = member.spans.map((s) => formatValue(s.length, 'span', 'US', 1)).join(' + ');
  const subtitle = [
    code.concreteLabel(member.materials.concreteStrength),
    member.mode === 'forces' ? 'known design forces' : project.display === 'US' ? `${us} ft` : `${spans} m`,
  ].join(' · ');
  const names: Record<Panel, string> = {
    strips: member.mode === 'forces' ? 'Section' : 'Drawing',
    service: 'In service',
    loads: 'Loads',
    bars: 'Bars',
    combinations: 'Combinations',
    cage: 'Cage',
    basis: 'Basis',
    hand: 'By hand',
    variants: 'Variants',
  };
  const offered = member.mode === 'forces' ? (['strips', 'basis', 'variants'] as const) : panels;
  return <SheetTitle {...{ project, member, subtitle, panel, onPanel }} panels={offered.map((p) => [p, names[p]] as const)} />;
}

/** Elevation and strips, as wide as the middle of the screen. */
function Centre(props: Omit<Parameters<typeof Strips>[0], 'width' | 'scale' | 'room'> & { isStale: boolean }) {
  const [box, size] = useBox<HTMLDivElement>({ width: 748, height: 700 });
  const room = Math.max(330, size.height - 236 - 40);
  return (
    <div
      ref={box}
      className={`min-h-0 flex-1 overflow-y-auto overflow-x-hidden ${props.isStale ? 'stale' : ''}`}
      data-stale={props.isStale || undefined}
    >
      <Strips {...props} width={size.width} scale={size.scale} room={room} />
      {props.member.loads.length === 0 && (
        <p className="px-3.5 py-2">No loads yet on {props.member.mark}: open Loads and add one, or paste a table.</p>
      )}
    </div>
  );
}
