import fc from 'fast-check';
import Papa from 'papaparse';
import readXlsxFile from 'read-excel-file/node';
import { readFileSync } from 'node:fs';
import { runDesign } from '@/cli/design';
import { amount } from '@/core/document/blocks';
import { projectSchedule, sizeTotals } from '@/core/schedule/project-schedule';
import { cutFromStock, STOCK } from '@/core/schedule/stock';
import { massOfSet } from '@/core/model/bar-set';
import { modelOf } from '@/core/project/as-built';
import { designNow } from '@/core/project/design-member';
import { readProjectText } from '@/exchange/project-text';
import { tablesToCsv } from '@/exchange/tables/csv';
import { tablesToXlsx } from '@/exchange/tables/xlsx';
import { memberTable } from '@/core/project/member-table';
import { scheduleTables } from '@/core/project/scheduled';

describe('cutting from stock', () => {
  const cut = (lengths: Record<number, number>) => cutFromStock(new Map(Object.entries(lengths).map(([l, n]) => [Number(l), n])), 12_000);
  test('by hand', () => {
    // Three of 7 m and three of 5 m make three bars without a rest; seven of 5 m four bars, 48 - 35 = 13 m left.
    expect(cut({ 7000: 3, 5000: 3 })).toEqual({ bars: 3, left: 0 });
    expect(cut({ 5000: 7 })).toEqual({ bars: 4, left: 13_000 });
    // 30 m are two whole bars and 6 m, which two of them share a bar for.
    expect(cut({ 30_000: 2 })).toEqual({ bars: 5, left: 0 });
    expect(cut({})).toEqual({ bars: 0, left: 0 });
  });
  test('all lengths are there, no bar is cut into more than it has, and no fewer bars would do than their sum asks', () => {
    const length = fc.integer({ min: 300, max: 14_000 });
    fc.assert(
      fc.property(fc.array(fc.tuple(length, fc.integer({ min: 1, max: 60 })), { maxLength: 12 }), (given) => {
        const lengths = new Map(given);
        const total = [...lengths].reduce((sum, [l, n]) => sum + l * n, 0);
        const { bars, left } = cutFromStock(lengths, 12_000);
        expect(bars * 12_000 - left).toBe(total);
        expect(bars).toBeGreaterThanOrEqual(Math.ceil(total / 12_000));
        // First fit leaves no two bars that are less than half full, of lengths that fit.
        const whole = [...lengths].every(([l]) => l <= 12_000);
        if (whole) expect(bars).toBeLessThanOrEqual(Math.ceil((2 * total) / 12_000) + 1);
      }),
      { numRuns: 300 },
    );
  });
  test('one after the other as many as with the same lengths all at once', () => {
    const each = (lengths: readonly number[]) => {
      const room: number[] = [];
      for (const l of [...lengths].sort((a, b) => b - a)) {
        const k = room.findIndex((r) => r >= l);
        if (k < 0) room.push(12_000 - l);
        else room[k]! -= l;
      }
      return room.length;
    };
    const length = fc.constantFrom(1500, 2400, 3100, 4000, 5200, 6100, 7000, 11_000);
    fc.assert(
      fc.property(fc.array(length, { maxLength: 60 }), (lengths) => {
        const counted = new Map<number, number>();
        for (const l of lengths) counted.set(l, (counted.get(l) ?? 0) + 1);
        expect(cutFromStock(counted, 12_000).bars).toBe(each(lengths));
      }),
    );
  });
});

