import type { LoadSet } from '../input';

/** What can be changed on the drawings of a column or wall. */
export type ColumnHandle =
  | { readonly of: 'shape'; readonly side: 'b' | 'h' | 'diameter' | 'wall' | 'tx' | 'ty' | 'web' | 'flange' | 'outer' }
  | { readonly of: 'bars' | 'ties' | 'cover' }
  | { readonly of: 'bar'; readonly bar: number }
  | { readonly of: 'axis'; readonly axis: 'x' | 'y' }
  | { readonly of: 'moment'; readonly set: number; readonly at: SetMoment };

export type SetMoment = keyof Pick<LoadSet, 'mxTop' | 'mxBottom' | 'myTop' | 'myBottom'>;
