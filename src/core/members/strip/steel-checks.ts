import { largestOf } from '../../checks/largest';
import { silent, type Calc } from '../../calc/calc';
import type { SlabPlace } from '../../codes/slab-rules';
import { layerOf } from '../../reinforcement/slab-bars';
import { compareCheck } from '../../checks/compare';
import type { DerivableCheck } from '../../checks/check';
import type { Region } from '../beam/bending-checks';
import type { StripBasis } from './basis';
import { acrossNeeds } from './choose-steel';
import { tensionFace } from '../beam/sense';
import { outlineOf, plainOf } from '../beam/prepared';

const momentOf = ({ strips }: StripBasis, region: Region, i: number) => (region.sense === 'sagging' ? strips.maxM[i]! : -strips.minM[i]!);

/** The place of each region with its largest moment; none where there is no moment of that sense. */
function peaks(basis: StripBasis) {
  return basis.regions.flatMap((region) => {
    const i = region.stations.reduce((a, b) => (momentOf(basis, region, b) > momentOf(basis, region, a) ? b : a), region.stations[0] ?? 0);
    return region.stations.length > 0 && momentOf(basis, region, i) > 0 ? [{ region, i, span: basis.strips.span[i]! }] : [];
  });
}

const faceName = (region: Region) => (tensionFace(region.sense) === 'top' ? 'Top' : 'Bottom');

/** Minimum reinforcement along the span where the moment of each region is largest: the worst of all. */
export function leastSteelCheck(basis: StripBasis): DerivableCheck[] {
  const { beam, code, strips, resistance } = basis;
  const found = peaks(basis).map(({ region, i, span }) => {
    const { area, d } = resistance.tensionSteel(span, strips.x[i]!, region.sense);
    const section = plainOf(beam, span, region.sense);
    const least = code.slab.leastSteel(silent, section, d, beam.materials);
    return { region, x: strips.x[i]!, area, d, section, least, ratio: area > 0 ? least / area : Infinity };
  });
  const w = largestOf(found, (f) => f.ratio);
  if (!w) return [];
  return [
    compareCheck({
      id: 'minimum-steel',
      family: 'detailing',
      title: 'Minimum reinforcement',
      clause: code.slab.clauses.least,
      place: { x: w.x, label: w.region.label },
      kind: 'area',
      compare: (c) => ({
        demand: code.slab.leastSteel(c, w.section, w.d, beam.materials),
        capacity: w.area,
        capacityIs: ['steel there', 'of the bars as they are laid out'],
      }),
      fails: (least, has) => `${faceName(w.region)} bars at ${w.region.label}: at least ${least}, has ${has}.`,
    }),
  ];
}

/** Largest spacing of the bars along the span, where moments are largest and elsewhere: the worst of all. */
export function mostSpacingCheck(basis: StripBasis): DerivableCheck[] {
  const { beam, code, strips, resistance } = basis;
  const at = (i: number, span: number, face: 'top' | 'bottom', place: SlabPlace, label: string) => {
    const { spacing } = resistance.map.placement(resistance.map.barsAt(face, span, strips.x[i]!));
    const run = (c: Calc) => code.slab.spacing(outlineOf(beam, span).h, place, c);
    const most = run(silent);
    return spacing === undefined ? [] : [{ spacing, most, run, label, x: strips.x[i]!, ratio: spacing / most.value }];
  };
  const seen = new Set<number>();
  const found = [
    ...peaks(basis).flatMap(({ region, i, span }) => at(i, span, tensionFace(region.sense), 'peak', region.label)),
    ...[...strips.x.keys()].flatMap((i) => {
      const span = strips.span[i]!;
      return (['bottom', 'top'] as const).flatMap((face) => {
        const { key } = resistance.map.barsAt(face, span, strips.x[i]!);
        if (seen.has(key)) return [];
        seen.add(key);
        return at(i, span, face, 'elsewhere', `${face}, span ${span + 1}`);
      });
    }),
  ];
  const w = largestOf(found, (f) => f.ratio);
  if (!w) return [];
  return [
    compareCheck({
      id: 'most-spacing',
      family: 'detailing',
      title: 'Largest spacing along the span',
      clause: w.most.clause,
      place: { x: w.x, label: w.label },
      kind: 'length',
      compare: (c) => ({
        demand: w.spacing ?? Infinity,
        demandIs: ['spacing of the bars', 'of the layer there, as typed or chosen'],
        capacity: w.run(c).value,
      }),
      fails: (is, most) => `Bars at ${w.label} stand ${is} apart, at most ${most}.`,
    }),
  ];
}

/** Bars across the span: their area and their spacing. */
export function acrossChecks(basis: StripBasis): DerivableCheck[] {
  const { strip, beam, code, resistance } = basis;
  const { steel } = resistance.map;
  const { bottom } = steel.across;
  const has = layerOf(bottom, strip.catalogue).area * beam.section.b;
  const needs = acrossNeeds(strip, beam, code, steel);
  const span = needs.reduce((best, n, i) => (n.need > needs[best]!.need ? i : best), 0);
  const { main, gross } = needs[span]!;
  const { h } = outlineOf(beam, span);
  const most = code.slab.acrossSpacing(h, 'peak');
  const place = { x: null, label: 'across the span, bottom' };
  return [
    compareCheck({
      id: 'across-steel',
      family: 'detailing',
      title: 'Steel across the span',
      clause: code.slab.clauses.across,
      place,
      kind: 'area',
      compare: (c) => ({
        demand: code.slab.leastAcross(c, main, gross),
        capacity: has,
        capacityIs: ['steel across', 'of the layer below, as typed or chosen'],
      }),
      fails: (least, is) => `Bars across: at least ${least}, has ${is}.`,
    }),
    compareCheck({
      id: 'across-spacing',
      family: 'detailing',
      title: 'Largest spacing across the span',
      clause: most.clause,
      place,
      kind: 'length',
      compare: (c) => ({
        demand: bottom.spacing,
        demandIs: ['spacing of the bars across', 'of the layer below, as typed or chosen'],
        capacity: code.slab.acrossSpacing(h, 'peak', c).value,
      }),
      fails: (is, allowed) => `Bars across stand ${is} apart, at most ${allowed}.`,
    }),
  ];
}
