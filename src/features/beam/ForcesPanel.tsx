'use client';
import type { GivenForces } from '@/core/members/beam/input';
import type { BeamResult } from '@/core/members/beam/result';
import type { BeamMember, Project } from '@/core/project/project';
import { formatUtilisation } from '@/core/units/format';
import { parseQuantity } from '@/core/units/parse';
import { parseTable } from '@/exchange/paste-table';
import { onBeam } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { standingOf, standingText } from '@/ui/Glyph';
import { Inlay } from '@/ui/Inlay';
import { QuantityInput } from '@/ui/QuantityInput';
import { SectionPanel } from './SectionPanel';

interface ForcesPanelProps {
  readonly project: Project;
  readonly member: BeamMember;
  readonly result: BeamResult;
  readonly onEdit: (path: string, target: Element) => void;
  readonly editing: string | null;
}

/** A section with known design forces: the cut as the form, and a row of M and V for each place. */
export function ForcesPanel({ project, member, result, onEdit, editing }: ForcesPanelProps) {
  const { edit, setNotice } = useProject();
  const change = (label: string, recipe: Parameters<typeof onBeam>[1]) => edit(`${label} of ${member.mark}`, onBeam(member.id, recipe));
  const set = (i: number, patch: Partial<GivenForces>) => change(`forces, row ${i + 1}`, (m) => void Object.assign(m.forces[i]!, patch));
  const onPaste = (e: React.ClipboardEvent) => {
    const text = e.clipboardData.getData('text');
    if (!/[\t\n;]/.test(text)) return;
    e.preventDefault();
    const { rows, refused } = readForces(text, project.display);
    if (rows.length > 0) change(`paste ${rows.length} rows of forces`, (m) => void m.forces.push(...rows));
    if (refused > 0) setNotice(`${refused} pasted rows were not understood and left out: place, combination, M, V, T.`);
  };
  const check = (i: number, family: 'bending' | 'shear' | 'torsion') =>
    result.checks.find(
      (c) => c.id === `${family}-${i + 1}` || (family === 'torsion' && c.family === 'torsion' && c.id.endsWith(`-${i + 1}`)),
    );
  const figure = (i: number, family: 'bending' | 'shear' | 'torsion') => {
    const c = check(i, family);
    if (family === 'torsion' && !c) return null;
    const standing = standingOf(c?.status);
    return (
      <span className="flex items-center gap-1.5">
        <Inlay utilisation={c?.utilisation ?? null} standing={standing} width={46} framed />
        <span className={standingText[standing]}>{formatUtilisation(c?.utilisation ?? null)}</span>
      </span>
    );
  };
  return (
    <div className="overflow-auto px-3.5" onPaste={onPaste}>
      <SectionPanel
        project={project}
        member={member}
        result={result}
        station={0}
        onEdit={onEdit}
        editing={editing}
        width={420}
        height={330}
      />
      <div className="flex items-baseline justify-between border-t border-line pt-2">
        <h2>Design forces</h2>
        <span className="small">
          already factored · M positive when the bottom is stretched · Ctrl V pastes rows: place, combination, M, V, T
        </span>
      </div>
      <table className="grid-table" aria-label="Design forces">
        <thead>
          <tr>
            {['Place', 'Combination', 'M', 'V', 'T', 'Bending', 'Shear', 'Torsion', ''].map((h) => (
              <th key={h}>{h}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {member.forces.map((f, i) => (
            <tr key={i}>
              <td>
                <input
                  className="field"
                  aria-label={`Place of row ${i + 1}`}
                  defaultValue={f.place}
                  key={`p${f.place}`}
                  onBlur={(e) => e.target.value !== f.place && set(i, { place: e.target.value.slice(0, 60) })}
                />
              </td>
              <td>
                <input
                  className="field"
                  aria-label={`Combination of row ${i + 1}`}
                  defaultValue={f.combination}
                  key={`c${f.combination}`}
                  onBlur={(e) => e.target.value !== f.combination && set(i, { combination: e.target.value.slice(0, 60) })}
                />
              </td>
              <td>
                <QuantityInput
                  kind="moment"
                  system={project.display}
                  value={f.moment}
                  label={`Moment of row ${i + 1}`}
                  onKeep={(v) => set(i, { moment: v ?? 0 })}
                />
              </td>
              <td>
                <QuantityInput
                  kind="force"
                  system={project.display}
                  value={f.shear}
                  label={`Shear of row ${i + 1}`}
                  onKeep={(v) => set(i, { shear: v ?? 0 })}
                />
              </td>
              <td>
                <QuantityInput
                  kind="moment"
                  system={project.display}
                  value={f.torsion ?? 0}
                  label={`Torque of row ${i + 1}`}
                  onKeep={(v) => set(i, { torsion: v ?? 0 })}
                />
              </td>
              <td>{figure(i, 'bending')}</td>
              <td>{figure(i, 'shear')}</td>
              <td>{figure(i, 'torsion')}</td>
              <td>
                <button type="button" className="link" onClick={() => change(`delete row ${i + 1}`, (m) => void m.forces.splice(i, 1))}>
                  Delete
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <button
        type="button"
        className="btn mt-2"
        onClick={() =>
          change(
            'add a row of forces',
            (m) => void m.forces.push({ place: `place ${m.forces.length + 1}`, combination: '', moment: 0, shear: 0 }),
          )
        }
      >
        Add a row
      </button>
    </div>
  );
}

/** Rows of place, combination, M, V, T as pasted from a frame analysis. */
function readForces(text: string, system: Project['display']): { rows: GivenForces[]; refused: number } {
  const rows: GivenForces[] = [];
  let refused = 0;
  parseTable(text).forEach((cells, i) => {
    const moment = parseQuantity(cells[2] ?? '', 'moment', system);
    const shear = parseQuantity(cells[3] ?? '0', 'force', system);
    const torsion = parseQuantity(cells[4] || '0', 'moment', system);
    if (moment.ok && shear.ok && torsion.ok)
      rows.push({
        place: (cells[0] ?? '').slice(0, 60),
        combination: (cells[1] ?? '').slice(0, 60),
        moment: moment.value,
        shear: shear.value,
        torsion: torsion.value,
      });
    else if (i > 0) refused += 1;
  });
  return { rows, refused };
}
