import { MechanismError } from '../../analysis/line-beam';
import { missingFor, type DesignCode } from '../../codes/design-code';
import { catalogues } from '../../materials/bars';
import { analyseBeam, type BeamAnalysis } from '../beam/analysis';
import type { BentEnds } from '../beam/bar-runs';
import { bendingChecks, checkBasis, ductilityCheck } from '../beam/bending-checks';
import { atPlacesOf } from '../beam/demand';
import { supportName } from '../beam/input';
import { hasNothing, nothingCheck } from '../beam/nothing-check';
import { redistributionCheck } from '../beam/redistribution-check';
import { anchorageLengths, ResistanceMap } from '../beam/resistance';
import { beamService } from '../beam/service/beam-service';
import { serviceMoments, type ServiceMoments } from '../beam/service/service-moments';
import { maximumSteelCheck, spacingCheck } from '../beam/steel-checks';
import { type Check, checkInWords, type DerivableCheck, finishChecks, governing, topicsNotCovered } from '../../checks/check';
import type { DesignOptions } from '../../job';
import { quantitiesOf } from '../../model/member-model';
import { stripAsBeam, stripWidth } from './as-beam';
import type { StripBasis } from './basis';
import { chooseStripSteel, type MoreSteel } from './choose-steel';
import { stripFire } from './fire';
import { endChecks } from './end-checks';
import { stripFaults } from './faults';
import type { StripInput } from './input';
import { supportReactions } from '../beam/reactions';
import { checkPerWidth, handCheckPerWidth, showPerWidth } from './per-width';
import { stripFormwork, stripModel } from './model';
import { emptyStripResult, type StripResult } from './result';
import { stripShearChecks } from './shear-checks';
import { acrossChecks, leastSteelCheck, mostSpacingCheck } from './steel-checks';
import { StripMap, type StripSteel } from './steel';
import { type PreparedBeam, prepareBeam } from '../beam/prepared';

/** Designs a slab that spans one way, as a strip. Never throws on bad input; the result then lists its faults. */
export function designStrip(strip: StripInput, code: DesignCode, options: DesignOptions): StripResult {
  const width = stripWidth(options.units);
  const faults = stripFaults(strip, code);
  if (faults.length > 0) return emptyStripResult(faults, width);
  const beam = prepareBeam(stripAsBeam(strip, width), code);
  let analysis: BeamAnalysis;
  try {
    analysis = analyseBeam(beam, code);
  } catch (error) {
    if (error instanceof MechanismError) return emptyStripResult([{ path: 'supports', reason: error.message }], width);
    throw error;
  }
  if (hasNothing(beam, analysis)) return nothingToDesign(analysis, width);
  const designed = stiffened({ strip, beam, code, analysis, options, moments: serviceMoments(beam, code, analysis) });
  const { basis, service, list, steel, bent } = designed;
  const checks = finishChecks(
    list.map((c) => checkPerWidth(c, width)),
    options,
    showPerWidth(width, options.units),
  );
  return {
    type: 'strip',
    faults: [],
    width,
    strips: basis.strips,
    service: service.strips,
    arrangements: analysis.arrangements.map((a) => ({ combination: a.combination.id, title: a.combination.title, label: a.label })),
    combinations: analysis.combinations,
    reactions: supportReactions(beam.supports, analysis),
    handChecks: analysis.handChecks.map((h) => handCheckPerWidth(h, width)),
    steel,
    checks,
    governing: governing(checks) ?? null,
    bent,
    quantities: quantitiesOf(stripModel(strip, code, steel, bent), stripFormwork(strip)),
  };
}

/** A slab with what is known of it before its bars are. */
interface StripTask {
  readonly strip: StripInput;
  readonly beam: PreparedBeam;
  readonly code: DesignCode;
  readonly analysis: BeamAnalysis;
  readonly moments: ServiceMoments | undefined;
  readonly options: DesignOptions;
}

/** Rounds in which bars are added for stiffness and cracks, and the most that they are added to. */
const ROUNDS = 3;
const MOST = 2.5;

/**
 * The design with bars for strength, and where these are chosen and deflections or cracks ask for it, with more of them. Where no
 * number of bars would do, those for strength stay: the slab is too thin.
 */
function stiffened(task: StripTask) {
  const { strip } = task;
  const plain = attempt(task, {});
  const wantedOf = (made: typeof plain) =>
    wantedMore(
      strip,
      made.list.map((c) => c.check),
    );
  let [more, wanted, last]: [MoreSteel, [string, number][], typeof plain] = [{}, wantedOf(plain), plain];
  if (wanted.length === 0) return plain;
  const first = regionAreas(plain.basis);
  for (let round = 0; round < ROUNDS && wanted.length > 0; round += 1) {
    const next = { ...more };
    for (const [region, ratio] of wanted) {
      const base = first[region] ?? 0;
      // Deflection falls more slowly than steel grows.
      const step = Math.min(1.8, Math.max(1.1, ratio ** 2.2));
      next[region] = Math.min(MOST * base, Math.max(more[region] ?? 0, base) * step);
    }
    more = next;
    last = attempt(task, more);
    wanted = wantedOf(last);
  }
  const hopeless = new Set(wanted.map(([region]) => region));
  if (hopeless.size === 0) return last;
  const rest = Object.fromEntries(Object.entries(more).filter(([region]) => !hopeless.has(region)));
  return Object.keys(rest).length > 0 ? attempt(task, rest) : plain;
}

