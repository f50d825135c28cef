import { compareCheck } from '../../checks/compare';
import { ductilityRule } from './ductility-rule';
import { silent, type Calc } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import type { UnitSystem } from '../../units/quantity';
import { guarded, type DerivableCheck } from '../../checks/check';
import type { BeamAnalysis } from './analysis';
import { holdsMoment } from './holds-moment';
import { supportName } from './input';
import type { ResistanceMap } from './resistance';
import type { BeamStrips } from './result';
import { bendingTask, sectionAt } from './section-at';
import type { SteelAlong, SteelMap } from './steel';
import { beamStrips, requiredSteel } from './strips';
import type { Sense } from './sense';
import type { PreparedBeam } from './prepared';

/** What the checks of a beam, or of a strip of slab, share. */
export interface CheckBasis<S extends SteelAlong = SteelMap> {
  readonly beam: PreparedBeam;
  readonly code: DesignCode;
  readonly strips: BeamStrips;
  readonly resistance: ResistanceMap<S>;
  readonly regions: readonly Region[];
  /** Name of the combination and arrangement governing a moment or shear. */
  readonly combinationAt: (by: Int32Array, station: number) => string;
  readonly units: UnitSystem;
}

/** What the checks share, from an analysis and the bars. */
export function checkBasis<S extends SteelAlong>(
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  resistance: ResistanceMap<S>,
  units: UnitSystem,
): CheckBasis<S> {
  const strips = beamStrips(beam, code, analysis, resistance);
  const combinationAt = (by: Int32Array, i: number) => {
    const a = analysis.arrangements[by[i]!];
    return a ? [a.combination.id, a.label].filter(Boolean).join(', ') : '';
  };
  return { beam, code, strips, resistance, regions: regions(beam, strips), units, combinationAt };
}

/** A stretch of the beam that one check in bending looks after. */
export interface Region {
  readonly sense: Sense;
  readonly label: string;
  readonly id: string;
  readonly delta: number;
  readonly stations: readonly number[];
}

/** Spans for sagging, and the neighbourhood of each support for hogging. */
export function regions(beam: PreparedBeam, strips: BeamStrips): Region[] {
  const bySpan: number[][] = beam.spans.map(() => []);
  strips.span.forEach((span, i) => bySpan[span]!.push(i));
  const inSpan = (span: number) => bySpan[span]!;
  const spans = beam.spans.map((_, i): Region => ({
    sense: 'sagging',
    id: `span-${i + 1}`,
    label: `span ${i + 1}`,
    delta: 1,
    stations: inSpan(i),
  }));
  const starts: number[] = [0];
  beam.spans.forEach((s) => starts.push(starts[starts.length - 1]! + s.length));
  const supports = beam.supports.flatMap((s, j): Region[] => {
    if (!holdsMoment(beam, j)) return [];
    const stations = [j - 1, j].flatMap((i) => {
      const span = beam.spans[i];
      if (!span) return [];
      // The whole span, where nothing at its far end holds a moment.
      const reach = holdsMoment(beam, i === j ? j + 1 : j - 1) ? span.length / 2 : span.length;
      return inSpan(i).filter((k) => Math.abs(strips.x[k]! - starts[j]!) <= reach);
    });
    return [{ sense: 'hogging', id: `support-${supportName(j)}`, label: `support ${supportName(j)}`, delta: s.redistribution, stations }];
  });
  return [...spans, ...supports];
}

/** The stations of a region where its own moment is largest, one in each of its spans: what a support carries may differ from side to side. */
export function peaksOf(strips: BeamStrips, { sense, stations }: Region): number[] {
  const moment = (i: number) => (sense === 'sagging' ? strips.maxM[i]! : -strips.minM[i]!);
  const best = new Map<number, number>();
  for (const i of stations) {
    const before = best.get(strips.span[i]!);
    if (before === undefined || moment(i) > moment(before)) best.set(strips.span[i]!, i);
  }
  return [...best.values()].filter((i) => moment(i) > 0);
}

/** Where a region is worst: largest ratio of shifted moment to resistance. */
function worstStation(strips: BeamStrips, region: Region): { readonly i: number; readonly ratio: number; readonly demand: number } {
  const demand = region.sense === 'sagging' ? strips.shiftedSagging : strips.shiftedHogging;
  const resistance = region.sense === 'sagging' ? strips.resistanceSagging : strips.resistanceHogging;
  const plain = (i: number) => (region.sense === 'sagging' ? strips.maxM[i]! : -strips.minM[i]!);
  let best = { i: region.stations[0] ?? 0, ratio: 0, demand: 0 };
  for (const i of region.stations) {
    if (demand[i]! <= 0) continue;
    const ratio = resistance[i]! > 0 ? demand[i]! / resistance[i]! : Infinity;
    // Among equals, the place where the moment itself stands, not only its shift.
    const isBetter = ratio > best.ratio * (1 + 1e-9) || (ratio > best.ratio * (1 - 1e-9) && plain(i) > plain(best.i));
    if (isBetter) best = { i, ratio, demand: demand[i]! };
  }
  return best;
}

export function bendingChecks(basis: CheckBasis<SteelAlong>): DerivableCheck[] {
  const { code, strips } = basis;
  return basis.regions.flatMap((region) => {
    const { i, demand } = worstStation(strips, region);
    // Less than a newton millimetre is noise of the analysis.
    if (demand <= 1) return [];
    const place = { x: strips.x[i]!, label: region.label };
    const base = {
      id: `bending-${region.id}`,
      family: 'bending' as const,
      title: `Bending, ${region.label}`,
      clause: code.steelClauses.bending,
      place,
    };
    return [guarded(base, () => bendingCheck(basis, region, i, demand, base))];
  });
}

