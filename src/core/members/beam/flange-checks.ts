import { compareCheck } from '../../checks/compare';
import { silent } from '../../calc/calc';
import { formatQuantity } from '../../units/format';
import type { DerivableCheck } from '../../checks/check';
import type { CheckBasis } from './bending-checks';
import { outlineOf } from './prepared';
import type { BeamStrips } from './result';

/** The largest sagging moment at a place of a span, straight between its stations (N mm). */
function between({ x, maxM }: BeamStrips, stations: readonly number[], at: number): number {
  const next = stations.find((i) => x[i]! >= at) ?? stations.at(-1)!;
  const last = stations.findLast((i) => x[i]! <= at) ?? next;
  return x[next]! === x[last]! ? maxM[next]! : maxM[last]! + ((maxM[next]! - maxM[last]!) * (at - x[last]!)) / (x[next]! - x[last]!);
}

/** Shear between the web and a compressed flange, where the code has a rule for it: the worst span. */
export function flangeChecks(basis: CheckBasis): DerivableCheck[] {
  const { beam, code, strips, resistance, units } = basis;
  const { flangeShear } = code;
  if (!flangeShear) return [];
  const { starts } = beam;
  // Where the largest moment stands at an end there is no length over which the force would grow to that side.
  const hasLength = (r: { readonly length: number; readonly span: number }) => r.length > 1e-3 * beam.spans[r.span]!.length;
  const rows = beam.spans.flatMap((s, span) => {
    const o = outlineOf(beam, span);
    if (o.shape === 'rectangular' || o.shape === 'invertedT' || o.shape === 'free' || o.flangeWidth <= o.b) return [];
    const stations = [...strips.x.keys()].filter((i) => strips.span[i] === span);
    const peak = stations.reduce((a, b) => (strips.maxM[b]! > strips.maxM[a]! ? b : a));
    const moment = strips.maxM[peak]!;
    if (moment <= 0) return [];
    const at = (x: number) => between(strips, stations, x);
    const zero = (side: -1 | 1) => {
      const inOrder = side < 0 ? [...stations].reverse() : stations;
      const beyond = inOrder.filter((i) => (strips.x[i]! - strips.x[peak]!) * side >= 0);
      const k = beyond.findIndex((i) => strips.maxM[i]! <= 0);
      if (k < 0) return side < 0 ? starts[span]! : starts[span]! + s.length;
      // Straight between the last station with a moment and the first without.
      const [p, q] = [beyond[k - 1]!, beyond[k]!];
      return strips.x[p]! + ((strips.x[q]! - strips.x[p]!) * strips.maxM[p]!) / (strips.maxM[p]! - strips.maxM[q]!);
    };
    return ([-1, 1] as const)
      .map((side) => {
        // Half the distance between no moment and the largest, 6.2.4(3), next to the support where the force grows fastest.
        const from = zero(side);
        const length = Math.abs(strips.x[peak]! - from) / 2;
        const middle = (from + strips.x[peak]!) / 2;
        const r = resistance.bendingAt(span, strips.x[peak]!, 'sagging');
        const z = r ? r.d - r.compressionDepth : 0.9 * o.h;
        const outstand = (o.flangeWidth - o.b) / (o.shape === 'L' ? 1 : 2);
        const force = (Math.max(0, at(middle)) / z) * (outstand / o.flangeWidth);
        return { span, x: middle, force, length, hf: o.flangeDepth };
      })
      .filter(hasLength);
  });
  if (rows.length === 0) return [];
  const of = (r: (typeof rows)[number], c = silent) =>
    flangeShear(c, { force: r.force, length: r.length, hf: r.hf, flange: 'compressed', materials: beam.materials });
  const r = rows.reduce((a, b) => (of(b).stress > of(a).stress ? b : a));
  const answer = of(r);
  const needs = formatQuantity(answer.areaPerLength, 'areaPerLength', units);
  return [
    compareCheck({
      id: 'flange-shear',
      family: 'shear',
      title: 'Shear between web and flange',
      clause: answer.clause,
      place: { x: r.x, label: `span ${r.span + 1}` },
      warnings: answer.needsSteel
        ? [`The slab needs ${needs} of bars across the beam, or half of it beside those for its own bending.`]
        : ['No bars across the flange are needed beyond those for the bending of the slab.'],
      kind: 'stress',
      compare: (c) => {
        const { stress, limit } = of(r, c);
        return { demand: stress, capacity: limit };
      },
      fails: (stress) => `The flange is too thin: ${stress} between web and flange.`,
    }),
  ];
}
