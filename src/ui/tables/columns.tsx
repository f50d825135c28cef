import { formatForEditing, unitLabel } from '@/core/units/format';
import type { QuantityKind, UnitSystem } from '@/core/units/quantity';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { TextInput } from '@/ui/fields/TextInput';
import type { Refusal } from '@/store/project-store';
import { entriesOf, Select, type Options } from '@/ui/fields/Select';
import type { Column } from './Grid';

/** Where a cell has its value: a key of the row, or how to read and set it. */
type Place<R, V> =
  | { [K in keyof R & string]: R[K] extends V ? K : never }[keyof R & string]
  | { readonly get: (row: R) => V; readonly set: (i: number, v: V) => Refusal };

interface CellOptions<R> {
  readonly width?: string;
  readonly isDisabled?: (row: R) => boolean;
}

interface QuantityOptions<R> extends CellOptions<R> {
  /** The cell may be empty; this says what that means. */
  readonly empty?: string;
  /** The unit stands in the heading. */
  readonly isBare?: boolean;
}

/** Builds the columns of a grid whose cells are typed. Cells are named by their heading and their row: "Value of load 2". */
export function columnsFor<R extends object>(
  system: UnitSystem,
  nameOf: (row: R, i: number) => string,
  patch: (i: number, change: Partial<R>) => Refusal = () => null,
) {
  const named = (title: string, row: R, i: number) => `${title} of ${nameOf(row, i)}`;
  const at = <V,>(place: Place<R, V>) =>
    typeof place === 'object'
      ? place
      : { get: (row: R) => row[place] as V, set: (i: number, v: V) => patch(i, { [place]: v } as unknown as Partial<R>) };

  /** A value whose kind may differ from row to row; undefined where a row has none. */
  const quantityBy = (
    title: string,
    get: (row: R) => readonly [kind: QuantityKind, value: number | null] | undefined,
    set: (i: number, v: number | null) => void,
    { empty, isBare = false, width }: QuantityOptions<R> = {},
  ): Column<R> => ({
    title,
    width,
    text: (row) => {
      const [kind, value] = get(row) ?? ['number', null];
      if (value === null) return '';
      return `${formatForEditing(value, kind, system)}${isBare ? '' : ` ${unitLabel(kind, system)}`}`.trim();
    },
    cell: (row, i) => {
      const [kind, value] = get(row) ?? [];
      if (kind === undefined) return undefined;
      const keep = (v: number | null) => set(i, v);
      const label = named(title, row, i);
      return <QuantityInput {...{ kind, system, label, empty }} value={value ?? null} showUnit={!isBare} onKeep={keep} />;
    },
  });
  const quantity = (title: string, kind: QuantityKind, place: Place<R, number | null | undefined>, options?: QuantityOptions<R>) => {
    const { get, set } = at<number | null | undefined>(place);
    return quantityBy(title, (row) => [kind, get(row) ?? null], set, options);
  };
  return {
    quantityBy,
    quantity,
    /** A value whose unit stands once, in the heading. */
    bare: (
      title: string,
      kind: QuantityKind,
      place: Place<R, number | null | undefined>,
      { symbol = title, ...options }: QuantityOptions<R> & { readonly symbol?: string } = {},
    ): Column<R> => ({
      ...quantity(title, kind, place, { ...options, isBare: true }),
      heading: [symbol, unitLabel(kind, system)].filter(Boolean).join(', '),
    }),
    text: (title: string, place: Place<R, string>, { width }: CellOptions<R> = {}): Column<R> => {
      const { get, set } = at<string>(place);
      return {
        title,
        width,
        text: get,
        cell: (row, i) => <TextInput label={named(title, row, i)} value={get(row)} onKeep={(v) => set(i, v)} />,
      };
    },
    pick: <T extends string>(
      title: string,
      options: Options<T> | ((row: R) => Options<T>),
      place: Place<R, T>,
      { width, isDisabled }: CellOptions<R> = {},
    ): Column<R> => {
      const { get, set } = at<T>(place);
      const listOf = (row: R) => (typeof options === 'function' ? options(row) : options);
      return {
        title,
        width,
        text: (row) => entriesOf(listOf(row)).find(([key]) => key === get(row))?.[1] ?? '',
        cell: (row, i) => {
          const label = named(title, row, i);
          return <Select {...{ label }} value={get(row)} options={listOf(row)} isDisabled={isDisabled?.(row)} onPick={(v) => set(i, v)} />;
        },
      };
    },
    check: (title: string, place: Place<R, boolean>, { isDisabled }: CellOptions<R> = {}): Column<R> => {
      const { get, set } = at<boolean>(place);
      return {
        title,
        text: (row) => (get(row) ? 'yes' : 'no'),
        cell: (row, i) => (
          <input
            type="checkbox"
            aria-label={named(title, row, i)}
            checked={get(row)}
            disabled={isDisabled?.(row)}
            onChange={(e) => set(i, e.target.checked)}
          />
        ),
      };
    },
    /** What is only read. */
    shown: (title: string, text: (row: R, i: number) => string, cell: (row: R, i: number) => React.ReactNode = text): Column<R> => ({
      title,
      text,
      cell,
    }),
  };
}
