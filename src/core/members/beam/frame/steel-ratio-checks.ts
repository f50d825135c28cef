import { derive, silent } from '../../../calc/calc';
import type { FrameRules } from '../../../codes/frame-rules';
import { formatQuantity } from '../../../units/format';
import { isBeyond, makeCheck, type DerivableCheck } from '../../../checks/check';
import type { CheckBasis } from '../bending-checks';
import { outlineOf } from '../input';
import { compressionFace, plainSection, tensionFace, type Sense } from '../section-at';
import type { FrameEndPlace } from './frame-ends';

interface Row {
  readonly span: number;
  readonly x: number;
  readonly sense: Sense;
  readonly area: number;
  readonly d: number;
}

/** Least steel wherever a face is pulled, and the most at the columns. Ratios go by the web at least, by the compressed face at most. */
export function steelRatioChecks(basis: CheckBasis, rules: FrameRules, ends: readonly FrameEndPlace[]): DerivableCheck[] {
  return [...least(basis, rules), ...most(basis, rules, ends)];
}

const row = ({ resistance }: CheckBasis, span: number, x: number, sense: Sense): Row => ({
  span,
  x,
  sense,
  ...resistance.tensionSteel(span, x, sense),
});

function least(basis: CheckBasis, rules: FrameRules): DerivableCheck[] {
  const { beam, strips, units } = basis;
  const limit = rules.leastRatio(silent, beam.materials);
  if (!limit) return [];
  const rows = [...strips.x.keys()].flatMap((i) =>
    (['sagging', 'hogging'] as const)
      .filter((s) => (s === 'sagging' ? strips.maxM[i]! > 0 : strips.minM[i]! < 0))
      .map((s) => row(basis, strips.span[i]!, strips.x[i]!, s)),
  );
  const needed = (r: Row) => limit.value * outlineOf(beam, r.span).b * r.d;
  if (rows.length === 0) return [];
  const w = rows.reduce((a, b) => (needed(b) / b.area > needed(a) / a.area ? b : a));
  const area = (v: number) => formatQuantity(v, 'area', units);
  return [
    makeCheck(
      {
        id: 'frame-least-steel',
        family: 'detailing',
        title: 'Least steel of a frame beam',
        clause: limit.clause,
        demand: { value: needed(w), kind: 'area' },
        capacity: { value: w.area, kind: 'area' },
        utilisation: needed(w) / w.area,
        place: { x: w.x, label: `${tensionFace(w.sense)}, span ${w.span + 1}` },
        ...(isBeyond(needed(w), w.area)
          ? { reason: `${tensionFace(w.sense)} bars in span ${w.span + 1}: at least ${area(needed(w))} everywhere, has ${area(w.area)}.` }
          : {}),
      },
      () => derive((c) => void rules.leastRatio(c, beam.materials)),
    ),
  ];
}

function most(basis: CheckBasis, rules: FrameRules, ends: readonly FrameEndPlace[]): DerivableCheck[] {
  const { beam, resistance, units } = basis;
  const rows = ends.flatMap((e) =>
    (['sagging', 'hogging'] as const).flatMap((sense) => {
      const r = row(basis, e.span, e.x, sense);
      const { b } = plainSection(outlineOf(beam, e.span), sense);
      const other = resistance.map.centroid(resistance.map.barsAt(compressionFace(sense), e.span, e.x)).area;
      const compression = other / (b * r.d);
      const limit = rules.mostRatio(silent, beam.materials, compression);
      return limit ? [{ ...r, compression, limit, allowed: limit.value * b * r.d }] : [];
    }),
  );
  if (rows.length === 0) return [];
  const w = rows.reduce((a, b) => (b.area / b.allowed > a.area / a.allowed ? b : a));
  const area = (v: number) => formatQuantity(v, 'area', units);
  return [
    makeCheck(
      {
        id: 'frame-most-steel',
        family: 'detailing',
        title: 'Most steel of a frame beam',
        clause: w.limit.clause,
        demand: { value: w.area, kind: 'area' },
        capacity: { value: w.allowed, kind: 'area' },
        utilisation: w.area / w.allowed,
        place: { x: w.x, label: `${tensionFace(w.sense)}, span ${w.span + 1}` },
        ...(isBeyond(w.area, w.allowed)
          ? {
              reason: `${tensionFace(w.sense)} bars at the column in span ${w.span + 1}: at most ${area(w.allowed)}, has ${area(w.area)}. More in the other face, or a deeper beam.`,
            }
          : {}),
      },
      () => derive((c) => void rules.mostRatio(c, beam.materials, w.compression)),
    ),
  ];
}
