import { panelPlaces, placeTitle, type PanelPlace } from '@/core/members/panel/input';
import type { PanelResult } from '@/core/members/panel/result';
import type { Project } from '@/core/project/project';
import type { PanelMember } from '@/core/members/panel/input';
import { slabBarsField } from '@/ui/slab-bars-field';
import { quantityField, type Field } from '@/ui/value-field';

/** The field of a value on the plan; undefined for what a click changes at once. */
export function panelField(path: string, project: Project, member: PanelMember, result: PanelResult): Field<PanelMember> | undefined {
  const place = { project };
  if (path === 'lx' || path === 'ly')
    return quantityField(place, `Side along ${path[1]}`, 'between centres of supports', 'span', member[path], (m, v) => void (m[path] = v));
  if (path === 'h') return quantityField(place, 'Depth of the slab', 'everywhere', 'length', member.h, (m, v) => void (m.h = v));
  if (path === 'share') {
    const shown = result.moments?.share ?? member.share ?? 0.5;
    return {
      ...quantityField<PanelMember>(
        place,
        'Part of the load along x',
        'the rest goes along y; empty of a choice: equal deflections',
        'percent',
        shown,
        (m, v) => void (m.share = v),
      ),
      ...(member.share !== null ? { reset: (m) => void (m.share = null) } : {}),
    };
  }
  const at = /^bars\.(\w+)$/.exec(path)?.[1] as PanelPlace | undefined;
  if (!at || !panelPlaces.includes(at)) return undefined;
  const shown = result.sections.find((s) => s.place === at)?.bars ?? null;
  return slabBarsField<PanelMember>(project, member, `Bars ${placeTitle(at)}`, member.bars[at], shown, (m, b) => void (m.bars[at] = b));
}

/** What a click on a word of the plan changes: how an edge is held, whether corners are held down. */
export function toggled(
  path: string,
  member: PanelMember,
): { readonly label: string; readonly change: (m: PanelMember) => PanelMember } | null {
  const edge = /^edges\.(left|right|bottom|top)$/.exec(path)?.[1] as keyof PanelMember['edges'] | undefined;
  if (edge) {
    const next = member.edges[edge] === 'simple' ? ('continuous' as const) : ('simple' as const);
    return { label: `${edge} edge ${next}`, change: (m) => ({ ...m, edges: { ...m.edges, [edge]: next } }) };
  }
  if (path === 'isHeldDown')
    return {
      label: member.isHeldDown ? 'corners may lift' : 'corners held down',
      change: (m) => ({ ...m, isHeldDown: !member.isHeldDown }),
    };
  return null;
}
