import { silent, type Calc } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { barOf, type PlacedBar, type Placement } from '../../reinforcement/bar-groups';
import type { DerivableCheck } from '../../checks/check';
import { compareCheck } from '../../checks/compare';
import { largestOf } from '../../checks/largest';
import { peaksOf, type CheckBasis } from './bending-checks';
import type { SteelAlong } from './steel';
import { tensionFace, type Face } from './sense';
import { plainOf } from './prepared';

/** Least tension steel where the moment is largest in each region: the worst of all. */
export function minimumSteelCheck({ beam, code, strips, resistance, regions }: CheckBasis<SteelAlong>): DerivableCheck[] {
  const found = regions.flatMap((region) =>
    peaksOf(strips, region).map((i) => {
      const span = strips.span[i]!;
      const { area, d } = resistance.tensionSteel(span, strips.x[i]!, region.sense);
      const section = plainOf(beam, span, region.sense);
      const least = code.minimumSteel(silent, section, d, beam.materials);
      return { region, x: strips.x[i]!, area, d, section, least, ratio: area > 0 ? least / area : Infinity };
    }),
  );
  if (found.length === 0) return [];
  const w = found.reduce((a, b) => (b.ratio > a.ratio ? b : a));
  const face = tensionFace(w.region.sense) === 'top' ? 'Top' : 'Bottom';
  return [
    compareCheck({
      id: 'minimum-steel',
      family: 'detailing',
      title: 'Minimum reinforcement',
      clause: code.steelClauses.minimum,
      place: { x: w.x, label: w.region.label },
      kind: 'area',
      compare: (c) => ({
        demand: code.minimumSteel(c, w.section, w.d, beam.materials),
        capacity: w.area,
        capacityIs: ['area of the tension bars there', 'of the bars as they are laid out'],
      }),
      fails: (least, has) => `${face} bars at ${w.region.label}: at least ${least}, has ${has}.`,
    }),
  ];
}

/** Maximum reinforcement in a face, where the code limits it. */
export function maximumSteelCheck({ beam, code, strips }: CheckBasis<SteelAlong>): DerivableCheck[] {
  let worst: { ratio: number; i: number; sense: 'sagging' | 'hogging'; area: number; most: number } | undefined;
  const limits = beam.spans.map((_, span) => code.maximumSteel(silent, plainOf(beam, span, 'sagging'), beam.materials));
  strips.x.forEach((_x, i) => {
    for (const sense of ['sagging', 'hogging'] as const) {
      const most = limits[strips.span[i]!];
      const area = (sense === 'sagging' ? strips.providedBottom : strips.providedTop)[i]!;
      if (most !== undefined && (!worst || area / most > worst.ratio)) worst = { ratio: area / most, i, sense, area, most };
    }
  });
  if (!worst) return [];
  const { i, sense, area } = worst;
  const span = strips.span[i]!;
  return [
    compareCheck({
      id: 'maximum-steel',
      family: 'detailing',
      title: 'Maximum reinforcement',
      clause: code.steelClauses.maximum,
      place: { x: strips.x[i]!, label: `${tensionFace(sense)}, span ${span + 1}` },
      kind: 'area',
      compare: (c) => ({
        demand: area,
        demandIs: ['area of the bars of the face', 'of the bars as they are laid out'],
        capacity: code.maximumSteel(c, plainOf(beam, span, 'sagging'), beam.materials)!,
      }),
      fails: (has, most) => `${has} in one face, at most ${most} outside laps.`,
    }),
  ];
}

/** What the code asks between the bars of the fullest layer of a placement (mm): of its bars the one that asks for it. */
export function clearDistance(c: Calc, code: DesignCode, { bars, clearRequired }: Placement, aggregate: number): number {
  const asks = (b: PlacedBar) => code.clearSpacing(b.diameter, aggregate).value;
  const bar = bars.find((b) => Math.abs(asks(b) - clearRequired) < 1e-6);
  return code.clearSpacing(bar?.diameter ?? 0, aggregate, c).value;
}

/** Clear distance between bars in every face of every span and support: the tightest of all. */
export function spacingCheck({ beam, code, strips, resistance }: CheckBasis<SteelAlong>): DerivableCheck[] {
  const seen = new Set<number>();
  let worst: { ratio: number; placed: Placement; label: string; x: number } | undefined;
  strips.x.forEach((x, i) => {
    const span = strips.span[i]!;
    for (const face of ['bottom', 'top'] as Face[]) {
      const bars = resistance.map.barsAt(face, span, x);
      if (seen.has(bars.key)) continue;
      seen.add(bars.key);
      const placed = resistance.map.placement(bars);
      const ratio = placed.misfit ? Infinity : placed.clearRequired / placed.clear;
      if (!worst || ratio > worst.ratio) worst = { ratio, placed, label: `${face}, span ${span + 1}`, x };
    }
  });
  if (!worst) return [];
  const { placed, label, x } = worst;
  const check = compareCheck({
    id: 'bar-spacing',
    family: 'detailing',
    title: 'Clear bar spacing',
    clause: code.clearSpacing(20, beam.materials.aggregateSize).clause,
    place: { x, label },
    kind: 'smallLength',
    compare: (c) => ({
      demand: clearDistance(c, code, placed, beam.materials.aggregateSize),
      capacity: placed.clear,
      ...(placed.misfit ? { utilisation: Infinity } : {}),
      capacityIs: ['clear distance of the bars', 'of the fullest layer as it is laid out'],
    }),
    fails: (need, has) => `${label}: ${placed.misfit ?? `${has} clear, needs ${need}`}.`,
  });
  return [check];
}

/** Links round strong bars that stand near each other, where the code asks for them: the worst layer of all spans. */
export function splittingCheck({ beam, code, strips, resistance }: CheckBasis): DerivableCheck[] {
  const rule = code.anchorage.splitting;
  if (!rule) return [];
  const { map } = resistance;
  const found = [...strips.x].flatMap((x, i) => {
    const span = strips.span[i]!;
    const zone = map.linkZoneAt(span, x);
    const link = barOf({ count: 1, size: zone.size }, map.catalogue);
    return (['bottom', 'top'] as const).flatMap((face) => {
      const { bars, clear } = map.placement(map.barsAt(face, span, x));
      if (bars.length < 2) return [];
      const diameter = Math.max(...bars.map((b) => b.diameter));
      const layer = bars.filter((b) => b.layer === 0).length;
      const transverse = { area: zone.legs * link.area, spacing: zone.spacing, bars: layer };
      const q = { strength: beam.materials.steelStrength, diameter, apart: clear + diameter, transverse };
      const need = rule(silent, q);
      return need ? [{ x, label: `${face}, span ${span + 1}`, q, ratio: need.needed / need.there, clause: need.clause }] : [];
    });
  });
  const w = largestOf(found, (f) => f.ratio);
  if (!w) return [];
  return [
    compareCheck({
      id: 'splitting',
      family: 'detailing',
      title: 'Splitting round strong bars',
      clause: w.clause,
      place: { x: w.x, label: w.label },
      kind: 'smallLength',
      compare: (c) => {
        const { needed, there } = rule(c, w.q)!;
        return { demand: needed, capacity: there };
      },
      fails: (needed, has) =>
        `Bars this strong and near each other need Ktr of ${needed}, the ${code.linkWord} give ${has}: closer or thicker ones.`,
    }),
  ];
}
