import type { DesignCode } from '../../codes/design-code';
import { barOf } from '../../reinforcement/bar-groups';
import { catalogues } from '../../materials/bars';
import { usualSizes } from '../../reinforcement/usual-sizes';
import { designBeam } from './design-beam';
import type { BeamBars, BeamInput } from './input';
import type { BeamResult } from './result';
import type { ProjectRates } from '../../advice/rates';
import {
  isSetByHand,
  keepingOrAnew,
  lengthTitle,
  otherConcretes,
  rankChanges,
  singleChanges,
  trialOf,
  tryChanges,
  type Candidate,
  type Change,
} from '../../advice/single-changes';

export type BeamProposal = Change<Partial<BeamInput>>;
export type BeamSearch = 'arrangements' | 'changes';

/** Bars with nothing set by hand. */
export function automaticBars(beam: BeamInput): BeamBars {
  return {
    bottom: beam.spans.map(() => ({ main: null, extra: { bars: null, from: null, to: null } })),
    top: beam.spans.map(() => ({ main: null })),
    links: beam.spans.map(() => ({ zones: null })),
    support: beam.supports.map(() => ({ bars: null, left: null, right: null })),
    side: null,
  };
}

/** How easily the cage is built: a third each by the number of sizes, of bars a metre, and by the clear spacing against twice the least. */
export function buildability({ steel, checks }: BeamResult): number {
  if (!steel) return 0;
  const groups = [
    ...steel.bottom.flatMap((b) => [b.main, ...(b.extra ? [b.extra.bars] : [])]),
    ...steel.top.map((t) => t.main),
    ...steel.support.flatMap((s) => (s ? [s.bars] : [])),
  ].filter((g) => g.count > 0);
  const sizes = new Set([...groups.map((g) => g.size), ...steel.links.flat().map((z) => `link ${z.size}`)]).size;
  const pieces = Math.max(...groups.map((g) => g.count));
  const spacing = checks.find((c) => c.id === 'bar-spacing')?.utilisation ?? 1;
  const few = (v: number, least: number, most: number) => Math.max(0, Math.min(1, (most - v) / (most - least)));
  return (few(sizes, 2, 6) + few(pieces, 2, 10) + few(spacing, 0.5, 1)) / 3;
}

/** Arrangements within the office's sizes: one main size, or a larger and a smaller one, with each size of links. */
function arrangements(beam: BeamInput): Candidate<Partial<BeamInput>>[] {
  const usual = usualSizes[beam.catalogue];
  const catalogue = catalogues[beam.catalogue];
  const main = beam.barRules.mainSizes.length > 0 ? beam.barRules.mainSizes : usual.main;
  const links = beam.barRules.linkSizes.length > 0 ? beam.barRules.linkSizes : usual.links.slice(0, 2);
  const diameter = (size: string) => barOf({ count: 1, size }, catalogue).diameter;
  const sets = [...main.map((m) => [m]), ...main.flatMap((a, i) => main.slice(i + 1, i + 3).map((b) => [a, b]))];
  const bars = automaticBars(beam);
  return sets.flatMap((sizes) =>
    links
      .filter((l) => diameter(l) <= diameter(sizes[0]!))
      .map((link) => ({
        title: `${sizes.join(' and ')}, links ${link}`,
        about: 'bars',
        change: { bars, barRules: { ...beam.barRules, mainSizes: sizes, linkSizes: [link] } },
        isAnew: isSetByHand(beam.bars),
      })),
  );
}

/** Other depths, widths and concretes; bars set by hand stay, or are let go of apart. */
function changes(beam: BeamInput, code: DesignCode): Candidate<Partial<BeamInput>>[] {
  const step = beam.catalogue === 'us' ? 50.8 : 50;
  const length = (v: number) => lengthTitle(v, beam.catalogue);
  const { section, materials } = beam;
  const depth = (by: number) => ({
    title: `depth ${length(section.h + by)}`,
    about: 'depth',
    change: { section: { ...section, h: section.h + by } },
  });
  const width = (by: number) => ({
    title: `width ${length(section.b + by)}`,
    about: 'width',
    change: { section: { ...section, b: section.b + by } },
  });
  const sizes = section.shape === 'free' ? 0 : 1;
  const least = section.shape === 'rectangular' ? 200 : section.flangeDepth + 100;
  const list = [
    // A free outline is not stretched: what it would become is the engineer's to draw.
    ...[1, 2, 3].slice(0, 3 * sizes).map((k) => depth(k * step)),
    ...[1, 2, 3]
      .slice(0, 3 * sizes)
      .filter((k) => section.h - k * step >= least)
      .map((k) => depth(-k * step)),
    ...[1, 2].slice(0, 2 * sizes).map((k) => width(k * step)),
    ...[1]
      .slice(0, sizes)
      .filter(() => section.b - step >= 200)
      .map(() => width(-step)),
    ...otherConcretes(materials, code).map(({ change: concreteStrength, ...c }) => ({
      ...c,
      change: { materials: { ...materials, concreteStrength } },
    })),
  ];
  return keepingOrAnew<Partial<BeamInput>>(list, beam.bars, { bars: automaticBars(beam) });
}

/**
 * Ranked ways for a beam: arrangements of bars that hold, or single changes with what comes of each, those that hold first. Empty for a beam
 * with faults, or one whose design forces are given.
 */
export function proposeBeam(beam: BeamInput, code: DesignCode, search: BeamSearch, rates: ProjectRates, most = 8): BeamProposal[] {
  if (beam.mode === 'forces') return [];
  const trial = trialOf(beam, rates, (m: BeamInput) => designBeam(m, code, { derive: [], units: 'SI' }), buildability);
  if (search === 'changes') return singleChanges(trial, (b) => changes(b, code));
  const found = tryChanges(trial, arrangements(beam));
  const seen = new Set<string>();
  return rankChanges(found.filter((p) => p.holds))
    .filter((p) => {
      const key = `${p.cost.toFixed(4)} ${p.utilisation.toFixed(3)}`;
      return !seen.has(key) && seen.add(key);
    })
    .slice(0, most);
}
