/** The bars of a beam or a slab along its spans: which of them something drawn stands for. */
export type BarsHandle =
  { readonly of: 'bottom' | 'extra' | 'top'; readonly span: number } | { readonly of: 'over'; readonly support: number };

/** The end of a run of bars, or of a zone of links. */
export type EndHandle =
  | { readonly of: 'extraEnd'; readonly span: number; readonly end: 'from' | 'to' }
  | { readonly of: 'overEnd'; readonly support: number; readonly end: 'left' | 'right' }
  | { readonly of: 'linksEnd'; readonly span: number; readonly zone: number };

/** A zone of links; slabs have none. */
export type LinksHandle = { readonly of: 'links'; readonly span: number; readonly zone: number };

/** Bars and links that may be set by hand: null where they are chosen. */
interface SetBars {
  readonly bottom: readonly { readonly main: unknown; readonly extra: { readonly bars: unknown } }[];
  readonly top: readonly { readonly main: unknown }[];
  readonly support: readonly { readonly bars: unknown }[];
  readonly links?: readonly { readonly zones: unknown }[];
}

/** Whether the bars or links that a handle names were set by hand. */
export function isSetByHand(bars: SetBars, handle: BarsHandle | LinksHandle): boolean {
  if (handle.of === 'links') return isThere(bars.links?.[handle.span]?.zones);
  if (handle.of === 'over') return isThere(bars.support[handle.support]?.bars);
  if (handle.of === 'extra') return isThere(bars.bottom[handle.span]?.extra.bars);
  return isThere((handle.of === 'top' ? bars.top : bars.bottom)[handle.span]?.main);
}

const isThere = (v: unknown): boolean => v !== null && v !== undefined;

/** What can be changed on the drawings of members along a line. */
export type LineHandle =
  | BarsHandle
  | EndHandle
  | LinksHandle
  | { readonly of: 'spanLength'; readonly span: number }
  | { readonly of: 'support'; readonly support: number }
  | { readonly of: 'load'; readonly load: number };

/** What can be changed on the drawings of a beam. */
export type BeamHandle = LineHandle | { readonly of: 'section'; readonly side: 'b' | 'h' | 'flangeWidth' | 'flangeDepth' };
