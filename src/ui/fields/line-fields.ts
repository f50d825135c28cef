import type { Draft } from 'immer';
import type { EndHandle } from '@/core/members/beam/drawing/handles';
import type { LineMember } from '@/core/members/strip/input';
import type { Project } from '@/core/project/project';
import type { QuantityKind } from '@/core/units/quantity';
import { barEndAt, type EndedSteel } from './bar-ends';
import { quantityField, type Field } from './value-field';

/** What fields of members along a line are made from. */
export interface LinePlace<M extends LineMember> {
  readonly project: Project;
  readonly member: M;
  readonly steel: EndedSteel | null;
}

export const spanField = <M extends LineMember>(place: LinePlace<M>, i: number): Field<M> =>
  quantityField<M>(
    place,
    `Span ${i + 1}`,
    'between centres of supports',
    'span',
    place.member.spans[i]!.length,
    (m, v) => void ((m as Draft<LineMember>).spans[i]!.length = v),
  );

/** An end of bars or of a zone of links, typed as a length; undefined where it is not there. */
export function endField<M extends LineMember>(handle: EndHandle, place: LinePlace<M>): Field<M> | undefined {
  const end = barEndAt(handle, place.member, place.steel);
  if (!end) return undefined;
  const set = end.set as (m: Draft<M>, v: number | null) => void;
  return {
    ...quantityField<M>(place, end.label, end.hint, 'span', end.value, set),
    ...(end.isOwn ? { reset: (m: Draft<M>) => set(m, null) } : {}),
  };
}

/** The value of a load that stands on the drawing. */
export function drawnLoadField<M extends LineMember>(
  place: LinePlace<M>,
  load: LineMember['loads'][number],
  i: number,
  [key, kind, hint]: readonly [key: string, kind: QuantityKind, hint: string],
): Field<M> {
  const title = place.member.cases.find((c) => c.id === load.case)?.title ?? load.case;
  const where = load.span === 'all' ? 'all spans' : `span ${load.span + 1}`;
  const value = (load as unknown as Record<string, number>)[key]!;
  return quantityField<M>(
    place,
    `${load.case}, ${title}`,
    `${hint}, ${where}`,
    kind,
    value,
    (m, v) => void Object.assign((m as Draft<LineMember>).loads[i]!, { [key]: v }),
  );
}
