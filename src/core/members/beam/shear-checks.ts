import { largestOf } from '../../checks/largest';
import { silent } from '../../calc/calc';
import type { ShearSection } from '../../codes/design-code';
import type { QuantityKind } from '../../units/quantity';
import { compareCheck, type Compared, type Comparison } from '../../checks/compare';
import type { DerivableCheck } from '../../checks/check';
import type { CheckBasis } from './bending-checks';
import type { BeamAnalysis } from './analysis';
import { shearBetween, type ShearDemand, shearLimits } from './demand';
import { supportName, type LinkZone } from './input';
import { linksOf } from './resistance';
import { barOf } from '../../reinforcement/bar-groups';
import { outlineOf } from './prepared';

interface ShearStation {
  readonly i: number;
  readonly span: number;
  readonly x: number;
  readonly force: number;
  readonly section: ShearSection;
  readonly zone: LinkZone;
}

/** The stations of a span where links are checked, with what stands there. */
function stationsOf(basis: CheckBasis, analysis: BeamAnalysis, span: number): ShearStation[] {
  const { beam, code, strips, resistance } = basis;
  const limits = shearLimits(beam, code, analysis, span, (x) => resistance.shearSection(span, x, ['sagging', 'hogging']).d);
  return shearBetween(strips, span, limits.from, limits.to).map((d) => shearStation(basis, span, d));
}

function shearStation({ strips, resistance }: CheckBasis, span: number, { x, force, station: i }: ShearDemand): ShearStation {
  const section = resistance.shearUnder(span, x, { max: strips.maxM[i]!, min: strips.minM[i]! }, force);
  return { i, span, x, force, section, zone: resistance.map.linkZoneAt(span, x) };
}

function governingShear(basis: CheckBasis, i: number): string {
  const { strips } = basis;
  return basis.combinationAt(Math.abs(strips.maxV[i]!) >= Math.abs(strips.minV[i]!) ? strips.maxVBy : strips.minVBy, i);
}

const shearKeys = (basis: CheckBasis) => basis.code.choices.filter((c) => c.topic === 'shear').map((c) => c.key);

/** Shear with links in both halves of every span, and what the concrete section itself can carry. */
export function shearChecks(basis: CheckBasis, analysis: BeamAnalysis): DerivableCheck[] {
  const { beam } = basis;
  const all = beam.spans.map((_, span) => stationsOf(basis, analysis, span));
  const halves = all.flatMap((stations, span) => {
    const middle = (analysis.faces[span]!.centre + analysis.faces[span + 1]!.centre) / 2;
    return [
      {
        label: `right of ${supportName(span)}`,
        id: `shear-right-of-${supportName(span)}`,
        stations: stations.filter((s) => s.x <= middle),
        support: span,
      },
      {
        label: `left of ${supportName(span + 1)}`,
        id: `shear-left-of-${supportName(span + 1)}`,
        stations: stations.filter((s) => s.x > middle),
        support: span + 1,
      },
    ].filter((half) => beam.supports[half.support]!.type !== 'free');
  });
  const strength = halves.flatMap((half) => {
    const ratio = (s: ShearStation) => s.force / basis.resistance.shearAt(s.section, s.zone).force;
    const s = largestOf(half.stations, ratio);
    return s && s.force > 0 ? [strengthCheck(basis, s, half.id, half.label)] : [];
  });
  return [...strength, ...crushingCheck(basis, analysis), ...linkRules(basis, all.flat())];
}

function strengthCheck(basis: CheckBasis, s: ShearStation, id: string, label: string): DerivableCheck {
  const { code, beam, resistance } = basis;
  const links = linksOf(s.zone, resistance.map);
  const needed = code.linkRequirement(silent, s.force, s.section, beam.materials);
  return compareCheck({
    id,
    family: 'shear',
    title: `Shear, ${label}`,
    clause: code.shearClauses.resistance,
    place: { x: s.x, label },
    combination: governingShear(basis, s.i),
    assumptions: shearKeys(basis),
    kind: 'force',
    compare: (c) => {
      const { force: capacity } = code.shearResistance(c, s.section, links, beam.materials);
      if (c.recording) {
        c.note(`${code.linkWord === 'links' ? 'Links' : 'Stirrups'} needed for this force:`);
        code.linkRequirement(c, s.force, s.section, beam.materials);
      }
      return { demand: s.force, demandIs: ['shear', 'from the analysis'], capacity };
    },
    fails: (force, _most, show) =>
      needed.isCrushed
        ? `Shear ${label}: ${force} is more than the section carries with any ${code.linkWord}.`
        : `Shear ${label}: ${code.linkWord} need ${show(needed.areaPerLength, 'areaPerLength')}, have ${show(links.area / links.spacing, 'areaPerLength')}.`,
  });
}

