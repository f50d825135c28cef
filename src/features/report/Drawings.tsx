'use client';
import { sheetScales, type projectSheets, type SheetWish } from '@/core/sheets/member-sheet';
import { sheetPapers, type Sheet } from '@/core/sheets/sheet';
import type { Project } from '@/core/project/project';
import { sheetSvg } from '@/exchange/svg/sheet-svg';
import { Select } from '@/ui/fields/Select';
import { SavePapers } from './SavePapers';

type Drawn = ReturnType<typeof projectSheets>;

/** Paper and scale of the drawings, and their files. */
export function DrawingFiles(props: {
  project: Project;
  name: string;
  wish: SheetWish;
  onWish: (wish: SheetWish) => void;
  draw: () => Drawn;
  without: Drawn['without'];
  isReady: boolean;
}) {
  const { project, name, wish, onWish, draw, without, isReady } = props;
  const papers: [string, string][] = [['', 'smallest'], ...sheetPapers[project.paper].map((p): [string, string] => [p.name, p.name])];
  const scales: [string, string][] = [['', 'largest'], ...sheetScales.map((s): [string, string] => [String(s), `1:${s}`])];
  const row = 'grid grid-cols-[4.5rem_1fr] items-center gap-2 py-0.5';
  return (
    <>
      <div className={row}>
        Sheets
        <Select
          label="Paper of the drawings"
          value={wish.paper ?? ''}
          options={papers}
          onPick={(paper) => onWish({ ...(wish.scale ? { scale: wish.scale } : {}), ...(paper ? { paper } : {}) })}
        />
      </div>
      <div className={row}>
        Scale
        <Select
          label="Scale of the drawings"
          value={wish.scale ? String(wish.scale) : ''}
          options={scales}
          onPick={(scale) => onWish({ ...(wish.paper ? { paper: wish.paper } : {}), ...(scale ? { scale: Number(scale) } : {}) })}
        />
      </div>
      {without.map(({ mark, why }) => (
        <p key={mark} className="small">
          {mark}: {why}
        </p>
      ))}
      <SavePapers
        title="Drawings"
        name={`${name} drawings`}
        formats={['pdf', 'dxf', 'svg']}
        task={(format) => ({ paper: 'drawings', sheets: draw().sheets, format: format as 'pdf' })}
        isReady={isReady}
      />
    </>
  );
}

/** Drawings as they will be plotted. */
export function SheetPages({ sheets }: { sheets: readonly Sheet[] }) {
  return sheets.map((sheet) => (
    <figure
      key={sheet.title}
      className="mx-auto mb-6 w-full max-w-[80rem] border border-ebony bg-white print:break-after-page print:border-0"
    >
      {/* eslint-disable-next-line @next/next/no-img-element -- drawn here */}
      <img
        className="block w-full"
        src={`data:image/svg+xml;charset=utf-8,${encodeURIComponent(sheetSvg(sheet))}`}
        alt={`${sheet.title}: ${sheet.views.map((v) => `${v.title} 1:${v.scale}`).join(', ')}; ${sheet.paper.name}`}
      />
    </figure>
  ));
}
