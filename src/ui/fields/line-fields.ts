import type { Draft } from 'immer';
import type { BarsHandle, EndHandle, LineHandle } from '@/core/members/beam/drawing/handles';
import type { LineMember } from '@/core/members/strip/input';
import type { QuantityKind } from '@/core/units/quantity';
import { barEndAt, type EndedSteel } from './bar-ends';
import type { FieldOf } from './paths';
import { choosable, numberField, quantityField, type Field, type FieldPlace } from './value-field';

/** What fields of members along a line are made from. */
export interface LinePlace<M extends LineMember> extends FieldPlace<M> {
  readonly steel: EndedSteel | null;
}

/** What is typed alike on the drawings of members along a line; undefined for supports, which have an editor of their own. */
export function lineField<M extends LineMember>(
  handle: Exclude<LineHandle, BarsHandle | { readonly of: 'links' }>,
  place: LinePlace<M>,
  values: DrawnValues<M>,
): Field<M> | undefined {
  switch (handle.of) {
    case 'spanLength':
      return numberField<M>(
        place,
        `spans[${handle.span}].length` as FieldOf<M, number>,
        `Span ${handle.span + 1}`,
        'between centres of supports',
        'span',
      );
    case 'load':
      return drawnLoadField(place, handle.load, values);
    case 'support':
      return undefined;
    default:
      return endField(handle, place);
  }
}

/** An end of bars or of a zone of links, typed as a length; undefined where it is not there. */
function endField<M extends LineMember>(handle: EndHandle, place: LinePlace<M>): Field<M> | undefined {
  const end = barEndAt(handle, place.member, place.steel);
  if (!end) return undefined;
  const set = end.set as (m: Draft<M>, v: number | null) => void;
  return { ...quantityField<M>(place, end.label, end.hint, 'span', end.value, set), ...choosable<M>(end.isOwn, (m) => set(m, null)) };
}

/** Of a type of load: the value that stands on the drawing, its kind, and what it is. */
export type DrawnValue = readonly [key: string, kind: QuantityKind, hint: string];
type DrawnValues<M extends LineMember> = Readonly<Record<M['loads'][number]['type'], DrawnValue>>;

/** The value of a load that stands on the drawing; undefined for a load that is not there. */
function drawnLoadField<M extends LineMember>(place: LinePlace<M>, i: number, values: DrawnValues<M>): Field<M> | undefined {
  const load: M['loads'][number] | undefined = place.member.loads[i];
  if (!load) return undefined;
  const [key, kind, hint] = values[load.type as M['loads'][number]['type']];
  const title = place.member.cases.find((c) => c.id === load.case)?.title ?? load.case;
  const where = load.span === 'all' ? 'all spans' : `span ${load.span + 1}`;
  const path = `loads[${i}].${key}` as FieldOf<M, number>;
  return numberField<M>(place, path, `${load.case}, ${title}`, `${hint}, ${where}`, kind);
}
