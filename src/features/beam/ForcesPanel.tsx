'use client';
import { useMemo } from 'react';
import type { BeamHandle } from '@/core/members/beam/drawing/handles';
import { beamInSpace } from '@/core/members/beam/model';
import { codeOf } from '@/core/members/member';
import { statusOf } from '@/core/checks/check';
import type { GivenForces } from '@/core/members/beam/input';
import type { BeamResult, RowUtilisations } from '@/core/members/beam/result';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { formatQuantity, formatUtilisation } from '@/core/units/format';
import { onMember, type Recipe } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { standingOf, standingText } from '@/ui/Glyph';
import { Inlay } from '@/ui/Inlay';
import { PasteForces } from './PasteForces';
import { usePaste } from '@/ui/MappedPaste';
import { QuantityInput } from '@/ui/QuantityInput';
import { SectionPanel } from './SectionPanel';

interface ForcesPanelProps {
  readonly project: Project;
  readonly member: BeamMember;
  readonly result: BeamResult;
  readonly onEdit: (handle: BeamHandle, target: Element) => void;
  readonly editing: string | null;
}

/** More rows than these are not all shown: the worst are. */
const SHOWN = 100;

const families = ['bending', 'shear', 'torsion'] as const;

/** A section with known design forces: the cut as the form, what it carries, and a row of forces for each place. */
export function ForcesPanel({ project, member, result, onEdit, editing }: ForcesPanelProps) {
  const edit = useProject((s) => s.edit);
  const paste = usePaste();
  const change = (label: string, recipe: Recipe<BeamMember>) => edit(`${label} of ${member.mark}`, onMember(member, recipe));
  const model = useMemo(() => beamInSpace(member, codeOf(project, member), result), [project, member, result]);
  const shown = worstRows(member.forces, result.rows);
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
      <div className="flex items-baseline justify-between border-t border-line pt-2">
        <h2>Design forces</h2>
        <span className="small">already factored · M positive when the bottom is stretched · N positive in compression</span>
        <button type="button" className="link" onClick={() => paste.open('')}>
          Ctrl V paste rows
        </button>
      </div>
      {shown.length < member.forces.length && (
        <p className="small">
          The worst {shown.length} of {member.forces.length} rows; all are checked.
        </p>
      )}
      <table className="grid-table" aria-label="Design forces">
        <thead>
          <tr>
            {['Place', 'Combination', 'M', 'V', 'T', 'N', 'Bending', 'Shear', 'Torsion', ''].map((h) => (
              <th key={h}>{h}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {shown.map((i) => (
            <ForcesRow key={i} project={project} f={member.forces[i]!} i={i} utilisations={result.rows[i]} change={change} />
          ))}
        </tbody>
      </table>
      <button
        type="button"
        className="btn mt-2"
        onClick={() =>
          change(
            'add a row of forces',
            (m) =>
              void m.forces.push({ place: `place ${m.forces.length + 1}`, combination: '', moment: 0, shear: 0, torsion: 0, axial: 0 }),
          )
        }
      >
        Add a row
      </button>
      {paste.text !== null && <PasteForces project={project} member={member} text={paste.text} onClose={paste.close} />}
    </div>
  );
}

/** Rows in their order; of many, the worst ones. */
function worstRows(forces: readonly GivenForces[], rows: readonly RowUtilisations[]): number[] {
  const all = forces.map((_, i) => i);
  if (all.length <= SHOWN) return all;
  const worst = (i: number) => Math.max(...families.map((key) => rows[i]?.[key] ?? 0));
  return all.sort((a, b) => worst(b) - worst(a)).slice(0, SHOWN);
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

interface RowProps {
  readonly project: Project;
  readonly f: GivenForces;
  readonly i: number;
  readonly utilisations: RowUtilisations | undefined;
  readonly change: (label: string, recipe: Recipe<BeamMember>) => void;
}

const quantities = [
  ['moment', 'moment', 'Moment'],
  ['shear', 'force', 'Shear'],
  ['torsion', 'moment', 'Torque'],
  ['axial', 'force', 'Axial force'],
] as const;

function ForcesRow({ project, f, i, utilisations, change }: RowProps) {
  const set = (patch: Partial<GivenForces>) => change(`forces, row ${i + 1}`, (m) => void Object.assign(m.forces[i]!, patch));
  const text = (key: 'place' | 'combination', label: string) => (
    <td>
      <input
        className="field"
        aria-label={`${label} of row ${i + 1}`}
        defaultValue={f[key]}
        key={f[key]}
        onBlur={(e) => e.target.value !== f[key] && set({ [key]: e.target.value.slice(0, 60) })}
      />
    </td>
  );
  return (
    <tr>
      {text('place', 'Place')}
      {text('combination', 'Combination')}
      {quantities.map(([key, kind, name]) => (
        <td key={key}>
          <QuantityInput
            kind={kind}
            system={project.display}
            value={f[key] ?? 0}
            label={`${name} of row ${i + 1}`}
            onKeep={(v) => set({ [key]: v ?? 0 })}
          />
        </td>
      ))}
      {families.map((key) => (
        <td key={key}>
          <Figure utilisation={utilisations?.[key] ?? null} />
        </td>
      ))}
      <td>
        <button type="button" className="link" onClick={() => change(`delete row ${i + 1}`, (m) => void m.forces.splice(i, 1))}>
          Delete
        </button>
      </td>
    </tr>
  );
}

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
