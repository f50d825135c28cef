import type { Combination, CombinationKind, LoadCase, Nature } from '../../analysis/combination';

export interface CombinationBasis {
  /** 5.3.3: factor on L in (c), (d) and (e); 0.5 where it is permitted. */
  readonly liveCompanion: 1 | 0.5;
  /** Factor on effects of settlement, 5.3.6: not less than 1.0. */
  readonly settlement: number;
  /** Share of live load that is sustained, for long-term effects. */
  readonly sustained: number;
}

type Factor = { readonly caseId: string; readonly factor: number };
type Parts = Partial<Record<Nature, number>>;

/**
 * The combinations of ACI 318-19 table 5.3.1 for a set of cases. "Lr or S or R" gives one combination for each that is there;
 * wind and earthquake are taken in both senses. A variable case counts only where it is unfavourable; the analysis sees to that.
 */
export function combinations(cases: readonly LoadCase[], basis: CombinationBasis): Combination[] {
  const has = (nature: Nature) => cases.some((c) => c.nature === nature);
  const found: Combination[] = [];
  const seen = new Set<string>();
  const counters = { U: 0, S: 0, L: 0 };
  const add = (kind: CombinationKind, clause: string, title: string, parts: Parts) => {
    const factors = factorsOf(cases, parts, basis);
    const key = kind + JSON.stringify(factors);
    if (factors.length === 0 || seen.has(key)) return;
    seen.add(key);
    const letter = kind === 'ultimate' ? 'U' : kind === 'service' ? 'S' : 'L';
    found.push({ id: `${letter}${(counters[letter] += 1)}`, title, kind, clause: `5.3.1${clause}`, factors });
  };
  const roofs = (['roof', 'snow', 'rain'] as const).filter(has);
  const roofOptions: (Nature | undefined)[] = roofs.length > 0 ? roofs : [undefined];
  const name = { roof: 'Lr', snow: 'S', rain: 'R' } as Record<Nature, string>;
  const { liveCompanion: L } = basis;
  const live = L === 1 ? 'L' : '0.5L';

  add('ultimate', '(a)', '1.4D', { permanent: 1.4 });
  for (const r of roofOptions)
    add('ultimate', '(b)', `1.2D + 1.6L${r ? ` + 0.5${name[r]}` : ''}`, { permanent: 1.2, imposed: 1.6, ...(r && { [r]: 0.5 }) });
  for (const r of roofs) {
    add('ultimate', '(c)', `1.2D + 1.6${name[r]} + ${live}`, { permanent: 1.2, [r]: 1.6, imposed: L });
    if (has('wind'))
      for (const sign of [1, -1])
        add('ultimate', '(c)', `1.2D + 1.6${name[r]} ${sign > 0 ? '+' : '−'} 0.5W`, { permanent: 1.2, [r]: 1.6, wind: 0.5 * sign });
  }
  for (const sign of [1, -1]) {
    const s = sign > 0 ? '+' : '−';
    if (has('wind')) {
      for (const r of roofOptions)
        add('ultimate', '(d)', `1.2D ${s} W + ${live}${r ? ` + 0.5${name[r]}` : ''}`, {
          permanent: 1.2,
          wind: sign,
          imposed: L,
          ...(r && { [r]: 0.5 }),
        });
      add('ultimate', '(f)', `0.9D ${s} W`, { permanent: 0.9, wind: sign });
    }
    if (has('earthquake')) {
      add('ultimate', '(e)', `1.2D ${s} E + ${live} + 0.2S`, { permanent: 1.2, earthquake: sign, imposed: L, snow: 0.2 });
      add('ultimate', '(g)', `0.9D ${s} E`, { permanent: 0.9, earthquake: sign });
    }
  }
  for (const r of roofOptions)
    add('service', ' (service)', `D + L${r ? ` + ${name[r]}` : ''}`, { permanent: 1, imposed: 1, ...(r && { [r]: 1 }) });
  add('sustained', ' (sustained)', `D + ${basis.sustained}L`, { permanent: 1, imposed: basis.sustained });
  return found;
}

function factorsOf(cases: readonly LoadCase[], parts: Parts, basis: CombinationBasis): Factor[] {
  return cases.flatMap((c) => {
    const factor = c.nature === 'settlement' ? (parts.permanent && parts.permanent < 1.4 ? basis.settlement : 0) : parts[c.nature];
    return factor ? [{ caseId: c.id, factor }] : [];
  });
}
