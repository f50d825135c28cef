'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { weigh } from '@/core/advice/rates';
import type { Check, CheckFamily } from '@/core/members/check';
import { governing } from '@/core/members/check';
import { sizeLabel, steelLabel } from '@/core/project/labels';
import { decisionFor, type BeamMember, type Member, type Project } from '@/core/project/project';
import { formatNumber, formatQuantity, formatUtilisation, formatValue, unitLabel } from '@/core/units/format';
import { addMember, freshId, freshMark } from '@/store/commands';
import { goOnDesigning, setActiveMember, stopDesigning } from '@/store/designing';
import { isCurrent, useProject, type ResultEntry } from '@/store/project-store';
import { Glyph, standingOf, standingText, type Standing } from '@/ui/Glyph';
import { Inlay } from '@/ui/Inlay';
import { memberActions, memberStanding } from '@/ui/MemberList';
import { Missing, Notice } from '@/ui/Missing';
import { newBeam } from '@/ui/new-beam';
import { newColumn, newWall } from '@/ui/new-column';
import { sheetPath } from '@/ui/sheet-path';
import { Silhouette } from '@/ui/Silhouette';
import { Menu, MenuItem, TopBar } from '@/ui/TopBar';
import { useLoadedProject } from '@/ui/use-loaded-project';
import { RatesEditor } from './RatesEditor';
import { SelectedEditor } from './SelectedEditor';

export function ProjectScreen() {
  const loaded = useLoadedProject();
  if (loaded.kind === 'missing') return <Missing reason={loaded.reason} />;
  if (loaded.kind === 'loading') return <p className="p-6">Opening the project.</p>;
  return <Overview project={loaded.project} />;
}

const families: readonly { readonly keys: readonly CheckFamily[]; readonly title: string }[] = [
  { keys: ['bending'], title: 'Bending' },
  { keys: ['shear', 'torsion'], title: 'Shear' },
  { keys: ['crack', 'deflection'], title: 'In service' },
  { keys: ['detailing'], title: 'Detailing' },
];

interface RowData {
  readonly member: Member;
  readonly entry: ResultEntry | undefined;
  readonly standing: Standing;
  readonly utilisation: number | null;
}

const order: Record<Standing, number> = { over: 5, decided: 4, near: 3, working: 2, within: 1, open: 0 };

