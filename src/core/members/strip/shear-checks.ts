import { largestOf } from '../../checks/largest';
import { compareCheck } from '../../checks/compare';
import { silent } from '../../calc/calc';
import type { DerivableCheck } from '../../checks/check';
import { shearBetween, shearLimits } from '../beam/demand';
import { supportName } from '../beam/input';
import { stationNear, type StripBasis } from './basis';

/** Shear without links on both sides of every support, and the struts at its faces. */
export function stripShearChecks(basis: StripBasis): DerivableCheck[] {
  const { beam } = basis;
  return beam.spans.flatMap((_, span) => [
    ...(beam.supports[span]!.type === 'free' ? [] : sideChecks(basis, span, 'right')),
    ...(beam.supports[span + 1]!.type === 'free' ? [] : sideChecks(basis, span, 'left')),
  ]);
}

function sideChecks(basis: StripBasis, span: number, side: 'left' | 'right'): DerivableCheck[] {
  const { beam, code, strips, resistance, analysis } = basis;
  const support = side === 'right' ? span : span + 1;
  const label = `${side} of ${supportName(support)}`;
  const limits = shearLimits(beam, code, analysis, span, (x) => resistance.shearSection(span, x, ['sagging', 'hogging']).d);
  const middle = (analysis.faces[span]!.centre + analysis.faces[span + 1]!.centre) / 2;
  const isCantilever = beam.supports[span]!.type === 'free' || beam.supports[span + 1]!.type === 'free';
  const places = shearBetween(strips, span, limits.from, limits.to)
    .filter((p) => isCantilever || (side === 'right' ? p.x <= middle : p.x > middle))
    .map((p) => {
      const section = resistance.shearUnder(span, p.x, { max: strips.maxM[p.station]!, min: strips.minM[p.station]! }, p.force);
      return { ...p, section, capacity: resistance.shearAt(section, null).force };
    });
  if (places.length === 0) return [];
  const worst = largestOf(places, (p) => p.force / p.capacity)!;
  const by = Math.abs(strips.maxV[worst.station]!) >= Math.abs(strips.minV[worst.station]!) ? strips.maxVBy : strips.minVBy;
  const strength = compareCheck({
    id: `shear-${side}-of-${supportName(support)}`,
    family: 'shear',
    title: `Shear without ${code.linkWord}, ${label}`,
    clause: code.slab.clauses.shear,
    place: { x: worst.x, label },
    combination: basis.combinationAt(by, worst.station),
    assumptions: code.choices.filter((c) => c.key === 'shearPlace').map((c) => c.key),
    kind: 'force',
    compare: (c) => {
      c.note('A strip without links. Of the bars in tension those count that run on beyond the section by d and their anchorage length.');
      return {
        demand: worst.force,
        demandIs: ['shear', 'from the analysis'],
        capacity: code.slab.plainShear(c, worst.section, beam.materials).force,
      };
    },
    fails: (force, most) =>
      `Shear ${label}: ${force} against ${most} without ${code.linkWord}: a deeper slab, or more bars that run on there.`,
  });
  return [strength, ...strutCheck(basis, span, side, label)];
}

/** At the face of a support the whole shear has to pass through the struts, where the code limits it. */
function strutCheck(basis: StripBasis, span: number, side: 'left' | 'right', label: string): DerivableCheck[] {
  const { beam, code, strips, resistance, analysis } = basis;
  const support = side === 'right' ? span : span + 1;
  const x = side === 'right' ? analysis.faces[support]!.right : analysis.faces[support]!.left;
  const i = stationNear(basis, span, x);
  const force = Math.max(Math.abs(strips.maxV[i]!), Math.abs(strips.minV[i]!));
  const section = resistance.shearUnder(span, x, { max: strips.maxM[i]!, min: strips.minM[i]! }, force);
  const { limit } = code.slab.plainShear(silent, section, beam.materials);
  // Far below its limit the check says nothing of use.
  if (!Number.isFinite(limit) || force < 0.5 * limit) return [];
  return [
    compareCheck({
      id: `struts-${side}-of-${supportName(support)}`,
      family: 'shear',
      title: `Strut crushing, ${label}`,
      clause: code.slab.clauses.crushing,
      place: { x, label },
      kind: 'force',
      compare: (c) => ({
        demand: force,
        demandIs: ['shear at the face', 'from the analysis'],
        capacity: code.slab.plainShear(c, section, beam.materials).limit,
        capacityIs: ['most that the struts carry', 'limit of the resistance above'],
      }),
      fails: (is, most) => `Shear ${label}: ${is} is more than the struts carry, ${most}: a deeper slab.`,
    }),
  ];
}
