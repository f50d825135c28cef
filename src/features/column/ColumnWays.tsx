import { castDraft } from 'immer';
import { memo } from 'react';
import type { ColumnStep } from '@/core/advice/column-changes';
import type { ColumnProposal, Search } from '@/core/advice/column-proposals';
import { placeColumnBars } from '@/core/reinforcement/column-bars';
import { catalogues, findBar } from '@/core/materials/bars';
import { columnBarsLabel, linkLabel, sizeLabel } from '@/core/project/labels';
import type { ColumnMember, Project } from '@/core/project/project';
import { onColumn } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { propose, stepsForColumn } from '@/store/proposing';
import { WaysForward } from '@/ui/WaysForward';

type Way = ColumnStep | ColumnProposal;

const searches: readonly (readonly [Search | 'steps', string])[] = [
  ['steps', 'single changes'],
  ['bars', 'bars for this size'],
  ['square', 'least square'],
  ['rectangle', 'least rectangle'],
  ['circle', 'least circle'],
];

/** Single changes, other bars, or the least size. */
export const ColumnWays = memo(function ColumnWays({ project, member }: { project: Project; member: ColumnMember }) {
  const edit = useProject((s) => s.edit);
  const { code, display, rates } = project;
  const label = (p: Way) => ('title' in p ? p.title : labelOf(p, project, member));
  return (
    <WaysForward<ColumnMember, Search | 'steps', Way>
      project={project}
      member={member}
      word="column"
      searches={searches}
      search={(search) =>
        search === 'steps' ? stepsForColumn({ code, display, rates }, member) : propose({ code, display, rates }, member, search)
      }
      label={label}
      detail={(p) => ('title' in p ? '' : `${(100 * p.steelRatio).toFixed(1)} %, ${p.barCount} bars`)}
      onTake={(p) =>
        edit(
          `try ${label(p)} for ${member.mark}`,
          onColumn(member.id, (m) => void Object.assign(m, castDraft(p.change))),
        )
      }
      empty="Nothing among the usual bars holds: try a larger size, or another concrete."
    />
  );
});

function labelOf({ change: { shape, bars: laid, ties } }: ColumnProposal, project: Project, member: ColumnMember): string {
  const tie = findBar(catalogues[member.catalogue], ties.size)?.diameter ?? 8;
  const bars = placeColumnBars(shape, laid, member.cover, tie, catalogues[member.catalogue]);
  const isSameShape = JSON.stringify(shape) === JSON.stringify(member.shape);
  const size = isSameShape ? '' : `${sizeLabel({ ...member, shape }, project.display)}, `;
  const layout = laid.kind === 'sides' && laid.alongX !== laid.alongY ? ` in ${laid.alongX + 2} × ${laid.alongY + 2}` : '';
  return `${size}${columnBarsLabel(project, bars)}${layout}, ${linkLabel({ ...ties, legs: 2 }, project)}`;
}
