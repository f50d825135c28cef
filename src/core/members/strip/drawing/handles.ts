import type { LineHandle } from '../../beam/drawing/handles';

/** What can be changed on the drawings of a slab that spans one way. */
export type StripHandle =
  | LineHandle
  /** Of the slab, or of a span that has its own. */
  | { readonly of: 'depth'; readonly span: number | null }
  | { readonly of: 'breadth' }
  | { readonly of: 'cover' | 'across'; readonly face: 'top' | 'bottom' };
