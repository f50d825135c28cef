'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { DropdownMenu } from 'radix-ui';
import { memo, useEffect, useState } from 'react';
import { codeVariants } from '@/core/codes/registry';
import type { CodeSettings } from '@/core/codes/design-code';
import type { Project } from '@/core/project/project';
import { downloadProject } from '@/store/files';
import { onProject } from '@/store/commands';
import { beginAgain, stopJob } from '@/store/designing';
import { useJobs } from '@/store/jobs';
import { useProject } from '@/store/project-store';
import { saveNow } from '@/store/autosave';
import { FindOrDo } from '@/ui/dialogs/FindOrDo';
import { HistoryDialog } from '@/ui/dialogs/HistoryDialog';

export function Brand() {
  return (
    <>
      <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
        <rect x=".5" y=".5" width="19" height="19" fill="#EFE8D7" stroke="#231E19" />
        <path d="M.5.5L10 7 19.5.5z" fill="#3C8A7A" />
        <path d="M.5 19.5L10 13l9.5 6.5z" fill="#A6583B" />
        <path d="M.5.5L10 7 19.5.5v19L10 13 .5 19.5z" fill="none" stroke="#231E19" strokeWidth=".9" />
      </svg>
      <span className="font-serif text-[1.125rem]">Intarsia</span>
    </>
  );
}

const segment = 'flex shrink-0 items-center gap-1.5 whitespace-nowrap border-r border-line px-3';

/** The bar over every screen of a project: where one is, the code, the units, find or do, undo, saved state, report. */
export const TopBar = memo(function TopBar({ project, crumb, memberId }: { project: Project; crumb: React.ReactNode; memberId?: string }) {
  const router = useRouter();
  const past = useProject((s) => s.past);
  const future = useProject((s) => s.future);
  const { undo, redo } = useProject.getState();
  const [isHistoryOpen, setHistoryOpen] = useState(false);
  useShortcuts(project, memberId, router.push);
  const report = `/report?p=${encodeURIComponent(project.id)}${memberId ? `&m=${encodeURIComponent(memberId)}` : ''}`;
  return (
    <header className="no-print @container relative flex h-[2.625rem] items-stretch pb-1 pr-3 after:absolute after:inset-x-0 after:bottom-0 after:h-1 after:border-y after:border-ebony after:content-['']">
      <Link
        href="/"
        className="flex w-[11rem] shrink-0 items-center gap-2 border-r border-ebony px-3 @max-[69rem]:w-[7rem]"
        aria-label="Intarsia, to the start"
      >
        <Brand />
      </Link>
      <ProjectMenu project={project} onHistory={() => setHistoryOpen(true)} />
      <nav className={segment} aria-label="Where you are">
        {crumb}
      </nav>
      <CodeMenu project={project} />
      <div className="flex-1" />
      <UnitsMenu project={project} />
      <FindOrDo memberId={memberId} />
      <div className={segment}>
        <IconButton
          label={past.length > 0 ? `Undo: ${past[past.length - 1]!.label}` : 'Nothing to undo'}
          disabled={past.length === 0}
          onClick={undo}
          path="M4 4L1 7l3 3M1.5 7h7a4 4 0 0 1 0 8H6"
        />
        <IconButton
          label={future.length > 0 ? `Do again: ${future[0]!.label}` : 'Nothing to do again'}
          disabled={future.length === 0}
          onClick={redo}
          path="M12 4l3 3-3 3M14.500 7h-7a4 4 0 0 0 0 8H10"
        />
      </div>
      <LongJobs />
      <SavedState project={project} />
      <div className="flex items-center pl-3">
        <button type="button" className="btn" onClick={() => router.push(report)}>
          Report
        </button>
      </div>
      <HistoryDialog project={project} open={isHistoryOpen} onOpenChange={setHistoryOpen} />
    </header>
  );
});

/** Designs that take long, with how far they have come and the way to stop them; and those that were stopped, with the way to go on. */
function LongJobs() {
  const { running, stopped } = useJobs();
  const job = running[0];
  const left = stopped[0];
  if (!job && !left) return null;
  return (
    <div
      role="status"
      aria-label="Long designs"
      className="flex shrink-0 items-center gap-2 whitespace-nowrap px-3 @max-[69rem]:gap-1 @max-[69rem]:px-1.5"
    >
      {job ? (
        <>
          <span className="small @max-[69rem]:hidden">
            {job.mark}: {job.words}
          </span>
          <span
            className="relative h-2 w-14 border border-ebony @max-[69rem]:w-5"
            role="progressbar"
            aria-label={`Design of ${job.mark}`}
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={Math.round(100 * job.share)}
          >
            <span className="absolute inset-y-0 left-0 bg-verdigris" style={{ width: `${100 * job.share}%` }} />
          </span>
          <button type="button" className="link" onClick={() => stopJob(job.key)}>
            Stop
          </button>
        </>
      ) : (
        <>
          <span className="small">
            {left!.mark}
            <span className="@max-[69rem]:hidden">: stopped</span>
          </span>
          <button type="button" className="link" onClick={() => beginAgain(left!.key)}>
            go on
          </button>
        </>
      )}
    </div>
  );
}

function useShortcuts(project: Project, memberId: string | undefined, go: (path: string) => void) {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const { undo, redo } = useProject.getState();
      const inField = e.target instanceof HTMLElement && e.target.closest('input, textarea, select') !== null;
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z' && !inField) {
        e.preventDefault();
        if (e.shiftKey) redo();
        else undo();
      } else if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 's') {
        e.preventDefault();
        void saveNow();
      } else if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'p') {
        e.preventDefault();
        go(`/report?p=${encodeURIComponent(project.id)}${memberId ? `&m=${encodeURIComponent(memberId)}` : ''}`);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [project.id, memberId, go]);
}

