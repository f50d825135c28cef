import { kindOf } from '@/core/members/kinds';
import type { Measured } from '@/core/checks/check';
import type { Project } from '@/core/project/project';
import { formatQuantity, formatUtilisation } from '@/core/units/format';
import type { MemberReport } from '@/exchange/report-content';
import { DrawingView } from '@/ui/DrawingView';
import { Derivation } from '@/ui/Formula';
import { Glyph, standingOf, standingText } from '@/ui/Glyph';
import { ScheduleTable } from '@/ui/ScheduleTable';

/** One member's calculation as it will stand on paper. */
export function ReportPage({ project, report }: { project: Project; report: MemberReport }) {
  const { member, result, checks, assumptions } = report;
  const units = project.display;
  const show = (m: Measured | null) =>
    !m || !Number.isFinite(m.value) ? '–' : m.kind === 'strain' ? m.value.toFixed(4) : formatQuantity(m.value, m.kind, units);
  const missing = result.checks.filter((c) => c.status === 'notCovered');
  return (
    <article className="mx-auto mb-6 w-full max-w-[50rem] border border-ebony bg-[#fdfaf3] px-10 py-8 outline outline-1 outline-offset-2 outline-groove print:mb-0 print:w-auto print:break-after-page print:border-0 print:bg-white print:p-0 print:outline-none">
      <TitleBlock project={project} report={report} />
      <h1 className="mb-2 mt-5 border-b border-ebony pb-1">
        {member.title} {member.mark}
      </h1>
      <p className="text-walnut">
        {[kindOf(member).sizeLabel(member, units), kindOf(member).steelLabel(member, result, project)].filter(Boolean).join(' · ')}
      </p>
      {result.faults.map((f) => (
        <p key={f.path} className="text-madder-text">
          {f.path}: {f.reason}
        </p>
      ))}
      <div className="my-2 overflow-hidden [&_svg]:h-auto [&_svg]:w-full">
        {kindOf(member)
          .figures(member, result, project)
          .map((d) => (
            <figure key={d.caption}>
              <figcaption className="small">{d.caption}</figcaption>
              <DrawingView drawing={d.drawing} />
            </figure>
          ))}
      </div>
      <table className="grid-table" aria-label={`Checks of ${member.mark}`}>
        <thead>
          <tr>
            {['', 'Check', 'Clause', 'Demand', 'Capacity', 'Place', 'Combination', ''].map((h, i) => (
              <th key={i}>{h}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {checks.map(({ check, decision }) => {
            const standing = standingOf(check.status, decision !== undefined);
            return (
              <tr key={check.id}>
                <td className="!pt-1">
                  <Glyph standing={standing} />
                </td>
                <td>{check.title}</td>
                <td>{check.clause}</td>
                <td className="whitespace-nowrap">{show(check.demand)}</td>
                <td className="whitespace-nowrap">{show(check.capacity)}</td>
                <td>
                  {[check.place.x === null ? '' : formatQuantity(check.place.x, 'station', units), check.place.label]
                    .filter(Boolean)
                    .join(', ')}
                </td>
                <td>{check.combination}</td>
                <td className={standingText[standing]}>{formatUtilisation(check.utilisation)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {checks
        .filter((c) => c.showsSteps)
        .map(({ check, decision }) => (
          <section key={check.id} className="mt-4 break-inside-avoid-page">
            <h2 className="border-b border-ebony pb-0.5 !text-[0.9rem]">
              {check.title}{' '}
              <span className={standingText[standingOf(check.status, decision !== undefined)]}>{formatUtilisation(check.utilisation)}</span>
            </h2>
            <p className="py-1 text-walnut">
              {show(check.demand)} against {show(check.capacity)} · {[check.place.label, check.combination].filter(Boolean).join(' · ')}
            </p>
            <Derivation steps={check.derivation!} units={units} />
          </section>
        ))}
      {report.detail !== 'summary' && <ScheduleTable project={project} member={member} result={result} />}
      <section className="mt-4">
        <h2>Assumptions</h2>
        <table className="grid-table" aria-label="Assumptions">
          <tbody>
            {assumptions.map((a) => (
              <tr key={a.title}>
                <td className="text-walnut">{a.title}</td>
                <td>{a.value}</td>
                <td className="small">{a.clause}</td>
                <td className="small">{a.isDefault ? 'default' : 'set'}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {missing.length > 0 && (
          <p className="small mt-1">
            Not covered by this calculation: {missing.map((c) => `${c.title.toLowerCase()} (${c.clause})`).join(', ')}.
          </p>
        )}
      </section>
      {member.decisions.map((d) => (
        <p key={d.check} className="mt-3 border-y border-ebony py-2">
          <b className="font-semibold">Engineer’s decision.</b> {result.checks.find((c) => c.id === d.check)?.title ?? d.check} accepted at{' '}
          {formatUtilisation(d.utilisation)}. {d.reason} <span className="text-walnut">{[d.by, d.date].filter(Boolean).join(', ')}</span>
        </p>
      ))}
    </article>
  );
}

function TitleBlock({ project, report }: { project: Project; report: MemberReport }) {
  const { info } = project;
  const cells = [
    ['Project', project.name],
    ['Member', `${report.member.title} ${report.member.mark}`],
    ['Code', report.codeTitle],
    ['By', info.author],
    ['Checked', info.checker],
    ['Rev', info.revision],
    ['Date', info.date],
  ];
  return (
    <dl className="flex border border-ebony">
      {cells.map(([name, value]) => (
        <div key={name} className="flex-auto border-r border-groove px-2 py-1 last:border-0">
          <dt className="small">{name}</dt>
          <dd className="min-h-4 font-medium">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
