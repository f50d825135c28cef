// The thread in which the server designs what is posted, as one file that no framework has to know of: .server/design-thread.mjs.
import { build } from 'esbuild';

const bundle = () =>
  build({
    entryPoints: ['src/server/design-thread.ts'],
    outfile: '.server/design-thread.mjs',
    bundle: true,
    platform: 'node',
    format: 'esm',
    alias: { '@': './src' },
    logLevel: 'error',
  });

/** For the tests, which post to the route as well. */
export default bundle;
if (process.argv[1]?.endsWith('bundle-thread.mjs')) await bundle();
