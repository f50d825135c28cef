// Writes the service worker after a build: node scripts/service-worker.mjs (into public/) or node scripts/service-worker.mjs <folder of an export>.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join, relative, sep } from 'node:path';

const filesIn = (root) =>
  readdirSync(root, { recursive: true, withFileTypes: true })
    .filter((e) => e.isFile())
    .map((e) => join(e.parentPath, e.name));

/** Address and file of everything that a page may ask for. */
function ofBuild() {
  const at = (root, prefix) => filesIn(root).map((file) => [`${prefix}/${relative(root, file).split(sep).join('/')}`, file]);
  const pages = at('.next/server/app', '').filter(([path]) => path.endsWith('.html') && !path.startsWith('/_'));
  return [
    ...pages.map(([path, file]) => [path === '/index.html' ? '/' : path.replace(/\.html$/, ''), file]),
    ...['icon.svg', 'manifest.webmanifest'].map((name) => [`/${name}`, join('src/app', name)]),
    ...at('.next/static', '/_next/static'),
    ...at('public', ''),
  ];
}

function ofExport(root) {
  return filesIn(root).flatMap((file) => {
    const path = `/${relative(root, file).split(sep).join('/')}`;
    if (path.startsWith('/_not-found') || path.startsWith('/404') || path.endsWith('.txt')) return [];
    return [[path.replace(/\/index\.html$/, '/'), file]];
  });
}

const [folder] = process.argv.slice(2);
const all = (folder ? ofExport(folder) : ofBuild()).filter(([path]) => path !== '/sw.js' && !path.endsWith('.map'));
const hash = createHash('sha256');
for (const [path, file] of all.sort()) hash.update(path).update(readFileSync(file));
const version = hash.digest('hex').slice(0, 16);
const files = all.map(([path]) => path);
const head = `const VERSION = ${JSON.stringify(version)};\nconst FILES = ${JSON.stringify(files)};\n`;
writeFileSync(join(folder ?? 'public', 'sw.js'), head + readFileSync('scripts/sw.js', 'utf8'));
const size = all.reduce((sum, [, file]) => sum + statSync(file).size, 0);
console.log(`service worker ${version}: ${files.length} files, ${(size / 1e6).toFixed(1)} MB`);
