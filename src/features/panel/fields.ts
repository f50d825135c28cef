import type { PanelHandle } from '@/core/members/panel/drawing';
import { placeTitle } from '@/core/members/panel/input';
import type { PanelResult } from '@/core/members/panel/result';
import type { Project } from '@/core/project/project';
import type { PanelMember } from '@/core/members/panel/input';
import { slabBarsField } from '@/ui/fields/slab-bars-field';
import { quantityField, type Field } from '@/ui/fields/value-field';

/** The field of a value on the plan; undefined for what a click changes at once. */
export function panelField(
  handle: PanelHandle,
  project: Project,
  member: PanelMember,
  result: PanelResult,
): Field<PanelMember> | undefined {
  const place = { project };
  switch (handle.of) {
    case 'side': {
      const { side } = handle;
      return quantityField(
        place,
        `Side along ${side[1]}`,
        'between centres of supports',
        'span',
        member[side],
        (m, v) => void (m[side] = v),
      );
    }
    case 'depth':
      return quantityField(place, 'Depth of the slab', 'everywhere', 'length', member.h, (m, v) => void (m.h = v));
    case 'share': {
      const shown = result.moments?.share ?? member.share ?? 0.5;
      const hint = 'the rest goes along y; empty of a choice: equal deflections';
      return {
        ...quantityField<PanelMember>(place, 'Part of the load along x', hint, 'percent', shown, (m, v) => void (m.share = v)),
        ...(member.share !== null ? { reset: (m) => void (m.share = null) } : {}),
      };
    }
    case 'bars': {
      const { place: at } = handle;
      const shown = result.sections.find((s) => s.place === at)?.bars ?? null;
      return slabBarsField<PanelMember>(project, member, `Bars ${placeTitle(at)}`, member.bars[at], shown, (m, b) => void (m.bars[at] = b));
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
