'use client';
import { useSearchParams } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import type { Member, MemberResult } from '@/core/members/kinds';
import { decisionFor } from '@/core/members/member';
import { derivedFor, memberPaper, type PaperBasis } from '@/core/project/member-paper';
import type { Project } from '@/core/project/project';
import { projectReport, scheduleReport, type MemberPages } from '@/core/project/project-report';
import { scheduleTables } from '@/core/project/scheduled';
import { projectSheets, type SheetWish } from '@/core/sheets/member-sheet';
import { counted, formatUtilisation } from '@/core/units/format';
import { projectIfc } from '@/exchange/ifc/project-ifc';
import { setActiveMember } from '@/store/designing';
import { downloadBlob, fileName } from '@/store/files';
import { useResults } from '@/store/use-results';
import { Glyph } from '@/ui/drawing/Glyph';
import { Missing, Notice } from '@/ui/paper/Missing';
import { TopBar } from '@/ui/sheet/TopBar';
import { useLoadedProject } from '@/ui/sheet/use-loaded-project';
import { TableFiles } from '@/ui/tables/TableFiles';
import { DrawingFiles, SheetPages } from './Drawings';
import { Select } from '@/ui/fields/Select';
import { FrontPages, ReportPage } from './ReportPage';
import { RevisionRows } from './RevisionRows';
import { SavePapers, usePaperMaker } from './SavePapers';
import { TitleFields } from './TitleFields';
import { WhatGoesIn } from './WhatGoesIn';

export function ReportScreen() {
  const loaded = useLoadedProject();
  const id = useSearchParams().get('m');
  if (loaded.kind === 'missing') return <Missing reason={loaded.reason} found={loaded.found} />;
  if (loaded.kind === 'loading') return <p className="p-6">Opening the project.</p>;
  return <Report project={loaded.project} first={id} />;
}

/** The papers of members whose results are there; each is made once for what it depends on. */
function usePapers(basis: PaperBasis, members: readonly Member[], results: readonly (MemberResult | undefined)[]): readonly MemberPages[] {
  const [made] = useState(() => new WeakMap<MemberResult, { readonly basis: PaperBasis; readonly paper: MemberPages }>());
  return members.flatMap((member, i) => {
    const result = results[i];
    if (!result) return [];
    const known = made.get(result);
    if (known?.basis === basis && known.paper.member === member) return [known.paper];
    const paper: MemberPages = { member, result, blocks: memberPaper(basis, member, result) };
    made.set(result, { basis, paper });
    return [paper];
  });
}

