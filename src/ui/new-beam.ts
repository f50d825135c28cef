import type { BeamMember, Project } from '@/core/project/project';
import { readProject } from '@/core/project/read';

/** A beam of one span with sensible defaults of the project's code: something to change, not an empty form. */
export function newBeam(project: Project, id: string, mark: string, place: string, mode: BeamMember['mode'] = 'loads'): BeamMember {
  const isUS = project.display === 'US';
  const raw = {
    format: 'intarsia',
    version: 1,
    code: project.code,
    members: [
      {
        id,
        mark,
        place,
        mode,
        title: 'Beam',
        section: isUS ? { b: '12 in', h: '26 in' } : { b: 300, h: 500 },
        cover: isUS ? { top: '1.5 in', bottom: '1.5 in', side: '1.5 in' } : {},
        spans: [{ length: isUS ? '20 ft' : 6000 }],
        supports: [{ width: isUS ? '12 in' : 300 }, { width: isUS ? '12 in' : 300 }],
        cases: [
          { id: 'G', title: 'Permanent', nature: 'permanent' },
          { id: 'Q', title: 'Imposed', nature: 'imposed' },
        ],
        loads: [
          { type: 'uniform', case: 'G', value: isUS ? '0.5 kip/ft' : 10 },
          { type: 'uniform', case: 'Q', value: isUS ? '0.4 kip/ft' : 10 },
        ],
        forces: [{ place: 'midspan', moment: isUS ? '120 kip-ft' : 150, shear: isUS ? '20 kip' : 90 }],
      },
    ],
  };
  const read = readProject(raw);
  if (!read.ok) throw new Error(read.faults.map((f) => `${f.path}: ${f.reason}`).join('; '));
  return read.project.members[0] as BeamMember;
}
