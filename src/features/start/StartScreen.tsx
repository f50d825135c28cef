'use client';
import { Select } from '@/ui/fields/Select';
import { useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { AlertDialog } from 'radix-ui';
import { codeVariants } from '@/core/codes/registry';
import type { Project } from '@/core/project/project';
import { readProject } from '@/core/project/read';
import type { Fault } from '@/core/checks/fault';
import { MOST_CHARACTERS, readProjectText } from '@/exchange/project-text';
import { warmDesigners } from '@/store/results';
import { deleteProject, listProjects, loadProject, saveProject, type ProjectEntry } from '@/store/storage';
import { momentText } from '@/store/moment';
import { startFromRevision } from '@/store/autosave';
import { useProject } from '@/store/project-store';
import { newMember, startName, starts } from '@/core/project/new-member';
import type { Member } from '@/core/members/kinds';
import { sheetPath } from '@/ui/sheet/sheet-path';
import { Brand } from '@/ui/sheet/TopBar';
import { AlreadyHere } from './AlreadyHere';
import { freshProjectId } from './fresh-id';
import { PlayhouseSection } from './PlayhouseSection';

type DemoName = 'alderlight-playhouse' | 'alderlight-annex-us' | 'alderlight-floors' | 'alderlight-ferry-house';

/** Where everything begins: the demo, a new project, a file, or what is kept in this browser. */
export function StartScreen() {
  const router = useRouter();
  const wanted = useSearchParams().get('open');
  const [kept, setKept] = useState<readonly ProjectEntry[]>([]);
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  const [again, setAgain] = useState<Project | null>(null);
  const opened = useRef(false);
  useEffect(() => {
    void listProjects().then(setKept, () => setKept([]));
    warmDesigners();
  }, []);

  /** Keeps a project in the browser and opens it. Without storage it opens all the same, and the bar says that it is not saved. */
  const enter = async (project: Project, member?: Member) => {
    const outcome = await saveProject(project, 0, true);
    startFromRevision(outcome.ok ? outcome.revision : 0, outcome.ok ? project : null);
    useProject.getState().open(project);
    if (!outcome.ok) useProject.getState().setSave({ kind: 'failed', reason: outcome.kind, message: outcome.message });
    router.push(member ? sheetPath(project, member) : `/project?p=${encodeURIComponent(project.id)}`);
  };
  const openDemo = async (name: DemoName) => {
    const answer = await fetch(`/examples/${name}.intarsia`);
    const read = readProjectText(await answer.text());
    if (!read.ok) {
      setFaults(read.faults);
      return;
    }
    // A demo that was opened before goes on where it was left.
    const before = (await listProjects().catch(() => [])).some((p) => p.id === read.project.id);
    if (before) router.push(`/project?p=${encodeURIComponent(read.project.id)}`);
    else await enter(read.project);
  };
  useEffect(() => {
    if (wanted !== 'demo' || opened.current) return;
    opened.current = true;
    void openDemo('alderlight-playhouse');
  });

  const openFile = async (file: File) => {
    if (file.size > MOST_CHARACTERS) {
      setFaults([
        { path: '', reason: `The file is too large: ${Math.round(file.size / 1e6)} MB, at most ${MOST_CHARACTERS / 1e6} MB are read.` },
      ]);
      return;
    }
    const read = readProjectText(await file.text());
    if (!read.ok) {
      setFaults(read.faults);
      return;
    }
    setFaults([]);
    const project = { ...read.project, id: read.project.id || freshProjectId() };
    const isHere = (await listProjects().catch(() => [])).some((p) => p.id === project.id);
    if (isHere) setAgain(project);
    else await enter(project);
  };
  useLaunchedFiles(openFile);
  return (
    <div className="min-h-screen">
      {again && (
        <AlreadyHere
          project={again}
          kept={kept}
          onTake={(project) => void enter(project)}
          onOpen={() => router.push(`/project?p=${encodeURIComponent(again.id)}`)}
          onClose={() => setAgain(null)}
        />
      )}
      <header className="relative flex h-[2.625rem] items-center gap-2 px-4 pb-1 after:absolute after:inset-x-0 after:bottom-0 after:h-1 after:border-y after:border-ebony after:content-['']">
        <Brand />
        <span className="small ml-auto">Works without a network. Files stay on this computer.</span>
      </header>
      <main className="mx-auto max-w-[76rem] px-4">
        <div className="pt-4">
          <h1>Alderlight Playhouse</h1>
          <p className="text-walnut">long section through foyer, auditorium, stage and scene dock</p>
          <PlayhouseSection />
        </div>
        <div className="purfling-x mt-2" />
        <div className="grid grid-cols-3 divide-x divide-line">
          <section className="py-5 pr-8">
            <h2 className="!font-serif !text-[1.4rem] !font-normal !leading-7">Open the demo</h2>
            <p className="my-3 text-[0.8125rem] leading-5">
              Alderlight Playhouse: a small theatre to EN 1992, with beams, columns, walls, slabs and punching. One beam and one column fail
              and one beam is wasteful, so there is something to mend.
            </p>
            <button type="button" className="btn btn-solid !h-8" onClick={() => void openDemo('alderlight-playhouse')}>
              Open Alderlight Playhouse
            </button>
            <p className="my-3">
              <button type="button" className="link" onClick={() => void openDemo('alderlight-annex-us')}>
                Open the workshop annex
              </button>{' '}
              to ACI 318 in US units, or{' '}
              <button type="button" className="link" onClick={() => void openDemo('alderlight-floors')}>
                its floors
              </button>{' '}
              as plates: a flat slab, a roof on walls, a round slab. Or{' '}
              <button type="button" className="link" onClick={() => void openDemo('alderlight-ferry-house')}>
                open the ferry house
              </button>{' '}
              to AS 3600, with fire.
            </p>
          </section>
          <NewProject onMake={(project, member) => void enter(project, member)} />
          <section className="py-5 pl-8">
            <h2 className="!font-serif !text-[1.4rem] !font-normal !leading-7">Open a file</h2>
            <FileDrop onFile={(f) => void openFile(f)} />
            {faults.length > 0 && (
              <div role="alert" className="mt-2 border-l-2 border-madder pl-2">
                <p className="text-madder-text">The file was not opened. Nothing in this browser was changed.</p>
                {faults.slice(0, 12).map((f) => (
                  <p key={f.path + f.reason}>
                    {f.path && <b className="font-medium">{f.path}: </b>}
                    {f.reason}
                  </p>
                ))}
                {faults.length > 12 && <p>and {faults.length - 12} more.</p>}
              </div>
            )}
            <KeptProjects
              kept={kept}
              onDeleted={(id) => setKept((list) => list.filter((p) => p.id !== id))}
              onOpen={(id) => void openKept(id, router.push, setFaults)}
            />
          </section>
        </div>
      </main>
    </div>
  );
}

interface LaunchQueue {
  setConsumer(take: (launch: { readonly files: readonly { getFile(): Promise<File> }[] }) => void): void;
}

/** Files that the desktop opens with the installed application, where the platform has that. */
function useLaunchedFiles(open: (file: File) => Promise<void>) {
  const latest = useRef(open);
  useEffect(() => {
    latest.current = open;
  });
  useEffect(() => {
    const { launchQueue } = window as { launchQueue?: LaunchQueue };
    launchQueue?.setConsumer(({ files: [first] }) => void first?.getFile().then((file) => latest.current(file)));
  }, []);
}

async function openKept(id: string, go: (path: string) => void, fail: (faults: Fault[]) => void) {
  const outcome = await loadProject(id);
  if (!outcome.ok) fail([{ path: '', reason: outcome.reason }]);
  else go(`/project?p=${encodeURIComponent(id)}`);
}

function FileDrop({ onFile }: { onFile: (file: File) => void }) {
  const input = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  return (
    <div
      className={`mt-3 flex h-16 items-center border border-dashed border-walnut px-4 text-[0.8125rem] ${over ? 'bg-holly' : 'bg-sycamore'}`}
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(e) => {
        e.preventDefault();
        setOver(false);
        const file = e.dataTransfer.files[0];
        if (file) onFile(file);
      }}
    >
      <span>
        Drop an Intarsia file here, or{' '}
        <button type="button" className="link" onClick={() => input.current?.click()}>
          choose one
        </button>
      </span>
      <input
        ref={input}
        type="file"
        className="sr-only"
        aria-label="Project file"
        accept=".intarsia,.json,application/json"
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) onFile(file);
          e.target.value = '';
        }}
      />
    </div>
  );
}

