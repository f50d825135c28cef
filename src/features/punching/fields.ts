import type { PunchingHandle } from '@/core/members/punching/drawing';
import type { Project } from '@/core/project/project';
import type { PunchingMember } from '@/core/members/punching/input';
import { valueAt, type FieldOf } from '@/ui/fields/paths';
import { layerField } from '@/ui/fields/slab-bars-field';
import { numberField, type Field } from '@/ui/fields/value-field';

const columnNames = { b: 'Column along x', h: 'Column along y', diameter: 'Diameter of the column' };

/** The field of a value on the plan; undefined for what has an editor of its own. */
export function punchingField(handle: PunchingHandle, project: Project, member: PunchingMember): Field<PunchingMember> | undefined {
  const place = { project, member };
  const length = (path: FieldOf<PunchingMember, number>, label: string, hint: string) =>
    typeof valueAt(member, path) === 'number' ? numberField(place, path, label, hint, 'length') : undefined;
  switch (handle.of) {
    case 'edge':
      return length(`edges.${handle.edge}`, `To the ${handle.edge} edge`, 'from the face of the column');
    case 'base':
      return length(`base.${handle.side}`, `Footing along ${handle.side === 'b' ? 'x' : 'y'}`, 'the column stands in its middle');
    case 'depth':
      return length('h', 'Depth of the slab', 'without the thicker part');
    case 'bars':
      return layerField(place, handle.along === 'x' ? 'barsX' : 'barsY', `Top bars along ${handle.along}`);
    case 'columnSide':
      return length(`column.${handle.side}`, columnNames[handle.side], 'outside');
    case 'opening':
    case 'legs':
      return undefined;
  }
}
