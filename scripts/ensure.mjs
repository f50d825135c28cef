// Brings node_modules (and, with --browser, a Chromium) up to date before a command that needs them.
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';

const quiet = process.argv.includes('--quiet');
function run(cmd, args) {
  // Set-up chatter goes to standard error, so that a command's own standard output stays clean.
  const r = spawnSync(cmd, args, { stdio: ['ignore', quiet ? 2 : 'inherit', 'inherit'], shell: process.platform === 'win32' });
  if (r.status !== 0) process.exit(r.status ?? 1);
}

const stamp = 'node_modules/.lock-stamp';
const hash = createHash('sha256')
  .update(readFileSync('package-lock.json'))
  .update(process.version + process.platform + process.arch)
  .digest('hex');
if (!existsSync(stamp) || readFileSync(stamp, 'utf8') !== hash) {
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  writeFileSync(stamp, hash);
}

const chromium = process.env.CHROMIUM_PATH ?? '/usr/bin/chromium';
if (process.argv.includes('--browser') && !existsSync(chromium)) {
  if (process.platform !== 'linux') {
    console.error('No Chromium found: set CHROMIUM_PATH to one.');
    process.exit(1);
  }
  const apt = (...args) => (process.getuid?.() === 0 ? run('apt-get', args) : run('sudo', ['apt-get', ...args]));
  apt('update');
  apt('install', '-y', '--no-install-recommends', 'chromium');
}
