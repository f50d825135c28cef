import { supportName } from '@/core/members/beam/input';
import type { StripHandle } from '@/core/members/strip/drawing/handles';
import type { StripLoad, StripMember } from '@/core/members/strip/input';
import type { StripSteel } from '@/core/members/strip/steel';
import type { SlabBars } from '@/core/reinforcement/slab-bars';
import { lineField, type DrawnValue } from '@/ui/fields/line-fields';
import type { FieldOf } from '@/ui/fields/paths';
import { layerField } from '@/ui/fields/slab-bars-field';
import { numberField, type Field, type FieldPlace } from '@/ui/fields/value-field';

interface Place extends FieldPlace<StripMember> {
  readonly steel: StripSteel | null;
}

/** The field of a value on the drawings of a slab; undefined for supports, which have an editor of their own, and for what is not there. */
export function stripField(handle: StripHandle, place: Place): Field<StripMember> | undefined {
  const { steel } = place;
  const span = 'span' in handle ? (handle.span ?? 0) : 0;
  const layer = (path: FieldOf<StripMember, SlabBars>, label: string, shown: SlabBars | null | undefined) =>
    layerField(place, path, label, shown ?? null);
  switch (handle.of) {
    case 'depth':
      return depthField(place, handle.span);
    case 'breadth':
      return numberField(place, 'breadth', 'Breadth of the slab', 'across its span, for amounts and the schedule', 'span');
    case 'cover':
      return numberField(place, `cover.${handle.face}`, `Cover, ${handle.face}`, 'to the outer bars', 'smallLength');
    case 'across':
      return layer(`bars.across.${handle.face}`, `Bars across, ${handle.face}`, steel?.across[handle.face]);
    case 'bottom':
      return layer(`bars.bottom[${span}].main`, `Bottom bars, span ${span + 1}`, steel?.bottom[span]?.main);
    case 'extra':
      return layer(`bars.bottom[${span}].extra.bars`, `Extra bottom bars, span ${span + 1}`, steel?.bottom[span]?.extra?.bars);
    case 'top':
      return layer(`bars.top[${span}].main`, `Top bars through span ${span + 1}`, steel?.top[span]?.main);
    case 'over': {
      const j = handle.support;
      return layer(`bars.support[${j}].bars`, `Top bars over ${supportName(j)}`, steel?.support[j]?.bars);
    }
    case 'links':
      return undefined;
    default:
      return lineField(handle, place, drawnValues);
  }
}

function depthField(place: Place, span: number | null): Field<StripMember> {
  const { member } = place;
  if (span === null) return numberField(place, 'h', 'Depth of the slab', 'all spans', 'length');
  const shown = member.spans[span]!.h ?? member.h;
  return numberField(place, `spans[${span}].h`, `Depth of span ${span + 1}`, 'this span alone', 'length', shown);
}

/** Of each type of load: the value that stands on the drawing, its kind, and what it is. */
const drawnValues: Readonly<Record<StripLoad['type'], DrawnValue>> = {
  uniform: ['value', 'areaLoad', 'over the area'],
  partial: ['value', 'areaLoad', 'over a part'],
  line: ['force', 'lineLoad', 'line across the span'],
  point: ['load', 'force', 'at a point'],
};
