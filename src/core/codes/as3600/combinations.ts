import type { Combination, CombinationKind, LoadCase, Nature } from '../../analysis/combination';

/** Factors of AS/NZS 1170.0 table 4.1 for distributed actions: short-term, long-term, combination, earthquake. */
export interface Psi {
  readonly s: number;
  readonly l: number;
  readonly c: number;
  readonly E: number;
}

const floor: Psi = { s: 0.7, l: 0.4, c: 0.4, E: 0.3 };
const store: Psi = { s: 1, l: 0.6, c: 0.6, E: 0.6 };

/** Uses of areas with their factors, table 4.1; the first is that of cases which name none. */
export const uses: Readonly<Record<string, readonly [title: string, psi: Psi]>> = {
  residential: ['residential and domestic', floor],
  office: ['offices', floor],
  parking: ['parking', floor],
  retail: ['retail', floor],
  storage: ['storage', store],
  other: ['other', store],
  roofFloor: ['roof used as a floor', floor],
  roof: ['roof, not for such use', { s: 0.7, l: 0, c: 0, E: 0 }],
  // Categories of EN 1990, for members that were begun to it: crowds and heavy traffic have no line of their own in table 4.1.
  A: ['A (EN 1990), as residential', floor],
  B: ['B (EN 1990), as offices', floor],
  C: ['C (EN 1990), as other', store],
  D: ['D (EN 1990), as retail', floor],
  E: ['E (EN 1990), as storage', store],
  F: ['F (EN 1990), as parking', floor],
  G: ['G (EN 1990), as other', store],
  H: ['H (EN 1990), as roof', { s: 0.7, l: 0, c: 0, E: 0 }],
};

/** The factors of a variable case by its nature and use. */
export function psiOf({ nature, category }: Pick<LoadCase, 'nature' | 'category'>): Psi {
  if (nature === 'roof') return uses.roof![1];
  return (uses[category] ?? uses.residential!)[1];
}

const isImposed = (nature: Nature) => nature === 'imposed' || nature === 'roof';
/** Actions that are typed with their ultimate values, 4.2.2(g): snow, and rain that ponds. */
const isUltimate = (nature: Nature) => nature === 'snow' || nature === 'rain';

interface Draft {
  readonly kind: CombinationKind;
  readonly clause: string;
  readonly title: string;
  readonly permanent: number;
  readonly imposed: (psi: Psi) => number;
  readonly lead?: { readonly nature: Nature; readonly sign: 1 | -1 };
}

const none = () => 0;

/**
 * The combinations of AS/NZS 1170.0 4.2.2 and 4.3 for a set of cases. Wind, earthquake, snow and rain are ultimate values as they are typed; wind and
 * earthquake come from either side. A variable case counts only where it is unfavourable; the analysis sees to that. Wind in service is another
 * value than that which is typed: it stands in no combination of service.
 */
export function combinations(cases: readonly LoadCase[]): Combination[] {
  const has = (test: (nature: Nature) => boolean) => cases.some((c) => test(c.nature));
  const leads = (nature: Nature, signs: readonly (1 | -1)[]) => (has((n) => n === nature) ? signs.map((sign) => ({ nature, sign })) : []);
  const sides = [1, -1] as const;
  const word = (sign: 1 | -1) => (sign > 0 ? '+' : '−');
  const drafts: Draft[] = [
    { kind: 'ultimate', clause: '4.2.2(a)', title: '1.35G', permanent: 1.35, imposed: none },
    { kind: 'ultimate', clause: '4.2.2(b)', title: '1.2G + 1.5Q', permanent: 1.2, imposed: () => 1.5 },
    { kind: 'ultimate', clause: '4.2.2(c)', title: '1.2G + 1.5ψlQ', permanent: 1.2, imposed: (p) => 1.5 * p.l },
    ...leads('wind', sides).flatMap((lead): Draft[] => [
      { kind: 'ultimate', clause: '4.2.2(d)', title: `1.2G ${word(lead.sign)} Wu + ψcQ`, permanent: 1.2, imposed: (p) => p.c, lead },
      { kind: 'ultimate', clause: '4.2.2(e)', title: `0.9G ${word(lead.sign)} Wu`, permanent: 0.9, imposed: none, lead },
    ]),
    ...leads('earthquake', sides).map((lead): Draft => ({
      kind: 'ultimate',
      clause: '4.2.2(f)',
      title: `G ${word(lead.sign)} Eu + ψEQ`,
      permanent: 1,
      imposed: (p) => p.E,
      lead,
    })),
    ...(['snow', 'rain'] as const).flatMap((nature) =>
      leads(nature, [1]).map((lead): Draft => ({
        kind: 'ultimate',
        clause: '4.2.2(g)',
        title: '1.2G + Su + ψcQ',
        permanent: 1.2,
        imposed: (p) => p.c,
        lead,
      })),
    ),
    { kind: 'service', clause: '4.3', title: 'G + ψsQ', permanent: 1, imposed: (p) => p.s },
    { kind: 'sustained', clause: '4.3', title: 'G + ψlQ', permanent: 1, imposed: (p) => p.l },
  ];
  const counters: Partial<Record<string, number>> = {};
  const seen = new Set<string>();
  return drafts.flatMap((draft): Combination[] => {
    const factors = factorsOf(cases, draft);
    const key = `${draft.kind} ${JSON.stringify(factors)}`;
    if (factors.length === 0 || seen.has(key)) return [];
    seen.add(key);
    const letter = { ultimate: 'U', service: 'S', sustained: 'L' }[draft.kind as 'ultimate'];
    const number = (counters[letter] = (counters[letter] ?? 0) + 1);
    return [{ id: `${letter}${number}`, title: draft.title, kind: draft.kind, clause: `AS/NZS 1170.0 ${draft.clause}`, factors }];
  });
}

function factorsOf(cases: readonly LoadCase[], { kind, permanent, imposed, lead }: Draft): Combination['factors'] {
  return cases.flatMap((c) => {
    const factor = factorOf(c);
    return factor === 0 ? [] : [{ caseId: c.id, factor }];
  });

  function factorOf(c: LoadCase): number {
    if (c.nature === 'permanent') return permanent;
    // The standard names no factor for settlement: it counts once.
    if (c.nature === 'settlement') return 1;
    if (isImposed(c.nature)) return imposed(psiOf(c));
    if (lead?.nature === c.nature) return lead.sign;
    // Snow and rain in service are as they are typed, which is more than their values in service.
    return kind === 'service' && isUltimate(c.nature) ? 1 : 0;
  }
}
