'use client';
import { Select } from '@/ui/fields/Select';
import { useSearchParams } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import type { Project, ProjectInfo } from '@/core/project/project';
import { codeOf, decisionFor, type ReportDetail } from '@/core/members/member';
import { counted, formatUtilisation } from '@/core/units/format';
import type { Block } from '@/core/document/blocks';
import type { Member, MemberResult } from '@/core/members/kinds';
import { derivedFor, memberPaper, type PaperBasis } from '@/core/project/member-paper';
import { useResults } from '@/store/use-results';
import { onProject } from '@/store/commands';
import { downloadBlob, fileName } from '@/store/files';
import { setActiveMember } from '@/store/designing';
import { useProject } from '@/store/project-store';
import { Glyph } from '@/ui/drawing/Glyph';
import { Missing, Notice } from '@/ui/paper/Missing';
import { TopBar } from '@/ui/sheet/TopBar';
import { useLoadedProject } from '@/ui/sheet/use-loaded-project';
import { JobPool } from '@/workers/job-pool';
import type { ReportTask } from '@/workers/report.worker';
import { startReporter } from '@/workers/start-worker';
import { ReportPage } from './ReportPage';
import { TextInput } from '@/ui/fields/TextInput';
import { TableFiles } from '@/ui/tables/TableFiles';
import { scheduleTables } from '@/core/project/scheduled';

export function ReportScreen() {
  const loaded = useLoadedProject();
  const id = useSearchParams().get('m');
  if (loaded.kind === 'missing') return <Missing reason={loaded.reason} found={loaded.found} />;
  if (loaded.kind === 'loading') return <p className="p-6">Opening the project.</p>;
  return <Report project={loaded.project} first={id} />;
}

/** The worker that sets pages; made when first needed. */
let reporter: JobPool<ReportTask, Uint8Array> | undefined;
const getReporter = () => (reporter ??= new JobPool(startReporter, 1));

const details: Record<ReportDetail, string> = { summary: 'one page', working: 'working', full: 'every step' };

interface Paper {
  readonly member: Member;
  readonly result: MemberResult;
  readonly blocks: readonly Block[];
}

/** The papers of members whose results are there; each is made once for what it depends on. */
function usePapers(basis: PaperBasis, members: readonly Member[], results: readonly (MemberResult | undefined)[]): readonly Paper[] {
  const [made] = useState(() => new WeakMap<MemberResult, { readonly basis: PaperBasis; readonly paper: Paper }>());
  return members.flatMap((member, i) => {
    const result = results[i];
    if (!result) return [];
    const known = made.get(result);
    if (known?.basis === basis && known.paper.member === member) return [known.paper];
    const paper: Paper = { member, result, blocks: memberPaper(basis, member, result) };
    made.set(result, { basis, paper });
    return [paper];
  });
}

