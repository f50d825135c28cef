import { useState } from 'react';
import type { PastedRows } from '@/exchange/paste-loads';

type Refused = PastedRows<unknown>['refused'][number];

/** Takes rows pasted from a spreadsheet: what was understood goes in at once, what was not is listed with its reason. */
export function usePastedLoads<L>(read: (text: string) => PastedRows<L>, take: (loads: readonly L[]) => void) {
  const [refused, setRefused] = useState<readonly Refused[]>([]);
  const onPaste = (e: React.ClipboardEvent) => {
    const text = e.clipboardData.getData('text');
    if (!/[\t\n;]/.test(text)) return;
    e.preventDefault();
    const found = read(text);
    if (found.loads.length > 0) take(found.loads);
    setRefused(found.refused);
  };
  return { refused, onPaste };
}

export function RefusedRows({ refused }: { refused: readonly Refused[] }) {
  if (refused.length === 0) return null;
  return (
    <div className="mt-2 border-l-2 border-madder pl-2" role="alert">
      <p className="text-madder-text">{refused.length} pasted rows were not taken:</p>
      {refused.slice(0, 8).map((r) => (
        <p key={r.row} className="small">
          Row {r.row}, “{r.text}”: {r.reason}
        </p>
      ))}
    </div>
  );
}
