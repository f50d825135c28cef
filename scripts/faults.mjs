// Every kind of fault with its count, one after the other: npm run faults -- [files mutated] [kills]. Needs a build.
import { spawnSync } from 'node:child_process';

const [files = '2000', kills = '10'] = process.argv.slice(2);
const npx = (...args) => spawnSync('npx', args, { encoding: 'utf8', maxBuffer: 1e8 });

/** The last line that says something, or what a test run counted. */
const lastLine = ({ stdout }) => stdout.trim().split('\n').at(-1) ?? '';
const counted = ({ stderr }) => /^Tests:\s+(.*)$/m.exec(stderr)?.[1] ?? 'no count';

const rows = [
  [
    'project files mutated, read, designed, drawn and written',
    () => spawnSync('npm', ['run', '-s', 'fuzz', '--', '--runs', files, '--seed', '1'], { encoding: 'utf8', maxBuffer: 1e8 }),
    lastLine,
  ],
  ['the browser killed after edits', () => spawnSync(process.execPath, ['scripts/kill-test.mjs', kills], { encoding: 'utf8' }), lastLine],
  [
    'storage: torn slots and journals, clock, cleared, full, two tabs, list lost',
    () => npx('jest', 'tests/kept', 'tests/store.test', 'tests/journal', 'tests/unsaved'),
    counted,
  ],
  [
    'the gate: depth, lengths, counts, words, ranges',
    () => npx('jest', 'tests/core/salvage', 'tests/core/smallest-cases', 'tests/store-bounds'),
    counted,
  ],
  ['states of many cases', () => npx('jest', 'tests/core/many-cases', 'tests/core/uncovered'), counted],
  ['workers and threads: dying, silent, stopped, full', () => npx('jest', 'tests/job-pool', 'tests/thread-pool', 'tests/api'), counted],
  ['cells and texts of files in tables and papers', () => npx('jest', 'tests/core/schedule-files', 'tests/core/exchange'), counted],
];

console.log('| fault | runs and what came of them | |');
console.log('| --- | --- | --- |');
let isBad = false;
for (const [name, run, say] of rows) {
  const done = run();
  if (done.status !== 0) isBad = true;
  console.log(`| ${name} | ${say(done)} | ${done.status === 0 ? 'held' : 'FAILED'} |`);
}
if (isBad) process.exit(1);
