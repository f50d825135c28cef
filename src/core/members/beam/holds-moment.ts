import type { BeamInput } from './input';
import { piecesOf } from './known-forces';

/** Whether a hogging moment can stand over a support: not over a pinned end with nothing beyond it. Known forces say it themselves. */
export function holdsMoment(beam: BeamInput, support: number): boolean {
  const s = beam.supports[support]!;
  if (s.type === 'free') return false;
  const isEnd = support === 0 || support === beam.spans.length;
  if (isEnd && beam.mode === 'stations' && hogsAt(beam, support)) return true;
  return !isEnd || s.type === 'fixed' || (s.type === 'spring' && (s.rotation ?? 0) > 0);
}

/** A moment smaller than this part of the largest is what rounding leaves of none. */
const NOTHING = 1e-3;

/** Whether known forces stretch the top at an end. */
function hogsAt({ stations, spans, stationSets }: BeamInput, support: number): boolean {
  const most = stations.reduce((size, { moment }) => Math.max(size, Math.abs(moment)), 0);
  return stationSets.some(({ name }) => {
    const pieces = piecesOf({ stations, spans }, name, support === 0 ? 0 : support - 1);
    const moment = support === 0 ? pieces[0]?.moment[0] : pieces.at(-1)?.moment[1];
    return moment !== undefined && moment < -NOTHING * most;
  });
}
