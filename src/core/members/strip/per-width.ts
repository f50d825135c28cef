import { perLength } from '../beam/station-table';
import { derive } from '../../calc/calc';
import type { HandCheck } from '../../analysis/hand-check';
import { formatQuantity } from '../../units/format';
import type { QuantityKind, UnitSystem } from '../../units/quantity';
import type { DerivableCheck, Measured } from '../../checks/check';

/** A value of a strip of a width, per length of slab: kNm/m, kN/m, mm2/m. */
function measuredPerWidth<T extends Measured | null>(m: T, width: number): T {
  const kind = m && perLength[m.kind];
  return m && kind ? { ...m, value: m.value / width, kind } : m;
}

/** A check of a strip, its figures per length of slab; its steps are those of the strip, and end with both figures per length. */
export function checkPerWidth({ check, derive: steps, why }: DerivableCheck, width: number): DerivableCheck {
  const { demand, capacity } = check;
  const per = { demand: measuredPerWidth(demand, width), capacity: measuredPerWidth(capacity, width) };
  const shared = [
    ['demand', demand, per.demand],
    ['capacity', capacity, per.capacity],
  ] as const;
  const perLengthSteps = () =>
    derive((c) => {
      for (const [name, whole, part] of shared)
        if (part && whole && part.kind !== whole.kind && Number.isFinite(part.value))
          c.state(`${name} per length of slab`, part.value, part.kind, 'that of the strip over its width');
    });
  return { check: { ...check, ...per }, ...(why && { why }), ...(steps && { derive: () => [...steps(), ...perLengthSteps()] }) };
}

export function handCheckPerWidth(check: HandCheck, width: number): HandCheck {
  const kind = perLength[check.kind];
  return kind ? { ...check, kind, byHand: check.byHand / width, byAnalysis: check.byAnalysis / width } : check;
}

/** Writes values of a strip per length of slab. */
export const showPerWidth = (width: number, units: UnitSystem) => (value: number, kind: QuantityKind) => {
  const { value: per, kind: as } = measuredPerWidth({ value, kind }, width);
  return formatQuantity(per, as, units);
};