function NewProject({ onMake }: { onMake: (project: Project, member: Member) => void }) {
  const [name, setName] = useState('');
  const [variant, setVariant] = useState(
    Math.max(
      0,
      codeVariants.findIndex((v) => v.isOfferedFirst),
    ),
  );
  const [display, setDisplay] = useState<'SI' | 'US'>('SI');
  const make = (start: (typeof starts)[number]) => {
    const { id, variant: v } = codeVariants[variant]!;
    const read = readProject({
      format: 'intarsia',
      version: 1,
      id: freshProjectId(),
      name: name.trim() || 'Untitled project',
      code: { id, variant: v },
      display,
      paper: display === 'US' ? 'Letter' : 'A4',
    });
    if (!read.ok) return;
    const member = newMember(read.project, start.id, 'm1', `${start.mark}1`, '');
    onMake({ ...read.project, members: [member] }, member);
  };
  const row = 'grid grid-cols-[4rem_1fr] items-center gap-2 border-b border-groove py-1 text-[0.8125rem]';
  return (
    <section className="px-8 py-5">
      <h2 className="!font-serif !text-[1.4rem] !font-normal !leading-7">New project</h2>
      <label className={`${row} mt-2`}>
        Name
        <input className="h-6 bg-transparent outline-none" value={name} maxLength={120} onChange={(e) => setName(e.target.value)} />
      </label>
      <label className={row}>
        Code
        <Select
          label="Code"
          className="h-6 bg-transparent"
          value={String(variant)}
          options={codeVariants.map((v, i) => [String(i), v.title] as const)}
          onPick={(v) => {
            setVariant(Number(v));
            setDisplay(codeVariants[Number(v)]!.display);
          }}
        />
      </label>
      <label className={row}>
        Units
        <Select
          label="Units"
          className="h-6 bg-transparent"
          value={display}
          options={{ SI: 'kN, mm', US: 'kip, in' }}
          onPick={setDisplay}
        />
      </label>
      <div className="mt-3 flex flex-wrap items-center gap-1.5 text-[0.8125rem]" role="group" aria-label="Start with">
        Start with
        {starts
          .filter((s) => s.verb === undefined)
          .map((s) => (
            <button key={s.id} type="button" className="btn !px-2" aria-label={`Start with ${startName(s)}`} onClick={() => make(s)}>
              {s.title}
            </button>
          ))}
      </div>
      <p className="mt-2">
        {starts
          .filter((s) => s.verb !== undefined)
          .map((s) => (
            <button key={s.id} type="button" className="link" onClick={() => make(s)}>
              {s.verb} {startName(s)}
            </button>
          ))}
      </p>
    </section>
  );
}

