import { printCell } from '@/core/document/blocks';
import { REVISION_COLUMNS, revisionCells, type Cover, type Report } from '@/core/document/report';
import { blockHtml, escapeHtml as e, htmlTable } from './block-html';

const STYLE = `
body { font: 14px/1.4 system-ui, sans-serif; color: #231e19; max-width: 52rem; margin: 2rem auto; padding: 0 1rem; }
h1 { font-size: 1.6rem; font-weight: 400; margin: 1.5rem 0 .4rem; } h2 { font-size: 1.05rem; margin: 1.2rem 0 .3rem; }
table { border-collapse: collapse; width: 100%; font-size: .85em; } td, th { border-top: 1px solid #cdc2ab; padding: .2em .8em .2em 0; text-align: left; vertical-align: top; }
th { font-weight: 600; } .number { text-align: right; white-space: nowrap; } .quiet { color: #51473c; } .fault { color: #a30f38; }
.steps td { vertical-align: middle; } figure { margin: .8rem 0; } figure svg { max-width: 100%; height: auto; } math { font-size: 1.05em; }
.title { border: 1px solid #231e19; } .title td { border-left: 1px solid #b3a68d; padding: .2em .6em; } .title td:first-child { border-left: 0; }
article { break-before: page; } article:first-of-type { break-before: auto; } h1, h2 { break-after: avoid; } tr, figure { break-inside: avoid; }
`;

/** A report as one HTML file that needs no other: nothing in it runs or is fetched. */
export function reportHtml(report: Report): string {
  const { title, cover, parts, units } = report;
  const head = titleBlock(report);
  const articles = parts.map(
    ({ id, blocks }) => `<article id="${e(id)}">${head}${blocks.map((b) => blockHtml(b, units)).join('\n')}</article>`,
  );
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>${e(title)}</title>
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; img-src data:">
<meta name="viewport" content="width=device-width"><style>${STYLE}</style></head>
<body>${cover ? coverHtml(cover, report) : ''}
${articles.join('\n')}
<p class="quiet">Intarsia calculation</p></body></html>
`;
}

const titleBlock = ({ titleBlock }: Report) =>
  `<table class="title"><tbody><tr>${titleBlock
    .map(([name, value]) => `<td><span class="quiet">${e(name)}</span><br><b>${e(value) || '&nbsp;'}</b></td>`)
    .join('')}</tr></tbody></table>`;

function coverHtml({ title, office, logo, facts, revisions }: Cover, { parts, units }: Report): string {
  const shown = facts.filter(([, value]) => value !== '');
  const logoHtml = logo ? `<img src="${e(logo)}" alt="" style="max-width: 15rem; max-height: 6rem">` : '';
  const revisionsHtml =
    revisions.length > 0
      ? `<h2>Revisions</h2>${htmlTable({ head: REVISION_COLUMNS, rows: revisions.map((r) => revisionCells(r).map(e)) })}`
      : '';
  const contents = parts.map((p) => `<li><a href="#${e(p.id)}">${e(p.title)}</a></li>`).join('');
  return `<article>${logoHtml}<p class="quiet">${e(office)}</p><h1>${e(title)}</h1>
${htmlTable({ rows: shown.map(([label, value]) => [e(label), e(printCell(value, units))]) })}
${revisionsHtml}<h2>Contents</h2><ol>${contents}</ol></article>`;
}
