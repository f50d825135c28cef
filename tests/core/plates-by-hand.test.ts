import { readFileSync } from 'node:fs';
import type { Check } from '@/core/checks/check';
import type { PlateResult } from '@/core/members/plate/result';
import { box } from '@/core/geometry/polygon';
import { checkOf, corners, slabs } from './plate-slabs';

const doc = readFileSync('docs/theory/plates-by-hand.md', 'utf8');

interface Row {
  readonly what: string;
  readonly byHand: number;
  readonly told: number;
  readonly within: number;
}

/** The rows of the table whose head begins with a word. */
function tableOf(head: string): Row[] {
  const after = doc
    .slice(doc.indexOf(`| ${head} |`))
    .split('\n')
    .slice(2);
  const rows = after.slice(0, after.findIndex((l) => !l.startsWith('|')) >>> 0);
  return rows
    .filter((l) => l.startsWith('|'))
    .map((l) => {
      const [what, byHand, told, within] = l
        .split('|')
        .slice(1, 5)
        .map((c) => c.trim());
      return { what: what!, byHand: Number(byHand), told: Number(told), within: Number.parseFloat(within!) / 100 };
    });
}

const mesh = (size: string, spacing: number) => ({ size, spacing });
const lines = [0, 6000, 12_000, 18_000];

const flat = slabs(() => ({
  h: 240,
  outline: box(-200, -200, 18_200, 18_200).map(([x, y]) => ({ x, y, edge: 'free' })),
  columns: lines.flatMap((x, i) =>
    lines.map((y, k) => ({ name: `${'ABCD'[k]}${i + 1}`, x, y, shape: { kind: 'rectangle', b: 400, h: 400 }, below: 3000, above: 3000 })),
  ),
  loads: [
    { type: 'uniform', case: 'G', value: 2 },
    { type: 'uniform', case: 'Q', value: 3 },
  ],
  bars: { extra: [], bottom: { x: mesh('H12', 175), y: mesh('H12', 175) }, top: { x: mesh('H16', 125), y: mesh('H16', 125) } },
})).design();

const panel = slabs(() => ({
  h: 220,
  meshSize: 200,
  spread: 0,
  outline: corners(box(0, 0, 6000, 5000)),
  outer: 'y',
  bars: { extra: [], bottom: { x: mesh('H10', 200), y: mesh('H10', 150) }, top: { x: mesh('H10', 200), y: mesh('H10', 200) } },
})).design();

const strip = (span: number, at: string, part: 'column' | 'middle') =>
  flat.strips.find((s) => s.along === 'x' && s.row === 6000 && s.span === span && s.at === at)![part].moment / 1e6;
const allStrips = (at: string) =>
  flat.strips
    .filter((s) => s.along === 'x' && s.span === 2 && s.at === at)
    .reduce((sum, s) => sum + (s.column.moment + s.middle.moment) / 1e6, 0);
const section = (r: PlateResult, face: string, along: string) => r.sections.find((s) => s.face === face && s.along === along)!;
const punching = (): Check => flat.checks.find((c) => c.title.startsWith('Punching at B2'))!;
const hand = (r: PlateResult, title: string) => r.handChecks.find((h) => h.title.startsWith(title))!;

/** What the application gives for each row, in the units of the table. */
const flatSlab: Record<string, () => number> = {
  'load, kN/m²': () => flat.load * 1e3,
  'all strips together, span 2, kNm': () => allStrips('span') - (allStrips('start') + allStrips('end')) / 2,
  'column strip at the face, span 2, kNm': () => strip(2, 'start', 'column'),
  'column strip in the middle, span 2, kNm': () => strip(2, 'span', 'column'),
  'middle strip in the middle, span 2, kNm': () => strip(2, 'span', 'middle'),
  'column strip at the outer face, span 1, kNm': () => strip(1, 'start', 'column'),
  'column strip in the middle, span 1, kNm': () => strip(1, 'span', 'column'),
  'column strip at the inner face, span 1, kNm': () => strip(1, 'end', 'column'),
  'steel below along x, mm²/m': () => section(flat, 'bottom', 'x').required * 1000,
  'resistance below along x, kNm/m': () => section(flat, 'bottom', 'x').resistance / 1e3,
  'crack width above along x, mm': () => checkOf(flat, 'crack-top-x').demand!.value,
  'punching at B2, vEd, MPa': () => punching().demand!.value,
  'punching at B2, vRd,c, MPa': () => punching().capacity!.value,
};

const panelOnEdges: Record<string, () => number> = {
  'load, kN/m²': () => panel.load * 1e3,
  'deflection, thin, by polynomials, mm': () => hand(panel, 'Largest elastic deflection').byHand,
  'deflection of the plate that shears, mm': () => hand(panel, 'Largest elastic deflection').byAnalysis,
  'mx in the middle, kNm/m': () => Math.max(...panel.maps!.mx!) / 1e3,
  'my in the middle, kNm/m': () => Math.max(...panel.maps!.my!) / 1e3,
  'mxy in the corners, kNm/m': () => Math.max(...panel.maps!.mxy!) / 1e3,
  'steel below along y, mm²/m': () => section(panel, 'bottom', 'y').required * 1000,
};

describe.each([
  ['flat slab', flatSlab],
  ['panel', panelOnEdges],
] as const)('the table of the %s', (head, found) => {
  const rows = tableOf(head);

  test('has a row for everything that is compared', () => {
    expect(rows.map((r) => r.what)).toEqual(Object.keys(found));
  });
  test.each(rows.map((r) => [r.what, r] as const))('%s', (what, { byHand, told, within }) => {
    const value = found[what]!();
    // What is told of the application is what it gives, but for the last figure that is written.
    expect(Math.abs(value - told)).toBeLessThan(0.006 * Math.abs(told));
    expect(Math.abs(value / byHand - 1)).toBeLessThan(within);
  });
});
