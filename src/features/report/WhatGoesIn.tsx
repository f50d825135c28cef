'use client';
import type { ReportDetail } from '@/core/members/member';
import type { Project } from '@/core/project/project';
import { onProject } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { Select } from '@/ui/fields/Select';

const details: Record<ReportDetail, string> = { summary: 'one page', working: 'working', full: 'every step' };

/** The members of a report and how much each tells. */
export function WhatGoesIn(props: {
  project: Project;
  chosen: readonly string[];
  onChoose: (ids: readonly string[]) => void;
  hasFront: boolean;
  onFront: (has: boolean) => void;
}) {
  const { project, chosen, onChoose, hasFront, onFront } = props;
  const { edit } = useProject();
  const setDetail = (ids: readonly string[], value: ReportDetail, of: string) =>
    edit(
      `report detail of ${of}`,
      onProject((p) => p.members.filter((m) => ids.includes(m.id)).forEach((m) => (m.report = value))),
    );
  const options = Object.entries(details) as [ReportDetail, string][];
  const chosenDetails = new Set(project.members.filter((m) => chosen.includes(m.id)).map((m) => m.report));
  return (
    <>
      <h2 className="pb-1">What goes in</h2>
      <label className="flex items-center gap-2 py-0.5">
        <input type="checkbox" checked={hasFront} onChange={(e) => onFront(e.target.checked)} />
        Cover, contents, basis and list of members
      </label>
      <div className="mb-1 flex items-center gap-x-3 border-b border-line pb-1">
        <button type="button" className="link" onClick={() => onChoose(project.members.map((m) => m.id))}>
          all
        </button>
        <button type="button" className="link" onClick={() => onChoose([])}>
          none
        </button>
        <span className="flex-1" />
        <Select<ReportDetail | ''>
          label="Detail of all chosen"
          className="field !w-[6rem]"
          value={chosenDetails.size === 1 ? [...chosenDetails][0]! : ''}
          options={chosenDetails.size === 1 ? options : [['', 'various'], ...options]}
          onPick={(v) => v && setDetail(chosen, v, 'all chosen')}
        />
      </div>
      {project.members.map((m) => (
        <div key={m.id} className="flex items-center gap-2 py-0.5">
          <label className="flex min-w-0 flex-1 items-center gap-2">
            <input
              type="checkbox"
              checked={chosen.includes(m.id)}
              onChange={(e) => onChoose(e.target.checked ? [...chosen, m.id] : chosen.filter((id) => id !== m.id))}
            />
            <b className="whitespace-nowrap font-semibold">{m.mark}</b> <span className="text-walnut">{m.title}</span>
          </label>
          <Select<ReportDetail>
            label={`Detail of ${m.mark}`}
            className="field !w-[6rem]"
            value={m.report}
            options={options}
            onPick={(v) => setDetail([m.id], v, m.mark)}
          />
        </div>
      ))}
    </>
  );
}
