import type { Draft } from 'immer';
import { supportName } from '@/core/members/beam/input';
import type { StripHandle } from '@/core/members/strip/drawing/handles';
import type { StripLoad, StripMember } from '@/core/members/strip/input';
import type { StripSteel } from '@/core/members/strip/steel';
import type { Project } from '@/core/project/project';
import type { SlabBars } from '@/core/reinforcement/slab-bars';
import type { QuantityKind } from '@/core/units/quantity';
import { drawnLoadField, endField, spanField } from '@/ui/fields/line-fields';
import { slabBarsField } from '@/ui/fields/slab-bars-field';
import { quantityField, type Field } from '@/ui/fields/value-field';

interface Place {
  readonly project: Project;
  readonly member: StripMember;
  readonly steel: StripSteel | null;
}

type M = Draft<StripMember>;

/** The field of a value on the drawings of a slab; undefined for supports, which have an editor of their own, and for what is not there. */
export function stripField(handle: StripHandle, place: Place): Field<StripMember> | undefined {
  const { project, member, steel } = place;
  const { bars } = member;
  const layer = (label: string, own: SlabBars | null, shown: SlabBars | null | undefined, set: (m: M, b: SlabBars | null) => void) =>
    slabBarsField<StripMember>(project, member, label, own, shown ?? null, set);
  switch (handle.of) {
    case 'depth':
      return depthField(place, handle.span);
    case 'breadth': {
      const hint = 'across its span, for amounts and the schedule';
      return quantityField(place, 'Breadth of the slab', hint, 'span', member.breadth, (m, v) => void (m.breadth = v));
    }
    case 'cover': {
      const { face } = handle;
      return quantityField(
        place,
        `Cover, ${face}`,
        'to the outer bars',
        'smallLength',
        member.cover[face],
        (m, v) => void (m.cover[face] = v),
      );
    }
    case 'across': {
      const { face } = handle;
      return layer(`Bars across, ${face}`, bars.across[face], steel?.across[face], (m, b) => void (m.bars.across[face] = b));
    }
    case 'bottom': {
      const i = handle.span;
      return layer(`Bottom bars, span ${i + 1}`, bars.bottom[i]!.main, steel?.bottom[i]?.main, (m, b) => void (m.bars.bottom[i]!.main = b));
    }
    case 'extra': {
      const i = handle.span;
      const shown = steel?.bottom[i]?.extra?.bars;
      return layer(
        `Extra bottom bars, span ${i + 1}`,
        bars.bottom[i]!.extra.bars,
        shown,
        (m, b) => void (m.bars.bottom[i]!.extra.bars = b),
      );
    }
    case 'top': {
      const i = handle.span;
      return layer(`Top bars through span ${i + 1}`, bars.top[i]!.main, steel?.top[i]?.main, (m, b) => void (m.bars.top[i]!.main = b));
    }
    case 'over': {
      const j = handle.support;
      const shown = steel?.support[j]?.bars;
      return layer(`Top bars over ${supportName(j)}`, bars.support[j]!.bars, shown, (m, b) => void (m.bars.support[j]!.bars = b));
    }
    case 'spanLength':
      return spanField(place, handle.span);
    case 'load':
      return loadField(place, handle.load);
    case 'extraEnd':
    case 'overEnd':
    case 'linksEnd':
      return endField(handle, place);
    case 'links':
    case 'support':
      return undefined;
  }
}

function depthField(place: Place, span: number | null): Field<StripMember> {
  const { member } = place;
  if (span === null) return quantityField(place, 'Depth of the slab', 'all spans', 'length', member.h, (m, v) => void (m.h = v));
  const own = member.spans[span]!.h ?? member.h;
  return {
    ...quantityField<StripMember>(
      place,
      `Depth of span ${span + 1}`,
      'this span alone',
      'length',
      own,
      (m, v) => void (m.spans[span]!.h = v),
    ),
    reset: (m) => void (m.spans[span]!.h = null),
  };
}

/** Of each type of load: the value that stands on the drawing, its kind, and what it is. */
const drawnValues: { readonly [T in StripLoad['type']]: readonly [key: string, kind: QuantityKind, hint: string] } = {
  uniform: ['value', 'areaLoad', 'over the area'],
  partial: ['value', 'areaLoad', 'over a part'],
  line: ['force', 'lineLoad', 'line across the span'],
  point: ['load', 'force', 'at a point'],
};

const loadField = (place: Place, i: number) => {
  const load = place.member.loads[i];
  return load && drawnLoadField(place, load, i, drawnValues[load.type]);
};
