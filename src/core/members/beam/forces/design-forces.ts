import { missingFor, type DesignCode } from '../../../codes/design-code';
import { finishChecks, governing, topicsNotCovered, type DerivableCheck } from '../../../checks/check';
import type { DesignOptions } from '../../../job';
import { ResistanceMap } from '../resistance';
import { emptyBeamResult, type BeamResult } from '../result';
import { SteelMap } from '../steel';
import { sectionCapacities } from './capacities';
import { axialRow } from './axial-row';
import { bendingRow, shearRow, torsionRow } from './row-checks';
import { sectionRules } from './section-rules';
import { sectionSteel } from './section-steel';
import type { PreparedBeam } from '../prepared';

/** Rows that stand on the ladder one by one; of more only the worst of each family at each place. */
const MOST_RUNGS = 40;

/** A section checked for design forces that are known: each row gives a check in bending, in shear and in torsion. */
export function designForces(beam: PreparedBeam, code: DesignCode, options: DesignOptions): BeamResult {
  const steel = sectionSteel(beam, code);
  const resistance = new ResistanceMap(beam, code, new SteelMap(beam, steel, code, () => 1));
  const byRow = beam.forces.map((f, i) => ({
    bending: [...bendingRow(beam, code, resistance, f, i), ...axialRow(beam, code, resistance, f, i)],
    shear: shearRow(beam, code, resistance, f, i),
    torsion: torsionRow(beam, code, resistance, f, i),
  }));
  const rungs = byRow.flatMap((r) => [...r.bending, ...r.shear, ...r.torsion]);
  const shown = beam.forces.length > MOST_RUNGS ? worstByPlace(rungs) : rungs;
  const checks = finishChecks([...shown, ...sectionRules(beam, code, resistance), ...topicsNotCovered(missingFor(code, 'beams'))], options);
  const worst = (list: readonly DerivableCheck[]) =>
    list.length === 0 ? null : Math.max(...list.map(({ check }) => check.utilisation ?? Infinity));
  return {
    ...emptyBeamResult([]),
    steel,
    rows: byRow.map((r) => ({ bending: worst(r.bending), shear: worst(r.shear), torsion: worst(r.torsion) })),
    capacities: sectionCapacities(beam, code, resistance),
    checks,
    governing: governing(checks) ?? null,
  };
}

/** Of each kind of check the worst at each place. */
function worstByPlace(checks: readonly DerivableCheck[]): DerivableCheck[] {
  const worst = new Map<string, DerivableCheck>();
  for (const c of checks) {
    const key = `${c.check.id.replace(/-\d+$/, '')} ${c.check.place.label}`;
    const before = worst.get(key);
    if (!before || (c.check.utilisation ?? Infinity) > (before.check.utilisation ?? Infinity)) worst.set(key, c);
  }
  return [...worst.values()].sort((a, b) => (b.check.utilisation ?? Infinity) - (a.check.utilisation ?? Infinity)).slice(0, 3 * MOST_RUNGS);
}
