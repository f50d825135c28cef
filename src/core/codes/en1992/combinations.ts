import { isAlwaysThere, type Combination, type CombinationKind, type LoadCase } from '../../analysis/combination';
import { psiOf, type NationalAnnex } from './national';

/** Which expressions of EN 1990 6.4.3.2(3) are used for STR. */
export type UltimateRule = '6.10' | '6.10ab';

type Factor = { readonly caseId: string; readonly factor: number };
interface Draft {
  readonly title: string;
  readonly kind: CombinationKind;
  readonly clause: string;
  readonly factors: Factor[];
}

/**
 * The combinations of EN 1990 for a set of cases: ultimate (each variable leading in turn, permanent as a whole unfavourable
 * or favourable), characteristic, frequent and quasi-permanent, and the seismic one where there is an earthquake case.
 * A variable case counts only where it is unfavourable; the analysis sees to that.
 */
export function combinations(cases: readonly LoadCase[], annex: NationalAnnex, rule: UltimateRule): Combination[] {
  const drafts = [...ultimate(cases, annex, rule), ...seismic(cases, annex), ...service(cases, annex)];
  const counters: Partial<Record<string, number>> = {};
  return drafts.map((draft) => {
    const letter = { ultimate: 'U', characteristic: 'C', frequent: 'F', quasiPermanent: 'P', service: 'S', sustained: 'L' }[draft.kind];
    const number = (counters[letter] = (counters[letter] ?? 0) + 1);
    return { id: `${letter}${number}`, ...draft };
  });
}

const windSuffix = (sign: number) => (sign > 0 ? ', wind +' : ', wind −');

const variable = (cases: readonly LoadCase[]) => cases.filter((c) => !isAlwaysThere(c.nature) && c.nature !== 'earthquake');

function permanent(cases: readonly LoadCase[], annex: NationalAnnex, factor: number): Factor[] {
  return cases
    .filter((c) => isAlwaysThere(c.nature))
    .map((c) => ({ caseId: c.id, factor: c.nature === 'settlement' ? annex.gammaSet : factor }));
}

function ultimate(cases: readonly LoadCase[], annex: NationalAnnex, rule: UltimateRule): Draft[] {
  const drafts: Draft[] = [];
  const add = (title: string, clause: string, factors: Factor[]) =>
    drafts.push({ title, kind: 'ultimate', clause: `EN 1990 ${clause}`, factors });
  const actions = variable(cases);
  if (permanent(cases, annex, 1).length + actions.length === 0) return [];
  const accompany = (lead?: LoadCase, signs = 1): Factor[] =>
    actions.map((c) => {
      const [psi0] = psiOf(annex, c.nature, c.category);
      const sign = c.nature === 'wind' ? signs : 1;
      return { caseId: c.id, factor: sign * annex.gammaQ * (c === lead ? 1 : psi0) };
    });
  const signs = actions.some((c) => c.nature === 'wind') ? [1, -1] : [1];
  for (const [name, gamma] of [
    ['G unfavourable', annex.gammaG],
    ['G favourable', annex.gammaGInf],
  ] as const) {
    const isSup = gamma === annex.gammaG;
    if (actions.length === 0) {
      add(name, rule === '6.10' ? '(6.10)' : '(6.10a)', permanent(cases, annex, gamma));
      continue;
    }
    for (const sign of signs) {
      const suffix = signs.length > 1 ? windSuffix(sign) : '';
      if (rule === '6.10ab')
        add(`${name}, all variable reduced${suffix}`, '(6.10a)', [...permanent(cases, annex, gamma), ...accompany(undefined, sign)]);
      for (const lead of actions) {
        // xi reduces only the unfavourable permanent load.
        const factor = rule === '6.10ab' && isSup ? annex.xi * gamma : gamma;
        add(`${name}, ${lead.title} leading${suffix}`, rule === '6.10' ? '(6.10)' : '(6.10b)', [
          ...permanent(cases, annex, factor),
          ...accompany(lead, sign),
        ]);
      }
    }
  }
  return drafts;
}

function seismic(cases: readonly LoadCase[], annex: NationalAnnex): Draft[] {
  return cases
    .filter((c) => c.nature === 'earthquake')
    .flatMap((quake) =>
      [1, -1].map((sign) => ({
        title: `${quake.title} ${sign > 0 ? '+' : '−'}`,
        kind: 'ultimate' as const,
        clause: 'EN 1990 (6.12b)',
        factors: [
          ...cases.filter((c) => c.nature === 'permanent').map((c) => ({ caseId: c.id, factor: 1 })),
          { caseId: quake.id, factor: sign },
          ...variable(cases).map((c) => ({ caseId: c.id, factor: psiOf(annex, c.nature, c.category)[2] })),
        ],
      })),
    );
}

function service(cases: readonly LoadCase[], annex: NationalAnnex): Draft[] {
  const actions = variable(cases);
  const always = cases.filter((c) => isAlwaysThere(c.nature)).map((c) => ({ caseId: c.id, factor: 1 }));
  if (always.length + actions.length === 0) return [];
  const drafts: Draft[] = [];
  const leads: (LoadCase | undefined)[] = actions.length > 0 ? [...actions] : [undefined];
  for (const lead of leads) {
    const title = lead ? `${lead.title} leading` : 'permanent';
    const add = (kind: CombinationKind, clause: string, leading: number, other: 0 | 2) => {
      const own = (c: LoadCase) => (c === lead ? leading : psiOf(annex, c.nature, c.category)[other]);
      // Wind comes from either side in service as well; where it has no part there is one combination.
      const isSigned = actions.some((c) => c.nature === 'wind' && own(c) !== 0);
      for (const sign of isSigned ? [1, -1] : [1]) {
        const factors = actions.map((c) => ({ caseId: c.id, factor: (c.nature === 'wind' ? sign : 1) * own(c) }));
        const suffix = isSigned ? windSuffix(sign) : '';
        drafts.push({ title: `${title}${suffix}`, kind, clause: `EN 1990 ${clause}`, factors: [...always, ...factors] });
      }
    };
    add('characteristic', '(6.14b)', 1, 0);
    add('frequent', '(6.15b)', lead ? psiOf(annex, lead.nature, lead.category)[1] : 0, 2);
  }
  drafts.push({
    title: 'quasi-permanent',
    kind: 'quasiPermanent',
    clause: 'EN 1990 (6.16b)',
    factors: [...always, ...actions.map((c) => ({ caseId: c.id, factor: psiOf(annex, c.nature, c.category)[2] }))],
  });
  return drafts;
}
