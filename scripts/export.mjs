// The application as static files in out/: any plain web host serves it, with everything but /api/design.
import { cpSync, existsSync, rmSync } from 'node:fs';
import { spawnSync } from 'node:child_process';

const run = (args, env = {}) => {
  const r = spawnSync(args[0], args.slice(1), {
    stdio: 'inherit',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
    shell: process.platform === 'win32',
  });
  if (r.status !== 0) process.exit(r.status ?? 1);
};
for (const folder of ['out', '.next-export']) rmSync(folder, { recursive: true, force: true });
run(['npx', 'next', 'build'], { INTARSIA_EXPORT: '1' });
if (!existsSync('out')) cpSync('.next-export', 'out', { recursive: true });
run(['node', 'scripts/service-worker.mjs', 'out']);
console.log('out/ is ready: any web host serves it from its root, such as: python3 -m http.server -d out');
