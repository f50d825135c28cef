import { makeCode } from '@/core/codes/registry';
import { silent } from '@/core/calc/calc';
import { finalCreep } from '@/core/codes/en1992/creep';
import { caseFaults } from '@/core/members/parts/case-faults';
import { materialFaults } from '@/core/members/parts/material-faults';

const en = makeCode({ id: 'en1992', variant: 'recommended', choices: {} });
const aci = makeCode({ id: 'aci318', variant: 'SI', choices: {} });
const load = (id: string, category = '', nature = 'imposed') => ({ id, title: '', nature, category, pattern: true }) as never;
const pathsOf = (faults: readonly { path: string }[]) => faults.map((f) => f.path);

describe('words that a code has for materials and loads', () => {
  test('a use of areas, a class of bars or of cement that the code does not know is refused at its field', () => {
    expect(
      pathsOf(caseFaults({ cases: [load('Q', 'C'), load('R', 'Z'), load('S', '', 'gift'), load('Q')], ownCombinations: [] }, en)),
    ).toEqual(['cases[1].category', 'cases[2].nature', 'cases[3].id']);
    const odd = { ...en.defaults, ductility: 'L', timeDependent: { ...en.defaults.timeDependent, cement: 'X' } };
    expect(pathsOf(materialFaults({ materials: odd }, en))).toEqual(['materials.ductility', 'materials.timeDependent.cement']);
  });
  test('what was said in the words of another code is left alone where a code has none', () => {
    expect(caseFaults({ cases: [load('Q', 'C')], ownCombinations: [] }, aci)).toEqual([]);
    expect(materialFaults({ materials: { ...aci.defaults, ductility: 'B' } }, aci)).toEqual([]);
  });
  test('classes of bars of another code count by their uniform strain, where it is enough', () => {
    const as = makeCode({ id: 'as3600', variant: '2018', choices: {} });
    const faults = (ductility: string, code = as) => materialFaults({ materials: { ...code.defaults, ductility } }, code);
    for (const ductility of ['N', 'L', 'A', 'B', 'C', '']) expect(faults(ductility)).toEqual([]);
    expect(pathsOf(faults('D'))).toEqual(['materials.ductility']);
    expect(faults('N', en)).toEqual([]);
    // 5 % of class N have B and C; A has less and counts as L, which allows no redistribution.
    const least = (ductility: string) => as.leastRedistribution({ ...as.defaults, ductility }).value;
    expect(['N', 'B', 'C', 'A', 'L'].map(least)).toEqual([0.7, 0.7, 0.7, 1, 1]);
    expect(as.steelLabel(500, 'N')).toBe('D500N');
    expect(as.steelLabel(500, 'B')).toBe('B500B');
  });
  test('a use that was not said is the first of the code: the combinations are the same', () => {
    const cases = (category: string) => [load('G', '', 'permanent'), load('Q', category), load('W', '', 'wind')];
    expect(en.combinations(cases(''))).toEqual(en.combinations(cases(Object.keys(en.categories)[0]!)));
    expect(en.combinations(cases('E'))).not.toEqual(en.combinations(cases('A')));
  });
  test('a cement that was not said is the usual one', () => {
    const phi = (cement: string) =>
      finalCreep(silent, { ...en.defaults, timeDependent: { ...en.defaults.timeDependent, cement } }, 150e3, 1600);
    expect(phi('')).toBe(phi('N'));
    expect(phi('R')).not.toBe(phi('N'));
  });
});
