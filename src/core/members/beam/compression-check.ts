import { CalcError, derive, silent } from '../../calc/calc';
import { barOf } from '../../reinforcement/bar-groups';
import { formatQuantity } from '../../units/format';
import { makeCheck, type DerivableCheck } from '../../checks/check';
import type { CheckBasis } from './bending-checks';
import { outlineOf } from './input';
import { compressionFace, plainSection } from './section-at';

/** Where strength needs steel in compression: enough of it there, and links close enough to hold it. */
export function compressionChecks({ beam, code, strips, resistance, regions, units }: CheckBasis): DerivableCheck[] {
  if (beam.barRules.singlyReinforced) return [];
  const needs = regions.flatMap((region) => {
    const moment = (i: number) => (region.sense === 'sagging' ? strips.maxM[i]! : -strips.minM[i]!);
    const i = region.stations.reduce((a, b) => (moment(b) > moment(a) ? b : a), region.stations[0] ?? 0);
    if (region.stations.length === 0 || moment(i) <= 0) return [];
    const span = strips.span[i]!;
    const x = strips.x[i]!;
    const { d } = resistance.tensionSteel(span, x, region.sense);
    const section = plainSection(outlineOf(beam, span), region.sense);
    const d2 = resistance.compressionDepth(span, x, region.sense);
    const run = (c: typeof silent) => code.bendingSteel(c, moment(i), section, d, d2, beam.materials, region.delta, false);
    try {
      const { compression } = run(silent);
      return compression > 0 ? [{ region, span, x, compression, run }] : [];
    } catch (error) {
      if (error instanceof CalcError) return [];
      throw error;
    }
  });
  return needs.flatMap(({ region, span, x, compression, run }) => {
    const face = compressionFace(region.sense);
    const bars = resistance.map.barsAt(face, span, x);
    const has = bars.groups.reduce((sum, g, k) => sum + bars.shares[k]! * g.count * barOf(g, resistance.map.catalogue).area, 0);
    const thinnest = Math.min(...bars.groups.filter((g) => g.count > 0).map((g) => barOf(g, resistance.map.catalogue).diameter));
    const zone = resistance.map.linkZoneAt(span, x);
    const o = outlineOf(beam, span);
    const link = barOf({ count: 1, size: zone.size }, resistance.map.catalogue).diameter;
    const hold = code.compressionLinkSpacing(thinnest, link, Math.min(o.b, o.h));
    const place = { x, label: region.label };
    const word = face === 'top' ? 'Top' : 'Bottom';
    return [
      makeCheck(
        {
          id: `compression-${region.id}`,
          family: 'bending',
          title: `Compression steel, ${region.label}`,
          clause: code.steelClauses.bending,
          demand: { value: compression, kind: 'area' },
          capacity: { value: has, kind: 'area' },
          utilisation: compression / has,
          place,
          ...(compression > has
            ? {
                reason: `${word} bars at ${region.label} in compression: needs ${formatQuantity(compression, 'area', units)}, has ${formatQuantity(has, 'area', units)}.`,
              }
            : {}),
        },
        () => derive((c) => void run(c)),
      ),
      makeCheck(
        {
          id: `compression-hold-${region.id}`,
          family: 'detailing',
          title: `Hold of compression bars, ${region.label}`,
          clause: hold.clause,
          demand: { value: zone.spacing, kind: 'length' },
          capacity: { value: hold.value, kind: 'length' },
          utilisation: zone.spacing / hold.value,
          place,
          ...(zone.spacing > hold.value
            ? {
                reason: `${code.linkWord} at ${region.label} stand ${formatQuantity(zone.spacing, 'length', units)} apart, at most ${formatQuantity(hold.value, 'length', units)} to hold bars in compression.`,
              }
            : {}),
        },
        () => derive((c) => void code.compressionLinkSpacing(thinnest, link, Math.min(o.b, o.h), c)),
      ),
    ];
  });
}