function bendingCheck(
  basis: CheckBasis<SteelAlong>,
  region: Region,
  i: number,
  demand: number,
  base: Parameters<typeof guarded>[0],
): DerivableCheck {
  const { beam, code, strips, resistance } = basis;
  const span = strips.span[i]!;
  const x = strips.x[i]!;
  const capacity = (region.sense === 'sagging' ? strips.resistanceSagging : strips.resistanceHogging)[i]!;
  const steel = resistance.tensionSteel(span, x, region.sense);
  const needed = requiredSteel(beam, code, span, region.sense, demand, steel.d, resistance.compressionDepth(span, x, region.sense));
  const face = region.sense === 'sagging' ? 'Bottom' : 'Top';
  const refusal = demand > capacity ? steelRefusal(basis, span, x, region, demand, steel.d) : undefined;
  const by = region.sense === 'sagging' ? strips.maxMBy : strips.minMBy;
  const peak = nearestPeak(strips, region, demand, i);
  return compareCheck({
    ...base,
    combination: basis.combinationAt(by, peak),
    assumptions: code.choices.filter((c) => (c.topic === 'bending' || c.topic === 'analysis') && c.only !== 'strips').map((c) => c.key),
    kind: 'moment',
    compare: (c) => {
      if (c.recording) deriveBending(c, basis, region, i, demand);
      return { demand, capacity, utilisation: capacity > 0 ? demand / capacity : Infinity };
    },
    fails: (moment, most, show) => {
      if (refusal) return `${face} bars at ${region.label}: the section ${refusal}.`;
      return Number.isFinite(needed) && needed > steel.area
        ? `${face} bars at ${region.label}: needs ${show(needed, 'area')}, has ${show(steel.area, 'area')}.`
        : `${face} at ${region.label}: ${moment} against ${most}; the section itself is too small.`;
    },
  });
}

/** The station whose own moment is the shifted demand. */
function nearestPeak(strips: BeamStrips, region: Region, demand: number, near: number): number {
  const own = (k: number) => (region.sense === 'sagging' ? strips.maxM[k]! : -strips.minM[k]!);
  const matches = region.stations.filter((k) => Math.abs(own(k) - demand) <= 1e-9 * demand);
  return matches.reduce(
    (a, b) => (Math.abs(strips.x[b]! - strips.x[near]!) < Math.abs(strips.x[a]! - strips.x[near]!) ? b : a),
    matches[0] ?? near,
  );
}

function steelRefusal(
  { beam, code, resistance }: CheckBasis<SteelAlong>,
  span: number,
  x: number,
  region: Region,
  moment: number,
  d: number,
): string | undefined {
  const d2 = resistance.compressionDepth(span, x, region.sense);
  return code.bendingSteel(silent, bendingTask(beam, span, region.sense, { moment, d, d2, delta: region.delta })).refusal;
}

function deriveBending(
  c: Calc,
  { beam, code, strips, resistance }: CheckBasis<SteelAlong>,
  region: Region,
  i: number,
  demand: number,
): void {
  const span = strips.span[i]!;
  const x = strips.x[i]!;
  const here = sectionAt(beam, resistance.map, span, x, region.sense);
  c.note(`Bending moment of ${region.label}, moved along the beam by the shift of the tension line where that is worse.`);
  const shares = here.tension.shares.filter((s) => s < 1);
  if (shares.length > 0)
    c.note(
      `Bars near their end count with ${shares.map((s) => `${Math.round(100 * s)} %`).join(', ')} of their strength here.`,
      code.anchorageClause,
    );
  code.bendingResistance(c, here.section, beam.materials);
  c.note('Steel needed for this moment, with the bars where they are and without those in compression:');
  const { d } = resistance.tensionSteel(span, x, region.sense);
  const d2 = resistance.compressionDepth(span, x, region.sense);
  code.bendingSteel(c, bendingTask(beam, span, region.sense, { moment: demand, d, d2, delta: region.delta }));
}

/** Neutral axis or tension strain where the moments are largest: the worst of all regions. */
export function ductilityCheck(basis: CheckBasis<SteelAlong>): DerivableCheck[] {
  const { beam, code, strips, resistance } = basis;
  const found = basis.regions.flatMap((region) => {
    const { i, demand } = worstStation(strips, region);
    if (demand <= 0) return [];
    const state = resistance.bendingAt(strips.span[i]!, strips.x[i]!, region.sense);
    const ductility = state && code.ductility(silent, state, beam.materials, region.delta);
    return state && ductility ? [{ region, i, state, ductility }] : [];
  });
  if (found.length === 0) return [];
  const worst = found.reduce((a, b) => (b.ductility.utilisation > a.ductility.utilisation ? b : a));
  const { region, i, state, ductility } = worst;
  return [
    ductilityRule(
      {
        id: 'ductility',
        title: ductility.title,
        clause: ductility.clause,
        place: { x: strips.x[i]!, label: region.label },
        assumptions: ['depthLimit', 'yieldStrain'].filter((k) => code.choices.some((c) => c.key === k)),
        fails: (is, limit) => `At ${region.label}: ${is} against ${limit}; less tension steel, more in compression, or a deeper section.`,
      },
      (c) => {
        const { section } = sectionAt(beam, resistance.map, strips.span[i]!, strips.x[i]!, region.sense);
        return code.ductility(
          c,
          (c.recording && code.bendingResistance(c, section, beam.materials)) || state,
          beam.materials,
          region.delta,
        );
      },
      ductility,
    ),
  ];
}
