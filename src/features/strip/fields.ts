import type { Draft } from 'immer';
import { supportName } from '@/core/members/beam/input';
import type { StripLoad } from '@/core/members/strip/input';
import type { StripSteel } from '@/core/members/strip/steel';
import type { Project } from '@/core/project/project';
import type { StripMember } from '@/core/members/strip/input';
import type { SlabBars } from '@/core/reinforcement/slab-bars';
import { barEndAt } from '@/ui/bar-ends';
import { slabBarsField } from '@/ui/slab-bars-field';
import { quantityField, type Field } from '@/ui/value-field';

interface Place {
  readonly project: Project;
  readonly member: StripMember;
  readonly steel: StripSteel | null;
}

type M = Draft<StripMember>;

/** Finds the field of a path on the drawings of a slab. Undefined for paths with an editor of their own. */
export function stripField(path: string, place: Place): Field<StripMember> | undefined {
  const i = Number(/\[(\d+)\]/.exec(path)?.[1] ?? 0);
  const { member } = place;
  const end = barEndAt(path, member, place.steel);
  if (end)
    return {
      ...quantityField<StripMember>(place, end.label, end.hint, 'span', end.value, end.set as (m: M, v: number) => void),
      ...(end.isOwn ? { reset: (m: M) => end.set(m, null) } : {}),
    };
  switch (path.replace(/\[\d+\]/g, '[]')) {
    case 'h':
      return quantityField(place, 'Depth of the slab', 'all spans', 'length', member.h, (m, v) => void (m.h = v));
    case 'spans[].h':
      return {
        ...quantityField<StripMember>(
          place,
          `Depth of span ${i + 1}`,
          'this span alone',
          'length',
          member.spans[i]!.h ?? member.h,
          (m, v) => void (m.spans[i]!.h = v),
        ),
        reset: (m) => void (m.spans[i]!.h = null),
      };
    case 'breadth':
      return quantityField(
        place,
        'Breadth of the slab',
        'across its span, for amounts and the schedule',
        'span',
        member.breadth,
        (m, v) => void (m.breadth = v),
      );
    case 'cover.top':
    case 'cover.bottom': {
      const face = path.slice(6) as 'top' | 'bottom';
      return quantityField(
        place,
        `Cover, ${face}`,
        'to the outer bars',
        'smallLength',
        member.cover[face],
        (m, v) => void (m.cover[face] = v),
      );
    }
    case 'spans[].length':
      return quantityField(
        place,
        `Span ${i + 1}`,
        'between centres of supports',
        'span',
        member.spans[i]!.length,
        (m, v) => void (m.spans[i]!.length = v),
      );
    case 'loads[]':
      return loadField(place, i);
  }
  return barsField(path, i, place);
}

/** Where the bars of a path stand: as set, as chosen, and the way to set them. */
function barsField(path: string, i: number, { project, member, steel }: Place): Field<StripMember> | undefined {
  const { bars } = member;
  const layer = (label: string, own: SlabBars | null, shown: SlabBars | null | undefined, set: (m: M, b: SlabBars | null) => void) =>
    slabBarsField<StripMember>(project, member, label, own, shown ?? null, set);
  switch (path.replace(/\[\d+\]/g, '[]')) {
    case 'bars.bottom[].main':
      return layer(`Bottom bars, span ${i + 1}`, bars.bottom[i]!.main, steel?.bottom[i]?.main, (m, b) => void (m.bars.bottom[i]!.main = b));
    case 'bars.bottom[].extra.bars':
      return layer(
        `Extra bottom bars, span ${i + 1}`,
        bars.bottom[i]!.extra.bars,
        steel?.bottom[i]?.extra?.bars,
        (m, b) => void (m.bars.bottom[i]!.extra.bars = b),
      );
    case 'bars.top[].main':
      return layer(`Top bars through span ${i + 1}`, bars.top[i]!.main, steel?.top[i]?.main, (m, b) => void (m.bars.top[i]!.main = b));
    case 'bars.support[].bars':
      return layer(
        `Top bars over ${supportName(i)}`,
        bars.support[i]!.bars,
        steel?.support[i]?.bars,
        (m, b) => void (m.bars.support[i]!.bars = b),
      );
    case 'bars.across.bottom':
      return layer('Bars across, bottom', bars.across.bottom, steel?.across.bottom, (m, b) => void (m.bars.across.bottom = b));
    case 'bars.across.top':
      return layer('Bars across, top', bars.across.top, steel?.across.top, (m, b) => void (m.bars.across.top = b));
  }
  return undefined;
}

function loadField(place: Place, i: number): Field<StripMember> | undefined {
  const load = place.member.loads[i];
  if (!load) return undefined;
  const title = place.member.cases.find((c) => c.id === load.case)?.title ?? load.case;
  const where = load.span === 'all' ? 'all spans' : `span ${load.span + 1}`;
  const label = `${load.case}, ${title}`;
  const set = (key: string) => (m: M, v: number) => void Object.assign(m.loads[i]!, { [key]: v });
  const fields: Record<StripLoad['type'], () => Field<StripMember>> = {
    uniform: () =>
      quantityField<StripMember>(place, label, `over the area, ${where}`, 'areaLoad', (load as { value: number }).value, set('value')),
    partial: () =>
      quantityField<StripMember>(place, label, `over a part, ${where}`, 'areaLoad', (load as { value: number }).value, set('value')),
    line: () =>
      quantityField<StripMember>(
        place,
        label,
        `line across the span, ${where}`,
        'lineLoad',
        (load as { force: number }).force,
        set('force'),
      ),
    point: () => quantityField<StripMember>(place, label, `at a point, ${where}`, 'force', (load as { load: number }).load, set('load')),
  };
  return fields[load.type]();
}
