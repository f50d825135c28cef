'use client';
import { codeOf } from '@/core/members/member';
import type { StripHandle } from '@/core/members/strip/drawing/handles';
import type { StripMember } from '@/core/members/strip/input';
import { CombinationsPanel } from '@/ui/tables/CombinationsPanel';
import { LoadsTable } from '@/ui/tables/LoadsTable';
import { HandChecks } from '@/ui/tables/HandChecks';
import { memberScreen, variantsPanel, type PanelPart, type Sheet } from '@/ui/sheet/member-screen';
import { ScheduleTable } from '@/ui/tables/ScheduleTable';
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
  {
    id: 'loads',
    title: 'Loads',
    show: ({ kept, member, faults }) => <LoadsTable {...{ project: kept, member, faults }} table={stripLoads} />,
  },
  {
    id: 'bars',
    title: 'Bars',
    show: ({ kept, member, keptMember, result }) => (
      <SlabBarsPanel
        project={kept}
        member={member}
        steel={result.steel}
        schedule={<ScheduleTable project={kept} member={keptMember} result={result} />}
      />
    ),
  },
  { id: 'combinations', title: 'Combinations', show: ({ kept, member }) => <CombinationsPanel project={kept} member={member} /> },
  {
    id: 'basis',
    title: 'Basis',
    show: ({ kept, member, result, faults }) => <BasisPanel project={kept} member={member} result={result} faults={faults} />,
  },
  { id: 'hand', title: 'By hand', show: ({ kept, result }) => <HandChecks project={kept} result={result} width={result.width} /> },
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
