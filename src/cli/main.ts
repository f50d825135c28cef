import { readFileSync, writeFileSync } from 'node:fs';
import { runDesign } from './design';

const { output, errors, files = [], exitCode } = await runDesign(process.argv.slice(2), (path) => readFileSync(path, 'utf8'));
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