/** Steel of each region with its first choice (mm2 on the strip's width). */
function regionAreas({ resistance, strips, regions: all }: StripBasis): Record<string, number> {
  return Object.fromEntries(
    all.map((r) => {
      const i = r.stations[Math.floor(r.stations.length / 2)]!;
      const at = r.sense === 'sagging' ? i : r.stations.reduce((a, b) => (strips.minM[b]! < strips.minM[a]! ? b : a), i);
      return [r.id, resistance.tensionSteel(strips.span[at]!, strips.x[at]!, r.sense).area];
    }),
  );
}

/** Regions whose bars are chosen, and in which deflection or cracks exceed, with by how much. */
function wantedMore(strip: StripInput, checks: readonly Check[]): [string, number][] {
  const isFree = (i: number) => strip.supports[i]!.type === 'free';
  return checks.flatMap((c): [string, number][] => {
    if (c.status !== 'exceeds' || c.utilisation === null || !Number.isFinite(c.utilisation)) return [];
    const crack = /^crack-(span-\d+|support-\w+)$/.exec(c.id)?.[1];
    const span = /^(?:deflection-\w+|span-depth)-(\d+)$/.exec(c.id)?.[1];
    const i = Number(span) - 1;
    const root = span === undefined ? -1 : isFree(i) ? i + 1 : isFree(i + 1) ? i : -1;
    const region = crack ?? (span === undefined ? undefined : root >= 0 ? `support-${supportName(root)}` : `span-${span}`);
    return region && isChosen(strip, region) ? [[region, c.utilisation]] : [];
  });
}

function isChosen({ bars, supports }: StripInput, region: string): boolean {
  const span = /^span-(\d+)$/.exec(region)?.[1];
  if (span !== undefined) return bars.bottom[Number(span) - 1]!.main === null;
  const support = supports.findIndex((_, i) => region === `support-${supportName(i)}`);
  return bars.support[support]?.bars === null;
}

/** One choice of bars with all its checks. */
function attempt(
  { strip, beam, code, analysis: found, moments, options }: StripTask,
  more: MoreSteel,
): {
  readonly basis: StripBasis;
  readonly service: ReturnType<typeof beamService>;
  readonly list: DerivableCheck[];
  readonly steel: StripSteel;
  readonly bent: BentEnds;
} {
  const width = beam.section.b;
  const steel = chooseStripSteel(strip, beam, code, found, more);
  const map = new StripMap(strip, steel, code, width, anchorageLengths(beam, code, { catalogue: catalogues[strip.catalogue] }));
  const resistance = new ResistanceMap(beam, code, map);
  const analysis = atPlacesOf(beam, code, found, resistance);
  const basis: StripBasis = { ...checkBasis(beam, code, analysis, resistance, options.units), strip, analysis };
  const service = beamService(beam, code, analysis, map, moments, basis);
  const ends = endChecks(basis);
  const bending = bendingChecks(basis);
  const list = [
    ...bending,
    ...ductilityCheck(basis),
    ...stripShearChecks(basis),
    ...leastSteelCheck(basis),
    ...maximumSteelCheck(basis),
    ...spacingCheck(basis),
    ...mostSpacingCheck(basis),
    ...acrossChecks(basis),
    ...ends.checks,
    ...redistributionCheck(basis),
    ...withoutThinCracks(basis, service.checks),
    ...stripFire(basis, map, bending),
    ...topicsNotCovered(missingFor(code, 'slabs')),
  ];
  return { basis, service, list, steel, bent: ends.bent };
}

/** Cracks of thin slabs are not looked at where the code says so: one line in the place of their checks. */
function withoutThinCracks({ beam, code }: StripBasis, checks: readonly DerivableCheck[]): DerivableCheck[] {
  const rule = code.slab.crackFreeDepth;
  const deepest = Math.max(...beam.spans.map((s) => s.section.h ?? beam.section.h));
  if (!rule || deepest > rule.h) return [...checks];
  return [
    ...checks.filter(({ check }) => !/^(crack-|least-crack-steel)/.test(check.id)),
    checkInWords({
      id: 'thin-slab-cracks',
      family: 'crack',
      title: 'Crack width',
      clause: rule.clause,
      status: 'notApplicable',
      place: { x: null, label: '' },
      assumptions: code.choices.filter((c) => c.key === 'thinSlabs').map((c) => c.key),
      reason: `Slabs up to ${rule.h} mm need no look at cracks when the rules for their bars are kept.`,
    }),
  ];
}

/** A slab with no ultimate combination, or no load at all, says so and shows no figure. */
function nothingToDesign(analysis: BeamAnalysis, width: number): StripResult {
  const check = nothingCheck(analysis, 'slab');
  return { ...emptyStripResult([], width), combinations: analysis.combinations, checks: [check], governing: check };
}
