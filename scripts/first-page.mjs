// What a browser fetches before the first drawing, gzipped, page by page: fails where it grows above the budget. Needs a build.
import { readFileSync, readdirSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

/** Where it stands, and where it is to come (bytes). */
const BUDGET = 575_000;
const TARGET = 250_000;
const app = '.next/server/app';
const size = (file) => gzipSync(readFileSync(file), { level: 9 }).length;

/** Scripts and styles that the page itself names, and the page. Typefaces come beside, and are packed already. */
function parts(page) {
  const html = readFileSync(`${app}/${page}`, 'utf8');
  const named = new Set([...html.matchAll(/\/_next\/(static\/[^"'\\ ?]+\.(?:js|css))/g)].map((m) => m[1]));
  return [size(`${app}/${page}`), ...[...named].map((file) => size(`.next/${file}`))];
}

const pages = readdirSync(app).filter((file) => file.endsWith('.html') && !file.startsWith('_'));
let isOver = false;
for (const page of pages.sort()) {
  const total = parts(page).reduce((sum, s) => sum + s, 0);
  if (total > BUDGET) isOver = true;
  console.log(
    `${page.padEnd(20)} ${(total / 1000).toFixed(0).padStart(4)} kB gzipped${total > BUDGET ? `, above ${BUDGET / 1000} kB` : total > TARGET ? `, target ${TARGET / 1000} kB` : ''}`,
  );
}
if (pages.length === 0) throw new Error('no pages: npm run build first');
if (isOver) process.exit(1);
