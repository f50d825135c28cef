'use client';
import { codeOf } from '@/core/members/member';
import type { StripHandle } from '@/core/members/strip/drawing/handles';
import type { StripMember } from '@/core/members/strip/input';
import { HandChecks } from '@/ui/tables/HandChecks';
import { memberScreen, type PanelPart, type Sheet } from '@/ui/sheet/member-screen';
import { barsPanel, basisPanel, combinationsPanel, loadsPanel, variantsPanel } from '@/ui/sheet/panels';
import { spansLabel, supportEditor, useLineSheet, type LineSheet } from '@/ui/sheet/use-line-sheet';
import { BasisPanel } from './BasisPanel';
import { stripField } from './fields';
import { SlabBarsPanel } from './SlabBarsPanel';
import { SlabSection } from './SlabSection';
import { SlabSheet } from './SlabSheet';
import { stripLoads } from './loads';

const drawing = (shows: 'strength' | 'service') =>
  function show({ project, member, result, model, isStale, drawn, editing }: Sheet<StripMember, StripHandle>, line: LineSheet) {
    return (
      <SlabSheet
        {...{ project, member, result, model, isStale, editing, shows }}
        onMove={line.onMove}
        station={line.station}
        onStation={line.setStation}
        onEdit={drawn.open}
      />
    );
  };

const panels: readonly PanelPart<StripMember, LineSheet, StripHandle>[] = [
  { id: 'strips', title: 'Drawing', show: drawing('strength') },
  { id: 'service', title: 'In service', show: drawing('service') },
  loadsPanel(stripLoads),
  barsPanel(SlabBarsPanel),
  combinationsPanel(),
  basisPanel(BasisPanel),
  {
    id: 'hand',
    title: 'By hand',
    show: ({ kept, keptMember, result }) => (
      <HandChecks project={kept} mark={keptMember.mark} result={result} of={{ width: result.width }} />
    ),
  },
  variantsPanel(),
];

/** The screen of a slab that spans one way. */
export const StripScreen = memberScreen<StripMember, LineSheet, StripHandle>({
  panels,
  useOwn: useLineSheet,
  fits: (then, now) => then.spans.length === now.spans.length,
  subtitle: ({ project, member }) => [
    codeOf(project, member).concreteLabel(member.materials.concreteStrength),
    spansLabel(member, project.display),
  ],
  asideLabel: 'Section and checks',
  above: ({ project, member, result, drawn, editing }, { station }) => (
    <>
      <SlabSection {...{ project, member, result, station, editing }} onEdit={drawn.open} />
      <div className="purfling-x -mx-3.5" />
    </>
  ),
  onPlace: ({ setStation }) => setStation,
  field: (handle, { kept, keptMember, result }) => stripField(handle, { project: kept, member: keptMember, steel: result.steel }),
  editors: (place, { member }) => supportEditor(place, member),
});
