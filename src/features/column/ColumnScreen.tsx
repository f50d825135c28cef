'use client';
import { useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useState } from 'react';
import { emptyColumnResult, type ColumnResult } from '@/core/members/column/result';
import { codeOf, type Project, type UprightMember } from '@/core/project/project';
import { formatQuantity } from '@/core/units/format';
import { addMember, freshId, freshMark, onUpright } from '@/store/commands';
import { setActiveMember } from '@/store/designing';
import { isCurrent, useProject, type ResultEntry } from '@/store/project-store';
import { Ladder } from '@/ui/Ladder';
import { MemberList } from '@/ui/MemberList';
import { Missing, Notice } from '@/ui/Missing';
import { newColumn, newWall } from '@/ui/new-column';
import { sheetPath } from '@/ui/sheet-path';
import { SheetTitle } from '@/ui/SheetTitle';
import { TopBar } from '@/ui/TopBar';
import { useLoadedProject } from '@/ui/use-loaded-project';
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
import { SurfacePanel } from './SurfacePanel';
import { WallEditor } from './WallEditor';
import { WaysForward } from './WaysForward';

export function ColumnScreen() {
  const loaded = useLoadedProject();
  const id = useSearchParams().get('m') ?? '';
  if (loaded.kind === 'missing') return <Missing reason={loaded.reason} />;
  if (loaded.kind === 'loading') return <p className="p-6">Opening the project.</p>;
  if (!columnIn(loaded.project, id)) return <Missing reason="There is no such column or wall in this project." />;
  return <Sheet key={id} project={loaded.project} id={id} />;
}

const columnIn = (project: Project, id: string) => project.members.find((m): m is UprightMember => m.id === id && m.type !== 'beam');

type Panel = 'sheet' | 'sets' | 'surface' | 'variants' | 'basis';
const panels: readonly Panel[] = ['sheet', 'sets', 'surface', 'variants', 'basis'];

/** The last result without faults, when the one for today's input has some. */
function shownResult(entry: ResultEntry | undefined, lastGood: ResultEntry | undefined): ColumnResult {
  const good = entry && entry.result.faults.length === 0 ? entry : lastGood;
  return good && good.result.type !== 'beam' ? good.result : emptyColumnResult('column', []);
}

/** A column's whole screen. While a value is typed everything on it is shown for the tentative value. */
function Sheet({ project: kept, id }: { project: Project; id: string }) {
  const router = useRouter();
  const { preview, results, lastGood, notice, setNotice, edit } = useProject();
  const project = preview ?? kept;
  const member = columnIn(project, id)!;
  const keptMember = columnIn(kept, id)!;
  const [panel, setPanel] = useState<Panel>('sheet');
  const [editing, setEditing] = useState<{ path: string; target: Element } | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  useEffect(() => {
    setActiveMember(id);
    return () => setActiveMember(null);
  }, [id]);
  const entry = results[id];
  const isFresh = isCurrent(entry, project, member);
  const faults = isFresh ? entry!.result.faults : [];
  const result = shownResult(entry, lastGood[id]);
  const isStale = !isFresh || faults.length > 0;
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
    setEditing({ path, target });
  };
  const close = () => {
    const path = editing?.path;
    setEditing(null);
    requestAnimationFrame(() => document.querySelector<SVGElement>(`[data-edit="${CSS.escape(path ?? '')}"]`)?.focus());
  };
  const openNext = (direction: 1 | -1) => {
    const path = editing?.path;
    setEditing(null);
    requestAnimationFrame(() => {
      const all = [...document.querySelectorAll<SVGElement>('[data-edit][role=button]:not(circle)')];
      const from = all.findIndex((el) => el.dataset.edit === path);
      const next = all[(from + direction + all.length) % all.length];
      next?.focus();
      if (next?.dataset.edit) openEditor(next.dataset.edit, next);
    });
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
    <div className="grid h-screen grid-cols-[minmax(0,1fr)] grid-rows-[auto_1fr]">
      <TopBar
        project={kept}
        memberId={id}
        crumb={
          <>
            <span className="text-walnut max-[1100px]:hidden">{member.place} /</span> <b className="font-semibold">{member.mark}</b>
          </>
        }
      />
      <div className="grid min-h-0 grid-cols-[auto_minmax(0,1fr)_22.25rem]">
        <MemberList project={kept} activeId={id} onAdd={add} />
        <main className="flex min-h-0 min-w-0 flex-col" aria-label={`${member.mark} ${member.title}`}>
          <SheetTitle
            {...{ project: kept, member: keptMember, subtitle, panel }}
            panels={[
              ['sheet', 'Sheet'],
              ['sets', 'Load sets'],
              ['surface', 'Surface'],
              ['variants', 'Variants'],
              ['basis', 'Basis'],
            ]}
            onPanel={setPanel}
          />
          {faults.length > 0 && (
            <div role="alert" className="mx-3.5 mb-1 border-l-2 border-madder pl-2 text-madder-text">
              {faults.slice(0, 4).map((f) => (
                <p key={f.path + f.reason}>{f.reason}</p>
              ))}
              <p className="text-walnut">The last good result stays below, marked as old.</p>
            </div>
          )}
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
          {panel === 'variants' && <VariantsPanel project={kept} member={keptMember} result={result} />}
          {panel === 'basis' && <BasisPanel project={kept} member={keptMember} result={result} faults={faults} />}
        </main>
        <aside className="flex min-h-0 flex-col border-l border-ebony px-3.5" aria-label="Checks">
          <Ladder project={kept} member={keptMember} checks={result.checks} isStale={isStale} onPlace={() => undefined} />
          {keptMember.type === 'column' && faults.length === 0 && (
            <>
              <div className="relative -mx-3.5 h-[3px] shrink-0">
                <div className="purfling-x absolute inset-x-0" />
              </div>
              <WaysForward project={kept} member={keptMember} />
            </>
          )}
        </aside>
      </div>
      {editing && field && (
        <ValueEditor<UprightMember>
          change={onUpright}
          key={editing.path}
          path={editing.path}
          member={keptMember}
          field={field}
          target={editing.target}
          onClose={close}
          onNext={openNext}
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
      <Notice text={notice} onClose={() => setNotice(null)} />
    </div>
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
  const own = result.summaries.find((s) => result.sets[s.index]!.name === name);
  if (own) return own.index;
  const worst = result.summaries.reduce<ColumnResult['summaries'][number] | undefined>(
    (a, b) => (!a || (b.utilisation ?? 99) > (a.utilisation ?? 99) ? b : a),
    undefined,
  );
  return worst?.index ?? 0;
}
