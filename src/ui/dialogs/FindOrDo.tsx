'use client';
import { useRouter } from 'next/navigation';
import { Dialog } from 'radix-ui';
import { useEffect, useId, useMemo, useRef, useState } from 'react';
import { parseQuantity } from '@/core/units/parse';
import { formatQuantity } from '@/core/units/format';
import type { Project } from '@/core/project/project';
import { kindOf, type Member } from '@/core/members/kinds';
import { startName, starts } from '@/core/project/new-member';
import { addFresh } from '@/store/add-fresh';
import { onMember, onProject } from '@/store/commands';
import { downloadProject } from '@/store/files';
import { useProject } from '@/store/project-store';
import { memberActions } from '@/ui/sheet/MemberList';
import { sheetPath } from '@/ui/sheet/sheet-path';
import { allPlaces, goTo, useFinder } from './finder';

interface Proposal {
  readonly verb: 'Go to' | 'Set' | 'Explain' | 'Do';
  readonly text: string;
  readonly run: () => void;
}

const settable = [
  { words: ['h', 'depth'], side: 'h' },
  { words: ['b', 'width'], side: 'b' },
] as const;

/** The one field that goes, sets, explains and does. */
export function FindOrDo({ memberId }: { memberId?: string }) {
  const { isOpen: open, setOpen, sheet } = useFinder();
  const [text, setText] = useState('');
  const [index, setIndex] = useState(0);
  const router = useRouter();
  const project = useProject((s) => s.project);
  const list = useRef<HTMLDivElement>(null);
  const listId = useId();
  const idOf = (i: number) => `${listId}${i}`;
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (!(e.ctrlKey || e.metaKey) || e.key.toLowerCase() !== 'k') return;
      e.preventDefault();
      setOpen(true);
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
      // The next screen begins with the finder closed.
      setOpen(false);
    };
  }, [setOpen]);
  const proposals = useMemo(
    () => (project && open ? propose({ project, memberId, go: router.push }, text, sheet) : []),
    [project, open, text, memberId, router, sheet],
  );
  const run = (p: Proposal | undefined) => {
    if (!p) return;
    setOpen(false);
    setText('');
    p.run();
  };
  const onKeyDown = (e: React.KeyboardEvent) => {
    if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
      e.preventDefault();
      const next = Math.max(0, Math.min(proposals.length - 1, index + (e.key === 'ArrowDown' ? 1 : -1)));
      setIndex(next);
      list.current?.children[next]?.scrollIntoView?.({ block: 'nearest' });
    } else if (e.key === 'Enter') run(proposals[index]);
  };
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="flex min-w-16 items-center overflow-hidden px-2" aria-label="Find or do">
        <span className="flex h-6 w-44 min-w-0 items-center justify-between border border-groove bg-sycamore px-2 text-ash @max-[69rem]:w-16">
          <span className="@max-[69rem]:hidden">Find or do</span> <kbd className="font-plex text-[0.6875rem] text-walnut">Ctrl K</kbd>
        </span>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ebony/10" />
        <Dialog.Content className="framed fixed right-40 top-14 z-50 w-[26rem] p-1.5" aria-describedby={undefined} onKeyDown={onKeyDown}>
          <Dialog.Title className="sr-only">Find or do</Dialog.Title>
          <input
            className="h-8 w-full border-b border-ebony bg-transparent px-2 text-[0.9rem] outline-none"
            aria-label="Find or do"
            placeholder="a member, a field, “h 600”, “undo”, a check"
            value={text}
            role="combobox"
            aria-expanded={proposals.length > 0}
            aria-controls={listId}
            aria-autocomplete="list"
            aria-activedescendant={proposals.length > 0 ? idOf(index) : undefined}
            onChange={(e) => {
              setText(e.target.value);
              setIndex(0);
            }}
          />
          <div ref={list} id={listId} role="listbox" aria-label="Proposals" className="max-h-80 overflow-auto">
            {proposals.map((p, i) => (
              <div
                key={`${p.verb} ${p.text} ${i}`}
                id={idOf(i)}
                role="option"
                aria-selected={i === index}
                onClick={() => run(p)}
                onMouseMove={() => setIndex(i)}
                className={`flex cursor-pointer gap-3 px-2 py-1 ${i === index ? 'bg-ebony text-holly' : ''}`}
              >
                <span className={`w-12 ${i === index ? '' : 'text-walnut'}`}>{p.verb}</span>
                {p.text}
              </div>
            ))}
          </div>
          <p role="status" className={proposals.length === 0 ? 'px-2 py-2 text-walnut' : 'sr-only'}>
            {proposals.length > 0
              ? `${proposals.length} proposals`
              : memberId
                ? 'Nothing of that name. Try a member’s mark, or “h 600”.'
                : 'Nothing of that name here. Fields are found on a member’s sheet: go to it by its mark first.'}
          </p>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

interface Ground {
  readonly project: Project;
  readonly memberId: string | undefined;
  readonly go: (path: string) => void;
}

/** Of each sort the first few, so that none hides the others. */
const MOST_OF_SORT = 8;