/** What goes into the report, how it will look, and the way to paper. */
function Report({ project, first }: { project: Project; first: string | null }) {
  const { setNotice, edit } = useProject();
  const [chosen, setChosen] = useState<readonly string[]>(() => (first ? [first] : project.members.map((m) => m.id)));
  const [progress, setProgress] = useState<number | null>(null);
  useEffect(() => setActiveMember(null), []);
  useEffect(() => () => getReporter().cancel('pdf'), []);
  const members = useMemo(() => project.members.filter((m) => chosen.includes(m.id)), [project, chosen]);
  const wanted = useMemo(() => members.map((member) => ({ member, derive: derivedFor(member.report) })), [members]);
  const results = useResults(project, wanted);
  const basis = useMemo(
    () => ({ code: project.code, display: project.display, bends: project.bends, barNames: project.barNames }),
    [project.code, project.display, project.bends, project.barNames],
  );
  const reports = usePapers(basis, members, results);
  const missing = members.length - reports.length;
  const stop = () => {
    getReporter().cancel('pdf');
    setProgress(null);
  };
  const savePdf = async () => {
    setProgress(0);
    try {
      const { name: title, info, paper, display } = project;
      const pages = reports.map((r) => ({ codeTitle: codeOf(project, r.member).title, level: r.member.report, blocks: r.blocks }));
      const task = { project: { name: title, info, paper, display }, members: pages };
      const bytes = await getReporter().submit({ key: 'pdf', task, isUrgent: true, onProgress: ({ share }) => setProgress(share) });
      const name = members.length === 1 ? `${fileName(project.name)}-${fileName(members[0]!.mark)}` : fileName(project.name);
      if (bytes) downloadBlob(new Blob([bytes as BlobPart], { type: 'application/pdf' }), `${name}.pdf`);
    } catch (error) {
      console.error(error);
      setNotice('The PDF could not be made. The project is not touched; Print still works.');
    }
    setProgress(null);
  };
  const setInfo = (key: keyof ProjectInfo, value: string) =>
    edit(
      `${key} of the title block`,
      onProject((p) => void (p.info[key] = value)),
    );
  const exceeding = reports.flatMap(({ member, result }) =>
    result.checks.filter((c) => c.status === 'exceeds').map((check) => ({ member, check })),
  );
  const accepted = exceeding.flatMap(({ member, check }) => (decisionFor(member, check) ? [check.utilisation ?? Infinity] : []));
  const standing = reports.flatMap(({ member, result }) =>
    result.checks.flatMap((c) => (c.utilisation === null || decisionFor(member, c) ? [] : [c.utilisation])),
  );
  const over = exceeding
    .filter(({ member, check }) => !decisionFor(member, check))
    .map(({ member, check }) => `${member.mark}: ${check.title}`);
  return (
    <div className="grid h-screen grid-cols-[minmax(0,1fr)] grid-rows-[auto_1fr] print:block print:h-auto">
      <TopBar project={project} crumb={<b className="font-semibold">Report</b>} memberId={first ?? undefined} />
      <div className="grid min-h-0 grid-cols-[15rem_1fr_16.5rem] print:block">
        <aside className="no-print overflow-y-auto border-r border-ebony p-3" aria-label="What goes in">
          <h2 className="pb-1">What goes in</h2>
          {project.members.map((m) => (
            <div key={m.id} className="flex items-center gap-2 py-0.5">
              <label className="flex min-w-0 flex-1 items-center gap-2">
                <input
                  type="checkbox"
                  checked={chosen.includes(m.id)}
                  onChange={(e) => setChosen(e.target.checked ? [...chosen, m.id] : chosen.filter((id) => id !== m.id))}
                />
                <b className="font-semibold">{m.mark}</b> <span className="text-walnut">{m.title}</span>
              </label>
              <Select<ReportDetail>
                label={`Detail of ${m.mark}`}
                className="field !w-[6rem]"
                value={m.report}
                options={Object.entries(details) as [ReportDetail, string][]}
                onPick={(v) =>
                  edit(
                    `report detail of ${m.mark}`,
                    onProject((p) => void (p.members.find((x) => x.id === m.id)!.report = v)),
                  )
                }
              />
            </div>
          ))}
        </aside>
        <main className="overflow-auto bg-sycamore p-6 print:overflow-visible print:bg-white print:p-0" aria-label="Report" tabIndex={0}>
          {reports.map(({ member, blocks }) => (
            <ReportPage key={member.id} project={project} member={member} blocks={blocks} />
          ))}
          {missing > 0 && (
            <p role="status" className="no-print">
              Designing {missing} of {counted(members.length, 'member')}.
            </p>
          )}
          {members.length === 0 && <p>Choose a member on the left.</p>}
        </main>
        <aside className="no-print overflow-y-auto border-l border-ebony p-3.5" aria-label="Title block and files">
          <h2>Title block</h2>
          {(['number', 'author', 'checker', 'revision', 'date'] as const).map((key) => (
            <label key={key} className="grid grid-cols-[4.5rem_1fr] items-center gap-2 py-0.5 capitalize">
              {key}
              <TextInput type={key === 'date' ? 'date' : 'text'} value={project.info[key]} onKeep={(v) => setInfo(key, v)} />
            </label>
          ))}
          <label className="grid grid-cols-[4.5rem_1fr] items-center gap-2 py-0.5">
            Paper
            <Select
              label="Paper"
              value={project.paper}
              options={{ A4: 'A4', Letter: 'Letter' }}
              onPick={(paper) =>
                edit(
                  'paper',
                  onProject((p) => void (p.paper = paper)),
                )
              }
            />
          </label>
          <h2 className="mt-4 border-t border-line pt-3">Before you hand it over</h2>
          {over.slice(0, 6).map((text) => (
            <p key={text} className="flex items-start gap-2 py-0.5">
              <Glyph standing="over" /> {text} is over the limit.
            </p>
          ))}
          {accepted.length > 0 && (
            <p className="flex items-center gap-2 py-0.5">
              <Glyph standing="accepted" /> {accepted.length} accepted by the engineer, utilisation up to{' '}
              {formatUtilisation(Math.max(...accepted))}.
            </p>
          )}
          {!project.info.checker && (
            <p className="flex items-center gap-2 py-0.5">
              <Glyph standing="open" /> Checker: empty.
            </p>
          )}
          {over.length === 0 && missing === 0 && (
            <p className="py-0.5">
              {accepted.length > 0 ? 'Nothing else is over the limit' : 'Nothing is over the limit'}; largest utilisation{' '}
              {formatUtilisation(Math.max(0, ...standing))}.
            </p>
          )}
          <div className="mt-3 flex flex-wrap gap-2 border-t border-line pt-3">
            <button
              type="button"
              className="btn btn-solid"
              disabled={members.length === 0 || missing > 0 || progress !== null}
              onClick={() => void savePdf()}
            >
              Save as PDF
            </button>
            <button type="button" className="btn" onClick={() => window.print()}>
              Print
            </button>
            {progress !== null && (
              <span role="status" className="flex items-center gap-2">
                setting pages, {Math.round(progress * 100)} %
                <button type="button" className="link" onClick={stop}>
                  Stop
                </button>
              </span>
            )}
          </div>
          <div className="mt-3 flex flex-wrap items-baseline gap-x-3 border-t border-line pt-3">
            <span>Bar schedule of these members</span>
            <TableFiles
              name={`${project.name} bars`}
              units={project.display}
              tables={() => scheduleTables(project, reports)}
              isDisabled={members.length === 0 || missing > 0}
            />
          </div>
        </aside>
      </div>
      <Notice />
    </div>
  );
}
