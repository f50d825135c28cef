/**
 * @jest-environment node
 */
import { strToU8, zipSync } from 'fflate';
import readXlsx from 'read-excel-file/node';
import { newMember } from '@/core/project/new-member';
import { designNow } from '@/core/project/design-member';
import type { Member } from '@/core/members/kinds';
import type { BeamMember } from '@/core/members/beam/input';
import type { ColumnMember } from '@/core/members/column/input';
import type { PunchingMember } from '@/core/members/punching/input';
import { readProject } from '@/core/project/read';
import type { Project } from '@/core/project/project';
import { writeProject } from '@/core/project/write';
import { slabForcesForMembers } from '@/exchange/import/columns-of-slabs';
import { slabForcesOfMany } from '@/exchange/paste-punching';
import { setsForMembers, stationsForMembers } from '@/exchange/import/members-of-table';
import { MOST_FILE, readTableFile, type ReadWorkbook } from '@/exchange/import/table-file';
import { guessReadings, readTable } from '@/exchange/mapped-table';
import { setVocabulary } from '@/exchange/paste-sets';
import { stationVocabulary } from '@/exchange/paste-stations';
import { tablesToXlsx } from '@/exchange/tables/xlsx';
import { takeSlabForces, takeSets, takeStations } from '@/features/project/import/take-members';

const opened = readProject({ format: 'intarsia', version: 1, code: { id: 'en1992', variant: 'uk' }, members: [] });
if (!opened.ok) throw new Error('empty project');
const empty: Project = opened.project;
const withMembers = (...members: Member[]): Project => ({ ...empty, members });

const asSets = (
  text: string,
  o: {
    along?: 'x' | 'z' | '1';
    compressionNegative?: boolean;
    firstEnd?: 'foot' | 'top';
    signs?: 'bending' | 'turning';
    members?: readonly Member[];
  } = {},
) => {
  const table = readTable(text);
  const readings = guessReadings(setVocabulary, table, 'SI', o.along);
  return setsForMembers(
    table,
    {
      readings,
      system: 'SI',
      compressionNegative: o.compressionNegative ?? false,
      kind: 'ultimate',
      firstEnd: o.firstEnd ?? 'foot',
      signs: o.signs ?? 'bending',
      isSection: false,
    },
    o.members ?? [],
    'table',
  );
};
const asStations = (text: string, members: readonly Member[] = [], saggingNegative = false) => {
  const table = readTable(text);
  return stationsForMembers(
    table,
    { readings: guessReadings(stationVocabulary, table, 'SI'), system: 'SI', saggingNegative, shearTurned: null },
    members,
    'table',
  );
};
const rows = (...lines: string[]) => lines.join('\n');
const kN = 1e3;
const kNm = 1e6;

