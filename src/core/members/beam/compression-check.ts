import { CalcError, silent } from '../../calc/calc';
import { barOf } from '../../reinforcement/bar-groups';
import type { DerivableCheck } from '../../checks/check';
import { compareCheck } from '../../checks/compare';
import { largestOf } from '../../checks/largest';
import { peaksOf, type CheckBasis } from './bending-checks';
import { bendingTask } from './section-at';
import { compressionFace } from './sense';
import { outlineOf } from './prepared';

/** Where strength needs steel in compression: enough of it there, and links close enough to hold it. */
export function compressionChecks({ beam, code, strips, resistance, regions }: CheckBasis): DerivableCheck[] {
  if (beam.barRules.singlyReinforced) return [];
  const sides = regions.flatMap((region) =>
    peaksOf(strips, region).flatMap((i) => {
      const span = strips.span[i]!;
      const x = strips.x[i]!;
      const moment = region.sense === 'sagging' ? strips.maxM[i]! : -strips.minM[i]!;
      const { d } = resistance.tensionSteel(span, x, region.sense);
      const d2 = resistance.compressionDepth(span, x, region.sense);
      const run = (c: typeof silent) =>
        code.bendingSteel(c, { ...bendingTask(beam, span, region.sense, { moment, d, d2, delta: region.delta }), singlyOnly: false });
      const compression = compressionOf(run);
      const bars = resistance.map.barsAt(compressionFace(region.sense), span, x);
      const has = bars.groups.reduce((sum, g, k) => sum + bars.shares[k]! * g.count * barOf(g, resistance.map.catalogue).area, 0);
      return compression > 0 ? [{ region, span, x, run, bars, has, ratio: has > 0 ? compression / has : Infinity }] : [];
    }),
  );
  // Of both sides of a support the worse.
  const needs = regions.flatMap(
    (region) =>
      largestOf(
        sides.filter((s) => s.region === region),
        (s) => s.ratio,
      ) ?? [],
  );
  return needs.flatMap(({ region, span, x, run, bars, has }) => {
    const face = compressionFace(region.sense);
    const thinnest = Math.min(...bars.groups.filter((g) => g.count > 0).map((g) => barOf(g, resistance.map.catalogue).diameter));
    const zone = resistance.map.linkZoneAt(span, x);
    const o = outlineOf(beam, span);
    const link = barOf({ count: 1, size: zone.size }, resistance.map.catalogue).diameter;
    const hold = code.compressionLinkSpacing(thinnest, link, Math.min(o.b, o.h));
    const place = { x, label: region.label };
    const word = face === 'top' ? 'Top' : 'Bottom';
    return [
      compareCheck({
        id: `compression-${region.id}`,
        family: 'bending',
        title: `Compression steel, ${region.label}`,
        clause: code.steelClauses.bending,
        place,
        kind: 'area',
        compare: (c) => ({
          demand: run(c).compression,
          capacity: has,
          capacityIs: ['area of the bars in compression', 'as far as they are anchored there'],
        }),
        fails: (needs, is) => `${word} bars at ${region.label} in compression: needs ${needs}, has ${is}.`,
      }),
      compareCheck({
        id: `compression-hold-${region.id}`,
        family: 'detailing',
        title: `Restraint of compression bars, ${region.label}`,
        clause: hold.clause,
        place,
        kind: 'length',
        compare: (c) => ({
          demand: zone.spacing,
          demandIs: [`spacing of ${code.linkWord}`, 'of the zone there, as typed or chosen'],
          capacity: code.compressionLinkSpacing(thinnest, link, Math.min(o.b, o.h), c).value,
        }),
        fails: (is, most) => `${code.linkWord} at ${region.label} stand ${is} apart, at most ${most} to hold bars in compression.`,
      }),
    ];
  });
}

/** Compression steel that strength asks for (mm2); none where no steel would carry the moment, which the check of bending says. */
function compressionOf(run: (c: typeof silent) => { readonly compression: number }): number {
  try {
    return run(silent).compression;
  } catch (error) {
    if (error instanceof CalcError) return 0;
    throw error;
  }
}