/** What goes into the report, how it will look, and the way to paper. */
function Report({ project, first }: { project: Project; first: string | null }) {
  const [chosen, setChosen] = useState<readonly string[]>(() => (first ? [first] : project.members.map((m) => m.id)));
  const [hasFront, setFront] = useState(first === null);
  const [shown, setShown] = useState<'report' | 'drawings'>('report');
  const [wish, setWish] = useState<SheetWish>({});
  usePaperMaker();
  useEffect(() => setActiveMember(null), []);
  const members = useMemo(() => project.members.filter((m) => chosen.includes(m.id)), [project, chosen]);
  const wanted = useMemo(() => members.map((member) => ({ member, derive: derivedFor(member.report) })), [members]);
  const results = useResults(project, wanted);
  const basis = useMemo(
    () => ({ code: project.code, display: project.display, bends: project.bends, barNames: project.barNames }),
    [project.code, project.display, project.bends, project.barNames],
  );
  const papers = usePapers(basis, members, results);
  const missing = members.length - papers.length;
  const isReady = members.length > 0 && missing === 0;
  const report = projectReport(project, papers, hasFront && members.length > 0);
  const draw = () => projectSheets(project, papers, wish);
  const drawn = shown === 'drawings' ? draw() : null;
  const name = members.length === 1 ? `${project.name} ${members[0]!.mark}` : project.name;
  return (
    <div className="grid h-screen grid-cols-[minmax(0,1fr)] grid-rows-[auto_1fr] print:block print:h-auto">
      <TopBar project={project} crumb={<b className="font-semibold">Report</b>} memberId={first ?? undefined} />
      <div className="grid min-h-0 grid-cols-[15rem_1fr_16.5rem] print:block">
        <aside className="no-print overflow-y-auto border-r border-ebony p-3" aria-label="What goes in">
          <Select label="What is shown" value={shown} options={{ report: 'Report', drawings: 'Drawings' }} onPick={setShown} />
          <WhatGoesIn project={project} chosen={chosen} onChoose={setChosen} hasFront={hasFront} onFront={setFront} />
        </aside>
        <main className="overflow-auto bg-sycamore p-6 print:overflow-visible print:bg-white print:p-0" aria-label="Report" tabIndex={0}>
          {shown === 'report' && report.cover && <FrontPages report={report} cover={report.cover} />}
          {shown === 'report' && report.parts.map((part) => <ReportPage key={part.id} report={report} part={part} />)}
          {drawn && <SheetPages sheets={drawn.sheets} />}
          {missing > 0 && (
            <p role="status" className="no-print">
              Designing {missing} of {counted(members.length, 'member')}.
            </p>
          )}
          {members.length === 0 && <p>Choose a member on the left.</p>}
        </main>
        <aside className="no-print overflow-y-auto border-l border-ebony p-3.5" aria-label="Title block and files">
          <TitleFields project={project} />
          {hasFront && <RevisionRows project={project} />}
          <BeforeHandingOver project={project} papers={papers} missing={missing} />
          <h2 className="mt-4 border-t border-line pt-3">Hand it over</h2>
          <SavePapers
            title="Report"
            name={name}
            formats={['pdf', 'docx', 'html']}
            task={(format) => ({ paper: 'report', report, format: format as 'pdf' })}
            isReady={isReady}
          >
            <button type="button" className="btn" onClick={() => window.print()}>
              Print
            </button>
          </SavePapers>
          <h2 className="mt-4 border-t border-line pt-3">Drawings</h2>
          <DrawingFiles
            project={project}
            name={name}
            wish={wish}
            onWish={setWish}
            draw={draw}
            without={drawn?.without ?? []}
            isReady={isReady}
          />
          <div className="mt-3 flex flex-wrap items-baseline gap-x-3 border-t border-line pt-3">
            <span>Building model</span>
            <button
              type="button"
              className="link"
              disabled={!isReady}
              aria-label="Building model as IFC"
              onClick={() => downloadBlob(new Blob([projectIfc(project, papers)], { type: 'application/x-step' }), `${fileName(name)}.ifc`)}
            >
              IFC
            </button>
          </div>
          <h2 className="mt-4 border-t border-line pt-3">Bar schedule of these members</h2>
          <SavePapers
            title="Bar schedule"
            name={`${name} bars`}
            formats={['pdf']}
            task={() => ({ paper: 'report', report: scheduleReport(project, papers), format: 'pdf' })}
            isReady={isReady}
          >
            <TableFiles
              name={`${project.name} bars`}
              units={project.display}
              tables={() => scheduleTables(project, papers)}
              isDisabled={!isReady}
            />
          </SavePapers>
          <p className="small">Files for bending machines (BVBS) are not covered.</p>
        </aside>
      </div>
      <Notice />
    </div>
  );
}

/** What a checker would stop at. */
function BeforeHandingOver({ project, papers, missing }: { project: Project; papers: readonly MemberPages[]; missing: number }) {
  const exceeding = papers.flatMap(({ member, result }) =>
    result.checks.filter((c) => c.status === 'exceeds').map((check) => ({ member, check })),
  );
  const accepted = exceeding.flatMap(({ member, check }) => (decisionFor(member, check) ? [check.utilisation ?? Infinity] : []));
  const standing = papers.flatMap(({ member, result }) =>
    result.checks.flatMap((c) => (c.utilisation === null || decisionFor(member, c) ? [] : [c.utilisation])),
  );
  const over = exceeding
    .filter(({ member, check }) => !decisionFor(member, check))
    .map(({ member, check }) => `${member.mark}: ${check.title}`);
  return (
    <>
      <h2 className="mt-4 border-t border-line pt-3">Before you hand it over</h2>
      {over.slice(0, 6).map((text) => (
        <p key={text} className="flex items-start gap-2 py-0.5">
          <Glyph standing="over" /> {text} is over the limit.
        </p>
      ))}
      {over.length > 6 && <p className="py-0.5">And {over.length - 6} more.</p>}
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
    </>
  );
}
