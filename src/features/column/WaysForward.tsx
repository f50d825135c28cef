'use client';
import { castDraft } from 'immer';
import { useState } from 'react';
import type { ColumnProposal, Search } from '@/core/advice/column-proposals';
import { placeColumnBars } from '@/core/reinforcement/column-bars';
import { catalogues, findBar } from '@/core/materials/bars';
import { columnBarsLabel, linkLabel, sizeLabel } from '@/core/project/labels';
import type { ColumnMember, Project } from '@/core/project/project';
import { formatUtilisation } from '@/core/units/format';
import { statusOf } from '@/core/members/check';
import { onColumn } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { propose } from '@/store/proposing';
import { standingOf, standingText } from '@/ui/Glyph';
import { Inlay } from '@/ui/Inlay';

const searches: readonly (readonly [Search, string])[] = [
  ['bars', 'bars for this size'],
  ['square', 'least square'],
  ['rectangle', 'least rectangle'],
  ['circle', 'least circle'],
];

interface Found {
  readonly of: ColumnMember;
  readonly search: Search;
  readonly list: readonly ColumnProposal[] | null;
}

/** Other bars, or the least size, each designed in full and tried with one click; ranked by cost, carbon and how easily it is built. */
export function WaysForward({ project, member }: { project: Project; member: ColumnMember }) {
  const { edit } = useProject();
  const [found, setFound] = useState<Found | null>(null);
  const look = (search: Search) => {
    setFound({ of: member, search, list: null });
    void propose({ code: project.code, display: project.display }, member, search).then((list) => setFound({ of: member, search, list }));
  };
  const take = (p: ColumnProposal, label: string) =>
    edit(
      `try ${label} for ${member.mark}`,
      onColumn(member.id, (m) => {
        m.shape = castDraft(p.shape);
        m.bars = castDraft(p.bars);
        m.ties = castDraft(p.ties);
      }),
    );
  const isOld = found !== null && found.of !== member;
  return (
    <section aria-label="Ways forward" className="max-h-56 shrink-0 overflow-y-auto pb-2">
      <div className="flex items-baseline gap-2 pt-1.5">
        <h2>Ways forward</h2>
        <span className="small">{found?.list ? `against ${isOld ? 'the column before' : 'now'}: cost, carbon` : ''}</span>
      </div>
      <div className="small flex flex-wrap gap-x-3 pb-1">
        {searches.map(([search, name]) => (
          <button key={search} type="button" className="link" aria-pressed={found?.search === search} onClick={() => look(search)}>
            {name}
          </button>
        ))}
      </div>
      {found && found.list === null && <p role="status">Looking for {searches.find(([s]) => s === found.search)![1]}.</p>}
      {found?.list?.length === 0 && <p>Nothing among the usual bars holds: try a larger size, or another concrete.</p>}
      {found?.list?.map((p, i) => {
        const label = labelOf(p, project, member);
        const standing = standingOf(statusOf(p.utilisation));
        return (
          <div key={i} className="grid h-[1.4rem] grid-cols-[2rem_minmax(0,1fr)_5.4rem_2.6rem_2rem] items-center gap-1.5">
            <button type="button" className="btn !h-5 !px-1 !py-0" onClick={() => take(p, label)}>
              try
            </button>
            <span
              className="truncate"
              title={`${label} · governs: ${p.governs} · ${(100 * p.steelRatio).toFixed(1)} % · ${p.barCount} bars · ease of building ${p.buildability.toFixed(2)}`}
            >
              {label}
            </span>
            <span className="small text-right" title="cost and carbon against now">
              {change(p.cost)}, {change(p.carbon)}
            </span>
            <Inlay utilisation={p.utilisation} standing={standing} width={36} framed />
            <span className={`text-right ${standingText[standing]}`}>{formatUtilisation(p.utilisation)}</span>
          </div>
        );
      })}
    </section>
  );
}

const change = (ratio: number) => `${ratio >= 1 ? '+' : '−'}${Math.abs(Math.round((ratio - 1) * 100))} %`;

function labelOf(p: ColumnProposal, project: Project, member: ColumnMember): string {
  const tie = findBar(catalogues[member.catalogue], p.ties.size)?.diameter ?? 8;
  const bars = placeColumnBars(p.shape, p.bars, member.cover, tie, catalogues[member.catalogue]);
  const isSameShape = JSON.stringify(p.shape) === JSON.stringify(member.shape);
  const size = isSameShape ? '' : `${sizeLabel({ ...member, shape: p.shape }, project.display)}, `;
  const layout = p.bars.kind === 'sides' && p.bars.alongX !== p.bars.alongY ? ` in ${p.bars.alongX + 2} × ${p.bars.alongY + 2}` : '';
  return `${size}${columnBarsLabel(project, bars)}${layout}, ${linkLabel({ ...p.ties, legs: 2 }, project)}`;
}
