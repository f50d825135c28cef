// Says where two files of results differ: node tests/tools/compare-results.mjs before.json after.json [--with-steps]
// Results are written by `npm run design -- <project> --json`. Derivations are left out unless they are asked for.
import { readFileSync } from 'node:fs';

const [before, after] = process.argv.slice(2, 4).map((path) => JSON.parse(readFileSync(path, 'utf8')));
const left = process.argv.includes('--with-steps') ? [] : ['derivation'];
let differences = 0;

const say = (path, a, b) => {
  differences += 1;
  const short = (v) => (v === undefined ? 'nothing' : JSON.stringify(v).slice(0, 100));
  console.log(`${path}: ${short(a)} -> ${short(b)}`);
};

/** Entries of lists that have names are compared by name, so that a new one does not shift the others. */
const named = (list) => list.every((e) => typeof (e?.id ?? e?.mark) === 'string');
const keyed = (v) => (Array.isArray(v) && v.length > 0 && named(v) ? Object.fromEntries(v.map((e) => [e.id ?? e.mark, e])) : v);

function compare(path, x, y) {
  const [a, b] = [keyed(x), keyed(y)];
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return Object.is(a, b) || say(path, a, b);
  for (const key of new Set([...Object.keys(a), ...Object.keys(b)]))
    if (!left.includes(key)) compare(path ? `${path}.${key}` : key, a[key], b[key]);
}

compare('', before, after);
console.log(`${differences} differences`);
process.exit(differences > 0 ? 1 : 0);
