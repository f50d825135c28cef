'use client';

/** Values with their words, in the order in which they are offered; a list where the values are numbers, which an object would sort. */
export type Options<T extends string> = Readonly<Partial<Record<T, string>>> | readonly (readonly [T, string])[];

export const entriesOf = <T extends string>(options: Options<T>): readonly (readonly [T, string])[] =>
  Array.isArray(options) ? options : (Object.entries(options) as [T, string][]);

/** A drop-down of named values: the list of the browser, so that keys and touch work as everywhere. */
export function Select<T extends string>({
  label,
  value,
  options,
  onPick,
  className = 'field',
  isDisabled,
}: {
  label: string;
  value: T;
  options: Options<T>;
  onPick: (value: T) => void;
  className?: string;
  isDisabled?: boolean;
}) {
  const entries = entriesOf(options);
  const shown = entries.find(([key]) => key === value)?.[1];
  // What the longest of the names takes in a table, up to what is usual there.
  const longest = { '--longest': `${Math.max(0, ...entries.map(([, name]) => name?.length ?? 0))}ch` } as React.CSSProperties;
  return (
    <select
      className={className}
      style={longest}
      aria-label={label}
      title={shown}
      value={value}
      disabled={isDisabled}
      onChange={(e) => onPick(e.target.value as T)}
    >
      {entries.map(([key, name]) => (
        <option key={key} value={key}>
          {name}
        </option>
      ))}
    </select>
  );
}
