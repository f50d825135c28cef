// Opens a report and a bar schedule in an office program (LibreOffice, headless), converts both, and compares what it read with the results.
// Usage: npm run office-check [-- PROJECT]. Needs `soffice` (Debian: libreoffice-writer-nogui, libreoffice-calc-nogui).
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync } from 'node:fs';
import { basename } from 'node:path';

const project = process.argv[2] ?? 'examples/alderlight-annex-us.intarsia';
const name = basename(project, '.intarsia');
const home = '.reports/office';
mkdirSync(home, { recursive: true });
if (spawnSync('soffice', ['--version']).error) {
  console.error('soffice is not installed: nothing was checked.');
  process.exit(2);
}

const design = (...args) => {
  const run = spawnSync('npx', ['tsx', 'src/cli/main.ts', project, ...args], { encoding: 'utf8', maxBuffer: 1e9 });
  if (run.status === 2) throw new Error(run.stderr);
  return run.stdout;
};
const convert = (file, to) =>
  execFileSync(
    'soffice',
    ['--headless', `-env:UserInstallation=file:///tmp/office-${process.pid}`, '--convert-to', to, '--outdir', home, file],
    { stdio: 'pipe' },
  );
const tight = (text) => text.replace(/[\s\u00a0\u2009\u202f]+/g, '');

const results = JSON.parse(
  design('--json', '--report', `${home}/${name}.docx`, '--schedule', `${home}/${name}.xlsx`, '--schedule', `${home}/own-${name}.csv`),
);
convert(`${home}/${name}.docx`, 'pdf');
convert(`${home}/${name}.docx`, 'txt:Text (encoded):UTF8');
// Every sheet as a file of its own; numbers as they are shown.
convert(`${home}/${name}.xlsx`, 'csv:Text - txt - csv (StarCalc):44,34,76,1,,0,false,true,false,false,false,-1');

const text = tight(readFileSync(`${home}/${name}.txt`, 'utf8'));
const missing = [];
let compared = 0;
for (const member of results.members)
  for (const check of member.checks) {
    compared += 1;
    if (!text.includes(tight(check.title))) missing.push(`${member.mark}: ${check.title}`);
    else if (check.utilisation !== null && !text.includes(check.utilisation.toFixed(2)))
      missing.push(`${member.mark}: ${check.title} ${check.utilisation}`);
  }
const lines = (path) =>
  readFileSync(path, 'utf8')
    .replace(/^\ufeff/, '')
    .split(/\r?\n/);
const cells = (line) => line.match(/("([^"]|"")*"|[^,]*)(,|$)/g).map((c) => c.replace(/,$/, '').replace(/^"|"$/g, ''));
const own = lines(`${home}/own-${name}.csv`);
const read = lines(`${home}/${name}-Bar schedule.csv`);
const bars = own.slice(
  2,
  own.findIndex((l, i) => i > 2 && l.startsWith('Sum')),
);
bars.forEach((line, i) => {
  const [ours, theirs] = [cells(line), cells(read[i + 1])];
  ours.forEach((cell, k) => {
    if (cell === '' && !theirs[k]) return;
    compared += 1;
    const isNear =
      Number.isFinite(Number(cell)) &&
      Math.abs(Number(cell) - Number(theirs[k])) <= 0.5 * 10 ** -((theirs[k] ?? '').split('.')[1] ?? '').length + 1e-9;
    if (!isNear && cell.replace(/^'/, '') !== theirs[k]) missing.push(`row ${i + 1}: ${cell} was read as ${theirs[k]}`);
  });
});
console.log(
  `${compared} values of ${name} compared after ${execFileSync('soffice', ['--version'], { encoding: 'utf8' }).trim()}: ${missing.length} differ.`,
);
missing.slice(0, 20).forEach((m) => console.log(`  ${m}`));
process.exitCode = missing.length > 0 ? 1 : 0;
