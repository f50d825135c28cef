'use client';

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
  options: readonly (readonly [T, string])[];
  onPick: (value: T) => void;
  className?: string;
  isDisabled?: boolean;
}) {
  return (
    <select className={className} aria-label={label} value={value} disabled={isDisabled} onChange={(e) => onPick(e.target.value as T)}>
      {options.map(([key, name]) => (
        <option key={key} value={key}>
          {name}
        </option>
      ))}
    </select>
  );
}
