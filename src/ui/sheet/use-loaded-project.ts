'use client';
import { useSearchParams } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { Project } from '@/core/project/project';
import { saveNow, startAutosave, startFromRevision } from '@/store/autosave';
import { startDesigning } from '@/store/designing';
import { useProject } from '@/store/project-store';
import { warmDesigners } from '@/store/results';
import { loadProject } from '@/store/storage';

export type Loaded =
  | { readonly kind: 'loading' }
  | { readonly kind: 'missing'; readonly reason: string; readonly found?: string }
  | { readonly kind: 'ready'; readonly project: Project };

let services: (() => void) | undefined;

/** Saving and designing run for as long as the page lives, whichever screen is shown. */
function startServices(): void {
  if (services) return;
  warmDesigners();
  const stops = [startAutosave(), startDesigning()];
  services = () => stops.forEach((stop) => stop());
}

/** The project named in the address: the one in hand, or the one kept in the browser. */
export function useLoadedProject(): Loaded {
  const id = useSearchParams().get('p') ?? '';
  const project = useProject((s) => s.project);
  const [failure, setFailure] = useState<{ id: string; reason: string; found?: string } | null>(null);
  const isHere = project?.id === id;
  useEffect(() => {
    startServices();
    if (isHere || !id) return;
    let cancelled = false;
    void loadProject(id).then((outcome) => {
      if (cancelled) return;
      if (outcome.ok) {
        const isSaved = !outcome.isLater && outcome.recovered === undefined;
        startFromRevision(outcome.revision, isSaved ? outcome.project : null);
        useProject.getState().open(outcome.project, outcome.recovered, outcome.found);
        if (outcome.isLater) void saveNow();
      } else setFailure({ id, ...outcome });
    });
    return () => {
      cancelled = true;
    };
  }, [id, isHere]);
  if (isHere) return { kind: 'ready', project };
  if (!id) return { kind: 'missing', reason: 'No project is named in the address.' };
  return failure?.id === id ? { kind: 'missing', reason: failure.reason, found: failure.found } : { kind: 'loading' };
}
