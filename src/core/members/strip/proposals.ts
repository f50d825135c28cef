import type { DesignCode } from '../../codes/design-code';
import { designStrip } from './design-strip';
import type { StripBars, StripInput } from './input';
import type { StripResult } from './result';
import { usualSizes } from '../../reinforcement/usual-sizes';
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

export type StripProposal = Change<Partial<StripInput>>;
export type StripSearch = 'arrangements' | 'changes';

/** Bars with nothing set by hand. */
export function automaticStripBars(strip: StripInput): StripBars {
  return {
    bottom: strip.spans.map(() => ({ main: null, extra: { bars: null, from: null, to: null } })),
    top: strip.spans.map(() => ({ main: null })),
    support: strip.supports.map(() => ({ bars: null, left: null, right: null })),
    across: { bottom: null, top: null },
  };
}

/** How easily the bars are laid: half by how few sizes and spacings there are, half by the closest spacing. */
export function slabBuildability({ steel }: Pick<StripResult, 'steel'>): number {
  if (!steel) return 0;
  const layers = [
    ...steel.bottom.flatMap((b) => [b.main, ...(b.extra ? [b.extra.bars] : [])]),
    ...steel.support.flatMap((s) => (s ? [s.bars] : [])),
    steel.across.bottom,
  ];
  const kinds = new Set(layers.map((l) => `${l.size} ${l.alternate} ${l.spacing}`)).size;
  const closest = Math.min(...layers.map((l) => l.spacing));
  const within = (v: number) => Math.max(0, Math.min(1, v));
  return 0.5 * within((7 - kinds) / 5) + 0.5 * within((closest - 75) / 125);
}

/** Each spacing that the office uses, in all layers; and two that go well together. */
function arrangements(strip: StripInput): Candidate<Partial<StripInput>>[] {
  const usual = usualSizes[strip.catalogue].slab;
  const spacings = strip.barRules.spacings.length > 0 ? strip.barRules.spacings : usual.spacings;
  const bars = automaticStripBars(strip);
  const name = (v: number) => (strip.catalogue === 'us' ? `${Number((v / 25.4).toFixed(1))} in` : `${Math.round(v)}`);
  return spacings.map((s) => ({
    title: `all bars @ ${name(s)}${spacings.some((q) => Math.abs(q - 2 * s) < 1) ? ` or ${name(2 * s)}` : ''}`,
    about: 'bars',
    change: { bars, barRules: { ...strip.barRules, spacings: spacings.filter((q) => q === s || Math.abs(q - 2 * s) < 1) } },
    isAnew: isSetByHand(strip.bars),
  }));
}

/** Other depths and concretes; bars set by hand stay, or are let go of apart. */
function changes(strip: StripInput, code: DesignCode): Candidate<Partial<StripInput>>[] {
  const step = strip.catalogue === 'us' ? 25.4 : 25;
  const depths = [1, 2, 3, -1, -2].map((k) => strip.h + k * step).filter((h) => h >= 100);
  const list = [
    ...depths.map((h) => ({ title: `depth ${lengthTitle(h, strip.catalogue)}`, about: 'depth', change: { h } })),
    ...otherConcretes(strip.materials, code).map(({ change: concreteStrength, ...c }) => ({
      ...c,
      change: { materials: { ...strip.materials, concreteStrength } },
    })),
  ];
  return keepingOrAnew<Partial<StripInput>>(list, strip.bars, { bars: automaticStripBars(strip) });
}

/** Ranked ways for a slab: spacings with which it holds, or single changes with what comes of each, those that hold first. Empty with faults. */
export function proposeStrip(strip: StripInput, code: DesignCode, search: StripSearch, rates: ProjectRates, most = 8): StripProposal[] {
  const trial = trialOf(strip, rates, (m: StripInput) => designStrip(m, code, { derive: [], units: 'SI' }), slabBuildability);
  if (search === 'changes') return singleChanges(trial, (s) => changes(s, code));
  return rankChanges(tryChanges(trial, arrangements(strip)).filter((p) => p.holds)).slice(0, most);
}
