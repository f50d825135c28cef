import type { ColumnMember, Project, WallMember } from '@/core/project/project';
import { readProject } from '@/core/project/read';

/** A braced column with one load set: something to change, not an empty form. Its sustained part is left open, so that it is asked for. */
export function newColumn(project: Project, id: string, mark: string, place: string): ColumnMember {
  const isUS = project.display === 'US';
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code: project.code,
    members: [
      {
        type: 'column',
        id,
        mark,
        place,
        title: 'Column',
        shape: isUS ? { kind: 'rectangle', b: '16 in', h: '16 in' } : { kind: 'rectangle', b: 350, h: 350 },
        height: isUS ? '12 ft' : 3500,
        cover: isUS ? '1.5 in' : 30,
        ties: { spacing: isUS ? '8 in' : 200 },
        sets: [{ name: 'L1', N: isUS ? '250 kip' : 1000, mxTop: isUS ? '60 kip-ft' : 60, mxBottom: isUS ? '-30 kip-ft' : -30 }],
      },
    ],
  });
  if (!read.ok) throw new Error(read.faults.map((f) => `${f.path}: ${f.reason}`).join('; '));
  return read.project.members[0] as ColumnMember;
}

/** A metre of a braced wall with one load set. */
export function newWall(project: Project, id: string, mark: string, place: string): WallMember {
  const isUS = project.display === 'US';
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code: project.code,
    members: [
      {
        type: 'wall',
        id,
        mark,
        place,
        title: 'Wall',
        thickness: isUS ? '8 in' : 200,
        height: isUS ? '10 ft' : 3000,
        cover: isUS ? '1 in' : 25,
        vertical: isUS ? { spacing: '10 in' } : {},
        horizontal: isUS ? { spacing: '10 in' } : {},
        restraint: 'twoSides',
        sets: [{ name: 'L1', N: isUS ? '25 kip' : 400, mxTop: isUS ? '3 kip-ft' : 12, mxBottom: 0 }],
      },
    ],
  });
  if (!read.ok) throw new Error(read.faults.map((f) => `${f.path}: ${f.reason}`).join('; '));
  return read.project.members[0] as WallMember;
}
