import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { valueOf } from '@/exchange/tables/table-rows';
import { tablesToCsv, tablesToText } from '@/exchange/tables/csv';
import type { BeamResult } from '@/core/members/beam/result';
import { stationTable } from '@/core/members/beam/station-table';
import type { ColumnMember } from '@/core/members/column/input';
import type { ColumnResult } from '@/core/members/column/result';
import { reactionTable } from '@/core/members/beam/reactions';
import { setTable } from '@/core/members/column/set-table';
import type { StripResult } from '@/core/members/strip/result';
import { designNow } from '@/core/project/design-member';
import { memberPaper } from '@/core/project/member-paper';
import { readProject } from '@/core/project/read';
import type { Block } from '@/core/document/blocks';

const opened = readProject(JSON.parse(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8')));
if (!opened.ok) throw new Error('demo');
const { project } = opened;
const memberOf = (mark: string) => project.members.find((m) => m.mark === mark)!;

/** Numbers of a column of a table, in the units of its head; texts where they are none. */
function column(table: Block & { kind: 'table' }, title: string, nth = 0) {
  const at = table.columns.flatMap((c, i) => (c.title === title ? [i] : []))[nth]!;
  return table.rows.map((row) => valueOf(row[at]!, table.columns[at]!, 'SI'));
}
const numbers = (list: readonly (string | number)[]) => list.filter((v): v is number => typeof v === 'number');

describe('stations of a beam with its steel', () => {
  const result = designNow(project, memberOf('G2')) as BeamResult;
  const table = stationTable(result)!;

  test('one row for each station; the largest moment is that of the envelope, with its combination', () => {
    expect(table.rows).toHaveLength(result.strips!.x.length);
    const most = column(table, 'M most') as number[];
    const at = most.indexOf(Math.max(...most));
    expect(most[at]).toBeCloseTo(Math.max(...result.strips!.maxM) / 1e6, 6);
    expect(column(table, 'by')[at]).toContain(result.arrangements[result.strips!.maxMBy[at]!]!.combination);
  });
  test('where what a moment needs is no more than there is, the moment is no more than is carried, and the other way round', () => {
    for (const [face, sense] of [
      ['bottom', 'sagging'],
      ['top', 'hogging'],
    ]) {
      const [needed, there] = [column(table, `${face} steel needed`), column(table, `${face} steel there`)];
      const [M, carried] = [column(table, `M ${sense}, shifted`), column(table, `M ${sense} carried`)];
      let compared = 0;
      needed.forEach((n, i) => {
        if (typeof n !== 'number' || !(Number(M[i]) > 1)) return;
        compared += 1;
        // Both are worked out each in its own way: a share of a hundredth apart they need not agree.
        if (n < 0.99 * Number(there[i])) expect(Number(M[i])).toBeLessThanOrEqual(Number(carried[i]) * 1.01);
        if (Number(M[i]) < 0.99 * Number(carried[i])) expect(n).toBeLessThanOrEqual(Number(there[i]) * 1.01);
      });
      expect(compared).toBeGreaterThan(20);
    }
  });
  test('copied and saved, they are the same numbers under the same heads', () => {
    const csv = Papa.parse<string[]>(tablesToCsv([table], 'SI').slice(1)).data.slice(1);
    const text = Papa.parse<string[]>(tablesToText([table], 'SI'), { delimiter: '\t' }).data;
    expect(text).toEqual(csv.filter((row) => row.length > 1));
    expect(text[0]!.slice(0, 3)).toEqual(['Span', 'x m', 'M most kNm']);
  });
});

test('stations of a strip of slab are per length: moments of a strip of 1 m are those of a metre', () => {
  const result = designNow(project, memberOf('CS1')) as StripResult;
  const table = stationTable(result, result.width)!;
  expect(table.columns.map((c) => c.kind)).toEqual(expect.arrayContaining(['lineTorque', 'lineLoad', 'areaPerWidth']));
  const most = Math.max(...numbers(column(table, 'M most')));
  expect(most).toBeCloseTo(Math.max(...result.strips!.maxM) / 1e6 / (result.width / 1000), 6);
  const twice = stationTable(result, 2 * result.width)!;
  expect(Math.max(...numbers(column(twice, 'M most')))).toBeCloseTo(most / 2, 9);
  expect(column(twice, 'x')).toEqual(column(table, 'x'));
});

test('load sets of a column with what comes of them: all are there, the largest utilisation is the one on the ladder', () => {
  const member = memberOf('FC1') as ColumnMember;
  const result = designNow(project, member) as ColumnResult;
  const table = setTable(member, result);
  expect(column(table, 'Set')).toEqual(result.sets.map((s) => s.name));
  expect(column(table, 'N')).toEqual(result.sets.map((s) => Number((s.N / 1e3).toPrecision(12))));
  const utilisations = numbers(column(table, 'Utilisation'));
  const worst = Math.max(...utilisations);
  expect(result.checks.some((c) => c.utilisation !== null && Math.abs(c.utilisation - worst) < 1e-9)).toBe(true);
  expect(stationTable({ strips: null, arrangements: [] })).toBeNull();
});

describe('reactions of a beam by case', () => {
  const twoSpans = { format: 'intarsia', version: 1, code: { id: 'en1992', variant: 'recommended' } };
  const beam = {
    type: 'beam',
    id: 'b',
    mark: 'B',
    section: { b: 300, h: 500 },
    selfWeight: false,
    spans: [{ length: 5000 }, { length: 5000 }],
    supports: [{}, {}, {}],
  };
  const dead = { id: 'G', title: 'Dead', nature: 'permanent' };
  const load = (id: string, value: number) => ({ type: 'uniform', case: id, value });
  const result = designNow(project, memberOf('G2')) as BeamResult;
  test('two equal spans under a uniform load: 3/8, 10/8 and 3/8 of the load of a span; unfactored', () => {
    // 5 m spans without own weight, 12 kN/m permanent: 0.375 x 60 = 22.5 kN, 1.25 x 60 = 75 kN, 22.5 kN.
    const read = readProject({ ...twoSpans, members: [{ ...beam, cases: [dead], loads: [load('G', 12)] }] });
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const { reactions } = designNow(read.project, read.project.members[0]!) as BeamResult;
    expect(reactions.map((r) => r.cases.map((c) => [c.id, Number((c.force / 1e3).toFixed(6))]))).toEqual([
      [['G', 22.5]],
      [['G', 75]],
      [['G', 22.5]],
    ]);
    const table = reactionTable(reactions);
    expect(column(table, 'Dead')).toEqual([22.5, 75, 22.5].map((v) => expect.closeTo(v, 6)));
  });
  test('with all factors 1 the cases add up to all loads: the sum that is checked by hand', () => {
    const sum = result.reactions.reduce((all, r) => all + r.cases.reduce((s, c) => s + c.force, 0), 0);
    expect(sum).toBeCloseTo(result.handChecks[0]!.byHand, 0);
  });
  test('with loads that are all there or not: 1.35 x 75 + 1.5 x 50 = 176.25 in the middle, 1.35 x 22.5 + 1.5 x 15 = 52.875 at the ends', () => {
    // Q 8 kN/m gives 15, 50 and 15 kN; the least is 1.0 of the dead load, without Q.
    const read = readProject({
      ...twoSpans,
      members: [{ ...beam, cases: [dead, { id: 'Q', nature: 'imposed', pattern: false }], loads: [load('G', 12), load('Q', 8)] }],
    });
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const { reactions } = designNow(read.project, read.project.members[0]!) as BeamResult;
    expect(reactions.map((r) => [r.max / 1e3, r.min / 1e3])).toEqual(
      [
        [52.875, 22.5],
        [176.25, 75],
        [52.875, 22.5],
      ].map(([most, least]) => [expect.closeTo(most!, 6), expect.closeTo(least!, 6)]),
    );
  });
  test('known forces come in sets: the table says so, and has the jump of the shear at each support', () => {
    const stations = [
      { set: 'U1', span: 0, at: 0, moment: 0, shear: 60 },
      { set: 'U1', span: 0, at: 2500, moment: 75, shear: 0 },
      { set: 'U1', span: 0, at: 5000, moment: 0, shear: -60 },
    ];
    const own = {
      ...beam,
      mode: 'stations',
      spans: [{ length: 5000 }],
      supports: [{}, {}],
      stationSets: [{ name: 'U1', use: 'ultimate' }],
      stations,
    };
    const read = readProject({ ...twoSpans, members: [own] });
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const member = read.project.members[0]!;
    const found = designNow(read.project, member) as BeamResult;
    const table = reactionTable(found.reactions, { areSets: true });
    expect(column(table, 'U1')).toEqual([60, 60].map((v) => expect.closeTo(v, 6)));
    expect(table.foot).toContain('as the forces were given');
    expect(JSON.stringify(memberPaper(read.project, member, found, 'working'))).toContain('as the forces were given');
  });
});
