import { guessReadings, leftOut, readTable } from '@/exchange/mapped-table';
import { guessUse, lengthsIn, readStations, spanNames, stationVocabulary, type StationsOptions } from '@/exchange/paste-stations';

const tsv = (...rows: (string | number)[][]) => rows.map((r) => r.join('\t')).join('\n');
const read = (text: string, o: Partial<StationsOptions> = {}) => {
  const table = readTable(text);
  const readings = guessReadings(stationVocabulary, table, 'SI');
  const basis = { readings, system: 'SI', saggingNegative: false, shearTurned: null, spanBy: 'along', order: [], lengths: [6000] } as const;
  return { table, readings, found: readStations(table, { ...basis, ...o }) };
};
const values = ({ found }: ReturnType<typeof read>) => found.rows.map((r) => r.value && [r.value.set, r.value.span, r.value.at]);

describe('forces along the spans, pasted', () => {
  test('members are spans in their order, My goes with Vz, N is left out by name, and the sign of V is found from M', () => {
    // 20 kN/m on 4 m: M = 40 kNm in the middle, V = 40 kN; the table has V with the other sign.
    const text = tsv(
      ['Beam', 'Case', 'x', 'N', 'My', 'Vz'],
      ['B7', 'U1', 0, 5, 0, -40],
      ['B7', 'U1', 2, 5, 40, 0],
      ['B7', 'U1', 4, 5, 0, 40],
      ['B8', 'U1', 0, 5, 0, -40],
      ['B8', 'U1', 4, 5, 0, 40],
    );
    const r = read(text, { spanBy: 'member', order: ['B7', 'B8'], lengths: [4000, 4000] });
    expect(values(r)).toEqual([
      ['U1', 0, 0],
      ['U1', 0, 2000],
      ['U1', 0, 4000],
      ['U1', 1, 0],
      ['U1', 1, 4000],
    ]);
    expect(r.found.shearTurned).toBe(true);
    expect(r.found.rows[0]!.value).toMatchObject({ shear: 40_000, moment: 0 });
    expect(leftOut(r.table, r.readings)).toEqual(['N']);
    expect(spanNames(r.table, r.readings, 'member')).toEqual(['B7', 'B8']);
    expect(lengthsIn(r.table, { readings: r.readings, system: 'SI' }, 'member', ['B7', 'B8'])).toEqual([4000, 4000]);
  });
  test('along the whole beam a support that stands twice divides its rows; what lies off the beam is refused by name', () => {
    const rows = [0, 3, 6, 6, 9, 12, 13].map((x, k) => ['U', x, k, 10 - k]);
    const r = read(tsv(['Combination', 'Station', 'M', 'V'], ...rows), { lengths: [6000, 6000] });
    expect(values(r)).toEqual([['U', 0, 0], ['U', 0, 3000], ['U', 0, 6000], ['U', 1, 0], ['U', 1, 3000], ['U', 1, 6000], undefined]);
    expect(r.found.rows[6]!.reason).toMatch(/13\.00 m lies off the beam, which is 12\.00 m long/);
  });
  test('rows of members that are no span are left out, rows without a station refused', () => {
    const text = tsv(['Beam', 'Station', 'M', 'V'], ['B1', 0, 0, 1], ['B9', 0, 0, 1], ['B1', '', 4, 1]);
    const r = read(text, { spanBy: 'member', order: ['B1'] });
    expect(r.found.rows).toHaveLength(2);
    expect(r.found.rows[1]!.reason).toBe('There is no station in this row.');
    expect(r.found.sets).toEqual(['forces']);
  });
  test.each([
    ['SLS quasi-permanent', 'quasiPermanent'],
    ['Char 3', 'characteristic'],
    ['SLS 2', 'characteristic'],
    ['1.35G + 1.5Q', 'ultimate'],
  ] as const)('%s is shown as %s, to be changed', (name, use) => {
    expect(guessUse(name, ['ultimate', 'characteristic', 'quasiPermanent', 'permanent'])).toBe(use);
  });
});
