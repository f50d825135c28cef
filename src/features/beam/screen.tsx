'use client';
import dynamic from 'next/dynamic';
import type { BeamHandle } from '@/core/members/beam/drawing/handles';
import type { BeamMember } from '@/core/members/beam/input';
import { codeOf } from '@/core/members/member';
import { HandChecks } from '@/ui/tables/HandChecks';
import { memberScreen, type PanelPart, type Sheet } from '@/ui/sheet/member-screen';
import { barsPanel, basisPanel, combinationsPanel, loadsPanel, variantsPanel } from '@/ui/sheet/panels';
import { useBox } from '@/ui/drawing/use-box';
import { spansLabel, supportEditor, useLineSheet, type LineSheet } from '@/ui/sheet/use-line-sheet';
import { BarsPanel } from './BarsPanel';
import { BasisPanel } from './BasisPanel';
import { beamField } from './fields';
import { ForcesPanel } from './ForcesPanel';
import { beamLoads } from './loads';
import { SectionPanel } from './SectionPanel';
import { StationsPanel } from './StationsPanel';
import { stationTable } from '@/core/members/beam/station-table';
import { TableFiles } from '@/ui/tables/TableFiles';
import { Strips } from './Strips';

/** Loaded when it is opened. */
const CagePanel = dynamic(() => import('./CagePanel').then((m) => m.CagePanel), { ssr: false });

type Panel = PanelPart<BeamMember, LineSheet, BeamHandle>;

type Mode = BeamMember['mode'];
const only = (...modes: readonly Mode[]): Pick<Panel, 'isHidden'> => ({ isHidden: ({ mode }) => !modes.includes(mode) });
const alongSpans = only('loads', 'stations');

const panels: readonly Panel[] = [
  {
    id: 'strips',
    title: ({ mode }) => (mode === 'forces' ? 'Section' : 'Drawing'),
    show: (sheet, line) => {
      const { project, member, result, drawn, editing } = sheet;
      return member.mode !== 'forces' ? (
        <Centre sheet={sheet} line={line} shows="strength" />
      ) : (
        <ForcesPanel {...{ project, member, result, editing }} onEdit={drawn.open} />
      );
    },
  },
  {
    id: 'service',
    title: 'In service',
    ...alongSpans,
    show: (sheet, line) => sheet.member.mode !== 'forces' && <Centre sheet={sheet} line={line} shows="service" />,
  },
  { ...loadsPanel(beamLoads), ...only('loads') },
  {
    id: 'stations',
    title: 'Forces',
    isForm: true,
    ...only('stations'),
    show: ({ kept, member, faults }) => <StationsPanel {...{ project: kept, member, faults }} />,
  },
  { ...barsPanel(BarsPanel), ...alongSpans },
  { ...combinationsPanel(), ...only('loads') },
  basisPanel(BasisPanel),
  {
    id: 'hand',
    title: 'By hand',
    ...alongSpans,
    show: ({ kept, keptMember, result }) => (
      <HandChecks project={kept} mark={keptMember.mark} result={result} of={{ areSets: keptMember.mode === 'stations' }} />
    ),
  },
  variantsPanel(),
  {
    // Opened from the section.
    id: 'cage',
    title: 'Cage',
    isHidden: () => true,
    show: ({ kept, keptMember, model }, { station }) => <CagePanel project={kept} member={keptMember} model={model} station={station} />,
  },
];

/** A beam's whole screen. */
export const BeamScreen = memberScreen<BeamMember, LineSheet, BeamHandle>({
  panels,
  useOwn: useLineSheet,
  // The same spans, and forces still forces.
  fits: (then, now) => then.spans.length === now.spans.length && then.mode === now.mode,
  subtitle: ({ project, member }) => [
    codeOf(project, member).concreteLabel(member.materials.concreteStrength),
    member.mode === 'forces' ? 'known design forces' : spansLabel(member, project.display),
    ...(member.mode === 'stations' ? ['known forces along the spans'] : []),
  ],
  asideLabel: 'Section and checks',
  above: ({ project, member, result, model, drawn, editing, panel, setPanel }, { station }) => (
    <>
      {member.mode !== 'forces' && (
        <SectionPanel
          {...{ project, member, result, model, station, editing }}
          onEdit={drawn.open}
          onCage={() => setPanel(panel === 'cage' ? 'strips' : 'cage')}
        />
      )}
      <div className="purfling-x -mx-3.5" />
    </>
  ),
  onPlace: ({ setStation }) => setStation,
  hasWays: ({ mode }) => mode !== 'forces',
  field: (handle, { kept, keptMember, result }) => beamField(handle, { project: kept, member: keptMember, steel: result.steel }),
  editors: (place, { member }) => supportEditor(place, member),
});

/** Elevation and strips, as wide as the middle of the screen. */
function Centre({ sheet, line, shows }: { sheet: Sheet<BeamMember, BeamHandle>; line: LineSheet; shows: 'strength' | 'service' }) {
  const { project, member, result, model, drawn, editing, isStale } = sheet;
  const [box, size] = useBox<HTMLDivElement>({ width: 748, height: 700 });
  const room = Math.max(330, size.height - 236 - 40);
  return (
    <div
      ref={box}
      className={`min-h-0 flex-1 overflow-y-auto overflow-x-hidden ${isStale ? 'stale' : ''}`}
      data-stale={isStale || undefined}
    >
      <Strips
        {...{ project, member, result, model, shows, editing, room }}
        station={line.station}
        onStation={line.setStation}
        onEdit={drawn.open}
        onMove={line.onMove}
        width={size.width}
        scale={size.scale}
      />
      {result.strips && (
        <p className="small px-3.5 py-1.5">
          every station with its steel as{' '}
          <TableFiles name={`${member.mark} stations`} units={project.display} tables={() => [stationTable(result)!]} />
        </p>
      )}
      {member.mode === 'loads' && member.loads.length === 0 && (
        <p className="px-3.5 py-2">No loads yet on {member.mark}: open Loads and add one, or paste a table.</p>
      )}
    </div>
  );
}
