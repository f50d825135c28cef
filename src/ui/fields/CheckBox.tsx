'use client';

/** A box with its words, that is on or off. */
export function CheckBox({ label, checked, onCheck }: { label: React.ReactNode; checked: boolean; onCheck: (on: boolean) => void }) {
  return (
    <label className="flex items-center gap-2 py-1">
      <input type="checkbox" checked={checked} onChange={(e) => onCheck(e.target.checked)} /> {label}
    </label>
  );
}
