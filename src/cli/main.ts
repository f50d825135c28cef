import { readFileSync, writeFileSync } from 'node:fs';
import { runDesign } from './design';

const read = (path: string) => readFileSync(path, 'utf8');
const {
  output,
  errors,
  files = [],
  exitCode,
} = await runDesign(process.argv.slice(2), read, async (report, ending) => {
  // Only who asks for a report waits for what makes it.
  const { reportFile } = await import('./papers');
  return reportFile(report, ending);
});
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
