'use client';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { Fragment, useCallback, useEffect, useState } from 'react';
import { kinds } from '@/core/members/kinds';
import { startName } from '@/core/project/new-member';
import { addFresh } from '@/store/add-fresh';
import type { Project } from '@/core/project/project';
import { designAllAgain, goOnDesigning, setActiveMember, stopDesigning } from '@/store/designing';
import { useProject } from '@/store/project-store';
import { Glyph, type Standing } from '@/ui/drawing/Glyph';
import { Missing, Notice } from '@/ui/paper/Missing';
import { sheetPath } from '@/ui/sheet/sheet-path';
import { TopBar } from '@/ui/sheet/TopBar';
import { useLoadedProject } from '@/ui/sheet/use-loaded-project';
import { ImportDialog } from './import/ImportDialog';
import { MemberRow } from './MemberRow';
import { families, hasText, isDone, rowsOf, sortRows, type RowData, type SortKey } from './rows';
import { SelectedEditor } from './SelectedEditor';
import { Totals } from './Totals';
import { counted } from '@/core/units/format';
import { memberTable } from '@/core/project/member-table';
import { TableFiles } from '@/ui/tables/TableFiles';

/** Loaded when it is wanted. */
const MembersChart = dynamic(() => import('@/ui/charts/MembersChart').then((m) => m.MembersChart), { ssr: false });

export function ProjectScreen() {
  const loaded = useLoadedProject();
  if (loaded.kind === 'missing') return <Missing reason={loaded.reason} found={loaded.found} />;
  if (loaded.kind === 'loading') return <p className="p-6">Opening the project.</p>;
  return <Overview project={loaded.project} />;
}

/** One button for each kind of member that can be added; what else a kind may begin as is offered where there are no members yet. */
function AddMembers({ onAdd }: { onAdd: (start: string) => void }) {
  return (
    <div className="flex items-center gap-1.5 whitespace-nowrap" role="group" aria-label="Add a member">
      Add
      {kinds.map(({ starts: [start] }) => (
        <button
          key={start!.id}
          type="button"
          className="btn !px-2"
          aria-label={`Add ${startName(start!)}`}
          onClick={() => onAdd(start!.id)}
        >
          {start!.title}
        </button>
      ))}
    </div>
  );
}

/** All members in the order in which they stand, as a file for a spreadsheet. */
function ListFiles({ project, rows }: { project: Project; rows: readonly RowData[] }) {
  const designed = rows.flatMap(({ member, entry }) => (entry ? [{ member, result: entry.result }] : []));
  return (
    <TableFiles
      name={`${project.name} members`}
      units={project.display}
      tables={() => [memberTable(project, designed)]}
      isDisabled={!rows.every((r) => isDone(project, r))}
    />
  );
}

