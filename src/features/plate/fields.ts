import { castDraft } from 'immer';
import type { PlateHandle } from '@/core/members/plate/picture';
import { holdsOf, holdTitle, movedOnPlan } from '@/core/members/plate/plan-changes';
import { chosenParts, type Hold } from '@/core/members/plate/plan-parts';
import { layerTitle } from '@/core/members/plate/bar-axes';
import { type PlateEdge, type PlateMember } from '@/core/members/plate/input';
import type { PlateResult } from '@/core/members/plate/result';
import { meshIn } from '@/core/members/plate/zones';
import { layerLabel } from '@/core/members/parts/bar-labels';
import type { Project } from '@/core/project/project';
import { formatForEditing, unitLabel } from '@/core/units/format';
import { parseQuantity } from '@/core/units/parse';
import { layerField, readSlabBars } from '@/ui/fields/slab-bars-field';
import { numberField, quantityField, type Field, type FieldPlace } from '@/ui/fields/value-field';

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
    case 'bars':
      return layerField(place, `bars.${handle.face}.${handle.along}`, `Bars ${layerTitle(member, handle)}`, meshIn(result.steel, handle));
    case 'hold':
      return placeField(handle, project, member, result);
    case 'load':
      return loadField(handle.index, place);
    case 'partDepth':
      return (
        member.regions[handle.index] && numberField(place, `regions[${handle.index}].h`, `Depth of part ${handle.index + 1}`, '', 'length')
      );
    case 'extra':
      return extraField(handle.index, project, member, result);
    case 'edge':
      return undefined;
  }
}

/** Where a point of a part is: "x, y". */
function placeField(hold: Hold, { display }: Project, member: PlateMember, result: PlateResult): Field<PlateMember> | undefined {
  const chosen = chosenParts(result);
  const held = holdsOf(hold.part, member, chosen).find((h) => h.index === hold.index && h.end === hold.end);
  if (!held) return undefined;
  const parts = (text: string) => text.split(/[;,]\s+|[;]|\s+/).filter(Boolean);
  return {
    label: `Place of ${holdTitle(hold, member, chosen)}: x, y`,
    hint: hold.end === 'whole' ? 'the middle of it on the plan' : 'on the plan',
    unit: unitLabel('span', display),
    text: held.at.map((v) => formatForEditing(v, 'span', display)).join(', '),
    parse: (text) => {
      const [x, y, more] = parts(text).map((v) => parseQuantity(v, 'span', display));
      if (!x || !y || more) return { ok: false, reason: 'Type two numbers: x and y.' };
      if (!x.ok) return x;
      if (!y.ok) return y;
      return { ok: true, apply: (m) => void Object.assign(m, castDraft(movedOnPlan(hold, [x.value, y.value], member, chosen))) };
    },
  };
}

/** The value of a load where it is drawn. */
function loadField(i: number, place: FieldPlace<PlateMember>): Field<PlateMember> | undefined {
  const load = place.member.loads[i];
  if (!load) return undefined;
  const [name, kind, value] =
    load.type === 'line'
      ? (['perLength', 'lineLoad', load.perLength] as const)
      : load.type === 'point'
        ? (['force', 'force', load.force] as const)
        : (['value', 'areaLoad', load.value] as const);
  const hint = `of case ${load.case}, down`;
  return quantityField(place, `Load ${i + 1}`, hint, kind, value, (m, v) => void Object.assign(m.loads[i]!, { [name]: v }));
}

/** Bars over a part of the slab. Those that were chosen are all set as they are when one of them is changed. */
function extraField(i: number, project: Project, member: PlateMember, result: PlateResult): Field<PlateMember> | undefined {
  const all = member.bars.extra ?? result.steel.extra;
  const extra = all[i];
  if (!extra) return undefined;
  return {
    label: `Bars ${layerTitle(member, extra)}, ${i + 1}`,
    hint: member.bars.extra ? 'set by hand' : 'chosen automatically: changing them sets all bars over parts',
    unit: '',
    text: layerLabel(extra.bars, project),
    parse: (text) => {
      const read = readSlabBars(text, member, project.display);
      if (!read.ok) return read;
      return {
        ok: true,
        apply: (m) => {
          m.bars.extra ??= castDraft([...all]);
          m.bars.extra[i]!.bars = read.bars;
        },
      };
    },
    ...(member.bars.extra ? { reset: (m) => void (m.bars.extra = null) } : { isChosen: true }),
  };
}

const next: Readonly<Record<PlateEdge, PlateEdge>> = { simple: 'clamped', clamped: 'free', spring: 'free', free: 'simple' };

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
