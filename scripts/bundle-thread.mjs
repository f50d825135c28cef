// The thread in which the server designs what is posted, as one file that no framework has to know of: .server/design-thread.mjs.
import { mkdirSync, renameSync, writeFileSync } from 'node:fs';
import { build } from 'esbuild';

const FILE = '.server/design-thread.mjs';

async function bundle() {
  const { outputFiles } = await build({
    entryPoints: ['src/server/design-thread.ts'],
    bundle: true,
    platform: 'node',
    format: 'esm',
    alias: { '@': './src' },
    logLevel: 'error',
    write: false,
  });
  mkdirSync('.server', { recursive: true });
  // Whole or not at all: tests and build may make it at once.
  const part = `${FILE}.${process.pid}`;
  writeFileSync(part, outputFiles[0].contents);
  renameSync(part, FILE);
}

/** For the tests, which post to the route as well. */
export default bundle;
if (process.argv[1]?.endsWith('bundle-thread.mjs')) await bundle();
