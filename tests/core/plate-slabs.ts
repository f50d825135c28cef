import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import type { Project } from '@/core/project/project';
import type { PlateMember } from '@/core/members/plate/input';
import type { PlateResult } from '@/core/members/plate/result';
import type { Point } from '@/core/geometry/polygon';

export const corners = (points: readonly Point[], edges: readonly string[] = []) =>
  points.map(([x, y], i) => ({ x, y, edge: edges[i] ?? 'simple' }));

export const slabOf = (p: Project) => p.members[0] as PlateMember;

/** Projects with one slab as it would stand in a file, with the usual cases, and what their design gives. */
export function slabs(fields: (more: object) => object, usual?: object) {
  const project = (more: object = {}, code = usual): Project => {
    const member = {
      id: 'a',
      type: 'plate',
      mark: 'PL1',
      cases: [
        { id: 'G', title: 'Permanent', nature: 'permanent' },
        { id: 'Q', title: 'Imposed', nature: 'imposed' },
      ],
      loads: [
        { type: 'uniform', case: 'G', value: 1.5 },
        { type: 'uniform', case: 'Q', value: 3 },
      ],
      ...fields(more),
    };
    const read = readProject({ format: 'intarsia', version: 1, name: 'Test', ...(code ? { code } : {}), members: [member] } as never);
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    return read.project;
  };
  const design = (more: object = {}, code = usual) => {
    const p = project(more, code);
    return designNow(p, slabOf(p), []) as PlateResult;
  };
  return { project, design };
}

export const checkOf = (r: PlateResult, id: string) => r.checks.find((c) => c.id === id)!;
