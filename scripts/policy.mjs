// After a build: the policy of the pages names the framework's own inline scripts by their hashes, so that no other inline script runs.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const MANIFEST = '.next/routes-manifest.json';
const ANY = "script-src 'self' 'unsafe-inline'";

const pages = readdirSync('.next/server/app', { recursive: true })
  .filter((file) => file.endsWith('.html'))
  .map((file) => readFileSync(join('.next/server/app', file), 'utf8'));
const scripts = pages.flatMap((html) => [...html.matchAll(/<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g)].map((m) => m[1]));
const hashes = new Set(scripts.map((text) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`));

const manifest = JSON.parse(readFileSync(MANIFEST, 'utf8'));
let count = 0;
for (const { headers } of manifest.headers)
  for (const header of headers) {
    if (!header.value.includes(ANY)) continue;
    header.value = header.value.replace(ANY, `script-src 'self' ${[...hashes].sort().join(' ')}`);
    count += 1;
  }
// A second run finds nothing to do; a build whose policy stands elsewhere is told.
if (count === 0 && !manifest.headers.some(({ headers }) => headers.some(({ value }) => value.includes("script-src 'self' 'sha256-"))))
  throw new Error(`no policy in ${MANIFEST}`);
writeFileSync(MANIFEST, JSON.stringify(manifest));
console.log(`policy: ${hashes.size} inline scripts of ${pages.length} pages by their hashes`);
