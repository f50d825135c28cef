import { largestOf } from '../../../checks/largest';
import { silent, type Calc } from '../../../calc/calc';
import { barOf } from '../../../reinforcement/bar-groups';
import type { DerivableCheck } from '../../../checks/check';
import { compareCheck } from '../../../checks/compare';
import { barDistance } from '../torsion';
import { groupsOf, type CrackPlace } from './crack-places';
import type { ServiceBasis } from './service-basis';
import { tensionFace } from '../sense';
import { outlineOf, pulledWeb } from '../prepared';

/** Minimum reinforcement for the first cracks where the moment of each region is largest, as for the least steel against brittle failure: the worst. */
export function leastCrackSteelCheck(basis: ServiceBasis, places: readonly CrackPlace[]): DerivableCheck[] {
  const { beam, code } = basis;
  if (!code.service.leastCrackSteel || places.length === 0) return [];
  const least = (p: CrackPlace, c: Calc = silent) => {
    const { h, d, diameter } = p.cut.question;
    const width = beam.service.crackWidth;
    return code.service.leastCrackSteel!(c, { materials: beam.materials, h, d, diameter, width, ...pulledWeb(beam, p.span, p.sense) });
  };
  const has = (p: CrackPlace) => p.cut.question.strip(p.cut.question.h / 2).steel;
  const peaks = groupsOf(basis, places).map((g) => largestOf(g.places, (q) => q.moment)!);
  const p = largestOf(peaks, (q) => least(q).value / has(q))!;
  return [
    compareCheck({
      id: 'least-crack-steel',
      family: 'crack',
      title: 'Minimum reinforcement for crack control',
      clause: least(p).clause,
      place: { x: p.x, label: `${tensionFace(p.sense)}, span ${p.span + 1}` },
      assumptions: code.choices.filter((c) => c.key === 'crackSteelStress').map((c) => c.key),
      kind: 'area',
      compare: (c) => ({
        demand: least(p, c).value,
        capacity: has(p),
        capacityIs: ['area of the bars in the pulled half', 'of the bars as they are laid out'],
      }),
      fails: (need, is) => `${tensionFace(p.sense)} of span ${p.span + 1}: ${need} for the first cracks, has ${is}: more or thinner bars.`,
    }),
  ];
}

/** Bars along the sides of deep beams, against cracks between the main bars and the neutral axis. */
export function skinCheck(basis: ServiceBasis, places: readonly CrackPlace[]): DerivableCheck[] {
  const { beam, code, stiffness } = basis;
  const side = stiffness.map.side ?? { count: 0, size: '' };
  const barArea = side.count > 0 ? barOf(side, stiffness.map.catalogue).area : 0;
  const ask = (p: CrackPlace, c: Calc = silent) => {
    const outline = outlineOf(beam, p.span);
    const cover = beam.cover.side + stiffness.map.linkDiameter(p.span);
    return code.service.skin(c, {
      materials: beam.materials,
      h: outline.h,
      tensionArea: pulledWeb(beam, p.span, p.sense).tensionArea,
      steelStress: p.cut.steel,
      width: beam.service.crackWidth,
      cover,
    });
  };
  const rows = places.flatMap((p) => {
    const rule = ask(p);
    if (!rule) return [];
    const { h } = outlineOf(beam, p.span);
    const distance = barDistance(beam, p.span, side.count);
    // The bars stand evenly up the sides: those below the neutral axis count.
    const area = 2 * side.count * barArea * (1 - p.cut.state.x / h);
    return [
      { p, rule, distance, utilisation: Math.max(distance / rule.spacing, area > 0 ? rule.area / area : rule.area > 0 ? Infinity : 0) },
    ];
  });
  if (rows.length === 0) return [];
  const { p, rule, distance, utilisation } = largestOf(rows, (r) => r.utilisation)!;
  return [
    compareCheck({
      id: 'side-bars',
      family: 'crack',
      title: 'Bars along the sides',
      clause: rule.clause,
      place: { x: p.x, label: `span ${p.span + 1}` },
      combination: p.name,
      kind: 'length',
      compare: (c) => ({
        demand: distance,
        demandIs: ['distance of the bars up the sides', 'as they are laid out'],
        capacity: ask(p, c)!.spacing,
        capacityIs: ['largest distance', 'by the rule above'],
        utilisation,
      }),
      fails: (_is, most, show) =>
        `Sides of span ${p.span + 1}: bars at most ${most} apart${rule.area > 0 ? `, ${show(rule.area, 'area')} on both sides in the pulled part` : ''}.`,
    }),
  ];
}