function KeptProjects({
  kept,
  onOpen,
  onDeleted,
}: {
  kept: readonly ProjectEntry[];
  onOpen: (id: string) => void;
  onDeleted: (id: string) => void;
}) {
  if (kept.length === 0)
    return <p className="small mt-3">One file holds one project. Load tables can be pasted from a spreadsheet once a member is open.</p>;
  return (
    <div className="mt-4">
      <h3 className="font-semibold">In this browser</h3>
      {kept.map((p) => (
        <div key={p.id} className="flex items-center gap-3 border-b border-line py-1">
          <button type="button" className="link min-w-0 text-left" onClick={() => onOpen(p.id)}>
            {p.name || 'Untitled project'}
          </button>
          <span className="small ml-auto whitespace-nowrap">
            {p.members} {p.members === 1 ? 'member' : 'members'} · {momentText(p.saved)}
          </span>
          <AlertDialog.Root>
            <AlertDialog.Trigger className="link small" aria-label={`Delete ${p.name}`}>
              Delete
            </AlertDialog.Trigger>
            <AlertDialog.Portal>
              <AlertDialog.Overlay className="fixed inset-0 z-40 bg-ebony/20" />
              <AlertDialog.Content className="framed fixed left-1/2 top-40 z-50 w-96 -translate-x-1/2 p-4">
                <AlertDialog.Title className="font-semibold">Delete {p.name} from this browser</AlertDialog.Title>
                <AlertDialog.Description className="my-2">
                  Files that you saved elsewhere stay. This cannot be undone.
                </AlertDialog.Description>
                <div className="flex gap-2">
                  <AlertDialog.Action className="btn btn-solid" onClick={() => void deleteProject(p.id).then(() => onDeleted(p.id))}>
                    Delete
                  </AlertDialog.Action>
                  <AlertDialog.Cancel className="btn">Cancel</AlertDialog.Cancel>
                </div>
              </AlertDialog.Content>
            </AlertDialog.Portal>
          </AlertDialog.Root>
        </div>
      ))}
    </div>
  );
}