const opened = readProjectText(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8'));
if (!opened.ok) throw new Error('the demo has faults');
const project = { ...opened.project, members: opened.project.members.filter((m) => ['G2', 'FC1', 'DW1', 'CS1'].includes(m.mark)) };
const designed = project.members.map((member) => ({ member, result: designNow(project, member, []) }));
const tables = scheduleTables(project, designed);
const [bars, sizes] = tables;

describe('the schedule of a project as files', () => {
  const valueOf = (cell: unknown) => (cell as { value: number }).value;

  test('its bars have the mass of the bars in space, and sizes together that of the bars', () => {
    const built = designed.reduce(
      (sum, { member, result }) => sum + modelOf(project, member, result).bars.reduce((s, b) => s + massOfSet(b), 0),
      0,
    );
    const mass = bars.rows.reduce((sum, row) => sum + valueOf(row[9]), 0);
    // Cut lengths are rounded up and allow for bends.
    expect(mass / built).toBeGreaterThan(0.97);
    expect(mass / built).toBeLessThan(1.12);
    expect(sizes.rows.reduce((sum, row) => sum + valueOf(row[3]), 0)).toBeCloseTo(mass, 6);
    expect(new Set(bars.rows.map((row) => row[0]))).toEqual(new Set(['G2', 'FC1', 'DW1', 'CS1']));
  });

  test('read back from the workbook: numbers are numbers in the unit of their head, sums are formulas', async () => {
    const bytes = await tablesToXlsx(tables, 'SI');
    const sheets = (await readXlsxFile(Buffer.from(bytes))) as unknown as { sheet: string; data: unknown[][] }[];
    expect(sheets.map((s) => s.sheet)).toEqual(['Bar schedule', 'Bars by size']);
    const [head, ...rows] = sheets[0]!.data;
    expect(head).toEqual(['Member', 'Storey or place', 'Mark', 'Where', 'Size', 'Number', 'Shape', 'Dimensions mm', 'Cut mm', 'Mass kg']);
    bars.rows.forEach((row, i) => {
      expect(rows[i]![8]).toBeCloseTo(valueOf(row[8]), 6);
      expect(rows[i]![9]).toBeCloseTo(valueOf(row[9]), 6);
      expect(typeof rows[i]![5]).toBe('number');
    });
    expect(rows[bars.rows.length]![0]).toBe('Sum');
  });

  test('read back from the text: the same, with sums; what looks like a formula is text', () => {
    const evil = {
      ...bars,
      rows: [['=1+1', '@x', '+2', '-3', '8', amount(1, 'number'), '00', '=A', amount(1000, 'length'), amount(2, 'mass')]],
    };
    const csv = tablesToCsv([evil, sizes], 'SI');
    expect(csv.startsWith('\ufeff')).toBe(true);
    const { data } = Papa.parse<string[]>(csv.slice(1));
    expect(data[2]!.slice(0, 4)).toEqual(["'=1+1", "'@x", "'+2", "'-3"]);
    expect(data[3]!.at(-1)).toBe('2');
    expect(data[2]![8]).toBe('1000');
  });

  test('text that looks like a formula is text in the workbook as well', async () => {
    const evil = { ...bars, rows: [['=1+1', '', '', '', '8', amount(1, 'number'), '00', '', amount(1000, 'length'), amount(2, 'mass')]] };
    const sheets = (await readXlsxFile(Buffer.from(await tablesToXlsx([evil], 'US')))) as unknown as { data: unknown[][] }[];
    expect(sheets[0]!.data[1]![0]).toBe('=1+1');
    // 1000 mm are 39.37 in, 2 kg 4.41 lb.
    expect(sheets[0]!.data[1]![8]).toBeCloseTo(39.3701, 3);
    expect(sheets[0]!.data[1]![9]).toBeCloseTo(4.409, 2);
  });

  test('from the command line, both formats; another ending is refused', async () => {
    const read = () => readFileSync('examples/alderlight-playhouse.intarsia', 'utf8');
    const run = await runDesign(['demo', '--member', 'FC1', '--schedule', 'out.xlsx', '--schedule', 'out.csv'], read);
    expect(run.files!.map((f) => f.path)).toEqual(['out.xlsx', 'out.csv']);
    const sheets = (await readXlsxFile(Buffer.from(run.files![0]!.content as Uint8Array))) as unknown as { data: unknown[][] }[];
    const { data } = Papa.parse<string[]>((run.files![1]!.content as string).slice(1));
    expect(data[2]!.slice(0, 7)).toEqual(sheets[0]!.data[1]!.slice(0, 7).map((v) => String(v ?? '')));
    expect((await runDesign(['demo', '--schedule', 'out.docx'], read)).errors).toMatch(/--schedule writes .pdf, .xlsx, .csv, not out.docx/);
  });
});

test('the list of members: what governs each, its utilisation as a number, its concrete and steel', async () => {
  const table = memberTable(project, designed);
  const sheets = (await readXlsxFile(Buffer.from(await tablesToXlsx([table], 'SI')))) as unknown as { data: unknown[][] }[];
  designed.forEach(({ member, result }, i) => {
    const row = sheets[0]!.data[i + 1]!;
    expect(row.slice(0, 2)).toEqual([member.mark, member.title]);
    expect(row[5]).toBe(result.governing!.title);
    expect(Math.abs((row[7] as number) - result.governing!.utilisation!)).toBeLessThan(0.0051);
    expect(row[10]).toBeCloseTo(result.quantities!.concrete / 1e9, 6);
    expect(row[11]).toBeCloseTo(result.quantities!.bars + result.quantities!.links, 6);
  });
});

test('what is bought: each size once, left over less than all', () => {
  expect(projectSchedule([], 'SI').rows).toEqual([]);
  expect(sizeTotals([], 'SI').rows).toEqual([]);
  expect(new Set(sizes.rows.map((r) => r[0])).size).toBe(sizes.rows.length);
  for (const row of sizes.rows) {
    const [left, stock, length] = [row[5], row[4], row[2]].map((c) => (c as { value: number }).value) as [number, number, number];
    expect(left).toBeCloseTo(100 * (1 - length / (stock * STOCK)), 6);
    expect(left).toBeLessThan(100);
  }
});