function IconButton({ label, path, ...props }: { label: string; path: string } & React.ButtonHTMLAttributes<HTMLButtonElement>) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      className="inline-flex h-6 w-6 items-center justify-center hover:bg-sycamore disabled:opacity-40"
      {...props}
    >
      <svg width="16" height="16" viewBox="0 0 16 16" fill="none" stroke="#231E19" strokeWidth="1.3" aria-hidden="true">
        <path d={path} />
      </svg>
    </button>
  );
}

export function Menu({
  label,
  children,
  align = 'start',
  isBare = false,
  canShrink = false,
}: {
  label: React.ReactNode;
  children: React.ReactNode;
  align?: 'start' | 'end';
  isBare?: boolean;
  /** Gives way where the window is narrow or the text large. */
  canShrink?: boolean;
}) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        className={`${isBare ? 'flex items-center gap-1.5 px-1.5 py-0.5' : canShrink ? `${segment} min-w-8 shrink! overflow-hidden` : segment} hover:bg-sycamore`}
      >
        {label}
        <svg width="8" height="6" viewBox="0 0 8 6" aria-hidden="true">
          <path d="M1 1l3 3.200L7 1" fill="none" stroke="#51473C" strokeWidth="1.2" />
        </svg>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align={align} sideOffset={5} className="framed z-30 min-w-52 py-1.5">
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

export function MenuItem({
  children,
  hint,
  onSelect,
  disabled,
}: {
  children: React.ReactNode;
  hint?: string;
  onSelect: () => void;
  disabled?: boolean;
}) {
  return (
    <DropdownMenu.Item className="menu-item data-[disabled]:text-ash" onSelect={onSelect} disabled={disabled}>
      <span>{children}</span>
      {hint && <span className="opacity-80">{hint}</span>}
    </DropdownMenu.Item>
  );
}

function ProjectMenu({ project, onHistory }: { project: Project; onHistory: () => void }) {
  const router = useRouter();
  return (
    <Menu
      label={
        <span className="line-clamp-2 max-w-48 whitespace-normal leading-[0.95rem] @max-[69rem]:max-w-20" title={project.name}>
          {project.name || 'Untitled project'}
        </span>
      }
    >
      <MenuItem onSelect={() => router.push(`/project?p=${encodeURIComponent(project.id)}`)}>All members</MenuItem>
      <MenuItem onSelect={() => downloadProject(project)}>Save a file</MenuItem>
      <MenuItem onSelect={onHistory}>Earlier states</MenuItem>
      <MenuItem onSelect={() => setTextSize(100)}>Text 100 %</MenuItem>
      <MenuItem onSelect={() => setTextSize(110)}>Text 110 %</MenuItem>
      <MenuItem onSelect={() => setTextSize(125)}>Text 125 %</MenuItem>
      <MenuItem onSelect={() => router.push('/')}>Other projects</MenuItem>
    </Menu>
  );
}

function setTextSize(percent: number) {
  document.documentElement.dataset.text = String(percent);
}

function CodeMenu({ project }: { project: Project }) {
  const edit = useProject((s) => s.edit);
  const shown = codeVariants.find((v) => v.id === project.code.id && v.variant === project.code.variant);
  const choose = (id: CodeSettings['id'], variant: string, title: string) =>
    edit(
      `design to ${title}`,
      onProject((p) => {
        p.code = { id, variant, choices: {} };
      }),
    );
  return (
    <Menu
      canShrink
      label={
        <span className="min-w-0 whitespace-normal leading-[0.95rem]" title={shown?.title}>
          <span className="@max-[69rem]:hidden">{shown?.title}</span>
          <span className="@min-[69rem]:hidden">{shown?.short}</span>
        </span>
      }
    >
      {codeVariants.map((v) => (
        <MenuItem key={`${v.id}/${v.variant}`} hint={v === shown ? 'now' : ''} onSelect={() => choose(v.id, v.variant, v.title)}>
          {v.title}
        </MenuItem>
      ))}
    </Menu>
  );
}

function UnitsMenu({ project }: { project: Project }) {
  const edit = useProject((s) => s.edit);
  const show = (display: 'SI' | 'US') =>
    edit(
      `show ${display === 'SI' ? 'SI' : 'US customary'} units`,
      onProject((p) => void (p.display = display)),
    );
  return (
    <Menu align="end" label={<span className="border-l border-line pl-3">{project.display === 'SI' ? 'kN, mm' : 'kip, in'}</span>}>
      <MenuItem onSelect={() => show('SI')}>kN, mm</MenuItem>
      <MenuItem onSelect={() => show('US')}>kip, in</MenuItem>
    </Menu>
  );
}

function SavedState({ project }: { project: Project }) {
  const save = useProject((s) => s.save);
  const { running, stopped } = useJobs();
  const isBusy = running.length + stopped.length > 0;
  if (save.kind === 'failed') {
    return (
      <div className={`${segment} text-madder-text`} role="alert">
        <span className="font-semibold">Not saved.</span> {save.message}
        <button type="button" className="link" onClick={() => downloadProject(project)}>
          Download file
        </button>
        {save.reason === 'conflict' && (
          <>
            <button type="button" className="link" onClick={() => window.location.reload()}>
              Take theirs
            </button>
            <button type="button" className="link" onClick={() => void saveNow(true)}>
              Keep mine
            </button>
          </>
        )}
      </div>
    );
  }
  return (
    // Where the bar is narrow it gives its room to a design that takes long.
    <div className={`${segment} w-[5.6rem] ${isBusy ? '@max-[69rem]:hidden' : ''}`} data-save={save.kind} aria-live="polite">
      {save.kind === 'saving' ? 'Saving' : save.at ? `Saved ${save.at}` : 'Saved'}
    </div>
  );
}
