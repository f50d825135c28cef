import { readFileSync } from 'node:fs';
import { runDesign } from './design';

const { output, errors, exitCode } = await runDesign(process.argv.slice(2), (path) => readFileSync(path, 'utf8'));
if (errors) process.stderr.write(errors);
// The exit code is set, not forced, so that long output reaches a pipe in full.
process.stdout.write(output);
process.exitCode = exitCode;
