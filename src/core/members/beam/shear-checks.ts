import { derive, silent } from '../../calc/calc';
import type { ShearSection } from '../../codes/design-code';
import { formatQuantity } from '../../units/format';
import { makeCheck, type CheckDraft, type DerivableCheck } from '../../checks/check';
import type { CheckBasis } from './bending-checks';
import type { BeamAnalysis } from './analysis';
import { shearBetween, type ShearDemand, shearLimits } from './demand';
import { outlineOf, supportName, type LinkZone } from './input';
import { linksOf, sensesOf } from './resistance';
import { barOf } from '../../reinforcement/bar-groups';

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
  const section = resistance.shearSection(span, x, sensesOf(strips.maxM[i]!, strips.minM[i]!));
  return { i, span, x, force, section, zone: resistance.map.linkZoneAt(span, x) };
}

const worst = <T>(list: readonly T[], ratio: (t: T) => number): T | undefined =>
  list.length === 0 ? undefined : list.reduce((a, b) => (ratio(b) > ratio(a) ? b : a));

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
    const s = worst(half.stations, ratio);
    return s && s.force > 0 ? [strengthCheck(basis, s, half.id, half.label)] : [];
  });
  return [...strength, ...crushingCheck(basis, analysis), ...linkRules(basis, all.flat())];
}

function strengthCheck(basis: CheckBasis, s: ShearStation, id: string, label: string): DerivableCheck {
  const { code, beam, units, resistance } = basis;
  const { force: capacity } = resistance.shearAt(s.section, s.zone);
  const links = linksOf(s.zone, resistance.map);
  const exceeds = s.force > capacity;
  const needed = code.linkRequirement(silent, s.force, s.section, beam.materials);
  const reason = needed.isCrushed
    ? `Shear ${label}: ${formatQuantity(s.force, 'force', units)} is more than the section carries with any ${code.linkWord}.`
    : `Shear ${label}: ${code.linkWord} need ${formatQuantity(needed.areaPerLength, 'areaPerLength', units)}, have ${formatQuantity(links.area / links.spacing, 'areaPerLength', units)}.`;
  return makeCheck(
    {
      id,
      family: 'shear',
      title: `Shear, ${label}`,
      clause: code.shearClauses.resistance,
      demand: { value: s.force, kind: 'force' },
      capacity: { value: capacity, kind: 'force' },
      utilisation: s.force / capacity,
      place: { x: s.x, label },
      combination: governingShear(basis, s.i),
      assumptions: shearKeys(basis),
      ...(exceeds ? { reason } : {}),
    },
    () =>
      derive((c) => {
        code.shearResistance(c, s.section, links, beam.materials);
        c.note(`${code.linkWord === 'links' ? 'Links' : 'Stirrups'} needed for this force:`);
        code.linkRequirement(c, s.force, s.section, beam.materials);
      }),
  );
}

/** At the faces of supports the whole shear has to pass through the concrete. */
function crushingCheck(basis: CheckBasis, analysis: BeamAnalysis): DerivableCheck[] {
  const { strips, code, beam, resistance, units } = basis;
  const nearFaces = beam.spans.flatMap((_, span) =>
    shearBetween(strips, span, analysis.faces[span]!.right, analysis.faces[span + 1]!.left).map((d) => shearStation(basis, span, d)),
  );
  const s = worst(nearFaces, (t) => t.force / resistance.shearAt(t.section, t.zone).limit);
  if (!s || s.force <= 0) return [];
  const { limit } = resistance.shearAt(s.section, s.zone);
  return [
    makeCheck(
      {
        id: 'shear-crushing',
        family: 'shear',
        title: 'Shear, concrete section',
        clause: code.shearClauses.crushing,
        demand: { value: s.force, kind: 'force' },
        capacity: { value: limit, kind: 'force' },
        utilisation: s.force / limit,
        place: { x: s.x, label: `span ${s.span + 1}` },
        combination: governingShear(basis, s.i),
        assumptions: shearKeys(basis),
        ...(s.force > limit
          ? {
              reason: `The section is too small for ${formatQuantity(s.force, 'force', units)}: it carries ${formatQuantity(limit, 'force', units)} with any ${code.linkWord}.`,
            }
          : {}),
      },
      () => derive((c) => void code.linkRequirement(c, s.force, s.section, beam.materials)),
    ),
  ];
}

/** Least links, spacing along and across, and hold of compression bars. */
function linkRules(basis: CheckBasis, stations: readonly ShearStation[]): DerivableCheck[] {
  const { code, beam, resistance, units } = basis;
  if (stations.length === 0) return [];
  const withNeeds = stations.map((s) => ({
    s,
    need: code.linkRequirement(silent, s.force, s.section, beam.materials),
    links: linksOf(s.zone, resistance.map),
  }));
  type Row = (typeof withNeeds)[number];
  const make = (
    id: string,
    title: string,
    clause: string,
    ratio: (r: Row) => number,
    figures: (r: Row) => Pick<CheckDraft, 'demand' | 'capacity'>,
    words: (r: Row) => string,
  ): DerivableCheck => {
    const row = worst(withNeeds, ratio)!;
    const utilisation = ratio(row);
    return makeCheck(
      {
        id,
        family: 'detailing',
        title,
        clause,
        ...figures(row),
        utilisation,
        place: { x: row.s.x, label: `span ${row.s.span + 1}` },
        ...(utilisation > 1 + 1e-9 ? { reason: words(row) } : {}),
      },
      () => derive((c) => void code.linkRequirement(c, row.s.force, row.s.section, beam.materials)),
    );
  };
  const length = (v: number) => formatQuantity(v, 'length', units);
  const word = code.linkWord;
  return [
    make(
      'least-links',
      `Least ${word}`,
      code.shearClauses.minimum,
      (r) => r.need.minimum / (r.links.area / r.links.spacing),
      (r) => ({
        demand: { value: r.need.minimum, kind: 'areaPerLength' },
        capacity: { value: r.links.area / r.links.spacing, kind: 'areaPerLength' },
      }),
      (r) =>
        `${word} in span ${r.s.span + 1} need at least ${formatQuantity(r.need.minimum, 'areaPerLength', units)}, have ${formatQuantity(r.links.area / r.links.spacing, 'areaPerLength', units)}.`,
    ),
    make(
      'link-spacing',
      `Spacing of ${word}`,
      code.shearClauses.along,
      (r) => r.links.spacing / r.need.maxAlong,
      (r) => ({ demand: { value: r.links.spacing, kind: 'length' }, capacity: { value: r.need.maxAlong, kind: 'length' } }),
      (r) => `${word} in span ${r.s.span + 1} stand ${length(r.links.spacing)} apart, at most ${length(r.need.maxAlong)} allowed.`,
    ),
    make(
      'leg-spacing',
      'Legs across',
      code.shearClauses.across,
      (r) => legDistance(basis, r.s) / r.need.maxAcross,
      (r) => ({ demand: { value: legDistance(basis, r.s), kind: 'length' }, capacity: { value: r.need.maxAcross, kind: 'length' } }),
      (r) =>
        `Legs in span ${r.s.span + 1} stand ${length(legDistance(basis, r.s))} apart across, at most ${length(r.need.maxAcross)} allowed: more legs.`,
    ),
  ];
}

/** Distance between legs across the section (mm). */
function legDistance({ beam, resistance }: CheckBasis, s: ShearStation): number {
  const { diameter } = barOf({ count: 1, size: s.zone.size }, resistance.map.catalogue);
  return (outlineOf(beam, s.span).b - 2 * beam.cover.side - diameter) / (s.zone.legs - 1);
}
