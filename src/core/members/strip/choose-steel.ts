import { silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { catalogues } from '../../materials/bars';
import { layerOf, slabOptions, type SlabBars } from '../../reinforcement/slab-bars';
import { roundDown, roundUp, usualSizes } from '../../reinforcement/usual-sizes';
import type { BeamAnalysis } from '../beam/analysis';
import { endsOf } from '../beam/choose-ends';
import { holdsMoment } from '../beam/holds-moment';
import { supportName } from '../beam/input';
import { anchorageLengths, ResistanceMap } from '../beam/resistance';
import { chooseSlabBars, type SlabTask } from './choose-bars';
import type { StripInput } from './input';
import { StripMap, type SlabRun, type StripSteel } from './steel';
import type { Sense } from '../beam/sense';
import { type PreparedBeam, outlineOf } from '../beam/prepared';

/** Steel beside that for strength, by the region that asks for it ("span-1", "support-B"): mm2 on the strip's width. */
export type MoreSteel = Readonly<Record<string, number>>;

/** The steel of a slab: what the engineer set, and for the rest a choice in usual sizes and spacings. */
export function chooseStripSteel(
  strip: StripInput,
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  more: MoreSteel = {},
): StripSteel {
  const inset = strip.outer === 'across' ? layerOf(strip.bars.across.bottom ?? slabOptions(strip)[0]!, strip.catalogue).diameter : 0;
  const bottom = chooseBottom(strip, beam, code, analysis, more, inset);
  const support = chooseSupports(strip, beam, code, analysis, more, inset);
  const top = chooseTop(strip, beam, code, analysis, inset);
  const draft: StripSteel = {
    bottom: bottom.map((main, i) => {
      const { extra } = strip.bars.bottom[i]!;
      return { main, extra: extra.bars ? { bars: extra.bars, from: 0, to: Infinity } : null };
    }),
    top: top.map((main) => ({ main })),
    support: support.map((bars) => bars && { bars, from: -Infinity, to: Infinity }),
    across: { bottom: strip.bars.across.bottom ?? slabOptions(strip)[0]!, top: strip.bars.across.top },
  };
  const ended = withEnds(strip, beam, code, analysis, draft);
  return { ...ended, across: chooseAcross(strip, beam, code, ended) };
}

/** Largest moment of one sense in a span, within a part of it from either end (N mm). */
function largest({ envelope }: BeamAnalysis, span: number, sense: Sense, from: number, to: number): number {
  let moment = 0;
  envelope.stations.forEach((st, i) => {
    if (st.span === span && st.x >= from - 0.01 && st.x <= to + 0.01)
      moment = Math.max(moment, sense === 'sagging' ? envelope.maxM[i]! : -envelope.minM[i]!);
  });
  return moment;
}

const spanMoment = (beam: PreparedBeam, analysis: BeamAnalysis, span: number, sense: Sense) => {
  const { starts } = beam;
  return largest(analysis, span, sense, starts[span]!, starts[span + 1]!);
};

function chooseBottom(
  strip: StripInput,
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  more: MoreSteel,
  inset: number,
): SlabBars[] {
  const tasks = beam.spans.map((_, span): SlabTask => {
    const { extra } = strip.bars.bottom[span]!;
    const added = extra.bars ? layerOf(extra.bars, strip.catalogue).area * beam.section.b : 0;
    const least = Math.max(0, (more[`span-${span + 1}`] ?? 0) - added);
    return { span, sense: 'sagging', moment: spanMoment(beam, analysis, span, 'sagging'), delta: 1, place: 'peak', least };
  });
  const chosen = chooseSlabBars({ strip, beam, code, inset }, tasks);
  return chosen.map((bars, i) => strip.bars.bottom[i]!.main ?? bars);
}

/** Moment over a support: of the analysis, or where an end is held unintendedly the share that the code asks for (N mm). */
export function supportMoment(beam: PreparedBeam, code: DesignCode, analysis: BeamAnalysis, support: number): number {
  const { starts } = beam;
  const sides = [support - 1, support].filter((i) => i >= 0 && i < beam.spans.length);
  const held = isHeldEnd(beam, code, support) ? code.slab.heldEnd!.moment : 0;
  return Math.max(
    0,
    ...sides.map((i) => {
      const half = beam.spans[i]!.length / 2;
      return holdsMoment(beam, support) ? largest(analysis, i, 'hogging', starts[support]! - half, starts[support]! + half) : 0;
    }),
    ...sides.map((i) => held * spanMoment(beam, analysis, i, 'sagging')),
  );
}

/** An end that is free to turn in the analysis but stands on something that holds it a little. */
export function isHeldEnd(beam: PreparedBeam, code: DesignCode, support: number): boolean {
  const isEnd = support === 0 || support === beam.spans.length;
  return isEnd && code.slab.heldEnd !== null && beam.supports[support]!.type === 'pinned' && beam.supports[support]!.width > 0;
}

function chooseSupports(
  strip: StripInput,
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  more: MoreSteel,
  inset: number,
): (SlabBars | null)[] {
  const tasks = beam.supports.flatMap((s, support) => {
    const moment = supportMoment(beam, code, analysis, support);
    if (moment <= 0) return [];
    const span = Math.min(support, beam.spans.length - 1);
    const place = holdsMoment(beam, support) ? ('peak' as const) : ('elsewhere' as const);
    const least = more[`support-${supportName(support)}`] ?? 0;
    return [{ support, task: { span, sense: 'hogging' as const, moment, delta: s.redistribution, place, least } satisfies SlabTask }];
  });
  const chosen = chooseSlabBars(
    { strip, beam, code, inset },
    tasks.map((t) => t.task),
  );
  return beam.supports.map((_, j) => {
    const k = tasks.findIndex((t) => t.support === j);
    return strip.bars.support[j]!.bars ?? (k >= 0 ? chosen[k]! : null);
  });
}

/** Top bars run through a span only where its middle hogs; those of a cantilever are the bars of its root. */
function chooseTop(strip: StripInput, beam: PreparedBeam, code: DesignCode, analysis: BeamAnalysis, inset: number): (SlabBars | null)[] {
  const { starts } = beam;
  return beam.spans.map(({ length }, span) => {
    const own = strip.bars.top[span]!.main;
    if (own) return own;
    if (beam.supports[span]!.type === 'free' || beam.supports[span + 1]!.type === 'free') return null;
    const moment = largest(analysis, span, 'hogging', starts[span]! + 0.45 * length, starts[span]! + 0.55 * length);
    if (moment <= 0) return null;
    const task: SlabTask = { span, sense: 'hogging', moment, delta: 1, place: 'elsewhere', least: 0 };
    return chooseSlabBars({ strip, beam, code, inset }, [task])[0]!;
  });
}

/** Bars across: the least that the code asks for below, and above where there are top bars that they tie. */
function chooseAcross(strip: StripInput, beam: PreparedBeam, code: DesignCode, steel: StripSteel): StripSteel['across'] {
  const { b } = beam.section;
  const hasTop = steel.support.some((s) => s) || steel.top.some((t) => t.main);
  const choose = (need: number, place: 'peak' | 'elsewhere'): SlabBars => {
    const depths = beam.spans.map((_, i) => outlineOf(beam, i).h);
    const most = code.slab.acrossSpacing(Math.min(...depths), place).value;
    const fits = slabOptions(strip).filter((o) => o.spacing <= most + 1e-6 && layerOf(o, strip.catalogue).area * b >= need - 1e-6);
    const area = (o: SlabBars) => layerOf(o, strip.catalogue).area;
    return fits.length > 0 ? fits.reduce((x, y) => (area(y) < area(x) ? y : x)) : slabOptions(strip).at(-1)!;
  };
  const need = Math.max(...acrossNeeds(strip, beam, code, steel).map((n) => n.need));
  return {
    bottom: strip.bars.across.bottom ?? choose(need, 'peak'),
    top: strip.bars.across.top ?? (hasTop ? choose(0, 'elsewhere') : null),
  };
}

/** Bottom steel of each span, its gross section, and the least steel across (mm2 on the strip's width). */
export function acrossNeeds(strip: StripInput, beam: PreparedBeam, code: DesignCode, steel: StripSteel) {
  return beam.spans.map((_, i) => {
    const { main, extra } = steel.bottom[i]!;
    const layers = [main, ...(extra ? [extra.bars] : [])];
    const area = layers.reduce((sum, l) => sum + layerOf(l, strip.catalogue).area * beam.section.b, 0);
    const { b, h } = outlineOf(beam, i);
    return { main: area, gross: b * h, need: code.slab.leastAcross(silent, area, b * h) };
  });
}

/** Sets the ends of bars that stop: where the shifted moment no longer needs them, and an anchorage length on. */
function withEnds(strip: StripInput, beam: PreparedBeam, code: DesignCode, analysis: BeamAnalysis, draft: StripSteel): StripSteel {
  const { starts } = beam;
  const end = starts[starts.length - 1]!;
  const { lengthStep } = usualSizes[strip.catalogue];
  const anchorage = anchorageLengths(beam, code, { catalogue: catalogues[strip.catalogue] });
  const map = (steel: StripSteel, length: typeof anchorage) =>
    new ResistanceMap(beam, code, new StripMap(strip, steel, code, beam.section.b, length));
  const bare = map(
    { ...draft, bottom: draft.bottom.map((b) => ({ ...b, extra: null })), support: draft.support.map(() => null) },
    anchorage,
  );
  const full = map(draft, () => 1);
  const { stations, maxM, lacking } = endsOf({ beam, code, analysis, bare, full });
  const bottom = draft.bottom.map((b, i) => {
    if (!b.extra) return b;
    const own = strip.bars.bottom[i]!.extra;
    const [start, finish] = [starts[i]!, starts[i + 1]!];
    // Where the bars that go on are too few, and always where the moment is largest: there the least steel is asked for.
    const peak = stations.reduce((best, st, k) => (st.span === i && (best < 0 || maxM[k]! > maxM[best]!) ? k : best), -1);
    const where = [...lacking(i, 'sagging', start, finish), stations[peak]!.x];
    const on = anchorage('bottom', b.extra.bars.size, i);
    const from = start + (own.from ?? roundDown(Math.max(0, Math.min(...where) - on - start), lengthStep));
    const to = own.to !== null ? start + own.to : finish - roundDown(Math.max(0, finish - Math.max(...where) - on), lengthStep);
    return { main: b.main, extra: { bars: b.extra.bars, from, to } };
  });
  const support = draft.support.map((run, j): SlabRun | null => {
    if (!run) return null;
    const own = strip.bars.support[j]!;
    const reach = (span: number, side: -1 | 1): number => {
      const length = beam.spans[span]?.length;
      if (length === undefined) return 0;
      const far = side === 1 ? span + 1 : span;
      if (beam.supports[far]!.type === 'free') return length;
      const centre = starts[j]!;
      const most = holdsMoment(beam, far) ? length / 2 : length;
      const where = lacking(span, 'hogging', side === 1 ? centre : centre - most, side === 1 ? centre + most : centre);
      const furthest = where.length > 0 ? Math.max(...where.map((x) => Math.abs(x - centre))) : 0;
      const half = beam.supports[j]!.width / 2;
      const held = isHeldEnd(beam, code, j) ? half + code.slab.heldEnd!.reach * length : 0;
      const needed = Math.max(furthest, half) + anchorage('top', run.bars.size, span);
      return Math.min(length, roundUp(Math.max(needed, held), lengthStep));
    };
    const left = own.left ?? reach(j - 1, -1);
    const right = own.right ?? reach(j, 1);
    return { bars: run.bars, from: Math.max(0, starts[j]! - left), to: Math.min(end, starts[j]! + right) };
  });
  return { ...draft, bottom, support };
}
