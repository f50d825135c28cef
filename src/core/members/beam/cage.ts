import type { DesignCode } from '../../codes/design-code';
import { catalogues } from '../../materials/bars';
import { barOf } from '../../reinforcement/bar-groups';
import { outlineOf, supportPositions, type BeamInput } from './input';
import { anchorageLengths } from './resistance';
import { SteelMap, type BeamSteel, type Face } from './steel';

/** x along the beam, y across it, z up from the bottom face (mm). */
export type CagePoint = readonly [x: number, y: number, z: number];

/** A straight or closed bar of the cage. */
export interface CageBar {
  readonly kind: 'bar' | 'link';
  readonly diameter: number;
  readonly points: readonly CagePoint[];
}

/** Steps in which the bars along the beam are followed (mm). */
const STEP = 50;

/** The bars of a stretch of the beam as they stand in space: as the sections show them, without laps and end bends. */
export function beamCage(beam: BeamInput, code: DesignCode, steel: BeamSteel, from: number, to: number): CageBar[] {
  const map = new SteelMap(beam, steel, code, anchorageLengths(beam, code, { catalogue: catalogues[beam.catalogue] }));
  const starts = supportPositions(beam);
  return beam.spans.flatMap((_, span) => {
    const [a, b] = [Math.max(from, starts[span]!), Math.min(to, starts[span + 1]!)];
    if (b - a < 1) return [];
    return [
      ...(['bottom', 'top'] as const).flatMap((face) => barsAlong(beam, map, face, span, a, b)),
      ...sideBars(beam, map, span, a, b),
      ...links(beam, map, span, starts[span]!, a, b),
    ];
  });
}

/** Bars of a face, cut where the arrangement changes. */
function barsAlong(beam: BeamInput, map: SteelMap, face: Face, span: number, from: number, to: number): CageBar[] {
  const { h } = outlineOf(beam, span);
  const steps = Math.max(1, Math.round((to - from) / STEP));
  const at = (i: number) => from + ((to - from) * i) / steps;
  const names = Array.from({ length: steps }, (_, i) => map.barsAt(face, span, at(i + 0.5)));
  const key = (i: number) => names[i]!.groups.map((g) => `${g.count} ${g.size}`).join('+');
  const found: CageBar[] = [];
  let begin = 0;
  for (let i = 1; i <= steps; i += 1) {
    if (i < steps && key(i) === key(begin)) continue;
    const [x1, x2] = [at(begin), at(i)];
    for (const bar of map.placement(names[begin]!).bars) {
      const z = face === 'bottom' ? bar.fromFace : h - bar.fromFace;
      found.push({
        kind: 'bar',
        diameter: bar.diameter,
        points: [
          [x1, bar.x, z],
          [x2, bar.x, z],
        ],
      });
    }
    begin = i;
  }
  return found;
}

/** Half width and heights of the links' axis. */
function linkBox(beam: BeamInput, map: SteelMap, span: number) {
  const { b, h } = outlineOf(beam, span);
  const half = map.linkDiameter(span) / 2;
  return { y: b / 2 - beam.cover.side - half, bottom: beam.cover.bottom + half, top: h - beam.cover.top - half, half };
}

function sideBars(beam: BeamInput, map: SteelMap, span: number, from: number, to: number): CageBar[] {
  const { side } = map.steel;
  if (!side || side.count === 0) return [];
  const { diameter } = barOf(side, map.catalogue);
  const box = linkBox(beam, map, span);
  const y = box.y - box.half - diameter / 2;
  return Array.from({ length: side.count }, (_, k) => box.bottom + ((k + 1) * (box.top - box.bottom)) / (side.count + 1)).flatMap((z) =>
    [-y, y].map((across): CageBar => ({
      kind: 'bar',
      diameter,
      points: [
        [from, across, z],
        [to, across, z],
      ],
    })),
  );
}

function links(beam: BeamInput, map: SteelMap, span: number, start: number, from: number, to: number): CageBar[] {
  const { y, bottom, top } = linkBox(beam, map, span);
  let zoneStart = 0;
  return map.steel.links[span]!.flatMap((zone) => {
    const count = Math.max(1, Math.round((zone.to - zoneStart) / zone.spacing));
    const step = (zone.to - zoneStart) / count;
    const { diameter } = barOf({ count: 1, size: zone.size }, map.catalogue);
    const xs = Array.from({ length: count }, (_, k) => start + zoneStart + (k + 0.5) * step).filter((x) => x >= from && x <= to);
    zoneStart = zone.to;
    return xs.flatMap((x): CageBar[] => [
      {
        kind: 'link',
        diameter,
        points: [
          [x, -y, bottom],
          [x, y, bottom],
          [x, y, top],
          [x, -y, top],
          [x, -y, bottom],
        ],
      },
      ...Array.from({ length: zone.legs - 2 }, (_, k): CageBar => {
        const across = -y + ((k + 1) * 2 * y) / (zone.legs - 1);
        return {
          kind: 'link',
          diameter,
          points: [
            [x, across, bottom],
            [x, across, top],
          ],
        };
      }),
    ]);
  });
}