describe('tables as different analyses print them', () => {
  test('1: both ends of three columns, one row each, stations from the foot', () => {
    const { members } = asSets(
      rows(
        'Column\tStation m\tCombo\tN kN\tM2 kNm\tM3 kNm',
        ...['C1', 'C2', 'C3'].flatMap((c, i) => [`${c}\t0\tU1\t${800 + i}\t10\t20`, `${c}\t3.5\tU1\t${790 + i}\t-5\t8`]),
      ),
    );
    expect(members.map((m) => m.name)).toEqual(['C1', 'C2', 'C3']);
    expect(members[1]!.values).toHaveLength(1);
    // The upper end is the last station: 791 kN above, 801 kN below.
    expect(members[1]!.values[0]).toMatchObject({ N: 791 * kN, nBottom: 801 * kN });
    expect(members[0]!.says).toBe('new, 1 load set');
  });
  test('2: ends by letters i and j, moments that turn: the lower end changes its sign', () => {
    const text = rows('Member;End;LC;N [kN];My [kNm];Mz [kNm]', 'S4;i;1;500;12;3', 'S4;j;1;495;-7;2');
    const [bending] = asSets(text).members;
    const [turning] = asSets(text, { signs: 'turning' }).members;
    expect(Math.abs(bending!.values[0]!.mxTop)).toBe(7 * kNm);
    expect(turning!.values[0]!.mxBottom).toBe(-bending!.values[0]!.mxBottom);
  });
  test('3: compression with a minus, decimal commas, semicolons', () => {
    const { members } = asSets(rows('Stütze;Member;Comb;N kN;Mx kNm;My kNm', 'x;K1;G1;-1.250,5;12,5;0'), { compressionNegative: true });
    const refusedOrRead = members[0]?.values[0]?.N ?? null;
    // A point and a comma in one figure: read as twelve hundred or refused, never as one and a quarter.
    expect(refusedOrRead === null || Math.abs(refusedOrRead - 1250.5 * kN) < 1).toBe(true);
    expect(
      asSets(rows('Member;Comb;N kN;Mx kNm;My kNm', 'K1;G1;-1250,5;12,5;0'), { compressionNegative: true }).members[0]!.values[0]!.N,
    ).toBeCloseTo(1250.5 * kN, 3);
  });
  test('3b: commas part the cells of a CSV although figures follow each other; decimal commas stay within theirs', () => {
    const csv = rows('Column,Station m,Combo,N kN,M2 kNm,M3 kNm', 'C1,0,U1,800,10,20', 'C1,3.5,U1,790,-5,8');
    expect(asSets(csv).members[0]).toMatchObject({ name: 'C1', says: 'new, 1 load set' });
    expect(readTable('C1,0,U1,800').rows[0]).toEqual(['C1', '0', 'U1', '800']);
    expect(readTable('12,5\n13,5').rows).toEqual([['12,5'], ['13,5']]);
    expect(readTable('N;M\n12,5;3').rows[0]).toEqual(['12,5', '3']);
  });
  test('4: kips and kip-ft in the headings', () => {
    const { members } = asSets(rows('Frame\tCombo\tP (kip)\tM2 (kip-ft)\tM3 (kip-ft)', 'C7\tD\t100\t10\t20'));
    expect(members[0]!.values[0]!.N).toBeCloseTo(444822, 0);
  });
  test('5: a heading over two columns, units in a row of their own', () => {
    const { members } = asSets(rows('Member\tSet\tAxial\tMoment x\tMoment y', '\t\tkN\tkNm\tkNm', 'C1\tA\t100\t1\t2'));
    expect(members[0]).toMatchObject({ name: 'C1' });
    expect(members[0]!.values[0]).toMatchObject({ N: 100 * kN });
  });
  test('6: one end of one column is missing: refused in words, the others are read', () => {
    const { members, rows: read } = asSets(
      rows('Column\tStation m\tCombo\tN kN\tM2 kNm\tM3 kNm', 'C1\t0\tU1\t800\t1\t2', 'C1\t3\tU1\t790\t1\t2', 'C2\t0\tU1\t700\t1\t2'),
    );
    expect(members.find((m) => m.name === 'C1')!.values).toHaveLength(1);
    expect(read[2]!.reason).toMatch(/one end only/);
  });
  test('6b: a moment between the ends that is larger than at both is said, for it is not taken over', () => {
    const { between, members } = asSets(
      rows('Column\tStation m\tCombo\tN kN\tM2 kNm\tM3 kNm', 'C1\t0\tU1\t800\t1\t2', 'C1\t1.5\tU1\t795\t40\t2', 'C1\t3\tU1\t790\t1\t2'),
    );
    expect(members[0]!.values).toHaveLength(1);
    expect(between).toEqual(['U1 of C1']);
  });
  test('7: a row that names no member beside rows that do is refused', () => {
    const { rows: read } = asSets(rows('Column\tCombo\tN kN\tM2 kNm\tM3 kNm', 'C1\tU1\t800\t1\t2', '\tU2\t700\t1\t2'));
    expect(read[1]!.reason).toBe('No member is named in this row.');
  });
  test('8: a date that a spreadsheet made of a figure, and a formula, are refused', () => {
    const { rows: read } = asSets(
      rows('Column\tCombo\tN kN\tM2 kNm\tM3 kNm', 'C1\tU1\t03-12-2025\t1\t2', 'C1\tU2\t=SUM(A1)\t1\t2', 'C1\tU3\t5\t1\t2'),
    );
    expect(read[0]!.reason).toMatch(/is a date/);
    expect(read[1]!.reason).toBeDefined();
    expect(read[2]!.reason).toBeUndefined();
  });
  test('9: a set twice for one column: nothing of that column is taken, and it is said', () => {
    const { members, rows: read } = asSets(
      rows('Column\tCombo\tN kN\tM2 kNm\tM3 kNm', 'C1\tU1\t800\t1\t2', 'C1\tU1\t700\t1\t2', 'C2\tU1\t7\t1\t2'),
    );
    expect(members[0]).toMatchObject({ name: 'C1', refused: 'has the set U1 more than once', values: [] });
    expect(members[1]!.refused).toBeUndefined();
    expect(read.map((r) => r.reason)).toEqual(['C1: has the set U1 more than once.', 'C1: has the set U1 more than once.', undefined]);
  });
  test('10: beams by stations and combinations, each along its own length', () => {
    const line = (beam: string, L: number) => [0, L / 2, L].map((x) => `${beam}\t${x}\tU1\t${(10 * x * (L - x)) / 2}\t${10 * (L / 2 - x)}`);
    const { members, beams, sets } = asStations(rows('Beam\tStation m\tCombo\tM3 kNm\tV2 kN', ...line('B1', 6), ...line('B2', 8)));
    expect(members.map((m) => [m.name, m.says])).toEqual([
      ['B1', 'new, 1 span, 3 stations of 1 set'],
      ['B2', 'new, 1 span, 3 stations of 1 set'],
    ]);
    expect(beams.get('B2')!.spans).toEqual([8000]);
    expect(beams.get('B1')!.stations[1]).toMatchObject({ span: 0, at: 3000, moment: 45 * kNm });
    expect(sets).toEqual(['U1']);
  });
  test('10b: the sign of V is found from the slopes of M, one for the whole table, and what is said holds', () => {
    const line = (beam: string, L: number, sign: number) =>
      [0, L / 4, L / 2, L].map((x) => `${beam}\t${x}\tU1\t${(10 * x * (L - x)) / 2}\t${sign * 10 * (L / 2 - x)}`);
    const text = (sign: number) => rows('Beam\tStation m\tCombo\tM3 kNm\tV2 kN', ...line('B1', 6, sign), ...line('B2', 8, sign));
    const [plain, turned] = [asStations(text(1)), asStations(text(-1))];
    expect([plain.shearTurned, turned.shearTurned]).toEqual([false, true]);
    for (const name of ['B1', 'B2']) expect(turned.beams.get(name)!.stations).toEqual(plain.beams.get(name)!.stations);
    expect(plain.beams.get('B1')!.stations[0]!.shear).toBe(30 * kN);
  });
  test('11: a beam whose length differs from the table is refused with both lengths', () => {
    const beam = newMember(empty, 'beam', 'b', 'B1', '') as BeamMember;
    const long = { ...beam, spans: beam.spans.map((s) => ({ ...s, length: 7000 })) };
    const { members, rows: read } = asStations(rows('Beam\tStation m\tCombo\tM3 kNm\tV2 kN', 'B1\t0\tU1\t0\t1', 'B1\t5.2\tU1\t0\t1'), [
      long,
    ]);
    expect(members[0]!.refused).toMatch(/go to 5.20 m, the beam to 7.00 m|go to 5.20 m, the beam to \d+.00 m/);
    expect(read.every((r) => r.reason)).toBe(true);
  });
  test('12: a mark of another kind of member is not overwritten', () => {
    const beam = newMember(empty, 'beam', 'b', 'X1', '');
    expect(asSets(rows('Column\tCombo\tN kN\tM2 kNm\tM3 kNm', 'X1\tU1\t800\t1\t2'), { members: [beam] }).members[0]!.refused).toMatch(
      /takes no load sets/,
    );
    const column = newMember(empty, 'column', 'c', 'X2', '');
    expect(
      asStations(rows('Beam\tStation m\tCombo\tM3 kNm\tV2 kN', 'X2\t0\tU1\t0\t1', 'X2\t5\tU1\t0\t1'), [column]).members[0]!.refused,
    ).toMatch(/is no beam/);
  });
});

