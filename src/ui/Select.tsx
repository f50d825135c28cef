'use client';

/** A drop-down of named values. */
export function Select<T extends string>({
  label,
  value,
  options,
  onPick,
  className = 'field',
}: {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onPick: (value: T) => void;
  className?: string;
}) {
  return (
    <select className={className} aria-label={label} value={value} onChange={(e) => onPick(e.target.value as T)}>
      {options.map(([key, name]) => (
        <option key={key} value={key}>
          {name}
        </option>
      ))}
    </select>
  );
}
