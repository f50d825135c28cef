import { type Check, checkInWords } from '../../checks/check';
import type { BeamAnalysis } from './analysis';
import type { PreparedBeam } from './prepared';

/** Whether there is nothing to design a member for: no combination for strength, or no load and no settlement. */
export function hasNothing({ mode, loads, selfWeight, supports }: PreparedBeam, { arrangements }: BeamAnalysis): boolean {
  if (arrangements.length === 0) return true;
  return mode === 'loads' && loads.length === 0 && !selfWeight && supports.every((s) => s.settlement === 0);
}

/** Why there is nothing to design: no combination for strength, or no load. */
export function nothingCheck({ combinations }: Pick<BeamAnalysis, 'combinations'>, what: 'beam' | 'slab'): Check {
  const hasUltimate = combinations.some((c) => c.kind === 'ultimate');
  return checkInWords({
    id: 'nothing',
    family: 'bending',
    title: hasUltimate ? 'No loads' : 'No ultimate combination',
    clause: '',
    status: 'failed',
    place: { x: null, label: '' },
    reason: hasUltimate
      ? `There is no load on this ${what}: nothing is designed.`
      : 'No ultimate combination is switched on: nothing is designed.',
  }).check;
}
