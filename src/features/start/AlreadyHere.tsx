'use client';
import { AlertDialog } from 'radix-ui';
import type { Project } from '@/core/project/project';
import { firstFree } from '@/store/commands';
import { momentText } from '@/store/moment';
import type { ProjectEntry } from '@/store/storage';
import { freshProjectId } from './fresh-id';

const counted = (n: number) => `${n} ${n === 1 ? 'member' : 'members'}`;

/** Asks what becomes of a project that is in this browser already when its file is opened. */
export function AlreadyHere({
  project,
  kept,
  onTake,
  onOpen,
  onClose,
}: {
  project: Project;
  kept: readonly ProjectEntry[];
  onTake: (project: Project) => void;
  onOpen: () => void;
  onClose: () => void;
}) {
  const here = kept.find((p) => p.id === project.id);
  const taken = kept.map((p) => p.name);
  const both = () => onTake({ ...project, id: freshProjectId(), name: firstFree(`${project.name || 'Untitled project'} `, 2, taken) });
  const ways: readonly (readonly [title: string, then: string, act: () => void])[] = [
    ['Replace', 'The file takes its place; what is here now stays among its earlier states.', () => onTake(project)],
    ['Keep both', 'The file becomes a project of its own, with a number behind its name.', both],
    ['Open the one here', 'The file is left alone.', onOpen],
  ];
  return (
    <AlertDialog.Root open onOpenChange={(open) => !open && onClose()}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-ebony/20" />
        <AlertDialog.Content className="framed fixed left-1/2 top-40 z-50 w-[30rem] -translate-x-1/2 p-4">
          <AlertDialog.Title className="font-semibold">{project.name || 'This project'} is in this browser already</AlertDialog.Title>
          <AlertDialog.Description className="my-2">
            {here
              ? `Here: saved ${momentText(here.saved)}, ${counted(here.members)}. In the file: ${counted(project.members.length)}.`
              : 'It was opened here before.'}
          </AlertDialog.Description>
          {ways.map(([title, then, act]) => (
            <div key={title} className="flex items-center gap-3 border-t border-line py-1.5">
              <AlertDialog.Action className="btn w-36 shrink-0" onClick={act}>
                {title}
              </AlertDialog.Action>
              <span>{then}</span>
            </div>
          ))}
          <div className="border-t border-line pt-2">
            <AlertDialog.Cancel className="btn">Cancel</AlertDialog.Cancel>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