test('as many rows as a file may have, all of one beam, are read', () => {
  const lines = Array.from({ length: 190_000 }, (_, i) => `B1\t${(i % 19) / 3}\tU${Math.floor(i / 19)}\t1\t1`);
  const { rows: read } = asStations(rows('Beam\tStation m\tCombo\tM3 kNm\tV2 kN', ...['B1\t0\tU1\t1\t1']) + '\n' + lines.join('\n'));
  expect(read).toHaveLength(190_001);
}, 120_000);

describe('what is taken', () => {
  const text = rows('Column\tCombo\tN kN\tM2 kNm\tM3 kNm', 'C1\tU1\t800\t10\t2', 'C1\tU2\t900\t1\t2', 'C2\tU1\t700\t1\t2');
  test('columns are made anew, marked as in the table, and designed for their sets', () => {
    const project = takeSets(empty, asSets(text).members, { file: 'frame', dropsOthers: false, sustained: 0.6 });
    expect(project.members.map((m) => m.mark)).toEqual(['C1', 'C2']);
    expect(new Set(project.members.map((m) => m.id)).size).toBe(2);
    const [c1] = project.members as ColumnMember[];
    expect(c1).toMatchObject({ mode: 'sets', sustained: 0.6 });
    expect(c1!.sets.map((s) => [s.name, s.N / kN])).toEqual([
      ['U1', 800],
      ['U2', 900],
    ]);
    const result = designNow(project, c1!);
    expect(result.faults).toEqual([]);
    expect(result.governing).not.toBeNull();
  });
  test('taken again it says what changes, and sets of others stay or go as is said', () => {
    const first = takeSets(empty, asSets(text).members, { file: 'frame', dropsOthers: false, sustained: null });
    const again = rows('Column\tCombo\tN kN\tM2 kNm\tM3 kNm', 'c1\tU1\t850\t10\t2', 'c1\tU3\t1\t1\t1');
    const plan = asSets(again, { members: first.members }).members;
    // U2 came from another file: it stays unless it is said to go.
    expect(plan[0]).toMatchObject({ says: '1 new, 1 changed, 1 other stays' });
    const keeps = takeSets(first, plan, { file: 'table', dropsOthers: false, sustained: null }).members[0] as ColumnMember;
    expect(keeps.sets.map((s) => s.name).sort()).toEqual(['U1', 'U2', 'U3']);
    expect(keeps.imported).toEqual([
      { file: 'frame', sets: ['ultimate U2'] },
      { file: 'table', sets: ['ultimate U1', 'ultimate U3'] },
    ]);
    expect(keeps.sets.find((s) => s.name === 'U1')!.N).toBe(850 * kN);
    const drops = takeSets(first, plan, { file: 'frame', dropsOthers: true, sustained: null }).members[0] as ColumnMember;
    expect(drops.sets.map((s) => s.name)).toEqual(['U1', 'U3']);
  });
  test('the same file again replaces what came from it; what was typed or came from elsewhere stays', () => {
    const first = takeSets(empty, asSets(text).members, { file: 'table', dropsOthers: false, sustained: null });
    const [c1] = first.members as ColumnMember[];
    const typed = { ...c1!, sets: [...c1!.sets, { ...c1!.sets[0]!, name: 'own' }] };
    const again = rows('Column\tCombo\tN kN\tM2 kNm\tM3 kNm', 'C1\tU1\t800\t10\t2', 'C1\tU3\t1\t1\t1');
    const plan = asSets(again, { members: [typed] }).members;
    expect(plan[0]!.says).toBe('1 new, 1 as before, 1 taken away, 1 other stays');
    const after = takeSets({ ...empty, members: [typed] }, plan, { file: 'table', dropsOthers: false, sustained: null })
      .members[0] as ColumnMember;
    expect(after.sets.map((s) => s.name)).toEqual(['own', 'U1', 'U3']);
    const read = readProject(JSON.parse(writeProject({ ...empty, members: [after] })));
    expect(read.ok && (read.project.members[0] as ColumnMember).imported).toEqual([
      { file: 'table', sets: ['ultimate U1', 'ultimate U3'] },
    ]);
  });
  test('forces of slabs at three columns: one made anew, one there, one that follows a slab', () => {
    const there = { ...(newMember(empty, 'punching', 'p', 'P1', '') as PunchingMember), sets: [{ name: 'U1', V: 1, Mx: 0, My: 0 }] };
    const follows = { ...there, id: 'q', mark: 'P3', from: { member: 'FS1', column: 'C2' } };
    const table = readTable(
      rows('Joint;Combo;Fz kN;Mx kNm;My kNm', 'P1;U1;420;12;-8', 'P1;U2;390;0;0', 'P2;U1;300;1;2', 'P3;U1;1;1;1', ';U1;5;5;5'),
    );
    const readings = guessReadings(slabForcesOfMany, table, 'SI');
    expect(readings.map((r) => r.role)).toEqual(['member', 'name', 'V', 'Mx', 'My']);
    const members = [there, follows] as Member[];
    const { members: plan, rows: read } = slabForcesForMembers(table, readings, 'SI', members, 'table');
    expect(plan.map((m) => [m.name, m.says || m.refused])).toEqual([
      ['P1', '1 new, 1 changed'],
      ['P2', 'new, 1 set'],
      ['P3', 'it follows a slab, whose analysis gives its forces'],
    ]);
    expect(read.map((r) => r.reason ?? '')).toEqual([
      '',
      '',
      '',
      expect.stringContaining('follows a slab'),
      'No member is named in this row.',
    ]);
    const after = takeSlabForces({ ...empty, members }, plan, { file: 'table', dropsOthers: false }).members as PunchingMember[];
    expect(after.map((m) => [m.mark, m.sets.length])).toEqual([
      ['P1', 2],
      ['P3', 1],
      ['P2', 1],
    ]);
    expect(after[0]!.sets[0]).toEqual({ name: 'U1', V: 420 * kN, Mx: 12 * kNm, My: -8 * kNm });
    expect(designNow({ ...empty, members: after }, after[2]!).governing).not.toBeNull();
  });
  test('a beam made of stations is designed along its span: 45 kNm in midspan of 6 m', () => {
    const line = [0, 1, 2, 3, 4, 5, 6].map((x) => `B1\t${x}\tU1\t${(10 * x * (6 - x)) / 2}\t${10 * (3 - x)}`);
    const reading = asStations(rows('Beam\tStation m\tCombo\tM3 kNm\tV2 kN', ...line));
    const project = takeStations(empty, reading.members, reading.beams, () => 'ultimate');
    const [beam] = project.members as BeamMember[];
    expect(beam).toMatchObject({ mark: 'B1', mode: 'stations' });
    const result = designNow(project, beam!);
    expect(result.faults).toEqual([]);
    const bending = result.checks.find((c) => c.id === 'bending-span-1')!;
    expect(bending.demand!.value).toBeCloseTo(45 * kNm, -5);
  });
  test('what equal signs mean is kept: the same column, whether table or member writes moments as they bend or as they turn', () => {
    const line = (my: number) =>
      rows('Column\tStation m\tCombo\tN kN\tM2 kNm\tM3 kNm', `C1\t0\tU1\t800\t${my}\t0`, 'C1\t3\tU1\t800\t30\t0');
    const fresh = newMember(empty, 'column', 'c', 'C1', '') as ColumnMember;
    const made = (member: ColumnMember, signs: 'bending' | 'turning', my: number) => {
      const project = withMembers(member);
      const plan = asSets(line(my), { signs, members: project.members }).members;
      return takeSets(project, plan, { file: 'frame', dropsOthers: true, sustained: 0.6 }).members[0] as ColumnMember;
    };
    // 30 above and 20 below, in single curvature: equal signs as they bend, unlike signs as they turn.
    const all = (['bending', 'turning'] as const).flatMap((own) =>
      (['bending', 'turning'] as const).map((table) => made({ ...fresh, signs: own }, table, table === 'bending' ? 20 : -20)),
    );
    const utilisations = all.map((m) => designNow(withMembers(m), m).checks.map((c) => [c.id, c.utilisation]));
    for (const u of utilisations) expect(u).toEqual(utilisations[0]);
    expect(utilisations[0]!.some(([, u]) => Number(u) > 0.1)).toBe(true);
    expect(all.map((m) => [m.signs, Math.sign(m.sets[0]!.mxTop * m.sets[0]!.mxBottom + m.sets[0]!.myTop * m.sets[0]!.myBottom)])).toEqual([
      ['bending', 1],
      ['bending', 1],
      ['turning', -1],
      ['turning', -1],
    ]);
    const double = made(fresh, 'bending', -20);
    expect(Math.sign(double.sets[0]!.mxTop * double.sets[0]!.mxBottom + double.sets[0]!.myTop * double.sets[0]!.myBottom)).toBe(-1);
  });
  test('a section by itself takes no pairs of ends', () => {
    const section = { ...(newMember(empty, 'column', 'c', 'C1', '') as ColumnMember), isSection: true } as Member;
    expect(asSets(text, { members: [section] }).members[0]!.refused).toMatch(/section by itself/);
  });
  test('members that were there stay the same objects unless the table has them', () => {
    const c9 = newMember(empty, 'column', 'c9', 'C9', '');
    const project = takeSets(withMembers(c9), asSets(text, { members: [c9] }).members, {
      file: 'frame',
      dropsOthers: false,
      sustained: null,
    });
    expect(project.members[0]).toBe(c9);
    expect(project.members).toHaveLength(3);
  });
});

