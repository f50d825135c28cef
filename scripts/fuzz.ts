/** Files changed at random through reading, design and paper: npm run fuzz -- --runs 100000 --seed 1. Ends with 1 where anything went wrong. */
import { parseArgs } from 'node:util';
import { judge, random, seeds, type Finding } from '../tests/tools/fuzz';

const { values } = parseArgs({
  options: { runs: { type: 'string', default: '2000' }, seed: { type: 'string', default: '1' }, show: { type: 'string', default: '3' } },
});
const all = seeds();
const pick = random(Number(values.seed));
const findings: Finding[] = [];
let refused = 0;
const started = Date.now();
for (let i = 0; i < Number(values.runs); i += 1) {
  const run = Math.floor(pick() * 2 ** 31);
  const { findings: found, isRefused } = judge(all[run % all.length]!, run);
  findings.push(...found);
  if (isRefused) refused += 1;
  if ((i + 1) % 5000 === 0)
    process.stderr.write(`${i + 1} runs, ${findings.length} findings, ${Math.round((Date.now() - started) / 1000)} s\n`);
}
const alike = (f: Finding) => `${f.bad}: ${f.what.replace(/-?\d+(\.\d+)?(e[+-]?\d+)?/g, '#')}`.slice(0, 150);
const groups = new Map<string, Finding[]>();
for (const f of findings) groups.set(alike(f), [...(groups.get(alike(f)) ?? []), f]);
for (const [key, list] of [...groups].sort((a, b) => b[1].length - a[1].length)) {
  console.log(`\n${list.length} x ${key}`);
  for (const f of list.slice(0, Number(values.show))) console.log(`   run ${f.run}: ${f.what}\n      ${f.changes.join('\n      ')}`);
}
const kinds = new Map<string, number>();
for (const f of findings) kinds.set(f.bad, (kinds.get(f.bad) ?? 0) + 1);
console.log(
  `\n${values.runs} runs, ${refused} refused with words, ${findings.length} findings in ${Math.round((Date.now() - started) / 1000)} s`,
);
for (const [kind, n] of kinds) console.log(`  ${kind}: ${n}`);
process.exitCode = findings.length > 0 ? 1 : 0;
