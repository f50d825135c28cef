import { readFileSync, writeFileSync } from 'node:fs';
import { runDesign } from './design';

// Only who asks for a paper waits for what makes it.
const papers = () => import('./papers');
const maker = {
  report: async (...asked: Parameters<(typeof import('./papers'))['reportFile']>) => (await papers()).reportFile(...asked),
  drawings: async (...asked: Parameters<(typeof import('./papers'))['drawingsPdf']>) => (await papers()).drawingsPdf(...asked),
};
const read = (path: string) => readFileSync(path, 'utf8');
const { output, errors, files = [], exitCode } = await runDesign(process.argv.slice(2), read, maker);
if (errors) process.stderr.write(errors);
// The exit code is set, not forced, so that long output reaches a pipe in full.
process.stdout.write(output);
process.exitCode = exitCode;
for (const { path, content } of files) {
  try {
    writeFileSync(path, content);
  } catch (error) {
    process.stderr.write(`Cannot write ${path}: ${(error as Error).message}\n`);
    process.exitCode = 2;
  }
}
