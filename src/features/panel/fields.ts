import type { PanelHandle } from '@/core/members/panel/drawing';
import { placeTitle } from '@/core/members/panel/input';
import type { PanelResult } from '@/core/members/panel/result';
import type { Project } from '@/core/project/project';
import type { PanelMember } from '@/core/members/panel/input';
import { layerField } from '@/ui/fields/slab-bars-field';
import { numberField, type Field } from '@/ui/fields/value-field';

/** The field of a value on the plan; undefined for what a click changes at once. */
export function panelField(
  handle: PanelHandle,
  project: Project,
  member: PanelMember,
  result: PanelResult,
): Field<PanelMember> | undefined {
  const place = { project, member };
  switch (handle.of) {
    case 'side':
      return numberField(place, handle.side, `Side along ${handle.side[1]}`, 'between centres of supports', 'span');
    case 'depth':
      return numberField(place, 'h', 'Depth of the slab', 'everywhere', 'length');
    case 'share': {
      const shown = member.share ?? result.moments?.share ?? 0.5;
      return numberField(
        place,
        'share',
        'Part of the load along x',
        'the rest goes along y; empty of a choice: equal deflections',
        'percent',
        shown,
      );
    }
    case 'bars': {
      const shown = result.sections.find((s) => s.place === handle.place)?.bars ?? null;
      return layerField(place, `bars.${handle.place}`, `Bars ${placeTitle(handle.place)}`, shown);
    }
    case 'edge':
    case 'corners':
      return undefined;
  }
}

/** What a click on a word of the plan changes: how an edge is held, whether corners are held down. */
export function toggled(
  handle: PanelHandle,
  member: PanelMember,
): { readonly label: string; readonly change: (m: PanelMember) => PanelMember } | null {
  if (handle.of === 'edge') {
    const { edge } = handle;
    const next = member.edges[edge] === 'simple' ? ('continuous' as const) : ('simple' as const);
    return { label: `${edge} edge ${next}`, change: (m) => ({ ...m, edges: { ...m.edges, [edge]: next } }) };
  }
  if (handle.of !== 'corners') return null;
  return { label: member.isHeldDown ? 'corners may lift' : 'corners held down', change: (m) => ({ ...m, isHeldDown: !member.isHeldDown }) };
}
