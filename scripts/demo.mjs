// Builds when the sources are newer than the last build, serves, and prints the address of the demo project.
import { existsSync, readdirSync, statSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { spawn, spawnSync } from 'node:child_process';

process.env.NEXT_TELEMETRY_DISABLED = '1';

function newest(path) {
  const s = statSync(path);
  if (!s.isDirectory()) return s.mtimeMs;
  return Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))));
}

const sources = ['src', 'examples', 'package-lock.json', 'next.config.ts'];
const built = existsSync('.next/BUILD_ID') ? statSync('.next/BUILD_ID').mtimeMs : 0;
if (built < Math.max(...sources.map(newest))) {
  const r = spawnSync('npm', ['run', 'build'], { stdio: 'inherit', shell: process.platform === 'win32' });
  if (r.status !== 0) process.exit(r.status ?? 1);
}

const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });

let port = Number(process.env.PORT ?? 3000);
while (!(await isFree(port))) port += 1;

const server = spawn('npx', ['next', 'start', '-H', '127.0.0.1', '-p', String(port)], {
  stdio: ['ignore', 'pipe', 'inherit'],
  shell: process.platform === 'win32',
});
server.stdout.on('data', (text) => {
  if (String(text).includes('Ready')) console.log(`\nIntarsia: http://127.0.0.1:${port}/?open=demo\n(Ctrl C ends it.)\n`);
});
server.on('exit', (code) => process.exit(code ?? 0));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
