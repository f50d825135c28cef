import {
  Bookmark,
  Document,
  Footer,
  Header,
  HeadingLevel,
  ImageRun,
  InternalHyperlink,
  Packer,
  PageNumber,
  PageReference,
  Paragraph,
  TabStopType,
  TextRun,
  type FileChild,
} from 'docx';
import { printCell } from '@/core/document/blocks';
import { REVISION_COLUMNS, revisionCells, type Cover, type Report, type ReportPart } from '@/core/document/report';
import { pictureSize } from '../svg/picture-size';
import type { Painter } from '../svg/painter';
import { blockParts } from './block-parts';
import { BREADTH, wordTable } from './word-table';

const FACE = 'Arial';

/** A report as a Word document (Office Open XML). */
export async function reportDocx(
  report: Report,
  paint: Painter,
  onProgress: (share: number) => void = () => undefined,
): Promise<Uint8Array> {
  const { cover, parts } = report;
  const children: FileChild[] = cover ? [...coverParts(cover), ...contents(parts)] : [];
  parts.forEach((part, i) => {
    children.push(...partContent(part, report, paint, i > 0 || cover !== null));
    onProgress((i + 1) / (parts.length + 1));
  });
  const size = report.paper === 'Letter' ? { width: 12240, height: 15840 } : { width: 11906, height: 16838 };
  const document = new Document({
    title: report.title,
    creator: report.author,
    features: { updateFields: cover !== null },
    styles: styles(),
    sections: [
      {
        properties: {
          page: { size, margin: { top: 1500, bottom: 1000, left: 1000, right: size.width - 1000 - BREADTH, header: 500, footer: 400 } },
          titlePage: cover !== null,
        },
        headers: { default: new Header({ children: [pageHead(report)] }), first: new Header({ children: [] }) },
        footers: { default: pageFoot(), first: new Footer({ children: [] }) },
        children,
      },
    ],
  });
  const bytes = await Packer.pack(document, 'uint8array');
  onProgress(1);
  return bytes;
}

function styles() {
  const heading = (size: number, before: number) => ({
    run: { font: FACE, size, bold: size < 30, color: '231E19' },
    paragraph: { spacing: { before, after: 80 } },
  });
  return {
    default: {
      document: { run: { font: FACE, size: 18, color: '231E19' }, paragraph: { spacing: { after: 80 } } },
      heading1: heading(32, 0),
      heading2: heading(22, 200),
    },
    paragraphStyles: [{ id: 'Cell', name: 'Cell', basedOn: 'Normal', paragraph: { spacing: { before: 0, after: 0 } }, run: { size: 16 } }],
  };
}

const pageHead = ({ titleBlock }: Report) =>
  wordTable(
    titleBlock.map(([name]) => ({ share: name === 'Project' || name === 'Code' ? 3 : 1.4 })),
    null,
    [
      titleBlock.map(([name, value]) => [
        new TextRun({ text: name, size: 13, color: '51473C' }),
        new TextRun({ text: value || ' ', size: 16, bold: true, break: 1 }),
      ]),
    ],
  );

const pageFoot = () =>
  new Footer({
    children: [
      new Paragraph({
        tabStops: [{ type: TabStopType.RIGHT, position: BREADTH }],
        children: [
          new TextRun({
            size: 14,
            color: '51473C',
            children: ['Intarsia calculation\t', PageNumber.CURRENT, ' / ', PageNumber.TOTAL_PAGES],
          }),
        ],
      }),
    ],
  });

function coverParts({ title, office, logo, facts, revisions }: Cover): FileChild[] {
  const shown = facts.filter(([, value]) => value !== '');
  return [
    ...(logo ? [new Paragraph({ children: [logoRun(logo)] })] : []),
    new Paragraph({ spacing: { after: 3000 }, children: [new TextRun({ text: office || ' ', color: '51473C', size: 20 })] }),
    new Paragraph({ spacing: { after: 400 }, children: [new TextRun({ text: title, size: 52 })] }),
    wordTable(
      [{ share: 1 }, { share: 3 }],
      null,
      shown.map(([label, value]) => [label, printCell(value, 'SI')]),
      20,
    ),
    ...(revisions.length > 0
      ? [
          new Paragraph({ heading: HeadingLevel.HEADING_2, text: 'Revisions' }),
          wordTable(
            [{ share: 1 }, { share: 1 }, { share: 4 }, { share: 1.5 }],
            REVISION_COLUMNS,
            revisions.map((r) => [...revisionCells(r)]),
          ),
        ]
      : []),
  ];
}

function logoRun(logo: string): ImageRun {
  const data = Uint8Array.from(atob(logo.slice(logo.indexOf(',') + 1)), (c) => c.charCodeAt(0));
  const { width, height } = pictureSize(data) ?? { width: 240, height: 90 };
  const fit = Math.min(240 / width, 90 / height);
  const transformation = { width: Math.round(width * fit), height: Math.round(height * fit) };
  return new ImageRun({ type: logo.startsWith('data:image/png') ? 'png' : 'jpg', data, transformation });
}

/** Chapters with the numbers of their pages, which the reader works out when the file is opened. */
function contents(parts: readonly ReportPart[]): FileChild[] {
  return [
    new Paragraph({ pageBreakBefore: true, spacing: { after: 160 }, children: [new TextRun({ text: 'Contents', size: 32 })] }),
    ...parts.map(
      (part, i) =>
        new Paragraph({
          tabStops: [{ type: TabStopType.RIGHT, position: BREADTH, leader: 'dot' }],
          children: [
            new InternalHyperlink({ anchor: anchorOf(i), children: [new TextRun(part.title)] }),
            new TextRun('\t'),
            new PageReference(anchorOf(i), { hyperlink: true }),
          ],
        }),
    ),
  ];
}

const anchorOf = (i: number) => `part_${i + 1}`;

function partContent(part: ReportPart, { units, parts }: Report, paint: Painter, isNext: boolean): FileChild[] {
  const [first, ...rest] = part.blocks;
  if (first?.kind !== 'heading') return part.blocks.flatMap((b) => blockParts(b, units, paint));
  const head = new Paragraph({
    heading: HeadingLevel.HEADING_1,
    keepNext: true,
    pageBreakBefore: isNext && !part.isRunOn,
    ...(part.isRunOn ? { spacing: { before: 480 } } : {}),
    children: [new Bookmark({ id: anchorOf(parts.indexOf(part)), children: [new TextRun(first.text)] })],
  });
  return [head, ...rest.flatMap((b) => blockParts(b, units, paint))];
}
