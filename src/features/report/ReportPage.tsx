import { printCell } from '@/core/document/blocks';
import { REVISION_COLUMNS, revisionCells, type Cover, type Report, type ReportPart } from '@/core/document/report';
import { BlockView } from '@/ui/paper/Blocks';

const sheet =
  'mx-auto mb-6 w-full max-w-[50rem] border border-ebony bg-[#fdfaf3] px-10 py-8 outline outline-1 outline-offset-2 outline-groove print:mb-0 print:w-auto print:break-after-page print:border-0 print:bg-white print:p-0 print:outline-none';

/** A part of a report as it will stand on pages. */
export function ReportPage({ report, part }: { report: Report; part: ReportPart }) {
  return (
    <article id={part.id} className={sheet}>
      <TitleBlock report={report} />
      {part.blocks.map((block, i) => (
        <BlockView key={i} block={block} units={report.units} />
      ))}
    </article>
  );
}

function TitleBlock({ report }: { report: Report }) {
  return (
    <dl className="flex border border-ebony">
      {report.titleBlock.map(([name, value]) => (
        <div key={name} className="flex-auto border-r border-groove px-2 py-1 last:border-0">
          <dt className="small">{name}</dt>
          <dd className="min-h-4 font-medium">{value}</dd>
        </div>
      ))}
    </dl>
  );
}

/** Cover and contents. */
export function FrontPages({ report, cover }: { report: Report; cover: Cover }) {
  return (
    <article className={sheet} aria-label="Cover and contents">
      {/* eslint-disable-next-line @next/next/no-img-element -- a data URL out of the project */}
      {cover.logo && <img src={cover.logo} alt={`Sign of ${cover.office || 'the office'}`} className="max-h-24 max-w-60" />}
      <p className="pb-16 pt-2 text-walnut">{cover.office}</p>
      <h1 className="pb-4 !text-[2rem]">{cover.title}</h1>
      <table className="grid-table" aria-label="Cover">
        <tbody>
          {cover.facts
            .filter(([, value]) => value !== '')
            .map(([label, value]) => (
              <tr key={label}>
                <td className="w-44 text-walnut">{label}</td>
                <td>{printCell(value, report.units)}</td>
              </tr>
            ))}
        </tbody>
      </table>
      {cover.revisions.length > 0 && <Revisions cover={cover} />}
      <h2 className="mt-8">Contents</h2>
      <ol aria-label="Contents">
        {report.parts.map((part) => (
          <li key={part.id}>
            <a className="link" href={`#${part.id}`}>
              {part.title}
            </a>
          </li>
        ))}
      </ol>
    </article>
  );
}

function Revisions({ cover }: { cover: Cover }) {
  return (
    <>
      <h2 className="mt-8">Revisions</h2>
      <table className="grid-table" aria-label="Revisions">
        <thead>
          <tr>
            {REVISION_COLUMNS.map((c) => (
              <th key={c}>{c}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {cover.revisions.map((r, i) => (
            <tr key={i}>
              {revisionCells(r).map((cell, k) => (
                <td key={k}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
