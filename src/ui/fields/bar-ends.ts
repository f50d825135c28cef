import type { Draft } from 'immer';
import type { Handle } from '@/core/drawing/shapes';
import type { EndHandle } from '@/core/members/beam/drawing/handles';
import { isBeam, supportName, supportPositions, type LinkZone } from '@/core/members/beam/input';
import type { LineMember } from '@/core/members/strip/input';
import { roundNear, usualSizes } from '@/core/reinforcement/usual-sizes';

type Recipe = (m: Draft<LineMember>) => void;

interface Ends {
  readonly from: number;
  readonly to: number;
}

/** The steel of a beam or a slab, as far as it has ends. */
export interface EndedSteel {
  readonly bottom: readonly { readonly extra: Ends | null }[];
  readonly support: readonly (Ends | null)[];
  readonly links?: readonly (readonly LinkZone[])[];
}

/** An end of a run of bars, or of a zone of links, as it is typed and as it is moved on the drawing. */
export interface BarEnd {
  readonly label: string;
  readonly hint: string;
  /** The length typed, and whether it was set by hand. */
  readonly value: number;
  readonly isOwn: boolean;
  readonly set: (m: Draft<LineMember>, value: number | null) => void;
  /** The length that puts the end at a place of the beam (mm from its left end). */
  readonly lengthAt: (x: number) => number;
  /** Between these the length can lie. */
  readonly least: number;
  readonly most: number;
}

/** The end that a handle of the drawing stands for; undefined for others and for runs that are not there. What is set by hand is
 *  the member's own: the steel that is drawn may still be that of the input before. */
export function barEndAt(handle: EndHandle | Handle, member: LineMember, steel: EndedSteel | null): BarEnd | undefined {
  const end = handle as EndHandle;
  if (!steel) return undefined;
  if (end.of === 'extraEnd') return extraEnd(member, steel, end.span, end.end);
  if (end.of === 'overEnd') return supportEnd(member, steel, end.support, end.end);
  return end.of === 'linksEnd' ? zoneEnd(member, steel, end.span, end.zone) : undefined;
}

function extraEnd(member: LineMember, steel: EndedSteel, i: number, key: 'from' | 'to'): BarEnd | undefined {
  const run = steel.bottom[i]?.extra;
  if (!run) return undefined;
  const start = supportPositions(member)[i]!;
  const own = member.bars.bottom[i]!.extra;
  const [from, to] = [own.from ?? run.from - start, own.to ?? run.to - start];
  return {
    label: `Extra bottom bars of span ${i + 1}, ${key === 'from' ? 'left' : 'right'} end`,
    hint: 'from the left end of the span',
    value: key === 'from' ? from : to,
    isOwn: own[key] !== null,
    set: (m, v) => void (m.bars.bottom[i]!.extra[key] = v),
    lengthAt: (x) => x - start,
    least: key === 'from' ? 0 : from,
    most: key === 'from' ? to : member.spans[i]!.length,
  };
}

function supportEnd(member: LineMember, steel: EndedSteel, j: number, key: 'left' | 'right'): BarEnd | undefined {
  const run = steel.support[j];
  if (!run) return undefined;
  const starts = supportPositions(member);
  const centre = starts[j]!;
  const own = member.bars.support[j]![key];
  return {
    label: `Bars over ${supportName(j)}, to the ${key}`,
    hint: 'from the centre of the support',
    value: own ?? (key === 'left' ? centre - run.from : run.to - centre),
    isOwn: own !== null,
    set: (m, v) => void (m.bars.support[j]![key] = v),
    lengthAt: (x) => (key === 'left' ? centre - x : x - centre),
    least: 0,
    most: key === 'left' ? centre : starts[starts.length - 1]! - centre,
  };
}

function zoneEnd(member: LineMember, steel: EndedSteel, i: number, k: number): BarEnd | undefined {
  if (!isBeam(member)) return undefined;
  const own = member.bars.links[i]?.zones ?? null;
  const zones = own ?? steel.links?.[i];
  const zone = zones?.[k];
  if (!zones || !zone || k >= zones.length - 1) return undefined;
  const start = supportPositions(member)[i]!;
  return {
    label: `Links of span ${i + 1}, end of zone ${k + 1}`,
    hint: 'from the left end of the span',
    value: zone.to,
    isOwn: own !== null,
    set: (m, v) => {
      if ('links' in m.bars) m.bars.links[i]!.zones = v === null ? null : zones.map((z, n) => (n === k ? { ...z, to: v } : { ...z }));
    },
    lengthAt: (x) => x - start,
    least: zones[k - 1]?.to ?? 0,
    most: zones[k + 1]!.to,
  };
}

/** What a handle does when it is moved to a place of the beam: the end snaps to whole steps and to faces, quarters and middles nearby. */
export function movedTo(end: BarEnd, x: number, member: LineMember, reach: number): { readonly value: number; readonly change: Recipe } {
  const { lengthStep } = usualSizes[member.catalogue];
  const near = notable(member)
    .map((place) => end.lengthAt(place))
    .find((length) => Math.abs(length - end.lengthAt(x)) <= reach);
  const value = Math.max(end.least, Math.min(end.most, near ?? roundNear(end.lengthAt(x), lengthStep)));
  return { value, change: (m) => end.set(m, value) };
}

/** Places where bars usually end: centres and faces of supports, quarters and middles of spans. */
function notable(member: LineMember): number[] {
  const starts = supportPositions(member);
  return [
    ...starts.flatMap((x, j) => [x, x - member.supports[j]!.width / 2, x + member.supports[j]!.width / 2]),
    ...member.spans.flatMap((s, i) => [0.25, 0.5, 0.75].map((part) => starts[i]! + part * s.length)),
  ];
}
