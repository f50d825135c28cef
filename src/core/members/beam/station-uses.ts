import type { DesignCode } from '../../codes/design-code';
import type { StationSet } from './input';

export type StationUse = StationSet['use'];

export const stationUseNames: Readonly<Record<StationUse, string>> = {
  ultimate: 'ultimate',
  characteristic: 'characteristic',
  frequent: 'frequent',
  quasiPermanent: 'quasi-permanent',
  service: 'service',
  sustained: 'sustained',
  permanent: 'permanent loads alone',
};

/** What sets of forces can be for under a code: strength, and the loads by which it judges cracks, stresses and deflections. */
export function stationUsesOf({ service }: DesignCode): StationUse[] {
  const wanted: StationUse[] = ['ultimate', service.fullLoads, service.crackLoads, ...service.stages.map((s) => s.loads)];
  return [...new Set(wanted)];
}
