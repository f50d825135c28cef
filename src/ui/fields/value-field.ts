import type { Draft } from 'immer';
import { catalogues, findBar, type CatalogueId } from '@/core/materials/bars';
import type { LinkZone } from '@/core/members/beam/input';
import type { Project } from '@/core/project/project';
import type { BarGroup } from '@/core/reinforcement/bar-groups';
import { formatForEditing, unitLabel } from '@/core/units/format';
import { parseQuantity, tidied } from '@/core/units/parse';
import { displayUnit, type QuantityKind } from '@/core/units/quantity';
import { setAt, valueAt, type FieldOf } from './paths';

export type FieldParse<M> = { readonly ok: true; readonly apply: (m: Draft<M>) => void } | { readonly ok: false; readonly reason: string };

/** A value of the drawing as its editor sees it. */
export interface Field<M> {
  readonly label: string;
  readonly hint: string;
  readonly unit: string;
  readonly text: string;
  readonly parse: (text: string) => FieldParse<M>;
  /** One step up or down from a text; `size` is 1, 10 or 0.1. */
  readonly step?: (text: string, direction: 1 | -1, size: number) => string;
  readonly stepHint?: string;
  /** Whether the value shown is chosen automatically: the same value typed is set by hand. */
  readonly isChosen?: boolean;
  /** Set by hand over an automatic choice: the way back. */
  readonly reset?: (m: Draft<M>) => void;
}

/** What fields of a member are made from. */
export interface FieldPlace<M> {
  readonly project: Pick<Project, 'code' | 'display'>;
  readonly member: M;
}

/** A field of one dimensioned value, in the units of the project. */
export function quantityField<M>(
  { project: { display } }: FieldPlace<M>,
  label: string,
  hint: string,
  kind: QuantityKind,
  value: number,
  set: (m: Draft<M>, v: number) => void,
): Field<M> {
  const { unit, step } = displayUnit(kind, display);
  return {
    label,
    hint,
    unit: unitLabel(kind, display),
    text: formatForEditing(value, kind, display),
    parse: (text) => {
      const parsed = parseQuantity(text, kind, display);
      return parsed.ok ? { ok: true, apply: (m) => set(m, parsed.value) } : parsed;
    },
    step: (text, direction, size) => {
      const parsed = parseQuantity(text, kind, display);
      const from = parsed.ok ? parsed.value : value;
      return formatForEditing(from + direction * size * step * unit.factor, kind, display);
    },
    stepHint: `${step} ${unitLabel(kind, display)}`,
  };
}

/** What a field of a value that may be left to be chosen has besides: whether it is chosen now, or the way back to that. */
export const choosable = <M>(isOwn: boolean, reset: (m: Draft<M>) => void): Pick<Field<M>, 'reset' | 'isChosen'> =>
  isOwn ? { reset } : { isChosen: true };

/** The same for the value at a path, which is null while it is chosen. */
export const choosableAt = <M extends object>(place: FieldPlace<M>, path: string): Pick<Field<M>, 'reset' | 'isChosen'> =>
  choosable(valueAt(place.member, path) !== null, (m) => setAt(m, path, null));

/** A field of the number at a path of a member; `shown` stands for it where it may be left to be chosen. */
export const numberField = <M extends object>(
  place: FieldPlace<M>,
  path: FieldOf<M, number>,
  label: string,
  hint: string,
  kind: QuantityKind,
  shown?: number,
): Field<M> => ({
  ...quantityField<M>(place, label, hint, kind, shown ?? (valueAt(place.member, path) as number), (m, v) => setAt(m, path, v)),
  ...(shown === undefined ? {} : choosableAt(place, path)),
});

interface WithCatalogue {
  readonly catalogue: CatalogueId;
}

/** Reads "4H20", "4 #6", "4 x 20", "4ø20", "4 No. 32" or "auto". */
export function parseBars(text: string, member: WithCatalogue): { ok: true; group: BarGroup | null } | { ok: false; reason: string } {
  const clean = tidied(text) ?? '';
  if (/^auto/i.test(clean)) return { ok: true, group: null };
  const match = /^(\d+) ?(?:[xX×*]|of)? ?([A-Za-z.#øØ⌀φΦ]* ?\d+)$/.exec(clean);
  if (!match) return { ok: false, reason: 'Type a number and a size, such as 4H20 or 4 #6.' };
  const bar = findBar(catalogues[member.catalogue], match[2]!);
  if (!bar) return { ok: false, reason: `No such size; there are ${catalogues[member.catalogue].bars.map((b) => b.name).join(', ')}.` };
  const count = Number(match[1]);
  if (count > 60) return { ok: false, reason: 'At most 60 bars.' };
  return { ok: true, group: { count, size: bar.name } };
}

/** Reads "H8 @ 150", "#3 @ 6 in", "4 legs H10 @ 100". */
export function parseLinks(
  text: string,
  member: WithCatalogue,
  system: Project['display'],
  legsNow: number,
): { ok: true; zone: Omit<LinkZone, 'to'> } | { ok: false; reason: string } {
  const match = /^(?:(\d+) ?legs? )?([A-Za-z.#øØ⌀φΦ]* ?\d+) ?(?:@|at|\/|-) ?(.+)$/.exec(tidied(text) ?? '');
  if (!match) return { ok: false, reason: 'Type a size and a spacing, such as H8 @ 150.' };
  const bar = findBar(catalogues[member.catalogue], match[2]!);
  if (!bar) return { ok: false, reason: `No such size; there are ${catalogues[member.catalogue].bars.map((b) => b.name).join(', ')}.` };
  const spacing = parseQuantity(match[3]!, 'length', system);
  if (!spacing.ok) return spacing;
  return { ok: true, zone: { legs: match[1] ? Number(match[1]) : legsNow, size: bar.name, spacing: spacing.value } };
}
