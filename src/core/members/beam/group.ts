import { MechanismError } from '../../analysis/line-beam';
import type { DesignCode } from '../../codes/design-code';
import { catalogues, type BarCatalogue } from '../../materials/bars';
import { areaOf, barOf, type BarGroup } from '../../reinforcement/bar-groups';
import { analyseBeam, type BeamAnalysis } from './analysis';
import { chooseSteel } from './choose-steel';
import { beamFaults } from './faults';
import { supportPositions, type BeamBars, type BeamInput, type LinkZone } from './input';
import { serviceMoments } from './service/service-moments';
import type { BeamSteel } from './steel';
import { type PreparedBeam, prepareBeam } from './prepared';

/** A beam with the steel that it needs by itself. */
interface Chosen {
  readonly beam: PreparedBeam;
  readonly analysis: BeamAnalysis;
  readonly steel: BeamSteel;
}

function chosenFor(given: BeamInput, code: DesignCode): Chosen[] {
  if (given.mode === 'forces' || beamFaults(given, code).length > 0) return [];
  const beam = prepareBeam(given, code);
  try {
    const analysis = analyseBeam(beam, code);
    if (analysis.arrangements.length === 0) return [];
    return [{ beam, analysis, steel: chooseSteel(beam, code, analysis, serviceMoments(beam, code, analysis)) }];
  } catch (error) {
    if (error instanceof MechanismError) return [];
    throw error;
  }
}

/**
 * A beam with the bars that it shares with others of equally many spans: at every place the most that any of them needs, with the furthest
 * ends; links are compared at equal parts of a span. A beam that cannot be designed by itself is left out. Alone it is left as it is.
 */
export function withGroupBars<B extends BeamInput>(beam: B, others: readonly BeamInput[], code: DesignCode): B {
  if (others.length === 0) return beam;
  const all = [beam, ...others].flatMap((b) => chosenFor(b, code));
  if (all.length === 0) return beam;
  const catalogue = catalogues[beam.catalogue];
  // With other bars the links see another depth: each beam's are chosen again before they are compared.
  const again = all.map((c) => {
    const bars = { ...longBars(all, c.beam, catalogue), links: c.beam.bars.links };
    return { ...c, steel: chooseSteel({ ...c.beam, bars }, code, c.analysis, serviceMoments(c.beam, code, c.analysis)) };
  });
  const links = beam.spans.map((s, i) => ({ zones: linksOf(again, i, s.length, catalogue) }));
  return { ...beam, bars: { ...longBars(all, beam, catalogue), links } };
}

/** All bars along a beam, at every place the most that any beam needs. */
function longBars(all: readonly Chosen[], beam: BeamInput, catalogue: BarCatalogue): Omit<BeamBars, 'links'> {
  const starts = supportPositions(beam);
  return {
    bottom: beam.spans.map((s, i) => bottomOf(all, i, s.length, catalogue)),
    top: beam.spans.map((_, i) => ({
      main: strongest(
        all.map((c) => c.steel.top[i]!.main),
        catalogue,
      ),
    })),
    support: beam.supports.map((_, j) => supportOf(all, j, starts, catalogue)),
    side: sideOf(all, catalogue),
  };
}

const strongest = (groups: readonly BarGroup[], catalogue: BarCatalogue): BarGroup =>
  groups.reduce((a, b) => (areaOf([b], catalogue) > areaOf([a], catalogue) ? b : a));

/** Bars that run through as the strongest of all; with the extra ones as much as the beam with most of both. */
function bottomOf(all: readonly Chosen[], i: number, length: number, catalogue: BarCatalogue): BeamBars['bottom'][number] {
  const main = strongest(
    all.map((c) => c.steel.bottom[i]!.main),
    catalogue,
  );
  const runs = all.flatMap(({ steel, beam: { starts } }) => {
    const run = steel.bottom[i]!.extra;
    return run ? [{ bars: run.bars, from: run.from - starts[i]!, rest: starts[i + 1]! - run.to }] : [];
  });
  const most = Math.max(
    ...all.map(({ steel }) =>
      areaOf([steel.bottom[i]!.main, ...(steel.bottom[i]!.extra ? [steel.bottom[i]!.extra!.bars] : [])], catalogue),
    ),
  );
  const size =
    runs.length > 0
      ? strongest(
          runs.map((r) => ({ ...r.bars, count: 1 })),
          catalogue,
        ).size
      : main.size;
  const count = Math.ceil((most - areaOf([main], catalogue)) / areaOne(size, catalogue) - 1e-6);
  if (runs.length === 0 || count <= 0) return { main, extra: { bars: { count: 0, size }, from: null, to: null } };
  return {
    main,
    extra: { bars: { size, count }, from: Math.min(...runs.map((r) => r.from)), to: length - Math.min(...runs.map((r) => r.rest)) },
  };
}

function supportOf(all: readonly Chosen[], j: number, own: readonly number[], catalogue: BarCatalogue): BeamBars['support'][number] {
  const runs = all.flatMap(({ steel, beam: { starts } }) => {
    const run = steel.support[j];
    return run ? [{ bars: run.bars, left: starts[j]! - run.from, right: run.to - starts[j]! }] : [];
  });
  if (runs.length === 0) return { bars: null, left: null, right: null };
  return {
    bars: strongest(
      runs.map((r) => r.bars),
      catalogue,
    ),
    left: Math.min(own[j]!, Math.max(...runs.map((r) => r.left))),
    right: Math.min(own[own.length - 1]! - own[j]!, Math.max(...runs.map((r) => r.right))),
  };
}

/** Zones of links that hold for every beam: between all their ends the strongest, with the closest spacing and the most legs. */
function linksOf(all: readonly Chosen[], i: number, length: number, catalogue: BarCatalogue): LinkZone[] {
  const parts = all.flatMap(({ beam, steel }) => steel.links[i]!.map((z) => z.to / beam.spans[i]!.length));
  const ends = [...new Set(parts.map((p) => Math.min(1, Math.round(p * 1e9) / 1e9)))].sort((a, b) => a - b);
  let from = 0;
  const zones = ends.map((end): LinkZone => {
    const middle = (from + end) / 2;
    from = end;
    const here = all.map(({ beam, steel }) => {
      const at = middle * beam.spans[i]!.length;
      return steel.links[i]!.find((z) => at <= z.to + 1e-6) ?? steel.links[i]!.at(-1)!;
    });
    const size = here.map((z) => z.size).reduce((a, b) => (areaOne(b, catalogue) > areaOne(a, catalogue) ? b : a));
    return {
      to: Math.round(end * length * 1e3) / 1e3,
      size,
      legs: Math.max(...here.map((z) => z.legs)),
      spacing: Math.min(...here.map((z) => z.spacing)),
    };
  });
  return zones.filter((z, k) => {
    const next = zones[k + 1];
    return !next || next.size !== z.size || next.legs !== z.legs || next.spacing !== z.spacing;
  });
}

const areaOne = (size: string, catalogue: BarCatalogue) => barOf({ count: 1, size }, catalogue).area;

function sideOf(all: readonly Chosen[], catalogue: BarCatalogue): BarGroup | null {
  const groups = all.flatMap((c) => (c.steel.side ? [c.steel.side] : []));
  if (groups.length === 0) return null;
  return {
    count: Math.max(...groups.map((g) => g.count)),
    size: strongest(
      groups.map((g) => ({ ...g, count: 1 })),
      catalogue,
    ).size,
  };
}
