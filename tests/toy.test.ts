import { execFileSync } from 'node:child_process';
import { cpSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { buildSync } from 'esbuild';

/**
 * A new kind of member is a folder and a line, and so is a new code: both are added to a copy of the program, which then designs, reports, lists
 * and writes them without another change.
 */
const home = '.reports/toys';

function addLine(path: string, after: string, line: string, importLine: string): void {
  const text = readFileSync(path, 'utf8');
  expect(text).toContain(after);
  writeFileSync(path, `${importLine}\n${text.replace(after, `${after}\n${line}`)}`);
}

function toys() {
  rmSync(home, { recursive: true, force: true });
  mkdirSync(home, { recursive: true });
  cpSync('src', `${home}/src`, { recursive: true });
  cpSync('tests/fixtures/toy-kind', `${home}/src/core/members/toy`, { recursive: true });
  cpSync('tests/fixtures/toy-code', `${home}/src/core/codes/toycode`, { recursive: true });
  addLine(`${home}/src/core/members/kinds.ts`, 'const list = {', '  toy: toyKind,', "import { toyKind } from './toy/kind';");
  addLine(`${home}/src/core/members/works.ts`, 'const list = [', '  toyWork,', "import { toyWork } from './toy/work';");
  const registry = `${home}/src/core/codes/registry.ts`;
  const text = readFileSync(registry, 'utf8');
  writeFileSync(registry, `import { toyEntry } from './toycode';\n${text.replace('as3600Entry]', 'as3600Entry, toyEntry]')}`);
  buildSync({
    entryPoints: ['tests/fixtures/toy-entry.ts'],
    bundle: true,
    platform: 'node',
    format: 'esm',
    outfile: `${home}/toys.mjs`,
    alias: { '@': `./${home}/src` },
    banner: { js: "import { createRequire as requiring } from 'node:module'; const require = requiring(import.meta.url);" },
    logLevel: 'error',
  });
  return JSON.parse(execFileSync(process.execPath, [`${home}/toys.mjs`], { encoding: 'utf8', maxBuffer: 1e8 }));
}

describe('a folder and a line', () => {
  const answer = toys();

  test('are all that a new kind and a new code take', () => {
    expect(answer.kinds).toContain('toy');
    expect(answer.codes).toContain('toycode');
    expect(answer.starts).toContain('toy');
    expect(answer.made).toMatchObject({ type: 'toy', mark: 'T9', place: 'Hall', width: 500, decisions: [], report: 'working' });
  });

  test('the toy is read with units, designed in steps, and written again', () => {
    expect(answer.again.members[0]).toMatchObject({ type: 'toy', width: 400, load: 90 });
    expect(answer.told).toEqual(['1 of 3 parts', '2 of 3 parts']);
    // 90 kN / 30 MPa / 10 = 300 mm of 400 mm
    expect(answer.checks[0]).toMatchObject({ utilisation: 0.75, status: 'holds', clause: 'Toy code, first form' });
    expect(answer.wrong).toMatchObject({
      ok: false,
      faults: [{ path: 'members[0].type', reason: expect.stringContaining('toy, beam, column') }],
    });
  });

  test('report, JSON, list and command line have it', () => {
    expect(answer.words).toEqual(['heading', 'text', 'facts', 'governs', 'checks', 'table']);
    expect(answer.pages).toContain('Width of the toy');
    expect(answer.table).toMatch(/T1 +Toy +400 wide +no bars +Width of the toy +0\.75/);
    expect(answer.exit).toBe(0);
    expect(answer.json.members[0]).toMatchObject({ type: 'toy', code: 'Toy code, first form', needed: 300 });
    expect(answer.row).toEqual({ standing: 'within', reason: 'Width of the toy', size: '400 wide' });
  });

  test('a beam is designed to the toy code, and says what it lacks', () => {
    expect(answer.table).toMatch(/B1 /);
    expect(answer.table).not.toMatch(/NaN|undefined/);
  });
});
