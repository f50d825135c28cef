'use client';
import type { Fault } from '@/core/checks/fault';
import type { BeamMember, StationForces, StationSet } from '@/core/members/beam/input';
import { isOneState, piecesOf } from '@/core/members/beam/known-forces';
import { stationUseNames, stationUsesOf, type StationUse } from '@/core/members/beam/station-uses';
import { codeOf } from '@/core/members/member';
import type { Project } from '@/core/project/project';
import { counted } from '@/core/units/format';
import { useChange } from '@/ui/fields/use-change';
import { columnsFor } from '@/ui/tables/columns';
import { Grid } from '@/ui/tables/Grid';
import { PasteHead, usePaste } from '@/ui/tables/MappedPaste';
import { PasteStations } from './PasteStations';

interface StationsProps {
  readonly project: Project;
  readonly member: BeamMember;
  readonly faults: readonly Fault[];
}

/** Forces of an analysis at stations along the spans: what each set is for, and its rows. */
export function StationsPanel({ project, member, faults }: StationsProps) {
  const paste = usePaste();
  const general = faults.filter((f) => f.path === 'stations' || f.path === 'stationSets');
  return (
    <div className="overflow-auto px-3.5 py-2" onPaste={paste.onPaste}>
      <Sets project={project} member={member} faults={faults} />
      <PasteHead
        title="Forces at stations"
        note="already factored · M positive when the bottom is stretched · V positive where M grows to the right"
        onPaste={() => paste.open('')}
      />
      {general.map((f) => (
        <p key={f.reason} role="alert" className="py-1 text-madder-text">
          {f.reason}
        </p>
      ))}
      <Rows project={project} member={member} faults={faults} />
      <p className="small mt-2">
        Stations count from the left end of their span, at least from face to face of its supports. Two rows at one place are both sides of
        a jump. Between stations the moment has V as its slope; a set whose V is not the slope of its M holds the largest forces of several
        states: straight lines join them.
      </p>
      {paste.text !== null && <PasteStations project={project} member={member} text={paste.text} onClose={paste.close} />}
    </div>
  );
}

function Sets({ project, member, faults }: StationsProps) {
  const change = useChange(member);
  const uses = stationUsesOf(codeOf(project, member));
  const of = columnsFor<StationSet>(
    project.display,
    (s) => s.name,
    (i, patch) => change(`set ${member.stationSets[i]!.name}`, (m) => void Object.assign(m.stationSets[i]!, patch)),
  );
  const rename = (i: number, name: string) => {
    const old = member.stationSets[i]!.name;
    return change(`name of set ${old}`, (m) => {
      m.stationSets[i]!.name = name;
      for (const row of m.stations) if (row.set === old) row.set = name;
    });
  };
  const rowsOf = (name: string) => member.stations.filter((s) => s.set === name).length;
  const fitOf = ({ name }: StationSet) =>
    member.spans.every((_, i) => isOneState(piecesOf(member, name, i)))
      ? 'V is the slope of M'
      : 'largest forces: straight lines between stations';
  const add = () =>
    change('add a set', (m) => {
      const number = [...Array(m.stationSets.length + 1).keys()].find((k) => !m.stationSets.some((s) => s.name === `U${k + 1}`))!;
      m.stationSets.push({ name: `U${number + 1}`, use: 'ultimate' });
    });
  const remove = (i: number) =>
    change(`delete set ${member.stationSets[i]!.name}`, (m) => {
      const [gone] = m.stationSets.splice(i, 1);
      m.stations = m.stations.filter((s) => s.set !== gone!.name);
    });
  return (
    <>
      <h2>Sets</h2>
      <Grid
        label="Sets of forces"
        className="!w-auto"
        rows={member.stationSets}
        columns={[
          of.text('Set', { get: (s) => s.name, set: rename }, { width: '8rem' }),
          of.pick<StationUse>('For', usesWith(uses), 'use', { width: '11rem' }),
          of.shown('Rows', (s) => counted(rowsOf(s.name), 'row')),
          of.shown('Between stations', (s) => (rowsOf(s.name) > 0 ? fitOf(s) : '')),
        ]}
        faultsOf={(i) => faults.filter((f) => f.path.startsWith(`stationSets[${i}]`))}
        remove={{ title: 'Delete', label: (s) => `Delete set ${s.name} with its rows`, run: remove }}
        add={{ title: 'Add a set', run: add }}
      />
    </>
  );
}

/** The uses of the code; one that another code has is still shown where it is set. */
const usesWith = (uses: readonly StationUse[]) => (row: StationSet) =>
  [...new Set([...uses, row.use])].map(
    (u) => [u, uses.includes(u) ? stationUseNames[u] : `${stationUseNames[u]}, not of this code`] as const,
  );

function Rows({ project, member, faults }: StationsProps) {
  const change = useChange(member);
  const of = columnsFor<StationForces>(
    project.display,
    (_, i) => `row ${i + 1}`,
    (i, patch) => change(`forces, row ${i + 1}`, (m) => void Object.assign(m.stations[i]!, patch)),
  );
  const sets = member.stationSets.map((s) => [s.name, s.name] as const);
  const spans = member.spans.map((_, i) => [String(i), String(i + 1)] as const);
  const add = () =>
    change('add a row of forces', (m) => {
      const last = m.stations.at(-1);
      m.stations.push({
        set: last?.set ?? m.stationSets[0]?.name ?? '',
        span: last?.span ?? 0,
        at: last?.at ?? 0,
        moment: 0,
        shear: 0,
        torsion: 0,
      });
    });
  return (
    <Grid
      label="Forces at stations"
      rows={member.stations}
      columns={[
        of.pick('Set', sets, 'set', { width: '7rem' }),
        of.pick(
          'Span',
          spans,
          { get: (r) => String(r.span), set: (i, v) => change(`span of row ${i + 1}`, (m) => void (m.stations[i]!.span = Number(v))) },
          { width: '4rem' },
        ),
        of.bare('Station', 'station', 'at', { symbol: 'at', width: '5rem' }),
        of.bare('Moment M', 'moment', 'moment', { symbol: 'M', width: '5rem' }),
        of.bare('Shear V', 'force', 'shear', { symbol: 'V', width: '5rem' }),
        of.bare('Torque T', 'moment', 'torsion', { symbol: 'T', width: '5rem' }),
      ]}
      faultsOf={(i) => faults.filter((f) => f.path.startsWith(`stations[${i}]`))}
      remove={{ title: 'Delete', run: (i) => change(`delete row ${i + 1}`, (m) => void m.stations.splice(i, 1)) }}
      add={{ title: 'Add a row', isDisabled: member.stationSets.length === 0, run: add }}
    />
  );
}
