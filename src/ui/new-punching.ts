import type { Project, PunchingMember } from '@/core/project/project';
import { readProject } from '@/core/project/read';

/** A flat slab at an inner column with one set of forces: something to change, not an empty form. */
export function newPunching(project: Project, id: string, mark: string, place: string): PunchingMember {
  const isUS = project.display === 'US';
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code: project.code,
    members: [
      {
        type: 'punching',
        id,
        mark,
        place,
        title: 'Slab at a column',
        h: isUS ? '10 in' : 250,
        cover: isUS ? '1 in' : 25,
        column: isUS ? { kind: 'rectangle', b: '16 in', h: '16 in' } : { kind: 'rectangle', b: 350, h: 350 },
        barsX: isUS ? { spacing: '6 in' } : {},
        barsY: isUS ? { spacing: '6 in' } : {},
        sets: [{ name: 'U1', V: isUS ? '110 kip' : 450 }],
        momentsBy: project.code.id === 'en1992' ? 'position' : 'moments',
      },
    ],
  });
  if (!read.ok) throw new Error(read.faults.map((f) => `${f.path}: ${f.reason}`).join('; '));
  return read.project.members[0] as PunchingMember;
}
