import { CalcError, derive, silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { catalogues } from '../../materials/bars';
import { barOf, type BarGroup } from '../../reinforcement/bar-groups';
import { usualSizes } from '../../reinforcement/usual-sizes';
import { formatQuantity } from '../../units/format';
import { finishChecks, governing, guarded, makeCheck, topicsNotCovered, type DerivableCheck, type DesignOptions } from '../check';
import { chooseBars } from './choose-bars';
import { chooseLinks } from './choose-links';
import type { BeamInput, GivenForces } from './input';
import { linksOf, ResistanceMap } from './resistance';
import { emptyBeamResult, type BeamResult } from './result';
import { plainSection, sectionAt, tensionFace, type Sense } from './section-at';
import { SteelMap, type BeamSteel } from './steel';
import { outlineOf } from './input';
import { shareOut, sideBars, torsionQuestion } from './torsion';

const senseOf = (f: GivenForces): Sense => (f.moment >= 0 ? 'sagging' : 'hogging');

/** A section checked for design forces that are known: each row of forces gives a check in bending and one in shear. */
export function designForces(beam: BeamInput, code: DesignCode, options: DesignOptions): BeamResult {
  const steel = sectionSteel(beam, code);
  const resistance = new ResistanceMap(beam, code, new SteelMap(beam, steel, code, () => 1));
  const rows = beam.forces.flatMap((f, i) => [
    ...bendingRow(beam, code, resistance, f, i, options),
    ...shearRow(beam, code, resistance, f, i, options),
    ...torsionRow(beam, code, resistance, f, i, options),
  ]);
  const checks = finishChecks([...rows, ...sectionRules(beam, code, resistance, options), ...topicsNotCovered(code.notCovered)], options);
  return { ...emptyBeamResult([]), steel, checks, governing: governing(checks) ?? null };
}

/** Bars of the one section: as set, or the fewest that carry the worst of the forces. */
function sectionSteel(beam: BeamInput, code: DesignCode, extra = 0): BeamSteel {
  const usual = usualSizes[beam.catalogue];
  const catalogue = catalogues[beam.catalogue];
  const linkSize = beam.barRules.linkSizes[0] ?? usual.links[0]!;
  const linkDiameter = barOf({ count: 1, size: linkSize }, catalogue).diameter;
  const worst = (sense: Sense) => Math.max(0, ...beam.forces.map((f) => (sense === 'sagging' ? f.moment : -f.moment)));
  const pick = (sense: Sense) => chooseBars(beam, code, [{ span: 0, sense, moment: worst(sense), delta: 1, extra }], linkDiameter)[0]!;
  const bottomChoice = pick('sagging');
  const topChoice = pick('hogging');
  const atLeast = (own: BarGroup, compression: number): BarGroup => {
    const area = barOf(own, catalogue).area;
    return { ...own, count: Math.max(own.count, Math.ceil(compression / area)) };
  };
  const bottom = beam.bars.bottom[0]?.main ?? atLeast(bottomChoice.bars, topChoice.compression);
  const top = beam.bars.top[0]?.main ?? atLeast(topChoice.bars, bottomChoice.compression);
  const length = beam.spans[0]!.length;
  const draft: BeamSteel = {
    bottom: [{ main: bottom, extra: null }],
    top: [{ main: top }],
    support: [null, null],
    links: [[{ to: length, size: linkSize, legs: 2, spacing: 150 }]],
  };
  const own = beam.bars.links[0]?.zones;
  if (own) return { ...draft, links: [own] };
  const resistance = new ResistanceMap(beam, code, new SteelMap(beam, draft, code, () => 1));
  const places = beam.forces.map((f) => ({
    at: length / 2,
    force: Math.abs(f.shear),
    section: resistance.shearSection(0, 0, [senseOf(f)]),
    torque: Math.abs(f.torsion ?? 0),
  }));
  const links = [chooseLinks(beam, code, 0, places, null)];
  const side = beam.bars.side ?? sideFor(beam, code, { ...draft, links });
  const torsion = extra > 0 ? 0 : faceShare(beam, code, { ...draft, links, side });
  // Torsion needs bars in both faces: they are known once the links are.
  return torsion > 0 ? sectionSteel(beam, code, torsion) : { ...draft, links, side };
}

/** Most steel that torsion needs in a face (mm2). */
function faceShare(beam: BeamInput, code: DesignCode, steel: BeamSteel): number {
  const resistance = new ResistanceMap(beam, code, new SteelMap(beam, steel, code, () => 1));
  const twisted = beam.forces.filter((f) => (f.torsion ?? 0) !== 0);
  return Math.max(
    0,
    ...twisted.map((f) => shareOut(beam, 0, code.torsion.check(silent, torsionOf(beam, resistance, f)), steel.side?.count ?? 0).face),
  );
}

/** Side bars that the torques among the forces need. */
function sideFor(beam: BeamInput, code: DesignCode, steel: BeamSteel): BarGroup | null {
  const resistance = new ResistanceMap(beam, code, new SteelMap(beam, steel, code, () => 1));
  const twisted = beam.forces.filter((f) => (f.torsion ?? 0) !== 0);
  return sideBars(
    beam,
    twisted.map((f) => ({ span: 0, answer: code.torsion.check(silent, torsionOf(beam, resistance, f)) })),
  );
}

function torsionOf(beam: BeamInput, resistance: ResistanceMap, f: GivenForces) {
  const section = resistance.shearSection(0, 0, [senseOf(f)]);
  const links = linksOf(resistance.map.linkZoneAt(0, 0), resistance.map);
  return torsionQuestion(beam, 0, section, links, Math.abs(f.torsion ?? 0), Math.abs(f.shear));
}

/** Torsion with the shear of its row: concrete, links, and all longitudinal bars together with those for bending. */
function torsionRow(
  beam: BeamInput,
  code: DesignCode,
  resistance: ResistanceMap,
  f: GivenForces,
  i: number,
  options: DesignOptions,
): DerivableCheck[] {
  const T = Math.abs(f.torsion ?? 0);
  if (T === 0) return [];
  const label = f.place || `row ${i + 1}`;
  const question = torsionOf(beam, resistance, f);
  const answer = code.torsion.check(silent, question);
  const { side } = resistance.map.steel;
  const sense = senseOf(f);
  const bending = resistance.bendingAt(0, 0, sense)?.moment ?? 0;
  const { area } = resistance.tensionSteel(0, 0, sense);
  const face = shareOut(beam, 0, answer, side?.count ?? 0).face;
  // The face in bending adds its share to what bending uses of its bars.
  const bars = answer.design === 0 || bending === 0 ? 0 : Math.abs(f.moment) / bending + face / area;
  const make = (id: string, title: string, clause: string, utilisation: number, words: string) =>
    makeCheck(
      {
        id: `torsion-${id}-${i + 1}`,
        family: 'torsion',
        title: `${title}, ${label}`,
        clause,
        demand: { value: T, kind: 'moment' },
        capacity: utilisation > 0 ? { value: T / utilisation, kind: 'moment' } : null,
        utilisation,
        place: { x: null, label },
        combination: f.combination,
        assumptions: code.choices.filter((c) => c.topic === 'shear' || c.topic === 'torsion').map((c) => c.key),
        ...(utilisation > 1 ? { reason: `${words} at ${label} for a torque of ${formatQuantity(T, 'moment', options.units)}.` } : {}),
      },
      () => derive((c) => void code.torsion.check(c, question)),
    );
  const { clauses } = code.torsion;
  return [
    make('concrete', 'Torsion and shear, concrete', clauses.concrete, answer.concrete, 'The section is too small'),
    make('links', `Torsion and shear, ${code.linkWord}`, clauses.links, answer.links, `More ${code.linkWord} are needed`),
    make('bars', 'Bars for bending and torsion', clauses.longitudinal, bars, 'More bars are needed'),
  ];
}

function bendingRow(
  beam: BeamInput,
  code: DesignCode,
  resistance: ResistanceMap,
  f: GivenForces,
  i: number,
  options: DesignOptions,
): DerivableCheck[] {
  const moment = Math.abs(f.moment);
  if (moment === 0) return [];
  const sense = senseOf(f);
  const label = f.place || `row ${i + 1}`;
  const base = {
    id: `bending-${i + 1}`,
    family: 'bending' as const,
    title: `Bending, ${label}`,
    clause: code.steelClauses.bending,
    place: { x: null, label },
  };
  return [
    guarded(base, () => {
      const here = sectionAt(beam, resistance.map, 0, 0, sense);
      const state = code.bendingResistance(silent, here.section, beam.materials);
      const capacity = state?.moment ?? 0;
      const { d, area } = resistance.tensionSteel(0, 0, sense);
      const plain = plainSection(outlineOf(beam, 0), sense);
      const d2 = resistance.compressionDepth(0, 0, sense);
      const need = requirement(() => code.bendingSteel(silent, moment, plain, d, d2, beam.materials, 1, beam.barRules.singlyReinforced));
      const face = tensionFace(sense) === 'top' ? 'Top' : 'Bottom';
      const show = (v: number) => formatQuantity(v, 'area', options.units);
      const reason = need.refusal
        ? `The section ${need.refusal}.`
        : Number.isFinite(need.tension) && need.tension > area
          ? `${face} bars at ${label}: needs ${show(need.tension)}, has ${show(area)}.`
          : `${label}: the section is too small for the moment.`;
      return makeCheck(
        {
          ...base,
          demand: { value: moment, kind: 'moment' },
          capacity: { value: capacity, kind: 'moment' },
          utilisation: capacity > 0 ? moment / capacity : Infinity,
          combination: f.combination,
          assumptions: code.choices.filter((c) => c.topic === 'bending').map((c) => c.key),
          ...(moment > capacity ? { reason } : {}),
        },
        () =>
          derive((c) => {
            code.bendingResistance(c, here.section, beam.materials);
            c.note('Steel needed for this moment, with the bars where they are:');
            code.bendingSteel(c, moment, plain, d, d2, beam.materials, 1, beam.barRules.singlyReinforced);
          }),
      );
    }),
  ];
}

function requirement(run: () => { tension: number; refusal?: string }): { tension: number; refusal?: string } {
  try {
    return run();
  } catch (error) {
    if (error instanceof CalcError) return { tension: NaN };
    throw error;
  }
}

function shearRow(
  beam: BeamInput,
  code: DesignCode,
  resistance: ResistanceMap,
  f: GivenForces,
  i: number,
  options: DesignOptions,
): DerivableCheck[] {
  const force = Math.abs(f.shear);
  if (force === 0) return [];
  const label = f.place || `row ${i + 1}`;
  const section = resistance.shearSection(0, 0, [senseOf(f)]);
  const zone = resistance.map.linkZoneAt(0, 0);
  const links = linksOf(zone, resistance.map);
  const { force: capacity } = resistance.shearAt(section, zone);
  const need = code.linkRequirement(silent, force, section, beam.materials);
  const rate = (v: number) => formatQuantity(v, 'areaPerLength', options.units);
  const reason = need.isCrushed
    ? `Shear at ${label}: more than the section carries with any ${code.linkWord}.`
    : `Shear at ${label}: ${code.linkWord} need ${rate(need.areaPerLength)}, have ${rate(links.area / links.spacing)}.`;
  return [
    makeCheck(
      {
        id: `shear-${i + 1}`,
        family: 'shear',
        title: `Shear, ${label}`,
        clause: code.shearClauses.resistance,
        demand: { value: force, kind: 'force' },
        capacity: { value: capacity, kind: 'force' },
        utilisation: force / capacity,
        place: { x: null, label },
        combination: f.combination,
        assumptions: code.choices.filter((c) => c.topic === 'shear').map((c) => c.key),
        ...(force > capacity ? { reason } : {}),
      },
      () =>
        derive((c) => {
          code.shearResistance(c, section, links, beam.materials);
          code.linkRequirement(c, force, section, beam.materials);
        }),
    ),
  ];
}

/** Rules of the section that do not belong to one row: ductility, least steel, spacing of bars and links. */
function sectionRules(beam: BeamInput, code: DesignCode, resistance: ResistanceMap, options: DesignOptions): DerivableCheck[] {
  const length = (v: number) => formatQuantity(v, 'smallLength', options.units);
  const senses = (['sagging', 'hogging'] as const).filter((s) => beam.forces.some((f) => f.moment !== 0 && senseOf(f) === s));
  const perSense = senses.flatMap((sense): DerivableCheck[] => {
    const here = sectionAt(beam, resistance.map, 0, 0, sense);
    const state = code.bendingResistance(silent, here.section, beam.materials);
    const place = { x: null, label: sense };
    const { d, area } = resistance.tensionSteel(0, 0, sense);
    const plain = plainSection(outlineOf(beam, 0), sense);
    const least = code.minimumSteel(silent, plain, d, beam.materials);
    const placement = resistance.map.placement(here.tension);
    const ductility = state && code.ductility(silent, state, beam.materials, 1);
    const ratio = placement.misfit ? Infinity : placement.clearRequired / placement.clear;
    return [
      ...(ductility && state
        ? [
            makeCheck(
              {
                id: `ductility-${sense}`,
                family: 'bending',
                title: `${ductility.title}, ${sense}`,
                clause: ductility.clause,
                place,
                utilisation: ductility.utilisation,
                demand: { value: ductility.demand, kind: ductility.kind },
                capacity: { value: ductility.capacity, kind: ductility.kind },
              },
              () => derive((c) => void code.ductility(c, state, beam.materials, 1)),
            ),
          ]
        : []),
      makeCheck(
        {
          id: `minimum-steel-${sense}`,
          family: 'detailing',
          title: `Least steel, ${sense}`,
          clause: code.steelClauses.minimum,
          place,
          utilisation: least / area,
          demand: { value: least, kind: 'area' },
          capacity: { value: area, kind: 'area' },
        },
        () => derive((c) => void code.minimumSteel(c, plain, d, beam.materials)),
      ),
      makeCheck({
        id: `bar-spacing-${sense}`,
        family: 'detailing',
        title: `Clear bar spacing, ${tensionFace(sense)}`,
        clause: code.clearSpacing(20, 20).clause,
        place,
        utilisation: ratio,
        demand: { value: placement.clearRequired, kind: 'smallLength' },
        capacity: Number.isFinite(placement.clear) ? { value: placement.clear, kind: 'smallLength' } : null,
        ...(ratio > 1 + 1e-9
          ? { reason: placement.misfit ?? `${length(placement.clear)} clear, needs ${length(placement.clearRequired)}.` }
          : {}),
      }),
    ];
  });
  const zone = resistance.map.linkZoneAt(0, 0);
  const links = linksOf(zone, resistance.map);
  const strongest = beam.forces.reduce((a, b) => (Math.abs(b.shear) > Math.abs(a.shear) ? b : a));
  const section = resistance.shearSection(0, 0, [senseOf(strongest)]);
  const need = code.linkRequirement(silent, Math.abs(strongest.shear), section, beam.materials);
  const place = { x: null, label: strongest.place };
  const across = (outlineOf(beam, 0).b - 2 * beam.cover.side - links.diameter) / (links.legs - 1);
  const rule = (id: string, title: string, clause: string, demand: number, capacity: number, kind: 'length' | 'areaPerLength') =>
    makeCheck(
      {
        id,
        family: 'detailing',
        title,
        clause,
        place,
        demand: { value: demand, kind },
        capacity: { value: capacity, kind },
        utilisation: demand / capacity,
      },
      () => derive((c) => void code.linkRequirement(c, Math.abs(strongest.shear), section, beam.materials)),
    );
  return [
    ...perSense,
    rule('least-links', `Least ${code.linkWord}`, code.shearClauses.minimum, need.minimum, links.area / links.spacing, 'areaPerLength'),
    rule('link-spacing', `Spacing of ${code.linkWord}`, code.shearClauses.along, links.spacing, need.maxAlong, 'length'),
    rule('leg-spacing', 'Legs across', code.shearClauses.across, across, need.maxAcross, 'length'),
  ];
}
