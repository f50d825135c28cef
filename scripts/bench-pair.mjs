// The same work by this tree and by another commit, in turns on the same machine: npm run bench:pair -- COMMIT [turns] [words of the work].
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildSync } from 'esbuild';

const [commit = 'HEAD~1', turns = '4', wanted = ''] = process.argv.slice(2);
const other = mkdtempSync(join(tmpdir(), 'bench-pair-'));
const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];
const shown = (ms) => (ms < 1000 ? `${ms.toFixed(ms < 10 ? 2 : 0)} ms` : `${(ms / 1000).toFixed(2)} s`);

function bundle(sources, file) {
  buildSync({
    entryPoints: ['scripts/bench-pair-work.ts'],
    bundle: true,
    platform: 'node',
    format: 'esm',
    alias: { '@': sources },
    outfile: file,
    logLevel: 'error',
  });
  return file;
}

try {
  execFileSync('git', ['clone', '-q', '.', other]);
  execFileSync('git', ['-C', other, 'checkout', '-q', execFileSync('git', ['rev-parse', commit], { encoding: 'utf8' }).trim()]);
  symlinkSync(join(process.cwd(), 'node_modules'), join(other, 'node_modules'));
  const programs = { before: bundle(join(other, 'src'), join(other, 'before.mjs')), now: bundle('./src', '.reports/now.mjs') };
  const times = { before: {}, now: {} };
  for (let turn = 0; turn < Number(turns); turn += 1)
    for (const [who, file] of Object.entries(programs)) {
      const found = JSON.parse(execFileSync(process.execPath, [file, '2', wanted], { encoding: 'utf8' }));
      for (const [name, list] of Object.entries(found)) (times[who][name] ??= []).push(...list);
    }
  console.log(`| work | ${commit} | now | ratio of medians | least of each |`);
  console.log('| --- | --- | --- | --- | --- |');
  for (const name of Object.keys(times.now)) {
    const [a, b] = [times.before[name], times.now[name]];
    const ratio = (median(b) / median(a)).toFixed(2);
    console.log(`| ${name} | ${shown(median(a))} | ${shown(median(b))} | ${ratio} | ${shown(Math.min(...a))}, ${shown(Math.min(...b))} |`);
  }
} finally {
  rmSync(other, { recursive: true, force: true });
}
