import { formatForEditing, unitLabel } from '@/core/units/format';
import type { QuantityKind, UnitSystem } from '@/core/units/quantity';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { Select } from '@/ui/fields/Select';
import type { Column } from './Grid';

interface QuantityOptions {
  readonly isOptional?: boolean;
  readonly placeholder?: string;
  /** The unit stands in the heading. */
  readonly isBare?: boolean;
  readonly width?: string;
}

/** Builds the columns of a grid whose cells are typed. Cells are named by their heading and their row: "Value of load 2". */
export function columnsFor<R>(system: UnitSystem, nameOf: (row: R, i: number) => string) {
  const named = (title: string, row: R, i: number) => `${title} of ${nameOf(row, i)}`;
  return {
    text: (title: string, get: (row: R) => string, set: (i: number, v: string) => void, most = 80, width?: string): Column<R> => ({
      title,
      width,
      text: get,
      cell: (row, i) => (
        <input
          className="field"
          aria-label={named(title, row, i)}
          defaultValue={get(row)}
          key={get(row)}
          onBlur={(e) => e.target.value !== get(row) && set(i, e.target.value.slice(0, most))}
        />
      ),
    }),
    /** A value whose kind may differ from row to row; undefined where a row has none. */
    quantity: (
      title: string,
      get: (row: R) => readonly [kind: QuantityKind, value: number | null] | undefined,
      set: (i: number, v: number | null) => void,
      { isOptional = false, placeholder = '', isBare = false, width }: QuantityOptions = {},
    ): Column<R> => ({
      title,
      width,
      text: (row) => {
        const [kind, value] = get(row) ?? ['number', null];
        if (value === null) return '';
        return `${formatForEditing(value, kind, system)}${isBare ? '' : ` ${unitLabel(kind, system)}`}`.trim();
      },
      cell: (row, i) => {
        const found = get(row);
        return (
          found && (
            <QuantityInput
              kind={found[0]}
              system={system}
              value={found[1]}
              label={named(title, row, i)}
              showUnit={!isBare}
              empty={isOptional ? (placeholder ?? '') : undefined}
              onKeep={(v) => (v !== null || isOptional) && set(i, v)}
            />
          )
        );
      },
    }),
    pick: <T extends string>(
      title: string,
      options: readonly (readonly [T, string])[] | ((row: R) => readonly (readonly [T, string])[]),
      get: (row: R) => T,
      set: (i: number, v: T) => void,
      width?: string,
      isDisabled?: (row: R) => boolean,
    ): Column<R> => {
      const listOf = (row: R) => (typeof options === 'function' ? options(row) : options);
      return {
        title,
        width,
        text: (row) => listOf(row).find(([key]) => key === get(row))?.[1] ?? '',
        cell: (row, i) => (
          <Select
            label={named(title, row, i)}
            value={get(row)}
            options={listOf(row)}
            isDisabled={isDisabled?.(row)}
            onPick={(v) => set(i, v)}
          />
        ),
      };
    },
    check: (
      title: string,
      get: (row: R) => boolean,
      set: (i: number, v: boolean) => void,
      isDisabled?: (row: R) => boolean,
    ): Column<R> => ({
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
    }),
    /** What is only read. */
    shown: (title: string, text: (row: R, i: number) => string, cell: (row: R, i: number) => React.ReactNode = text): Column<R> => ({
      title,
      text,
      cell,
    }),
  };
}