/** At the faces of supports the whole shear has to pass through the concrete. */
function crushingCheck(basis: CheckBasis, analysis: BeamAnalysis): DerivableCheck[] {
  const { strips, code, beam, resistance } = basis;
  const nearFaces = beam.spans.flatMap((_, span) =>
    shearBetween(strips, span, analysis.faces[span]!.right, analysis.faces[span + 1]!.left).map((d) => shearStation(basis, span, d)),
  );
  const s = largestOf(nearFaces, (t) => t.force / resistance.shearAt(t.section, t.zone).limit);
  if (!s || s.force <= 0) return [];
  return [
    compareCheck({
      id: 'shear-crushing',
      family: 'shear',
      title: 'Shear, concrete section',
      clause: code.shearClauses.crushing,
      place: { x: s.x, label: `span ${s.span + 1}` },
      combination: governingShear(basis, s.i),
      assumptions: shearKeys(basis),
      kind: 'force',
      compare: (c) => ({
        demand: s.force,
        demandIs: ['shear near the face', 'from the analysis'],
        capacity: code.shearResistance(c, s.section, linksOf(s.zone, resistance.map), beam.materials).limit,
        capacityIs: ['most that the section carries', 'limit of the resistance above'],
      }),
      fails: (force, most) => `The section is too small for ${force}: it carries ${most} with any ${code.linkWord}.`,
    }),
  ];
}

/** Least links, spacing along and across, and hold of compression bars. */
function linkRules(basis: CheckBasis, stations: readonly ShearStation[]): DerivableCheck[] {
  const { code, beam, resistance } = basis;
  if (stations.length === 0) return [];
  const withNeeds = stations.map((s) => ({
    s,
    need: code.linkRequirement(silent, s.force, s.section, beam.materials),
    links: linksOf(s.zone, resistance.map),
  }));
  type Row = (typeof withNeeds)[number];
  type Need = Row['need'];
  const make = (
    id: string,
    title: string,
    clause: string,
    kind: QuantityKind,
    compare: (r: Row, need: Need) => Compared,
    fails: (r: Row) => Comparison['fails'],
  ): DerivableCheck => {
    const row = largestOf(withNeeds, (r) => {
      const { demand, capacity } = compare(r, r.need);
      return demand / capacity;
    })!;
    return compareCheck({
      id,
      family: 'detailing',
      title,
      clause,
      place: { x: row.s.x, label: `span ${row.s.span + 1}` },
      kind,
      compare: (c) => compare(row, code.linkRequirement(c, row.s.force, row.s.section, beam.materials)),
      fails: fails(row),
    });
  };
  const word = code.linkWord;
  const inZone = 'of the zone there, as typed or chosen';
  const limit = 'as the code asks for this shear and depth';
  return [
    make(
      'least-links',
      `Minimum ${word}`,
      code.shearClauses.minimum,
      'areaPerLength',
      (r, need) => ({ demand: need.minimum, capacity: r.links.area / r.links.spacing, capacityIs: [`area of ${word} per length`, inZone] }),
      (r) => (need, has) => `${word} in span ${r.s.span + 1} need at least ${need}, have ${has}.`,
    ),
    make(
      'link-spacing',
      `Spacing of ${word}`,
      code.shearClauses.along,
      'length',
      (r, need) => ({
        demand: r.links.spacing,
        demandIs: [`spacing of ${word}`, inZone],
        capacity: need.maxAlong,
        capacityIs: ['largest spacing along', limit],
      }),
      (r) => (has, most) => `${word} in span ${r.s.span + 1} stand ${has} apart, at most ${most} allowed.`,
    ),
    make(
      'leg-spacing',
      'Legs across',
      code.shearClauses.across,
      'length',
      (r, need) => ({
        demand: legDistance(basis, r.s),
        demandIs: ['distance of legs across', 'between the covers, as many legs as the zone has'],
        capacity: need.maxAcross,
        capacityIs: ['largest distance across', limit],
      }),
      (r) => (has, most) => `Legs in span ${r.s.span + 1} stand ${has} apart across, at most ${most} allowed: more legs.`,
    ),
  ];
}

/** Distance between legs across the section (mm). */
function legDistance({ beam, resistance }: CheckBasis, s: ShearStation): number {
  const { diameter } = barOf({ count: 1, size: s.zone.size }, resistance.map.catalogue);
  return (outlineOf(beam, s.span).b - 2 * beam.cover.side - diameter) / (s.zone.legs - 1);
}