describe('files are hostile until read', () => {
  const readWorkbook: ReadWorkbook = async (bytes) =>
    (await readXlsx(Buffer.from(bytes))) as unknown as { sheet: string; data: unknown[][] }[];
  const read = (name: string, bytes: Uint8Array) => readTableFile(name, bytes, readWorkbook);
  const book = (parts: Record<string, Uint8Array>) => zipSync({ 'xl/workbook.xml': strToU8('<workbook/>'), ...parts });

  test('CSV in UTF-8, UTF-16 and eight bits; a workbook with its sheets', async () => {
    expect(await read('a.csv', strToU8('\ufeffN;M\n1;2'))).toEqual({ ok: true, sheets: [{ name: 'a.csv', text: 'N;M\n1;2' }] });
    expect(await read('a.csv', new Uint8Array([0x53, 0x74, 0xfc, 0x74, 0x7a, 0x65]))).toMatchObject({ sheets: [{ text: 'Stütze' }] });
    const xlsx = await tablesToXlsx(
      [
        {
          kind: 'table',
          title: 'Forces',
          columns: [{ title: 'Column' }, { title: 'N', kind: 'force', isNumber: true }],
          rows: [['C1', { value: 5e5, kind: 'force' }]],
        },
      ],
      'SI',
    );
    const answer = await read('a.xlsx', new Uint8Array(xlsx));
    expect(answer.ok && answer.sheets[0]!.text).toMatch(/C1\t500/);
  });
  test.each([
    ['macros', book({ 'xl/vbaProject.bin': strToU8('x') }), /holds macros/],
    ['links', book({ 'xl/externalLinks/externalLink1.xml': strToU8('x') }), /values from other files/],
    ['no workbook', zipSync({ 'readme.txt': strToU8('x') }), /is no workbook/],
    ['a damaged archive', new Uint8Array([0x50, 0x4b, 3, 4, 1, 2, 3]), /damaged|no workbook/],
    ['an old binary workbook', new Uint8Array([0xd0, 0xcf, 0x11, 0xe0]), /old binary form/],
    ['nothing', new Uint8Array(0), /is empty/],
    ['other bytes', new Uint8Array([1, 0, 2, 0, 3]), /other bytes than text/],
    ['too many parts', book(Object.fromEntries(Array.from({ length: 2100 }, (_, i) => [`p${i}`, new Uint8Array(0)]))), /not opened/],
  ])('%s: refused in words', async (_what, bytes, words) => {
    const answer = await read('file.xlsx', bytes);
    expect(answer).toMatchObject({ ok: false, reason: expect.stringMatching(words) });
  });
  test('an archive that would swell is not unpacked', async () => {
    const bomb = book({ 'xl/worksheets/sheet1.xml': strToU8('x') });
    // What its list of parts says of the size of the last one: 210 MB.
    const view = new DataView(bomb.buffer, bomb.byteOffset, bomb.byteLength);
    const entries = Array.from({ length: bomb.length - 4 }, (_, i) => i).filter((i) => view.getUint32(i, true) === 0x02014b50);
    view.setUint32(entries.at(-1)! + 24, 210_000_000, true);
    expect(await read('bomb.xlsx', bomb)).toMatchObject({ ok: false, reason: expect.stringContaining('not opened') });
  });
  test('a file that is too large is refused before it is looked into', async () => {
    expect(await read('big.csv', new Uint8Array(MOST_FILE + 1))).toMatchObject({
      ok: false,
      reason: expect.stringContaining('larger than'),
    });
  });
});

test('20,000 rows for a thousand columns are all read', () => {
  const lines = Array.from({ length: 20_000 }, (_, i) => `C${i % 1000}\tU${Math.floor(i / 1000)}\t${500 + i}\t${i % 90}\t${i % 70}`);
  const { members, rows: read } = asSets(rows('Column\tCombo\tN kN\tM2 kNm\tM3 kNm', ...lines));
  expect(members).toHaveLength(1000);
  expect(members.every((m) => m.values.length === 20)).toBe(true);
  expect(read.every((r) => r.reason === undefined)).toBe(true);
});