/** All members, worst first, with each family of checks and what governs in words; and what it all takes. */
function Overview({ project }: { project: Project }) {
  const router = useRouter();
  const results = useProject((s) => s.results);
  useEffect(() => setActiveMember(null), []);
  const rows = rowsOf(project, results);
  const [by, setBy] = useState<SortKey>('worst');
  const sorted = sortRows(rows, by, project);
  const count = (s: Standing) => rows.filter((r) => r.standing === s).length;
  const [text, setText] = useState('');
  const [isCharted, setCharted] = useState(false);
  const [isImporting, setImporting] = useState(false);
  const [only, setOnly] = useState<Standing | null>(null);
  const [selected, setSelected] = useState<ReadonlySet<string>>(new Set());
  const toggle = useCallback(
    (ids: readonly string[], on: boolean) =>
      setSelected((before) => new Set(on ? [...before, ...ids] : [...before].filter((id) => !ids.includes(id)))),
    [],
  );
  const toggleOne = useCallback((id: string, on: boolean) => toggle([id], on), [toggle]);
  const listed = sorted.filter((r) => (only === null || r.standing === only) && hasText(r, text));
  const add = (startId: string) => router.push(sheetPath(project, addFresh(startId)));
  return (
    <div className="grid h-screen grid-cols-[minmax(0,1fr)] grid-rows-[auto_auto_1fr_auto]">
      <TopBar project={project} crumb={<b className="font-semibold">All members</b>} />
      <div className="flex items-center border-b border-ebony px-4 py-2">
        <div>
          <h1>{project.name}</h1>
          <p className="text-walnut">
            {[project.info.description, counted(project.members.length, 'member')].filter(Boolean).join(' · ')}
            {rows.length > 0 && rows.every((r) => isDone(project, r)) && (
              <>
                {' · '}
                <button type="button" className="link" onClick={designAllAgain}>
                  design all anew
                </button>
              </>
            )}
            {' · '}
            <button type="button" className="link" onClick={() => setImporting(true)}>
              import a table or a model
            </button>
            {isImporting && <ImportDialog project={project} onClose={() => setImporting(false)} />}
            {rows.length > 0 && (
              <>
                {' · '}
                <button type="button" className="link" aria-pressed={isCharted} onClick={() => setCharted(!isCharted)}>
                  {isCharted ? 'no chart' : 'chart'}
                </button>
                {' · list as '}
                <ListFiles project={project} rows={sorted} />
              </>
            )}
          </p>
        </div>
        <div className="ml-auto flex items-center gap-6">
          <Progress project={project} rows={sorted} />
          <div className="grid grid-cols-[repeat(3,max-content)] gap-x-4 gap-y-0.5 border-l border-line pl-6">
            {(['over', 'near', 'within', 'accepted', 'open'] as const).map((s) => (
              <button
                key={s}
                type="button"
                aria-pressed={only === s}
                title={only === s ? 'show all' : 'show only these'}
                onClick={() => setOnly(only === s ? null : s)}
                className="flex items-center gap-1.5 whitespace-nowrap px-1 text-left aria-pressed:bg-ebony aria-pressed:text-holly"
              >
                <Glyph standing={s} /> <b className="font-semibold">{count(s)}</b> {s === 'open' ? 'to come' : s}
              </button>
            ))}
          </div>
          <input
            className="field !w-40 shrink-0"
            type="search"
            aria-label="Show members with"
            placeholder="Show members with"
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
          <AddMembers onAdd={add} />
        </div>
      </div>
      <div className="flex min-h-0 flex-col">
        {selected.size > 0 && <SelectedEditor project={project} ids={selected} onDone={() => setSelected(new Set())} />}
        <div className="min-h-0 overflow-auto px-4">
          {rows.length === 0 && (
            <p className="py-8 text-[0.9rem]">
              No members yet.{' '}
              {kinds[0]!.starts.map((start, k) => (
                <Fragment key={start.id}>
                  {k > 0 && ' or '}
                  <button type="button" className="link" onClick={() => add(start.id)}>
                    {k === 0 ? 'Add' : (start.verb ?? 'add')} {startName(start)}
                  </button>
                </Fragment>
              ))}
              .
            </p>
          )}
          <table className="w-full border-collapse" aria-label={by === 'worst' ? 'Members, worst first' : 'Members'}>
            <thead className="sticky top-0 z-[2] bg-holly">
              <tr className="h-7 border-b border-ebony text-left">
                <th className="w-6">
                  <input
                    type="checkbox"
                    aria-label="Select all that are shown"
                    checked={listed.length > 0 && listed.every((r) => selected.has(r.member.id))}
                    onChange={(e) =>
                      toggle(
                        listed.map((r) => r.member.id),
                        e.target.checked,
                      )
                    }
                  />
                </th>
                <th aria-label="State" />
                <th aria-label="Shape" />
                {columns.map(([key, title]) => (
                  <th
                    key={title}
                    className="font-semibold"
                    aria-sort={by === key ? (isFigure(key) ? 'descending' : 'ascending') : undefined}
                  >
                    {key ? <SortButton title={title} isOn={by === key} onPick={() => setBy(by === key ? 'worst' : key)} /> : title}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {listed.map((row) => (
                <MemberRow key={row.member.id} project={project} row={row} isSelected={selected.has(row.member.id)} onSelect={toggleOne} />
              ))}
            </tbody>
          </table>
          {rows.length > 0 && listed.length === 0 && <p className="py-4">No member is like that.</p>}
        </div>
      </div>
      <div>
        {isCharted && listed.length > 0 && (
          <div className="border-t border-ebony px-4">
            <MembersChart
              units={project.display}
              members={listed.map(({ member, utilisation, standing, entry }) => ({
                mark: member.mark,
                utilisation,
                isOver: standing === 'over',
                quantities: entry?.result.quantities ?? null,
              }))}
            />
          </div>
        )}
        <Totals project={project} rows={rows} />
      </div>
      <Notice />
    </div>
  );
}

/** Headings of the list; those with a key can be sorted by. */
const columns: readonly (readonly [SortKey | '', string])[] = [
  ['mark', 'Member'],
  ['place', 'Place'],
  ['size', 'Size'],
  ['', 'Reinforcement'],
  ...families.map((f) => [f.title, f.title] as const),
  ['worst', 'What governs'],
  ['', ''],
];
const isFigure = (key: SortKey) => key === 'worst' || families.some((f) => f.title === key);

function SortButton({ title, isOn, onPick }: { title: string; isOn: boolean; onPick: () => void }) {
  return (
    <button type="button" className="inline-flex items-center gap-1 hover:underline" onClick={onPick}>
      {title}
      <span className={isOn ? '' : 'invisible'} aria-hidden="true">
        {title === 'What governs' ? '· worst first' : '↓'}
      </span>
    </button>
  );
}

/** How far the design of all members has come, with the way to stop it and go on. */
function Progress({ project, rows }: { project: Project; rows: readonly RowData[] }) {
  const [isStopped, setStopped] = useState(false);
  const done = rows.filter((r) => isDone(project, r)).length;
  if (done === rows.length) return null;
  const toggle = () => {
    (isStopped ? goOnDesigning : stopDesigning)();
    setStopped(!isStopped);
  };
  return (
    <div role="group" aria-label="Design of the project" className="ml-4 w-40 shrink-0">
      <p className="small pb-1">
        {isStopped ? 'Stopped' : 'Designing'} · {done} of {rows.length}{' '}
        <button type="button" className="link ml-2" onClick={toggle}>
          {isStopped ? 'go on' : 'stop'}
        </button>
      </p>
      <div
        className="flex max-w-60 flex-wrap gap-px"
        role="progressbar"
        aria-valuemin={0}
        aria-valuemax={rows.length}
        aria-valuenow={done}
        aria-label="Designing the project"
      >
        {rows.map((r) => (
          <span
            key={r.member.id}
            className={`border border-ebony ${rows.length > 40 ? 'h-1 w-1' : 'h-2.5 w-3'} ${isDone(project, r) ? 'bg-verdigris' : ''}`}
          />
        ))}
      </div>
    </div>
  );
}
