'use client';
import { Component, type ReactNode } from 'react';
import type { Project } from '@/core/project/project';
import { downloadProject } from '@/store/files';
import { useProject } from '@/store/project-store';

interface BoundaryProps {
  readonly project: Project;
  readonly children: ReactNode;
}

interface BoundaryState {
  readonly error: Error | null;
  /** The state of the project that could not be shown. */
  readonly at: Project | null;
}

/** A sheet that cannot be drawn says so, with the way back beside it; the project is not touched. With the next change it is tried again. */
export class SheetBoundary extends Component<BoundaryProps, BoundaryState> {
  override state: BoundaryState = { error: null, at: null };

  static getDerivedStateFromError = (error: Error): Partial<BoundaryState> => ({ error });

  static getDerivedStateFromProps = ({ project }: BoundaryProps, { at }: BoundaryState): Partial<BoundaryState> | null =>
    at === project ? null : { at: project, error: null };

  override render() {
    const { error } = this.state;
    if (!error) return this.props.children;
    const { past, undo } = useProject.getState();
    const last = past.at(-1);
    return (
      <main className="mx-auto mt-24 w-[34rem]" role="alert">
        <h1>This sheet cannot be drawn</h1>
        <p className="my-3">
          A value of this member leads to an error of the program: {error.message}. Nothing of the project is lost; other members can be
          opened.
        </p>
        <div className="flex gap-2">
          {last && (
            <button type="button" className="btn btn-solid" onClick={undo}>
              Undo: {last.label}
            </button>
          )}
          <a className="btn" href={`/project?p=${encodeURIComponent(this.props.project.id)}`}>
            All members
          </a>
          <button type="button" className="btn" onClick={() => downloadProject(this.props.project)}>
            Save a file
          </button>
        </div>
      </main>
    );
  }
}
