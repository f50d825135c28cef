import { castDraft } from 'immer';
import type { ColumnProposal, Search } from '@/core/advice/column-proposals';
import { placeColumnBars } from '@/core/reinforcement/column-bars';
import { catalogues, findBar } from '@/core/materials/bars';
import { columnBarsLabel, linkLabel, sizeLabel } from '@/core/project/labels';
import type { ColumnMember, Project } from '@/core/project/project';
import { onColumn } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { propose } from '@/store/proposing';
import { WaysForward } from '@/ui/WaysForward';

const searches: readonly (readonly [Search, string])[] = [
  ['bars', 'bars for this size'],
  ['square', 'least square'],
  ['rectangle', 'least rectangle'],
  ['circle', 'least circle'],
];

/** Other bars, or the least size. */
export function ColumnWays({ project, member }: { project: Project; member: ColumnMember }) {
  const { edit } = useProject();
  const { code, display, rates } = project;
  const label = (p: ColumnProposal) => labelOf(p, project, member);
  return (
    <WaysForward
      member={member}
      word="column"
      searches={searches}
      search={(search) => propose({ code, display, rates }, member, search)}
      label={label}
      detail={(p) => `${(100 * p.steelRatio).toFixed(1)} %, ${p.barCount} bars`}
      onTake={(p) =>
        edit(
          `try ${label(p)} for ${member.mark}`,
          onColumn(member.id, (m) => {
            m.shape = castDraft(p.shape);
            m.bars = castDraft(p.bars);
            m.ties = castDraft(p.ties);
          }),
        )
      }
      empty="Nothing among the usual bars holds: try a larger size, or another concrete."
    />
  );
}

function labelOf(p: ColumnProposal, project: Project, member: ColumnMember): string {
  const tie = findBar(catalogues[member.catalogue], p.ties.size)?.diameter ?? 8;
  const bars = placeColumnBars(p.shape, p.bars, member.cover, tie, catalogues[member.catalogue]);
  const isSameShape = JSON.stringify(p.shape) === JSON.stringify(member.shape);
  const size = isSameShape ? '' : `${sizeLabel({ ...member, shape: p.shape }, project.display)}, `;
  const layout = p.bars.kind === 'sides' && p.bars.alongX !== p.bars.alongY ? ` in ${p.bars.alongX + 2} × ${p.bars.alongY + 2}` : '';
  return `${size}${columnBarsLabel(project, bars)}${layout}, ${linkLabel({ ...p.ties, legs: 2 }, project)}`;
}
