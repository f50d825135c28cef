import type { HandCheck } from '@/core/analysis/hand-check';
import { formatQuantity } from '@/core/units/format';
import type { UnitSystem } from '@/core/units/quantity';

/** Figures by hand beside those of the analysis, and whether they agree. */
export function HandCheckTable({ checks, units }: { checks: readonly HandCheck[]; units: UnitSystem }) {
  return (
    <>
      <h2>Checked by hand</h2>
      <table className="grid-table" aria-label="Hand checks">
        <thead>
          <tr>
            <th>What</th>
            <th>By hand</th>
            <th>By analysis</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {checks.map((h) => (
            <tr key={h.title}>
              <td>{h.title}</td>
              <td className="whitespace-nowrap">{formatQuantity(h.byHand, h.kind, units)}</td>
              <td className="whitespace-nowrap">{formatQuantity(h.byAnalysis, h.kind, units)}</td>
              <td className={h.agrees ? 'text-verdigris-text' : 'text-madder-text'}>{h.agrees ? 'agrees' : 'differs'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
