'use client';
import { useState } from 'react';
import type { Refusal } from '@/store/project-store';

/** A field for a text. One that is refused stays in the field with the reason, and changes nothing. */
export function TextInput({
  label,
  value,
  onKeep,
  className = 'field',
  type = 'text',
  placeholder,
}: {
  label?: string;
  value: string;
  onKeep: (text: string) => Refusal;
  className?: string;
  type?: 'text' | 'date';
  placeholder?: string;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<Refusal>(null);
  const leave = () => {
    setTyped(null);
    setRefusal(null);
  };
  const keep = () => {
    if (typed === null) return;
    const refused = typed === value ? null : onKeep(typed);
    if (refused) setRefusal(refused);
    else leave();
  };
  return (
    <span className="block">
      <input
        className={className}
        type={type}
        aria-label={label}
        placeholder={placeholder}
        aria-invalid={refusal !== null}
        value={typed ?? value}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={keep}
        onKeyDown={(e) => {
          if (e.key === 'Enter') keep();
          if (e.key !== 'Escape' || typed === null) return;
          e.stopPropagation();
          leave();
        }}
      />
      {refusal && (
        <span role="alert" className="block text-[0.6875rem] text-madder-text">
          {refusal}
        </span>
      )}
    </span>
  );
}
