/** The bars of a beam or a slab along its spans: which of them something drawn stands for. */
export type BarsHandle =
  { readonly of: 'bottom' | 'extra' | 'top'; readonly span: number } | { readonly of: 'over'; readonly support: number };

/** The end of a run of bars, or of a zone of links. */
export type EndHandle =
  | { readonly of: 'extraEnd'; readonly span: number; readonly end: 'from' | 'to' }
  | { readonly of: 'overEnd'; readonly support: number; readonly end: 'left' | 'right' }
  | { readonly of: 'linksEnd'; readonly span: number; readonly zone: number };

/** What can be changed on the drawings of members along a line. */
export type LineHandle =
  | BarsHandle
  | EndHandle
  /** Slabs have none. */
  | { readonly of: 'links'; readonly span: number; readonly zone: number }
  | { readonly of: 'spanLength'; readonly span: number }
  | { readonly of: 'support'; readonly support: number }
  | { readonly of: 'load'; readonly load: number };

/** What can be changed on the drawings of a beam. */
export type BeamHandle = LineHandle | { readonly of: 'section'; readonly side: 'b' | 'h' | 'flangeWidth' | 'flangeDepth' };
