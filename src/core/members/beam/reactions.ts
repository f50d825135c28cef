import { amount, type Block, type Cell } from '../../document/blocks';
import type { QuantityKind } from '../../units/quantity';
import type { BeamAnalysis } from './analysis';
import { supportName, type BeamSupport } from './input';

export interface SupportReaction {
  readonly support: number;
  /** The largest and the least in ultimate combinations, positive upwards (N). */
  readonly max: number;
  readonly min: number;
  /** Of each case with all its loads, unfactored and before any redistribution (N); of known forces, of each set. */
  readonly cases: readonly { readonly id: string; readonly title: string; readonly force: number }[];
}

/** What every support that holds the beam up carries. */
export function supportReactions(
  supports: readonly Pick<BeamSupport, 'type'>[],
  { envelope, elastic }: Pick<BeamAnalysis, 'envelope' | 'elastic'>,
): SupportReaction[] {
  return supports.flatMap(({ type }, support) => {
    if (type === 'free') return [];
    const cases = elastic.map(({ loadCase: { id, title }, parts }) => ({
      id,
      title,
      force: parts.reduce((sum, { response }) => sum + response.reactions[support]!, 0),
    }));
    return [{ support, max: envelope.maxR[support]!, min: envelope.minR[support]!, cases }];
  });
}

/** Whose reactions: a strip of slab has them per length of slab (its width, mm); known forces come in sets, not in cases. */
export interface ReactionsOf {
  readonly width?: number;
  readonly areSets?: boolean;
}

/** Reactions support by support: the ultimate ones, and those of each case or set. */
export function reactionTable(
  reactions: readonly SupportReaction[],
  { width, areSets }: ReactionsOf = {},
): Block & { readonly kind: 'table' } {
  const kind: QuantityKind = width === undefined ? 'force' : 'lineLoad';
  const cell = (v: number): Cell => amount(v / (width ?? 1), kind);
  const figure = (title: string) => ({ title, kind, isNumber: true });
  const cases = areSets
    ? 'Those of sets are as the forces were given: the jumps of the shear over the supports.'
    : 'Those of cases are unfactored, with all loads of the case, before any redistribution.';
  return {
    kind: 'table',
    title: 'Reactions',
    columns: [
      { title: 'Support' },
      figure('Largest, ultimate'),
      figure('Least, ultimate'),
      ...(reactions[0]?.cases ?? []).map((c) => figure(c.title || c.id)),
      { title: '' },
    ],
    rows: reactions.map((r) => [
      supportName(r.support),
      cell(r.max),
      cell(r.min),
      ...r.cases.map((c) => cell(c.force)),
      r.min < 0 ? 'uplift' : '',
    ]),
    foot: `Positive upwards. ${cases}`,
  };
}
