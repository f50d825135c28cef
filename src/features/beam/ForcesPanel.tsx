'use client';
import { useChange } from '@/ui/fields/use-change';
import { useMemo } from 'react';
import type { BeamHandle } from '@/core/members/beam/drawing/handles';
import { beamInSpace } from '@/core/members/beam/model';
import { codeOf } from '@/core/members/member';
import { statusOf } from '@/core/checks/check';
import type { GivenForces } from '@/core/members/beam/input';
import type { BeamResult } from '@/core/members/beam/result';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { formatQuantity, formatUtilisation } from '@/core/units/format';
import { standingOf, standingText } from '@/ui/drawing/Glyph';
import { Inlay } from '@/ui/drawing/Inlay';
import { PasteForces } from './PasteForces';
import { PasteHead, usePaste } from '@/ui/tables/MappedPaste';
import { columnsFor } from '@/ui/tables/columns';
import { Grid } from '@/ui/tables/Grid';
import { SectionPanel } from './SectionPanel';

interface ForcesPanelProps {
  readonly project: Project;
  readonly member: BeamMember;
  readonly result: BeamResult;
  readonly onEdit: (handle: BeamHandle, target: Element) => void;
  readonly editing: string | null;
}

const families = ['bending', 'shear', 'torsion'] as const;

/** A section with known design forces: the cut as the form, what it carries, and a row of forces for each place. */
export function ForcesPanel({ project, member, result, onEdit, editing }: ForcesPanelProps) {
  const paste = usePaste();
  const change = useChange(member);
  const model = useMemo(() => beamInSpace(member, codeOf(project, member), result), [project, member, result]);
  const of = columnsFor<GivenForces>(
    project.display,
    (_, i) => `row ${i + 1}`,
    (i, patch) => change(`forces, row ${i + 1}`, (m) => void Object.assign(m.forces[i]!, patch)),
  );
  const add = () =>
    change('add a row of forces', (m) => {
      m.forces.push({ place: `place ${m.forces.length + 1}`, combination: '', moment: 0, shear: 0, torsion: 0, axial: 0 });
    });
  const hasFigures = (key: (typeof families)[number]) => key !== 'torsion' || member.forces.some((f) => f.torsion !== 0);
  return (
    <div className="overflow-auto px-3.5" onPaste={paste.onPaste}>
      <div className="flex flex-wrap">
        <SectionPanel
          project={project}
          member={member}
          result={result}
          model={model}
          station={0}
          onEdit={onEdit}
          editing={editing}
          width={420}
          height={330}
        />
        <Capacities project={project} result={result} />
      </div>
      <PasteHead
        title="Design forces"
        note="already factored · M positive when the bottom is stretched · N positive in compression"
        onPaste={() => paste.open('')}
      />
      <Grid
        label="Design forces"
        rows={member.forces}
        columns={[
          of.text('Place', 'place', { width: '6rem' }),
          of.text('Combination', 'combination', { width: '5.5rem' }),
          ...quantities.map(([key, kind, symbol, name]) => of.bare(name, kind, key, { symbol, width: '4.2rem' })),
          ...families.filter(hasFigures).map((key) => {
            const at = (i: number) => result.rows[i]?.[key] ?? null;
            const title = key[0]!.toUpperCase() + key.slice(1);
            return of.shown(
              title,
              (_, i) => formatUtilisation(at(i)),
              (_, i) => <Figure utilisation={at(i)} />,
            );
          }),
        ]}
        remove={{ title: 'Delete', run: (i) => change(`delete row ${i + 1}`, (m) => void m.forces.splice(i, 1)) }}
        add={{ title: 'Add a row', run: add }}
      />
      {paste.text !== null && <PasteForces project={project} member={member} text={paste.text} onClose={paste.close} />}
    </div>
  );
}

/** What the section carries with its bars: the answer for a member that is there already. */
function Capacities({ project, result }: { project: Project; result: BeamResult }) {
  const { capacities } = result;
  if (!capacities) return null;
  const rows = [
    ['M, bottom stretched', formatQuantity(capacities.sagging, 'moment', project.display)],
    ['M, top stretched', formatQuantity(capacities.hogging, 'moment', project.display)],
    ['V', formatQuantity(capacities.shear, 'force', project.display)],
    ['T', capacities.torsion === null ? 'from compatibility only' : formatQuantity(capacities.torsion, 'moment', project.display)],
  ];
  return (
    <section className="min-w-56 pt-10" aria-label="What the section carries">
      <h2>What the section carries</h2>
      <p className="small pb-1">with these bars, each force alone</p>
      <dl className="grid grid-cols-[1fr_auto] gap-x-6 gap-y-0.5">
        {rows.map(([name, value]) => (
          <div key={name} className="contents">
            <dt className="border-b border-line">{name}</dt>
            <dd className="border-b border-line text-right font-medium">{value}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

const quantities = [
  ['moment', 'moment', 'M', 'Moment M'],
  ['shear', 'force', 'V', 'Shear V'],
  ['torsion', 'moment', 'T', 'Torque T'],
  ['axial', 'force', 'N', 'Axial force N'],
] as const;

function Figure({ utilisation }: { utilisation: number | null }) {
  if (utilisation === null) return null;
  const standing = standingOf(statusOf(utilisation));
  return (
    <span className="flex items-center gap-1.5">
      <Inlay utilisation={utilisation} standing={standing} width={46} framed />
      <span className={standingText[standing]}>{formatUtilisation(utilisation)}</span>
    </span>
  );
}
