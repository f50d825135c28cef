import { silent } from '../../calc/calc';
import type { DerivableCheck } from '../../checks/check';
import { compareCheck } from '../../checks/compare';
import { largestOf } from '../../checks/largest';
import { widthAt } from '../../geometry/beam-outline';
import { barOf } from '../../reinforcement/bar-groups';
import type { CheckBasis } from './bending-checks';
import { systemOf } from './fire';
import { outlineOf } from './prepared';

/** The form of a beam as a whole: held sideways only here and there, and tied into the edge of the building. */
export const formChecks = (basis: CheckBasis): DerivableCheck[] => [...lateralChecks(basis), ...integrityChecks(basis)];

/** Spans whose compressed face is held at a distance, against the furthest that the code allows. The narrower face counts: either may be compressed. */
function lateralChecks({ beam, code }: CheckBasis): DerivableCheck[] {
  const { lateralHold: apart } = beam;
  if (apart === null) return [];
  const rows = beam.spans.map((span, i) => {
    const outline = outlineOf(beam, i);
    const isCantilever = systemOf(beam, i) === 'cantilever';
    const q = { b: Math.min(widthAt('top', outline), widthAt('bottom', outline)), h: outline.h, isCantilever };
    // A hold that is further away than the span is long does not reach it.
    return { i, q, apart: Math.min(apart, span.length), limit: code.beamForm.lateral(silent, q) };
  });
  const w = largestOf(rows, (r) => r.apart / r.limit.value)!;
  const place = { x: null, label: `span ${w.i + 1}` };
  const { mostAspect } = code.beamForm;
  const thin = largestOf(rows, (r) => r.q.h / r.q.b)!;
  return [
    compareCheck({
      id: 'lateral',
      family: 'detailing',
      title: 'Held sideways',
      clause: w.limit.clause,
      place,
      kind: 'length',
      compare: (c) => ({
        demand: w.apart,
        demandIs: ['distance of the places that hold it', 'as typed, at most the span'],
        capacity: code.beamForm.lateral(c, w.q).value,
      }),
      fails: (has, most) => `Held sideways every ${has}; at most ${most} is allowed for its width: hold it nearer, or a wider beam.`,
    }),
    ...(mostAspect
      ? [
          compareCheck({
            id: 'lateral-aspect',
            family: 'detailing',
            title: 'Depth over width, held sideways',
            clause: mostAspect.clause,
            place: { x: null, label: `span ${thin.i + 1}` },
            kind: 'ratio',
            compare: () => ({
              demand: thin.q.h / thin.q.b,
              demandIs: ['depth over width', 'of the compressed face, as typed'],
              capacity: mostAspect.value,
              capacityIs: ['most without a look at second order sideways', 'as the code has it'],
            }),
            fails: (has, most) =>
              `${has} times as deep as wide; beyond ${most} it would have to be followed sideways, which is not done here.`,
          }),
        ]
      : []),
  ];
}

/** Bars that run through a beam along the edge of a building, against parts of its steel. */
function integrityChecks({ beam, code, resistance, strips }: CheckBasis): DerivableCheck[] {
  const rules = code.beamForm.integrity;
  if (!beam.isPerimeter || !rules) return [];
  const { steel, catalogue } = resistance.map;
  const faces = [
    { face: 'bottom', rule: rules.bottom, groups: steel.bottom, along: strips.providedBottom, of: 'the most bottom steel in the span' },
    { face: 'top', rule: rules.top, groups: steel.top, along: strips.requiredTop, of: 'the top steel that its supports need' },
  ] as const;
  return faces.map(({ face, rule, groups, along, of }) => {
    const rows = beam.spans.map((_, i) => {
      const { main } = groups[i]!;
      const most = Math.max(0, ...[...strips.x.keys()].filter((k) => strips.span[k] === i).map((k) => along[k]!));
      const bar = barOf(main, catalogue);
      return { i, has: main.count * bar.area, needed: Math.max(rule.value * most, rules.bars * bar.area) };
    });
    const w = largestOf(rows, (r) => r.needed / r.has)!;
    return compareCheck({
      id: `integrity-${face}`,
      family: 'detailing',
      title: `Bars that run through, ${face}`,
      clause: rule.clause,
      place: { x: null, label: `span ${w.i + 1}` },
      kind: 'area',
      compare: () => ({
        demand: w.needed,
        demandIs: [`1/${Math.round(1 / rule.value)} of ${of}`, `and at least ${rules.bars} bars`],
        capacity: w.has,
        capacityIs: [`${face} bars that run through`, 'as they are laid out'],
      }),
      fails: (needed, has) => `${face} bars along the edge of the building: ${needed} have to run through, ${has} do.`,
    });
  });
}
