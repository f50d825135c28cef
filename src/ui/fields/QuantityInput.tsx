'use client';
import { useState } from 'react';
import { formatForEditing, unitLabel } from '@/core/units/format';
import { parseQuantity } from '@/core/units/parse';
import type { QuantityKind, UnitSystem } from '@/core/units/quantity';
import type { Refusal } from '@/store/project-store';

interface QuantityInputProps {
  readonly kind: QuantityKind;
  readonly system: UnitSystem;
  /** In internal units; null is empty. */
  readonly value: number | null;
  readonly label: string;
  /** What comes back is why the value was refused. */
  readonly onKeep: (value: number | null, text: string) => Refusal | false | void;
  /** The field may be left empty; this says what that means. */
  readonly empty?: string;
  readonly showUnit?: boolean;
  /** Least and most that may be typed, in internal units. */
  readonly range?: readonly [number, number];
  readonly isWhole?: boolean;
  /** Other ways of writing the value, as the name of a grade; undefined for texts that are none of them. */
  readonly readName?: (text: string) => number | undefined;
}

/** A field that takes any unit of its kind; a refused text stays in the field with its reason and changes nothing. */
export function QuantityInput({
  kind,
  system,
  value,
  label,
  onKeep,
  empty,
  showUnit = true,
  range,
  isWhole = false,
  readName,
}: QuantityInputProps) {
  const shown = value === null ? '' : formatForEditing(value, kind, system);
  const within = (read: ReturnType<typeof parseQuantity>): typeof read => {
    if (!read.ok) return read;
    if (isWhole && !Number.isInteger(read.value)) return { ok: false, reason: 'A whole number is meant.' };
    if (!range || (read.value >= range[0] && read.value <= range[1])) return read;
    const [least, most] = range.map((v) => `${formatForEditing(v, kind, system)} ${unitLabel(kind, system)}`.trim());
    return { ok: false, reason: `From ${least} to ${most}.` };
  };
  const [typed, setTyped] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<Refusal>(null);
  const text = typed ?? shown;
  const isEmpty = text.trim() === '';
  const named = typed === null ? undefined : readName?.(text);
  const parsed =
    isEmpty && empty !== undefined ? null : within(named === undefined ? parseQuantity(text, kind, system) : { ok: true, value: named });
  const reason = typed === null ? null : parsed && !parsed.ok ? parsed.reason : refusal;
  const keep = () => {
    if (typed === null || (parsed && !parsed.ok)) return;
    const next = parsed?.value ?? null;
    // A name may say more than its value.
    const isSame = named === undefined && next !== null && value !== null && Math.abs(next - value) <= 1e-9 * Math.abs(next);
    const refused = isSame ? null : onKeep(next, text) || null;
    setRefusal(refused);
    if (refused === null) setTyped(null);
  };
  return (
    <span className="block">
      <span className="flex items-center gap-1">
        <input
          className="field"
          aria-label={label}
          aria-invalid={reason !== null}
          value={text}
          placeholder={empty}
          onChange={(e) => setTyped(e.target.value)}
          onBlur={keep}
          onKeyDown={(e) => {
            if (e.key === 'Enter') keep();
            if (e.key === 'Escape' && typed !== null) {
              e.stopPropagation();
              setTyped(null);
            }
          }}
        />
        {showUnit && <span className="w-10 shrink-0 text-walnut">{unitLabel(kind, system)}</span>}
      </span>
      {reason && <span className="block text-[0.6875rem] text-madder-text">{reason}</span>}
    </span>
  );
}
