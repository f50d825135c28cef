import type { PanelMember, Project } from '@/core/project/project';
import { readProject } from '@/core/project/read';

/** A panel that goes on over two of its edges, with sensible defaults of the project's code: something to change, not an empty form. */
export function newPanel(project: Project, id: string, mark: string, place: string): PanelMember {
  const isUS = project.display === 'US';
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code: project.code,
    members: [
      {
        type: 'panel',
        id,
        mark,
        place,
        title: 'Slab panel',
        lx: isUS ? '16 ft' : 5000,
        ly: isUS ? '20 ft' : 6000,
        h: isUS ? '7 in' : 180,
        supportWidth: isUS ? '12 in' : 250,
        cover: isUS ? { top: '0.75 in', bottom: '0.75 in' } : {},
        edges: { right: 'continuous', top: 'continuous' },
        cases: [
          { id: 'G', title: 'Permanent', nature: 'permanent' },
          { id: 'Q', title: 'Imposed', nature: 'imposed' },
        ],
        loads: [
          { case: 'G', value: isUS ? '25 psf' : 1.5 },
          { case: 'Q', value: isUS ? '60 psf' : 3 },
        ],
      },
    ],
  });
  if (!read.ok) throw new Error(read.faults.map((f) => `${f.path}: ${f.reason}`).join('; '));
  return read.project.members[0] as PanelMember;
}
