import type { Materials } from '../../codes/design-code';
import type { SlabBarRules } from '../../reinforcement/slab-bars';
import type { SharedSettings } from '../kind';
import type { Part, service } from './schema-parts';

/** Another concrete, where one is set. */
export const withConcrete = <M extends { readonly materials: Materials }>({ materials }: M, { concrete }: SharedSettings) => ({
  materials: concrete === null ? materials : { ...materials, concreteStrength: concrete },
});

/** Limits in service of what is analysed along a line. */
export function withLineService(m: { readonly service: Part<typeof service> }, s: SharedSettings) {
  const { deflection, hasPartitions, crackWidth } = s;
  return {
    service: {
      ...m.service,
      ...(crackWidth === null ? {} : { crackWidth }),
      ...(deflection !== null && deflection >= 50 && deflection <= 5000 ? { limits: { ...m.service.limits, total: deflection } } : {}),
      ...(hasPartitions === null ? {} : { hasPartitions }),
    },
  };
}

/** Sizes that bars of a slab are chosen from. */
export const withSlabSizes = ({ barRules }: { readonly barRules: SlabBarRules }, { mainSizes }: SharedSettings) => ({
  barRules: mainSizes.length > 0 ? { ...barRules, sizes: mainSizes } : barRules,
});
