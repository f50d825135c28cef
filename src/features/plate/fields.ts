import type { PlateHandle } from '@/core/members/plate/drawing';
import { layerTitle, type PlateEdge, type PlateMember } from '@/core/members/plate/input';
import type { PlateResult } from '@/core/members/plate/result';
import { meshIn } from '@/core/members/plate/zones';
import type { Project } from '@/core/project/project';
import { layerField } from '@/ui/fields/slab-bars-field';
import { numberField, type Field } from '@/ui/fields/value-field';

/** The field of a value on the plan; undefined for what a click changes at once. */
export function plateField(
  handle: PlateHandle,
  project: Project,
  member: PlateMember,
  result: PlateResult,
): Field<PlateMember> | undefined {
  const place = { project, member };
  switch (handle.of) {
    case 'depth':
      return numberField(place, 'h', 'Depth of the slab', 'everywhere', 'length');
    case 'bars': {
      const shown = meshIn(result.steel, handle);
      return layerField(place, `bars.${handle.face}.${handle.along}`, `Bars ${layerTitle(handle)}`, shown);
    }
    case 'edge':
      return undefined;
  }
}

const next: Readonly<Record<PlateEdge, PlateEdge>> = { simple: 'clamped', clamped: 'free', free: 'simple' };

/** What a click on the word of an edge makes of it: simple, clamped, free, in turn. */
export function turned(
  handle: PlateHandle,
  member: PlateMember,
): { readonly label: string; readonly edge: PlateEdge; readonly at: number } | null {
  const corner = handle.of === 'edge' ? member.outline[handle.edge] : undefined;
  if (handle.of !== 'edge' || !corner) return null;
  const edge = next[corner.edge];
  return { label: `edge ${handle.edge + 1} ${edge}`, edge, at: handle.edge };
}

/** Corners of a new outline, each edge held as the one that began at the same place, or was the same in number. */
export const heldAsBefore = (
  before: PlateMember['outline'],
  outer: readonly (readonly [number, number])[],
): PlateMember['outline'][number][] =>
  outer.map(([x, y], i) => {
    const same = before.find((c) => Math.hypot(c.x - x, c.y - y) < 1) ?? (before.length === outer.length ? before[i] : undefined);
    return { x, y, edge: same?.edge ?? 'simple', rise: same?.rise ?? 0 };
  });
