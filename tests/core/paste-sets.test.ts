import { axesAsked, guessReadings, isNegative, leftOut, readTable } from '@/exchange/mapped-table';
import { largerBetween, readSets, setVocabulary, type ReadingOptions } from '@/exchange/paste-sets';

const options = (text: string, more: Partial<ReadingOptions> = {}) => {
  const table = readTable(text);
  const readings = guessReadings(setVocabulary, table, 'SI');
  return { table, readings, read: readSets(table, { readings, system: 'SI', compressionNegative: false, kind: 'ultimate', ...more }) };
};
const tsv = (...rows: (string | number)[][]) => rows.map((r) => r.join('\t')).join('\n');

describe('reading a pasted table of load sets', () => {
  it('takes headings with units, in any order', () => {
    const { readings, read } = options(tsv(['Set', 'My top [kNm]', 'N (kip)', 'Mx top', 'Mx foot'], ['A', 30, 100, 50, -20]));
    expect(readings.map((r) => [r.role, r.unit])).toEqual([
      ['name', ''],
      ['myTop', 'kNm'],
      ['N', 'kip'],
      ['mxTop', 'kNm'],
      ['mxBottom', 'kNm'],
    ]);
    expect(read.rows[0]!.value).toMatchObject({ name: 'A', mxTop: 50e6, mxBottom: -20e6, myTop: 30e6 });
    expect(read.rows[0]!.value!.N).toBeCloseTo(444_822.16, 1);
  });

  it('spreads merged headings over their columns', () => {
    const { readings } = options(tsv(['', 'N', 'Mx', '', 'My', ''], ['', '', 'top', 'foot', 'top', 'foot'], ['L1', 900, 10, 20, 30, 40]));
    expect(readings.map((r) => r.role)).toEqual(['skip', 'N', 'mxTop', 'mxBottom', 'myTop', 'myBottom']);
  });

  it('without headings goes by order: a name, then N and the moments', () => {
    const { readings, read } = options(tsv(['L1', 900, 10, 20], ['L2', 950, 11, 21]));
    expect(readings.map((r) => r.role)).toEqual(['name', 'N', 'mxTop', 'mxBottom']);
    expect(read.rows.map((r) => r.value!.name)).toEqual(['L1', 'L2']);
  });

  it('refuses text, dates and missing N by name, reads gaps as zero and says how many', () => {
    const { read } = options(
      tsv(['Set', 'N', 'Mx top', 'Mx foot'], ['A', 'n/a', 1, 2], ['B', 900, '12/05/2024', 2], ['C', '', 1, 2], ['D', 900, '', 2]),
    );
    expect(read.rows.map((r) => r.reason ?? 'ok')).toEqual([
      expect.stringMatching(/^N: "n\/a" is not a number/),
      expect.stringMatching(/^Mx top: "12\/05\/2024" is a date/),
      expect.stringMatching(/no axial force/),
      'ok',
    ]);
    expect(read.rows[1]!.column).toBe(2);
    expect(read.empty).toBe(1);
  });

  it('takes a unit in a cell over that of the column, and refuses one of another kind', () => {
    const { read } = options(tsv(['Set', 'N (kN)', 'Mx top (kNm)'], ['A', '0.9 MN', '10'], ['B', '900 MPa', '10']));
    expect(read.rows[0]!.value!.N).toBeCloseTo(900e3, 6);
    expect(read.rows[1]!.reason).toMatch(/not a unit for this value/);
  });

  it('sees that compression is written with a minus', () => {
    const { table, readings } = options(tsv(['Set', 'N', 'Mx top'], ['A', -900, 10], ['B', -800, 10], ['C', '−700', 10]));
    expect(isNegative(table, readings, 'N')).toBe(true);
    const mixed = options(tsv(['Set', 'N', 'Mx top'], ['A', -900, 10], ['B', -800, 10], ['C', 300, 10], ['D', 0, 1]));
    expect(isNegative(mixed.table, mixed.readings, 'N')).toBeUndefined();
    const read = readSets(table, { readings, system: 'SI', compressionNegative: true, kind: 'ultimate' });
    expect(read.rows.map((r) => r.value!.N)).toEqual([900e3, 800e3, 700e3]);
  });

  it('reads kinds and sustained parts by column', () => {
    const { read } = options(
      tsv(
        ['Set', 'Kind', 'N', 'Mx top', 'sustained'],
        ['A', 'ULS', 900, 10, 0.6],
        ['B', 'QP', 700, 8, ''],
        ['C', 'what', 1, 1, 1],
        ['D', '', 1, 1, 3],
      ),
    );
    expect(read.rows[0]!.value).toMatchObject({ kind: 'ultimate', sustained: 0.6 });
    expect(read.rows[1]!.value).toMatchObject({ kind: 'quasiPermanent', sustained: null });
    expect(read.rows[2]!.reason).toMatch(/"what" is none of/);
    expect(read.rows[3]!.reason).toMatch(/not a part from 0 to 1/);
  });

  it('10,000 rows with gaps, text, dates and mixed units lose nothing', () => {
    const bad = ['x', '', '3-4-2025', '900 MPa'];
    const rows = Array.from({ length: 10_000 }, (_, i) => [
      `S${i}`,
      i % 50 === 0 ? bad[(i / 50) % 4]! : i % 3 ? 900 + i : `${(900 + i) / 1000} MN`,
      i % 40,
    ]);
    const { read } = options(tsv(['Set', 'N', 'Mx top'], ...rows));
    expect(read.rows).toHaveLength(10_000);
    expect(read.rows.filter((r) => r.reason)).toHaveLength(200);
    expect(read.rows.every((r) => (r.value === undefined) !== (r.reason === undefined))).toBe(true);
    expect(read.rows[1]!.value!.N).toBeCloseTo(901e3, 3);
    expect(read.rows[3]!.value!.N).toBeCloseTo(903e3, 3);
  });

  const rolesOf = (...headings: string[]) =>
    options(
      tsv(
        headings,
        headings.map((_, i) => i + 1),
      ),
    ).readings.map((r) => r.role);

  it('takes axes by pairs, whichever runs along the column', () => {
    expect(rolesOf('N', 'Mx', 'My', 'Vx', 'Vy', 'T')).toEqual(['N', 'mxTop', 'myTop', 'vx', 'vy', 'torsion']);
    // My with Vz is the first pair, Mz with Vy the second; here Mx goes with Vy.
    expect(rolesOf('N', 'My', 'Mz', 'Vy', 'Vz', 'T')).toEqual(['N', 'mxTop', 'myTop', 'vx', 'vy', 'torsion']);
    expect(rolesOf('P', 'V2', 'V3', 'T', 'M2', 'M3')).toEqual(['N', 'vy', 'vx', 'torsion', 'myTop', 'mxTop']);
    expect(rolesOf('Load Case/Combo', 'N', 'Mx')[0]).toBe('name');
  });

  it('asks for the axis along the column where the headings do not say it, and names what is left out', () => {
    const table = readTable(tsv(['Case', 'Fx', 'Fy', 'Fz', 'Mx', 'My', 'Mz'], ['A', 1, 2, -900, 3, 4, 0]));
    expect(axesAsked(table)).toEqual({ isAsked: true, along: null });
    expect(leftOut(table, guessReadings(setVocabulary, table, 'SI'))).toEqual(['Fx', 'Fy', 'Fz', 'Mx', 'My']);
    expect(guessReadings(setVocabulary, table, 'SI', 'z').map((r) => r.role)).toEqual([
      'name',
      'vx',
      'vy',
      'N',
      'mxTop',
      'myTop',
      'torsion',
    ]);
  });

  const both = tsv(
    ['Column', 'Combo', 'Station', 'N', 'My', 'Vz'],
    ['C1', 'U1', 0, 830, -20, 12],
    ['C1', 'U1', 3.2, 820, 40, 12],
    ['C2', 'U1', 0, 500, 5, 3],
    ['C2', 'U1', 3.2, 500, 6, 3],
  );
  it('puts both ends of a column into one set, in the sense of the column', () => {
    const { read } = options(both);
    expect(read.rows.map((r) => [r.member, r.joined])).toEqual([
      ['C1', 1],
      ['C1', undefined],
      ['C2', 3],
      ['C2', undefined],
    ]);
    expect(read.rows[1]!.value).toMatchObject({ name: 'U1', N: 820e3, nBottom: 830e3, mxTop: 40e6, mxBottom: -20e6, vyBottom: null });
    expect(read.rows[3]!.value).toMatchObject({ N: 500e3, nBottom: null, mxTop: 6e6, mxBottom: 5e6 });
    expect(options(both, { signs: 'turning' }).read.rows[1]!.value).toMatchObject({ mxTop: 40e6, mxBottom: 20e6 });
    expect(options(both, { firstEnd: 'top' }).read.rows[0]!.value).toMatchObject({ N: 830e3, mxTop: -20e6, mxBottom: 40e6 });
  });

  it('refuses a set of one end beside sets of both, and an end given twice', () => {
    const lines = both.split('\n');
    expect(options(lines.slice(0, 4).join('\n')).read.rows[2]!.reason).toMatch(/U1 of C2 has one end only/);
    const twice = [...lines, lines[4]!].join('\n');
    expect(
      options(twice)
        .read.rows.filter((r) => r.reason)
        .map((r) => r.reason),
    ).toEqual(Array(3).fill('U1 of C2 has an end more than once.'));
  });

  it('names sets with more moment between the ends than at both', () => {
    const text = tsv(['Combo', 'Station', 'N', 'Mx'], ['U1', 0, 800, 10], ['U1', 1.6, 800, -50], ['U1', 3.2, 800, 20]);
    const { table, readings, read } = options(text);
    const o: ReadingOptions = { readings, system: 'SI', compressionNegative: false, kind: 'ultimate' };
    expect(read.rows.filter((r) => r.value)).toHaveLength(1);
    expect(largerBetween(read, table, o)).toEqual(['U1']);
  });

  it('reads ends by words', () => {
    const text = tsv(
      ['Combo', 'End', 'N', 'Mx'],
      ['U1', 'i', 800, 10],
      ['U1', 'j', 790, 20],
      ['U2', 'Top', 700, 3],
      ['U2', 'Bottom', 705, 4],
    );
    const values = options(text).read.rows.flatMap((r) => (r.value ? [r.value] : []));
    expect(values.map((v) => [v.N / 1e3, v.nBottom! / 1e3, v.mxTop / 1e6, v.mxBottom / 1e6])).toEqual([
      [790, 800, 20, 10],
      [700, 705, 3, 4],
    ]);
  });
});