/** All members, worst first, with each family of checks and what governs in words; and what it all takes. */
function Overview({ project }: { project: Project }) {
  const router = useRouter();
  const { results, edit, notice, setNotice } = useProject();
  useEffect(() => setActiveMember(null), []);
  const rows: RowData[] = project.members.map((member) => ({
    member,
    entry: results[member.id],
    ...memberStanding(project, member, results[member.id]),
  }));
  const sorted = [...rows].sort((a, b) => order[b.standing] - order[a.standing] || (b.utilisation ?? 0) - (a.utilisation ?? 0));
  const count = (s: Standing) => rows.filter((r) => r.standing === s).length;
  const done = rows.filter((r) => r.entry && isCurrent(r.entry, project, r.member)).length;
  const [isStopped, setStopped] = useState(false);
  const [text, setText] = useState('');
  const [only, setOnly] = useState<Standing | null>(null);
  const [selected, setSelected] = useState<ReadonlySet<string>>(new Set());
  const toggle = (ids: readonly string[], on: boolean) =>
    setSelected((before) => new Set(on ? [...before, ...ids] : [...before].filter((id) => !ids.includes(id))));
  const isWanted = (r: RowData) =>
    (only === null || r.standing === only) &&
    [
      r.member.mark,
      r.member.title,
      r.member.place,
      r.member.type === 'beam' && r.member.group ? `group ${r.member.group}` : '',
      reasonOf(r.entry?.result.faults[0]?.reason, r.entry?.result.governing ?? null),
    ]
      .join(' ')
      .toLowerCase()
      .includes(text.trim().toLowerCase());
  const listed = sorted.filter(isWanted);
  const last = project.members.filter((m) => m.type === 'beam').at(-1);
  const addUpright = (make: typeof newColumn | typeof newWall, like: string) => {
    const made = make(project, freshId(project), freshMark(project, like), project.members.at(-1)?.place ?? '');
    edit(`add ${made.mark}`, addMember(made));
    router.push(sheetPath(project, made));
  };
  const add = (mode: BeamMember['mode']) => {
    const made = newBeam(project, freshId(project), freshMark(project, last?.mark ?? 'B0'), last?.place ?? '', mode);
    edit(`add ${made.mark}`, addMember(made));
    router.push(sheetPath(project, made));
  };
  return (
    <div className="grid h-screen grid-cols-[minmax(0,1fr)] grid-rows-[auto_auto_1fr_auto]">
      <TopBar project={project} crumb={<b className="font-semibold">All members</b>} />
      <div className="flex items-center border-b border-ebony px-4 py-2">
        <div>
          <h1>{project.name}</h1>
          <p className="text-walnut">{[project.info.description, `${project.members.length} members`].filter(Boolean).join(' · ')}</p>
        </div>
        <div className="ml-auto flex items-center gap-6">
          {done < rows.length && (
            <div role="progressbar" aria-valuemin={0} aria-valuemax={rows.length} aria-valuenow={done} aria-label="Designing the project">
              <p className="small pb-1">
                {isStopped ? 'Stopped' : 'Designing'} · {done} of {rows.length}{' '}
                <button
                  type="button"
                  className="link ml-2"
                  onClick={() => {
                    (isStopped ? goOnDesigning : stopDesigning)();
                    setStopped(!isStopped);
                  }}
                >
                  {isStopped ? 'go on' : 'stop'}
                </button>
              </p>
              <div className="flex gap-px">
                {sorted.map((r) => (
                  <span
                    key={r.member.id}
                    className={`h-2.5 w-3 border border-ebony ${isCurrent(r.entry, project, r.member) ? 'bg-verdigris' : ''}`}
                  />
                ))}
              </div>
            </div>
          )}
          <div className="grid grid-cols-3 gap-x-4 gap-y-0.5 border-l border-line pl-6">
            {(['over', 'near', 'within', 'decided', 'open'] as const).map((s) => (
              <button
                key={s}
                type="button"
                aria-pressed={only === s}
                title={only === s ? 'show all' : 'show only these'}
                onClick={() => setOnly(only === s ? null : s)}
                className="flex items-center gap-1.5 px-1 text-left aria-pressed:bg-ebony aria-pressed:text-holly"
              >
                <Glyph standing={s} /> <b className="font-semibold">{count(s)}</b> {s === 'open' ? 'to come' : s}
              </button>
            ))}
          </div>
          <input
            className="field !w-40"
            type="search"
            aria-label="Show members with"
            placeholder="Show members with"
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
          <button type="button" className="btn" onClick={() => add('loads')}>
            Add a beam
          </button>
          <button type="button" className="btn" onClick={() => addUpright(newColumn, 'C0')}>
            Add a column
          </button>
          <button type="button" className="btn" onClick={() => addUpright(newWall, 'W0')}>
            Add a wall
          </button>
        </div>
      </div>
      <div className="flex min-h-0 flex-col">
        {selected.size > 0 && <SelectedEditor project={project} ids={selected} onDone={() => setSelected(new Set())} />}
        <div className="min-h-0 overflow-auto px-4">
          {rows.length === 0 && (
            <p className="py-8 text-[0.9rem]">
              No members yet.{' '}
              <button type="button" className="link" onClick={() => add('loads')}>
                Add a beam
              </button>{' '}
              or{' '}
              <button type="button" className="link" onClick={() => add('forces')}>
                check a section with known forces
              </button>
              .
            </p>
          )}
          <table className="w-full border-collapse" aria-label="Members, worst first">
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
                <th className="font-semibold">
                  Member <span className="font-normal text-walnut">worst first</span>
                </th>
                {['Place', 'Size', 'Reinforcement', ...families.map((f) => f.title), 'What governs', ''].map((h) => (
                  <th key={h} className="font-semibold">
                    {h}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {listed.map((row) => (
                <Row
                  key={row.member.id}
                  project={project}
                  {...row}
                  isSelected={selected.has(row.member.id)}
                  onSelect={(on) => toggle([row.member.id], on)}
                />
              ))}
            </tbody>
          </table>
          {rows.length > 0 && listed.length === 0 && <p className="py-4">No member is like that.</p>}
        </div>
      </div>
      <Totals project={project} rows={rows} />
      <Notice text={notice} onClose={() => setNotice(null)} />
    </div>
  );
}

function Row({
  project,
  member,
  entry,
  standing,
  isSelected,
  onSelect,
}: RowData & { project: Project; isSelected: boolean; onSelect: (on: boolean) => void }) {
  const router = useRouter();
  const href = sheetPath(project, member);
  const result = entry?.result;
  const isWorking = standing === 'working';
  const actions = memberActions(project, member, router.push);
  return (
    <tr className="h-[1.9rem] cursor-pointer border-b border-line hover:bg-sycamore" onClick={() => router.push(href)}>
      <td onClick={(e) => e.stopPropagation()}>
        <input type="checkbox" aria-label={`Select ${member.mark}`} checked={isSelected} onChange={(e) => onSelect(e.target.checked)} />
      </td>
      <td className="w-5">
        <Glyph standing={standing} />
      </td>
      <td className="w-7">
        <Silhouette member={member} />
      </td>
      <td className="whitespace-nowrap pr-3">
        <a
          href={href}
          onClick={(e) => {
            e.preventDefault();
            e.stopPropagation();
            router.push(href);
          }}
        >
          <b className="mr-2 font-semibold">{member.mark}</b>
          {member.title}
        </a>
      </td>
      <td className="pr-3 text-walnut">
        {member.place}
        {member.type === 'beam' && member.group !== '' && ` · group ${member.group}`}
      </td>
      <td className="whitespace-nowrap pr-3">{sizeLabel(member, project.display)}</td>
      <td className="pr-3 text-walnut">{steelLabel(project, member, result)}</td>
      {families.map((f) => (
        <FamilyCell key={f.title} check={worstOf(result?.checks ?? [], f.keys)} member={member} isWorking={isWorking} />
      ))}
      <td className="max-w-64 truncate" title={reasonOf(result?.faults[0]?.reason, result?.governing ?? null)}>
        {isWorking ? 'Designing' : reasonOf(result?.faults[0]?.reason, result?.governing ?? null)}
      </td>
      <td onClick={(e) => e.stopPropagation()}>
        <Menu isBare align="end" label={<span className="sr-only">More on {member.mark}</span>}>
          <MenuItem onSelect={actions.copy}>Copy {member.mark}</MenuItem>
          <MenuItem onSelect={actions.up}>Move up</MenuItem>
          <MenuItem onSelect={actions.down}>Move down</MenuItem>
          <MenuItem onSelect={actions.remove}>Delete {member.mark}</MenuItem>
        </Menu>
      </td>
    </tr>
  );
}

const worstOf = (checks: readonly Check[], keys: readonly CheckFamily[]) => governing(checks.filter((c) => keys.includes(c.family)));

function reasonOf(fault: string | undefined, check: Check | null): string {
  if (fault) return fault;
  if (!check) return 'Waiting';
  return check.reason ?? [check.title, check.combination.split(',')[0]].filter(Boolean).join(', ');
}

function FamilyCell({ check, member, isWorking }: { check: Check | undefined; member: Member; isWorking: boolean }) {
  if (!check) return <td className="w-28" />;
  const standing = isWorking ? 'working' : standingOf(check.status, decisionFor(member, check) !== undefined);
  return (
    <td className="w-28">
      <span className="flex items-center gap-1">
        <Inlay utilisation={check.utilisation} standing={standing} width={42} framed />
        <span className={standingText[standing]}>{isWorking ? '–' : formatUtilisation(check.utilisation)}</span>
      </span>
    </td>
  );
}

function Totals({ project, rows }: { project: Project; rows: readonly RowData[] }) {
  const list = rows.flatMap((r) => (r.entry?.result.quantities ? [r.entry.result.quantities] : []));
  const sum = (pick: (q: (typeof list)[number]) => number) => list.reduce((total, q) => total + pick(q), 0);
  const concrete = sum((q) => q.concrete);
  const [bars, links] = [sum((q) => q.bars), sum((q) => q.links)];
  const system = project.display;
  const figures = [
    {
      title: 'Concrete',
      value: formatValue(concrete, 'volume', system, 1),
      unit: unitLabel('volume', system),
      note: `${list.length} members counted`,
    },
    {
      title: 'Reinforcement',
      value: formatValue(bars + links, 'mass', system),
      unit: unitLabel('mass', system),
      note: `bars ${formatQuantity(bars, 'mass', system)} · links ${formatQuantity(links, 'mass', system)}, without laps and hooks of bars`,
    },
    {
      title: 'Steel per concrete',
      value: concrete > 0 ? formatValue((bars + links) / concrete, 'massPerVolume', system) : '–',
      unit: unitLabel('massPerVolume', system),
      note: 'over all members',
    },
    ...(['cost', 'carbon'] as const).map((kind) => {
      const total = rows.reduce((amount, { member, entry }) => {
        const q = entry?.result.quantities;
        return q ? amount + weigh(q, member.materials.concreteStrength, project.rates[kind]) : amount;
      }, 0);
      return {
        title: kind === 'cost' ? 'Cost' : 'Carbon',
        value: kind === 'cost' ? formatNumber(total, 0) : formatNumber(total / 1000, 1),
        unit: kind === 'cost' ? '' : 't CO₂e',
        note: 'materials, for comparing',
      };
    }),
  ];
  return (
    <footer className="flex">
      <div className="absolute inset-x-0 -mt-[3px] purfling-x" />
      {figures.map((f) => (
        <div key={f.title} className="border-r border-line px-4 py-2.5">
          <h2>{f.title}</h2>
          <p className="font-serif text-[1.875rem] leading-[2.375rem]">
            {f.value} <span className="font-plex text-[0.8125rem]">{f.unit}</span>
          </p>
          <p className="small">
            {f.note} {f.title === 'Cost' && <RatesEditor project={project} />}
          </p>
        </div>
      ))}
    </footer>
  );
}
