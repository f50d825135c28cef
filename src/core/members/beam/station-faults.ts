import type { Fault } from '../../checks/fault';
import { formatQuantity } from '../../units/format';
import { counted } from '../../units/format';
import { supportName, type BeamInput } from './input';
import { ONE_PLACE, stationsOf } from './known-forces';

/** How far beyond the face of a support a set may begin or end (mm). */
const REACH = 1;

/** Known forces along the spans that are missing, off their span, or without their set. */
export function stationFaults(beam: BeamInput): Fault[] {
  const { stationSets, stations, supports, spans } = beam;
  if (supports.length !== spans.length + 1) return [];
  if (stations.length === 0)
    return [{ path: 'stations', reason: 'No forces yet: paste those of an analysis at stations along the spans, or type them.' }];
  const faults = [...setFaults(beam), ...rowFaults(beam)];
  // What is missing is told once the rows there are can be placed.
  return faults.length > 0 ? faults : stationSets.flatMap(({ name }, i) => reachFaults(beam, name, `stationSets[${i}].name`));
}

function setFaults({ stationSets, frame }: BeamInput): Fault[] {
  const faults = stationSets.flatMap(({ name }, i): Fault[] => {
    const isTwice = stationSets.findIndex((s) => s.name === name) < i;
    return isTwice ? [{ path: `stationSets[${i}].name`, reason: `There are two sets "${name}".` }] : [];
  });
  if (stationSets.filter((s) => s.use === 'permanent').length > 1)
    faults.push({ path: 'stationSets', reason: 'Only one set can be that of the permanent loads alone.' });
  if (!stationSets.some((s) => s.use === 'ultimate'))
    faults.push({ path: 'stationSets', reason: 'No set is for strength: say which sets are ultimate.' });
  if (frame !== 'none')
    faults.push({
      path: 'frame',
      reason: 'The shear of a beam in a ductile frame follows from its own loads: work from loads on spans, or from no ductile frame.',
    });
  return faults;
}

function rowFaults({ stationSets, stations, spans }: BeamInput): Fault[] {
  const names = new Set(stationSets.map((s) => s.name));
  return stations.flatMap(({ set, span, at }, i): Fault[] => {
    const length = spans[span]?.length;
    const [path, row] = [`stations[${i}]`, `Row ${i + 1}`];
    if (!names.has(set)) return [{ path: `${path}.set`, reason: `${row}: there is no set "${set}".` }];
    if (length === undefined) return [{ path: `${path}.span`, reason: `${row}: there is no span ${span + 1}.` }];
    if (!(at >= -ONE_PLACE && at <= length + ONE_PLACE))
      return [
        {
          path: `${path}.at`,
          reason: `${row}: ${metres(at)} lies off span ${span + 1}, which is ${metres(length)} long; stations count from the left end of their span.`,
        },
      ];
    return [];
  });
}

const metres = (v: number) => formatQuantity(v, 'station', 'SI');

/** A set must say its forces from face to face of every span, and at most twice at one place. */
function reachFaults(beam: BeamInput, set: string, path: string): Fault[] {
  return beam.spans.flatMap(({ length }, span): Fault[] => {
    const rows = stationsOf(beam, set, span);
    const fault = (reason: string): Fault[] => [{ path, reason }];
    const [first, last] = [rows[0], rows.at(-1)];
    if (!first || !last) return fault(`${set} has no forces in span ${span + 1}.`);
    const crowded = rows.find((r, k) => k > 1 && r.at - rows[k - 2]!.at <= ONE_PLACE);
    if (crowded)
      return fault(`${set} has more than two rows at ${metres(crowded.at)} of span ${span + 1}: one for each side of a jump is the most.`);
    const [left, right] = [span, span + 1].map((j) => beam.supports[j]!.width / 2) as [number, number];
    const [from, to] = [Math.min(left, length / 2), Math.max(length - right, length / 2)];
    const isNot = (side: string, at: number, j: number, face: number) =>
      fault(
        `${set} ${side} ${metres(at)} of span ${span + 1} (${counted(rows.length, 'station')}), but the face of ${supportName(j)} is at ${metres(face)}: the forces there are not known.`,
      );
    if (first.at > from + REACH) return isNot('begins at', first.at, span, from);
    if (last.at < to - REACH) return isNot('ends at', last.at, span + 1, to);
    return [];
  });
}