function propose(ground: Ground, text: string, sheet: ReturnType<typeof useFinder.getState>['sheet']): Proposal[] {
  const { project, memberId, go } = ground;
  const words = text.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const matches = (s: string) => words.every((w) => s.toLowerCase().includes(w));
  const members = project.members
    .filter((m) => matches(`${m.mark} ${m.title} ${m.place} ${kindOf(m).word}`))
    .map((m): Proposal => ({ verb: 'Go to', text: `${m.mark} ${m.title}`, run: () => go(sheetPath(project, m)) }));
  const checks = words.length > 0 ? checksOn(ground, matches) : [];
  const views = (sheet?.views ?? [])
    .filter(([, title]) => words.length > 0 && matches(`view ${title}`))
    .map(([id, title]): Proposal => ({ verb: 'Go to', text: `view ${title}`, run: () => sheet!.show(id) }));
  const nameOf = (view: string) => sheet?.views.find(([id]) => id === view)?.[1];
  const fields = (words.length > 0 ? allPlaces(sheet) : [])
    .filter((p) => matches(`${p.label} ${nameOf(p.view) ?? ''}`))
    .map((p): Proposal => ({ verb: 'Go to', text: [p.label, nameOf(p.view)].filter(Boolean).join(' · '), run: () => goTo(p) }));
  const actions = actionsOn(ground)
    .filter(([name]) => matches(name))
    .map(([name, run]): Proposal => ({ verb: 'Do', text: name, run }));
  const sorts = [members, checks, views, fields, actions];
  return [...setProposals(project, words, memberId), ...sorts.flatMap((list) => list.slice(0, MOST_OF_SORT))];
}

/** The checks of the member at hand; away from a sheet those of all members, each on its own. */
function checksOn({ project, memberId, go }: Ground, matches: (text: string) => boolean): Proposal[] {
  const { results, setOpenChecks, openChecks } = useProject.getState();
  const explain = ({ id }: { readonly id: string }) => setOpenChecks([...openChecks, id]);
  const checksOf = (id: string) => results[id]?.result.checks ?? [];
  if (memberId)
    return checksOf(memberId)
      .filter((c) => matches(`explain ${c.title} ${c.clause}`))
      .map((c) => ({ verb: 'Explain', text: c.title, run: () => explain(c) }));
  return project.members.flatMap((m) =>
    checksOf(m.id)
      .filter((c) => matches(`explain ${m.mark} ${c.title} ${c.clause}`))
      .map((c): Proposal => ({
        verb: 'Explain',
        text: `${m.mark}: ${c.title}`,
        run: () => {
          explain(c);
          go(sheetPath(project, m));
        },
      })),
  );
}

/** What can be done from anywhere: undoing, leaving, adding a member of every kind, and what concerns the member at hand. */
function actionsOn({ project, memberId, go }: Ground): [string, () => void][] {
  const { undo, redo, edit } = useProject.getState();
  const show = (display: Project['display'], name: string): [string, () => void] => [
    `show ${name} units`,
    () =>
      edit(
        `show ${name} units`,
        onProject((p) => void (p.display = display)),
      ),
  ];
  const member = project.members.find((m) => m.id === memberId);
  const own = member && memberActions(project, member, go);
  return [
    ['undo', undo],
    ['do again', redo],
    ['all members', () => go(`/project?p=${encodeURIComponent(project.id)}`)],
    ['report', () => go(`/report?p=${encodeURIComponent(project.id)}`)],
    ['other projects', () => go('/')],
    ['save a file', () => downloadProject(project)],
    project.display === 'SI' ? show('US', 'US customary') : show('SI', 'SI'),
    ...(member && own
      ? ([
          [`copy ${member.mark}`, own.copy],
          [`move ${member.mark} up`, own.up],
          [`move ${member.mark} down`, own.down],
          [`delete ${member.mark}`, own.remove],
        ] as [string, () => void][])
      : []),
    ...starts.map((s): [string, () => void] => [
      `add ${startName(s)}${s.title === kindWord(s.type) ? '' : ` (${kindWord(s.type)})`}`,
      () => go(sheetPath(project, addFresh(s.id, member))),
    ]),
  ];
}

const kindWord = (type: Member['type']) => kindOf({ type }).word;

/** "G2 h 600" or, on a member's sheet, "h 600". */
function setProposals(project: Project, words: readonly string[], memberId: string | undefined): Proposal[] {
  const named = project.members.find((m) => m.mark.toLowerCase() === words[0]);
  const rest = named ? words.slice(1) : words;
  const member = named ?? project.members.find((m) => m.id === memberId);
  const field = settable.find((f) => (f.words as readonly string[]).includes(rest[0] ?? ''));
  if (!member || !field || rest.length < 2) return [];
  const parsed = parseQuantity(rest.slice(1).join(' '), 'length', project.display);
  if (!parsed.ok || !kindOf(member).withSide(member, field.side, parsed.value)) return [];
  const label = `${field.side} of ${member.mark} to ${formatQuantity(parsed.value, 'length', project.display)}`;
  return [
    {
      verb: 'Set',
      text: label,
      run: () =>
        useProject.getState().edit(
          `set ${label}`,
          onMember(member, (m) => void Object.assign(m, kindOf(member).withSide(m as Member, field.side, parsed.value))),
        ),
    },
  ];
}
