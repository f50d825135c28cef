/** Prints the speed targets beside medians measured here. Not a test: nothing fails. */
import { readFileSync } from 'node:fs';
import { readProjectText } from '../src/exchange/project-text';
import { designMember, type Member, type Project } from '../src/core/project/project';
import { readProject } from '../src/core/project/read';

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

/** Three spans, six load cases, patterns, all combinations. */
function threeSpans(code: { id: string; variant: string }): Project {
  return mustRead({
    format: 'intarsia',
    version: 1,
    code,
    members: [
      {
        mark: 'T',
        section: { shape: 'T', b: 300, h: 550, flangeWidth: 1100, flangeDepth: 150 },
        spans: [{ length: 7200 }, { length: 8400 }, { length: 6000 }],
        supports: Array.from({ length: 4 }, () => ({ width: 250 })),
        cases: [
          { id: 'G', nature: 'permanent' },
          { id: 'Q', nature: 'imposed', category: 'C' },
          { id: 'Q2', nature: 'imposed', category: 'A' },
          { id: 'S', nature: 'snow' },
          { id: 'W', nature: 'wind' },
        ],
        loads: [
          { type: 'uniform', case: 'G', value: 20 },
          { type: 'uniform', case: 'Q', value: 12 },
          { type: 'uniform', case: 'Q2', value: 4 },
          { type: 'uniform', case: 'S', value: 3 },
          { type: 'uniform', case: 'W', value: 2 },
          { type: 'point', case: 'G', span: 1, at: 3000, force: 30 },
        ],
      },
    ],
  });
}

function manyBeams(count: number): Project {
  const opened = readProjectText(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8'));
  if (!opened.ok) throw new Error('the demo does not open');
  const { project } = opened;
  const members = Array.from({ length: count }, (_, i): Member => ({ ...project.members[i % project.members.length]!, id: `n${i}` }));
  return { ...project, members };
}

const rows: [work: string, target: string, measured: string][] = [];
const ms = (t: number) => `${t < 10 ? t.toFixed(2) : t.toFixed(0)} ms`;

for (const code of [
  { id: 'en1992', variant: 'uk' },
  { id: 'aci318', variant: 'SI' },
]) {
  const project = threeSpans(code);
  const member = project.members[0]!;
  const result = designMember(project, member);
  if (result.type !== 'beam') throw new Error('not a beam');
  const t = median(() => designMember(project, member), 30, 1500);
  rows.push([
    `3-span beam, 6 load cases, ${result.arrangements.length} arrangements, ${result.strips!.x.length} stations, all ultimate checks (${code.id})`,
    '< 8 ms',
    ms(t),
  ]);
  const all = median(() => designMember(project, member, 'all'), 20, 800);
  rows.push([`the same with every derivation (${code.id})`, '–', ms(all)]);
}
const demo = manyBeams(9);
for (const member of demo.members.slice(0, 9))
  rows.push([`demo beam ${member.mark}`, '–', ms(median(() => designMember(demo, member), 10, 200))]);
const large = manyBeams(500);
const one = performance.now();
for (const member of large.members) designMember(large, member);
rows.push([
  '500 beams, one thread (two workers share it in the browser)',
  '< 10 s on two',
  `${((performance.now() - one) / 1000).toFixed(2)} s`,
]);

const width = Math.max(...rows.map(([work]) => work.length));
console.log(`${'Work'.padEnd(width)}  ${'Target'.padEnd(14)}  Measured (median)`);
for (const [work, target, measured] of rows) console.log(`${work.padEnd(width)}  ${target.padEnd(14)}  ${measured}`);
console.log(
  'Not there yet: N-M surfaces, deflection, plates (columns, serviceability and plates are not built). Key to paint: see docs/bench.md.',
);
