/** Prints the speed targets beside medians measured here. Not a test: nothing fails. */
import { readFileSync } from 'node:fs';
import { readProjectText } from '../src/exchange/project-text';
import { designNow } from '../src/core/project/design-member';
import type { Project } from '../src/core/project/project';
import type { Member } from '../src/core/members/kinds';
import { readProject } from '../src/core/project/read';
import { bearing, polygonSection, type PointBar } from '../src/core/section/polygon-section';
import { ResistanceSurface } from '../src/core/section/resistance-surface';
import { emptyState, ultimateAt, type UltimateBasis } from '../src/core/section/ultimate';
import { proposeBeam } from '@/core/members/beam/proposals';
import { proposeColumn } from '../src/core/members/column/proposals';
import { codeOf } from '../src/core/members/member';
import { heatCells } from '../src/core/analysis/heat/heat-cells';
import { heatFlow } from '../src/core/analysis/heat/heat-flow';
import { concreteHeat, standardFire } from '../src/core/codes/en1992/heat';
import { FIRE_PERIODS } from '../src/core/codes/fire-rules';
import { outlineOfShape } from '../src/core/geometry/section-shapes';
import { plateRows } from './bench-plates';
import { threeSpansFile } from './three-spans';

function median(run: () => void, least: number, mostMs: number): number {
  run();
  run();
  const times: number[] = [];
  const end = performance.now() + mostMs;
  while (times.length < least || performance.now() < end) {
    const start = performance.now();
    run();
    times.push(performance.now() - start);
    if (times.length > 4000) break;
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!;
}

function mustRead(raw: unknown): Project {
  const read = readProject(raw);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}

function manyBeams(count: number): Project {
  const opened = readProjectText(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8'));
  if (!opened.ok) throw new Error('the demo does not open');
  const { project } = opened;
  const members = Array.from({ length: count }, (_, i): Member => ({ ...project.members[i % project.members.length]!, id: `n${i}` }));
  return { ...project, members };
}

/** A rectangle with twelve bars, an L with eight, and the laws of EN 1992. */
function sections() {
  const bar = (x: number, y: number): PointBar => ({ x, y, area: 491, diameter: 25 });
  const ring = (n: number) => Array.from({ length: n }, (_, i) => bar(150 * Math.cos((6.2832 * i) / n), 200 * Math.sin((6.2832 * i) / n)));
  const basis: UltimateBasis = {
    concrete: { kind: 'parabola', exponent: 2, peakStrain: 0.002, stress: 20, ultimateStrain: 0.0035 },
    steel: { yield: 435, modulus: 200_000 },
    uniformStrain: 0.002,
    deductsDisplaced: false,
    reduction: null,
    axialCap: null,
    squashStress: 400,
  };
  const rectangle = polygonSection(
    {
      outer: [
        [-200, -250],
        [200, -250],
        [200, 250],
        [-200, 250],
      ],
      holes: [],
    },
    ring(12),
  );
  const corner = [
    [55, 55],
    [565, 55],
    [565, 185],
    [185, 185],
    [185, 525],
    [55, 525],
    [310, 55],
    [55, 290],
  ] as const;
  const ell = polygonSection(
    {
      outer: [
        [0, 0],
        [620, 0],
        [620, 240],
        [240, 240],
        [240, 580],
        [0, 580],
      ],
      holes: [],
    },
    corner.map(([x, y]) => bar(x, y)),
  );
  return { basis, rectangle, ell };
}

/** One biaxial slender column with many load sets. */
function manySets(code: { id: string; variant: string }, count: number): Project {
  const size = { en1992: '25', aci318: 'No.25', as3600: 'N24' }[code.id]!;
  const sets = Array.from({ length: count }, (_, i) => ({
    name: `L${i + 1}`,
    N: 300 + ((i * 7919) % 1200),
    mxTop: ((i * 104_729) % 200) - 100,
    mxBottom: ((i * 1299) % 160) - 80,
    myTop: ((i * 15_485) % 160) - 80,
    myBottom: ((i * 32_452) % 120) - 60,
  }));
  const column = {
    type: 'column',
    shape: { kind: 'rectangle', b: 350, h: 450 },
    height: 6800,
    cover: 35,
    materials: { concreteStrength: 40 },
    bars: { kind: 'sides', corner: size, alongX: 1, sizeX: size, alongY: 1, sizeY: size },
    axes: { x: { factor: 0.8 }, y: { factor: 0.8 } },
    sustained: 0.6,
    sets,
  };
  return mustRead({ format: 'intarsia', version: 1, code, members: [column] });
}

const rows: [work: string, target: string, measured: string][] = [];
const ms = (t: number) => `${t < 10 ? t.toFixed(2) : t.toFixed(0)} ms`;

const { basis, rectangle, ell } = sections();
const along = bearing(rectangle, Math.PI / 2);
const state = emptyState();
const curve = () => {
  for (let i = 1; i <= 60; i += 1) ultimateAt(rectangle, along, i / 30, basis, state);
};
rows.push(['rectangle, one axis, N-M curve of 60 points', '< 0.2 ms', ms(median(curve, 200, 400))]);
rows.push([
  'N-Mx-My surface, 36 angles x 48 depths, 12 bars',
  '< 5 ms',
  ms(median(() => new ResistanceSurface(rectangle, basis), 50, 800)),
]);
const surface = new ResistanceSurface(ell, basis);
let turn = 0;
const solve = () => surface.capacity(1e6, 1e8 * Math.sin((turn += 0.1)), 1e8 * Math.cos(turn));
rows.push(['one (N, Mx, My) on an L, exact direction', '< 0.3 ms', ms(median(solve, 2000, 400))]);
for (const code of [
  { id: 'en1992', variant: 'uk' },
  { id: 'aci318', variant: 'SI' },
  { id: 'as3600', variant: '2018' },
]) {
  const project = manySets(code, 5000);
  const t = median(() => designNow(project, { ...project.members[0]! }), 5, 4000);
  rows.push([`5,000 load sets on a biaxial slender column, all checks (${code.id})`, '< 1 s', ms(t)]);
}
const few = manySets({ id: 'en1992', variant: 'uk' }, 12);
const slender = few.members[0]!;
if (slender.type === 'column') {
  rows.push(['a column with 12 load sets, all checks', '–', ms(median(() => designNow(few, { ...slender }), 20, 800))]);
  rows.push([
    'proposals: bars for a column of given size',
    '–',
    ms(median(() => proposeColumn({ ...slender }, codeOf(few, slender), 'bars'), 3, 2500)),
  ]);
}

for (const d of [300, 600]) {
  const outline = outlineOfShape({ kind: 'rectangle', b: d, h: d });
  const size = Math.max(5, Math.min(15, d / 30));
  const run = () =>
    heatFlow(
      heatCells(outline, size, () => true),
      concreteHeat(2300, 'usual', 'lower'),
      standardFire,
      FIRE_PERIODS,
    );
  rows.push([`temperatures of a column of ${d} x ${d} at six periods up to four hours`, '< 300 ms', ms(median(run, 5, 1500))]);
}
if (slender.type === 'column') {
  const fired = { ...slender, height: 3000, fire: { minutes: 60 as const, isOneSided: false } };
  const design = () => designNow(few, { ...fired });
  rows.push(['the same with fire asked for, temperatures kept: each way, the isotherm', '–', ms(median(design, 10, 1500))]);
}

for (const code of [
  { id: 'en1992', variant: 'uk' },
  { id: 'aci318', variant: 'SI' },
  { id: 'as3600', variant: '2018' },
]) {
  const project = mustRead(threeSpansFile(code));
  const member = project.members[0]!;
  const result = designNow(project, member);
  if (result.type !== 'beam') throw new Error('not a beam');
  const t = median(() => designNow(project, member), 30, 1500);
  rows.push([
    `3-span beam, 6 load cases, ${result.arrangements.length} arrangements, ${result.strips!.x.length} stations, all checks with cracks and deflection (${code.id})`,
    '< 30 ms',
    ms(t),
  ]);
  const all = median(() => designNow(project, member, 'all'), 20, 800);
  rows.push([`the same with every derivation (${code.id})`, '–', ms(all)]);
}
const demo = manyBeams(9);
for (const member of demo.members.slice(0, 9))
  rows.push([`demo beam ${member.mark}`, '–', ms(median(() => designNow(demo, member), 10, 200))]);
for (const member of demo.members.slice(0, 9)) {
  if (member.type !== 'beam' || member.mode !== 'loads') continue;
  const find = () => proposeBeam(member, codeOf(demo, member), 'arrangements', demo.rates);
  rows.push([`proposals: arrangements for demo beam ${member.mark}`, '< 1 s', ms(median(find, 3, 2500))]);
}
const demoFile = mustRead(JSON.parse(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8')) as object);
for (const member of demoFile.members) {
  // Beams and columns stand above.
  if (member.type === 'beam' || member.type === 'column') continue;
  const design = () => designNow(demoFile, { ...member });
  rows.push([`${member.title} ${member.mark}, all checks`, member.type === 'strip' ? '< 30 ms' : '–', ms(median(design, 15, 600))]);
}
rows.push(...plateRows(median, ms));
const large = manyBeams(500);
const one = performance.now();
for (const member of large.members) designNow(large, member);
rows.push([
  '500 beams, one thread (two workers share it in the browser)',
  '< 10 s on two',
  `${((performance.now() - one) / 1000).toFixed(2)} s`,
]);

const width = Math.max(...rows.map(([work]) => work.length));
console.log(`${'Work'.padEnd(width)}  ${'Target'.padEnd(14)}  Measured (median)`);
for (const [work, target, measured] of rows) console.log(`${work.padEnd(width)}  ${target.padEnd(14)}  ${measured}`);
console.log('Key to paint: see docs/bench.md.');
