import { silent } from '../../../calc/calc';
import type { FrameRules } from '../../../codes/frame-rules';
import type { DerivableCheck } from '../../../checks/check';
import { compareCheck, type Origin } from '../../../checks/compare';
import type { CheckBasis } from '../bending-checks';
import type { FrameEndPlace } from './frame-ends';
import { compressionFace, tensionFace, type Sense } from '../sense';
import { outlineOf, plainOf } from '../prepared';

const LAID: Origin = ['steel there', 'of the bars as they are laid out'];

interface Row {
  readonly span: number;
  readonly x: number;
  readonly sense: Sense;
  readonly area: number;
  readonly d: number;
}

/** Minimum reinforcement wherever a face is pulled, and the most at the columns. Ratios go by the web at least, by the compressed face at most. */
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
  const { beam, strips } = basis;
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
  return [
    compareCheck({
      id: 'frame-least-steel',
      family: 'detailing',
      title: 'Minimum reinforcement of a frame beam',
      clause: limit.clause,
      place: { x: w.x, label: `${tensionFace(w.sense)}, span ${w.span + 1}` },
      kind: 'area',
      compare: (c) => ({
        demand: rules.leastRatio(c, beam.materials)!.value * outlineOf(beam, w.span).b * w.d,
        demandIs: ['minimum reinforcement', 'the ratio above times the web and its depth'],
        capacity: w.area,
        capacityIs: LAID,
      }),
      fails: (least, has) => `${tensionFace(w.sense)} bars in span ${w.span + 1}: at least ${least} everywhere, has ${has}.`,
    }),
  ];
}

function most(basis: CheckBasis, rules: FrameRules, ends: readonly FrameEndPlace[]): DerivableCheck[] {
  const { beam, resistance } = basis;
  const rows = ends.flatMap((e) =>
    (['sagging', 'hogging'] as const).flatMap((sense) => {
      const r = row(basis, e.span, e.x, sense);
      const { b } = plainOf(beam, e.span, sense);
      const other = resistance.map.centroid(resistance.map.barsAt(compressionFace(sense), e.span, e.x)).area;
      const compression = other / (b * r.d);
      const limit = rules.mostRatio(silent, beam.materials, compression);
      return limit ? [{ ...r, compression, limit, allowed: limit.value * b * r.d, b }] : [];
    }),
  );
  if (rows.length === 0) return [];
  const w = rows.reduce((a, b) => (b.area / b.allowed > a.area / a.allowed ? b : a));
  return [
    compareCheck({
      id: 'frame-most-steel',
      family: 'detailing',
      title: 'Maximum reinforcement of a frame beam',
      clause: w.limit.clause,
      place: { x: w.x, label: `${tensionFace(w.sense)}, span ${w.span + 1}` },
      kind: 'area',
      compare: (c) => ({
        demand: w.area,
        demandIs: LAID,
        capacity: rules.mostRatio(c, beam.materials, w.compression)!.value * w.b * w.d,
        capacityIs: ['maximum reinforcement', 'the ratio above times the compressed face and the depth'],
      }),
      fails: (has, most) =>
        `${tensionFace(w.sense)} bars at the column in span ${w.span + 1}: at most ${most}, has ${has}. More in the other face, or a deeper beam.`,
    }),
  ];
}
