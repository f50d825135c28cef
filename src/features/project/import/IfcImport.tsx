'use client';
import { useMemo, useState } from 'react';
import type { Project } from '@/core/project/project';
import { counted, formatQuantity } from '@/core/units/format';
import type { UnitSystem } from '@/core/units/quantity';
import { byKind, offered, type ByKind, type MeantAs, type OfferedMember } from '@/exchange/import/members-of-ifc';
import type { IfcElement } from '@/exchange/ifc/read-ifc';
import { useProject } from '@/store/project-store';
import { takeElements } from './take-elements';

interface IfcImportProps {
  readonly project: Project;
  readonly title: string;
  readonly elements: readonly IfcElement[];
  readonly onClose: () => void;
}

/** Members of a building model to choose from: what each would become is shown before anything changes. */
export function IfcImport({ project, title, elements, onClose }: IfcImportProps) {
  const edit = useProject((s) => s.edit);
  const list = useMemo(() => offered(elements, project.members), [elements, project.members]);
  const open = list.filter((o) => o.meant !== null);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => new Set(open.map((o) => o.mark)));
  const toggle = (marks: readonly string[], on: boolean) =>
    setChosen((before) => new Set(on ? [...before, ...marks] : [...before].filter((m) => !marks.includes(m))));
  const taken = open.filter((o) => chosen.has(o.mark));
  const take = () => {
    edit(`import ${counted(taken.length, 'member')} of ${title}`, (p) => takeElements(p, taken));
    onClose();
  };
  return (
    <>
      <p className="py-1">
        {counted(list.length, 'member')} in the file, {taken.length} chosen. They come with their sizes, materials and storeys; supports,
        loads and bars are not in such a file and are to be given afterwards: new members have no loads but their own weight.
      </p>
      <div className="min-h-0 overflow-auto border-y border-line">
        <table className="grid-table w-full" aria-label="Members of the file">
          <thead className="sticky top-0 bg-holly">
            <tr>
              <th className="w-6">
                <input
                  type="checkbox"
                  aria-label="Choose all"
                  checked={open.length > 0 && taken.length === open.length}
                  onChange={(e) =>
                    toggle(
                      open.map((o) => o.mark),
                      e.target.checked,
                    )
                  }
                />
              </th>
              <th>Mark</th>
              <th>Name</th>
              <th>Storey</th>
              <th>Becomes</th>
              <th>Material</th>
            </tr>
          </thead>
          <tbody>
            {list.map((o) => (
              <tr key={o.mark} className={o.refused ? 'bg-madder-wash/40' : ''}>
                <td>
                  <input
                    type="checkbox"
                    aria-label={`Take ${o.mark}`}
                    disabled={o.meant === null}
                    checked={o.meant !== null && chosen.has(o.mark)}
                    onChange={(e) => toggle([o.mark], e.target.checked)}
                  />
                </td>
                <td>
                  <b className="font-semibold">{o.mark}</b>
                </td>
                <td>{o.element.name}</td>
                <td>{o.element.storey || '–'}</td>
                <td className={o.refused ? 'text-madder-text' : ''}>{becomes(o, project.display)}</td>
                <td>{materialWords(o, project.display)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="flex gap-2 pt-2">
        <button type="button" className="btn btn-solid" disabled={taken.length === 0} onClick={take}>
          Take over {counted(taken.length, 'member')}
        </button>
        <button type="button" className="btn" onClick={onClose}>
          Cancel
        </button>
      </div>
    </>
  );
}

function becomes({ element, meant, refused, without }: OfferedMember, units: UnitSystem): string {
  if (!meant) return `left out: this ${element.kind} ${refused}`;
  return [byKind(sizeWords, meant, units), ...(without.length > 0 ? [`without ${without.join(', ')}`] : [])].join('; ');
}

const size = (v: number, units: UnitSystem) => formatQuantity(v, 'length', units);
const long = (v: number, units: UnitSystem) => formatQuantity(v, 'span', units);

const sizeWords: ByKind<[units: UnitSystem], string> = {
  beam: ({ section: { b, h, shape }, length }, u) =>
    `beam ${size(b, u)} × ${size(h, u)}${shape === 'free' ? ', outline' : ''}, one span of ${long(length, u)}`,
  column: ({ shape, height }, u) => `column ${shapeWords(shape, u)}, ${long(height, u)} high`,
  wall: ({ thickness, length, height }, u) => `wall ${size(thickness, u)} thick, ${long(length, u)} long, ${long(height, u)} high`,
  slab: ({ h, outer, holes }, u) => `slab ${size(h, u)} thick, ${counted(outer.length, 'corner')}, ${counted(holes.length, 'opening')}`,
};

function shapeWords(shape: MeantAs<'column'>['shape'], u: UnitSystem): string {
  if (shape.kind === 'rectangle') return `${size(shape.b, u)} × ${size(shape.h, u)}`;
  return shape.kind === 'circle' || shape.kind === 'ring' ? `ø ${size(shape.diameter, u)}` : 'of its outline';
}

const materialWords = ({ element: { material }, strength }: OfferedMember, units: UnitSystem): string =>
  strength === null ? `${material || 'none named'}: strength of a new member` : `${material}: ${formatQuantity(strength, 'stress', units)}`;
