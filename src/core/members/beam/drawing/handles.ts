/** The bars of a beam or a slab along its spans: which of them something drawn stands for. */
export type BarsHandle =
  { readonly of: 'bottom' | 'extra' | 'top'; readonly span: number } | { readonly of: 'over'; readonly support: number };

/** What can be changed on the drawings of members along a line. */
export type LineHandle =
  | BarsHandle
  | { readonly of: 'extraEnd'; readonly span: number; readonly end: 'from' | 'to' }
  | { readonly of: 'overEnd'; readonly support: number; readonly end: 'left' | 'right' }
  | { readonly of: 'links' | 'linksEnd'; readonly span: number; readonly zone: number }
  | { readonly of: 'spanLength'; readonly span: number }
  | { readonly of: 'support'; readonly support: number }
  | { readonly of: 'load'; readonly load: number };

export const pathOfBars = (h: BarsHandle): string =>
  h.of === 'over'
    ? `bars.support[${h.support}].bars`
    : h.of === 'extra'
      ? `bars.bottom[${h.span}].extra.bars`
      : `bars.${h.of}[${h.span}].main`;
