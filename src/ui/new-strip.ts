import type { Project, StripMember } from '@/core/project/project';
import { readProject } from '@/core/project/read';

/** A slab over two spans with sensible defaults of the project's code: something to change, not an empty form. */
export function newStrip(project: Project, id: string, mark: string, place: string): StripMember {
  const isUS = project.display === 'US';
  const support = { width: isUS ? '8 in' : 200 };
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code: project.code,
    members: [
      {
        type: 'strip',
        id,
        mark,
        place,
        title: 'Slab',
        h: isUS ? '8 in' : 200,
        breadth: isUS ? '20 ft' : 6000,
        cover: isUS ? { top: '0.75 in', bottom: '0.75 in' } : {},
        spans: [{ length: isUS ? '15 ft' : 4500 }, { length: isUS ? '15 ft' : 4500 }],
        supports: [support, support, support],
        cases: [
          { id: 'G', title: 'Permanent', nature: 'permanent' },
          { id: 'Q', title: 'Imposed', nature: 'imposed' },
        ],
        loads: [
          { type: 'uniform', case: 'G', value: isUS ? '25 psf' : 1.5 },
          { type: 'uniform', case: 'Q', value: isUS ? '60 psf' : 3 },
        ],
      },
    ],
  });
  if (!read.ok) throw new Error(read.faults.map((f) => `${f.path}: ${f.reason}`).join('; '));
  return read.project.members[0] as StripMember;
}
